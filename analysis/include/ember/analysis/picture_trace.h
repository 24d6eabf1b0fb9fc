// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>
#include <vector>

#include "ember/core/time.h"
#include "ember/image/image.h"

namespace ember {

/// A place in the picture: 0, 0 is its upper left corner and 1, 1 the lower right one.
struct Spot {
    double x = 0.5;
    double y = 0.5;

    bool operator==(const Spot&) const = default;
};

/// What motion tells of a picture, the camera's own apart. Velocities are in hundredths of the picture's height a
/// frame.
struct MotionNow {
    float turned = 0;      ///< how much velocities change at this picture, the mean over the picture
    float turnedMost = 0;  ///< the same where it is most
    float broken = 0;      ///< how much they differ between the step to the picture before and the step after this one
    float brokenMost = 0;  ///< the same where it is most
    float speedBefore = 0; ///< there
    float speedAfter = 0;  ///< there
    float way = 0;         ///< cosine between both
    float moving = 0;      ///< share of the picture that moves
    float unexplained = 0; ///< what no motion explains: mean difference, 0 to 1
    float unexplainedMost = 0;
    float born = 0;      ///< the part of that which is brighter or darker all over
    float bornNew = 0;   ///< how much more is unexplained somewhere than anywhere near there in the pictures before
    float bornArea = 0;  ///< share of the picture where it is
    float turnedNew = 0; ///< the same of `turned`
    float brokenNew = 0; ///< the same of `broken`, against three and four pictures before
    float spreading = 0; ///< how fast all moves away from where most is unexplained
    float cameraSpeed = 0;
    float cameraTurned = 0; ///< change of the camera's velocity here
    float cameraBroken = 0; ///< and as for `broken`
    float cameraRolled = 0; ///< change of its turning and sizing, at the picture's border
    Spot brokenPlace;
    Spot unexplainedPlace;
    float goingX = 0, goingY = 0; ///< velocity before, where most is broken

    bool operator==(const MotionNow&) const = default;
};

/// What changes from the picture before to this one, the camera's own move taken off.
struct FrameChange {
    Frame frame;      ///< of the film
    float flash = 0;  ///< largest rise of brightness of a part of the picture, 0 to 1
    float motion = 0; ///< how much else changes, over the picture, 0 to 1
    float stop = 0;   ///< what moved to here and stands still in the next frame: its speed squared (heights of the
                      ///< picture a frame) by the share of the picture it fills
    float move = 0;   ///< all that moved to here: its speed by that share
    float moveX = 0;  ///< the same with its way: as long as `move` where all goes one way
    float moveY = 0;
    float grain = 0;  ///< the noise of the picture, 0 to 1
    float light = 0;  ///< mean brightness, 0 to 1
    float alike = 1;  ///< how alike both are in their edges, -1 to 1
    bool cut = false; ///< another picture altogether
    Spot flashPlace;
    Spot motionPlace;
    Spot stopPlace;
    MotionNow followed; ///< of what is followed from picture to picture; none in the last one

    bool operator==(const FrameChange&) const = default;
};

/// What happens in the pictures of a clip over time; measured once as they pass. A hundred thousand frames take 24 MB.
struct PictureTrace {
    std::vector<FrameChange> frames; ///< the first has no frame before it and shows no change

    bool operator==(const PictureTrace&) const = default;
};

/// Makes a PictureTrace of frames that come one after the other.
class PictureWatcher {
public:
    /// What is told of a picture depends on as many before it, and on the one after it.
    static constexpr int before = 8;

    PictureWatcher();
    ~PictureWatcher();
    PictureWatcher(PictureWatcher&&) noexcept;
    PictureWatcher& operator=(PictureWatcher&&) noexcept;

    /// The next picture and the film's frame that first shows it. Sizes may change from one to the next; that counts as
    /// a cut. One that only stays on for another frame must be left out, or what moves would seem to stop.
    void watch(const Image& picture, Frame frame);
    /// What was seen; nothing can be watched afterwards.
    PictureTrace finish();

private:
    struct Work;
    std::unique_ptr<Work> work_;
};

} // namespace ember
