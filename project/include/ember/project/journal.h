// SPDX-License-Identifier: GPL-3.0-or-later
// Work that is not saved yet, kept so that a crash loses nothing.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"

namespace ember {

/// The journal of one running program: one file in `folder` that always holds the whole of the last state kept, and a
/// lock that dies with the process. The file is replaced in one step, so that it is whole whenever the process ends.
class Journal {
public:
    static Result<Journal> begin(const std::string& folder);
    Journal(Journal&&) noexcept;
    Journal& operator=(Journal&&) noexcept;
    ~Journal(); ///< what is kept stays; the lock goes

    /// Keeps a state of the project that is saved as `path` (empty: not yet) and called `title`. May be called from
    /// any thread, one at a time.
    Status keep(const Project& project, const std::string& path, const std::string& title) const;
    /// There is nothing unsaved any more.
    void forget() const;

private:
    struct Lock;
    Journal(std::string file, std::unique_ptr<Lock> lock);
    std::string file_;
    std::unique_ptr<Lock> lock_;
};

/// What a program that is no longer running has left behind.
struct LeftBehind {
    std::string file;
    std::string projectPath; ///< where it was saved, or empty
    std::string title;
    std::int64_t keptAt = 0; ///< seconds since 1970
};
/// The newest first. Files that cannot be read are passed over and stay.
std::vector<LeftBehind> leftBehind(const std::string& folder);
Result<Project> recovered(const LeftBehind& left);
/// Takes it away for good.
void discard(const LeftBehind& left);

} // namespace ember
