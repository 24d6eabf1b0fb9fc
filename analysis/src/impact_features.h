// SPDX-License-Identifier: GPL-3.0-or-later
// What a frame is judged by: what is measured of it and of those around it.
#pragma once

#include <vector>

#include "ember/analysis/impacts.h"
#include "strike_trees.h"

namespace ember {

/// All numbers of all frames, one row a frame.
class ImpactFeatures {
public:
    explicit ImpactFeatures(const PictureTrace& trace);

    static std::size_t count(); ///< numbers of a frame
    const float* of(std::size_t frame) const { return numbers_.data() + frame * count(); }
    std::size_t frames() const { return frames_; }
    /// Every measure of the frame as it is.
    std::vector<float> measuresOf(std::size_t frame) const;
    /// What is far from usual there, the farthest first.
    std::vector<Evidence> evidenceOf(const PictureTrace& trace, std::size_t frame) const;

private:
    std::size_t frames_;
    std::vector<float> numbers_;
};

/// Finders as other trees make them: for training.
class ImpactTraining {
public:
    static ImpactFinder finder(const StrikeTrees& trees, const PictureTrace& trace);
};

} // namespace ember
