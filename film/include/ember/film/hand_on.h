// SPDX-License-Identifier: GPL-3.0-or-later
// Handing a project's motion on as files; docs/formats.md lists what each keeps.
#pragma once

#include <array>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/core/project.h"
#include "ember/exchange/handed_motion.h"
#include "ember/sheet/shake_sheet.h"

namespace ember {

enum class HandFormat { csv, json, gltf, usd, otio, css, page, svg, lottie, vtt, midi, sheet, recipe };
inline constexpr std::array<std::string_view, 13> handFormatNames{
    "csv", "json", "gltf", "usd", "otio", "css", "html", "svg", "lottie", "vtt", "mid", "sheet", "recipe"};
std::optional<HandFormat> handFormatFromName(std::string_view name);
/// The ending a file of a format has: ".gltf". A sheet is SVG, PDF or PNG; its own is ".pdf".
std::string_view endingOf(HandFormat format);
/// Whether a format is of the film as a whole and not of a part of it.
bool isOfFilm(HandFormat format);
/// Whether a file of a format tells how something moves, frame by frame or key by key.
bool tellsMotion(HandFormat format);
/// What takes the motion over in a format, where there is no choice.
std::optional<HandedAs> onlyAs(HandFormat format);

/// A file as it would be written.
struct Handed {
    std::string bytes;
    Phrase note; ///< what is worth telling: how many keys, what is lost; may be empty
};

/// Makes it. `ending` tells a sheet's kind (".pdf" where it is empty). A recipe's part is a recipe or a strike, or the
/// film where all strikes use the same one; a sheet's is a strike, or the film for a page of each (PDF). An error when
/// the part cannot be handed on like this.
/// Where `stopped` says so the search for few keys is given up, with an error.
Result<Handed> handed(const Project& project, HandFormat format, const HandingOn& how, const std::string& ending = {},
                      const Stopped& stopped = {});

/// The page on a strike, with its frames.
Result<ShakeSheet> sheetOf(const Project& project, StrikeId strike);

/// Whether a file of this name may be written: it is no folder, nothing of what the project is made of, not its own
/// file `projectPath`, and, unless `overwrite`, not there yet.
Status mayBeWritten(const Project& project, const std::string& out, bool overwrite,
                    const std::string& projectPath = {});
/// Writes one file, if it may be. Gives the note.
Result<Phrase> handOn(const Project& project, HandFormat format, const HandingOn& how, const std::string& out,
                      bool overwrite, const std::string& projectPath = {});
/// A sheet for every strike, or every recipe of the project, in a folder that is made where it is missing; named by the
/// order and the name, of small letters, digits and hyphens only, so that none can leave it. Gives the files' names.
Result<std::vector<std::string>> handOnAll(const Project& project, HandFormat format, const HandingOn& how,
                                           const std::string& folder, const std::string& ending, bool overwrite,
                                           const Progress& progress = {}, const std::string& projectPath = {});

} // namespace ember
