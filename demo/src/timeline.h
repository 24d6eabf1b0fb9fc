// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string_view>

#include "ember/core/project.h"

namespace ember::demo {

inline constexpr int width = 1280;
inline constexpr int height = 720;
inline constexpr int frames = 288;
inline constexpr int framesPerSecond = 24;

enum class Event { hammer, ingot, ladle, drum };

/// What happens in the film: the first frame that shows contact.
struct TrueStrike {
    int frame;
    Event event;
    StrikeKind kind;
    double strength;
    std::string_view name;
};

inline constexpr std::array<TrueStrike, 12> strikes{{
    {36, Event::hammer, StrikeKind::hit, 1.0, "Hammer, first blow"},
    {60, Event::hammer, StrikeKind::hit, 0.95, "Hammer, second blow"},
    {84, Event::hammer, StrikeKind::hit, 0.6, "Hammer, third blow"},
    {102, Event::hammer, StrikeKind::hit, 0.4, "Hammer, last blow"},
    {126, Event::ingot, StrikeKind::landing, 0.85, "Ingot lands"},
    {168, Event::ladle, StrikeKind::blast, 1.1, "Ladle bursts"},
    {204, Event::drum, StrikeKind::beat, 0.9, "Drum, one"},
    {219, Event::drum, StrikeKind::beat, 0.55, "Drum, two"},
    {234, Event::drum, StrikeKind::beat, 0.75, "Drum, three"},
    {249, Event::drum, StrikeKind::beat, 0.55, "Drum, four"},
    {264, Event::drum, StrikeKind::beat, 0.9, "Drum, one again"},
    {279, Event::drum, StrikeKind::beat, 0.55, "Drum, two again"},
}};

} // namespace ember::demo
