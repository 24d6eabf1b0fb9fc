// SPDX-License-Identifier: GPL-3.0-or-later
// A sum of small decision trees (J. Friedman: Greedy function approximation: a gradient boosting machine, 2001).
#pragma once

#include <cstdint>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace ember {

class BoostedTrees {
public:
    struct Node {
        std::int16_t feature = -1; ///< none: a leaf
        std::int16_t below = 0;    ///< the node for values up to `value`; the next one is for those above
        float value = 0;           ///< the limit; of a leaf what it adds
    };

    BoostedTrees() = default;
    /// Those of a text, one set after the other. What is not like text() ends it.
    static std::vector<BoostedTrees> allIn(std::string_view text);

    /// The sum of what all trees say: the logarithm of the odds.
    double oddsOf(const float* features) const;
    double probabilityOf(const float* features) const;

    /// Makes the odds `start + slope * odds`.
    void recalibrate(double start, double slope);
    void setStart(float start) { start_ = start; }
    void add(std::vector<Node> tree) { trees_.push_back(std::move(tree)); }
    std::string text() const;
    std::size_t size() const { return trees_.size(); }

private:
    float start_ = 0;
    std::vector<std::vector<Node>> trees_;
};

} // namespace ember
