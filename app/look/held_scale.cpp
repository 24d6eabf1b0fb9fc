// SPDX-License-Identifier: GPL-3.0-or-later
#include "held_scale.h"

namespace ember::app {

namespace {
/// Shares of a frame's time. Decoding and painting want their part of it; between the two nothing changes.
constexpr double tooLong = 0.8;
constexpr double comfortable = 0.6;
constexpr double easyFor = 1000;
/// Of the mean: what is made ahead carries over a few long frames.
constexpr double smoothing = 0.15;
} // namespace

void HeldScale::spent(double milliseconds, double budget)
{
    // What takes time is the number of pixels. One frame that had to wait for another program says little.
    const double full = milliseconds / (share() * share());
    full_ = full_ == 0 ? full : full_ + smoothing * (full - full_);
    const auto at = [&](std::size_t step) { return full_ * steps[step] * steps[step]; };
    if (at(step_) > tooLong * budget) {
        std::size_t step = step_;
        while (step + 1 < steps.size() && at(step) > comfortable * budget)
            ++step;
        step_ = step;
        easy_ = 0;
        return;
    }
    if (step_ == 0)
        return;
    easy_ = at(step_ - 1) < comfortable * budget ? easy_ + budget : 0;
    if (easy_ >= easyFor) {
        --step_;
        easy_ = 0;
    }
}

} // namespace ember::app
