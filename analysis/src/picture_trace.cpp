// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/picture_trace.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>

#include "motion_field.h"
#include "small_picture.h"

namespace ember {

namespace {

constexpr int square = 8;        ///< pixels of the small picture
constexpr int farthest = 24;     ///< that something is sought away from where it was; even
constexpr float byteRange = 255; ///< brightness comes as 0 to 255

Spot placeOf(const SmallPicture& picture, float x, float y)
{
    return {static_cast<double>(x) / picture.width(), static_cast<double>(y) / picture.height()};
}

/// Change of brightness from the frame before, the camera's move taken off, and what is told of it.
struct Difference {
    int columns = 0;
    int rows = 0;
    std::vector<float> brighter; ///< mean change of each square
    std::vector<float> changed;  ///< mean absolute change of each square
    float grain = 0;

    float& in(std::vector<float>& values, int column, int row)
    {
        return values[static_cast<std::size_t>(row) * static_cast<std::size_t>(columns) +
                      static_cast<std::size_t>(column)];
    }
};

Difference differenceOf(const SmallPicture& before, const SmallPicture& now, Shift camera)
{
    Difference d;
    d.columns = (now.width() + square - 1) / square;
    d.rows = (now.height() + square - 1) / square;
    const auto count = static_cast<std::size_t>(d.columns) * static_cast<std::size_t>(d.rows);
    d.brighter.assign(count, 0.f);
    d.changed.assign(count, 0.f);
    std::vector<float> counts(count, 0.f);
    for (int y = 0; y < now.height(); ++y) {
        const int from = y - camera.y;
        if (from < 0 || from >= now.height())
            continue; // came into the picture: not known to be new
        for (int x = std::max(0, camera.x); x < std::min(now.width(), now.width() + camera.x); ++x) {
            const float change = static_cast<float>(now.at(x, y) - before.at(x - camera.x, from)) / SmallPicture::unit;
            const auto at = static_cast<std::size_t>(y / square) * static_cast<std::size_t>(d.columns) +
                            static_cast<std::size_t>(x / square);
            d.brighter[at] += change;
            d.changed[at] += std::abs(change);
            counts[at] += 1;
        }
    }
    for (std::size_t i = 0; i < count; ++i) {
        d.brighter[i] /= std::max(counts[i], 1.f);
        d.changed[i] /= std::max(counts[i], 1.f);
    }
    // Grain is what the quieter part of the picture has everywhere.
    std::vector<float> sorted = d.changed;
    const auto third = sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() / 3);
    std::nth_element(sorted.begin(), third, sorted.end());
    d.grain = *third;
    return d;
}

float meanLight(const SmallPicture& picture)
{
    std::int64_t sum = 0;
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x)
            sum += picture.at(x, y);
    const double pixels = static_cast<double>(picture.width()) * picture.height();
    return static_cast<float>(static_cast<double>(sum) / (pixels * 255 * static_cast<double>(SmallPicture::unit)));
}

/// Another picture is unlike the one before and both brighter and darker in many places; a burst only brightens.
bool isCut(const Difference& d, const SmallPicture& before, const SmallPicture& now, Shift camera)
{
    constexpr float other = 6; // code values
    constexpr float many = 0.15f;
    const auto squares = static_cast<float>(d.brighter.size());
    const auto share = [&](auto&& test) {
        return static_cast<float>(std::count_if(d.brighter.begin(), d.brighter.end(), test)) / squares;
    };
    return share([](float v) { return v > other; }) > many && share([](float v) { return v < -other; }) > many &&
           likeness(before, now, camera) < 0.4f;
}

/// Where the square at x, y of `now` lies in `other`, when it is clearly elsewhere or clearly there.
std::optional<Shift> sought(const SmallPicture& now, const SmallPicture& other, int x, int y, float grain)
{
    const auto at = [&](int u, int v) { return squareDifference(now, other, x, y, square, {u, v}); };
    float here = at(0, 0);
    const float still = here;
    for (int v = -1; v <= 1; ++v)
        for (int u = -1; u <= 1; ++u)
            here = std::min(here, at(u, v)); // moves of less than a pixel
    Shift best;
    float least = here;
    const auto look = [&](int u, int v) {
        // Of places that are as good the nearest.
        const float price = 0.02f * static_cast<float>(std::abs(u) + std::abs(v));
        if (const float difference = at(u, v) + price; difference < least) {
            least = difference;
            best = {u, v};
        }
    };
    for (int v = -farthest; v <= farthest; v += 2)
        for (int u = -farthest; u <= farthest; u += 2)
            look(u, v);
    const Shift middle = best;
    for (int v = -1; v <= 1; ++v)
        for (int u = -1; u <= 1; ++u)
            look(middle.x + u, middle.y + v);
    const bool elsewhere = std::abs(best.x) > 1 || std::abs(best.y) > 1;
    if (elsewhere ? least > 0.5f * here + grain : still > 3 * grain + 6 && here > 0.6f * still)
        return std::nullopt;
    return elsewhere ? best : Shift{};
}

/// What went away from a place has changed it: a pattern that only looks alike has not.
bool left(const SmallPicture& before, const SmallPicture& now, int x, int y, Shift from, float grain)
{
    const int u = std::clamp(x + from.x, 0, now.width() - square);
    const int v = std::clamp(y + from.y, 0, now.height() - square);
    return squareDifference(now, before, u, v, square, {}) > 2 * grain + 2;
}

} // namespace

struct PictureWatcher::Work {
    void flashOf(FrameChange& change, Difference& d, const SmallPicture& now) const;
    void motionOf(FrameChange& change, Difference& d, const SmallPicture& now) const;
    void movesOf(FrameChange& change, const SmallPicture& next) const;

    SmallPicture before;   ///< two frames ago
    SmallPicture now;      ///< the last frame
    Difference difference; ///< from before to now
    Shift camera;
    MotionField field;
    PictureTrace trace;
};

/// The part of two squares by two that brightens most. Where something bright moves, as much darkens close by and is
/// taken off; what brightens no less at the border close by may have come in there.
void PictureWatcher::Work::flashOf(FrameChange& change, Difference& d, const SmallPicture& picture) const
{
    constexpr int close = 4;
    const auto riseOf = [&](int column, int row) {
        return (d.in(d.brighter, column, row) + d.in(d.brighter, column + 1, row) + d.in(d.brighter, column, row + 1) +
                d.in(d.brighter, column + 1, row + 1)) /
               (4 * byteRange);
    };
    const auto cameIn = [&](int column, int row, float rise) {
        constexpr int fromBorder = 2;
        float border = 0;
        const auto see = [&](int x, int y) { border = std::max(border, d.in(d.brighter, x, y) / byteRange); };
        for (int k = 0; k < 2; ++k) {
            if (column <= fromBorder)
                see(0, row + k);
            if (column + 1 + fromBorder >= d.columns - 1)
                see(d.columns - 1, row + k);
            if (row <= fromBorder)
                see(column + k, 0);
            if (row + 1 + fromBorder >= d.rows - 1)
                see(column + k, d.rows - 1);
        }
        return border > 0.7f * rise;
    };
    for (int row = 1; row + 2 < d.rows; ++row)
        for (int column = 1; column + 2 < d.columns; ++column) {
            float rise = riseOf(column, row);
            if (rise <= change.flash)
                continue;
            float fall = 0;
            for (int y = std::max(0, row - close); y <= std::min(row + close, d.rows - 2); ++y)
                for (int x = std::max(0, column - close); x <= std::min(column + close, d.columns - 2); ++x)
                    fall = std::max(fall, -riseOf(x, y));
            rise -= fall;
            if (rise > change.flash && !cameIn(column, row, rise)) {
                change.flash = rise;
                change.flashPlace =
                    placeOf(picture, static_cast<float>((column + 1) * square), static_cast<float>((row + 1) * square));
            }
        }
}

void PictureWatcher::Work::motionOf(FrameChange& change, Difference& d, const SmallPicture& picture) const
{
    float sum = 0, sumX = 0, sumY = 0;
    for (int row = 0; row < d.rows; ++row)
        for (int column = 0; column < d.columns; ++column) {
            // A change of light alone is no motion.
            const float changed =
                std::max(0.f, d.in(d.changed, column, row) - std::abs(d.in(d.brighter, column, row)) - d.grain);
            sum += changed;
            sumX += changed * (static_cast<float>(column) + 0.5f) * square;
            sumY += changed * (static_cast<float>(row) + 0.5f) * square;
        }
    change.motion = sum / (byteRange * static_cast<float>(d.rows * d.columns));
    if (sum > 0)
        change.motionPlace = placeOf(picture, sumX / sum, sumY / sum);
}

/// Squares that came here from elsewhere, and those of them that stay here.
void PictureWatcher::Work::movesOf(FrameChange& change, const SmallPicture& next) const
{
    constexpr float fast = 1.5f;  // pixels of the small picture a frame
    constexpr float still = 0.3f; // of the way before; what bounces goes back on it
    Difference d = difference;
    const auto height = static_cast<float>(now.height());
    float x = 0, y = 0, dx = 0, dy = 0, stopX = 0, stopY = 0;
    for (int row = 0; row < d.rows; ++row)
        for (int column = 0; column < d.columns; ++column) {
            const int x0 = std::min(column * square, now.width() - square);
            const int y0 = std::min(row * square, now.height() - square);
            if (x0 < 0 || y0 < 0 || d.in(d.changed, column, row) < 3 * d.grain + 2)
                continue;
            const auto came = sought(now, before, x0, y0, d.grain);
            if (!came || !left(before, now, x0, y0, *came, d.grain))
                continue;
            const float u = static_cast<float>(-came->x - camera.x);
            const float v = static_cast<float>(-came->y - camera.y);
            const float speed = std::hypot(u, v);
            if (speed < fast)
                continue;
            change.move += speed;
            dx += u;
            dy += v;
            const auto goes = sought(now, next, x0, y0, d.grain);
            if (!goes || static_cast<float>(goes->x) * u + static_cast<float>(goes->y) * v > still * speed * speed)
                continue;
            const float force = speed * speed;
            change.stop += force;
            constexpr int half = square / 2;
            x += force * static_cast<float>(x0 + half);
            y += force * static_cast<float>(y0 + half);
            stopX += speed * u;
            stopY += speed * v;
        }
    if (change.move <= 0)
        return;
    if (change.stop > 0)
        change.stopPlace = placeOf(now, x / change.stop, y / change.stop);
    const float whole = height * static_cast<float>(d.rows * d.columns);
    change.stop = std::hypot(stopX, stopY) / (height * whole); // what flies all ways cancels
    change.move /= whole;
    change.moveX = dx / whole;
    change.moveY = dy / whole;
}

PictureWatcher::PictureWatcher() : work_(std::make_unique<Work>()) {}
PictureWatcher::~PictureWatcher() = default;
PictureWatcher::PictureWatcher(PictureWatcher&&) noexcept = default;
PictureWatcher& PictureWatcher::operator=(PictureWatcher&&) noexcept = default;

void PictureWatcher::watch(const Image& picture, Frame frame)
{
    Work& w = *work_;
    SmallPicture next(picture);
    if (const auto followed = w.field.next(picture); followed && !w.trace.frames.empty())
        w.trace.frames.back().followed = *followed;
    FrameChange change;
    change.frame = frame;
    if (w.now.empty() || !next.sameSize(w.now)) {
        change.cut = !w.now.empty();
        w.before = {};
        w.difference = {};
    } else {
        if (!w.before.empty() && !w.trace.frames.back().cut)
            w.movesOf(w.trace.frames.back(), next);
        const Shift camera = cameraShift(w.now, next);
        Difference d = differenceOf(w.now, next, camera);
        change.grain = d.grain / byteRange;
        change.cut = isCut(d, w.now, next, camera);
        change.alike = likeness(w.now, next, camera);
        w.flashOf(change, d, next);
        w.motionOf(change, d, next);
        w.before = std::move(w.now);
        w.difference = std::move(d);
        w.camera = camera;
    }
    change.light = meanLight(next);
    w.now = std::move(next);
    w.trace.frames.push_back(change);
}

PictureTrace PictureWatcher::finish()
{
    return std::move(work_->trace);
}

} // namespace ember
