// SPDX-License-Identifier: GPL-3.0-or-later
#include "strand_panel.h"

#include <algorithm>
#include <cmath>

#include <QCheckBox>
#include <QLabel>
#include <QToolButton>

#include "bars.h"
#include "ember/core/values.h"
#include "form.h"
#include "strand_details.h"
#include "style.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

/// What a whole bar stands for: an amount that is seldom passed. Pixels go with the frame's width.
double fullBar(Axis axis, int width)
{
    switch (axis) {
    case Axis::x:
    case Axis::y: return std::max(8.0, std::round(60.0 * width / 1280));
    case Axis::zoom: return 0.3;
    default: return 6;
    }
}

} // namespace

QString strandSummary(const Strand& strand)
{
    QString kind = ours(sourceWords[strand.source.index()]);
    const auto hertz = [](double v) { return QString::number(v, 'g', 3); };
    if (const auto* jitter = std::get_if<Jitter>(&strand.source))
        return jitter->every == 1 ? StrandPanel::tr("jitter, every frame")
                                  : StrandPanel::tr("jitter, every %1 frames").arg(jitter->every);
    if (std::holds_alternative<Drawn>(strand.source))
        return kind;
    if (const auto* captured = std::get_if<Captured>(&strand.source))
        return captured->motion.empty()
                   ? StrandPanel::tr("captured, no motion chosen")
                   : StrandPanel::tr("captured, %1").arg(QString::fromStdString(captured->motion.kept().name));
    if (const auto* kick = std::get_if<Kick>(&strand.source))
        return StrandPanel::tr("kick, %1 Hz, damping %2").arg(hertz(strand.rate.peakHz)).arg(kick->damping);
    if (const auto* swing = std::get_if<Oscillation>(&strand.source))
        return StrandPanel::tr("%1, %2 to %3 Hz")
            .arg(swing->wave == Wave::sine       ? StrandPanel::tr("sine")
                 : swing->wave == Wave::triangle ? StrandPanel::tr("triangle")
                                                 : StrandPanel::tr("square"),
                 hertz(strand.rate.peakHz), hertz(strand.rate.restHz));
    return StrandPanel::tr("%1, %2 to %3 Hz").arg(kind, hertz(strand.rate.peakHz), hertz(strand.rate.restHz));
}

StrandPanel::StrandPanel(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), column_(newColumn(this, 3, {0, 4, 0, 2}))
{
    setObjectName(QStringLiteral("strand"));
    buildHead();
    buildAxes();
    speedPlace_ = newColumn(0);
    column_->addLayout(speedPlace_);
    refresh();
}

void StrandPanel::buildHead()
{
    auto* head = newRow(6);
    name_ = new QLabel(this);
    name_->setFont(theme::words(14, true));
    about_ = dimLabel({}, this);
    about_->setFont(theme::words(11));
    about_->setMinimumWidth(20); // cut where there is no room; the tooltip has it all
    head->addWidget(name_);
    head->addWidget(about_, 1);
    const auto toggle = [&](const QString& text, const QString& tip, const char* name) {
        auto* made = new QCheckBox(text, this);
        made->setToolTip(tip);
        made->setObjectName(QLatin1String(name));
        made->setFont(theme::words(11));
        head->addWidget(made);
        return made;
    };
    on_ = toggle(tr("on"), tr("Off: this strand is left out"), "strand-on");
    more_ = new QToolButton(this);
    more_->setObjectName(QStringLiteral("open-strand"));
    more_->setToolTip(tr("Everything of this strand: source, rates, rests, own envelope, order"));
    more_->setFont(theme::words(11));
    more_->setText(tr("More"));
    setLook(*more_, Look::tight);
    head->addWidget(more_);
    column_->addLayout(head);
    connect(on_, &QCheckBox::clicked, this, [this](bool on) { session_.shaping.set({{key("muted"), on ? 0 : 1}}, 0); });
    connect(more_, &QToolButton::clicked, this, [this] {
        if (const Strand* s = strand())
            session_.shaping.setOpenStrand(s->name);
        setMore(!open_);
    });
}

void StrandPanel::buildAxes()
{
    others_ = new QWidget(this);
    auto* others = newRow(others_, 2, {0, 0, 0, 0});
    auto* plus = dimLabel(tr("+"), others_);
    others->addWidget(plus);
    for (const Axis axis : allAxes) {
        const std::string axisKey = "amount." + std::string(axisName(axis));
        const FieldSpec& spec = *fieldOf<Strand>(axisKey)->spec;
        const QString name = ours(spec.label);
        const QString plain = toQString(axisName(axis));
        AxisRow& made = axes_[static_cast<std::size_t>(axis)];
        made.row = new QWidget(this);
        auto* row = newRow(made.row, 6, {0, 0, 0, 0});
        auto* label = dimLabel(name, made.row);
        label->setMinimumWidth(34);
        row->addWidget(label);
        made.bar = new AmountBar(fullBar(axis, 1280), made.row);
        made.bar->setObjectName(QStringLiteral("bar-") + plain);
        made.bar->setToolTip(tr("How far it goes on %1 at strength 100 %. Drag; Shift for small steps, Escape takes it "
                                "back.")
                                 .arg(name));
        row->addWidget(made.bar, 1);
        made.field = new ValueField(spec, made.row);
        made.field->setObjectName(QStringLiteral("amount-") + plain);
        made.field->setFixedWidth(78);
        row->addWidget(made.field);
        const auto gesture = [this] { return session_.document.newGesture(); };
        made.bar->gestureSource = gesture;
        made.field->gestureSource = gesture;
        made.field->resetAction = [this, axisKey] { session_.shaping.reset(key(axisKey)); };
        const auto set = [this, axisKey](double value, quint64 of) {
            session_.shaping.set({{key(axisKey), value}}, of);
        };
        connect(made.bar, &AmountBar::wished, this, set);
        connect(made.bar, &AmountBar::abandoned, &session_.document, &OpenDocument::abandon);
        connect(made.field, &ValueField::wished, this, set);
        column_->addWidget(made.row);
        made.add = new QToolButton(others_);
        made.add->setText(name);
        made.add->setObjectName(QStringLiteral("add-") + plain);
        made.add->setToolTip(tr("Lets it move on %1 too").arg(name));
        made.add->setFont(theme::words(11));
        setLook(*made.add, Look::flat);
        others->addWidget(made.add);
        connect(made.add, &QToolButton::clicked, this, [this, axis] {
            asked_.insert(axis);
            refresh();
        });
    }
    others->addStretch(1);
    column_->addWidget(others_);
}

void StrandPanel::buildSpeed(const Strand& strand)
{
    if (speedFor_ == strand.source.index())
        return;
    speedFor_ = strand.source.index();
    if (speed_ != nullptr) {
        speed_->hide();
        speed_->deleteLater(); // one of its own fields may have asked for this
    }
    const auto prefix = [this] { return key({}); };
    speed_ = new ControlGrid(session_.document, session_.shaping, recipeBinding(session_.shaping, prefix), 3, this);
    const bool paced = std::holds_alternative<Jitter>(strand.source) || std::holds_alternative<Captured>(strand.source);
    const auto add = [&](const char* value, const QString& label) {
        if (const auto* field = fieldIn(strand, value))
            speed_->add(value, *field->spec, label);
    };
    if (!std::holds_alternative<Drawn>(strand.source)) {
        add("rate", paced ? tr("Pace") : tr("Speed"));
        add("rate_rest", tr("falls to"));
    }
    speedPlace_->addWidget(speed_);
}

const Strand* StrandPanel::strand() const
{
    const Recipe* recipe = session_.shaping.felt();
    return recipe != nullptr ? recipe->strand(session_.shaping.shownStrand()) : nullptr;
}

std::string StrandPanel::key(const std::string& value) const
{
    return "strand." + session_.shaping.shownStrand() + "." + value;
}

void StrandPanel::setMore(bool more)
{
    if (more == open_)
        return;
    open_ = more;
    refresh();
    if (open_)
        emit opened();
}

void StrandPanel::refreshAxes(const Strand& strand)
{
    bool any = false;
    for (const Axis axis : allAxes) {
        const AxisRow& row = axes_[static_cast<std::size_t>(axis)];
        const double amount = strand.amount[axis];
        const bool shown =
            amount != 0 || asked_.contains(axis) || row.field->hasFocus() || row.field == ValueField::beingTyped();
        row.row->setVisible(shown);
        const bool seldom = axis == Axis::pan || axis == Axis::tilt;
        row.add->setVisible(!shown && (open_ || !seldom));
        any = any || !shown;
        row.bar->setFull(fullBar(axis, session_.document.project().width));
        row.bar->setValue(amount);
        row.field->setValue(amount);
        row.field->setOwn(session_.shaping.isOwn(key("amount." + std::string(axisName(axis)))));
    }
    others_->setVisible(any);
}

void StrandPanel::refreshDetails(const Strand& strand)
{
    // Keys and a camera's motion are what such a strand is: they are not hidden.
    const bool always = std::holds_alternative<Drawn>(strand.source) || std::holds_alternative<Captured>(strand.source);
    const bool shown = open_ || always;
    more_->setText(open_ ? tr("Less") : tr("More"));
    allow(more_, always ? tr("All of it is shown: it is what this strand is made of") : QString());
    if (shown && details_ == nullptr) {
        details_ = new StrandDetails(session_, this);
        column_->addWidget(details_);
    } else if (!shown && details_ != nullptr) {
        details_->deleteLater();
        details_->hide();
        details_ = nullptr;
    }
    if (details_ != nullptr)
        details_->refresh();
}

void StrandPanel::refresh()
{
    const Strand* s = strand();
    setVisible(s != nullptr);
    if (s == nullptr)
        return;
    if (shown_ != s->name) {
        shown_ = s->name;
        asked_.clear();
    }
    name_->setText(QString::fromStdString(s->name));
    about_->setText(strandSummary(*s));
    about_->setToolTip(about_->text());
    on_->setChecked(!s->muted);
    on_->setText(session_.shaping.isOwn(key("muted")) ? tr("on *") : tr("on"));
    refreshAxes(*s);
    buildSpeed(*s);
    speed_->refresh();
    refreshDetails(*s);
}

} // namespace ember::app
