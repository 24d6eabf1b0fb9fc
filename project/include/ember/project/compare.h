// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "ember/core/project.h"

namespace ember {

/// A value that two projects do not share.
struct Difference {
    std::string where; ///< "strikes, Ingot lands: strength"; lists are named by their elements' names
    std::string first; ///< as the file would have it; empty where there is none
    std::string second;

    bool operator==(const Difference&) const = default;
};

/// Every value of the projects' files that differs, in the order of the file.
std::vector<Difference> differences(const Project& first, const Project& second);

} // namespace ember
