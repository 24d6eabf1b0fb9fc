// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/timing_edits.h"

#include <algorithm>
#include <cmath>

#include "ember/core/source.h"
#include "ember/core/values.h"

namespace ember {

namespace {

/// The strikes that are there, in the order of their frames.
StrikeIds inOrder(const Project& project, const StrikeIds& ids)
{
    StrikeIds found;
    for (const Strike& strike : project.strikes)
        if (std::find(ids.begin(), ids.end(), strike.id) != ids.end())
            found.push_back(strike.id);
    return found;
}

} // namespace

Project withStrikesSpread(Project project, const StrikeIds& ids)
{
    const StrikeIds ordered = inOrder(project, ids);
    if (ordered.size() < 3)
        return project;
    const Frame first = project.strike(ordered.front())->frame;
    const auto whole = static_cast<double>(project.strike(ordered.back())->frame - first);
    for (std::size_t i = 1; i + 1 < ordered.size(); ++i)
        project.strike(ordered[i])->frame =
            first + std::llround(whole * static_cast<double>(i) / static_cast<double>(ordered.size() - 1));
    project.sortStrikes();
    return project;
}

Project withFallingStrengths(Project project, const StrikeIds& ids, double ratio)
{
    double strength = -1;
    for (const StrikeId id : inOrder(project, ids)) {
        Strike& strike = *project.strike(id);
        strength = strength < 0 ? strike.strength : clampTo(strikefield::strength, strength * ratio);
        strike.strength = strength;
    }
    return project;
}

Project withScattered(Project project, const StrikeIds& ids, Scattered what, double range, std::uint32_t round)
{
    constexpr std::uint64_t salt = 0x5ca77e2edULL;
    return withStrikesChanged(std::move(project), ids, [&](Strike& strike) {
        const std::uint64_t bits = mixSeed(strike.seed, salt + round, static_cast<std::uint64_t>(what));
        const double share = 2 * std::ldexp(static_cast<double>(bits >> 11U), -53) - 1; // -1 to 1
        if (what == Scattered::strength)
            strike.strength = clampTo(strikefield::strength, strike.strength * (1 + range * share));
        else if (strike.direction)
            strike.direction = std::fmod(*strike.direction + range * share + 720, 360);
    });
}

StrikesPulled withStrikesPulled(Project project, const StrikeIds& ids, std::span<const double> seconds, double within)
{
    StrikesPulled pulled;
    const std::int64_t last = std::max<std::int64_t>(0, project.length() - 1);
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        if (strike == nullptr)
            continue;
        const double here = project.rate.seconds(static_cast<double>(strike->frame.index));
        const auto after = std::lower_bound(seconds.begin(), seconds.end(), here);
        double best = -1;
        for (const auto it : {after, after == seconds.begin() ? after : after - 1})
            if (it != seconds.end() && (best < 0 || std::abs(*it - here) < std::abs(best - here)))
                best = *it;
        const auto frame = std::clamp<std::int64_t>(std::llround(project.rate.frames(best)), 0, last);
        if (best < 0 || std::abs(project.rate.frames(best - here)) > within + 0.5) {
            ++pulled.far;
        } else if (frame != strike->frame.index) {
            strike->frame = Frame{frame};
            ++pulled.moved;
        }
    }
    project.sortStrikes();
    pulled.project = std::move(project);
    return pulled;
}

} // namespace ember
