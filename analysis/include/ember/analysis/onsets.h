// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "ember/analysis/sound_trace.h"
#include "ember/core/project.h"

namespace ember {

/// Which part of the sound is listened to.
enum class Band {
    all,
    low,    ///< below 200 Hz: drums, thumps, the body of a blast
    middle, ///< 200 to 2000 Hz
    high,   ///< above 2000 Hz: metal, glass, cymbals
};
std::optional<Band> bandFromName(std::string_view name);

struct OnsetOptions {
    Band band = Band::all;
    double sensitivity = 0.5; ///< 0 only what stands out most, 1 everything that rises
    double spacing = 0.05;    ///< seconds; of two that are closer the clearer one stays
};

/// A moment at which something begins to sound.
struct Onset {
    double seconds = 0;                ///< of its first energy
    double strength = 0;               ///< loudness of its first tenth of a second against the loudest one, 0 to 1
    double confidence = 0;             ///< 0 to 1: how far it stands out of what is around it
    StrikeKind kind = StrikeKind::hit; ///< a rough guess by its tail and its pitch; never beat
    double tail = 0;                   ///< seconds until it has fallen by 12 dB or the next one begins
};

/// All that may be an onset in a sound, judged once, so that every sensitivity is answered at once. A higher one finds
/// all that a lower one does, and more.
class OnsetFinder {
public:
    /// The trace has to live as long.
    OnsetFinder(const SoundTrace& trace, Band band, double spacing);

    const SoundTrace& trace() const { return *trace_; }
    /// In order.
    std::vector<Onset> at(double sensitivity) const;

private:
    struct Heard {
        Onset onset;  ///< its tail as long as nothing else begins
        double score; ///< 1 is enough at middling sensitivity
        bool broad;
        bool dull;
    };
    static void forgetFaint(std::vector<Heard>& heard);
    static void forgetRattles(std::vector<Heard>& heard);

    const SoundTrace* trace_;
    std::vector<Heard> heard_; ///< in order
};

/// The onsets of a sound, in order.
std::vector<Onset> onsetsOf(const SoundTrace& trace, const OnsetOptions& options);

} // namespace ember
