// SPDX-License-Identifier: GPL-3.0-or-later
// What a lens or a shock in the air does to a whole picture of light: rings that run through it, and focus that is
// lost.
#pragma once

#include "light_effects.h"

namespace ember {

/// Every pixel from where the ripples push it from. At a distance d from a ripple's point the push outwards is
/// amount * g(u) * min(1, 2 d / width), u = (d - radius) / width, with g(u) = sin(pi u) cos^2(pi u / 2) / 0.6495 within
/// -1 to 1, which is 1 at most, and 0 elsewhere; pushes add up. Across a border of the picture it fades over twice the
/// amount, so that nothing beyond the border is ever looked at. Pixels that are not pushed are passed on as they are.
/// `scale`: pixels of the picture for one of the project.
Sum rippling(std::vector<RippleNow> ripples, int width, int height, double scale);

/// Discs smaller than this change nothing that is seen.
inline constexpr double leastDefocus = 0.25;

/// Every pixel as the mean of a disc of this radius in pixels, its rim weighted by what of each pixel it covers. Large
/// discs are added up in a picture of halved sizes, and blown up again by a cubic B-spline (M. Unser, 1999); the disc
/// is then smaller by as much as that blurs.
Sum defocusing(double radius, int width, int height);

} // namespace ember
