// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include "anvil_geometry.h"
#include "ember/core/image.h"
#include "ember/core/motion.h"

class QPainter;

namespace ember::app {

/// All the Anvil's painter needs to know.
struct AnvilPicture {
    const Envelope& envelope;
    const Motion& motion;
    std::int64_t strikeFrame;
    double strength;
    std::int64_t playhead;
    std::int64_t length; ///< frames of the film
    Handle hovered;
    Handle dragged;
    double frameShape;                                       ///< width by height
    std::function<ImagePtr(std::int64_t frame)> shakenThumb; ///< of a film frame; null while it is not there
};

/// All that does not move while the film plays.
void paintAnvilPaper(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);
/// The playhead and the frame it is on, over the paper.
void paintAnvilPlayhead(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);

} // namespace ember::app
