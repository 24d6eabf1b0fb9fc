// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include <QString>

#include "anvil_geometry.h"
#include "ember/core/motion.h"
#include "ember/image/image.h"

class QPainter;

namespace ember::app {

/// All the Anvil's painter needs to know.
struct StrandPicture {
    QString name;
    Motion motion; ///< of this strand alone
    bool muted;
};

struct AnvilPicture {
    const Envelope& envelope;
    const std::vector<StrandPicture>& strands; ///< as many as the layout has rows for
    const std::vector<Envelope>& ghosts;       ///< other envelopes of the recipe, drawn faintly
    const Motion& motion;
    std::int64_t strikeFrame;
    double strength;
    std::int64_t playhead;
    std::int64_t length;                   ///< frames of the film
    const std::vector<std::int64_t>& cuts; ///< frames on which other shots begin
    Handle hovered;
    Handle dragged;
    std::function<QString(double frames)> lengthText;        ///< in frames or in seconds
    double frameShape;                                       ///< width by height
    std::function<ImagePtr(std::int64_t frame)> shakenThumb; ///< of a film frame; null while it is not there
};

/// All that does not move while the film plays.
void paintAnvilPaper(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);
/// The playhead and the frame it is on, over the paper.
void paintAnvilPlayhead(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);

} // namespace ember::app
