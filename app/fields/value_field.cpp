// SPDX-License-Identifier: GPL-3.0-or-later
#include "value_field.h"

#include <cmath>

#include <QClipboard>
#include <QContextMenuEvent>
#include <QDateTime>
#include <QFontMetrics>
#include <QGuiApplication>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QMouseEvent>
#include <QPainter>
#include <QPointer>
#include <QWheelEvent>

#include "field_note.h"
#include "input_rules.h"
#include "style.h"
#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr int dragThreshold = 4;
constexpr double pixelsPerStep = 6;
constexpr qint64 runMilliseconds = 700;

/// A sign that would stand in a text, but a blank: that one plays.
bool isTyped(const QKeyEvent& press)
{
    constexpr auto others = Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier;
    return (press.modifiers() & others) == 0 && !press.text().isEmpty() && press.text().front().isPrint() &&
           press.key() != Qt::Key_Space;
}

/// A sign a number can begin with.
bool beginsNumber(QChar sign)
{
    return sign.isDigit() || QStringLiteral(".,+-(x×").contains(sign);
}
} // namespace

ValueField::ValueField(const FieldSpec& spec, QWidget* parent) : QWidget(parent), spec_(spec), value_(spec.fallback)
{
    setSpec(spec);
    setFocusPolicy(Qt::TabFocus); // a drag leaves the focus where the work is
    setCursor(Qt::SizeHorCursor);
}

void ValueField::setSpec(const FieldSpec& spec)
{
    spec_ = spec;
    const auto number = [this](double v) { return QString::number(v * shownFactor(), 'g', 6); };
    setAccessibleName(ours(spec.label));
    setToolTip(
        !barred_.isEmpty()
            ? barred_
            : tr("%1.\n%2 to %3 %4, usually %5. Drag it, or click and type (also 48/2, +10 %, x2), then turn the "
                 "wheel; Shift for fine steps; Ctrl+click returns to %6.")
                  .arg(ours(spec.help), number(spec.min), number(spec.max), unitText(), number(spec.fallback),
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
        return ours(spec_.choices[static_cast<std::size_t>(value_)]);
    const double shown = value_ * shownFactor();
    const int decimals = std::abs(shown - std::round(shown)) < 0.005 ? 0 : std::abs(shown) < 10 ? 2 : 1;
    QString number = QString::number(shown, 'f', decimals);
    if (number.contains(QLatin1Char('.')))
        while (number.endsWith(QLatin1Char('0')))
            number.chop(1);
    if (number.endsWith(QLatin1Char('.')))
        number.chop(1);
    const QString unit = !isTime() ? ours(spec_.unit) : inSeconds_ ? tr("s") : tr("f");
    if (unit.isEmpty())
        return number;
    return unit == QStringLiteral("°") ? number + unit : number + QLatin1Char(' ') + unit;
}

QSize ValueField::sizeHint() const
{
    return {66, 22};
}

void ValueField::setLarge(bool large)
{
    large_ = large;
    update();
}

QFont ValueField::letters() const
{
    QFont font = theme::numbers(large_ ? 16 : 12);
    font.setBold(large_);
    return font;
}

void ValueField::ask(double value)
{
    if (barred_.isEmpty() && isEnabled())
        wish(value, 0);
}

int ValueField::shownWidth() const
{
    return QFontMetrics(letters()).horizontalAdvance(shownText()) + 10 + (own_ ? 12 : 0);
}

bool ValueField::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* press = static_cast<QKeyEvent*>(event);
        switch (press->key()) {
        case Qt::Key_Up:
        case Qt::Key_Down:
        case Qt::Key_Return:
        case Qt::Key_Enter:
        case Qt::Key_Escape:
        case Qt::Key_Delete:
        case Qt::Key_Backspace: event->accept(); break;
        default:
            if (isTyped(*press)) // no shortcut sees what looks like typing
                event->accept();
        }
    }
    return QWidget::event(event);
}

void ValueField::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setFont(letters());
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
        reset();
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
    if (!dragging_ && rect().contains(event->position().toPoint()))
        beginTyping(By::mouse);
    dragging_ = false;
}

void ValueField::wheelEvent(QWheelEvent* event)
{
    if (!hasFocus() && editor_ == nullptr) {
        event->ignore(); // the page scrolls
        return;
    }
    const double notches = event->angleDelta().y() / 120.0;
    const double steps = notches * ((event->modifiers() & Qt::ShiftModifier) != 0 ? 0.1 : 1.0);
    if (editor_ != nullptr)
        stepTyped(steps);
    else
        wish(value_ + steps * spec_.step, runGesture());
    event->accept();
}

void ValueField::keyPressEvent(QKeyEvent* event)
{
    switch (event->key()) {
    case Qt::Key_Up: wish(value_ + spec_.step, runGesture()); return;
    case Qt::Key_Down: wish(value_ - spec_.step, runGesture()); return;
    case Qt::Key_Return:
    case Qt::Key_Enter: beginTyping(By::key); return;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
        beginTyping(By::key);
        editor_->clear();
        return;
    default: break;
    }
    if (isTyped(*event)) {
        if (beginsNumber(event->text().front())) {
            beginTyping(By::key);
            editor_->setText(event->text());
        }
        return;
    }
    QWidget::keyPressEvent(event);
}

// --- typing ---

namespace {
QPointer<ValueField> typing; // NOLINT: the focus is one, too
}

ValueField* ValueField::beingTyped()
{
    ValueField* field = typing.data();
    return field != nullptr && field->editor_ != nullptr ? field : nullptr;
}

void ValueField::beginTyping()
{
    if (barred_.isEmpty()) {
        setFocus(Qt::ShortcutFocusReason);
        beginTyping(By::key);
    }
}

void ValueField::beginTyping(By by)
{
    if (editor_ != nullptr)
        return;
    if (ValueField* other = beingTyped())
        other->finishTyping();
    FieldNote::clear(*this);
    by_ = by;
    typing = this;
    untouched_ = mixed_ ? QString() : typedText(value_);
    editor_ = new QLineEdit(untouched_, this);
    editor_->setPlaceholderText(mixed_ ? tr("several") : QString());
    editor_->setAccessibleName(accessibleName());
    editor_->setFont(letters());
    setLook(*editor_, Look::tight);
    editor_->setGeometry(rect());
    editor_->selectAll();
    editor_->installEventFilter(this);
    editor_->show();
    editor_->setFocus();
    connect(editor_, &QLineEdit::textEdited, this, [this] { FieldNote::clear(*this); });
}

bool ValueField::eventFilter(QObject* watched, QEvent* event)
{
    if (watched != editor_ || editor_ == nullptr)
        return QWidget::eventFilter(watched, event);
    if (event->type() == QEvent::KeyPress)
        return editorKey(static_cast<QKeyEvent*>(event)->key());
    if (event->type() == QEvent::FocusOut &&
        static_cast<QFocusEvent*>(event)->reason() != Qt::PopupFocusReason) { // its own menu
        takeTyped();
        close(Focus::elsewhere);
    }
    return QWidget::eventFilter(watched, event);
}

bool ValueField::editorKey(int key)
{
    switch (key) {
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (takeTyped())
            close(by_ == By::mouse && !property(keepsFocus).toBool() ? Focus::back : Focus::here);
        else
            editor_->selectAll();
        return true;
    case Qt::Key_Escape:
        FieldNote::clear(*this);
        close(by_ == By::mouse ? Focus::back : Focus::here);
        return true;
    case Qt::Key_Tab:
    case Qt::Key_Backtab:
        takeTyped();
        close(Focus::here);
        focusNextPrevChild(key == Qt::Key_Tab);
        return true;
    case Qt::Key_Up: stepTyped(1); return true;
    case Qt::Key_Down: stepTyped(-1); return true;
    default: return false;
    }
}

void ValueField::stepTyped(double by)
{
    if (!takeTyped())
        return;
    const double value = clampTo(spec_, value_ + by * spec_.step);
    wish(value, runGesture());
    untouched_ = typedText(whole_ ? std::round(value) : value);
    editor_->setText(untouched_);
    editor_->selectAll();
}

void ValueField::finishTyping()
{
    if (editor_ == nullptr)
        return;
    takeTyped();
    close(Focus::back);
}

void ValueField::cancelTyping()
{
    if (editor_ == nullptr)
        return;
    FieldNote::clear(*this);
    close(Focus::back);
}

void ValueField::close(Focus focus)
{
    QLineEdit* editor = editor_;
    if (editor == nullptr) // closed by what was taken
        return;
    editor_ = nullptr;
    if (focus == Focus::here || (focus == Focus::back && !InputRules::giveBack(*this)))
        setFocus(focus == Focus::here ? Qt::TabFocusReason : Qt::OtherFocusReason);
    editor->hide();
    editor->deleteLater();
    update();
}

bool ValueField::takeTyped()
{
    const QString text = editor_->text().trimmed();
    if (text == untouched_ || text.isEmpty())
        return true;
    if (!takeText(text))
        return false;
    if (editor_ != nullptr)
        untouched_ = text; // taken once
    return true;
}

bool ValueField::takeText(const QString& text)
{
    const auto change = typedChange(text);
    if (!change) {
        FieldNote::tell(*this, tr("“%1” is no number here. Type %2, or for example “48/2”, “+10 %” or “x2”.")
                                   .arg(text.left(24), rangeText()));
        return false;
    }
    if (change->relative() && mixed_ && changeEach) {
        changeEach(*change);
        return true;
    }
    const double value = change->of(value_);
    const double slack = 1e-9 * std::max(1.0, std::abs(value));
    if (value < spec_.min - slack || value > spec_.max + slack) {
        FieldNote::tell(*this, tr("%1 is out of range: %2.").arg(text.left(24), rangeText()));
        return false;
    }
    if (mixed_ || std::abs(value - value_) > 1e-9)
        wish(value, 0);
    return true;
}

QString ValueField::unitText() const
{
    return isTime() && inSeconds_ ? tr("s") : ours(spec_.unit);
}

QString ValueField::typedText(double value) const
{
    return QString::number(value * shownFactor(), 'g', 8);
}

QString ValueField::rangeText() const
{
    const auto number = [this](double v) { return QString::number(v * shownFactor(), 'g', 10); };
    return tr("%1 to %2 %3").arg(number(spec_.min), number(spec_.max), unitText()).trimmed();
}

void ValueField::reset()
{
    if (resetAction)
        resetAction();
    else
        wish(spec_.fallback, 0);
}

void ValueField::contextMenuEvent(QContextMenuEvent* event)
{
    if (!isEnabled())
        return;
    finishTyping();
    auto* menu = new QMenu(this);
    menu->setObjectName(QStringLiteral("field-menu"));
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->addAction(tr("Type a value"), this, [this] { beginTyping(By::mouse); });
    menu->addAction(own_ ? tr("Return to the recipe's value")
                         : tr("Reset to %1 %2").arg(typedText(spec_.fallback), unitText()).trimmed(),
                    this, [this] { reset(); });
    menu->addSeparator();
    menu->addAction(tr("Copy"), this, [this] { QGuiApplication::clipboard()->setText(shownText()); })
        ->setEnabled(!mixed_);
    const QString held = QGuiApplication::clipboard()->text().trimmed();
    QAction* paste =
        menu->addAction(tr("Paste %1").arg(held.left(16)).trimmed(), this, [this, held] { takeText(held); });
    paste->setEnabled(typedChange(held).has_value());
    if (const QString key = key_ ? key_() : QString(); !key.isEmpty()) {
        menu->addSeparator();
        menu->addAction(tr("Copy its key: %1").arg(key), this, [key] { QGuiApplication::clipboard()->setText(key); });
    }
    menu->popup(event->globalPos());
}

std::optional<TypedChange> ValueField::typedChange(const QString& text) const
{
    if (readOther)
        if (const auto read = readOther(text))
            return TypedChange{0, *read};
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
    const std::string shown = ours(spec_.unit).toLower().toStdString(); // as this window calls it
    if (shown != spec_.unit)
        units.push_back({shown, isTime() ? 1 : 1 / shownFactor()});
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
