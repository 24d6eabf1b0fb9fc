// SPDX-License-Identifier: GPL-3.0-or-later
// Values whose keys were others in earlier versions, for files and commands that still say the old ones.
#pragma once

#include <string>
#include <string_view>

namespace ember {

struct RenamedKey {
    std::string_view before;
    std::string_view now;
    double factor = 1; ///< what a value in the old unit is multiplied by
};

/// The renaming whose old (or today's) name is the last part of a key ("finish.samples"); null where there is none.
const RenamedKey* renamedFrom(std::string_view key);
const RenamedKey* renamedTo(std::string_view key);

/// A key with today's name for its last part.
std::string currentKey(std::string_view key);

} // namespace ember
