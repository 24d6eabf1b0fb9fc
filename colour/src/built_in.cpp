// SPDX-License-Identifier: GPL-3.0-or-later
#include "config_parts.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "ember/image/convert.h"

namespace ember {

namespace {

// AP0, SMPTE ST 2065-1, table 1.
constexpr Chromaticities ap0{0.7347, 0.2653, 0, 1, 0.0001, -0.077, 0.32168, 0.33767};
constexpr const char* reference = "Linear Rec.709";

ocio::TransformRcPtr matrixOf(const ColourMatrix& m)
{
    auto made = ocio::MatrixTransform::Create();
    std::array<double, 16> whole{};
    for (std::size_t row = 0; row < 3; ++row)
        std::copy_n(m.begin() + static_cast<std::ptrdiff_t>(3 * row), 3,
                    whole.begin() + static_cast<std::ptrdiff_t>(4 * row));
    whole[15] = 1;
    made->setMatrix(whole.data());
    return made;
}

ocio::TransformRcPtr scaled(double by)
{
    return matrixOf({by, 0, 0, 0, by, 0, 0, 0, by});
}

/// From codes to light.
ocio::TransformRcPtr curveOf(Transfer transfer)
{
    auto group = ocio::GroupTransform::Create();
    if (transfer == Transfer::srgb) { // IEC 61966-2-1; below 0 it goes on straight
        auto curve = ocio::ExponentWithLinearTransform::Create();
        curve->setGamma({2.4, 2.4, 2.4, 1});
        curve->setOffset({0.055, 0.055, 0.055, 0});
        curve->setNegativeStyle(ocio::NEGATIVE_LINEAR);
        group->appendTransform(curve);
    } else if (transfer == Transfer::pq) { // ITU-R BT.2100-2, table 4, in units of 100 cd/m2
        auto curve = ocio::BuiltinTransform::Create();
        curve->setStyle("CURVE - ST-2084_to_LINEAR");
        group->appendTransform(curve);
        group->appendTransform(scaled(100.0 / 203));
    } else if (transfer == Transfer::hlg) { // table 5, as a table between whose values lines are drawn
        constexpr unsigned long steps = 16385;
        auto curve = ocio::Lut1DTransform::Create(steps, false);
        for (unsigned long i = 0; i < steps; ++i) {
            const auto light = static_cast<float>(lightOfCode(Transfer::hlg, static_cast<double>(i) / (steps - 1)));
            curve->setValue(i, light, light, light);
        }
        group->appendTransform(curve);
    }
    return group;
}

/// BT.1886 with a black of 0 (ITU-R BT.1886, annex 1): an exponent.
ocio::TransformRcPtr gammaOf(double gamma)
{
    auto curve = ocio::ExponentTransform::Create();
    curve->setValue({gamma, gamma, gamma, 1});
    curve->setNegativeStyle(ocio::NEGATIVE_MIRROR);
    return curve;
}

/// The same the other way round.
ocio::TransformRcPtr backwards(const ocio::TransformRcPtr& transform)
{
    auto copy = transform->createEditableCopy();
    copy->setDirection(ocio::TRANSFORM_DIR_INVERSE);
    return copy;
}

/// Light of BT.709 from 0 to 1,000 cd/m2 brought down to a white of 203 by the curve of Report ITU-R BT.2390 (see
/// ScreenPictures), as a table over PQ codes in BT.2020. It holds light that is not cut off: cut off between two of its
/// colours, dark ones beyond the screen's would be far from what they should be.
ocio::TransformRcPtr rolledOff()
{
    constexpr int side = 65;
    const ScreenPictures screen({Primaries::bt2020, Transfer::pq}, 1000);
    const ColourMatrix toScreen = conversionOf(Primaries::bt2020, Primaries::bt709);
    const auto light = [](int i) { return lightOfCode(Transfer::pq, static_cast<double>(i) / (side - 1)); };
    auto table = ocio::Lut3DTransform::Create(side);
    table->setInterpolation(ocio::INTERP_TETRAHEDRAL);
    for (int i = 0; i < side * side * side; ++i) {
        const std::array<int, 3> place{i / (side * side), i / side % side, i % side};
        std::array<double, 3> colour{light(place[0]), light(place[1]), light(place[2])};
        const double largest = *std::max_element(colour.begin(), colour.end());
        const double scale = largest > 0 ? screen.mapped(largest) / largest : 1;
        std::array<float, 3> shown{};
        for (std::size_t row = 0; row < 3; ++row)
            for (std::size_t k = 0; k < 3; ++k)
                shown[row] += static_cast<float>(toScreen[3 * row + k] * scale * colour[k]);
        table->setValue(static_cast<unsigned long>(place[0]), static_cast<unsigned long>(place[1]),
                        static_cast<unsigned long>(place[2]), shown[0], shown[1], shown[2]);
    }
    auto group = ocio::GroupTransform::Create();
    group->appendTransform(matrixOf(conversionOf(Primaries::bt709, Primaries::bt2020)));
    group->appendTransform(backwards(curveOf(Transfer::pq)));
    group->appendTransform(table);
    return group;
}

class Maker {
public:
    ocio::ConfigRcPtr config = ocio::Config::Create();

    /// A space by what its codes go through to become the reference's light.
    void space(const char* name, const char* encoding, const char* description,
               const std::vector<ocio::TransformRcPtr>& toReference)
    {
        auto group = ocio::GroupTransform::Create();
        for (const auto& step : toReference)
            group->appendTransform(step);
        add(ocio::REFERENCE_SPACE_SCENE, name, encoding, description, group, ocio::COLORSPACE_DIR_TO_REFERENCE);
    }
    /// One that only screens have.
    void screen(const char* name, const ocio::TransformRcPtr& fromReference)
    {
        add(ocio::REFERENCE_SPACE_SCENE, name, "sdr-video", "", fromReference, ocio::COLORSPACE_DIR_FROM_REFERENCE);
        hidden += (hidden.empty() ? "" : ", ") + std::string(name);
    }
    void add(ocio::ReferenceSpaceType type, const char* name, const char* encoding, const char* description,
             const ocio::ConstTransformRcPtr& transform, ocio::ColorSpaceDirection direction)
    {
        auto made = ocio::ColorSpace::Create(type);
        made->setName(name);
        made->setEncoding(encoding);
        made->setDescription(description);
        made->setBitDepth(ocio::BIT_DEPTH_F32);
        if (transform != nullptr)
            made->setTransform(transform, direction);
        config->addColorSpace(made);
    }
    std::string hidden;
};

ocio::ConstConfigRcPtr made()
{
    Maker maker;
    auto& config = maker.config;
    config->setMajorVersion(2);
    config->setDescription(
        "Spaces of the open standards: IEC 61966-2-1, ITU-R BT.709, BT.2020, BT.2100, SMPTE EG 432-1 "
        "and ST 2065-1. 1 is reference white, 203 cd/m2 in PQ.");
    const auto from = [](Primaries primaries) { return matrixOf(conversionOf(primaries, Primaries::bt709)); };
    maker.space("ACEScg", "scene-linear", "Light with the primaries AP1", {from(Primaries::ap1)});
    maker.space(reference, "scene-linear", "Light with the primaries of BT.709 and sRGB", {});
    maker.space("Linear Rec.2020", "scene-linear", "Light with the primaries of BT.2020", {from(Primaries::bt2020)});
    maker.space("Linear Display P3", "scene-linear", "Light with the primaries of Display P3",
                {from(Primaries::displayP3)});
    maker.space("ACES2065-1", "scene-linear", "Light with the primaries AP0, SMPTE ST 2065-1",
                {matrixOf(conversionOf(ap0, chromaticitiesOf(Primaries::bt709)))});
    maker.space(sceneXyz, "scene-linear", "CIE 1931, white D65 with Y = 1",
                {backwards(matrixOf(toXyz(chromaticitiesOf(Primaries::bt709))))});
    maker.space("sRGB", "sdr-video", "IEC 61966-2-1", {curveOf(Transfer::srgb)});
    maker.space("Display P3", "sdr-video", "SMPTE EG 432-1 with white D65 and sRGB's curve",
                {curveOf(Transfer::srgb), from(Primaries::displayP3)});
    maker.space("Rec.2020 sRGB curve", "sdr-video", "BT.2020 as films without highlights have it",
                {curveOf(Transfer::srgb), from(Primaries::bt2020)});
    maker.space("Rec.709 gamma 2.4", "sdr-video", "BT.709 as displays of BT.1886 show it", {gammaOf(2.4)});
    maker.space("Rec.2100 PQ", "hdr-video", "BT.2100 PQ, white at 203 cd/m2",
                {curveOf(Transfer::pq), from(Primaries::bt2020)});
    maker.space("Rec.2100 HLG", "hdr-video", "BT.2100 HLG: light of the scene, white at 75 %",
                {curveOf(Transfer::hlg), from(Primaries::bt2020)});
    auto cct = ocio::BuiltinTransform::Create();
    cct->setStyle("ACEScct_to_ACES2065-1");
    maker.space("ACEScct", "log", "Logarithmic, with the primaries AP1; Academy S-2016-001",
                {cct, matrixOf(conversionOf(ap0, chromaticitiesOf(Primaries::bt709)))});
    maker.add(ocio::REFERENCE_SPACE_DISPLAY, displayXyz, "display-linear", "", nullptr,
              ocio::COLORSPACE_DIR_TO_REFERENCE);

    const auto rolled = [&](const char* name, const std::vector<ocio::TransformRcPtr>& toLight) {
        auto group = ocio::GroupTransform::Create();
        group->appendTransform(rolledOff());
        for (auto step = toLight.rbegin(); step != toLight.rend(); ++step)
            group->appendTransform(backwards(*step));
        maker.screen(name, group);
    };
    rolled("sRGB rolled off", {curveOf(Transfer::srgb)});
    rolled("Rec.709 gamma 2.4 rolled off", {gammaOf(2.4)});
    rolled("Display P3 rolled off", {curveOf(Transfer::srgb), from(Primaries::displayP3)});
    const auto display = [&](const char* name, const char* cut, const char* off) {
        config->addDisplayView(name, "Cut at white", cut, "");
        config->addDisplayView(name, "Highlights rolled off", off, "");
    };
    display("sRGB screen", "sRGB", "sRGB rolled off");
    display("Rec.709 screen gamma 2.4", "Rec.709 gamma 2.4", "Rec.709 gamma 2.4 rolled off");
    display("Display P3 screen", "Display P3", "Display P3 rolled off");

    config->setInactiveColorSpaces((maker.hidden + ", " + displayXyz).c_str());
    auto toDisplay = ocio::ViewTransform::Create(ocio::REFERENCE_SPACE_SCENE);
    toDisplay->setName("The light itself");
    toDisplay->setTransform(matrixOf(toXyz(chromaticitiesOf(Primaries::bt709))),
                            ocio::VIEWTRANSFORM_DIR_FROM_REFERENCE);
    config->addViewTransform(toDisplay);
    config->setRole(ocio::ROLE_SCENE_LINEAR, "ACEScg");
    config->setRole(ocio::ROLE_DEFAULT, "sRGB");
    config->setRole("aces_interchange", "ACES2065-1");
    config->setRole("cie_xyz_d65_interchange", displayXyz);
    auto rules = ocio::FileRules::Create();
    rules->setColorSpace(0, "sRGB");
    config->setFileRules(rules);
    return config;
}

} // namespace

ocio::ConstConfigRcPtr builtInOcioConfig()
{
    static const ocio::ConstConfigRcPtr config = made();
    return config;
}

} // namespace ember
