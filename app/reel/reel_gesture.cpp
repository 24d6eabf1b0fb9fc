// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_gesture.h"

#include <algorithm>
#include <cmath>

#include "ember/project/shot_edits.h"

namespace ember::app {

namespace {
constexpr double clickReach = 3; ///< pixels
} // namespace

void ReelGesture::begin(Kind kind, QPointF at)
{
    kind_ = kind;
    pressed_ = last_ = at;
    moved_ = false;
}

void ReelGesture::beginStrikes(const Project& project, const StrikeIds& selected, StrikeId grabbed, QPointF at)
{
    begin(Kind::strikes, at);
    grabbed_ = grabbed;
    stood_.clear();
    for (const StrikeId id : selected)
        if (const Strike* strike = project.strike(id))
            stood_.emplace_back(id, strike->frame.index);
}

void ReelGesture::beginShot(const Project& project, const ShotGrip& grip, QPointF at)
{
    begin(Kind::shot, at);
    shot_ = project.shots[grip.index].id;
    part_ = grip.part;
}

void ReelGesture::beginBeat(std::int64_t beat, QPointF at)
{
    begin(Kind::beat, at);
    beat_ = beat;
}

void ReelGesture::moveTo(QPointF at)
{
    moved_ = moved_ || (at - pressed_).manhattanLength() > clickReach;
    last_ = at;
}

std::int64_t ReelGesture::framesMoved(const ReelLayout& layout) const
{
    return std::llround((last_.x() - pressed_.x()) * layout.map.framesPerPixel());
}

Project ReelGesture::withStrikesShifted(Project project, std::int64_t frames) const
{
    // Together, and none over the film's ends.
    const std::int64_t end = std::max<std::int64_t>(0, project.length() - 1);
    for (const auto& [id, stood] : stood_)
        if (project.strike(id) != nullptr)
            frames = std::clamp(frames, std::min<std::int64_t>(0, -stood), std::max<std::int64_t>(0, end - stood));
    for (const auto& [id, stood] : stood_)
        if (Strike* strike = project.strike(id))
            strike->frame = Frame{stood + frames};
    project.sortStrikes();
    return project;
}

Project ReelGesture::withStrikesDragged(Project project, const ReelLayout& layout) const
{
    return withStrikesShifted(std::move(project), framesMoved(layout));
}

Project ReelGesture::withStrikesBack(Project project) const
{
    return withStrikesShifted(std::move(project), 0);
}

std::int64_t ReelGesture::grabbedFrame(const Project& project) const
{
    const Strike* strike = project.strike(grabbed_);
    return strike != nullptr ? strike->frame.index : 0;
}

std::ptrdiff_t ReelGesture::shotIndex(const Project& project) const
{
    const auto place = project.placeOfShot(shot_);
    return place ? static_cast<std::ptrdiff_t>(place->index) : -1;
}

Project ReelGesture::withShotDropped(const Project& project, const ReelLayout& layout) const
{
    const auto index = shotIndex(project);
    if (index < 0)
        return project;
    switch (part_) {
    case ShotGrip::Part::in: return withInTrimmed(project, shot_, framesMoved(layout));
    case ShotGrip::Part::out: return withOutTrimmed(project, shot_, framesMoved(layout));
    case ShotGrip::Part::body: break;
    }
    const std::size_t to = dropIndex(layout, project.shots, static_cast<std::size_t>(index), last_.x());
    return withShotMoved(project, shot_, to);
}

} // namespace ember::app
