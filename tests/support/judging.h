// SPDX-License-Identifier: GPL-3.0-or-later
// How well what was found agrees with what is known.
#pragma once

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <vector>

namespace ember::test {

/// Found times against known ones: each known one takes the nearest found one within a tolerance, once.
class Judgement {
public:
    explicit Judgement(double tolerance) : tolerance_(tolerance) {}

    void add(const std::vector<double>& known, const std::vector<double>& found, double length)
    {
        std::vector<bool> taken(found.size());
        for (const double time : known) {
            std::size_t best = found.size();
            for (std::size_t i = 0; i < found.size(); ++i)
                if (!taken[i] && std::abs(found[i] - time) <= tolerance_ &&
                    (best == found.size() || std::abs(found[i] - time) < std::abs(found[best] - time)))
                    best = i;
            if (best == found.size()) {
                ++missed_;
            } else {
                taken[best] = true;
                ++right_;
                offsets_.push_back(std::abs(found[best] - time));
            }
        }
        false_ += static_cast<int>(std::count(taken.begin(), taken.end(), false));
        length_ += length;
    }

    /// Harmonic mean of the shares that are right of what was found and of what is known.
    double f() const { return right_ == 0 ? 0 : 2.0 * right_ / (2.0 * right_ + false_ + missed_); }
    int missed() const { return missed_; }
    int wrong() const { return false_; }
    double perMinute(int count) const { return count * 60 / length_; }
    double medianOffset() const
    {
        std::vector<double> sorted = offsets_;
        if (sorted.empty())
            return 0;
        std::nth_element(sorted.begin(), sorted.begin() + std::ssize(sorted) / 2, sorted.end());
        return sorted[sorted.size() / 2];
    }

private:
    double tolerance_;
    int right_ = 0;
    int missed_ = 0;
    int false_ = 0;
    double length_ = 0;
    std::vector<double> offsets_;
};

} // namespace ember::test
