// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QFont>

class QApplication;
class QPainter;
class QWidget;

namespace ember::app {

/// The colours and letters of the night foundry (see docs/decisions/0002-look.md).
namespace theme {

/// Dark for a dark room, light for a bright one. Around the picture both are the same neutral grey.
enum class Scheme { dark, light };

inline QColor window;
inline QColor panel;
inline QColor raised;
inline QColor line;
inline QColor text;
inline QColor dim;
inline QColor faint;
inline QColor secondInk; ///< the second of two curves
inline QColor copper;    ///< selection, playhead and focus, nothing else
inline const QColor surround{0x3b, 0x3b, 0x3b};
inline const QColor onSurround{0xd4, 0xd4, 0xd4};

/// Intensity as heat, 0 to 1: slate, dull red, orange, pale yellow; above 1 white (bright yellow on light paper). For
/// intensity and nothing else.
QColor heat(double intensity);

QFont words(int pixels = 13, bool bold = false);
QFont numbers(int pixels = 12);

/// Loads the fonts and dresses the application in the scheme that was chosen last.
void apply(QApplication& application);
/// The scheme that was chosen last; dark at first.
Scheme storedScheme();
void storeScheme(Scheme chosen);
Scheme scheme();
/// Other colours, at once and everywhere.
void setScheme(QApplication& application, Scheme scheme);
/// Grows with each change of the scheme: pictures of it are then old.
int generation();
/// What a widget lies on; follows the scheme.
enum class Ground { floor, sheet, strip, rule };
void fill(QWidget& widget, Ground ground);
/// Dim letters, for what need not be read first; follows the scheme.
void setDim(QWidget& label, bool quiet = true);

/// Set by the rules of input on a widget to which the keys came by key: its focus is shown. By mouse one knows.
inline constexpr const char* focusShown = "focus-shown";
/// A line around a painted widget that has the focus, where it is to be shown.
void paintFocus(QPainter& painter, const QWidget& widget);

} // namespace theme
} // namespace ember::app
