// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstdint>
#include <utility>
#include <vector>

#include "strike_trees.h"

namespace ember::proving {

struct Example {
    const float* features = nullptr;
    bool positive = false;
};

struct Boosting {
    int trees = 250;
    int depth = 4;
    double rate = 0.07;   ///< of each tree's say that counts
    double rows = 0.7;    ///< share of the examples a tree is made of
    double columns = 0.3; ///< and of the features it may ask for
    int leastInLeaf = 12;
    double damping = 2; ///< of leaves: added to the second derivatives
    std::uint64_t seed = 1;
};

/// Trees for the logarithm of the odds, by gradient boosting with second derivatives and features in 64 steps
/// (T. Chen, C. Guestrin, 2016).
BoostedTrees boosted(const std::vector<Example>& examples, std::size_t features, const Boosting& how);

/// Trees for events and, of events, for each kind against the others by the first `kindFeatures`.
StrikeTrees boostedStrikes(const std::vector<Example>& events,
                           const std::array<std::vector<Example>, StrikeTrees::kinds.size()>& ofKinds,
                           std::size_t features, std::size_t kindFeatures, const Boosting& how);

/// The line through the logarithm of the odds that makes of confidences the share that is right (J. Platt, 1999), by
/// Newton's steps: its start and its slope.
std::pair<double, double> calibrated(const std::vector<std::pair<double, bool>>& told);

} // namespace ember::proving
