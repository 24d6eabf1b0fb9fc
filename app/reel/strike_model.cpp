// SPDX-License-Identifier: GPL-3.0-or-later
#include "strike_model.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "ember/core/typed.h"
#include "ember/project/edits.h"
#include "language.h"
#include "text.h"
#include "theme.h"
#include "words.h"

namespace ember::app {

namespace {

/// Numbers and curves that are the strike's own.
std::size_t ownValues(const Strike& strike)
{
    return strike.overrides.all().size() + strike.overrides.drawn().size();
}

constexpr std::array kinds{StrikeKind::blast, StrikeKind::landing, StrikeKind::hit, StrikeKind::beat};

/// "85 %"
QString percent(double ratio)
{
    return QStringLiteral("%1 %").arg(std::round(1000 * ratio) / 10);
}

} // namespace

StrikeModel::StrikeModel(OpenDocument& document, Messages& messages, QObject* parent)
    : QAbstractTableModel(parent), document_(document), messages_(messages)
{
    connect(&document_, &OpenDocument::changed, this, &StrikeModel::refresh);
    refresh();
}

void StrikeModel::refresh()
{
    StrikeIds now;
    for (const Strike& strike : document_.project().strikes)
        now.push_back(strike.id);
    if (now == ids_) { // the same rows: what is chosen stays chosen
        if (!ids_.empty())
            emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount_ - 1));
        return;
    }
    beginResetModel();
    ids_ = std::move(now);
    endResetModel();
}

int StrikeModel::rowOf(StrikeId id) const
{
    const auto found = std::find(ids_.begin(), ids_.end(), id);
    return found == ids_.end() ? -1 : static_cast<int>(found - ids_.begin());
}

int StrikeModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(ids_.size());
}

int StrikeModel::columnCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : columnCount_;
}

const Strike* StrikeModel::strikeAt(const QModelIndex& index) const
{
    return index.isValid() && index.row() < rowCount() ? document_.project().strike(idAt(index.row())) : nullptr;
}

QString StrikeModel::textOf(const Strike& strike, int column) const
{
    switch (column) {
    case frame: return QString::number(strike.frame.index);
    case timecode: return document_.timecode(strike.frame.index);
    case name: return QString::fromStdString(strike.name);
    case kind: return kindTitle(strike.kind);
    case strength: return percent(strike.strength);
    case recipe: {
        const Recipe* used = document_.project().recipe(strike.recipe);
        return used != nullptr ? QString::fromStdString(used->name) : QString();
    }
    case direction: return strike.direction ? QStringLiteral("%1°").arg(*strike.direction) : tr("by seed");
    case own: return strike.overrides.empty() ? QString() : QString::number(ownValues(strike));
    default: return {};
    }
}

QVariant StrikeModel::orderOf(const Strike& strike, int column) const
{
    switch (column) {
    case frame:
    case timecode: return static_cast<qlonglong>(strike.frame.index);
    case strength: return strike.strength;
    case direction: return strike.direction.value_or(-1);
    case own: return static_cast<qlonglong>(ownValues(strike));
    default: return textOf(strike, column).toLower();
    }
}

QVariant StrikeModel::data(const QModelIndex& index, int role) const
{
    const Strike* strike = strikeAt(index);
    if (strike == nullptr)
        return {};
    const int column = index.column();
    switch (role) {
    case Qt::DisplayRole:
    case Qt::EditRole: return textOf(*strike, column);
    case sortRole: return orderOf(*strike, column);
    case Qt::DecorationRole: return column == strength ? QVariant(theme::heat(strike->strength)) : QVariant();
    case Qt::FontRole:
        return column == name || column == kind || column == recipe ? QVariant() : QVariant(theme::numbers(12));
    case Qt::ToolTipRole:
        if (column == own && !strike->overrides.empty())
            return tr("Values of its own, which differ from the recipe's");
        return {};
    default: return {};
    }
}

QVariant StrikeModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    const std::array<QString, columnCount_> heads{tr("Frame"),    tr("Timecode"), tr("Name"),      tr("Kind"),
                                                  tr("Strength"), tr("Recipe"),   tr("Direction"), tr("Own values")};
    return heads[static_cast<std::size_t>(section)];
}

Qt::ItemFlags StrikeModel::flags(const QModelIndex& index) const
{
    const Qt::ItemFlags usual = QAbstractTableModel::flags(index);
    return index.isValid() && index.column() != own ? usual | Qt::ItemIsEditable : usual;
}

QStringList StrikeModel::choicesAt(int column) const
{
    QStringList words;
    if (column == kind)
        for (const StrikeKind one : kinds)
            words << kindTitle(one);
    else if (column == recipe)
        for (const Recipe& one : document_.project().recipes)
            words << QString::fromStdString(one.name);
    return words;
}

std::optional<double> StrikeModel::numberFrom(const QString& text, const FieldSpec& spec, double now) const
{
    const double worth = spec.unit == "%" ? 0.01 : 1;
    const std::array<TypedUnit, 1> units{{{spec.unit, worth}}};
    const auto typed = readTyped(text.toStdString(), units, worth);
    if (!typed) {
        emit messages_.told(tr("“%1” is no number.").arg(text.left(24)));
        return std::nullopt;
    }
    const double value = typed->of(now);
    if (value < spec.min || value > spec.max) {
        emit messages_.told(tr("%1 is out of range: %2 to %3 %4.")
                                .arg(text.left(24))
                                .arg(spec.min / worth)
                                .arg(spec.max / worth)
                                .arg(ours(spec.unit)));
        return std::nullopt;
    }
    return value;
}

bool StrikeModel::change(StrikeId id, const std::function<void(Strike&)>& change, const QString& result)
{
    Project next = withStrikesChanged(document_.project(), {id}, change);
    return document_.edit(std::move(next), result);
}

bool StrikeModel::setData(const QModelIndex& index, const QVariant& value, int role)
{
    const Strike* strike = strikeAt(index);
    const QString text = value.toString().trimmed();
    if (strike == nullptr || role != Qt::EditRole || text == textOf(*strike, index.column()))
        return false;
    const StrikeId id = strike->id;
    switch (index.column()) {
    case frame:
    case timecode: {
        bool whole = false;
        auto to = document_.frameOf(text);
        if (!to && index.column() == frame)
            if (const qlonglong typed = text.toLongLong(&whole); whole)
                to = static_cast<double>(typed);
        if (!to || *to < 0 || *to >= static_cast<double>(document_.length())) {
            emit messages_.told(tr("“%1” is no frame of this film.").arg(text.left(24)));
            return false;
        }
        const auto by = static_cast<std::int64_t>(*to) - strike->frame.index;
        return document_.edit(withStrikesMoved(document_.project(), {id}, by),
                              tr("Strike moved to frame %1").arg(static_cast<qlonglong>(*to)));
    }
    case name:
        return change(
            id, [&](Strike& s) { s.name = text.toStdString(); }, tr("Strike named %1").arg(text));
    case kind:
        for (const StrikeKind one : kinds)
            if (kindTitle(one).compare(text, Qt::CaseInsensitive) == 0)
                return change(
                    id, [&](Strike& s) { s.kind = one; }, tr("Strike is a %1 now").arg(language::inLine(text)));
        emit messages_.told(tr("“%1” is no kind: blast, landing, hit or beat.").arg(text.left(24)));
        return false;
    case strength:
        if (const auto typed = numberFrom(text, strikefield::strength, strike->strength))
            return change(
                id, [&](Strike& s) { s.strength = *typed; }, tr("Strength %1").arg(percent(*typed)));
        return false;
    case recipe:
        if (const Recipe* wanted = document_.project().recipeNamed(text.toStdString()))
            return change(
                id, [to = wanted->id](Strike& s) { s.recipe = to; }, tr("Strike uses %1").arg(text));
        emit messages_.told(tr("This project has no recipe “%1”.").arg(text.left(40)));
        return false;
    case direction: {
        if (text.compare(tr("by seed"), Qt::CaseInsensitive) == 0)
            return change(
                id, [](Strike& s) { s.direction = std::nullopt; }, tr("The seed chooses the direction"));
        if (const auto typed = numberFrom(text, strikefield::direction, strike->direction.value_or(90)))
            return change(
                id, [&](Strike& s) { s.direction = *typed; }, tr("Direction %1°").arg(*typed));
        return false;
    }
    default: return false;
    }
}

} // namespace ember::app
