// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "av.h"
#include "ember/image/image.h"

namespace ember {

/// The red and blue shares of luma (ITU-R BT.601, BT.709, BT.2020; FCC 73.682; SMPTE 240M).
struct LumaShares {
    double red;
    double blue;
};

/// Whether the format has 8-bit luma for each pixel and chroma for every second one, as most films do.
bool isSubsampled(int pixelFormat);

/// Such a picture as opaque RGBA of the same size, 8 bits. Chroma is interpolated from where its samples were taken:
/// between the rows and with the even columns where nothing is told, as MPEG-2 and later coders have it, and in the
/// middle of four pixels for JPEG. `full`: samples use all 256 codes.
void readSubsampled(const AVFrame& frame, const LumaShares& shares, bool full, Image& out);

} // namespace ember
