// SPDX-License-Identifier: GPL-3.0-or-later
// Sounds whose onsets are known, made from nothing but formulas and seeds.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "ember/core/sound.h"

namespace ember::test {

/// A sound and the truth about it.
struct KnownSound {
    std::string name;
    SoundBuffer sound;
    std::vector<double> onsets; ///< seconds of first energy, in order
    double bpm = 0;             ///< 0: none
    double firstBeat = 0;
};

enum class Bed {
    silence,
    music, ///< slow chords
    noise, ///< wind: noise that swells and falls
};

/// Kick, snare, toms and hats in sixteenths, with a bass line under it, played a little unevenly. `swing` 0 is
/// straight, 0.33 is triplets.
KnownSound drumMusic(std::uint64_t seed, double bpm, double swing, double seconds, Bed bed = Bed::silence);

/// Blasts with tails, landings and hits, 0.4 to 2 s apart. `drive` above 1 clips them.
KnownSound separateImpacts(std::uint64_t seed, Bed bed, double drive, double seconds, int rate = 48000,
                           int channels = 2);

/// A sound as a file of 16-bit PCM.
void writeWav(const std::string& path, const SoundBuffer& sound);

/// White noise of one level.
SoundBuffer whiteNoise(std::uint64_t seed, double level, double seconds, int rate = 48000);

} // namespace ember::test
