// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/captured.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <numbers>

namespace ember {

namespace {

using Complex = std::complex<double>;
constexpr double degree = std::numbers::pi / 180;

/// Turning and sizing about the middle is a product with this.
Complex turned(const Similarity& s)
{
    return std::polar(s.zoom, s.roll * degree);
}

Similarity made(Complex turn, Complex way)
{
    return {way.real(), way.imag(), std::arg(turn) / degree, std::abs(turn)};
}

/// Where a line through the first values begins; reversed, where one through the last ends.
double lineAtEnd(const std::vector<double>& values, std::size_t count, bool last)
{
    double sum = 0;
    double slope = 0;
    double squares = 0;
    const double middle = 0.5 * static_cast<double>(count - 1);
    for (std::size_t i = 0; i < count; ++i) {
        const double value = values[last ? values.size() - 1 - i : i];
        const double far = static_cast<double>(i) - middle;
        sum += value;
        slope += far * value;
        squares += far * far;
    }
    return sum / static_cast<double>(count) - (squares > 0 ? slope / squares * middle : 0);
}

/// Smoothed by a Gaussian of this standard deviation; beyond the ends turned about where the values tend to there.
std::vector<double> smoothed(const std::vector<double>& values, double deviation)
{
    const auto count = static_cast<std::ptrdiff_t>(values.size());
    const auto reach = static_cast<std::ptrdiff_t>(std::ceil(4 * deviation));
    std::vector<double> weights;
    double all = 0;
    for (std::ptrdiff_t i = -reach; i <= reach; ++i) {
        const auto far = static_cast<double>(i) / deviation;
        weights.push_back(std::exp(-0.5 * far * far));
        all += weights.back();
    }
    const auto near = std::min(values.size(), static_cast<std::size_t>(std::ceil(3 * deviation)) + 1);
    const double first = lineAtEnd(values, near, false);
    const double last = lineAtEnd(values, near, true);
    const auto at = [&](std::ptrdiff_t i) {
        const auto value = [&](std::ptrdiff_t k) {
            return values[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(k, 0, count - 1))];
        };
        if (i < 0)
            return 2 * first - value(-i);
        return i < count ? value(i) : 2 * last - value(2 * (count - 1) - i);
    };
    std::vector<double> out;
    for (std::ptrdiff_t i = 0; i < count; ++i) {
        double sum = 0;
        for (std::ptrdiff_t k = -reach; k <= reach; ++k)
            sum += weights[static_cast<std::size_t>(k + reach)] * at(i + k);
        out.push_back(sum / all);
    }
    return out;
}

} // namespace

Point Similarity::map(Point p, Point middle) const
{
    const Complex at = turned(*this) * Complex(p.x - middle.x, p.y - middle.y) + Complex(x, y);
    return {middle.x + at.real(), middle.y + at.imag()};
}

Similarity Similarity::after(const Similarity& first) const
{
    Similarity both = made(turned(*this) * turned(first), turned(*this) * Complex(first.x, first.y) + Complex(x, y));
    both.roll = roll + first.roll; // more than half a turn is kept
    return both;
}

Similarity Similarity::inverse() const
{
    Similarity back = made(1.0 / turned(*this), -Complex(x, y) / turned(*this));
    back.roll = -roll;
    return back;
}

double cornerDistance(const Similarity& a, const Similarity& b, int width, int height)
{
    const double right = width - 1;
    const double bottom = height - 1;
    double sum = 0;
    for (const Point corner : {Point{0, 0}, Point{right, 0}, Point{0, bottom}, Point{right, bottom}}) {
        const Point there = a.map(corner, {right / 2, bottom / 2});
        const Point here = b.map(corner, {right / 2, bottom / 2});
        sum += std::hypot(there.x - here.x, there.y - here.y);
    }
    return sum / 4;
}

CapturedMotion fasterThan(const CapturedMotion& motion, double seconds)
{
    CapturedMotion fast = motion;
    // A sway of period T passes exp(-2 (pi s/T)^2) of its way: half of its power at s = T sqrt(ln 2)/(2 pi).
    const double deviation = std::sqrt(std::numbers::ln2) / (2 * std::numbers::pi) * motion.rate.frames(seconds);
    if (motion.frames.empty() || deviation < 1e-3) {
        for (CapturedFrame& frame : fast.frames)
            frame.moved = {};
        return fast;
    }
    std::array<std::vector<double>, 4> axes;
    for (const CapturedFrame& frame : motion.frames) {
        axes[0].push_back(frame.moved.x);
        axes[1].push_back(frame.moved.y);
        axes[2].push_back(frame.moved.roll);
        axes[3].push_back(std::log(frame.moved.zoom));
    }
    for (auto& axis : axes)
        axis = smoothed(axis, deviation);
    for (std::size_t i = 0; i < fast.frames.size(); ++i) {
        const Similarity slow{axes[0][i], axes[1][i], axes[2][i], std::exp(axes[3][i])};
        fast.frames[i].moved = motion.frames[i].moved.after(slow.inverse());
    }
    return fast;
}

std::size_t CapturedMotion::bridged() const
{
    return static_cast<std::size_t>(
        std::count_if(frames.begin(), frames.end(), [](const CapturedFrame& frame) { return frame.confidence == 0; }));
}

} // namespace ember
