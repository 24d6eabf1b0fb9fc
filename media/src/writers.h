// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "av.h"
#include "ember/media/film_writer.h"

namespace ember {

Result<std::unique_ptr<FilmWriter>> createStreamWriter(const std::string& path, const FilmSettings& settings);
Result<std::unique_ptr<FilmWriter>> createPictureWriter(const std::string& path, const FilmSettings& settings);

/// What FFmpeg calls the container of a film.
const char* containerName(FilmFormat format);
/// The coder of a format's sound; null where it has none.
const AVCodec* soundEncoder(FilmFormat format);

} // namespace ember
