// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>

#include "ember/media/clip.h"

namespace ember {

/// A video or a single picture, taken literally.
Result<std::unique_ptr<ClipReader>> openVideo(const std::string& path, const ClipOptions& options);

} // namespace ember
