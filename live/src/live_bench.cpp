// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/live/live_bench.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

#include "ember/core/source.h"
#include "ember/core/values.h"

namespace ember {

namespace {

constexpr std::int64_t longestRun = 100'000'000;
/// Further than a handover reaches back, in frames.
constexpr double margin = 4;
constexpr std::array<std::string_view, 6> fateNames{"felt", "bent", "took over", "hidden", "joined", "ignored"};

std::string percent(double ratio)
{
    return std::to_string(std::lround(100 * ratio)) + " %";
}

Outcome ignoredBecause(Phrase why)
{
    return {Fate::ignored, std::move(why)};
}

/// Until when the light of a strike goes on, in frames from it; 0 where it lights nothing.
double endOfLight(const Effects& effects, const Envelope& envelope)
{
    double end = 0;
    for (const EffectPart& part : effectParts()) {
        if (part.amountIn(effects) == 0)
            continue;
        const Course& course = part.courseIn(effects);
        end = std::max(end, course.by == Course::By::envelope ? envelope.end()
                                                              : envelope.peak() + course.hold + course.fall + 1);
    }
    return end;
}

bool lastsUntil(const Envelope& envelope, RumbleUntil until)
{
    return envelope.chosen<RumbleUntil>(EnvelopeField::rumbleUntil) == until && envelope[EnvelopeField::rumble] > 0;
}

template <typename Test>
bool anyEnvelope(const Recipe& recipe, Test&& test)
{
    return test(recipe.envelope) || std::any_of(recipe.strands.begin(), recipe.strands.end(),
                                                [&](const Strand& s) { return s.envelope && test(*s.envelope); });
}

} // namespace

std::string_view fateName(Fate fate)
{
    return fateNames[static_cast<std::size_t>(fate)];
}

std::uint32_t pressSeed(std::uint32_t run, std::uint64_t press)
{
    return static_cast<std::uint32_t>(mixSeed(run, press, 0x9ad) % 99'999 + 1);
}

LiveBench::LiveBench(const Project& values) : filmEnd_(longestRun)
{
    setValues(values);
}

void LiveBench::setValues(const Project& values)
{
    Project next = values;
    next.strikes = std::move(project_.strikes);
    next.settles = std::move(project_.settles);
    next.master.keys.clear();
    next.shots.clear();
    next.layers.clear();
    next.addShot(Shot{"", longestRun});
    next.world.camera.clear();
    if (!values.world.camera.empty()) // the camera's keys are on the film's frames
        next.world.camera = {values.world.camera.front()};
    if (intensity_)
        next.master.intensity = *intensity_;
    std::erase_if(next.strikes, [&](const Strike& s) { return next.recipe(s.recipe) == nullptr; });
    project_ = std::move(next);
    held_.clear();
    for (const Strike& strike : project_.strikes)
        held_.push_back(heldOf(strike));
    changed();
}

void LiveBench::setIntensity(double ratio)
{
    intensity_ = std::clamp(ratio, 0.0, mostIntensity);
    project_.master.intensity = *intensity_;
    changed();
}

const Motion& LiveBench::motion() const
{
    if (!motion_)
        motion_.emplace(project_);
    return *motion_;
}

LiveBench::Held LiveBench::heldOf(const Strike& strike) const
{
    const Recipe recipe = recipeOf(project_, strike);
    double start = std::min(0.0, recipe.envelope.start());
    double end = recipe.envelope.end();
    for (const Strand& strand : recipe.strands)
        if (strand.envelope) {
            start = std::min(start, strand.envelope->start());
            end = std::max(end, strand.envelope->end());
        }
    const Settling settling = settlingOf(project_, strike);
    const double settled = std::min(settling.from + settling.frames, settling.until);
    const auto frame = static_cast<double>(strike.frame.index);
    const double light = endOfLight(recipe.effects, recipe.envelope);
    return {frame + start, std::min(frame + end, settled), std::min(frame + light, settled + 1),
            anyEnvelope(withOverrides(*project_.recipe(strike.recipe), strike.overrides),
                        [](const Envelope& e) { return lastsUntil(e, RumbleUntil::nextStrike); }),
            recipe.envelope};
}

/// A rumble that lasts to the film's end is given its length, since the bench itself has no end.
void LiveBench::holdUntilFilmEnd(Strike& strike) const
{
    const Recipe recipe = withOverrides(*project_.recipe(strike.recipe), strike.overrides);
    const auto left = static_cast<double>(filmEnd_ - strike.frame.index);
    const auto hold = [&](const Envelope& envelope, const std::string& prefix) {
        if (!lastsUntil(envelope, RumbleUntil::shotEnd))
            return;
        strike.overrides.set(prefix + "rumble_until", static_cast<double>(RumbleUntil::length));
        strike.overrides.set(prefix + "rumble_length",
                             clampTo(specOf(EnvelopeField::rumbleLength), left - envelope.decayEnd()));
        strike.overrides.set(prefix + "release", 0);
    };
    hold(recipe.envelope, "envelope.");
    for (const Strand& strand : recipe.strands)
        if (strand.envelope)
            hold(*strand.envelope, "strand." + strand.name + ".envelope.");
}

/// Which strikes can still change what is seen: those that are felt, and those by which the rules end others.
std::vector<bool> LiveBench::stillNeeded(FrameTime now) const
{
    const auto& strikes = project_.strikes;
    // When strikes that end each other begin, by their group.
    std::map<std::string_view, std::vector<double>> begins;
    const auto endEachOther = [&](const Strike& strike) {
        const StrikeGroup* group = project_.groups.empty() ? nullptr : project_.group(strike.group);
        return (group != nullptr ? group->overlap : project_.overlap).rule == OverlapRule::restart;
    };
    for (std::size_t i = 0; i < strikes.size(); ++i)
        if (endEachOther(strikes[i]))
            begins[strikes[i].group].push_back(held_[i].start);
    for (auto& [group, starts] : begins)
        std::sort(starts.begin(), starts.end());
    std::vector<bool> needed(strikes.size());
    std::optional<Frame> rumbling; // one that is felt yet and rumbles until what comes after this frame
    std::map<std::string_view, bool> kept;
    for (std::size_t i = 0; i < strikes.size(); ++i) {
        const auto own = begins.find(strikes[i].group);
        double end = held_[i].end;
        if (own != begins.end()) // the next one ends it
            if (const auto next = std::upper_bound(own->second.begin(), own->second.end(), held_[i].start);
                next != own->second.end())
                end = std::min(end, *next);
        const bool felt = std::max(end, held_[i].lightEnd) + margin >= now;
        needed[i] = felt;
        if (rumbling && strikes[i].frame > *rumbling) {
            needed[i] = true;
            rumbling.reset();
        }
        if (felt && held_[i].untilNext)
            rumbling = strikes[i].frame;
        if (own != begins.end()) {
            bool& any = kept[own->first];
            needed[i] = any = needed[i] || any;
        }
    }
    return needed;
}

void LiveBench::forgetWhatIsOver(FrameTime now)
{
    const std::vector<bool> needed = stillNeeded(now);
    if (std::find(needed.begin(), needed.end(), false) != needed.end()) {
        std::size_t kept = 0;
        for (std::size_t i = 0; i < needed.size(); ++i)
            if (needed[i]) {
                if (kept != i)
                    project_.strikes[kept] = std::move(project_.strikes[i]);
                held_[kept++] = held_[i];
            }
        project_.strikes.resize(kept);
        held_.resize(kept);
        changed();
    }
    // A mark ends what came before it; without that it ends nothing.
    if (std::erase_if(project_.settles, [&](const SettleMark& mark) {
            return project_.strikes.empty() || project_.strikes.front().frame >= mark.frame ||
                   (mark.strike != 0 && project_.strike(mark.strike) == nullptr);
        }) > 0)
        changed();
}

Outcome LiveBench::strike(Strike press, FrameTime now, By by)
{
    press.frame = Frame{static_cast<std::int64_t>(std::floor(now))};
    press.onCut = false;
    if (project_.recipe(press.recipe) == nullptr)
        return ignoredBecause("its recipe is gone");
    if (project_.master.bypass)
        return ignoredBecause("all shakes of the film are bypassed");
    if (!inRange(strikefield::strength, press.strength))
        return ignoredBecause("its strength is not between 0 and 400 %");
    if (press.strength == 0)
        return ignoredBecause("its strength is 0");
    if (project_.group(press.group) == nullptr)
        press.group.clear();
    const ArrivalOf arrival = arrivalOf(project_, press);
    if (arrival.share == 0)
        return ignoredBecause({"it is {} m away, beyond the cut-off", std::lround(arrival.distance)});
    forgetWhatIsOver(now);
    Strike felt = feltStrike(project_, press);
    const auto& strikes = project_.strikes;
    const auto first = std::lower_bound(strikes.begin(), strikes.end(), felt.frame,
                                        [](const Strike& s, Frame frame) { return s.frame < frame; });
    const auto last = std::find_if(first, strikes.end(), [&](const Strike& s) { return s.frame != felt.frame; });
    const auto same = std::find_if(first, last, [&](const Strike& s) { return s.recipe == felt.recipe; });
    const bool joins = same != last;
    if (!joins && last - first >= static_cast<std::ptrdiff_t>(mostOnAFrame))
        return ignoredBecause({"{} strike on this frame already", mostOnAFrame});
    felt.id = joins ? same->id : nextId_++;
    Outcome outcome{Fate::felt, "", felt.id, felt.strength, felt.frame, arrival.distance};
    judge(outcome, felt, now);
    if (joins) {
        outcome.fate = Fate::joined;
        outcome.why = "one of its recipe is on this frame, and the stronger stays";
        if (felt.strength <= same->strength)
            return outcome;
    }
    press.id = felt.id;
    if (recorded_ && by == By::hand) {
        std::erase_if(recorded_->strikes, [&](const Strike& s) { return s.id == press.id; });
        if (recorded_->strikes.size() < mostRecorded)
            recorded_->strikes.push_back(std::move(press));
    }
    holdUntilFilmEnd(felt);
    put(std::move(felt), joins, static_cast<std::size_t>((joins ? same : last) - strikes.begin()));
    return outcome;
}

void LiveBench::put(Strike felt, bool joins, std::size_t at)
{
    auto& strikes = project_.strikes;
    const auto place = static_cast<std::ptrdiff_t>(at);
    if (joins) {
        strikes[at] = std::move(felt);
    } else {
        strikes.insert(strikes.begin() + place, std::move(felt));
        held_.insert(held_.begin() + place, Held{});
    }
    held_[at] = heldOf(strikes[at]);
    // Those that rumbled until the next strike end here now.
    for (std::size_t i = 0; i < strikes.size() && !joins; ++i)
        if (held_[i].untilNext && i != at)
            held_[i] = heldOf(strikes[i]);
    changed();
}

void LiveBench::judge(Outcome& outcome, const Strike& strike, FrameTime now) const
{
    const StrikeGroup* group = project_.group(strike.group);
    const Overlap& overlap = group != nullptr ? group->overlap : project_.overlap;
    const double peak = static_cast<double>(strike.frame.index) + envelopeOf(project_, strike).peak();
    double total = strike.strength;
    double strongest = 0;
    bool runs = false;
    for (std::size_t i = 0; i < project_.strikes.size(); ++i) {
        const Strike& other = project_.strikes[i];
        const Envelope& envelope = held_[i].envelope;
        if (other.id == strike.id || other.group != strike.group)
            continue;
        const auto since = static_cast<double>(other.frame.index);
        const double then = other.strength * intensityAt(envelope, peak - since);
        total += then;
        strongest = std::max(strongest, then);
        runs = runs || other.strength * intensityAt(envelope, now - since) > 0;
    }
    switch (overlap.rule) {
    case OverlapRule::add:
        if (total > overlap.knee * overlap.ceiling && total > std::max(strongest, strike.strength)) {
            outcome.fate = Fate::bent;
            outcome.why = {"together {}, held under the ceiling of {}", percent(total), percent(overlap.ceiling)};
        }
        break;
    case OverlapRule::stronger:
        if (strongest > strike.strength) {
            outcome.fate = Fate::hidden;
            outcome.why = {"one of {} still runs, and the stronger is felt", percent(strongest)};
        } else if (runs) {
            outcome.fate = Fate::tookOver;
            outcome.why = "stronger than what ran";
        }
        break;
    case OverlapRule::restart:
        if (runs) {
            outcome.fate = Fate::tookOver;
            outcome.why = "the newest is felt";
        }
        break;
    }
}

void LiveBench::settle(double frames, FrameTime now)
{
    const Frame next{static_cast<std::int64_t>(std::floor(now)) + 1};
    const double length = clampTo(settlefield::frames, frames);
    const SettleMark mark{next, length > 0 ? SettleMode::ease : SettleMode::cut, length};
    if (recorded_) {
        std::erase_if(recorded_->settles, [&](const SettleMark& m) { return m.frame == next; });
        if (recorded_->settles.size() < mostRecorded)
            recorded_->settles.push_back(mark);
    }
    if (mark.mode == SettleMode::cut) { // at once; on whole frames it is as the mark has it
        if (recorded_)                  // what was still on its way does not come any more
            std::erase_if(recorded_->strikes, [&](const Strike& strike) {
                return std::any_of(project_.strikes.begin(), project_.strikes.end(),
                                   [&](const Strike& s) { return s.id == strike.id && s.frame >= next; });
            });
        project_.strikes.clear();
        project_.settles.clear();
        held_.clear();
    } else if (!project_.strikes.empty()) {
        std::erase_if(project_.settles, [&](const SettleMark& m) { return m.frame == next; });
        project_.settles.push_back(mark);
        for (std::size_t i = 0; i < held_.size(); ++i)
            held_[i] = heldOf(project_.strikes[i]);
    }
    changed();
}

void LiveBench::settleOnly(const std::vector<StrikeId>& ids, double frames, FrameTime now)
{
    const Frame next{static_cast<std::int64_t>(std::floor(now)) + 1};
    const double length = clampTo(settlefield::frames, frames);
    for (const StrikeId id : ids) {
        if (project_.strike(id) == nullptr)
            continue;
        const SettleMark mark{next, length > 0 ? SettleMode::ease : SettleMode::cut, length, {}, id};
        const auto take = [&](std::vector<SettleMark>& marks) {
            std::erase_if(marks, [&](const SettleMark& m) { return inOnePlace(m, mark); });
            if (marks.size() < mostRecorded)
                marks.push_back(mark);
        };
        take(project_.settles);
        if (recorded_)
            take(recorded_->settles);
    }
    for (std::size_t i = 0; i < held_.size(); ++i)
        held_[i] = heldOf(project_.strikes[i]);
    changed();
}

bool LiveBench::silent(FrameTime now)
{
    forgetWhatIsOver(now);
    return project_.strikes.empty();
}

void LiveBench::record()
{
    recorded_.emplace();
}

LiveEvents LiveBench::endRecording()
{
    LiveEvents events = recorded_ ? std::move(*recorded_) : LiveEvents();
    recorded_.reset();
    return events;
}

} // namespace ember
