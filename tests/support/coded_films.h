// SPDX-License-Identifier: GPL-3.0-or-later
// Films of colour bars, their frames as their decoders give them, and what ffprobe says of them.
#pragma once

#include <memory>
#include <string>

#include <QStringList>

#include "ember/core/project.h"
#include "ember/film/render_film.h"
#include "ember/media/clip.h"

namespace ember::test {

inline constexpr int codedWidth = 288;
inline constexpr int codedHeight = 64;
inline constexpr int codedStrike = 6; ///< the frame of the one strike of projectOf(), of twelve

/// For renders that nobody watches.
bool goOn(const RenderProgress&);

/// A value of the film's picture stream, as ffprobe has it.
QString probed(const std::string& path, const char* key);

/// What the decoder gives of every frame, as sums.
QStringList frameSums(const std::string& path);

Result<std::unique_ptr<ClipReader>> openedAsStored(const std::string& path);

/// A project of the clip with one hit, uncovered.
Project projectOf(const std::string& path);

/// A grey ramp and colour patches, twelve frames, in a film made by FFmpeg.
bool madeFilm(const QString& path, const QString& pixels, const QStringList& coding, const QStringList& tags);

/// The options of FFmpeg that tag a film as BT.2020 with this transfer.
QStringList hdrTags(const char* transfer);

/// Checks that frames before the strike are the clip's own, and at least one of the others is not.
void restIsUntouched(const QStringList& before, const QStringList& after);

} // namespace ember::test
