// SPDX-License-Identifier: GPL-3.0-or-later
#include "frame_supply.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <new>

#include "ember/image/convert.h"
#include "ember/render/frame.h"

namespace ember {

namespace {

/// The picture put into a frame of another shape: as large as fits, centred, black around it.
class FrameFit {
public:
    FrameFit(const Project& project, int width, int height) : width_(width), height_(height)
    {
        const double scale =
            std::min(static_cast<double>(width) / project.width, static_cast<double>(height) / project.height);
        // Within a pixel of the whole frame there are no bars: odd sizes are cut, not shrunk.
        const auto side = [scale](int from, int to) {
            const int fitted = std::max(1, static_cast<int>(std::lround(from * scale)));
            return std::abs(fitted - to) <= 1 ? to : fitted;
        };
        innerWidth_ = side(project.width, width);
        innerHeight_ = side(project.height, height);
    }
    int innerWidth() const { return innerWidth_; }
    int innerHeight() const { return innerHeight_; }

    ImagePtr framed(ImagePtr inner) const
    {
        if (innerWidth_ == width_ && innerHeight_ == height_)
            return inner;
        auto out = std::make_shared<Image>(width_, height_, inner->depth(), inner->colour());
        out->setOpaque(inner->opaque());
        for (int y = 0; y < height_; ++y)
            out->blacken(0, y, width_);
        const int left = (width_ - innerWidth_) / 2;
        const int top = (height_ - innerHeight_) / 2;
        for (int y = 0; y < innerHeight_; ++y)
            std::memcpy(out->row(top + y) + out->pixelBytes() * static_cast<std::size_t>(left), inner->row(y),
                        out->pixelBytes() * static_cast<std::size_t>(innerWidth_));
        return out;
    }

private:
    int width_;
    int height_;
    int innerWidth_;
    int innerHeight_;
};

/// How many frames wait between two threads: three, but fewer of very large ones.
std::size_t framesAhead(const std::vector<PictureForm>& forms)
{
    std::int64_t pixels = 0;
    for (const PictureForm& form : forms)
        pixels += static_cast<std::int64_t>(form.width) * form.height;
    return pixels > 9'000'000 ? 1 : 3;
}

/// An error in place of a picture there is no memory for.
template <typename Made, typename Make>
Made orNoMemory(Make&& make)
{
    try {
        return make();
    } catch (const std::bad_alloc&) {
        return noMemory();
    } catch (const std::exception& error) { // threads the system does not give
        return Error{ErrorCode::failed, "", error.what()};
    }
}

} // namespace

FilmForm FilmForm::of(const ClipInfo& info, Depth depth)
{
    const bool coded = depth != Depth::single && info.colour.transfer == Transfer::linear;
    const ColourSpace colour = heldAs(depth, coded ? ColourSpace{} : info.colour);
    return {depth, colour, colour == info.colour ? info.tags : tagsOf(colour)};
}

FrameSupply::FrameSupply(const Project& project, std::unique_ptr<ClipReader> clip,
                         std::shared_ptr<const FilmColour> colour, std::vector<PictureForm> forms,
                         std::vector<LayerPictures> pictures, std::vector<Frame> frames, int threads)
    : project_(project), motion_(project), cover_(coverOf(project, motion_)), clip_(std::move(clip)),
      colour_(std::move(colour)), forms_(std::move(forms)), pictures_(std::move(pictures)), frames_(std::move(frames)),
      arena_(threads > 0 ? threads : oneapi::tbb::task_arena::automatic), decoded_(framesAhead(forms_)),
      shaken_(framesAhead(forms_)), decoder_([this] { decode(); }), shaker_([this] { shake(); })
{
}

FrameSupply::~FrameSupply()
{
    decoded_.close();
    shaken_.close();
    decoder_.join();
    shaker_.join();
}

void FrameSupply::decode()
{
    for (const Frame f : frames_)
        if (!decoded_.push(orNoMemory<Result<ImagePtr>>([&] { return clip_->frame(f, project_.rate); })))
            return;
}

void FrameSupply::shake()
{
    for (const Frame f : frames_) {
        auto source = decoded_.pop();
        if (!source)
            return;
        Step step = *source ? orNoMemory<Step>([&] { return shaken(f, source->value()); }) : Step(source->error());
        if (!shaken_.push(std::move(step)))
            return;
    }
}

FrameSupply::Step FrameSupply::shaken(Frame frame, const ImagePtr& source)
{
    std::vector<ImagePtr> made;
    ImagePtr light;
    for (std::size_t i = 0; i < forms_.size(); ++i) {
        Result<ImagePtr> picture = ImagePtr();
        arena_.execute([&] {
            if (colour_ == nullptr) {
                const PictureForm& form = forms_[i];
                FrameLook look = lookOf(project_, motion_, cover_, static_cast<double>(frame.index), pictures_[i]);
                look.depth = form.depth;
                look.colour = form.colour;
                const FrameFit fit(project_, form.width, form.height);
                picture = fit.framed(
                    renderFrame(inPrimaries(source, form.colour.primaries), look, fit.innerWidth(), fit.innerHeight()));
                return;
            }
            if (light == nullptr) {
                auto brought = colour_->light(source, project_.shotAt(frame).value_or(ShotPlace{}).index);
                if (!brought) {
                    picture = brought.error();
                    return;
                }
                light = std::move(brought).value();
            }
            picture = managed(frame, source, light, i);
        });
        if (!picture)
            return picture.error();
        made.push_back(std::move(picture).value());
    }
    return made;
}

Result<ImagePtr> FrameSupply::managed(Frame frame, const ImagePtr& stored, const ImagePtr& light, std::size_t which)
{
    const PictureForm& form = forms_[which];
    FrameLook look = lookOf(project_, motion_, cover_, static_cast<double>(frame.index), pictures_[which]);
    look.depth = Depth::single;
    look.colour = light->colour();
    const FrameFit fit(project_, form.width, form.height);
    const ImagePtr shaken = renderFrame(light, look, fit.innerWidth(), fit.innerHeight());
    auto picture = shaken == light ? colour_->untouched(stored, project_.shotAt(frame).value_or(ShotPlace{}).index,
                                                        form.space, form.depth)
                                   : colour_->written(shaken, form.space, form.depth);
    return picture ? Result<ImagePtr>(fit.framed(std::move(picture).value())) : picture;
}

} // namespace ember
