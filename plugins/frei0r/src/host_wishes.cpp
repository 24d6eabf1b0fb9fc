// SPDX-License-Identifier: GPL-3.0-or-later
#include "host_wishes.h"

#include <algorithm>
#include <charconv>
#include <cmath>

#include "ember/core/gentle.h"
#include "ember/core/values.h"
#include "ember/film/import_strikes.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/recipe_book.h"
#include "ember/project/shipped_recipes.h"

namespace ember::frei0r {

namespace {

const FieldSpec secondsField{"seconds", "Seconds", "s", 0, 1e6, 0, 0.01, ""};

std::vector<std::string> split(const std::string& text, char at)
{
    std::vector<std::string> parts(1);
    for (const char c : text)
        if (c == at)
            parts.emplace_back();
        else
            parts.back() += c;
    return parts;
}

std::optional<std::int64_t> wholeFrom(const std::string& text)
{
    std::int64_t value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    return error == std::errc() && end == text.data() + text.size() && std::abs(value) <= longestFilm
               ? std::optional(value)
               : std::nullopt;
}

Result<FrameRate> rateOf(const HostWishes& wishes)
{
    if (wishes.rate.empty())
        return FrameRate();
    const auto parts = split(wishes.rate, '/');
    const auto num = wholeFrom(parts[0]),
               den = parts.size() == 2 ? wholeFrom(parts[1]) : std::optional<std::int64_t>(1);
    const auto rate = parts.size() <= 2 && num && den ? FrameRate::make(*num, *den) : std::nullopt;
    if (!rate)
        return Error{ErrorCode::badValue, Phrase("rate {}", wishes.rate),
                     "it should be a whole number or a fraction, such as 25 or 24000/1001"};
    return *rate;
}

/// "FRAME", "FRAME:KIND" or "FRAME:KIND:STRENGTH", with spaces for colons, which some hosts take for theirs; a frame
/// may be seconds, "2.5s", a strength a ratio or "80%".
Result<ListedStrike> strikeOf(const std::string& text, FrameRate rate)
{
    const Error wrong{ErrorCode::badValue, Phrase("strikes: {}", text),
                      "it should be FRAME:KIND:STRENGTH, such as 48:blast:80%, or 2.5s:hit"};
    const auto parts = split(text, text.find(':') != std::string::npos ? ':' : ' ');
    if (parts.size() > 3)
        return wrong;
    ListedStrike strike;
    if (parts[0].ends_with('s')) {
        const auto seconds = valueFromText(secondsField, parts[0].substr(0, parts[0].size() - 1));
        if (!seconds)
            return wrong;
        strike.seconds = *seconds;
    } else if (const auto frame = wholeFrom(parts[0]); frame && *frame >= 0) {
        strike.seconds = rate.seconds(static_cast<double>(*frame));
    } else {
        return wrong;
    }
    if (parts.size() > 1) {
        const auto kind = kindFromName(parts[1]);
        if (!kind)
            return wrong;
        strike.kind = *kind;
    }
    if (parts.size() > 2) {
        const auto strength = valueFromText(strikefield::strength, parts[2]);
        if (!strength)
            return wrong;
        strike.strength = *strength;
    }
    return strike;
}

Result<StrikeList> strikesOf(const HostWishes& wishes, FrameRate rate)
{
    if (listFormatOf(wishes.strikes))
        return readStrikeList(wishes.strikes, {rate, {}});
    StrikeList strikes;
    for (const std::string& one : split(wishes.strikes, ',')) {
        if (one.empty())
            continue;
        auto strike = strikeOf(one, rate);
        if (!strike)
            return strike.error();
        strikes.push_back(std::move(strike).value());
    }
    return strikes;
}

/// A film without a clip, as long as what shakes it.
Project filmFor(const StrikeList& strikes, int width, int height, FrameRate rate)
{
    Project project = newProject(width, height, rate);
    double last = 0;
    for (const ListedStrike& strike : strikes)
        last = std::max(last, strike.seconds);
    constexpr double longestShake = 30; // seconds; what is after it is felt all the same
    Shot shot;
    shot.clip = "the host's pictures";
    shot.still = true;
    shot.length = std::min<std::int64_t>(longestFilm, std::llround(rate.frames(last + longestShake)));
    project.addShot(std::move(shot));
    return project;
}

Status useRecipe(Project& project, const StrikeIds& ids, const std::string& name)
{
    RecipeId recipe = 0;
    if (const Recipe* own = project.recipeNamed(name)) {
        recipe = own->id;
    } else {
        const BookEntries entries = allRecipes(openUserBook(userBookPath()).entries);
        const BookEntry* entry = entryNamed(entries, name);
        if (entry == nullptr)
            return Error{ErrorCode::badValue, Phrase("recipe {}", name),
                         "neither the project nor the recipe book has one of that name"};
        recipe = project.addRecipe(recipeFor(*entry, project));
    }
    for (const StrikeId id : ids)
        if (Strike* strike = project.strike(id))
            strike->recipe = recipe;
    return Done{};
}

} // namespace

Result<Project> filmOf(const HostWishes& wishes, int width, int height)
{
    if (wishes.project.empty() && wishes.strikes.empty())
        return Error{ErrorCode::badValue, "project, strikes", "one of them has to be set"};
    auto rate = rateOf(wishes);
    if (!rate)
        return rate.error();
    std::optional<Project> project;
    if (!wishes.project.empty()) {
        auto loaded = loadProject(wishes.project);
        if (!loaded)
            return loaded.error();
        project = std::move(loaded).value();
        rate = project->rate;
    }
    if (!wishes.strikes.empty()) {
        const auto strikes = strikesOf(wishes, rate.value());
        if (!strikes)
            return strikes.error();
        if (!project)
            project = filmFor(strikes.value(), width, height, rate.value());
        StrikesImported imported = withStrikesImported(std::move(*project), strikes.value());
        if (!wishes.recipe.empty())
            if (const Status used = useRecipe(imported.project, imported.ids, wishes.recipe); !used)
                return used.error();
        project = std::move(imported.project);
    }
    const double strength = 2 * std::clamp(wishes.strength, 0.0, 1.0);
    for (Strike& strike : project->strikes)
        strike.strength = clampTo(strikefield::strength, strike.strength * strength);
    const double intensity = std::clamp(wishes.intensity, 0.0, 1.0);
    project->master.intensity *= intensity;
    for (IntensityKey& key : project->master.keys)
        key.value *= intensity;
    return wishes.gentle ? gentled(*project) : std::move(*project);
}

bool isTime(double time, bool inMilliseconds)
{
    constexpr double longest = 1e7; // seconds, four months
    return std::abs(time) <= longest * (inMilliseconds ? 1000 : 1);
}

Result<Frame> frameAt(const HostWishes& wishes, FrameRate rate, double time, bool inMilliseconds, std::int64_t untimed)
{
    if (!wishes.clock.empty() && wishes.clock != "seconds" && wishes.clock != "milliseconds")
        return Error{ErrorCode::badValue, Phrase("clock {}", wishes.clock), "it should be seconds or milliseconds"};
    const auto start = wishes.start.empty() ? std::optional<std::int64_t>(0) : wholeFrom(wishes.start);
    if (!start)
        return Error{ErrorCode::badValue, Phrase("start {}", wishes.start), "it should be the number of a frame"};
    const bool thousandths = wishes.clock.empty() ? inMilliseconds : wishes.clock == "milliseconds";
    if (!isTime(time, thousandths))
        return Frame{*start + untimed};
    return Frame{*start + std::llround(rate.frames(thousandths ? time / 1000 : time))};
}

} // namespace ember::frei0r
