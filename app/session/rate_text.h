// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QString>

#include "ember/core/time.h"

namespace ember::app {

/// "24", "24000/1001"; nothing when it is neither.
std::optional<FrameRate> rateOf(const QString& text);
QString rateText(FrameRate rate);

} // namespace ember::app
