// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QTimer>

namespace ember::app {

/// A sentence beside the field it is about: what was typed there and was not taken. It goes when it is pressed, when
/// something else is typed, and by itself after a while.
class FieldNote : public QLabel {
    Q_OBJECT
public:
    /// Below `field`, or above it where there is no room; one note at a time in a window.
    static void tell(QWidget& field, const QString& sentence);
    static void clear(const QWidget& field);

protected:
    void mousePressEvent(QMouseEvent* event) override;

private:
    explicit FieldNote(QWidget* window);
    static FieldNote* of(const QWidget& field);
    QTimer gone_;
};

} // namespace ember::app
