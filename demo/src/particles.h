// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QPainter;
class QPointF;

namespace ember::demo {

struct Fountain {
    double x;
    double y;
    int count;
    double speed;  ///< pixels a frame
    double spread; ///< radians to each side of straight up
    double life;   ///< frames
    double size;   ///< line width
    unsigned seed;
};

/// Sparks thrown `age` frames ago, in flight under gravity, as short streaks that cool from white to red. Light is
/// added.
void drawSparks(QPainter& painter, const Fountain& fountain, double age);

struct Plume {
    double x;
    double y;
    int count;
    double rise; ///< pixels a frame
    double size; ///< pixels at the end of a puff's life
    double life; ///< frames
    double glow; ///< how much the fire lights it, 0 to 1
    unsigned seed;
};

/// Smoke or steam let off `age` frames ago.
void drawPlume(QPainter& painter, const Plume& plume, double age);

} // namespace ember::demo
