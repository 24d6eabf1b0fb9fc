// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/motion_loop.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

#include "ember/core/source.h"

namespace ember {

namespace {

constexpr std::array<Axis, 4> filmedAxes{Axis::x, Axis::y, Axis::zoom, Axis::roll};
constexpr double blendSeconds = 1;
constexpr double violentShare = 0.6; ///< of the farthest excursion
constexpr int stepsBetween = 8;      ///< at which the largest excursion is looked for

double valueOf(const Similarity& moved, Axis axis)
{
    switch (axis) {
    case Axis::x: return moved.x;
    case Axis::y: return moved.y;
    case Axis::zoom: return moved.zoom - 1;
    case Axis::roll: return moved.roll;
    default: return 0;
    }
}

using Samples = std::vector<double>;

/// The frames of a loop on an axis: the last ones fade into those before the first.
Samples looped(const CapturedMotion& motion, Axis axis, std::size_t blend)
{
    const std::size_t length = motion.frames.size() - blend;
    Samples curve(length);
    for (std::size_t i = 0; i < length; ++i) {
        curve[i] = valueOf(motion.frames[i].moved, axis);
        if (i < blend) {
            const double share = eased(Ease::smooth, static_cast<double>(i) / static_cast<double>(blend));
            curve[i] = share * curve[i] + (1 - share) * valueOf(motion.frames[length + i].moved, axis);
        }
    }
    return curve;
}

/// The cubic through four values, between the second and the third.
template <typename Value>
double between(Value&& value, double place)
{
    const double below = std::floor(place);
    const double u = place - below;
    const auto first = static_cast<std::int64_t>(below);
    const double a = value(first - 1);
    const double b = value(first);
    const double c = value(first + 1);
    const double d = value(first + 2);
    return b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
}

/// The curve between its values, which go round.
double around(const Samples& curve, double place)
{
    const auto count = static_cast<std::int64_t>(curve.size());
    return between([&](std::int64_t i) { return curve[static_cast<std::size_t>(((i % count) + count) % count)]; },
                   place);
}

} // namespace

struct MotionLoop::Data {
    KeptMotion kept;
    double framesPerSecond = 24;
    std::array<Samples, axisCount> curves; ///< as shares of the largest; none for axes that stay at rest
    AxisValues largest;
    std::vector<double> violent; ///< seconds
    std::size_t length = 0;      ///< frames
};

MotionLoop::MotionLoop(KeptMotion kept)
{
    auto data = std::make_shared<Data>();
    const CapturedMotion& motion = kept.motion;
    data->framesPerSecond = motion.rate.perSecond();
    if (const std::size_t count = motion.frames.size(); count >= 2) {
        const auto second = static_cast<std::size_t>(std::lround(data->framesPerSecond * blendSeconds));
        const std::size_t blend = std::min(count / 4, second);
        data->length = count - blend;
        Samples far(data->length);
        for (const Axis axis : filmedAxes) {
            Samples curve = looped(motion, axis, blend);
            double largest = 0;
            for (std::size_t i = 0; i < data->length * stepsBetween; ++i)
                largest = std::max(largest, std::abs(around(curve, static_cast<double>(i) / stepsBetween)));
            if (largest == 0)
                continue;
            data->largest[axis] = largest;
            for (std::size_t i = 0; i < curve.size(); ++i) {
                curve[i] /= largest;
                far[i] += curve[i] * curve[i];
            }
            data->curves[static_cast<std::size_t>(axis)] = std::move(curve);
        }
        const double farthest = std::sqrt(*std::max_element(far.begin(), far.end()));
        for (std::size_t i = 0; i < far.size(); ++i) {
            const double before = far[(i + far.size() - 1) % far.size()];
            const double after = far[(i + 1) % far.size()];
            if (far[i] >= before && far[i] > after && std::sqrt(far[i]) >= violentShare * farthest)
                data->violent.push_back(motion.rate.seconds(static_cast<double>(i)));
        }
    }
    data->kept = std::move(kept);
    data_ = std::move(data);
}

const KeptMotion& MotionLoop::kept() const
{
    static const KeptMotion nothing;
    return data_ != nullptr ? data_->kept : nothing;
}

double MotionLoop::seconds() const
{
    return data_ != nullptr ? static_cast<double>(data_->length) / data_->framesPerSecond : 0;
}

AxisValues MotionLoop::largest() const
{
    return data_ != nullptr ? data_->largest : AxisValues();
}

double MotionLoop::at(Axis axis, double seconds) const
{
    if (data_ == nullptr)
        return 0;
    const Samples& curve = data_->curves[static_cast<std::size_t>(axis)];
    if (curve.empty())
        return 0;
    const double place = std::fmod(seconds * data_->framesPerSecond, static_cast<double>(data_->length));
    return std::clamp(around(curve, place), -1.0, 1.0); // a cubic may pass its largest sample by a hair
}

double MotionLoop::violentTime(std::uint64_t seed) const
{
    if (data_ == nullptr || data_->violent.empty())
        return 0;
    return data_
        ->violent[static_cast<std::size_t>(unitOf(mixSeed(seed, 0xca)) * static_cast<double>(data_->violent.size()))];
}

std::span<const double> MotionLoop::sharesOf(Axis axis) const
{
    if (data_ == nullptr)
        return {};
    return data_->curves[static_cast<std::size_t>(axis)];
}

std::span<const double> MotionLoop::violentTimes() const
{
    return data_ != nullptr ? std::span<const double>(data_->violent) : std::span<const double>();
}

AxisValues amountsAsFilmed(const MotionLoop& motion, int width)
{
    AxisValues amounts = motion.largest();
    const int filmed = motion.kept().motion.width;
    const double scale = filmed > 0 ? static_cast<double>(width) / filmed : 1;
    for (const Axis axis : {Axis::x, Axis::y})
        amounts[axis] *= scale;
    for (const Axis axis : allAxes)
        amounts[axis] = std::min(amounts[axis], amountLimit(axis));
    return amounts;
}

Similarity momentOf(const CapturedMotion& motion, double frame)
{
    Similarity moment;
    if (motion.frames.empty())
        return moment;
    const auto last = static_cast<std::int64_t>(motion.frames.size()) - 1;
    const double place = std::clamp(frame, 0.0, static_cast<double>(last));
    const auto on = [&](double Similarity::*part) {
        return between(
            [&](std::int64_t i) {
                return motion.frames[static_cast<std::size_t>(std::clamp<std::int64_t>(i, 0, last))].moved.*part;
            },
            place);
    };
    return {on(&Similarity::x), on(&Similarity::y), on(&Similarity::roll), on(&Similarity::zoom)};
}

CapturedMotion trimmed(const CapturedMotion& motion, std::size_t first, std::size_t last)
{
    CapturedMotion part{motion.width, motion.height, motion.rate, {}};
    if (first >= motion.frames.size())
        return part;
    const Similarity home = motion.frames[first].moved.inverse();
    for (std::size_t i = first; i <= last && i < motion.frames.size(); ++i)
        part.frames.push_back({motion.frames[i].moved.after(home), motion.frames[i].confidence});
    part.frames.front().moved = {}; // exactly
    return part;
}

CapturedMotion withoutMean(const CapturedMotion& motion)
{
    CapturedMotion centred = motion;
    Similarity mean{0, 0, 0, 0};
    for (const CapturedFrame& frame : motion.frames) {
        mean.x += frame.moved.x;
        mean.y += frame.moved.y;
        mean.roll += frame.moved.roll;
        mean.zoom += frame.moved.zoom;
    }
    const auto count = static_cast<double>(motion.frames.size());
    for (CapturedFrame& frame : centred.frames) {
        frame.moved.x -= mean.x / count;
        frame.moved.y -= mean.y / count;
        frame.moved.roll -= mean.roll / count;
        frame.moved.zoom += 1 - mean.zoom / count;
    }
    return centred;
}

CapturedMotion mirrored(const CapturedMotion& motion)
{
    CapturedMotion other = motion;
    for (CapturedFrame& frame : other.frames) {
        frame.moved.x = -frame.moved.x;
        frame.moved.roll = -frame.moved.roll;
    }
    return other;
}

} // namespace ember
