// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include <QWidget>

#include "ember/core/field.h"
#include "ember/core/typed.h"

class QLineEdit;

namespace ember::app {

/// A number that is plain text until it is touched: drag it sideways, turn the wheel, press the arrow keys, or click
/// (or press Enter) and type. Ctrl+click resets it: to its recipe's value where it is the strike's own, else to its
/// default. It does not hold the truth: it shows what setValue() gives it and tells what was wished for.
class ValueField : public QWidget {
    Q_OBJECT
public:
    /// Percent fields show 100 times the value.
    explicit ValueField(const FieldSpec& spec, QWidget* parent = nullptr);

    void setSpec(const FieldSpec& spec);
    void setValue(double value);
    double value() const { return value_; }
    /// Several values that differ: a dash is shown, and edits set them all.
    void setMixed(bool mixed);
    /// Set by the strike itself and not by its recipe: shown with a mark.
    void setOwn(bool own);
    /// Not to be touched, for a reason that its tooltip tells; an empty reason gives it back.
    void setBarred(const QString& reason);
    /// Whole numbers only.
    void setWhole(bool whole) { whole_ = whole; }
    /// Shows a number of frames in frames or in seconds; either can be typed ("12 f", "0.5 s").
    void setTime(double framesPerSecond, bool inSeconds);

    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

    /// What is written on it.
    QString shownText() const;

signals:
    /// A wish; `gesture` is the same for all wishes of one drag, 0 for those that stand alone (typing, reset).
    void wished(double value, quint64 gesture);
    /// Typing ended; the focus is the field's again.
    void typed();

public:
    /// Where a drag gets its identity from (Session::newGesture).
    std::function<quint64()> gestureSource;
    /// What Ctrl+click does; without it the default is wished for.
    std::function<void()> resetAction;
    /// Takes a typed change of the value that is there ("+10%", "*2") where several values are shown at once.
    std::function<void(const TypedChange&)> changeEach;

protected:
    bool event(QEvent* event) override; ///< keeps the arrow and Enter keys from the window's shortcuts
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void enterEvent(QEnterEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override; ///< Escape leaves the editor without taking

private:
    void beginTyping();
    void endTyping(bool take);
    void wish(double value, quint64 gesture);
    quint64 runGesture();
    double shownFactor() const;
    bool isTime() const { return spec_.unit == "frames"; }
    /// What a typed text stands for.
    std::optional<TypedChange> typedChange(const QString& text) const;

    FieldSpec spec_;
    double value_ = 0;
    bool mixed_ = false;
    bool own_ = false;
    QString barred_; ///< why, when it is
    bool whole_ = false;
    bool hovered_ = false;
    double framesPerSecond_ = 0; ///< 0: not known, frames only
    bool inSeconds_ = false;
    QLineEdit* editor_ = nullptr;
    QPoint pressed_;
    double pressedValue_ = 0;
    bool dragging_ = false;
    quint64 gesture_ = 0;
    quint64 run_ = 0; ///< gesture of the current run of wheel or arrow steps
    qint64 runAt_ = 0;
};

} // namespace ember::app
