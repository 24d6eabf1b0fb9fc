// SPDX-License-Identifier: GPL-3.0-or-later
// Laying one picture over another by a similarity, to a hundredth of a pixel.
#pragma once

#include <array>
#include <vector>

#include <opencv2/core.hpp>

#include "align_kernels.h"
#include "ember/core/captured.h"

namespace ember {

/// A grey picture and smaller ones of it, each half of the one before; floats, codes from 0 to 255, a little softened.
using GreyLevels = std::vector<cv::Mat1f>;
GreyLevels greyLevels(const cv::Mat1b& grey);

struct Alignment {
    Similarity moved;       ///< where the key's content is in the picture
    double agreeing = 0;    ///< share of what is to be seen of the key's texture that goes this way, 0 to 1
    double overlap = 0;     ///< share of the key's texture that is in the picture, 0 to 1
    double cornerError = 0; ///< what noise alone makes of the corners, pixels
};

/// A picture that others are laid over.
class KeyPicture {
public:
    KeyPicture() = default;
    explicit KeyPicture(const GreyLevels& levels);

    /// The picture laid over this one, starting near `start`.
    Alignment align(const GreyLevels& picture, const Similarity& start) const;
    /// Whether there is texture enough to lay anything over it.
    bool textured() const { return textured_; }

private:
    static constexpr std::size_t unknowns = 5; ///< across, down, size, turn, contrast; each block has its own light
    static constexpr int columns = 16;
    static constexpr int rows = 9;
    using Row = std::array<double, unknowns>;
    using Matrix = std::array<Row, unknowns>;

    /// One number of each pixel in each; whole groups for each block.
    struct Pixels {
        std::vector<float> x, y; ///< from the middle, in pixels of their level
        std::vector<float> value, dx, dy;

        KeyPixels part(std::size_t first, std::size_t last) const;
    };
    struct Pixel {
        float x, y, value, dx, dy;
    };
    struct Block {
        std::size_t first, last;        ///< its pixels
        float left, top, right, bottom; ///< from the middle
        Matrix normal;                  ///< of its pixels' slopes, from their mean
        Row mean;                       ///< of its pixels' slopes
        double worth;                   ///< how much it counts, 0 to 1
        double texture;                 ///< slopes squared, times that
        double spread;                  ///< of its pixels' values, squared
    };
    struct Level {
        float middleX = 0; ///< of the picture, in pixels of this level
        float middleY = 0;
        Pixels pixels;
        std::vector<Block> blocks;
    };
    struct Step {
        double turn = 1; ///< zoom cos roll
        double lean = 0; ///< zoom sin roll
        double x = 0, y = 0;
        double contrast = 1;
        double agreeing = 0, overlap = 0, cornerError = 0;
    };
    static Level levelOf(const cv::Mat1f& picture, double middleX, double middleY, std::size_t most);
    static void alignAt(const Level& level, const cv::Mat1f& picture, Step& step, int rounds, double enough);
    static Row slopesOf(const Pixel& pixel);

    std::vector<Level> levels_;
    Level fine_; ///< of the whole size, with more pixels: for the last steps
    bool textured_ = false;
};

} // namespace ember
