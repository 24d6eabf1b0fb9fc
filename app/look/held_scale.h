// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <cstddef>

namespace ember::app {

/// How large a picture may be rendered while it plays, so that the rate is held. Falls as soon as frames take too
/// long, by as much as it must, and rises a step after a second in which the larger size would have done.
class HeldScale {
public:
    /// Ratio of the size wanted, one of steps.
    double share() const { return steps[step_]; }
    /// A frame of this size took `milliseconds` of the `budget` that each has.
    void spent(double milliseconds, double budget);
    void reset() { *this = {}; }

    static constexpr std::array<double, 5> steps{1, 0.75, 0.5, 0.375, 0.25};

private:
    std::size_t step_ = 0;
    double full_ = 0; ///< milliseconds at full size, a running mean
    double easy_ = 0; ///< milliseconds of play in which the next larger size would have done
};

} // namespace ember::app
