// SPDX-License-Identifier: GPL-3.0-or-later
// The cover of long films, worked out by whoever has threads to spare.
#pragma once

#include <functional>
#include <vector>

#include "ember/core/cover.h"

namespace ember {

/// Calls work(i) for each i below count, in any order and on as many threads as it likes; the core has none.
using ForEach = std::function<void(std::size_t count, const std::function<void(std::size_t)>& work)>;

/// As in cover.h, with the same results to the last bit.
std::vector<ShotCover> shotCovers(const Project& project, const Motion& motion, const ForEach& each);
Cover coverOf(const Project& project, const Motion& motion, const ForEach& each);

} // namespace ember
