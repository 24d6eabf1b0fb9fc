// SPDX-License-Identifier: GPL-3.0-or-later
#include "frame_strip.h"

#include <algorithm>

#include <QMouseEvent>
#include <QPainter>

#include "picture_renderer.h"
#include "theme.h"
#include "thumb_store.h"

namespace ember::app {

namespace {
constexpr int high = 44;
constexpr int gap = 3;
} // namespace

FrameStrip::FrameStrip(OpenDocument& document, Film& film, Playhead& playhead, QWidget* parent)
    : QWidget(parent), document_(document), film_(film), playhead_(playhead)
{
    setToolTip(tr("The frames around the proposal; a click goes there"));
    connect(&film_.thumbs(), &ThumbStore::ready, this, [this](qint64 frame) {
        if (frame_ >= 0 && std::abs(frame - frame_) <= around)
            update();
    });
    connect(&playhead_, &Playhead::moved, this, [this] { update(); });
}

QSize FrameStrip::sizeHint() const
{
    return {(2 * around + 1) * (high * 16 / 9 + gap), high + 14};
}

QSize FrameStrip::minimumSizeHint() const
{
    return {sizeHint().width() / 2, sizeHint().height()};
}

void FrameStrip::setFrame(std::int64_t frame)
{
    if (frame == frame_)
        return;
    frame_ = frame;
    update();
}

void FrameStrip::setHint(const QString& hint)
{
    hint_ = hint;
    if (frame_ < 0)
        update();
}

QRectF FrameStrip::box(int place) const
{
    const Project& project = document_.project();
    const double shape = std::clamp(static_cast<double>(project.width) / project.height, 0.5, 16.0 / 9);
    const double room = (width() - 2.0) / (2 * around + 1) - gap;
    const double wide = std::min(high * shape, room);
    return {place * (wide + gap) + 1, 1, wide, wide / shape};
}

std::vector<PaintedPart> FrameStrip::paintedParts()
{
    std::vector<PaintedPart> parts;
    for (int i = 0; i <= 2 * around; ++i) {
        const std::int64_t frame = frame_ + i - around;
        if (frame_ < 0 || frame < 0 || frame >= document_.length())
            continue;
        PaintedPart part;
        part.name = tr("frame %1").arg(frame);
        part.place = box(i).toAlignedRect();
        part.selected = frame == frame_;
        part.actions = {{tr("Go there"), [this, frame] { playhead_.setFrame(frame); }}};
        parts.push_back(std::move(part));
    }
    return parts;
}

void FrameStrip::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.setFont(theme::numbers(10));
    if (frame_ < 0) {
        p.setPen(theme::dim);
        p.setFont(theme::words(11));
        p.drawText(rect(), Qt::AlignLeft | Qt::AlignVCenter, hint_);
        return;
    }
    for (int i = 0; i <= 2 * around; ++i) {
        const std::int64_t frame = frame_ + i - around;
        if (frame < 0 || frame >= document_.length())
            continue;
        const QRectF place = box(i);
        if (const ImagePtr thumb = film_.thumbs().thumb(frame))
            p.drawImage(place, toQImage(thumb));
        else
            p.fillRect(place, theme::raised);
        if (frame == frame_) {
            p.setPen(QPen(theme::copper, 1.5));
            p.setBrush(Qt::NoBrush);
            p.drawRect(place);
        }
        p.setPen(frame == playhead_.frame() ? theme::text : theme::dim);
        p.drawText(QRectF(place.left(), place.bottom() + 1, place.width(), 12), Qt::AlignCenter,
                   i == around ? QString::number(frame)
                               : QStringLiteral("%1%2").arg(i < around ? "" : "+").arg(i - around));
    }
}

void FrameStrip::mousePressEvent(QMouseEvent* event)
{
    for (int i = 0; i <= 2 * around; ++i)
        if (frame_ >= 0 && box(i).contains(event->position()))
            playhead_.setFrame(frame_ + i - around);
}

} // namespace ember::app
