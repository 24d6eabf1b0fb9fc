// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/motion.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>

#include "light_track.h"
#include "stage.h"

namespace ember {

namespace {

constexpr double smallestZoom = 0.05;
constexpr double largestTurn = 60.0; // pan and tilt; beyond, the picture's plane nears the horizon

/// How much of the drift is felt: it rises and falls at the shot's ends where that is wished.
double driftLevel(const Drift& drift, double end, FrameTime time)
{
    const auto share = [](double frames, double length) {
        return length > 0 ? eased(Ease::smooth, std::clamp(frames / length, 0.0, 1.0)) : 1.0;
    };
    return share(time, drift.fadeIn) * share(end - time, drift.fadeOut);
}

} // namespace

Motion::Motion(const FeltProject& felt)
    : framesPerSecond_(felt->rate.perSecond()), drift_(felt->drift), driftRate_(felt->drift.rateKeys),
      driftEnd_(static_cast<double>(felt->length())), master_(felt->master)
{
    AxesOn axesOn{};
    for (const Axis axis : allAxes)
        axesOn[static_cast<std::size_t>(axis)] = master_.moves(axis);
    const Project& project = *felt;
    firsts_.push_back(0);
    for (const Shot& shot : project.shots) {
        moves_.push_back({static_cast<double>(firsts_.back()), shot.in, shot.speed, shot.move});
        firsts_.push_back(firsts_.back() + shot.length);
    }
    if (std::all_of(moves_.begin(), moves_.end(), [](const ShotMove& move) { return move.keys.empty(); }))
        moves_.clear();
    const auto take = [&](const std::string& group, const Overlap& overlap) {
        auto stage = std::make_unique<const Stage>(project, group, overlap, axesOn);
        if (stage->empty())
            return;
        farthestPivot_ = std::max(farthestPivot_, stage->farthestPivot());
        spans_.insert(spans_.end(), stage->spans().begin(), stage->spans().end());
        stages_.push_back(std::move(stage));
    };
    light_ = std::make_unique<const LightTrack>(project);
    take("", project.overlap);
    for (const StrikeGroup& group : project.groups)
        take(group.name, group.overlap);
    std::stable_sort(spans_.begin(), spans_.end(), [](const StrikeSpan& a, const StrikeSpan& b) {
        return a.start != b.start ? a.start < b.start : a.id < b.id;
    });
}

Motion::~Motion() = default;
Motion::Motion(Motion&&) noexcept = default;
Motion& Motion::operator=(Motion&&) noexcept = default;

MotionSample Motion::at(FrameTime time) const
{
    MotionSample sample;
    Felt felt;
    AxisValues& sum = felt.axes;
    double over = 1;
    if (!master_.bypass) {
        for (const auto& stage : stages_)
            stage->addTo(felt, sample.intensity, time);
        if (drift_.on)
            addDrift(sum, time);
        over = master_.intensityAt(time);
        sample.intensity *= over;
        for (const Axis axis : allAxes)
            sum[axis] = master_.moves(axis) ? sum[axis] * over : 0.0;
    }
    const MoveKey move = moveAt(time);
    double shiftX = 0;
    double shiftY = 0;
    if (felt.pivoted) { // the point lies in the picture, which the shot's own move has zoomed and rolled already
        Felt now;
        now.add(felt, over);
        now.axes = sum;
        const auto shift = now.middleMoves(std::max(smallestZoom / move.zoom - 1, sum[Axis::zoom]), sum[Axis::roll]) *
                           std::polar(move.zoom, move.roll * std::numbers::pi / 180);
        shiftX = shift.real();
        shiftY = shift.imag();
    }
    // Adding 0.0 turns a negative zero into a plain one, so that files never show "-0".
    Pose& pose = sample.pose;
    pose.x = move.x + sum[Axis::x] + shiftX + 0.0;
    pose.y = move.y + sum[Axis::y] + shiftY + 0.0;
    pose.zoom = std::max(smallestZoom, move.zoom * (1.0 + sum[Axis::zoom]));
    pose.roll = move.roll + sum[Axis::roll] + 0.0;
    pose.pan = std::clamp(sum[Axis::pan], -largestTurn, largestTurn) + 0.0;
    pose.tilt = std::clamp(sum[Axis::tilt], -largestTurn, largestTurn) + 0.0;
    return sample;
}

void Motion::addDrift(AxisValues& sum, FrameTime time) const
{
    double level = driftLevel(drift_, driftEnd_, time);
    if (!drift_.levelKeys.empty())
        level *= valueOfKeys(drift_.levelKeys, time);
    const bool filmed = !drift_.captured.motion.empty();
    double cycles = (driftRate_.empty() ? time * drift_.rate : driftRate_.integral(0, time)) / framesPerSecond_;
    Captured captured = drift_.captured;
    Noise noise = drift_.noise;
    if (drift_.loop && driftEnd_ > 0) { // as many whole rounds as come nearest
        const double all =
            (driftRate_.empty() ? driftEnd_ * drift_.rate : driftRate_.integral(0, driftEnd_)) / framesPerSecond_;
        noise.loop = std::max(1.0, std::round(all));
        cycles *= all > 0 ? noise.loop / all : 0;
        const double seconds = driftEnd_ / framesPerSecond_;
        const double rounds = seconds * captured.speed / std::max(1e-9, captured.motion.seconds());
        captured.speed *= filmed ? std::max(1.0, std::round(rounds)) / rounds : 1;
    }
    for (const Axis axis : allAxes) {
        if (drift_.amount[axis] == 0)
            continue;
        const double value =
            filmed ? driftValue(captured, time / framesPerSecond_, axis, drift_.seed)
                   : driftValue(noise, cycles, mixSeed(drift_.seed, static_cast<std::uint64_t>(axis) + 1));
        sum[axis] += level * drift_.amount[axis] * value;
    }
}

std::optional<AxisValues> Motion::mostWithin(FrameTime from, FrameTime to) const
{
    if (master_.bypass && moves_.empty())
        return AxisValues();
    if (!moves_.empty() || drift_.on)
        return std::nullopt;
    AxisValues most;
    for (const auto& stage : stages_)
        if (!stage->addMost(most, from, to))
            return std::nullopt;
    double over = master_.keys.empty() ? master_.intensity : 0;
    for (const IntensityKey& key : master_.keys)
        over = std::max(over, key.value);
    for (const Axis axis : allAxes)
        most[axis] = master_.moves(axis) ? most[axis] * over : 0.0;
    if (farthestPivot_ > 0) { // each of the three sums of Felt is at most |1 - z·e^iθ| times the farthest point
        const double turn = most[Axis::roll] * std::numbers::pi / 180;
        const double shift = 3 * farthestPivot_ * (most[Axis::zoom] + (1 + most[Axis::zoom]) * turn);
        most[Axis::x] += shift;
        most[Axis::y] += shift;
    }
    return most;
}

MoveKey Motion::moveAt(FrameTime time) const
{
    if (moves_.empty())
        return {};
    const auto after = std::upper_bound(moves_.begin() + 1, moves_.end(), time,
                                        [](FrameTime t, const ShotMove& move) { return t < move.first - 0.5; });
    const ShotMove& own = *(after - 1);
    return ember::moveAt(own.keys, own.in + (time - own.first) * own.speed);
}

LightNow Motion::lightAt(FrameTime time) const
{
    if (master_.bypass)
        return {};
    return light_->at(*this, time, master_.intensityAt(time));
}

double Motion::shutterAt(FrameTime time, double filmAngle) const
{
    return master_.bypass ? filmAngle : light_->shutterAt(time, filmAngle);
}

double Motion::mostShutter() const
{
    return light_->mostShutter();
}

std::vector<FrameSpan> Motion::moving(std::int64_t last) const
{
    if (!moves_.empty() || (drift_.on && !master_.bypass))
        return {{0, last}};
    std::vector<FrameSpan> found;
    for (const StrikeSpan& span : spans_) {
        const auto first = static_cast<std::int64_t>(std::ceil(std::max(span.start, 0.0)));
        const auto end = static_cast<std::int64_t>(std::ceil(std::min(span.end, static_cast<double>(last) + 1))) - 1;
        if (end < first)
            continue;
        if (!found.empty() && first <= found.back().last + 1)
            found.back().last = std::max(found.back().last, end);
        else
            found.push_back({first, end});
    }
    return found;
}

} // namespace ember
