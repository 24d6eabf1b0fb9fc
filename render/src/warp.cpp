// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/render/warp.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <hwy/targets.h>

#include "byte_warp.h"
#include "gather.h"
#include "image_canvas.h"

namespace ember {

CubicWeights cubicWeights(double f)
{
    return {{((-.5 * f + 1) * f - .5) * f, (1.5 * f - 2.5) * f * f + 1, ((-1.5 * f + 2) * f + .5) * f,
             (.5 * f - .5) * f * f}};
}

void warp(const Image& source, const Matrix3& toSource, EdgeMode edges, Colour plain, Image& out)
{
    out.setOpaque(source.opaque() && edges != EdgeMode::transparent);
    if (warpBytes(source, toSource, edges, plain, out))
        return;
    const ImagePlane plane(source, Domain::codes, edges, plain, borderSmear);
    ImageCanvas canvas(out, Domain::codes);
    gather(plane, {Look{{toSource}}}, std::nullopt, out.width(), out.height(), canvas);
}

namespace {
std::string& forcedSet()
{
    static std::string name;
    return name;
}
} // namespace

std::vector<std::string> instructionSets()
{
    std::vector<std::string> names;
    hwy::SetSupportedTargetsForTest(0);
    for (const auto target : hwy::SupportedAndGeneratedTargets())
        names.emplace_back(hwy::TargetName(target));
    useInstructionSet(forcedSet());
    return names;
}

std::string instructionSetInUse()
{
    return hwy::TargetName(hwy::SupportedAndGeneratedTargets().front());
}

bool useInstructionSet(const std::string& name)
{
    hwy::SetSupportedTargetsForTest(0);
    if (name.empty()) {
        forcedSet().clear();
        hwy::GetChosenTarget().Update(hwy::SupportedTargets());
        return true;
    }
    for (const auto target : hwy::SupportedAndGeneratedTargets()) {
        if (hwy::TargetName(target) != name)
            continue;
        forcedSet() = name;
        hwy::SetSupportedTargetsForTest(target);
        hwy::GetChosenTarget().Update(target);
        return true;
    }
    return false;
}

} // namespace ember
