// SPDX-License-Identifier: GPL-3.0-or-later
// A camera's motion as a table: ours, and those of other programs with their columns named; see docs/capture.md.
#pragma once

#include <array>
#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/captured.h"
#include "ember/core/error.h"

namespace ember {

/// What a motion's table tells of a frame. Only `frame` or `seconds`, and one of x, y, roll and zoom, must be there.
enum class MotionColumn { frame, seconds, x, y, roll, zoom, confidence };
inline constexpr std::array<std::string_view, 7> motionColumnNames{"frame", "seconds", "x",         "y",
                                                                   "roll",  "zoom",    "confidence"};

/// A unit that a column's numbers may be in.
struct MotionUnit {
    std::string_view name; ///< "px", "px up", "% of width", …
    double factor;         ///< to ours: pixels (of width or height, where it is a share), degrees, a ratio
    double offset = 0;     ///< added afterwards
    enum class Share { none, width, height } share = Share::none;
};
/// The units a column knows, the usual one first; none for frames, seconds and confidence.
std::vector<MotionUnit> unitsOf(MotionColumn column);

/// How a table is to be understood.
struct MotionReading {
    FrameRate rate; ///< of its frames, and of the motion
    int width = 1280;
    int height = 720;
    std::map<MotionColumn, std::string> columns; ///< where a heading is foreign; none where the text is empty
    std::map<MotionColumn, std::string> units;   ///< by name; the usual one where it is not told
};

/// The headings of a table, and which of ours each is taken for.
struct MotionHeading {
    std::string name;
    std::string takenFor; ///< of motionColumnNames; empty: nothing
};
std::vector<MotionHeading> motionHeadings(std::string_view text);

/// The motion in a table. Frames that its rows leave out are bridged and have confidence 0. An error tells the line and
/// what is wrong there: a number that is not one, a frame that goes back, a zoom that is not positive.
Result<CapturedMotion> motionFromCsv(std::string_view text, const MotionReading& reading);

/// One row for each frame: frame,x_px,y_px,roll_deg,zoom,confidence. `first` is the number of the first.
std::string motionToCsv(const CapturedMotion& motion, std::int64_t first);

} // namespace ember
