// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <utility>
#include <vector>

#include <QPointF>

#include "ember/core/project.h"
#include "ember/project/edits.h"
#include "reel_geometry.h"

namespace ember::app {

/// What the hand does on the Reel from a press to a release, without a window. It holds identities and where things
/// stood when it began, never places in a list: the document may change while it lasts.
class ReelGesture {
public:
    enum class Kind { none, scrub, strikes, band, loop, pan, shot, lane, beat };

    Kind kind() const { return kind_; }
    QPointF pressed() const { return pressed_; }
    QPointF last() const { return last_; }
    /// Farther from the press than a click may be.
    bool moved() const { return moved_; }

    void begin(Kind kind, QPointF at);
    void beginStrikes(const Project& project, const StrikeIds& selected, StrikeId grabbed, QPointF at);
    void beginShot(const Project& project, const ShotGrip& grip, QPointF at);
    void beginBeat(std::int64_t beat, QPointF at);
    void moveTo(QPointF at);
    void end() { kind_ = Kind::none; }

    // --- strikes
    /// The project with the strikes where the hand wants them; those that are gone stay gone.
    Project withStrikesDragged(Project project, const ReelLayout& layout) const;
    /// The same with them where they stood.
    Project withStrikesBack(Project project) const;
    /// Where the grabbed one is in a project.
    std::int64_t grabbedFrame(const Project& project) const;

    // --- a beat
    std::int64_t beat() const { return beat_; }

    // --- a shot
    ShotId shot() const { return shot_; }
    ShotGrip::Part part() const { return part_; }
    /// Its place in the order; -1 once it is gone.
    std::ptrdiff_t shotIndex(const Project& project) const;
    /// The project as it is when the shot is let go here. The same when it is gone.
    Project withShotDropped(const Project& project, const ReelLayout& layout) const;

private:
    std::int64_t framesMoved(const ReelLayout& layout) const;
    Project withStrikesShifted(Project project, std::int64_t frames) const;

    Kind kind_ = Kind::none;
    QPointF pressed_;
    QPointF last_;
    bool moved_ = false;
    std::vector<std::pair<StrikeId, std::int64_t>> stood_; ///< where the dragged strikes were
    StrikeId grabbed_ = 0;
    std::int64_t beat_ = 0;
    ShotId shot_ = 0;
    ShotGrip::Part part_ = ShotGrip::Part::body;
};

} // namespace ember::app
