// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <map>
#include <set>
#include <string>
#include <utility>

#include "ember/core/error.h"

namespace ember {

/// Keeps outputs off everything they are made of. One for each command or window; every output asks it first.
class OutputGuard {
public:
    /// `path` is read: nothing is written onto it, by whatever name or link it is called. `what` it is ("the clip") is
    /// told. Empty paths are nothing.
    void protect(const std::string& path, const std::string& what);

    /// Whether `path` may be written. Not onto what is protected; and where something stands there already, which a
    /// link to nothing is too, only to `replace` it. `how` says how that is asked for ("--force replaces it").
    Status mayWrite(const std::string& path, bool replace, const std::string& how) const;

private:
    using Identity = std::pair<std::uint64_t, std::uint64_t>; ///< device and inode
    std::map<Identity, std::string> files_;
    std::map<std::string, std::string> paths_; ///< of what is not there (now)
};

/// Something stands at `path`: a file, a folder, or a link, though it may lead nowhere.
bool somethingAt(const std::string& path);

} // namespace ember
