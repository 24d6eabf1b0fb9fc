// SPDX-License-Identifier: GPL-3.0-or-later
#include "drawn_canvas.h"

#include <algorithm>
#include <cmath>

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

#include "theme.h"

namespace ember::app {

namespace {

constexpr double dragThreshold = 3;

CurveKeys& clipboard()
{
    static CurveKeys keys;
    return keys;
}

double rounded(double value, double steps)
{
    return std::round(value * steps) / steps;
}

} // namespace

DrawnCanvas::DrawnCanvas(OpenDocument& document, Shaping& shaping, Messages& messages, std::size_t strand,
                         QWidget* parent)
    : QWidget(parent), document_(document), shaping_(shaping), messages_(messages), strand_(strand),
      drag_(document, messages)
{
    connect(&drag_, &DragEdit::broken, this, &DrawnCanvas::letGo);
    setObjectName(QStringLiteral("drawn-canvas"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setMinimumHeight(120);
    setToolTip(tr("Click to add a key, drag to move it (with Shift finely), drag over the paper to choose several, "
                  "Ctrl+click for one more. The box around several draws them together or apart and makes them larger "
                  "or smaller. Arrow keys move, Delete takes away, Ctrl+C and Ctrl+V copy. Left of the line is before "
                  "the peak."));
}

void DrawnCanvas::setAxis(Axis axis)
{
    axis_ = axis;
    choose({});
    refresh();
}

void DrawnCanvas::choose(KeyPlaces places)
{
    chosen_ = std::move(places);
    update();
    emit selectionChanged();
}

void DrawnCanvas::refresh()
{
    const Recipe* recipe = shaping_.felt();
    keys_.clear();
    if (recipe != nullptr && strand_ < recipe->strands.size())
        if (const auto* drawn = std::get_if<Drawn>(&recipe->strands[strand_].source)) {
            all_ = drawn->keys;
            keys_ = drawn->keys[static_cast<std::size_t>(axis_)];
            asDrawn_ = drawn->asDrawn;
            lastFelt_ = shaping_.lastFeltKey(recipe->strands[strand_].name);
        }
    std::erase_if(chosen_, [this](std::size_t i) { return i >= keys_.size(); });
    update();
}

bool DrawnCanvas::unfelt() const
{
    return lastKey() > lastFelt_ + 1e-6;
}

double DrawnCanvas::lastKey() const
{
    double last = 0;
    for (const CurveKeys& keys : all_)
        if (!keys.empty())
            last = std::max(last, keys.back().frame);
    return last;
}

void DrawnCanvas::setKeys(CurveKeys keys, const QString& result, quint64 gesture)
{
    const Recipe* recipe = shaping_.felt();
    if (recipe == nullptr || strand_ >= recipe->strands.size())
        return;
    shaping_.setKeys(recipe->strands[strand_].name, axis_, std::move(keys), result, gesture);
    refresh();
}

void DrawnCanvas::edit(const Edit& change, const QString& result, quint64 gesture)
{
    // While dragging, always from how it was at the beginning.
    const bool dragging = gesture_ != Gesture::none;
    const CurveKeys before = dragging ? dragKeys_ : keys_;
    KeyPlaces free = dragging ? dragChosen_ : chosen_;
    std::erase_if(free, [&](std::size_t i) { return fixed(before[i]); });
    if (free.empty())
        return;
    // The same done to them alone tells where they are then.
    CurveKeys alone;
    KeyPlaces every;
    for (const std::size_t i : free) {
        every.push_back(alone.size());
        alone.push_back(before[i]);
    }
    alone = change(alone, every);
    setKeys(change(before, free), result, gesture);
    KeyPlaces now;
    for (std::size_t i = 0; i < keys_.size(); ++i)
        if (std::any_of(alone.begin(), alone.end(), [&](const CurveKey& key) { return key.frame == keys_[i].frame; }))
            now.push_back(i);
    choose(std::move(now));
}

std::vector<PaintedPart> DrawnCanvas::paintedParts()
{
    std::vector<PaintedPart> parts;
    const DrawnLayout layout = layOutDrawn(size(), keys_);
    for (std::size_t i = 0; i < keys_.size(); ++i) {
        const CurveKey& key = keys_[i];
        PaintedPart part;
        part.name = tr("Key at %1").arg(key.frame);
        part.value = tr("%1 %").arg(100 * key.value, 0, 'f', 0);
        part.place = QRectF(layout.at(key) - QPointF(5, 5), QSizeF(10, 10)).toAlignedRect();
        part.selected = std::binary_search(chosen_.begin(), chosen_.end(), i);
        part.actions = {{tr("Choose"), [this, i] { choose({i}); }}};
        if (!fixed(key)) {
            const auto change = [this, i](const Edit& how, const QString& result) {
                choose({i});
                edit(how, result);
            };
            part.number = PaintedNumber{key.value, -1, 1, 0.05, [change](double wanted) {
                                            change(
                                                [wanted](CurveKeys keys, const KeyPlaces& chosen) {
                                                    for (const std::size_t at : chosen)
                                                        keys[at].value = wanted;
                                                    return keys;
                                                },
                                                tr("Key %1 %").arg(100 * wanted));
                                        }};
            const auto move = [change](double by) {
                change(
                    [by](const CurveKeys& keys, const KeyPlaces& chosen) { return ember::moved(keys, chosen, by, 0); },
                    tr("Keys moved"));
            };
            part.actions.emplace_back(tr("One frame earlier"), [move] { move(-1); });
            part.actions.emplace_back(tr("One frame later"), [move] { move(1); });
        }
        parts.push_back(std::move(part));
    }
    return parts;
}

void DrawnCanvas::copy() const
{
    clipboard().clear();
    for (const std::size_t i : chosen_)
        clipboard().push_back(keys_[i]);
    emit messages_.told(tr("%1 keys copied").arg(chosen_.size()));
}

void DrawnCanvas::paste()
{
    if (clipboard().empty()) {
        emit messages_.told(tr("Nothing copied yet: choose keys and press Ctrl+C"));
        return;
    }
    const DrawnLayout layout = layOutDrawn(size(), keys_);
    const double frame = rect().contains(pointer_.toPoint()) && underMouse() ? std::round(layout.toFrame(pointer_.x()))
                         : keys_.empty()                                     ? 1
                                                                             : std::floor(keys_.back().frame) + 1;
    const CurveKeys copies = clipboard();
    setKeys(pasted(keys_, copies, frame), tr("%1 keys put in at %2").arg(copies.size()).arg(frame), 0);
    KeyPlaces now;
    for (std::size_t i = 0; i < keys_.size(); ++i)
        for (const CurveKey& key : copies)
            if (keys_[i].frame == key.frame + frame - copies.front().frame)
                now.push_back(i);
    choose(std::move(now));
}

// --- painting ---

void DrawnCanvas::paintCurve(QPainter& p, const DrawnLayout& layout, const CurveKeys& keys) const
{
    // The very curve the motion has.
    Drawn drawn;
    drawn.keys[0] = keys;
    drawn.asDrawn = asDrawn_;
    QPainterPath path;
    const auto steps = static_cast<int>(layout.plot.width());
    for (int i = 0; i <= steps; ++i) {
        const double x = layout.plot.left() + i;
        const QPointF at(x, layout.toY(sourceValue(drawn, {1, 1, layout.toFrame(x), 0}, Axis::x, 0)));
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    p.drawPath(path);
}

void DrawnCanvas::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::window);
    const bool dragging = gesture_ != Gesture::none && gesture_ != Gesture::paper;
    const DrawnLayout layout = dragging ? dragLayout_ : layOutDrawn(size(), keys_);
    p.setPen(QPen(theme::line, 1));
    p.drawLine(QPointF(layout.plot.left(), layout.toY(0)), QPointF(layout.plot.right(), layout.toY(0)));
    p.setPen(QPen(theme::dim, 1, Qt::DotLine));
    p.drawLine(QPointF(layout.toX(0), layout.plot.top()), QPointF(layout.toX(0), layout.plot.bottom()));
    p.setFont(theme::numbers(10));
    p.drawText(QPointF(layout.toX(0) + 3, layout.plot.top() + 6), tr("peak"));
    p.drawText(QRectF(0, layout.plot.bottom() - 6, layout.plot.right(), 14), Qt::AlignRight,
               QStringLiteral("+%1").arg(std::lround(layout.lastFrame)));
    if (const double left = layout.toX(lastFelt_); left < layout.plot.right()) { // nothing of it is felt
        p.fillRect(QRectF(QPointF(left, layout.plot.top()), layout.plot.bottomRight()),
                   QBrush(theme::faint, Qt::BDiagPattern));
        if (unfelt()) {
            p.setPen(theme::dim);
            p.setFont(theme::words(11));
            p.drawText(QRectF(QPointF(left, layout.plot.top()), layout.plot.bottomRight()).adjusted(4, 0, 0, 0),
                       Qt::AlignLeft | Qt::AlignTop, tr("not felt"));
        }
    }
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme::line, 1));
    for (const Axis axis : allAxes) // the other axes, for comparing
        if (axis != axis_ && !all_[static_cast<std::size_t>(axis)].empty())
            paintCurve(p, layout, all_[static_cast<std::size_t>(axis)]);
    p.setPen(QPen(theme::text, 1.3));
    paintCurve(p, layout, keys_);
    if (keys_.empty()) {
        p.setPen(theme::dim);
        p.setFont(theme::words(11));
        p.drawText(layout.plot.adjusted(0, 0, -8, 0), Qt::AlignRight | Qt::AlignVCenter,
                   asDrawn_ ? tr("No keys: this axis rests. Click to add one.")
                            : tr("No keys yet: it follows the envelope alone. Click to add one."));
    }
    const bool dense = keys_.size() > 1 && layout.plot.width() / static_cast<double>(keys_.size()) < 7;
    for (std::size_t i = 0; i < keys_.size(); ++i) {
        const bool on = std::binary_search(chosen_.begin(), chosen_.end(), i);
        p.setPen(QPen(on ? theme::copper : theme::text, dense ? 1 : 1.5));
        p.setBrush(theme::window);
        const double r = (on ? 4.5 : 3.5) - (dense ? 2 : 0);
        p.drawRect(QRectF(layout.at(keys_[i]) - QPointF(r, r), QSizeF(2 * r, 2 * r)));
    }
    p.setPen(QPen(theme::copper, 1));
    if (chosen_.size() == 1)
        for (const DrawnGrip grip : {DrawnGrip::slopeIn, DrawnGrip::slopeOut})
            if (const auto handle = slopeHandle(layout, keys_, chosen_.front(), grip)) {
                p.drawLine(layout.at(keys_[chosen_.front()]), *handle);
                p.drawEllipse(*handle, 3, 3);
            }
    p.setBrush(Qt::NoBrush);
    if (const QRectF box = boxAround(layout, keys_, chosen_); !box.isEmpty()) {
        p.setPen(QPen(theme::copper, 1, Qt::DotLine));
        p.drawRect(box);
        p.setPen(QPen(theme::copper, 1));
        p.setBrush(theme::window);
        for (const DrawnGrip grip : {DrawnGrip::front, DrawnGrip::back, DrawnGrip::height})
            p.drawEllipse(gripOf(box, grip), 4, 4);
    }
    if (!band_.isEmpty()) {
        p.setPen(QPen(theme::copper, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(band_);
    }
    if (hasFocus()) {
        p.setPen(theme::copper);
        p.setBrush(Qt::NoBrush);
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

// --- hands ---

bool DrawnCanvas::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* pressed = static_cast<QKeyEvent*>(event);
        const bool control = (pressed->modifiers() & Qt::ControlModifier) != 0;
        const int key = pressed->key();
        const bool arrow = key == Qt::Key_Left || key == Qt::Key_Right || key == Qt::Key_Up || key == Qt::Key_Down;
        if (key == Qt::Key_Delete || key == Qt::Key_Backspace || (arrow && !chosen_.empty() && !control) ||
            (key == Qt::Key_Escape && (!chosen_.empty() || gesture_ != Gesture::none)) ||
            (control && (key == Qt::Key_A || key == Qt::Key_C || key == Qt::Key_V)))
            event->accept();
    }
    return QWidget::event(event);
}

void DrawnCanvas::addKey(QPointF place)
{
    const DrawnLayout layout = layOutDrawn(size(), keys_);
    const CurveKey added{std::round(layout.toFrame(place.x())),
                         std::clamp(rounded(layout.toValue(place.y()), 20), -1.0, 1.0), Ease::smooth};
    CurveKeys keys = keys_;
    keys.push_back(added);
    setKeys(std::move(keys), tr("Key at %1").arg(added.frame), 0);
    for (std::size_t i = 0; i < keys_.size(); ++i)
        if (keys_[i].frame == added.frame)
            choose({i});
}

void DrawnCanvas::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    pressed_ = event->position();
    dragLayout_ = layOutDrawn(size(), keys_);
    held_ = placeUnder(dragLayout_, keys_, chosen_, pressed_);
    drag_.begin();
    moved_ = false;
    const bool more = (event->modifiers() & Qt::ControlModifier) != 0;
    if (held_.grip == DrawnGrip::key) {
        const bool was = std::binary_search(chosen_.begin(), chosen_.end(), held_.key);
        KeyPlaces places = more ? chosen_ : KeyPlaces{held_.key};
        if (more && was)
            std::erase(places, held_.key);
        else if (more)
            places.insert(std::upper_bound(places.begin(), places.end(), held_.key), held_.key);
        if (more || !was)
            choose(std::move(places));
    }
    dragKeys_ = keys_;
    dragChosen_ = chosen_;
    switch (held_.grip) {
    case DrawnGrip::none: gesture_ = Gesture::paper; break;
    case DrawnGrip::key: gesture_ = Gesture::move; break;
    case DrawnGrip::slopeIn:
    case DrawnGrip::slopeOut: gesture_ = Gesture::slope; break;
    default: gesture_ = Gesture::scale; break;
    }
}

void DrawnCanvas::mouseMoveEvent(QMouseEvent* event)
{
    pointer_ = event->position();
    if (gesture_ == Gesture::none) {
        const DrawnGrip under = placeUnder(layOutDrawn(size(), keys_), keys_, chosen_, pointer_).grip;
        setCursor(under == DrawnGrip::none                                ? Qt::ArrowCursor
                  : under == DrawnGrip::front || under == DrawnGrip::back ? Qt::SizeHorCursor
                  : under == DrawnGrip::height                            ? Qt::SizeVerCursor
                                                                          : Qt::SizeAllCursor);
        return;
    }
    moved_ = moved_ || (pointer_ - pressed_).manhattanLength() > dragThreshold;
    if (!moved_ || (gesture_ != Gesture::paper && !drag_.active()))
        return;
    if (gesture_ == Gesture::paper) {
        band_ = QRectF(pressed_, pointer_).normalized();
        choose(keysWithin(layOutDrawn(size(), keys_), keys_, band_));
        return;
    }
    drag(pointer_, (event->modifiers() & Qt::ShiftModifier) != 0);
}

void DrawnCanvas::drag(QPointF place, bool fine)
{
    const double frames = dragLayout_.toFrame(place.x()) - dragLayout_.toFrame(pressed_.x());
    const double value = dragLayout_.toValue(place.y()) - dragLayout_.toValue(pressed_.y());
    if (gesture_ == Gesture::move) {
        // The one in hand goes to whole frames and steps; the others keep their distance from it.
        const CurveKey& key = dragKeys_[held_.key];
        const double byFrames = rounded(key.frame + frames, fine ? 100 : 1) - key.frame;
        const double byValue = std::clamp(rounded(key.value + value, fine ? 1000 : 20), -1.0, 1.0) - key.value;
        edit([&](const CurveKeys& keys,
                 const KeyPlaces& chosen) { return ember::moved(keys, chosen, byFrames, byValue); },
             dragChosen_.size() > 1
                 ? tr("%1 keys moved").arg(dragChosen_.size())
                 : tr("Key at %1, %2 %").arg(key.frame + byFrames).arg(100 * (key.value + byValue), 0, 'f', 0),
             drag_.gesture());
    } else if (gesture_ == Gesture::slope) {
        const CurveKey& key = dragKeys_[held_.key];
        const double away = dragLayout_.toFrame(place.x()) - key.frame;
        const bool in = held_.grip == DrawnGrip::slopeIn;
        if (in ? away > -0.05 : away < 0.05)
            return;
        const double slope = (dragLayout_.toValue(place.y()) - key.value) / away;
        CurveKeys keys = dragKeys_;
        // Both sides, so that the curve has no corner; finely: this side alone.
        if (in || !fine)
            keys[held_.key].slopeIn = slope;
        if (!in || !fine)
            keys[held_.key].slopeOut = slope;
        setKeys(std::move(keys), tr("Slope %1 % a frame").arg(100 * slope, 0, 'f', 1), drag_.gesture());
    } else if (gesture_ == Gesture::scale) {
        const double first = dragKeys_[dragChosen_.front()].frame;
        const double last = dragKeys_[dragChosen_.back()].frame;
        if (held_.grip == DrawnGrip::height) {
            const QRectF box = boxAround(dragLayout_, dragKeys_, dragChosen_);
            const double factor = dragLayout_.toValue(place.y()) / std::max(0.05, dragLayout_.toValue(box.top()));
            edit([&](const CurveKeys& keys, const KeyPlaces& chosen) { return scaledInValue(keys, chosen, factor); },
                 tr("Keys at %1 %").arg(100 * factor, 0, 'f', 0), drag_.gesture());
        } else {
            const bool back = held_.grip == DrawnGrip::back;
            const double length = std::max(1.0, last - first);
            const double factor = std::max(1 / length, (length + (back ? frames : -frames)) / length);
            edit(
                [&](const CurveKeys& keys, const KeyPlaces& chosen) {
                    return scaledInTime(keys, chosen, back ? first : last, factor, !fine);
                },
                tr("Keys over %1 frames").arg(length * factor, 0, 'f', fine ? 1 : 0), drag_.gesture());
        }
    }
    emit selectionChanged();
}

void DrawnCanvas::mouseReleaseEvent(QMouseEvent* event)
{
    const Gesture ended = gesture_;
    letGo();
    if (moved_ || event->button() != Qt::LeftButton)
        return;
    if (ended == Gesture::paper)
        addKey(pressed_);
    else if (ended == Gesture::move && (event->modifiers() & Qt::ControlModifier) == 0)
        choose({held_.key});
}

void DrawnCanvas::letGo()
{
    drag_.end();
    gesture_ = Gesture::none;
    band_ = {};
    update();
}

void DrawnCanvas::keyPressEvent(QKeyEvent* event)
{
    const bool fine = (event->modifiers() & Qt::ShiftModifier) != 0;
    const auto nudge = [&](double frames, double value) {
        edit([=](const CurveKeys& keys, const KeyPlaces& chosen) { return ember::moved(keys, chosen, frames, value); },
             tr("Keys moved"));
    };
    const bool control = (event->modifiers() & Qt::ControlModifier) != 0;
    switch (event->key()) {
    case Qt::Key_Delete:
    case Qt::Key_Backspace: {
        if (chosen_.empty())
            break;
        CurveKeys left = without(keys_, chosen_);
        // The peak's own key goes only with the last of the others.
        if (left.size() == 1 && fixed(left.front()))
            left.clear();
        const auto count = chosen_.size();
        choose({});
        setKeys(std::move(left), count == 1 ? tr("Key deleted") : tr("%1 keys deleted").arg(count), 0);
        return;
    }
    case Qt::Key_Left: nudge(fine ? -0.1 : -1, 0); return;
    case Qt::Key_Right: nudge(fine ? 0.1 : 1, 0); return;
    case Qt::Key_Up: nudge(0, fine ? 0.01 : 0.05); return;
    case Qt::Key_Down: nudge(0, fine ? -0.01 : -0.05); return;
    case Qt::Key_Escape:
        if (gesture_ == Gesture::none) {
            choose({});
        } else {
            drag_.cancel();
            letGo();
        }
        return;
    case Qt::Key_A:
        if (control) {
            KeyPlaces every(keys_.size());
            for (std::size_t i = 0; i < every.size(); ++i)
                every[i] = i;
            choose(std::move(every));
            return;
        }
        break;
    case Qt::Key_C:
        if (control) {
            copy();
            return;
        }
        break;
    case Qt::Key_V:
        if (control) {
            paste();
            return;
        }
        break;
    default: break;
    }
    QWidget::keyPressEvent(event);
}

} // namespace ember::app
