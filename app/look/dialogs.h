// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include <QDialog>
#include <QString>
#include <QStringList>
#include <QWidget>

namespace ember::app {

enum class SaveChoice { save, discard, cancel };
/// A project's file was changed by somebody else since it was read.
enum class ChangedChoice { overwrite, elsewhere, cancel };

/// The files a chooser offers, as one of its filters.
namespace filter {
QString clips();    ///< films, and pictures as stills or numbered
QString pictures(); ///< one picture
/// Projects and timelines, and clips.
QString projects();
} // namespace filter

/// Everything the window asks a person in a window of its own, so that tests can answer.
struct Dialogs {
    std::function<QString(QWidget* parent, const QString& title, const QString& filter)> openFile;
    std::function<QStringList(QWidget* parent, const QString& title, const QString& filter)> openFiles;
    std::function<QString(QWidget* parent, const QString& title)> openFolder;
    std::function<QString(QWidget* parent, const QString& title, const QString& suggested, const QString& filter)>
        saveFile;
    std::function<SaveChoice(QWidget* parent, const QString& name)> unsavedChanges;
    std::function<bool(QWidget* parent, const QString& question, const QString& yes)> confirm;
    std::function<ChangedChoice(QWidget* parent, const QString& name)> changedOutside;

    /// Runs a window of ours until it is closed; true when it was accepted.
    std::function<bool(QDialog& dialog)> run;

    /// The desktop's own.
    static Dialogs standard();
};

} // namespace ember::app
