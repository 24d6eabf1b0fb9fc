// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

namespace ember::app {

/// What is said to the person. Whoever has something to say emits these.
class Messages : public QObject {
    Q_OBJECT
signals:
    /// A sentence for the status line.
    void told(const QString& text);
    /// Something went wrong: a sentence that stays until it is dismissed.
    void trouble(const QString& text);
};

} // namespace ember::app
