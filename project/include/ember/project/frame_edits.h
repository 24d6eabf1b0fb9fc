// SPDX-License-Identifier: GPL-3.0-or-later
// Another frame size or frame rate for a film that is being worked on.
#pragma once

#include "ember/core/project.h"

namespace ember {

/// What becomes of amounts in pixels.
enum class PixelAmounts {
    follow, ///< they grow with the frame: by the square root of its area, which is its width where the shape stays
    stay,
};

/// The film in a frame of this size (1 to 32768 a side). Points of the picture stay on what they show, shots that fill
/// the frame taken for granted; layers stay as far from the edges, and as large in the narrower direction. Lengths, and
/// all that is measured in frames, ratios and degrees, stay.
Project withFrameSize(Project project, int width, int height, PixelAmounts amounts);

/// The film at another rate: everything stays at its second, as near as whole frames of the new rate allow, strikes on
/// the nearest. Clips are shown from the same instants on. Speeds in hertz, and all else, stay.
Project withFrameRate(Project project, FrameRate rate);

} // namespace ember
