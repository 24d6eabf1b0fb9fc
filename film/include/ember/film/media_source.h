// SPDX-License-Identifier: GPL-3.0-or-later
// A clip or a sound, and what can be found in it.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "ember/analysis/candidates.h"
#include "ember/core/progress.h"
#include "ember/film/analysis_parts.h"
#include "ember/film/sound_source.h"
#include "ember/media/clip.h"

namespace ember {

/// What can be looked at and listened to: a clip, a sound or both.
struct MediaSource {
    std::unique_ptr<ClipReader> clip;
    std::optional<SoundSource> sound;
};
Result<MediaSource> openMedia(const std::string& path);

/// What hits in a clip or a sound, in order, on frames of `rate` (none: the clip's; 24/1 for a sound). An error where
/// it has not what is to tell. The pictures are not watched where what was `seen` in them is known already.
Result<std::vector<Candidate>> spotIn(const std::string& path, std::optional<FrameRate> rate,
                                      const FindOptions& options, const Progress& progress,
                                      std::optional<PictureTrace> seen = {});
/// The watching that this takes, as a job of parts; its list goes to `out`. An error where there is no picture.
Result<AnalysisJob> watchingJob(const std::string& path, std::optional<FrameRate> rate, const std::string& out);

/// The beat of a clip, a sound or a score (.mid); nothing where there is none.
Result<std::optional<Tempo>> tempoIn(const std::string& path, const Progress& progress);
/// Whether it is a score, which tells its tempo.
bool isScore(const std::string& path);
/// Beats a minute; the mean where the tempo changes.
double meanBpm(const Tempo& tempo);

} // namespace ember
