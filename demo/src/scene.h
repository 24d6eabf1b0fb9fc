// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/image/image.h"

namespace ember::demo {

/// One frame of the foundry film. Depends on the number alone, so frames can be drawn in any order and on any thread.
Image drawFrame(int frame);

} // namespace ember::demo
