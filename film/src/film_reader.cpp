// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_reader.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <filesystem>
#include <functional>
#include <list>
#include <vector>

#include "ember/film/film_colour.h"
#include "ember/film/proxies.h"
#include "ember/image/convert.h"
#include "ember/render/frame.h"
#include "ember/render/warp.h"

namespace ember {

namespace {

constexpr std::size_t mostOpen = 4; ///< clips at once

std::optional<ColourSpace> spaceOf(ClipColour colour)
{
    switch (colour) {
    case ClipColour::asTagged: break;
    case ClipColour::bt709: return ColourSpace{Primaries::bt709, Transfer::srgb};
    case ClipColour::bt2020: return ColourSpace{Primaries::bt2020, Transfer::srgb};
    case ClipColour::displayP3: return ColourSpace{Primaries::displayP3, Transfer::srgb};
    case ClipColour::pq: return ColourSpace{Primaries::bt2020, Transfer::pq};
    case ClipColour::hlg: return ColourSpace{Primaries::bt2020, Transfer::hlg};
    case ClipColour::linearBt709: return ColourSpace{Primaries::bt709, Transfer::linear};
    case ClipColour::linearBt2020: return ColourSpace{Primaries::bt2020, Transfer::linear};
    case ClipColour::acescg: return ColourSpace{Primaries::ap1, Transfer::linear};
    }
    return std::nullopt;
}

Result<std::unique_ptr<ClipReader>> openClip(const Project& project, const Shot& shot, bool asStored,
                                             const ProxyShelf* proxies, const Progress& progress = {})
{
    ClipOptions options;
    options.progress = progress;
    options.sequenceRate = project.rate;
    options.neverSequence = shot.still;
    options.asStored = asStored;
    options.colour = spaceOf(shot.colour);
    auto clip = ClipReader::open(shot.clip, options);
    return clip && proxies != nullptr ? proxies->inPlaceOf(std::move(clip).value(), shot, asStored) : std::move(clip);
}

/// What of a picture a frame of this size shows; black where there is none of it. Moved by parts of a pixel, so that a
/// slow pan is even.
ImagePtr reframed(const ImagePtr& picture, const FramedPart& part, int width, int height)
{
    const Image* from = picture.get();
    Image half;
    FramedPart shown = part;
    while (shown.width >= 2 * width && shown.height >= 2 * height) { // four pixels a side would miss most of them
        half = halved(*from);
        from = &half;
        for (double* of : {&shown.left, &shown.top, &shown.width, &shown.height})
            *of /= 2;
    }
    auto out = std::make_shared<Image>(width, height, picture->depth(), picture->colour());
    const double across = shown.width / width;
    const double down = shown.height / height;
    // From the middle of a pixel to the middle of a pixel.
    const Matrix3 map{{across, 0, shown.left + 0.5 * (across - 1), 0, down, shown.top + 0.5 * (down - 1), 0, 0, 1}};
    warp(*from, map, EdgeMode::plain, Colour(), *out);
    return out;
}

/// What of a picture the frame shows, in whole pixels; black where there is none of it.
ImagePtr framed(ImagePtr picture, const Framing& framing, int width, int height)
{
    const FramedPart part = framedPart(framing, picture->width(), picture->height(), width, height);
    const auto whole = [](double value) { return static_cast<int>(std::lround(value)); };
    const int wide = std::max(1, whole(part.width));
    const int high = std::max(1, whole(part.height));
    const int left = whole(part.left);
    const int top = whole(part.top);
    if (std::abs(wide - picture->width()) <= 1 && std::abs(high - picture->height()) <= 1 && std::abs(left) <= 1 &&
        std::abs(top) <= 1)
        return picture; // a rounded size is not another shape
    const int firstX = std::max(0, left);
    const int firstY = std::max(0, top);
    const int countX = std::min(picture->width(), left + wide) - firstX;
    const int countY = std::min(picture->height(), top + high) - firstY;
    if (countX == wide && countY == high)
        return std::make_shared<const Image>(cropped(*picture, left, top, wide, high));
    auto out = std::make_shared<Image>(wide, high, picture->depth(), picture->colour());
    out->setOpaque(picture->opaque());
    for (int y = 0; y < high; ++y)
        out->blacken(0, y, wide);
    const std::size_t pixel = picture->pixelBytes();
    for (int y = 0; y < countY && countX > 0; ++y)
        std::memcpy(out->row(firstY - top + y) + pixel * static_cast<std::size_t>(firstX - left),
                    picture->row(firstY + y) + pixel * static_cast<std::size_t>(firstX),
                    pixel * static_cast<std::size_t>(countX));
    return out;
}

class FilmReader final : public ClipReader {
public:
    FilmReader(const Project& project, bool asStored, const ProxyShelf* proxies, std::vector<ClipInfo> clips)
        : project_(project), asStored_(asStored), proxies_(proxies != nullptr ? std::optional(*proxies) : std::nullopt)
    {
        info_.kind = ClipKind::video;
        info_.width = project.width;
        info_.height = project.height;
        info_.rate = project.rate;
        info_.length = info_.pictures = project.length();
        info_.halfFloats = true;
        for (const ClipInfo& clip : clips) {
            if (info_.path.empty()) {
                info_.path = clip.path;
                info_.codec = clip.codec;
                info_.pixelFormat = clip.pixelFormat;
                info_.compression = clip.compression;
                info_.colour = clip.colour;
                info_.tags = clip.tags;
                info_.metadata = clip.metadata;
            }
            // What a sound is like is told by the first clip that has so many.
            for (std::size_t i = info_.sounds.size(); i < clip.sounds.size(); ++i)
                info_.sounds.push_back(clip.sounds[i]);
            info_.hasSound = info_.hasSound || clip.hasSound;
            info_.alpha = info_.alpha || clip.alpha;
            info_.depth = std::max(info_.depth, clip.depth);
            info_.halfFloats = info_.halfFloats && (clip.depth != Depth::single || clip.halfFloats);
        }
        info_.shots = std::move(clips);
    }

    std::int64_t pictureAt(Frame frame, FrameRate) const override
    {
        return std::clamp<std::int64_t>(frame.index, 0, info_.pictures - 1);
    }

    Result<ImagePtr> picture(std::int64_t index) override
    {
        const auto place = project_.shotAt(Frame{index});
        if (!place)
            return Error{ErrorCode::badValue, "The film", Phrase("it has no frame {}", index)};
        const Shot& shot = project_.shots[place->index];
        if (shot.gap()) {
            if (!black_) {
                auto black = std::make_shared<Image>(project_.width, project_.height);
                black->fill(0, 0, 0);
                black->setOpaque(true);
                black_ = std::move(black);
            }
            return black_;
        }
        auto clip = clipOf(shot);
        if (!clip)
            return clip.error();
        // A hair more, so that rounding in a speed does not show a picture twice.
        const auto at =
            static_cast<std::int64_t>(std::floor(shot.clipFrame(static_cast<double>(index - place->first)) + 1e-6));
        const auto before = clip.value()->damage().count;
        auto picture = clip.value()->frame(Frame{at}, project_.rate);
        if (clip.value()->damage().count > before)
            foundDamaged(index);
        if (!picture)
            return picture;
        if (shot.framing.how != Framing::How::place || shot.framing.keys.empty())
            return framed(std::move(picture).value(), shot.framing, project_.width, project_.height);
        const Image& whole = *picture.value();
        const FramedPart part = framedPart(framingAt(shot.framing, static_cast<double>(at)), whole.width(),
                                           whole.height(), project_.width, project_.height);
        return reframed(picture.value(), part, project_.width, project_.height);
    }

private:
    Result<ClipReader*> clipOf(const Shot& shot)
    {
        const auto found = std::find_if(open_.begin(), open_.end(), [&](const Opened& opened) {
            return opened.path == shot.clip && opened.still == shot.still && opened.colour == shot.colour;
        });
        if (found != open_.end()) {
            open_.splice(open_.begin(), open_, found);
            return open_.front().clip.get();
        }
        auto clip = openClip(project_, shot, asStored_, proxies_ ? &*proxies_ : nullptr);
        if (!clip)
            return clip.error();
        open_.push_front({shot.clip, shot.still, shot.colour, std::move(clip).value()});
        if (open_.size() > mostOpen)
            open_.pop_back();
        return open_.front().clip.get();
    }

    struct Opened {
        std::string path;
        bool still;
        ClipColour colour;
        std::unique_ptr<ClipReader> clip;
    };
    Project project_;
    bool asStored_;
    std::optional<ProxyShelf> proxies_;
    std::list<Opened> open_; ///< the one used last comes first
    ImagePtr black_;
};

} // namespace

namespace {

/// Size, rate and colours.
bool sameForm(const Project& a, const Project& b)
{
    return a.width == b.width && a.height == b.height && a.rate == b.rate && a.colours == b.colours;
}

bool sameShown(const Shot& x, const Shot& y)
{
    return x.clip == y.clip && x.still == y.still && x.length == y.length && x.in == y.in && x.speed == y.speed &&
           x.framing == y.framing && x.colour == y.colour && x.space == y.space;
}

/// Shots that go on where the one before ends are one.
std::vector<Shot> joined(const Project& project)
{
    std::vector<Shot> whole;
    for (const Shot& shot : project.shots) {
        Shot* last = whole.empty() ? nullptr : &whole.back();
        const bool still = shot.gap() || shot.still;
        if (last != nullptr && last->clip == shot.clip && last->still == shot.still && last->speed == shot.speed &&
            last->framing == shot.framing && last->colour == shot.colour && last->space == shot.space &&
            (still || std::abs(last->clipFrame(static_cast<double>(last->length)) - shot.in) < 1e-6))
            last->length += shot.length;
        else
            whole.push_back(shot);
    }
    return whole;
}

} // namespace

bool sameFrames(const Project& a, const Project& b)
{
    const auto x = joined(a);
    const auto y = joined(b);
    return sameForm(a, b) && std::equal(x.begin(), x.end(), y.begin(), y.end(), sameShown);
}

bool sameFilm(const Project& a, const Project& b)
{
    return sameForm(a, b) && std::equal(a.shots.begin(), a.shots.end(), b.shots.begin(), b.shots.end(), sameShown);
}

namespace {

Result<std::unique_ptr<ClipReader>> openShots(const Project& project, bool asStored, const KnownClips& known,
                                              const ProxyShelf* proxies, const Progress& progress)
{
    if (project.shots.empty())
        return Error{ErrorCode::failed, "The project", "it has no clip"};
    std::vector<ClipInfo> clips;
    KnownClips seen = known;
    const auto shots = static_cast<double>(project.shots.size());
    for (const Shot& shot : project.shots) {
        if (shot.gap()) {
            clips.emplace_back();
            continue;
        }
        const auto done = static_cast<double>(clips.size());
        const bool whole =
            project.shots.size() == 1 && shot.in == 0 && shot.speed == 1 && shot.framing.how != Framing::How::place;
        if (const auto one = seen.find({shot.clip, shot.still}); one != seen.end() && !whole) {
            clips.push_back(readIn(one->second, spaceOf(shot.colour)));
            continue;
        }
        auto clip = openClip(project, shot, asStored, proxies, partOf(progress, done / shots, (done + 1) / shots));
        if (!clip)
            return clip.error();
        const ClipInfo& info = clip.value()->info();
        const bool shaped = info.width == project.width && info.height == project.height;
        if (whole && shaped)
            return clip;
        clips.push_back(info);
        seen[{shot.clip, shot.still}] = info;
    }
    return std::unique_ptr<ClipReader>(std::make_unique<FilmReader>(project, asStored, proxies, std::move(clips)));
}

/// A film whose pictures are brought somewhere as they are read.
class BroughtFilm final : public ClipReader {
public:
    using Bring = std::function<Result<ImagePtr>(const ImagePtr& picture, std::int64_t index)>;

    BroughtFilm(std::unique_ptr<ClipReader> film, Bring bring) : film_(std::move(film)), bring_(std::move(bring))
    {
        info_ = film_->info();
    }
    std::int64_t pictureAt(Frame frame, FrameRate rate) const override { return film_->pictureAt(frame, rate); }
    Result<ImagePtr> picture(std::int64_t index) override
    {
        const auto before = film_->damage().count;
        auto picture = film_->picture(index);
        if (film_->damage().count > before)
            foundDamaged(index);
        return picture ? bring_(picture.value(), index) : picture;
    }

private:
    std::unique_ptr<ClipReader> film_;
    Bring bring_;
};

} // namespace

Result<std::unique_ptr<ClipReader>> openFilm(const Project& project, FilmPictures pictures, const KnownClips& known,
                                             const Progress& progress, const ProxyShelf* proxies)
{
    const bool managed = project.colours.managed() && pictures != FilmPictures::stored;
    auto film = openShots(project, pictures == FilmPictures::stored || managed, known, proxies, progress);
    if (!film || pictures == FilmPictures::stored)
        return film;
    if (managed) {
        auto colour = FilmColour::of(project, film.value()->info());
        if (!colour)
            return colour.error();
        const bool light = pictures == FilmPictures::light;
        const auto bring = [project, light, by = std::move(colour).value()](const ImagePtr& picture,
                                                                            std::int64_t index) {
            // A film of one shot may be its clip, whose pictures are not the film's frames.
            const std::size_t shot =
                project.shots.size() == 1 ? 0 : project.shotAt(Frame{index}).value_or(ShotPlace{}).index;
            return light ? by->light(picture, shot) : by->shown(picture, shot);
        };
        return std::unique_ptr<ClipReader>(std::make_unique<BroughtFilm>(std::move(film).value(), bring));
    }
    if (pictures == FilmPictures::shown || film.value()->info().colour == ColourSpace{})
        return film;
    auto deep = openShots(project, true, known, proxies, {});
    if (!deep)
        return deep;
    const Primaries primaries = deep.value()->info().colour.primaries;
    const auto bring = [primaries](const ImagePtr& picture, std::int64_t) {
        return Result<ImagePtr>(inPrimaries(picture, primaries));
    };
    return std::unique_ptr<ClipReader>(std::make_unique<BroughtFilm>(std::move(deep).value(), bring));
}

std::string missingClip(const Project& project)
{
    for (const Shot& shot : project.shots)
        if (!shot.gap() && !openClip(project, shot, false, nullptr))
            return shot.clip;
    return {};
}

} // namespace ember
