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

/// The name of a film's first frame.
struct FilmClock {
    std::int64_t start = 0; ///< frames after 00:00:00:00; not below 0
    bool drop = false;      ///< its names are of a dropped count

    bool operator==(const FilmClock&) const = default;
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

/// The clock that begins with this name; a ; in it asks for a dropped count. Nothing for what is no name or lies before
/// 00:00:00:00.
std::optional<FilmClock> clockFrom(std::string_view text, FrameRate rate);
/// The name of a frame of the film, counted from 0, and the frame of a name.
std::string timecodeOf(std::int64_t frame, FilmClock clock, FrameRate rate);
std::optional<std::int64_t> frameOf(std::string_view timecode, FilmClock clock, FrameRate rate);

} // namespace ember
