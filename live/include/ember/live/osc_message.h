// SPDX-License-Identifier: GPL-3.0-or-later
// What other programs say and hear, as Open Sound Control 1.0 (docs/osc.md).
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <variant>
#include <vector>

#include "ember/core/board.h"
#include "ember/core/error.h"
#include "ember/core/motion.h"
#include "ember/core/project.h"

namespace ember {

/// "/strike kind strength [seed]" and "/strike_at kind strength x y z".
struct OscStrike {
    std::string kind; ///< a kind, else a pad's name, else a recipe's
    double strength = 1;
    std::optional<std::uint32_t> seed = {};
    std::optional<WorldPoint> at = {};

    bool operator==(const OscStrike&) const = default;
};
/// "/settle frames"; 0 stops at once.
struct OscSettle {
    double frames = 12;
    bool operator==(const OscSettle&) const = default;
};
/// "/intensity percent".
struct OscIntensity {
    double ratio = 1;
    bool operator==(const OscIntensity&) const = default;
};
using OscMessage = std::variant<OscStrike, OscSettle, OscIntensity>;

/// No longer datagram is looked at, and none is sent.
inline constexpr std::size_t longestDatagram = 1024;
/// Messages in one bundle that are taken.
inline constexpr std::size_t mostInBundle = 64;

/// What of a datagram could not be taken.
struct OscRead {
    std::vector<OscMessage> messages;
    std::size_t malformed = 0; ///< not OSC, or of ours with values that are missing, of another type or out of range
    std::size_t unknown = 0;   ///< OSC, but no address of ours
};
/// The messages of a datagram: one, or a bundle, bundles in it included; its time is not waited for. Numbers may be of
/// any type that OSC has. Never reads past the datagram, whatever is in it.
OscRead readOsc(std::span<const std::byte> datagram);

std::vector<std::byte> writeOsc(const OscMessage& message);
/// "/pose x y zoom roll pan tilt intensity": pixels of the project's frame, ratio, degrees, ratio.
std::vector<std::byte> writeOscPose(const MotionSample& sample);

/// What a message strikes on a board in this state; an error says what it does not know. The seed is the caller's where
/// the message has none.
Result<Strike> strikeOf(const OscStrike& message, const Project& project, const Board& board, std::size_t state);

/// A message as a line for people: "strike hit 80 %".
std::string oscText(const OscMessage& message);

} // namespace ember
