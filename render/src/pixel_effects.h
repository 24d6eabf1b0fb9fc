// SPDX-License-Identifier: GPL-3.0-or-later
// What is done with each pixel of light by itself.
#pragma once

#include <cstdint>

#include "ember/core/motion.h"
#include "gather.h"

namespace ember {

/// Changes what it is given and hands it on, in this order: exposure, flashes, grain, impact frame. Pixels of light of
/// these primaries.
class PixelEffects final : public Canvas {
public:
    /// `scale`: pixels of the picture for one of the project.
    PixelEffects(Canvas& out, const LightNow& light, Primaries primaries, double scale);
    void put(int x, int y, int count, const float* pixels) override;

private:
    /// Light times a factor, and light on top of it.
    struct Added {
        float kept;
        Light light;
    };
    void throwGrain(int x, int y, int count, float* pixels) const;
    void drawImpact(int count, float* pixels) const;

    Canvas& out_;
    std::vector<Added> added_;
    double grain_;
    double grainSize_; ///< pixels of the picture, at least 1
    bool grainInColour_;
    std::uint32_t grainSeed_;
    ImpactNow impact_;
    std::array<float, 3> luminance_;
    Light dark_;
    Light bright_;
};

} // namespace ember
