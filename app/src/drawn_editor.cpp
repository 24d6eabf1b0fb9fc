// SPDX-License-Identifier: GPL-3.0-or-later
#include "drawn_editor.h"

#include <algorithm>
#include <cmath>

#include <QComboBox>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QPushButton>
#include <QVBoxLayout>

#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec frameField{"frame", "Frame", "frames", -2400, 2400, 0, 1, "Frames from the peak"};
const FieldSpec valueField{"value", "Value", "%", -1, 1, 0, 0.05, "Share of the amount"};
constexpr double grabRadius = 8;

} // namespace

DrawnLayout layOutDrawn(const QSizeF& size, const std::vector<DrawnKey>& keys)
{
    DrawnLayout layout;
    layout.plot = QRectF(6, 8, std::max(40.0, size.width() - 12), std::max(20.0, size.height() - 16));
    if (!keys.empty()) {
        layout.firstFrame = std::min(layout.firstFrame, keys.front().frame - 2);
        layout.lastFrame = std::max(layout.lastFrame, keys.back().frame * 1.2 + 2);
    }
    return layout;
}

int keyAt(const DrawnLayout& layout, const std::vector<DrawnKey>& keys, QPointF place)
{
    int nearest = -1;
    double least = grabRadius;
    for (std::size_t i = 0; i < keys.size(); ++i) {
        const QPointF at = layout.at(keys[i]);
        const double distance = std::hypot(at.x() - place.x(), at.y() - place.y());
        if (distance <= least) {
            least = distance;
            nearest = static_cast<int>(i);
        }
    }
    return nearest;
}

DrawnCanvas::DrawnCanvas(Session& session, std::size_t strand, QWidget* parent)
    : QWidget(parent), session_(session), strand_(strand)
{
    setObjectName(QStringLiteral("drawn-canvas"));
    setFocusPolicy(Qt::ClickFocus);
    setMinimumHeight(96);
    setToolTip(tr("Click to add a key, drag to move it (with Shift between frames), Delete takes it away. Left of the "
                  "line is before the peak."));
}

void DrawnCanvas::setAxis(Axis axis)
{
    axis_ = axis;
    select(-1);
    refresh();
}

void DrawnCanvas::select(int key)
{
    selected_ = key;
    update();
    emit selectionChanged();
}

void DrawnCanvas::refresh()
{
    const Recipe* recipe = session_.felt();
    keys_.clear();
    if (recipe != nullptr && strand_ < recipe->strands.size())
        if (const auto* drawn = std::get_if<Drawn>(&recipe->strands[strand_].source))
            keys_ = drawn->keys[static_cast<std::size_t>(axis_)];
    if (selected_ >= static_cast<int>(keys_.size()))
        selected_ = -1;
    update();
}

void DrawnCanvas::setKeys(std::vector<DrawnKey> keys, const QString& result, quint64 gesture)
{
    const Recipe* recipe = session_.felt();
    if (recipe == nullptr)
        return;
    // Drawn keys are the recipe's; a strike that wants others gets a recipe of its own.
    session_.edit(withStrandChanged(session_.project(), recipe->id, strand_,
                                    [&](Strand& strand) {
                                        if (auto* drawn = std::get_if<Drawn>(&strand.source))
                                            drawn->keys[static_cast<std::size_t>(axis_)] = tidied(keys, drawn->asDrawn);
                                    }),
                  result, gesture);
    refresh();
}

bool DrawnCanvas::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Delete || key == Qt::Key_Backspace)
            event->accept();
    }
    return QWidget::event(event);
}

void DrawnCanvas::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::window);
    const DrawnLayout layout = dragging_ ? dragLayout_ : layOutDrawn(size(), keys_);
    p.setPen(QPen(theme::line, 1));
    p.drawLine(QPointF(layout.plot.left(), layout.toY(0)), QPointF(layout.plot.right(), layout.toY(0)));
    p.setPen(QPen(theme::dim, 1, Qt::DotLine));
    p.drawLine(QPointF(layout.toX(0), layout.plot.top()), QPointF(layout.toX(0), layout.plot.bottom()));
    p.setFont(theme::numbers(10));
    p.drawText(QPointF(layout.toX(0) + 3, layout.plot.top() + 6), tr("peak"));
    p.drawText(QRectF(0, layout.plot.bottom() - 6, layout.plot.right(), 14), Qt::AlignRight,
               QStringLiteral("+%1").arg(std::lround(layout.lastFrame)));
    // The very curve the motion has: a drawn source asked pixel by pixel.
    Drawn drawn;
    drawn.keys[0] = keys_;
    QPainterPath path;
    const auto steps = static_cast<int>(layout.plot.width());
    for (int i = 0; i <= steps; ++i) {
        const double x = layout.plot.left() + i;
        const SourceMoment moment{1, 1, layout.toFrame(x), 0};
        const QPointF at(x, layout.toY(sourceValue(drawn, moment, Axis::x, 0)));
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    p.setPen(QPen(theme::text, 1.3));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path);
    if (keys_.empty()) {
        p.setPen(theme::dim);
        p.setFont(theme::words(11));
        p.drawText(layout.plot.adjusted(0, 0, -8, 0), Qt::AlignRight | Qt::AlignVCenter,
                   tr("No keys yet: it follows the envelope alone. Click to add one."));
    }
    for (std::size_t i = 0; i < keys_.size(); ++i) {
        const bool on = static_cast<int>(i) == selected_;
        p.setPen(QPen(on ? theme::copper : theme::text, 1.5));
        p.setBrush(theme::window);
        const double r = on ? 4.5 : 3.5;
        p.drawRect(QRectF(layout.at(keys_[i]) - QPointF(r, r), QSizeF(2 * r, 2 * r)));
    }
}

void DrawnCanvas::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    dragLayout_ = layOutDrawn(size(), keys_);
    pressed_ = event->position();
    gesture_ = session_.newGesture();
    moved_ = false;
    int key = keyAt(dragLayout_, keys_, pressed_);
    if (key < 0) {
        DrawnKey added{std::round(dragLayout_.toFrame(pressed_.x())),
                       std::clamp(std::round(dragLayout_.toValue(pressed_.y()) * 20) / 20, -1.0, 1.0), Ease::smooth};
        auto keys = keys_;
        keys.push_back(added);
        setKeys(std::move(keys), tr("Key at %1").arg(added.frame), gesture_);
        for (std::size_t i = 0; i < keys_.size(); ++i)
            if (keys_[i].frame == added.frame)
                key = static_cast<int>(i);
    }
    select(key);
    if (key < 0)
        return;
    dragging_ = true;
    grabOffset_ = dragLayout_.at(keys_[static_cast<std::size_t>(key)]) - pressed_;
}

void DrawnCanvas::mouseMoveEvent(QMouseEvent* event)
{
    if (!dragging_ || selected_ < 0)
        return;
    moved_ = moved_ || (event->position() - pressed_).manhattanLength() > 2;
    auto keys = keys_;
    DrawnKey& key = keys[static_cast<std::size_t>(selected_)];
    if (!moved_ || key.frame == 0)
        return;
    const bool fine = (event->modifiers() & Qt::ShiftModifier) != 0;
    const QPointF place = event->position() + grabOffset_;
    const double grid = fine ? 100 : 1;
    double frame = std::round(dragLayout_.toFrame(place.x()) * grid) / grid;
    // Keys keep their order: a key is never dragged onto or past its neighbours.
    const double gap = 1 / grid;
    if (selected_ > 0)
        frame = std::max(frame, keys[static_cast<std::size_t>(selected_) - 1].frame + gap);
    if (selected_ + 1 < static_cast<int>(keys.size()))
        frame = std::min(frame, keys[static_cast<std::size_t>(selected_) + 1].frame - gap);
    key.frame = frame;
    const double steps = fine ? 1000 : 20;
    key.value = std::clamp(std::round(dragLayout_.toValue(place.y()) * steps) / steps, -1.0, 1.0);
    setKeys(std::move(keys), tr("Key at %1, %2 %").arg(key.frame).arg(100 * key.value), gesture_);
    emit selectionChanged();
}

void DrawnCanvas::mouseReleaseEvent(QMouseEvent*)
{
    dragging_ = false;
    update();
}

void DrawnCanvas::keyPressEvent(QKeyEvent* event)
{
    if ((event->key() == Qt::Key_Delete || event->key() == Qt::Key_Backspace) && selected_ >= 0) {
        auto keys = keys_;
        keys.erase(keys.begin() + selected_);
        // The peak's own key goes only with the last of the others.
        if (keys.size() == 1 && keys.front().frame == 0)
            keys.clear();
        select(-1);
        setKeys(std::move(keys), tr("Key deleted"), 0);
        return;
    }
    QWidget::keyPressEvent(event);
}

// --- with its numbers ---

DrawnEditor::DrawnEditor(Session& session, std::size_t strand, QWidget* parent)
    : QWidget(parent), session_(session), canvas_(new DrawnCanvas(session, strand, this)), axis_(new QComboBox(this)),
      frame_(new ValueField(frameField, this)), value_(new ValueField(valueField, this)), ease_(new QComboBox(this))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(3);
    column->addWidget(canvas_);
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    axis_->setObjectName(QStringLiteral("drawn-axis"));
    for (const Axis axis : allAxes)
        axis_->addItem(toQString(axisName(axis)));
    axis_->setToolTip(tr("The axis whose curve is shown; each has its own. Its size is the strand's amount."));
    connect(axis_, &QComboBox::activated, this, [this](int index) {
        canvas_->setAxis(static_cast<Axis>(index));
        refreshKey();
    });
    row->addWidget(axis_);
    for (auto* field : {frame_, value_}) {
        field->gestureSource = [this] { return session_.newGesture(); };
        row->addWidget(dimLabel(field == frame_ ? tr("frame") : tr("value"), this));
        row->addWidget(field);
    }
    frame_->setObjectName(QStringLiteral("drawn-frame"));
    value_->setObjectName(QStringLiteral("drawn-value"));
    connect(frame_, &ValueField::wished, this, [this](double v, quint64 g) {
        changeKey([v](DrawnKey& key) { key.frame = v; }, tr("Key at %1").arg(v), g);
    });
    connect(value_, &ValueField::wished, this, [this](double v, quint64 g) {
        changeKey([v](DrawnKey& key) { key.value = v; }, tr("Key %1 %").arg(100 * v), g);
    });
    ease_->setObjectName(QStringLiteral("drawn-ease"));
    for (const auto word : easeWords)
        ease_->addItem(word == "in" ? tr("eased in") : word == "out" ? tr("eased out") : toQString(word));
    connect(ease_, &QComboBox::activated, this, [this](int index) {
        changeKey([index](DrawnKey& key) { key.ease = static_cast<Ease>(index); },
                  tr("Easing %1").arg(ease_->itemText(index)), 0);
    });
    row->addWidget(ease_);
    row->addStretch(1);
    column->addLayout(row);
    connect(canvas_, &DrawnCanvas::selectionChanged, this, &DrawnEditor::refreshKey);
    // The axis on which it shows most comes first.
    if (const Recipe* recipe = session_.felt(); recipe != nullptr && strand < recipe->strands.size()) {
        const AxisValues& amount = recipe->strands[strand].amount;
        const auto pixels = [&](Axis axis) { // about as many as a picture of 1280 shows
            return std::abs(amount[axis]) * (axis == Axis::zoom ? 640 : axis == Axis::x || axis == Axis::y ? 1 : 11);
        };
        const Axis most =
            *std::max_element(allAxes.begin(), allAxes.end(), [&](Axis a, Axis b) { return pixels(a) < pixels(b); });
        axis_->setCurrentIndex(static_cast<int>(most));
        canvas_->setAxis(most);
    }
    refresh();
}

void DrawnEditor::changeKey(const std::function<void(DrawnKey&)>& change, const QString& result, quint64 gesture)
{
    auto keys = canvas_->keys();
    const int at = canvas_->selected();
    if (at < 0 || at >= static_cast<int>(keys.size()))
        return;
    DrawnKey& key = keys[static_cast<std::size_t>(at)];
    const bool peak = key.frame == 0;
    change(key);
    if (peak) // stays where and what it is
        key.frame = 0;
    const double frame = key.frame;
    canvas_->setKeys(std::move(keys), result, gesture);
    for (std::size_t i = 0; i < canvas_->keys().size(); ++i)
        if (canvas_->keys()[i].frame == frame)
            canvas_->select(static_cast<int>(i));
}

void DrawnEditor::refresh()
{
    canvas_->refresh();
    refreshKey();
}

void DrawnEditor::refreshKey()
{
    const int at = canvas_->selected();
    const bool any = at >= 0 && at < static_cast<int>(canvas_->keys().size());
    const QString reason = any ? QString() : tr("Click a key of the curve first");
    const bool peak = any && canvas_->keys()[static_cast<std::size_t>(at)].frame == 0;
    const QString fixed = peak ? tr("The key on the peak stays there, at 100 %") : reason;
    frame_->setBarred(fixed);
    value_->setBarred(fixed);
    ease_->setEnabled(any);
    ease_->setToolTip(any ? tr("How the curve goes on to the next key") : reason);
    if (!any)
        return;
    const DrawnKey& key = canvas_->keys()[static_cast<std::size_t>(at)];
    frame_->setValue(key.frame);
    value_->setValue(key.value);
    ease_->setCurrentIndex(static_cast<int>(key.ease));
}

} // namespace ember::app
