// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <vector>

#include "ember/core/axes.h"
#include "ember/core/project.h"
#include "ember/core/time.h"

namespace ember {

class LightTrack;
class Stage;

/// The pose and how strongly it is felt at one instant.
struct MotionSample {
    Pose pose;
    double intensity = 0; ///< the strongest strike that is felt: its strength times its envelope, 0 upwards

    bool operator==(const MotionSample&) const = default;
};

struct FlashNow {
    Colour colour;
    double strength = 0;
    Blend blend = Blend::add;

    bool operator==(const FlashNow&) const = default;
};

struct ImpactNow {
    double strength = 0; ///< ratio, at most 1
    ImpactFrame::Look look = ImpactFrame::Look::contrast;
    double threshold = 0;
    double softness = 0;
    Colour dark;
    Colour light;

    bool operator==(const ImpactNow&) const = default;
};

struct RippleNow {
    double amount = 0; ///< pixels outwards at most
    double x = 0;      ///< ratio of the frame's size
    double y = 0;
    double radius = 0; ///< pixels, of the ring's middle
    double width = 0;

    bool operator==(const RippleNow&) const = default;
};

struct GrainNow {
    double amount = 0;
    double size = 1; ///< pixels
    bool colour = false;
    std::uint32_t seed = 0; ///< of this frame

    bool operator==(const GrainNow&) const = default;
};

/// What strikes do to the light of one frame. Lengths in pixels of the project's frame. Of several strikes the one that
/// does most counts, for each effect; flashes and ripples are all there, in the order of their strikes.
struct LightNow {
    double streakX = 0; ///< the whole streak, from end to end
    double streakY = 0;
    double radial = 0;        ///< at the frame's corner
    double radialCentreX = 0; ///< ratio of the frame's size
    double radialCentreY = 0;
    double fringeX = 0; ///< where red goes; blue goes the other way
    double fringeY = 0;
    double fringeOut = 0; ///< red outwards, at the frame's corner
    double exposure = 0;  ///< stops
    double defocus = 0;   ///< radius
    ImpactNow impact = {};
    GrainNow grain = {};
    std::vector<RippleNow> ripples = {}; ///< only those whose ring is within the frame
    std::vector<FlashNow> flashes = {};

    bool operator==(const LightNow&) const = default;
    bool none() const { return *this == LightNow{}; }
};

/// From where to where a strike moves the picture, in frames of the film: [start, end). Where a rule or a settle mark
/// ends it sooner, it does.
struct StrikeSpan {
    StrikeId id = 0;
    FrameTime start = 0;
    FrameTime peak = 0;
    FrameTime end = 0;
};

/// From where to where anything may move the picture at all, in whole frames: [first, last].
struct FrameSpan {
    std::int64_t first = 0;
    std::int64_t last = 0;
};

/// A project's motion, prepared for being asked at many instants. It is an immutable value: any number of threads may
/// ask in any order and get the same bits. An instant costs what the strikes running at it cost, not what all cost.
class Motion {
public:
    explicit Motion(const Project& project) : Motion(FeltProject(project)) {}
    ~Motion();
    Motion(Motion&&) noexcept;
    Motion& operator=(Motion&&) noexcept;

    MotionSample at(FrameTime time) const;
    Pose poseAt(FrameTime time) const { return at(time).pose; }
    double intensityAt(FrameTime time) const { return at(time).intensity; }

    /// What no axis goes beyond, without a sign, at any instant from `from` to `to`: a bound, not the largest value,
    /// which costs far less to know. Nothing where there is none: a shot's own move, a drift, a motion without limits.
    std::optional<AxisValues> mostWithin(FrameTime from, FrameTime to) const;
    /// The instants at which the frame at an instant is seen.
    OwnShot ownShot(FrameTime time) const { return {firsts_, time}; }

    /// What the effects of strikes do on the frame at `time`.
    LightNow lightAt(FrameTime time) const;
    /// The shutter's angle on the frame at `time`, in degrees: the film's, or the largest that a strike has for itself.
    double shutterAt(FrameTime time, double filmAngle) const;
    /// The largest angle any strike has for itself; 0 where none has.
    double mostShutter() const;

    /// Spans of all strikes that move anything, by start.
    const std::vector<StrikeSpan>& spans() const { return spans_; }
    /// The parts of [0, last] outside which every frame is at rest, in order and apart.
    std::vector<FrameSpan> moving(std::int64_t last) const;

private:
    explicit Motion(const FeltProject& felt);

    double framesPerSecond_;
    std::vector<std::unique_ptr<const Stage>> stages_; ///< one for each rule in use
    std::unique_ptr<const LightTrack> light_;
    std::vector<StrikeSpan> spans_;
    std::vector<std::int64_t> firsts_; ///< of the shots, and the film's end
    void addDrift(AxisValues& sum, FrameTime time) const;

    double farthestPivot_ = 0; ///< pixels from the frame's middle
    Drift drift_;
    Curve driftRate_;
    double driftEnd_ = 0; ///< the shot's length
    Master master_;
    /// A shot's own move, on the frames of its clip.
    struct ShotMove {
        double first; ///< frame of the film
        double in;
        double speed;
        std::vector<MoveKey> keys;
    };
    MoveKey moveAt(FrameTime time) const;
    std::vector<ShotMove> moves_; ///< none where no shot has keys
};

} // namespace ember
