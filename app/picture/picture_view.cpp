// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_view.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <QApplication>
#include <QLineEdit>
#include <QMouseEvent>
#include <QNativeGestureEvent>
#include <QPainter>
#include <QPainterPath>

#include "ember/project/edits.h"
#include "frame_store.h"
#include "gentle_keeper.h"
#include "guides.h"
#include "peak_arrow.h"
#include "player.h"
#include "preferences.h"
#include "recipe_trace.h"
#include "takes.h"
#include "text.h"
#include "theme.h"
#include "words.h"

namespace ember::app {

namespace {
constexpr double threadSeconds = 1.0;
} // namespace

PictureView::PictureView(Session& session, Player& player, QWidget* parent)
    : QWidget(parent), session_(session), player_(player), feed_([this](std::int64_t frame) { return orderOf(frame); }),
      hand_(session,
            [this] {
                return HandLayer::Sight{frameRect(), movedScale()};
            }),
      skins_([this](std::int64_t frame) { return orderOf(frame); }), pivot_(session),
      aimDrag_(session.document, session.messages)
{
    connect(&skins_, &OnionSkins::changed, this, [this] { update(); });
    connect(&session_.hand, &HandWork::changed, this, [this] {
        refreshSkins(false);
        update();
    });
    connect(&aimDrag_, &DragEdit::broken, this, &PictureView::letGo);
    setObjectName(QStringLiteral("picture"));
    setAccessibleName(tr("Picture"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    setFocusPolicy(Qt::StrongFocus);
    qApp->installEventFilter(this);
    setMouseTracking(true);
    const auto look = [this] {
        const Strike* strike = session_.selection.feltStrike();
        peakMove_ = strike != nullptr ? peakMove(session_.document.project(), *strike) : std::nullopt;
        refresh();
    };
    connect(&session_.document, &OpenDocument::changed, this, look);
    connect(&session_.selection, &Selection::changed, this, look);
    connect(&session_.playhead, &Playhead::moved, this, &PictureView::follow);
    connect(&player_, &Player::stateChanged, this, &PictureView::follow);
    for (const auto other : {&Film::edited, &Film::rewritten})
        connect(&session_.film, other, this, [this] {
            held_.reset();
            feed_.forget();
            refresh();
        });
    connect(&session_.file, &ProjectFile::opened, this, [this] {
        picture_ = {};
        shown_ = {};
        pictureFrame_ = -1;
        held_.reset();
        feed_.forget();
        refresh();
    });
    connect(&session_.film.frames(), &FrameStore::ready, this, [this](qint64 frame) {
        if (std::abs(frame - session_.playhead.frame()) == 1)
            refreshSkins(false);
        if (feed_.waiting() && frame == session_.playhead.frame())
            refresh();
    });
    connect(&session_.film.frames(), &FrameStore::failed, this, [this](qint64 frame, const QString& why) {
        if (frame == session_.playhead.frame()) {
            feed_.giveUp();
            emit session_.messages.told(why);
        }
    });
    connect(&feed_, &PictureFeed::made, this, &PictureView::show);
    connect(&previewTimer_, &QTimer::timeout, this, &PictureView::refresh);
}

void PictureView::setScale(PictureScale scale)
{
    scale_ = scale;
    held_.reset();
    refresh();
}

void PictureView::setThreadShown(bool on)
{
    thread_ = on;
    update();
}

void PictureView::setBorderShown(bool on)
{
    border_ = on;
    update();
}

void PictureView::setPlain(bool plain)
{
    if (plain == plain_)
        return;
    plain_ = plain;
    refresh();
}

void PictureView::setSplit(Split split)
{
    split_ = split;
    if (gentle_ != nullptr)
        gentle_->setWanted(split == Split::gentle);
    refresh();
}

void PictureView::setTakes(const Takes* takes)
{
    takes_ = takes;
    connect(takes, &Takes::changed, this, &PictureView::refresh);
}

void PictureView::setGentle(GentleKeeper* gentle)
{
    gentle_ = gentle;
    connect(gentle, &GentleKeeper::changed, this, &PictureView::refresh);
}

std::optional<FrameLook> PictureView::leftLook(FrameTime at) const
{
    if (split_ == Split::plain)
        return plainLook(session_.document.project());
    if (split_ == Split::take && takes_ != nullptr && takes_->comparable()) {
        const auto take = takes_->take(takes_->other());
        return lookOf(*take->project, take->motion, take->cover, at, session_.film.viewLayers());
    }
    if (split_ == Split::gentle && gentle_ != nullptr && gentle_->take() != nullptr) {
        const auto take = gentle_->take();
        return lookOf(*take->project, take->motion, take->cover, at, session_.film.viewLayers());
    }
    return std::nullopt;
}

bool PictureView::onSplit(QPointF place) const
{
    const QRectF frame = frameRect();
    return split_ != Split::none && !session_.document.project().shots.empty() &&
           std::abs(place.x() - (frame.left() + share_ * frame.width())) <= 7;
}

void PictureView::setArrowShown(bool on)
{
    arrow_ = on;
    update();
}

double PictureView::coverNow() const
{
    return session_.document.cover().at(session_.playhead.frame());
}

double PictureView::movedScale() const
{
    return frameRect().width() / session_.document.project().width * coverNow();
}

std::optional<QPointF> PictureView::arrowTip() const
{
    if (!arrow_ || !peakMove_ || plain_ || hand_.on() || player_.playing() || session_.document.length() == 0)
        return std::nullopt;
    return frameRect().center() + *peakMove_ * movedScale();
}

void PictureView::aim(QPointF place)
{
    const Strike* strike = session_.selection.strike();
    if (strike == nullptr || !peakMove_)
        return;
    const QPointF wanted = (place - frameRect().center()) / movedScale();
    if (std::hypot(wanted.x(), wanted.y()) < 1)
        return;
    const Aim aimed = aimAt(wanted, aimMove_, aimStrength_);
    const auto aimedAt = [&](Strike& s) {
        s.direction = aimed.direction;
        if (s.place) // the hand says where it goes now
            s.place->directed = false;
        s.strength = aimed.strength;
    };
    aimDrag_.apply([&](Project project) { return withStrikesChanged(std::move(project), {strike->id}, aimedAt); },
                   tr("Strike goes %1° with %2 %").arg(aimed.direction).arg(std::lround(100 * aimed.strength)));
}

void PictureView::paintArrow(QPainter& painter) const
{
    const auto tip = arrowTip();
    if (!tip)
        return;
    const QPointF from = frameRect().center();
    const QPointF way = *tip - from;
    const double length = std::max(1e-6, std::hypot(way.x(), way.y()));
    const QPointF along = way / length;
    const QPointF across(-along.y(), along.x());
    for (const auto& [colour, wide] :
         {std::pair(QColor(0, 0, 0, 140), 3.5), std::pair(QColor(255, 255, 255, 230), 1.5)}) {
        painter.setPen(QPen(colour, wide, Qt::SolidLine, Qt::RoundCap));
        painter.drawLine(from, *tip);
        painter.drawLine(*tip, *tip - 9 * along + 5 * across);
        painter.drawLine(*tip, *tip - 9 * along - 5 * across);
    }
    if (aiming_) {
        const Strike* strike = session_.selection.strike();
        painter.setFont(theme::numbers(12));
        painter.setPen(QColor(255, 255, 255));
        if (strike != nullptr && peakMove_)
            painter.drawText(*tip + QPointF(12, -8), tr("%1 px, %2°")
                                                         .arg(std::lround(std::hypot(peakMove_->x(), peakMove_->y())))
                                                         .arg(strike->direction.value_or(0)));
    }
}

PictureSight::Scene PictureView::scene() const
{
    const Project& project = session_.document.project();
    return {QSizeF(size()), std::max(1, project.width), std::max(1, project.height), devicePixelRatioF()};
}

void PictureView::sightChanged()
{
    refresh();
    emit changed();
}

void PictureView::fit()
{
    sight_.fit();
    sightChanged();
}

void PictureView::magnify(double scale, QPointF about)
{
    sight_.setScale(scene(), scale, about);
    sightChanged();
}

void PictureView::showWholePixels()
{
    magnify(1, QRectF(rect()).center());
}

void PictureView::setGuides(Guides guides)
{
    guides_ = std::move(guides);
    update();
}

void PictureView::wheelEvent(QWheelEvent* event)
{
    if (hand_.wheel(*event)) {
        event->accept();
        return;
    }
    if (session_.document.length() == 0 || event->angleDelta().y() == 0) {
        event->ignore();
        return;
    }
    magnify(sight_.scale(scene()) * std::exp2(event->angleDelta().y() / 360.0), event->position());
    event->accept();
}

bool PictureView::pinch(const QNativeGestureEvent& gesture)
{
    if (gesture.gestureType() != Qt::ZoomNativeGesture || session_.document.length() == 0)
        return false;
    magnify(sight_.scale(scene()) * (1 + gesture.value()), gesture.position());
    return true;
}

bool PictureView::eventFilter(QObject* watched, QEvent* event)
{
    // Space is held: a drag moves what is looked at.
    if (event->type() == QEvent::ShortcutOverride || event->type() == QEvent::KeyRelease) {
        const auto* key = static_cast<QKeyEvent*>(event);
        const auto* to = qobject_cast<const QWidget*>(watched);
        const bool typed = qobject_cast<const QLineEdit*>(to) != nullptr || (to != nullptr && to->window() != window());
        if (key->key() == Qt::Key_Space && !key->isAutoRepeat())
            spaceHeld_ = event->type() == QEvent::ShortcutOverride && !typed;
    } else if (event->type() == QEvent::WindowDeactivate) {
        spaceHeld_ = false;
    }
    return QWidget::eventFilter(watched, event);
}

void PictureView::mousePressEvent(QMouseEvent* event)
{
    const bool bySpace = spaceHeld_ && event->button() == Qt::LeftButton;
    if (event->button() == Qt::MiddleButton || bySpace) {
        if (bySpace)
            player_.toggle(); // takes back what Space alone does
        movedFrom_ = event->position();
        setCursor(Qt::ClosedHandCursor);
        return;
    }
    if (event->button() == Qt::LeftButton && pivot_.press(event->position(), frameRect(), coverNow()))
        return;
    if (!onSplit(event->position()) && hand_.press(event->position(), event->button())) {
        player_.pause();
        setCursor(Qt::ClosedHandCursor);
        return;
    }
    const auto tip = arrowTip();
    aiming_ = event->button() == Qt::LeftButton && tip &&
              std::hypot(tip->x() - event->position().x(), tip->y() - event->position().y()) <= 10;
    if (aiming_) {
        aimDrag_.begin();
        aimMove_ = *peakMove_;
        aimStrength_ = std::max(0.01, session_.selection.strike()->strength);
        return;
    }
    splitDragged_ = event->button() == Qt::LeftButton && onSplit(event->position());
    if (!splitDragged_)
        QWidget::mousePressEvent(event);
}

void PictureView::mouseMoveEvent(QMouseEvent* event)
{
    if (movedFrom_) {
        sight_.move(scene(), event->position() - *movedFrom_);
        movedFrom_ = event->position();
        sightChanged();
        return;
    }
    if (pivot_.move(event->position(), frameRect(), coverNow()) || hand_.move(event->position()))
        return;
    if (aiming_) {
        aim(event->position());
        return;
    }
    hoverAt(event->position());
    if (!splitDragged_)
        return;
    const QRectF frame = frameRect();
    share_ = std::clamp((event->position().x() - frame.left()) / frame.width(), 0.0, 1.0);
    refresh();
}

void PictureView::hoverAt(QPointF place)
{
    const auto tip = arrowTip();
    const bool onTip = tip && std::hypot(tip->x() - place.x(), tip->y() - place.y()) <= 10;
    setCursor(onTip                             ? Qt::SizeAllCursor
              : splitDragged_ || onSplit(place) ? Qt::SplitHCursor
              : hand_.on()                      ? hand_.cursor(place)
                                                : Qt::ArrowCursor);
}

void PictureView::mouseReleaseEvent(QMouseEvent*)
{
    letGo();
}

void PictureView::letGo()
{
    aimDrag_.end();
    hand_.letGo();
    pivot_.letGo();
    movedFrom_.reset();
    setCursor(hand_.on() ? Qt::OpenHandCursor : Qt::ArrowCursor);
    splitDragged_ = false;
    aiming_ = false;
    update();
}

void PictureView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && pivot_.held()) {
        pivot_.cancel();
        return;
    }
    if (hand_.key(*event)) {
        update();
        return;
    }
    if (event->key() != Qt::Key_Escape || !aiming_) {
        QWidget::keyPressEvent(event);
        return;
    }
    aimDrag_.cancel();
    letGo();
}

bool PictureView::event(QEvent* event)
{
    if (event->type() == QEvent::NativeGesture && pinch(*static_cast<QNativeGestureEvent*>(event)))
        return true;
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (((aimDrag_.active() || pivot_.held()) && key->key() == Qt::Key_Escape) || hand_.wants(*key))
            event->accept(); // what is in the hand is let go first
    }
    return QWidget::event(event);
}

void PictureView::setPreview(const std::optional<Recipe>& recipe)
{
    preview_.reset();
    previewTimer_.stop();
    const Project& project = session_.document.project();
    if (recipe && session_.film.hasClip()) {
        constexpr double longestSeconds = 3;
        const double rate = project.rate.perSecond();
        Motion motion(strikeAlone(project, *recipe, 0));
        if (!motion.spans().empty()) {
            const StrikeSpan span = motion.spans().front();
            const double pause = rate / 4; // at rest between two rounds
            const double last = std::min(span.end, longestSeconds * rate) + pause;
            preview_ = std::make_unique<Preview>(Preview{QString::fromStdString(recipe->name),
                                                         std::move(motion),
                                                         std::floor(span.start) - 1,
                                                         std::ceil(last),
                                                         {}});
            preview_->clock.start();
            if (!preference::calm())
                previewTimer_.start(std::max(8, static_cast<int>(1000 / rate)));
        }
    }
    refresh();
}

double PictureView::moment() const
{
    if (!preview_)
        return static_cast<double>(session_.playhead.frame());
    if (preference::calm())
        return preview_->motion.spans().front().peak;
    const double rate = session_.document.project().rate.perSecond();
    const double run = std::floor(static_cast<double>(preview_->clock.elapsed()) * rate / 1000);
    return preview_->first + std::fmod(run, preview_->last - preview_->first);
}

QSize PictureView::renderSize() const
{
    const Project& project = session_.document.project();
    double share = 1.0;
    switch (scale_) {
    case PictureScale::full: break;
    case PictureScale::half: share = 0.5; break;
    case PictureScale::quarter: share = 0.25; break;
    case PictureScale::automatic: {
        share = std::min(1.0, held_.share() * sight_.scale(scene()));
        break;
    }
    }
    return {std::max(1, static_cast<int>(std::lround(project.width * share))),
            std::max(1, static_cast<int>(std::lround(project.height * share)))};
}

std::optional<PictureRenderer::Order> PictureView::orderOf(std::int64_t frame) const
{
    const ImagePtr source = session_.film.frames().cached(frame);
    if (source == nullptr)
        return std::nullopt;
    const FrameTime at = preview_ ? moment() : static_cast<FrameTime>(frame);
    const QSize size = renderSize();
    const FrameLook look = plain_ ? plainLook(session_.document.project())
                                  : lookOf(session_.document.project(), motion(), session_.document.cover(), at,
                                           session_.film.viewLayers());
    return PictureRenderer::Order{frame,        source, look,        size.width(),        size.height(),
                                  leftLook(at), share_, shownSize(), session_.film.view()};
}

void PictureView::setSkinsShown(bool on)
{
    skinsShown_ = on;
    refreshSkins(true);
    update();
}

void PictureView::refreshSkins(bool anew)
{
    if (!hand_.on() || !skinsShown_ || player_.playing() || !session_.film.hasClip())
        skins_.clear();
    else
        skins_.want(session_.playhead.frame(), anew);
}

void PictureView::refresh()
{
    update();
    refreshSkins(true);
    if (session_.film.hasClip())
        feed_.renew(wish());
}

void PictureView::follow()
{
    update();
    refreshSkins(false);
    if (session_.film.hasClip())
        feed_.want(wish());
}

PictureFeed::Wish PictureView::wish() const
{
    PictureFeed::Wish wish{session_.playhead.frame(), {}};
    if (!player_.playing() || preview_)
        return wish;
    constexpr std::int64_t mostAhead = 12; // half a second: as long as a strike is at its heaviest
    constexpr std::int64_t mostBytes = 128 << 20;
    const auto bytes = [](const QSize& size) { return std::int64_t{4} * size.width() * size.height(); };
    const auto room = mostBytes / std::max<std::int64_t>(1, bytes(renderSize()) + bytes(shownSize()));
    const LoopRange& loop = session_.playhead.loop();
    auto frame = wish.frame;
    for (std::int64_t i = 0; i < std::clamp(room, std::int64_t{1}, mostAhead); ++i) {
        frame = loop.on && loop.set() && frame == loop.last ? loop.first : frame + 1;
        if (frame >= session_.document.length() || frame == wish.frame || wish.isComing(frame))
            break;
        wish.coming.push_back(frame);
    }
    return wish;
}

QSize PictureView::shownSize() const
{
    const QSize whole = (frameRect().size() * devicePixelRatioF()).toSize();
    return sight_.fits() ? whole : whole.boundedTo(renderSize()); // what is magnified is painted so
}

void PictureView::show(qint64 frame, const QImage& picture, const QImage& shown, double milliseconds)
{
    picture_ = picture;
    shown_ = shown;
    if (frame != pictureFrame_ || player_.playing())
        player_.frameShown();
    pictureFrame_ = frame;
    if (scale_ == PictureScale::automatic && player_.playing())
        held_.spent(milliseconds, 1000.0 / session_.document.project().rate.perSecond());
    update();
    emit changed();
}

void PictureView::resizeEvent(QResizeEvent* event)
{
    QWidget::resizeEvent(event);
    refresh();
}

void PictureView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    const bool covers = !session_.document.project().shots.empty() && !shown_.isNull() && !shown_.hasAlphaChannel();
    const QRect covered = covers ? frameRect().toAlignedRect().adjusted(2, 2, -2, -2) : QRect();
    for (const QRect& around : QRegion(rect()).subtracted(covered))
        painter.fillRect(around, theme::surround);
    if (session_.document.project().shots.empty())
        return;
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    const QRectF frame = frameRect();
    painter.setRenderHint(QPainter::SmoothPixmapTransform, sight_.scale(scene()) <= 1); // magnified, pixels are seen
    if (shown_.isNull())
        painter.fillRect(frame, QColor(0x2c, 0x2c, 0x2c));
    else
        painter.drawImage(frame, shown_);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    if (!plain_)
        paintSkins(painter, frame);
    paintGuides(painter, frame, guides_);
    if (!plain_)
        paintOverlays(painter, frame);
    paintArrow(painter);
    if (!plain_ && !player_.playing())
        hand_.paint(painter);
    if (!plain_ && !player_.playing())
        pivot_.paint(painter, frame, coverNow());
    if (split_ != Split::none)
        paintSplit(painter, frame);
    paintLabels(painter);
    theme::paintFocus(painter, *this);
}

void PictureView::paintSkins(QPainter& painter, const QRectF& frame) const
{
    constexpr double faint = 0.22;
    painter.setOpacity(faint);
    for (const QImage* skin : {&skins_.before(), &skins_.after()})
        if (!skin->isNull())
            painter.drawImage(frame, *skin);
    painter.setOpacity(1);
}

void PictureView::paintSplit(QPainter& painter, const QRectF& frame) const
{
    const double x = std::round(frame.left() + share_ * frame.width()) + 0.5;
    painter.setPen(QPen(QColor(255, 255, 255, 200), 1));
    painter.drawLine(QPointF(x, frame.top() - 6), QPointF(x, frame.bottom() + 6));
    const int other = takes_ != nullptr ? takes_->other() : -1;
    const int current = takes_ != nullptr ? takes_->current() : -1;
    const QString left = split_ == Split::plain    ? tr("plain")
                         : split_ == Split::gentle ? tr("gentle")
                         : other >= 0              ? tr("take %1").arg(Takes::name(other))
                                                   : tr("no take kept");
    const QString right = split_ == Split::gentle                 ? tr("full")
                          : split_ == Split::take && current >= 0 ? tr("take %1").arg(Takes::name(current))
                                                                  : tr("now");
    painter.setFont(theme::words(12));
    const auto label = [&](const QRectF& box, Qt::Alignment where, const QString& text) {
        const QRectF area = painter.boundingRect(box, static_cast<int>(where), text).adjusted(-5, -1, 5, 1);
        painter.fillRect(area, QColor(0, 0, 0, 150));
        painter.setPen(theme::onSurround);
        painter.drawText(box, static_cast<int>(where), text);
    };
    label(QRectF(x - 210, frame.top() + 6, 200, 18), Qt::AlignRight | Qt::AlignVCenter, left);
    label(QRectF(x + 10, frame.top() + 6, 200, 18), Qt::AlignLeft | Qt::AlignVCenter, right);
}

void PictureView::paintOverlays(QPainter& painter, const QRectF& frame) const
{
    const Project& project = session_.document.project();
    const double scale = frame.width() / project.width;
    const double now = moment();
    const double cover = session_.document.cover().at(static_cast<std::int64_t>(std::floor(now + 1e-9)));
    const Pose pose = motion().poseAt(now);
    const QPointF centre = frame.center();
    if (border_ && (cover > 1 || !pose.atRest())) {
        const Matrix3 map = poseMatrix(pose, project.width, project.height);
        const double cx = 0.5 * (project.width - 1);
        const double cy = 0.5 * (project.height - 1);
        QPolygonF outline;
        bool whole = true;
        const double right = project.width - 0.5;
        const double bottom = project.height - 0.5;
        for (const Point corner : {Point{-0.5, -0.5}, Point{right, -0.5}, Point{right, bottom}, Point{-0.5, bottom}}) {
            whole = whole && map.depth(corner) > 0.01;
            const Point p = map.map(corner);
            outline << centre + QPointF((p.x - cx) * cover * scale, (p.y - cy) * cover * scale);
        }
        if (whole) {
            painter.setPen(QPen(QColor(255, 255, 255, 90), 1, Qt::DotLine));
            painter.setBrush(Qt::NoBrush);
            painter.drawPolygon(outline);
        }
    }
    if (!thread_ || hand_.on())
        return;
    // As far as the centre goes while the selected strike lasts.
    if (const Strike* strike = preview_ ? nullptr : session_.selection.feltStrike()) {
        const Envelope envelope = envelopeOf(project, *strike);
        QRectF most;
        const double first = static_cast<double>(strike->frame.index) + envelope.start();
        const double last = static_cast<double>(strike->frame.index) + std::min(envelope.end(), 240.0);
        for (double t = first; t <= last; ++t) {
            const Pose at = motion().poseAt(t);
            most |= QRectF(at.x, at.y, 1e-3, 1e-3) | QRectF(0, 0, 1e-3, 1e-3);
        }
        painter.setPen(QPen(QColor(255, 255, 255, 70), 1, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(QRectF(centre + most.topLeft() * cover * scale, most.size() * cover * scale));
    }
    // The way the picture's centre took, fading into the past.
    const double span = threadSeconds * project.rate.perSecond();
    constexpr int steps = 60;
    QPointF last;
    for (int i = 0; i <= steps; ++i) {
        const double back = span * (1.0 - static_cast<double>(i) / steps);
        const Pose at = motion().poseAt(now - back);
        const QPointF point = centre + QPointF(at.x, at.y) * cover * scale;
        if (i > 0 && point != last) {
            painter.setPen(QPen(QColor(255, 255, 255, 20 + 170 * i / steps), 1));
            painter.drawLine(last, point);
        }
        last = point;
    }
    painter.setPen(QPen(QColor(255, 255, 255, 220), 1.25));
    painter.setBrush(Qt::NoBrush);
    painter.drawEllipse(last, 3.5, 3.5);
}

void PictureView::paintLabels(QPainter& painter) const
{
    painter.setFont(theme::words(12));
    const auto label = [&](Qt::Alignment where, const QString& text) {
        if (text.isEmpty())
            return;
        const QRect inside = rect().adjusted(14, 10, -14, -10);
        const QRectF area = painter.boundingRect(QRectF(inside), static_cast<int>(where), text).adjusted(-6, -2, 6, 2);
        painter.fillRect(area, QColor(0, 0, 0, 150));
        painter.setPen(theme::onSurround);
        painter.drawText(inside, static_cast<int>(where), text);
    };
    // Only what is out of the ordinary: the picture is for looking at.
    label(Qt::AlignLeft | Qt::AlignTop, plain_     ? tr("plain")
                                        : preview_ ? tr("preview of %1 on this frame").arg(preview_->name)
                                        : session_.document.project().master.bypass ? tr("all shakes bypassed")
                                                                                    : QString());
    QString state;
    if (!session_.film.hasClip())
        state = session_.film.clipTrouble();
    else if (player_.playing() && player_.dropped() > 0)
        state = tr("%1 frames left out").arg(player_.dropped());
    label(Qt::AlignHCenter | Qt::AlignBottom, state);
}

QString PictureView::facts() const
{
    const Project& project = session_.document.project();
    const Cover& cover = session_.document.cover();
    QStringList parts;
    parts << (sight_.fits() ? tr("fit %1 %") : tr("%1 %")).arg(std::lround(100 * sight_.scale(scene())));
    if (cover.needed > largestCover)
        parts << tr("cover over %1 %").arg(100 * largestCover, 0, 'f', 0);
    else if (project.finish.cover == CoverMode::off)
        parts << tr("cover off");
    else
        parts << tr("cover %1 %").arg(100 * cover.at(session_.playhead.frame()), 0, 'f', 1);
    if (const auto& view = session_.film.view(); view && !view->words().empty())
        parts << said(view->words());
    else if (const auto& clip = session_.film.clipInfo(); clip && clip->depth == Depth::single)
        parts << tr("light up to white");
    if (player_.playing())
        parts << tr("%1 fps").arg(player_.shownRate(), 0, 'f', 1);
    return parts.join(QStringLiteral("   "));
}

} // namespace ember::app
