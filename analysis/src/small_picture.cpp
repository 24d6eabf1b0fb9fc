// SPDX-License-Identifier: GPL-3.0-or-later
#include "small_picture.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

#include <opencv2/imgproc.hpp>

namespace ember {

SmallPicture::SmallPicture(const Image& frame)
{
    const int longer = std::max(frame.width(), frame.height());
    const double scale = std::min(1.0, static_cast<double>(longSide) / longer);
    width_ = std::max(1, static_cast<int>(std::lround(frame.width() * scale)));
    height_ = std::max(1, static_cast<int>(std::lround(frame.height() * scale)));
    values_.resize(static_cast<std::size_t>(width_) * static_cast<std::size_t>(height_));
    std::vector<std::uint32_t> columns(static_cast<std::size_t>(frame.width()));
    for (int y = 0; y < height_; ++y) {
        const int top = y * frame.height() / height_;
        const int bottom = std::max(top + 1, (y + 1) * frame.height() / height_);
        // Two rows tell as much of so small a picture.
        const int every = std::max(1, (bottom - top) / 2);
        std::fill(columns.begin(), columns.end(), 0u);
        std::uint32_t rows = 0;
        for (int line = top; line < bottom; line += every, ++rows) {
            const std::uint8_t* pixel = frame.row(line);
            for (std::size_t x = 0; x < columns.size(); ++x, pixel += 4)
                columns[x] += 54u * pixel[0] + 183u * pixel[1] + 19u * pixel[2];
        }
        for (int x = 0; x < width_; ++x) {
            const int left = x * frame.width() / width_;
            const int right = std::max(left + 1, (x + 1) * frame.width() / width_);
            std::uint64_t sum = 0;
            for (int k = left; k < right; ++k)
                sum += columns[static_cast<std::size_t>(k)];
            const auto count =
                std::max<std::uint64_t>(1, static_cast<std::uint64_t>(rows) * static_cast<std::uint64_t>(right - left));
            values_[static_cast<std::size_t>(y) * static_cast<std::size_t>(width_) + static_cast<std::size_t>(x)] =
                static_cast<std::int16_t>(sum / (16u * count));
        }
    }
}

SmallPicture SmallPicture::softened() const
{
    constexpr int across = 9;
    SmallPicture out = *this;
    const cv::Mat1s from(height_, width_, const_cast<std::int16_t*>(values_.data()));
    cv::Mat1s to(height_, width_, out.values_.data());
    cv::blur(from, to, {across, across});
    return out;
}

SmallPicture SmallPicture::squared() const
{
    constexpr int most = 255 * static_cast<int>(unit);
    SmallPicture out = *this;
    for (std::int16_t& value : out.values_)
        value = static_cast<std::int16_t>(value * value / most);
    return out;
}

float squareDifference(const SmallPicture& now, const SmallPicture& other, int x, int y, int size, Shift shift)
{
    std::int32_t sum = 0;
    const int right = std::min(x + size, now.width());
    const int bottom = std::min(y + size, now.height());
    for (int v = y; v < bottom; ++v) {
        const std::int16_t* a = now.row(v);
        const std::int16_t* b = other.row(std::clamp(v + shift.y, 0, other.height() - 1));
        if (x + shift.x >= 0 && right + shift.x <= other.width()) {
            for (int u = x; u < right; ++u)
                sum += std::abs(a[u] - b[u + shift.x]);
        } else {
            for (int u = x; u < right; ++u)
                sum += std::abs(a[u] - b[std::clamp(u + shift.x, 0, other.width() - 1)]);
        }
    }
    return static_cast<float>(sum) / (SmallPicture::unit * static_cast<float>(std::max(1, (right - x) * (bottom - y))));
}

Shift cameraShift(const SmallPicture& before, const SmallPicture& now)
{
    // The shift with the smallest median difference over squares that have something to match, found by steps.
    constexpr int square = 16;
    const auto cost = [&](Shift shift) {
        std::vector<float> differences;
        for (int y = 0; y + square <= now.height(); y += square)
            for (int x = 0; x + square <= now.width(); x += square)
                differences.push_back(squareDifference(now, before, x, y, square, {-shift.x, -shift.y}));
        if (differences.empty())
            return 0.f;
        // The upper quartile: flat parts match anywhere and must not decide.
        const auto at = differences.begin() + static_cast<std::ptrdiff_t>(differences.size() * 3 / 4);
        std::nth_element(differences.begin(), at, differences.end());
        return *at;
    };
    Shift best;
    float least = cost(best);
    for (int step = 4; step >= 1; step /= 2)
        for (bool moved = true; moved && std::abs(best.x) < 24 && std::abs(best.y) < 24;) {
            moved = false;
            constexpr std::array<Shift, 4> ways{{{1, 0}, {-1, 0}, {0, 1}, {0, -1}}};
            const Shift from = best;
            for (const Shift& way : ways) {
                const Shift trial{from.x + step * way.x, from.y + step * way.y};
                if (const float c = cost(trial); c < 0.97f * least) {
                    least = c;
                    best = trial;
                    moved = true;
                }
            }
        }
    return best;
}

float likeness(const SmallPicture& before, const SmallPicture& now, Shift camera)
{
    std::int64_t aa = 0, bb = 0, ab = 0;
    const int left = std::max(0, camera.x);
    const int right = std::min(now.width(), now.width() + camera.x) - 1;
    for (int y = std::max(0, camera.y); y < std::min(now.height(), now.height() + camera.y); ++y) {
        const std::int16_t* a = before.row(y - camera.y) - camera.x;
        const std::int16_t* b = now.row(y);
        for (int x = left; x < right; ++x) {
            const std::int64_t u = a[x + 1] - a[x];
            const std::int64_t v = b[x + 1] - b[x];
            aa += u * u;
            bb += v * v;
            ab += u * v;
        }
    }
    return aa > 0 && bb > 0 ? static_cast<float>(static_cast<double>(ab) /
                                                 std::sqrt(static_cast<double>(aa) * static_cast<double>(bb)))
                            : 1.f;
}

} // namespace ember
