// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/renamed.h"

#include <algorithm>
#include <array>

namespace ember {

namespace {

constexpr std::array<RenamedKey, 7> renamed{{
    {"shutter", "shutter_angle"},
    {"shutter_phase", "exposure", 1.0 / 360}, // degrees of the shutter became shares of a frame
    {"samples", "instants"},
    {"bursts", "intermittent"},
    {"burst_move", "moves"},
    {"burst_pause", "rests"},
    {"burst_spread", "unevenness"},
}};

std::string_view lastPart(std::string_view key)
{
    return key.substr(key.rfind('.') + 1); // npos + 1 is 0
}

template <std::string_view RenamedKey::*Name>
const RenamedKey* find(std::string_view key)
{
    const auto found =
        std::find_if(renamed.begin(), renamed.end(), [&](const RenamedKey& one) { return one.*Name == lastPart(key); });
    return found != renamed.end() ? &*found : nullptr;
}

} // namespace

const RenamedKey* renamedFrom(std::string_view key)
{
    return find<&RenamedKey::before>(key);
}

const RenamedKey* renamedTo(std::string_view key)
{
    return find<&RenamedKey::now>(key);
}

std::string currentKey(std::string_view key)
{
    const RenamedKey* one = renamedFrom(key);
    if (one == nullptr)
        return std::string(key);
    return std::string(key.substr(0, key.size() - one->before.size())) + std::string(one->now);
}

} // namespace ember
