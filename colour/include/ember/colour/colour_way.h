// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include "ember/image/image.h"

namespace ember {

/// One way of pictures through a config, from one of its spaces to another or to a screen. For any number of threads.
class ColourWay {
public:
    struct Steps; ///< OpenColorIO's, known to this room alone
    explicit ColourWay(std::shared_ptr<const Steps> steps) : steps_(std::move(steps)) {}

    /// Whether it leaves every number as it is.
    bool nothing() const;

    /// The picture at its end, in this depth; codes are rounded to the nearest, and cut off at 0 and 1. `colour` is
    /// what it says of itself. Alpha stays; colours are multiplied by it in floats alone, as Image has it. Its rows are
    /// shared out among the threads of the arena this is called in.
    Image of(const Image& picture, Depth depth, ColourSpace colour) const;

private:
    std::shared_ptr<const Steps> steps_;
};

} // namespace ember
