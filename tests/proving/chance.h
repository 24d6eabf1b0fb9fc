// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <cstdint>
#include <numbers>
#include <random>

namespace ember::proving {

/// Numbers by chance, the same on every machine for a seed.
class Chance {
public:
    explicit Chance(std::uint64_t seed) : engine_(seed) {}

    /// Even from `from` to `to`.
    double between(double from, double to)
    {
        return from + (to - from) * static_cast<double>(engine_() >> 11) * 0x1.0p-53;
    }
    /// One of `count`.
    int oneOf(int count) { return static_cast<int>(between(0, count)); }
    bool often(double share) { return between(0, 1) < share; }
    double sign() { return often(0.5) ? 1 : -1; }
    /// Normal, of deviation 1 (Box and Muller, 1958).
    double normal()
    {
        return std::sqrt(-2 * std::log(1 - between(0, 1))) * std::cos(2 * std::numbers::pi * between(0, 1));
    }

private:
    std::mt19937_64 engine_;
};

} // namespace ember::proving
