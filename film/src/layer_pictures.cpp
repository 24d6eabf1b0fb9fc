// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/layer_pictures.h"

#include "ember/image/convert.h"
#include "ember/media/clip.h"

namespace ember {

namespace {

Result<ImagePtr> read(const Layer& layer, bool asStored)
{
    ClipOptions options;
    options.neverSequence = true;
    options.asStored = asStored;
    auto clip = ClipReader::open(layer.picture, options);
    if (!clip)
        return clip.error();
    return clip.value()->picture(0);
}

} // namespace

Result<ImagePtr> layerPicture(const Layer& layer)
{
    return read(layer, false);
}

Result<LayerPictures> layerPictures(const Project& project, std::optional<Primaries> primaries)
{
    LayerPictures pictures;
    for (const Layer& layer : project.layers) {
        if (layer.hidden) {
            pictures.emplace_back();
            continue;
        }
        auto picture = read(layer, primaries.has_value());
        if (!picture)
            return picture.error();
        pictures.push_back(primaries ? inPrimaries(picture.value(), *primaries) : picture.value());
    }
    return pictures;
}

} // namespace ember
