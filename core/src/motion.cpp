// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/motion.h"

#include <algorithm>
#include <cmath>

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
    : framesPerSecond_(felt->rate.perSecond()), drift_(felt->drift), driftEnd_(static_cast<double>(felt->length())),
      master_(felt->master)
{
    const Project& project = *felt;
    firsts_.push_back(0);
    for (const Shot& shot : project.shots) {
        moves_.push_back({static_cast<double>(firsts_.back()), shot.in, shot.speed, shot.move});
        firsts_.push_back(firsts_.back() + shot.length);
    }
    if (std::all_of(moves_.begin(), moves_.end(), [](const ShotMove& move) { return move.keys.empty(); }))
        moves_.clear();
    const auto take = [&](const std::string& group, const Overlap& overlap) {
        auto stage = std::make_unique<const Stage>(project, group, overlap);
        if (stage->empty())
            return;
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
    AxisValues sum;
    if (!master_.bypass) {
        for (const auto& stage : stages_)
            stage->addTo(sum, sample.intensity, time);
        if (drift_.on) {
            const double level = driftLevel(drift_, driftEnd_, time);
            const double cycles = time * drift_.rate / framesPerSecond_;
            const bool filmed = !drift_.captured.motion.empty();
            for (const Axis axis : allAxes) {
                if (drift_.amount[axis] == 0)
                    continue;
                const double value = filmed ? driftValue(drift_.captured, time / framesPerSecond_, axis, drift_.seed)
                                            : driftValue(drift_.noise, cycles,
                                                         mixSeed(drift_.seed, static_cast<std::uint64_t>(axis) + 1));
                sum[axis] += level * drift_.amount[axis] * value;
            }
        }
        const double over = master_.intensityAt(time);
        sample.intensity *= over;
        for (const Axis axis : allAxes)
            sum[axis] = master_.moves(axis) ? sum[axis] * over : 0.0;
    }
    const MoveKey move = moveAt(time);
    // Adding 0.0 turns a negative zero into a plain one, so that files never show "-0".
    Pose& pose = sample.pose;
    pose.x = move.x + sum[Axis::x] + 0.0;
    pose.y = move.y + sum[Axis::y] + 0.0;
    pose.zoom = std::max(smallestZoom, move.zoom * (1.0 + sum[Axis::zoom]));
    pose.roll = move.roll + sum[Axis::roll] + 0.0;
    pose.pan = std::clamp(sum[Axis::pan], -largestTurn, largestTurn) + 0.0;
    pose.tilt = std::clamp(sum[Axis::tilt], -largestTurn, largestTurn) + 0.0;
    return sample;
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
