// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "ember/batch/batch.h"
#include "ember/core/error.h"
#include "ember/live/hammer_pattern.h"
#include "ember/live/osc_door.h"

namespace ember {

/// Sends each message at its time and tells how many went out. An error where the address cannot be had or the system
/// does not take one.
Status sendInTime(const std::vector<TimedOsc>& messages, const OscAddress& address, const BatchStreams& streams);

} // namespace ember
