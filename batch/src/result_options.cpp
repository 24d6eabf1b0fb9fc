// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/files/output_guard.h"
#include "ember/files/whole_file.h"
#include "ember/film/analysis_parts.h"

namespace ember {

void ResultOptions::declare(CLI::App& app, const std::string& what)
{
    auto* named = app.add_option("-o,--output", output, "The " + what + " to write (default: CSV on stdout)");
    auto* one = app.add_option("--part", part, "Work on part K/N alone, kept in the folder OUTPUT.parts for --join")
                    ->check(partSpelling())
                    ->needs(named);
    auto* joined = app.add_flag("--join", join, "Put the parts together and write the " + what)->needs(named);
    joined->excludes(one);
    app.add_flag("--keep-parts", keepParts, "Leave the parts where they are")->needs(joined);
    app.add_flag("--force", force, "Replace the " + what + ", or the part, if it exists");
}

Status ResultOptions::mayWrite(const std::string& input) const
{
    if (output.empty())
        return Done{};
    OutputGuard guard;
    for (const std::string& file : filesOfClip(input))
        guard.protect(file, "the clip that is read");
    return guard.mayWrite(output, force || !part.empty(), forceReplaces);
}

Status ResultOptions::write(const std::string& text, const std::string& input, const BatchStreams& streams) const
{
    if (output.empty()) {
        if (!(streams.out << text).flush())
            return Error{ErrorCode::unwritable, "The output", "it could not all be written"};
        return Done{};
    }
    if (Status may = mayWrite(input); !may)
        return may;
    if (Status written = writeFileSafely(output, text); !written)
        return written;
    if (join && !keepParts)
        removeParts(output);
    return Done{};
}

} // namespace ember
