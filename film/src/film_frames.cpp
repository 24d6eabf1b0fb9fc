// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_frames.h"

#include "ember/film/film_colour.h"
#include "ember/film/film_reader.h"
#include "frame_supply.h"

namespace ember {

FilmFrames::FilmFrames(std::unique_ptr<FrameSupply> supply, std::int64_t left) : supply_(std::move(supply)), left_(left)
{
}
FilmFrames::~FilmFrames() = default;
FilmFrames::FilmFrames(FilmFrames&&) noexcept = default;
FilmFrames& FilmFrames::operator=(FilmFrames&&) noexcept = default;

Result<FilmFrames> FilmFrames::open(const Project& project, Frame first, Frame last, int width, int height, int threads)
{
    if (first < Frame{0} || first > last || last.index >= project.length())
        return Error{ErrorCode::badValue, Phrase("Frames {} to {}", first.index, last.index),
                     Phrase("the film has frames 0 to {}", project.length() - 1)};
    if (width < 0 || height < 0 || width > 32768 || height > 32768)
        return Error{ErrorCode::badValue, "The size", Phrase("a film cannot be {} x {} pixels", width, height)};
    auto clip = openFilm(project, FilmPictures::stored);
    if (!clip)
        return clip.error();
    const ClipInfo& clips = clip.value()->info();
    auto managed = FilmColour::of(project, clips);
    if (!managed)
        return managed.error();
    const std::shared_ptr<const FilmColour> colour = std::move(managed).value();
    const std::string space = colour != nullptr ? colour->filmSpace(clips.depth != Depth::single) : std::string();
    const ClipInfo info = colour != nullptr ? colour->filmInfo(space) : clips;
    const FilmForm film =
        colour != nullptr ? FilmForm{info.depth, info.colour, info.tags, space} : FilmForm::of(info, info.depth);
    const PictureForm form{width > 0 ? width : project.width, height > 0 ? height : project.height, film.depth,
                           film.colour, film.space};
    auto layers = layerPictures(project, colour != nullptr ? colour->primaries() : form.colour.primaries);
    if (!layers)
        return layers.error();
    std::vector<Frame> frames;
    for (Frame f = first; f <= last; f = f + 1)
        frames.push_back(f);
    auto supply = std::make_unique<FrameSupply>(project, std::move(clip).value(), colour, std::vector{form},
                                                std::vector<LayerPictures>{std::move(layers).value()},
                                                std::move(frames), threads);
    return FilmFrames(std::move(supply), last - first + 1);
}

Result<ImagePtr> FilmFrames::next()
{
    if (left_ == 0) // the supply waits for those who take, and does not say when it is at its end
        return ImagePtr();
    --left_;
    auto step = supply_->next();
    if (!step || !*step)
        return step ? step->error() : Error{ErrorCode::failed, "The film", "the pictures ended early"};
    return std::move(step->value().front());
}

} // namespace ember
