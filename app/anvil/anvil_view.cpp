// SPDX-License-Identifier: GPL-3.0-or-later
#include "anvil_view.h"

#include <algorithm>
#include <array>

#include <QAction>
#include <QCheckBox>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QToolButton>

#include "ember/core/values.h"
#include "form.h"
#include "handle_tag.h"
#include "style.h"
#include "symbols.h"
#include "tab_order.h"
#include "text.h"
#include "theme.h"
#include "trace_view.h"
#include "value_control.h"
#include "value_field.h"
#include "words.h"

namespace ember::app {

namespace {

using F = EnvelopeField;

constexpr int gutter = 150;

/// A value on a handle: which one it is, and what else belongs to it.
struct TagOf {
    Tag tag;
    F value;
    std::vector<F> more;
};
const std::vector<TagOf>& tagTable()
{
    static const std::vector<TagOf> table{
        {Tag::lead, F::lead, {F::leadShape, F::leadCurve}},
        {Tag::leadLevel, F::leadLevel, {}},
        {Tag::attack, F::attack, {F::anchor, F::attackSlope, F::attackCurve}},
        {Tag::hold, F::hold, {}},
        {Tag::curve, F::decayCurve, {F::decaySlope}},
        {Tag::decay, F::decay, {}},
        {Tag::rumble, F::rumble, {}},
        {Tag::rumbleLength, F::rumbleLength, {F::rumbleUntil}},
        {Tag::release, F::release, {F::releaseSlope, F::releaseCurve}},
    };
    return table;
}

} // namespace

AnvilView::AnvilView(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), canvas_(new AnvilCanvas(session, this)),
      traces_(new TraceView(session.document, session.selection, session.playhead, this))
{
    head_ = buildHead();
    buildTags();
    traces_->hide();
    connect(canvas_, &AnvilCanvas::laidOut, this, &AnvilView::placeValues);
    connect(canvas_, &AnvilCanvas::hoveredOver, this, [this](Handle over) {
        const Envelope envelope = session_.shaping.envelope();
        for (HandleTag* tag : tags_)
            tag->setLit(over != Handle::none && handleOf(tag->tag(), envelope) == over);
    });
    connect(&session_.document, &OpenDocument::changed, this, &AnvilView::refresh);
    connect(&session_.selection, &Selection::changed, this, &AnvilView::refresh);
    connect(&session_.shaping, &Shaping::changed, this, &AnvilView::refresh);
    refresh();
}

void AnvilView::resizeEvent(QResizeEvent*)
{
    canvas_->setGeometry(rect());
    traces_->setGeometry(rect().adjusted(gutter, 0, 0, 0));
    head_->setGeometry(0, 0, gutter, head_->sizeHint().height());
    head_->raise();
}

void AnvilView::toggleTraces()
{
    tracesAction_->trigger();
}

void AnvilView::toggleStrands()
{
    strandsAction_->trigger();
}

void AnvilView::toggleEven()
{
    evenAction_->trigger();
}

void AnvilView::toggleSeconds()
{
    secondsAction_->trigger();
}

/// The gutter beside the envelope.
QWidget* AnvilView::buildHead()
{
    auto* head = new QWidget(this);
    auto* column = newColumn(head, 2, {12, 3, 6, 2});
    auto* first = newRow(2);
    auto* name = new QLabel(tr("Anvil"), head);
    name->setFont(theme::words(13, true));
    first->addWidget(name);
    first->addStretch(1);
    more_ = new QToolButton(head);
    more_->setObjectName(QStringLiteral("anvil-more"));
    more_->setIcon(symbol(Symbol::more));
    more_->setToolTip(tr("What the Anvil shows, and how time runs on it"));
    more_->setAccessibleName(tr("View of the Anvil"));
    more_->setPopupMode(QToolButton::InstantPopup);
    setLook(*more_, Look::flat);
    first->addWidget(more_);
    column->addLayout(first);
    title_ = dimLabel({}, head);
    title_->setFont(theme::words(11));
    title_->setMinimumWidth(20);
    column->addWidget(title_);
    scope_ = new QCheckBox(tr("this strike only"), head);
    scope_->setObjectName(QStringLiteral("shape-scope"));
    scope_->setFont(theme::words(11));
    connect(scope_, &QCheckBox::clicked, this,
            [this](bool alone) { session_.shaping.setScope(alone ? ShapeScope::strike : ShapeScope::recipe); });
    column->addWidget(scope_);
    auto* last = newRow(3);
    const std::array<std::tuple<Slope, Symbol, QString, const char*>, 3> decays{
        {{Slope::constant, Symbol::decayConstant, tr("Constant decay"), "decay-constant"},
         {Slope::linear, Symbol::decayLinear, tr("Linear decay"), "decay-linear"},
         {Slope::exponential, Symbol::decayFast, tr("Fast decay"), "decay-fast"}}};
    for (const auto& [slope, picture, text, objectName] : decays) {
        auto* button = decays_[slope] = new QToolButton(head);
        button->setObjectName(QLatin1String(objectName));
        button->setCheckable(true);
        button->setIcon(symbol(picture));
        button->setIconSize({18, 12});
        button->setAccessibleName(text);
        setLook(*button, Look::tight);
        last->addWidget(button);
        connect(button, &QToolButton::clicked, this, [this, wanted = slope] { compareDecay(wanted); });
    }
    last->addStretch(1);
    restore_ = new QPushButton(tr("Follow"), head);
    restore_->setObjectName(QStringLiteral("follow-recipe"));
    restore_->setFont(theme::words(11));
    setLook(*restore_, Look::tight);
    restore_->setToolTip(tr("Follow the recipe again: gives the values marked * back to it"));
    connect(restore_, &QPushButton::clicked, this, [this] {
        session_.document.edit(withoutOverrides(session_.document.project(), session_.selection.ids()),
                               tr("The strike follows its recipe again"));
    });
    last->addWidget(restore_);
    column->addLayout(last);

    auto* menu = new QMenu(more_);
    const auto action = [&](const QString& text, const char* id) {
        QAction* made = menu->addAction(text);
        made->setObjectName(QLatin1String(id));
        made->setCheckable(true);
        return made;
    };
    tracesAction_ = action(tr("Motion axis by axis (Y)"), "anvil-traces");
    connect(tracesAction_, &QAction::triggered, this, &AnvilView::setTracesShown);
    strandsAction_ = action(tr("A lane for each strand (T)"), "anvil-strands");
    strandsAction_->setChecked(canvas_->strandsShown());
    connect(strandsAction_, &QAction::triggered, this, &AnvilView::setStrandsShown);
    evenAction_ = action(tr("Even scale of time"), "axis-even");
    connect(evenAction_, &QAction::toggled, this, [this](bool even) {
        canvas_->setEven(even);
        traces_->setEven(even);
    });
    secondsAction_ = action(tr("Lengths in seconds"), "time-unit");
    secondsAction_->setToolTip(tr("Either can be typed: 12 f, 0.5 s"));
    connect(secondsAction_, &QAction::triggered, this,
            [this](bool seconds) { session_.shaping.setInSeconds(seconds); });
    more_->setMenu(menu);
    return head;
}

ValueControl* AnvilView::control(EnvelopeField field, QWidget* parent)
{
    const FieldSpec& spec = specOf(field);
    auto* made = new ValueControl(spec, {}, parent);
    (made->field() != nullptr ? static_cast<QWidget*>(made->field()) : made)
        ->setObjectName(QStringLiteral("envelope-") + toQString(spec.key));
    made->gestureSource = [this] { return session_.document.newGesture(); };
    const auto key = [this, field] { return session_.shaping.envelopePrefix() + std::string(specOf(field).key); };
    made->resetAction = [this, key] { session_.shaping.reset(key()); };
    if (made->field() != nullptr)
        made->field()->setKeySource([this, key] { return session_.shaping.settingKey(key()); });
    connect(made, &ValueControl::wished, this, [this, key](double wanted, quint64 gesture) {
        session_.shaping.set({{key(), wanted}}, gesture);
    });
    fields_[field] = made;
    return made;
}

void AnvilView::buildTags()
{
    for (const TagOf& one : tagTable()) {
        TagSheet* sheet = nullptr;
        if (!one.more.empty()) {
            sheet = new TagSheet(this);
            sheet->setObjectName(QStringLiteral("sheet-") + toQString(specOf(one.value).key));
            for (const F field : one.more)
                sheet->add(toQString(specOf(field).label), control(field, sheet));
        }
        auto* tag = new HandleTag(one.tag, control(one.value, this), sheet, this);
        tag->setObjectName(QStringLiteral("tag-") + toQString(specOf(one.value).key));
        connect(tag, &HandleTag::hovered, this, [this, of = one.tag](bool over) {
            canvas_->light(over ? handleOf(of, session_.shaping.envelope()) : Handle::none);
        });
        tag->setProperty(readAcross, true);
        tags_.push_back(tag);
    }
}

void AnvilView::placeValues()
{
    const bool any =
        session_.selection.feltStrike() != nullptr && session_.shaping.felt() != nullptr && !canvas_->isHidden();
    const Envelope envelope = session_.shaping.envelopeInFilm();
    const std::vector<Tag> there = any ? tagsOf(envelope) : std::vector<Tag>();
    std::vector<QSizeF> sizes;
    sizes.reserve(there.size());
    const auto widget = [this](Tag tag) {
        return *std::find_if(tags_.begin(), tags_.end(), [tag](HandleTag* one) { return one->tag() == tag; });
    };
    for (const Tag tag : there)
        sizes.push_back(widget(tag)->fitted());
    const AnvilLayout layout = canvas_->layoutNow();
    Placed now{layout.map, layout.plot, envelope, sizes};
    if (now == placed_ && !there.empty())
        return;
    const auto places = placeTags(layout, envelope, there, sizes);
    placed_ = std::move(now);
    for (std::size_t i = 0; i < there.size(); ++i) {
        widget(there[i])->setGeometry(places[i].toAlignedRect());
        widget(there[i])->show();
        widget(there[i])->raise();
    }
    for (HandleTag* tag : tags_)
        if (std::find(there.begin(), there.end(), tag->tag()) == there.end())
            tag->hide();
}

void AnvilView::setTracesShown(bool shown)
{
    tracesAction_->setChecked(shown);
    traces_->setEven(canvas_->even());
    canvas_->setVisible(!shown);
    traces_->setVisible(shown);
    placeValues();
}

void AnvilView::setStrandsShown(bool shown)
{
    strandsAction_->setChecked(shown);
    canvas_->setStrandsShown(shown);
}

void AnvilView::compareDecay(Slope slope)
{
    const std::string prefix = session_.shaping.envelopePrefix();
    const auto key = [&](F field) { return prefix + std::string(specOf(field).key); };
    std::vector<std::pair<std::string, double>> values{{key(F::decaySlope), static_cast<double>(slope)}};
    // A bend that was set is kept for the comparison; one that does not fall fast is not what is asked for.
    if (slope == Slope::exponential && session_.shaping.envelope()[F::decayCurve] < 1)
        values.emplace_back(key(F::decayCurve), specOf(F::decayCurve).fallback);
    session_.shaping.set(values, 0);
    refreshDecays(session_.shaping.envelope());
}

void AnvilView::refreshDecays(const Envelope& envelope)
{
    const auto now = envelope.chosen<Slope>(F::decaySlope);
    for (const auto& [slope, button] : decays_)
        button->setChecked(slope == Slope::exponential
                               ? now != Slope::constant && now != Slope::linear && envelope[F::decayCurve] > 0
                               : slope == now);
}

void AnvilView::refreshValues(const Envelope& envelope, bool any)
{
    const auto overWithShot = [](F field) {
        return field == F::release || field == F::releaseSlope || field == F::releaseCurve;
    };
    const auto until = any ? envelope.chosen<RumbleUntil>(F::rumbleUntil) : RumbleUntil::length;
    const std::string prefix = session_.shaping.envelopePrefix();
    const double rate = session_.document.project().rate.perSecond();
    for (const auto& [field, control] : fields_) {
        QString reason = any ? QString() : tr("Select one strike to shape it");
        if (field == F::rumbleLength && until != RumbleUntil::length)
            reason = until == RumbleUntil::nextStrike ? tr("The rumble lasts until the next strike")
                                                      : tr("The rumble lasts to the end of the shot");
        else if (overWithShot(field) && until == RumbleUntil::shotEnd)
            reason = tr("The rumble lasts to the end of the shot, so there is no release. The recipe keeps the value "
                        "for when it ends earlier.");
        else if (field == F::leadCurve && any && !envelope.builds())
            reason = tr("Only a lead that builds up has a bend");
        control->setBarred(reason);
        if (!any)
            continue;
        control->setTime(rate, session_.shaping.inSeconds());
        control->setValue(envelope[field], session_.shaping.isOwn(prefix + std::string(specOf(field).key)));
    }
    for (HandleTag* tag : tags_)
        switch (tag->tag()) {
        case Tag::lead: tag->setName(tr("lead")); break;
        case Tag::leadLevel: tag->setName(envelope.builds() ? tr("builds to") : tr("back")); break;
        case Tag::attack: tag->setName(tr("attack")); break;
        case Tag::hold: tag->setName(tr("hold")); break;
        case Tag::curve: tag->setName(tr("curve")); break;
        case Tag::decay: tag->setName(tr("decay")); break;
        case Tag::rumble: tag->setName(tr("rumble")); break;
        case Tag::rumbleLength: tag->setName(tr("for")); break;
        case Tag::release: tag->setName(tr("release")); break;
        }
}

void AnvilView::refresh()
{
    const Strike* strike = session_.selection.feltStrike();
    const Recipe* recipe = strike != nullptr ? session_.shaping.felt() : nullptr;
    const bool alone = session_.shaping.scope() == ShapeScope::strike;
    scope_->setChecked(alone);
    restore_->setVisible(strike != nullptr && !strike->overrides.empty());
    secondsAction_->setChecked(session_.shaping.inSeconds());
    const QString reason = recipe != nullptr ? QString() : tr("Select one strike to shape it");
    const Envelope envelope = session_.shaping.envelope();
    refreshValues(envelope, recipe != nullptr);
    scope_->setEnabled(recipe != nullptr);
    for (const auto& [slope, button] : decays_) {
        button->setEnabled(recipe != nullptr);
        button->setToolTip(recipe == nullptr          ? reason
                           : slope == Slope::constant ? tr("The decay stays up and drops at its end, to compare")
                           : slope == Slope::linear   ? tr("The decay falls in a straight line, to compare")
                                                      : tr("The decay falls fast first and then settles"));
    }
    if (recipe == nullptr) {
        const auto count = session_.selection.ids().size();
        title_->setText(count == 0 ? tr("no strike selected") : tr("%1 strikes selected").arg(count));
        title_->setToolTip({});
        scope_->setToolTip(reason);
        placeValues();
        return;
    }
    refreshDecays(envelope);
    const auto& strikes = session_.document.project().strikes;
    const auto users =
        std::count_if(strikes.begin(), strikes.end(), [&](const Strike& s) { return s.recipe == strike->recipe; });
    const QString name = QString::fromStdString(recipe->name);
    title_->setText(session_.shaping.envelopePrefix() == "envelope."
                        ? (alone        ? tr("this strike")
                           : users == 1 ? tr("recipe, 1 strike")
                                        : tr("recipe, %1 strikes").arg(users))
                        : tr("strand %1").arg(QString::fromStdString(session_.shaping.openStrand())));
    title_->setToolTip(tr("%1, %2").arg(strikeTitle(*strike), name));
    scope_->setToolTip(tr("Edits go to this strike alone. Off: to the recipe %1 and every strike that uses it (%2).")
                           .arg(name)
                           .arg(users));
    placeValues();
}

} // namespace ember::app
