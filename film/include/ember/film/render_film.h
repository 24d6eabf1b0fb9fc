// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <string>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/media/film_writer.h"

namespace ember {

struct RenderOptions {
    Frame first = {};
    Frame last = {}; ///< included
    int width = 0;
    int height = 0;
    int threads = 0; ///< 0: as many as the machine has
    bool overwrite = false;
    bool resume = false; ///< of a sequence: pictures that are there already are kept, and those made stay when it ends
    FilmQuality quality = FilmQuality::good;
    Coder coder = Coder::usual;
    std::optional<Depth> depth = std::nullopt; ///< none: as deep as the clip is, where the format holds it
    bool strict = false;          ///< a clip that is not as it was, or a damaged picture, is an error and not only told
    std::string projectPath = {}; ///< the project's own file, which is never written over
};

struct RenderProgress {
    std::int64_t done = 0;
    std::int64_t total = 0;
    double framesPerSecond = 0;
    double secondsLeft = 0;
};

/// Told after each frame; returning false cancels.
using RenderWatcher = std::function<bool(const RenderProgress&)>;

/// One finished frame of a project as a PNG at its own size, of PQ and HLG as an SDR screen shows it. Of the options
/// only overwrite, strict and projectPath count. Returns what is worth telling, empty if nothing.
Result<Phrase> renderStill(const Project& project, Frame frame, const std::string& out, const RenderOptions& options);

/// The whole film at its own size.
RenderOptions wholeFilm(const Project& project);

/// Renders frames of a project to a film (the format follows from the name, see filmFormatOf), with its sound. Decoding
/// and shaking run ahead on threads of their own, a few frames at most. A size of another shape than the project's is
/// filled from the inside, with black bars. The film has the colour space and the tags of its first clip; light without
/// an end (OpenEXR) is cut off at white where the format is not OpenEXR. Frames that nothing touches are the clip's
/// own. Returns what is worth telling about the result, empty if nothing.
Result<Phrase> renderFilm(const Project& project, const std::string& out, const RenderOptions& options,
                          const RenderWatcher& watcher);

} // namespace ember
