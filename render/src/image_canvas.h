// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "gather.h"

namespace ember {

/// Codes what it is given into a picture.
class ImageCanvas final : public Canvas {
public:
    ImageCanvas(Image& image, Domain domain) : image_(image), domain_(domain) {}
    void put(int x, int y, int count, const float* pixels) override
    {
        writePixels(pixels, domain_, count, image_, x, y);
    }

private:
    Image& image_;
    Domain domain_;
};

} // namespace ember
