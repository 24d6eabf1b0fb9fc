// SPDX-License-Identifier: GPL-3.0-or-later
#include "side_column.h"

#include <algorithm>
#include <cmath>

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QRegularExpression>
#include <QRegularExpressionValidator>
#include <QScrollArea>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "strength_bar.h"
#include "theme.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec frameSpec{"frame", "Frame", "frames", 0, 100'000'000, 0, 1, "The frame it hits, counted from 0"};
const FieldSpec seedSpec{
    "seed",       "Variation", "", 0,
    4294967295.0, 1,           1,  "The number the noise grows from; the same number gives the same shake"};

QLabel* dimLabel(const QString& text, QWidget* parent)
{
    auto* label = new QLabel(text, parent);
    label->setStyleSheet(QStringLiteral("color: #9a8f80"));
    return label;
}

QFrame* rule(QWidget* parent)
{
    auto* line = new QFrame(parent);
    line->setFixedHeight(1);
    line->setStyleSheet(QStringLiteral("background: #3a332c"));
    return line;
}

QString edgeTitle(EdgeMode mode)
{
    switch (mode) {
    case EdgeMode::mirror: return SideColumn::tr("mirrored");
    case EdgeMode::extend: return SideColumn::tr("extended");
    case EdgeMode::plain: return SideColumn::tr("plain colour");
    }
    return {};
}

} // namespace

SideColumn::SideColumn(Session& session, QWidget* parent) : QWidget(parent), session_(session)
{
    setObjectName(QStringLiteral("side"));
    setMinimumWidth(400);
    auto* outer = new QVBoxLayout(this);
    outer->setContentsMargins(0, 0, 0, 0);
    auto* area = new QScrollArea(this);
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    outer->addWidget(area);
    auto* inside = new QWidget(area);
    inside->setStyleSheet(QStringLiteral("QWidget { background: transparent; }"));
    area->setWidget(inside);
    auto* column = new QVBoxLayout(inside);
    column->setContentsMargins(14, 6, 14, 6);
    column->setSpacing(4);
    hint_ = new QLabel(inside);
    hint_->setWordWrap(true);
    hint_->setStyleSheet(QStringLiteral("color: #9a8f80"));
    column->addWidget(hint_);
    strike_ = new QWidget(inside);
    auto* strikeColumn = new QVBoxLayout(strike_);
    strikeColumn->setContentsMargins(0, 0, 0, 0);
    strikeColumn->setSpacing(5);
    buildStrike(*strikeColumn);
    column->addWidget(strike_);
    strands_ = new QVBoxLayout;
    strands_->setSpacing(4);
    column->addLayout(strands_);
    column->addStretch(1);
    column->addWidget(rule(inside));
    buildFinish(*column);
    connect(&session_, &Session::projectChanged, this, &SideColumn::refresh);
    connect(&session_, &Session::selectionChanged, this, &SideColumn::refresh);
    refresh();
}

void SideColumn::changeStrikes(const std::function<void(Strike&)>& change, const QString& result,
                               Document::Gesture gesture)
{
    Project next = withStrikesChanged(session_.project(), session_.selection(), change);
    next.sortStrikes();
    session_.edit(std::move(next), result, gesture);
}

void SideColumn::buildStrike(QVBoxLayout& column)
{
    const auto gesture = [this] { return session_.newGesture(); };
    auto* head = new QHBoxLayout;
    name_ = new QLineEdit(strike_);
    name_->setObjectName(QStringLiteral("strike-name"));
    name_->setFont(theme::words(16, true));
    name_->setFrame(false);
    name_->setStyleSheet(QStringLiteral("QLineEdit { background: transparent; border: 1px solid transparent; padding: "
                                        "0; } QLineEdit:focus { border-color: #6fb3a2; }"));
    name_->setToolTip(tr("The strike's name; type to change it"));
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const Strike* strike = session_.selectedStrike();
        const QString text = name_->text().trimmed();
        if (strike == nullptr || text == strikeTitle(*strike))
            return;
        changeStrikes([&](Strike& s) { s.name = text.toStdString(); }, tr("Strike named %1").arg(text));
    });
    head->addWidget(name_, 1);
    kind_ = new QComboBox(strike_);
    kind_->setObjectName(QStringLiteral("strike-kind"));
    for (const auto kind : {StrikeKind::blast, StrikeKind::landing, StrikeKind::hit, StrikeKind::beat})
        kind_->addItem(kindTitle(kind));
    kind_->setToolTip(tr("What hits; it is a label, the motion is the recipe's"));
    connect(kind_, &QComboBox::activated, this, [this](int index) {
        const auto kind = static_cast<StrikeKind>(index);
        changeStrikes([kind](Strike& s) { s.kind = kind; }, tr("Strike is a %1 now").arg(kindTitle(kind).toLower()));
    });
    head->addWidget(kind_);
    head->addWidget(dimLabel(tr("frame"), strike_));
    frame_ = new ValueField(frameSpec, strike_);
    frame_->setFixedWidth(52);
    frame_->setObjectName(QStringLiteral("strike-frame"));
    frame_->setWhole(true);
    frame_->gestureSource = gesture;
    connect(frame_, &ValueField::wished, this, [this](double value, quint64 g) {
        if (const Strike* strike = session_.selectedStrike()) {
            const auto by = static_cast<std::int64_t>(value) - strike->frame.index;
            session_.edit(withStrikesMoved(session_.project(), session_.selection(), by),
                          tr("Strike moved to frame %1").arg(value), g);
        }
    });
    head->addWidget(frame_);
    column.addLayout(head);
    column.addWidget(rule(strike_));

    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(4);
    grid->setVerticalSpacing(3);
    grid->setColumnMinimumWidth(0, 62);
    grid->addWidget(dimLabel(tr("Strength"), strike_), 0, 0);
    strengthBar_ = new StrengthBar(strike_);
    strengthBar_->gestureSource = gesture;
    grid->addWidget(strengthBar_, 0, 1, 1, 4);
    strength_ = new ValueField(strikefield::strength, strike_);
    strength_->setFixedWidth(60);
    strength_->setObjectName(QStringLiteral("strike-strength"));
    strength_->gestureSource = gesture;
    grid->addWidget(strength_, 0, 5);
    const auto setStrength = [this](double value, quint64 g) {
        changeStrikes([value](Strike& s) { s.strength = value; }, tr("Strength %1 %").arg(std::lround(100 * value)), g);
    };
    connect(strengthBar_, &StrengthBar::wished, this, setStrength);
    connect(strength_, &ValueField::wished, this, setStrength);

    grid->addWidget(dimLabel(tr("Direction"), strike_), 1, 0);
    dial_ = new DirectionDial(strike_);
    dial_->gestureSource = gesture;
    grid->addWidget(dial_, 1, 1);
    direction_ = new ValueField(strikefield::direction, strike_);
    direction_->setFixedWidth(46);
    direction_->setObjectName(QStringLiteral("strike-direction"));
    direction_->gestureSource = gesture;
    grid->addWidget(direction_, 1, 2);
    bySeed_ = new QPushButton(tr("By seed"), strike_);
    bySeed_->setStyleSheet(QStringLiteral("padding: 3px 7px;"));
    bySeed_->setObjectName(QStringLiteral("direction-by-seed"));
    bySeed_->setCheckable(true);
    bySeed_->setToolTip(tr("Lets the variation choose the direction"));
    grid->addWidget(bySeed_, 1, 3);
    const auto setDirection = [this](double value, quint64 g) {
        changeStrikes([value](Strike& s) { s.direction = value; }, tr("Direction %1°").arg(value), g);
    };
    connect(dial_, &DirectionDial::wished, this, setDirection);
    connect(direction_, &ValueField::wished, this, setDirection);
    connect(bySeed_, &QPushButton::clicked, this, [this](bool on) {
        changeStrikes([on](Strike& s) { s.direction = on ? std::nullopt : std::optional(90.0); },
                      on ? tr("The seed chooses the direction") : tr("Direction 90°"));
    });
    grid->addWidget(dimLabel(tr("Variation"), strike_), 1, 4);
    auto* variation = new QHBoxLayout;
    variation->setSpacing(2);
    seed_ = new ValueField(seedSpec, strike_);
    seed_->setFixedWidth(52);
    seed_->setObjectName(QStringLiteral("strike-seed"));
    seed_->setWhole(true);
    seed_->gestureSource = gesture;
    connect(seed_, &ValueField::wished, this, [this](double value, quint64 g) {
        changeStrikes([value](Strike& s) { s.seed = static_cast<std::uint32_t>(value); },
                      tr("Variation %1").arg(value, 0, 'f', 0), g);
    });
    variation->addWidget(seed_);
    auto* fresh = new QPushButton(tr("New"), strike_);
    fresh->setStyleSheet(QStringLiteral("padding: 3px 7px;"));
    fresh->setObjectName(QStringLiteral("new-variation"));
    fresh->setToolTip(tr("Another shake of the same kind (N)"));
    connect(fresh, &QPushButton::clicked, this, [this] {
        Project next = session_.project();
        for (const StrikeId id : session_.selection())
            if (Strike* strike = next.strike(id))
                strike->seed = static_cast<std::uint32_t>(mixSeed(strike->seed, 0x7e57) % 99'999 + 1);
        session_.edit(std::move(next), tr("New variation"));
    });
    variation->addWidget(fresh);
    grid->addLayout(variation, 1, 5);
    grid->setColumnStretch(3, 1);
    column.addLayout(grid);
    column.addWidget(rule(strike_));

    auto* recipe = new QHBoxLayout;
    auto* label = dimLabel(tr("Recipe"), strike_);
    label->setMinimumWidth(62);
    recipe->addWidget(label);
    recipe_ = new QComboBox(strike_);
    recipe_->setObjectName(QStringLiteral("strike-recipe"));
    recipe_->setPlaceholderText(tr("several"));
    kind_->setPlaceholderText(tr("several"));
    recipe_->setToolTip(tr("The shake this strike makes; all strikes of a recipe follow it"));
    connect(recipe_, &QComboBox::activated, this, [this](int index) {
        const RecipeId id = recipe_->itemData(index).toLongLong();
        changeStrikes([id](Strike& s) { s.recipe = id; }, tr("Recipe %1").arg(recipe_->itemText(index)));
    });
    recipe->addWidget(recipe_);
    recipe->addStretch(1);
    users_ = dimLabel({}, strike_);
    recipe->addWidget(users_);
    column.addLayout(recipe);
}

void SideColumn::buildFinish(QVBoxLayout& column)
{
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    auto* title = dimLabel(tr("Finish"), this);
    title->setMinimumWidth(48);
    row->addWidget(title);
    row->addWidget(dimLabel(tr("Edges"), this));
    edges_ = new QComboBox(this);
    edges_->setObjectName(QStringLiteral("finish-edges"));
    for (const auto mode : {EdgeMode::mirror, EdgeMode::extend, EdgeMode::plain})
        edges_->addItem(edgeTitle(mode));
    edges_->setToolTip(tr("What shows where the picture has moved away from its border"));
    connect(edges_, &QComboBox::activated, this, [this](int index) {
        Project next = session_.project();
        next.finish.edges = static_cast<EdgeMode>(index);
        session_.edit(std::move(next), tr("Edges %1").arg(edges_->itemText(index)));
    });
    row->addWidget(edges_);
    colour_ = new QLineEdit(this);
    colour_->setObjectName(QStringLiteral("finish-colour"));
    colour_->setFixedWidth(74);
    colour_->setFont(theme::numbers(12));
    colour_->setValidator(
        new QRegularExpressionValidator(QRegularExpression(QStringLiteral("#[0-9a-fA-F]{6}")), colour_));
    colour_->setToolTip(tr("The plain colour, such as #1a2b3c"));
    connect(colour_, &QLineEdit::editingFinished, this, [this] {
        const QColor colour(colour_->text());
        Project next = session_.project();
        next.finish.plain = {static_cast<std::uint8_t>(colour.red()), static_cast<std::uint8_t>(colour.green()),
                             static_cast<std::uint8_t>(colour.blue())};
        session_.edit(std::move(next), tr("Plain colour %1").arg(colour_->text()));
    });
    row->addWidget(colour_);
    row->addStretch(1);
    column.addLayout(row);
    auto* last = new QHBoxLayout;
    last->setSpacing(6);
    auto* cover = dimLabel(tr("Cover"), this);
    cover->setMinimumWidth(48);
    last->addWidget(cover);
    cover_ = new QComboBox(this);
    cover_->setObjectName(QStringLiteral("finish-cover"));
    cover_->addItem(tr("off"));
    cover_->addItem(tr("exact"));
    cover_->setToolTip(tr("Exact: the whole film is enlarged by just as much as hides every border"));
    connect(cover_, &QComboBox::activated, this, [this](int index) {
        Project next = session_.project();
        next.finish.cover = static_cast<CoverMode>(index);
        session_.edit(std::move(next), tr("Cover %1").arg(cover_->itemText(index)));
    });
    last->addWidget(cover_);
    coverSays_ = dimLabel({}, this);
    coverSays_->setFont(theme::words(12));
    coverSays_->setWordWrap(true);
    last->addWidget(coverSays_, 1);
    render_ = new QPushButton(tr("Render film"), this);
    render_->setObjectName(QStringLiteral("render-open"));
    render_->setToolTip(tr("Choose where and how to render (Ctrl+R)"));
    connect(render_, &QPushButton::clicked, this, &SideColumn::renderAsked);
    row->addWidget(render_);
    column.addLayout(last);
}

void SideColumn::refresh()
{
    const Project& project = session_.project();
    const auto& selection = session_.selection();
    const Strike* first = selection.empty() ? nullptr : project.strike(selection.front());
    strike_->setVisible(first != nullptr);
    hint_->setVisible(first == nullptr);
    refreshFinish();
    if (first == nullptr) {
        hint_->setText(project.strikes.empty() ? tr("No strike yet.\n\nStep to the first frame of contact and press S, "
                                                    "or 1 blast, 2 landing, 3 hit, 4 beat.")
                                               : tr("No strike selected.\n\nClick a spark on the Reel, or press Up and "
                                                    "Down to go from strike to strike."));
    } else {
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
        const QSignalBlocker block(recipe_);
        recipe_->clear();
        for (const Recipe& recipe : project.recipes)
            recipe_->addItem(QString::fromStdString(recipe.name), QVariant::fromValue<qlonglong>(recipe.id));
        recipe_->setCurrentIndex(mixed([](const Strike& s) { return s.recipe; })
                                     ? -1
                                     : recipe_->findData(QVariant::fromValue<qlonglong>(first->recipe)));
        const auto users = std::count_if(project.strikes.begin(), project.strikes.end(),
                                         [&](const Strike& s) { return s.recipe == first->recipe; });
        users_->setVisible(recipe_->currentIndex() >= 0);
        users_->setText(users == 1 ? tr("1 strike") : tr("%1 strikes").arg(users));
    }
    const Strike* one = session_.selectedStrike();
    const Recipe* recipe = one != nullptr ? project.recipe(one->recipe) : nullptr;
    const std::size_t wanted = recipe != nullptr ? recipe->strands.size() : 0;
    while (rows_.size() > wanted) {
        delete rows_.back();
        rows_.pop_back();
    }
    for (StrandRow* row : rows_)
        row->refresh();
    while (rows_.size() < wanted) {
        rows_.push_back(new StrandRow(session_, rows_.size(), this));
        strands_->addWidget(rows_.back());
    }
}

void SideColumn::refreshFinish()
{
    const Finish& finish = session_.project().finish;
    edges_->setCurrentIndex(static_cast<int>(finish.edges));
    cover_->setCurrentIndex(static_cast<int>(finish.cover));
    colour_->setVisible(finish.edges == EdgeMode::plain);
    if (!colour_->hasFocus())
        colour_->setText(QColor(finish.plain.r, finish.plain.g, finish.plain.b).name());
    const Cover& cover = session_.cover();
    if (cover.needed <= 1)
        coverSays_->setText(tr("No frame shows its border."));
    else if (cover.needed > largestCover)
        coverSays_->setText(tr("Frame %1 leaves the picture: no zoom hides its border.").arg(cover.worstFrame));
    else if (finish.cover == CoverMode::off)
        coverSays_->setText(
            tr("%1 % would hide the borders (frame %2).").arg(100 * cover.needed, 0, 'f', 1).arg(cover.worstFrame));
    else
        coverSays_->setText(
            tr("Zoomed to %1 %, set by frame %2.").arg(100 * cover.zoom, 0, 'f', 1).arg(cover.worstFrame));
}

} // namespace ember::app
