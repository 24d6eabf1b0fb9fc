// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/impacts.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <span>

namespace ember {

namespace {

constexpr std::ptrdiff_t reach = 18;  ///< frames each way that tell what is usual around one
constexpr double spreads = 5;         ///< usual deviations that count as nothing
constexpr double plainFlash = 0.06;   ///< of full brightness, over a part of the picture
constexpr double plainBurst = 0.006;  ///< of full change, over all of the picture
constexpr double plainStop = 0.00008; ///< a thirtieth of the picture at a twentieth of its height a frame
constexpr double plainMove = 0.0003;
constexpr double sensitivityBase = 8; ///< how much less is enough from middling sensitivity to full

/// How far a value stands out of its neighbourhood: 1 is enough at middling sensitivity.
template <typename Read>
double standsOut(std::span<const FrameChange> frames, std::ptrdiff_t at, double plain, Read&& read)
{
    std::vector<double> around;
    for (std::ptrdiff_t i = std::max<std::ptrdiff_t>(0, at - reach); i <= std::min(at + reach, std::ssize(frames) - 1);
         ++i)
        if (!frames[static_cast<std::size_t>(i)].cut)
            around.push_back(read(i));
    if (around.empty())
        return 0;
    const auto middle = around.begin() + std::ssize(around) / 2;
    std::nth_element(around.begin(), middle, around.end());
    const double median = *middle;
    for (double& value : around)
        value = std::abs(value - median);
    std::nth_element(around.begin(), middle, around.end());
    return (read(at) - median) / (plain + spreads * *middle);
}

struct Judged {
    Impact impact;
    double score = 0;
};

class Judge {
public:
    explicit Judge(const PictureTrace& trace) : frames_(trace.frames) {}

    Judged judge(std::ptrdiff_t at) const
    {
        const FrameChange& here = change(at);
        Judged judged;
        judged.impact.frame = here.frame;
        if (here.cut)
            return judged;
        const double flash = standsOut(frames_, at, plainFlash, [&](std::ptrdiff_t i) { return flashAt(i); });
        const double burst = standsOut(frames_, at, plainBurst, [&](std::ptrdiff_t i) { return burstAt(i); });
        const double stop = standsOut(frames_, at, plainStop, [&](std::ptrdiff_t i) { return stopAt(i); });
        judged.score =
            std::max({flash, burst, stop}) + 0.3 * std::max(0.0, flash + burst + stop - std::max({flash, burst, stop}));
        judged.impact.strength = 2 * flashAt(at) + 400 * stopAt(at) + 20 * burstAt(at);
        judged.impact.place = stop > flash && stop > burst ? here.stopPlace
                              : flash > burst              ? here.flashPlace
                                                           : here.motionPlace;
        tellWay(judged.impact, at);
        tellKind(judged.impact, at, flash, burst, stop);
        return judged;
    }

private:
    const FrameChange& change(std::ptrdiff_t at) const
    {
        static const FrameChange none;
        return at >= 0 && at < std::ssize(frames_) ? frames_[static_cast<std::size_t>(at)] : none;
    }
    /// A light that goes on rising is one event, at its first frame.
    double flashAt(std::ptrdiff_t at) const
    {
        const auto flash = static_cast<double>(change(at).flash);
        return std::max(0.0, flash - static_cast<double>(std::max(change(at - 1).flash, change(at - 2).flash)));
    }
    /// Motion that sets in at once; what goes on from the first frame is none.
    double burstAt(std::ptrdiff_t at) const
    {
        constexpr std::ptrdiff_t before = 3; // frames
        float most = -1;
        for (std::ptrdiff_t i = std::max<std::ptrdiff_t>(1, at - before); i < at; ++i)
            most = std::max(most, change(i).motion);
        return most < 0 ? 0 : std::max(0.0, static_cast<double>(change(at).motion - 1.5f * most));
    }
    /// What stops was on its way before, the same way, and what moves as a whole has another way after.
    double stopAt(std::ptrdiff_t at) const
    {
        const FrameChange& here = change(at);
        if (here.stop <= 0)
            return 0;
        const FrameChange& next = change(at + 1);
        const FrameChange& before = change(at - 1).move > change(at - 2).move ? change(at - 1) : change(at - 2);
        const float moved = std::hypot(here.moveX, here.moveY) * std::hypot(before.moveX, before.moveY);
        const float alike = moved > 0 ? (here.moveX * before.moveX + here.moveY * before.moveY) / moved : 0;
        const float turned = std::min(1.f, std::hypot(next.moveX - here.moveX, next.moveY - here.moveY) / here.move);
        return static_cast<double>(here.stop * std::max(0.f, alike) * turned * turned *
                                   std::min(1.f, 3 * before.move / here.move));
    }

    /// Where it came from is told by the frames before: in the frame itself light hides it.
    void tellWay(Impact& impact, std::ptrdiff_t at) const
    {
        constexpr double clear = 0.6;
        double move = 0, x = 0, y = 0;
        for (std::ptrdiff_t i = at - 4; i < at; ++i) {
            move += static_cast<double>(change(i).move);
            x += static_cast<double>(change(i).moveX);
            y += static_cast<double>(change(i).moveY);
        }
        if (move > plainMove && std::hypot(x, y) > clear * move)
            impact.direction = std::atan2(y, x) * 180 / std::numbers::pi;
    }

    void tellKind(Impact& impact, std::ptrdiff_t at, double flash, double burst, double stop) const
    {
        // Debris flies on for a while.
        double after = 0;
        for (std::ptrdiff_t i = 2; i <= 8; ++i)
            after += static_cast<double>(change(at + i).motion) / 7;
        const bool down = impact.direction && std::abs(*impact.direction - 90) < 35;
        const auto light = static_cast<double>(change(at).flash);
        if (light > 0.5 || burst > 2 || (flash > 1 && after > 4 * plainBurst / 3 && !down))
            impact.kind = StrikeKind::blast;
        else if (down && stop > 0.3 && light < 0.3)
            impact.kind = StrikeKind::landing;
    }

    std::span<const FrameChange> frames_;
};

/// What flies about after a strong event is a part of it.
void forgetAftermath(std::vector<Judged>& judged)
{
    constexpr double share = 0.6;
    constexpr double fading = 14; // frames
    constexpr std::int64_t longest = 60;
    constexpr double counts = 0.1;
    std::vector<double> scores;
    for (const Judged& one : judged)
        scores.push_back(one.score);
    for (std::size_t i = 0; i < judged.size(); ++i)
        for (std::size_t k = i; k-- > 0 && judged[i].impact.frame - judged[k].impact.frame < longest;) {
            const double shade =
                share * std::exp(-static_cast<double>(judged[i].impact.frame - judged[k].impact.frame) / fading);
            if (scores[i] < shade * scores[k] || judged[i].impact.strength < shade * judged[k].impact.strength)
                judged[i].score = counts * scores[i];
        }
}

} // namespace

std::vector<Impact> impactsOf(const PictureTrace& trace, const ImpactOptions& options)
{
    const Judge judge(trace);
    std::vector<Judged> judged;
    const double all = 1 / sensitivityBase;
    for (std::ptrdiff_t i = 1; i < std::ssize(trace.frames); ++i)
        if (Judged one = judge.judge(i); one.score >= all)
            judged.push_back(std::move(one));
    forgetAftermath(judged);
    std::stable_sort(judged.begin(), judged.end(), [](const Judged& a, const Judged& b) { return a.score > b.score; });
    const double least = std::pow(sensitivityBase, 1 - 2 * std::clamp(options.sensitivity, 0.0, 1.0));
    std::vector<Impact> impacts;
    double strongest = 0;
    for (Judged& one : judged) {
        strongest = std::max(strongest, one.impact.strength);
        if (one.score < least)
            break;
        if (std::any_of(impacts.begin(), impacts.end(), [&](const Impact& other) {
                return std::abs(other.frame - one.impact.frame) < options.spacing;
            }))
            continue;
        one.impact.confidence = 1 - std::exp(-one.score / 2);
        impacts.push_back(std::move(one.impact));
    }
    std::sort(impacts.begin(), impacts.end(), [](const Impact& a, const Impact& b) { return a.frame < b.frame; });
    for (Impact& impact : impacts)
        impact.strength = std::clamp(std::pow(impact.strength / strongest, 0.6), 0.0, 1.0);
    return impacts;
}

} // namespace ember
