// SPDX-License-Identifier: GPL-3.0-or-later
// One film of pieces that were coded apart.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "ember/core/progress.h"
#include "ember/media/film_writer.h"

namespace ember {

/// A film made by FilmWriter with the size, coder, quality and tags of the whole, which begins anew with a key picture.
struct FilmPiece {
    std::string path;
    std::int64_t frames = 0; ///< it has
};

/// How many frames are coded with regard to each other, so that a film cut at multiples of it is coded into the same
/// pictures, bit for bit: 1 where each picture stands for itself. Coders that are not lossless are never cut as exactly
/// as that; for them it is 1.
std::int64_t framesCodedTogether(FilmFormat format, Coder coder, FrameRate rate);

/// Writes the pieces' coded pictures one behind the other, and the sounds of the first, which are the whole film's, as
/// they are. Of the settings it takes format, rate, metadata, chapters, timecode and whether something may be
/// overwritten. A piece with more or fewer pictures, or coded otherwise than the first, is an error, and nothing is
/// made.
Status joinFilms(const std::string& path, const std::vector<FilmPiece>& pieces, const FilmSettings& settings,
                 const Progress& progress);

} // namespace ember
