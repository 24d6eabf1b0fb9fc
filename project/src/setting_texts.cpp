// SPDX-License-Identifier: GPL-3.0-or-later
#include "setting_texts.h"

#include <cmath>

#include "ember/core/values.h"

namespace ember {

namespace {

} // namespace

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

std::optional<DrawnKey> drawnKeyFrom(const std::vector<std::string_view>& parts)
{
    if (parts.size() < 2 || parts.size() > 3)
        return std::nullopt;
    const auto frame = numberFrom<double>(parts[0]);
    const auto value = numberFrom<double>(parts[1]);
    const auto ease = parts.size() == 3 ? easeFrom(parts[2]) : std::optional(Ease::smooth);
    if (!frame || !value || !ease || std::abs(*frame) > 100'000 || std::abs(*value) > 1)
        return std::nullopt;
    return DrawnKey{*frame, *value, *ease};
}

std::optional<IntensityKey> intensityKeyFrom(const std::vector<std::string_view>& parts)
{
    const auto frame = parts.size() == 2 ? frameFrom(parts[0]) : std::nullopt;
    const auto value = parts.size() == 2 ? numberFrom<double>(parts[1]) : std::nullopt;
    if (!frame || !value || *value < 0 || *value > 2)
        return std::nullopt;
    return IntensityKey{*frame, *value};
}

std::optional<SettleMark> settleFrom(const std::vector<std::string_view>& parts)
{
    const auto frame = parts.size() >= 2 && parts.size() <= 3 ? frameFrom(parts[0]) : std::nullopt;
    const auto mode = frame ? valueFromText(settlefield::mode, parts[1]) : std::nullopt;
    const auto length = parts.size() == 3 ? valueFromText(settlefield::frames, parts[2]) : std::optional(12.0);
    if (!frame || !mode || !length)
        return std::nullopt;
    return SettleMark{*frame, static_cast<SettleMode>(static_cast<int>(*mode)), *length};
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
