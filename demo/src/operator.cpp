// SPDX-License-Identifier: GPL-3.0-or-later
#include "operator.h"

#include <cmath>
#include <numbers>
#include <vector>

#include "ember/render/frame.h"
#include "scene.h"
#include "timeline.h"

namespace ember::demo {

namespace {

constexpr double turn = 2 * std::numbers::pi;
constexpr double room = 1.2; // enlargement that hides the border

/// A sway of the body or a tremor of the hand.
struct Sway {
    double hertz;
    double phase; ///< turns
    double x, y;  ///< pixels
    double roll;  ///< degrees
    double zoom;  ///< difference
};

const std::vector<Sway>& swaysOf(Operator who)
{
    static const std::vector<Sway> calm{
        {0.17, 0.10, 7, 2, 0.10, 0.002},  {0.31, 0.62, -3, 6, -0.12, 0.001}, {0.83, 0.35, 2.4, 1.5, 0.07, 0.0006},
        {1.37, 0.81, -1.1, 1.4, 0.05, 0}, {3.1, 0.27, 0.6, -0.5, 0.02, 0},   {6.3, 0.54, 0.25, 0.3, 0.012, 0},
    };
    static const std::vector<Sway> nervous{
        {0.29, 0.40, 12, 4, 0.22, 0.004},     {0.71, 0.13, -7, 8, -0.25, 0.002}, {1.63, 0.77, 5, -4, 0.20, 0.001},
        {2.47, 0.05, -3.5, 4, -0.16, 0.0008}, {4.3, 0.58, 1.6, 1.9, 0.10, 0},    {7.9, 0.91, -0.7, 0.8, 0.05, 0},
    };
    static const std::vector<Sway> running{
        {0.23, 0.30, 9, 5, 0.3, 0.006},
        {1.38, 0.20, 19, 0, 1.1, 0.004},
        {0.61, 0.75, -8, 4, -0.3, 0.003},
        {5.52, 0.45, 1.4, 3, 0.14, 0},
    };
    return who == Operator::calm ? calm : who == Operator::nervous ? nervous : running;
}

Similarity swayed(Operator who, double seconds)
{
    Similarity sum;
    for (const Sway& sway : swaysOf(who)) {
        const double swing = std::sin(turn * (sway.hertz * seconds + sway.phase));
        // Across to the sway, so that no two axes go alike.
        const double across = std::cos(turn * (0.93 * sway.hertz * seconds + 2.3 * sway.phase));
        sum.x += sway.x * swing;
        sum.y += sway.y * across;
        sum.roll += sway.roll * std::sin(turn * (1.07 * sway.hertz * seconds + 3.1 * sway.phase));
        sum.zoom += sway.zoom * across;
    }
    if (who == Operator::running) { // every step falls and is caught: 2.76 a second
        const double step = std::sin(turn * 1.38 * seconds);
        sum.y += 26 * (std::pow(std::abs(step), 0.8) - 0.6);
    }
    return sum;
}

} // namespace

Similarity operatorMotion(Operator who, double seconds)
{
    return swayed(who, seconds).after(swayed(who, 0).inverse());
}

namespace {

ImagePtr seenFrom(const Pose& pose, int frame)
{
    FrameLook look;
    look.exposure = Exposure::of(pose);
    look.projectWidth = width;
    look.projectHeight = height;
    return renderFrame(std::make_shared<const Image>(drawFrame(frame)), look, width, height);
}

} // namespace

ImagePtr filmFrame(Operator who, int frame)
{
    const Similarity moved = operatorMotion(who, static_cast<double>(frame) / framesPerSecond);
    return seenFrom(Pose{moved.x, moved.y, moved.zoom * room, moved.roll}, frame);
}

ImagePtr closeFrame(int frame)
{
    return seenFrom(Pose{0, -150, 1.75, 0}, frame);
}

} // namespace ember::demo
