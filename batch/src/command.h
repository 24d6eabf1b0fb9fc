// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include <CLI/CLI.hpp>

#include "ember/batch/batch.h"
#include "ember/core/error.h"
#include "ember/core/motion.h"
#include "ember/core/progress.h"
#include "ember/core/project.h"
#include "ember/files/file_lock.h"
#include "ember/film/parts.h"
#include "ember/project/recipe_book.h"

namespace ember {

/// One command of the batch tool: declares its arguments, then does its work.
class Command {
public:
    virtual ~Command() = default;
    virtual void declare(CLI::App& app) = 0;
    virtual Status run(const BatchStreams& streams) = 0;
    /// The exit code once it has run without an error.
    virtual int doneCode() const { return batchOk; }
};

std::unique_ptr<Command> makeNewCommand();
std::unique_ptr<Command> makeInfoCommand();
std::unique_ptr<Command> makePosesCommand();
std::unique_ptr<Command> makeRenderCommand();
std::unique_ptr<Command> makeApplyCommand();
std::unique_ptr<Command> makePartsCommand();
std::unique_ptr<Command> makeJoinCommand();
std::unique_ptr<Command> makeRecipesCommand();
std::unique_ptr<Command> makeSetCommand();
std::unique_ptr<Command> makeImportCommand();
std::unique_ptr<Command> makeExportStrikesCommand();
std::unique_ptr<Command> makeSpotCommand();
std::unique_ptr<Command> makeTempoCommand();
std::unique_ptr<Command> makeDropCommand();
std::unique_ptr<Command> makeCoverCommand();
std::unique_ptr<Command> makeStillCommand();
std::unique_ptr<Command> makeThumbnailCommand();
std::unique_ptr<Command> makeCaptureCommand();
std::unique_ptr<Command> makeMotionsCommand();
std::unique_ptr<Command> makeColoursCommand();
std::unique_ptr<Command> makeConformCommand();
std::unique_ptr<Command> makeFrameCommand();
std::unique_ptr<Command> makeCutsCommand();
std::unique_ptr<Command> makeRumbleCommand();
std::unique_ptr<Command> makeExportCommand();
std::unique_ptr<Command> makeCheckCommand();
std::unique_ptr<Command> makeSendCommand();
std::unique_ptr<Command> makeServeCommand();

/// Percents on stderr where somebody looks at it; ends the work when the streams are to stop.
Progress progressOn(const BatchStreams& streams);

/// What is said of an output that stands there already.
inline constexpr const char* forceReplaces = "--force replaces it";

/// The project as a command reads it, changes it and writes it: held, so that two commands at once do not lose what one
/// of them did, when it is written into itself.
struct HeldProject {
    Project project;
    std::optional<FileLock> lock;
};
/// `output`: where the result goes; empty for the project itself.
Result<HeldProject> holdProject(const std::string& path, const std::string& output);
/// Writes the result of a command that edits a project: into itself where `output` is empty, else to another file that
/// is none of the project's and none of `inputs` either, and not there yet unless `force`.
Status saveEdited(const Project& project, const std::string& path, const std::string& output, bool force,
                  const std::vector<std::string>& inputs = {});
/// The part of saveEdited() that only looks: before any work is done.
Status mayBeEdited(const Project& project, const std::string& path, const std::string& output, bool force,
                   const std::vector<std::string>& inputs = {});

/// Of a command that finds something in a clip and can do it in parts: where the result goes.
struct ResultOptions {
    std::string output; ///< empty: the output stream, which parts cannot have
    std::string part;   ///< "3/8": only this part is worked on
    bool join = false;  ///< the parts are put together
    bool keepParts = false;
    bool force = false;

    /// `what` is written: "list", "motion".
    void declare(CLI::App& app, const std::string& what);
    /// Writes the result, not onto the files of the clip at `input`, and deletes the parts that were joined.
    Status write(const std::string& text, const std::string& input, const BatchStreams& streams) const;
    /// The part of write() that only looks: before any work is done.
    Status mayWrite(const std::string& input) const;
};

/// The shipped and the user's recipes; what is wrong with the user's book is told on `err`.
BookEntries knownRecipes(std::ostream& err);

/// "A-B" or "A"; checked against a film of `length` frames. An empty text is the whole film.
Result<FrameSpan> frameRange(const std::string& text, std::int64_t length);

/// Validators, so that a wrong spelling is a usage error.
CLI::Validator frameRangeSpelling();
CLI::Validator sizeSpelling();
CLI::Validator partSpelling();
CLI::Validator rateSpelling();
CLI::Validator strikeSpelling();
/// "PORT" or "HOST:PORT"; port 0 where `any`.
CLI::Validator addressSpelling(bool any = false);

std::optional<FrameRate> rateFrom(const std::string& text);
struct Size {
    int width = 0;
    int height = 0;
};
std::optional<Size> sizeFrom(const std::string& text);

struct StrikeArgument {
    std::int64_t frame = 0;
    StrikeKind kind = StrikeKind::hit;
    double strength = 1;
};
/// "FRAME:KIND:STRENGTH", strength a ratio (0.8) or percent (80%), 1 when left out.
std::optional<StrikeArgument> strikeFrom(const std::string& text);

} // namespace ember
