// SPDX-License-Identifier: GPL-3.0-or-later
#include "channel_list.h"

#include <cmath>

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include "theme.h"

namespace ember::app {

ChannelList::ChannelList(Session& session, CurveChannels& channels, QWidget* parent)
    : QWidget(parent), session_(session), channels_(channels)
{
    setObjectName(QStringLiteral("curve-channels"));
    setAccessibleName(tr("Channels"));
    setFocusPolicy(Qt::StrongFocus);
    setToolTip(tr("Click a name to work on its curve; the others stay faint behind it. Brighter names have keys."));
    connect(&channels_, &CurveChannels::changed, this, [this] {
        updateGeometry();
        update();
    });
    connect(&session_.playhead, &Playhead::moved, this, [this] { update(); });
}

QSize ChannelList::sizeHint() const
{
    return {140, rowHeight * std::max(1, static_cast<int>(channels_.channels().size()))};
}

QString ChannelList::valueText(const Channel& channel) const
{
    const double at = channels_.keyFrame(static_cast<double>(session_.playhead.frame()));
    const double value = valueOf(channel, at);
    const double shown = std::abs(value) < 0.05 ? 0 : value;
    return QString::number(shown, 'f', std::abs(shown) < 100 ? 1 : 0) + QLatin1Char(' ') + channel.unit;
}

void ChannelList::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    const auto& all = channels_.channels();
    for (int i = 0; i < static_cast<int>(all.size()); ++i) {
        const Channel& channel = all[static_cast<std::size_t>(i)];
        const QRect row = rowRect(i);
        const bool on = i == channels_.chosen();
        if (on) {
            p.fillRect(row, theme::raised);
            p.fillRect(QRect(0, row.top(), 3, row.height()), theme::copper);
        }
        p.setPen(on || !channel.keys.empty() ? theme::text : theme::dim);
        p.setFont(theme::words(12, on));
        const QString name = channel.own ? channel.name + QStringLiteral(" *") : channel.name;
        const int wide = row.width() - 78;
        p.drawText(row.adjusted(12, 0, 0, 0).adjusted(0, 0, wide - row.width() + 12, 0),
                   Qt::AlignLeft | Qt::AlignVCenter, p.fontMetrics().elidedText(name, Qt::ElideRight, wide));
        p.setFont(theme::numbers(11));
        p.drawText(row.adjusted(0, 0, -6, 0), Qt::AlignRight | Qt::AlignVCenter, valueText(channel));
    }
    theme::paintFocus(p, *this);
}

void ChannelList::mousePressEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton)
        channels_.choose(static_cast<int>(event->position().y()) / rowHeight);
}

bool ChannelList::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride)
        if (const int key = static_cast<QKeyEvent*>(event)->key(); key == Qt::Key_Up || key == Qt::Key_Down)
            event->accept();
    return QWidget::event(event);
}

void ChannelList::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Up)
        channels_.choose(channels_.chosen() - 1);
    else if (event->key() == Qt::Key_Down)
        channels_.choose(channels_.chosen() + 1);
    else
        QWidget::keyPressEvent(event);
}

std::vector<PaintedPart> ChannelList::paintedParts()
{
    std::vector<PaintedPart> parts;
    const auto& all = channels_.channels();
    for (int i = 0; i < static_cast<int>(all.size()); ++i) {
        PaintedPart part;
        part.name = all[static_cast<std::size_t>(i)].name;
        part.value = valueText(all[static_cast<std::size_t>(i)]);
        part.place = rowRect(i);
        part.selected = i == channels_.chosen();
        part.actions = {{tr("Choose"), [this, i] { channels_.choose(i); }}};
        parts.push_back(std::move(part));
    }
    return parts;
}

} // namespace ember::app
