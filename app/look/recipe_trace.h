// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QPointF>
#include <QRectF>

#include "ember/core/survey.h"

class QPainter;

namespace ember::app {

/// What a recipe does alone, for a list: the way of the picture's corner at `count` moments, the largest 1, and how
/// strongly it is felt there, 0 to 1. Long recipes show their first four seconds.
struct RecipeTrace {
    std::vector<Way> way;
    std::vector<double> heat;
};
RecipeTrace traceOf(const Recipe& recipe, const Project& like, int count);

/// A project with this recipe alone, struck once at `frame`.
Project strikeAlone(const Project& like, const Recipe& recipe, std::int64_t frame);

/// The lines of a trace, down over sideways, over its heat.
void paintRecipeTrace(QPainter& painter, const QRectF& place, const RecipeTrace& trace);

} // namespace ember::app
