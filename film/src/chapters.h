// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "ember/core/project.h"
#include "ember/media/clip.h"

namespace ember {

/// The chapters of frames `first` to `last` of a film: those of its clips, where and as fast as its shots show them.
/// Parts of one chapter that follow each other are one. `info`: what openFilm() told.
std::vector<Chapter> chaptersOf(const Project& project, const ClipInfo& info, Frame first, Frame last);

} // namespace ember
