// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

#include "ember/core/project.h"
#include "ember/image/image.h"

namespace ember::test {

/// A picture that carries a number in its pixels, as sixteen black or white blocks on a grey ground with a bright upper
/// left corner; it survives lossy coding.
Image numbered(int width, int height, int number);

/// The number in such a picture; -1 when it holds none. The picture may be turned: the bright corner tells how.
int numberIn(const Image& image);

/// Random pixels, the same for the same seed; alpha 255.
Image speckled(int width, int height, std::uint64_t seed);

/// Smooth colours with a few hard edges, as drawn pictures have.
Image drawn(int width, int height);

/// Largest difference of any channel of any pixel. Sizes must agree.
int largestDifference(const Image& a, const Image& b);

/// Share of pixels (0 to 1) that are within 40 code values of a colour.
double shareOf(const Image& image, Colour colour);

/// A recipe with one strand of one kind, for tests that want to know what they have.
Recipe plainRecipe(const Source& source, const AxisValues& amount, const Envelope& envelope);

AxisValues amountOf(Axis axis, double value);

/// A project with only this strike in it, everything else the same.
Project onlyStrike(const Project& project, StrikeId id);

/// A deterministic stream of numbers.
class Random {
public:
    explicit Random(std::uint64_t seed) : seed_(seed) {}
    std::uint64_t bits();
    double between(double low, double high);
    int whole(int low, int high); ///< both included

private:
    std::uint64_t seed_;
    std::uint64_t count_ = 0;
};

} // namespace ember::test
