// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/files/manual_page.h"

#include <algorithm>
#include <cctype>

namespace ember {

namespace {

std::string escaped(std::string_view text)
{
    std::string out;
    bool lineStart = true;
    for (const char c : text) {
        if (lineStart && (c == '.' || c == '\''))
            out += "\\&";
        if (c == '\\')
            out += "\\e";
        else if (c == '-')
            out += "\\-";
        else
            out += c;
        lineStart = c == '\n';
    }
    return out;
}

std::string upper(std::string text)
{
    std::transform(text.begin(), text.end(), text.begin(),
                   [](unsigned char c) { return static_cast<char>(std::toupper(c)); });
    return text;
}

} // namespace

std::string roffOf(const ManualPage& page)
{
    std::string out = ".TH " + escaped(upper(page.name)) + " 1 \"\" \"" + escaped(page.name + " " + page.version) +
                      "\" \"Vast Ember\"\n.SH NAME\n" + escaped(page.name) + " \\- " + escaped(page.summary) +
                      "\n.SH SYNOPSIS\n.B " + escaped(page.name) + "\n" + escaped(page.synopsis) +
                      "\n.SH DESCRIPTION\n" + escaped(page.description) + "\n";
    for (const ManualPage::Section& section : page.sections) {
        out += ".SH \"" + escaped(upper(section.title)) + "\"\n";
        if (!section.text.empty())
            out += escaped(section.text) + "\n";
        for (const auto& [term, text] : section.items)
            out += ".TP\n.B " + escaped(term) + "\n" + escaped(text.empty() ? "(nothing more)" : text) + "\n";
    }
    return out;
}

} // namespace ember
