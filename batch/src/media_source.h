// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/batch/batch.h"
#include "ember/film/find_strikes.h"

namespace ember {

/// A file that may have pictures, sound or both.
struct MediaSource {
    std::unique_ptr<ClipReader> clip; ///< null where there are no pictures
    std::optional<SoundSource> sound;
};

/// Neither is an error, with the reason why there are no pictures.
Result<MediaSource> openMedia(const std::string& path);

/// Percents on a terminal's one line; stops when it is asked to.
Progress progressOn(const BatchStreams& streams);

} // namespace ember
