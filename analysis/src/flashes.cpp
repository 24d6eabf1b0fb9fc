// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/flashes.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace ember {

namespace {

constexpr int mostColumns = 96;
constexpr int mostRows = 72;

/// sRGB's transfer (IEC 61966-2-1), which is also that of WCAG's relative luminance.
double linear(double code)
{
    return code <= 0.04045 ? code / 12.92 : std::pow((code + 0.055) / 1.055, 2.4);
}

const std::array<float, 256>& linearOfBytes()
{
    static const std::array<float, 256> table = [] {
        std::array<float, 256> values{};
        for (std::size_t i = 0; i < values.size(); ++i)
            values[i] = static_cast<float>(linear(static_cast<double>(i) / 255));
        return values;
    }();
    return table;
}

double luminance(double r, double g, double b)
{
    return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

} // namespace

FlashCheck::FlashCheck(FrameRate rate, std::int64_t firstFrame) : rate_(rate), first_(firstFrame), frame_(firstFrame) {}

std::vector<FlashCheck::Light> FlashCheck::lightsOf(const Image& picture) const
{
    std::vector<Light> lights(static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows_));
    const auto& table = linearOfBytes();
    for (int row = 0; row < rows_; ++row) {
        const int top = row * picture.height() / rows_;
        const int bottom = (row + 1) * picture.height() / rows_;
        for (int column = 0; column < columns_; ++column) {
            const int left = column * picture.width() / columns_;
            const int right = (column + 1) * picture.width() / columns_;
            double r = 0;
            double g = 0;
            double b = 0;
            for (int y = top; y < bottom; ++y)
                for (int x = left; x < right; ++x) {
                    std::array<float, 3> code{};
                    float alpha = 1;
                    if (picture.depth() == Depth::eight) {
                        const std::uint8_t* p = picture.at(x, y);
                        code = {table[p[0]], table[p[1]], table[p[2]]};
                        alpha = static_cast<float>(p[3]) / 255;
                    } else {
                        const std::uint16_t* p = picture.deepAt(x, y);
                        for (std::size_t k = 0; k < 3; ++k)
                            code[k] = static_cast<float>(linear(p[k] / 65535.0));
                        alpha = static_cast<float>(p[3]) / 65535;
                    }
                    r += code[0] * alpha; // before black
                    g += code[1] * alpha;
                    b += code[2] * alpha;
                }
            const double count = static_cast<double>(bottom - top) * (right - left);
            lights[static_cast<std::size_t>(row * columns_ + column)] = {
                static_cast<float>(r / count), static_cast<float>(g / count), static_cast<float>(b / count)};
        }
    }
    return lights;
}

void FlashCheck::note(Watch& watch, int way) const
{
    watch.way = static_cast<std::int8_t>(way);
    watch.transitions.push_back(frame_);
}

void FlashCheck::watchGeneral(Watch& watch, const Light& light, bool fresh) const
{
    const auto now = static_cast<float>(luminance(light.r, light.g, light.b));
    if (fresh) {
        watch.low = watch.high = now;
        return;
    }
    constexpr double hair = 1e-6; // floats
    // Up from the lowest since the last way down, or down from the highest since the last way up.
    if (watch.way <= 0 && now - watch.low >= flashlimits::change - hair && watch.low < flashlimits::dark) {
        note(watch, 1);
        watch.high = now;
    } else if (watch.way >= 0 && watch.high - now >= flashlimits::change - hair && now < flashlimits::dark) {
        note(watch, -1);
        watch.low = now;
    }
    watch.low = watch.way > 0 ? watch.low : std::min(watch.low, now);
    watch.high = watch.way < 0 ? watch.high : std::max(watch.high, now);
}

void FlashCheck::watchRed(Watch& watch, const Light& light, bool fresh) const
{
    const float sum = light.r + light.g + light.b;
    const bool red = sum > 0 && light.r / sum >= flashlimits::redShare - 1e-6;
    const float now = std::max(0.0F, light.r - light.g - light.b) * 320;
    if (fresh) {
        watch.low = watch.high = now;
        watch.lowRed = watch.highRed = red;
        return;
    }
    // One state of a transition is saturated red.
    if (watch.way <= 0 && now - watch.low > flashlimits::redChange && (red || watch.lowRed)) {
        note(watch, 1);
        watch.high = now;
        watch.highRed = red;
    } else if (watch.way >= 0 && watch.high - now > flashlimits::redChange && (red || watch.highRed)) {
        note(watch, -1);
        watch.low = now;
        watch.lowRed = red;
    }
    if (watch.way <= 0 && now <= watch.low) {
        watch.low = now;
        watch.lowRed = red;
    }
    if (watch.way >= 0 && now >= watch.high) {
        watch.high = now;
        watch.highRed = red;
    }
}

double FlashCheck::shareOf(const std::vector<Watch>& watches, std::size_t transitions) const
{
    // Sums over everything above and to the left, so that each field is four of them.
    const auto wide = static_cast<std::size_t>(columns_) + 1;
    std::vector<int> sums(wide * (static_cast<std::size_t>(rows_) + 1));
    for (int y = 0; y < rows_; ++y)
        for (int x = 0; x < columns_; ++x) {
            const auto at = (static_cast<std::size_t>(y) + 1) * wide + static_cast<std::size_t>(x) + 1;
            const auto& watch = watches[static_cast<std::size_t>(y * columns_ + x)];
            sums[at] = (watch.transitions.size() >= transitions ? 1 : 0) + sums[at - 1] + sums[at - wide] -
                       sums[at - wide - 1];
        }
    const int across = std::max(1, static_cast<int>(std::lround(columns_ * flashlimits::field)));
    const int down = std::max(1, static_cast<int>(std::lround(rows_ * flashlimits::field)));
    int most = 0;
    for (int y = 0; y + down <= rows_; ++y)
        for (int x = 0; x + across <= columns_; ++x) {
            const auto at = [&](int row, int column) {
                return sums[static_cast<std::size_t>(row) * wide + static_cast<std::size_t>(column)];
            };
            most = std::max(most, at(y + down, x + across) - at(y, x + across) - at(y + down, x) + at(y, x));
        }
    return static_cast<double>(most) / (static_cast<double>(across) * down);
}

void FlashCheck::judge(FlashKind kind, const std::vector<Watch>& watches)
{
    constexpr std::size_t tooMany = 2 * (flashlimits::flashes + 1); // transitions
    const double share = shareOf(watches, tooMany);
    if (!(share > flashlimits::area))
        return;
    int count = flashlimits::flashes + 1;
    while (shareOf(watches, 2 * (static_cast<std::size_t>(count) + 1)) > flashlimits::area)
        ++count;
    for (auto last = found_.rbegin(); last != found_.rend(); ++last)
        if (last->kind == kind) {
            if (last->last + 1 != frame_)
                break;
            last->last = frame_;
            last->flashes = std::max(last->flashes, count);
            last->area = std::max(last->area, share);
            return;
        }
    found_.push_back({kind, frame_, frame_, count, share});
}

void FlashCheck::add(const Image& picture)
{
    const bool fresh = frame_ == first_;
    if (fresh) {
        columns_ = std::min(mostColumns, picture.width());
        rows_ = std::min(mostRows, picture.height());
        general_.resize(static_cast<std::size_t>(columns_) * static_cast<std::size_t>(rows_));
        red_.resize(general_.size());
    }
    const std::vector<Light> lights = lightsOf(picture);
    for (std::size_t i = 0; i < lights.size(); ++i) {
        watchGeneral(general_[i], lights[i], fresh);
        watchRed(red_[i], lights[i], fresh);
        for (Watch* watch : {&general_[i], &red_[i]}) {
            const auto old = [&](std::int64_t at) { return static_cast<double>(frame_ - at) >= rate_.perSecond(); };
            watch->transitions.erase(std::remove_if(watch->transitions.begin(), watch->transitions.end(), old),
                                     watch->transitions.end());
        }
    }
    judge(FlashKind::general, general_);
    judge(FlashKind::red, red_);
    ++frame_;
}

std::vector<FlashViolation> FlashCheck::violations() const
{
    auto sorted = found_;
    std::stable_sort(sorted.begin(), sorted.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    return sorted;
}

} // namespace ember
