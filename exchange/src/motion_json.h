// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/exchange/handed_motion.h"
#include "ember/json/json.h"

namespace ember {

/// What handedToJson writes, for files that have it as a part of theirs. `few`: handedKeys of it where it is sparse.
Json motionJson(const HandedMotion& motion, const std::vector<CurveKeys>& few);

} // namespace ember
