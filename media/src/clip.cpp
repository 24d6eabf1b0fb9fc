// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/clip.h"

#include <algorithm>
#include <filesystem>

#include "exr_picture.h"
#include "sequence_reader.h"
#include "video_reader.h"

namespace ember {

void ClipReader::foundDamaged(std::int64_t picture)
{
    if (!damaged_.insert(picture).second)
        return;
    damage_ = {info_.path, *damaged_.begin(), static_cast<std::int64_t>(damaged_.size())};
}

ClipInfo readIn(ClipInfo info, std::optional<ColourSpace> colour)
{
    info.colour = info.toldColour;
    info.tags = info.toldTags;
    if (!colour)
        return info;
    info.colour = heldAs(info.depth, *colour);
    const ColourTags tags = tagsOf(*colour);
    info.tags.primaries = tags.primaries;
    info.tags.transfer = tags.transfer; // matrix and range are how its codes are stored
    return info;
}

Result<std::unique_ptr<ClipReader>> openOne(const std::string& path, const ClipOptions& options)
{
    return isExr(path) ? openExr(path, options) : openVideo(path, options);
}

Result<std::unique_ptr<ClipReader>> ClipReader::open(const std::string& path, const ClipOptions& options)
{
    std::error_code ignored;
    const bool exists = std::filesystem::exists(path, ignored);
    if (!options.neverSequence || !exists)
        if (auto files = findSequence(path); files.size() > 1 || (!exists && !files.empty()))
            return openSequence(path, std::move(files), options);
    return openOne(path, options);
}

std::vector<std::string> filesOfClip(const std::string& path, const ClipOptions& options)
{
    std::error_code ignored;
    const bool exists = std::filesystem::exists(path, ignored);
    const auto files = options.neverSequence && exists ? std::vector<NumberedFile>() : findSequence(path);
    if (files.size() <= 1 && exists)
        return {path};
    std::vector<std::string> names;
    names.reserve(files.size());
    for (const NumberedFile& file : files)
        names.push_back(file.path);
    return names;
}

ClipMark markOfClip(const std::string& path, const ClipOptions& options)
{
    namespace fs = std::filesystem;
    ClipMark mark;
    for (const std::string& file : filesOfClip(path, options)) {
        std::error_code wrong;
        const auto bytes = fs::file_size(file, wrong);
        const auto written = wrong ? fs::file_time_type() : fs::last_write_time(file, wrong);
        if (wrong)
            continue; // it is gone meanwhile
        ++mark.files;
        mark.bytes += bytes;
        mark.written = mark.files == 1 ? written : std::max(mark.written, written);
    }
    return mark;
}

} // namespace ember
