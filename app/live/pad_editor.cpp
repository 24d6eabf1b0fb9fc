// SPDX-License-Identifier: GPL-3.0-or-later
#include "pad_editor.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSignalBlocker>

#include "form.h"
#include "place_block.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

namespace {

constexpr std::array<std::string_view, 4> kindWords{"blast", "landing", "hit", "beat"};
constexpr FieldSpec kindField = choiceField("kind", "Kind", kindWords, 2, "What strikes of this pad are called");
constexpr FieldSpec bySeedField =
    choiceField("by_seed", "By seed", offOn, 0, "Each press goes another way; else it goes by the direction");
const FieldSpec noteField{
    "note", "Note", "", -1,
    127,    -1,     1,  "The MIDI note that strikes it; -1 is none: then notes take pads in their order",
    {},     true};

} // namespace

PadEditor::PadEditor(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), name_(new QLineEdit(this)),
      add_(smallButton(tr("Add pad"), QStringLiteral("pad-add"), tr("Another pad"), this)),
      remove_(smallButton(tr("Delete pad"), QStringLiteral("pad-delete"), tr("Takes this pad off the board"), this))
{
    setObjectName(QStringLiteral("pad-editor"));
    auto* column = newColumn(this, 4, {0, 0, 0, 0});
    auto* head = new QHBoxLayout;
    name_->setObjectName(QStringLiteral("pad-name"));
    name_->setAccessibleName(tr("Name"));
    name_->setToolTip(tr("The pad's name, by which OSC messages can strike it; empty: its recipe's"));
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const std::string name = name_->text().trimmed().toStdString();
        if (held() != nullptr && name != held()->name)
            change([&](Pad& pad) { pad.name = name; }, tr("Pad named %1").arg(name_->text().trimmed()));
    });
    head->addWidget(name_, 1);
    head->addWidget(add_);
    head->addWidget(remove_);
    column->addLayout(head);
    for (std::size_t state = 0; state < boardStates; ++state) {
        auto* row = new QHBoxLayout;
        states_[state] = dimLabel({}, this);
        states_[state]->setFixedWidth(60);
        row->addWidget(states_[state]);
        recipes_[state] = new QComboBox(this);
        recipes_[state]->setObjectName(QStringLiteral("pad-recipe-%1").arg(state));
        recipes_[state]->setToolTip(tr("What it strikes in this state of the board"));
        connect(recipes_[state], &QComboBox::activated, this, [this, state](int index) {
            const RecipeId recipe = recipes_[state]->itemData(index).toLongLong();
            change([&](Pad& pad) { pad.recipes[state] = recipe; },
                   tr("Pad strikes %1").arg(recipes_[state]->itemText(index)));
        });
        row->addWidget(recipes_[state], 1);
        column->addLayout(row);
    }
    ControlGrid::Binding binding;
    binding.read = [this](const std::string& key) { return value(key); };
    binding.write = [this](const std::string& key, const FieldSpec&, double wanted, quint64 gesture) {
        setValue(key, wanted, gesture);
    };
    values_ = new ControlGrid(session_.document, session_.shaping, std::move(binding), 3, this);
    values_->setObjectName(QStringLiteral("pad-values"));
    values_->add("strength", strikefield::strength);
    values_->add("kind", kindField);
    values_->add("note", noteField);
    values_->add("direction", strikefield::direction);
    values_->add("by_seed", bySeedField);
    column->addWidget(values_);
    PlaceBlock::Binding place;
    place.read = [this]() -> std::optional<Place> { return held() != nullptr ? held()->place : std::nullopt; };
    place.write = [this](const std::optional<Place>& wanted, const QString& told, quint64 gesture) {
        change([&](Pad& pad) { pad.place = wanted; }, told, gesture);
    };
    place.says = [this] {
        if (held() == nullptr || !held()->place)
            return QString();
        Strike strike = strikeOf(*held(), 0, 1);
        const ArrivalOf arrival = arrivalOf(session_.document.project(), strike);
        return tr("%1 m away: felt at %2 %, %3 frames later")
            .arg(arrival.distance, 0, 'f', 1)
            .arg(std::lround(100 * arrival.share * strike.strength))
            .arg(arrival.felt - arrival.event);
    };
    place_ = new PlaceBlock(session_, std::move(place), this);
    if (auto* top = place_->findChild<QWidget*>(QStringLiteral("place-top-view")))
        top->hide(); // it is on the bench
    column->addWidget(place_);
    connect(add_, &QPushButton::clicked, this, [this] {
        const Project& project = session_.document.project();
        if (project.recipes.empty())
            return;
        const RecipeId recipe = held() != nullptr ? held()->recipes[0] : project.recipes.front().id;
        session_.document.edit(withPad(project, recipe), tr("Pad added"));
        emit padWished(static_cast<int>(boardOf(session_.document.project()).pads.size()) - 1);
    });
    connect(remove_, &QPushButton::clicked, this, [this] {
        session_.document.edit(withoutPad(session_.document.project(), static_cast<std::size_t>(pad_)),
                               tr("Pad deleted"));
        emit padWished(std::max(0, pad_ - 1));
    });
    connect(&session_.document, &OpenDocument::changed, this, &PadEditor::refresh);
    refresh();
}

const Pad* PadEditor::held() const
{
    return pad_ >= 0 && static_cast<std::size_t>(pad_) < board_.pads.size()
               ? &board_.pads[static_cast<std::size_t>(pad_)]
               : nullptr;
}

void PadEditor::change(const std::function<void(Pad&)>& change, const QString& told, quint64 gesture)
{
    session_.document.edit(
        withPadChanged(session_.document.project(), static_cast<std::size_t>(std::max(0, pad_)), change), told,
        gesture);
}

std::optional<double> PadEditor::value(const std::string& key) const
{
    const Pad* pad = held();
    if (pad == nullptr)
        return std::nullopt;
    if (key == "strength")
        return pad->strength;
    if (key == "kind")
        return static_cast<double>(pad->kind);
    if (key == "note")
        return pad->note;
    if (key == "by_seed")
        return pad->direction ? 0 : 1;
    return pad->direction;
}

void PadEditor::setValue(const std::string& key, double wanted, quint64 gesture)
{
    const auto told = [&](const QString& text) { return tr("Pad %1: %2").arg(pad_ + 1).arg(text); };
    if (key == "strength")
        change([&](Pad& pad) { pad.strength = wanted; }, told(tr("%1 %").arg(std::lround(100 * wanted))), gesture);
    else if (key == "kind")
        change([&](Pad& pad) { pad.kind = static_cast<StrikeKind>(static_cast<int>(wanted)); },
               told(ours(kindWords[static_cast<std::size_t>(wanted)])), gesture);
    else if (key == "note")
        change([&](Pad& pad) { pad.note = static_cast<int>(wanted); }, told(tr("note %1").arg(wanted)), gesture);
    else if (key == "by_seed")
        change([&](Pad& pad) { pad.direction = wanted != 0 ? std::nullopt : std::optional(90.0); },
               told(wanted != 0 ? tr("the seed chooses the direction") : tr("direction 90°")), gesture);
    else
        change([&](Pad& pad) { pad.direction = wanted; }, told(tr("direction %1°").arg(wanted)), gesture);
}

void PadEditor::setPad(int pad)
{
    pad_ = pad;
    refresh();
}

void PadEditor::refresh()
{
    const Project& project = session_.document.project();
    board_ = boardOf(project);
    const Pad* pad = held();
    setEnabled(pad != nullptr || !project.recipes.empty());
    if (!name_->hasFocus())
        name_->setText(pad != nullptr ? QString::fromStdString(pad->name) : QString());
    const Recipe* recipe = pad != nullptr ? project.recipe(pad->recipes[0]) : nullptr;
    name_->setPlaceholderText(recipe != nullptr ? QString::fromStdString(recipe->name) : tr("No pad"));
    for (std::size_t state = 0; state < boardStates; ++state) {
        states_[state]->setText(QString::fromStdString(board_.states[state]));
        const QSignalBlocker block(recipes_[state]);
        recipes_[state]->clear();
        for (const Recipe& one : project.recipes)
            recipes_[state]->addItem(QString::fromStdString(one.name), QVariant::fromValue<qlonglong>(one.id));
        recipes_[state]->setCurrentIndex(
            pad != nullptr ? recipes_[state]->findData(QVariant::fromValue<qlonglong>(pad->recipes[state])) : -1);
    }
    values_->refresh();
    place_->refresh();
    allow(add_, board_.pads.size() < mostPads ? QString() : tr("A board has %1 pads at most").arg(mostPads));
    allow(remove_, board_.pads.size() > 1 ? QString() : tr("A board keeps one pad"));
}

} // namespace ember::app
