// SPDX-License-Identifier: GPL-3.0-or-later
#include <charconv>
#include <cmath>
#include <string_view>

#include "command.h"
#include "ember/live/osc_door.h"

namespace ember {

namespace {

template <typename Number>
std::optional<Number> whole(std::string_view text)
{
    Number value{};
    const auto [end, code] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (code != std::errc() || end != text.data() + text.size() || text.empty())
        return std::nullopt;
    return value;
}

std::optional<FrameSpan> rangeFrom(std::string_view text)
{
    const auto dash = text.find('-', 1);
    const auto first = whole<std::int64_t>(text.substr(0, dash));
    const auto last = dash == std::string_view::npos ? first : whole<std::int64_t>(text.substr(dash + 1));
    if (!first || !last || *first < 0 || *last < *first)
        return std::nullopt;
    return FrameSpan{*first, *last};
}

template <typename Parse>
CLI::Validator spelling(const char* name, const char* hint, Parse parse)
{
    return CLI::Validator(
        [parse, hint](std::string& text) { return parse(text) ? std::string() : "\"" + text + "\" should be " + hint; },
        name);
}

} // namespace

Result<FrameSpan> frameRange(const std::string& text, std::int64_t length)
{
    if (length < 1)
        return Error{ErrorCode::failed, "The project", "it has no clip, so it has no frames"};
    if (text.empty())
        return FrameSpan{0, length - 1};
    const auto range = rangeFrom(text);
    if (!range)
        return Error{ErrorCode::badValue, text, "frames are written A-B"};
    if (range->last >= length)
        return Error{ErrorCode::badValue, Phrase("Frames {}", text),
                     Phrase("frame {} is past the last one, {}", range->last, length - 1)};
    return *range;
}

std::optional<FrameRate> rateFrom(const std::string& text)
{
    const auto slash = text.find('/');
    const auto num = whole<std::int64_t>(std::string_view(text).substr(0, slash));
    const auto den = slash == std::string::npos ? std::optional<std::int64_t>(1)
                                                : whole<std::int64_t>(std::string_view(text).substr(slash + 1));
    if (!num || !den)
        return std::nullopt;
    return FrameRate::make(*num, *den);
}

std::optional<Size> sizeFrom(const std::string& text)
{
    const auto by = text.find('x');
    if (by == std::string::npos)
        return std::nullopt;
    const auto width = whole<int>(std::string_view(text).substr(0, by));
    const auto height = whole<int>(std::string_view(text).substr(by + 1));
    if (!width || !height || *width < 1 || *height < 1 || *width > 32768 || *height > 32768)
        return std::nullopt;
    return Size{*width, *height};
}

std::optional<StrikeArgument> strikeFrom(const std::string& text)
{
    const std::string_view all(text);
    const auto first = all.find(':');
    if (first == std::string_view::npos)
        return std::nullopt;
    const auto second = all.find(':', first + 1);
    const auto frame = whole<std::int64_t>(all.substr(0, first));
    const auto kind =
        kindFromName(all.substr(first + 1, second == std::string_view::npos ? second : second - first - 1));
    std::optional<double> strength = 1.0;
    if (second != std::string_view::npos) {
        auto word = all.substr(second + 1);
        const bool percent = word.ends_with('%');
        if (percent)
            word.remove_suffix(1);
        strength = whole<double>(word);
        if (strength && percent)
            *strength /= 100;
    }
    if (!frame || *frame < 0 || !kind || !strength || !inRange(strikefield::strength, *strength))
        return std::nullopt;
    return StrikeArgument{*frame, *kind, *strength};
}

CLI::Validator frameRangeSpelling()
{
    return spelling("A-B", "frames A-B, counted from 0, such as 24-47", rangeFrom);
}

CLI::Validator partSpelling()
{
    return spelling("K/N", "K/N, a part from 1/N to N/N", [](const std::string& text) { return partFrom(text); });
}

CLI::Validator sizeSpelling()
{
    return spelling("WxH", "a size WxH in pixels, such as 1280x720", [](const std::string& t) { return sizeFrom(t); });
}

CLI::Validator rateSpelling()
{
    return spelling("NUM/DEN", "a frame rate NUM/DEN, such as 24000/1001, from 1 to 1000 a second",
                    [](const std::string& t) { return rateFrom(t); });
}

CLI::Validator addressSpelling(bool any)
{
    return spelling("HOST:PORT", "PORT, or HOST:PORT such as 127.0.0.1:9000",
                    [any](const std::string& t) { return oscAddressFrom(t, any); });
}

CLI::Validator strikeSpelling()
{
    return spelling(
        "FRAME:KIND:STRENGTH",
        "FRAME:KIND:STRENGTH with a frame counted from 0, a kind (blast, landing, hit, beat) and a strength from 0 to "
        "4 (1 is 100 %), such as 48:landing:0.8",
        [](const std::string& t) { return strikeFrom(t); });
}

} // namespace ember
