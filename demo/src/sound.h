// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/sound.h"

namespace ember::demo {

/// The whole soundtrack of the foundry film, stereo, 48 kHz, the same each time.
SoundBuffer foundrySound();

} // namespace ember::demo
