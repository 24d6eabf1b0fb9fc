// SPDX-License-Identifier: GPL-3.0-or-later
#include "stage.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <numbers>
#include <numeric>

namespace ember {

namespace {

/// Frames in which one strike takes over from another. Never longer than the newer one's way to its peak, so that the
/// peak stays where and what it is.
constexpr double handover = 1.5;

/// Which way an axis moves first. All strands of a strike start the same way, so that their peaks add up and the
/// largest excursion of the whole falls on the peak too. Zoom first pushes in (a negative amount pulls out).
double firstSide(const Hit& hit, std::uint32_t seed, Axis axis)
{
    if (axis == Axis::zoom)
        return 1.0;
    const double along = axis == Axis::x ? hit.along[0] : axis == Axis::y ? hit.along[1] : 0.0;
    if (std::abs(along) > 1e-9)
        return along > 0 ? 1.0 : -1.0;
    return (mixSeed(seed, 0x51, static_cast<std::uint64_t>(axis)) & 1) != 0 ? 1.0 : -1.0;
}

/// Swings with limits of their own, or that are to be the same every time, go out on the side of the amount's sign.
bool sideIsFixed(const Source& source, Axis axis, bool hasDirection)
{
    if (const auto* drawn = std::get_if<Drawn>(&source))
        return drawn->asDrawn;
    const auto* swing = std::get_if<Oscillation>(&source);
    if (swing == nullptr)
        return false;
    const bool sideways = hasDirection && (axis == Axis::x || axis == Axis::y);
    return swing->back[static_cast<std::size_t>(axis)] != 1.0 || (swing->start == PhaseStart::fixed && !sideways);
}

bool worksOutRumble(const Recipe& recipe)
{
    const auto does = [](const Envelope& e) {
        return e.chosen<RumbleUntil>(EnvelopeField::rumbleUntil) != RumbleUntil::length;
    };
    return does(recipe.envelope) || std::any_of(recipe.strands.begin(), recipe.strands.end(),
                                                [&](const Strand& s) { return s.envelope && does(*s.envelope); });
}

/// What several strikes together are brought down by. Their sum bends from the knee on and never reaches the ceiling;
/// but together they are felt no less than the strongest of them alone.
double gainUnder(const Overlap& overlap, double total, double strongest)
{
    const double knee = overlap.knee * overlap.ceiling;
    if (total <= knee || total <= strongest)
        return 1.0;
    const double room = overlap.ceiling - knee;
    const double bent = room > 0 ? knee - room * std::expm1(-(total - knee) / room) : knee;
    return std::max(bent, strongest) / total;
}

/// Where a strand is in its run. A lead that builds up gets faster towards the strike as it later gets slower.
SourceMoment momentOf(const Score::Part& part, const Envelope& envelope, double since, double framesPerSecond)
{
    if (part.asDrawn)
        return {since, 0, since, 0, since / framesPerSecond, false};
    const bool builds = envelope.builds();
    const double onset = envelope.onset();
    if (builds && since >= onset - leadBreaksOff)
        since = std::max(since, onset);
    const double peak = envelope.peak();
    const double run = since - (part.kick ? envelope.holdEnd() : peak);
    if (!part.rateCurve.empty()) { // the phase is the integral of the rate
        const double gone = part.rateCurve.integral(peak, since);
        const double cycles = part.rateCurve.integral(since - run, since) / framesPerSecond;
        const double pace = gone / part.rate.peakHz;
        return {since - onset, envelope.attack(), pace, cycles, pace / framesPerSecond, builds};
    }
    const double way = builds && since < onset ? -1.0 : 1.0;
    const double pace = way * paceSincePeak(part.rate, way * (since - peak));
    const double cycles = way * cyclesSincePeak(part.rate, way * run, framesPerSecond);
    return {since - onset, envelope.attack(), pace, cycles, pace / framesPerSecond, builds};
}

/// What a source never goes beyond. Noise and jitter are scaled to 1, a damped blow only falls from it; cubics between
/// keys and between frames of a film may overshoot.
double mostOf(const Source& source)
{
    constexpr double unknown = std::numeric_limits<double>::infinity();
    if (const auto* swing = std::get_if<Oscillation>(&source)) {
        double most = 1;
        for (const double back : swing->back)
            most = std::max(most, std::abs(back));
        return most;
    }
    if (const auto* drawn = std::get_if<Drawn>(&source)) {
        double most = 1;
        for (const CurveKeys& keys : drawn->keys)
            most = std::max(most, mostOfKeys(keys));
        return most;
    }
    return std::holds_alternative<Captured>(source) ? unknown : 1.0;
}

/// The most of a blow from `since` frames after the strike on: a damped swing stays under e^(-ratio·angle) times its
/// amplitude (see Kick in source.cpp).
double mostOfKick(const Score::Part& part, const Envelope& envelope, double since, double framesPerSecond)
{
    const auto* kick = std::get_if<Kick>(&part.source);
    const double run = since - envelope.holdEnd();
    if (kick == nullptr || run <= 0 || !part.rateCurve.empty())
        return part.most;
    const double ratio = kick->damping / std::sqrt(1.0 - kick->damping * kick->damping);
    const double angle = 2 * std::numbers::pi * cyclesSincePeak(part.rate, run, framesPerSecond);
    return std::min(1.0, std::exp(-ratio * angle) * std::sqrt(1 + ratio * ratio));
}

/// The largest intensity from `from` to `to` frames from the strike: it rises to its peak and falls from the end of its
/// hold; what leads up to it swings and is not looked at closely.
double mostFelt(const Envelope& e, double from, double to)
{
    if (to < e.start() || from >= e.end())
        return 0.0;
    if (e.drawn())
        return e.most();
    if (from <= e.holdEnd() && to >= e.peak())
        return 1.0;
    if (from > e.holdEnd())
        return intensityAt(e, from);
    return from < e.onset() ? std::max(e[EnvelopeField::leadLevel], intensityAt(e, to)) : intensityAt(e, to);
}

double smooth(double u)
{
    return eased(Ease::smooth, std::clamp(u, 0.0, 1.0));
}

} // namespace

double settledTo(const Settling& settling, FrameTime time)
{
    if (time < settling.from)
        return 1.0;
    if (time >= settling.until || settling.frames <= 0)
        return 0.0;
    return 1.0 - smooth((time - settling.from) / settling.frames);
}

std::uint32_t seedOf(const Strike& strike, const Recipe& recipe)
{
    return recipe.variation == Variation::same ? recipe.seed : strike.seed;
}

double directionOf(const Strike& strike, std::uint32_t seed)
{
    return strike.direction ? *strike.direction : 360.0 * unitOf(mixSeed(seed, 0xd1));
}

double alongAxis(double degrees, Axis axis)
{
    const double quarter = std::remainder(degrees, 360.0) / 90.0;
    const double angle = quarter * std::numbers::pi / 2;
    const double along = axis == Axis::x ? std::cos(angle) : std::sin(angle);
    return quarter == std::floor(quarter) ? std::round(along) : along;
}

// --- what strikes of a recipe share ---

Score::Score(const Recipe& recipe, int width, int height)
    : envelope(recipe.envelope), start(envelope.start()), end(envelope.end())
{
    if (recipe.pivot.at != Pivot::At::middle && recipe.pivot.at != Pivot::At::place) {
        pivotX = (recipe.pivot.x - 0.5) * width;
        pivotY = (recipe.pivot.y - 0.5) * height;
        if (recipe.pivot.at == Pivot::At::followed) {
            const auto followed = [&](const char* key, int pixels) {
                CurveKeys keys = recipe.curves.of(key) != nullptr ? *recipe.curves.of(key) : CurveKeys();
                for (CurveKey& one : keys)
                    one.value -= 0.5;
                return Curve(scaledKeys(std::move(keys), 1, pixels));
            };
            pivotCurveX = followed("pivot_x", width);
            pivotCurveY = followed("pivot_y", height);
        }
        pivots = pivotX != 0 || pivotY != 0 || !pivotCurveX.empty() || !pivotCurveY.empty();
    }
    double largestKey = 0;
    const bool anySolo =
        std::any_of(recipe.strands.begin(), recipe.strands.end(), [](const Strand& s) { return s.solo; });
    for (const Strand& strand : recipe.strands) {
        if (strand.muted || (anySolo && !strand.solo))
            continue;
        Part part;
        part.source = strand.source;
        part.rate = strand.rate;
        part.intermittent = strand.intermittent;
        part.ownEnvelope = strand.envelope.has_value();
        part.envelope = strand.envelope.value_or(recipe.envelope);
        part.kick = std::holds_alternative<Kick>(strand.source);
        if (const auto* drawn = std::get_if<Drawn>(&strand.source))
            part.asDrawn = drawn->asDrawn;
        part.filmed = std::holds_alternative<Captured>(strand.source);
        part.salt = strand.salt;
        const std::string prefix = "strand." + strand.name + ".";
        if (const CurveKeys* keys = recipe.curves.of(prefix + "rate"); keys != nullptr && !part.asDrawn)
            part.rateCurve = Curve(*keys);
        AxisValues amounts = strand.amount;
        if (strand.line.mode != LineMode::off && !part.kick && !part.asDrawn && !part.filmed) {
            part.line = strand.line.mode;
            part.lineAlong = {alongAxis(strand.line.angle, Axis::x), alongAxis(strand.line.angle, Axis::y)};
            amounts[Axis::x] = amounts[Axis::y] = std::hypot(strand.amount[Axis::x], strand.amount[Axis::y]);
        }
        part.most = mostOf(strand.source);
        for (const Axis axis : allAxes) {
            const bool moves = axis == Axis::x || axis == Axis::y || axis == Axis::zoom;
            const double scale = moves ? recipe.position : recipe.rotation;
            const auto curveFor = [&](Axis of) {
                return part.asDrawn ? nullptr : recipe.curves.of(prefix + "amount." + std::string(axisName(of)));
            };
            const CurveKeys* keys = curveFor(axis);
            if (part.line != LineMode::off && (axis == Axis::x || axis == Axis::y)) // one length for both
                keys = curveFor(Axis::x) != nullptr ? curveFor(Axis::x) : curveFor(Axis::y);
            Voice voice{axis, amounts[axis] * scale};
            if (keys != nullptr && scale != 0) {
                voice.curve = static_cast<std::int8_t>(part.curves.size());
                part.curves.emplace_back(scaledKeys(*keys, 1, scale));
                voice.amount = mostOfKeys(part.curves.back().keys());
            }
            if (voice.amount != 0)
                part.voices[part.voiceCount++] = voice;
        }
        if (part.voiceCount == 0)
            continue;
        parts.push_back(std::move(part));
        if (!parts.back().asDrawn) {
            start = std::min(start, parts.back().envelope.start());
            end = std::max(end, parts.back().envelope.end());
        }
    }
    byHand = !parts.empty() && std::all_of(parts.begin(), parts.end(), [](const Part& p) { return p.asDrawn; });
    if (byHand) {
        start = std::numeric_limits<double>::infinity();
        end = -start;
    }
    for (Part& part : parts) {
        if (!part.asDrawn)
            continue;
        const auto& drawn = std::get<Drawn>(part.source);
        part.hand = {std::numeric_limits<double>::infinity(), -std::numeric_limits<double>::infinity()};
        for (std::size_t v = 0; v < part.voiceCount; ++v) {
            const CurveKeys& keys = drawn.keys[static_cast<std::size_t>(part.voices[v].axis)];
            const HandSpan span = handSpan(keys, drawn.home);
            if (span.end <= span.first)
                continue;
            part.hand = {std::min(part.hand.first, span.first), std::max(part.hand.end, span.end)};
            for (const CurveKey& key : keys)
                if (std::abs(key.value) > largestKey) {
                    largestKey = std::abs(key.value);
                    handPeak = key.frame;
                }
        }
        start = std::min(start, part.hand.first);
        end = std::max(end, part.hand.end);
    }
}

// --- what strikes do together ---

namespace {

/// z·e^iθ, exactly 1 at rest.
std::complex<double> zoomAndRoll(double zoom, double roll)
{
    return (1 + zoom) * std::polar(1.0, roll * std::numbers::pi / 180);
}

} // namespace

void Felt::add(double zoom, double roll, std::complex<double> point)
{
    if (zoom == 0 && roll == 0)
        return;
    const std::complex<double> moves = 1.0 - zoomAndRoll(zoom, roll);
    const double weight = std::abs(zoom) + std::abs(roll) * std::numbers::pi / 180;
    pivoted = pivoted || point != 0.0;
    turned += moves;
    shift += moves * point;
    points += weight * point;
    weights += weight;
}

void Felt::add(const Felt& other, double gain)
{
    for (const Axis axis : allAxes)
        axes[axis] += other.axes[axis] * gain;
    pivoted = pivoted || other.pivoted;
    shift += other.shift * gain;
    turned += other.turned * gain;
    points += other.points * gain;
    weights += other.weights * gain;
}

std::complex<double> Felt::middleMoves(double zoom, double roll) const
{
    if (!pivoted || weights == 0)
        return 0;
    return shift + ((1.0 - zoomAndRoll(zoom, roll)) - turned) * (points / weights);
}

// --- the index ---

SpanIndex::SpanIndex(const std::vector<Span>& spans)
{
    constexpr double shortestCell = 8; // frames
    std::map<int, std::vector<std::uint32_t>> sorted;
    for (std::uint32_t i = 0; i < spans.size(); ++i) {
        const double length = std::max(shortestCell, spans[i].end - spans[i].start);
        sorted[static_cast<int>(std::ceil(std::log2(length) / 2))].push_back(i); // rows four times apart
    }
    for (const auto& [power, members] : sorted) {
        double first = std::numeric_limits<double>::infinity();
        double last = -first;
        for (const auto i : members) {
            first = std::min(first, spans[i].start);
            last = std::max(last, spans[i].end);
        }
        // Few strikes over a long film do not need many cells.
        const double cell =
            std::max(std::exp2(2 * power), (last - first) / (4.0 * static_cast<double>(members.size()) + 16));
        Row row{first, 1.0 / cell, std::floor((last - first) / cell) + 1, offsets_.size()};
        std::vector<std::vector<std::uint32_t>> cells(static_cast<std::size_t>(row.cells));
        for (const auto i : members) {
            const auto from = static_cast<std::size_t>((spans[i].start - first) * row.perCell);
            const auto to = std::min(cells.size() - 1, static_cast<std::size_t>((spans[i].end - first) * row.perCell));
            for (auto c = from; c <= to; ++c)
                cells[c].push_back(i);
        }
        for (const auto& held : cells) {
            offsets_.push_back(static_cast<std::uint32_t>(entries_.size()));
            for (const auto i : held)
                entries_.push_back({spans[i], i});
        }
        offsets_.push_back(static_cast<std::uint32_t>(entries_.size()));
        rows_.push_back(row);
    }
}

// --- the strikes ---

Stage::Stage(const Project& project, const std::string& group, const Overlap& overlap, const AxesOn& axesOn)
    : framesPerSecond_(project.rate.perSecond()), overlap_(overlap), axesOn_(axesOn)
{
    std::map<RecipeId, std::uint32_t> shared;
    for (const Strike& strike : project.strikes) {
        const bool here = strike.group == group || (group.empty() && project.group(strike.group) == nullptr);
        const Recipe* recipe = project.recipe(strike.recipe);
        if (!here || recipe == nullptr || strike.strength == 0)
            continue;
        if (!strike.overrides.empty() || worksOutRumble(*recipe)) {
            scores_.emplace_back(recipeOf(project, strike), project.width, project.height);
            prepare(project, strike, static_cast<std::uint32_t>(scores_.size() - 1));
            continue;
        }
        const auto [known, fresh] = shared.try_emplace(recipe->id, static_cast<std::uint32_t>(scores_.size()));
        if (fresh)
            scores_.emplace_back(inPlayTime(*recipe), project.width, project.height);
        prepare(project, strike, known->second);
    }
    std::vector<std::size_t> order(hits_.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
        return spans_[a].start != spans_[b].start ? spans_[a].start < spans_[b].start : spans_[a].id < spans_[b].id;
    });
    std::vector<Hit> hits;
    std::vector<StrikeSpan> spans;
    std::vector<SpanIndex::Span> bare;
    for (const auto i : order) {
        hits.push_back(hits_[i]);
        spans.push_back(spans_[i]);
        bare.push_back({spans_[i].start, spans_[i].end});
    }
    hits_ = std::move(hits);
    spans_ = std::move(spans);
    index_ = SpanIndex(bare);
}

void Stage::prepare(const Project& project, const Strike& strike, std::uint32_t score)
{
    const Recipe& recipe = *project.recipe(strike.recipe);
    const Score& shared = scores_[score];
    Hit hit;
    hit.frame = static_cast<double>(strike.frame.index);
    hit.strength = strike.strength;
    hit.score = score;
    hit.seed = seedOf(strike, recipe);
    const double turn = directionOf(strike, hit.seed);
    hit.along[0] = alongAxis(turn, Axis::x);
    hit.along[1] = alongAxis(turn, Axis::y);
    for (const Axis axis : allAxes)
        hit.side[static_cast<std::size_t>(axis)] = static_cast<std::int8_t>(firstSide(hit, hit.seed, axis));
    hit.hasDirection = strike.direction.has_value();
    const Settling settling = settlingOf(project, strike);
    hit.settle = settling.from;
    hit.settleFrames = settling.frames;
    StrikeSpan span{strike.id, hit.frame + shared.start, hit.frame + shared.peak(),
                    std::min({hit.frame + shared.end, hit.settle + hit.settleFrames, settling.until})};
    // A mark on the way into a strike takes its lead away, not the strike.
    for (const SettleMark& mark : project.settles)
        if (mark.ends(strike) && mark.frame <= strike.frame && static_cast<double>(mark.frame.index) > span.start)
            hit.lead = false;
    if (!hit.lead)
        span.start = hit.frame + std::min(shared.byHand ? shared.start : shared.envelope.onset(), 0.0);
    if (span.end <= span.start)
        return;
    spans_.push_back(span);
    hits_.push_back(hit);
}

namespace {

/// How strongly a motion by hand is felt: the largest share of its amounts that any axis is away from rest.
double handLevel(const Score::Part& part, double since)
{
    if (since < part.hand.first || since >= part.hand.end)
        return 0;
    const auto& drawn = std::get<Drawn>(part.source);
    double level = 0;
    for (std::size_t v = 0; v < part.voiceCount; ++v)
        level = std::max(
            level, std::abs(handValue(drawn.keys[static_cast<std::size_t>(part.voices[v].axis)], drawn.home, since)));
    return level;
}

} // namespace

double Stage::levelOf(const Hit& hit, FrameTime time) const
{
    const Score& score = scores_[hit.score];
    const double since = time - hit.frame;
    double level = score.byHand ? 0.0 : ember::intensityAt(score.envelope, since);
    for (const Score::Part& part : score.parts)
        if (part.asDrawn)
            level = std::max(level, handLevel(part, since));
        else if (part.ownEnvelope)
            level = std::max(level, ember::intensityAt(part.envelope, since));
    return level * hit.strength * settledTo(hit.settling(), time);
}

double Stage::addHit(Felt& sum, const Hit& hit, FrameTime time, double share) const
{
    const Score& score = scores_[hit.score];
    const double since = time - hit.frame;
    const double scale = hit.strength * settledTo(hit.settling(), time);
    const auto levelIn = [&](const Envelope& e) {
        return hit.lead || since >= e.onset() ? ember::intensityAt(e, since) : 0.0;
    };
    const double level = score.byHand ? 0.0 : levelIn(score.envelope);
    double strongest = level;
    double zooms = 0;
    double rolls = 0;
    for (const Score::Part& part : score.parts) {
        const Envelope& envelope = part.ownEnvelope ? part.envelope : score.envelope;
        double felt = part.asDrawn ? 1.0 : part.ownEnvelope ? levelIn(envelope) : level;
        if (felt == 0 || (part.asDrawn && !(since >= part.hand.first && since < part.hand.end)))
            continue;
        if (!part.asDrawn)
            strongest = std::max(strongest, felt);
        const SourceMoment moment = momentOf(part, envelope, since, framesPerSecond_);
        if (part.intermittent.mode != IntermittentMode::off)
            felt *= gateAt(part.intermittent, since - (part.asDrawn ? 0.0 : envelope.peak()),
                           mixSeed(hit.seed, static_cast<std::uint64_t>(part.salt), 0xb5));
        felt *= scale * share;
        const double blow = part.kick ? sourceValue(part.source, moment, Axis::x, 0) : 0.0;
        for (std::size_t v = 0; v < part.voiceCount; ++v) {
            const Axis axis = part.voices[v].axis;
            const auto a = static_cast<std::size_t>(axis);
            // A kick goes along the direction with its whole body; the others only start on that side.
            double side = hit.side[a];
            if (part.kick && a < 2)
                side = hit.along[a];
            else if (part.line != LineMode::off && a < 2)
                side = part.line == LineMode::set ? part.lineAlong[a] : hit.along[a];
            else if (sideIsFixed(part.source, axis, hit.hasDirection))
                side = 1.0;
            // The axes of a real camera belong together, and x and y on a line; all others are apart.
            const bool lined = part.line != LineMode::off && a < 2;
            const double value = part.kick ? blow
                                           : sourceValue(part.source, moment, lined ? Axis::x : axis,
                                                         mixSeed(hit.seed, static_cast<std::uint64_t>(part.salt),
                                                                 part.filmed ? 0
                                                                 : lined     ? 1
                                                                             : a + 1));
            if (part.asDrawn)
                strongest = std::max(strongest, std::abs(value));
            const double amount = part.voices[v].curve < 0
                                      ? part.voices[v].amount
                                      : part.curves[static_cast<std::size_t>(part.voices[v].curve)].at(since);
            const double moves = amount * side * felt * value;
            sum.axes[axis] += moves;
            if (axis == Axis::zoom)
                zooms += moves;
            else if (axis == Axis::roll)
                rolls += moves;
        }
    }
    const std::complex<double> point =
        score.pivots ? std::complex(score.pivotCurveX.empty() ? score.pivotX : score.pivotCurveX.at(since),
                                    score.pivotCurveY.empty() ? score.pivotY : score.pivotCurveY.at(since))
                     : std::complex<double>();
    sum.add(axesOn_[static_cast<std::size_t>(Axis::zoom)] ? zooms : 0.0,
            axesOn_[static_cast<std::size_t>(Axis::roll)] ? rolls : 0.0, point);
    return strongest * scale * share;
}

bool Stage::addMost(AxisValues& most, FrameTime from, FrameTime to) const
{
    // Whatever the rule, no strike that runs is felt with more than all of itself.
    bool known = true;
    const auto take = [&](std::size_t i) {
        const Hit& hit = hits_[i];
        const Score& score = scores_[hit.score];
        const double level = mostFelt(score.envelope, from - hit.frame, to - hit.frame);
        for (const Score::Part& part : score.parts) {
            const double own = part.ownEnvelope ? mostFelt(part.envelope, from - hit.frame, to - hit.frame) : level;
            const bool handRuns = from - hit.frame < part.hand.end && to - hit.frame >= part.hand.first;
            const double felt = part.asDrawn ? (handRuns ? 1.0 : 0.0) : own;
            if (felt == 0)
                continue;
            known = known && std::isfinite(part.most);
            const Envelope& envelope = part.ownEnvelope ? part.envelope : score.envelope;
            const double reach = part.kick ? mostOfKick(part, envelope, from - hit.frame, framesPerSecond_) : part.most;
            for (std::size_t v = 0; v < part.voiceCount; ++v) {
                const Axis axis = part.voices[v].axis;
                const auto a = static_cast<std::size_t>(axis);
                const double side = part.kick && a < 2 ? std::abs(hit.along[a]) : 1.0;
                most[axis] += std::abs(part.voices[v].amount) * side * felt * hit.strength * reach;
            }
        }
    };
    index_.at(from, [&](std::uint32_t i) { take(i); });
    auto next = std::upper_bound(spans_.begin(), spans_.end(), from,
                                 [](FrameTime t, const StrikeSpan& span) { return t < span.start; });
    for (; next != spans_.end() && next->start <= to; ++next)
        take(static_cast<std::size_t>(next - spans_.begin()));
    return known;
}

double Stage::farthestPivot() const
{
    double farthest = 0;
    for (const Score& score : scores_) {
        if (!score.pivots)
            continue;
        const auto most = [](const Curve& curve, double still) {
            return curve.empty() ? std::abs(still) : mostOfKeys(curve.keys());
        };
        farthest = std::max(farthest,
                            std::hypot(most(score.pivotCurveX, score.pivotX), most(score.pivotCurveY, score.pivotY)));
    }
    return farthest;
}

void Stage::addAll(Felt& sum, double& intensity, FrameTime time) const
{
    Felt together;
    double total = 0;
    double strongest = 0;
    index_.at(time, [&](std::uint32_t i) {
        const double level = addHit(together, hits_[i], time, 1.0);
        total += level;
        strongest = std::max(strongest, level);
    });
    sum.add(together, gainUnder(overlap_, total, strongest));
    intensity = std::max(intensity, strongest);
}

std::int64_t Stage::strongestAt(FrameTime time) const
{
    std::int64_t found = -1;
    double most = 0;
    index_.at(time, [&](std::uint32_t i) {
        const double level = levelOf(hits_[i], time);
        if (level > most || (level == most && level > 0 && static_cast<std::int64_t>(i) > found)) {
            most = level;
            found = i;
        }
    });
    return found;
}

void Stage::addStronger(Felt& sum, double& intensity, FrameTime time) const
{
    const std::int64_t holder = strongestAt(time);
    if (holder < 0)
        return;
    double share = 1.0;
    std::int64_t before = strongestAt(time - handover);
    if (before >= 0 && before != holder) {
        double from = time - handover;
        double to = time;
        for (int i = 0; i < 30; ++i) { // when it took over
            const double middle = 0.5 * (from + to);
            (strongestAt(middle) == holder ? to : from) = middle;
        }
        before = strongestAt(from);
        const double peak = spans_[static_cast<std::size_t>(holder)].peak;
        // Taken over at the peak, it is there at once; later on, when it only outlasts the other, it is eased in.
        const double length = to <= peak + 1e-6 ? std::min(handover, std::max(0.0, peak - to)) : handover;
        if (before >= 0 && time - to < length - 1e-6)
            share = smooth((time - to) / length);
    }
    double felt = addWithin(sum, static_cast<std::size_t>(holder), time, share);
    if (share < 1.0)
        felt += addWithin(sum, static_cast<std::size_t>(before), time, 1.0 - share);
    intensity = std::max(intensity, felt);
}

void Stage::addNewest(Felt& sum, double& intensity, FrameTime time) const
{
    const auto after = std::upper_bound(spans_.begin(), spans_.end(), time,
                                        [](FrameTime t, const StrikeSpan& span) { return t < span.start; });
    if (after == spans_.begin())
        return;
    const auto newest = static_cast<std::size_t>(after - spans_.begin()) - 1;
    const StrikeSpan& span = spans_[newest];
    const double length = std::min(handover, span.peak - span.start);
    const double share = length > 0 ? smooth((time - span.start) / length) : 1.0;
    double felt = addWithin(sum, newest, time, share);
    const auto older = std::lower_bound(spans_.begin(), spans_.end(), span.start,
                                        [](const StrikeSpan& s, FrameTime t) { return s.start < t; });
    if (share < 1.0 && older != spans_.begin())
        felt += addWithin(sum, static_cast<std::size_t>(older - spans_.begin()) - 1, time, 1.0 - share);
    intensity = std::max(intensity, felt);
}

void Stage::addTo(Felt& sum, double& intensity, FrameTime time) const
{
    switch (overlap_.rule) {
    case OverlapRule::add: addAll(sum, intensity, time); break;
    case OverlapRule::stronger: addStronger(sum, intensity, time); break;
    case OverlapRule::restart: addNewest(sum, intensity, time); break;
    }
}

} // namespace ember
