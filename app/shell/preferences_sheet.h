// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

namespace ember::app {

class ValueField;

class PreferencesSheet : public QDialog {
    Q_OBJECT
public:
    explicit PreferencesSheet(QWidget* parent);
    /// It was measured.
    void refreshLatency();

signals:
    /// Something was set; it holds from now on.
    void changed();
    /// The sound device's latency is to be measured.
    void latencyAsked();

private:
    ValueField* latency_ = nullptr;
};

} // namespace ember::app
