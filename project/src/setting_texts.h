// SPDX-License-Identifier: GPL-3.0-or-later
// Inside settings: lists of keys and marks as the texts they are set by. Each reader takes the parts of one item, which
// were parted by colons, and gives nothing where they are not as they should be.
#pragma once

#include <algorithm>
#include <charconv>
#include <functional>
#include <optional>
#include <string_view>
#include <vector>

#include "ember/core/project.h"

namespace ember {

template <typename Number>
std::optional<Number> numberFrom(std::string_view text)
{
    Number value{};
    const auto [end, code] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (text.empty() || code != std::errc() || end != text.data() + text.size())
        return std::nullopt;
    return value;
}

std::vector<std::string_view> split(std::string_view text, char at);
/// A name without the signs that part lists: , : and % as %2C, %3A and %25; and back.
std::string listName(std::string_view name);
std::string fromListName(std::string_view text);
std::optional<Frame> frameFrom(std::string_view text);
std::optional<Ease> easeFrom(std::string_view word);
/// FRAME:VALUE, FRAME:VALUE:EASE or, with slopes, FRAME:VALUE:EASE:IN:OUT.
std::optional<CurveKey> curveKeyFrom(const std::vector<std::string_view>& parts);
std::string curveText(const CurveKeys& keys);
/// The same with a value from -1 to 1.
std::optional<CurveKey> drawnKeyFrom(const std::vector<std::string_view>& parts);
std::optional<IntensityKey> intensityKeyFrom(const std::vector<std::string_view>& parts);
/// FRAME:MODE, FRAME:MODE:FRAMES, and either with :strike.N (then the mark's strike is N) or :group.NAME behind it.
std::optional<SettleMark> settleFrom(const std::vector<std::string_view>& parts);
std::optional<MoveKey> moveKeyFrom(const std::vector<std::string_view>& parts);
std::optional<FramingKey> framingKeyFrom(const std::vector<std::string_view>& parts);
/// "none", or BEAT:SECONDS,… in any order.
std::optional<std::vector<BeatPin>> beatPinsFrom(std::string_view text);
std::optional<CameraKey> cameraKeyFrom(const std::vector<std::string_view>& parts);

/// One value of a list such as "0:1:smooth,6:-0.4:hold"; `read` makes an item of its parts or nothing.
template <typename Item>
std::optional<std::vector<Item>> listFrom(std::string_view text,
                                          const std::function<std::optional<Item>(std::vector<std::string_view>)>& read)
{
    std::vector<Item> items;
    for (const auto part : split(text, ',')) {
        const auto item = read(split(part, ':'));
        if (!item)
            return std::nullopt;
        items.push_back(*item);
    }
    std::stable_sort(items.begin(), items.end(), [](const Item& a, const Item& b) { return a.frame < b.frame; });
    if (std::adjacent_find(items.begin(), items.end(), [](const Item& a, const Item& b) { return inOnePlace(a, b); }) !=
        items.end())
        return std::nullopt;
    return items;
}

} // namespace ember
