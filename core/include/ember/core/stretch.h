// SPDX-License-Identifier: GPL-3.0-or-later
// Time as the Anvil and its sheet show it: one frame at a strike is wide, a hundred far from it are not.
#pragma once

#include <cmath>

namespace ember {

/// Up to here, in frames, the scale is nearly even.
inline constexpr double stretchFrames = 5;

/// Where a frame counted from the strike lies; grows as asinh(frame / 5).
inline double stretched(double frame)
{
    return std::asinh(frame / stretchFrames);
}

/// The frame that lies there.
inline double unstretched(double place)
{
    return stretchFrames * std::sinh(place);
}

} // namespace ember
