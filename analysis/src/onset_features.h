// SPDX-License-Identifier: GPL-3.0-or-later
// What a moment at which the sound rises is judged by: what is measured of it, and of the other ones around it.
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <span>
#include <vector>

#include "ember/analysis/tempo.h"
#include "strike_trees.h"

namespace ember {

/// A moment that may be an onset.
struct Rise {
    double seconds = 0; ///< of its first energy
    double score = 0;   ///< how far it stands out of what is around it; 1 is clear
    double power = 0;   ///< of its first tenth of a second, over what sounded before
};

/// Which share of the rises that count is on half beats: of all, of the louder quarter, of the loudest tenth.
struct BeatShares {
    double all = 0;
    double loud = 0;
    double loudest = 0;
    double inStep = 0; ///< of the loudest tenth those half beats apart, whatever their phase
};
BeatShares beatShares(std::span<const Rise> rises, const std::optional<Tempo>& tempo);

/// Whether what is loudest from a tempo's first beat to its last lies on it: music in which nothing stands above the
/// rest, so that every stroke is an event. Where loud things come on no beat, events lie over music.
bool isSong(std::span<const Rise> rises, const Tempo& tempo);

/// All numbers of all rises, one row a rise.
class OnsetFeatures {
public:
    /// `rises` in order.
    OnsetFeatures(const SoundTrace& trace, std::span<const Rise> rises, const std::optional<Tempo>& tempo);

    static std::size_t count(); ///< numbers of a rise
    static std::size_t own();   ///< the first of them, which tell what it sounds like, whatever is around it
    const float* of(std::size_t rise) const { return numbers_.data() + rise * count(); }
    /// Of own() what does not depend on what was before, and on what comes half a second later.
    std::vector<float> soundOf(std::size_t rise) const;
    /// More than half of its power is above 2.4 kHz: nothing heavy.
    bool isBright(std::size_t rise) const;
    double decibelsUp(std::size_t rise) const;     ///< from the tenth of a second before
    double decibelsAround(std::size_t rise) const; ///< above nine tenths of what is within four seconds

private:
    std::vector<float> numbers_;
};

/// What a finder is made of, for training.
class OnsetTraining {
public:
    static std::vector<Rise> risesOf(const SoundTrace& trace);
    static OnsetFeatures featuresOf(const SoundTrace& trace, std::span<const Rise> rises);
    static OnsetFinder finder(const StrikeTrees& trees, const SoundTrace& trace);
};

} // namespace ember
