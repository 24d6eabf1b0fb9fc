// SPDX-License-Identifier: GPL-3.0-or-later
// Where events happen around the camera, and what of them arrives there.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "ember/core/field.h"
#include "ember/core/time.h"

namespace ember {

/// A point of the world in metres: x to the right, y up, z ahead, from where the camera stands without keys.
struct WorldPoint {
    double x = 0;
    double y = 0;
    double z = 0;

    bool operator==(const WorldPoint&) const = default;
};

/// A point of the picture as ratios of its width and height, and how many metres it is from the camera, along the ray
/// that a 50 degree horizontal lens (as in poseMatrix) sees it by.
struct PicturePoint {
    double x = 0.5;
    double y = 0.5;
    double distance = 10;

    bool operator==(const PicturePoint&) const = default;
};

/// Where a strike's event happens, and which of the world's laws it follows.
struct Place {
    std::variant<WorldPoint, PicturePoint> at;
    bool weaker = true;   ///< strength falls with the distance
    bool later = true;    ///< it arrives later
    bool directed = true; ///< the blow comes from there

    bool operator==(const Place&) const = default;
};

/// How fast a blow travels.
enum class Arrival {
    atOnce,
    air,    ///< sound in air
    ground, ///< a wave in the ground
    own     ///< World::speed
};

/// Where the camera stands and looks at a frame.
struct CameraKey {
    Frame frame;
    WorldPoint at;
    double heading = 0; ///< degrees to the right of ahead, seen from above

    bool operator==(const CameraKey&) const = default;
};

/// What carries a blow to the camera.
struct World {
    bool weaker = true;
    double exponent = 1;  ///< strength falls as (reference / distance) to this power
    double reference = 5; ///< metres; nearer than this nothing gets stronger
    double cutoff = 0;    ///< metres from which nothing is felt; 0: it is felt however far
    bool later = true;
    Arrival arrival = Arrival::air;
    double speed = 100; ///< metres a second, for Arrival::own
    bool directed = true;
    std::vector<CameraKey> camera; ///< in order; straight between them, level outside; none: at rest, looking ahead

    bool operator==(const World&) const = default;
};

/// Metres a second: dry air at 20 °C; and a pressure wave in firm wet soil.
inline constexpr double speedInAir = 343;
inline constexpr double speedInGround = 1500;

namespace worldfield {
extern const FieldSpec coordinate; ///< of places and the camera
extern const FieldSpec heading;
extern const FieldSpec picture; ///< of a point in the picture
extern const FieldSpec distance;
} // namespace worldfield

/// What of a strength is left at a distance in metres, 0 to 1: the inverse law with an exponent, as for a point source
/// in the open (exponent 1 for pressure, ISO 9613-2's divergence), level up to the reference, nothing from the cut-off
/// on. A distance that is no number or negative counts as 0.
double shareAt(const World& world, double metres);

/// Metres a second; 0 where it arrives at once.
double speedOf(const World& world);

/// Where the camera stands at an instant.
CameraKey cameraAt(const World& world, FrameTime time);

/// A place as the camera of `stand` sees it, in metres: x to the right, y up, z ahead.
WorldPoint seenFrom(const CameraKey& stand, const WorldPoint& at);
/// Where a point of the picture is in the world, seen by a camera that stands so.
WorldPoint worldOf(const PicturePoint& point, const CameraKey& stand, int width, int height);
/// And back: nothing for what is not in front of the camera. It may lie beside the picture.
std::optional<PicturePoint> pictureOf(const WorldPoint& at, const CameraKey& stand, int width, int height);

/// "X:Y:Z" in metres, or "picture:X:Y:METRES", as places are written in lists and settings.
std::string placeText(const Place& place);
/// Nothing unless it is such a text with numbers in their ranges.
std::optional<Place> placeFromText(std::string_view text);

struct Project;
struct Strike;

/// What becomes of a strike on its way to the camera.
struct ArrivalOf {
    Frame event;         ///< when it happens
    Frame felt;          ///< when it arrives, to the nearest frame
    double distance = 0; ///< metres, to where the camera stands when it arrives
    double delay = 0;    ///< seconds
    double share = 1;    ///< of its strength
    std::optional<double> direction =
        {}; ///< degrees, as Strike::direction; none where the blow comes from ahead or behind
};

/// Worked out for a strike with a place; one without arrives where and when it happens. The delay solves
/// |place - camera(t)| = speed (t - event): what is heard is what left then, and where the camera is now. A strike that
/// peaks on a cut is not delayed.
ArrivalOf arrivalOf(const Project& project, const Strike& strike);

/// The strike as it is felt: on the frame where it arrives, as strong as it arrives, from where it comes; without a
/// place.
Strike feltStrike(const Project& project, Strike strike);

/// The project with every strike as it is felt. Motion, light and sound are made of this (see FeltProject).
Project asFelt(Project project);
/// Whether that is another project.
bool hasPlaces(const Project& project);

} // namespace ember
