// SPDX-License-Identifier: GPL-3.0-or-later
#include "boosting.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numeric>

#include "chance.h"

namespace ember::proving {

namespace {

constexpr std::size_t steps = 64;

struct Sums {
    double gradient = 0, curvature = 0;
    int count = 0;

    void add(double g, double h)
    {
        gradient += g;
        curvature += h;
        ++count;
    }
    Sums without(const Sums& other) const
    {
        return {gradient - other.gradient, curvature - other.curvature, count - other.count};
    }
    double gain(double damping) const { return gradient * gradient / (curvature + damping); }
};

/// Every feature in steps of about as many examples each.
class Stepped {
public:
    Stepped(const std::vector<Example>& examples, std::size_t features)
        : rows_(examples.size()), limits_(features), steps_(features * examples.size())
    {
        std::vector<float> values(rows_);
        for (std::size_t f = 0; f < features; ++f) {
            for (std::size_t i = 0; i < rows_; ++i)
                values[i] = examples[i].features[f];
            std::sort(values.begin(), values.end());
            // Finer towards the largest values, where what is rare lies.
            for (std::size_t k = 1; k < steps; ++k) {
                const double share = 1 - std::pow(1 - static_cast<double>(k) / steps, 2.2);
                const float limit =
                    values[std::min(rows_ - 1, static_cast<std::size_t>(share * static_cast<double>(rows_)))];
                if (limits_[f].empty() || limit > limits_[f].back())
                    limits_[f].push_back(limit);
            }
            for (std::size_t i = 0; i < rows_; ++i)
                steps_[f * rows_ + i] = static_cast<std::uint8_t>(
                    std::lower_bound(limits_[f].begin(), limits_[f].end(), examples[i].features[f]) -
                    limits_[f].begin());
        }
    }
    std::uint8_t at(std::size_t feature, std::size_t row) const { return steps_[feature * rows_ + row]; }
    const std::vector<float>& limits(std::size_t feature) const { return limits_[feature]; }

private:
    std::size_t rows_;
    std::vector<std::vector<float>> limits_;
    std::vector<std::uint8_t> steps_;
};

} // namespace

BoostedTrees boosted(const std::vector<Example>& examples, std::size_t features, const Boosting& how)
{
    const Stepped stepped(examples, features);
    Chance chance(how.seed);
    const auto positives = static_cast<double>(
        std::count_if(examples.begin(), examples.end(), [](const Example& e) { return e.positive; }));
    const auto all = static_cast<double>(examples.size());
    BoostedTrees trees;
    const auto start = std::log((positives + 1) / (all - positives + 1));
    trees.setStart(static_cast<float>(start));
    std::vector<double> odds(examples.size(), start), gradients(examples.size()), curvatures(examples.size());
    for (int t = 0; t < how.trees; ++t) {
        std::vector<std::uint32_t> rows;
        for (std::size_t i = 0; i < examples.size(); ++i) {
            const double p = 1 / (1 + std::exp(-odds[i]));
            gradients[i] = (examples[i].positive ? 1 : 0) - p;
            curvatures[i] = p * (1 - p);
            if (chance.often(how.rows))
                rows.push_back(static_cast<std::uint32_t>(i));
        }
        std::vector<std::size_t> asked;
        for (std::size_t f = 0; f < features; ++f)
            if (chance.often(how.columns))
                asked.push_back(f);
        struct Open {
            std::size_t node;
            int depth;
            std::vector<std::uint32_t> rows;
        };
        std::vector<BoostedTrees::Node> tree(1);
        std::vector<Open> open{{0, 0, std::move(rows)}};
        while (!open.empty()) {
            const Open now = std::move(open.back());
            open.pop_back();
            Sums total;
            for (const auto i : now.rows)
                total.add(gradients[i], curvatures[i]);
            double best = 1e-3;
            std::size_t feature = 0, step = 0;
            if (now.depth < how.depth)
                for (const std::size_t f : asked) {
                    std::array<Sums, steps> sums{};
                    for (const auto i : now.rows)
                        sums[stepped.at(f, i)].add(gradients[i], curvatures[i]);
                    Sums below;
                    for (std::size_t k = 0; k < stepped.limits(f).size(); ++k) {
                        below.gradient += sums[k].gradient;
                        below.curvature += sums[k].curvature;
                        below.count += sums[k].count;
                        const Sums above = total.without(below);
                        if (below.count < how.leastInLeaf || above.count < how.leastInLeaf)
                            continue;
                        const double gain = below.gain(how.damping) + above.gain(how.damping) - total.gain(how.damping);
                        if (gain > best) {
                            best = gain;
                            feature = f;
                            step = k;
                        }
                    }
                }
            if (best <= 1e-3) {
                tree[now.node].value = static_cast<float>(how.rate * total.gradient / (total.curvature + how.damping));
                continue;
            }
            Open below{tree.size(), now.depth + 1, {}}, above{tree.size() + 1, now.depth + 1, {}};
            for (const auto i : now.rows)
                (stepped.at(feature, i) <= step ? below : above).rows.push_back(i);
            tree[now.node] = {static_cast<std::int16_t>(feature), static_cast<std::int16_t>(tree.size()),
                              stepped.limits(feature)[step]};
            tree.resize(tree.size() + 2);
            open.push_back(std::move(below));
            open.push_back(std::move(above));
        }
        BoostedTrees one;
        one.add(tree);
        for (std::size_t i = 0; i < examples.size(); ++i)
            odds[i] += one.oddsOf(examples[i].features);
        trees.add(std::move(tree));
    }
    return trees;
}

StrikeTrees boostedStrikes(const std::vector<Example>& events,
                           const std::array<std::vector<Example>, StrikeTrees::kinds.size()>& ofKinds,
                           std::size_t features, std::size_t kindFeatures, const Boosting& how)
{
    StrikeTrees trees;
    trees.event = boosted(events, features, how);
    Boosting few;
    few.trees = 60;
    few.depth = kindFeatures < features ? 2 : 3;
    few.leastInLeaf = kindFeatures < features ? 25 : 6;
    for (std::size_t k = 0; k < trees.kind.size(); ++k)
        trees.kind[k] = boosted(ofKinds[k], kindFeatures, few);
    return trees;
}

std::pair<double, double> calibrated(const std::vector<std::pair<double, bool>>& told)
{
    double start = 0, slope = 1;
    for (int round = 0; round < 30; ++round) {
        double g0 = 0, g1 = -0.1 * (slope - 1), h00 = 1e-3, h01 = 0, h11 = 0.1;
        for (const auto& [confidence, right] : told) {
            const double odds = std::log(confidence / (1 - confidence));
            const double p = 1 / (1 + std::exp(-(start + slope * odds))), w = p * (1 - p), off = (right ? 1 : 0) - p;
            g0 += off;
            g1 += off * odds;
            h00 += w;
            h01 += w * odds;
            h11 += w * odds * odds;
        }
        const double size = h00 * h11 - h01 * h01;
        start += (h11 * g0 - h01 * g1) / size;
        slope += (h00 * g1 - h01 * g0) / size;
    }
    return {start, slope};
}

} // namespace ember::proving
