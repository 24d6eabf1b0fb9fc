// SPDX-License-Identifier: GPL-3.0-or-later
// Names of frames by the clock: hours, minutes, seconds, frames (SMPTE ST 12-1).
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "ember/core/time.h"

namespace ember {

/// How frames are named. The count is of whole frames a second (24 for 24000/1001); a dropped count leaves out names so
/// that it stays with the clock.
struct TimecodeCount {
    std::int64_t perSecond = 24; ///< names in a second
    bool drop = false;           ///< frames 0 and 1 (0 to 3 at 60) are left out each minute but each tenth

    bool operator==(const TimecodeCount&) const = default;
};

/// The usual count of a rate. Only 30000/1001 and 60000/1001 can drop names; for others `drop` is false whatever is
/// asked for.
TimecodeCount countOf(FrameRate rate, bool drop = false);

/// "01:02:03:04", of a dropped count "01:02:03;04". `number`: of frames since 00:00:00:00; below it a minus stands
/// before the name. Hours go on beyond 24.
std::string timecodeText(std::int64_t number, TimecodeCount count);

/// The number of the frame of a name; fields may be left out from the left ("3:04" is three seconds and four frames),
/// and ; or . may stand for :. Nothing where there is no : or ; at all, for what is no name, for fields out of range
/// and for names that a dropped count leaves out.
std::optional<std::int64_t> frameOfTimecode(std::string_view text, TimecodeCount count);

} // namespace ember
