// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "gather.h"

namespace ember {

/// Keeps what it is given.
class LightCanvas final : public Canvas {
public:
    explicit LightCanvas(LightPicture& picture) : picture_(picture) {}
    void put(int x, int y, int count, const float* pixels) override { picture_.write(x, y, count, pixels); }

private:
    LightPicture& picture_;
};

/// Lays what it is given over what is there (T. Porter, T. Duff: Compositing digital images, 1984).
class OverCanvas final : public Canvas {
public:
    OverCanvas(LightPicture& picture, double opacity) : picture_(picture), opacity_(static_cast<float>(opacity)) {}
    void put(int x, int y, int count, const float* pixels) override
    {
        float* below = scratch(6).room(4 * static_cast<std::size_t>(count));
        picture_.read(x, y, count, below);
        float* to = below;
        for (int i = 0; i < count; ++i, to += 4, pixels += 4) {
            const float left = 1 - pixels[3] * opacity_;
            for (int k = 0; k < 4; ++k)
                to[k] = to[k] * left + pixels[k] * opacity_;
        }
        picture_.write(x, y, count, below);
    }

private:
    LightPicture& picture_;
    float opacity_;
};

} // namespace ember
