// SPDX-License-Identifier: GPL-3.0-or-later
#include "strike_trees.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace ember {

StrikeTrees::StrikeTrees(std::string_view text)
{
    std::vector<BoostedTrees> all = BoostedTrees::allIn(text);
    if (all.size() != 1 + kind.size())
        return;
    event = std::move(all.front());
    std::move(all.begin() + 1, all.end(), kind.begin());
}

std::string StrikeTrees::text() const
{
    std::string out = event.text();
    for (const BoostedTrees& trees : kind)
        out += trees.text();
    return out;
}

KindOdds StrikeTrees::oddsOf(const float* features) const
{
    KindOdds odds;
    for (std::size_t i = 0; i < kind.size(); ++i)
        odds.odds[i] = kind[i].oddsOf(features);
    return odds;
}

StrikeKind KindOdds::likeliest() const
{
    return kinds[static_cast<std::size_t>(std::max_element(odds.begin(), odds.end()) - odds.begin())];
}

KindOdds KindOdds::operator+(const KindOdds& other) const
{
    KindOdds sum = *this;
    for (std::size_t i = 0; i < odds.size(); ++i)
        sum.odds[i] += other.odds[i];
    return sum;
}

KindOdds KindOdds::times(double weight) const
{
    KindOdds product = *this;
    for (double& one : product.odds)
        one *= weight;
    return product;
}

double confidenceAsked(double sensitivity)
{
    constexpr double atNone = 0.85, atMiddle = 0.35;
    const auto odds = [](double p) { return std::log(p / (1 - p)); };
    const double s = std::clamp(sensitivity, 0.0, 1.0);
    const double from = odds(s < 0.5 ? atNone : atMiddle), to = odds(s < 0.5 ? atMiddle : leastConfidence);
    return 1 / (1 + std::exp(-(from + (to - from) * (s < 0.5 ? 2 * s : 2 * s - 1))));
}

} // namespace ember
