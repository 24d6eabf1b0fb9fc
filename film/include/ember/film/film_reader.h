// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of a film of shots.
#pragma once

#include <map>
#include <memory>
#include <string>
#include <utility>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/media/clip.h"

namespace ember {

/// What is known of clips, by their paths and whether they are a single picture, so that a film of them can be opened
/// without a look at each.
using KnownClips = std::map<std::pair<std::string, bool>, ClipInfo>;

/// Whether two projects have the same shots of the same clips.
bool sameFilm(const Project& a, const Project& b);
/// Whether they show the same pictures on the same frames before anything is done to them, however they are cut.
bool sameFrames(const Project& a, const Project& b);

/// As what the pictures of a film are read.
enum class FilmPictures {
    shown,  ///< as a screen shows them: 8 bits, sRGB
    stored, ///< as deep and in the colour spaces they are stored in, with what is stored
    light,  ///< as FilmView wants them: what can be brighter than the screen's white still is
};

class ProxyShelf;

/// The film as if it were one clip: picture n is what stands on frame n. A clip of another shape than the project's
/// lies in the frame as its shot's framing says. Gaps are black. A single shot that is all of a clip is that clip. The
/// film's own colour space is its first clip's; where a config manages its colours, FilmColour knows more. Clips that
/// are known are opened when a picture of them is asked for. With `proxies`, clips that have one are read from it. An
/// error when there is no shot, or a clip or the config cannot be read.
Result<std::unique_ptr<ClipReader>> openFilm(const Project& project, FilmPictures pictures = FilmPictures::shown,
                                             const KnownClips& known = {}, const Progress& progress = {},
                                             const ProxyShelf* proxies = nullptr);

/// The first clip of a project that cannot be opened; empty when all can.
std::string missingClip(const Project& project);

} // namespace ember
