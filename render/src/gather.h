// SPDX-License-Identifier: GPL-3.0-or-later
// Adding up pictures of one plane that are seen a little differently: motion blur, streaks, fringe.
#pragma once

#include <optional>
#include <vector>

#include "plane.h"

namespace ember {

/// One of the pictures that are added up.
struct Look {
    /// From a pixel of the output to the place of the plane that is seen there. Either one map, or several for evenly
    /// spaced rows from the first to the last of the output, with all numbers straight between them: rows seen at
    /// successive times.
    std::vector<Matrix3> maps;
    Light weight{1, 1, 1, 1}; ///< how much each channel of it counts

    /// The map of output row `y` of `height`.
    Matrix3 at(double y, int height) const;
};

/// Takes finished pixels; for several threads at once, each row of each tile from one of them.
class Canvas {
public:
    virtual ~Canvas() = default;
    virtual void put(int x, int y, int count, const float* pixels) = 0;
};

/// Most looks that one sum may have.
inline constexpr int mostGathered = 256;

/// out = sum of weight * plane(map(pixel)), for `width` x `height` pixels.
///
/// Up to `exactUpTo` looks are each resampled with a Catmull-Rom kernel at exact places. More of them are added up with
/// two by two neighbours of the sharpened plane, tile by tile. Catmull-Rom at phase f is two-neighbour interpolation of
/// p - f(1-f)/2 d2p, where d2 is the second difference (expand both to see it), so that one sharpening by the mean of
/// f(1-f)/2 makes up for the simpler kernel. Where the looks turn or size the plane so much that pixels side by side
/// cannot share neighbours, it is first resampled with `middle`, if given. Pieces that show where a picture breaks off,
/// or are too far apart, are made exactly. The result depends neither on the number of threads nor, beyond rounding, on
/// the vectors' width.
void gather(const Plane& plane, const std::vector<Look>& looks, const std::optional<Matrix3>& middle, int width,
            int height, Canvas& out, std::size_t exactUpTo = 8);

} // namespace ember
