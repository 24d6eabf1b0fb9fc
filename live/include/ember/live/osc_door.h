// SPDX-License-Identifier: GPL-3.0-or-later
// OSC over UDP: what comes in, counted and bounded, and what goes out.
#pragma once

#include <chrono>
#include <cstdint>
#include <functional>
#include <memory>
#include <string>
#include <vector>

#include "ember/live/osc_message.h"

namespace ember {

/// Where messages come in or go to.
struct OscAddress {
    std::string host = "127.0.0.1";
    int port = 0;

    bool operator==(const OscAddress&) const = default;
};
/// "PORT" or "HOST:PORT"; nothing where that is no port from 1 to 65535 (0 too where `any`: the system chooses).
std::optional<OscAddress> oscAddressFrom(const std::string& text, bool any = false);
/// Nobody but this machine can reach it.
bool onlyThisMachine(const OscAddress& address);

/// Datagrams since the door was opened, by what became of them.
struct OscCounts {
    std::uint64_t datagrams = 0;
    std::uint64_t taken = 0;     ///< messages
    std::uint64_t malformed = 0; ///< messages or datagrams that are not as they should be
    std::uint64_t unknown = 0;   ///< messages to addresses that are not ours
    std::uint64_t oversized = 0; ///< datagrams
    std::uint64_t flooded = 0;   ///< messages, since more waited than may
};

struct OscArrival {
    OscMessage message;
    std::chrono::steady_clock::time_point at;
};

/// Listens on a thread of its own. At most `mostWaiting` messages wait to be taken; more are dropped and counted.
class OscListener {
public:
    static constexpr std::size_t mostWaiting = 4096;

    /// `arrived` is called from that thread when messages begin to wait. An error tells why the port cannot be had.
    static Result<std::unique_ptr<OscListener>> open(const OscAddress& address, std::function<void()> arrived = {});
    virtual ~OscListener() = default;

    virtual int port() const = 0;
    virtual std::vector<OscArrival> take() = 0;
    virtual OscCounts counts() const = 0;
};

/// Sends datagrams. They may be lost on their way, which nobody tells.
class OscSender {
public:
    static Result<std::unique_ptr<OscSender>> open(const OscAddress& address);
    virtual ~OscSender() = default;

    /// False where the system would not take it.
    virtual bool send(std::span<const std::byte> datagram) = 0;
};

} // namespace ember
