// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "dialogs.h"
#include "messages.h"
#include "open_document.h"
#include "shaping.h"

class QPushButton;

namespace ember::app {

class ControlGrid;

/// What the strikes of the recipe sound like: one of the made sounds or a file, and how loud.
class SoundBlock : public QWidget {
    Q_OBJECT
public:
    SoundBlock(OpenDocument& document, Shaping& shaping, Messages& messages, Dialogs dialogs,
               QWidget* parent = nullptr);
    void refresh();

private:
    void chooseFile();

    OpenDocument& document_;
    Shaping& shaping_;
    Messages& messages_;
    const Dialogs dialogs_;
    ControlGrid* grid_;
    QPushButton* file_;
};

} // namespace ember::app
