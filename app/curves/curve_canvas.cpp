// SPDX-License-Identifier: GPL-3.0-or-later
#include "curve_canvas.h"

#include <algorithm>
#include <cmath>

#include <QApplication>
#include <QClipboard>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QWheelEvent>

#include "ember/project/curve_edits.h"
#include "text.h"
#include "theme.h"
#include "thumb_store.h"

namespace ember::app {

namespace {
constexpr double dragThreshold = 3;
const CurveKeys none;
} // namespace

CurveCanvas::CurveCanvas(Session& session, CurveChannels& channels, QWidget* parent)
    : QWidget(parent), session_(session), channels_(channels), drag_(session.document, session.messages)
{
    setObjectName(QStringLiteral("curve-canvas"));
    setAccessibleName(tr("Curves"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAttribute(Qt::WA_OpaquePaintEvent);
    connect(&drag_, &DragEdit::broken, this, &CurveCanvas::letGo);
    connect(&channels_, &CurveChannels::changed, this, &CurveCanvas::refresh);
    connect(&session_.document, &OpenDocument::changed, this, [this] { sceneStale_ = true; });
    connect(&session_.playhead, &Playhead::moved, this, [this] { update(); });
    connect(&session_.wave, &FilmWave::changed, this, [this] { update(); });
    connect(&contacts_, &ContactPictures::ready, this, [this] { update(); });
    connect(&session_.film.thumbs(), &ThumbStore::ready, this, [this] { update(); });
    for (const auto anew : {&Film::edited, &Film::rewritten})
        connect(&session_.film, anew, this, [this] { contacts_.forget(); });
    connect(&session_.file, &ProjectFile::opened, this, [this] {
        contacts_.forget();
        fit();
    });
    fit();
}

const CurveKeys& CurveCanvas::keys() const
{
    const Channel* channel = channels_.channel();
    return channel != nullptr ? channel->keys : none;
}

bool CurveCanvas::fixed(const CurveKey& key) const
{
    const Channel* channel = channels_.channel();
    return channel != nullptr && channel->peakFixed && key.frame == 0;
}

bool CurveCanvas::shown(std::size_t channel) const
{
    return static_cast<int>(channel) == channels_.chosen() || (!alone_ && !channels_.channels()[channel].keys.empty());
}

void CurveCanvas::refresh()
{
    const Channel* channel = channels_.channel();
    const std::string now = channel != nullptr ? channel->id + channels_.strand() : std::string();
    if (now != of_) { // other keys
        of_ = now;
        chosen_.clear();
        emit selectionChanged();
    }
    std::erase_if(chosen_, [this](std::size_t i) { return i >= keys().size(); });
    if (fits_ && gesture_ == Gesture::none)
        range_ = *fitted();
    update();
}

std::shared_ptr<const CurveRange> CurveCanvas::fitted() const
{
    const Channel* now = channels_.channel();
    std::vector<const CurveKeys*> curves;
    const auto& all = channels_.channels();
    for (std::size_t i = 0; i < all.size(); ++i)
        if (now != nullptr && shown(i) && all[i].unit == now->unit)
            curves.push_back(all[i].keys.empty() ? &all[i].shape : &all[i].keys);
    const double least = now == nullptr                      ? 1
                         : now->unit == QStringLiteral("px") ? 10
                         : now->unit == QStringLiteral("%")  ? (now->min < 0 ? 5 : 100)
                                                             : 1;
    auto range = std::make_shared<CurveRange>(
        rangeOf(curves, now != nullptr ? now->still : 0, least, now != nullptr && now->min >= 0));
    std::vector<const CurveKeys*> every; // in time all of them
    for (std::size_t i = 0; i < all.size(); ++i)
        if (shown(i))
            every.push_back(all[i].keys.empty() ? &all[i].shape : &all[i].keys);
    const CurveRange whole = rangeOf(every, 0, 1, false);
    range->firstFrame = whole.firstFrame;
    range->lastFrame = whole.lastFrame;
    if (channels_.of() == CurveChannels::Of::film) {
        range->firstFrame = 0;
        range->lastFrame = std::max(24.0, static_cast<double>(session_.document.length()));
    }
    return range;
}

void CurveCanvas::fit()
{
    fits_ = true;
    range_ = *fitted();
    update();
}

CurveLayout CurveCanvas::layoutNow() const
{
    return layOutCurves(size(), gesture_ != Gesture::none && gesture_ != Gesture::pan ? heldRange_ : range_);
}

void CurveCanvas::choose(KeyPlaces places)
{
    chosen_ = std::move(places);
    update();
    emit selectionChanged();
}

void CurveCanvas::setAlone(bool alone)
{
    alone_ = alone;
    refresh();
}

void CurveCanvas::setVelocityShown(bool on)
{
    velocity_ = on;
    update();
}

void CurveCanvas::setSpacingShown(bool on)
{
    spacing_ = on;
    update();
}

void CurveCanvas::chooseFrames(const CurveKeys& of)
{
    KeyPlaces now;
    const CurveKeys& all = keys();
    std::size_t at = 0;
    for (const CurveKey& wanted : of) { // both in order
        while (at < all.size() && all[at].frame < wanted.frame - 1e-9)
            ++at;
        if (at < all.size() && std::abs(all[at].frame - wanted.frame) <= 1e-9)
            now.push_back(at);
    }
    choose(std::move(now));
}

void CurveCanvas::edit(const Edit& change, const QString& result, quint64 gesture)
{
    // While dragging, always from how it was at the beginning.
    const bool dragging = gesture_ != Gesture::none;
    const CurveKeys before = dragging ? heldKeys_ : keys();
    KeyPlaces free = dragging ? heldChosen_ : chosen_;
    std::erase_if(free, [&](std::size_t i) { return i >= before.size() || fixed(before[i]); });
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
    channels_.setKeys(change(before, free), result, gesture);
    chooseFrames(inOrder(std::move(alone)));
}

void CurveCanvas::addKey(double frame, std::optional<double> value)
{
    const Channel* channel = channels_.channel();
    if (channel == nullptr)
        return;
    CurveKeys with = channel->keys.empty() ? channel->shape : channel->keys;
    const auto same = std::find_if(with.begin(), with.end(), [&](const CurveKey& key) { return key.frame == frame; });
    const double on = with.empty() ? channel->still : valueOfKeys(with, frame);
    CurveKey key{frame, value.value_or(on), Ease::smooth};
    if (same != with.end()) {
        if (value)
            same->value = *value;
        key = *same;
    } else {
        const auto after = std::upper_bound(with.begin(), with.end(), frame,
                                            [](double at, const CurveKey& k) { return at < k.frame; });
        if (after != with.begin() && after != with.end()) { // the curve stays what it is, as far as it can
            const CurveKey& from = *(after - 1);
            key.ease = from.ease;
            if (from.ease == Ease::curve)
                key.slopeIn = key.slopeOut = slopeOfKeys(with, frame);
        }
        with.insert(after, key);
    }
    channels_.setKeys(with, tr("Key at %1").arg(frame), 0);
    chooseFrames({key});
}

void CurveCanvas::addKeyHere()
{
    const double frame = channels_.keyFrame(static_cast<double>(session_.playhead.frame()));
    addKey(frame, std::nullopt);
}

void CurveCanvas::removeChosen()
{
    if (chosen_.empty())
        return;
    CurveKeys left = without(keys(), chosen_);
    if (left.size() == 1 && fixed(left.front())) // the peak's own key goes only with the last of the others
        left.clear();
    const auto count = chosen_.size();
    choose({});
    channels_.setKeys(left, count == 1 ? tr("Key deleted") : tr("%1 keys deleted").arg(count), 0);
}

void CurveCanvas::copy() const
{
    if (chosen_.empty())
        return;
    CurveKeys copied;
    for (const std::size_t i : chosen_)
        copied.push_back(keys()[i]);
    QApplication::clipboard()->setText(QString::fromStdString(keysToText(copied)));
    emit session_.messages.told(tr("%1 keys copied").arg(copied.size()));
}

void CurveCanvas::paste()
{
    const auto copies = keysFromText(QApplication::clipboard()->text().toStdString());
    if (!copies || copies->empty() || channels_.channel() == nullptr) {
        emit session_.messages.told(tr("Nothing copied yet: choose keys and press Ctrl+C"));
        return;
    }
    const CurveKeys& in = copies.value();
    const double frame = channels_.keyFrame(static_cast<double>(session_.playhead.frame()));
    channels_.setKeys(pasted(keys(), in, frame), tr("%1 keys put in at %2").arg(in.size()).arg(frame), 0);
    CurveKeys there = in;
    for (CurveKey& key : there)
        key.frame += frame - in.front().frame;
    chooseFrames(there);
}

std::vector<PaintedPart> CurveCanvas::paintedParts()
{
    std::vector<PaintedPart> parts;
    const Channel* channel = channels_.channel();
    if (channel == nullptr)
        return parts;
    const CurveLayout layout = layoutNow();
    constexpr std::size_t most = 500; // more are not read one by one
    for (std::size_t i = 0; i < std::min(most, channel->keys.size()); ++i) {
        const CurveKey& key = channel->keys[i];
        PaintedPart part;
        part.name = tr("Key of %1 at %2").arg(channel->name).arg(key.frame);
        part.value = tr("%1 %2").arg(key.value).arg(channel->unit);
        part.place = QRectF(layout.at(key) - QPointF(5, 5), QSizeF(10, 10)).toAlignedRect();
        part.selected = std::binary_search(chosen_.begin(), chosen_.end(), i);
        part.actions = {{tr("Choose"), [this, i] { choose({i}); }}};
        if (!fixed(key)) {
            const auto change = [this, i](const Edit& how, const QString& result) {
                choose({i});
                edit(how, result);
            };
            const QString unit = channel->unit;
            part.number =
                PaintedNumber{key.value, channel->min, channel->max, channel->step, [change, unit](double wanted) {
                                  change(
                                      [wanted](CurveKeys keys, const KeyPlaces& places) {
                                          for (const std::size_t at : places)
                                              keys[at].value = wanted;
                                          return keys;
                                      },
                                      tr("Key %1 %2").arg(wanted).arg(unit));
                              }};
            const auto move = [change](double by) {
                change(
                    [by](const CurveKeys& keys, const KeyPlaces& places) { return ember::moved(keys, places, by, 0); },
                    tr("Keys moved"));
            };
            part.actions.emplace_back(tr("One frame earlier"), [move] { move(-1); });
            part.actions.emplace_back(tr("One frame later"), [move] { move(1); });
        }
        parts.push_back(std::move(part));
    }
    return parts;
}

// --- hands ---

bool CurveCanvas::means(const QKeyEvent& pressed) const
{
    const bool control = (pressed.modifiers() & Qt::ControlModifier) != 0;
    switch (pressed.key()) {
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
    case Qt::Key_Insert: return true;
    case Qt::Key_Left:
    case Qt::Key_Right:
    case Qt::Key_Up:
    case Qt::Key_Down: return !chosen_.empty() && !control;
    case Qt::Key_Escape: return !chosen_.empty() || gesture_ != Gesture::none;
    case Qt::Key_F: return pressed.modifiers() == Qt::NoModifier;
    case Qt::Key_A:
    case Qt::Key_C:
    case Qt::Key_X:
    case Qt::Key_V: return control;
    default: return false;
    }
}

bool CurveCanvas::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride && means(*static_cast<QKeyEvent*>(event)))
        event->accept();
    return QWidget::event(event);
}

bool CurveCanvas::onLine(const CurveLayout& layout, QPointF place) const
{
    const Channel* channel = channels_.channel();
    return channel != nullptr && layout.plot.contains(place) &&
           std::abs(layout.toY(valueOf(*channel, layout.toFrame(place.x()))) - place.y()) <= 4;
}

double CurveCanvas::rounded(double value, bool fine) const
{
    const Channel* channel = channels_.channel();
    const double step = (channel != nullptr ? channel->step : 1) / (fine ? 100 : 10);
    return std::round(value / step) * step;
}

void CurveCanvas::scrubTo(double x)
{
    session_.playhead.setFrame(std::llround(channels_.filmFrame(layoutNow().toFrame(x))));
}

void CurveCanvas::mousePressEvent(QMouseEvent* event)
{
    pressed_ = pointer_ = event->position();
    heldRange_ = range_;
    moved_ = false;
    if (event->button() == Qt::MiddleButton) {
        gesture_ = Gesture::pan;
        setCursor(Qt::ClosedHandCursor);
        return;
    }
    if (event->button() != Qt::LeftButton || channels_.channel() == nullptr)
        return;
    const CurveLayout layout = layoutNow();
    if (!layout.plot.adjusted(-20, -8, 12, 8).contains(pressed_)) {
        gesture_ = Gesture::scrub;
        scrubTo(pressed_.x());
        return;
    }
    held_ = placeUnder(layout, keys(), chosen_, pressed_);
    if (held_.grip == CurveGrip::none && onLine(layout, pressed_))
        held_.grip = CurveGrip::line;
    const bool more = (event->modifiers() & Qt::ControlModifier) != 0;
    if (held_.grip == CurveGrip::key) {
        const bool was = std::binary_search(chosen_.begin(), chosen_.end(), held_.key);
        KeyPlaces places = more ? chosen_ : KeyPlaces{held_.key};
        if (more && was)
            std::erase(places, held_.key);
        else if (more)
            places.insert(std::upper_bound(places.begin(), places.end(), held_.key), held_.key);
        if (more || !was)
            choose(std::move(places));
    }
    heldKeys_ = keys();
    heldChosen_ = chosen_;
    drag_.begin();
    switch (held_.grip) {
    case CurveGrip::none:
    case CurveGrip::line: gesture_ = Gesture::paper; break;
    case CurveGrip::key: gesture_ = Gesture::move; break;
    case CurveGrip::slopeIn:
    case CurveGrip::slopeOut: gesture_ = Gesture::slope; break;
    default: gesture_ = Gesture::scale; break;
    }
}

void CurveCanvas::mouseMoveEvent(QMouseEvent* event)
{
    const QPointF before = pointer_;
    pointer_ = event->position();
    if (gesture_ == Gesture::none) {
        const CurveLayout layout = layoutNow();
        CurveGrip under = layout.plot.adjusted(-20, -8, 12, 8).contains(pointer_)
                              ? placeUnder(layout, keys(), chosen_, pointer_).grip
                              : CurveGrip::none;
        if (under == CurveGrip::none && onLine(layout, pointer_))
            under = CurveGrip::line;
        setCursor(under == CurveGrip::none                                ? Qt::ArrowCursor
                  : under == CurveGrip::line                              ? Qt::CrossCursor
                  : under == CurveGrip::front || under == CurveGrip::back ? Qt::SizeHorCursor
                  : under == CurveGrip::top || under == CurveGrip::bottom ? Qt::SizeVerCursor
                                                                          : Qt::SizeAllCursor);
        return;
    }
    if (gesture_ == Gesture::scrub) {
        scrubTo(pointer_.x());
        return;
    }
    if (gesture_ == Gesture::pan) {
        const CurveLayout layout = layoutNow();
        range_ = panned(range_, layout.toFrame(before.x()) - layout.toFrame(pointer_.x()),
                        layout.toValue(before.y()) - layout.toValue(pointer_.y()));
        fits_ = false;
        update();
        return;
    }
    moved_ = moved_ || (pointer_ - pressed_).manhattanLength() > dragThreshold;
    if (!moved_ || (gesture_ != Gesture::paper && !drag_.active()))
        return;
    if (gesture_ == Gesture::paper) {
        band_ = QRectF(pressed_, pointer_).normalized();
        choose(keysWithin(layoutNow(), keys(), band_));
        return;
    }
    drag(pointer_, event->modifiers());
}

void CurveCanvas::drag(QPointF place, Qt::KeyboardModifiers modifiers)
{
    const bool fine = (modifiers & Qt::ShiftModifier) != 0;
    if (gesture_ == Gesture::slope) {
        dragSlope(place, fine);
    } else if (gesture_ == Gesture::scale) {
        dragScale(place, fine);
    } else if (gesture_ == Gesture::move) {
        const CurveLayout layout = layoutNow();
        const Channel& channel = *channels_.channel();
        double frames = layout.toFrame(place.x()) - layout.toFrame(pressed_.x());
        double value = layout.toValue(place.y()) - layout.toValue(pressed_.y());
        if ((modifiers & Qt::AltModifier) != 0) // along one axis only: the one it went farther
            (std::abs(place.x() - pressed_.x()) > std::abs(place.y() - pressed_.y()) ? value : frames) = 0;
        // The one in hand goes to whole frames and steps; the others keep their distance from it.
        const CurveKey& key = heldKeys_[held_.key];
        const double grid = fine && !channel.wholeFrames ? 100 : 1;
        const double byFrames = frames == 0 ? 0 : std::round((key.frame + frames) * grid) / grid - key.frame;
        const double byValue =
            value == 0 ? 0 : std::clamp(rounded(key.value + value, fine), channel.min, channel.max) - key.value;
        edit([&](const CurveKeys& keys,
                 const KeyPlaces& places) { return ember::moved(keys, places, byFrames, byValue); },
             heldChosen_.size() > 1
                 ? tr("%1 keys moved").arg(heldChosen_.size())
                 : tr("Key at %1, %2 %3").arg(key.frame + byFrames).arg(key.value + byValue).arg(channel.unit),
             drag_.gesture());
    }
    emit selectionChanged();
}

void CurveCanvas::dragSlope(QPointF place, bool fine)
{
    const CurveLayout layout = layoutNow();
    const CurveKey& key = heldKeys_[held_.key];
    const double away = layout.toFrame(place.x()) - key.frame;
    const bool in = held_.grip == CurveGrip::slopeIn;
    if (in ? away > -0.05 : away < 0.05)
        return;
    const double slope = (layout.toValue(place.y()) - key.value) / away;
    CurveKeys with = heldKeys_;
    // Both sides, so that the curve has no corner; finely: this side alone.
    if (in || !fine)
        with[held_.key].slopeIn = slope;
    if (!in || !fine)
        with[held_.key].slopeOut = slope;
    channels_.setKeys(with, tr("Slope %1 %2 a frame").arg(slope, 0, 'g', 3).arg(channels_.channel()->unit),
                      drag_.gesture());
}

void CurveCanvas::dragScale(QPointF place, bool fine)
{
    const CurveLayout layout = layoutNow();
    const double first = heldKeys_[heldChosen_.front()].frame;
    const double last = heldKeys_[heldChosen_.back()].frame;
    if (held_.grip == CurveGrip::top || held_.grip == CurveGrip::bottom) {
        const bool top = held_.grip == CurveGrip::top;
        double low = heldKeys_[heldChosen_.front()].value;
        double high = low;
        for (const std::size_t i : heldChosen_) {
            low = std::min(low, heldKeys_[i].value);
            high = std::max(high, heldKeys_[i].value);
        }
        // About 0 where it lies among them, so that they keep their rest; else about the other side.
        const double about = low <= 0 && high >= 0 ? 0 : top ? low : high;
        const double reach = (top ? high : low) - about;
        if (reach == 0)
            return;
        const double factor = 1 + (layout.toValue(place.y()) - layout.toValue(pressed_.y())) / reach;
        edit([&](const CurveKeys& keys, const KeyPlaces& places) { return scaledInValue(keys, places, factor, about); },
             tr("Keys at %1 %").arg(100 * factor, 0, 'f', 0), drag_.gesture());
        return;
    }
    const bool back = held_.grip == CurveGrip::back;
    const double frames = layout.toFrame(place.x()) - layout.toFrame(pressed_.x());
    const double length = std::max(1.0, last - first);
    const double factor = std::max(1 / length, (length + (back ? frames : -frames)) / length);
    edit([&](const CurveKeys& keys,
             const KeyPlaces& places) { return scaledInTime(keys, places, back ? first : last, factor, !fine); },
         tr("Keys over %1 frames").arg(length * factor, 0, 'f', fine ? 1 : 0), drag_.gesture());
}

void CurveCanvas::mouseReleaseEvent(QMouseEvent* event)
{
    const Gesture ended = gesture_;
    letGo();
    if (moved_ || event->button() != Qt::LeftButton)
        return;
    if (ended == Gesture::paper && held_.grip == CurveGrip::line)
        addKey(std::round(layoutNow().toFrame(pressed_.x())), std::nullopt);
    else if (ended == Gesture::paper)
        choose({});
    else if (ended == Gesture::move && (event->modifiers() & Qt::ControlModifier) == 0)
        choose({held_.key});
}

void CurveCanvas::mouseDoubleClickEvent(QMouseEvent* event)
{
    const CurveLayout layout = layoutNow();
    if (event->button() != Qt::LeftButton || !layout.plot.contains(event->position()) ||
        placeUnder(layout, keys(), chosen_, event->position()).grip == CurveGrip::key)
        return;
    addKey(std::round(layout.toFrame(event->position().x())), rounded(layout.toValue(event->position().y()), false));
}

void CurveCanvas::wheelEvent(QWheelEvent* event)
{
    const QPoint turned = event->angleDelta();
    const CurveLayout layout = layoutNow();
    const double frame = layout.toFrame(event->position().x());
    const double value = layout.toValue(event->position().y());
    const double by = std::exp2(-(turned.y() != 0 ? turned.y() : turned.x()) / 480.0);
    if ((event->modifiers() & Qt::ControlModifier) != 0)
        range_ = zoomed(range_, frame, 1, value, by);
    else if ((event->modifiers() & Qt::ShiftModifier) != 0)
        range_ = panned(
            range_, -(turned.y() != 0 ? turned.y() : turned.x()) / 120.0 * 0.1 * (range_.lastFrame - range_.firstFrame),
            0);
    else
        range_ = zoomed(range_, frame, by, value, 1);
    fits_ = false;
    event->accept();
    update();
}

void CurveCanvas::letGo()
{
    drag_.end();
    gesture_ = Gesture::none;
    band_ = {};
    setCursor(Qt::ArrowCursor);
    refresh();
}

void CurveCanvas::keyPressEvent(QKeyEvent* event)
{
    const Channel* channel = channels_.channel();
    if (!means(*event) || channel == nullptr) {
        QWidget::keyPressEvent(event);
        return;
    }
    const bool fine = (event->modifiers() & Qt::ShiftModifier) != 0;
    const auto nudge = [&](double frames, double value) {
        edit([=](const CurveKeys& keys, const KeyPlaces& places) { return ember::moved(keys, places, frames, value); },
             tr("Keys moved"));
    };
    const double step = channel->step * (fine ? 0.1 : 1);
    const double frames = fine && !channel->wholeFrames ? 0.1 : 1;
    switch (event->key()) {
    case Qt::Key_Delete:
    case Qt::Key_Backspace: removeChosen(); break;
    case Qt::Key_Insert: addKeyHere(); break;
    case Qt::Key_Left: nudge(-frames, 0); break;
    case Qt::Key_Right: nudge(frames, 0); break;
    case Qt::Key_Up: nudge(0, step); break;
    case Qt::Key_Down: nudge(0, -step); break;
    case Qt::Key_Escape:
        if (gesture_ == Gesture::none) {
            choose({});
        } else {
            drag_.cancel();
            letGo();
        }
        break;
    case Qt::Key_F: fit(); break;
    case Qt::Key_A: {
        KeyPlaces every(keys().size());
        for (std::size_t i = 0; i < every.size(); ++i)
            every[i] = i;
        choose(std::move(every));
        break;
    }
    case Qt::Key_C: copy(); break;
    case Qt::Key_X:
        copy();
        removeChosen();
        break;
    case Qt::Key_V: paste(); break;
    default: break;
    }
}

} // namespace ember::app
