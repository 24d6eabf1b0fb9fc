// SPDX-License-Identifier: GPL-3.0-or-later
// What was heard and what was seen, put together as strikes that are proposed.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "ember/analysis/impacts.h"
#include "ember/analysis/onsets.h"
#include "ember/analysis/tempo.h"
#include "ember/core/time.h"

namespace ember {

/// A strike that is proposed.
struct Candidate {
    Frame frame;
    double seconds = 0; ///< of the film; finer than the frame where it was heard
    StrikeKind kind = StrikeKind::hit;
    double strength = 0;   ///< 0 to 1
    double confidence = 0; ///< 0 to 1; higher where it was both heard and seen
    bool heard = false;
    bool seen = false;
    std::optional<double> tailOf; ///< seconds of the event whose debris or echo it is; never where seen
    double late = 0;              ///< where both: how many frames the sound comes after the picture
    std::optional<double> direction;
    Spot place;                     ///< where seen
    std::vector<Evidence> evidence; ///< why it is proposed
    std::vector<float> sounds;      ///< what it sounds like, where heard; see Likeness
    std::vector<float> looks;       ///< and looks like, where seen
};

enum class FindFrom { both, sound, picture };
std::optional<FindFrom> findFromFromName(std::string_view name);

struct FindOptions {
    FindFrom from = FindFrom::both;
    Band band = Band::all;
    double sensitivity = 0.5; ///< 0 to 1
    double spacing = 0.05;    ///< least seconds between two
    bool beats = true;        ///< what falls on the beat is called one
    bool tails = false;       ///< what events leave behind, debris and echoes, is proposed, too
};

struct Found {
    std::vector<Candidate> candidates; ///< in order
    std::optional<Tempo> tempo;        ///< of what was heard, in seconds of the film
    /// The middle of how late the sound is, in frames, where at least three were both heard and seen.
    std::optional<double> soundLate;
    bool outOfStep = false; ///< it is so late, or early, all along that the picture has the frames
};

/// What is heard and seen together is one candidate. Where the sound is in step with the picture, the sound has the
/// frame, as it is exact to a few milliseconds; where it is late or early by the same all along, the picture has it,
/// and what is heard alone is laid where the picture would show it. What is seen but not heard in a film with sound has
/// to be surer.
///
/// `onsets` and `impacts` may be null where there is none; the band and the spacing of the options are the onsets'
/// already. `soundOffset`: seconds the sound is laid later than it was
/// recorded. Frames of the picture count at `rate`.
Found findStrikes(const OnsetFinder* onsets, const ImpactFinder* impacts, double soundOffset, FrameRate rate,
                  const FindOptions& options);
/// The same for a sound that is asked once.
Found findStrikes(const SoundTrace* sound, const PictureTrace* picture, double soundOffset, FrameRate rate,
                  const FindOptions& options);

} // namespace ember
