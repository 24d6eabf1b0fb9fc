// SPDX-License-Identifier: GPL-3.0-or-later
// Sounds whose events are known: recordings laid over ambience and music, in rooms, and pieces of music.
#pragma once

#include <string>
#include <vector>

#include "ember/core/project.h"
#include "ember/core/sound.h"
#include "recordings.h"
#include "scoring.h"

namespace ember::proving {

struct SoundEvent {
    double seconds = 0; ///< of its first energy
    StrikeKind kind = StrikeKind::hit;
    double strength = 0; ///< of its first tenth of a second: pressure to the power 0.6
};

struct SoundScene {
    std::string kind;
    bool trap = false;
    SoundBuffer sound; ///< one channel
    std::vector<SoundEvent> events;
    std::vector<double> open; ///< moments that may be told or not: notes where nothing else happens
    double bpm = 0;           ///< 0: none
    double firstBeat = 0;
    std::vector<double> beats; ///< where the tempo changes
};

const std::vector<std::string>& soundImpacts();
const std::vector<std::string>& soundTraps();

/// The same for a kind, a seed and a share on every machine that has the packages.
SoundScene soundScene(const std::string& kind, std::uint64_t seed, const Recordings& recordings, const Player& player);

/// What is known of a scene, in frames of a thousandth of a second; right within half a frame of 24 a second, one and
/// two.
KnownClip knownOf(const SoundScene& scene, const std::string& path);

} // namespace ember::proving
