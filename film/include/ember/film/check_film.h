// SPDX-License-Identifier: GPL-3.0-or-later
// Whether a film can be watched without harm: its motion, and the light of its finished frames.
#pragma once

#include <vector>

#include "ember/analysis/flashes.h"
#include "ember/core/comfort.h"
#include "ember/core/error.h"
#include "ember/film/render_film.h"

namespace ember {

/// Flashes of the finished frames [first, last], which are rendered for it at most 480 pixels wide.
Result<std::vector<FlashViolation>> flashesOf(const Project& project, Frame first, Frame last,
                                              const RenderWatcher& watcher);

/// One sentence: what flashes, where, by how much.
Phrase flashSentence(const FlashViolation& violation);

} // namespace ember
