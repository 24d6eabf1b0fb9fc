// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/impacts.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "impact_features.h"

namespace ember {

namespace {

/// Trained by `bench_proving train` on clips of photographs and on drawn films; see docs/finding.md.
constexpr const char* trainedText =
#include "impact_trees.inc"
    ;

const StrikeTrees& trainedTrees()
{
    static const StrikeTrees trees(trainedText);
    return trees;
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

} // namespace

std::string_view evidenceName(Evidence::What what)
{
    constexpr std::array<std::string_view, 8> names{"rises", "above",   "light", "stops",
                                                    "turns", "appears", "jolt",  "tail"};
    return names[static_cast<std::size_t>(what)];
}

ImpactFinder ImpactTraining::finder(const StrikeTrees& trees, const PictureTrace& trace)
{
    const ImpactFeatures features(trace);
    ImpactFinder finder;
    for (std::size_t i = 1; i < features.frames(); ++i) {
        const double confidence = trace.frames[i].cut ? 0 : trees.event.probabilityOf(features.of(i));
        if (confidence < leastConfidence)
            continue;
        Impact impact;
        impact.frame = trace.frames[i].frame;
        impact.confidence = confidence;
        impact.kinds = trees.oddsOf(features.of(i));
        impact.kind = impact.kinds.likeliest();
        describe(impact, trace, i);
        impact.evidence = features.evidenceOf(trace, i);
        impact.looks = features.measuresOf(i);
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
