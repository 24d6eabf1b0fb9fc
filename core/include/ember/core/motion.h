// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/project.h"
#include "ember/core/time.h"

namespace ember {

/// The pose and how strongly it is felt at one instant.
struct MotionSample {
    Pose pose;
    double intensity = 0; ///< the strongest running strike: its strength times its envelope, 0 upwards

    bool operator==(const MotionSample&) const = default;
};

/// From where to where a strike moves the picture, in frames of the film: [start, end).
struct StrikeSpan {
    StrikeId id = 0;
    FrameTime start = 0;
    FrameTime peak = 0;
    FrameTime end = 0;
};

/// A project's motion, prepared for being asked at many instants. It is an immutable value: any number of threads may
/// ask in any order and get the same bits. An instant costs what the strikes running at it cost, not what all cost.
class Motion {
public:
    explicit Motion(const Project& project);

    MotionSample at(FrameTime time) const;
    Pose poseAt(FrameTime time) const { return at(time).pose; }
    double intensityAt(FrameTime time) const { return at(time).intensity; }

    /// Spans of all strikes that move anything, by start.
    const std::vector<StrikeSpan>& spans() const { return spans_; }

private:
    /// One axis of one strand of one strike.
    struct Voice {
        Axis axis;
        double amount; ///< signed: strength, direction and first move are in it
        std::uint64_t seed;
    };
    struct RunningStrand {
        Source source;
        Rate rate;
        std::vector<Voice> voices;
    };
    struct RunningStrike {
        double strike; ///< its frame
        double strength;
        Envelope envelope;
        std::vector<RunningStrand> strands;
    };

    void prepare(const Project& project, const Strike& strike);
    double buildIndex(std::size_t node, std::size_t first, std::size_t last);
    template <typename Visit>
    void visitRunning(FrameTime time, std::size_t node, std::size_t first, std::size_t last, Visit&& visit) const;

    double framesPerSecond_;
    std::vector<RunningStrike> strikes_; ///< by start, like spans_
    std::vector<StrikeSpan> spans_;
    std::vector<double> latestEnd_; ///< a tree over spans_: the latest end below each node
};

/// A project with only this strike in it, everything else the same.
Project onlyStrike(const Project& project, StrikeId id);

} // namespace ember
