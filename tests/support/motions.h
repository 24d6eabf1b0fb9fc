// SPDX-License-Identifier: GPL-3.0-or-later
// A camera's motion with no two axes alike, for tests.
#pragma once

#include <cmath>

#include "ember/core/motion_loop.h"

namespace ember::test {

/// Sways of 3 and fewer seconds, in pictures 640 wide at 25 frames a second. `frames` from 2 upwards.
inline KeptMotion swayingMotion(int frames = 200, const char* name = "Swaying")
{
    KeptMotion kept{name, "", {640, 360, *FrameRate::make(25, 1), {}}};
    for (int i = 0; i < frames; ++i) {
        const double s = i / 25.0;
        kept.motion.frames.push_back(
            {{8 * std::sin(2.1 * s) + 3 * std::sin(9.3 * s), 5 * std::sin(3.3 * s + 1),
              0.8 * std::sin(1.7 * s + 2) + 0.3 * std::sin(11 * s), 1 + 0.01 * std::sin(2.9 * s + 4)},
             i % 50 == 7 ? 0.0 : 0.9});
    }
    return kept;
}

} // namespace ember::test
