// SPDX-License-Identifier: GPL-3.0-or-later
#include "boosted_trees.h"

#include <array>
#include <charconv>
#include <cmath>

namespace ember {

namespace {

constexpr std::size_t mostNodes = 4096;

/// Takes number after number off a text.
class Numbers {
public:
    explicit Numbers(std::string_view text) : at_(text.data()), end_(text.data() + text.size()) {}
    template <typename Number>
    bool take(Number& number)
    {
        while (at_ != end_ && (*at_ == ' ' || *at_ == '\n'))
            ++at_;
        const auto result = std::from_chars(at_, end_, number);
        at_ = result.ptr;
        return result.ec == std::errc();
    }

private:
    const char* at_;
    const char* end_;
};

} // namespace

std::vector<BoostedTrees> BoostedTrees::allIn(std::string_view text)
{
    std::vector<BoostedTrees> all;
    Numbers numbers(text);
    const auto readTree = [&](std::vector<Node>& tree) {
        std::size_t count = 0;
        if (!numbers.take(count) || count == 0 || count > mostNodes)
            return false;
        tree.resize(count);
        for (std::size_t n = 0; n < count; ++n) {
            Node& node = tree[n];
            if (!numbers.take(node.feature) || !numbers.take(node.below) || !numbers.take(node.value))
                return false;
            // Always onwards, so that every walk ends.
            if (node.feature >= 0 && (node.below <= static_cast<int>(n) || node.below + 1 >= static_cast<int>(count)))
                return false;
        }
        return true;
    };
    BoostedTrees set;
    std::size_t trees = 0;
    while (numbers.take(set.start_) && numbers.take(trees)) {
        set.trees_.clear();
        for (std::size_t i = 0; i < trees; ++i) {
            std::vector<Node> tree;
            if (!readTree(tree))
                return all;
            set.trees_.push_back(std::move(tree));
        }
        all.push_back(set);
    }
    return all;
}

double BoostedTrees::oddsOf(const float* features) const
{
    double sum = static_cast<double>(start_);
    for (const std::vector<Node>& tree : trees_) {
        std::size_t at = 0;
        while (tree[at].feature >= 0)
            at = static_cast<std::size_t>(tree[at].below) +
                 (features[static_cast<std::size_t>(tree[at].feature)] > tree[at].value ? 1 : 0);
        sum += static_cast<double>(tree[at].value);
    }
    return sum;
}

double BoostedTrees::probabilityOf(const float* features) const
{
    return 1 / (1 + std::exp(-oddsOf(features)));
}

void BoostedTrees::recalibrate(double start, double slope)
{
    start_ = static_cast<float>(start + slope * static_cast<double>(start_));
    for (std::vector<Node>& tree : trees_)
        for (Node& node : tree)
            if (node.feature < 0)
                node.value *= static_cast<float>(slope);
}

std::string BoostedTrees::text() const
{
    std::string out;
    std::array<char, 40> digits{};
    const auto put = [&](auto number) {
        const auto result = std::to_chars(digits.data(), digits.data() + digits.size(), number);
        out.append(digits.data(), result.ptr);
    };
    const auto putFloat = [&](float number) {
        const auto result =
            std::to_chars(digits.data(), digits.data() + digits.size(), number, std::chars_format::general, 4);
        out.append(digits.data(), result.ptr);
    };
    putFloat(start_);
    out += ' ';
    put(trees_.size());
    for (const std::vector<Node>& tree : trees_) {
        out += '\n';
        put(tree.size());
        for (const Node& node : tree) {
            out += ' ';
            put(node.feature);
            out += ' ';
            put(node.below);
            out += ' ';
            putFloat(node.value);
        }
    }
    return out + "\n";
}

} // namespace ember
