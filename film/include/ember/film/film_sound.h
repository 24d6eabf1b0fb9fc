// SPDX-License-Identifier: GPL-3.0-or-later
// What a film sounds like: its soundtrack and the sounds of its strikes.
#pragma once

#include <memory>
#include <optional>
#include <string>

#include "ember/core/project.h"
#include "ember/film/sound_source.h"
#include "ember/media/sound_reader.h"

namespace ember {

/// Everything that decides how a film sounds.
struct FilmSound {
    std::optional<SoundSource> track;
    std::vector<HeardStrike> strikes;

    bool any() const { return track.has_value() || !strikes.empty(); }
    bool operator==(const FilmSound&) const = default;
};
/// `clip` is nothing while no clip is open.
FilmSound filmSoundOf(const Project& project, const ClipInfo& clip);

/// The sound of a film as one stream, from any place, to the sample and to the bit. Without strikes that are heard it
/// is the soundtrack itself. With them, each is laid on the first instant of its frame, and their sum with the
/// soundtrack is kept a decibel below full scale, between its samples too. Where the format asks for the file's and
/// there is none: 48 kHz stereo. An error where the soundtrack or a strike's own sound file cannot be read.
Result<std::unique_ptr<SoundReader>> openFilmSoundBy(const SoundReader::Choice& choice, const FilmSound& sound);
Result<std::unique_ptr<SoundReader>> openFilmSound(const FilmSound& sound, SoundReader::Format wanted);

/// Writes the film's intensity as a sound that is felt rather than heard: a sine of `hertz` (10 to 120), as high as the
/// picture shakes, full scale at 100 %; mono, 16 bits, 48 kHz, WAV. For a subwoofer or a shaker under a seat.
Status writeRumbleTrack(const Project& project, double hertz, const std::string& path, bool overwrite,
                        const std::string& projectPath = {});

} // namespace ember
