// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

#include "ember/image/image.h"

namespace ember {

/// Brightness of a frame in little (Rec. 709 weights on the coded values), each pixel the mean of what it stands for,
/// in sixteenths of a code value: whole numbers, because the compiler then adds many at once.
class SmallPicture {
public:
    static constexpr int longSide = 160;
    static constexpr float unit = 16; ///< of one code value

    SmallPicture() = default;
    explicit SmallPicture(const Image& frame);

    /// Each pixel the mean of nine by nine around it.
    SmallPicture softened() const;
    /// Each value squared, in the same range: about the light that codes stand for.
    SmallPicture squared() const;

    int width() const { return width_; }
    int height() const { return height_; }
    bool empty() const { return width_ == 0; }
    bool sameSize(const SmallPicture& other) const { return width_ == other.width_ && height_ == other.height_; }
    const std::int16_t* row(int y) const { return values_.data() + static_cast<std::ptrdiff_t>(y) * width_; }
    int at(int x, int y) const { return row(y)[x]; }

private:
    int width_ = 0;
    int height_ = 0;
    std::vector<std::int16_t> values_;
};

struct Shift {
    int x = 0;
    int y = 0;
};

/// How the whole picture moved from one frame to the next, as most of its parts tell.
Shift cameraShift(const SmallPicture& before, const SmallPicture& now);

/// Mean absolute difference, in code values, between a square of `now` and the one `shift` away from it in `other`;
/// what lies outside counts as the nearest inside.
float squareDifference(const SmallPicture& now, const SmallPicture& other, int x, int y, int size, Shift shift);

/// How alike two pictures are in their edges, -1 to 1 (correlation of what differs from pixel to pixel), the camera's
/// move taken off. Light that comes or goes leaves edges where they are.
float likeness(const SmallPicture& before, const SmallPicture& now, Shift camera);

} // namespace ember
