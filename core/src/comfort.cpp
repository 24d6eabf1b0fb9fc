// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/comfort.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <numbers>

#include "ember/core/motion.h"
#include "ember/core/projection.h"

namespace ember {

namespace {

constexpr double lowestSway = 0.1; // hertz
constexpr double highestSway = 0.5;
constexpr double swayWindow = 60; // seconds that are looked at together

std::array<Point, 4> cornersOf(const Pose& pose, int width, int height)
{
    const Matrix3 map = poseMatrix(pose, width, height);
    const double right = width - 0.5;
    const double bottom = height - 0.5;
    return {map.map({-0.5, -0.5}), map.map({right, -0.5}), map.map({right, bottom}), map.map({-0.5, bottom})};
}

/// The power, as a mean square, of what swings within the band in a part of a curve: its discrete Fourier transform
/// under a Hann window (P. Welch, 1967), each frequency by itself (G. Goertzel, 1958).
double bandPower(const std::vector<double>& curve, std::size_t from, std::size_t count, double framesPerSecond)
{
    double mean = 0;
    for (std::size_t i = 0; i < count; ++i)
        mean += curve[from + i];
    const auto length = static_cast<double>(count);
    mean /= length;
    const double step = framesPerSecond / length; // hertz
    const auto first = static_cast<int>(std::ceil(lowestSway / step - 1e-9));
    const auto last = static_cast<int>(std::floor(highestSway / step + 1e-9));
    double weights = 0;
    std::vector<double> windowed(count);
    for (std::size_t i = 0; i < count; ++i) {
        const double hann = 0.5 - 0.5 * std::cos(2 * std::numbers::pi * (static_cast<double>(i) + 0.5) / length);
        windowed[i] = hann * (curve[from + i] - mean);
        weights += hann * hann;
    }
    double power = 0;
    for (int k = std::max(1, first); k <= last && 2 * k < static_cast<int>(count); ++k) {
        const double turn = 2 * std::cos(2 * std::numbers::pi * k / length);
        double one = 0;
        double two = 0;
        for (const double value : windowed) {
            const double now = value + turn * one - two;
            two = one;
            one = now;
        }
        power += one * one + two * two - turn * one * two;
    }
    return 2 * power / (length * weights);
}

/// The root of the most power in any window.
template <typename Power>
double mostInWindows(std::size_t frames, double framesPerSecond, Power power)
{
    const auto window = std::min(frames, static_cast<std::size_t>(std::lround(swayWindow * framesPerSecond)));
    double most = 0;
    for (std::size_t from = 0;; from += std::max<std::size_t>(1, window / 2)) {
        const std::size_t at = std::min(from, frames - window);
        most = std::max(most, power(at, window));
        if (at + window >= frames)
            return std::sqrt(most);
    }
}

std::string number(double value, int digits)
{
    std::array<char, 32> text{};
    std::snprintf(text.data(), text.size(), "%.*f", digits, value);
    std::string out = text.data();
    if (out.find('.') != std::string::npos) {
        out.erase(out.find_last_not_of('0') + 1);
        if (out.back() == '.')
            out.pop_back();
    }
    return out;
}

std::string percent(double ratio)
{
    const double value = 100 * ratio;
    return number(value, value < 1 ? 2 : value < 10 ? 1 : 0) + " %";
}

/// "a third", "12 %".
Phrase shareWords(double share)
{
    struct Word {
        double share;
        const char* text;
    };
    constexpr std::array<Word, 5> words{
        {{1.0 / 4, "a quarter"}, {1.0 / 3, "a third"}, {1.0 / 2, "half"}, {2.0 / 3, "two thirds"}, {1.0, "all"}}};
    for (const Word& word : words)
        if (std::abs(share - word.share) < 0.02)
            return word.text;
    return percent(share);
}

} // namespace

double cornerDisplacement(const Pose& pose, int width, int height)
{
    return pose.atRest() ? 0.0 : cornerStep(Pose(), pose, width, height);
}

double cornerStep(const Pose& from, const Pose& to, int width, int height)
{
    if (from == to)
        return 0;
    const auto a = cornersOf(from, width, height);
    const auto b = cornersOf(to, width, height);
    double most = 0;
    for (std::size_t i = 0; i < a.size(); ++i)
        most = std::max(most, std::hypot(b[i].x - a[i].x, b[i].y - a[i].y));
    return most / width;
}

ComfortFigures comfortOf(const Project& project, std::int64_t first, std::int64_t end)
{
    ComfortFigures figures;
    figures.first = first;
    figures.longestFrom = figures.farthestFrame = figures.fastestFrame = figures.rollFrame = figures.rippleFrame =
        first;
    figures.frames = std::max<std::int64_t>(0, end - first);
    figures.seconds = project.rate.seconds(static_cast<double>(figures.frames));
    if (figures.frames == 0)
        return figures;
    Project shake = project;
    for (Shot& shot : shake.shots)
        shot.move.clear();
    const FeltProject felt(shake);
    const Motion motion(shake);
    std::vector<std::int64_t> hits; // in order
    if (!shake.master.bypass)
        for (const Strike& strike : felt->strikes)
            if (strike.strength > 0)
                hits.push_back(strike.frame.index);
    std::sort(hits.begin(), hits.end());

    const double perSecond = project.rate.perSecond();
    const auto count = static_cast<std::size_t>(figures.frames);
    std::array<std::vector<double>, 3> curves; // x and y as ratios of the width, roll in degrees
    for (auto& curve : curves)
        curve.resize(count);
    std::int64_t shaken = 0;
    std::int64_t unstruck = 0;
    std::int64_t stretch = 0;
    std::int64_t longest = 0;
    Pose before = motion.poseAt(static_cast<double>(first));
    for (std::int64_t f = first; f < end; ++f) {
        const Pose pose = motion.poseAt(static_cast<double>(f));
        const auto i = static_cast<std::size_t>(f - first);
        curves[0][i] = pose.x / project.width;
        curves[1][i] = pose.y / project.width;
        curves[2][i] = pose.roll;
        const double far = cornerDisplacement(pose, project.width, project.height);
        if (far > figures.displacement) {
            figures.displacement = far;
            figures.farthestFrame = f;
        }
        const double speed = cornerStep(before, pose, project.width, project.height) * perSecond;
        if (speed > figures.speed) {
            figures.speed = speed;
            figures.fastestFrame = f;
        }
        if (const double roll = std::abs(pose.roll - before.roll) * perSecond; roll > figures.rollSpeed) {
            figures.rollSpeed = roll;
            figures.rollFrame = f;
        }
        before = pose;
        double pushed = 0; // ripples that meet add up
        for (const RippleNow& ripple : motion.lightAt(static_cast<double>(f)).ripples)
            pushed += ripple.amount / project.width;
        if (pushed > figures.ripple) {
            figures.ripple = pushed;
            figures.rippleFrame = f;
        }
        if (far <= overlooked) {
            stretch = 0;
            continue;
        }
        ++shaken;
        const auto after = std::upper_bound(hits.begin(), hits.end(), f);
        if (after == hits.begin() || static_cast<double>(f - *(after - 1)) > perSecond)
            ++unstruck;
        if (++stretch > longest) {
            longest = stretch;
            figures.longestFrom = f - stretch + 1;
        }
    }
    figures.shaken = static_cast<double>(shaken) / static_cast<double>(figures.frames);
    figures.unstruck = shaken > 0 ? static_cast<double>(unstruck) / static_cast<double>(shaken) : 0;
    figures.longest = project.rate.seconds(static_cast<double>(longest));
    figures.sway = mostInWindows(count, perSecond, [&](std::size_t from, std::size_t window) {
        return bandPower(curves[0], from, window, perSecond) + bandPower(curves[1], from, window, perSecond);
    });
    figures.swayRoll = mostInWindows(count, perSecond, [&](std::size_t from, std::size_t window) {
        return bandPower(curves[2], from, window, perSecond);
    });
    const auto from = std::lower_bound(hits.begin(), hits.end(), first);
    const auto to = std::lower_bound(hits.begin(), hits.end(), end);
    figures.strikes = static_cast<int>(to - from);
    for (auto hit = from; hit != to; ++hit) {
        const auto within = std::lower_bound(hit, to, *hit + std::llround(60 * perSecond));
        figures.strikesInMinute = std::max(figures.strikesInMinute, static_cast<int>(within - hit));
    }
    return figures;
}

std::vector<ComfortLine> comfortLines(const ComfortFigures& f, const FrameRate& rate, const ComfortLimits& limits)
{
    std::vector<ComfortLine> lines;
    const auto line = [&](const char* key, Phrase text, double value, double limit, const char* unit,
                          std::int64_t frame) {
        lines.push_back({key, std::move(text), value, limit, unit, frame});
    };
    Phrase shaken("The picture shakes {} of the time.", percent(f.shaken));
    if (f.shaken > 0)
        shaken = f.unstruck > 0 ? Phrase("The picture shakes {} of the time; {} of that carries no strike.",
                                         percent(f.shaken), shareWords(f.unstruck))
                                : Phrase("The picture shakes {} of the time; all of that follows a strike within a "
                                         "second.",
                                         percent(f.shaken));
    line("shaken", shaken, 100 * f.shaken, 100 * limits.shaken, "%", f.longestFrom);
    const auto lastOfLongest = f.longestFrom + std::max<std::int64_t>(0, std::llround(rate.frames(f.longest)) - 1);
    line("longest",
         f.longest > 0 ? Phrase("The longest stretch without rest lasts {} s, frames {} to {}.", number(f.longest, 1),
                                f.longestFrom, lastOfLongest)
                       : Phrase("It is always at rest."),
         f.longest, limits.longest, "s", f.longestFrom);
    line("displacement",
         {"A corner goes at most {} of the picture's width from its rest on frame {}.", percent(f.displacement),
          f.farthestFrame},
         100 * f.displacement, 100 * limits.displacement, "%", f.farthestFrame);
    line("speed",
         {"The fastest it goes is {} of the width in a second, into frame {}.", percent(f.speed), f.fastestFrame},
         100 * f.speed, 100 * limits.speed, "%/s", f.fastestFrame);
    line("roll",
         f.rollSpeed > 0 ? Phrase("It rolls at most {}° a second, into frame {}.", number(f.rollSpeed, 1), f.rollFrame)
                         : Phrase("It does not roll."),
         f.rollSpeed, limits.rollSpeed, "°/s", f.rollFrame);
    if (f.ripple > 0)
        line("ripple",
             {"A ripple pushes parts of the picture by at most {} of its width, on frame {}.", percent(f.ripple),
              f.rippleFrame},
             100 * f.ripple, 100 * limits.displacement, "%", f.rippleFrame);
    line("sway", {"Sway at the pace that makes people sick is {} of the width on average.", percent(f.sway)},
         100 * f.sway, 100 * limits.sway, "%", f.longestFrom);
    line("sway_roll", {"Roll at that pace is {}° on average.", number(f.swayRoll, 2)}, f.swayRoll, limits.swayRoll, "°",
         f.longestFrom);
    line("strikes",
         f.strikes == 0 ? Phrase("Nothing strikes.")
                        : Phrase(f.strikes == 1 ? "{} strike in {} s, at most {} of them within a minute."
                                                : "{} strikes in {} s, at most {} of them within a minute.",
                                 f.strikes, number(f.seconds, 1), f.strikesInMinute),
         f.strikesInMinute, limits.strikesInMinute, "a minute", f.first);
    return lines;
}

} // namespace ember
