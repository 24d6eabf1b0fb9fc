// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_view.h"

#include <algorithm>
#include <cmath>

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <QWheelEvent>

#include "background.h"
#include "ember/project/film_edits.h"
#include "ember/project/shot_edits.h"
#include "language.h"
#include "place_block.h"
#include "reel_beats.h"
#include "reel_painter.h"
#include "theme.h"
#include "thumb_store.h"
#include "words.h"

namespace ember::app {

ReelView::ReelView(Session& session, Finder& finder, QWidget* parent)
    : QWidget(parent), session_(session), finder_(finder), drag_(session.document, session.messages)
{
    setObjectName(QStringLiteral("reel"));
    setAccessibleName(tr("Reel"));
    connect(&drag_, &DragEdit::broken, this, [this] {
        gesture_.end();
        update();
    });
    setFocusPolicy(Qt::StrongFocus);
    setAttribute(Qt::WA_OpaquePaintEvent);
    setMouseTracking(true);
    connect(&session_.document, &OpenDocument::changed, this, &ReelView::repaintStrikes);
    connect(&session_.selection, &Selection::changed, this, &ReelView::repaintStrikes);
    connect(&session_.playhead, &Playhead::loopChanged, this, &ReelView::repaintAll);
    connect(&session_.playhead, &Playhead::moved, this, [this] {
        keepPlayheadSeen();
        followPlayhead();
    });
    connect(&session_.document, &OpenDocument::changed, this, [this] {
        updateGeometry(); // lanes come and go
        if (timecode_ && !(clock_ == session_.document.project().clock))
            setTimecode(true);
    });
    connect(&finder_, &Finder::changed, this, &ReelView::repaintStrikes);
    connect(&session_.film.thumbs(), &ThumbStore::ready, this, &ReelView::repaintAll);
    connect(&session_.film, &Film::edited, this, [this] {
        const auto length = static_cast<double>(session_.document.length());
        if (range_.last > length || range_.last == shownOf_) // all is seen, and stays so
            showAll();
        shownOf_ = length;
        repaintAll();
    });
    connect(&session_.film, &Film::rewritten, this, [this] { repaintAll(); });
    connect(&session_.wave, &FilmWave::changed, this, &ReelView::repaintAll);
    connect(&session_.file, &ProjectFile::opened, this, [this] {
        shownOf_ = static_cast<double>(session_.document.length());
        showAll();
    });
}

ReelLanes ReelView::lanes() const
{
    const auto& shots = session_.document.project().shots;
    const bool moves = std::any_of(shots.begin(), shots.end(), [](const Shot& shot) { return !shot.move.empty(); });
    return {shots.size() > 1 || (shots.size() == 1 && shots[0].gap()),
            lanesShown_ || !session_.document.project().master.keys.empty(), moves};
}

ReelLayout ReelView::layoutNow() const
{
    return layOutReel(size(), range_.first, range_.last, lanes());
}

QSize ReelView::minimumSizeHint() const
{
    return {360, leastReelHeight(lanes())};
}

void ReelView::setTimecode(bool on)
{
    timecode_ = on;
    clock_ = session_.document.project().clock;
    repaintAll();
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
    setRange({0, static_cast<double>(std::max<std::int64_t>(1, session_.document.length()))});
}

void ReelView::keepPlayheadSeen()
{
    const auto at = static_cast<double>(session_.playhead.frame());
    if (at < range_.first)
        setRange(scrolled(range_, at - range_.first, static_cast<double>(session_.document.length())));
    else if (at >= range_.last)
        setRange(scrolled(range_, at + 1 - range_.first, static_cast<double>(session_.document.length())));
}

// --- painting ---

void ReelView::followPlayhead()
{
    if (session_.document.project().shots.size() > 1) { // the shot it is on is marked, too
        update();
        return;
    }
    const ReelLayout layout = layoutNow();
    for (const std::int64_t frame : {shownFrame_, session_.playhead.frame()}) {
        const double x = layout.map.toPixel(static_cast<double>(frame));
        update(QRectF(x - 3, 0, 6, height()).toAlignedRect());
    }
    shownFrame_ = session_.playhead.frame();
}

void ReelView::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    const ReelLayout layout = layoutNow();
    const ReelPicture picture{session_.document.project(),
                              session_.document.survey().ways(),
                              session_.playhead.loop(),
                              session_.selection.ids(),
                              hovered_,
                              session_.wave.wave(),
                              session_.film.clipInfo() && !session_.film.soundSource(),
                              finding_ ? std::span<const Candidate>(finder_.proposals()) : std::span<const Candidate>(),
                              finding_ ? finder_.current() : std::nullopt,
                              finder_.picked(),
                              finding_ ? finder_.grid() : session_.document.project().beats,
                              [this](std::int64_t frame) { return session_.film.thumbs().thumb(frame); },
                              timecode_,
                              movePart_};
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
    if (session_.document.length() == 0)
        return;
    paintShotHere(p, layout, picture, session_.playhead.frame());
    paintReelPlayhead(p, layout, session_.playhead.frame());
    if (gesture_.kind() == Gesture::shot && gesture_.moved())
        if (const auto drag = shotDrag())
            paintShotDrag(p, layout, *drag);
    if (gesture_.kind() == Gesture::band && gesture_.moved())
        paintReelBand(p, layout, gesture_.pressed().x(), gesture_.last().x());
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
    session_.playhead.setFrame(static_cast<std::int64_t>(std::floor(layoutNow().map.toFrameInside(x) + 0.5)));
}

std::optional<ShotDrag> ReelView::shotDrag() const
{
    const Project& project = session_.document.project();
    const auto index = gesture_.shotIndex(project);
    if (index < 0)
        return std::nullopt;
    const ReelLayout layout = layoutNow();
    const Project next = gesture_.withShotDropped(project, layout);
    const auto from = static_cast<std::size_t>(index);
    const ShotPlace before = project.placeOf(from);
    const ShotPlace after = *next.placeOfShot(gesture_.shot());
    const std::int64_t change = (after.end - after.first) - (before.end - before.first);
    switch (gesture_.part()) {
    case ShotGrip::Part::in:
        return ShotDrag{layout.sparkX(before.first - change), tr("In %1 frames %2, %3 long")
                                                                  .arg(std::abs(change))
                                                                  .arg(change > 0 ? tr("earlier") : tr("later"))
                                                                  .arg(after.end - after.first)};
    case ShotGrip::Part::out:
        return ShotDrag{layout.sparkX(before.end + change), tr("Out %1 frames %2, %3 long")
                                                                .arg(std::abs(change))
                                                                .arg(change < 0 ? tr("earlier") : tr("later"))
                                                                .arg(after.end - after.first)};
    case ShotGrip::Part::body: break;
    }
    if (after.index == from)
        return ShotDrag{layout.sparkX(before.first), tr("Stays shot %1").arg(after.index + 1)};
    const std::int64_t past = after.index > from ? project.shots[after.index].length : 0;
    return ShotDrag{layout.sparkX(project.placeOf(after.index).first + past),
                    tr("Becomes shot %1").arg(after.index + 1)};
}

void ReelView::mousePressEvent(QMouseEvent* event)
{
    if (session_.document.length() == 0 || gesture_.kind() != Gesture::none) // one thing at a time
        return;
    if (event->button() == Qt::MiddleButton) {
        gesture_.begin(Gesture::pan, event->position());
    } else if (event->button() == Qt::LeftButton) {
        gesture_.begin(Gesture::none, event->position());
        const bool shifted = (event->modifiers() & Qt::ShiftModifier) != 0;
        pressOn(layoutNow(), shifted || (event->modifiers() & Qt::ControlModifier) != 0, shifted);
        update();
    }
}

void ReelView::pressOn(const ReelLayout& layout, bool adding, bool shifted)
{
    const Project& project = session_.document.project();
    const QPointF at = gesture_.pressed();
    if (const auto grip = shotAt(layout, project.shots, at)) {
        gesture_.beginShot(project, *grip, at);
        // The shot that is worked on is the one under the playhead.
        if (const ShotPlace place = project.placeOf(grip->index);
            session_.playhead.frame() < place.first || session_.playhead.frame() >= place.end)
            session_.playhead.setFrame(grip->part == ShotGrip::Part::out ? place.end - 1 : place.first);
        return;
    }
    if (pressOnLane(layout, at, adding))
        return;
    if (const StrikeId grabbed = strikeAt(layout, project.strikes, at); grabbed != 0) {
        if (adding)
            session_.selection.toggle(grabbed);
        else if (!session_.selection.contains(grabbed))
            session_.selection.set({grabbed});
        gesture_.beginStrikes(project, session_.selection.ids(), grabbed, at);
        drag_.begin();
        session_.playhead.setFrame(gesture_.grabbedFrame(project));
    } else if (adding && pressOnBeat(layout, at, true)) {
        return;
    } else if (const auto proposal = proposalAt(layout, finder_.proposals(), at); finding_ && proposal) {
        const auto frame = finder_.proposals()[*proposal].frame.index;
        std::set<std::int64_t> picked = adding ? finder_.picked() : std::set<std::int64_t>();
        if (adding && picked.erase(frame) == 0)
            picked.insert(frame);
        finder_.setPicked(std::move(picked));
        finder_.setCurrent(proposal);
        if (!adding) // what falls on a beat stands on its stroke: a click means it, a drag the beat
            pressOnBeat(layout, at, false);
    } else if (!adding && pressOnBeat(layout, at, false)) {
        return;
    } else if (layout.sparks.contains(at)) {
        gesture_.begin(Gesture::band, at);
    } else if (layout.ruler.contains(at) && shifted) {
        gesture_.begin(Gesture::loop, at);
    } else {
        gesture_.begin(Gesture::scrub, at);
        scrubTo(at.x());
    }
}

void ReelView::mouseMoveEvent(QMouseEvent* event)
{
    const ReelLayout layout = layoutNow();
    const QPointF before = gesture_.last();
    const QPointF place = event->position();
    gesture_.moveTo(place);
    switch (gesture_.kind()) {
    case Gesture::none: {
        const Project& project = session_.document.project();
        const StrikeId over = strikeAt(layout, project.strikes, place);
        const auto grip = shotAt(layout, project.shots, place);
        if (laneKeyAt(layout, project.master, filmMove(project), movePart_, place)) {
            setCursor(Qt::SizeAllCursor);
            return;
        }
        const bool sideways =
            over != 0 || (grip && grip->part != ShotGrip::Part::body) || beatUnder(layout, place).has_value();
        setCursor(sideways ? Qt::SizeHorCursor : Qt::ArrowCursor);
        if (over != hovered_) {
            hovered_ = over;
            repaintStrikes();
        }
        return;
    }
    case Gesture::scrub: scrubTo(place.x()); break;
    case Gesture::pan:
        setRange(scrolled(range_, -(place.x() - before.x()) * layout.map.framesPerPixel(),
                          static_cast<double>(session_.document.length())));
        break;
    case Gesture::band:
    case Gesture::shot: break;
    case Gesture::loop: {
        const auto [a, b] = std::minmax({gesture_.pressed().x(), place.x()});
        session_.playhead.setLoop({static_cast<std::int64_t>(layout.map.toFrameInside(a)),
                                   static_cast<std::int64_t>(layout.map.toFrameInside(b)), true});
        break;
    }
    case Gesture::strikes:
        if (gesture_.moved())
            dragStrikes(layout);
        break;
    case Gesture::beat:
        if (gesture_.moved() && drag_.active())
            dragBeat(layout, place, (event->modifiers() & Qt::ShiftModifier) != 0);
        break;
    case Gesture::lane:
        if (gesture_.moved() && drag_.active())
            dragLaneKey(layout, place, (event->modifiers() & Qt::ShiftModifier) != 0);
        break;
    }
    update();
}

bool ReelView::pressOnLane(const ReelLayout& layout, QPointF at, bool deleting)
{
    const Project& project = session_.document.project();
    heldMoves_ = filmMove(project);
    heldIntensity_ = project.master.keys;
    if (at.x() < layout.map.left && at.y() >= layout.moves.top() && at.y() < layout.moves.bottom()) {
        showNextMovePart();
        return true;
    }
    const auto key = laneKeyAt(layout, project.master, heldMoves_, movePart_, at);
    const MoveKey here = moveAt(project, layout.map.toFrame(at.x()) - 0.5);
    const bool onMove = onMoveLine(layout, heldMoves_, movePart_, partOf(here, movePart_), at);
    if (!key && !onMove && !onIntensityLine(layout, project.master, at))
        return false;
    if (key && deleting) {
        const bool intensity = key->of == LaneKey::Of::intensity;
        session_.document.edit(intensity ? withoutIntensityKey(project, key->index)
                                         : withoutMoveKey(project, key->index),
                               intensity ? tr("Intensity key deleted") : tr("Key of the move deleted"));
        gesture_.begin(Gesture::none, at);
        return true;
    }
    gesture_.begin(Gesture::lane, at);
    drag_.begin();
    if (key) {
        laneKey_ = *key;
        return true;
    }
    const Frame frame{std::clamp<std::int64_t>(static_cast<std::int64_t>(layout.map.toFrameInside(at.x())), 0,
                                               std::max<std::int64_t>(0, project.length() - 1))};
    const auto placed = [frame](const auto& keys) {
        return static_cast<std::size_t>(
            std::find_if(keys.begin(), keys.end(), [&](const auto& one) { return one.frame == frame; }) - keys.begin());
    };
    if (onMove) {
        drag_.apply([&](Project p) { return withMoveKey(std::move(p), moveKeyHere(project, frame)); },
                    tr("Key of the move on frame %1").arg(frame.index));
        heldMoves_ = filmMove(session_.document.project());
        laneKey_ = {LaneKey::Of::move, placed(heldMoves_)};
        return true;
    }
    const IntensityKey added = intensityKeyHere(project, frame);
    drag_.apply([&](Project p) { return withIntensityKey(std::move(p), added); },
                tr("Intensity %1 % on frame %2").arg(std::lround(100 * added.value)).arg(frame.index));
    heldIntensity_ = session_.document.project().master.keys;
    laneKey_ = {LaneKey::Of::intensity, placed(heldIntensity_)};
    return true;
}

void ReelView::dragLaneKey(const ReelLayout& layout, QPointF place, bool fine)
{
    const std::int64_t last = std::max<std::int64_t>(0, session_.document.length() - 1);
    const Frame frame{
        std::clamp<std::int64_t>(static_cast<std::int64_t>(std::floor(layout.map.toFrame(place.x()))), 0, last)};
    if (laneKey_.of == LaneKey::Of::move) {
        const double wanted = moveInSteps(movePart_, moveFromY(layout, heldMoves_, movePart_, place.y()), fine);
        drag_.apply(
            [&](Project p) {
                return withFilmMove(std::move(p), withKeyAt(heldMoves_, laneKey_.index, frame, movePart_, wanted));
            },
            tr("Move: %1 on frame %2").arg(partText(movePart_, wanted)).arg(frame.index));
        return;
    }
    Master scale = session_.document.project().master; // the lane stays as it was under the hand
    scale.keys = heldIntensity_;
    const double steps = fine ? 100 : 20;
    const double value =
        std::clamp(std::round(intensityFromY(layout, scale, place.y()) * steps) / steps, 0.0, mostIntensity);
    drag_.apply(
        [&](Project p) {
            p.master.keys = withKeyAt(heldIntensity_, laneKey_.index, frame, value);
            return p;
        },
        tr("Intensity %1 % on frame %2").arg(std::lround(100 * value)).arg(frame.index));
}

void ReelView::showNextMovePart()
{
    movePart_ = static_cast<MovePart>((static_cast<int>(movePart_) + 1) % movePartCount);
    repaintAll();
}

void ReelView::setLanesShown(bool shown)
{
    lanesShown_ = shown;
    updateGeometry();
    repaintAll();
}

void ReelView::dragStrikes(const ReelLayout& layout)
{
    if (!drag_.active()) // undone meanwhile
        return;
    const auto frame = gesture_.grabbedFrame(gesture_.withStrikesDragged(session_.document.project(), layout));
    drag_.apply([&](Project project) { return gesture_.withStrikesDragged(std::move(project), layout); },
                tr("Strike moved to frame %1").arg(frame));
    session_.playhead.setFrame(frame);
}

std::optional<std::int64_t> ReelView::beatUnder(const ReelLayout& layout, QPointF place) const
{
    const Project& project = session_.document.project();
    const auto grid = finding_ ? finder_.grid() : std::nullopt;
    if (!grid || strikeAt(layout, project.strikes, place) != 0)
        return std::nullopt;
    return beatAt(layout, *grid, project.rate, place);
}

bool ReelView::pressOnBeat(const ReelLayout& layout, QPointF at, bool letGo)
{
    const auto beat = beatUnder(layout, at);
    if (!beat)
        return false;
    if (letGo) {
        BeatGrid grid = *finder_.grid();
        if (std::erase_if(grid.pins, [&](const BeatPin& pin) { return pin.beat == *beat; }) == 0)
            return false;
        session_.document.edit(
            [&](Project project) {
                project.beats = grid;
                return project;
            },
            tr("Beat let go: evenly between those around it"));
        gesture_.begin(Gesture::none, at);
        return true;
    }
    heldBeats_ = finder_.grid();
    gesture_.beginBeat(*beat, at);
    drag_.begin();
    return true;
}

void ReelView::dragBeat(const ReelLayout& layout, QPointF place, bool free)
{
    const Project& project = session_.document.project();
    // Where it was taken hold of may be beside its stroke.
    const double stroke = layout.map.toPixel(project.rate.frames(heldBeats_->at(gesture_.beat())));
    const double x = place.x() + stroke - gesture_.pressed().x();
    const std::vector<double> moments = free ? std::vector<double>() : finder_.moments();
    const double seconds = beatSeconds(layout, project.rate, moments, x);
    const BeatGrid laid = heldBeats_->laid(gesture_.beat(), seconds);
    drag_.apply(
        [&](Project next) {
            next.beats = laid;
            return next;
        },
        tr("Beat at %1 s, %2 BPM before it")
            .arg(laid.at(gesture_.beat()), 0, 'f', 3)
            .arg(laid.bpmAt(laid.at(gesture_.beat()) - 1e-6), 0, 'f', 2));
}

void ReelView::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->buttons() != Qt::NoButton) // another button is still held
        return;
    gesture_.moveTo(event->position());
    if (gesture_.kind() == Gesture::band)
        chooseBand(layoutNow(), (event->modifiers() & (Qt::ControlModifier | Qt::ShiftModifier)) != 0);
    else if (gesture_.kind() == Gesture::shot && gesture_.moved())
        dropShot();
    drag_.end();
    gesture_.end();
    update();
}

void ReelView::chooseBand(const ReelLayout& layout, bool adding)
{
    const auto [left, right] = std::minmax({gesture_.pressed().x(), gesture_.last().x()});
    StrikeIds ids =
        gesture_.moved() ? strikesBetween(layout, session_.document.project().strikes, left, right) : StrikeIds{};
    if (adding)
        for (const StrikeId id : session_.selection.ids())
            if (std::find(ids.begin(), ids.end(), id) == ids.end())
                ids.push_back(id);
    session_.selection.set(std::move(ids));
    if (finding_) {
        std::set<std::int64_t> picked = adding ? finder_.picked() : std::set<std::int64_t>();
        for (const Candidate& proposal : finder_.proposals())
            if (const double x = layout.sparkX(proposal.frame.index); gesture_.moved() && x >= left && x <= right)
                picked.insert(proposal.frame.index);
        finder_.setPicked(std::move(picked));
    }
    if (!gesture_.moved())
        scrubTo(gesture_.last().x());
}

void ReelView::dropShot()
{
    const auto drag = shotDrag();
    if (!drag)
        return;
    const ReelLayout layout = layoutNow();
    session_.document.edit([&](const Project& project) { return gesture_.withShotDropped(project, layout); },
                           drag->says);
    session_.shots.goTo(gesture_.shot(), gesture_.part() == ShotGrip::Part::out);
}

void ReelView::cancelGesture()
{
    if (gesture_.kind() == Gesture::lane || gesture_.kind() == Gesture::beat)
        drag_.cancel();
    if (gesture_.kind() == Gesture::strikes) {
        drag_.cancel([this](Project project) { return gesture_.withStrikesBack(std::move(project)); });
        session_.playhead.setFrame(gesture_.grabbedFrame(session_.document.project()));
    }
    gesture_.end();
    update();
}

void ReelView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && gesture_.kind() != Gesture::none)
        cancelGesture();
    else
        QWidget::keyPressEvent(event);
}

void ReelView::wheelEvent(QWheelEvent* event)
{
    if (session_.document.length() == 0)
        return;
    const double notches = (event->angleDelta().y() != 0 ? event->angleDelta().y() : event->angleDelta().x()) / 120.0;
    const auto length = static_cast<double>(session_.document.length());
    if ((event->modifiers() & Qt::ControlModifier) != 0)
        setRange(zoomed(range_, layoutNow().map, event->position().x(), std::pow(0.8, notches), length));
    else
        setRange(scrolled(range_, -notches * 0.1 * (range_.last - range_.first), length));
    event->accept();
}

bool ReelView::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride && gesture_.kind() != Gesture::none &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape)
        event->accept(); // what is in the hand is let go first
    if (event->type() == QEvent::ToolTip && session_.document.length() > 0) {
        auto* help = static_cast<QHelpEvent*>(event);
        const ReelLayout layout = layoutNow();
        const StrikeId id = strikeAt(layout, session_.document.project().strikes, help->pos());
        if (const Strike* strike = session_.document.project().strike(id))
            QToolTip::showText(
                help->globalPos(),
                tr("%1, frame %2, strength %3 %. Drag to move it; Ctrl+click adds it to the selection.")
                        .arg(strikeTitle(*strike))
                        .arg(strike->frame.index)
                        .arg(std::lround(100 * strike->strength)) +
                    (strike->place
                         ? QLatin1Char(' ') + arrivalSentence(session_.document.project(), *strike) + QLatin1Char('.')
                         : QString()),
                this);
        else if (const auto proposal = proposalAt(layout, finder_.proposals(), help->pos()); finding_ && proposal)
            QToolTip::showText(help->globalPos(),
                               candidateSentence(finder_.proposals()[*proposal]) +
                                   tr(". Click, then A accepts it and R rejects it."),
                               this);
        else if (const auto beat = beatUnder(layout, help->pos()))
            QToolTip::showText(help->globalPos(),
                               tr("Beat at %1 s, %2 BPM. Drag it where the tempo changes: it snaps to what is heard "
                                  "(not with Shift), and later beats go along up to the next one that was dragged. "
                                  "Ctrl+click lets it go.")
                                   .arg(finder_.grid()->at(*beat), 0, 'f', 3)
                                   .arg(finder_.grid()->bpmAt(finder_.grid()->at(*beat)), 0, 'f', 1),
                               this);
        else if (const SettleMark* mark = settleAt(layout, session_.document.project().settles, help->pos()))
            QToolTip::showText(help->globalPos(),
                               settleSentence(session_.document.project(), *mark) + tr(" Change it on the Film page."),
                               this);
        else if (layout.intensity.contains(help->pos()) ||
                 (help->pos().y() >= layout.moves.top() && help->pos().y() < layout.moves.bottom()))
            QToolTip::showText(
                help->globalPos(),
                !layout.intensity.contains(help->pos())
                    ? tr("The camera move: click on the line to add a key, drag it, Ctrl+click deletes it. A click on "
                         "the lane's name shows the next of x, y, zoom and roll. The curve view (U, Film) eases it.")
                    : tr("The film's intensity, up to 400 %: click on the line to add a key, drag it, "
                         "Ctrl+click deletes it. The curve view (U, Film) eases it."),
                this);
        else if (const auto grip = shotAt(layout, session_.document.project().shots, help->pos()))
            QToolTip::showText(help->globalPos(), shotSentence(session_.document.project(), grip->index), this);
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
