// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "session.h"

class QComboBox;

namespace ember::app {

class ValueField;

/// Where a drawn curve lies on its little paper: frames from the peak to the right, the value upwards. No painting.
struct DrawnLayout {
    QRectF plot;
    double firstFrame = -6;
    double lastFrame = 24;

    QPointF at(const DrawnKey& key) const { return {toX(key.frame), toY(key.value)}; }
    double toX(double frame) const
    {
        return plot.left() + (frame - firstFrame) / (lastFrame - firstFrame) * plot.width();
    }
    double toY(double value) const { return plot.center().y() - value * plot.height() / 2; }
    double toFrame(double x) const { return firstFrame + (x - plot.left()) / plot.width() * (lastFrame - firstFrame); }
    double toValue(double y) const { return (plot.center().y() - y) / (plot.height() / 2); }
};

/// Room for all keys and some beyond the last.
DrawnLayout layOutDrawn(const QSizeF& size, const std::vector<DrawnKey>& keys);
/// The key under a place, -1 when there is none.
int keyAt(const DrawnLayout& layout, const std::vector<DrawnKey>& keys, QPointF place);

/// The painted curve of one axis: click to add a key, drag to move one (whole frames, fractions with Shift), Delete to
/// take it away. The key on the peak stays at 1.
class DrawnCanvas : public QWidget {
    Q_OBJECT
public:
    DrawnCanvas(Session& session, std::size_t strand, QWidget* parent = nullptr);
    void setAxis(Axis axis);
    int selected() const { return selected_; }
    void select(int key);
    const std::vector<DrawnKey>& keys() const { return keys_; }
    /// Takes what the project holds.
    void refresh();
    void setKeys(std::vector<DrawnKey> keys, const QString& result, quint64 gesture);

    QSize sizeHint() const override { return {380, 96}; }

signals:
    void selectionChanged();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    Session& session_;
    std::size_t strand_;
    Axis axis_ = Axis::x;
    std::vector<DrawnKey> keys_;
    int selected_ = -1;
    DrawnLayout dragLayout_;
    bool dragging_ = false;
    bool moved_ = false;
    QPointF pressed_;
    QPointF grabOffset_;
    quint64 gesture_ = 0;
};

/// Simple drawing: which axis, its curve, and the selected key in numbers.
class DrawnEditor : public QWidget {
    Q_OBJECT
public:
    DrawnEditor(Session& session, std::size_t strand, QWidget* parent = nullptr);
    void refresh();

private:
    void refreshKey();
    void changeKey(const std::function<void(DrawnKey&)>& change, const QString& result, quint64 gesture);

    Session& session_;
    DrawnCanvas* canvas_;
    QComboBox* axis_;
    ValueField* frame_;
    ValueField* value_;
    QComboBox* ease_;
};

} // namespace ember::app
