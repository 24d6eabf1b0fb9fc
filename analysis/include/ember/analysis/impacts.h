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
    double confidence = 0;             ///< 0 to 1
    StrikeKind kind = StrikeKind::hit; ///< a rough guess: much light or debris a blast, a fall that stops a landing
    std::optional<double> direction;   ///< degrees, 0 right, 90 down: the way something came
    Spot place;
};

/// What flashes, bursts, or moves fast and stops dead, in order. A higher sensitivity finds all that a lower one does,
/// and more. Cuts are none.
std::vector<Impact> impactsOf(const PictureTrace& trace, const ImpactOptions& options);

} // namespace ember
