// SPDX-License-Identifier: GPL-3.0-or-later
// Which frames of one edit are which frames of another.
#pragma once

#include <array>
#include <cstdint>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/image/image.h"

namespace ember {

/// What a frame looks and sounds like, so that it is known again in another edit: its parts' brightness against each
/// other, how its brightness changes, and how loud the sound is in each octave.
struct FramePrint {
    static constexpr std::size_t columns = 16;
    static constexpr std::size_t rows = 9;
    static constexpr std::size_t octaves = 8;
    static constexpr std::size_t looks = columns * rows + 2;

    std::array<float, looks> look{};
    std::array<float, octaves> sound{};
};

/// The prints of a film, frame by frame.
struct FilmPrint {
    std::vector<FramePrint> frames;
    bool heard = false; ///< there is a sound
};

/// Takes the print of a film, a frame after the other.
class FilmPrinter {
public:
    /// `samples`: what is heard while the frame is shown, of all channels; empty where there is no sound.
    void add(const Image& picture, const std::vector<float>& samples, int channels);
    FilmPrint finish();

private:
    static constexpr std::size_t changeOver = 4; ///< frames
    FilmPrint film_;
    std::vector<float> bright_; ///< of the last frames
};

/// Where a frame is in the other film.
struct FrameMatch {
    std::int64_t frame = -1; ///< -1: it is not there
    float likeness = 0;      ///< 0 to 1: how alike both are, against two frames that have nothing to do with each other

    bool operator==(const FrameMatch&) const = default;
};

/// For each frame of `before` the one of `after` that it is. Stretches that both have in common come out whole: it is
/// the alignment of both films with the greatest likeness, where every gap costs as much as some frames are worth
/// (Gotoh 1982). Stretches that are in another order are then looked for in what is left. An error when it is stopped
/// or when both films together are too long to be held against each other: the
/// product of their lengths may be 400 million frames (14 minutes at 24 against as many).
Result<std::vector<FrameMatch>> matchFrames(const FilmPrint& before, const FilmPrint& after, const Progress& progress);

} // namespace ember
