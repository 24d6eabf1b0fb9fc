// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <span>
#include <vector>

#include "ember/core/cover.h"
#include "ember/core/motion.h"

namespace ember {

/// How far the picture's lower right corner is from where it rests, in pixels, to the right and down: shifts, turns and
/// zoom all move it, and it passes smoothly through its rest.
struct Way {
    float x = 0;
    float y = 0;

    bool operator==(const Way&) const = default;
};
Way cornerWay(const Pose& pose, int width, int height);

/// What is known of every whole frame of a film while it is worked on: how far it moves and the cover it needs. After
/// an edit only the frames that it can have changed are asked for again, so that long films are as quick as short ones.
class Survey {
public:
    /// Takes a project as it is now. `motion` is this project's.
    void update(const Project& project, const Motion& motion);

    /// The same as coverOf(project, motion) of the last update.
    const Cover& cover() const { return cover_; }
    /// The same as neededCovers of it.
    const std::vector<double>& needed() const { return needed_; }
    /// cornerWay of every frame of the film.
    std::span<const Way> ways() const { return ways_; }
    /// How many frames the last update asked for.
    std::int64_t asked() const { return asked_; }

private:
    std::vector<FrameSpan> changedBy(const Project& project, const Motion& motion) const;

    std::optional<Project> project_;
    std::vector<StrikeSpan> spans_;
    std::vector<Way> ways_;
    std::vector<double> needed_;
    Cover cover_;
    std::int64_t asked_ = 0;
};

} // namespace ember
