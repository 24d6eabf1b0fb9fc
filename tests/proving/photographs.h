// SPDX-License-Identifier: GPL-3.0-or-later
// Photographs that Debian has (packages lomiri-wallpapers and mate-backgrounds), and things cut from them.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include <opencv2/core.hpp>

#include "chance.h"

namespace ember::proving {

/// A photograph as light: 32-bit floats, red, green and blue, 0 to 1; its longer side at most 1600 pixels.
using Photograph = cv::Mat3f;

/// Which photographs a scene may be made of. Those of one share are never seen in the other.
enum class Share { tuning, unseen };

/// Those that are installed, in a fixed order; the small package alone has some of both shares.
std::vector<std::string> photographsOf(Share share);

/// Reads photographs once and keeps them.
class Album {
public:
    explicit Album(Share share) : paths_(photographsOf(share)) {}
    bool empty() const { return paths_.empty(); }
    const Photograph& any(Chance& chance);

private:
    std::vector<std::string> paths_;
    std::vector<Photograph> read_;
};

/// Something cut from a photograph: light and how much of it covers, all four times that.
using Cut = cv::Mat4f;

enum class Outline { ball, block, blob, person };
/// `size` pixels high.
Cut cutFrom(const Photograph& photograph, Outline outline, int size, Chance& chance);
/// A soft cloud of one grey with no hard edge.
Cut cloud(float grey, int size, Chance& chance);

} // namespace ember::proving
