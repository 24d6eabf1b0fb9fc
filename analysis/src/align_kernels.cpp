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
        // Where a row of the key lies along a row of the picture, its pixels are beside each other there too.
        const auto first = hn::GetLane(at);
        const bool beside = hn::AllTrue(d32, hn::Eq(at, hn::Iota(d32, first)));
        const auto neighbour = [&](std::ptrdiff_t offset) HWY_ATTR {
            return beside ? hn::LoadU(d, seen.pixels + first + offset) : hn::GatherIndex(d, seen.pixels + offset, at);
        };
        const auto between = [&](std::ptrdiff_t offset) HWY_ATTR {
            const auto left = neighbour(offset);
            return hn::MulAdd(fx, hn::Sub(neighbour(offset + 1), left), left);
        };
        const auto above = between(0);
        const auto there = hn::MulAdd(fy, hn::Sub(between(seen.stride), above), above);
        hn::StoreU(hn::NegMulAdd(contrast, there, hn::LoadU(d, key.value + i)), d, out + i);
    }
}

std::size_t seen(const KeyPixels& key, const SeenPicture& by, int columns, int rows, PixelStore& to, std::size_t first)
{
    const Group d;
    const auto x0 = hn::Set(d, by.x0);
    const auto y0 = hn::Set(d, by.y0);
    const auto turn = hn::Set(d, by.turn);
    const auto lean = hn::Set(d, by.lean);
    const auto right = hn::Set(d, static_cast<float>(columns - 1));
    const auto bottom = hn::Set(d, static_cast<float>(rows - 1));
    std::size_t end = first;
    for (std::size_t i = 0; i < key.count; i += hn::Lanes(d)) {
        const auto x = hn::LoadU(d, key.x + i);
        const auto y = hn::LoadU(d, key.y + i);
        const auto across = hn::MulAdd(turn, x, hn::NegMulAdd(lean, y, x0));
        const auto down = hn::MulAdd(lean, x, hn::MulAdd(turn, y, y0));
        const auto inside = hn::And(hn::And(hn::Ge(across, hn::Zero(d)), hn::Ge(down, hn::Zero(d))),
                                    hn::And(hn::Lt(across, right), hn::Lt(down, bottom)));
        hn::CompressStore(x, inside, d, to.x.data() + end);
        hn::CompressStore(y, inside, d, to.y.data() + end);
        hn::CompressStore(hn::LoadU(d, key.value + i), inside, d, to.value.data() + end);
        hn::CompressStore(hn::LoadU(d, key.dx + i), inside, d, to.dx.data() + end);
        end += hn::CompressStore(hn::LoadU(d, key.dy + i), inside, d, to.dy.data() + end);
    }
    return end - first;
}

SlopeSums slopes(const KeyPixels& key)
{
    const Group d;
    // By lanes, in memory: some machines' vectors cannot be held in arrays.
    alignas(64) std::array<std::array<float, alignGroup>, 5> of{};
    alignas(64) std::array<std::array<float, alignGroup>, 5> sums{};
    alignas(64) std::array<std::array<float, alignGroup>, 15> products{};
    for (std::size_t i = 0; i < key.count; i += hn::Lanes(d)) {
        const auto x = hn::LoadU(d, key.x + i);
        const auto y = hn::LoadU(d, key.y + i);
        const auto dx = hn::LoadU(d, key.dx + i);
        const auto dy = hn::LoadU(d, key.dy + i);
        hn::Store(dx, d, of[0].data());
        hn::Store(dy, d, of[1].data());
        hn::Store(hn::MulAdd(dx, x, hn::Mul(dy, y)), d, of[2].data());
        hn::Store(hn::MulSub(dy, x, hn::Mul(dx, y)), d, of[3].data());
        hn::Store(hn::Neg(hn::LoadU(d, key.value + i)), d, of[4].data());
        std::size_t at = 0;
        for (std::size_t a = 0; a < 5; ++a) {
            const auto slope = hn::Load(d, of[a].data());
            hn::Store(hn::Add(slope, hn::Load(d, sums[a].data())), d, sums[a].data());
            for (std::size_t b = a; b < 5; ++b, ++at)
                hn::Store(hn::MulAdd(slope, hn::Load(d, of[b].data()), hn::Load(d, products[at].data())), d,
                          products[at].data());
        }
    }
    SlopeSums all{};
    const auto sum = [&](const std::array<float, alignGroup>& lanes)
                         HWY_ATTR { return hn::GetLane(hn::SumOfLanes(d, hn::Load(d, lanes.data()))); };
    std::size_t at = 0;
    for (std::size_t a = 0; a < 5; ++a) {
        all.slopes[a] = sum(sums[a]);
        for (std::size_t b = a; b < 5; ++b, ++at)
            all.products[a][b] = sum(products[at]);
    }
    return all;
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
HWY_EXPORT(seen);
HWY_EXPORT(slopes);
HWY_EXPORT(light);
HWY_EXPORT(misfit);
HWY_EXPORT(pull);

void PixelStore::resize(std::size_t count)
{
    for (std::vector<float>* each : {&x, &y, &value, &dx, &dy})
        each->resize(count);
}

void runDifferences(const KeyPixels& key, const SeenPicture& seen, float* out)
{
    HWY_DYNAMIC_DISPATCH(differences)(key, seen, out);
}

std::size_t runSeen(const KeyPixels& key, const SeenPicture& by, int columns, int rows, PixelStore& to,
                    std::size_t first)
{
    return HWY_DYNAMIC_DISPATCH(seen)(key, by, columns, rows, to, first);
}

SlopeSums runSlopes(const KeyPixels& key)
{
    return HWY_DYNAMIC_DISPATCH(slopes)(key);
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
