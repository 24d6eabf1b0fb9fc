// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "ember/film/film_colour.h"
#include "ember/film/render_film.h"
#include "frame_supply.h"
#include "sound_supply.h"

namespace ember {

/// One film that is being rendered: its file, its sounds, and what is worth telling of it.
class FilmOutput {
public:
    /// Says why it cannot be made, before anything is written. `info`: what openFilm told; `colour`: null where none
    /// manages the colours.
    Status prepare(const Project& project, const ClipInfo& info, const FilmColour* colour, RenderFile file,
                   const RenderOptions& options);

    const std::string& path() const { return file_.path; }
    /// The pictures it wants.
    PictureForm form() const { return {file_.form.width, file_.form.height, form_.depth, form_.colour, form_.space}; }
    /// Of a series that is gone on with: there already.
    bool has(Frame frame) const;

    /// The next frame, its picture null where there is one already; the sound as far as it. What went wrong is kept,
    /// and nothing is written any more.
    void add(const ImagePtr& picture, double secondsDone);
    bool failed() const { return error_.has_value(); }
    /// Ends the film; `damage` is told with what else is worth telling.
    Result<Phrase> finish(const Phrase& damage);

private:
    RenderFile file_;
    FilmForm form_;
    SoundSupply sound_;
    std::unique_ptr<FilmWriter> writer_;
    bool resumed_ = false;
    std::int64_t kept_ = 0; ///< pictures that were there
    std::vector<Phrase> told_;
    std::optional<Error> error_;
};

/// What films say of themselves as a whole: timecode of the first frame, metadata and chapters.
void tellWhole(FilmSettings& settings, const Project& project, const ClipInfo& info, Frame first, Frame last);

} // namespace ember
