// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/clip.h"

#include <filesystem>

#include "sequence_reader.h"
#include "video_reader.h"

namespace ember {

Result<std::unique_ptr<ClipReader>> ClipReader::open(const std::string& path, const ClipOptions& options)
{
    std::error_code ignored;
    const bool exists = std::filesystem::exists(path, ignored);
    if (!options.neverSequence || !exists)
        if (auto files = findSequence(path); files.size() > 1 || (!exists && !files.empty()))
            return openSequence(path, std::move(files), options.sequenceRate, options.deep);
    return openVideo(path, options.sequenceRate, options.deep);
}

} // namespace ember
