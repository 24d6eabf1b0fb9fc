// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/copied_strikes.h"

#include <algorithm>

#include "ember/project/file.h"
#include "ember/project/frame_edits.h"

namespace ember {

namespace {

constexpr std::size_t longestCopy = 64 << 20; // bytes

bool sameButIdentity(const Recipe& a, Recipe b)
{
    b.id = a.id;
    return a == b;
}

/// A name like `wanted` that no recipe of the project has.
std::string freshName(const Project& project, const std::string& wanted)
{
    std::string name = wanted;
    for (int number = 2; project.recipeNamed(name) != nullptr; ++number)
        name = wanted + " " + std::to_string(number);
    return name;
}

/// Brings a copy's recipes and groups into a project.
class CopyIn {
public:
    CopyIn(StrikesPasted& into, const Project& copy, CopiedFrom from)
        : into_(into), from_(from),
          copy_(from == CopiedFrom::here ? copy
                                         : withFrameSize(withFrameRate(copy, into.project.rate), into.project.width,
                                                         into.project.height, PixelAmounts::follow))
    {
    }
    const Project& copy() const { return copy_; }

    /// The recipe a copied strike has here.
    RecipeId recipeOf(const Strike& strike)
    {
        Project& project = into_.project;
        const Recipe* brought = copy_.recipe(strike.recipe);
        if (brought == nullptr)
            return project.recipes.empty() ? RecipeId{0} : project.recipes.front().id;
        // Identities are a project's own and files do not keep them; names do for the same one.
        if (const Recipe* now = project.recipeNamed(brought->name); now != nullptr && from_ == CopiedFrom::here)
            return now->id;
        for (const Recipe& recipe : project.recipes)
            if (sameButIdentity(recipe, *brought) || came(recipe, *brought))
                return recipe.id;
        Recipe added = *brought;
        added.name = freshName(project, brought->name);
        into_.recipes.push_back(added.name);
        const RecipeId id = project.addRecipe(std::move(added));
        came_.emplace_back(brought->id, id);
        return id;
    }

    std::string groupOf(const Strike& strike)
    {
        const StrikeGroup* brought = copy_.group(strike.group);
        if (brought == nullptr)
            return {};
        if (into_.project.group(strike.group) == nullptr)
            into_.project.groups.push_back(*brought);
        return strike.group;
    }

private:
    bool came(const Recipe& recipe, const Recipe& brought) const
    {
        return std::any_of(came_.begin(), came_.end(),
                           [&](const auto& pair) { return pair.first == brought.id && pair.second == recipe.id; });
    }

    StrikesPasted& into_;
    CopiedFrom from_;
    Project copy_;
    std::vector<std::pair<RecipeId, RecipeId>> came_; ///< under another name
};

} // namespace

Project copyOfStrikes(const Project& project, const StrikeIds& ids)
{
    Project copy;
    copy.width = project.width;
    copy.height = project.height;
    copy.rate = project.rate;
    for (const StrikeId id : ids)
        if (const Strike* strike = project.strike(id))
            copy.strikes.push_back(*strike);
    copy.sortStrikes();
    const auto used = [&](auto test) { return std::any_of(copy.strikes.begin(), copy.strikes.end(), test); };
    copy.recipes.clear();
    for (const Recipe& recipe : project.recipes)
        if (used([&](const Strike& strike) { return strike.recipe == recipe.id; }))
            copy.recipes.push_back(recipe);
    for (const StrikeGroup& group : project.groups)
        if (used([&](const Strike& strike) { return strike.group == group.name; }))
            copy.groups.push_back(group);
    return copy;
}

std::string copyToText(const Project& copy)
{
    return projectToJson(copy, {});
}

Result<Project> copyFromText(std::string_view text)
{
    const auto none = [](const Phrase& why) { return Error{ErrorCode::badFormat, "The clipboard", why}; };
    if (text.size() > longestCopy)
        return none("it holds more text than strikes can be");
    if (text.find_first_not_of(" \t\r\n") == std::string_view::npos || text[text.find_first_not_of(" \t\r\n")] != '{' ||
        text.find("\"strikes\"") == std::string_view::npos)
        return none("it holds no strikes: select some and press Ctrl+C");
    auto copy = projectFromJson(text, {}, "The clipboard");
    if (!copy)
        return copy.error();
    if (copy->strikes.empty())
        return none("it holds no strikes: select some and press Ctrl+C");
    return copy;
}

StrikesPasted withStrikesPasted(Project project, const Project& copy, Frame at, CopiedFrom from)
{
    StrikesPasted pasted;
    pasted.project = std::move(project);
    CopyIn in(pasted, copy, from);
    if (in.copy().strikes.empty())
        return pasted;
    const std::int64_t first = in.copy().strikes.front().frame.index;
    for (Strike strike : in.copy().strikes) {
        strike.frame = Frame{strike.frame.index - first + at.index};
        if (strike.frame.index >= pasted.project.length()) {
            ++pasted.past;
            continue;
        }
        strike.recipe = in.recipeOf(strike);
        strike.group = in.groupOf(strike);
        if (from == CopiedFrom::here && !strike.locked)
            strike.seed = freshSeed(pasted.project);
        pasted.ids.push_back(pasted.project.addStrike(std::move(strike)));
    }
    return pasted;
}

StrikesPasted withValuesPasted(Project project, const StrikeIds& ids, const Project& copy, CopiedFrom from)
{
    StrikesPasted pasted;
    pasted.project = std::move(project);
    CopyIn in(pasted, copy, from);
    if (in.copy().strikes.empty())
        return pasted;
    Strike values = in.copy().strikes.front();
    values.recipe = in.recipeOf(values);
    values.group = in.groupOf(values);
    for (const StrikeId id : ids) {
        Strike* strike = pasted.project.strike(id);
        if (strike == nullptr)
            continue;
        strike->kind = values.kind;
        strike->strength = values.strength;
        strike->direction = values.direction;
        strike->recipe = values.recipe;
        strike->group = values.group;
        strike->overrides = values.overrides;
        pasted.ids.push_back(id);
    }
    return pasted;
}

} // namespace ember
