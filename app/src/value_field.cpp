// SPDX-License-Identifier: GPL-3.0-or-later
#include "value_field.h"

#include <cmath>

#include <QDateTime>
#include <QFontMetrics>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr int dragThreshold = 4;
constexpr double pixelsPerStep = 6;
constexpr qint64 runMilliseconds = 700;
} // namespace

ValueField::ValueField(const FieldSpec& spec, QWidget* parent) : QWidget(parent), spec_(spec), value_(spec.fallback)
{
    setSpec(spec);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::SizeHorCursor);
}

void ValueField::setSpec(const FieldSpec& spec)
{
    spec_ = spec;
    const auto number = [this](double v) { return QString::number(v * shownFactor(), 'g', 6); };
    const QString unit = isTime() && inSeconds_ ? tr("s") : toQString(spec.unit);
    setAccessibleName(toQString(spec.label));
    setToolTip(!barred_.isEmpty()
                   ? barred_
                   : tr("%1.\n%2 to %3 %4, usually %5. Drag, turn the wheel or click and type (also 48/2, +10%, *2); "
                        "with Shift "
                        "finely; Ctrl+click returns to %6.")
                         .arg(toQString(spec.help), number(spec.min), number(spec.max), unit, number(spec.fallback),
                              own_ ? tr("the recipe's value") : number(spec.fallback)));
    updateGeometry();
    update();
}

void ValueField::setBarred(const QString& reason)
{
    if (reason == barred_)
        return;
    barred_ = reason;
    setEnabled(reason.isEmpty());
    setSpec(spec_);
}

double ValueField::shownFactor() const
{
    if (isTime() && inSeconds_)
        return 1 / framesPerSecond_;
    return spec_.unit == "%" ? 100 : 1;
}

void ValueField::setTime(double framesPerSecond, bool inSeconds)
{
    if (framesPerSecond == framesPerSecond_ && inSeconds == inSeconds_)
        return;
    framesPerSecond_ = framesPerSecond;
    inSeconds_ = inSeconds && framesPerSecond > 0;
    setSpec(spec_);
}

void ValueField::setValue(double value)
{
    if (value == value_)
        return;
    value_ = value;
    update();
}

void ValueField::setMixed(bool mixed)
{
    if (mixed == mixed_)
        return;
    mixed_ = mixed;
    update();
}

void ValueField::setOwn(bool own)
{
    if (own == own_)
        return;
    own_ = own;
    setSpec(spec_);
}

QString ValueField::shownText() const
{
    if (mixed_)
        return QStringLiteral("–");
    if (!spec_.choices.empty())
        return toQString(spec_.choices[static_cast<std::size_t>(value_)]);
    const double shown = value_ * shownFactor();
    const int decimals = std::abs(shown - std::round(shown)) < 0.005 ? 0 : std::abs(shown) < 10 ? 2 : 1;
    QString number = QString::number(shown, 'f', decimals);
    if (number.contains(QLatin1Char('.')))
        while (number.endsWith(QLatin1Char('0')))
            number.chop(1);
    if (number.endsWith(QLatin1Char('.')))
        number.chop(1);
    const QString unit = !isTime() ? toQString(spec_.unit) : inSeconds_ ? tr("s") : tr("f");
    if (unit.isEmpty())
        return number;
    return unit == QStringLiteral("°") ? number + unit : number + QLatin1Char(' ') + unit;
}

QSize ValueField::sizeHint() const
{
    return {66, 22};
}

bool ValueField::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Up || key == Qt::Key_Down || key == Qt::Key_Return || key == Qt::Key_Enter)
            event->accept();
    }
    return QWidget::event(event);
}

void ValueField::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setFont(theme::numbers(12));
    if (hovered_ || hasFocus()) {
        painter.setPen(hasFocus() ? theme::copper : theme::line);
        painter.setBrush(theme::raised);
        painter.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
    }
    painter.setPen(isEnabled() ? theme::text : theme::faint);
    const QRect inside = rect().adjusted(5, 0, -5, 0);
    const QString text = shownText();
    painter.drawText(inside, Qt::AlignVCenter | Qt::AlignLeft, text);
    if (own_) { // a small mark behind the number: this strike's own
        const int x = inside.left() + QFontMetrics(painter.font()).horizontalAdvance(text) + 6;
        painter.drawText(QRect(x, 0, 12, height()), Qt::AlignVCenter, QStringLiteral("*"));
    }
}

void ValueField::wish(double value, quint64 gesture)
{
    value = clampTo(spec_, whole_ ? std::round(value) : value);
    if (value == value_ && !mixed_)
        return;
    emit wished(value, gesture);
}

quint64 ValueField::runGesture()
{
    const auto now = QDateTime::currentMSecsSinceEpoch();
    if (now - runAt_ > runMilliseconds || run_ == 0)
        run_ = gestureSource ? gestureSource() : 0;
    runAt_ = now;
    return run_;
}

void ValueField::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    if ((event->modifiers() & Qt::ControlModifier) != 0) {
        if (resetAction)
            resetAction();
        else
            wish(spec_.fallback, 0);
        return;
    }
    pressed_ = event->position().toPoint();
    pressedValue_ = value_;
    dragging_ = false;
}

void ValueField::mouseMoveEvent(QMouseEvent* event)
{
    if ((event->buttons() & Qt::LeftButton) == 0)
        return;
    const double moved = event->position().x() - pressed_.x();
    if (!dragging_ && std::abs(moved) < dragThreshold)
        return;
    if (!dragging_) {
        dragging_ = true;
        gesture_ = gestureSource ? gestureSource() : 0;
    }
    const double fine = (event->modifiers() & Qt::ShiftModifier) != 0 ? 0.1 : 1.0;
    const double steps = fine < 1 ? moved / pixelsPerStep * fine : std::round(moved / pixelsPerStep);
    wish(pressedValue_ + steps * spec_.step, gesture_);
}

void ValueField::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton || (event->modifiers() & Qt::ControlModifier) != 0)
        return;
    if (!dragging_)
        beginTyping();
    dragging_ = false;
}

void ValueField::wheelEvent(QWheelEvent* event)
{
    const double notches = event->angleDelta().y() / 120.0;
    const double fine = (event->modifiers() & Qt::ShiftModifier) != 0 ? 0.1 : 1.0;
    wish(value_ + notches * spec_.step * fine, runGesture());
    event->accept();
}

void ValueField::keyPressEvent(QKeyEvent* event)
{
    switch (event->key()) {
    case Qt::Key_Up: wish(value_ + spec_.step, runGesture()); return;
    case Qt::Key_Down: wish(value_ - spec_.step, runGesture()); return;
    case Qt::Key_Return:
    case Qt::Key_Enter: beginTyping(); return;
    default: break;
    }
    QWidget::keyPressEvent(event);
}

void ValueField::beginTyping()
{
    if (editor_ != nullptr)
        return;
    editor_ = new QLineEdit(QString::number(value_ * shownFactor(), 'g', 8), this);
    editor_->setFont(theme::numbers(12));
    editor_->setGeometry(rect());
    editor_->selectAll();
    editor_->show();
    editor_->setFocus();
    connect(editor_, &QLineEdit::editingFinished, this, [this] { endTyping(true); });
    editor_->installEventFilter(this);
}

bool ValueField::eventFilter(QObject* watched, QEvent* event)
{
    if (watched == editor_ && event->type() == QEvent::KeyPress &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
        endTyping(false);
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

void ValueField::endTyping(bool take)
{
    if (editor_ == nullptr)
        return;
    QLineEdit* editor = editor_;
    editor_ = nullptr;
    const QString text = editor->text();
    editor->deleteLater();
    const bool hadFocus = editor->hasFocus();
    editor->hide();
    if (hadFocus)
        setFocus();
    if (!take)
        return;
    if (const auto change = typedChange(text)) {
        if (change->relative() && mixed_ && changeEach)
            changeEach(*change);
        else if (const double value = change->of(value_); mixed_ || std::abs(value - value_) > 1e-9)
            wish(value, 0);
    }
    emit typed();
}

std::optional<TypedChange> ValueField::typedChange(const QString& text) const
{
    std::vector<TypedUnit> units;
    if (isTime() && framesPerSecond_ > 0)
        units = {
            {"frames", 1}, {"s", framesPerSecond_}, {"seconds", framesPerSecond_}, {"ms", framesPerSecond_ / 1000}};
    else
        units = {{spec_.unit, 1 / shownFactor()}};
    if (spec_.unit == "px")
        units.push_back({"pixels", 1});
    if (spec_.unit == "°")
        units.push_back({"degrees", 1});
    return readTyped(text.toStdString(), units, 1 / shownFactor());
}

void ValueField::enterEvent(QEnterEvent*)
{
    hovered_ = true;
    update();
}

void ValueField::leaveEvent(QEvent*)
{
    hovered_ = false;
    update();
}

void ValueField::focusInEvent(QFocusEvent* event)
{
    QWidget::focusInEvent(event);
    update();
}

void ValueField::focusOutEvent(QFocusEvent* event)
{
    QWidget::focusOutEvent(event);
    run_ = 0;
    update();
}

} // namespace ember::app
