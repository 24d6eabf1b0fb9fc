// SPDX-License-Identifier: GPL-3.0-or-later
// What a frame is judged by: what is measured of it and of those around it.
#pragma once

#include <array>
#include <string>
#include <string_view>
#include <vector>

#include "boosted_trees.h"
#include "ember/analysis/impacts.h"

namespace ember {

/// All numbers of all frames, one row a frame.
class ImpactFeatures {
public:
    explicit ImpactFeatures(const PictureTrace& trace);

    static std::size_t count(); ///< numbers of a frame
    const float* of(std::size_t frame) const { return numbers_.data() + frame * count(); }
    std::size_t frames() const { return frames_; }

private:
    std::size_t frames_;
    std::vector<float> numbers_;
};

/// What tells that a frame is an impact's first one, and of what kind it is then.
struct ImpactTrees {
    static constexpr std::array<StrikeKind, 3> kinds{StrikeKind::blast, StrikeKind::landing, StrikeKind::hit};

    BoostedTrees impact;
    std::array<BoostedTrees, kinds.size()> kind;

    ImpactTrees() = default;
    /// Of text(); of another one they tell nothing.
    explicit ImpactTrees(std::string_view text);
    std::string text() const;
};

/// Finders as other trees make them: for training.
class ImpactTraining {
public:
    static ImpactFinder finder(const ImpactTrees& trees, const PictureTrace& trace);
};

} // namespace ember
