// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_aligner.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include <opencv2/imgproc.hpp>

namespace ember {

namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr double softening = 1.15;       ///< pixels: what lies between pixels is then smooth enough to be interpolated
constexpr int smallestSide = 60;         ///< of the smallest level
constexpr std::size_t mostCoarse = 608;  ///< pixels of a block, the steepest; whole groups
constexpr std::size_t mostFine = 6400;   ///< for the last step: nearly all of a picture that is read
constexpr float leastSlope = 1.0F;       ///< codes a pixel; less may be grain
constexpr int leastSteep = 24;           ///< pixels of a block that have it
constexpr std::size_t mostSizes = 20000; ///< differences of which the median is taken
constexpr double leastNoise = 0.3;       ///< codes
constexpr double farOut = 2.5;           ///< times the noise: beyond, a pixel counts no more
constexpr double mostUnlike = 1.8;       ///< times the usual misfit of blocks: beyond, a block does not count
constexpr double leastUnlike = 2;        ///< codes, for the same
constexpr double mostUnexplained = 0.5;  ///< of what a block varies, where the picture is the key's
constexpr double leastSpread = 0.03;     ///< pixels that blocks may differ by at least
constexpr double beyondSpread = 4;       ///< times the blocks' spread: beyond, a block does not count
constexpr double sureError = 0.016;      ///< pixels at the corners: beyond, all pixels are asked
constexpr double sureOverlap = 0.7;      ///< below, the same
constexpr double neighboursAlike = 4;    ///< softened pixels are not independent of each other

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

GreyLevels greyLevels(const cv::Mat1b& grey)
{
    GreyLevels levels(1);
    cv::Mat1f whole;
    grey.convertTo(whole, CV_32F);
    cv::GaussianBlur(whole, levels[0], {9, 9}, softening, softening, cv::BORDER_REPLICATE);
    while (levels.size() < 5 && std::min(levels.back().cols, levels.back().rows) >= 2 * smallestSide) {
        cv::Mat1f smaller;
        cv::pyrDown(levels.back(), smaller);
        levels.push_back(smaller);
    }
    return levels;
}

KeyPicture::KeyPicture(const GreyLevels& levels)
{
    std::size_t most = mostCoarse;
    double middleX = 0.5 * (levels.front().cols - 1);
    double middleY = 0.5 * (levels.front().rows - 1);
    for (const cv::Mat1f& level : levels) { // each has every second pixel of the one before, from the first on
        levels_.push_back(levelOf(level, middleX, middleY, most));
        most = std::max<std::size_t>(64, most / 3);
        middleX /= 2;
        middleY /= 2;
    }
    fine_ = levelOf(levels.front(), levels_.front().middleX, levels_.front().middleY, mostFine);
    // Size and turn can only be told where there is something in several parts of the picture.
    int blocks = 0;
    for (const Block& block : levels_.front().blocks) {
        const KeyPixels part = levels_.front().pixels.part(block.first, block.last);
        int steep = 0;
        for (std::size_t i = 0; i < part.count; ++i)
            steep += part.dx[i] * part.dx[i] + part.dy[i] * part.dy[i] >= leastSlope * leastSlope ? 1 : 0;
        blocks += steep >= leastSteep ? 1 : 0;
    }
    textured_ = blocks >= 6;
}

KeyPicture::Level KeyPicture::levelOf(const cv::Mat1f& picture, double middleX, double middleY, std::size_t most)
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
            }
            if (found.empty())
                continue;
            // Rows one after the other, as memory is.
            std::sort(found.begin(), found.end(),
                      [](const Pixel& a, const Pixel& b) { return a.y != b.y ? a.y < b.y : a.x < b.x; });
            Pixels& pixels = level.pixels;
            Block block{pixels.x.size(),
                        pixels.x.size() + found.size(),
                        static_cast<float>(left) - level.middleX,
                        static_cast<float>(top) - level.middleY,
                        static_cast<float>(right) - level.middleX,
                        static_cast<float>(bottom) - level.middleY,
                        {},
                        {},
                        1,
                        0,
                        0};
            double sum = 0;
            double squares = 0;
            for (const Pixel& pixel : found) {
                pixels.x.push_back(pixel.x);
                pixels.y.push_back(pixel.y);
                pixels.value.push_back(pixel.value);
                pixels.dx.push_back(pixel.dx);
                pixels.dy.push_back(pixel.dy);
                sum += static_cast<double>(pixel.value);
                squares += static_cast<double>(pixel.value) * static_cast<double>(pixel.value);
                const Row slopes = slopesOf(pixel);
                for (std::size_t a = 0; a < unknowns; ++a) {
                    block.mean[a] += slopes[a];
                    for (std::size_t b = 0; b < unknowns; ++b)
                        block.normal[a][b] += slopes[a] * slopes[b];
                }
            }
            const auto held = static_cast<double>(found.size());
            for (double& mean : block.mean)
                mean /= held;
            for (std::size_t a = 0; a < unknowns; ++a)
                for (std::size_t b = 0; b < unknowns; ++b)
                    block.normal[a][b] -= held * block.mean[a] * block.mean[b];
            block.texture = block.normal[0][0] + block.normal[1][1];
            block.spread = std::max(0.0, squares / held - sum / held * (sum / held));
            level.blocks.push_back(block);
        }
    // Somebody in a striped shirt must not outvote a plain wall.
    std::vector<float> textures;
    for (const Block& block : level.blocks)
        textures.push_back(static_cast<float>(block.texture));
    const double usual = medianOf(textures);
    for (Block& block : level.blocks) {
        block.worth = std::min(1.0, usual / block.texture);
        block.texture *= block.worth;
    }
    return level;
}

KeyPixels KeyPicture::Pixels::part(std::size_t first, std::size_t last) const
{
    return {x.data() + first,  y.data() + first,  value.data() + first,
            dx.data() + first, dy.data() + first, last - first};
}

/// How the difference at a pixel changes with each unknown.
KeyPicture::Row KeyPicture::slopesOf(const Pixel& pixel)
{
    const auto [x, y, value, dx, dy] = pixel;
    return {dx, dy, dx * x + dy * y, dy * x - dx * y, -value};
}

void KeyPicture::alignAt(const Level& level, const cv::Mat1f& picture, Step& step, int rounds, double enough)
{
    const std::size_t count = level.blocks.size();
    std::vector<float> difference(level.pixels.x.size());
    std::vector<char> seen(count);
    std::vector<char> alike(count); // the picture has there what the key has
    std::vector<float> sizes;
    std::vector<float> misfit(count);
    std::vector<float> misfits;
    std::vector<float> lights(count); ///< how much brighter the key is
    float cap = 255;                  ///< codes; what a pixel may differ at most, for the misfit of its block
    std::vector<Row> pull(count);
    std::vector<double> off(count);
    std::vector<std::pair<double, double>> offs;
    const double reach = std::hypot(level.middleX, level.middleY);
    const std::size_t every = std::max<std::size_t>(7, difference.size() / mostSizes);
    for (int round = 0; round < rounds; ++round) {
        const auto turn = static_cast<float>(step.turn);
        const auto lean = static_cast<float>(step.lean);
        const float x0 = level.middleX + static_cast<float>(step.x);
        const float y0 = level.middleY + static_cast<float>(step.y);
        const auto contrast = static_cast<float>(step.contrast);
        const auto inside = [&](float x, float y) {
            const float at = x0 + turn * x - lean * y;
            const float down = y0 + lean * x + turn * y;
            return at >= 0 && down >= 0 && at < static_cast<float>(picture.cols - 1) &&
                   down < static_cast<float>(picture.rows - 1);
        };
        double texture = 0;
        double visible = 0;
        sizes.clear();
        misfits.clear();
        for (std::size_t b = 0; b < count; ++b) {
            const Block& block = level.blocks[b];
            texture += block.texture;
            seen[b] = inside(block.left, block.top) && inside(block.right, block.top) &&
                      inside(block.left, block.bottom) && inside(block.right, block.bottom);
            if (!seen[b])
                continue;
            visible += block.texture;
            const auto held = static_cast<float>(block.last - block.first);
            float* here = &difference[block.first];
            runDifferences(
                level.pixels.part(block.first, block.last),
                {picture.ptr<float>(0), static_cast<std::ptrdiff_t>(picture.step1()), x0, y0, turn, lean, contrast},
                here);
            // Lamps, fires and shadows brighten one part of a picture and not another.
            lights[b] += runLight(here, block.last - block.first, lights[b], cap) / held;
            const auto [sum, squares] = runMisfit(here, block.last - block.first, lights[b], cap);
            for (std::size_t i = (block.first + every - 1) / every * every; i < block.last; i += every)
                sizes.push_back(std::abs(difference[i]));
            misfit[b] = sum / held;
            misfits.push_back(misfit[b]);
            alike[b] = squares / held < static_cast<float>(mostUnexplained * block.spread + leastNoise * leastNoise);
        }
        step.overlap = texture > 0 ? visible / texture : 0;
        step.agreeing = 0;
        if (sizes.size() < 50)
            return;
        const double noise = std::max(leastNoise, 1.4826 * medianOf(sizes));
        const auto most = static_cast<float>(farOut * noise);
        cap = 2 * most;
        // What does not look like the key at all goes no way of its own either.
        const auto unlike = static_cast<float>(std::max(leastUnlike, mostUnlike * medianOf(misfits)));

        // Where each block by itself would go from here.
        offs.clear();
        for (std::size_t b = 0; b < count; ++b) {
            if (!seen[b])
                continue;
            const Block& block = level.blocks[b];
            const auto sums = runPull(level.pixels.part(block.first, block.last), &difference[block.first], most);
            Row sum{};
            for (std::size_t k = 0; k < unknowns; ++k)
                sum[k] = static_cast<double>(sums[k]) - block.mean[k] * static_cast<double>(sums[unknowns]);
            pull[b] = sum;
            // A block of edges that all run one way tells nothing along them.
            const double held = 0.02 * block.texture / block.worth;
            const double xx = block.normal[0][0] + held;
            const double yy = block.normal[1][1] + held;
            const double xy = block.normal[0][1];
            const double size = xx * yy - xy * xy;
            off[b] = std::hypot(yy * sum[0] - xy * sum[1], xx * sum[1] - xy * sum[0]) / size;
            offs.emplace_back(off[b], block.texture);
        }
        const double spread = beyondSpread * std::max(leastSpread, 1.5 * weightedMedian(offs));
        cv::Matx<double, unknowns, unknowns> normal = cv::Matx<double, unknowns, unknowns>::zeros();
        cv::Matx<double, unknowns, 1> pulled = cv::Matx<double, unknowns, 1>::zeros();
        double agreeing = 0;
        for (std::size_t b = 0; b < count; ++b) {
            if (!seen[b] || off[b] >= spread || misfit[b] >= unlike)
                continue;
            const double far = off[b] / spread;
            const double biweight = (1 - far * far) * (1 - far * far); // J. W. Tukey's
            const Block& block = level.blocks[b];
            agreeing += alike[b] != 0 ? biweight * block.texture : 0;
            const double weight = biweight * block.worth;
            for (std::size_t r = 0; r < unknowns; ++r) {
                pulled(static_cast<int>(r)) -= weight * pull[b][r];
                for (std::size_t c = 0; c < unknowns; ++c)
                    normal(static_cast<int>(r), static_cast<int>(c)) += weight * block.normal[r][c];
            }
        }
        bool solved = false;
        const auto inverse = normal.inv(cv::DECOMP_CHOLESKY, &solved);
        if (!solved)
            return;
        const auto change = inverse * pulled;
        step.agreeing = agreeing / visible;
        step.cornerError = noise * std::sqrt(neighboursAlike * (inverse(0, 0) + inverse(1, 1) +
                                                                reach * reach * (inverse(2, 2) + inverse(3, 3))));
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
        if (std::abs(change(0)) + std::abs(change(1)) + reach * (std::abs(change(2)) + std::abs(bend)) < enough)
            return;
    }
}

Alignment KeyPicture::align(const GreyLevels& picture, const Similarity& start) const
{
    double scale = 1.0 / static_cast<double>(1 << (levels_.size() - 1));
    Step step;
    step.turn = start.zoom * std::cos(start.roll * degree);
    step.lean = start.zoom * std::sin(start.roll * degree);
    step.x = start.x * scale;
    step.y = start.y * scale;
    for (std::size_t i = levels_.size(); i-- > 0;) {
        alignAt(levels_[i], picture[i], step, 6, 0.002);
        if (i == 0)
            break;
        step.x *= 2;
        step.y *= 2;
    }
    // Where noise could move the corners, or where another key will go on from this picture, all pixels are asked.
    if (step.cornerError > sureError || step.overlap < sureOverlap)
        alignAt(fine_, picture[0], step, 2, 0.03);
    Alignment found;
    found.moved = {step.x, step.y, std::atan2(step.lean, step.turn) / degree, std::hypot(step.turn, step.lean)};
    found.agreeing = step.agreeing;
    found.overlap = step.overlap;
    found.cornerError = step.cornerError;
    return found;
}

} // namespace ember
