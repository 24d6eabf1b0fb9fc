// SPDX-License-Identifier: GPL-3.0-or-later
// Scenes whose impacts are known: photographs, things cut from them that move by physics, a camera in somebody's hand.
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "ember/core/project.h"
#include "ember/core/time.h"
#include "ember/image/image.h"
#include "photographs.h"

namespace ember::proving {

/// Places and lengths are in heights of the picture, from its middle, y down; times in seconds.
struct Place {
    double x = 0;
    double y = 0;
    double size = 1;  ///< of how it was cut
    double angle = 0; ///< radians
    double opacity = 1;
};

struct Camera {
    double x = 0; ///< where it looks
    double y = 0;
    double zoom = 1;
    double roll = 0; ///< radians
};

/// As many pixels of a cut are a height of the picture.
inline constexpr int cutHeight = 360;

/// Something in the scene.
struct Thing {
    Cut cut;
    std::function<std::optional<Place>(double t)> at; ///< nothing: it is not there
};

/// A light that adds.
struct Glow {
    std::function<std::optional<Place>(double t)> at; ///< its size is its radius, its opacity its strength
    cv::Vec3f colour{1, 0.8F, 0.5F};
};

/// What happens in it.
struct Event {
    double seconds = 0; ///< of contact
    StrikeKind kind = StrikeKind::hit;
    std::optional<double> direction; ///< degrees, 0 right, 90 down
    double strength = 0.5;           ///< against others of the scene
};

/// One shot of a scene.
struct Stage {
    Photograph background;
    double wide = 1.3; ///< how many heights of the picture the background is wide beyond the frame's own width
    std::vector<Thing> things;
    std::vector<Glow> glows;
    std::function<Camera(double t)> camera = [](double) { return Camera{}; };
    std::function<double(double t)> exposure = [](double) { return 1.0; };
    /// Lamplight by place, 0 to 1 over the picture's width; times the exposure.
    std::function<double(double t, double x)> lamp;
    std::function<double(double t)> defocus = [](double) { return 0.0; }; ///< radius
};

/// Where one stage turns into the next.
struct Change {
    double seconds = 0;
    double length = 0; ///< 0: a cut
    bool fade = false; ///< through black
};

struct Scene {
    std::string kind;
    bool trap = false; ///< nothing in it is an impact
    double seconds = 6;
    FrameRate rate;
    std::vector<Stage> stages;
    std::vector<Change> changes; ///< between them
    std::vector<Event> events;
    double shutter = 0.5; ///< of a frame
    double grain = 2;     ///< codes, standard deviation
    int quality = 23;     ///< CRF of H.264
    std::uint64_t seed = 0;

    std::int64_t frames() const;
    /// The first frame whose exposure's middle is at or after a moment. Frame i is exposed around i / rate.
    Frame frameOf(double seconds) const;
};

/// The scene filmed: motion blur in light, lens, grain, then codes.
Image filmFrame(const Scene& scene, std::int64_t frame, int width, int height);

/// Makes a clip of it with H.264 and truth beside it, in lines of text.
void writeScene(const Scene& scene, const std::string& path, int width, int height);

/// A hand that holds a camera; `strength` 1 sways half a hundredth of the picture.
std::function<Camera(double)> handHeld(double strength, Chance& chance);
/// One camera's motion upon another's.
std::function<Camera(double)> both(std::function<Camera(double)> a, std::function<Camera(double)> b);

/// The kinds there are; those of impacts first.
std::vector<std::string> impactKinds();
std::vector<std::string> trapKinds();
/// A scene of a kind; another for another seed.
Scene sceneOf(const std::string& kind, std::uint64_t seed, Album& album);

} // namespace ember::proving
