// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/motion.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>

namespace ember {

namespace {

constexpr double smallestZoom = 0.05;
constexpr double largestTurn = 60.0; // pan and tilt; beyond, the picture's plane nears the horizon

double seededSign(std::uint64_t seed)
{
    return (seed & 1) != 0 ? 1.0 : -1.0;
}

/// Which way, and how much of its amount, an axis moves first. All strands of a strike start the same way, so that
/// their peaks add up and the largest excursion of the whole falls on the peak too. A kick goes along the strike's
/// direction with its whole body; other sources only start on that side. Zoom first pushes in (a negative amount pulls
/// out).
double firstMove(const Strand& strand, const Strike& strike, Axis axis)
{
    if (axis == Axis::zoom)
        return 1.0;
    const double bySeed = seededSign(mixSeed(strike.seed, 0x51, static_cast<std::uint64_t>(axis)));
    if (axis != Axis::x && axis != Axis::y)
        return bySeed;
    const double turn = strike.direction ? *strike.direction
                                         : 360.0 * static_cast<double>(mixSeed(strike.seed, 0xd1) >> 11) * 0x1.0p-53;
    // Whole quarter turns are exact: a landing has no sideways motion at all.
    const double quarter = std::remainder(turn, 360.0) / 90.0;
    double along =
        axis == Axis::x ? std::cos(quarter * std::numbers::pi / 2) : std::sin(quarter * std::numbers::pi / 2);
    if (quarter == std::floor(quarter))
        along = std::round(along);
    if (std::holds_alternative<Kick>(strand.source))
        return along;
    return along > 1e-9 ? 1.0 : along < -1e-9 ? -1.0 : bySeed;
}

} // namespace

Motion::Motion(const Project& project) : framesPerSecond_(project.rate.perSecond())
{
    for (const Strike& strike : project.strikes)
        prepare(project, strike);
    std::vector<std::size_t> order(strikes_.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
        return spans_[a].start != spans_[b].start ? spans_[a].start < spans_[b].start : spans_[a].id < spans_[b].id;
    });
    std::vector<RunningStrike> strikes;
    std::vector<StrikeSpan> spans;
    for (const auto i : order) {
        strikes.push_back(std::move(strikes_[i]));
        spans.push_back(spans_[i]);
    }
    strikes_ = std::move(strikes);
    spans_ = std::move(spans);
    if (!spans_.empty()) {
        latestEnd_.resize(4 * spans_.size());
        buildIndex(1, 0, spans_.size());
    }
}

void Motion::prepare(const Project& project, const Strike& strike)
{
    const Recipe* recipe = project.recipe(strike.recipe);
    if (recipe == nullptr || strike.strength == 0)
        return;
    RunningStrike running{static_cast<double>(strike.frame.index), strike.strength, envelopeOf(project, strike), {}};
    const bool anySolo =
        std::any_of(recipe->strands.begin(), recipe->strands.end(), [](const Strand& s) { return s.solo; });
    for (std::size_t i = 0; i < recipe->strands.size(); ++i) {
        const Strand& strand = recipe->strands[i];
        if (strand.muted || (anySolo && !strand.solo))
            continue;
        RunningStrand out{strand.source, strand.rate, {}};
        for (const Axis axis : allAxes) {
            const auto seed = mixSeed(strike.seed, i + 1, static_cast<std::uint64_t>(axis) + 1);
            const double amount = strand.amount[axis] * strike.strength * firstMove(strand, strike, axis);
            if (amount != 0)
                out.voices.push_back({axis, amount, seed});
        }
        if (!out.voices.empty())
            running.strands.push_back(std::move(out));
    }
    const Envelope& envelope = running.envelope;
    const double frame = running.strike;
    spans_.push_back({strike.id, frame + envelope.start(), frame + envelope.peak(), frame + envelope.end()});
    strikes_.push_back(std::move(running));
}

double Motion::buildIndex(std::size_t node, std::size_t first, std::size_t last)
{
    if (last - first == 1)
        return latestEnd_[node] = spans_[first].end;
    const std::size_t middle = (first + last) / 2;
    const double left = buildIndex(2 * node, first, middle);
    const double right = buildIndex(2 * node + 1, middle, last);
    return latestEnd_[node] = std::max(left, right);
}

template <typename Visit>
void Motion::visitRunning(FrameTime time, std::size_t node, std::size_t first, std::size_t last, Visit&& visit) const
{
    if (latestEnd_[node] <= time || spans_[first].start > time)
        return;
    if (last - first == 1) {
        visit(strikes_[first]);
        return;
    }
    const std::size_t middle = (first + last) / 2;
    visitRunning(time, 2 * node, first, middle, visit);
    visitRunning(time, 2 * node + 1, middle, last, visit);
}

MotionSample Motion::at(FrameTime time) const
{
    MotionSample sample;
    if (spans_.empty())
        return sample;
    AxisValues sum;
    visitRunning(time, 1, 0, spans_.size(), [&](const RunningStrike& strike) {
        const double since = time - strike.strike;
        const double level = ember::intensityAt(strike.envelope, since);
        if (level == 0)
            return;
        sample.intensity = std::max(sample.intensity, level * strike.strength);
        SourceMoment moment{since, strike.envelope.peak(), strike.envelope[EnvelopeField::hold], 0};
        for (const RunningStrand& strand : strike.strands) {
            const bool kick = std::holds_alternative<Kick>(strand.source);
            const double from = kick ? strike.envelope.holdEnd() : moment.peak;
            moment.cycles = cyclesSincePeak(strand.rate, since - from, framesPerSecond_);
            double shared = kick ? level * sourceValue(strand.source, moment, 0) : 0;
            for (const Voice& voice : strand.voices) {
                const double value = kick ? shared : level * sourceValue(strand.source, moment, voice.seed);
                sum[voice.axis] += voice.amount * value;
            }
        }
    });
    // Adding 0.0 turns a negative zero into a plain one, so that files never show "-0".
    Pose& pose = sample.pose;
    pose.x = sum[Axis::x] + 0.0;
    pose.y = sum[Axis::y] + 0.0;
    pose.zoom = std::max(smallestZoom, 1.0 + sum[Axis::zoom]);
    pose.roll = sum[Axis::roll] + 0.0;
    pose.pan = std::clamp(sum[Axis::pan], -largestTurn, largestTurn) + 0.0;
    pose.tilt = std::clamp(sum[Axis::tilt], -largestTurn, largestTurn) + 0.0;
    return sample;
}

Project onlyStrike(const Project& project, StrikeId id)
{
    Project alone = project;
    std::erase_if(alone.strikes, [id](const Strike& strike) { return strike.id != id; });
    return alone;
}

} // namespace ember
