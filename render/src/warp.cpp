// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/render/warp.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <memory>

#include <hwy/targets.h>
#include <oneapi/tbb/blocked_range.h>
#include <oneapi/tbb/parallel_for.h>

#include "edge.h"
#include "warp_kernel.h"

namespace ember {

namespace {

struct Border {
    const Image* source;
    EdgeMode edges;
    Colour plain;
};

/// Places so far away that they could not be told apart as integers are all the same border.
constexpr double farAway = 1e6;

/// One pixel by the definition: sixteen neighbours, each looked up through the edge rule.
template <typename Real>
void cubicPixel(const Border& border, double sx, double sy, std::uint8_t* out)
{
    const Image& source = *border.source;
    sx = std::clamp(sx, -farAway, farAway);
    sy = std::clamp(sy, -farAway, farAway);
    const double fx = std::floor(sx);
    const double fy = std::floor(sy);
    const CubicWeights wx = cubicWeights(sx - fx);
    const CubicWeights wy = cubicWeights(sy - fy);
    std::array<Real, 4> sum{};
    for (int r = 0; r < 4; ++r) {
        const int y = edgeIndex(static_cast<long>(fy) - 1 + r, source.height(), border.edges);
        for (int c = 0; c < 4; ++c) {
            const int x = edgeIndex(static_cast<long>(fx) - 1 + c, source.width(), border.edges);
            const auto weight = static_cast<Real>(wy.w[r] * wx.w[c]);
            const std::array<std::uint8_t, 4> beyond{border.plain.r, border.plain.g, border.plain.b, 255};
            const std::uint8_t* pixel = x < 0 || y < 0 ? beyond.data() : source.at(x, y);
            for (std::size_t k = 0; k < 4; ++k)
                sum[k] += weight * static_cast<Real>(pixel[k]);
        }
    }
    for (std::size_t k = 0; k < 4; ++k)
        out[k] = static_cast<std::uint8_t>(std::clamp(std::nearbyint(sum[k]), Real(0), Real(255)));
}

void plainPixel(const Border& border, std::uint8_t* out)
{
    out[0] = border.plain.r;
    out[1] = border.plain.g;
    out[2] = border.plain.b;
    out[3] = 255;
}

template <typename Real>
void anyPixel(const Border& border, double x, double y, double w, std::uint8_t* out)
{
    // Behind the horizon of a tilted picture there is nothing of it to see.
    if (!(w > 1e-9))
        plainPixel(border, out);
    else
        cubicPixel<Real>(border, x / w, y / w, out);
}

void outsidePixel(const WarpRow& job, int i)
{
    anyPixel<float>(*static_cast<const Border*>(job.context), job.x + job.dx * i, job.y + job.dy * i,
                    job.affine ? 1.0 : job.w + job.dw * i, job.out + 4 * static_cast<std::ptrdiff_t>(i));
}

const WeightTable& weightTable()
{
    static const auto table = [] {
        auto made = std::make_unique<WeightTable>();
        for (std::size_t phase = 0; phase < phaseCount; ++phase) {
            const CubicWeights weights = cubicWeights(static_cast<double>(phase) / phaseCount);
            for (std::size_t i = 0; i < 4; ++i) {
                made->plain[phase][i] = static_cast<float>(weights.w[i]);
                for (std::size_t k = 0; k < 4; ++k)
                    made->spread[phase][4 * i + k] = static_cast<float>(weights.w[i]);
            }
        }
        return made;
    }();
    return *table;
}

} // namespace

CubicWeights cubicWeights(double f)
{
    return {{((-.5 * f + 1) * f - .5) * f, (1.5 * f - 2.5) * f * f + 1, ((-1.5 * f + 2) * f + .5) * f,
             (.5 * f - .5) * f * f}};
}

void warp(const Image& source, const Matrix3& toSource, EdgeMode edges, Colour plain, Image& out)
{
    const Border border{&source, edges, plain};
    // A map without perspective has the same depth everywhere; dividing by it once saves it per pixel.
    Matrix3 map = toSource;
    const bool affine = map.m[6] == 0 && map.m[7] == 0 && map.m[8] > 0;
    if (affine)
        for (std::size_t i = 0; i < 9; ++i)
            map.m[i] = toSource.m[i] / toSource.m[8];
    const auto rows = [&](const oneapi::tbb::blocked_range<int>& range) {
        for (int y = range.begin(); y < range.end(); ++y) {
            const auto& m = map.m;
            const WarpRow job{source.row(0),   static_cast<std::ptrdiff_t>(source.stride()),
                              source.width(),  source.height(),
                              m[1] * y + m[2], m[0],
                              m[4] * y + m[5], m[3],
                              m[7] * y + m[8], m[6],
                              affine,          &weightTable(),
                              out.row(y),      out.width(),
                              outsidePixel,    &border};
            runWarpRow(job);
        }
    };
    oneapi::tbb::parallel_for(oneapi::tbb::blocked_range<int>(0, out.height(), 16), rows);
}

void warpReference(const Image& source, const Matrix3& toSource, EdgeMode edges, Colour plain, Image& out)
{
    const Border border{&source, edges, plain};
    const auto& m = toSource.m;
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            anyPixel<double>(border, m[0] * x + m[1] * y + m[2], m[3] * x + m[4] * y + m[5], m[6] * x + m[7] * y + m[8],
                             out.at(x, y));
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
