// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "session.h"

class QComboBox;
class QLabel;
class QLineEdit;

namespace ember::app {

/// Edges and cover, in two rows that are always there.
class FinishBlock : public QWidget {
    Q_OBJECT
public:
    explicit FinishBlock(Session& session, QWidget* parent = nullptr);

signals:
    void renderAsked();

private:
    void refresh();

    Session& session_;
    QComboBox* edges_;
    QComboBox* cover_;
    QLineEdit* colour_;
    QLabel* coverSays_;
};

} // namespace ember::app
