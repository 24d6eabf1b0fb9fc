// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with a whole picture of light.
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

/// After these sums, what streak, radial streak and fringe add up, for pictures of `width` x `height`. `scale`: pixels
/// of the picture for one of the project.
std::vector<Sum> withEffects(std::vector<Sum> sums, const LightNow& light, int width, int height, double scale);

/// Adds flashes to what it is given and hands it on.
class FlashCanvas final : public Canvas {
public:
    FlashCanvas(Canvas& out, const std::vector<FlashNow>& flashes, Primaries primaries);
    void put(int x, int y, int count, const float* pixels) override;

private:
    struct Added {
        float kept;
        Light light;
    };
    Canvas& out_;
    std::vector<Added> added_;
};

} // namespace ember
