// SPDX-License-Identifier: GPL-3.0-or-later
#include "chapters.h"

#include <algorithm>

namespace ember {

std::vector<Chapter> chaptersOf(const Project& project, const ClipInfo& info, Frame first, Frame last)
{
    std::vector<Chapter> found;
    const double from = project.rate.seconds(static_cast<double>(first.index));
    const double to = project.rate.seconds(static_cast<double>(last.index + 1));
    for (std::size_t i = 0; i < project.shots.size(); ++i) {
        const Shot& shot = project.shots[i];
        if (shot.gap())
            continue;
        const ShotPlace place = project.placeOf(i);
        const double begin = project.rate.seconds(static_cast<double>(place.first));
        const double end = project.rate.seconds(static_cast<double>(place.end));
        const double in = project.rate.seconds(shot.in);
        for (Chapter chapter : i < info.shots.size() ? info.shots[i].chapters : info.chapters) {
            for (double* at : {&chapter.begin, &chapter.end})
                *at = std::clamp(begin + (*at - in) / shot.speed, std::max(begin, from),
                                 std::max(from, std::min(end, to))) -
                      from;
            if (chapter.end - chapter.begin < 0.5 / project.rate.perSecond()) // less than a frame
                continue;
            const bool goesOn = !found.empty() && found.back().title == chapter.title && !chapter.title.empty() &&
                                chapter.begin - found.back().end < 0.5 / project.rate.perSecond();
            if (goesOn)
                found.back().end = chapter.end;
            else
                found.push_back(std::move(chapter));
        }
    }
    return found;
}

} // namespace ember
