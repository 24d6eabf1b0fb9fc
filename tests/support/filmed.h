// SPDX-License-Identifier: GPL-3.0-or-later
// A wide painted wall, filmed by a camera whose motion is known.
#pragma once

#include <cstdint>
#include <functional>
#include <string>
#include <vector>

#include <QTemporaryDir>

#include "ember/core/captured.h"
#include "ember/core/image.h"

namespace ember::test {

/// What there is to see on a wall: detail of several sizes, and patches with edges. By default it is pale and soft, as
/// fog or a plastered wall is.
struct Paint {
    double largest = 120;                               ///< pixels, the largest detail
    double finer = 2.7;                                 ///< how many times smaller the next is
    std::vector<double> strengths = {30, 20, 12, 8, 5}; ///< codes, from the largest on
    double patches = 50;                                ///< codes, at most
};
/// As photographs are: as much contrast in each octave (D. J. Field: Relations between the statistics of natural images
/// and the response properties of cortical cells, 1987), a third of the mean in all.
Paint photographic();

/// What is filmed: texture at all sizes, edges, and room to every side.
class Wall {
public:
    Wall(int width, int height, std::uint64_t seed, const Paint& paint = {});
    /// Grey, 0 to 255, at a place counted from its middle.
    double at(double x, double y) const;

private:
    int width_;
    int height_;
    std::vector<float> grey_;
};

/// How one frame is filmed.
struct Filming {
    std::function<Similarity(double frame)> moved; ///< of the content, at any moment
    double shutter = 0;                            ///< of a frame, open around the frame's moment
    double grain = 0;                              ///< codes, standard deviation
    std::function<double(double frame)> exposure = [](double) { return 1.0; };
    bool walker = false; ///< somebody covers a fifth of the picture and walks through it
    std::uint64_t seed = 1;

    /// Where a frame shows the content, since the first: the mean over its shutter. A picture can tell no more.
    Similarity shown(double frame) const;
};

Image filmed(const Wall& wall, const Filming& filming, int frame, int width, int height);

/// A lossless clip of `frames` such frames at 24 a second.
void writeFilmedClip(const std::string& path, const Wall& wall, const Filming& filming, int frames, int width,
                     int height);

/// What H.264 at CRF 28 leaves of pictures; fewer than there were when it cannot.
std::vector<ImagePtr> stronglyCoded(const QTemporaryDir& folder, const std::vector<Image>& pictures);

/// A hand that holds a camera: sways and tremor in all four, `strength` 1 for a calm one at 640 pixels.
std::function<Similarity(double)> handHeld(double strength, std::uint64_t seed);

/// A test of reading motion, by name.
struct CaptureCase {
    std::string name;
    int wallWidth, wallHeight;
    int frames;
    Filming filming;
    bool coded = false; ///< strongly compressed with H.264 on the way
    Paint paint = {};
};
/// Hand-held; a jolt with roll and zoom; a walker and grain; low light with motion blur; strong compression of
/// something pale and soft; a pan over three picture widths; strong compression of what is like a photograph.
std::vector<CaptureCase> captureCases(std::uint64_t seed, int width);

} // namespace ember::test
