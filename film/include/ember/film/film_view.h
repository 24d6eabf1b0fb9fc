// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include "ember/core/project.h"
#include "ember/image/convert.h"
#include "ember/media/clip.h"
#include "ember/render/frame.h"

namespace ember {

class FilmColour;

/// What a screen shows of a film that is rendered in light or codes of its own (FilmPictures::light), so that light
/// that is added in a view meets highlights that are still there.
class FilmView {
public:
    /// Null for a film that is rendered as the screen shows it: 8 bits, sRGB. `film`: as openFilm() tells it.
    static Result<std::shared_ptr<const FilmView>> of(const Project& project, const ClipInfo& film);

    /// That pictures are to be rendered in.
    Depth depth() const { return depth_; }
    ColourSpace colour() const { return colour_; }
    /// Such a picture as the screen shows it, quickly: see ScreenTable.
    ImagePtr of(const ImagePtr& rendered) const;
    /// The same by the config's own steps, 16 bits deep, or as of() has it where there is no config.
    ImagePtr exactly(const ImagePtr& rendered) const;
    /// The view in a few words, such as "PQ shown as SDR".
    const Phrase& words() const { return words_; }
    /// What is odd about the colours, as sentences.
    const std::vector<Phrase>& notes() const { return notes_; }

private:
    FilmView() = default;

    Depth depth_ = Depth::eight;
    ColourSpace colour_;
    std::optional<ScreenPictures> screen_;      ///< by the clips' tags
    std::shared_ptr<const FilmColour> managed_; ///< by a config
    Phrase words_;
    std::vector<Phrase> notes_;
};

/// What a screen shows of a frame that is rendered for it (see renderFrame); `view` may be null.
ImagePtr renderForScreen(const FilmView* view, const ImagePtr& source, FrameLook look, int width, int height);

} // namespace ember
