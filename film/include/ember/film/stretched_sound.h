// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include "ember/media/sound_reader.h"

namespace ember {

/// A sound played slower (or faster) at its own pitch: second t of the source is heard at t / `speed`, and that is also
/// how the reader's samples count. By Rubber Band's R2 engine with short windows, which keeps hits sharp: onsets come
/// within 10 ms of their place as it is heard (measured for 0.1 to 0.75), 2.5 ms of the film at a quarter of its speed.
/// `speed`: 0.05 to 4; at 1 the source is given back as it is.
std::unique_ptr<SoundReader> stretched(std::unique_ptr<SoundReader> source, double speed);

} // namespace ember
