// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/sound_source.h"

namespace ember {

std::optional<SoundSource> soundOf(const Project& project, const ClipInfo& clip)
{
    if (!project.sound.file.empty())
        return SoundSource{project.sound.file, -project.sound.offset};
    if (!clip.hasSound)
        return std::nullopt;
    return SoundSource{clip.path, clip.originSeconds - project.sound.offset};
}

} // namespace ember
