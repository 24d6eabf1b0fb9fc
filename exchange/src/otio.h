// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "ember/json/json.h"

namespace ember {

/// What an item of a timeline is, without its version: "Clip.2" is "Clip". Empty where it does not say.
std::string otioSchema(const Json& item);

} // namespace ember
