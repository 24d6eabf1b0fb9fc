// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string>
#include <string_view>

#include "boosted_trees.h"
#include "ember/analysis/impacts.h"

namespace ember {

/// What tells whether a moment is the beginning of an event, and of what kind it is then.
struct StrikeTrees {
    static constexpr auto kinds = KindOdds::kinds;

    BoostedTrees event;
    std::array<BoostedTrees, kinds.size()> kind;

    StrikeTrees() = default;
    /// Of text(); of another one they tell nothing.
    explicit StrikeTrees(std::string_view text);
    std::string text() const;

    /// The logarithm of the odds of each kind.
    KindOdds oddsOf(const float* features) const;
};

/// The confidence that is enough at a sensitivity of 0 to 1: 0.35 at the middle.
double confidenceAsked(double sensitivity);
/// Less is never told.
inline constexpr double leastConfidence = 0.03;

} // namespace ember
