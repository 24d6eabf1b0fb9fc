// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/effects.h"

#include <algorithm>
#include <array>
#include <charconv>

namespace ember {

namespace {

template <auto effect, auto amount, auto course>
EffectPart partOf(EffectKind kind, std::string_view name, std::string_view key, bool Flicker::*flickers,
                  bool ShownEffects::*shown)
{
    return {kind,
            name,
            key,
            [](const Effects& effects) { return effects.*effect.*amount; },
            [](Effects& effects) -> double& { return effects.*effect.*amount; },
            [](const Effects& effects) -> const Course& { return effects.*effect.*course; },
            [](Effects& effects) -> Course& { return effects.*effect.*course; },
            flickers,
            shown};
}

} // namespace

std::span<const EffectPart, effectKinds> effectParts()
{
    using E = Effects;
    using S = ShownEffects;
    using F = Flicker;
    static const std::array<EffectPart, effectKinds> parts{
        partOf<&E::streak, &Streak::length, &Streak::course>(EffectKind::streak, "streak", "light.streak.length",
                                                             &F::streak, &S::streak),
        partOf<&E::radial, &RadialStreak::length, &RadialStreak::course>(EffectKind::radial, "radial",
                                                                         "light.radial.length", &F::radial, &S::radial),
        partOf<&E::fringe, &Fringe::amount, &Fringe::course>(EffectKind::fringe, "fringe", "light.fringe.amount",
                                                             &F::fringe, &S::fringe),
        partOf<&E::flash, &Flash::strength, &Flash::course>(EffectKind::flash, "flash", "light.flash.strength",
                                                            &F::flash, &S::flash),
        partOf<&E::exposure, &ExposureKick::stops, &ExposureKick::course>(
            EffectKind::exposure, "exposure", "light.exposure.stops", &F::exposure, &S::exposure),
        partOf<&E::impact, &ImpactFrame::strength, &ImpactFrame::course>(
            EffectKind::impact, "impact", "light.impact.strength", &F::impact, &S::impact),
        partOf<&E::defocus, &Defocus::radius, &Defocus::course>(EffectKind::defocus, "defocus", "light.defocus.radius",
                                                                &F::defocus, &S::defocus),
        partOf<&E::ripple, &Ripple::amount, &Ripple::course>(EffectKind::ripple, "ripple", "light.ripple.amount",
                                                             &F::ripple, &S::ripple),
        partOf<&E::grain, &GrainBurst::amount, &GrainBurst::course>(EffectKind::grain, "grain", "light.grain.amount",
                                                                    &F::grain, &S::grain)};
    return parts;
}

bool Effects::any() const
{
    return std::any_of(effectParts().begin(), effectParts().end(),
                       [this](const EffectPart& part) { return part.amountIn(*this) != 0; });
}

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
