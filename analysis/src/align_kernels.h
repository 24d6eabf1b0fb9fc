// SPDX-License-Identifier: GPL-3.0-or-later
// The vector code of laying pictures over each other: plain structures in, plain structures out. Each is compiled for
// every instruction set.
#pragma once

#include <array>
#include <cstddef>
#include <vector>

namespace ember {

/// Pixels are handled so many at once; blocks have whole groups of them.
inline constexpr std::size_t alignGroup = 16;

/// Pixels of a key, one number of each in each.
struct KeyPixels {
    const float* x; ///< from the middle of the picture
    const float* y;
    const float* value; ///< grey
    const float* dx;    ///< its slopes
    const float* dy;
    std::size_t count; ///< whole groups
};

/// Where such are kept.
struct PixelStore {
    std::vector<float> x, y, value, dx, dy;

    std::size_t size() const { return x.size(); }
    void resize(std::size_t count);
    KeyPixels part(std::size_t first, std::size_t count) const
    {
        return {x.data() + first, y.data() + first, value.data() + first, dx.data() + first, dy.data() + first, count};
    }
};

/// A picture that is laid over them: pixel (x, y) of the key is seen at (x0 + turn x - lean y, y0 + lean x + turn y),
/// which must have four pixels around it.
struct SeenPicture {
    const float* pixels;
    std::ptrdiff_t stride; ///< floats
    float x0, y0, turn, lean, contrast;
};

/// out = value - contrast * what is seen, between four pixels.
void runDifferences(const KeyPixels& key, const SeenPicture& seen, float* out);

/// Copies those of the key that are seen in a picture of so many columns and rows to `to`, from `first` on, where there
/// must be room for all of them and a group more. How many there are.
std::size_t runSeen(const KeyPixels& key, const SeenPicture& seen, int columns, int rows, PixelStore& to,
                    std::size_t first);

/// Sums over the pixels of each unknown's slope (across, down, size, turn, contrast), then of the products of each two.
struct SlopeSums {
    std::array<float, 5> slopes;
    std::array<std::array<float, 5>, 5> products; ///< from the diagonal on
};
SlopeSums runSlopes(const KeyPixels& key);

/// The sum of differences less `light`, each held to `cap` to either side.
float runLight(const float* differences, std::size_t count, float light, float cap);

/// Takes `light` off the differences. Gives the sum of their sizes and of these squared, each held to `cap`.
struct Misfit {
    float sizes;
    float squares;
};
Misfit runMisfit(float* differences, std::size_t count, float light, float cap);

/// Sums over the pixels of what each unknown's slope is times the difference, held to `most`: across, down, size, turn,
/// contrast; and the sum of the differences themselves.
std::array<float, 6> runPull(const KeyPixels& key, const float* differences, float most);

} // namespace ember
