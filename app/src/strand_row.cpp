// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>

#include <QGridLayout>
#include <QLabel>
#include <QPainter>
#include <QPainterPath>
#include <QToolButton>

#include "side_column.h"
#include "text.h"
#include "theme.h"
#include "value_field.h"

namespace ember::app {

namespace {

constexpr std::array<Axis, 4> shownAxes{Axis::x, Axis::y, Axis::roll, Axis::zoom};
const std::array<FieldSpec, 4> amountSpecs{{
    {"x", "x", "px", -4000, 4000, 0, 1, "Largest way sideways at strength 100 %, for every strike of this recipe"},
    {"y", "y", "px", -4000, 4000, 0, 1, "Largest way up and down at strength 100 %, for every strike of this recipe"},
    {"roll", "roll", "°", -180, 180, 0, 0.1, "Largest turn at strength 100 %, for every strike of this recipe"},
    {"zoom", "zoom", "%", -2, 2, 0, 0.01, "Largest push at strength 100 %, for every strike of this recipe"},
}};
constexpr int traceWidth = 110;

} // namespace

StrandRow::StrandRow(Session& session, std::size_t index, QWidget* parent)
    : QWidget(parent), session_(session), index_(index), name_(new QLabel(this)), about_(new QLabel(this)),
      solo_(new QToolButton(this)), mute_(new QToolButton(this))
{
    setObjectName(QStringLiteral("strand-%1").arg(index));
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(10, 4, 8, 3);
    grid->setHorizontalSpacing(3);
    grid->setVerticalSpacing(1);
    name_->setFont(theme::words(13, true));
    about_->setFont(theme::words(11));
    about_->setStyleSheet(QStringLiteral("color: #9a8f80"));
    grid->addWidget(name_, 0, 0, 1, 2);
    grid->addWidget(about_, 0, 2, 1, 3);
    grid->setColumnStretch(5, 1);
    for (auto* button : {solo_, mute_}) {
        button->setCheckable(true);
        button->setFont(theme::words(11));
        button->setStyleSheet(QStringLiteral("QToolButton { padding: 0 5px; }"));
    }
    solo_->setText(tr("Solo"));
    solo_->setToolTip(tr("Feel only solo strands of this recipe"));
    solo_->setObjectName(QStringLiteral("solo"));
    mute_->setText(tr("Mute"));
    mute_->setToolTip(tr("Leave this strand out"));
    mute_->setObjectName(QStringLiteral("mute"));
    grid->addWidget(solo_, 0, 6);
    grid->addWidget(mute_, 0, 7);
    auto* amounts = new QHBoxLayout;
    amounts->setSpacing(2);
    for (std::size_t i = 0; i < shownAxes.size(); ++i) {
        auto* label = new QLabel(toQString(amountSpecs[i].label), this);
        label->setFont(theme::words(11));
        label->setStyleSheet(QStringLiteral("color: #9a8f80"));
        auto* field = new ValueField(amountSpecs[i], this);
        field->setObjectName(QStringLiteral("amount-") + label->text());
        field->setFixedWidth(i < 2 ? 64 : 50);
        field->gestureSource = [this] { return session_.newGesture(); };
        const Axis axis = shownAxes[i];
        connect(field, &ValueField::wished, this, [this, axis, label](double value, quint64 gesture) {
            change([&](Strand& s) { s.amount[axis] = value; },
                   tr("%1 %2 %3").arg(name_->text(), label->text()).arg(axis == Axis::zoom ? value * 100 : value),
                   gesture);
        });
        amounts->addWidget(label);
        amounts->addWidget(field);
        amounts_[i] = field;
    }
    amounts->addStretch(1);
    grid->addLayout(amounts, 1, 0, 1, 8);
    connect(mute_, &QToolButton::clicked, this, [this](bool on) {
        change([on](Strand& s) { s.muted = on; },
               on ? tr("%1 muted").arg(name_->text()) : tr("%1 felt again").arg(name_->text()));
    });
    connect(solo_, &QToolButton::clicked, this, [this](bool on) {
        change([on](Strand& s) { s.solo = on; },
               on ? tr("%1 alone").arg(name_->text()) : tr("%1 with the others").arg(name_->text()));
    });
    refresh();
}

const Strand* StrandRow::strand() const
{
    const Strike* strike = session_.selectedStrike();
    const Recipe* recipe = strike != nullptr ? session_.project().recipe(strike->recipe) : nullptr;
    return recipe != nullptr && index_ < recipe->strands.size() ? &recipe->strands[index_] : nullptr;
}

template <typename Change>
void StrandRow::change(Change&& change, const QString& result, Document::Gesture gesture)
{
    const Strike* strike = session_.selectedStrike();
    Project next = session_.project();
    Recipe* recipe = strike != nullptr ? next.recipe(strike->recipe) : nullptr;
    if (recipe == nullptr || index_ >= recipe->strands.size())
        return;
    change(recipe->strands[index_]);
    session_.edit(std::move(next), result, gesture);
}

void StrandRow::refresh()
{
    const Strand* s = strand();
    if (s == nullptr)
        return;
    name_->setText(QString::fromStdString(s->name));
    const auto hertz = [](double v) { return QString::number(v, 'g', 3); };
    if (const auto* kick = std::get_if<Kick>(&s->source))
        about_->setText(tr("kick, %1 Hz, damping %2").arg(hertz(s->rate.peakHz)).arg(kick->damping));
    else
        about_->setText(
            tr("%3, %1 to %2 Hz")
                .arg(hertz(s->rate.peakHz), hertz(s->rate.restHz), toQString(sourceWords[s->source.index()])));
    mute_->setChecked(s->muted);
    solo_->setChecked(s->solo);
    for (std::size_t i = 0; i < shownAxes.size(); ++i)
        amounts_[i]->setValue(s->amount[shownAxes[i]]);
    // Its own trace: this strand alone, on the axis that moves most.
    Project alone = onlyStrike(session_.project(), session_.selectedStrike()->id);
    Strike& strike = alone.strikes.front();
    Recipe& recipe = *alone.recipe(strike.recipe);
    Strand only = *s;
    only.muted = false;
    recipe.strands = {only};
    strike.frame = Frame{0};
    const Motion motion(alone);
    const double end = std::min(envelopeOf(alone, strike).end(), 60.0);
    trace_.clear();
    double largest = 1e-9;
    for (int i = 0; i <= traceWidth; ++i) {
        const Pose pose = motion.poseAt(-1 + (end + 1) * i / traceWidth);
        const double way = std::abs(only.amount[Axis::y]) >= std::abs(only.amount[Axis::x]) ? pose.y : pose.x;
        const double value = only.amount[Axis::x] != 0 || only.amount[Axis::y] != 0 ? way
                             : only.amount[Axis::roll] != 0                         ? pose.roll
                                                                                    : -(pose.zoom - 1);
        trace_.push_back(value);
        largest = std::max(largest, std::abs(value));
    }
    for (double& value : trace_)
        value /= largest;
    update();
}

void StrandRow::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(theme::line);
    p.setBrush(theme::panel);
    p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 4, 4);
    if (trace_.empty())
        return;
    const double left = solo_->x() - 8 - traceWidth * 0.72;
    const double middle = name_->geometry().center().y() + 1;
    QPainterPath path;
    for (std::size_t i = 0; i < trace_.size(); ++i) {
        const QPointF at(left + 0.72 * static_cast<double>(i), middle + 9 * trace_[i]);
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    const Strand* s = strand();
    p.setPen(QPen(s != nullptr && s->muted ? theme::faint : theme::text, 1));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path);
}

} // namespace ember::app
