// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include <QWidget>

#include "axis_map.h"
#include "ember/core/captured.h"
#include "paper.h"

namespace ember::app {

/// Where the rows of a filmed motion lie. No painting.
struct MotionLayout {
    EvenMap map; ///< frames of the motion
    QRectF paper;
    std::array<QRectF, 4> rows; ///< x, y, roll, zoom
    QRectF confidence;
    QRectF ruler;

    static MotionLayout of(QSizeF size, std::size_t frames);
    enum class Grip { none, first, last };
    /// The end of the stretch under a place; the nearer one where both are.
    Grip gripAt(QPointF place, std::size_t first, std::size_t last) const;
};

/// A filmed motion as a seismogram: a row for each axis, how sure each frame is under them, frames that were bridged
/// marked, and the stretch that is kept between two ends that can be dragged.
class MotionView : public QWidget {
    Q_OBJECT
public:
    explicit MotionView(QWidget* parent = nullptr);

    /// The whole motion, and what of it is shown: as it will be kept.
    void setMotion(const CapturedMotion& shaped);
    void setStretch(std::size_t first, std::size_t last);
    MotionLayout layoutNow() const { return MotionLayout::of(QSizeF(size()), motion_.frames.size()); }

    QSize sizeHint() const override { return {560, 330}; }

signals:
    void stretchWished(qulonglong first, qulonglong last);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    bool event(QEvent* event) override; ///< tooltips

private:
    void paintPaper(QPainter& p, const MotionLayout& layout) const;
    void drag(double x);

    CapturedMotion motion_;
    std::size_t first_ = 0;
    std::size_t last_ = 0;
    MotionLayout::Grip held_ = MotionLayout::Grip::none;
    Paper paper_;
};

} // namespace ember::app
