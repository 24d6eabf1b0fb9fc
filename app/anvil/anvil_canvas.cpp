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
    return spec.unit == "°" ? number + toQString(spec.unit) : number + QLatin1Char(' ') + toQString(spec.unit);
}
} // namespace

AnvilCanvas::AnvilCanvas(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), drag_(session.document, session.messages)
{
    connect(&drag_, &DragEdit::broken, this, &AnvilCanvas::letGo);
    setObjectName(QStringLiteral("anvil"));
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
    lane.envelope = strand.envelope ? *strand.envelope : recipe.envelope;
    const auto amount = [&](Axis axis) { return std::abs(strand.amount[axis]); };
    // Of x and y the larger one boldly, the other behind it; what only turns or zooms by that.
    lane.axis = amount(Axis::x) > amount(Axis::y) ? Axis::x : Axis::y;
    const Axis other = lane.axis == Axis::x ? Axis::y : Axis::x;
    if (amount(lane.axis) > 0)
        lane.beside = other;
    else
        for (const Axis axis : {Axis::roll, Axis::zoom, Axis::pan, Axis::tilt})
            if (amount(axis) > 0) {
                lane.axis = axis;
                break;
            }
    lane.amount = amountText(*fieldOf<Strand>("amount." + std::string(axisName(lane.axis)))->spec, amount(lane.axis));
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
    const Strand& strand = session_.shaping.felt()->strands[*laneHeld_];
    const LaneParts parts = lanePartsAt(dragLayout_, *laneHeld_);
    const std::string prefix = "strand." + strand.name + ".";
    if (parts.on.contains(place))
        session_.shaping.set({{prefix + "muted", strand.muted ? 0 : 1}}, 0);
    else if (parts.solo.contains(place))
        session_.shaping.set({{prefix + "solo", strand.solo ? 0 : 1}}, 0);
    else
        gesture_ = Gesture::lane;
}

void AnvilCanvas::releaseInGutter(QPointF place)
{
    const Recipe* recipe = session_.shaping.felt();
    const auto to = laneAt(layoutNow(), place.y());
    const auto from = laneHeld_;
    if (recipe == nullptr || !from || *from >= recipe->strands.size())
        return;
    const std::string name = recipe->strands[*from].name;
    if (!moved_) {
        session_.shaping.setOpenStrand(session_.shaping.openStrand() == name ? std::string() : name);
    } else if (to && *to != *from && *to < recipe->strands.size()) {
        const int by = static_cast<int>(*to) - static_cast<int>(*from);
        session_.document.edit(withStrandMoved(session_.document.project(), recipe->id, *from, by),
                               by < 0 ? tr("%1 moved up").arg(QString::fromStdString(name))
                                      : tr("%1 moved down").arg(QString::fromStdString(name)));
    }
}

void AnvilCanvas::dragTo(QPointF place, bool fine)
{
    std::vector<std::pair<std::string, double>> values;
    const std::string prefix = session_.shaping.envelopePrefix();
    for (const auto& [field, value] : dragHandle(dragLayout_, dragEnvelope_, dragged_, place, fine))
        if (value != dragEnvelope_[field] || value != envelope()[field])
            values.emplace_back(prefix + std::string(specOf(field).key), value);
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
