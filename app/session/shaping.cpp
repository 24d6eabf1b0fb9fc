// SPDX-License-Identifier: GPL-3.0-or-later
#include "shaping.h"

#include <QStringList>

#include "ember/core/values.h"
#include "ember/project/curve_edits.h"
#include "messages.h"
#include "open_document.h"
#include "selection.h"
#include "text.h"
#include "words.h"

namespace ember::app {

Shaping::Shaping(OpenDocument& document, Selection& selection, Messages& messages)
    : document_(document), selection_(selection), messages_(messages)
{
    connect(&document_, &OpenDocument::edited, this, [this] { felt_.reset(); });
    connect(&document_, &OpenDocument::replaced, this, [this] { felt_.reset(); });
    connect(&selection_, &Selection::changed, this, [this] { felt_.reset(); });
}

const Recipe* Shaping::felt() const
{
    const Strike* first = selection_.empty() ? nullptr : document_.project().strike(selection_.ids().front());
    if (first == nullptr || document_.project().recipe(first->recipe) == nullptr)
        return nullptr;
    if (!felt_)
        felt_ = recipeAsSet(document_.project(), *first);
    return &*felt_;
}

std::optional<double> Shaping::value(const std::string& key) const
{
    const Recipe* recipe = felt();
    return recipe != nullptr ? readValue(*recipe, key) : std::nullopt;
}

QString Shaping::settingKey(const std::string& key) const
{
    const Strike* first = selection_.empty() ? nullptr : document_.project().strike(selection_.ids().front());
    const Recipe* recipe = first != nullptr ? document_.project().recipe(first->recipe) : nullptr;
    if (recipe == nullptr)
        return {};
    if (!first->overrides[key])
        return QString::fromStdString("recipe." + recipe->name + "." + key);
    const auto at = static_cast<std::size_t>(first - document_.project().strikes.data());
    return QString::fromStdString("strike." + std::to_string(at + 1) + ".own." + key);
}

bool Shaping::isOwn(const std::string& key) const
{
    const Strike* first = selection_.empty() ? nullptr : document_.project().strike(selection_.ids().front());
    return first != nullptr && first->overrides[key].has_value();
}

void Shaping::set(const std::vector<std::pair<std::string, double>>& values, Document::Gesture gesture)
{
    Project next = document_.project();
    QStringList told;
    for (const auto& [key, value] : values) {
        const Recipe* recipe = felt();
        const FieldSpec* spec = recipe != nullptr ? specOfValue(*recipe, key) : nullptr;
        if (spec == nullptr)
            continue;
        next = withRecipeValue(std::move(next), selection_.ids(), key, value, scope_);
        told << valueSentence(key, *spec, value);
    }
    document_.edit(std::move(next), told.join(QStringLiteral(", ")), gesture);
}

void Shaping::setKeys(const std::string& strand, Axis axis, std::vector<CurveKey> keys, const QString& result,
                      Document::Gesture gesture)
{
    document_.edit(withDrawnKeys(document_.project(), selection_.ids(), strand, axis, std::move(keys), scope_), result,
                   gesture);
}

bool Shaping::keysAreOwn(const std::string& strand) const
{
    const Strike* first = selection_.empty() ? nullptr : document_.project().strike(selection_.ids().front());
    return first != nullptr && first->overrides.keysOf(strand) != nullptr;
}

void Shaping::returnKeys(const std::string& strand)
{
    document_.edit(withoutOwnKeys(document_.project(), selection_.ids(), strand),
                   tr("The keys of %1 follow the recipe again").arg(QString::fromStdString(strand)));
}

double Shaping::lastFeltKey(const std::string& strand) const
{
    const Recipe* recipe = felt();
    const Strand* drawn = recipe != nullptr ? recipe->strand(strand) : nullptr;
    return drawn != nullptr ? lastFeltKeyFrame(*recipe, *drawn) : 0;
}

void Shaping::reachKey(const std::string& strand, double keyFrame)
{
    document_.edit(withShapeReaching(document_.project(), selection_.ids(), strand, keyFrame, scope_),
                   tr("It lasts until the last key"));
}

void Shaping::reset(const std::string& key)
{
    const Recipe* recipe = felt();
    const FieldSpec* spec = recipe != nullptr ? specOfValue(*recipe, key) : nullptr;
    if (spec == nullptr)
        return;
    if (isOwn(key))
        document_.edit(withoutOverride(document_.project(), selection_.ids(), key),
                       tr("%1 follows the recipe again").arg(ours(spec->label)));
    else
        set({{key, spec->fallback}}, 0);
}

std::string Shaping::shownStrand() const
{
    const Recipe* recipe = felt();
    if (recipe == nullptr || recipe->strands.empty())
        return {};
    return recipe->strand(openStrand_) != nullptr ? openStrand_ : recipe->strands.front().name;
}

void Shaping::setOpenStrand(const std::string& name)
{
    if (name == openStrand_)
        return;
    openStrand_ = name;
    emit changed();
}

void Shaping::renameStrand(std::size_t index, const std::string& name)
{
    const Recipe* recipe = felt();
    if (recipe == nullptr || index >= recipe->strands.size())
        return;
    Project next = withStrandRenamed(document_.project(), recipe->id, index, name);
    if (openStrand_ == recipe->strands[index].name)
        openStrand_ = name;
    document_.edit(std::move(next), tr("Strand named %1").arg(QString::fromStdString(name)));
}

std::string Shaping::envelopePrefix() const
{
    const Recipe* recipe = felt();
    const Strand* strand = recipe != nullptr ? recipe->strand(openStrand_) : nullptr;
    return strand != nullptr && strand->envelope ? "strand." + openStrand_ + ".envelope." : "envelope.";
}

double Shaping::playRate() const
{
    const Recipe* recipe = felt();
    return recipe != nullptr ? recipe->playRate : 1;
}

Envelope Shaping::envelopeInFilm() const
{
    return envelope().inTime(1 / playRate());
}

Envelope Shaping::envelope() const
{
    const Recipe* recipe = felt();
    if (recipe == nullptr)
        return {};
    const Strand* strand = recipe->strand(openStrand_);
    return strand != nullptr && strand->envelope ? *strand->envelope : recipe->envelope;
}

void Shaping::applyRecipe(RecipeId recipe, Document::Gesture gesture)
{
    if (selection_.empty() || document_.project().recipe(recipe) == nullptr)
        return;
    document_.edit(withRecipeApplied(document_.project(), selection_.ids(), recipe),
                   tr("Recipe %1").arg(QString::fromStdString(document_.project().recipe(recipe)->name)), gesture);
}

void Shaping::makeOwnRecipe()
{
    const Strike* strike = selection_.strike();
    if (strike == nullptr) {
        emit messages_.told(tr("Select one strike to give it its own recipe"));
        return;
    }
    auto [next, made] = withOwnRecipe(document_.project(), strike->id);
    if (made != 0)
        document_.edit(next, tr("%1 has its own recipe now: %2")
                                 .arg(strikeTitle(*strike), QString::fromStdString(next.recipe(made)->name)));
}

void Shaping::setInSeconds(bool on)
{
    if (on == inSeconds_)
        return;
    inSeconds_ = on;
    emit changed();
}

void Shaping::setScope(ShapeScope scope)
{
    if (scope == scope_)
        return;
    scope_ = scope;
    emit changed();
}

} // namespace ember::app
