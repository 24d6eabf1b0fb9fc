// SPDX-License-Identifier: GPL-3.0-or-later
#include "dialogs.h"

#include <QFileDialog>
#include <QMessageBox>
#include <QPushButton>

namespace ember::app {

namespace {
const QString pictureEndings = QStringLiteral("*.png *.jpg *.jpeg *.tif *.tiff *.webp *.exr");
const QString clipEndings = QStringLiteral("*.mp4 *.mov *.mkv *.webm *.avi *.gif ") + pictureEndings;
} // namespace

QString filter::clips()
{
    return QObject::tr("Clips and pictures (%1);;All files (*)").arg(clipEndings);
}

QString filter::pictures()
{
    return QObject::tr("Pictures (%1);;All files (*)").arg(pictureEndings);
}

QString filter::projects()
{
    return QObject::tr("Clips, projects and timelines (*.vember *.otio %1);;All files (*)").arg(clipEndings);
}

Dialogs Dialogs::standard()
{
    Dialogs dialogs;
    dialogs.openFile = [](QWidget* parent, const QString& title, const QString& filter) {
        return QFileDialog::getOpenFileName(parent, title, {}, filter);
    };
    dialogs.openFiles = [](QWidget* parent, const QString& title, const QString& filter) {
        return QFileDialog::getOpenFileNames(parent, title, {}, filter);
    };
    dialogs.openFolder = [](QWidget* parent, const QString& title) {
        return QFileDialog::getExistingDirectory(parent, title);
    };
    dialogs.saveFile = [](QWidget* parent, const QString& title, const QString& suggested, const QString& filter) {
        return QFileDialog::getSaveFileName(parent, title, suggested, filter);
    };
    dialogs.unsavedChanges = [](QWidget* parent, const QString& name) {
        QMessageBox box(QMessageBox::Question, QObject::tr("Unsaved changes"),
                        QObject::tr("%1 has changes that are not saved.").arg(name), QMessageBox::NoButton, parent);
        auto* save = box.addButton(QObject::tr("Save"), QMessageBox::AcceptRole);
        auto* discard = box.addButton(QObject::tr("Discard changes"), QMessageBox::DestructiveRole);
        box.addButton(QObject::tr("Stay here"), QMessageBox::RejectRole);
        box.setDefaultButton(save);
        box.exec();
        if (box.clickedButton() == save)
            return SaveChoice::save;
        return box.clickedButton() == discard ? SaveChoice::discard : SaveChoice::cancel;
    };
    dialogs.confirm = [](QWidget* parent, const QString& question, const QString& yes) {
        QMessageBox box(QMessageBox::Question, QObject::tr("Vast Ember"), question, QMessageBox::NoButton, parent);
        auto* accept = box.addButton(yes, QMessageBox::AcceptRole);
        box.addButton(QObject::tr("Stay here"), QMessageBox::RejectRole);
        box.exec();
        return box.clickedButton() == accept;
    };
    dialogs.changedOutside = [](QWidget* parent, const QString& name) {
        QMessageBox box(QMessageBox::Warning, QObject::tr("Changed by another program"),
                        QObject::tr("%1 was changed by another program since it was opened here. Saving over it loses "
                                    "what was changed there.")
                            .arg(name),
                        QMessageBox::NoButton, parent);
        auto* elsewhere = box.addButton(QObject::tr("Save under another name"), QMessageBox::AcceptRole);
        auto* overwrite = box.addButton(QObject::tr("Save over it"), QMessageBox::DestructiveRole);
        box.addButton(QObject::tr("Stay here"), QMessageBox::RejectRole);
        box.setDefaultButton(elsewhere);
        box.exec();
        if (box.clickedButton() == elsewhere)
            return ChangedChoice::elsewhere;
        return box.clickedButton() == overwrite ? ChangedChoice::overwrite : ChangedChoice::cancel;
    };
    dialogs.run = [](QDialog& dialog) { return dialog.exec() == QDialog::Accepted; };
    return dialogs;
}

} // namespace ember::app
