// SPDX-License-Identifier: GPL-3.0-or-later
#include "hand_layer.h"

#include <algorithm>
#include <cmath>

#include <QKeyEvent>
#include <QPainter>
#include <QPainterPath>
#include <QWheelEvent>

#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr double dotRadius = 4.5;
constexpr double grabRadius = 9;
constexpr double dragThreshold = 2;
constexpr double rollPerNotch = 0.1;   // degrees
constexpr double zoomPerNotch = 0.005; // ratio
constexpr QColor ink(255, 255, 255, 230);
constexpr QColor shade(0, 0, 0, 150);

QPointF shiftOf(const AxisValues& moves)
{
    return {moves[Axis::x], moves[Axis::y]};
}

HandPose shifted(QPointF to)
{
    HandPose pose;
    pose.moves[Axis::x] = to.x();
    pose.moves[Axis::y] = to.y();
    pose.axis[static_cast<std::size_t>(Axis::x)] = pose.axis[static_cast<std::size_t>(Axis::y)] = true;
    return pose;
}
} // namespace

HandLayer::HandLayer(Session& session, std::function<Sight()> sight)
    : session_(session), sight_(std::move(sight)), drag_(session.document, session.messages)
{
    connect(&drag_, &DragEdit::broken, this, &HandLayer::letGo);
}

QPointF HandLayer::placeOf(double filmFrame) const
{
    const Sight sight = sight_();
    const Pose pose = session_.document.motion().poseAt(filmFrame);
    return sight.frame.center() + QPointF(pose.x, pose.y) * sight.scale;
}

std::vector<HandLayer::DotPlace> HandLayer::dots() const
{
    std::vector<DotPlace> places;
    if (on())
        for (const HandWork::Dot& dot : session_.hand.dots())
            places.push_back({dot.keyFrame, placeOf(dot.filmFrame)});
    return places;
}

std::optional<HandLayer::DotPlace> HandLayer::dotAt(QPointF place) const
{
    std::optional<DotPlace> nearest;
    double least = grabRadius;
    for (const DotPlace& dot : dots())
        if (const double away = std::hypot(dot.at.x() - place.x(), dot.at.y() - place.y()); away <= least) {
            least = away;
            nearest = dot;
        }
    return nearest;
}

bool HandLayer::press(QPointF place, Qt::MouseButton button)
{
    if (!on() || button != Qt::LeftButton)
        return false;
    if (session_.hand.gain(Axis::x) == 0 && session_.hand.gain(Axis::y) == 0) {
        emit session_.messages.told(tr("Nothing of it would be seen: the strength is 0 or x and y are off"));
        return true;
    }
    const auto dot = dotAt(place);
    dot_ = dot.has_value();
    heldKey_ = dot ? dot->keyFrame : session_.hand.playheadKey();
    const Sight sight = sight_();
    const Pose pose = session_.document.motion().poseAt(session_.hand.filmFrame(heldKey_));
    content_ = (place - sight.frame.center()) / sight.scale - QPointF(pose.x, pose.y);
    pressed_ = place;
    moved_ = false;
    drag_.begin();
    return true;
}

bool HandLayer::move(QPointF place)
{
    if (!drag_.active())
        return false;
    moved_ = moved_ || (place - pressed_).manhattanLength() > dragThreshold;
    if (moved_)
        dragTo(place);
    return true;
}

void HandLayer::dragTo(QPointF place)
{
    // What was taken hold of stays under the pointer, though the cover may grow with the drag: where it did, again.
    constexpr int rounds = 4;
    constexpr double near = 0.5; // pixels of the view
    const auto tenths = [](double value) { return std::round(10 * value) / 10; };
    const double gainX = session_.hand.gain(Axis::x);
    const double gainY = session_.hand.gain(Axis::y);
    for (int round = 0; round < rounds; ++round) {
        const Sight sight = sight_();
        const Pose pose = session_.document.motion().poseAt(session_.hand.filmFrame(heldKey_));
        const QPointF missing = (place - sight.frame.center()) / sight.scale - content_ - QPointF(pose.x, pose.y);
        if (round > 0 && (missing * sight.scale).manhattanLength() < near)
            break;
        const QPointF now = shiftOf(session_.hand.movesAt(heldKey_));
        const QPointF to(tenths(now.x() + (gainX != 0 ? missing.x() / gainX : 0.0)),
                         tenths(now.y() + (gainY != 0 ? missing.y() / gainY : 0.0)));
        if (round > 0 && to == now)
            break;
        session_.hand.setMovesAt(heldKey_, shifted(to),
                                 tr("x %1, y %2").arg(axisValueText(Axis::x, to.x()), axisValueText(Axis::y, to.y())),
                                 drag_.gesture());
    }
}

void HandLayer::letGo()
{
    drag_.end();
}

bool HandLayer::wheel(const QWheelEvent& event)
{
    const bool roll = (event.modifiers() & Qt::ControlModifier) != 0;
    const bool zoom = (event.modifiers() & Qt::ShiftModifier) != 0;
    // With Shift some systems turn sideways.
    const int turned = event.angleDelta().y() != 0 ? event.angleDelta().y() : event.angleDelta().x();
    if (!on() || roll == zoom || turned == 0)
        return false;
    const Axis axis = roll ? Axis::roll : Axis::zoom;
    const double felt = session_.hand.gain(axis);
    if (felt == 0) {
        emit session_.messages.told(tr("Nothing of it would be seen: the strength is 0 or this axis is off"));
        return true;
    }
    const std::int64_t frame = session_.playhead.frame();
    if (frame != wheelFrame_ || axis != wheelAxis_ || wheelGesture_ == 0) {
        wheelGesture_ = session_.document.newGesture();
        wheelLeft_ = 0;
    }
    wheelFrame_ = frame;
    wheelAxis_ = axis;
    wheelLeft_ += turned / 120.0;
    const double notches = std::trunc(wheelLeft_);
    if (notches == 0)
        return true;
    wheelLeft_ -= notches;
    const double step = roll ? rollPerNotch : zoomPerNotch;
    HandPose pose;
    pose.moves[axis] = std::round((session_.hand.moves()[axis] + notches * step / felt) / step) * step;
    pose.axis[static_cast<std::size_t>(axis)] = true;
    session_.hand.setMoves(pose, tr("%1 %2").arg(ours(axisName(axis)), axisValueText(axis, pose.moves[axis])),
                           wheelGesture_);
    return true;
}

bool HandLayer::wants(const QKeyEvent& event) const
{
    switch (event.key()) {
    case Qt::Key_Left:
    case Qt::Key_Right:
    case Qt::Key_Up:
    case Qt::Key_Down:
    case Qt::Key_PageUp:
    case Qt::Key_PageDown:
    case Qt::Key_Comma:
    case Qt::Key_Period:
    case Qt::Key_Delete:
    case Qt::Key_Escape: return on();
    default: return false;
    }
}

bool HandLayer::key(const QKeyEvent& event)
{
    if (!wants(event))
        return false;
    const auto held = event.modifiers();
    const bool turns = (held & Qt::ControlModifier) != 0;
    const double step = (held & Qt::ShiftModifier) != 0 ? 10 : (held & Qt::AltModifier) != 0 ? 0.1 : 1;
    const auto go = [this](std::int64_t frames) { session_.playhead.setFrame(session_.playhead.frame() + frames); };
    switch (event.key()) {
    case Qt::Key_Left: session_.hand.nudge(turns ? Axis::roll : Axis::x, turns ? -0.1 * step : -step); break;
    case Qt::Key_Right: session_.hand.nudge(turns ? Axis::roll : Axis::x, turns ? 0.1 * step : step); break;
    case Qt::Key_Up: session_.hand.nudge(turns ? Axis::zoom : Axis::y, turns ? 0.001 * step : -step); break;
    case Qt::Key_Down: session_.hand.nudge(turns ? Axis::zoom : Axis::y, turns ? -0.001 * step : step); break;
    case Qt::Key_PageUp:
    case Qt::Key_Comma: go(-1); break;
    case Qt::Key_PageDown:
    case Qt::Key_Period: go(1); break;
    case Qt::Key_Delete: session_.hand.removeHere(); break;
    default:
        if (drag_.active()) {
            drag_.cancel();
            letGo();
        } else {
            session_.hand.setOn(false);
        }
    }
    return true;
}

Qt::CursorShape HandLayer::cursor(QPointF place) const
{
    return drag_.active() ? Qt::ClosedHandCursor : dotAt(place) ? Qt::SizeAllCursor : Qt::OpenHandCursor;
}

void HandLayer::paintPath(QPainter& painter) const
{
    const HandSpan span = session_.hand.path();
    if (span.end <= span.first)
        return;
    constexpr double step = 0.125; // of a frame: it bends as the motion does
    constexpr double longest = 600;
    QPolygonF line;
    for (double frame = span.first; frame <= std::min(span.end, span.first + longest); frame += step)
        line << placeOf(frame);
    painter.setBrush(Qt::NoBrush);
    for (const auto& [colour, wide] : {std::pair(shade, 3.5), std::pair(ink, 1.4)}) {
        painter.setPen(QPen(colour, wide, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        painter.drawPolyline(line);
    }
    const double here = session_.hand.playheadKey();
    painter.setFont(theme::numbers(11));
    QRectF words; // of the last dot that was named: names do not lie on each other
    for (const DotPlace& dot : dots()) {
        const bool now = dot.keyFrame == here;
        painter.setPen(QPen(QColor(0, 0, 0, 200), 1.2));
        painter.setBrush(now ? theme::copper : QColor(255, 255, 255));
        const double r = now ? dotRadius + 2 : dotRadius;
        painter.drawEllipse(dot.at, r, r);
        const QString name = dot.keyFrame == 0
                                 ? tr("strike")
                                 : (dot.keyFrame > 0 ? QStringLiteral("+%1") : QStringLiteral("%1")).arg(dot.keyFrame);
        const QRectF place(dot.at + QPointF(9, -8), QSizeF(painter.fontMetrics().horizontalAdvance(name) + 6, 15));
        if (!now && place.intersects(words))
            continue;
        words = place;
        painter.fillRect(place, shade);
        painter.setPen(ink);
        painter.drawText(place, Qt::AlignCenter, name);
    }
}

void HandLayer::paintWords(QPainter& painter) const
{
    const Sight sight = sight_();
    painter.setFont(theme::numbers(12));
    const auto label = [&](Qt::Alignment where, const QString& text) {
        const QRectF inside = sight.frame.adjusted(8, 8, -8, -8);
        const QRectF area = painter.boundingRect(inside, static_cast<int>(where) | Qt::TextWordWrap, text);
        painter.fillRect(area.adjusted(-6, -2, 6, 2), shade);
        painter.setPen(ink);
        painter.drawText(inside, static_cast<int>(where) | Qt::TextWordWrap, text);
    };
    const AxisValues moves = session_.hand.moves();
    QStringList now;
    for (const Axis axis : allAxes)
        if (axis == Axis::x || axis == Axis::y || moves[axis] != 0)
            now << ours(axisName(axis)) + QLatin1Char(' ') + axisValueText(axis, moves[axis]);
    label(Qt::AlignRight | Qt::AlignTop, now.join(QStringLiteral("   ")));
    constexpr std::size_t enough = 3; // keys, after which nobody needs it any more
    if (session_.hand.dots().size() > enough)
        return;
    painter.setFont(theme::words(12));
    label(Qt::AlignLeft | Qt::AlignBottom,
          tr("Drag: x, y   Ctrl + wheel: roll   Shift + wheel: zoom   arrows: 1 px   , and . step a frame"));
}

void HandLayer::paint(QPainter& painter) const
{
    if (!on())
        return;
    paintPath(painter);
    paintWords(painter);
}

} // namespace ember::app
