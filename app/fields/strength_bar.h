// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include <QWidget>

namespace ember::app {

/// Strength as a bar of heat, 0 to 200 %, with a grip to drag.
class StrengthBar : public QWidget {
    Q_OBJECT
public:
    explicit StrengthBar(QWidget* parent = nullptr);
    void setValue(double strength);
    std::function<quint64()> gestureSource;
    QSize sizeHint() const override { return {150, 20}; }

signals:
    void wished(double strength, quint64 gesture);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    void wishAt(double x);
    double value_ = 1;
    quint64 gesture_ = 0;
};

/// The direction of a blow as a needle on a dial; drag it round.
class DirectionDial : public QWidget {
    Q_OBJECT
public:
    explicit DirectionDial(QWidget* parent = nullptr);
    /// `bySeed`: no direction is set, the seed decides.
    void setValue(double degrees, bool bySeed);
    /// Not to be turned, for a reason that its tooltip tells; an empty one gives it back.
    void setBarred(const QString& reason);
    std::function<quint64()> gestureSource;
    QSize sizeHint() const override { return {36, 36}; }

signals:
    void wished(double degrees, quint64 gesture);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    void wishAt(QPointF place, bool fine);
    double value_ = 90;
    bool bySeed_ = false;
    quint64 gesture_ = 0;
};

} // namespace ember::app
