// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <vector>

#include <QPointF>
#include <QRectF>

#include "drag_edit.h"
#include "session.h"

class QKeyEvent;
class QPainter;
class QWheelEvent;

namespace ember::app {

/// Work by hand in the picture: the picture is dragged, rolled and zoomed to set keys on the frame on show, the path of
/// its centre is shown with its keys as dots that can be dragged. No widget: the view gives it its events.
class HandLayer : public QObject {
    Q_OBJECT
public:
    /// Where the frame lies in the view.
    struct Sight {
        QRectF frame;
        double scale = 1; ///< pixels of the view for one of the frame as it is shown now, cover included
    };
    HandLayer(Session& session, std::function<Sight()> sight);

    bool on() const { return session_.hand.on(); }
    bool held() const { return drag_.active(); }

    // Each returns whether the event was for it.
    bool press(QPointF place, Qt::MouseButton button);
    bool move(QPointF place);
    void letGo();
    bool wheel(const QWheelEvent& event);
    /// Whether a key means something here, which it then means before any shortcut.
    bool wants(const QKeyEvent& event) const;
    bool key(const QKeyEvent& event);
    Qt::CursorShape cursor(QPointF place) const;

    void paint(QPainter& painter) const;
    /// Where the dots of keys are, for hands and tests.
    struct DotPlace {
        double keyFrame = 0;
        QPointF at;
    };
    std::vector<DotPlace> dots() const;

private:
    /// Where the frame's middle is moved to at a time, in the view.
    QPointF placeOf(double filmFrame) const;
    std::optional<DotPlace> dotAt(QPointF place) const;
    void dragTo(QPointF place);
    void paintPath(QPainter& painter) const;
    void paintWords(QPainter& painter) const;

    Session& session_;
    std::function<Sight()> sight_;
    DragEdit drag_;
    QPointF content_;    ///< of what is held: where it lies from the middle when nothing moves, pixels of the frame
    double heldKey_ = 0; ///< the frame of the keys that is held
    bool dot_ = false;   ///< a dot is held and not the picture
    bool moved_ = false;
    QPointF pressed_;
    double wheelLeft_ = 0;
    std::int64_t wheelFrame_ = -1;
    OpenDocument::Gesture wheelGesture_ = 0; ///< turning on one frame is one step of undo
    Axis wheelAxis_ = Axis::roll;
};

} // namespace ember::app
