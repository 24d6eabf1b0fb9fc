// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <vector>

#include "boosted_trees.h"

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

} // namespace ember::proving
