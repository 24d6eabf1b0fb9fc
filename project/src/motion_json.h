// SPDX-License-Identifier: GPL-3.0-or-later
// Captured motions as JSON: the same in files of their own, in recipes and in projects.
#pragma once

#include "ember/core/motion_loop.h"
#include "json_reader.h"

namespace ember {

Json motionToJson(const KeptMotion& kept);
KeptMotion motionFromJson(const Json& json, const std::string& place, JsonTrouble& trouble);

/// The motion under "motion" of an object; an empty loop where there is none.
MotionLoop readMotion(JsonObject& object);

} // namespace ember
