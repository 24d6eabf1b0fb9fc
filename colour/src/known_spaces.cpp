// SPDX-License-Identifier: GPL-3.0-or-later
// What the spaces of a config are here: found by what they do with a few colours, not by their names.
#include <algorithm>
#include <array>
#include <cmath>

#include "config_parts.h"

namespace ember {

namespace {

using Colours = std::array<std::array<double, 3>, 7>;

constexpr Colours probes{
    {{0, 0, 0}, {0.1, 0.1, 0.1}, {0.5, 0.5, 0.5}, {1, 1, 1}, {0.6, 0.2, 0.1}, {0.1, 0.7, 0.3}, {0.2, 0.1, 0.8}}};
constexpr double tolerance = 3e-3; // of the largest

/// A way of coding light that is told apart, and what it counts as.
struct Coding {
    Transfer transfer;
    double gamma; ///< of a display; 0: by the transfer's own formula
};
constexpr std::array<Coding, 6> codings{{{Transfer::srgb, 0},
                                         {Transfer::linear, 0},
                                         {Transfer::pq, 0},
                                         {Transfer::hlg, 0},
                                         {Transfer::srgb, 2.4},
                                         {Transfer::srgb, 2.2}}};

double lightOf(const Coding& coding, double code)
{
    return coding.gamma > 0 ? std::pow(code, coding.gamma) : lightOfCode(coding.transfer, code);
}

/// The probes in the light of BT.709 when they are codes of this kind.
Colours expected(Primaries primaries, const Coding& coding)
{
    const ColourMatrix m = conversionOf(primaries, Primaries::bt709);
    Colours out{};
    for (std::size_t i = 0; i < probes.size(); ++i)
        for (std::size_t row = 0; row < 3; ++row)
            for (std::size_t k = 0; k < 3; ++k)
                out[i][row] += m[3 * row + k] * lightOf(coding, probes[i][k]);
    return out;
}

/// Whether they are the same but for one factor, which white has.
bool alike(const Colours& found, const Colours& wanted, double factor)
{
    double largest = 0;
    for (const auto& colour : wanted)
        for (const double value : colour)
            largest = std::max(largest, std::abs(value));
    for (std::size_t i = 0; i < found.size(); ++i)
        for (std::size_t k = 0; k < 3; ++k)
            if (!(std::abs(found[i][k] - factor * wanted[i][k]) <= tolerance * factor * largest))
                return false;
    return true;
}

} // namespace

std::optional<ColourSpace> recognised(const ocio::ConstConfigRcPtr& config, const std::string& space)
{
    const auto known = config->getColorSpace(space.c_str());
    if (known == nullptr || known->isData())
        return std::nullopt;
    const bool ofDisplay = known->getReferenceSpaceType() == ocio::REFERENCE_SPACE_DISPLAY;
    Colours found{};
    try {
        const auto builtIn = builtInOcioConfig();
        const auto toXyz = config == builtIn && !ofDisplay
                               ? config->getProcessor(space.c_str(), sceneXyz)
                               : ocio::Config::GetProcessorFromConfigs(config, space.c_str(), builtIn,
                                                                       ofDisplay ? displayXyz : sceneXyz);
        const auto toLight = builtIn->getProcessor(sceneXyz, "Linear Rec.709");
        const auto first = toXyz->getDefaultCPUProcessor();
        const auto second = toLight->getDefaultCPUProcessor();
        for (std::size_t i = 0; i < probes.size(); ++i) {
            std::array<float, 3> pixel{};
            std::transform(probes[i].begin(), probes[i].end(), pixel.begin(),
                           [](double value) { return static_cast<float>(value); });
            first->applyRGB(pixel.data());
            second->applyRGB(pixel.data());
            std::copy(pixel.begin(), pixel.end(), found[i].begin());
        }
    } catch (const std::exception&) { // it does not say how it stands to others, or a table is missing
        return std::nullopt;
    }
    for (const Coding& coding : codings)
        for (const Primaries primaries : {Primaries::bt709, Primaries::bt2020, Primaries::displayP3, Primaries::ap1}) {
            const Colours wanted = expected(primaries, coding);
            // A display's light may be counted in units of 100 cd/m2.
            if (alike(found, wanted, 1) || (ofDisplay && coding.transfer == Transfer::pq && alike(found, wanted, 2.03)))
                return ColourSpace{primaries, coding.transfer};
        }
    return std::nullopt;
}

} // namespace ember
