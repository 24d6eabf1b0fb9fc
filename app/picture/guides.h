// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QRectF>
#include <QString>

class QPainter;

namespace ember::app {

/// Lines over the frame that stay where they are while the picture shakes.
struct Guides {
    bool centre = false;
    bool thirds = false;
    bool actionSafe = false; ///< 93 % of width and height (SMPTE ST 2046-1)
    bool titleSafe = false;  ///< 90 %
    std::vector<double> x;   ///< own upright lines, 0 to 1 of the width
    std::vector<double> y;   ///< own level lines, 0 to 1 of the height

    bool operator==(const Guides&) const = default;
};

void paintGuides(QPainter& painter, const QRectF& frame, const Guides& guides);

/// Own lines as they are typed: "x 25 %, x 75 %, y 50 %". What is no line, or lies outside the frame, is left out.
void setOwnLines(Guides& guides, const QString& text);
QString ownLines(const Guides& guides);

} // namespace ember::app
