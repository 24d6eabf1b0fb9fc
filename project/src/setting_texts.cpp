// SPDX-License-Identifier: GPL-3.0-or-later
#include "setting_texts.h"

#include <cmath>

#include "ember/core/text.h"
#include "ember/core/values.h"

namespace ember {

std::vector<std::string_view> split(std::string_view text, char at)
{
    std::vector<std::string_view> parts;
    while (!text.empty()) {
        const auto end = text.find(at);
        parts.push_back(text.substr(0, end));
        text = end == std::string_view::npos ? std::string_view() : text.substr(end + 1);
    }
    return parts;
}

std::optional<Frame> frameFrom(std::string_view text)
{
    const auto value = numberFrom<std::int64_t>(text);
    return value && *value >= 0 && *value <= longestFilm ? std::optional(Frame{*value}) : std::nullopt;
}

std::optional<Ease> easeFrom(std::string_view word)
{
    const auto found = std::find(easeWords.begin(), easeWords.end(), word);
    if (found == easeWords.end())
        return std::nullopt;
    return static_cast<Ease>(found - easeWords.begin());
}

std::string listName(std::string_view name)
{
    std::string text;
    for (const char c : name)
        text += c == ',' ? "%2C" : c == ':' ? "%3A" : c == '%' ? "%25" : std::string(1, c);
    return text;
}

std::string fromListName(std::string_view text)
{
    std::string name;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const std::string_view code = text.substr(i, 3);
        const char meant = code == "%2C" ? ',' : code == "%3A" ? ':' : code == "%25" ? '%' : '\0';
        name += meant != '\0' ? meant : text[i];
        i += meant != '\0' ? std::size_t{2} : 0;
    }
    return name;
}

std::optional<CurveKey> curveKeyFrom(const std::vector<std::string_view>& parts)
{
    constexpr double steepest = 1e6;
    if (parts.size() != 2 && parts.size() != 3 && parts.size() != 5)
        return std::nullopt;
    const auto word = parts.size() > 2 ? std::find(curveEaseWords.begin(), curveEaseWords.end(), parts[2])
                                       : curveEaseWords.begin() + static_cast<int>(Ease::smooth);
    const auto frame = numberFrom<double>(parts[0]);
    const auto value = numberFrom<double>(parts[1]);
    const auto in = parts.size() == 5 ? numberFrom<double>(parts[3]) : std::optional(0.0);
    const auto out = parts.size() == 5 ? numberFrom<double>(parts[4]) : std::optional(0.0);
    if (!frame || !value || !in || !out || word == curveEaseWords.end() || !(std::abs(*frame) <= 100'000) ||
        !(std::abs(*in) <= steepest) || !(std::abs(*out) <= steepest))
        return std::nullopt;
    return CurveKey{*frame, *value, static_cast<Ease>(word - curveEaseWords.begin()), *in, *out};
}

std::string curveText(const CurveKeys& keys)
{
    std::string text;
    for (const CurveKey& key : keys) {
        text += text.empty() ? "" : ",";
        text += shortestText(key.frame) + ":" + shortestText(key.value) + ":" +
                std::string(curveEaseWords[static_cast<std::size_t>(key.ease)]);
        if (key.slopeIn != 0 || key.slopeOut != 0)
            text += ":" + shortestText(key.slopeIn) + ":" + shortestText(key.slopeOut);
    }
    return text;
}

std::optional<CurveKey> drawnKeyFrom(const std::vector<std::string_view>& parts)
{
    const auto key = curveKeyFrom(parts);
    return key && std::abs(key->value) <= 1 ? key : std::nullopt;
}

std::optional<IntensityKey> intensityKeyFrom(const std::vector<std::string_view>& parts)
{
    const bool fits = parts.size() == 2 || parts.size() == 3;
    const auto frame = fits ? frameFrom(parts[0]) : std::nullopt;
    const auto value = fits ? numberFrom<double>(parts[1]) : std::nullopt;
    const auto ease = parts.size() == 3 ? easeFrom(parts[2]) : std::optional(Ease::linear);
    if (!frame || !value || !ease || !(*value >= 0 && *value <= mostIntensity))
        return std::nullopt;
    return IntensityKey{*frame, *value, *ease};
}

std::optional<SettleMark> settleFrom(const std::vector<std::string_view>& all)
{
    std::vector<std::string_view> parts = all;
    SettleMark mark;
    if (parts.size() > 2 && parts.back().starts_with("strike.")) {
        const auto number = numberFrom<StrikeId>(parts.back().substr(7));
        if (!number || *number < 1)
            return std::nullopt;
        mark.strike = *number;
        parts.pop_back();
    } else if (parts.size() > 2 && parts.back().starts_with("group.")) {
        mark.group = fromListName(parts.back().substr(6));
        parts.pop_back();
    }
    const auto frame = parts.size() >= 2 && parts.size() <= 3 ? frameFrom(parts[0]) : std::nullopt;
    const auto mode = frame ? valueFromText(settlefield::mode, parts[1]) : std::nullopt;
    const auto length = parts.size() == 3 ? valueFromText(settlefield::frames, parts[2]) : std::optional(12.0);
    if (!frame || !mode || !length)
        return std::nullopt;
    mark.frame = *frame;
    mark.mode = static_cast<SettleMode>(static_cast<int>(*mode));
    mark.frames = *length;
    return mark;
}

std::optional<MoveKey> moveKeyFrom(const std::vector<std::string_view>& parts)
{
    if (parts.size() < 5 || parts.size() > 6)
        return std::nullopt;
    const auto frame = frameFrom(parts[0]);
    const auto x = valueFromText(movefield::x, parts[1]);
    const auto y = valueFromText(movefield::y, parts[2]);
    const auto zoom = valueFromText(movefield::zoom, parts[3]);
    const auto roll = valueFromText(movefield::roll, parts[4]);
    const auto ease = parts.size() == 6 ? easeFrom(parts[5]) : std::optional(Ease::smooth);
    if (!frame || !x || !y || !zoom || !roll || !ease)
        return std::nullopt;
    return MoveKey{*frame, *x, *y, *zoom, *roll, *ease};
}

std::optional<FramingKey> framingKeyFrom(const std::vector<std::string_view>& parts)
{
    if (parts.size() < 4 || parts.size() > 5)
        return std::nullopt;
    const auto frame = frameFrom(parts[0]);
    const auto x = valueFromText(shotfield::framingX, parts[1]);
    const auto y = valueFromText(shotfield::framingY, parts[2]);
    const auto size = valueFromText(shotfield::framingSize, parts[3]);
    const auto ease = parts.size() == 5 ? easeFrom(parts[4]) : std::optional(Ease::smooth);
    if (!frame || !x || !y || !size || !ease)
        return std::nullopt;
    return FramingKey{*frame, *x, *y, *size, *ease};
}

std::optional<std::vector<BeatPin>> beatPinsFrom(std::string_view text)
{
    constexpr std::int64_t farthest = 1'000'000'000;
    std::vector<BeatPin> pins;
    if (text == "none")
        return pins;
    if (text.empty())
        return std::nullopt;
    for (const auto part : split(text, ',')) {
        const auto parts = split(part, ':');
        const auto beat = parts.size() == 2 ? numberFrom<std::int64_t>(parts[0]) : std::nullopt;
        const auto seconds = parts.size() == 2 ? numberFrom<double>(parts[1]) : std::nullopt;
        if (!beat || !seconds || std::abs(*beat) > farthest || pins.size() == mostBeatPins)
            return std::nullopt;
        pins.push_back({*beat, *seconds});
    }
    std::sort(pins.begin(), pins.end(), [](const BeatPin& a, const BeatPin& b) { return a.beat < b.beat; });
    return pins;
}

std::optional<CameraKey> cameraKeyFrom(const std::vector<std::string_view>& parts)
{
    const auto frame = parts.size() == 5 ? frameFrom(parts[0]) : std::nullopt;
    if (!frame)
        return std::nullopt;
    const auto x = valueFromText(worldfield::coordinate, parts[1]);
    const auto y = valueFromText(worldfield::coordinate, parts[2]);
    const auto z = valueFromText(worldfield::coordinate, parts[3]);
    const auto heading = valueFromText(worldfield::heading, parts[4]);
    if (!x || !y || !z || !heading)
        return std::nullopt;
    return CameraKey{*frame, {*x, *y, *z}, *heading};
}

} // namespace ember
