// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures from one colour space to another.
#pragma once

#include "ember/image/image.h"

namespace ember {

/// The picture in the light of these primaries, as floats; itself where it has them already.
ImagePtr inPrimaries(const ImagePtr& picture, Primaries primaries);

/// What an SDR screen shows of pictures of one colour space: 8 bits, sRGB.
class ScreenPictures {
public:
    /// `peak`: the brightest light that was seen when the pictures were made, in cd/m2, from 203 to 10,000.
    ScreenPictures(ColourSpace from, double peak);

    /// PQ and HLG are brought down to a white of 203 cd/m2 by the curve of Report ITU-R BT.2390-11, 5.4.1, by their
    /// largest channel, so that hues stay; HLG gets the system gamma of a display of 1,000 cd/m2 first (ITU-R
    /// BT.2100-2, table 5). Everything else is cut off at white. What lies outside sRGB is cut off.
    Image of(const Image& picture) const;

    /// Light (1 is 203 cd/m2) that a screen with that white shows for display light of at most `peak`.
    double mapped(double light) const;

private:
    ColourSpace from_;
    double peak_;
    std::array<float, 9> matrix_{};
    std::vector<float> scale_; ///< by the PQ code of the largest channel; empty where nothing is mapped
};

} // namespace ember
