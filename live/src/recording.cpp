// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/live/recording.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace ember {

namespace {

std::int64_t quantised(const Project& project, std::int64_t frame, Quantise quantise)
{
    if (!project.beats || quantise == Quantise::frames)
        return frame;
    const BeatGrid grid = project.beats->finer(quantise == Quantise::beats       ? 1
                                               : quantise == Quantise::halfBeats ? 2
                                                                                 : 4);
    const double seconds = grid.at(grid.nearest(project.rate.seconds(static_cast<double>(frame))));
    return std::clamp<std::int64_t>(std::llround(project.rate.frames(seconds)), 0,
                                    std::max<std::int64_t>(0, project.length() - 1));
}

} // namespace

std::int64_t LiveLine::filmFrame(std::int64_t live) const
{
    const std::int64_t frame = start + live;
    const std::int64_t length = last - first + 1;
    return frame <= last || length <= 0 ? frame : first + (frame - first) % length;
}

RecordedIn withRecorded(Project project, const LiveEvents& events, const LiveLine& line, Quantise quantise)
{
    RecordedIn in;
    std::map<StrikeId, StrikeId> became;
    for (Strike strike : events.strikes) {
        strike.frame = Frame{quantised(project, line.filmFrame(strike.frame.index), quantise)};
        if (project.recipe(strike.recipe) == nullptr)
            continue;
        if (strike.frame.index >= project.length()) {
            ++in.past;
            continue;
        }
        const auto there = std::find_if(project.strikes.begin(), project.strikes.end(), [&](const Strike& s) {
            return s.frame == strike.frame && s.recipe == strike.recipe && s.place == strike.place;
        });
        const StrikeId live = strike.id;
        if (there == project.strikes.end()) {
            in.ids.push_back(became[live] = project.addStrike(std::move(strike)));
            continue;
        }
        became[live] = there->id;
        ++in.joined;
        if (strike.strength > there->strength) {
            there->strength = strike.strength;
            there->seed = strike.seed;
            there->direction = strike.direction;
        }
        in.ids.push_back(there->id);
    }
    for (SettleMark mark : events.settles) {
        mark.frame = Frame{line.filmFrame(mark.frame.index)};
        if (mark.frame.index >= project.length())
            continue;
        if (mark.strike != 0 && became[mark.strike] == 0)
            continue; // its strike is not in the film
        mark.strike = mark.strike != 0 ? became[mark.strike] : 0;
        std::erase_if(project.settles, [&](const SettleMark& m) { return inOnePlace(m, mark); });
        project.settles.push_back(mark);
    }
    std::stable_sort(project.settles.begin(), project.settles.end(),
                     [](const SettleMark& a, const SettleMark& b) { return a.frame < b.frame; });
    std::sort(in.ids.begin(), in.ids.end());
    in.ids.erase(std::unique(in.ids.begin(), in.ids.end()), in.ids.end());
    in.project = std::move(project);
    return in;
}

} // namespace ember
