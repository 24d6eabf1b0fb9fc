// SPDX-License-Identifier: GPL-3.0-or-later
// A film rendered in parts, on as many machines as there are, and joined without coding it again.
#pragma once

#include <string>
#include <utility>

#include "ember/core/progress.h"
#include "ember/film/parts.h"
#include "ember/film/render_film.h"

namespace ember {

/// The frames of a part of frames `first` to `last` of a project: as even as can be, cut where it changes no bit of a
/// lossless film. Parts follow each other. An error where the film has fewer places to be cut than parts, and for GIF,
/// whose pictures hang together.
Result<std::pair<Frame, Frame>> framesOfPart(const RenderFile& file, FrameRate rate, Frame first, Frame last,
                                             FilmPart part);

/// Renders one part of `file`, a film or series of pictures of the options' frames, into its folder. A part that stands
/// there already, whole and of the same project, clips and settings, is kept unless `overwrite`. Returns what is worth
/// telling.
Result<Phrase> renderPart(const Project& project, const RenderFile& file, FilmPart part, const RenderOptions& options,
                          const RenderWatcher& watcher);

struct JoinOptions {
    bool overwrite = false;  ///< of the film
    bool keepParts = false;  ///< else they are deleted when the film is there
    std::string projectPath; ///< the project's own file
};

/// Makes the film at `out` of its parts: coded pictures one behind the other, numbered pictures moved. Parts that are
/// missing, not whole, doubled, of another project or of other settings are an error that names them, and nothing is
/// made. Returns what is worth telling.
Result<Phrase> joinParts(const Project& project, const std::string& out, const JoinOptions& options,
                         const Progress& progress);

} // namespace ember
