// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <concepts>
#include <functional>
#include <string>
#include <vector>

namespace ember {

/// Gives a code in another language; empty where it does not know it.
using Tongue = std::function<std::string(const std::string& code)>;

/// Something to be said, as a code with its values: a constant English text with {} where each value goes, such as
/// "its last frame is {}, so {} cannot be read". What the engine has to say travels like this; only the window and the
/// batch tool make words of it.
class Phrase {
public:
    Phrase() = default;
    /// A code without values. Must be a constant of the program.
    Phrase(const char* code) : text_(code), code_(*code != '\0') {}
    /// Words from outside, to be said as they are: a path, a name, what a library tells.
    Phrase(std::string words) : text_(std::move(words)) {}
    template <typename... Values>
    requires(sizeof...(Values) > 0) Phrase(const char* code, const Values&... values)
        : text_(code), code_(true), values_{valueOf(values)...}
    {
    }

    /// Several, one after the other.
    static Phrase joined(const std::vector<Phrase>& phrases, const std::string& between);

    bool empty() const { return text_.empty(); }
    /// In English, or in another tongue as far as that knows it. There {2} stands for the second value.
    std::string said(const Tongue& tongue = {}) const;

    bool operator==(const Phrase&) const = default;

private:
    static Phrase valueOf(const Phrase& phrase) { return phrase; }
    static Phrase valueOf(const std::string& words) { return words; }
    static Phrase valueOf(std::string_view words) { return std::string(words); }
    static Phrase valueOf(const char* code) { return code; }
    static Phrase valueOf(std::integral auto number) { return std::to_string(number); }
    static Phrase valueOf(double number);

    std::string text_;
    bool code_ = false;
    std::vector<Phrase> values_;
};

} // namespace ember
