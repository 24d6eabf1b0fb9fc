// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/proxies.h"

#include <algorithm>
#include <filesystem>
#include <mutex>
#include <vector>

#include "ember/files/cache.h"
#include "ember/files/part_files.h"
#include "ember/media/film_writer.h"
#include "ember/render/frame.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::array sizes{ProxySize::half, ProxySize::quarter};
constexpr std::uintmax_t mostBytes = 40ULL << 30; ///< of all proxies; those used longest ago go first

ClipOptions optionsOf(const Shot& shot)
{
    ClipOptions options;
    options.neverSequence = shot.still;
    return options;
}

int sideOf(int whole, ProxySize size)
{
    const int side = whole / static_cast<int>(size);
    return std::max(2, side - side % 2);
}

class ProxyClip final : public ClipReader {
public:
    ProxyClip(std::unique_ptr<ClipReader> clip, std::unique_ptr<ClipReader> proxy)
        : clip_(std::move(clip)), proxy_(std::move(proxy))
    {
        info_ = clip_->info();
    }
    std::int64_t pictureAt(Frame frame, FrameRate rate) const override { return clip_->pictureAt(frame, rate); }
    Result<ImagePtr> picture(std::int64_t index) override { return proxy_->picture(index); }

private:
    std::unique_ptr<ClipReader> clip_;
    std::unique_ptr<ClipReader> proxy_;
};

/// The oldest go when there are too many, but for the one that was made just now.
void prune(const fs::path& folder, const fs::path& fresh)
{
    std::vector<std::pair<fs::file_time_type, fs::path>> files;
    std::uintmax_t bytes = 0;
    std::error_code error;
    for (fs::directory_iterator file(folder, error), end; !error && file != end; file.increment(error)) {
        std::error_code unknown;
        const auto size = fs::file_size(file->path(), unknown);
        if (unknown)
            continue;
        bytes += size;
        if (file->path() != fresh)
            files.emplace_back(fs::last_write_time(file->path(), unknown), file->path());
    }
    std::sort(files.begin(), files.end());
    for (const auto& [time, file] : files) {
        if (bytes <= mostBytes)
            return;
        bytes -= std::min(bytes, fs::file_size(file, error));
        fs::remove(file, error);
    }
}

} // namespace

struct ProxyShelf::Place {
    std::string clip;    ///< stands for the clip, whatever is in it
    std::string content; ///< for what is in it

    fs::path file(const std::string& folder, ProxySize size) const
    {
        return fs::path(folder) / (clip + "-" + content + "-" + std::to_string(static_cast<int>(size)) + ".mov");
    }
};

std::optional<ProxyShelf::Place> ProxyShelf::placeOf(const Shot& shot) const
{
    if (folder_.empty() || shot.gap() || shot.still)
        return std::nullopt;
    const ClipMark mark = markOfClip(shot.clip, optionsOf(shot));
    if (mark.files == 0)
        return std::nullopt;
    std::error_code ignored;
    return Place{nameFor(fs::absolute(shot.clip, ignored).lexically_normal().string()),
                 nameFor(std::to_string(mark.files) + ' ' + std::to_string(mark.bytes) + ' ' +
                         std::to_string(mark.written.time_since_epoch().count()))};
}

Phrase ProxyShelf::refusal(const ClipInfo& clip) const
{
    if (folder_.empty())
        return "There is no folder for proxies: neither XDG_CACHE_HOME nor HOME names one.";
    if (clip.kind == ClipKind::still)
        return "A still is read once and needs no proxy.";
    if (clip.depth == Depth::single)
        return "A proxy holds no light above white: OpenEXR plays from its own files.";
    return {};
}

std::optional<ProxySize> ProxyShelf::of(const Shot& shot) const
{
    const auto place = placeOf(shot);
    if (!place)
        return std::nullopt;
    std::error_code error;
    for (const ProxySize size : sizes)
        if (fs::is_regular_file(place->file(folder_, size), error))
            return size;
    return std::nullopt;
}

void ProxyShelf::remove(const Shot& shot) const
{
    const auto place = placeOf(shot);
    std::error_code error;
    for (fs::directory_iterator file(folder_, error), end; place && !error && file != end; file.increment(error))
        if (file->path().filename().string().starts_with(place->clip + "-")) {
            std::error_code ignored;
            fs::remove(file->path(), ignored);
        }
}

Status ProxyShelf::make(const Shot& shot, FrameRate rate, ProxySize size, const Progress& progress) const
{
    static std::mutex one; // the next begins when one that was stopped has taken its file away
    const std::lock_guard alone(one);
    const auto place = placeOf(shot);
    if (!place)
        return Error{ErrorCode::notFound, shot.clip, ""};
    ClipOptions options = optionsOf(shot);
    options.asStored = true;
    options.sequenceRate = rate;
    options.progress = partOf(progress, 0, 0.05);
    auto clip = ClipReader::open(shot.clip, options);
    if (!clip)
        return clip.error();
    const ClipInfo& info = clip.value()->info();
    if (Phrase no = refusal(info); !no.empty())
        return Error{ErrorCode::unsupported, shot.clip, std::move(no)};
    std::error_code error;
    fs::create_directories(folder_, error);
    removeLeftPartsIn(folder_);
    const std::string file = place->file(folder_, size).string();
    FilmSettings settings;
    settings.format = FilmFormat::mov;
    settings.coder = info.alpha ? Coder::prores4444 : Coder::prores422;
    settings.width = sideOf(info.width, size);
    settings.height = sideOf(info.height, size);
    settings.rate = info.rate;
    settings.alpha = info.alpha;
    settings.depth = info.depth;
    settings.tags = info.tags;
    settings.quality = FilmQuality::draft;
    settings.overwrite = true;
    auto writer = FilmWriter::create(file, settings);
    if (!writer)
        return writer.error();
    FrameLook look;
    look.edges = EdgeMode::extend;
    look.projectWidth = settings.width;
    look.projectHeight = settings.height;
    look.depth = info.depth;
    look.colour = info.colour;
    for (std::int64_t i = 0; i < info.pictures; ++i) {
        if (!goesOn(progress, 0.05 + 0.95 * static_cast<double>(i) / static_cast<double>(info.pictures)))
            return Error{ErrorCode::cancelled, "The proxy", ""};
        const auto picture = clip.value()->picture(i);
        if (!picture)
            return picture.error();
        if (Status added =
                writer.value()->addFrame(*renderFrame(picture.value(), look, settings.width, settings.height));
            !added)
            return added;
    }
    remove(shot);
    if (Status finished = writer.value()->finish(); !finished)
        return finished;
    prune(folder_, file);
    return Done{};
}

Result<std::unique_ptr<ClipReader>> ProxyShelf::inPlaceOf(std::unique_ptr<ClipReader> clip, const Shot& shot,
                                                          bool asStored) const
{
    const auto size = of(shot);
    if (!size)
        return clip;
    const fs::path file = placeOf(shot)->file(folder_, *size);
    ClipOptions options;
    options.neverSequence = true;
    options.asStored = asStored;
    options.colour = clip->info().colour;
    auto proxy = ClipReader::open(file.string(), options);
    // One that is not whole, or is something else, is as good as none.
    if (!proxy || proxy.value()->info().pictures != clip->info().pictures)
        return clip;
    std::error_code ignored;
    fs::last_write_time(file, fs::file_time_type::clock::now(), ignored); // used now
    return std::unique_ptr<ClipReader>(std::make_unique<ProxyClip>(std::move(clip), std::move(proxy).value()));
}

} // namespace ember
