// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "ember/analysis/picture_trace.h"
#include "ember/core/project.h"

namespace ember {

struct ImpactOptions {
    double sensitivity = 0.5; ///< 0 only what stands out most, 1 everything that changes at once
    std::int64_t spacing = 6; ///< frames; of two that are closer the clearer one stays
};

/// A sudden event that is seen.
struct Impact {
    Frame frame;                       ///< the first that shows it
    double strength = 0;               ///< against the strongest, 0 to 1
    double confidence = 0;             ///< 0 to 1: of those told so, the share that is right
    StrikeKind kind = StrikeKind::hit; ///< a rough guess: much light or debris a blast, a fall that stops a landing
    std::optional<double> direction;   ///< degrees, 0 right, 90 down: the way something came
    Spot place;
};

/// The confidence that is enough at a sensitivity.
double confidenceAsked(double sensitivity);

/// All that may be an impact in a film, judged once, so that every sensitivity is answered at once: what trained trees
/// tell of how everything moves, of what no motion explains, and of the camera's own jolts. Cuts are none.
class ImpactFinder {
public:
    explicit ImpactFinder(const PictureTrace& trace);

    /// In order. A higher sensitivity finds all that a lower one does, and more.
    std::vector<Impact> at(const ImpactOptions& options) const;

private:
    friend class ImpactTraining;
    ImpactFinder() = default;

    std::vector<Impact> judged_; ///< the surest first; strengths not yet against others
};

/// The impacts of a film that is asked once.
std::vector<Impact> impactsOf(const PictureTrace& trace, const ImpactOptions& options);

} // namespace ember
