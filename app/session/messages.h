// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include "ember/core/error.h"

namespace ember::app {

/// What is said to the person. Whoever has something to say emits these.
class Messages : public QObject {
    Q_OBJECT
public:
    /// An error's sentence: trouble, or where it was stopped on request only a word.
    void wentWrong(const Error& error);

signals:
    /// A sentence for the status line.
    void told(const QString& text);
    /// Something went wrong: a sentence that stays until it is dismissed.
    void trouble(const QString& text);
};

} // namespace ember::app
