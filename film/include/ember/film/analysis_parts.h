// SPDX-License-Identifier: GPL-3.0-or-later
// A clip that is watched, or whose camera's motion is tracked, in parts on as many machines as there are.
#pragma once

#include <string>

#include "ember/core/captured.h"
#include "ember/film/find_strikes.h"
#include "ember/film/parts.h"

namespace ember {

/// What is cut into parts. All parts of one job are given the same.
struct AnalysisJob {
    std::string clip;
    std::string out;  ///< the list or the motion that comes of it; the parts wait beside it
    FrameRate rate;   ///< that frames count at
    FrameSpan frames; ///< of the clip at that rate
};

/// The frames of a part, as even as can be; parts follow each other. An error where there are fewer frames than parts.
Result<FrameSpan> framesOfPart(const AnalysisJob& job, FilmPart part);

/// Watches a part of a clip's frames, as watchClip() does, and keeps in the folder of parts what was seen. A part that
/// is there already, of the same frames of the same clip, is kept unless `overwrite`. Returns what is worth telling.
Result<Phrase> watchPart(const AnalysisJob& job, FilmPart part, bool overwrite, const Progress& progress);
/// All that its parts saw: the same as watchClip() sees, number for number. Parts that are missing, doubled, not whole
/// or of something else are an error that names them.
Result<PictureTrace> joinWatched(const AnalysisJob& job);

/// Tracks a part of a camera's motion, as captureClip() does, with a few frames of the part before. The job's rate is
/// the clip's own.
Result<Phrase> capturePart(const AnalysisJob& job, FilmPart part, bool overwrite, const Progress& progress);
/// The whole motion: each part is laid onto the one before it, by the middle of what the frames they share say. The
/// error of each joint (hundredths of a pixel) stays in all that follows.
Result<CapturedMotion> joinCaptured(const AnalysisJob& job);

/// Deletes the parts of this many, and their folder if nothing else is in it.
void removeParts(const std::string& out);

} // namespace ember
