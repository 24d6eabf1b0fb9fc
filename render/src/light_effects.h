// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with a whole picture of light: what looks at neighbours.
#pragma once

#include <functional>
#include <vector>

#include "ember/core/motion.h"
#include "gather.h"

namespace ember {

/// A picture made of another: what of a plane is added up, onto a canvas.
using Sum = std::function<void(const Plane&, Canvas&)>;

/// The plane as it is.
Sum asItIs(int width, int height);

/// After these sums, what ripples, defocus, streak, radial streak and fringe add up, for pictures of `width` x
/// `height`. `scale`: pixels of the picture for one of the project.
std::vector<Sum> withEffects(std::vector<Sum> sums, const LightNow& light, int width, int height, double scale);

} // namespace ember
