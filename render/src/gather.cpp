// SPDX-License-Identifier: GPL-3.0-or-later
#include "gather.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include "kernels.h"
#include "tiles.h"

namespace ember {

namespace {

/// A block may be off by this much, in pixels, where it takes one displacement for all its pixels.
constexpr double evenLimit = 1.0 / 32;
/// The displacement may change by this much from pixel to pixel along a row where four columns share a neighbourhood,
/// and by that much in any direction where two by two pixels do: weights leave 0 to 1 by up to one and a half times as
/// much, or once.
constexpr double leanLimit = 0.055;
constexpr double shearLimit = 0.2;
/// Pixels of the middle picture that one tile may need.
constexpr double mostTilePixels = 1 << 20;

/// Large enough that what a tile needs around it weighs little, small enough for the second cache.
constexpr TileSize gatherTile{192, 192};
constexpr TileSize exactTile{256, 64};
/// Where a tile cannot be made of neighbours that pixels share, only those pieces of it are made exactly.
constexpr int exactPiece = 64;

/// A buffer of this thread for a tile.
Patch tileRoom(const Rect& tile, std::size_t level)
{
    const auto stride = 4 * static_cast<std::ptrdiff_t>(tile.width);
    return {scratch(level).room(static_cast<std::size_t>(stride) * static_cast<std::size_t>(tile.height)), stride};
}

/// Each look resampled for itself.
void gatherExactly(const Plane& plane, const std::vector<Look>& looks, int height, const Rect& tile, Canvas& out)
{
    const auto seen = [&](const Look& look, const Patch& to) {
        if (look.maps.size() == 1) {
            ResampledPlane(plane, look.maps.front()).fill(tile, to);
            return;
        }
        for (int y = 0; y < tile.height; ++y)
            ResampledPlane(plane, look.at(static_cast<double>(tile.y + y), height))
                .fill({tile.x, tile.y + y, tile.width, 1}, {to.at(0, y), to.stride});
    };
    const Patch sum = tileRoom(tile, 2);
    if (looks.size() == 1 && looks.front().weight == Light{1, 1, 1, 1}) {
        seen(looks.front(), sum);
    } else {
        const Patch one = tileRoom(tile, 1);
        std::fill_n(sum.pixels, sum.stride * tile.height, 0.0F);
        for (const Look& look : looks) {
            seen(look, one);
            runAddWeighted(one.pixels, look.weight.data(),
                           static_cast<std::size_t>(tile.width) * static_cast<std::size_t>(tile.height), sum.pixels);
        }
    }
    for (int y = 0; y < tile.height; ++y)
        out.put(static_cast<int>(tile.x), static_cast<int>(tile.y) + y, tile.width, sum.at(0, y));
}

Matrix3 normalised(Matrix3 map, double depth)
{
    for (double& m : map.m)
        m /= depth;
    return map;
}

Point place(const Look& look, double x, double y, int height)
{
    return look.at(y, height).map({x, y});
}

/// How the displacement of a look changes from pixel to pixel, along the row and down.
struct Shear {
    Point at; ///< what is seen here
    Point along;
    Point down;

    static Shear of(const Look& look, double x, double y, int height)
    {
        const Point at = place(look, x, y, height);
        const Point beside = place(look, x + 1, y, height);
        const Point below = place(look, x, y + 1, height);
        return {at, {beside.x - at.x - 1, beside.y - at.y}, {below.x - at.x, below.y - at.y - 1}};
    }
};

double larger(const Point& change)
{
    return std::max(std::abs(change.x), std::abs(change.y));
}

/// How unevenly a look moves within a tile: the largest changes of its displacement at the tile's corners.
struct Unevenness {
    double along = 0;
    double down = 0;

    double most() const { return std::max(along, down); }
    Grain grain() const
    {
        const auto offBy = [](double change, int pixels) { return 0.5 * (pixels - 1) * change; };
        if (offBy(along, blockWidth) + offBy(down, blockHeight) <= evenLimit)
            return Grain::block;
        if (most() > shearLimit)
            return Grain::pixel;
        if (offBy(down, 4) <= evenLimit)
            return Grain::leaning;
        return along <= leanLimit ? Grain::sheared : Grain::turned;
    }
};

Unevenness unevennessOf(const Look& look, const Rect& tile, int height)
{
    Unevenness most;
    for (const int right : {0, tile.width})
        for (const int down : {0, tile.height}) {
            const Shear shear =
                Shear::of(look, static_cast<double>(tile.x + right), static_cast<double>(tile.y + down), height);
            most.along = std::max(most.along, larger(shear.along));
            most.down = std::max(most.down, larger(shear.down));
        }
    return most;
}

/// Whether all looks show the plane nearly upright and in its own size, all over the output.
bool isNearlyStill(const std::vector<Look>& looks, int width, int height)
{
    return std::all_of(looks.begin(), looks.end(), [&](const Look& look) {
        return unevennessOf(look, {0, 0, width, height}, height).most() <= shearLimit;
    });
}

/// The looks of a tile as the vector code wants them.
class TileLooks {
public:
    TileLooks(const std::vector<Look>& looks, const Rect& tile, const Rect& patch, int height)
        : looks_(looks), tile_(tile), patch_(patch), height_(height)
    {
        std::array<std::vector<std::uint16_t>, 5> sorted;
        rolling_ = false;
        for (std::uint16_t i = 0; i < looks.size(); ++i) {
            sorted[static_cast<std::size_t>(unevennessOf(looks[i], tile, height).grain())].push_back(i);
            rolling_ = rolling_ || looks[i].maps.size() > 1;
        }
        std::size_t at = 0;
        for (std::size_t grain = 0; grain < sorted.size(); ++grain) {
            maps_.groups[grain] = {at, at + sorted[grain].size()};
            for (const auto i : sorted[grain])
                order_[at++] = i;
            while (at % 16 != 0) // filled up with looks that are made but not added
                order_[at++] = none;
        }
        count_ = at;
        for (std::size_t n = 0; n < 9; ++n)
            maps_.m[n] = numbers_[n].data();
        maps_.weight = weights_.data();
        maps_.leanX = leansX_.data();
        maps_.leanY = leansY_.data();
        maps_.stepX = stepsX_.data();
        maps_.leanBelow = leansBelow_.data();
        for (std::size_t i = 0; i < count_; ++i)
            if (order_[i] != none)
                std::memcpy(&weights_[4 * i], looks[order_[i]].weight.data(), sizeof(Light));
        prepare(0.5 * tile.height);
    }

    /// The maps around a row of the tile; only rows that are seen at successive times need it again.
    const TileMaps& around(double row)
    {
        if (rolling_)
            prepare(row);
        return maps_;
    }

    /// Whether all places lie in the patch. Maps that are the same for all rows are known to; those that are made
    /// straight around a row of blocks may leave it where rows differ wildly.
    bool fit()
    {
        if (!rolling_)
            return true;
        for (int y = 0; y < tile_.height; y += blockHeight) {
            prepare(y + 0.5 * (blockHeight - 1));
            for (std::size_t i = 0; i < count_; ++i)
                for (const int x : {0, tile_.width - 1})
                    for (const int down : {0, blockHeight - 1})
                        if (order_[i] != none && !inPatch(i, x, y + down))
                            return false;
        }
        return true;
    }

private:
    static constexpr std::uint16_t none = 0xffff;

    bool inPatch(std::size_t i, double x, double y) const
    {
        const auto line = [&](std::size_t n) {
            return static_cast<double>(numbers_[n][i]) * x + static_cast<double>(numbers_[n + 1][i]) * y +
                   static_cast<double>(numbers_[n + 2][i]);
        };
        const double w = line(6);
        return w > 1e-3 && line(0) / w >= 1 && line(3) / w >= 1 && line(0) / w <= patch_.width - 2 &&
               line(3) / w <= patch_.height - 2;
    }

    bool onlyShifts(std::size_t i) const
    {
        constexpr std::array<float, 9> still{1, 0, 0, 0, 1, 0, 0, 0, 1};
        for (const std::size_t n : {0U, 1U, 3U, 4U, 6U, 7U, 8U})
            if (numbers_[n][i] != still[n])
                return false;
        return true;
    }
    /// From the tile's own pixels to those of the patch.
    Matrix3 local(const Look& look, double row) const
    {
        const auto x = static_cast<double>(tile_.x);
        const auto y = static_cast<double>(tile_.y);
        const Matrix3 map = Matrix3::translation(-static_cast<double>(patch_.x), -static_cast<double>(patch_.y)) *
                            look.at(y + row, height_) * Matrix3::translation(x, y);
        return normalised(map, map.depth({0.5 * tile_.width, row}));
    }
    /// How far each of the pixels that share a neighbourhood is displaced beyond their middle.
    void lean(std::size_t i, const Point& along, const Point& down)
    {
        const bool turned = i >= maps_.groups[static_cast<std::size_t>(Grain::turned)].begin;
        const bool sheared = !turned && i >= maps_.groups[static_cast<std::size_t>(Grain::sheared)].begin;
        stepsX_[i] = static_cast<float>(down.x);
        for (std::size_t lane = 0; lane < 16; ++lane) {
            const auto pixel = static_cast<int>(lane / 4);
            const double across = turned ? pixel % 2 - 0.5 : pixel - 1.5;
            const double rows = sheared ? -0.5 : turned ? (pixel < 2 ? -0.5 : 0.5) : 0;
            const std::size_t at = 16 * i + lane;
            leansX_[at] = static_cast<float>(along.x * across + (turned ? down.x * rows : 0));
            leansY_[at] = static_cast<float>(along.y * across + down.y * rows);
            leansBelow_[at] = static_cast<float>(along.y * across - down.y * rows);
        }
    }
    void prepare(double row)
    {
        maps_.affine = true;
        maps_.shifted = true;
        for (std::size_t i = 0; i < count_; ++i) {
            Matrix3 map;
            if (order_[i] != none) {
                const Look& look = looks_[order_[i]];
                map = local(look, row);
                if (look.maps.size() > 1) {
                    // What changes from row to row is put where rows are multiplied.
                    const Matrix3 next = local(look, row + 1);
                    for (std::size_t n = 2; n < 9; n += 3) {
                        const double change = next.m[n] - map.m[n];
                        map.m[n - 1] += change;
                        map.m[n] -= change * row;
                    }
                }
                const Point middle{0.5 * tile_.width, row};
                const Point at = map.map(middle);
                const double w = map.depth(middle);
                lean(i, {(map.m[0] - at.x * map.m[6]) / w - 1, (map.m[3] - at.y * map.m[6]) / w},
                     {(map.m[1] - at.x * map.m[7]) / w, (map.m[4] - at.y * map.m[7]) / w - 1});
            }
            for (std::size_t n = 0; n < 9; ++n)
                numbers_[n][i] = static_cast<float>(map.m[n]);
            maps_.affine = maps_.affine && numbers_[6][i] == 0 && numbers_[7][i] == 0 && numbers_[8][i] == 1;
            maps_.shifted = maps_.shifted && (i >= maps_.groups[0].end || onlyShifts(i));
        }
    }

    const std::vector<Look>& looks_;
    Rect tile_;
    Rect patch_;
    int height_;
    bool rolling_ = false;
    std::size_t count_ = 0;
    std::array<std::uint16_t, mostLooks> order_{};
    TileMaps maps_{};
    alignas(64) std::array<std::array<float, mostLooks>, 9> numbers_{};
    alignas(64) std::array<float, 4 * mostLooks> weights_{};
    alignas(64) std::array<float, 16 * mostLooks> leansX_{};
    alignas(64) std::array<float, 16 * mostLooks> leansY_{};
    alignas(64) std::array<float, 16 * mostLooks> leansBelow_{};
    alignas(64) std::array<float, mostLooks> stepsX_{};
};

/// Of the mean sharpness, as much as comes nearest to each phase's own over hard edges and soft ones. By least squares
/// over all phases it is 4/5 of it at a step (second differences 0, 1, -1, 0), all of it along a bend.
constexpr double edgeShare = 0.87;

struct Sharpness {
    float x = 0;
    float y = 0;
};

/// The mean of f(1-f)/2 over the looks and over places all over the output, less what neighbourhoods that are shared
/// sharpen by themselves: a pixel whose displacement is e beyond that of its block's middle is for a share e of all
/// phases interpolated beyond its two neighbours, by e/2 on average, which adds -e/2 of their second difference. Over
/// two columns that change by a and two rows that change by b, the mean of e squared is a^2/4 + b^2/4; over four
/// columns 5/4 a^2.
Sharpness sharpnessFor(const std::vector<Look>& looks, int width, int height)
{
    constexpr int places = 8;
    double x = 0;
    double y = 0;
    const auto share = [](double at, double along, double down, bool turned) {
        const double f = at - std::floor(at);
        return edgeShare * f * (1 - f) / 2 - (turned ? 0.125 : 0.625) * along * along - 0.125 * down * down;
    };
    for (const Look& look : looks)
        for (int row = 0; row < places; ++row)
            for (int column = 0; column < places; ++column) {
                // On whole pixels, as the sums are.
                const Shear shear = Shear::of(look, std::floor((column + 0.5) * width / places),
                                              std::floor((row + 0.5) * height / places), height);
                const bool turned = larger(shear.along) > leanLimit;
                x += share(shear.at.x, shear.along.x, shear.down.x, turned);
                y += share(shear.at.y, shear.along.y, shear.down.y, turned);
            }
    const double count = static_cast<double>(looks.size()) * places * places;
    return {static_cast<float>(x / count), static_cast<float>(y / count)};
}

/// The plane in `rect`, sharpened. In bands, so that what is only passed through stays in the cache.
Patch sharpened(const Plane& plane, const Rect& rect, const Sharpness& sharpness)
{
    constexpr int band = 24;
    const int width = rect.width + 2;
    const std::ptrdiff_t tight = 4 * static_cast<std::ptrdiff_t>(rect.width);
    const Patch out{scratch(2).room(static_cast<std::size_t>(tight) * static_cast<std::size_t>(rect.height)), tight};
    const std::ptrdiff_t stride = 4 * static_cast<std::ptrdiff_t>(width);
    float* line = scratch(3).room(static_cast<std::size_t>(stride));
    const auto sharpenRow = [&](const Patch& from, int y, float* to) {
        runSharpenAcross(from.at(0, y), from.at(0, y + 1), from.at(0, y + 2), sharpness.y, line,
                         static_cast<std::size_t>(stride));
        runSharpenAcross(line, line + 4, line + 8, sharpness.x, to, static_cast<std::size_t>(tight));
    };
    const Patch raw{scratch(1).room(static_cast<std::size_t>(stride) * (band + 2)), stride};
    for (int from = 0; from < rect.height; from += band) {
        const int rows = std::min(band, rect.height - from);
        // The last two rows of the band before are the first two of this.
        const int kept = from == 0 ? 0 : 2;
        if (kept != 0)
            std::memmove(raw.at(0, 0), raw.at(0, band), sizeof(float) * static_cast<std::size_t>(2 * stride));
        plane.fill({rect.x - 1, rect.y - 1 + from + kept, width, rows + 2 - kept}, {raw.at(0, kept), stride});
        for (int y = 0; y < rows; ++y)
            sharpenRow(raw, y, out.at(0, from + y));
    }
    return out;
}

/// What of the plane the looks of a tile need; nothing when it is too much or not to be told.
bool neededBy(const std::vector<Look>& looks, const Rect& tile, int height, Rect& needed)
{
    long left = 0, top = 0, right = 0, bottom = 0;
    bool first = true;
    for (const Look& look : looks) {
        // Where rows have maps of their own, all maps of the tile's rows are asked for the whole tile.
        const double from = static_cast<double>(tile.y);
        const double until = static_cast<double>(tile.y + tile.height);
        const int steps = look.maps.size() == 1 ? 0 : 4;
        for (int i = 0; i <= steps; ++i) {
            Rect bounds;
            const double y = steps == 0 ? from : from + (until - from) * i / steps;
            if (!boundsOf(look.at(y, height), tile, 2, 2, mostTilePixels, bounds))
                return false;
            left = first ? bounds.x : std::min(left, bounds.x);
            top = first ? bounds.y : std::min(top, bounds.y);
            right = first ? bounds.x + bounds.width : std::max(right, bounds.x + bounds.width);
            bottom = first ? bounds.y + bounds.height : std::max(bottom, bounds.y + bounds.height);
            first = false;
        }
    }
    needed = {left, top, static_cast<int>(right - left), static_cast<int>(bottom - top)};
    return static_cast<double>(needed.width) * needed.height <= mostTilePixels;
}

/// The tile in whole blocks.
Rect inBlocks(const Rect& tile)
{
    return {tile.x, tile.y, (tile.width + blockWidth - 1) / blockWidth * blockWidth,
            (tile.height + blockHeight - 1) / blockHeight * blockHeight};
}

} // namespace

Matrix3 Look::at(double y, int height) const
{
    if (maps.size() == 1)
        return maps.front();
    const double last = static_cast<double>(maps.size() - 1);
    const double place = height > 1 ? y / (height - 1) * last : 0;
    const double below = std::clamp(std::floor(place), 0.0, last - 1);
    const auto i = static_cast<std::size_t>(below);
    const double share = place - below;
    Matrix3 map;
    for (std::size_t n = 0; n < 9; ++n)
        map.m[n] = maps[i].m[n] + (maps[i + 1].m[n] - maps[i].m[n]) * share;
    return map;
}

void gather(const Plane& plane, const std::vector<Look>& looks, const std::optional<Matrix3>& middle, int width,
            int height, Canvas& out, std::size_t exactUpTo)
{
    if (looks.size() <= exactUpTo || looks.size() > mostGathered) {
        forTiles(exactTile, width, height, [&](const Rect& tile) { gatherExactly(plane, looks, height, tile, out); });
        return;
    }
    // Seen through a middle one where the plane itself is turned or sized too much for pixels to share neighbourhoods.
    const bool through = middle.has_value() && !isNearlyStill(looks, width, height);
    const Matrix3 back = through ? middle->inverse() : Matrix3();
    std::vector<Look> relative = looks;
    for (Look& look : relative)
        for (Matrix3& map : look.maps) {
            map = back * map;
            map = normalised(map, map.depth({0.5 * width, 0.5 * height}));
        }
    const ResampledPlane resampled(plane, middle.value_or(Matrix3()));
    const Plane& seen = through ? static_cast<const Plane&>(resampled) : plane;
    const Sharpness sharpness = sharpnessFor(relative, width, height);
    const auto exactly = [&](const Rect& tile) { gatherExactly(plane, looks, height, tile, out); };
    const auto make = [&](const Rect& tile) {
        const Rect blocks = inBlocks(tile);
        Rect needed;
        if (!neededBy(relative, blocks, height, needed) || seen.breaksOffIn(needed)) {
            // Only where it must be.
            if (tile.width > exactPiece || tile.height > exactPiece)
                return false;
            exactly(tile);
            return true;
        }
        TileLooks tileLooks(relative, blocks, needed, height);
        if (!tileLooks.fit()) {
            exactly(tile);
            return true;
        }
        const Patch patch = sharpened(seen, needed, sharpness);
        const std::ptrdiff_t stride = 4 * static_cast<std::ptrdiff_t>(blocks.width);
        const Patch sum{scratch(4).room(static_cast<std::size_t>(stride) * blockHeight), stride};
        for (int y = 0; y < tile.height; y += blockHeight) {
            runGatherBlocks(tileLooks.around(y + 0.5 * (blockHeight - 1)),
                            {patch.pixels, patch.stride, 0, y, sum.pixels, sum.stride}, blocks.width / blockWidth);
            for (int row = 0; row < std::min(blockHeight, tile.height - y); ++row)
                out.put(static_cast<int>(tile.x), static_cast<int>(tile.y) + y + row, tile.width, sum.at(0, row));
        }
        return true;
    };
    forTiles(gatherTile, width, height, [&](const Rect& tile) {
        if (make(tile))
            return;
        for (int y = 0; y < tile.height; y += exactPiece)
            for (int x = 0; x < tile.width; x += exactPiece)
                make({tile.x + x, tile.y + y, std::min(exactPiece, tile.width - x),
                      std::min(exactPiece, tile.height - y)});
    });
}

} // namespace ember
