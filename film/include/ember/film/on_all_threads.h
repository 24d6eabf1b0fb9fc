// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/shot_covers.h"

namespace ember {

/// Spreads work over all threads there are.
ForEach onAllThreads();

} // namespace ember
