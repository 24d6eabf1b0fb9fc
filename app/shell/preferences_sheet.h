// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

namespace ember::app {

class PreferencesSheet : public QDialog {
    Q_OBJECT
public:
    explicit PreferencesSheet(QWidget* parent);

signals:
    /// Something was set; it holds from now on.
    void changed();
};

} // namespace ember::app
