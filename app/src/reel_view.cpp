// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_view.h"

#include <algorithm>
#include <cmath>

#include <QCoreApplication>
#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QPointer>
#include <QThreadPool>
#include <QToolTip>
#include <QWheelEvent>

#include "ember/media/sound_reader.h"
#include "picture_renderer.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr double waveSlotSeconds = 0.004;
constexpr double longestFineWave = 1200; // beyond twenty minutes the slots grow instead of the memory
} // namespace

ReelView::ReelView(Session& session, QWidget* parent) : QWidget(parent), session_(session)
{
    setObjectName(QStringLiteral("reel"));
    setMouseTracking(true);
    connect(&session_, &Session::projectChanged, this, &ReelView::repaintAll);
    connect(&session_, &Session::selectionChanged, this, &ReelView::repaintAll);
    connect(&session_, &Session::loopChanged, this, &ReelView::repaintAll);
    connect(&session_, &Session::playheadChanged, this, [this] {
        keepPlayheadSeen();
        update();
    });
    connect(&session_.thumbs(), &ThumbStore::ready, this, &ReelView::repaintAll);
    connect(&session_, &Session::opened, this, [this] {
        showAll();
        loadWaveform();
    });
}

ReelView::~ReelView()
{
    if (waveformStop_)
        *waveformStop_ = true;
}

ReelLayout ReelView::layoutNow() const
{
    return layOutReel(size(), range_.first, range_.last);
}

void ReelView::repaintAll()
{
    paper_.spoil();
    update();
}

void ReelView::setRange(const ReelRange& range)
{
    range_ = range;
    repaintAll();
}

void ReelView::showAll()
{
    setRange({0, static_cast<double>(std::max<std::int64_t>(1, session_.length()))});
}

void ReelView::keepPlayheadSeen()
{
    const auto at = static_cast<double>(session_.playhead());
    if (at < range_.first)
        setRange(scrolled(range_, at - range_.first, static_cast<double>(session_.length())));
    else if (at >= range_.last)
        setRange(scrolled(range_, at + 1 - range_.first, static_cast<double>(session_.length())));
}

void ReelView::loadWaveform()
{
    if (waveformStop_)
        *waveformStop_ = true;
    waveform_ = {};
    if (!session_.clipInfo() || !session_.clipInfo()->hasSound)
        return;
    const ClipInfo info = *session_.clipInfo();
    const double seconds = session_.project().rate.seconds(static_cast<double>(session_.length()));
    const double slot = waveSlotSeconds * std::max(1.0, seconds / longestFineWave);
    auto stop = std::make_shared<std::atomic<bool>>(false);
    waveformStop_ = stop;
    const QPointer<ReelView> self(this);
    QThreadPool::globalInstance()->start([self, stop, info, seconds, slot] {
        auto wave = std::make_shared<Result<Waveform>>(
            readWaveform(info.path, info.originSeconds, seconds, slot, [&](double) { return !stop->load(); }));
        if (!*wave)
            return;
        QMetaObject::invokeMethod(QCoreApplication::instance(), [self, stop, wave] {
            ReelView* view = self.data();
            if (view == nullptr || stop->load())
                return;
            view->waveform_ = std::move(*wave).value();
            view->repaintAll();
        });
    });
}

// --- painting ---

void ReelView::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    const ReelLayout layout = layoutNow();
    p.drawPixmap(0, 0, paper_.picture(*this, [&](QPixmap& paper) {
        paper.fill(theme::window);
        QPainter ink(&paper);
        paintPaper(ink, layout);
    }));
    if (session_.length() == 0)
        return;
    p.setRenderHint(QPainter::Antialiasing);
    p.setClipRect(QRectF(layout.map.left - 8, 0, layout.map.right - layout.map.left + 16, height()));
    const double x = layout.map.toPixel(static_cast<double>(session_.playhead()));
    p.setPen(QPen(theme::copper, 1.5));
    p.drawLine(QPointF(x, layout.ruler.top()), QPointF(x, layout.trace.bottom()));
    if (gesture_ == Gesture::band && moved_) {
        p.setPen(QPen(theme::copper, 1));
        p.setBrush(QColor(0x6f, 0xb3, 0xa2, 40));
        p.drawRect(QRectF(QPointF(pressed_.x(), layout.sparks.top()), QPointF(last_.x(), layout.sparks.bottom())));
    }
}

void ReelView::paintPaper(QPainter& p, const ReelLayout& layout)
{
    p.setPen(theme::line);
    p.drawLine(0, 0, width(), 0);
    paintNames(p, layout);
    if (session_.length() == 0)
        return;
    p.setClipRect(QRectF(layout.map.left - 8, 0, layout.map.right - layout.map.left + 16, height()));
    paintRuler(p, layout);
    paintThumbs(p, layout);
    paintSound(p, layout);
    p.setRenderHint(QPainter::Antialiasing);
    paintTrace(p, layout);
    paintSparks(p, layout);
}

void ReelView::paintNames(QPainter& p, const ReelLayout& layout) const
{
    p.setFont(theme::words(13, true));
    p.setPen(theme::text);
    p.drawText(QRectF(12, layout.ruler.top(), 50, 18), Qt::AlignLeft | Qt::AlignVCenter, tr("Reel"));
    p.setFont(theme::words(11));
    p.setPen(theme::dim);
    const auto name = [&](const QRectF& band, const QString& text) {
        p.drawText(QRectF(12, band.top(), 48, band.height()), Qt::AlignLeft | Qt::AlignVCenter, text);
    };
    name(layout.sound, tr("sound"));
    name(layout.sparks, tr("strikes"));
    name(layout.trace, tr("trace"));
}

void ReelView::paintRuler(QPainter& p, const ReelLayout& layout) const
{
    p.setFont(theme::numbers(11));
    const LoopRange& loop = session_.loop();
    if (loop.set()) {
        const double a = layout.map.toPixel(static_cast<double>(loop.first));
        const double b = layout.map.toPixel(static_cast<double>(loop.last + 1));
        p.fillRect(QRectF(a, layout.ruler.top(), b - a, layout.ruler.height()), loop.on ? theme::line : theme::raised);
        p.setPen(QPen(loop.on ? theme::copper : theme::dim, 1));
        p.drawLine(QPointF(a, layout.ruler.top()), QPointF(a, layout.trace.bottom()));
        p.drawLine(QPointF(b, layout.ruler.top()), QPointF(b, layout.trace.bottom()));
    }
    for (const Tick& tick : filmTicks(layout.map, session_.project().rate.perSecond(), 64)) {
        const double x = std::round(layout.map.toPixel(tick.value)) + 0.5;
        p.setPen(theme::line);
        p.drawLine(QPointF(x, layout.ruler.top()), QPointF(x, layout.thumbs.top()));
        if (x + 34 > layout.map.right)
            continue; // no room for its number
        p.setPen(theme::dim);
        p.drawText(QRectF(x + 4, layout.ruler.top(), 80, layout.ruler.height()), Qt::AlignLeft | Qt::AlignVCenter,
                   QString::fromStdString(tick.label));
    }
}

void ReelView::paintThumbs(QPainter& p, const ReelLayout& layout)
{
    const Project& project = session_.project();
    const double width =
        layout.thumbs.height() * std::clamp(static_cast<double>(project.width) / project.height, 0.4, 3.0);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const auto count = static_cast<int>(std::ceil(layout.thumbs.width() / width));
    for (int i = 0; i < count; ++i) {
        const QRectF box(layout.thumbs.left() + i * width, layout.thumbs.top(), width - 1, layout.thumbs.height());
        const auto frame = static_cast<std::int64_t>(std::floor(layout.map.toFrameInside(box.center().x())));
        if (frame >= session_.length())
            break;
        const QRectF seen = box.intersected(layout.thumbs);
        if (const ImagePtr thumb = session_.thumbs().thumb(frame)) {
            const double share = seen.width() / box.width();
            p.drawImage(seen, toQImage(thumb), QRectF(0, 0, thumb->width() * share, thumb->height()));
        } else {
            p.fillRect(seen, theme::panel);
        }
    }
}

void ReelView::paintSound(QPainter& p, const ReelLayout& layout) const
{
    const double middle = layout.sound.center().y();
    p.setPen(theme::line);
    p.drawLine(QPointF(layout.sound.left(), middle), QPointF(layout.sound.right(), middle));
    if (waveform_.low.empty()) {
        if (session_.hasClip() && !session_.clipInfo()->hasSound) {
            p.setFont(theme::words(11));
            p.setPen(theme::dim);
            p.drawText(layout.sound, Qt::AlignCenter, tr("no sound in this clip"));
        }
        return;
    }
    const double scale = 0.5 * layout.sound.height();
    const double slotsPerFrame = waveform_.slotsPerSecond / session_.project().rate.perSecond();
    const auto size = static_cast<std::int64_t>(waveform_.low.size());
    p.setPen(theme::dim);
    for (auto x = static_cast<int>(layout.sound.left()); x < static_cast<int>(layout.sound.right()); ++x) {
        const auto from =
            std::clamp<std::int64_t>(static_cast<std::int64_t>(layout.map.toFrame(x) * slotsPerFrame), 0, size - 1);
        const auto to = std::clamp<std::int64_t>(static_cast<std::int64_t>(layout.map.toFrame(x + 1) * slotsPerFrame),
                                                 from + 1, size);
        const float low = *std::min_element(waveform_.low.begin() + from, waveform_.low.begin() + to);
        const float high = *std::max_element(waveform_.high.begin() + from, waveform_.high.begin() + to);
        p.drawLine(QPointF(x, middle - std::max(0.5, scale * std::min(1.f, high))),
                   QPointF(x, middle - std::min(-0.5, scale * std::max(-1.f, low))));
    }
}

void ReelView::paintSparks(QPainter& p, const ReelLayout& layout) const
{
    const double ground = layout.sparks.bottom();
    p.setPen(theme::line);
    p.drawLine(QPointF(layout.sparks.left(), ground), QPointF(layout.sparks.right(), ground));
    for (const Strike& strike : session_.project().strikes) {
        const double x = layout.sparkX(strike.frame.index);
        if (x < layout.map.left - 10 || x > layout.map.right + 10)
            continue;
        const double height = layout.sparkHeight(strike.strength);
        QPainterPath spark;
        spark.moveTo(x, ground - height);
        spark.lineTo(x + 4.5, ground);
        spark.lineTo(x - 4.5, ground);
        spark.closeSubpath();
        p.fillPath(spark, theme::heat(strike.strength));
        const bool selected = session_.isSelected(strike.id);
        if (selected || strike.id == hovered_) {
            p.setPen(QPen(selected ? theme::copper : theme::text, 1.5));
            p.setBrush(Qt::NoBrush);
            p.drawPath(spark);
        }
    }
}

void ReelView::paintTrace(QPainter& p, const ReelLayout& layout) const
{
    const double middle = layout.trace.center().y();
    // As many instants as there are pixels: enough for a seismogram.
    const auto count = static_cast<int>(layout.trace.width());
    std::vector<double> values(static_cast<std::size_t>(count) + 1);
    double largest = 8;
    for (int i = 0; i <= count; ++i) {
        const Pose pose = session_.motion().poseAt(layout.map.toFrame(layout.trace.left() + i));
        // What is felt: the way along y, x and the pushes of zoom and roll at the picture's edge.
        const double roll = pose.roll * 0.0174533 * 0.5 * session_.project().width;
        const double zoom = (pose.zoom - 1) * 0.5 * session_.project().width;
        const double size = std::hypot(std::hypot(pose.x, pose.y), std::hypot(roll, zoom));
        values[static_cast<std::size_t>(i)] = pose.y < 0 || (pose.y == 0 && pose.x < 0) ? -size : size;
        largest = std::max(largest, size);
    }
    QPainterPath path;
    const double scale = 0.5 * layout.trace.height() / largest;
    for (int i = 0; i <= count; ++i) {
        const QPointF at(layout.trace.left() + i, middle + scale * values[static_cast<std::size_t>(i)]);
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme::text, 1));
    p.drawPath(path);
}

// --- gestures ---

void ReelView::scrubTo(double x)
{
    session_.setPlayhead(static_cast<std::int64_t>(std::floor(layoutNow().map.toFrameInside(x) + 0.5)));
}

void ReelView::mousePressEvent(QMouseEvent* event)
{
    if (session_.length() == 0)
        return;
    const ReelLayout layout = layoutNow();
    pressed_ = last_ = event->position();
    moved_ = false;
    if (event->button() == Qt::MiddleButton) {
        gesture_ = Gesture::pan;
        return;
    }
    if (event->button() != Qt::LeftButton)
        return;
    const bool adding = (event->modifiers() & (Qt::ControlModifier | Qt::ShiftModifier)) != 0;
    grabbed_ = strikeAt(layout, session_.project().strikes, pressed_);
    if (grabbed_ != 0) {
        gesture_ = Gesture::move;
        if (adding)
            session_.toggleSelected(grabbed_);
        else if (!session_.isSelected(grabbed_))
            session_.select({grabbed_});
        const Strike* strike = session_.project().strike(grabbed_);
        grabbedFrame_ = strike->frame.index;
        before_ = session_.project();
        documentGesture_ = session_.newGesture();
        session_.setPlayhead(grabbedFrame_);
    } else if (layout.sparks.contains(pressed_)) {
        gesture_ = Gesture::band;
    } else if (layout.ruler.contains(pressed_) && (event->modifiers() & Qt::ShiftModifier) != 0) {
        gesture_ = Gesture::loop;
    } else {
        gesture_ = Gesture::scrub;
        scrubTo(pressed_.x());
    }
    update();
}

void ReelView::mouseMoveEvent(QMouseEvent* event)
{
    const ReelLayout layout = layoutNow();
    const QPointF place = event->position();
    moved_ = moved_ || (place - pressed_).manhattanLength() > 3;
    switch (gesture_) {
    case Gesture::none: {
        const StrikeId over = strikeAt(layout, session_.project().strikes, place);
        setCursor(over != 0 ? Qt::SizeHorCursor : Qt::ArrowCursor);
        if (over != hovered_) {
            hovered_ = over;
            repaintAll();
        }
        break;
    }
    case Gesture::scrub: scrubTo(place.x()); break;
    case Gesture::pan:
        setRange(scrolled(range_, -(place.x() - last_.x()) * layout.map.framesPerPixel(),
                          static_cast<double>(session_.length())));
        break;
    case Gesture::band: break;
    case Gesture::loop: {
        const auto a = static_cast<std::int64_t>(layout.map.toFrameInside(std::min(pressed_.x(), place.x())));
        const auto b = static_cast<std::int64_t>(layout.map.toFrameInside(std::max(pressed_.x(), place.x())));
        session_.setLoop({a, b, true});
        break;
    }
    case Gesture::move:
        if (moved_) {
            const auto frames = std::llround((place.x() - pressed_.x()) * layout.map.framesPerPixel());
            Project next = withStrikesMoved(before_, session_.selection(), frames);
            const Strike* strike = next.strike(grabbed_);
            const auto frame = strike != nullptr ? strike->frame.index : grabbedFrame_;
            session_.edit(std::move(next), tr("Strike moved to frame %1").arg(frame), documentGesture_);
            session_.setPlayhead(frame);
        }
        break;
    }
    last_ = place;
    if (gesture_ != Gesture::none)
        update();
}

void ReelView::mouseReleaseEvent(QMouseEvent* event)
{
    const bool adding = (event->modifiers() & (Qt::ControlModifier | Qt::ShiftModifier)) != 0;
    if (gesture_ == Gesture::band) {
        StrikeIds ids =
            moved_ ? strikesBetween(layoutNow(), session_.project().strikes, pressed_.x(), event->position().x())
                   : StrikeIds{};
        if (adding)
            for (const StrikeId id : session_.selection())
                if (std::find(ids.begin(), ids.end(), id) == ids.end())
                    ids.push_back(id);
        session_.select(std::move(ids));
        if (!moved_)
            scrubTo(event->position().x());
    }
    gesture_ = Gesture::none;
    before_ = {};
    update();
}

void ReelView::wheelEvent(QWheelEvent* event)
{
    if (session_.length() == 0)
        return;
    const double notches = (event->angleDelta().y() != 0 ? event->angleDelta().y() : event->angleDelta().x()) / 120.0;
    const auto length = static_cast<double>(session_.length());
    if ((event->modifiers() & Qt::ControlModifier) != 0)
        setRange(zoomed(range_, layoutNow().map, event->position().x(), std::pow(0.8, notches), length));
    else
        setRange(scrolled(range_, -notches * 0.1 * (range_.last - range_.first), length));
    event->accept();
}

bool ReelView::event(QEvent* event)
{
    if (event->type() == QEvent::ToolTip && session_.length() > 0) {
        auto* help = static_cast<QHelpEvent*>(event);
        const ReelLayout layout = layoutNow();
        const StrikeId id = strikeAt(layout, session_.project().strikes, help->pos());
        if (const Strike* strike = session_.project().strike(id))
            QToolTip::showText(help->globalPos(),
                               tr("%1, frame %2, strength %3 %. Drag to move it; Ctrl+click adds it to the selection.")
                                   .arg(strikeTitle(*strike))
                                   .arg(strike->frame.index)
                                   .arg(std::lround(100 * strike->strength)),
                               this);
        else if (layout.ruler.contains(help->pos()))
            QToolTip::showText(
                help->globalPos(),
                tr("Drag to move the playhead; with Shift, drag out a loop. Ctrl and wheel zooms, wheel scrolls."),
                this);
        else
            QToolTip::hideText();
        return true;
    }
    return QWidget::event(event);
}

} // namespace ember::app
