// SPDX-License-Identifier: GPL-3.0-or-later
// What the curve view paints.
#include <algorithm>
#include <cmath>

#include <QFontMetricsF>
#include <QPainter>
#include <QPainterPath>

#include "curve_canvas.h"
#include "picture_renderer.h"
#include "text.h"
#include "theme.h"
#include "thumb_store.h"
#include "wave_paint.h"

namespace ember::app {

namespace {

/// One point for each pixel column in sight, and the keys among them; of many keys only those that stand out of the
/// line.
QPolygonF lineOf(const CurveLayout& layout, const Channel& channel, const std::function<double(double)>& toY)
{
    QPolygonF line;
    const double first = layout.plot.left();
    const double last = layout.plot.right();
    const auto [from, end] = keysInSight(layout, channel.keys);
    const bool dense = end - from >= 2000;
    std::size_t next = from;
    double before = toY(valueOf(channel, layout.toFrame(first)));
    for (double x = first; x <= last; ++x) {
        const std::size_t column = next;
        while (next < end && layout.toX(channel.keys[next].frame) <= x) {
            const CurveKey& key = channel.keys[next];
            if (next > 0 && channel.keys[next - 1].ease == Ease::hold)
                line << QPointF(layout.toX(key.frame), toY(channel.keys[next - 1].value));
            if (!dense && layout.toX(key.frame) >= first)
                line << QPointF(layout.toX(key.frame), toY(key.value));
            ++next;
        }
        const double y = toY(valueOf(channel, layout.toFrame(x)));
        if (dense && next > column + 1) {
            const auto [least, most] =
                std::minmax_element(channel.keys.begin() + static_cast<std::ptrdiff_t>(column),
                                    channel.keys.begin() + static_cast<std::ptrdiff_t>(next),
                                    [](const CurveKey& a, const CurveKey& b) { return a.value < b.value; });
            for (const double beyond : {toY(least->value), toY(most->value)})
                if (beyond < std::min(before, y) - 0.5 || beyond > std::max(before, y) + 0.5)
                    line << QPointF(x, beyond);
        }
        line << QPointF(x, y);
        before = y;
    }
    return line;
}

/// A line of many points in pieces: the time to fill the outline of one grows faster than its length.
void paintLine(QPainter& p, const QPolygonF& line)
{
    constexpr qsizetype piece = 32;
    if (line.size() <= piece) {
        p.drawPolyline(line);
        return;
    }
    for (qsizetype from = 0; from + 1 < line.size(); from += piece - 1)
        p.drawPolyline(line.constData() + from, static_cast<int>(std::min(piece, line.size() - from)));
}

QString signedFrame(double frame)
{
    return (frame > 0 ? QStringLiteral("+%1") : QStringLiteral("%1")).arg(frame);
}

} // namespace

void CurveCanvas::paintPaper(QPainter& p, const CurveLayout& layout) const
{
    const Channel* channel = channels_.channel();
    p.setFont(theme::numbers(11));
    for (const double value : valueTicks(layout, 34)) {
        const double y = std::round(layout.toY(value)) + 0.5;
        p.setPen(QPen(theme::line, 1, value == 0 ? Qt::SolidLine : Qt::DotLine));
        p.drawLine(QPointF(layout.plot.left(), y), QPointF(layout.plot.right(), y));
        p.setPen(theme::dim);
        p.drawText(QRectF(0, y - 8, layout.plot.left() - 6, 16), Qt::AlignRight | Qt::AlignVCenter,
                   QString::number(std::abs(value) < 1e-9 ? 0 : value, 'g', 5));
    }
    const bool film = channels_.of() == CurveChannels::Of::film;
    const double rate = session_.document.project().rate.perSecond();
    for (const Tick& tick : filmTicks(layout.time, rate, 46)) {
        const double x = std::round(layout.toX(tick.value)) + 0.5;
        p.setPen(QPen(theme::line, 1));
        p.drawLine(QPointF(x, layout.plot.top()), QPointF(x, layout.plot.bottom()));
        const QRectF upper(x - 40, layout.ruler.top() + 1, 80, 13);
        p.setPen(tick.value == 0 && !film ? theme::text : theme::dim);
        if (!film)
            p.drawText(upper, Qt::AlignCenter,
                       tick.value != 0                            ? signedFrame(tick.value)
                       : channel != nullptr && channel->peakFixed ? tr("peak")
                                                                  : tr("strike"));
        p.setPen(theme::dim);
        p.drawText(film ? upper : upper.translated(0, 13), Qt::AlignCenter,
                   QString::number(std::llround(channels_.filmFrame(tick.value))));
    }
    p.setPen(theme::dim);
    p.setFont(theme::words(11));
    if (channel != nullptr)
        p.drawText(QRectF(0, layout.ruler.top() + 1, layout.plot.left() - 24, 13), Qt::AlignRight | Qt::AlignVCenter,
                   channel->unit);
    if (layout.sound.height() > 0) {
        p.setPen(theme::line);
        p.drawLine(QPointF(layout.sound.left(), layout.sound.center().y()),
                   QPointF(layout.sound.right(), layout.sound.center().y()));
        p.setPen(theme::dim);
        paintWave(p, layout.sound, session_.wave.wave(), rate,
                  [&](double x) { return channels_.filmFrame(layout.toFrame(x)); });
    }
}

void CurveCanvas::paintUnfelt(QPainter& p, const CurveLayout& layout) const
{
    const Channel* channel = channels_.channel();
    if (channel == nullptr)
        return;
    if (channel->felt && !channel->keys.empty() && channel->keys.back().frame > *channel->felt + 1e-6)
        if (const double left = std::max(layout.plot.left(), layout.toX(*channel->felt)); left < layout.plot.right()) {
            const QRectF gone(QPointF(left, layout.plot.top()), layout.plot.bottomRight());
            p.fillRect(gone, QBrush(theme::faint, Qt::BDiagPattern));
            p.setPen(theme::text);
            p.setFont(theme::words(11));
            p.drawText(gone.adjusted(5, 1, 0, 0), Qt::AlignLeft | Qt::AlignTop, tr("not felt: the envelope has ended"));
        }
    if (channel->jumps) {
        const double x = layout.toX(*channel->jumps);
        p.setPen(QPen(theme::text, 1, Qt::DashLine));
        p.drawLine(QPointF(x, layout.plot.top()), QPointF(x, layout.plot.bottom()));
        p.setFont(theme::words(11));
        p.drawText(QRectF(x + 5, layout.plot.top(), 300, 16), Qt::AlignLeft | Qt::AlignVCenter,
                   tr("jumps to rest here"));
    }
}

void CurveCanvas::paintCurve(QPainter& p, const CurveLayout& layout, const Channel& channel, bool bold) const
{
    const Channel* now = channels_.channel();
    std::function<double(double)> toY = [&](double value) { return layout.toY(value); };
    if (!bold && now != nullptr && channel.unit != now->unit) { // another unit has a scale of its own
        double most = 1e-9;
        for (const CurveKey& key : channel.keys)
            most = std::max(most, std::abs(key.value));
        const double zero = std::clamp(layout.toY(0), layout.plot.top(), layout.plot.bottom());
        const double room = std::max(zero - layout.plot.top(), layout.plot.bottom() - zero) * 0.85;
        toY = [zero, room, most](double value) { return zero - value / most * room; };
    }
    const QPolygonF line = lineOf(layout, channel, toY);
    if (!bold) {
        p.setPen(QPen(theme::faint, 1.2));
        paintLine(p, line);
        return;
    }
    // Coloured by how far it is from rest, against what it goes to at most.
    const double most = std::max(1e-9, mostOfKeys(channel.keys));
    const bool heats = channels_.of() != CurveChannels::Of::film;
    QPen pen(theme::text, 2.2, Qt::SolidLine, Qt::RoundCap, Qt::BevelJoin);
    if (!heats || channel.keys.empty()) {
        if (channel.keys.empty())
            pen = QPen(theme::text, 1.6, Qt::DashLine);
        p.setPen(pen);
        paintLine(p, line);
        return;
    }
    QLinearGradient heat(layout.plot.left(), 0, layout.plot.right(), 0);
    constexpr int stops = 64;
    for (int i = 0; i <= stops; ++i) {
        const double share = static_cast<double>(i) / stops;
        const double value = valueOf(channel, layout.toFrame(layout.plot.left() + share * layout.plot.width()));
        heat.setColorAt(share, theme::heat(std::abs(value) / most));
    }
    pen.setBrush(heat);
    p.setPen(pen);
    paintLine(p, line);
}

void CurveCanvas::paintKeys(QPainter& p, const CurveLayout& layout) const
{
    const CurveKeys& keys = this->keys();
    const auto [first, end] = keysInSight(layout, keys);
    const bool dense = end > first + 1 && layout.plot.width() / static_cast<double>(end - first) < 7;
    double painted = -1e9; // of many on one column one is enough
    for (std::size_t i = first; i < end; ++i) {
        const bool on = std::binary_search(chosen_.begin(), chosen_.end(), i);
        const QPointF at = layout.at(keys[i]);
        if (dense && !on && at.x() - painted < 3)
            continue;
        painted = at.x();
        p.setPen(QPen(on ? theme::copper : theme::text, dense ? 1 : 1.5));
        p.setBrush(theme::window);
        const double r = (on ? 5 : 4) - (dense ? 2 : 0);
        p.drawRect(QRectF(at - QPointF(r, r), QSizeF(2 * r, 2 * r)));
    }
    p.setPen(QPen(theme::copper, 1));
    p.setBrush(theme::window);
    if (chosen_.size() == 1)
        for (const CurveGrip grip : {CurveGrip::slopeIn, CurveGrip::slopeOut})
            if (const auto handle = slopeHandle(layout, keys, chosen_.front(), grip)) {
                p.drawLine(layout.at(keys[chosen_.front()]), *handle);
                p.drawEllipse(*handle, 4, 4);
            }
    if (const QRectF box = boxAround(layout, keys, chosen_); !box.isEmpty()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(theme::copper, 1, Qt::DotLine));
        p.drawRect(box);
        p.setPen(QPen(theme::copper, 1));
        p.setBrush(theme::window);
        for (const CurveGrip grip : {CurveGrip::front, CurveGrip::back, CurveGrip::top, CurveGrip::bottom})
            p.drawEllipse(gripOf(box, grip), 4, 4);
    }
    if (chosen_.size() == 1) { // what the one says, beside it
        const CurveKey& key = keys[chosen_.front()];
        const QString text =
            tr("%1 %2 on %3").arg(key.value, 0, 'g', 5).arg(channels_.channel()->unit, signedFrame(key.frame));
        p.setFont(theme::numbers(11));
        const double wide = QFontMetricsF(p.font()).horizontalAdvance(text) + 8;
        QRectF place(layout.at(key) + QPointF(12, -20), QSizeF(wide, 16));
        place.moveLeft(std::min(place.left(), layout.plot.right() - wide));
        place.moveTop(std::max(place.top(), layout.plot.top() - 4));
        p.fillRect(place, theme::panel);
        p.setPen(theme::text);
        p.drawText(place, Qt::AlignCenter, text);
    }
}

void CurveCanvas::paintVelocity(QPainter& p, const CurveLayout& layout) const
{
    const CurveKeys& keys = this->keys();
    if (keys.size() < 2)
        return;
    QPolygonF line;
    double most = 0;
    std::vector<double> slopes;
    for (double x = layout.plot.left(); x <= layout.plot.right(); ++x) {
        slopes.push_back(slopeOfKeys(keys, layout.toFrame(x)));
        most = std::max(most, std::abs(slopes.back()));
    }
    if (most <= 0)
        return;
    const double middle = layout.plot.center().y();
    for (std::size_t i = 0; i < slopes.size(); ++i)
        line << QPointF(layout.plot.left() + static_cast<double>(i),
                        middle - slopes[i] / most * layout.plot.height() * 0.45);
    p.setPen(QPen(theme::dim, 1.2, Qt::DashLine));
    p.setBrush(Qt::NoBrush);
    paintLine(p, line);
    p.setFont(theme::numbers(11));
    p.drawText(layout.plot.adjusted(4, 0, -4, -2), Qt::AlignRight | Qt::AlignBottom,
               tr("velocity (dashed): up to %1 %2 a frame").arg(most, 0, 'g', 3).arg(channels_.channel()->unit));
}

void CurveCanvas::paintSpacing(QPainter& p, const CurveLayout& layout) const
{
    const std::vector<double> crests =
        crestsOf(keys(), layout.toFrame(layout.plot.left()), layout.toFrame(layout.plot.right()));
    const double rate = session_.document.project().rate.perSecond();
    p.setFont(theme::numbers(11));
    const double y = layout.plot.top() + 4;
    for (std::size_t i = 0; i + 1 < crests.size(); ++i) {
        const double a = layout.toX(crests[i]);
        const double b = layout.toX(crests[i + 1]);
        p.setPen(QPen(theme::dim, 1));
        p.drawLine(QPointF(a, y), QPointF(b, y));
        for (const double x : {a, b})
            p.drawLine(QPointF(x, y - 3), QPointF(x, y + 3));
        const double frames = channels_.filmFrame(crests[i + 1]) - channels_.filmFrame(crests[i]);
        const QString text = tr("%1 f, %2 Hz").arg(frames, 0, 'g', 3).arg(rate / frames, 0, 'g', 3);
        if (QFontMetricsF(p.font()).horizontalAdvance(text) + 6 > b - a)
            continue;
        p.setPen(theme::text);
        p.drawText(QRectF(a, y + 2, b - a, 14), Qt::AlignCenter, text);
    }
}

void CurveCanvas::paintFrames(QPainter& p, const CurveLayout& layout)
{
    if (layout.frames.height() <= 0 || !session_.film.hasClip())
        return;
    const Project& project = session_.document.project();
    const double shape = std::clamp(static_cast<double>(project.width) / project.height, 0.4, 3.0);
    const double height = layout.frames.height() - 2;
    const double width = std::round(height * shape);
    const double ratio = devicePixelRatioF();
    const int thumbHeight = std::clamp(static_cast<int>(std::lround(height * ratio)), 8, ThumbStore::thumbHeight);
    const QSize thumbs(std::max(8, static_cast<int>(std::lround(thumbHeight * shape))), thumbHeight);
    if (thumbs != contactSize_ || sceneStale_) {
        contactSize_ = thumbs;
        sceneStale_ = false;
        contacts_.setScene({std::make_shared<const Project>(project), session_.document.sharedMotion(),
                            session_.document.cover(), session_.film.layerPictures(), thumbs.width(), thumbs.height()});
    }
    // As many as there is room for, on even frames, so that none moves while it is looked at.
    const double perPixel = (channels_.filmFrame(1) - channels_.filmFrame(0)) * layout.time.framesPerPixel();
    const auto every = std::max<std::int64_t>(1, static_cast<std::int64_t>(std::ceil(perPixel * (width + 4))));
    const auto first = std::max<std::int64_t>(0, std::llround(channels_.filmFrame(layout.time.firstFrame)));
    const auto last = std::min(session_.document.length() - 1,
                               static_cast<std::int64_t>(std::llround(channels_.filmFrame(layout.time.lastFrame))));
    const auto zero = std::llround(channels_.filmFrame(0));
    const auto begin = first + (((zero - first) % every) + every) % every;
    for (auto frame = begin; frame <= last; frame += every) {
        const double x = layout.toX(channels_.keyFrame(static_cast<double>(frame)));
        const QRectF box(std::round(x - width / 2), layout.frames.top() + 1, width, height);
        if (box.left() < 0 || box.right() > layout.frames.right() + 8)
            continue;
        p.setPen(QPen(theme::line, 1));
        p.drawLine(QPointF(x, layout.ruler.bottom() - 1), QPointF(x, box.top()));
        if (const ImagePtr picture = contacts_.picture(frame, session_.film.thumbs().thumb(frame)))
            p.drawImage(box, toQImage(picture));
        else
            p.fillRect(box, theme::raised);
        const bool here = frame == session_.playhead.frame();
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(here ? theme::copper : theme::line, here ? 2 : 1));
        p.drawRect(box.adjusted(0.5, 0.5, -0.5, -0.5));
    }
}

void CurveCanvas::paintPlayhead(QPainter& p, const CurveLayout& layout) const
{
    const double frame = channels_.keyFrame(static_cast<double>(session_.playhead.frame()));
    const double x = layout.toX(frame);
    if (x < layout.plot.left() - 1 || x > layout.plot.right() + 1)
        return;
    p.setPen(QPen(theme::copper, 1.5));
    p.drawLine(QPointF(x, layout.sound.top()), QPointF(x, layout.ruler.bottom()));
    if (const Channel* channel = channels_.channel(); channel != nullptr && !channel->keys.empty()) {
        p.setBrush(theme::copper);
        p.drawEllipse(QPointF(x, layout.toY(valueOf(*channel, frame))), 3, 3);
    }
}

void CurveCanvas::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.fillRect(rect(), theme::window);
    const Channel* channel = channels_.channel();
    if (channel == nullptr) {
        p.setFont(theme::words(13));
        p.setPen(theme::dim);
        const bool one = session_.selection.feltStrike() != nullptr;
        p.drawText(
            rect().adjusted(20, 0, -20, 0), Qt::AlignCenter | Qt::TextWordWrap,
            !one ? tr("Select a strike on the Reel to see its curves here.")
            : channels_.of() == CurveChannels::Of::keys
                ? tr("This strike has no keys yet. Press M and drag the picture, or choose other curves at the left.")
                : tr("The film has nothing to show here."));
        theme::paintFocus(p, *this);
        return;
    }
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const CurveLayout layout = layoutNow();
    paintPaper(p, layout);
    paintFrames(p, layout);
    p.save();
    p.setClipRect(layout.plot.adjusted(-6, -8, 8, 8));
    paintUnfelt(p, layout);
    for (std::size_t i = 0; i < channels_.channels().size(); ++i)
        if (static_cast<int>(i) != channels_.chosen() && shown(i))
            paintCurve(p, layout, channels_.channels()[i], false);
    paintCurve(p, layout, *channel, true);
    if (velocity_)
        paintVelocity(p, layout);
    if (spacing_)
        paintSpacing(p, layout);
    p.restore();
    paintPlayhead(p, layout);
    p.save();
    p.setClipRect(layout.plot.adjusted(-8, -10, 10, 10));
    paintKeys(p, layout);
    if (channel->keys.empty()) {
        p.setPen(theme::dim);
        p.setFont(theme::words(12));
        p.drawText(layout.plot.adjusted(10, 0, -10, -4), Qt::AlignRight | Qt::AlignBottom,
                   channel->canTurn ? tr("No curve yet: it goes as its values say. Click on the line to add a key.")
                                    : tr("No keys yet. Click on the line to add one."));
    }
    if (!band_.isEmpty()) {
        p.setPen(QPen(theme::copper, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(band_);
    }
    p.restore();
    theme::paintFocus(p, *this);
}

} // namespace ember::app
