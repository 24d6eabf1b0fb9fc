// SPDX-License-Identifier: GPL-3.0-or-later
// Vector code: a picture laid over a key. Compiled once per instruction set, the best one is chosen at run time.
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "align_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "align_kernels.h"

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using Group = hn::CappedTag<float, alignGroup>;

void differences(const KeyPixels& key, const SeenPicture& seen, float* out)
{
    const Group d;
    const hn::RebindToSigned<Group> d32;
    const auto x0 = hn::Set(d, seen.x0);
    const auto y0 = hn::Set(d, seen.y0);
    const auto turn = hn::Set(d, seen.turn);
    const auto lean = hn::Set(d, seen.lean);
    const auto contrast = hn::Set(d, seen.contrast);
    const auto stride = hn::Set(d32, static_cast<std::int32_t>(seen.stride));
    for (std::size_t i = 0; i < key.count; i += hn::Lanes(d)) {
        const auto x = hn::LoadU(d, key.x + i);
        const auto y = hn::LoadU(d, key.y + i);
        const auto across = hn::MulAdd(turn, x, hn::NegMulAdd(lean, y, x0));
        const auto down = hn::MulAdd(lean, x, hn::MulAdd(turn, y, y0));
        const auto column = hn::ConvertTo(d32, across); // towards zero, and none is below
        const auto row = hn::ConvertTo(d32, down);
        const auto fx = hn::Sub(across, hn::ConvertTo(d, column));
        const auto fy = hn::Sub(down, hn::ConvertTo(d, row));
        const auto at = hn::Add(hn::Mul(row, stride), column);
        const auto neighbour = [&](std::ptrdiff_t offset)
                                   HWY_ATTR { return hn::GatherIndex(d, seen.pixels + offset, at); };
        const auto between = [&](std::ptrdiff_t offset) HWY_ATTR {
            const auto left = neighbour(offset);
            return hn::MulAdd(fx, hn::Sub(neighbour(offset + 1), left), left);
        };
        const auto above = between(0);
        const auto there = hn::MulAdd(fy, hn::Sub(between(seen.stride), above), above);
        hn::StoreU(hn::NegMulAdd(contrast, there, hn::LoadU(d, key.value + i)), d, out + i);
    }
}

float light(const float* of, std::size_t count, float light, float cap)
{
    const Group d;
    const auto off = hn::Set(d, light);
    auto sum = hn::Zero(d);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d))
        sum = hn::Add(sum, hn::Clamp(hn::Sub(hn::LoadU(d, of + i), off), hn::Set(d, -cap), hn::Set(d, cap)));
    return hn::GetLane(hn::SumOfLanes(d, sum));
}

Misfit misfit(float* of, std::size_t count, float light, float cap)
{
    const Group d;
    const auto off = hn::Set(d, light);
    auto sizes = hn::Zero(d);
    auto squares = hn::Zero(d);
    for (std::size_t i = 0; i < count; i += hn::Lanes(d)) {
        const auto difference = hn::Sub(hn::LoadU(d, of + i), off);
        hn::StoreU(difference, d, of + i);
        const auto size = hn::Min(hn::Abs(difference), hn::Set(d, cap));
        sizes = hn::Add(sizes, size);
        squares = hn::MulAdd(size, size, squares);
    }
    return {hn::GetLane(hn::SumOfLanes(d, sizes)), hn::GetLane(hn::SumOfLanes(d, squares))};
}

std::array<float, 6> pull(const KeyPixels& key, const float* of, float most)
{
    const Group d;
    auto across = hn::Zero(d), down = across, size = across, turn = across, contrast = across, all = across;
    for (std::size_t i = 0; i < key.count; i += hn::Lanes(d)) {
        const auto held = hn::Clamp(hn::LoadU(d, of + i), hn::Set(d, -most), hn::Set(d, most));
        const auto x = hn::LoadU(d, key.x + i);
        const auto y = hn::LoadU(d, key.y + i);
        const auto dx = hn::Mul(held, hn::LoadU(d, key.dx + i));
        const auto dy = hn::Mul(held, hn::LoadU(d, key.dy + i));
        across = hn::Add(across, dx);
        down = hn::Add(down, dy);
        size = hn::MulAdd(dx, x, hn::MulAdd(dy, y, size));
        turn = hn::MulAdd(dy, x, hn::NegMulAdd(dx, y, turn));
        contrast = hn::NegMulAdd(held, hn::LoadU(d, key.value + i), contrast);
        all = hn::Add(all, held);
    }
    const auto sum = [&](auto of_) HWY_ATTR { return hn::GetLane(hn::SumOfLanes(d, of_)); };
    return {sum(across), sum(down), sum(size), sum(turn), sum(contrast), sum(all)};
}

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace ember {

HWY_EXPORT(differences);
HWY_EXPORT(light);
HWY_EXPORT(misfit);
HWY_EXPORT(pull);

void runDifferences(const KeyPixels& key, const SeenPicture& seen, float* out)
{
    HWY_DYNAMIC_DISPATCH(differences)(key, seen, out);
}

float runLight(const float* differences, std::size_t count, float light, float cap)
{
    return HWY_DYNAMIC_DISPATCH(light)(differences, count, light, cap);
}

Misfit runMisfit(float* differences, std::size_t count, float light, float cap)
{
    return HWY_DYNAMIC_DISPATCH(misfit)(differences, count, light, cap);
}

std::array<float, 6> runPull(const KeyPixels& key, const float* differences, float most)
{
    return HWY_DYNAMIC_DISPATCH(pull)(key, differences, most);
}

} // namespace ember
#endif
