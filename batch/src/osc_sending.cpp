// SPDX-License-Identifier: GPL-3.0-or-later
#include "osc_sending.h"

#include <algorithm>
#include <chrono>
#include <ostream>
#include <thread>

namespace ember {

Status sendInTime(const std::vector<TimedOsc>& messages, const OscAddress& address, const BatchStreams& streams)
{
    using Clock = std::chrono::steady_clock;
    const auto sender = OscSender::open(address);
    if (!sender)
        return sender.error();
    const auto start = Clock::now();
    for (const TimedOsc& timed : messages) {
        const auto due =
            start + std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(timed.seconds));
        // In short sleeps, so that it can be stopped.
        while (Clock::now() < due) {
            if (streams.stop != nullptr && *streams.stop)
                return Error{ErrorCode::cancelled, "Sending", "it was stopped before all messages were sent"};
            std::this_thread::sleep_until(std::min(due, Clock::now() + std::chrono::milliseconds(100)));
        }
        if (!sender.value()->send(writeOsc(timed.message)))
            return Error{ErrorCode::failed, Phrase("{}:{}", address.host, address.port),
                         "the system did not take a message"};
    }
    const double seconds = std::chrono::duration<double>(Clock::now() - start).count();
    streams.out << messages.size() << (messages.size() == 1 ? " message" : " messages") << " sent in "
                << static_cast<double>(static_cast<long long>(seconds * 100)) / 100 << " s\n";
    return Done{};
}

} // namespace ember
