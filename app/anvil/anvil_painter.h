// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <memory>
#include <optional>
#include <vector>

#include <QString>

#include "anvil_geometry.h"
#include "ember/core/motion.h"
#include "ember/image/image.h"

class QPainter;

namespace ember::app {

/// What a lane of the Anvil draws: one strand's motion, or the motion as a whole.
struct LanePicture {
    QString name;
    QString amount;                       ///< "46 px", of the axis that is drawn
    std::shared_ptr<const Motion> motion; ///< of this strand alone
    Envelope envelope;                    ///< whose intensity colours it
    Axis axis = Axis::y;                  ///< the one that is drawn boldly
    std::optional<Axis> beside;           ///< drawn thinly behind it
    bool strand = true;                   ///< false: the whole motion, without switches
    bool on = true;                       ///< not muted
    bool solo = false;
    bool felt = true; ///< neither muted nor left out for another one's solo
    bool open = false;
};

/// All the Anvil's painter needs to know.
struct AnvilPicture {
    const Envelope& envelope;
    const std::vector<LanePicture>& lanes; ///< as many as the layout has
    const std::vector<Envelope>& ghosts;   ///< other envelopes of the recipe, drawn faintly
    const Motion& motion;
    std::int64_t strikeFrame;
    double strength;
    std::int64_t playhead;
    std::int64_t length;                   ///< frames of the film
    const std::vector<std::int64_t>& cuts; ///< frames on which other shots begin
    Handle hovered;
    Handle dragged;
    double frameShape;                                       ///< width by height
    std::function<ImagePtr(std::int64_t frame)> shakenThumb; ///< of a film frame; null while it is not there
    std::optional<std::size_t> laneTarget;                   ///< where a lane that is dragged would go
};

/// All that does not move while the film plays.
void paintAnvilPaper(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);
/// The playhead, the frame it is on and the lanes' values there, over the paper.
void paintAnvilPlayhead(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);

/// The lanes with their gutter.
void paintLanes(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);
/// Each lane's value under the playhead, right of it.
void paintLaneValues(QPainter& painter, const AnvilLayout& layout, const AnvilPicture& picture);
/// Size of the film frames' pictures.
QSizeF contactSize(const AnvilLayout& layout, double frameShape);

} // namespace ember::app
