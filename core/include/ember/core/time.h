// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <compare>
#include <cstdint>
#include <optional>

namespace ember {

/// A position on the film: a whole frame, counted from 0 at its start. Lengths are plain std::int64_t.
struct Frame {
    std::int64_t index = 0;

    auto operator<=>(const Frame&) const = default;
    friend Frame operator+(Frame a, std::int64_t length) { return {a.index + length}; }
    friend Frame operator-(Frame a, std::int64_t length) { return {a.index - length}; }
    friend std::int64_t operator-(Frame a, Frame b) { return a.index - b.index; }
};

/// A position between frames, in frames from the film's start (frame 3 begins at 3.0).
using FrameTime = double;

/// Frames per second as an exact fraction: 24000/1001 is not 23.976.
class FrameRate {
public:
    /// 24/1.
    FrameRate() = default;

    /// Nothing unless both are positive and the rate lies between 1 and 1000 frames a second.
    /// The fraction is kept in lowest terms.
    static std::optional<FrameRate> make(std::int64_t num, std::int64_t den);

    std::int64_t num() const { return num_; }
    std::int64_t den() const { return den_; }
    double perSecond() const { return static_cast<double>(num_) / static_cast<double>(den_); }

    /// The one place where frames become seconds and back.
    double seconds(FrameTime frames) const { return frames * static_cast<double>(den_) / static_cast<double>(num_); }
    FrameTime frames(double seconds) const { return seconds * static_cast<double>(num_) / static_cast<double>(den_); }

    bool operator==(const FrameRate&) const = default;

private:
    FrameRate(std::int64_t num, std::int64_t den) : num_(num), den_(den) {}
    std::int64_t num_ = 24;
    std::int64_t den_ = 1;
};

} // namespace ember
