// SPDX-License-Identifier: GPL-3.0-or-later
// What a strike sounds like.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "ember/core/envelope.h"
#include "ember/core/field.h"
#include "ember/core/time.h"

namespace ember {

enum class SoundKind {
    none,
    thump,  ///< a dull blow
    crack,  ///< a sharp one
    boom,   ///< a blast with its tail
    ring,   ///< struck metal
    whoosh, ///< air that rushes up to the strike
    sub,    ///< a low rumble as long as the shake
    file,   ///< a sound file of one's own
};
inline constexpr std::array<std::string_view, 8> soundKindNames{"none", "thump",  "crack", "boom",
                                                                "ring", "whoosh", "sub",   "file"};
inline constexpr Choices soundKindWords{soundKindNames};

/// The sound of a recipe's strikes.
struct StrikeSound {
    SoundKind kind = SoundKind::none;
    double level = 0; ///< decibels, -60 to 12
    std::string file; ///< as the project knows it, for SoundKind::file

    bool operator==(const StrikeSound&) const = default;
};

struct Project;

/// A strike as it is heard.
struct HeardStrike {
    double seconds = 0; ///< of the film: the first instant of the strike's frame
    StrikeSound sound;
    double strength = 1;
    std::uint32_t seed = 1;
    Envelope envelope;
    double framesPerSecond = 24;

    bool operator==(const HeardStrike&) const = default;
};

/// Every strike of the film that has a sound, by time; none while all sounds are muted or all shakes are off.
std::vector<HeardStrike> heardStrikes(const Project& project);

} // namespace ember
