// SPDX-License-Identifier: GPL-3.0-or-later
// The finished pictures of a film, for those who want pictures and no file.
#pragma once

#include <cstdint>
#include <memory>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/image/image.h"

namespace ember {

class FrameSupply;

/// A project's frames one after the other, as a render has them before they are coded: of the size, depth and colour
/// space of the film. They are decoded and shaken ahead on threads of their own.
class FilmFrames {
public:
    /// Frames `first` to `last`, both included. `width`, `height`: 0 for the project's; another shape than the
    /// project's is filled from the inside, with black bars. `threads`: 0 for as many as the machine has. An error
    /// where there are no such frames, or a clip, a layer or the colour config cannot be read.
    static Result<FilmFrames> open(const Project& project, Frame first, Frame last, int width = 0, int height = 0,
                                   int threads = 0);
    ~FilmFrames();
    FilmFrames(FilmFrames&&) noexcept;
    FilmFrames& operator=(FilmFrames&&) noexcept;

    /// The next one; null behind the last.
    Result<ImagePtr> next();

private:
    FilmFrames(std::unique_ptr<FrameSupply> supply, std::int64_t left);

    std::unique_ptr<FrameSupply> supply_;
    std::int64_t left_ = 0;
};

} // namespace ember
