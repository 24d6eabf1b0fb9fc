// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "open_document.h"

class QComboBox;
class QToolButton;

namespace ember::app {

/// The finish in a few words at the foot of the side column: edges and cover are chosen here, blur and bars lead to
/// their page. And the way to the render.
class FinishBlock : public QWidget {
    Q_OBJECT
public:
    explicit FinishBlock(OpenDocument& document, QWidget* parent = nullptr);

signals:
    void finishAsked();
    void renderAsked();

private:
    QToolButton* word(const char* name, const QString& tip);
    void refresh();

    OpenDocument& document_;
    QComboBox* edges_;
    QComboBox* cover_;
    QToolButton* words_;
};

} // namespace ember::app
