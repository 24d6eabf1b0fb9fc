// SPDX-License-Identifier: GPL-3.0-or-later
// A wide painted wall, filmed by a camera whose motion is known.
#pragma once

#include <cstdint>
#include <functional>
#include <string>
#include <vector>

#include <QTemporaryDir>

#include "ember/core/captured.h"
#include "ember/image/image.h"

namespace ember::test {

/// What is filmed: texture at all sizes, edges, and room to every side.
class Wall {
public:
    /// Pale and soft: plaster with a few stains.
    Wall(int width, int height, std::uint64_t seed);
    /// Like a photograph: things of all sizes, each before those behind it, as many of a size as there are in nature
    /// (A. B. Lee, D. Mumford, J. Huang: Occlusion models for natural images, 2001: their radii fall with the cube).
    /// The greys differ by a third of their mean.
    static Wall ofThings(int width, int height, std::uint64_t seed);

    /// Grey, 0 to 255, at a place counted from its middle.
    double at(double x, double y) const;

private:
    /// Round, or a block; lengths in pixels.
    struct Shape {
        double x, y, reach;
        double slant; ///< of a block, radians
        bool round;
    };
    Wall(int width, int height);
    /// Changes what a shape covers: `mix` gets a grey and how much of it is covered, 0 to 1.
    template <typename Mix>
    void paint(const Shape& shape, Mix mix);

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
    bool coded = false;  ///< strongly compressed with H.264 on the way
    bool things = false; ///< before a wall of things, else a pale one

    Wall wall(std::uint64_t of) const;
};
/// Hand-held; a jolt with roll and zoom; a walker and grain; low light with motion blur; strong compression of
/// something pale and soft; a pan over three picture widths; strong compression of what is like a photograph.
std::vector<CaptureCase> captureCases(std::uint64_t seed, int width);

} // namespace ember::test
