// SPDX-License-Identifier: GPL-3.0-or-later
// What a stand-in for another program says, and when.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "ember/live/osc_message.h"

namespace ember {

struct TimedOsc {
    double seconds = 0;
    OscMessage message;
};

/// A pattern of docs/osc.md: messages at their times, and hammering worked out into messages by its seed. In order. An
/// error tells where in the text.
Result<std::vector<TimedOsc>> patternFromJson(std::string_view text, const std::string& name);

} // namespace ember
