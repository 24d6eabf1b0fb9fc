// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "dialogs.h"
#include "session.h"

class QPushButton;

namespace ember::app {

class ControlGrid;

/// What the strikes of the recipe sound like: one of the made sounds or a file, and how loud.
class SoundBlock : public QWidget {
    Q_OBJECT
public:
    SoundBlock(Session& session, Dialogs dialogs, QWidget* parent = nullptr);
    void refresh();

private:
    void chooseFile();

    Session& session_;
    const Dialogs dialogs_;
    ControlGrid* grid_;
    QPushButton* file_;
};

} // namespace ember::app
