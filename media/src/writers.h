// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "av.h"
#include "ember/media/film_writer.h"

namespace ember {

Result<std::unique_ptr<FilmWriter>> createStreamWriter(const std::string& path, const FilmSettings& settings);
Result<std::unique_ptr<FilmWriter>> createPictureWriter(const std::string& path, const FilmSettings& settings);

/// What FFmpeg calls the container of a film.
const char* containerName(FilmFormat format);
/// Frames from one key picture to the next: a second, for films of ours are cut, shaken and jumped about in again.
int keyPictureEvery(FrameRate rate);
/// The coder of a format's sound; null where it has none.
const AVCodec* soundEncoder(FilmFormat format);

} // namespace ember
