// SPDX-License-Identifier: GPL-3.0-or-later
// A film rendered in parts, on as many machines as there are, and joined without coding it again.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "ember/core/progress.h"
#include "ember/film/render_film.h"

namespace ember {

/// One of the parts of a film: the first is 1.
struct FilmPart {
    int number = 1;
    int count = 1;
};
inline constexpr int mostParts = 100000;
/// "3/8"; nothing where it is no part.
std::optional<FilmPart> partFrom(std::string_view text);

/// The folder beside a film in which its parts wait: "night.mp4.parts".
std::string partsFolder(const std::string& out);
/// What stands there when a part is whole: "night.mp4.parts/part-3-of-8.json".
std::string partRecord(const std::string& out, FilmPart part);

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
