// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QString>

namespace ember::app {

/// The report on the last time the program ended by a fault, to be read, copied or deleted.
class CrashSheet : public QDialog {
    Q_OBJECT
public:
    /// Where reports are.
    static QString folder();
    /// Whether there is one that nobody has been told of; from now on it has.
    static bool takeNews();

    explicit CrashSheet(QWidget* parent);
};

} // namespace ember::app
