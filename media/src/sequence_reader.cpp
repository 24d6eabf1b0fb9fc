// SPDX-License-Identifier: GPL-3.0-or-later
#include "sequence_reader.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <charconv>
#include <filesystem>

#include "av.h"
#include "ember/core/shown_text.h"
#include "ember/core/text.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

bool isPictureName(const std::string& name)
{
    const std::string extension = fileEnding(name);
    constexpr std::array<std::string_view, 7> known{".png", ".jpg", ".jpeg", ".tif", ".tiff", ".dpx", ".exr"};
    return std::find(known.begin(), known.end(), extension) != known.end();
}

/// A name taken apart at its counter.
struct Pattern {
    std::string before;
    std::string after;
    std::size_t digits = 0; ///< 0: any number of digits
};

bool isDigit(char c)
{
    return c >= '0' && c <= '9';
}

/// From "shot_%04d.png".
std::optional<Pattern> writtenPattern(const std::string& name)
{
    const auto percent = name.rfind('%');
    if (percent == std::string::npos)
        return std::nullopt;
    auto at = percent + 1;
    std::size_t digits = 0;
    while (at < name.size() && isDigit(name[at]))
        digits = digits * 10 + static_cast<std::size_t>(name[at++] - '0');
    if (at >= name.size() || name[at] != 'd' || digits > 18)
        return std::nullopt;
    return Pattern{name.substr(0, percent), name.substr(at + 1), digits};
}

/// From "shot_0012.png": the last run of digits before the extension.
std::optional<Pattern> countedPattern(const std::string& name)
{
    auto end = name.size() - fs::path(name).extension().string().size();
    while (end > 0 && !isDigit(name[end - 1]))
        --end;
    auto begin = end;
    while (begin > 0 && isDigit(name[begin - 1]))
        --begin;
    if (begin == end || end - begin > 18)
        return std::nullopt;
    const bool padded = name[begin] == '0' && end - begin > 1;
    return Pattern{name.substr(0, begin), name.substr(end), padded ? end - begin : 0};
}

std::optional<std::int64_t> numberIn(const Pattern& pattern, const std::string& name)
{
    if (name.size() <= pattern.before.size() + pattern.after.size() || !name.starts_with(pattern.before) ||
        !name.ends_with(pattern.after))
        return std::nullopt;
    const std::string_view counter(name.data() + pattern.before.size(),
                                   name.size() - pattern.before.size() - pattern.after.size());
    if (counter.size() > 18 || (pattern.digits != 0 && counter.size() < pattern.digits) ||
        !std::all_of(counter.begin(), counter.end(), isDigit))
        return std::nullopt;
    std::int64_t number = 0;
    std::from_chars(counter.data(), counter.data() + counter.size(), number);
    return number;
}

/// "12, 15 to 20, …": the gaps between the numbers of a series, the first few.
std::string missingNumbers(const std::vector<NumberedFile>& files)
{
    constexpr int mostTold = 6;
    std::string text;
    int told = 0;
    for (std::size_t i = 1; i < files.size(); ++i) {
        const auto from = files[i - 1].number + 1;
        const auto to = files[i].number - 1;
        if (to < from)
            continue;
        if (told++ == mostTold)
            return text + ", …";
        text += (text.empty() ? "" : ", ") + std::to_string(from) + (to > from ? " to " + std::to_string(to) : "");
    }
    return text;
}

class SequenceReader final : public ClipReader {
public:
    SequenceReader(ClipInfo info, std::vector<NumberedFile> files, const ClipOptions& options)
        : files_(std::move(files)), asStored_(options.asStored), colour_(options.colour)
    {
        info_ = std::move(info);
    }

    std::int64_t pictureAt(Frame frame, FrameRate rate) const override
    {
        // Frame n of the film begins at n·den/num seconds, which is n·den·r.num/(num·r.den) pictures in.
        const auto scaled = static_cast<Wide>(std::max<std::int64_t>(0, frame.index)) * rate.den() * info_.rate.num();
        const auto picture = scaled / (static_cast<Wide>(rate.num()) * info_.rate.den());
        return static_cast<std::int64_t>(std::min<Wide>(picture, info_.pictures - 1));
    }

    Result<ImagePtr> picture(std::int64_t index) override
    {
        const auto number = files_.front().number + std::clamp<std::int64_t>(index, 0, info_.pictures - 1);
        // Where a number is missing the picture before it stays.
        auto file = std::upper_bound(files_.begin(), files_.end(), number,
                                     [](std::int64_t n, const NumberedFile& f) { return n < f.number; });
        --file;
        auto reader = openOne(file->path, {.sequenceRate = info_.rate, .colour = colour_, .asStored = asStored_});
        if (!reader)
            return reader.error();
        auto picture = reader.value()->picture(0);
        if (reader.value()->damage().count > 0)
            foundDamaged(index);
        return picture;
    }

private:
    std::vector<NumberedFile> files_;
    bool asStored_;
    std::optional<ColourSpace> colour_;
};

} // namespace

std::vector<NumberedFile> findSequence(const std::string& path)
{
    std::error_code error;
    const fs::path file(path);
    if (!isPictureName(path))
        return {};
    const std::string name = file.filename().string();
    const auto pattern = fs::exists(file, error) ? countedPattern(name) : writtenPattern(name);
    if (!pattern)
        return {};
    std::vector<NumberedFile> files;
    const fs::path folder = file.has_parent_path() ? file.parent_path() : fs::path(".");
    for (const auto& entry : fs::directory_iterator(folder, fs::directory_options::skip_permission_denied, error))
        if (const auto number = numberIn(*pattern, entry.path().filename().string()))
            files.push_back({*number, entry.path().string()});
    std::sort(files.begin(), files.end(), [](const auto& a, const auto& b) {
        return a.number != b.number ? a.number < b.number : a.path < b.path;
    });
    files.erase(
        std::unique(files.begin(), files.end(), [](const auto& a, const auto& b) { return a.number == b.number; }),
        files.end());
    return files;
}

Result<std::unique_ptr<ClipReader>> openSequence(const std::string& path, std::vector<NumberedFile> files,
                                                 const ClipOptions& options)
{
    auto first = openOne(files.front().path, options);
    if (!first)
        return first.error();
    ClipInfo info = first.value()->info();
    info.kind = ClipKind::sequence;
    info.path = path;
    info.rate = options.sequenceRate;
    info.pictures = files.back().number - files.front().number + 1;
    if (info.pictures > 10'000'000)
        return Error{ErrorCode::unsupported, path, "its numbers run over more than ten million frames"};
    info.length = info.pictures;
    if (const auto missing = info.pictures - static_cast<std::int64_t>(files.size()); missing > 0)
        info.notes.push_back(
            {missing == 1 ? "In the series of {} {} number is missing ({}); the picture before each stays."
                          : "In the series of {} {} numbers are missing ({}); the picture before each stays.",
             inQuotes(fs::path(files.front().path).filename().string()), missing, missingNumbers(files)});
    return std::unique_ptr<ClipReader>(std::make_unique<SequenceReader>(std::move(info), std::move(files), options));
}

} // namespace ember
