// SPDX-License-Identifier: GPL-3.0-or-later
// The sounds of a film that is rendered, handed over in step with its pictures.
#pragma once

#include <memory>
#include <vector>

#include <ebur128.h>

#include "ember/film/film_sound.h"
#include "ember/film/render_film.h"

namespace ember {

class SoundSupply {
public:
    /// Opens all sounds of a film; what is asked for and cannot be read is an error. `info`: what openFilm told.
    /// Those of the whole film for its first part, none for others.
    Status open(const Project& project, const ClipInfo& info, FilmFormat format, Coder coder,
                const RenderOptions& options);
    /// What the writer is to make of them.
    std::vector<FilmTrack> tracks() const;
    /// Up to `seconds` after the first frame.
    Status giveUntil(FilmWriter& writer, double seconds);
    /// Of a part that has the sounds of the whole: what is behind its pictures.
    Status giveRest(FilmWriter& writer);
    /// What is worth telling of them: copies, and how loud strikes are (EBU R 128).
    std::vector<Phrase> told() const;

private:
    struct FreeMeter {
        void operator()(ebur128_state* state) const { ebur128_destroy(&state); }
    };
    struct Sound {
        FilmTrack track;
        std::unique_ptr<SoundReader> reader; ///< null of one that is copied
        std::int64_t start = 0;
        std::int64_t position = 0;
    };
    Status add(const FilmSound& sound, SoundTrack about, FilmFormat format);
    Phrase loudness() const;

    std::vector<Sound> sounds_;
    double seconds_ = 0;                              ///< how long they are
    double given_ = 0;                                ///< of them
    std::unique_ptr<ebur128_state, FreeMeter> meter_; ///< of the first, where strikes are heard
};

} // namespace ember
