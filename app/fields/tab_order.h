// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QList>
#include <QRect>

class QWidget;

namespace ember::app {

/// The order in which one reads places on a page: rows from the top, in a row from the left. Places are in a row when
/// the middle of one lies within the height of the row's first. Gives indices into `places`.
std::vector<std::size_t> readingOrder(const std::vector<QRect>& places);

/// Set on what stands in a row however high it is drawn (values on a curve): it is read from the left within the widget
/// it lies on, and what it lies on comes after it.
inline constexpr const char* readAcross = "read-across";

/// The widgets of a region that Tab stops at, in reading order. What others lie on comes after them.
QList<QWidget*> tabStops(const QWidget& region);

/// The stop after (or before) `from`, around the end; null where there is none.
QWidget* nextStop(const QList<QWidget*>& stops, const QWidget* from, bool forward);

} // namespace ember::app
