// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/impacts.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <string_view>

#include "impact_features.h"

namespace ember {

namespace {

/// Trained by `bench_proving train` on clips of photographs and on drawn films; see docs/finding.md.
constexpr const char* trainedText =
#include "impact_trees.inc"
    ;

const ImpactTrees& trainedTrees()
{
    static const ImpactTrees trees(trainedText);
    return trees;
}

constexpr double least = 0.35; ///< confidence that is enough at middling sensitivity
constexpr double leastOfAll = 0.03;
constexpr double leastAtNone = 0.85;

double logistic(double odds)
{
    return 1 / (1 + std::exp(-odds));
}

constexpr double clear = 0.6;     ///< share of what moves that goes one way
constexpr double little = 0.0003; ///< of `move`, all that moves
constexpr double fast = 0.8;      ///< hundredths of the height a frame

/// The way most of it came, in degrees. In the frame itself light may hide it: the four before tell, and where they do
/// not, what was followed to where it broke off.
std::optional<double> wayInto(const PictureTrace& trace, std::size_t at)
{
    double move = 0, x = 0, y = 0;
    for (std::size_t i = at < 4 ? 0 : at - 4; i < at; ++i) {
        move += static_cast<double>(trace.frames[i].move);
        x += static_cast<double>(trace.frames[i].moveX);
        y += static_cast<double>(trace.frames[i].moveY);
    }
    const MotionNow& motion = trace.frames[at].followed;
    if (move <= little || std::hypot(x, y) <= clear * move) {
        x = static_cast<double>(motion.goingX);
        y = static_cast<double>(motion.goingY);
        if (std::hypot(x, y) <= fast || motion.speedAfter > 0.7F * motion.speedBefore + 0.3F)
            return std::nullopt;
    }
    return std::atan2(y, x) * 180 / std::numbers::pi;
}

/// Where most happens, the way it came and how strong it is.
void describe(Impact& impact, const PictureTrace& trace, std::size_t at)
{
    const FrameChange& here = trace.frames[at];
    const MotionNow& motion = here.followed;
    const double light = 2 * static_cast<double>(here.flash);
    const double stopped = static_cast<double>(motion.brokenMost) / 4;
    const double born = 2 * static_cast<double>(motion.unexplainedMost);
    impact.strength = light + stopped + born + static_cast<double>(motion.cameraBroken) / 3;
    impact.direction = wayInto(trace, at);
    if (impact.kind == StrikeKind::blast || !impact.direction)
        impact.place = light > born ? here.flashPlace : motion.unexplainedPlace;
    else
        impact.place = here.stop > 0 ? here.stopPlace : motion.brokenPlace;
}

StrikeKind kindOf(const ImpactTrees& trees, const float* features)
{
    std::size_t best = 0;
    for (std::size_t i = 1; i < trees.kind.size(); ++i)
        if (trees.kind[i].oddsOf(features) > trees.kind[best].oddsOf(features))
            best = i;
    return ImpactTrees::kinds[best];
}

} // namespace

double confidenceAsked(double sensitivity)
{
    const auto odds = [](double p) { return std::log(p / (1 - p)); };
    const double s = std::clamp(sensitivity, 0.0, 1.0);
    const double from = odds(s < 0.5 ? leastAtNone : least), to = odds(s < 0.5 ? least : leastOfAll);
    return logistic(from + (to - from) * (s < 0.5 ? 2 * s : 2 * s - 1));
}

ImpactTrees::ImpactTrees(std::string_view text)
{
    std::vector<BoostedTrees> all = BoostedTrees::allIn(text);
    if (all.size() != 1 + kind.size())
        return;
    impact = std::move(all.front());
    std::move(all.begin() + 1, all.end(), kind.begin());
}

std::string ImpactTrees::text() const
{
    std::string out = impact.text();
    for (const BoostedTrees& trees : kind)
        out += trees.text();
    return out;
}

ImpactFinder ImpactTraining::finder(const ImpactTrees& trees, const PictureTrace& trace)
{
    const ImpactFeatures features(trace);
    ImpactFinder finder;
    for (std::size_t i = 1; i < features.frames(); ++i) {
        const double confidence = trace.frames[i].cut ? 0 : trees.impact.probabilityOf(features.of(i));
        if (confidence < leastOfAll)
            continue;
        Impact impact;
        impact.frame = trace.frames[i].frame;
        impact.confidence = confidence;
        impact.kind = kindOf(trees, features.of(i));
        describe(impact, trace, i);
        finder.judged_.push_back(impact);
    }
    std::stable_sort(finder.judged_.begin(), finder.judged_.end(),
                     [](const Impact& a, const Impact& b) { return a.confidence > b.confidence; });
    return finder;
}

ImpactFinder::ImpactFinder(const PictureTrace& trace) : ImpactFinder(ImpactTraining::finder(trainedTrees(), trace)) {}

std::vector<Impact> ImpactFinder::at(const ImpactOptions& options) const
{
    const double enough = confidenceAsked(options.sensitivity);
    std::vector<Impact> impacts;
    double strongest = 0;
    for (const Impact& one : judged_) {
        if (one.confidence < enough)
            break;
        if (std::any_of(impacts.begin(), impacts.end(),
                        [&](const Impact& other) { return std::abs(other.frame - one.frame) < options.spacing; }))
            continue;
        strongest = std::max(strongest, one.strength);
        impacts.push_back(one);
    }
    std::sort(impacts.begin(), impacts.end(), [](const Impact& a, const Impact& b) { return a.frame < b.frame; });
    for (Impact& impact : impacts)
        impact.strength = strongest > 0 ? std::clamp(std::pow(impact.strength / strongest, 0.6), 0.0, 1.0) : 0;
    return impacts;
}

std::vector<Impact> impactsOf(const PictureTrace& trace, const ImpactOptions& options)
{
    return ImpactFinder(trace).at(options);
}

} // namespace ember
