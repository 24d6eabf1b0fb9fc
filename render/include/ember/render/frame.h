// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "ember/core/image.h"
#include "ember/core/project.h"
#include "ember/core/projection.h"

namespace ember {

/// All that decides how one frame looks, besides its source.
struct FrameLook {
    Pose pose;        ///< in pixels of the project's frame
    double cover = 1; ///< enlargement about the centre, 1 or more
    EdgeMode edges = EdgeMode::mirror;
    Colour plain;
    int projectWidth = 0;
    int projectHeight = 0;
};

/// How a project's frames look at this pose.
FrameLook lookOf(const Project& project, const Cover& cover, const Pose& pose);

/// The frame of a film, `width` x `height`. This is the one function that makes pictures for the view, the contact
/// frames and the export. A frame at rest whose source has the wanted size is the source itself, untouched; anything
/// else is resampled with a Catmull-Rom kernel at exact sub-pixel places. The result does not depend on the number of
/// threads. `source` must not be empty.
ImagePtr renderFrame(const ImagePtr& source, const FrameLook& look, int width, int height);

/// The map from a pixel of the output to the pixel of the source seen there.
Matrix3 viewMatrix(const FrameLook& look, int sourceWidth, int sourceHeight, int width, int height);

/// Half the size in each direction, every pixel the mean of four (edge pixels repeated for odd sizes).
Image halved(const Image& source);

} // namespace ember
