// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/clip.h"

#include <algorithm>
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

ClipMark markOfClip(const std::string& path, const ClipOptions& options)
{
    namespace fs = std::filesystem;
    ClipMark mark;
    const auto add = [&mark](const std::string& file) {
        std::error_code wrong;
        const auto bytes = fs::file_size(file, wrong);
        const auto written = wrong ? fs::file_time_type() : fs::last_write_time(file, wrong);
        if (wrong)
            return; // it is gone meanwhile
        ++mark.files;
        mark.bytes += bytes;
        mark.written = mark.files == 1 ? written : std::max(mark.written, written);
    };
    std::error_code ignored;
    const bool exists = fs::exists(path, ignored);
    const auto files = options.neverSequence && exists ? std::vector<NumberedFile>() : findSequence(path);
    if (files.size() > 1 || !exists)
        for (const NumberedFile& file : files)
            add(file.path);
    else
        add(path);
    return mark;
}

} // namespace ember
