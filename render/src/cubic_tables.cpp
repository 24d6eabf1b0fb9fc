// SPDX-License-Identifier: GPL-3.0-or-later
#include "cubic_tables.h"

#include "ember/render/warp.h"

namespace ember {

namespace {

struct Table {
    template <typename WeightsAt>
    explicit Table(WeightsAt weightsAt)
    {
        for (int phase = 0; phase < phaseCount; ++phase) {
            const CubicWeights weights = weightsAt(static_cast<double>(phase) / phaseCount);
            for (int i = 0; i < 4; ++i)
                of[phase][i] = static_cast<float>(weights.w[static_cast<std::size_t>(i)]);
        }
    }
    CubicTable of;
};

/// M. Unser: Splines, a perfect fit for signal and image processing, 1999.
CubicWeights splineWeights(double f)
{
    const double g = 1 - f;
    return {{g * g * g / 6, (4 - 6 * f * f + 3 * f * f * f) / 6, (4 - 6 * g * g + 3 * g * g * g) / 6, f * f * f / 6}};
}

} // namespace

const CubicTable& cubicTable()
{
    static const Table table(cubicWeights);
    return table.of;
}

const CubicTable& splineTable()
{
    static const Table table(splineWeights);
    return table.of;
}

} // namespace ember
