// SPDX-License-Identifier: GPL-3.0-or-later
#include "strike_page.h"

#include <algorithm>
#include <cmath>

#include <QApplication>
#include <QCheckBox>
#include <QClipboard>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QSettings>
#include <QSignalBlocker>
#include <QToolButton>
#include <QVBoxLayout>

#include "bars.h"
#include "ember/core/values.h"
#include "ember/project/film_edits.h"
#include "ember/project/shot_edits.h"
#include "form.h"
#include "language.h"
#include "light_block.h"
#include "place_block.h"
#include "sound_block.h"
#include "strand_panel.h"
#include "style.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"
#include "word_list.h"
#include "words.h"

namespace ember::app {

namespace {

const FieldSpec frameSpec{"frame", "Frame", "", 0, 100'000'000, 0, 1, "The frame it hits, counted from 0"};
const FieldSpec seedSpec{
    "seed",       "Variation", "", 0,
    4294967295.0, 1,           1,  "The number the motion grows from; the same number gives the same shake"};

/// A strand to begin with, of a kind.
Strand freshStrand(std::size_t kind, int width, const MotionStore& motions)
{
    Strand strand;
    strand.source = sourceOfKind(kind);
    strand.name = std::string(sourceWords[kind]);
    strand.name[0] = static_cast<char>(std::toupper(static_cast<unsigned char>(strand.name[0])));
    const double pixels = std::round(8.0 * width / 1280);
    strand.amount[Axis::x] = kind == 4 ? 0 : pixels;
    strand.amount[Axis::y] = pixels;
    if (auto* captured = std::get_if<Captured>(&strand.source); captured != nullptr && !motions.items().empty()) {
        captured->motion = motions.items().front().loop;
        strand.amount = amountsAsFilmed(captured->motion, width);
        strand.rate.restHz = strand.rate.peakHz; // as fast as it was filmed
    }
    return strand;
}

using Items = std::vector<std::pair<QString, qint64>>;

/// Fills a list anew, but only where it is another one: filling costs a layout.
void setItems(QComboBox& list, const Items& items)
{
    const auto same = [&] {
        for (int i = 0; i < list.count(); ++i)
            if (list.itemText(i) != items[static_cast<std::size_t>(i)].first ||
                list.itemData(i).toLongLong() != items[static_cast<std::size_t>(i)].second)
                return false;
        return true;
    };
    if (list.count() == static_cast<int>(items.size()) && same())
        return;
    const QSignalBlocker block(list);
    list.clear();
    for (const auto& [text, data] : items)
        list.addItem(text, QVariant::fromValue<qlonglong>(data));
}

} // namespace

StrikeBlock::StrikeBlock(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), column_(new QVBoxLayout(this))
{
    column_->setContentsMargins(0, 0, 0, 0);
    column_->setSpacing(5);
    build();
}

void StrikeBlock::changeStrikes(const std::function<void(Strike&)>& change, const QString& result,
                                Document::Gesture gesture)
{
    Project next = withStrikesChanged(session_.document.project(), session_.selection.ids(), change);
    next.sortStrikes();
    session_.document.edit(std::move(next), result, gesture);
}

/// A row that begins with a name.
QHBoxLayout* StrikeBlock::namedRow(const QString& name)
{
    auto* row = newRow(4);
    auto* label = dimLabel(name, this);
    label->setFixedWidth(60);
    row->addWidget(label);
    return row;
}

void StrikeBlock::build()
{
    column_->addLayout(buildHead());
    column_->addLayout(buildStrength());
    column_->addLayout(buildDirection());
    column_->addLayout(buildRecipe());
    column_->addLayout(buildVariation());
    goesRow_ = new QWidget(this);
    auto* row = newRow(goesRow_, 4, {0, 0, 0, 0});
    auto* label = dimLabel(tr("Goes with"), goesRow_);
    label->setFixedWidth(60);
    row->addWidget(label);
    goesWith_ = new QComboBox(goesRow_);
    goesWith_->setObjectName(QStringLiteral("strike-goes-with"));
    goesWith_->addItems({tr("its shot"), tr("the film"), tr("the cut")});
    goesWith_->setPlaceholderText(tr("several"));
    goesWith_->setToolTip(tr("What it keeps to when shots are trimmed, moved or retimed: the frame of its clip, the "
                             "frame of the film, or the cut it peaks on"));
    connect(goesWith_, &QComboBox::activated, this, [this](int index) {
        session_.shots.setGoesWith(static_cast<ShotCommands::GoesWith>(index),
                                   goesRun_.gesture([this] { return session_.document.newGesture(); }));
    });
    row->addWidget(goesWith_);
    row->addStretch(1);
    column_->addWidget(goesRow_);
    place_ = new PlaceBlock(session_, strikePlaceBinding(session_), this);
    connect(place_, &PlaceBlock::topViewAsked, this, &StrikeBlock::topViewAsked);
    column_->addWidget(place_);
}

QLayout* StrikeBlock::buildHead()
{
    const auto gesture = [this] { return session_.document.newGesture(); };
    auto* head = newRow(6);
    name_ = new QLineEdit(this);
    name_->setObjectName(QStringLiteral("strike-name"));
    name_->setAccessibleName(tr("Name"));
    name_->setFont(theme::words(17, true));
    name_->setFrame(false);
    setLook(*name_, Look::bare);
    name_->setToolTip(tr("The strike's name; type to change it"));
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const Strike* strike = session_.selection.strike();
        const QString text = name_->text().trimmed();
        if (strike == nullptr || text == strikeTitle(*strike))
            return;
        changeStrikes([&](Strike& s) { s.name = text.toStdString(); }, tr("Strike named %1").arg(text));
    });
    head->addWidget(name_, 1);
    kind_ = new QComboBox(this);
    kind_->setObjectName(QStringLiteral("strike-kind"));
    for (const auto kind : {StrikeKind::blast, StrikeKind::landing, StrikeKind::hit, StrikeKind::beat})
        kind_->addItem(kindTitle(kind));
    kind_->setPlaceholderText(tr("several"));
    kind_->setToolTip(tr("A label for what hits; the motion comes from the recipe"));
    connect(kind_, &QComboBox::activated, this, [this](int index) {
        const auto kind = static_cast<StrikeKind>(index);
        changeStrikes([kind](Strike& s) { s.kind = kind; },
                      tr("Strike is a %1 now").arg(language::inLine(kindTitle(kind))),
                      kindRun_.gesture([this] { return session_.document.newGesture(); }));
    });
    head->addWidget(kind_);
    auto* column = newColumn(0);
    column->addLayout(head);
    auto* when = newRow(4);
    when->addWidget(dimLabel(tr("frame"), this));
    frame_ = new ValueField(frameSpec, this);
    frame_->setFixedWidth(58);
    frame_->setObjectName(QStringLiteral("strike-frame"));
    frame_->setWhole(true);
    frame_->gestureSource = gesture;
    connect(frame_, &ValueField::wished, this, [this](double value, quint64 g) {
        if (const Strike* strike = session_.selection.strike()) {
            const auto by = static_cast<std::int64_t>(value) - strike->frame.index;
            session_.document.edit(withStrikesMoved(session_.document.project(), session_.selection.ids(), by),
                                   tr("Strike moved to frame %1").arg(value), g);
        }
    });
    frame_->readOther = [this](const QString& text) { return session_.document.frameOf(text); };
    when->addWidget(frame_);
    clock_ = dimLabel({}, this);
    clock_->setFont(theme::numbers(11));
    when->addWidget(clock_);
    when->addStretch(1);
    column->addLayout(when);
    return column;
}

QLayout* StrikeBlock::buildStrength()
{
    const auto gesture = [this] { return session_.document.newGesture(); };
    auto* row = newRow(6);
    strengthBar_ = new StrengthBar(this);
    strengthBar_->gestureSource = gesture;
    row->addWidget(strengthBar_, 1);
    strength_ = new ValueField(strikefield::strength, this);
    strength_->setLarge(true);
    strength_->setFixedSize(86, 26);
    strength_->setObjectName(QStringLiteral("strike-strength"));
    strength_->gestureSource = gesture;
    row->addWidget(strength_);
    const auto setStrength = [this](double value, quint64 g) {
        changeStrikes([value](Strike& s) { s.strength = value; }, tr("Strength %1 %").arg(std::lround(100 * value)), g);
    };
    connect(strengthBar_, &StrengthBar::wished, this, setStrength);
    connect(strengthBar_, &StrengthBar::abandoned, &session_.document, &OpenDocument::abandon);
    connect(strength_, &ValueField::wished, this, setStrength);
    strength_->changeEach = [this](const TypedChange& change) {
        changeStrikes([change](Strike& s) { s.strength = clampTo(strikefield::strength, change.of(s.strength)); },
                      tr("Strengths changed together"));
    };
    return row;
}

QLayout* StrikeBlock::buildDirection()
{
    const auto gesture = [this] { return session_.document.newGesture(); };
    auto* row = namedRow(tr("Direction"));
    dial_ = new DirectionDial(this);
    dial_->gestureSource = gesture;
    row->addWidget(dial_);
    direction_ = new ValueField(strikefield::direction, this);
    direction_->setFixedWidth(52);
    direction_->setObjectName(QStringLiteral("strike-direction"));
    direction_->gestureSource = gesture;
    row->addWidget(direction_);
    bySeed_ = new QCheckBox(tr("by seed"), this);
    bySeed_->setObjectName(QStringLiteral("direction-by-seed"));
    bySeed_->setToolTip(tr("Lets the variation choose the direction"));
    row->addWidget(bySeed_);
    placed_ = new QCheckBox(tr("has a place"), this);
    placed_->setObjectName(QStringLiteral("strike-place"));
    placed_->setToolTip(
        tr("Gives it a place around the camera or in the picture: the further, the weaker and later, and "
           "the blow comes from there"));
    connect(placed_, &QCheckBox::clicked, this, [this](bool on) {
        const auto place = on ? std::optional(Place{WorldPoint{0, 0, 10}}) : std::nullopt;
        changeStrikes([&](Strike& s) { s.place = place; }, on ? tr("Place: 10 m ahead") : tr("Place: at the camera"));
    });
    row->addWidget(placed_);
    const auto setDirection = [this](double value, quint64 g) {
        changeStrikes([value](Strike& s) { s.direction = value; }, tr("Direction %1°").arg(value), g);
    };
    connect(dial_, &DirectionDial::wished, this, setDirection);
    connect(dial_, &DirectionDial::abandoned, &session_.document, &OpenDocument::abandon);
    connect(direction_, &ValueField::wished, this, setDirection);
    connect(bySeed_, &QCheckBox::clicked, this, [this](bool on) {
        changeStrikes([on](Strike& s) { s.direction = on ? std::nullopt : std::optional(90.0); },
                      on ? tr("The seed chooses the direction") : tr("Direction 90°"));
    });
    row->addStretch(1);
    return row;
}

QLayout* StrikeBlock::buildVariation()
{
    const auto gesture = [this] { return session_.document.newGesture(); };
    auto* row = namedRow(tr("Variation"));
    seed_ = new ValueField(seedSpec, this);
    seed_->setMinimumWidth(84);
    seed_->setObjectName(QStringLiteral("strike-seed"));
    seed_->setWhole(true);
    seed_->gestureSource = gesture;
    connect(seed_, &ValueField::wished, this, [this](double value, quint64 g) {
        changeStrikes([value](Strike& s) { s.seed = static_cast<std::uint32_t>(value); },
                      tr("Variation %1").arg(value, 0, 'f', 0), g);
    });
    row->addWidget(seed_, 1);
    auto* fresh = new QPushButton(tr("New"), this);
    setLook(*fresh, Look::tight);
    fresh->setObjectName(QStringLiteral("new-variation"));
    fresh->setToolTip(tr("Another shake of the same kind (N)"));
    connect(fresh, &QPushButton::clicked, &session_.strikes, &StrikeCommands::newVariation);
    row->addWidget(fresh);
    locked_ = new QCheckBox(tr("locked"), this);
    locked_->setObjectName(QStringLiteral("lock-variation"));
    locked_->setToolTip(tr("Keeps an approved variation: New leaves it alone (Shift+N)"));
    connect(locked_, &QCheckBox::clicked, &session_.strikes, &StrikeCommands::toggleLocked);
    row->addWidget(locked_);
    return row;
}

QLayout* StrikeBlock::buildRecipe()
{
    auto* row = namedRow(tr("Recipe"));
    recipe_ = new WordList(this);
    recipe_->setObjectName(QStringLiteral("strike-recipe"));
    recipe_->setPlaceholderText(tr("several"));
    // A long name of a recipe does not push the page wider than its place.
    recipe_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    recipe_->setMinimumContentsLength(18);
    connect(recipe_, &QComboBox::activated, this, [this](int index) {
        session_.shaping.applyRecipe(recipe_->itemData(index).toLongLong(),
                                     recipeRun_.gesture([this] { return session_.document.newGesture(); }));
    });
    row->addWidget(recipe_, 1);
    return row;
}

void StrikeBlock::refresh()
{
    const Project& project = session_.document.project();
    const auto& selection = session_.selection.ids();
    const Strike* first = selection.empty() ? nullptr : project.strike(selection.front());
    if (first == nullptr)
        return;
    const auto mixed = [&](auto&& value) {
        return std::any_of(selection.begin(), selection.end(),
                           [&](StrikeId id) { return value(*project.strike(id)) != value(*first); });
    };
    const bool one = selection.size() == 1;
    if (!name_->hasFocus())
        name_->setText(one ? strikeTitle(*first) : tr("%1 strikes").arg(selection.size()));
    name_->setReadOnly(!one);
    kind_->setCurrentIndex(mixed([](const Strike& s) { return s.kind; }) ? -1 : static_cast<int>(first->kind));
    frame_->setValue(static_cast<double>(first->frame.index));
    clock_->setText(one ? session_.document.timecode(first->frame.index) : QString());
    frame_->setBarred(one ? QString()
                          : tr("Several strikes are selected; drag them on the Reel to move them together"));
    strength_->setValue(first->strength);
    strength_->setMixed(mixed([](const Strike& s) { return s.strength; }));
    strengthBar_->setValue(first->strength);
    dial_->setValue(first->direction.value_or(90), !first->direction);
    direction_->setValue(first->direction.value_or(90));
    direction_->setMixed(!first->direction || mixed([](const Strike& s) { return s.direction; }));
    bySeed_->setChecked(!first->direction);
    seed_->setValue(first->seed);
    seed_->setMixed(mixed([](const Strike& s) { return s.seed; }));
    Items recipes;
    for (const Recipe& recipe : project.recipes)
        recipes.emplace_back(QString::fromStdString(recipe.name), recipe.id);
    setItems(*recipe_, recipes);
    recipe_->setCurrentIndex(mixed([](const Strike& s) { return s.recipe; })
                                 ? -1
                                 : recipe_->findData(QVariant::fromValue<qlonglong>(first->recipe)));
    const auto users = std::count_if(project.strikes.begin(), project.strikes.end(),
                                     [&](const Strike& s) { return s.recipe == first->recipe; });
    const Recipe* named = project.recipe(first->recipe);
    recipe_->setToolTip((named != nullptr && recipe_->currentIndex() >= 0
                             ? QString::fromStdString(named->name) + QStringLiteral(".\n")
                             : QString()) +
                        tr("The shake this strike makes; all strikes of a recipe follow it.") + QLatin1Char(' ') +
                        (users == 1 ? tr("1 strike uses this one.") : tr("%1 strikes use this one.").arg(users)));
    const bool alike =
        session_.shaping.felt() != nullptr && project.recipe(first->recipe)->variation == Variation::same;
    seed_->setBarred(first->locked ? tr("The variation is locked; switch it off to free it")
                     : alike       ? tr("All strikes of this recipe move alike, by the recipe's seed below")
                                   : QString());
    locked_->setChecked(first->locked);
    goesRow_->setVisible(project.shots.size() > 1 || first->pinned);
    const auto goes = [&](const Strike& s) {
        return project.boundToCut(s) ? ShotCommands::GoesWith::cut
               : s.pinned            ? ShotCommands::GoesWith::film
                                     : ShotCommands::GoesWith::shot;
    };
    goesWith_->setCurrentIndex(mixed(goes) ? -1 : static_cast<int>(goes(*first)));
    placed_->setChecked(first->place.has_value());
    place_->setVisible(first->place.has_value());
    place_->refresh();
    const bool fromPlace =
        first->place && first->place->directed && project.world.directed && arrivalOf(project, *first).direction;
    const QString fixed =
        fromPlace ? tr("The blow comes from its place; switch Directed from place off to set it") : QString();
    direction_->setBarred(fixed);
    dial_->setBarred(fixed);
    allow(bySeed_, fixed);
    if (fromPlace) {
        dial_->setValue(*arrivalOf(project, *first).direction, false);
        direction_->setValue(std::round(*arrivalOf(project, *first).direction));
        direction_->setMixed(false);
    } else {
        bySeed_->setToolTip(tr("Lets the variation choose the direction"));
    }
}

// --- the page ---

StrikePage::StrikePage(Session& session, Dialogs dialogs, QWidget* parent)
    : QWidget(parent), session_(session), dialogs_(std::move(dialogs))
{
    auto* column = newColumn(this, 4, {14, 4, 14, 6});
    hint_ = dimLabel({}, this);
    hint_->setWordWrap(true);
    column->addWidget(hint_);
    strike_ = new StrikeBlock(session, this);
    connect(strike_, &StrikeBlock::topViewAsked, this, &StrikePage::topViewAsked);
    column->addWidget(strike_);
    column->addWidget(rule(this));
    strand_ = new StrandPanel(session, this);
    connect(
        strand_, &StrandPanel::opened, this, [this] { emit shown(strand_); }, Qt::QueuedConnection);
    column->addWidget(strand_);
    column->addWidget(buildBelow());
    column->addStretch(1);
    connect(&session_.document, &OpenDocument::changed, this, &StrikePage::refresh);
    connect(&session_.selection, &Selection::changed, this, &StrikePage::refresh);
    connect(&session_.shaping, &Shaping::changed, this, &StrikePage::refresh);
    refresh();
}

QWidget* StrikePage::buildBelow()
{
    below_ = new QWidget(this);
    auto* column = newColumn(below_, 4, {0, 2, 0, 0});
    auto* row = newRow(4);
    add_ = new QToolButton(below_);
    add_->setObjectName(QStringLiteral("add-strand"));
    add_->setText(tr("Add strand"));
    add_->setToolTip(tr("Another source of motion in this recipe"));
    add_->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(add_);
    for (std::size_t kind = 0; kind < sourceWords.size(); ++kind)
        connect(menu->addAction(ours(sourceWords[kind])), &QAction::triggered, this,
                [this, kind] { addStrand(freshStrand(kind, session_.document.project().width, session_.motions)); });
    menu->addSeparator();
    QAction* paste = menu->addAction(tr("Paste strand"));
    paste->setObjectName(QStringLiteral("paste-strand"));
    paste->setToolTip(tr("A strand that was copied from any recipe"));
    connect(paste, &QAction::triggered, this, [this] {
        const auto strand = strandFromText(QApplication::clipboard()->text().toStdString());
        if (strand)
            addStrand(strand.value());
        else
            emit session_.messages.told(said(strand.error()));
    });
    add_->setMenu(menu);
    row->addWidget(add_);
    row->addStretch(1);
    moreOfIt_ = new QToolButton(below_);
    moreOfIt_->setObjectName(QStringLiteral("recipe-more"));
    moreOfIt_->setText(tr("More of the recipe"));
    moreOfIt_->setToolTip(tr("Overall strength, variation, light and sound"));
    moreOfIt_->setFont(theme::words(11));
    setLook(*moreOfIt_, Look::tight);
    connect(moreOfIt_, &QToolButton::clicked, this, [this] {
        setMore(!more_);
        if (more_)
            emit shown(below_);
    });
    row->addWidget(moreOfIt_);
    column->addLayout(row);
    auto* outer = column;
    rest_ = new QWidget(below_);
    column = newColumn(rest_, 4, {0, 0, 0, 0});
    outer->addWidget(rest_);
    own_ = new QPushButton(tr("Own recipe"), rest_);
    own_->setObjectName(QStringLiteral("own-recipe"));
    setLook(*own_, Look::tight);
    own_->setToolTip(tr("Makes this strike its own recipe, as it is now; others keep theirs"));
    connect(own_, &QPushButton::clicked, &session_.shaping, &Shaping::makeOwnRecipe);
    auto* ownRow = newRow(4);
    ownRow->addWidget(own_);
    ownRow->addStretch(1);
    column->addLayout(ownRow);
    const auto whole = [] { return std::string(); };
    values_ = new ControlGrid(session_.document, session_.shaping, recipeBinding(session_.shaping, whole), 4, rest_);
    values_->setObjectName(QStringLiteral("recipe-values"));
    for (const FieldOf<Recipe>& field : fieldsOf<Recipe>()) {
        auto* control =
            values_->add(std::string(field.key), *field.spec, field.key == "variation" ? tr("Strikes") : QString());
        if (field.key == "seed")
            recipeSeed_ = control;
    }
    group_ = new QComboBox(values_);
    group_->setObjectName(QStringLiteral("strike-group"));
    group_->setToolTip(tr("Strikes of a group meet by the group's own rule, apart from all others (see Film)"));
    connect(group_, &QComboBox::activated, this, [this](int index) {
        const QString name = index == 0 ? QString() : group_->itemText(index);
        if (index == group_->count() - 1) {
            Project next = withGroup(session_.document.project(), tr("Group").toStdString());
            const std::string made = next.groups.back().name;
            session_.document.edit(withStrikesInGroup(std::move(next), session_.selection.ids(), made),
                                   tr("Strike in a new group"));
        } else {
            session_.document.edit(
                withStrikesInGroup(session_.document.project(), session_.selection.ids(), name.toStdString()),
                name.isEmpty() ? tr("Strike in no group") : tr("Strike in %1").arg(name));
        }
    });
    values_->addNamed(tr("Group"), group_);
    column->addWidget(values_);
    column->addWidget(rule(rest_));
    light_ = new LightBlock(session_.document, session_.shaping, rest_);
    column->addWidget(light_);
    sound_ = new SoundBlock(session_.document, session_.shaping, session_.messages, dialogs_, rest_);
    column->addWidget(sound_);
    setMore(QSettings().value(QStringLiteral("side/recipe-more"), false).toBool());
    return below_;
}

void StrikePage::setMore(bool more)
{
    more_ = more;
    rest_->setVisible(more);
    moreOfIt_->setText(more ? tr("Less of the recipe") : tr("More of the recipe"));
    QSettings().setValue(QStringLiteral("side/recipe-more"), more);
}

void StrikePage::addStrand(const Strand& strand)
{
    const Recipe* recipe = session_.shaping.felt();
    if (recipe == nullptr)
        return;
    const std::string name = freshStrandName(*recipe, strand.name);
    session_.document.edit(withStrand(session_.document.project(), recipe->id, strand),
                           tr("Strand %1 added").arg(QString::fromStdString(name)));
    session_.shaping.setOpenStrand(name);
    strand_->setMore(true); // it is only begun
}

void StrikePage::refresh()
{
    const Project& project = session_.document.project();
    const auto& selection = session_.selection.ids();
    const Strike* first = selection.empty() ? nullptr : project.strike(selection.front());
    strike_->setVisible(first != nullptr);
    hint_->setVisible(first == nullptr);
    if (first == nullptr)
        hint_->setText(
            project.strikes.empty()
                ? tr("No strike yet.\n\nCtrl+F finds them all. Or step to the first frame of contact and press S, "
                     "or 1 blast, 2 landing, 3 hit, 4 beat.")
                : tr("No strike selected.\n\nClick a spark on the Reel, or press Up and "
                     "Down to go from strike to strike."));
    strike_->refresh();
    // Strands are shown for one strike, or for several that share a recipe.
    const bool shared = first != nullptr && std::all_of(selection.begin(), selection.end(), [&](StrikeId id) {
                            return project.strike(id)->recipe == first->recipe;
                        });
    const Recipe* recipe = shared ? session_.shaping.felt() : nullptr;
    below_->setVisible(recipe != nullptr);
    strand_->refresh();
    if (recipe == nullptr)
        strand_->hide();
    if (recipe == nullptr)
        return;
    allow(own_, selection.size() == 1 ? QString() : tr("Select one strike to give it its own recipe"));
    values_->refresh();
    light_->refresh();
    sound_->refresh();
    recipeSeed_->setBarred(
        recipe->variation == Variation::same
            ? QString()
            : tr("Each strike moves by its own variation; choose \"same\" to move all by this seed"));
    Items groups{{tr("none"), 0}};
    for (const StrikeGroup& group : project.groups)
        groups.emplace_back(QString::fromStdString(group.name), 0);
    groups.emplace_back(tr("new group"), 0);
    setItems(*group_, groups);
    const int at = first->group.empty() ? 0 : group_->findText(QString::fromStdString(first->group));
    group_->setCurrentIndex(std::max(0, at));
}

} // namespace ember::app
