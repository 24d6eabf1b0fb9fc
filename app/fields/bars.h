// SPDX-License-Identifier: GPL-3.0-or-later
// Values that are drawn and dragged: strength, direction, amounts.
#pragma once

#include <functional>

#include <QString>
#include <QWidget>

namespace ember::app {

/// A drawn value that is dragged: each move is a wish of one gesture, and Escape takes the gesture back.
class DraggedValue : public QWidget {
    Q_OBJECT
public:
    using QWidget::QWidget;
    /// Where a drag gets its identity from (OpenDocument::newGesture).
    std::function<quint64()> gestureSource;

signals:
    void wished(double value, quint64 gesture);
    /// What the gesture did is to be undone.
    void abandoned(quint64 gesture);

protected:
    /// The value that is meant at a place; `fine` while Shift is held. NaN where none is.
    virtual double valueAt(QPointF place, bool fine) const = 0;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override; ///< while it is held: keys are its own
    bool held() const { return held_; }

private:
    void wishAt(const QMouseEvent& event);
    void letGo();

    bool held_ = false;
    quint64 gesture_ = 0;
};

/// Strength as a bar of heat, 0 to 200 %, with a grip to drag.
class StrengthBar : public DraggedValue {
    Q_OBJECT
public:
    explicit StrengthBar(QWidget* parent = nullptr);
    void setValue(double strength);
    QSize sizeHint() const override { return {150, 24}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    double valueAt(QPointF place, bool fine) const override;

private:
    double value_ = 1;
};

/// The direction of a blow as a needle on a dial; drag it round.
class DirectionDial : public DraggedValue {
    Q_OBJECT
public:
    explicit DirectionDial(QWidget* parent = nullptr);
    /// `bySeed`: no direction is set, the seed decides.
    void setValue(double degrees, bool bySeed);
    /// Not to be turned, for a reason that its tooltip tells; an empty one gives it back.
    void setBarred(const QString& reason);
    QSize sizeHint() const override { return {44, 44}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    double valueAt(QPointF place, bool fine) const override;

private:
    double value_ = 90;
    bool bySeed_ = false;
};

/// How far a strand goes on one axis, as a bar: its sign stays as it is while it is dragged.
class AmountBar : public DraggedValue {
    Q_OBJECT
public:
    /// `full`: the amount a whole bar stands for; steps are a hundredth of it, a thousandth while Shift is held.
    AmountBar(double full, QWidget* parent = nullptr);
    void setValue(double amount);
    void setFull(double full) { full_ = full; }
    QSize sizeHint() const override { return {120, 20}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    double valueAt(QPointF place, bool fine) const override;

private:
    double full_;
    double value_ = 0;
};

} // namespace ember::app
