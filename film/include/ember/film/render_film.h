// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/media/film_writer.h"

namespace ember {

/// What becomes of the pictures of a render.
struct RenderForm {
    int width = 0;
    int height = 0;
    FilmQuality quality = FilmQuality::good;
    Coder coder = Coder::usual;
    std::optional<Depth> depth = std::nullopt; ///< none: as deep as the clip is, where the format holds it

    bool operator==(const RenderForm&) const = default;
};

/// One film, or one series of pictures, of a render.
struct RenderFile {
    std::string path; ///< its format follows from the name, see filmFormatOf
    RenderForm form;
};

struct RenderOptions {
    Frame first = {};
    Frame last = {};      ///< included
    RenderForm form = {}; ///< of a single film
    int threads = 0;      ///< 0: as many as the machine has
    bool overwrite = false;
    bool resume = false; ///< of a sequence: pictures that are there already are kept, and those made stay when it ends
    bool strict = false; ///< a clip that is not as it was, or a damaged picture, is an error and not only told
    std::string projectPath = {}; ///< the project's own file, which is never written over
    /// Where the files are a part of a film, the frames of the whole, first and last: one that begins with the first
    /// has the sounds of the whole, others none, and what is said of the film as a whole is left to joinParts().
    std::optional<std::pair<Frame, Frame>> whole = std::nullopt;
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

/// Renders frames of a project to films and series of pictures in one pass, with their sounds: every frame is decoded
/// once, and shaken once for all that want the same pictures. Decoding and shaking run ahead on threads of their own, a
/// few frames at most. A size of another shape than the project's is filled from the inside, with black bars. A film
/// has the colour space and the tags of its first clip; light without an end (OpenEXR) is cut off at white where the
/// format is not OpenEXR. Frames that nothing touches are the clip's own.
///
/// What is wrong with any of the files before the first frame is an error, and nothing is made. Later, each has its own
/// result: what is worth telling about it, empty if nothing, or why it was not made; the others are. `files` must not
/// be empty.
Result<std::vector<Result<Phrase>>> renderFilms(const Project& project, const std::vector<RenderFile>& files,
                                                const RenderOptions& options, const RenderWatcher& watcher);
/// The same of one, in the options' form.
Result<Phrase> renderFilm(const Project& project, const std::string& path, const RenderOptions& options,
                          const RenderWatcher& watcher);

} // namespace ember
