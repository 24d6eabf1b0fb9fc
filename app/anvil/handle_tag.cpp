// SPDX-License-Identifier: GPL-3.0-or-later
#include "handle_tag.h"

#include <algorithm>

#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QScreen>

#include "style.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {
constexpr int tagHeight = 19;
constexpr int typingWidth = 58; ///< while it is typed in
constexpr int nameLeft = 6;
constexpr int arrowWidth = 15;
} // namespace

// --- the sheet ---

TagSheet::TagSheet(QWidget* parent) : QFrame(parent, Qt::Popup)
{
    setFrameShape(QFrame::StyledPanel);
    theme::fill(*this, theme::Ground::sheet);
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(10, 8, 10, 8);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(4);
}

void TagSheet::add(const QString& name, ValueControl* control)
{
    auto* grid = static_cast<QGridLayout*>(layout());
    const int row = grid->rowCount();
    grid->addWidget(dimLabel(name, this), row, 0);
    grid->addWidget(control, row, 1);
}

void TagSheet::openAt(QPoint below)
{
    adjustSize();
    const QRect screen = parentWidget()->screen()->availableGeometry();
    const int x = std::clamp(below.x(), screen.left(), std::max(screen.left(), screen.right() - width()));
    const int y = below.y() + height() > screen.bottom() ? below.y() - height() - tagHeight : below.y();
    move(x, y);
    show();
}

// --- the value ---

HandleTag::HandleTag(Tag tag, ValueControl* value, TagSheet* sheet, QWidget* parent)
    : QWidget(parent), tag_(tag), name_(dimLabel({}, this)), value_(value), sheet_(sheet)
{
    name_->setFont(theme::words(11));
    name_->setAttribute(Qt::WA_TransparentForMouseEvents);
    value_->setParent(this);
    if (value_->field() != nullptr)
        value_->field()->installEventFilter(this);
    setCursor(sheet_ != nullptr ? Qt::PointingHandCursor : Qt::ArrowCursor);
}

void HandleTag::setName(const QString& name)
{
    name_->setText(name);
    setAccessibleName(name);
    if (value_->field() != nullptr)
        value_->field()->setAccessibleName(name);
    if (sheet_ != nullptr)
        setToolTip(tr("More of %1: slope and bend (Alt+Down in its number)").arg(name));
}

void HandleTag::openSheet()
{
    if (sheet_ != nullptr)
        sheet_->openAt(mapToGlobal(QPoint(0, height() + 1)));
}

void HandleTag::mousePressEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton)
        openSheet();
}

bool HandleTag::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride || event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (sheet_ != nullptr && key->key() == Qt::Key_Down && key->modifiers() == Qt::AltModifier) {
            event->accept();
            if (event->type() == QEvent::KeyPress)
                openSheet();
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

int HandleTag::valueWidth() const
{
    if (value_->field() == nullptr)
        return value_->sizeHint().width();
    if (value_->field()->findChild<QLineEdit*>() != nullptr)
        return typingWidth;
    return std::max(30, value_->field()->shownWidth());
}

QSizeF HandleTag::fitted() const
{
    const int name = QFontMetrics(name_->font()).horizontalAdvance(name_->text());
    return QSizeF(nameLeft + name + valueWidth() + (sheet_ != nullptr ? arrowWidth : 0), tagHeight);
}

void HandleTag::setLit(bool lit)
{
    if (lit == lit_)
        return;
    lit_ = lit;
    update();
}

void HandleTag::resizeEvent(QResizeEvent*)
{
    const int name = QFontMetrics(name_->font()).horizontalAdvance(name_->text());
    const int arrow = sheet_ != nullptr ? arrowWidth : 0;
    name_->setGeometry(nameLeft, 0, name, height());
    value_->setFixedWidth(width() - nameLeft - name - arrow);
    value_->setGeometry(nameLeft + name, 0, width() - nameLeft - name - arrow, height());
}

void HandleTag::enterEvent(QEnterEvent*)
{
    emit hovered(true);
}

void HandleTag::leaveEvent(QEvent*)
{
    emit hovered(false);
}

void HandleTag::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(lit_ ? theme::copper : theme::line, 1));
    p.setBrush(theme::panel);
    p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
    if (sheet_ != nullptr)
        paintArrowDown(p, QPointF(width() - 9, height() / 2.0), theme::dim);
}

} // namespace ember::app
