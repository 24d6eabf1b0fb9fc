// SPDX-License-Identifier: GPL-3.0-or-later
#include "field_note.h"

#include <algorithm>

#include "theme.h"

namespace ember::app {

namespace {
constexpr int shownFor = 6000; // milliseconds
constexpr int widest = 280;
constexpr int aside = 4;
} // namespace

FieldNote::FieldNote(QWidget* window) : QLabel(window)
{
    setObjectName(QStringLiteral("field-note"));
    setFont(theme::words(12));
    setWordWrap(true);
    setTextFormat(Qt::PlainText);
    setFocusPolicy(Qt::NoFocus);
    theme::fill(*this, theme::Ground::strip);
    setFrameShape(QFrame::StyledPanel);
    setMargin(6);
    gone_.setSingleShot(true);
    connect(&gone_, &QTimer::timeout, this, &QLabel::hide);
    hide();
}

FieldNote* FieldNote::of(const QWidget& field)
{
    return field.window()->findChild<FieldNote*>(QStringLiteral("field-note"), Qt::FindDirectChildrenOnly);
}

void FieldNote::tell(QWidget& field, const QString& sentence)
{
    FieldNote* note = of(field);
    if (note == nullptr)
        note = new FieldNote(field.window());
    note->setText(sentence);
    const QWidget& window = *field.window();
    const int width =
        std::min({widest, window.width() - 2 * aside, note->fontMetrics().horizontalAdvance(sentence) + 24});
    const int height = note->heightForWidth(width);
    const QPoint below = field.mapTo(&window, QPoint(0, field.height() + aside));
    const int above = below.y() - field.height() - 2 * aside - height;
    note->setGeometry(std::clamp(below.x(), aside, std::max(aside, window.width() - width - aside)),
                      below.y() + height > window.height() ? std::max(0, above) : below.y(), width, height);
    note->show();
    note->raise();
    note->gone_.start(shownFor);
}

void FieldNote::clear(const QWidget& field)
{
    if (FieldNote* note = of(field))
        note->hide();
}

void FieldNote::mousePressEvent(QMouseEvent*)
{
    hide();
}

} // namespace ember::app
