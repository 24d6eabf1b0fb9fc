// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "open_document.h"

class QComboBox;
class QLabel;

namespace ember::app {

class ColourField;

/// Edges and cover, in two rows that are always there.
class FinishBlock : public QWidget {
    Q_OBJECT
public:
    explicit FinishBlock(OpenDocument& document, QWidget* parent = nullptr);

signals:
    void renderAsked();

private:
    void refresh();

    OpenDocument& document_;
    QComboBox* edges_;
    QComboBox* cover_;
    ColourField* colour_;
    QLabel* coverSays_;
};

} // namespace ember::app
