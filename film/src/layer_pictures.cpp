// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/layer_pictures.h"

#include "ember/media/clip.h"

namespace ember {

Result<ImagePtr> layerPicture(const Layer& layer)
{
    ClipOptions options;
    options.neverSequence = true;
    auto clip = ClipReader::open(layer.picture, options);
    if (!clip)
        return clip.error();
    return clip.value()->picture(0);
}

Result<LayerPictures> layerPictures(const Project& project)
{
    LayerPictures pictures;
    for (const Layer& layer : project.layers) {
        if (layer.hidden) {
            pictures.emplace_back();
            continue;
        }
        auto picture = layerPicture(layer);
        if (!picture)
            return picture.error();
        pictures.push_back(std::move(picture).value());
    }
    return pictures;
}

} // namespace ember
