// SPDX-License-Identifier: GPL-3.0-or-later
// The drop bench: rigid boxes and balls fall and collide, seen from the side. It stands in for any simulator or game
// that logs its collisions. Metres, kilograms, seconds; x to the right, y up.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/place.h"

namespace ember::drop {

struct Vec {
    double x = 0;
    double y = 0;
};

enum class Shape { box, ball };

struct Body {
    std::string name;
    Shape shape = Shape::box;
    double width = 1;    ///< of a box
    double height = 1;   ///< of a box
    double radius = 0.5; ///< of a ball
    double mass = 1;
    bool fixed = false;       ///< does not move, whatever hits it
    double restitution = 0.2; ///< 0 dead to 1 lively; of two bodies the livelier counts
    double friction = 0.5;    ///< Coulomb's coefficient; of two bodies the geometric mean counts
    Vec position;             ///< of its middle
    Vec velocity;
    double angle = 0; ///< degrees, counter-clockwise
    double spin = 0;  ///< degrees a second
    double from = 0;  ///< seconds until it is let go
};

/// What the picture shows.
struct View {
    double left = -4;
    double bottom = -0.5;
    double width = 8;
    double height = 4.5;
};

struct Scene {
    double seconds = 5;
    double gravity = 9.81;
    double least = 0.5; ///< joules; weaker impacts are not told
    View view;
    std::vector<Body> bodies;
};

/// Bytes a file of a scene may have.
inline constexpr std::uintmax_t largestScene = 4 << 20;

/// A scene of docs/drop.md. An error tells where in the text.
Result<Scene> sceneFromJson(std::string_view text, const std::string& name);
std::string sceneToJson(const Scene& scene);

/// A small foundry: an ingot, a ladle's lid and shot on a floor.
Scene sampleScene();

/// Two bodies hit each other.
struct Impact {
    double seconds = 0;
    std::string a; ///< what came
    std::string b; ///< what it came upon
    Vec at;
    double speed = 0;      ///< metres a second with which they met, along the normal
    double energy = 0;     ///< joules of that motion: half the reduced mass by the speed squared
    double direction = 90; ///< degrees in the picture, 0 right, 90 down: the way of what came
    bool onFixed = false;
};

/// Where a body is at an instant, for pictures of it.
struct Pose {
    Vec position;
    double angle = 0; ///< degrees
};

struct Run {
    std::vector<Impact> impacts;             ///< in order
    std::vector<std::vector<Pose>> pictures; ///< of every body, `picturesPerSecond` times a second; empty when 0
};

/// Falls and collides at a fixed time step; the same scene gives the same bits every time.
Run simulate(const Scene& scene, double picturesPerSecond = 0);

/// Where a place of the scene is around a camera that sees the view from straight ahead, by a 50 degree lens.
WorldPoint aroundCamera(Vec at, const View& view);

enum class Tell {
    pictures,  ///< where in the picture impacts are
    positions, ///< and where around the camera, as "position"
};
/// An object in each line: time, kind, a, b, energy, speed, x, y, place, direction.
std::string impactsToJsonLines(const std::vector<Impact>& impacts, const View& view, Tell tell = Tell::pictures);

} // namespace ember::drop
