// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "ember/core/error.h"
#include "ember/core/project.h"

namespace ember::frei0r {

/// What a host sets, as it sets it.
struct HostWishes {
    std::string project; ///< path of a .vember; empty: a film of `strikes` alone
    std::string recipe;  ///< name of a recipe of the shipped or the user's book for `strikes`; empty: their kinds' own
    std::string strikes; ///< "FRAME:KIND:STRENGTH,…", or the path of a list of strikes
    std::string rate;    ///< frames a second where there is no project; empty: 24
    std::string start;   ///< the film's frame at the host's time 0; empty: 0
    double strength = 0.5; ///< of every strike: 0 none, 0.5 as it is, 1 twice that
    double intensity = 1;  ///< share of the film's
    bool gentle = false;
    std::string clock; ///< "seconds" or "milliseconds"; empty: as the host is known to have them

    bool operator==(const HostWishes&) const = default;
};

/// The film that is wished for, in a host's frame of this size where there is no project. Errors name what was set.
Result<Project> filmOf(const HostWishes& wishes, int width, int height);

/// Whether a host's time is one. FFmpeg has none for pictures whose rows it had to copy, and hands over what stands for
/// none, some 10^17 to 10^20 below zero.
bool isTime(double time, bool inMilliseconds);

/// The film's frame shown at a host's time; for a picture without a time the one that follows `untimed` others.
Result<Frame> frameAt(const HostWishes& wishes, FrameRate rate, double time, bool inMilliseconds, std::int64_t untimed);

} // namespace ember::frei0r
