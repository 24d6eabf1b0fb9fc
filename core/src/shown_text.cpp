// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/shown_text.h"

#include <array>
#include <cstdint>

namespace ember {

namespace {

struct Character {
    std::uint32_t code = 0;
    std::size_t bytes = 1;
    bool valid = false;
};

/// The character at the front, by RFC 3629: no overlong forms, no surrogates, nothing above U+10FFFF.
Character characterAt(std::string_view text)
{
    const auto byte = [&](std::size_t i) { return static_cast<std::uint8_t>(text[i]); };
    const std::uint8_t lead = byte(0);
    if (lead < 0x80)
        return {lead, 1, true};
    const std::size_t bytes = lead >= 0xF0 ? 4 : lead >= 0xE0 ? 3 : 2;
    constexpr std::array<std::uint32_t, 5> smallest{0, 0, 0x80, 0x800, 0x10000};
    if (lead < 0xC2 || lead > 0xF4 || text.size() < bytes)
        return {};
    std::uint32_t code = lead & (0xFFU >> (bytes + 1));
    for (std::size_t i = 1; i < bytes; ++i) {
        if ((byte(i) & 0xC0U) != 0x80)
            return {};
        code = (code << 6U) | (byte(i) & 0x3FU);
    }
    const bool surrogate = code >= 0xD800 && code <= 0xDFFF;
    if (code < smallest[bytes] || code > 0x10FFFF || surrogate)
        return {};
    return {code, bytes, true};
}

/// C0 and C1 controls, line and paragraph separators, and what overrides the direction of writing.
bool isControl(std::uint32_t code)
{
    return code < 0x20 || (code >= 0x7F && code < 0xA0) || code == 0x2028 || code == 0x2029 || code == 0x200E ||
           code == 0x200F || (code >= 0x202A && code <= 0x202E) || (code >= 0x2066 && code <= 0x2069);
}

std::string writtenOut(std::uint32_t code)
{
    switch (code) {
    case '\n': return "\\n";
    case '\r': return "\\r";
    case '\t': return "\\t";
    default: break;
    }
    constexpr std::string_view digits = "0123456789abcdef";
    std::string text = code < 0x100 ? "\\x" : "\\u";
    for (int shift = code < 0x100 ? 4 : 12; shift >= 0; shift -= 4)
        text += digits[(code >> static_cast<unsigned>(shift)) & 0xFU];
    return text;
}

constexpr std::string_view replacement = "\xEF\xBF\xBD";
constexpr std::string_view ellipsis = "\xE2\x80\xA6";

} // namespace

std::string shownText(std::string_view text, std::size_t longest)
{
    std::string out;
    for (std::size_t shown = 0; !text.empty(); ++shown) {
        if (shown == longest)
            return out + std::string(ellipsis);
        const Character next = characterAt(text);
        if (!next.valid)
            out += replacement;
        else if (isControl(next.code))
            out += writtenOut(next.code);
        else
            out += text.substr(0, next.bytes);
        text.remove_prefix(next.bytes);
    }
    return out;
}

std::string inQuotes(std::string_view text, std::size_t longest)
{
    return '"' + shownText(text, longest) + '"';
}

std::string validUtf8(std::string_view text)
{
    std::string out;
    out.reserve(text.size());
    while (!text.empty()) {
        const Character next = characterAt(text);
        out += next.valid ? text.substr(0, next.bytes) : replacement;
        text.remove_prefix(next.bytes);
    }
    return out;
}

} // namespace ember
