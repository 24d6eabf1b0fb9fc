// SPDX-License-Identifier: GPL-3.0-or-later
#include "anvil_canvas.h"

#include <algorithm>
#include <cmath>

#include <QMouseEvent>
#include <QPainter>

#include "ember/core/values.h"
#include "recipe_trace.h"
#include "text.h"
#include "theme.h"
#include "thumb_store.h"

namespace ember::app {

namespace {
/// "46 px", "1.2°", "4 %"
QString amountText(const FieldSpec& spec, double value)
{
    const double shown = spec.unit == "%" ? 100 * value : value;
    const QString number = QString::number(shown, 'g', 3);
    return spec.unit == "°" ? number + ours(spec.unit) : number + QLatin1Char(' ') + ours(spec.unit);
}

/// Of x and y the larger one; of what only turns or zooms that.
Axis mainAxis(const Strand& strand)
{
    const auto amount = [&](Axis axis) { return std::abs(strand.amount[axis]); };
    if (amount(Axis::x) > 0 || amount(Axis::y) > 0)
        return amount(Axis::x) > amount(Axis::y) ? Axis::x : Axis::y;
    for (const Axis axis : {Axis::roll, Axis::zoom, Axis::pan, Axis::tilt})
        if (amount(axis) > 0)
            return axis;
    return Axis::y;
}

/// Nothing of it moves under the envelope.
bool byHandAlone(const Recipe& recipe)
{
    return !recipe.strands.empty() && std::all_of(recipe.strands.begin(), recipe.strands.end(), [](const Strand& s) {
        const auto* drawn = std::get_if<Drawn>(&s.source);
        return drawn != nullptr && drawn->asDrawn;
    });
}

QString strandAmount(const Strand& strand)
{
    const Axis axis = mainAxis(strand);
    const auto* field = fieldOf<Strand>("amount." + std::string(axisName(axis)));
    return field != nullptr ? amountText(*field->spec, std::abs(strand.amount[axis])) : QString();
}
} // namespace

AnvilCanvas::AnvilCanvas(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), drag_(session.document, session.messages)
{
    connect(&drag_, &DragEdit::broken, this, &AnvilCanvas::letGo);
    setObjectName(QStringLiteral("anvil"));
    setAccessibleName(tr("Anvil"));
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    connect(&session_.document, &OpenDocument::changed, this, [this] {
        sceneStale_ = true;
        repaintAll();
    });
    connect(&session_.file, &ProjectFile::opened, this, [this] { contacts_.forget(); });
    connect(&session_.film, &Film::edited, this, [this] { contacts_.forget(); });
    connect(&session_.film, &Film::rewritten, this, [this] {
        contacts_.forget();
        repaintAll();
    });
    connect(&contacts_, &ContactPictures::ready, this, &AnvilCanvas::repaintAll);
    connect(&session_.selection, &Selection::changed, this, &AnvilCanvas::repaintAll);
    connect(&session_.shaping, &Shaping::changed, this, &AnvilCanvas::repaintAll);
    connect(&session_.playhead, &Playhead::moved, this, &AnvilCanvas::followPlayhead);
    connect(&session_.film.thumbs(), &ThumbStore::ready, this, [this](qint64 frame) {
        // Most thumbs are the Reel's.
        const Strike* strike = session_.selection.feltStrike();
        if (strike == nullptr)
            return;
        const AnvilLayout layout = layoutNow();
        const auto from = static_cast<double>(frame - strike->frame.index);
        if (from >= layout.map.firstFrame && from <= layout.map.lastFrame)
            repaintAll();
    });
}

void AnvilCanvas::repaintAll()
{
    paper_.spoil();
    update();
    emit laidOut();
}

void AnvilCanvas::followPlayhead()
{
    const Strike* strike = session_.selection.feltStrike();
    if (strike == nullptr)
        return;
    const AnvilLayout layout = layoutNow();
    // Only what goes with it: its line, the values beside the lanes, the frame it is on.
    for (const std::int64_t frame : {shownFrame_, session_.playhead.frame()}) {
        const double x = layout.map.toPixel(static_cast<double>(frame - strike->frame.index));
        update(QRectF(x - 4, layout.plot.top() - 6, 8, layout.lanesEnd() - layout.plot.top() + 8).toAlignedRect());
    }
    update(QRectF(layout.plot.right(), layout.ruler.bottom(), layout.frames.right() - layout.plot.right(),
                  layout.lanesEnd() - layout.ruler.bottom())
               .toAlignedRect());
    update(layout.frames.toAlignedRect());
    shownFrame_ = session_.playhead.frame();
}

void AnvilCanvas::resizeEvent(QResizeEvent*)
{
    emit laidOut();
}

void AnvilCanvas::light(Handle handle)
{
    if (handle == hovered_)
        return;
    hovered_ = handle;
    paper_.spoil();
    update();
}

void AnvilCanvas::setEven(bool even)
{
    even_ = even;
    repaintAll();
}

void AnvilCanvas::setStrandsShown(bool shown)
{
    strandsShown_ = shown;
    repaintAll();
}

bool AnvilCanvas::lanesOfStrands() const
{
    const Recipe* recipe = session_.selection.strike() != nullptr ? session_.shaping.felt() : nullptr;
    return recipe != nullptr && strandsShown_ && !recipe->strands.empty() &&
           roomForLanes(height(), recipe->strands.size());
}

AnvilLayout AnvilCanvas::layoutNow() const
{
    if (gesture_ == Gesture::handle)
        return dragLayout_;
    return layOutAnvil(size(), envelope(), even_, lanesOfStrands() ? session_.shaping.felt()->strands.size() : 1);
}

LanePicture AnvilCanvas::laneOf(const Recipe& recipe, const Strand& strand, const Strike& strike) const
{
    const Project& film = session_.document.project();
    Recipe alone = recipe;
    alone.strands = {strand};
    alone.strands[0].muted = alone.strands[0].solo = false;
    Project project = strikeAlone(film, alone, strike.frame.index);
    project.strikes[0].direction = strike.direction;
    project.strikes[0].strength = strike.strength;
    project.strikes[0].seed = strike.seed;
    LanePicture lane;
    lane.name = QString::fromStdString(strand.name);
    lane.motion = std::make_shared<const Motion>(project);
    lane.envelope = (strand.envelope ? *strand.envelope : recipe.envelope).inTime(1 / recipe.playRate);
    lane.axis = mainAxis(strand);
    if (lane.axis == Axis::x || lane.axis == Axis::y)
        lane.beside = lane.axis == Axis::x ? Axis::y : Axis::x;
    lane.amount = strandAmount(strand);
    lane.on = !strand.muted;
    lane.solo = strand.solo;
    return lane;
}

std::vector<LanePicture> AnvilCanvas::lanePictures() const
{
    std::vector<LanePicture> lanes;
    const Strike* strike = session_.selection.feltStrike();
    const Recipe* recipe = strike != nullptr ? session_.shaping.felt() : nullptr;
    if (recipe == nullptr)
        return lanes;
    if (!lanesOfStrands()) {
        LanePicture whole;
        whole.name = tr("motion");
        whole.motion = session_.document.sharedMotion();
        whole.envelope = envelope();
        whole.beside = Axis::x;
        whole.strand = false;
        return {whole};
    }
    const bool anySolo = std::any_of(recipe->strands.begin(), recipe->strands.end(), [](auto& s) { return s.solo; });
    for (const Strand& strand : recipe->strands) {
        LanePicture& lane = lanes.emplace_back(laneOf(*recipe, strand, *strike));
        lane.felt = !strand.muted && (!anySolo || strand.solo);
        lane.open = session_.shaping.shownStrand() == strand.name;
    }
    return lanes;
}

std::vector<Envelope> AnvilCanvas::otherEnvelopes() const
{
    std::vector<Envelope> others;
    const Recipe* recipe = session_.selection.strike() != nullptr ? session_.shaping.felt() : nullptr;
    if (recipe == nullptr)
        return others;
    const Envelope shaped = envelope();
    const auto take = [&](const Envelope& other) {
        if (!(other == shaped))
            others.push_back(other);
    };
    take(recipe->envelope);
    for (const Strand& strand : recipe->strands)
        if (strand.envelope)
            take(*strand.envelope);
    return others;
}

void AnvilCanvas::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::window);
    const Strike* strike = session_.selection.feltStrike();
    if (strike == nullptr) {
        painter.setFont(theme::words(13));
        painter.setPen(theme::dim);
        const auto count = session_.selection.ids().size();
        QString text = tr("Select a strike on the Reel to shape it here.");
        if (count > 1)
            text = tr("%1 strikes are selected. Select one to shape it here.").arg(count);
        else if (session_.document.project().strikes.empty())
            text = session_.film.hasClip()
                       ? tr("Step to the first frame of contact and press S: the strike is shaped here.")
                       : tr("A strike is shaped here, with the film frames under its curve.");
        painter.drawText(rect(), Qt::AlignCenter, text);
        return;
    }
    const Project& project = session_.document.project();
    const AnvilLayout layout = layoutNow();
    const Envelope shape = envelope();
    const double ratio = devicePixelRatioF();
    const auto thumbHeight =
        std::clamp(static_cast<int>(std::lround(contactSize(layout, 1).height() * ratio)), 8, ThumbStore::thumbHeight);
    const double shapeRatio = std::clamp(static_cast<double>(project.width) / project.height, 0.4, 3.0);
    const auto thumbWidth = std::max(8, static_cast<int>(std::lround(thumbHeight * shapeRatio)));
    const QSize thumbs(thumbWidth, thumbHeight);
    if (thumbs != contactSize_ || sceneStale_) {
        contactSize_ = thumbs;
        sceneStale_ = false;
        contacts_.setScene({std::make_shared<const Project>(project), session_.document.sharedMotion(),
                            session_.document.cover(), session_.film.layerPictures(), thumbWidth, thumbHeight});
    }
    const auto shaken = [this](std::int64_t frame) {
        return contacts_.picture(frame, session_.film.thumbs().thumb(frame));
    };
    const std::vector<Envelope> ghosts = otherEnvelopes();
    const std::vector<std::int64_t> cuts = session_.document.project().cuts();
    const AnvilPicture picture{shape,
                               lanes_,
                               ghosts,
                               session_.document.motion(),
                               strike->frame.index,
                               strike->strength,
                               session_.playhead.frame(),
                               session_.document.length(),
                               cuts,
                               hovered_,
                               dragged_,
                               shapeRatio,
                               shaken,
                               laneTarget_};
    painter.drawPixmap(0, 0, paper_.picture(*this, [&](QPixmap& paper) {
        lanes_ = lanePictures();
        paper.fill(theme::window);
        QPainter ink(&paper);
        paintAnvilPaper(ink, layout, picture);
    }));
    if (const Recipe* recipe = session_.shaping.felt(); recipe != nullptr && byHandAlone(*recipe)) {
        painter.setFont(theme::words(11));
        painter.setPen(theme::text);
        painter.drawText(layout.plot.adjusted(0, -2, -4, 0), Qt::AlignRight | Qt::AlignTop,
                         tr("by hand: the keys hold their own strength; this envelope shapes the light only"));
    }
    paintAnvilPlayhead(painter, layout, picture);
    theme::paintFocus(painter, *this);
}

void AnvilCanvas::scrubTo(double x)
{
    if (const Strike* strike = session_.selection.feltStrike())
        session_.playhead.setFrame(strike->frame.index + std::llround(layoutNow().map.toFrame(x)));
}

void AnvilCanvas::mousePressEvent(QMouseEvent* event)
{
    const Strike* strike = session_.selection.feltStrike();
    if (event->button() != Qt::LeftButton || strike == nullptr)
        return;
    pressed_ = event->position();
    moved_ = false;
    dragLayout_ = layoutNow();
    dragEnvelope_ = envelope();
    if (pressed_.x() < dragLayout_.gutter.right()) {
        pressInGutter(pressed_);
        return;
    }
    dragged_ = handleAt(dragLayout_, dragEnvelope_, pressed_);
    if (dragged_ == Handle::none) {
        gesture_ = Gesture::scrub;
        scrubTo(pressed_.x());
        return;
    }
    gesture_ = Gesture::handle;
    drag_.begin();
    for (const HandlePoint& point : handlePoints(dragLayout_, dragEnvelope_))
        if (point.handle == dragged_)
            grabOffset_ = point.at - pressed_;
    repaintAll();
}

void AnvilCanvas::mouseMoveEvent(QMouseEvent* event)
{
    const bool fine = (event->modifiers() & Qt::ShiftModifier) != 0;
    switch (gesture_) {
    case Gesture::scrub: scrubTo(event->position().x()); break;
    case Gesture::handle:
        moved_ = moved_ || (event->position() - pressed_).manhattanLength() > 2;
        if (moved_)
            dragTo(event->position() + grabOffset_, fine);
        break;
    case Gesture::lane: {
        moved_ = moved_ || (event->position() - pressed_).manhattanLength() > 4;
        const auto over = moved_ ? laneAt(layoutNow(), event->position().y()) : std::nullopt;
        if (over != laneTarget_) {
            laneTarget_ = over;
            repaintAll();
        }
        break;
    }
    case Gesture::none: hoverOver(event->position()); break;
    }
}

void AnvilCanvas::hoverOver(QPointF place)
{
    const bool any = session_.selection.strike() != nullptr;
    const AnvilLayout layout = layoutNow();
    if (place.x() < layout.gutter.right()) {
        const bool lane = any && lanesOfStrands() && laneAt(layout, place.y());
        setCursor(lane ? Qt::PointingHandCursor : Qt::ArrowCursor);
        setToolTip(!lane ? QString() : gutterTip(layout, place));
        return;
    }
    setToolTip({});
    const Handle over = any ? handleAt(layout, envelope(), place) : Handle::none;
    setCursor(over == Handle::none                              ? Qt::ArrowCursor
              : over == Handle::curve                           ? Qt::SizeVerCursor
              : over == Handle::decay || over == Handle::rumble ? Qt::SizeAllCursor
                                                                : Qt::SizeHorCursor);
    if (over == hovered_)
        return;
    light(over);
    emit hoveredOver(over);
}

QString AnvilCanvas::gutterTip(const AnvilLayout& layout, QPointF place) const
{
    const LaneParts parts = lanePartsAt(layout, *laneAt(layout, place.y()));
    return parts.on.contains(place) ? tr("Turns the strand off and on")
           : parts.solo.contains(place)
               ? tr("Feels only solo strands of this recipe")
               : tr("Opens the strand in the side column, or closes it; drag it to change the order");
}

void AnvilCanvas::pressInGutter(QPointF place)
{
    laneHeld_ = lanesOfStrands() ? laneAt(dragLayout_, place.y()) : std::nullopt;
    if (!laneHeld_)
        return;
    const LaneParts parts = lanePartsAt(dragLayout_, *laneHeld_);
    if (parts.on.contains(place))
        toggleLane(*laneHeld_);
    else if (parts.solo.contains(place))
        toggleSolo(*laneHeld_);
    else
        gesture_ = Gesture::lane;
}

void AnvilCanvas::toggleLane(std::size_t lane) const
{
    const Strand& strand = session_.shaping.felt()->strands[lane];
    session_.shaping.set({{"strand." + strand.name + ".muted", strand.muted ? 0 : 1}}, 0);
}

void AnvilCanvas::toggleSolo(std::size_t lane) const
{
    const Strand& strand = session_.shaping.felt()->strands[lane];
    session_.shaping.set({{"strand." + strand.name + ".solo", strand.solo ? 0 : 1}}, 0);
}

void AnvilCanvas::openLane(std::size_t lane)
{
    const std::string& name = session_.shaping.felt()->strands[lane].name;
    session_.shaping.setOpenStrand(session_.shaping.openStrand() == name ? std::string() : name);
    emit strandOpened();
}

void AnvilCanvas::moveLane(std::size_t lane, int by) const
{
    const Recipe& recipe = *session_.shaping.felt();
    const QString name = QString::fromStdString(recipe.strands[lane].name);
    session_.document.edit(withStrandMoved(session_.document.project(), recipe.id, lane, by),
                           by < 0 ? tr("%1 moved up").arg(name) : tr("%1 moved down").arg(name));
}

std::vector<PaintedPart> AnvilCanvas::paintedParts()
{
    std::vector<PaintedPart> parts;
    const Recipe* recipe = session_.selection.feltStrike() != nullptr ? session_.shaping.felt() : nullptr;
    if (recipe == nullptr || !lanesOfStrands())
        return parts;
    const AnvilLayout layout = layoutNow();
    for (std::size_t i = 0; i < recipe->strands.size() && i < layout.lanes.size(); ++i) {
        const Strand& strand = recipe->strands[i];
        PaintedPart part;
        part.name = tr("Strand %1").arg(QString::fromStdString(strand.name));
        part.value = strandAmount(strand);
        part.place = layout.lanes[i].toRect().adjusted(-static_cast<int>(layout.lanes[i].left()), 0, 0, 0);
        part.role = QAccessible::CheckBox;
        part.checked = !strand.muted;
        part.selected = session_.shaping.shownStrand() == strand.name;
        part.actions = {{tr("Turn on or off"), [this, i] { toggleLane(i); }},
                        {tr("Open or close"), [this, i] { openLane(i); }},
                        {tr("Solo"), [this, i] { toggleSolo(i); }}};
        if (i > 0)
            part.actions.emplace_back(tr("Move up"), [this, i] { moveLane(i, -1); });
        if (i + 1 < recipe->strands.size())
            part.actions.emplace_back(tr("Move down"), [this, i] { moveLane(i, 1); });
        parts.push_back(std::move(part));
    }
    return parts;
}

void AnvilCanvas::releaseInGutter(QPointF place)
{
    const Recipe* recipe = session_.shaping.felt();
    const auto to = laneAt(layoutNow(), place.y());
    const auto from = laneHeld_;
    if (recipe == nullptr || !from || *from >= recipe->strands.size())
        return;
    if (!moved_)
        openLane(*from);
    else if (to && *to != *from && *to < recipe->strands.size())
        moveLane(*from, static_cast<int>(*to) - static_cast<int>(*from));
}

void AnvilCanvas::dragTo(QPointF place, bool fine)
{
    std::vector<std::pair<std::string, double>> values;
    const std::string prefix = session_.shaping.envelopePrefix();
    for (const auto& [field, value] : dragHandle(dragLayout_, dragEnvelope_, dragged_, place, fine))
        if (value != dragEnvelope_[field] || value != envelope()[field]) {
            const bool length = specOf(field).unit == "frames"; // of the film on the paper
            values.emplace_back(prefix + std::string(specOf(field).key),
                                length ? value * session_.shaping.playRate() : value);
        }
    if (!values.empty() && drag_.active())
        session_.shaping.set(values, drag_.gesture());
}

void AnvilCanvas::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    const bool lane = gesture_ == Gesture::lane;
    letGo();
    if (lane)
        releaseInGutter(event->position());
}

void AnvilCanvas::letGo()
{
    drag_.end();
    gesture_ = Gesture::none;
    dragged_ = Handle::none;
    laneTarget_.reset();
    repaintAll();
}

void AnvilCanvas::keyPressEvent(QKeyEvent* event)
{
    if (event->key() != Qt::Key_Escape || gesture_ == Gesture::none) {
        QWidget::keyPressEvent(event);
        return;
    }
    drag_.cancel();
    letGo();
}

bool AnvilCanvas::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride && gesture_ != Gesture::none &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape)
        event->accept(); // what is in the hand is let go first
    return QWidget::event(event);
}

void AnvilCanvas::leaveEvent(QEvent*)
{
    light(Handle::none);
    emit hoveredOver(Handle::none);
}

} // namespace ember::app
