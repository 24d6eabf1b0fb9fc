// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <span>
#include <string_view>
#include <vector>

#include "ember/analysis/impacts.h"
#include "ember/analysis/sound_trace.h"

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
    double confidence = 0;             ///< 0 to 1: of those told so, the share that is right
    StrikeKind kind = StrikeKind::hit; ///< by what is heard; never beat
    KindOdds kinds;                    ///< none of a band alone
    double tail = 0;                   ///< seconds until it has fallen by 12 dB or the next one begins
    double rise = 0;                   ///< decibels from the tenth of a second before to the one after
    double above = 0;                  ///< decibels above nine tenths of what is heard within four seconds
    std::vector<float> sounds;         ///< what it sounds like, for comparing
};

struct Rise;
struct StrikeTrees;
struct Tempo;

/// All that may be an onset in a sound, judged once, so that every sensitivity is answered at once. A higher one finds
/// all that a lower one does, and more. In the whole sound trained trees tell an event from its debris, from the notes
/// of music that it stands above, and from what only swells; in one band every clear rise is an onset.
class OnsetFinder {
public:
    /// The trace has to live as long.
    OnsetFinder(const SoundTrace& trace, Band band, double spacing);

    const SoundTrace& trace() const { return *trace_; }
    /// In order.
    std::vector<Onset> at(double sensitivity) const;
    /// What the events found so leave behind: clear rises within their decay that are not events themselves, such as
    /// debris and echoes. In order, of the kind of the event they belong to.
    struct Tail {
        Onset onset;
        double of = 0; ///< seconds of the event
    };
    std::vector<Tail> tails(double sensitivity) const;
    /// Every clear rise, whether it is an event or not, in order: what a beat is looked for in.
    std::vector<Onset> pulses() const;
    /// The beat of the pulses; null where none is kept.
    const Tempo* tempo() const { return tempo_.get(); }

private:
    friend class OnsetTraining;
    OnsetFinder(const StrikeTrees& trees, const SoundTrace& trace, Band band, double spacing);

    struct Heard {
        Onset onset;      ///< its tail as long as nothing else begins
        double score = 0; ///< 1 is a clear rise
    };
    static void forgetFaint(std::vector<Heard>& heard);
    static void forgetRattles(std::vector<Heard>& heard);
    std::vector<Heard> hear(std::span<const Rise> rises) const;
    /// From a song's first beat to its last every clear rise is an event.
    void takeStrokes(const Tempo& song);

    const SoundTrace* trace_;
    std::vector<Heard> heard_;  ///< in order
    std::vector<Heard> pulses_; ///< in order
    std::shared_ptr<const Tempo> tempo_;
};

/// The onsets of a sound, in order.
std::vector<Onset> onsetsOf(const SoundTrace& trace, const OnsetOptions& options);

} // namespace ember
