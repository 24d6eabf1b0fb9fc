// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/analysis/sound_trace.h"
#include "ember/core/envelope.h"
#include "ember/core/time.h"

namespace ember {

/// The envelope that is felt as an event sounds: its attack, its decay and how long it rumbles on, fitted to the
/// loudness (pressure to the power 0.6) from the onset at `seconds` until `next`, or until it can no longer be heard.
/// What a sound does not tell (lead, anchor) is taken from `base`; lengths are frames at `rate`.
Envelope envelopeFromSound(const SoundTrace& trace, double seconds, double next, FrameRate rate, const Envelope& base);

/// The loudness it is fitted to, a value for each look from the onset on; 1 is the loudest.
std::vector<float> loudnessFrom(const SoundTrace& trace, double seconds, double next);

} // namespace ember
