// SPDX-License-Identifier: GPL-3.0-or-later
#include "json_reader.h"

#include "ember/core/renamed.h"
#include "ember/core/shown_text.h"
#include "ember/core/values.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace ember {

std::string prettyJson(const Json& json)
{
    const std::string text = json.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
    std::string out;
    bool quoted = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        out += c;
        if (quoted && c == '\\')
            out += text[++i];
        else if (c == '"')
            quoted = !quoted;
        if (quoted || c != '[')
            continue;
        const auto end = text.find_first_not_of("0123456789.,+-e \n", i + 1);
        if (end == std::string::npos || text[end] != ']')
            continue;
        for (++i; i < end; ++i)
            if (text[i] == ',')
                out += ", ";
            else if (text[i] != ' ' && text[i] != '\n')
                out += text[i];
        out += ']';
    }
    return out;
}

std::optional<FrameRate> rateFromText(const std::string& text)
{
    std::int64_t num = 0;
    std::int64_t den = 0;
    char rest = 0;
    if (std::sscanf(text.c_str(), "%ld/%ld%c", &num, &den, &rest) != 2)
        return std::nullopt;
    return FrameRate::make(num, den);
}

JsonObject::JsonObject(const Json& json, std::string place, JsonTrouble& trouble)
    : json_(json), place_(std::move(place)), trouble_(trouble)
{
    if (!json_.is_object())
        trouble_.add(ErrorCode::badFormat, place_, "should be an object in braces");
}

JsonObject::~JsonObject()
{
    if (!json_.is_object())
        return;
    for (const auto& [key, value] : json_.items())
        if (!asked_.contains(key))
            trouble_.add(ErrorCode::badFormat, placeOf(shownText(key, 40)), "is not a key this version knows");
}

const Json* JsonObject::find(const char* key)
{
    asked_.insert(key);
    if (!json_.is_object())
        return nullptr;
    if (const auto found = json_.find(key); found != json_.end())
        return &*found;
    const RenamedKey* renamed = renamedTo(key);
    if (renamed == nullptr)
        return nullptr;
    const auto before = json_.find(renamed->before);
    if (before == json_.end())
        return nullptr;
    asked_.insert(std::string(renamed->before));
    return &*before;
}

const Json* JsonObject::need(const char* key)
{
    const Json* value = find(key);
    if (value == nullptr)
        trouble_.add(ErrorCode::badFormat, placeOf(key), "is missing");
    return value;
}

double JsonObject::checked(const Json& value, const char* key, double min, double max)
{
    if (!value.is_number()) {
        wrong(key, "should be a number");
        return min;
    }
    const auto number = value.get<double>();
    if (!(std::isfinite(number) && number >= min && number <= max)) {
        wrong(key,
              Phrase("is {}, which is outside {} to {}", shortestText(number), shortestText(min), shortestText(max)));
        return min;
    }
    return number;
}

double JsonObject::number(const char* key, double min, double max, double fallback)
{
    const Json* value = find(key);
    return value != nullptr ? checked(*value, key, min, max) : fallback;
}

double JsonObject::number(const FieldSpec& spec)
{
    return number(std::string(spec.key).c_str(), spec.min, spec.max, spec.fallback);
}

double JsonObject::value(const std::string& key, const FieldSpec& spec, double fallback)
{
    if (spec.choices.data() == offOn.data())
        return flag(key.c_str(), fallback != 0) ? 1 : 0;
    if (!spec.choices.empty())
        return choice(key.c_str(), spec.choices, fallback);
    if (isColour(spec) && find(key.c_str()) != nullptr) {
        const std::string word = text(key.c_str(), {});
        const auto colour = valueFromText(spec, word);
        if (!colour)
            wrong(key, Phrase("is {}, but should be {}", inQuotes(word), valueWanted(spec)));
        return colour.value_or(fallback);
    }
    if (const RenamedKey* renamed = renamedTo(key); renamed != nullptr && renamed->factor != 1 && json_.is_object() &&
                                                    !json_.contains(key) && json_.contains(renamed->before)) {
        const double old = this->number(std::string(renamed->before).c_str(), spec.min / renamed->factor,
                                        spec.max / renamed->factor, fallback / renamed->factor);
        return old * renamed->factor;
    }
    const double number = this->number(key.c_str(), spec.min, spec.max, fallback);
    if (spec.whole && number != std::floor(number))
        wrong(key, Phrase("is {}, but should be a whole number", shortestText(number)));
    return number;
}

double JsonObject::choice(const char* key, Choices choices, double fallback)
{
    const Json* value = find(key);
    if (value == nullptr)
        return fallback;
    const std::string word = text(key, {});
    const auto found = std::find(choices.begin(), choices.end(), word);
    if (found != choices.end())
        return static_cast<double>(found - choices.begin());
    std::string words;
    for (const auto known : choices)
        words += (words.empty() ? "" : ", ") + std::string(known);
    wrong(key, Phrase("is {}, but should be one of {}", inQuotes(word), words));
    return fallback;
}

double JsonObject::needChoice(const char* key, Choices choices)
{
    return need(key) != nullptr ? choice(key, choices, 0) : 0;
}

std::optional<double> JsonObject::optionalNumber(const FieldSpec& spec)
{
    const std::string key(spec.key);
    const Json* value = find(key.c_str());
    if (value == nullptr || value->is_null())
        return std::nullopt;
    return checked(*value, key.c_str(), spec.min, spec.max);
}

std::int64_t JsonObject::needInteger(const char* key, std::int64_t min, std::int64_t max)
{
    const Json* value = need(key);
    if (value == nullptr)
        return min;
    const double number = checked(*value, key, static_cast<double>(min), static_cast<double>(max));
    if (number != std::floor(number))
        wrong(key, Phrase("is {}, but should be a whole number", shortestText(number)));
    return static_cast<std::int64_t>(number);
}

std::string JsonObject::text(const char* key, const std::string& fallback)
{
    const Json* value = find(key);
    if (value == nullptr)
        return fallback;
    if (!value->is_string()) {
        wrong(key, "should be a text in quotes");
        return fallback;
    }
    return value->get<std::string>();
}

std::string JsonObject::needText(const char* key)
{
    return need(key) != nullptr ? text(key, {}) : std::string();
}

bool JsonObject::flag(const char* key, bool fallback)
{
    const Json* value = find(key);
    if (value == nullptr)
        return fallback;
    if (!value->is_boolean()) {
        wrong(key, "should be true or false");
        return fallback;
    }
    return value->get<bool>();
}

} // namespace ember
