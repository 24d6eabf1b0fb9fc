// SPDX-License-Identifier: GPL-3.0-or-later
// The files that were used, as all programs of a desktop share them: recently-used.xbel of the freedesktop.org "Desktop
// Bookmarks" specification (XBEL with metadata).
#pragma once

#include <QByteArray>
#include <QDateTime>
#include <QString>

namespace ember::app {

/// Where the desktop keeps the list: recently-used.xbel in $XDG_DATA_HOME, or in ~/.local/share.
QString recentFilesPath();

/// The list with this file among the used ones, whatever else stands in it untouched; a new list where `list` is empty.
/// An empty array where `list` cannot be understood: it is another program's then, and left alone.
QByteArray withRecentFile(const QByteArray& list, const QString& file, const QString& mime, const QDateTime& when);

/// Puts the file into the desktop's list. What goes wrong is of no consequence and not told.
void tellDesktopUsed(const QString& file);

} // namespace ember::app
