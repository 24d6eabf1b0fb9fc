// SPDX-License-Identifier: GPL-3.0-or-later
#include "strand_row.h"

#include <algorithm>
#include <cmath>

#include <QGridLayout>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolButton>

#include "ember/core/values.h"
#include "form.h"
#include "recipe_trace.h"
#include "strand_details.h"
#include "style.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

constexpr int traceSteps = 110;
constexpr double traceWidth = 130;
constexpr int headHeight = 24;

} // namespace

QString strandSummary(const Strand& strand)
{
    const QString kind = toQString(sourceWords[strand.source.index()]);
    const auto hertz = [](double v) { return QString::number(v, 'g', 3); };
    if (const auto* jitter = std::get_if<Jitter>(&strand.source))
        return jitter->every == 1 ? StrandRow::tr("jitter, every frame")
                                  : StrandRow::tr("jitter, every %1 frames").arg(jitter->every);
    if (std::holds_alternative<Drawn>(strand.source))
        return kind;
    if (const auto* captured = std::get_if<Captured>(&strand.source))
        return captured->motion.empty()
                   ? StrandRow::tr("captured, no motion chosen")
                   : StrandRow::tr("captured, %1").arg(QString::fromStdString(captured->motion.kept().name));
    if (const auto* kick = std::get_if<Kick>(&strand.source))
        return StrandRow::tr("kick, %1 Hz, damping %2").arg(hertz(strand.rate.peakHz)).arg(kick->damping);
    if (const auto* swing = std::get_if<Oscillation>(&strand.source))
        return StrandRow::tr("%1, %2 to %3 Hz")
            .arg(swing->wave == Wave::sine       ? StrandRow::tr("sine")
                 : swing->wave == Wave::triangle ? StrandRow::tr("triangle")
                                                 : StrandRow::tr("square"),
                 hertz(strand.rate.peakHz), hertz(strand.rate.restHz));
    return StrandRow::tr("%1, %2 to %3 Hz").arg(kind, hertz(strand.rate.peakHz), hertz(strand.rate.restHz));
}

StrandRow::StrandRow(Session& session, std::size_t index, QWidget* parent)
    : QWidget(parent), session_(session), index_(index), name_(new QLabel(this)), about_(new QLabel(this)),
      open_(new QToolButton(this)), solo_(new QToolButton(this)), mute_(new QToolButton(this)),
      column_(new QVBoxLayout(this))
{
    setObjectName(QStringLiteral("strand-%1").arg(index));
    column_->setContentsMargins(10, 3, 8, 2);
    column_->setSpacing(2);
    auto* head = newRow(4);
    name_->setFont(theme::words(13, true));
    about_->setFont(theme::words(11));
    theme::setDim(*about_);
    about_->setMinimumWidth(20); // cut where there is no room; the tooltip has it all
    head->addWidget(name_);
    head->addWidget(about_, 1);
    head->addSpacing(static_cast<int>(traceWidth) + 10);
    const auto button = [&](QToolButton* made, const QString& text, const QString& tip, const char* name) {
        made->setText(text);
        made->setToolTip(tip);
        made->setObjectName(QLatin1String(name));
        made->setCheckable(true);
        made->setFont(theme::words(11));
        setLook(*made, Look::tight);
        head->addWidget(made);
    };
    button(solo_, tr("Solo"), tr("Feel only solo strands of this recipe"), "solo");
    button(mute_, tr("Mute"), tr("Leave this strand out"), "mute");
    button(open_, tr("More"), tr("Everything of this strand: source, rates, rests, own envelope, order"),
           "open-strand");
    open_->setFixedWidth(44); // alike with either of its words
    column_->addLayout(head);
    auto* amounts = newRow(2);
    for (const Axis axis : allAxes) {
        const std::string axisKey = "amount." + std::string(axisName(axis));
        const auto* found = fieldOf<Strand>(axisKey);
        auto* label = dimLabel(toQString(found->spec->label), this);
        label->setFont(theme::words(11));
        auto* field = new ValueField(*found->spec, this);
        field->setObjectName(QStringLiteral("amount-") + label->text());
        field->setFixedWidth(axis == Axis::x || axis == Axis::y ? 72 : 62);
        field->gestureSource = [this] { return session_.document.newGesture(); };
        field->resetAction = [this, axisKey] { session_.shaping.reset(key(axisKey.c_str())); };
        connect(field, &ValueField::wished, this, [this, axisKey](double value, quint64 gesture) {
            session_.shaping.set({{key(axisKey.c_str()), value}}, gesture);
        });
        amounts->addWidget(label);
        amounts->addWidget(field);
        amounts_[static_cast<std::size_t>(axis)] = field;
    }
    amounts->addStretch(1);
    column_->addLayout(amounts);
    connect(mute_, &QToolButton::clicked, this, [this](bool on) {
        session_.shaping.set({{key("muted"), on ? 1 : 0}}, 0);
    });
    connect(solo_, &QToolButton::clicked, this, [this](bool on) {
        session_.shaping.set({{key("solo"), on ? 1 : 0}}, 0);
    });
    connect(open_, &QToolButton::clicked, this, [this](bool on) {
        const Strand* s = strand();
        session_.shaping.setOpenStrand(on && s != nullptr ? s->name : std::string());
    });
    refresh();
}

const Strand* StrandRow::strand() const
{
    const Recipe* recipe = session_.shaping.felt();
    return recipe != nullptr && index_ < recipe->strands.size() ? &recipe->strands[index_] : nullptr;
}

std::string StrandRow::key(const char* value) const
{
    const Strand* s = strand();
    return "strand." + (s != nullptr ? s->name : std::string()) + "." + value;
}

void StrandRow::refresh()
{
    const Strand* s = strand();
    if (s == nullptr)
        return;
    name_->setText(QString::fromStdString(s->name));
    about_->setText(strandSummary(*s));
    about_->setToolTip(about_->text());
    mute_->setChecked(s->muted);
    mute_->setText(session_.shaping.isOwn(key("muted")) ? tr("Mute *") : tr("Mute"));
    solo_->setChecked(s->solo);
    for (const Axis axis : allAxes) {
        ValueField* field = amounts_[static_cast<std::size_t>(axis)];
        field->setValue(s->amount[axis]);
        field->setOwn(session_.shaping.isOwn(key(("amount." + std::string(axisName(axis))).c_str())));
    }
    const bool open = session_.shaping.openStrand() == s->name;
    open_->setChecked(open);
    open_->setText(open ? tr("Less") : tr("More"));
    if (open && details_ == nullptr) {
        details_ = new StrandDetails(session_, index_, this);
        column_->addWidget(details_);
        emit opened();
    } else if (!open && details_ != nullptr) {
        details_->deleteLater();
        details_->hide();
        details_ = nullptr;
    }
    if (details_ != nullptr)
        details_->refresh();
    refreshTrace(*s);
}

void StrandRow::refreshTrace(const Strand& strand)
{
    // This strand alone, at full strength, on the axis that moves most; made again only when it is another.
    const Strike* selected = session_.document.project().strike(session_.selection.ids().front());
    Recipe recipe = *session_.shaping.felt();
    recipe.strands = {strand};
    recipe.strands[0].muted = false;
    recipe.strands[0].solo = false;
    recipe.seed = recipe.variation == Variation::same ? recipe.seed : selected->seed;
    recipe.variation = Variation::same;
    recipe.id = 1;
    const double rate = session_.document.project().rate.perSecond();
    if (recipe == traced_ && rate == tracedRate_ && !trace_.empty())
        return;
    traced_ = recipe;
    tracedRate_ = rate;
    Project alone = strikeAlone(session_.document.project(), recipe, 0);
    const bool sideways = std::abs(strand.amount[Axis::x]) > std::abs(strand.amount[Axis::y]);
    if (sideways) // the axis that is drawn is the one the blow goes along
        alone.strikes[0].direction = 0;
    const Motion motion(alone);
    const double end = motion.spans().empty() ? 1 : std::min(motion.spans().front().end, 60.0);
    trace_.clear();
    double largest = 1e-9;
    for (int i = 0; i <= traceSteps; ++i) {
        const Pose pose = motion.poseAt(-1 + (end + 1) * i / traceSteps);
        double value = sideways ? pose.x : pose.y;
        if (strand.amount[Axis::x] == 0 && strand.amount[Axis::y] == 0)
            value = strand.amount[Axis::roll] != 0   ? pose.roll
                    : strand.amount[Axis::zoom] != 0 ? 1 - pose.zoom
                    : strand.amount[Axis::pan] != 0  ? pose.pan
                                                     : pose.tilt;
        trace_.push_back(value);
        largest = std::max(largest, std::abs(value));
    }
    for (double& value : trace_)
        value /= largest;
    update();
}

void StrandRow::mousePressEvent(QMouseEvent* event)
{
    if (event->button() == Qt::LeftButton && event->position().y() < headHeight)
        open_->click();
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
    const double left = solo_->x() - 8 - traceWidth;
    const double middle = name_->geometry().center().y() + 1;
    QPainterPath path;
    for (std::size_t i = 0; i < trace_.size(); ++i) {
        const QPointF at(left + traceWidth * static_cast<double>(i) / traceSteps, middle + 9 * trace_[i]);
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    const Strand* s = strand();
    p.setPen(QPen(s != nullptr && s->muted ? theme::faint : theme::text, 1));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path);
}

} // namespace ember::app
