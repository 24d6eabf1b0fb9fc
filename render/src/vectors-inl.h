// SPDX-License-Identifier: GPL-3.0-or-later
// What the vector code shares; included once per instruction set, hence no usual guard.
#if defined(EMBER_VECTORS_INL_H) == defined(HWY_TARGET_TOGGLE)
#ifdef EMBER_VECTORS_INL_H
#undef EMBER_VECTORS_INL_H
#else
#define EMBER_VECTORS_INL_H
#endif

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace ember::HWY_NAMESPACE {

/// Never more than four pixels, so that a block is the same whatever the width of the vectors.
using Wide = hwy::HWY_NAMESPACE::CappedTag<float, 16>;
#if HWY_TARGET != HWY_SCALAR
using Pixel = hwy::HWY_NAMESPACE::FixedTag<float, 4>;
#endif

} // namespace ember::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#endif
