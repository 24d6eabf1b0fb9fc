// SPDX-License-Identifier: GPL-3.0-or-later
// Flashes that can bring on seizures, by the thresholds of WCAG 2.x, success criterion 2.3.1 (Three Flashes or Below
// Threshold) with its definition of general and red flashes.
#pragma once

#include <cstdint>
#include <vector>

#include "ember/core/time.h"
#include "ember/image/image.h"

namespace ember {

/// The thresholds, as the standard has them.
namespace flashlimits {
inline constexpr double change = 0.1;    ///< of relative luminance, 10 % of the most there is
inline constexpr double dark = 0.8;      ///< relative luminance the darker state is below
inline constexpr double redShare = 0.8;  ///< R / (R + G + B) of a saturated red, of linear values
inline constexpr double redChange = 20;  ///< of (R - G - B) x 320, where negative values are zero
inline constexpr double field = 1.0 / 3; ///< of the picture's width and height: ten degrees, 341 x 256 of 1024 x 768
inline constexpr double area = 0.25;     ///< share of such a field
inline constexpr int flashes = 3;        ///< within a second
} // namespace flashlimits

enum class FlashKind { general, red };

/// Frames after which more has flashed within one second than is allowed: [first, last].
struct FlashViolation {
    FlashKind kind = FlashKind::general;
    std::int64_t first = 0;
    std::int64_t last = 0;
    int flashes = 0; ///< most in any second, over a quarter of a field
    double area = 0; ///< largest share of a field that flashes more than allowed

    bool operator==(const FlashViolation&) const = default;
};

/// Watches finished pictures one after the other. Each place of the picture counts its own transitions: luminance (or
/// saturated red) that goes up and down again by a threshold is one flash. A frame is a violation where more than a
/// quarter of some ten-degree field has seen more than three flashes in the second up to it.
class FlashCheck {
public:
    FlashCheck(FrameRate rate, std::int64_t firstFrame);

    /// The next frame, of any size; all are of the same. 8 or 16 bits.
    void add(const Image& picture);
    /// What was found up to now, by first frame.
    std::vector<FlashViolation> violations() const;

private:
    /// One place of the picture, one kind of flash.
    struct Watch {
        float low = 0; ///< extremes since the last transition
        float high = 0;
        bool lowRed = false; ///< whether they are of saturated red
        bool highRed = false;
        std::int8_t way = 0;                        ///< of the last transition
        std::vector<std::int64_t> transitions = {}; ///< frames, of the last second
    };
    /// A state of a place: means of linear light.
    struct Light {
        float r = 0;
        float g = 0;
        float b = 0;
    };
    std::vector<Light> lightsOf(const Image& picture) const;
    void watchGeneral(Watch& watch, const Light& light, bool fresh) const;
    void watchRed(Watch& watch, const Light& light, bool fresh) const;
    void note(Watch& watch, int way) const;
    /// Largest share of a field whose places have seen at least so many transitions.
    double shareOf(const std::vector<Watch>& watches, std::size_t transitions) const;
    void judge(FlashKind kind, const std::vector<Watch>& watches);

    FrameRate rate_;
    std::int64_t first_;
    std::int64_t frame_;
    int columns_ = 0;
    int rows_ = 0;
    std::vector<Watch> general_;
    std::vector<Watch> red_;
    std::vector<FlashViolation> found_;
};

} // namespace ember
