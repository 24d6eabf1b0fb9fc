// SPDX-License-Identifier: GPL-3.0-or-later
#include "top_view.h"

#include <algorithm>
#include <cmath>

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>

#include "theme.h"

namespace ember::app {

namespace {

constexpr double lens = 50; ///< degrees, as the picture is seen

WorldPoint rounded(const WorldPoint& at, double step)
{
    const auto& spec = worldfield::coordinate;
    const auto whole = [&](double value) { return clampTo(spec, std::round(value / step) * step + 0.0); };
    return {whole(at.x), at.y, whole(at.z)};
}

void paintCamera(QPainter& p, const TopMap& map, const CameraKey& stand)
{
    const QPointF at = map.toPixel(stand.at);
    p.save();
    p.translate(at);
    p.rotate(stand.heading);
    const double half = std::tan(lens / 2 * M_PI / 180);
    const double far = 46;
    p.setPen(QPen(theme::dim, 1));
    p.drawLine(QPointF(0, 0), QPointF(-far * half, -far));
    p.drawLine(QPointF(0, 0), QPointF(far * half, -far));
    p.setBrush(theme::raised);
    p.setPen(QPen(theme::text, 1.5));
    p.drawRect(QRectF(-5, -2, 10, 11));
    p.drawPolygon(QPolygonF{{-4, -8}, {4, -8}, {2, -2}, {-2, -2}});
    p.restore();
}

/// Words that do not lie on each other: those that come first have their place.
class Labels {
public:
    void draw(QPainter& p, const QPointF& left, const QString& text)
    {
        const QFontMetricsF metrics(p.font());
        const QRectF box(left.x(), left.y() - metrics.ascent(), metrics.horizontalAdvance(text), metrics.height());
        for (const QRectF& other : drawn_)
            if (other.intersects(box))
                return;
        drawn_.push_back(box);
        p.drawText(left, text);
    }

private:
    std::vector<QRectF> drawn_;
};

void paintRings(QPainter& p, const TopMap& map, const QPointF& camera, const std::vector<TopRing>& rings)
{
    p.setBrush(Qt::NoBrush);
    for (const TopRing& ring : rings) {
        const double radius = ring.metres * map.pixelsPerMetre;
        p.setPen(ring.kind == TopRing::Kind::strength ? QPen(theme::heat(ring.value), 1.5)
                 : ring.kind == TopRing::Kind::delay  ? QPen(theme::line, 1.2, Qt::DashLine)
                                                      : QPen(theme::dim, 1.5, Qt::DotLine));
        p.drawEllipse(camera, radius, radius);
    }
}

/// Strengths are told on the right, delays on the left.
void nameRings(QPainter& p, const TopMap& map, const QPointF& camera, const std::vector<TopRing>& rings, Labels& labels)
{
    p.setFont(theme::numbers(11));
    p.setPen(theme::dim);
    for (const TopRing& ring : rings) {
        const double off = ring.metres * map.pixelsPerMetre * std::sqrt(0.5);
        const bool right = ring.kind == TopRing::Kind::strength;
        labels.draw(
            p,
            camera + QPointF(right ? off + 4 : -off - 6 - QFontMetricsF(p.font()).horizontalAdvance(ring.label), -off),
            ring.label);
    }
}

} // namespace

TopView::TopView(QWidget* parent) : QWidget(parent)
{
    setObjectName(QStringLiteral("top-view"));
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Events around the camera from above"));
}

void TopView::show(const World& world, FrameRate rate, FrameTime now, std::vector<TopEvent> events)
{
    world_ = world;
    rate_ = rate;
    now_ = now;
    events_ = std::move(events);
    update();
}

void TopView::fit()
{
    zoom_.reset();
    update();
}

TopMap TopView::mapNow() const
{
    if (held_)
        return *held_;
    TopMap map = fittingMap(events_, world_, size());
    if (zoom_)
        map.pixelsPerMetre = *zoom_;
    return map;
}

std::vector<PaintedPart> TopView::paintedParts()
{
    std::vector<PaintedPart> parts;
    const TopMap map = mapNow();
    for (std::size_t i = 0; i < events_.size(); ++i) {
        const TopEvent& event = events_[i];
        PaintedPart part;
        part.name = event.name;
        part.value = tr("%1 m right, %2 m ahead, felt at %3 %")
                         .arg(event.at.x)
                         .arg(event.at.z)
                         .arg(std::lround(100 * event.strength * event.share));
        part.place = QRectF(map.toPixel(event.at) - QPointF(6, 20), QSizeF(12, 24)).toAlignedRect();
        part.selected = event.chosen;
        const auto moveBy = [this, index = static_cast<int>(i), at = event.at](double x, double z) {
            emit moved(index, {at.x + x, at.y, at.z + z}, gestureSource ? gestureSource() : 0);
        };
        part.actions = {{tr("Choose"), [this, index = static_cast<int>(i)] { emit chosen(index); }},
                        {tr("A metre to the left"), [moveBy] { moveBy(-1, 0); }},
                        {tr("A metre to the right"), [moveBy] { moveBy(1, 0); }},
                        {tr("A metre further"), [moveBy] { moveBy(0, 1); }},
                        {tr("A metre nearer"), [moveBy] { moveBy(0, -1); }}};
        parts.push_back(std::move(part));
    }
    return parts;
}

int TopView::chosenEvent() const
{
    const auto found = std::find_if(events_.begin(), events_.end(), [](const TopEvent& e) { return e.chosen; });
    return found == events_.end() ? -1 : static_cast<int>(found - events_.begin());
}

void TopView::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.fillRect(rect(), theme::window);
    p.setRenderHint(QPainter::Antialiasing);
    const TopMap map = mapNow();
    const CameraKey stand = cameraAt(world_, now_);
    const QPointF camera = map.toPixel(stand.at);
    const auto rings = ringsOf(world_, rate_, 0.75 * std::max(width(), height()) / map.pixelsPerMetre);
    Labels labels;
    paintRings(p, map, camera, rings);
    if (world_.camera.size() > 1) { // the way it goes
        QPolygonF way;
        for (const CameraKey& key : world_.camera)
            way << map.toPixel(key.at);
        p.setPen(QPen(theme::dim, 1));
        p.drawPolyline(way);
        for (const QPointF& key : way)
            p.drawEllipse(key, 2.5, 2.5);
    }
    paintCamera(p, map, stand);
    p.setFont(theme::words(12));
    for (const TopEvent& event : events_) {
        const QPointF at = map.toPixel(event.at);
        const double felt = event.strength * event.share;
        if (event.chosen) {
            p.setPen(QPen(theme::copper, 1, Qt::DotLine));
            p.drawLine(camera, at);
        }
        // As on the Reel: height and heat are what is felt of it.
        const double height = 7 + 13 * std::min(1.5, felt);
        QPainterPath spark(at + QPointF(0, -height));
        spark.lineTo(at + QPointF(4.5, 3));
        spark.lineTo(at + QPointF(-4.5, 3));
        spark.closeSubpath();
        p.setPen(QPen(event.chosen ? theme::copper : theme::line, event.chosen ? 1.5 : 1));
        p.setBrush(theme::heat(felt));
        p.drawPath(spark);
    }
    for (const bool chosen : {true, false})
        for (const TopEvent& event : events_)
            if (event.chosen == chosen) {
                p.setPen(chosen ? theme::text : theme::dim);
                labels.draw(p, map.toPixel(event.at) + QPointF(8, 4), event.name);
            }
    nameRings(p, map, camera, rings, labels);
    p.setBrush(Qt::NoBrush);
    // A measure.
    double metres = 1;
    while (metres * map.pixelsPerMetre < 50)
        metres *= metres * map.pixelsPerMetre < 20 ? 5 : 2;
    const QPointF left(12, this->height() - 12);
    p.setPen(QPen(theme::dim, 1));
    p.drawLine(left, left + QPointF(metres * map.pixelsPerMetre, 0));
    p.drawLine(left + QPointF(0, -4), left);
    p.drawLine(left + QPointF(metres * map.pixelsPerMetre, -4), left + QPointF(metres * map.pixelsPerMetre, 0));
    p.setFont(theme::numbers(11));
    p.drawText(left + QPointF(0, -7), tr("%1 m").arg(metres));
    if (hasFocus()) {
        p.setPen(QPen(theme::copper, 1));
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

bool TopView::event(QEvent* event)
{
    if (event->type() == QEvent::ToolTip) {
        auto* help = static_cast<QHelpEvent*>(event);
        if (const int at = topEventAt(events_, mapNow(), help->pos()); at >= 0) {
            const TopEvent& e = events_[static_cast<std::size_t>(at)];
            QToolTip::showText(help->globalPos(),
                               tr("%1: %2 %, felt at %3 %. Drag to move it, or use the arrow keys.")
                                   .arg(e.name)
                                   .arg(std::lround(100 * e.strength))
                                   .arg(std::lround(100 * e.strength * e.share)),
                               this);
        } else {
            QToolTip::showText(help->globalPos(),
                               tr("The camera from above; ahead is up. Solid rings: equal strength; dashed: equal "
                                  "delay. Double-click to put the selected event here; the wheel zooms, F fits."),
                               this);
        }
        return true;
    }
    return QWidget::event(event);
}

void TopView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    held_ = mapNow();
    grabbed_ = topEventAt(events_, *held_, event->position());
    moved_ = false;
    if (grabbed_ < 0) {
        held_.reset();
        return;
    }
    grip_ = held_->toPixel(events_[static_cast<std::size_t>(grabbed_)].at) - event->position();
    gesture_ = gestureSource ? gestureSource() : 0;
    if (!events_[static_cast<std::size_t>(grabbed_)].chosen)
        emit chosen(grabbed_);
}

void TopView::mouseMoveEvent(QMouseEvent* event)
{
    if (grabbed_ < 0 || !held_ || static_cast<std::size_t>(grabbed_) >= events_.size())
        return;
    moved_ = true;
    const double height = events_[static_cast<std::size_t>(grabbed_)].at.y;
    const bool fine = (event->modifiers() & Qt::ShiftModifier) != 0;
    // To what one pixel can tell apart.
    const double step = std::pow(10, std::floor(std::log10(1 / held_->pixelsPerMetre)) + (fine ? -1 : 0));
    emit moved(grabbed_, rounded(held_->toWorld(event->position() + grip_, height), std::max(0.1, step)), gesture_);
}

void TopView::mouseReleaseEvent(QMouseEvent*)
{
    grabbed_ = -1;
    held_.reset();
    update();
}

void TopView::mouseDoubleClickEvent(QMouseEvent* event)
{
    const TopMap map = mapNow();
    if (event->button() == Qt::LeftButton && topEventAt(events_, map, event->position()) < 0)
        emit placeWished(rounded(map.toWorld(event->position(), 0), 0.1));
}

void TopView::wheelEvent(QWheelEvent* event)
{
    const double notches = event->angleDelta().y() / 120.0;
    zoom_ = std::clamp(mapNow().pixelsPerMetre * std::pow(1.25, notches), 0.005, 400.0);
    update();
    event->accept();
}

void TopView::keyPressEvent(QKeyEvent* event)
{
    const int at = chosenEvent();
    const double step = (event->modifiers() & Qt::ShiftModifier) != 0 ? 10 : 1;
    WorldPoint by;
    switch (event->key()) {
    case Qt::Key_Left: by.x = -step; break;
    case Qt::Key_Right: by.x = step; break;
    case Qt::Key_Up: by.z = step; break;
    case Qt::Key_Down: by.z = -step; break;
    case Qt::Key_F: fit(); return;
    default: QWidget::keyPressEvent(event); return;
    }
    if (at < 0)
        return;
    const WorldPoint& from = events_[static_cast<std::size_t>(at)].at;
    emit moved(at, rounded({from.x + by.x, from.y, from.z + by.z}, 0.1), 0);
}

} // namespace ember::app
