// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "ember/analysis/candidates.h"
#include "ember/analysis/cuts.h"
#include "ember/core/motion.h"
#include "ember/core/progress.h"
#include "ember/exchange/strike_list.h"
#include "ember/film/sound_source.h"

namespace ember {

/// Listens to a sound from second 0 on, at most for `seconds` (0: to its end). Memory is bounded: samples are not kept.
Result<SoundTrace> listenTo(const SoundSource& source, double seconds, const Progress& progress);

/// Watches a clip from its first frame to its last. Decoding and watching go on at once, on two threads.
Result<PictureTrace> watchClip(ClipReader& clip, FrameRate rate, std::int64_t length, const Progress& progress);
/// What that tells of some of its frames, with no more watched than that takes.
Result<PictureTrace> watchClip(ClipReader& clip, FrameRate rate, std::int64_t length, FrameSpan part,
                               const Progress& progress);

/// Finds where one shot of a clip ends and the next begins, on frames of a film of this rate and length.
Result<std::vector<ShotChange>> findCuts(ClipReader& clip, FrameRate rate, std::int64_t length,
                                         const Progress& progress);

/// Gives strikes, as values of their own, the envelopes that their sounds have until the strike that follows.
Project withShapesFromSound(Project project, const std::vector<StrikeId>& ids, const SoundTrace& sound);

/// Candidates as a list of strikes, each on its frame.
StrikeList listOf(const std::vector<Candidate>& candidates, FrameRate rate);

} // namespace ember
