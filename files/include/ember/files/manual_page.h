// SPDX-License-Identifier: GPL-3.0-or-later
// The manual page of a program, as `man` reads it, made of what the program itself knows of its command line.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace ember {

struct ManualPage {
    /// A term and what it is: an option, an exit code, a file.
    using Item = std::pair<std::string, std::string>;
    struct Section {
        std::string title; ///< "Options"
        std::string text;  ///< a paragraph before the items; may be empty
        std::vector<Item> items;
    };

    std::string name;    ///< of the program, "vast-ember-batch"
    std::string version; ///< "0.1.0"
    std::string summary; ///< half a line
    std::string synopsis;
    std::string description;
    std::vector<Section> sections;
};

/// In the macros of man(7), section 1. Nothing in a text is taken for a command of the typesetter.
std::string roffOf(const ManualPage& page);

} // namespace ember
