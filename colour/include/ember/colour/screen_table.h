// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include "ember/image/image.h"

namespace ember {

/// What a screen shows of light, as a table: pictures in a view must be quick, whatever the way to the screen is.
class ScreenTable {
public:
    /// `screen`: what it shows of a picture of floats, as floats, 0 to 1 where it can show
    /// them (what is beyond is cut off between the table's colours, not at them). Asked once, for the table's 328,509
    /// colours.
    explicit ScreenTable(const std::function<Image(const Image&)>& screen);

    /// A picture of floats as 8 bits; with alpha as Image has it in each. What lies between eight colours of the table
    /// is found on straight lines (trilinear). Steps are a quarter of an octave. Light below 0, and NaN, counts as 0,
    /// above 128 as 128.
    Image of(const Image& light) const;

private:
    std::vector<float> table_; ///< four floats for each colour, blue running fastest: what sRGB's curve makes of the
                               ///< codes, which is nearly straight in light, so that little is lost between two colours
};

} // namespace ember
