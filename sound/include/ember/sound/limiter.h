// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <vector>

namespace ember {

/// Keeps sound below a ceiling, between its samples too, by turning it down a little before and after what is too loud.
/// Each output depends on the input up to `reach` samples either side and nothing else, so that any stretch of it can
/// be made by itself, to the bit.
class Limiter {
public:
    /// `ceiling` as a factor, 0 to 1.
    Limiter(int rate, double ceiling);

    std::size_t reach() const { return 2 * window_ + taps; }
    /// The gains of `count` instants of interleaved sound, the first being the one `reach()` instants in; `sound` holds
    /// `count + 2 reach()` of them. All exactly 1 where nothing is too loud.
    std::vector<float> gains(const std::vector<float>& sound, int channels, std::size_t count) const;

private:
    static constexpr std::size_t taps = 8; ///< either side, for what lies between samples
    std::size_t window_;
    double ceiling_;
};

} // namespace ember
