// SPDX-License-Identifier: GPL-3.0-or-later
// Columns and rows of widgets, with their distances.
#pragma once

#include <QHBoxLayout>
#include <QMargins>
#include <QVBoxLayout>

namespace ember::app {

/// As the style has it.
inline constexpr int usualSpacing = -1;
inline constexpr QMargins usualMargins(-1, -1, -1, -1);

/// What lies within a widget, from top to bottom. `spacing` and margins in pixels.
QVBoxLayout* newColumn(QWidget* of, int spacing, const QMargins& margins = usualMargins);
/// To be put into another layout.
QVBoxLayout* newColumn(int spacing, const QMargins& margins = usualMargins);

/// The same from left to right.
QHBoxLayout* newRow(QWidget* of, int spacing, const QMargins& margins = usualMargins);
QHBoxLayout* newRow(int spacing, const QMargins& margins = usualMargins);

} // namespace ember::app
