// SPDX-License-Identifier: GPL-3.0-or-later
// The finished pictures of a film, made ahead of those who take them.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <thread>
#include <vector>

#include <oneapi/tbb/task_arena.h>

#include "ember/core/cover.h"
#include "ember/core/motion.h"
#include "ember/film/film_colour.h"
#include "ember/film/layer_pictures.h"
#include "ember/media/clip.h"
#include "lane.h"

namespace ember {

/// What the pictures of a film are made as.
struct FilmForm {
    Depth depth = Depth::eight;
    ColourSpace colour;
    ColourTags tags;
    std::string space = {}; ///< of the config, where one manages the colours

    /// Light that is not kept as floats becomes sRGB.
    static FilmForm of(const ClipInfo& info, Depth depth);
};

/// Pictures of one size and kind. One of another shape than the project's is filled from the inside, with black bars.
struct PictureForm {
    int width = 0;
    int height = 0;
    Depth depth = Depth::eight;
    ColourSpace colour;
    std::string space = {}; ///< of the config, where one manages the colours: then that of the rendered picture counts

    bool operator==(const PictureForm&) const = default;
};

/// Decodes on one thread and shakes on another, a few frames ahead; every frame is decoded once, whatever is made of
/// it.
class FrameSupply {
public:
    /// The picture of a frame in each of the forms.
    using Step = Result<std::vector<ImagePtr>>;

    /// `clip`: its pictures as stored. `colour`: null where none manages the colours. `pictures`: the project's layers
    /// for each of the forms.
    FrameSupply(const Project& project, std::unique_ptr<ClipReader> clip, std::shared_ptr<const FilmColour> colour,
                std::vector<PictureForm> forms, std::vector<LayerPictures> pictures, std::vector<Frame> frames,
                int threads);
    ~FrameSupply();
    std::optional<Step> next() { return shaken_.pop(); }
    /// Of what has been read; when all frames have come.
    const Damage& damage() const { return clip_->damage(); }

private:
    void decode();
    void shake();
    Step shaken(Frame frame, const ImagePtr& source);
    Result<ImagePtr> managed(Frame frame, const ImagePtr& stored, const ImagePtr& light, std::size_t form);

    const Project project_;
    const Motion motion_;
    const Cover cover_;
    std::unique_ptr<ClipReader> clip_;
    const std::shared_ptr<const FilmColour> colour_;
    const std::vector<PictureForm> forms_;
    const std::vector<LayerPictures> pictures_;
    const std::vector<Frame> frames_;
    oneapi::tbb::task_arena arena_;
    Lane<Result<ImagePtr>> decoded_;
    Lane<Step> shaken_;
    std::thread decoder_; ///< last, so that everything above stands before they start
    std::thread shaker_;
};

} // namespace ember
