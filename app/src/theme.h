// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QFont>

class QApplication;

namespace ember::app {

/// The colours and letters of the night foundry (see docs/decisions/0002-look.md).
namespace theme {

inline const QColor window{0x17, 0x14, 0x12};
inline const QColor panel{0x1f, 0x1b, 0x18};
inline const QColor raised{0x29, 0x24, 0x1f};
inline const QColor line{0x3a, 0x33, 0x2c};
inline const QColor text{0xd9, 0xd0, 0xc3};
inline const QColor dim{0x9a, 0x8f, 0x80};
inline const QColor faint{0x6b, 0x62, 0x57};
inline const QColor copper{0x6f, 0xb3, 0xa2}; ///< selection, playhead and focus, nothing else
inline const QColor surround{0x3b, 0x3b, 0x3b};
inline const QColor onSurround{0xd4, 0xd4, 0xd4};

/// Intensity as heat, 0 to 1: slate, dull red, orange, pale yellow; above 1 white. For intensity and nothing else.
QColor heat(double intensity);

QFont words(int pixels = 13, bool bold = false);
QFont numbers(int pixels = 12);

/// Loads the fonts and sets palette and style sheet.
void apply(QApplication& application);

} // namespace theme
} // namespace ember::app
