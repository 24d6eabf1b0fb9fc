// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QPointF>
#include <QRectF>

#include "drag_edit.h"
#include "session.h"

class QPainter;

namespace ember::app {

/// The point that zoom and roll of the selected strike's recipe go about, in the picture, to be dragged. Only where it
/// is not the frame's middle. No widget: the view gives it its events.
class PivotMark : public QObject {
    Q_OBJECT
public:
    explicit PivotMark(Session& session);

    /// Where it lies in a frame that lies so in the view; nothing where there is none.
    std::optional<QPointF> place(const QRectF& frame, double cover) const;
    bool press(QPointF at, const QRectF& frame, double cover);
    bool move(QPointF at, const QRectF& frame, double cover);
    void letGo() { drag_.end(); }
    bool held() const { return drag_.active(); }
    void cancel();
    void paint(QPainter& painter, const QRectF& frame, double cover) const;

private:
    Session& session_;
    DragEdit drag_;
};

} // namespace ember::app
