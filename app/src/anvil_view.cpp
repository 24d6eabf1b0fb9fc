// SPDX-License-Identifier: GPL-3.0-or-later
#include "anvil_view.h"

#include <algorithm>
#include <cmath>

#include <QHBoxLayout>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>

#include "anvil_painter.h"
#include "ember/render/frame.h"
#include "text.h"
#include "theme.h"
#include "value_field.h"

namespace ember::app {

// --- canvas ---

AnvilCanvas::AnvilCanvas(Session& session, QWidget* parent) : QWidget(parent), session_(session)
{
    setObjectName(QStringLiteral("anvil"));
    setMouseTracking(true);
    connect(&session_, &Session::projectChanged, this, &AnvilCanvas::repaintAll);
    connect(&session_, &Session::selectionChanged, this, &AnvilCanvas::repaintAll);
    connect(&session_, &Session::playheadChanged, this, [this] { update(); });
    connect(&session_.thumbs(), &ThumbStore::ready, this, [this](qint64 frame) {
        // Most thumbs are the Reel's.
        const Strike* strike = session_.selectedStrike();
        if (strike == nullptr)
            return;
        const AnvilLayout layout = layoutNow();
        const auto from = static_cast<double>(frame - strike->frame.index);
        if (from >= layout.map.firstFrame && from <= layout.map.lastFrame)
            repaintAll();
    });
}

void AnvilCanvas::repaintAll()
{
    paper_.spoil();
    update();
}

void AnvilCanvas::setEven(bool even)
{
    even_ = even;
    repaintAll();
}

Envelope AnvilCanvas::envelope() const
{
    const Strike* strike = session_.selectedStrike();
    return strike != nullptr ? envelopeOf(session_.project(), *strike) : Envelope();
}

AnvilLayout AnvilCanvas::layoutNow() const
{
    return gesture_ == Gesture::handle ? dragLayout_ : layOutAnvil(size(), envelope(), even_);
}

void AnvilCanvas::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::window);
    const Strike* strike = session_.selectedStrike();
    if (strike == nullptr) {
        painter.setFont(theme::words(13));
        painter.setPen(theme::dim);
        const auto count = session_.selection().size();
        QString text = tr("Select a strike on the Reel to shape it here.");
        if (count > 1)
            text = tr("%1 strikes are selected. Select one to shape it here.").arg(count);
        else if (session_.project().strikes.empty())
            text = session_.hasClip() ? tr("Step to the first frame of contact and press S: the strike is shaped here.")
                                      : tr("A strike is shaped here, with the film frames under its curve.");
        painter.drawText(rect(), Qt::AlignCenter, text);
        return;
    }
    const Project& project = session_.project();
    const AnvilLayout layout = layoutNow();
    const Envelope shape = envelope();
    const double ratio = devicePixelRatioF();
    const auto thumbHeight =
        std::clamp(static_cast<int>(std::lround((layout.frames.height() - 19) * ratio)), 8, ThumbStore::thumbHeight);
    const double shapeRatio = std::clamp(static_cast<double>(project.width) / project.height, 0.4, 3.0);
    const auto thumbWidth = std::max(8, static_cast<int>(std::lround(thumbHeight * shapeRatio)));
    const auto shaken = [&](std::int64_t frame) -> ImagePtr {
        const ImagePtr thumb = session_.thumbs().thumb(frame);
        if (!thumb)
            return nullptr;
        return renderFrame(thumb,
                           lookOf(project, session_.cover(), session_.motion().poseAt(static_cast<double>(frame))),
                           thumbWidth, thumbHeight);
    };
    const AnvilPicture picture{shape,
                               session_.motion(),
                               strike->frame.index,
                               strike->strength,
                               session_.playhead(),
                               session_.length(),
                               hovered_,
                               dragged_,
                               shapeRatio,
                               shaken};
    painter.drawPixmap(0, 0, paper_.picture(*this, [&](QPixmap& paper) {
        paper.fill(theme::window);
        QPainter ink(&paper);
        paintAnvilPaper(ink, layout, picture);
    }));
    paintAnvilPlayhead(painter, layout, picture);
}

void AnvilCanvas::scrubTo(double x)
{
    if (const Strike* strike = session_.selectedStrike())
        session_.setPlayhead(strike->frame.index + std::llround(layoutNow().map.toFrame(x)));
}

void AnvilCanvas::mousePressEvent(QMouseEvent* event)
{
    const Strike* strike = session_.selectedStrike();
    if (event->button() != Qt::LeftButton || strike == nullptr)
        return;
    pressed_ = event->position();
    moved_ = false;
    dragLayout_ = layoutNow();
    dragEnvelope_ = envelope();
    dragged_ = handleAt(dragLayout_, dragEnvelope_, pressed_);
    if (dragged_ == Handle::none) {
        gesture_ = Gesture::scrub;
        scrubTo(pressed_.x());
        return;
    }
    gesture_ = Gesture::handle;
    documentGesture_ = session_.newGesture();
    for (const HandlePoint& point : handlePoints(dragLayout_, dragEnvelope_))
        if (point.handle == dragged_)
            grabOffset_ = point.at - pressed_;
    repaintAll();
}

void AnvilCanvas::mouseMoveEvent(QMouseEvent* event)
{
    const bool fine = (event->modifiers() & Qt::ShiftModifier) != 0;
    switch (gesture_) {
    case Gesture::scrub: scrubTo(event->position().x()); break;
    case Gesture::handle:
        moved_ = moved_ || (event->position() - pressed_).manhattanLength() > 2;
        if (moved_)
            dragTo(event->position() + grabOffset_, fine);
        break;
    case Gesture::none: {
        const Handle over =
            session_.selectedStrike() != nullptr ? handleAt(layoutNow(), envelope(), event->position()) : Handle::none;
        if (over != hovered_) {
            hovered_ = over;
            setCursor(over == Handle::none                              ? Qt::ArrowCursor
                      : over == Handle::curve                           ? Qt::SizeVerCursor
                      : over == Handle::decay || over == Handle::rumble ? Qt::SizeAllCursor
                                                                        : Qt::SizeHorCursor);
            repaintAll();
        }
        break;
    }
    }
}

void AnvilCanvas::dragTo(QPointF place, bool fine)
{
    const Strike* strike = session_.selectedStrike();
    if (strike == nullptr)
        return;
    Project next = session_.project();
    QStringList told;
    for (const auto& [field, value] : dragHandle(dragLayout_, dragEnvelope_, dragged_, place, fine)) {
        if (value == dragEnvelope_[field] && value == envelope()[field])
            continue;
        next = withEnvelopeValue(std::move(next), strike->id, field, value, session_.shapeScope());
        const FieldSpec& spec = specOf(field);
        const QString unit = toQString(spec.unit);
        told << QStringLiteral("%1 %2 %3")
                    .arg(toQString(spec.label))
                    .arg(spec.unit == "%" ? value * 100 : value)
                    .arg(unit)
                    .trimmed();
    }
    session_.edit(std::move(next), told.join(QStringLiteral(", ")), documentGesture_);
}

void AnvilCanvas::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    gesture_ = Gesture::none;
    dragged_ = Handle::none;
    repaintAll();
}

void AnvilCanvas::leaveEvent(QEvent*)
{
    hovered_ = Handle::none;
    repaintAll();
}

// --- the whole ---

AnvilView::AnvilView(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), canvas_(new AnvilCanvas(session, this)), title_(new QLabel(this)),
      scope_(new QPushButton(this)), axis_(new QPushButton(tr("Stretched near the strike"), this)),
      restore_(new QPushButton(tr("Follow recipe"), this))
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(12, 3, 12, 0);
    row->setSpacing(4);
    auto* name = new QLabel(tr("Anvil"), this);
    name->setFont(theme::words(13, true));
    row->addWidget(name);
    row->addSpacing(6);
    title_->setStyleSheet(QStringLiteral("color: #9a8f80"));
    row->addWidget(title_);
    row->addStretch(1);
    using F = EnvelopeField;
    for (const F field : {F::attack, F::hold, F::decay, F::decayCurve, F::rumble, F::rumbleLength, F::release}) {
        const FieldSpec& spec = specOf(field);
        auto* label = new QLabel(field == F::decayCurve     ? tr("Curve")
                                 : field == F::rumbleLength ? tr("for")
                                                            : toQString(spec.label),
                                 this);
        label->setStyleSheet(QStringLiteral("color: #9a8f80"));
        label->setFont(theme::words(12));
        auto* value = new ValueField(spec, this);
        value->setObjectName(QStringLiteral("envelope-") + toQString(spec.key));
        value->setFixedWidth(field == F::rumble ? 52 : 44);
        value->gestureSource = [this] { return session_.newGesture(); };
        connect(value, &ValueField::wished, this, [this, field](double wanted, quint64 gesture) {
            const Strike* strike = session_.selectedStrike();
            if (strike == nullptr)
                return;
            const FieldSpec& s = specOf(field);
            session_.edit(withEnvelopeValue(session_.project(), strike->id, field, wanted, session_.shapeScope()),
                          QStringLiteral("%1 %2").arg(toQString(s.label)).arg(s.unit == "%" ? wanted * 100 : wanted),
                          gesture);
        });
        row->addWidget(label);
        row->addWidget(value);
        fields_[field] = value;
    }
    row->addSpacing(6);
    scope_->setObjectName(QStringLiteral("shape-scope"));
    scope_->setCheckable(true);
    connect(scope_, &QPushButton::toggled, this,
            [this](bool alone) { session_.setShapeScope(alone ? ShapeScope::strike : ShapeScope::recipe); });
    row->addWidget(scope_);
    restore_->setObjectName(QStringLiteral("follow-recipe"));
    restore_->setToolTip(tr("Gives the values marked * back to the recipe"));
    connect(restore_, &QPushButton::clicked, this, [this] {
        session_.edit(withoutOverrides(session_.project(), session_.selection()),
                      tr("The strike follows its recipe again"));
    });
    row->addWidget(restore_);
    axis_->setObjectName(QStringLiteral("axis-even"));
    axis_->setCheckable(true);
    axis_->setToolTip(tr("How frames are spread along the Anvil: wide near the strike, or all alike"));
    connect(axis_, &QPushButton::toggled, this, [this](bool even) {
        canvas_->setEven(even);
        axis_->setText(even ? tr("Even") : tr("Stretched"));
    });
    axis_->setText(tr("Stretched"));
    row->addWidget(axis_);

    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addLayout(row);
    column->addWidget(canvas_, 1);
    connect(&session_, &Session::projectChanged, this, &AnvilView::refresh);
    connect(&session_, &Session::selectionChanged, this, &AnvilView::refresh);
    connect(&session_, &Session::scopeChanged, this, &AnvilView::refresh);
    refresh();
}

void AnvilView::refresh()
{
    const Strike* strike = session_.selectedStrike();
    const Project& project = session_.project();
    scope_->setChecked(session_.shapeScope() == ShapeScope::strike);
    scope_->setEnabled(strike != nullptr);
    restore_->setVisible(strike != nullptr && !strike->overrides.empty());
    const QString reason = strike != nullptr ? QString() : tr("Select one strike to shape it");
    for (const auto& [field, value] : fields_)
        value->setBarred(reason);
    scope_->setToolTip(strike == nullptr
                           ? reason
                           : tr("Whom changes of the shape are for: the recipe and every strike that uses it, or this "
                                "strike alone"));
    if (strike == nullptr) {
        title_->setText(tr("no strike selected"));
        scope_->setText(tr("For the recipe"));
        return;
    }
    const Envelope envelope = envelopeOf(project, *strike);
    for (const auto& [field, value] : fields_) {
        value->setValue(envelope[field]);
        value->setOwn(strike->overrides[field].has_value());
    }
    const Recipe* recipe = project.recipe(strike->recipe);
    title_->setText(tr("%1, frames from the strike").arg(strikeTitle(*strike)));
    const auto users = std::count_if(project.strikes.begin(), project.strikes.end(),
                                     [&](const Strike& s) { return s.recipe == strike->recipe; });
    scope_->setText(session_.shapeScope() == ShapeScope::strike ? tr("For this strike")
                    : recipe == nullptr                         ? tr("For the recipe")
                                        : tr("For %1 (%2)").arg(QString::fromStdString(recipe->name)).arg(users));
}

} // namespace ember::app
