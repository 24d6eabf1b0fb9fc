// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_view.h"

#include <algorithm>
#include <cmath>

#include <QCoreApplication>
#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPointer>
#include <QToolTip>
#include <QWheelEvent>

#include "background.h"
#include "place_block.h"
#include "reel_painter.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr double waveSlotSeconds = 0.004;
constexpr double longestFineWave = 1200; // beyond twenty minutes the slots grow instead of the memory
} // namespace

ReelView::ReelView(Session& session, Finder& finder, QWidget* parent)
    : QWidget(parent), session_(session), finder_(finder)
{
    setObjectName(QStringLiteral("reel"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    connect(&session_, &Session::projectChanged, this, &ReelView::repaintStrikes);
    connect(&session_, &Session::selectionChanged, this, &ReelView::repaintStrikes);
    connect(&session_, &Session::loopChanged, this, &ReelView::repaintAll);
    connect(&session_, &Session::playheadChanged, this, [this] {
        keepPlayheadSeen();
        update();
    });
    connect(&session_, &Session::projectChanged, this, &ReelView::loadWaveform);
    connect(&finder_, &Finder::changed, this, &ReelView::repaintStrikes);
    connect(&session_.thumbs(), &ThumbStore::ready, this, &ReelView::repaintAll);
    connect(&session_, &Session::filmEdited, this, [this] {
        const auto length = static_cast<double>(session_.length());
        if (range_.last > length || range_.last == shownOf_) // all is seen, and stays so
            showAll();
        shownOf_ = length;
        repaintAll();
    });
    connect(&session_, &Session::mediaRewritten, this, [this] {
        waveformOf_.reset();
        loadWaveform();
        repaintAll();
    });
    connect(&session_, &Session::opened, this, [this] {
        shownOf_ = static_cast<double>(session_.length());
        showAll();
        waveformOf_.reset();
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
    const auto& shots = session_.project().shots;
    return layOutReel(size(), range_.first, range_.last, shots.size() > 1 || (shots.size() == 1 && shots[0].gap()));
}

void ReelView::setFindingShown(bool shown)
{
    finding_ = shown;
    repaintStrikes();
}

void ReelView::repaintStrikes()
{
    strikes_.spoil();
    update();
}

void ReelView::repaintAll()
{
    ground_.spoil();
    repaintStrikes();
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
    const auto source = session_.soundSource();
    if (source == waveformOf_ && (source || waveform_.low.empty()))
        return;
    if (waveformStop_)
        *waveformStop_ = true;
    waveformOf_ = source;
    waveform_ = {};
    repaintAll();
    if (!source)
        return;
    const double seconds = session_.project().rate.seconds(static_cast<double>(session_.length()));
    const double slot = waveSlotSeconds * std::max(1.0, seconds / longestFineWave);
    auto stop = std::make_shared<std::atomic<bool>>(false);
    waveformStop_ = stop;
    const QPointer<ReelView> self(this);
    inBackground([self, stop, source = *source, seconds, slot] {
        auto sound = openSound(source, {});
        if (!sound)
            return;
        auto wave = std::make_shared<Result<Waveform>>(
            readWaveform(*sound.value(), source.path, seconds, slot, [&](double) { return !stop->load(); }));
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
    const ReelPicture picture{session_.project(),
                              session_.survey().ways(),
                              session_.loop(),
                              session_.selection(),
                              hovered_,
                              waveform_,
                              session_.clipInfo() && !session_.soundSource(),
                              finding_ ? std::span<const Candidate>(finder_.proposals()) : std::span<const Candidate>(),
                              finding_ ? finder_.current() : std::nullopt,
                              finder_.picked(),
                              finding_ ? finder_.grid() : session_.project().beats,
                              [this](std::int64_t frame) { return session_.thumbs().thumb(frame); }};
    p.drawPixmap(0, 0, ground_.picture(*this, [&](QPixmap& paper) {
        paper.fill(theme::window);
        QPainter ink(&paper);
        paintReelGround(ink, layout, picture);
    }));
    p.drawPixmap(0, 0, strikes_.picture(*this, [&](QPixmap& paper) {
        paper.fill(Qt::transparent);
        QPainter ink(&paper);
        paintReelStrikes(ink, layout, picture);
        paintReelProposals(ink, layout, picture);
    }));
    if (session_.length() == 0)
        return;
    paintShotHere(p, layout, picture, session_.playhead());
    paintReelPlayhead(p, layout, session_.playhead());
    if (gesture_ == Gesture::shot && moved_)
        paintShotDrag(p, layout, shotDrag(last_));
    if (gesture_ == Gesture::band && moved_)
        paintReelBand(p, layout, pressed_.x(), last_.x());
    theme::paintFocus(p, *this);
}

namespace {

QString shotSentence(const Project& project, std::size_t index)
{
    const Shot& shot = project.shots[index];
    const ShotPlace place = project.placeOf(index);
    QString text = shot.gap() ? ReelView::tr("Gap of %1 frames.").arg(shot.length)
                              : ReelView::tr("%1, frames %2 to %3 of the film, from its frame %4 on.")
                                    .arg(QString::fromStdString(shot.clip))
                                    .arg(place.first)
                                    .arg(place.end - 1)
                                    .arg(shot.in);
    return text + ReelView::tr(" Drag an end to trim it, the middle to move it in the order.");
}

} // namespace

// --- gestures ---

void ReelView::scrubTo(double x)
{
    session_.setPlayhead(static_cast<std::int64_t>(std::floor(layoutNow().map.toFrameInside(x) + 0.5)));
}

Project ReelView::shotDropped(QPointF place) const
{
    const Project& project = session_.project();
    const ShotId id = project.shots[grip_.index].id;
    const ReelLayout layout = layoutNow();
    const auto frames = std::llround((place.x() - pressed_.x()) * layout.map.framesPerPixel());
    switch (grip_.part) {
    case ShotGrip::Part::in: return withInTrimmed(project, id, frames);
    case ShotGrip::Part::out: return withOutTrimmed(project, id, frames);
    case ShotGrip::Part::body: break;
    }
    return withShotMoved(project, id, dropIndex(layout, project.shots, grip_.index, place.x()));
}

ShotDrag ReelView::shotDrag(QPointF place) const
{
    const Project next = shotDropped(place);
    const ShotId id = session_.project().shots[grip_.index].id;
    const ShotPlace before = session_.project().placeOf(grip_.index);
    const ShotPlace after = *next.placeOfShot(id);
    const ReelLayout layout = layoutNow();
    const std::int64_t change = (after.end - after.first) - (before.end - before.first);
    switch (grip_.part) {
    case ShotGrip::Part::in:
        return {layout.sparkX(before.first - change), tr("In %1 frames %2, %3 long")
                                                          .arg(std::abs(change))
                                                          .arg(change > 0 ? tr("earlier") : tr("later"))
                                                          .arg(after.end - after.first)};
    case ShotGrip::Part::out:
        return {layout.sparkX(before.end + change), tr("Out %1 frames %2, %3 long")
                                                        .arg(std::abs(change))
                                                        .arg(change < 0 ? tr("earlier") : tr("later"))
                                                        .arg(after.end - after.first)};
    case ShotGrip::Part::body: break;
    }
    const bool later = after.index > grip_.index;
    return {layout.sparkX(after.index == grip_.index ? before.first
                                                     : session_.project().placeOf(after.index).first +
                                                           (later ? session_.project().shots[after.index].length : 0)),
            after.index == grip_.index ? tr("Stays shot %1").arg(after.index + 1)
                                       : tr("Becomes shot %1").arg(after.index + 1)};
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
    if (const auto grip = shotAt(layout, session_.project().shots, pressed_)) {
        gesture_ = Gesture::shot;
        grip_ = *grip;
        // The shot that is worked on is the one under the playhead.
        if (const ShotPlace place = session_.project().placeOf(grip->index);
            session_.playhead() < place.first || session_.playhead() >= place.end)
            session_.setPlayhead(grip->part == ShotGrip::Part::out ? place.end - 1 : place.first);
        update();
        return;
    }
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
    } else if (const auto proposal = proposalAt(layout, finder_.proposals(), pressed_); finding_ && proposal) {
        const auto frame = finder_.proposals()[*proposal].frame.index;
        std::set<std::int64_t> picked = adding ? finder_.picked() : std::set<std::int64_t>();
        if (adding && picked.erase(frame) == 0)
            picked.insert(frame);
        finder_.setPicked(std::move(picked));
        finder_.setCurrent(proposal);
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
        const auto grip = shotAt(layout, session_.project().shots, place);
        setCursor(over != 0 || (grip && grip->part != ShotGrip::Part::body) ? Qt::SizeHorCursor : Qt::ArrowCursor);
        if (over != hovered_) {
            hovered_ = over;
            repaintStrikes();
        }
        break;
    }
    case Gesture::scrub: scrubTo(place.x()); break;
    case Gesture::pan:
        setRange(scrolled(range_, -(place.x() - last_.x()) * layout.map.framesPerPixel(),
                          static_cast<double>(session_.length())));
        break;
    case Gesture::band:
    case Gesture::shot: break;
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
        if (finding_) {
            std::set<std::int64_t> picked = adding ? finder_.picked() : std::set<std::int64_t>();
            const auto [left, right] = std::minmax({pressed_.x(), event->position().x()});
            for (const Candidate& proposal : finder_.proposals())
                if (const double x = layoutNow().sparkX(proposal.frame.index); moved_ && x >= left && x <= right)
                    picked.insert(proposal.frame.index);
            finder_.setPicked(std::move(picked));
        }
        if (!moved_)
            scrubTo(event->position().x());
    }
    const bool shot = gesture_ == Gesture::shot && moved_;
    gesture_ = Gesture::none;
    before_ = {};
    if (shot) {
        const ShotId id = session_.project().shots[grip_.index].id;
        session_.edit(shotDropped(event->position()), shotDrag(event->position()).says);
        session_.goToShot(id, grip_.part == ShotGrip::Part::out);
    }
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
            QToolTip::showText(
                help->globalPos(),
                tr("%1, frame %2, strength %3 %. Drag to move it; Ctrl+click adds it to the selection.")
                        .arg(strikeTitle(*strike))
                        .arg(strike->frame.index)
                        .arg(std::lround(100 * strike->strength)) +
                    (strike->place ? QLatin1Char(' ') + arrivalSentence(session_.project(), *strike) + QLatin1Char('.')
                                   : QString()),
                this);
        else if (const auto proposal = proposalAt(layout, finder_.proposals(), help->pos()); finding_ && proposal)
            QToolTip::showText(help->globalPos(),
                               candidateSentence(finder_.proposals()[*proposal]) +
                                   tr(". Click, then A accepts it and R rejects it."),
                               this);
        else if (const SettleMark* mark = settleAt(layout, session_.project().settles, help->pos()))
            QToolTip::showText(help->globalPos(),
                               (mark->mode == SettleMode::cut
                                    ? tr("Settle mark: shakes are cut on frame %1.").arg(mark->frame.index)
                                    : tr("Settle mark: shakes are eased home from frame %1 over %2 frames.")
                                          .arg(mark->frame.index)
                                          .arg(mark->frames)) +
                                   tr(" Change it on the Film page."),
                               this);
        else if (const auto grip = shotAt(layout, session_.project().shots, help->pos()))
            QToolTip::showText(help->globalPos(), shotSentence(session_.project(), grip->index), this);
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
