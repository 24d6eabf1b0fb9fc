// SPDX-License-Identifier: GPL-3.0-or-later
// Strikes that are fired while one watches. Live time only adds strikes to a project; what they do is worked out by the
// same functions as for a film.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/motion.h"
#include "ember/core/phrase.h"
#include "ember/core/project.h"

namespace ember {

/// What became of a press.
enum class Fate {
    felt,     ///< as it is
    bent,     ///< together with others, held under the ceiling
    tookOver, ///< from what ran, by the rule
    hidden,   ///< under a stronger one, by the rule; it is felt if it outlasts that
    joined,   ///< one of its recipe is on this frame already; the stronger stays
    ignored   ///< not taken at all
};
/// "felt", "bent", "took over", "hidden", "joined", "ignored".
std::string_view fateName(Fate fate);

struct Outcome {
    Fate fate = Fate::felt;
    Phrase why;          ///< in words, empty where it is simply felt
    StrikeId id = 0;     ///< 0 where it was ignored
    double strength = 0; ///< as it arrives
    Frame felt = {};     ///< the frame of live time it arrives on
    double distance = 0; ///< metres; 0 without a place
};

/// A strike or a settle mark as it was taken, in frames of live time.
struct LiveEvents {
    std::vector<Strike> strikes;
    std::vector<SettleMark> settles;

    bool operator==(const LiveEvents&) const = default;
};

/// A bench that is struck. Live time is in frames of the project's rate from the bench's start and never goes back. It
/// holds no more strikes than can still be felt, and of each recipe one a frame.
class LiveBench {
public:
    /// Plays with the values of this project: recipes, overlap, groups, world, drift, master, finish, size, rate. Its
    /// strikes, settle marks, intensity keys and shots are not taken.
    explicit LiveBench(const Project& values);

    /// Values that were turned: what runs goes on with them. Strikes whose recipe is gone are over.
    void setValues(const Project& values);
    /// The frame of live time on which the film ends, for rumbles that last until then; of strikes from now on.
    void setFilmEnd(std::int64_t frame) { filmEnd_ = frame; }
    /// Ratio, 0 to 4; stays over changes of the values.
    void setIntensity(double ratio);
    double intensity() const { return project_.master.intensity; }

    /// Who strikes: what the film itself strikes is not recorded into it.
    enum class By { hand, film };
    /// Strikes now: on the frame that `now` is in, so that it is seen at once. `press` needs no frame and no id.
    Outcome strike(Strike press, FrameTime now, By by = By::hand);
    /// Everything is eased home over `frames` from the next frame on; 0 stops it at once.
    void settle(double frames, FrameTime now);
    /// The same for these strikes alone; those that are over are passed over.
    void settleOnly(const std::vector<StrikeId>& ids, double frames, FrameTime now);

    MotionSample at(FrameTime now) const { return motion().at(now); }
    /// The bench as a project, for whoever shows frames.
    const Project& project() const { return project_; }
    const Motion& motion() const;
    /// Strikes that are held because they can still be felt.
    std::size_t held() const { return project_.strikes.size(); }
    /// Nothing is left that could move the picture, drift aside.
    bool silent(FrameTime now);

    /// What is taken from now on is kept, `mostRecorded` strikes at most, until this is called again.
    void record();
    LiveEvents endRecording();
    static constexpr std::size_t mostRecorded = 100'000;
    static constexpr std::size_t mostOnAFrame = 8;

private:
    /// What is known of each strike, beside project_.strikes.
    struct Held {
        double start = 0; ///< frames from which to which it may move the picture
        double end = 0;
        double lightEnd = 0;    ///< frame until which it may light it
        bool untilNext = false; ///< it rumbles until the next one
        Envelope envelope = {};
    };

    void forgetWhatIsOver(FrameTime now);
    std::vector<bool> stillNeeded(FrameTime now) const;
    Held heldOf(const Strike& strike) const;
    void holdUntilFilmEnd(Strike& strike) const;
    void judge(Outcome& outcome, const Strike& strike, FrameTime now) const;
    void put(Strike felt, bool joins, std::size_t at);
    void changed() { motion_.reset(); }

    Project project_; ///< its strikes are as they are felt: their places are worked out
    std::optional<double> intensity_;
    std::int64_t filmEnd_;
    StrikeId nextId_ = 1;
    std::vector<Held> held_;
    std::optional<LiveEvents> recorded_;
    mutable std::optional<Motion> motion_;
};

/// The seed of the n-th press of a run: the same run has the same shakes.
std::uint32_t pressSeed(std::uint32_t run, std::uint64_t press);

} // namespace ember
