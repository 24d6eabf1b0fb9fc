// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include <QWidget>

#include "ember/core/project.h"
#include "painted_access.h"
#include "top_layout.h"

namespace ember::app {

/// Events around the camera from above, with rings of equal strength and of equal delay. What is chosen is dragged, or
/// moved with the arrow keys; the wheel zooms.
class TopView : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    explicit TopView(QWidget* parent = nullptr);

    /// `now`: where the camera is looked at.
    void show(const World& world, FrameRate rate, FrameTime now, std::vector<TopEvent> events);
    TopMap mapNow() const;
    /// Fits everything in again.
    void fit();

    /// Where a drag gets its identity from.
    std::function<quint64()> gestureSource;

    /// The events.
    std::vector<PaintedPart> paintedParts() override;

    QSize sizeHint() const override { return {420, 420}; }
    QSize minimumSizeHint() const override { return {220, 180}; }

signals:
    void chosen(int event);
    void moved(int event, const ember::WorldPoint& to, quint64 gesture);
    /// A double click where nothing is.
    void placeWished(const ember::WorldPoint& at);

protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    int chosenEvent() const;

    World world_;
    FrameRate rate_;
    FrameTime now_ = 0;
    std::vector<TopEvent> events_;
    std::optional<double> zoom_; ///< pixels a metre, where it was chosen by hand
    std::optional<TopMap> held_; ///< while something is dragged
    int grabbed_ = -1;
    QPointF grip_; ///< from the pointer to the event
    bool moved_ = false;
    quint64 gesture_ = 0;
};

} // namespace ember::app
