// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QColor>
#include <QRectF>

class QPainter;

namespace ember::app {

/// A bold line of motion, coloured where it is by how intense it is there, as a recorder draws it: each column of
/// pixels holds the line from its height there to the height in the next. Much faster than a pen, which would need a
/// stroke for each colour.
struct HeatLine {
    std::vector<double> y; ///< heights in pixels of the painter, one at each column's left side and one at the end
    std::vector<QColor> colours; ///< one for each column
};

/// The columns of a painter's device in a row: one for each of its pixels, whatever the scale.
int columnsOf(const QPainter& painter, const QRectF& row);
/// Draws within `row`, with a column for each of its pixels (columnsOf); `width` in pixels of the painter.
void paintHeatLine(QPainter& painter, const QRectF& row, const HeatLine& line, double width);

} // namespace ember::app
