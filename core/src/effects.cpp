// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/effects.h"

#include <algorithm>
#include <charconv>

namespace ember {

std::string colourText(const Colour& colour)
{
    constexpr std::string_view digits = "0123456789abcdef";
    std::string text = "#";
    for (const std::uint8_t part : {colour.r, colour.g, colour.b}) {
        text += digits[part >> 4];
        text += digits[part & 15];
    }
    return text;
}

std::optional<Colour> colourFromText(std::string_view text)
{
    std::uint32_t value = 0;
    if (text.size() != 7 || text[0] != '#')
        return std::nullopt;
    const auto [end, code] = std::from_chars(text.data() + 1, text.data() + text.size(), value, 16);
    if (code != std::errc() || end != text.data() + text.size())
        return std::nullopt;
    return colourFromNumber(value);
}

std::uint32_t colourNumber(const Colour& colour)
{
    return static_cast<std::uint32_t>(colour.r) << 16 | static_cast<std::uint32_t>(colour.g) << 8 | colour.b;
}

Colour colourFromNumber(std::uint32_t number)
{
    return {static_cast<std::uint8_t>(number >> 16), static_cast<std::uint8_t>(number >> 8),
            static_cast<std::uint8_t>(number)};
}

double courseAt(const Course& course, double t, double onset, double peak, double felt)
{
    if (course.by == Course::By::envelope)
        return felt;
    const double rise = std::min(course.rise, peak - onset);
    if (t < peak)
        return rise > 0 ? std::clamp(1 - (peak - t) / rise, 0.0, 1.0) : 0.0;
    const double since = t - peak - course.hold;
    if (since <= 0)
        return 1;
    if (since >= course.fall)
        return 0;
    const double left = 1 - since / course.fall;
    return left * left;
}

} // namespace ember
