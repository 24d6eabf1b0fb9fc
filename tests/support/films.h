// SPDX-License-Identifier: GPL-3.0-or-later
// Short films whose impacts are known, drawn from nothing but formulas and seeds.
#pragma once

#include <cstdint>
#include <functional>
#include <string>
#include <vector>

#include "ember/image/image.h"

namespace ember::test {

/// A film and the first frames of what happens in it.
struct KnownFilm {
    std::string name;
    int frames = 0;
    std::function<Image(int frame)> draw;
    std::vector<int> impacts;
};

/// Each is another for another seed: things that fall, bounce, fly into walls and burst, and as traps a camera that
/// pans or is held in the hand, flicker, grain, things that pass through the picture, and cuts.
std::vector<KnownFilm> knownFilms(std::uint64_t seed);

} // namespace ember::test
