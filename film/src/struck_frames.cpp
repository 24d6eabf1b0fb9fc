// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/struck_frames.h"

#include "ember/image/convert.h"

namespace ember {

StruckFrames::StruckFrames(Project project)
    : project_(std::move(project)), motion_(project_), cover_(coverOf(project_, motion_))
{
    for (const Layer& layer : project_.layers) {
        layers_.emplace_back();
        if (layer.hidden)
            continue;
        auto picture = layerPicture(layer);
        if (picture)
            layers_.back() = std::move(picture).value();
        else
            notes_.push_back(phraseOf(picture.error()));
    }
}

ImagePtr StruckFrames::frame(const ImagePtr& picture, Frame frame) const
{
    FrameLook look = lookOf(project_, motion_, cover_, static_cast<double>(frame.index), layers_);
    look.depth = picture->depth();
    look.colour = picture->colour();
    for (LayerLook& layer : look.layers)
        if (layer.picture != nullptr)
            layer.picture = inPrimaries(layer.picture, look.colour.primaries);
    return renderFrame(picture, look, picture->width(), picture->height());
}

} // namespace ember
