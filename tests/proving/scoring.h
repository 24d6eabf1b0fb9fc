// SPDX-License-Identifier: GPL-3.0-or-later
// What was proposed held against what is known.
#pragma once

#include <array>
#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "ember/core/project.h"
#include "ember/core/time.h"

namespace ember::proving {

struct KnownEvent {
    std::int64_t frame = 0;
    StrikeKind kind = StrikeKind::hit;
    std::optional<double> direction;
    double strength = 0;
};

/// A clip on disk and what is known of it.
struct KnownClip {
    std::string path;
    std::string kind;
    bool trap = false;
    FrameRate rate;
    std::int64_t frames = 0;
    std::vector<KnownEvent> events;
    struct Change {
        std::string kind; ///< "cut", "dissolve", "fade"
        std::int64_t frame = 0;
        std::int64_t length = 0;
    };
    std::vector<Change> changes;
    std::array<std::int64_t, 3> within{0, 1, 2}; ///< how many frames off is still right
    std::vector<std::int64_t> open;              ///< what is told there is neither right nor wrong
    double bpm = 0;                              ///< of music; 0: none
    double firstBeat = 0;                        ///< seconds
    std::vector<double> beats;                   ///< seconds, of music whose tempo changes
};

/// Truth lies beside a clip, as lines of text.
void writeTruth(const KnownClip& clip);
/// All clips of a folder, by name.
std::vector<KnownClip> clipsIn(const std::string& folder);

struct Proposed {
    std::int64_t frame = 0;
    double confidence = 0;
    double strength = 0;
    StrikeKind kind = StrikeKind::hit;
    std::optional<double> direction;
};

/// Of one kind of scene, or of all.
struct Score {
    std::array<int, 3> right{}; ///< within the clip's three tolerances
    int known = 0;
    int proposed = 0;
    int kindRight = 0;                     ///< of those within a frame
    int ways = 0, waysRight = 0;           ///< directions that are known and told; within 30 degrees
    int pairs = 0, pairsRight = 0;         ///< strengths of two events in order
    int strongest = 0, strongestRight = 0; ///< of the strongest of a clip, as many as there are events
    double minutes = 0;
    std::vector<std::pair<double, bool>> told; ///< confidence, and whether it was right within a frame

    void add(const KnownClip& clip, const std::vector<Proposed>& proposed);
    void add(const Score& other);
    double precision(int within) const;
    double recall(int within) const;
    /// Harmonic mean of both.
    double f(int within) const;
    double falseAMinute() const;
    /// Mean square of confidence less what came of it (G. W. Brier, 1950).
    double brier() const;
    /// Share that was right, of those told with a confidence in each tenth; -1 where there are none.
    std::array<double, 10> reliability() const;
};

/// One line for each kind and one for all.
std::string tableOf(const std::map<std::string, Score>& scores);

} // namespace ember::proving
