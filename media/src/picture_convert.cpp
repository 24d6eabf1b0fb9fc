// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_convert.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>

#include "subsampled.h"

namespace ember {

Upright Upright::fromDisplayMatrix(const std::int32_t* m)
{
    const auto sign = [](std::int32_t v) { return v > 32768 ? 1 : v < -32768 ? -1 : 0; };
    const Upright u{sign(m[0]), sign(m[3]), sign(m[1]), sign(m[4])};
    const bool straight =
        std::abs(u.a) + std::abs(u.b) == 1 && std::abs(u.c) + std::abs(u.d) == 1 && std::abs(u.a) + std::abs(u.c) == 1;
    return straight ? u : Upright{};
}

Upright Upright::fromExif(int orientation)
{
    constexpr std::array<Upright, 9> table{{{},
                                            {1, 0, 0, 1},
                                            {-1, 0, 0, 1},
                                            {-1, 0, 0, -1},
                                            {1, 0, 0, -1},
                                            {0, 1, 1, 0},
                                            {0, -1, 1, 0},
                                            {0, -1, -1, 0},
                                            {0, 1, -1, 0}}};
    return orientation >= 1 && orientation <= 8 ? table[static_cast<std::size_t>(orientation)] : Upright{};
}

bool hasAlpha(int pixelFormat)
{
    const auto* description = av_pix_fmt_desc_get(static_cast<AVPixelFormat>(pixelFormat));
    return description != nullptr && (description->flags & AV_PIX_FMT_FLAG_ALPHA) != 0;
}

int scalerMatrix(int matrix)
{
    switch (matrix) {
    case AVCOL_SPC_FCC: return SWS_CS_FCC;
    case AVCOL_SPC_SMPTE240M: return SWS_CS_SMPTE240M;
    case AVCOL_SPC_BT2020_NCL:
    case AVCOL_SPC_BT2020_CL: return SWS_CS_BT2020;
    case AVCOL_SPC_BT470BG:
    case AVCOL_SPC_SMPTE170M: return SWS_CS_ITU601;
    default: return SWS_CS_ITU709;
    }
}

bool isDeep(int pixelFormat)
{
    const auto* description = av_pix_fmt_desc_get(static_cast<AVPixelFormat>(pixelFormat));
    return description != nullptr && description->comp[0].depth > 8;
}

void PictureConverter::displaySize(int width, int height, AVRational aspect, const Upright& upright, int& outWidth,
                                   int& outHeight)
{
    if (aspect.num > 0 && aspect.den > 0 && aspect.num != aspect.den) {
        const double ratio = av_q2d(aspect);
        // The longer way is stretched: no stored line is lost.
        if (ratio > 1)
            width = static_cast<int>(std::lround(width * ratio));
        else
            height = static_cast<int>(std::lround(height / ratio));
    }
    if (upright.swapsSides())
        std::swap(width, height);
    outWidth = std::max(1, width);
    outHeight = std::max(1, height);
}

namespace {

Image turned(const Image& stored, const Upright& u)
{
    const int w = stored.width();
    const int h = stored.height();
    Image out(u.swapsSides() ? h : w, u.swapsSides() ? w : h, stored.depth(), stored.colour());
    out.setOpaque(stored.opaque());
    const std::size_t size = stored.pixelBytes();
    const auto place = [size](auto* row, int x) { return row + size * static_cast<std::size_t>(x); };
    const int x0 = (u.a < 0 ? w - 1 : 0) + (u.b < 0 ? h - 1 : 0);
    const int y0 = (u.c < 0 ? w - 1 : 0) + (u.d < 0 ? h - 1 : 0);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            std::memcpy(place(out.row(y0 + u.c * x + u.d * y), x0 + u.a * x + u.b * y), place(stored.row(y), x), size);
    return out;
}

bool isJpegFormat(int format)
{
    return format == AV_PIX_FMT_YUVJ420P || format == AV_PIX_FMT_YUVJ422P || format == AV_PIX_FMT_YUVJ444P ||
           format == AV_PIX_FMT_YUVJ440P;
}

LumaShares sharesOf(int matrix)
{
    switch (matrix) {
    case SWS_CS_FCC: return {0.30, 0.11};
    case SWS_CS_SMPTE240M: return {0.212, 0.087};
    case SWS_CS_BT2020: return {0.2627, 0.0593};
    case SWS_CS_ITU601: return {0.299, 0.114};
    default: return {0.2126, 0.0722}; // BT.709
    }
}

} // namespace

ColourTags tagsOf(const AVFrame& frame, const AVCodecParameters* codec)
{
    const auto told = [](int ofFrame, int ofCodec) { return ofFrame != 2 && ofFrame != 0 ? ofFrame : ofCodec; };
    const auto* description = av_pix_fmt_desc_get(static_cast<AVPixelFormat>(frame.format));
    const bool rgb = description != nullptr && (description->flags & AV_PIX_FMT_FLAG_RGB) != 0;
    const bool jpeg = isJpegFormat(frame.format);
    ColourTags tags;
    tags.primaries = told(frame.color_primaries, codec != nullptr ? codec->color_primaries : 2);
    tags.transfer = told(frame.color_trc, codec != nullptr ? codec->color_trc : 2);
    tags.matrix = told(frame.colorspace, codec != nullptr ? codec->color_space : 2);
    tags.full = frame.color_range == AVCOL_RANGE_JPEG || jpeg;
    const bool large = frame.height > 576 || frame.width >= 1280;
    // A frame whose JPEG was not tagged otherwise carries the matrix of JFIF, BT.601.
    if (tags.matrix == 2 || tags.matrix == 0)
        tags.matrix = rgb ? 1 : tags.primaries == 9 ? 9 : jpeg || !large ? 6 : 1;
    if (tags.primaries == 2 || tags.primaries == 0)
        tags.primaries = tags.matrix == 9 ? 9 : tags.matrix == 6 && !jpeg ? 6 : 1;
    if (tags.transfer == 2 || tags.transfer == 0)
        tags.transfer = tags.matrix == 6 && !jpeg ? 6 : 1;
    if (rgb) // films made of it have luma and chroma of their own
        tags.full = false;
    return tags;
}

std::shared_ptr<Image> PictureConverter::convert(const AVFrame& frame, int width, int height)
{
    const int storedWidth = upright_.swapsSides() ? height : width;
    const int storedHeight = upright_.swapsSides() ? width : height;
    const auto* description = av_pix_fmt_desc_get(static_cast<AVPixelFormat>(frame.format));
    if (description == nullptr)
        return nullptr;
    const bool rgb = (description->flags & AV_PIX_FMT_FLAG_RGB) != 0;
    const ColourTags tags = tagsOf(frame, nullptr);
    const int full = tags.full || rgb ? 1 : 0;
    const int used = scalerMatrix(matrix_ != 0 ? matrix_ : tags.matrix);
    const bool deep = depth_ == Depth::sixteen;
    auto out = std::make_shared<Image>(storedWidth, storedHeight, depth_, colour_);
    out->setOpaque(!hasAlpha(frame.format));
    const bool resized = frame.width != storedWidth || frame.height != storedHeight;
    if (isSubsampled(frame.format) && !resized && !deep) // what most films are: ten times as fast
        readSubsampled(frame, sharesOf(used), full != 0, *out);
    else if (!scaleInto(frame, used, full, *out))
        return nullptr;
    if (upright_.needed())
        return std::make_shared<Image>(turned(*out, upright_));
    return out;
}

bool PictureConverter::scaleInto(const AVFrame& frame, int matrix, int full, Image& out)
{
    const bool deep = out.depth() == Depth::sixteen;
    const int key[7] = {frame.width, frame.height, frame.format, matrix * 2 + full,
                        out.width(), out.height(), deep ? 16 : 8};
    if (!scaler_ || !std::equal(key, key + 7, key_)) {
        const bool resized = frame.width != out.width() || frame.height != out.height();
        const int flags = (resized ? SWS_LANCZOS : SWS_BICUBIC) | SWS_ACCURATE_RND | SWS_FULL_CHR_H_INT;
        scaler_.reset(sws_getContext(frame.width, frame.height, static_cast<AVPixelFormat>(frame.format), out.width(),
                                     out.height(), deep ? AV_PIX_FMT_RGBA64 : AV_PIX_FMT_RGBA, flags, nullptr, nullptr,
                                     nullptr));
        if (!scaler_)
            return false;
        const int* coefficients = sws_getCoefficients(matrix);
        sws_setColorspaceDetails(scaler_.get(), coefficients, full, coefficients, 1, 0, 1 << 16, 1 << 16);
        std::copy(key, key + 7, key_);
    }
    std::uint8_t* planes[4] = {out.row(0), nullptr, nullptr, nullptr};
    const int strides[4] = {static_cast<int>(out.stride()), 0, 0, 0};
    return sws_scale(scaler_.get(), frame.data, frame.linesize, 0, frame.height, planes, strides) > 0;
}

} // namespace ember
