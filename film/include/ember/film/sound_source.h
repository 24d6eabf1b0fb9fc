// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "ember/core/project.h"
#include "ember/media/clip.h"
#include "ember/media/sound_reader.h"

namespace ember {

/// The sound of one shot within a film's, in seconds of the film.
struct SoundPart {
    std::string path;
    double originSeconds = 0; ///< of the file, where the shot begins
    double start = 0;
    double end = 0;
    double speed = 1; ///< seconds of the file in one of the film; it sounds as much higher
    int track = 0;    ///< which of the file's sounds

    bool operator==(const SoundPart&) const = default;
};

/// Where the sound of a film is read, and which of its seconds is the film's second 0.
struct SoundSource {
    std::string path; ///< of a sound of parts: of the first
    double originSeconds = 0;
    std::vector<SoundPart> parts = {}; ///< those of its shots, in order; between them there is silence
    int track = 0;                     ///< of a sound without parts

    bool operator==(const SoundSource&) const = default;
};

/// The project's own sound file, else the sounds of its clips, laid as late as the project says. Nothing where there is
/// none. `film`: what openFilm told. `track`: of clips with several sounds, which one; a sound file has its first only.
std::optional<SoundSource> soundOf(const Project& project, const ClipInfo& film, int track = 0);

/// The sound as one stream; each file is opened once for each shot. Of several, the first one's format is asked about.
/// An error where a file cannot be read.
Result<std::unique_ptr<SoundReader>> openSoundBy(const SoundReader::Choice& choice, const SoundSource& source);
Result<std::unique_ptr<SoundReader>> openSound(const SoundSource& source, SoundReader::Format wanted);

} // namespace ember
