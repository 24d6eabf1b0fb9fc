// SPDX-License-Identifier: GPL-3.0-or-later
// Painted instruments for screen readers and other assistive programs.
#pragma once

#include <functional>
#include <optional>
#include <utility>
#include <vector>

#include <QAccessible>
#include <QRect>
#include <QString>

namespace ember::app {

/// A number that a part stands for and that can be set.
struct PaintedNumber {
    double now;
    double min;
    double max;
    double step;
    std::function<void(double)> set; ///< a value in range
};

/// A part of a painted widget: a lane, a spark. It is told by name and value, and does what its actions say.
struct PaintedPart {
    QString name;
    QString value; ///< "30 px"; may be empty
    QRect place;   ///< in the widget
    QAccessible::Role role = QAccessible::ListItem;
    std::optional<bool> checked; ///< of what is on or off
    bool selected = false;
    std::optional<PaintedNumber> number;
    /// What can be done with it, the usual thing first.
    std::vector<std::pair<QString, std::function<void()>>> actions;
};

/// A widget that is painted, and whose parts are to be known.
class PaintedParts {
public:
    virtual ~PaintedParts() = default;
    virtual std::vector<PaintedPart> paintedParts() = 0;
};

/// Makes the parts of every PaintedParts widget known, from now on.
void installPaintedAccess();

} // namespace ember::app
