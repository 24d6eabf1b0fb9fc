// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <set>
#include <string>
#include <string_view>

#include "ember/core/error.h"
#include "ember/core/field.h"
#include "ember/core/text.h"
#include "ember/core/time.h"
#include "ember/json/json.h"

namespace ember {

/// JSON as it is written to files: indented by two, a list of nothing but numbers on one line.
std::string prettyJson(const Json& json);

/// "24000/1001"
std::optional<FrameRate> rateFromText(const std::string& text);

/// Keeps the first thing found wrong while a JSON document is read, so that the readers need no branches for it.
class JsonTrouble {
public:
    explicit JsonTrouble(std::string file) : file_(std::move(file)) {}

    void add(ErrorCode code, const Phrase& place, const Phrase& what)
    {
        if (!error_)
            error_ = Error{code, file_, place.empty() ? what : Phrase("{} {}", place, what)};
    }
    const std::optional<Error>& error() const { return error_; }

private:
    std::string file_;
    std::optional<Error> error_;
};

/// One object of a JSON document: knows where it stands, and in the end which of its keys nobody asked for.
class JsonObject {
public:
    JsonObject(const Json& json, std::string place, JsonTrouble& trouble);
    ~JsonObject(); ///< keys that were not asked for are trouble
    JsonObject(const JsonObject&) = delete;
    JsonObject& operator=(const JsonObject&) = delete;

    /// Null when it is missing. What earlier versions called otherwise is found by its old key.
    const Json* find(const char* key);
    /// Trouble when it is missing.
    const Json* need(const char* key);

    double number(const char* key, double min, double max, double fallback);
    double number(const FieldSpec& spec);
    /// A value by its field: a number, a word of its choices, or true and false for a switch.
    double value(const std::string& key, const FieldSpec& spec, double fallback);
    /// The index of a word.
    double choice(const char* key, Choices choices, double fallback);
    double needChoice(const char* key, Choices choices);
    std::optional<double> optionalNumber(const FieldSpec& spec);
    std::int64_t needInteger(const char* key, std::int64_t min, std::int64_t max);
    std::string text(const char* key, const std::string& fallback);
    std::string needText(const char* key);
    bool flag(const char* key, bool fallback);

    std::string placeOf(const std::string& key) const { return place_.empty() ? key : place_ + "." + key; }
    void wrong(const std::string& key, const Phrase& what) { trouble_.add(ErrorCode::badValue, placeOf(key), what); }
    JsonTrouble& trouble() { return trouble_; }

private:
    double checked(const Json& value, const char* key, double min, double max);

    const Json& json_;
    std::string place_;
    JsonTrouble& trouble_;
    std::set<std::string> asked_;
};

} // namespace ember
