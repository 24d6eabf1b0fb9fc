// SPDX-License-Identifier: GPL-3.0-or-later
// Recordings that Debian's games bring, and music played by a synthesizer from sampled instruments.
//
// Never tuned with: openarena-data, frozen-bubble-data, musescore-general-soundfont-small and one of the drums of
// avldrums.lv2-soundfont. For tuning: teeworlds-data, hedgewars-data, sonic-pi-samples, scorched3d-data,
// wesnoth-1.16-data, minetest-data, bzflag-data, chromium-bsu-data, marsshooter-data, timgm6mb-soundfont,
// csound-soundfont, opl3-soundfont and the other drums. The tests do with teeworlds-data and timgm6mb-soundfont.
#pragma once

#include <cstdint>
#include <map>
#include <string>
#include <vector>

#include "chance.h"
#include "photographs.h"

namespace ember::proving {

inline constexpr int soundRate = 48000;

/// What a recording is of.
enum class Heard { blast, landing, hit, step, whoosh, voice, ambience, music };

/// One channel at `soundRate`, from its first energy on, its loudest sample 1.
using Recording = std::vector<float>;

/// Reads recordings once and keeps them. Those of one share are never heard in the other: they are of other packages.
class Recordings {
public:
    explicit Recordings(Share share);

    /// Whether there are blasts, landings, hits and steps; the rest can be done without.
    bool complete() const;
    bool has(Heard what) const;
    const Recording& any(Heard what, Chance& chance) const;

private:
    std::map<Heard, std::vector<Recording>> all_;
};

/// Something that is played: the instruments and the drums are those of General MIDI.
struct Note {
    double seconds = 0;
    double length = 0.1;
    int instrument = 0; ///< 0 to 127, or `drums`
    int key = 60;
    int loudness = 100; ///< 1 to 127

    static constexpr int drums = -1;
};

/// Plays notes with one channel at `soundRate`, `seconds` long; the loudest sample is 1.
class Player {
public:
    /// The instruments of a share; others where they are not installed.
    explicit Player(Share share);

    bool ready() const { return !whole_.empty(); }
    /// On one of its sets of instruments.
    Recording play(const std::vector<Note>& notes, double seconds, Chance& chance) const;

private:
    std::vector<std::string> whole_;
    std::vector<std::string> drums_; ///< sets of nothing but drums
};

} // namespace ember::proving
