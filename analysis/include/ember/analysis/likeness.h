// SPDX-License-Identifier: GPL-3.0-or-later
// Which proposals are like one that was accepted or rejected.
#pragma once

#include <cstddef>
#include <span>
#include <vector>

#include "ember/analysis/candidates.h"

namespace ember {

/// How alike the events of one film are, by what they sound and look like. Loudness, place and frame do not matter.
class Likeness {
public:
    /// `all`: what the film has, strong and faint: it tells by how much such events usually differ. They have to live
    /// as long.
    explicit Likeness(std::span<const Candidate> all);

    /// 0 the same; 1 as far apart as two of the film are on the median; far more where they share no sense.
    double between(const Candidate& a, const Candidate& b) const;

    /// Those of `all`, by their place in it, that are like `example` and nearer to it than to any of `others`; in
    /// order, without the example.
    std::vector<std::size_t> alike(const Candidate& example, std::span<const Candidate> others) const;

    /// Of `proposals` those that are so much surer than `example` that rejecting it does not mean them.
    static std::vector<Candidate> surerThan(const Candidate& example, std::span<const Candidate> proposals);

private:
    using Traits = std::vector<float> Candidate::*;
    struct Sense {
        Traits traits;
        std::vector<float> spread; ///< usual distance of each number from its median
        double usual = 1;          ///< median distance of two
    };
    /// `least`: differences that are never far; what is heard counts mostly in decibels.
    static Sense senseOf(std::span<const Candidate> all, Traits traits, float least);
    static double distance(const Sense& sense, const Candidate& a, const Candidate& b);

    std::span<const Candidate> all_;
    std::vector<Sense> senses_; ///< what is heard, what is seen
};

} // namespace ember
