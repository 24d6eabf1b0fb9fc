// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/time.h"

#include <numeric>

namespace ember {

std::optional<FrameRate> FrameRate::make(std::int64_t num, std::int64_t den)
{
    if (num <= 0 || den <= 0 || num > 1'000'000'000 || den > 1'000'000'000)
        return std::nullopt;
    if (num < den || num / den > 1000)
        return std::nullopt;
    const auto divisor = std::gcd(num, den);
    return FrameRate(num / divisor, den / divisor);
}

} // namespace ember
