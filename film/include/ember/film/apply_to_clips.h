// SPDX-License-Identifier: GPL-3.0-or-later
// A pattern applied to many clips: a project for each, and its film where that is wished for.
#pragma once

#include <cstdint>
#include <functional>
#include <map>
#include <string>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/files/output_guard.h"
#include "ember/film/apply_pattern.h"
#include "ember/project/recipe_book.h"

namespace ember {

/// What a pattern is read from: a project, or a file of recipes (see docs/file-format.md).
struct Pattern {
    Project project;
    BookEntries recipes; ///< where there are any it is these alone, and `project` counts for nothing
    std::string path;    ///< of its file; empty where it has none
};
/// Reads a project, or recipes where the file's name ends with .json.
Result<Pattern> loadPattern(const std::string& path);

struct ApplyOptions {
    PatternOptions pattern;
    std::string folder;     ///< for projects and films; empty: beside each clip
    std::string filmEnding; ///< of the film to render: ".mp4", ".mkv", ".webm" or ".mov"; empty: none
    int threads = 0;        ///< of a render; 0: as many as the machine has
    bool overwrite = false; ///< projects and films that exist
    std::string replacing;  ///< how that is asked for, told where something exists
};

/// What was made of one clip.
struct AppliedClip {
    std::string clip;
    std::string project;
    std::size_t strikes = 0;
    std::string film; ///< empty where none was rendered
};

enum class ApplyStep { finding, rendering };
/// Told how far one clip is, the share of the step from 0 to 1; returning false stops it.
using ApplyProgress = std::function<bool(ApplyStep step, double share)>;

/// Applies one pattern to one clip after the other. It never writes onto the pattern, what the pattern reads, one of
/// the clips, or what it made of another clip.
class PatternApplier {
public:
    /// `clips`: all that are to come, as far as they are known.
    PatternApplier(Pattern pattern, ApplyOptions options, const std::vector<std::string>& clips);

    /// CLIP.vember, in the folder or beside the clip.
    std::string projectFor(const std::string& clip) const;
    /// Where CLIP-shaken.ENDING is rendered to; empty where no film is wished for.
    std::string filmFor(const std::string& clip) const;
    /// Makes them. Errors: what is read, found, written or rendered, `exists` and `unwritable` of the outputs; where a
    /// render fails or is stopped, the project stays.
    Result<AppliedClip> apply(const std::string& clip, const ApplyProgress& progress);

private:
    Status mayMake(const std::string& out, const std::string& clip) const;

    Pattern pattern_;
    ApplyOptions options_;
    OutputGuard guard_;
    std::map<std::string, std::string> made_; ///< what was made, of which clip
};

/// Films directly in a folder, by name. Those that a PatternApplier rendered ("-shaken") are left out; no folder has
/// none.
std::vector<std::string> clipsIn(const std::string& folder);

/// A folder into which clips come.
class FolderWatch {
public:
    explicit FolderWatch(std::string folder) : folder_(std::move(folder)) {}

    const std::string& folder() const { return folder_; }
    /// Looks again. Clips whose size is what it was at the last look are no longer being copied: each is told once.
    std::vector<std::string> arrived();

private:
    struct Seen {
        std::uintmax_t bytes = 0;
        bool told = false;
    };
    std::string folder_;
    std::map<std::string, Seen> seen_;
};

} // namespace ember
