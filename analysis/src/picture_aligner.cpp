// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_aligner.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <optional>

namespace ember {

namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr std::size_t leastSeen = 64; ///< pixels of a block that is partly to be seen
constexpr int rounds = 6;
constexpr double enough = 0.002;        ///< pixels at the corners that a round moved: no other is needed
constexpr double roughlyEnough = 0.02;  ///< the same, of a smaller level
constexpr std::size_t mostCoarse = 608; ///< pixels of a block, the steepest; whole groups
constexpr std::size_t mostFine = 6400;  ///< for the last step: nearly all of a picture that is read
constexpr int fineRounds = 2;
constexpr double fineEnough = 0.08; ///< pixels at the corners that the first of them moved: the second would not matter
constexpr double fineWorth = 2;     ///< there, how much more than the usual texture of a block may count
constexpr double flat = 1e-4;       ///< the square of the usual slope of a block that tells nothing
constexpr float leastSlope = 1.0F;  ///< codes a pixel; less may be grain
constexpr int leastSteep = 24;      ///< pixels of a block that have it
constexpr std::size_t mostSizes = 8000; ///< differences of which the median is taken
constexpr double leastNoise = 0.3;      ///< codes
constexpr double farOut = 2.5;          ///< times the noise: beyond, a pixel counts no more
constexpr double mostUnlike = 1.8;      ///< times the usual misfit of blocks: beyond, a block does not count
constexpr double leastUnlike = 2;       ///< codes, for the same
constexpr double mostUnexplained = 0.5; ///< of what a block varies, where the picture is the key's
constexpr double leastSpread = 0.03;    ///< pixels that blocks may differ by at least
constexpr double beyondSpread = 4;      ///< times the blocks' spread: beyond, a block does not count
constexpr double sureError = 0.016;     ///< pixels at the corners: beyond, all pixels are asked
constexpr double sureOverlap = 0.7;     ///< below, the same
constexpr double neighboursAlike = 4;   ///< softened pixels are not independent of each other

double medianOf(std::vector<float>& values)
{
    if (values.empty())
        return 0;
    const auto middle = values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2);
    std::nth_element(values.begin(), middle, values.end());
    return static_cast<double>(*middle);
}

/// The value below which half of all weight lies.
double weightedMedian(std::vector<std::pair<double, double>>& valuesAndWeights)
{
    std::sort(valuesAndWeights.begin(), valuesAndWeights.end());
    double all = 0;
    for (const auto& [value, weight] : valuesAndWeights)
        all += weight;
    double sum = 0;
    for (const auto& [value, weight] : valuesAndWeights)
        if ((sum += weight) >= all / 2)
            return value;
    return 0;
}

} // namespace

KeyPicture::KeyPicture(const GreyLevels& levels)
{
    std::size_t most = mostCoarse;
    double middleX = 0.5 * (levels.grey.cols - 1);
    double middleY = 0.5 * (levels.grey.rows - 1);
    for (const cv::Mat1f& level : levels.soft) { // each has every second pixel of the one before, from the first on
        levels_.push_back(levelOf(level, middleX, middleY, most, 1));
        most = std::max<std::size_t>(64, most / 3);
        middleX /= 2;
        middleY /= 2;
    }
    finest_ = levels.soft.front();
    // Size and turn can only be told where there is something in several parts of the picture.
    int blocks = 0;
    for (const Block& block : levels_.front().blocks) {
        const KeyPixels part = levels_.front().pixels.part(block.first, block.count);
        int steep = 0;
        for (std::size_t i = 0; i < part.count; ++i)
            steep += part.dx[i] * part.dx[i] + part.dy[i] * part.dy[i] >= leastSlope * leastSlope ? 1 : 0;
        blocks += steep >= leastSteep ? 1 : 0;
    }
    textured_ = blocks >= 6;
}

const KeyPicture::Level& KeyPicture::fine()
{
    if (!fine_)
        fine_ = levelOf(finest_, levels_.front().middleX, levels_.front().middleY, mostFine, fineWorth);
    return *fine_;
}

KeyPicture::Level KeyPicture::levelOf(const cv::Mat1f& picture, double middleX, double middleY, std::size_t most,
                                      double worth)
{
    Level level;
    level.middleX = static_cast<float>(middleX);
    level.middleY = static_cast<float>(middleY);
    std::vector<Pixel> found;
    for (int r = 0; r < rows; ++r)
        for (int c = 0; c < columns; ++c) {
            const int left = std::max(1, c * picture.cols / columns);
            const int right = std::min(picture.cols - 1, (c + 1) * picture.cols / columns);
            const int top = std::max(1, r * picture.rows / rows);
            const int bottom = std::min(picture.rows - 1, (r + 1) * picture.rows / rows);
            found.clear();
            for (int y = top; y < bottom; ++y) {
                const float* above = picture.ptr<float>(y - 1);
                const float* here = picture.ptr<float>(y);
                const float* below = picture.ptr<float>(y + 1);
                for (int x = left; x < right; ++x) {
                    // Over three rows: half of the grain is left out, next to nothing of what is seen.
                    const float dx = 0.125F * (2 * (here[x + 1] - here[x - 1]) + above[x + 1] - above[x - 1] +
                                               below[x + 1] - below[x - 1]);
                    const float dy = 0.125F * (2 * (below[x] - above[x]) + below[x + 1] - above[x + 1] + below[x - 1] -
                                               above[x - 1]);
                    found.push_back({static_cast<float>(x) - level.middleX, static_cast<float>(y) - level.middleY,
                                     here[x], dx, dy});
                }
            }
            const std::size_t kept = std::min(most, found.size()) / alignGroup * alignGroup;
            if (found.size() > kept) {
                const auto steepest = found.begin() + static_cast<std::ptrdiff_t>(kept);
                std::nth_element(found.begin(), steepest, found.end(), [](const Pixel& a, const Pixel& b) {
                    return a.dx * a.dx + a.dy * a.dy > b.dx * b.dx + b.dy * b.dy;
                });
                found.resize(kept);
                // Rows one after the other, as memory is.
                std::sort(found.begin(), found.end(),
                          [](const Pixel& a, const Pixel& b) { return a.y != b.y ? a.y < b.y : a.x < b.x; });
            }
            if (found.empty())
                continue;
            PixelStore& pixels = level.pixels;
            Block block{};
            block.first = pixels.size();
            block.count = found.size();
            block.left = static_cast<float>(left) - level.middleX;
            block.top = static_cast<float>(top) - level.middleY;
            block.right = static_cast<float>(right) - level.middleX;
            block.bottom = static_cast<float>(bottom) - level.middleY;
            for (const Pixel& pixel : found) {
                pixels.x.push_back(pixel.x);
                pixels.y.push_back(pixel.y);
                pixels.value.push_back(pixel.value);
                pixels.dx.push_back(pixel.dx);
                pixels.dy.push_back(pixel.dy);
            }
            block.sumUp(pixels.part(block.first, block.count));
            if (block.textured())
                level.blocks.push_back(block);
            else
                pixels.resize(block.first);
        }
    std::vector<float> textures;
    for (const Block& block : level.blocks)
        textures.push_back(static_cast<float>(block.texture));
    level.usual = worth * medianOf(textures);
    for (Block& block : level.blocks)
        block.weigh(level.usual);
    return level;
}

void KeyPicture::Block::sumUp(const KeyPixels& pixels)
{
    const SlopeSums sums = runSlopes(pixels);
    const auto held = static_cast<double>(pixels.count);
    for (std::size_t a = 0; a < unknowns; ++a)
        mean[a] = static_cast<double>(sums.slopes[a]) / held;
    for (std::size_t a = 0; a < unknowns; ++a)
        for (std::size_t b = a; b < unknowns; ++b)
            normal[a][b] = normal[b][a] = static_cast<double>(sums.products[a][b]) - held * mean[a] * mean[b];
    texture = normal[0][0] + normal[1][1];
    spread = std::max(0.0, normal[4][4] / held);
}

/// A black bar, a clear sky: nothing moves in it.
bool KeyPicture::Block::textured() const
{
    return texture > flat * static_cast<double>(count);
}

/// Somebody in a striped shirt must not outvote a plain wall.
void KeyPicture::Block::weigh(double usual)
{
    worth = std::min(1.0, usual / texture);
    texture *= worth;
}

/// A picture on its way over a level of a key.
class KeyPicture::Laying {
public:
    Laying(const Level& level, const cv::Mat1f& picture, AlignMemory& memory)
        : level_(level), picture_(picture), memory_(memory), all_(level.blocks.size()),
          every_(std::max<std::size_t>(7, level.pixels.size() / mostSizes))
    {
        memory.differences.resize(std::max(memory.differences.size(), level.pixels.size()));
    }

    /// Puts the step right once. How far that moved a corner; nothing where it cannot be told.
    std::optional<double> improve(Step& step);

private:
    /// A block of the key as it is in the picture.
    struct Seen {
        KeyPixels pixels; ///< none: not to be seen
        Block block;
        float light;  ///< how much brighter the key is
        float misfit; ///< codes
        bool alike;   ///< the picture has there what the key has
        Row pull;
        double off; ///< pixels that it would go by itself
    };
    void compare(Step& step);
    bool find(Seen& seen, const Block& whole, const SeenPicture& by);
    void pullApart(float most);

    const Level& level_;
    const cv::Mat1f& picture_;
    AlignMemory& memory_;
    std::vector<Seen> all_;
    std::size_t every_; ///< of so many differences one is among the sizes
    std::vector<float> sizes_;
    std::vector<float> misfits_;
    float cap_ = 255; ///< codes; what a pixel may differ at most, for the misfit of its block
};

/// Its pixels in the picture.
bool KeyPicture::Laying::find(Seen& seen, const Block& whole, const SeenPicture& by)
{
    const auto inside = [&](float x, float y) {
        const float across = by.x0 + by.turn * x - by.lean * y;
        const float down = by.y0 + by.lean * x + by.turn * y;
        return across >= 0 && down >= 0 && across < static_cast<float>(picture_.cols - 1) &&
               down < static_cast<float>(picture_.rows - 1);
    };
    seen.pixels = level_.pixels.part(whole.first, whole.count);
    if (inside(whole.left, whole.top) && inside(whole.right, whole.top) && inside(whole.left, whole.bottom) &&
        inside(whole.right, whole.bottom)) {
        seen.block = whole;
        return true;
    }
    PixelStore& cut = memory_.cut;
    cut.resize(std::max(cut.size(), level_.pixels.size() + alignGroup));
    const std::size_t held = runSeen(seen.pixels, by, picture_.cols, picture_.rows, cut, whole.first);
    seen.pixels = cut.part(whole.first, held < leastSeen ? 0 : held / alignGroup * alignGroup);
    if (seen.pixels.count == 0)
        return false;
    seen.block = whole;
    seen.block.sumUp(seen.pixels);
    if (!seen.block.textured()) {
        seen.pixels.count = 0;
        return false;
    }
    seen.block.weigh(level_.usual);
    return true;
}

/// How the picture differs from the key where it lies now.
void KeyPicture::Laying::compare(Step& step)
{
    const SeenPicture by{picture_.ptr<float>(0),
                         static_cast<std::ptrdiff_t>(picture_.step1()),
                         level_.middleX + static_cast<float>(step.x),
                         level_.middleY + static_cast<float>(step.y),
                         static_cast<float>(step.turn),
                         static_cast<float>(step.lean),
                         static_cast<float>(step.contrast)};
    double texture = 0;
    double visible = 0;
    sizes_.clear();
    misfits_.clear();
    for (std::size_t b = 0; b < all_.size(); ++b) {
        const Block& whole = level_.blocks[b];
        Seen& seen = all_[b];
        texture += whole.texture;
        if (!find(seen, whole, by))
            continue;
        visible += seen.block.texture;
        const std::size_t count = seen.pixels.count;
        float* here = &memory_.differences[whole.first];
        runDifferences(seen.pixels, by, here);
        // Lamps, fires and shadows brighten one part of a picture and not another.
        seen.light += runLight(here, count, seen.light, cap_) / static_cast<float>(count);
        const auto [sum, squares] = runMisfit(here, count, seen.light, cap_);
        for (std::size_t i = (whole.first + every_ - 1) / every_ * every_ - whole.first; i < count; i += every_)
            sizes_.push_back(std::abs(here[i]));
        seen.misfit = sum / static_cast<float>(count);
        misfits_.push_back(seen.misfit);
        seen.alike = squares / static_cast<float>(count) <
                     static_cast<float>(mostUnexplained * seen.block.spread + leastNoise * leastNoise);
    }
    step.overlap = texture > 0 ? visible / texture : 0;
}

/// Where each block by itself would go from here.
void KeyPicture::Laying::pullApart(float most)
{
    for (Seen& seen : all_) {
        if (seen.pixels.count == 0)
            continue;
        const Block& block = seen.block;
        const auto sums = runPull(seen.pixels, &memory_.differences[block.first], most);
        for (std::size_t k = 0; k < unknowns; ++k)
            seen.pull[k] = static_cast<double>(sums[k]) - block.mean[k] * static_cast<double>(sums[unknowns]);
        // A block of edges that all run one way tells nothing along them.
        const double held = 0.02 * block.texture / block.worth;
        const double xx = block.normal[0][0] + held;
        const double yy = block.normal[1][1] + held;
        const double xy = block.normal[0][1];
        seen.off = std::hypot(yy * seen.pull[0] - xy * seen.pull[1], xx * seen.pull[1] - xy * seen.pull[0]) /
                   (xx * yy - xy * xy);
    }
}

std::optional<double> KeyPicture::Laying::improve(Step& step)
{
    compare(step);
    step.agreeing = 0;
    if (sizes_.size() < 50)
        return std::nullopt;
    step.noise = std::max(leastNoise, 1.4826 * medianOf(sizes_));
    const auto most = static_cast<float>(farOut * step.noise);
    cap_ = 2 * most;
    pullApart(most);

    std::vector<std::pair<double, double>> offs;
    double visible = 0;
    for (const Seen& seen : all_)
        if (seen.pixels.count > 0) {
            offs.emplace_back(seen.off, seen.block.texture);
            visible += seen.block.texture;
        }
    const double spread = beyondSpread * std::max(leastSpread, 1.5 * weightedMedian(offs));
    // What does not look like the key at all goes no way of its own either.
    const auto unlike = static_cast<float>(std::max(leastUnlike, mostUnlike * medianOf(misfits_)));
    cv::Matx<double, unknowns, unknowns> normal = cv::Matx<double, unknowns, unknowns>::zeros();
    cv::Matx<double, unknowns, 1> pulled = cv::Matx<double, unknowns, 1>::zeros();
    double agreeing = 0;
    for (const Seen& seen : all_) {
        if (seen.pixels.count == 0 || seen.off >= spread || seen.misfit >= unlike)
            continue;
        const double far = seen.off / spread;
        const double biweight = (1 - far * far) * (1 - far * far); // J. W. Tukey's
        agreeing += seen.alike ? biweight * seen.block.texture : 0;
        const double weight = biweight * seen.block.worth;
        for (std::size_t r = 0; r < unknowns; ++r) {
            pulled(static_cast<int>(r)) -= weight * seen.pull[r];
            for (std::size_t c = 0; c < unknowns; ++c)
                normal(static_cast<int>(r), static_cast<int>(c)) += weight * seen.block.normal[r][c];
        }
    }
    bool solved = false;
    const auto inverse = normal.inv(cv::DECOMP_CHOLESKY, &solved);
    if (!solved)
        return std::nullopt;
    const auto change = inverse * pulled;
    const double reach = std::hypot(level_.middleX, level_.middleY);
    step.agreeing = agreeing / visible;
    step.cornerError =
        step.noise *
        std::sqrt(neighboursAlike * (inverse(0, 0) + inverse(1, 1) + reach * reach * (inverse(2, 2) + inverse(3, 3))));
    // The key would have to go by `change`: the picture goes the other way.
    const double size = 1 + change(2);
    const double bend = change(3);
    const double over = size * size + bend * bend;
    const double newTurn = (step.turn * size + step.lean * bend) / over;
    const double newLean = (step.lean * size - step.turn * bend) / over;
    step.x -= newTurn * change(0) - newLean * change(1);
    step.y -= newLean * change(0) + newTurn * change(1);
    step.turn = newTurn;
    step.lean = newLean;
    step.contrast *= 1 + change(4);
    return std::abs(change(0)) + std::abs(change(1)) + reach * (std::abs(change(2)) + std::abs(bend));
}

void KeyPicture::alignAt(const Level& level, const cv::Mat1f& picture, Step& step, int most, double enough,
                         AlignMemory& memory)
{
    Laying laying(level, picture, memory);
    for (int round = 0; round < most; ++round)
        if (const auto far = laying.improve(step); !far || *far < enough)
            return;
}

KeyPicture::Step KeyPicture::stepOf(const Similarity& moved)
{
    Step step;
    step.turn = moved.zoom * std::cos(moved.roll * degree);
    step.lean = moved.zoom * std::sin(moved.roll * degree);
    step.x = moved.x;
    step.y = moved.y;
    return step;
}

Alignment KeyPicture::alignmentOf(const Step& step)
{
    Alignment found;
    found.moved = {step.x, step.y, std::atan2(step.lean, step.turn) / degree, std::hypot(step.turn, step.lean)};
    found.agreeing = step.agreeing;
    found.overlap = step.overlap;
    found.cornerError = step.cornerError;
    found.noise = step.noise;
    found.contrast = step.contrast;
    return found;
}

Alignment KeyPicture::align(const GreyLevels& picture, const Similarity& start, AlignMemory& memory)
{
    const double scale = 1.0 / static_cast<double>(1 << (levels_.size() - 1));
    Step step = stepOf(start);
    step.x *= scale;
    step.y *= scale;
    for (std::size_t i = levels_.size(); i-- > 0;) {
        alignAt(levels_[i], picture.soft[i], step, rounds, i == 0 ? enough : roughlyEnough, memory);
        if (i == 0)
            break;
        step.x *= 2;
        step.y *= 2;
    }
    // Where noise could move the corners, or where another key will go on from this picture, all pixels are asked.
    const bool sure = step.cornerError <= sureError;
    if (!sure || step.overlap < sureOverlap)
        alignAt(fine(), refined_ ? crisp(picture.grey) : picture.soft[0], step, fineRounds, fineEnough, memory);
    Alignment found = alignmentOf(step);
    found.sure = sure;
    return found;
}

Alignment KeyPicture::alignFinely(const cv::Mat1f& picture, const Similarity& start, AlignMemory& memory)
{
    Step step = stepOf(start);
    alignAt(fine(), picture, step, fineRounds, fineEnough, memory);
    return alignmentOf(step);
}

void KeyPicture::refine(const cv::Mat1f& picture)
{
    finest_ = picture;
    refined_ = true;
    fine_.reset();
}

} // namespace ember
