// SPDX-License-Identifier: GPL-3.0-or-later
#include "subsampled.h"

#include <algorithm>
#include <vector>

#include "chroma_kernels.h"

namespace ember {

namespace {

bool isJpegs(int pixelFormat)
{
    return pixelFormat == AV_PIX_FMT_YUVJ420P || pixelFormat == AV_PIX_FMT_YUVJ422P;
}

/// Where chroma samples lie among the pixels they stand for.
struct Siting {
    bool betweenColumns;
    enum class Rows { upper, between, lower } rows;

    static Siting of(const AVFrame& frame)
    {
        switch (frame.chroma_location) {
        case AVCHROMA_LOC_CENTER: return {true, Rows::between};
        case AVCHROMA_LOC_TOPLEFT: return {false, Rows::upper};
        case AVCHROMA_LOC_TOP: return {true, Rows::upper};
        case AVCHROMA_LOC_BOTTOMLEFT: return {false, Rows::lower};
        case AVCHROMA_LOC_BOTTOM: return {true, Rows::lower};
        default: return {isJpegs(frame.format), Rows::between};
        }
    }
};

/// The two rows of chroma that a row of pixels lies between, and four times their shares.
struct RowShares {
    int row, other;
    int share, rest;

    static RowShares of(int y, int rows, Siting::Rows sited)
    {
        const int row = y / 2;
        const bool odd = y % 2 == 1;
        const int neighbour = std::clamp(odd ? row + 1 : row - 1, 0, rows - 1);
        if (sited == Siting::Rows::between)
            return {row, neighbour, 3, 1};
        const bool onIt = odd == (sited == Siting::Rows::lower);
        return {row, neighbour, onIt ? 4 : 2, onIt ? 0 : 2};
    }
};

SampleCodes codesOf(const LumaShares& shares, bool full)
{
    const double green = 1 - shares.red - shares.blue;
    const double chroma = full ? 1 : 255.0 / 224;
    const double red = 2 * (1 - shares.red) * chroma;
    const double blue = 2 * (1 - shares.blue) * chroma;
    return {full ? 1.0F : 255.0F / 219,
            full ? 0.0F : 16.0F,
            static_cast<float>(red),
            static_cast<float>(-blue * shares.blue / green),
            static_cast<float>(-red * shares.red / green),
            static_cast<float>(blue)};
}

} // namespace

bool isSubsampled(int pixelFormat)
{
    return pixelFormat == AV_PIX_FMT_YUV420P || pixelFormat == AV_PIX_FMT_YUV422P || isJpegs(pixelFormat);
}

void readSubsampled(const AVFrame& frame, const LumaShares& shares, bool full, Image& out)
{
    const bool halfRows = frame.format == AV_PIX_FMT_YUV420P || frame.format == AV_PIX_FMT_YUVJ420P;
    const auto columns = static_cast<std::size_t>((out.width() + 1) / 2);
    const int rows = halfRows ? (out.height() + 1) / 2 : out.height();
    const Siting siting = Siting::of(frame);
    const SampleCodes codes = codesOf(shares, full);
    std::vector<std::uint16_t> blended(columns);
    std::vector<std::uint16_t> chroma[2] = {std::vector<std::uint16_t>(2 * columns),
                                            std::vector<std::uint16_t>(2 * columns)};
    const auto rowOf = [&](int plane, int y) {
        return frame.data[plane] + static_cast<std::ptrdiff_t>(y) * frame.linesize[plane];
    };
    for (int y = 0; y < out.height(); ++y) {
        const RowShares from = halfRows ? RowShares::of(y, rows, siting.rows) : RowShares{y, y, 4, 0};
        for (const int plane : {1, 2}) {
            runBlendRows(rowOf(plane, from.row), rowOf(plane, from.other), from.share, from.rest, blended.data(),
                         columns);
            runDoubleAlong(blended.data(), siting.betweenColumns, chroma[plane - 1].data(), columns);
        }
        runSamplesToRgba(rowOf(0, y), chroma[0].data(), chroma[1].data(), 16, codes, out.row(y),
                         static_cast<std::size_t>(out.width()));
    }
}

} // namespace ember
