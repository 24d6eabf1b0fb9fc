// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>

#include "ember/core/project.h"
#include "ember/media/clip.h"

namespace ember {

/// Where the sound of a film is read, and which of its seconds is the film's second 0.
struct SoundSource {
    std::string path;
    double originSeconds = 0;

    bool operator==(const SoundSource&) const = default;
};

/// The project's own sound file, else the clip's sound, laid as late as the project says. Nothing where there is none.
std::optional<SoundSource> soundOf(const Project& project, const ClipInfo& clip);

} // namespace ember
