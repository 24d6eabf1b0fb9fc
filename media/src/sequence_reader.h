// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "ember/media/clip.h"

namespace ember {

struct NumberedFile {
    std::int64_t number;
    std::string path;
};

/// The numbered pictures that belong with `path` (one of them, or a name with %d or %04d), by number. Empty when the
/// name has no number or is not a picture's.
std::vector<NumberedFile> findSequence(const std::string& path);

/// A film or a single picture, taken literally.
Result<std::unique_ptr<ClipReader>> openOne(const std::string& path, const ClipOptions& options);

Result<std::unique_ptr<ClipReader>> openSequence(const std::string& path, std::vector<NumberedFile> files,
                                                 const ClipOptions& options);

} // namespace ember
