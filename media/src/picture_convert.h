// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "av.h"
#include "ember/image/image.h"
#include "ember/media/colour_tags.h"

namespace ember {

/// How stored pixels are turned to stand upright: output = (a b; c d)·stored, moved back into the picture.
struct Upright {
    int a = 1, b = 0, c = 0, d = 1;

    bool swapsSides() const { return a == 0; }
    bool needed() const { return !(a == 1 && b == 0 && c == 0 && d == 1); }
    /// From a container's display matrix; what is not a multiple of 90 degrees is left as stored.
    static Upright fromDisplayMatrix(const std::int32_t* matrix);
    /// From the orientation number of TIFF and Exif, 1 to 8.
    static Upright fromExif(int orientation);
};

/// How the codes of a decoded picture are read, told or not: untagged pictures of high definition are BT.709, smaller
/// ones BT.601, as players take them. `codec` may be null.
ColourTags tagsOf(const AVFrame& frame, const AVCodecParameters* codec);

/// Turns decoded pictures of any pixel format into upright RGBA with square pixels.
class PictureConverter {
public:
    void setUpright(Upright upright) { upright_ = upright; }
    const Upright& upright() const { return upright_; }
    void setDepth(Depth depth) { depth_ = depth; }
    /// The space the codes are in, and the matrix of luma and chroma; codes are not changed.
    void setColour(ColourSpace colour, int matrix)
    {
        colour_ = colour;
        matrix_ = matrix;
    }

    /// The size of the upright picture.
    static void displaySize(int width, int height, AVRational pixelAspect, const Upright& upright, int& outWidth,
                            int& outHeight);

    /// `width`, `height`: the upright size asked for. Null when the pixel format cannot be converted.
    std::shared_ptr<Image> convert(const AVFrame& frame, int width, int height);

private:
    /// Any format and size, with care.
    bool scaleInto(const AVFrame& frame, int matrix, int full, Image& out);

    Upright upright_;
    Depth depth_ = Depth::eight;
    ColourSpace colour_;
    int matrix_ = 0;
    av::Scaler scaler_;
    int key_[7] = {};
};

/// libswscale's name for a matrix of ITU-T H.273.
int scalerMatrix(int matrix);
bool hasAlpha(int pixelFormat);
/// More than 8 bits a channel.
bool isDeep(int pixelFormat);

} // namespace ember
