// SPDX-License-Identifier: GPL-3.0-or-later
#include "pad_board.h"

#include <algorithm>
#include <cmath>

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include "preferences.h"
#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {

constexpr std::size_t mostInARow = 5;
constexpr double gap = 8;
constexpr double softest = 0.1;
constexpr double meter = 8; ///< width of the strip that shows how hard it was struck
constexpr qint64 fadeMilliseconds = 900;

} // namespace

QRectF PadLayout::pad(std::size_t index) const
{
    // One row as long as that is wide enough, else two.
    const std::size_t rows = count > mostInARow ? 2 : 1;
    const std::size_t columns = std::max<std::size_t>(1, (count + rows - 1) / rows);
    const double width = (size.width() - gap * static_cast<double>(columns - 1)) / static_cast<double>(columns);
    const double height = (size.height() - gap * static_cast<double>(rows - 1)) / static_cast<double>(rows);
    return {static_cast<double>(index % columns) * (width + gap), static_cast<double>(index / columns) * (height + gap),
            width, height};
}

int PadLayout::padAt(QPointF place) const
{
    for (std::size_t i = 0; i < count; ++i)
        if (pad(i).contains(place))
            return static_cast<int>(i);
    return -1;
}

double PadLayout::shareAt(std::size_t index, QPointF place) const
{
    const QRectF box = pad(index);
    // The outermost tenths give the ends, so that full is easy to hit.
    const double up = (box.bottom() - place.y()) / box.height();
    return softest + (1 - softest) * std::clamp((up - 0.1) / 0.8, 0.0, 1.0);
}

PadBoard::PadBoard(QWidget* parent) : QWidget(parent)
{
    setObjectName(QStringLiteral("pad-board"));
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Pads: strike them with the mouse or the keys 1 to 9 and 0"));
    fading_.setInterval(40);
    connect(&fading_, &QTimer::timeout, this, [this] {
        const bool any = std::any_of(presses_.begin(), presses_.end(), [](const Press& press) {
            return press.since.isValid() && press.since.elapsed() < fadeMilliseconds;
        });
        if (!any)
            fading_.stop();
        update();
    });
}

void PadBoard::setFaces(std::vector<Face> faces)
{
    faces_ = std::move(faces);
    presses_.resize(faces_.size());
    update();
}

void PadBoard::setChosen(int pad)
{
    chosen_ = pad;
    update();
}

std::vector<PaintedPart> PadBoard::paintedParts()
{
    std::vector<PaintedPart> parts;
    for (std::size_t i = 0; i < faces_.size(); ++i) {
        PaintedPart part;
        part.name = tr("Pad %1: %2").arg(i + 1).arg(faces_[i].name);
        part.value = faces_[i].about;
        part.place = layoutNow().pad(i).toAlignedRect();
        part.role = QAccessible::Button;
        part.selected = static_cast<int>(i) == chosen_;
        const int pad = static_cast<int>(i);
        part.actions = {{tr("Strike"), [this, pad] { emit struck(pad, 1); }},
                        {tr("Choose"), [this, pad] { emit chosenByHand(pad); }}};
        parts.push_back(std::move(part));
    }
    return parts;
}

void PadBoard::showStruck(int pad, const Outcome& outcome)
{
    if (pad < 0 || static_cast<std::size_t>(pad) >= presses_.size())
        return;
    Press& press = presses_[static_cast<std::size_t>(pad)];
    press.strength = outcome.strength;
    press.fate = outcome.fate;
    press.since.start();
    fading_.start();
    update();
}

void PadBoard::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const PadLayout layout = layoutNow();
    for (std::size_t i = 0; i < faces_.size(); ++i) {
        const QRectF box = layout.pad(i).adjusted(0.5, 0.5, -0.5, -0.5);
        const Face& face = faces_[i];
        const bool chosen = static_cast<int>(i) == chosen_;
        const Press& press = presses_[i];
        const double age = press.since.isValid() ? static_cast<double>(press.since.elapsed()) / fadeMilliseconds : 1;
        p.setPen(QPen(chosen ? theme::copper : theme::line, chosen ? 1.5 : 1));
        p.setBrush(theme::panel);
        p.drawRoundedRect(box, 3, 3);
        const QRectF strip(box.left() + 5, box.top() + 6, meter, box.height() - 12);
        p.fillRect(strip, theme::window);
        if (age < 1 && press.fate != Fate::ignored) {
            const double high = strip.height() * std::min(1.0, press.strength);
            QColor heat = theme::heat(press.strength);
            heat.setAlphaF(preference::calm() ? 1.0F : static_cast<float>(1 - age * age));
            p.fillRect(QRectF(strip.left(), strip.bottom() - high, strip.width(), high), heat);
        }
        const QRectF inner = box.adjusted(meter + 12, 5, -7, -5);
        p.setFont(theme::numbers(12));
        p.setPen(theme::dim);
        p.drawText(inner, Qt::AlignRight | Qt::AlignTop, QString::number((i + 1) % 10));
        p.setFont(theme::words(13, true));
        p.setPen(theme::text);
        const QRectF top(inner.left(), inner.top(), inner.width() - 16, 18);
        p.drawText(top, Qt::AlignLeft | Qt::AlignVCenter,
                   QFontMetricsF(p.font()).elidedText(face.name, Qt::ElideRight, top.width()));
        if (inner.height() > 62)
            paintRecipeTrace(p, QRectF(inner.left(), inner.top() + 21, inner.width(), inner.height() - 40), face.trace);
        p.setFont(theme::words(11));
        p.setPen(theme::dim);
        const bool fresh = age < 1;
        const QRectF foot(inner.left(), inner.bottom() - 15, inner.width(), 15);
        const QString text =
            fresh ? QStringLiteral("%1 %, %2").arg(std::lround(100 * press.strength)).arg(ours(fateName(press.fate)))
                  : face.about;
        p.drawText(foot, Qt::AlignLeft | Qt::AlignVCenter,
                   QFontMetricsF(p.font()).elidedText(text, Qt::ElideRight, foot.width()));
    }
}

bool PadBoard::event(QEvent* event)
{
    if (event->type() == QEvent::ToolTip) {
        auto* help = static_cast<QHelpEvent*>(event);
        const int pad = layoutNow().padAt(help->pos());
        if (pad >= 0)
            QToolTip::showText(help->globalPos(),
                               tr("%1. Click to strike it: the higher, the harder. Key %2 strikes it fully, with "
                                  "Shift by half. Right click chooses it without striking.")
                                   .arg(faces_[static_cast<std::size_t>(pad)].name)
                                   .arg((pad + 1) % 10),
                               this);
        else
            QToolTip::hideText();
        return true;
    }
    return QWidget::event(event);
}

void PadBoard::mousePressEvent(QMouseEvent* event)
{
    const PadLayout layout = layoutNow();
    const int pad = layout.padAt(event->position());
    if (pad < 0)
        return;
    if (event->button() == Qt::LeftButton)
        emit struck(pad, layout.shareAt(static_cast<std::size_t>(pad), event->position()));
    if (pad != chosen_)
        emit chosenByHand(pad);
}

} // namespace ember::app
