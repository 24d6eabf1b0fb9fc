// SPDX-License-Identifier: GPL-3.0-or-later
// Laying one picture over another by a similarity, to a hundredth of a pixel.
#pragma once

#include <array>
#include <optional>
#include <vector>

#include <opencv2/core.hpp>

#include "align_kernels.h"
#include "ember/core/captured.h"
#include "grey_levels.h"

namespace ember {

struct Alignment {
    Similarity moved;       ///< where the key's content is in the picture
    double agreeing = 0;    ///< share of what is to be seen of the key's texture that goes this way, 0 to 1
    double overlap = 0;     ///< share of the key's texture that is in the picture, 0 to 1
    double cornerError = 0; ///< what noise alone makes of the corners, pixels
    double noise = 0;       ///< codes
    double contrast = 1;    ///< the key's, in that of the picture
    bool sure = true;       ///< noise does not matter at the corners
};

/// Room that laying a picture over another takes; to be used again for the next.
struct AlignMemory {
    std::vector<float> differences;
    PixelStore cut; ///< pixels of blocks that are seen in part
};

/// A picture that others are laid over.
class KeyPicture {
public:
    KeyPicture() = default;
    explicit KeyPicture(const GreyLevels& levels);

    /// The picture laid over this one, starting near `start`.
    Alignment align(const GreyLevels& picture, const Similarity& start, AlignMemory& memory);
    /// Takes what the last steps need from a crisp picture with less grain that lies where this one does.
    void refine(const cv::Mat1f& picture);
    /// The last steps alone, for a start that is a fraction of a pixel off and a crisp picture; once refined.
    Alignment alignFinely(const cv::Mat1f& picture, const Similarity& start, AlignMemory& memory);
    /// Whether there is texture enough to lay anything over it.
    bool textured() const { return textured_; }

private:
    static constexpr std::size_t unknowns = 5; ///< across, down, size, turn, contrast; each block has its own light
    static constexpr int columns = 16;
    static constexpr int rows = 9;
    using Row = std::array<double, unknowns>;
    using Matrix = std::array<Row, unknowns>;

    struct Pixel {
        float x, y, value, dx, dy;
    };
    struct Block {
        std::size_t first, count;       ///< its pixels; whole groups
        float left, top, right, bottom; ///< from the middle
        Matrix normal;                  ///< of its pixels' slopes, from their mean
        Row mean;                       ///< of its pixels' slopes
        double worth;                   ///< how much it counts, 0 to 1
        double texture;                 ///< slopes squared, times that
        double spread;                  ///< of its pixels' values, squared

        void sumUp(const KeyPixels& pixels);
        bool textured() const;
        void weigh(double usual);
    };
    struct Level {
        float middleX = 0; ///< of the picture, in pixels of this level
        float middleY = 0;
        PixelStore pixels;
        std::vector<Block> blocks;
        double usual = 0; ///< texture of a block; more of one does not count
    };
    struct Step {
        double turn = 1; ///< zoom cos roll
        double lean = 0; ///< zoom sin roll
        double x = 0, y = 0;
        double contrast = 1;
        double agreeing = 0, overlap = 0, cornerError = 0, noise = 0;
    };
    static Step stepOf(const Similarity& moved);
    static Alignment alignmentOf(const Step& step);
    static Level levelOf(const cv::Mat1f& picture, double middleX, double middleY, std::size_t most, double worth);
    class Laying;
    static void alignAt(const Level& level, const cv::Mat1f& picture, Step& step, int rounds, double enough,
                        AlignMemory& memory);

    const Level& fine();

    std::vector<Level> levels_;
    cv::Mat1f finest_;          ///< what the next is made of when it is needed
    std::optional<Level> fine_; ///< of the whole size, with more pixels: for the last steps
    bool refined_ = false;
    bool textured_ = false;
};

} // namespace ember
