// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include "ember/core/cover.h"
#include "ember/core/exposure.h"
#include "ember/core/project.h"
#include "ember/image/image.h"

namespace ember {

/// A picture over the shot on one frame.
struct LayerLook {
    ImagePtr picture;
    Exposure exposure; ///< its own poses
    double cover = 1;
    double x = 0; ///< its middle from the frame's, in pixels of the project
    double y = 0;
    double size = 1;
    double opacity = 1;
};

/// All that decides how one frame looks, besides its source.
struct FrameLook {
    Exposure exposure = Exposure::of(Pose()); ///< in pixels of the project's frame
    double cover = 1;                         ///< enlargement about the centre, 1 or more
    EdgeMode edges = EdgeMode::mirror;
    Colour plain;
    LightNow light = {};
    std::vector<LayerLook> layers = {};
    double letterbox = 0; ///< ratio, 0 for none
    int projectWidth = 0;
    int projectHeight = 0;
    Depth depth = Depth::eight; ///< of the result
    ColourSpace colour = {};    ///< of the result; as floats it is its primaries' light
};

/// The pictures of a project's layers, in their order; empty where one could not be read.
using LayerPictures = std::vector<ImagePtr>;

/// How a frame of a project looks; `time` may lie between frames.
FrameLook lookOf(const Project& project, const Motion& motion, const Cover& cover, FrameTime time,
                 const LayerPictures& pictures = {});
/// How it looks unshaken and unlit: the clip as it is, with the bars.
FrameLook plainLook(const Project& project);

/// The frame of a film, `width` x `height`. This is the one function that makes pictures for the view, the contact
/// frames and the export, always in this order: source, shake with its edges, motion blur, layers, ripples, defocus,
/// streaks, fringe, exposure, flashes, grain, impact frames, letterbox. Every step looks at a plane without an end, so
/// that none can draw a border.
///
/// A frame at rest whose source has the wanted size, depth and colour is the source itself, untouched. One that is seen
/// at one instant only and has no light effects is resampled in its own codes with a Catmull-Rom kernel; everything
/// else, and all pictures of floats, is added up as floats in the light that the source's colour space stands for. The
/// result does not depend on the number of threads. The source and the layers must have the primaries of the result.
/// Floats are cut off nowhere; one that is not finite spreads as far as the kernel and the exposure reach. `source`
/// must not be empty.
ImagePtr renderFrame(const ImagePtr& source, const FrameLook& look, int width, int height);

/// The map from a pixel of the output to the pixel of the source seen there at one pose.
Matrix3 viewMatrix(const FrameLook& look, const Pose& pose, int sourceWidth, int sourceHeight, int width, int height);

/// Half the size in each direction, every pixel the mean of four (edge pixels repeated for odd sizes).
Image halved(const Image& source);

} // namespace ember
