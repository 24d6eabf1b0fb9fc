// SPDX-License-Identifier: GPL-3.0-or-later
#include "curve_view.h"

#include <algorithm>
#include <cmath>

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QScrollArea>
#include <QToolButton>

#include "channel_list.h"
#include "flow_layout.h"
#include "form.h"
#include "style.h"
#include "symbols.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {
constexpr int gutter = 170;
const FieldSpec frameField{"frame", "Frame", "frames", -100000, 100'000'000, 0, 1, "The frame the key stands on"};
const FieldSpec valueField{"value", "Value", "", -1e6, 1e6, 0, 1, "The key's value, in the unit of the curve"};
} // namespace

CurveView::CurveView(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), channels_(session), canvas_(new CurveCanvas(session, channels_, this))
{
    setObjectName(QStringLiteral("curve-view"));
    auto* row = newRow(this, 0, {0, 0, 0, 0});
    row->addWidget(buildHead());
    auto* column = newColumn(0, {0, 0, 0, 0});
    column->addWidget(buildTools());
    column->addWidget(canvas_, 1);
    row->addLayout(column, 1);
    connect(canvas_, &CurveCanvas::selectionChanged, this, &CurveView::refreshKeys);
    connect(&channels_, &CurveChannels::changed, this, &CurveView::refresh);
    refresh();
}

QWidget* CurveView::buildHead()
{
    auto* head = new QWidget(this);
    head->setFixedWidth(gutter);
    auto* column = newColumn(head, 2, {12, 3, 6, 2});
    of_ = new QComboBox(head);
    of_->setObjectName(QStringLiteral("curves-of"));
    of_->addItems({tr("Keys"), tr("Strength and rate"), tr("Blur and light"), tr("Film")});
    of_->setToolTip(
        tr("Which curves are shown: the keys of the strand drawn by hand; strength, rate and amounts; motion "
           "blur and light; or the film's intensity, drift and camera move"));
    connect(of_, &QComboBox::activated, this, [this](int index) {
        channels_.setOf(static_cast<CurveChannels::Of>(index));
        canvas_->fit();
    });
    column->addWidget(of_);
    whose_ = dimLabel({}, head);
    whose_->setFont(theme::words(11));
    whose_->setMinimumWidth(20);
    column->addWidget(whose_);
    scope_ = new QCheckBox(tr("this strike only"), head);
    scope_->setObjectName(QStringLiteral("curve-scope"));
    scope_->setFont(theme::words(11));
    scope_->setToolTip(tr("Edits go to this strike alone. Off: to the recipe and every strike that uses it."));
    connect(scope_, &QCheckBox::clicked, this,
            [this](bool alone) { session_.shaping.setScope(alone ? ShapeScope::strike : ShapeScope::recipe); });
    column->addWidget(scope_);
    auto* area = new QScrollArea(head);
    area->setWidgetResizable(true);
    area->setFrameShape(QFrame::NoFrame);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setFocusPolicy(Qt::NoFocus);
    auto* list = new ChannelList(session_, channels_, area);
    list->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    area->setWidget(list);
    column->addWidget(area, 1);
    return head;
}

QWidget* CurveView::buildTools()
{
    auto* bar = new QWidget(this);
    auto* row = new FlowLayout(bar);
    row->setContentsMargins(4, 2, 8, 0);
    row->setSpacing(4);
    for (auto** field : {&frame_, &value_}) {
        *field = new ValueField(field == &frame_ ? frameField : valueField, bar);
        (*field)->gestureSource = [this] { return session_.document.newGesture(); };
        row->addWidget(dimLabel(field == &frame_ ? tr("frame") : tr("value"), bar));
        row->addWidget(*field);
    }
    unit_ = dimLabel({}, bar);
    row->addWidget(unit_);
    frame_->setObjectName(QStringLiteral("curve-frame"));
    value_->setObjectName(QStringLiteral("curve-value"));
    connect(frame_, &ValueField::wished, this, [this](double v, quint64 g) {
        changeKeys([v](CurveKey& key) { key.frame = v; }, tr("Key at %1").arg(v), g);
    });
    connect(value_, &ValueField::wished, this,
            [this](double v, quint64 g) { changeKeys([v](CurveKey& key) { key.value = v; }, tr("Key %1").arg(v), g); });
    value_->changeEach = [this](const TypedChange& change) {
        changeKeys([change](CurveKey& key) { key.value = change.of(key.value); }, tr("Keys changed together"), 0);
    };
    const auto tool = [&](const QString& name, const QString& tip, const char* id) {
        auto* made = new QToolButton(bar);
        made->setObjectName(QLatin1String(id));
        made->setAccessibleName(name);
        made->setToolTip(tip);
        made->setFocusPolicy(Qt::TabFocus);
        setLook(*made, Look::tight);
        row->addWidget(made);
        return made;
    };
    row->addGap(6);
    const std::array<std::tuple<Ease, Symbol, QString, const char*>, 5> eases{
        {{Ease::linear, Symbol::easeLinear, tr("Straight to the next key"), "ease-linear"},
         {Ease::smooth, Symbol::easeSmooth, tr("Smooth: eased out of this key and into the next"), "ease-smooth"},
         {Ease::in, Symbol::easeIn, tr("Slow first, then faster"), "ease-in"},
         {Ease::out, Symbol::easeOut, tr("Fast first, then slower"), "ease-out"},
         {Ease::hold, Symbol::easeHold, tr("It stays until the next key"), "ease-hold"}}};
    for (std::size_t i = 0; i < eases.size(); ++i) {
        const auto& [ease, picture, tip, id] = eases[i];
        eases_[i] = tool(tip, tip, id);
        eases_[i]->setCheckable(true);
        eases_[i]->setIcon(symbol(picture));
        eases_[i]->setProperty("ease", static_cast<int>(ease));
        connect(eases_[i], &QToolButton::clicked, this, [this, wanted = ease, text = tip] {
            canvas_->edit(
                [wanted](const CurveKeys& keys, const KeyPlaces& places) { return withEase(keys, places, wanted); },
                text);
            refreshKeys();
        });
    }
    slope_ = tool(tr("Slopes"), tr("How the curve goes through the chosen keys"), "curve-slopes");
    slope_->setText(tr("Slopes"));
    slope_->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(slope_);
    const std::array<std::tuple<SlopeKind, QString, QString, const char*>, 5> kinds{
        {{SlopeKind::free, tr("Free"), tr("As it goes now, with slopes to drag on either side"), "slope-free"},
         {SlopeKind::smooth, tr("Smooth"), tr("Without a corner, and never beyond its neighbours"), "slope-smooth"},
         {SlopeKind::flat, tr("Flat"), tr("Level: a calm turn"), "slope-flat"},
         {SlopeKind::straight, tr("Straight"), tr("In straight lines to both neighbours"), "slope-straight"},
         {SlopeKind::stepped, tr("Stepped"), tr("It stays until the next key"), "slope-stepped"}}};
    menu->setToolTipsVisible(true);
    for (const auto& [kind, text, tip, id] : kinds) {
        QAction* action = menu->addAction(text);
        action->setObjectName(QLatin1String(id));
        action->setToolTip(tip);
        connect(action, &QAction::triggered, this, [this, wanted = kind, said = text] { slopes(wanted, said); });
    }
    slope_->setMenu(menu);
    row->addGap(6);
    const auto button = [&](const QString& text, const char* id, const QString& tip, const std::function<void()>& act) {
        auto* made = smallButton(text, QLatin1String(id), tip, bar);
        connect(made, &QPushButton::clicked, this, act);
        row->addWidget(made);
        return made;
    };
    here_ =
        button(tr("Key here"), "curve-key-here", tr("A key on the playhead's frame (Insert), on the curve as it goes"),
               [this] { canvas_->addKeyHere(); });
    turn_ = button(tr("Turn into a curve"), "curve-turn", {}, [this] {
        const Channel* channel = channels_.channel();
        if (channel == nullptr)
            return;
        channel->keys.empty() ? channels_.turnIntoCurve() : channels_.turnBack();
        canvas_->fit();
    });
    reach_ =
        button(tr("Lengthen"), "curve-reach",
               tr("The envelope ends before the last key, so what is hatched is not felt. This makes it last until "
                  "that key."),
               [this] {
                   if (const Channel* channel = channels_.channel(); channel != nullptr && !channel->keys.empty())
                       session_.shaping.reachKey(channels_.strand(), channel->keys.back().frame);
               });
    home_ = button(tr("Back to rest"), "curve-home", {}, [this] { channels_.setComesHome(!channels_.comesHome()); });
    home_->setCheckable(true);
    follow_ = button(tr("Follow the recipe"), "curve-follow",
                     tr("This curve is the strike's own; this gives it back to the recipe"),
                     [this] { channels_.followRecipe(); });
    row->addGap(6);
    more_ = tool(tr("More"), tr("What can be done with the chosen keys, and what is shown"), "curve-more");
    more_->setIcon(symbol(Symbol::more));
    more_->setPopupMode(QToolButton::InstantPopup);
    buildMore();
    button(tr("Anvil"), "curve-close", tr("Back to the Anvil (U)"), [this] { emit closed(); });
    return bar;
}

void CurveView::buildMore()
{
    auto* menu = new QMenu(more_);
    menu->setToolTipsVisible(true);
    const auto edit = [&](const QString& text, const char* id, const QString& tip, const CurveCanvas::Edit& change,
                          const QString& result) {
        QAction* action = menu->addAction(text);
        action->setObjectName(QLatin1String(id));
        action->setToolTip(tip);
        connect(action, &QAction::triggered, this, [this, change, result] { canvas_->edit(change, result); });
        needChosen_.push_back(action);
    };
    edit(
        tr("Turn over"), "keys-flip", tr("The chosen keys the other way: right becomes left"),
        [](const CurveKeys& keys, const KeyPlaces& places) { return scaledInValue(keys, places, -1); },
        tr("Keys turned over"));
    edit(
        tr("Reverse in time"), "keys-backwards", tr("What came first comes last"),
        [](const CurveKeys& keys, const KeyPlaces& places) { return mirroredInTime(keys, places); },
        tr("Keys reversed"));
    edit(
        tr("Smooth values"), "keys-smooth", tr("Each chosen value half way to the mean of its neighbours"),
        [](const CurveKeys& keys, const KeyPlaces& places) { return smoothed(keys, places); }, tr("Keys smoothed"));
    edit(
        tr("To rest"), "keys-rest", tr("The chosen keys at 0, and flat: a calm end"),
        [](CurveKeys keys, const KeyPlaces& places) {
            for (const std::size_t i : places)
                keys[i].value = keys[i].slopeIn = keys[i].slopeOut = 0;
            return keys;
        },
        tr("Keys at rest"));
    edit(
        tr("Repeat, a bit weaker"), "keys-repeat", tr("The chosen keys once more behind themselves, at 60 %"),
        [](const CurveKeys& keys, const KeyPlaces& places) { return repeated(keys, places, 1, 0.6); },
        tr("Keys repeated"));
    edit(
        tr("To whole frames"), "keys-whole", tr("The chosen keys on the nearest whole frames"),
        [](CurveKeys keys, const KeyPlaces& places) {
            for (const std::size_t i : places)
                keys[i].frame = std::round(keys[i].frame);
            return inOrder(std::move(keys));
        },
        tr("Keys on whole frames"));
    menu->addSeparator();
    QAction* clear = menu->addAction(tr("Clear this curve"));
    clear->setObjectName(QStringLiteral("keys-clear"));
    connect(clear, &QAction::triggered, this, [this] {
        canvas_->choose({});
        if (const Channel* channel = channels_.channel())
            channels_.setKeys({}, tr("Keys of %1 cleared").arg(channel->name), 0);
    });
    menu->addSeparator();
    const auto toggle = [&](const QString& text, const char* id, const std::function<void(bool)>& set) {
        QAction* action = menu->addAction(text);
        action->setObjectName(QLatin1String(id));
        action->setCheckable(true);
        connect(action, &QAction::toggled, this, set);
    };
    toggle(tr("Velocity beside it"), "curve-velocity", [this](bool on) { canvas_->setVelocityShown(on); });
    toggle(tr("Distance between peaks"), "curve-spacing", [this](bool on) { canvas_->setSpacingShown(on); });
    toggle(tr("This curve alone"), "curve-alone", [this](bool on) { canvas_->setAlone(on); });
    QAction* fit = menu->addAction(tr("Fit (F)"));
    fit->setObjectName(QStringLiteral("curve-fit"));
    connect(fit, &QAction::triggered, canvas_, &CurveCanvas::fit);
    more_->setMenu(menu);
}

void CurveView::slopes(SlopeKind kind, const QString& result)
{
    // The ways before the chosen keys change too, so this is done to the whole list.
    const Channel* channel = channels_.channel();
    if (channel == nullptr || canvas_->chosen().empty())
        return;
    const KeyPlaces chosen = canvas_->chosen();
    channels_.setKeys(withSlopes(channel->keys, chosen, kind), tr("Slopes: %1").arg(result), 0);
    canvas_->choose(chosen);
}

void CurveView::changeKeys(const std::function<void(CurveKey&)>& change, const QString& result, quint64 gesture)
{
    canvas_->edit(
        [&](CurveKeys keys, const KeyPlaces& places) {
            CurveKeys out = without(keys, places);
            for (const std::size_t i : places) { // what is changed wins over what it meets
                change(keys[i]);
                out.push_back(keys[i]);
            }
            return inOrder(std::move(out));
        },
        result, gesture);
}

void CurveView::refresh()
{
    const Channel* channel = channels_.channel();
    of_->setCurrentIndex(static_cast<int>(channels_.of()));
    const bool film = channels_.of() == CurveChannels::Of::film;
    const Strike* strike = session_.selection.feltStrike();
    const Recipe* recipe = strike != nullptr ? session_.shaping.felt() : nullptr;
    whose_->setVisible(!film);
    scope_->setVisible(!film);
    scope_->setChecked(session_.shaping.scope() == ShapeScope::strike);
    scope_->setEnabled(recipe != nullptr);
    const bool ofStrand = channels_.of() != CurveChannels::Of::light;
    whose_->setText(recipe == nullptr ? tr("no strike selected")
                    : ofStrand && !channels_.strand().empty()
                        ? tr("strand %1").arg(QString::fromStdString(channels_.strand()))
                        : QString::fromStdString(recipe->name));
    unit_->setText(channel != nullptr ? channel->unit : QString());
    const bool keyed = channel != nullptr && !channel->keys.empty();
    const bool values = channel != nullptr && !film && channels_.of() != CurveChannels::Of::keys;
    turn_->setVisible(values);
    if (values) {
        const bool strength = channel->id.ends_with("envelope.strength");
        turn_->setText(!keyed ? tr("Turn into a curve") : strength ? tr("Back to a shape") : tr("Back to one value"));
        const QString why = keyed ? channels_.whyNotBack() : QString();
        turn_->setToolTip(!keyed          ? tr("A curve of the same shape, with any number of keys")
                          : !strength     ? tr("No curve: the value or the course there was")
                          : why.isEmpty() ? tr("Attack, hold, decay and rumble as near as they come to this curve")
                                          : why);
    }
    const bool unfelt = keyed && channel->felt && channel->keys.back().frame > *channel->felt + 1e-6;
    reach_->setVisible(unfelt);
    const bool hand = keyed && channels_.of() == CurveChannels::Of::keys && !channel->peakFixed;
    home_->setVisible(hand);
    home_->setChecked(channels_.comesHome());
    home_->setToolTip(channels_.comesHome()
                          ? tr("Each axis is eased back to exact rest after its last key. Off: it jumps there.")
                          : tr("Off: where the last key is not at rest the picture jumps back in one frame."));
    follow_->setVisible(channel != nullptr && channel->own);
    allow(here_, channel == nullptr ? tr("Choose a curve first") : QString());
    refreshKeys();
}

void CurveView::refreshKeys()
{
    const CurveKeys& keys = canvas_->keys();
    const KeyPlaces& chosen = canvas_->chosen();
    const Channel* channel = channels_.channel();
    const bool any = !chosen.empty() && channel != nullptr && chosen.back() < keys.size();
    const QString reason = any ? QString() : tr("Choose keys of the curve first");
    const bool peak = any && chosen.size() == 1 && channel->peakFixed && keys[chosen.front()].frame == 0;
    const QString fixed = peak ? tr("The key on the peak stays as it is") : reason;
    frame_->setBarred(any && chosen.size() > 1 ? tr("Several keys are chosen: drag them, or the box around them")
                                               : fixed);
    value_->setBarred(fixed);
    for (QToolButton* ease : eases_) {
        ease->setEnabled(any);
        ease->setChecked(any && std::all_of(chosen.begin(), chosen.end(), [&](std::size_t i) {
                             return static_cast<int>(keys[i].ease) == ease->property("ease").toInt();
                         }));
    }
    const bool slopes = any && !channel->eased;
    slope_->setEnabled(slopes);
    slope_->setToolTip(!any             ? reason
                       : channel->eased ? tr("These keys are eased; they have no slopes of their own")
                                        : tr("How the curve goes through the chosen keys"));
    for (QAction* action : needChosen_) {
        action->setEnabled(any);
        action->setToolTip(any ? action->toolTip() : reason);
    }
    value_->setMixed(any && std::any_of(chosen.begin(), chosen.end(),
                                        [&](std::size_t i) { return keys[i].value != keys[chosen.front()].value; }));
    if (!any)
        return;
    frame_->setValue(keys[chosen.front()].frame);
    value_->setValue(keys[chosen.front()].value);
}

} // namespace ember::app
