// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/batch/batch.h"

#include <algorithm>
#include <array>
#include <exception>
#include <new>
#include <ostream>
#include <stdexcept>

#include "command.h"
#include "describe.h"

namespace ember {

namespace {

struct Entry {
    const char* name;
    const char* description;
    std::unique_ptr<Command> (*make)();
};

constexpr std::array<Entry, 28> commandEntries{{
    {"new", "Make a project from a clip, with strikes in it", makeNewCommand},
    {"info", "Describe a project as JSON", makeInfoCommand},
    {"poses", "List where the picture is at every frame", makePosesCommand},
    {"recipes", "List the recipes there are: the shipped ones and your own", makeRecipesCommand},
    {"set", "Change values of a project", makeSetCommand},
    {"spot", "Find what hits in a clip or a sound", makeSpotCommand},
    {"tempo", "Find the beat of a sound, as JSON", makeTempoCommand},
    {"import", "Put the strikes of a list into a project", makeImportCommand},
    {"export-strikes", "Write the strikes of a project as a list", makeExportStrikesCommand},
    {"drop", "Let bodies fall and collide, and list their impacts as JSON Lines", makeDropCommand},
    {"capture", "Read the motion of a camera from its clip", makeCaptureCommand},
    {"motions", "List the motions of real cameras", makeMotionsCommand},
    {"apply", "Treat many clips as one project is", makeApplyCommand},
    {"frame", "Give a project another frame size or rate, the strikes where their events are", makeFrameCommand},
    {"conform", "Put a new edit of its film into a project, the strikes where their events are now",
     makeConformCommand},
    {"cuts", "Find where one shot of a clip ends and the next begins", makeCutsCommand},
    {"colours", "List the spaces, displays, views and looks of a colour config, as JSON", makeColoursCommand},
    {"cover", "Tell the cover a project needs, and where", makeCoverCommand},
    {"still", "Render one frame as a picture", makeStillCommand},
    {"thumbnail", "Make a small picture by which a project is known in a folder", makeThumbnailCommand},
    {"render", "Render the film of a project", makeRenderCommand},
    {"parts", "Write the job that renders a film in parts, on many machines", makePartsCommand},
    {"join", "Join the parts of a film, without coding it again", makeJoinCommand},
    {"export", "Export the motion: tables, cameras, styles, timelines, sheets, recipes to be played",
     makeExportCommand},
    {"check", "Tell whether the film can be watched without harm", makeCheckCommand},
    {"rumble", "Write how strongly the film shakes as a sound for a subwoofer", makeRumbleCommand},
    {"serve", "Be struck by OSC messages, and log what becomes of them", makeServeCommand},
    {"send", "Send OSC messages by a pattern, as another program would", makeSendCommand},
}};

/// No memory is an error like any other; what was begun is taken back on the way out of the command.
Status runGuarded(Command& command, const BatchStreams& streams)
{
    try {
        return command.run(streams);
    } catch (const std::bad_alloc&) {
        return noMemory();
    } catch (const std::length_error&) { // a size no memory could hold
        return noMemory();
    } catch (const std::exception& error) { // threads the system does not give, and what else libraries throw
        return Error{ErrorCode::failed, "", error.what()};
    }
}

} // namespace

std::vector<std::string> batchCommands()
{
    std::vector<std::string> names;
    names.reserve(commandEntries.size());
    for (const Entry& entry : commandEntries)
        names.emplace_back(entry.name);
    return names;
}

int runBatch(const std::vector<std::string>& arguments, const BatchStreams& streams)
{
    const std::string version = std::string("vast-ember-batch ") + EMBER_VERSION;
    CLI::App app("Vast Ember without a window: impact shakes for scripts and farms.", "vast-ember-batch");
    app.set_version_flag("--version", version);
    app.require_subcommand(1);
    app.footer(
        "Exit codes: 0 done, 1 it failed (one sentence on stderr), 2 the command line was wrong; of check also 3, a "
        "limit is not kept.");
    bool alone = false; // what only stands in the help: these two are answered below
    app.add_flag("--manual-page", alone, "Print the manual page, as man reads it");
    app.add_flag("--bash-completion", alone, "Print the completion for bash");
    std::vector<std::pair<CLI::App*, std::unique_ptr<Command>>> commands;
    for (const Entry& entry : commandEntries) {
        CLI::App* sub = app.add_subcommand(entry.name, entry.description);
        sub->set_version_flag("--version", version);
        commands.emplace_back(sub, entry.make());
        commands.back().second->declare(*sub);
    }
    if (arguments == std::vector<std::string>{"--manual-page"}) {
        streams.out << manualOf(app, EMBER_VERSION);
        return streams.out.flush() ? batchOk : batchFailed;
    }
    if (arguments == std::vector<std::string>{"--bash-completion"}) {
        streams.out << bashCompletionOf(app);
        return streams.out.flush() ? batchOk : batchFailed;
    }
    try {
        app.parse(std::vector<std::string>(arguments.rbegin(), arguments.rend()));
    } catch (const CLI::Success& asked) { // --help, --version
        return app.exit(asked, streams.out, streams.err) == 0 ? batchOk : batchUsage;
    } catch (const CLI::ParseError& error) {
        streams.err << "vast-ember-batch: " << error.what() << "\nRun with --help for more information.\n";
        return batchUsage;
    }
    for (const auto& [sub, command] : commands) {
        if (!sub->parsed())
            continue;
        Status status = runGuarded(*command, streams);
        if (status && !streams.out.flush())
            status = Error{ErrorCode::unwritable, "The output", "it could not all be written"};
        if (status)
            return command->doneCode();
        streams.err << "vast-ember-batch: " << sentence(status.error()) << '\n';
    }
    return batchFailed;
}

} // namespace ember
