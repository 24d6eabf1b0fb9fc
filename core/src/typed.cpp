// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/typed.h"

#include <cctype>
#include <charconv>
#include <cmath>
#include <string>

namespace ember {

namespace {

/// A part of an expression; `scaled` when a unit was named in it.
struct Part {
    double value = 0;
    bool scaled = false;
};

/// Recursive descent over text without blanks, in lower case. Each step returns nothing where the text makes no sense.
class Reader {
public:
    Reader(std::string_view text, std::span<const TypedUnit> units, double plain)
        : text_(text), units_(units), plain_(plain)
    {
    }

    std::optional<double> whole()
    {
        const auto part = sum(0);
        if (!part || !text_.empty())
            return std::nullopt;
        const double value = part->scaled ? part->value : part->value * plain_;
        return std::isfinite(value) ? std::optional(value) : std::nullopt;
    }

private:
    static constexpr int deepest = 50;

    bool take(char c)
    {
        if (text_.empty() || text_.front() != c)
            return false;
        text_.remove_prefix(1);
        return true;
    }
    std::optional<Part> sum(int depth)
    {
        auto left = product(depth);
        while (left && !text_.empty() && (text_.front() == '+' || text_.front() == '-')) {
            const double sign = take('+') ? 1 : (take('-'), -1);
            const auto right = product(depth);
            if (!right)
                return std::nullopt;
            const bool scaled = left->scaled || right->scaled;
            const auto in = [&](const Part& part) { return scaled && !part.scaled ? part.value * plain_ : part.value; };
            left = Part{in(*left) + sign * in(*right), scaled};
        }
        return left;
    }
    std::optional<Part> product(int depth)
    {
        auto left = factor(depth);
        while (left && !text_.empty() && (text_.front() == '*' || text_.front() == '/')) {
            const bool times = take('*');
            if (!times)
                take('/');
            const auto right = factor(depth);
            if (!right || (right->scaled && (left->scaled || !times))) // no seconds times seconds
                return std::nullopt;
            left = Part{times ? left->value * right->value : left->value / right->value, left->scaled || right->scaled};
        }
        return left;
    }
    std::optional<Part> factor(int depth)
    {
        if (depth > deepest)
            return std::nullopt;
        if (take('-')) {
            const auto part = factor(depth + 1);
            return part ? std::optional(Part{-part->value, part->scaled}) : std::nullopt;
        }
        if (take('(')) {
            const auto part = sum(depth + 1);
            return part && take(')') ? part : std::nullopt;
        }
        return number();
    }
    std::optional<Part> number()
    {
        double value = 0;
        const auto [end, error] =
            std::from_chars(text_.data(), text_.data() + text_.size(), value, std::chars_format::fixed);
        if (error != std::errc() || end == text_.data())
            return std::nullopt;
        text_.remove_prefix(static_cast<std::size_t>(end - text_.data()));
        std::size_t letters = 0;
        constexpr std::string_view operators = "+-*/()";
        while (letters < text_.size() && operators.find(text_[letters]) == std::string_view::npos)
            ++letters;
        if (letters == 0)
            return Part{value, false};
        const std::string_view name = text_.substr(0, letters);
        text_.remove_prefix(letters);
        for (const TypedUnit& unit : units_)
            if (unit.name.substr(0, name.size()) == name)
                return Part{value * unit.worth, true};
        return std::nullopt;
    }

    std::string_view text_;
    std::span<const TypedUnit> units_;
    double plain_;
};

std::string plainText(std::string_view text)
{
    const auto isNumber = [](char c) { return std::isdigit(static_cast<unsigned char>(c)) != 0 || c == '.'; };
    std::string out;
    bool parted = false; // a blank was passed over
    for (const char c : text) {
        if (std::isspace(static_cast<unsigned char>(c)) != 0) {
            parted = true;
            continue;
        }
        const char next = c == ',' ? '.' : static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        if (parted && !out.empty() && isNumber(out.back()) && isNumber(next))
            out += ' '; // two numbers are not one
        out += next;
        parted = false;
    }
    return out;
}

} // namespace

std::optional<TypedChange> readTyped(std::string_view text, std::span<const TypedUnit> units, double plain)
{
    const std::string typed = plainText(text);
    const std::string_view all = typed;
    if ((all.starts_with('+') || all.starts_with('-')) && all.ends_with('%')) {
        const auto percent = Reader(all.substr(1, all.size() - 2), {}, 1).whole();
        if (percent)
            return TypedChange{1 + (all.front() == '+' ? *percent : -*percent) / 100, 0};
    }
    constexpr std::string_view times = "\xC3\x97"; // the sign for it, as UTF-8
    if (all.starts_with('x') || all.starts_with(times)) {
        const auto by = Reader(all.substr(all.starts_with('x') ? 1 : times.size()), {}, 1).whole();
        return by ? std::optional(TypedChange{*by, 0}) : std::nullopt;
    }
    const auto value = Reader(all.starts_with('+') ? all.substr(1) : all, units, plain).whole();
    return value ? std::optional(TypedChange{0, *value}) : std::nullopt;
}

} // namespace ember
