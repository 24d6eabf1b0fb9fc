// SPDX-License-Identifier: GPL-3.0-or-later
// The motion of a project as it is handed on to other programs: which part of it, told how. docs/formats.md says what
// each format keeps.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/keys.h"
#include "ember/core/project.h"

namespace ember {

/// What of a project is handed on.
enum class HandedOf {
    film,
    shot,   ///< its frames, with all that shakes them
    strike, ///< one strike alone, from its first moved frame to rest
    recipe, ///< one strike of full strength of it, with the recipe's own seed; frame 0 is the strike
};
inline constexpr std::array<std::string_view, 4> handedOfNames{"film", "shot", "strike", "recipe"};

struct HandedPart {
    HandedOf of = HandedOf::film;
    std::int64_t id = 0; ///< of the shot, strike or recipe

    bool operator==(const HandedPart&) const = default;
};

/// What takes the motion over there.
enum class HandedAs {
    layer,  ///< the picture itself, moved about its anchor, the middle
    camera, ///< a camera before a still picture, which then sees the same
};
inline constexpr std::array<std::string_view, 2> handedAsNames{"layer", "camera"};

/// How far the fewest keys may be off.
struct KeyTolerance {
    double pixels = 0.1;
    double degrees = 0.02;
    double zoom = 0.0005; ///< ratio

    bool operator==(const KeyTolerance&) const = default;
};

struct HandingOn {
    HandedPart part;
    HandedAs as = HandedAs::layer;
    bool absolute = false;                             ///< where it is, with the shot's own move; else what is added
    bool yUp = false;                                  ///< y, and with it roll, the other way
    bool cover = false;                                ///< with the cover zoom
    bool gentle = false;                               ///< of the gentle version
    std::int64_t frameOffset = 0;                      ///< added to the frames' numbers
    std::optional<KeyTolerance> sparse = std::nullopt; ///< the fewest keys; else one on every frame
    double lens = 50;                                  ///< of the camera, degrees across the picture, 1 to 170
    double planeWidth = 16;                            ///< of the picture there, in units, above 0
    std::string unit = "m";                            ///< what these are called

    bool operator==(const HandingOn&) const = default;
};

/// One number over time.
struct HandedChannel {
    std::string name; ///< "x", "scale", "roll", …
    std::string unit; ///< "px", "%", "°", or the camera's
    double rest = 0;
    SampledCurve curve; ///< one value a frame, and how far keys may be off
};

/// A motion ready to be written.
struct HandedMotion {
    std::string title;
    HandingOn how;
    int width = 0;
    int height = 0;
    FrameRate rate;
    std::int64_t first = 0;  ///< the number of the first frame, offset and all
    std::vector<Pose> poses; ///< of the picture, one a frame, with the cover where that is wished
    std::vector<HandedChannel> channels;
    double farthestOff = 0; ///< pixels that a corner is off at most where the camera cannot show the same picture
    Stopped stopped;        ///< where it says so, keys are given up: what is then written is of no use

    std::int64_t frames() const { return static_cast<std::int64_t>(poses.size()); }
    double seconds() const { return rate.seconds(static_cast<double>(frames())); }
    const HandedChannel* channel(std::string_view name) const;
};

/// The motion of a part of a project. Layers have the channels x, y (px), scale (%), roll, pan and tilt (°); cameras x,
/// y, z (units), pan, tilt and roll (°), where z is the distance from the picture's plane. An error when the part is
/// not there, the film has no frames, nothing moves, or a number is out of its range.
Result<HandedMotion> handedMotion(const Project& project, const HandingOn& how);

/// A project in which this strike is all that moves, as it arrives among the others: with its own values, its place
/// worked out, a rumble as long as it lasts there. The shot's own move stays.
Result<Project> strikeAlone(const Project& project, StrikeId strike);

/// The keys of each channel, by their frames' numbers: the fewest where these are wished, else one on every frame.
std::vector<CurveKeys> handedKeys(const HandedMotion& motion);
/// How many keys there are, and how many one on each frame would be.
struct KeyCount {
    std::size_t keys = 0;
    std::size_t dense = 0;
};
KeyCount countOf(const std::vector<CurveKeys>& keys, const HandedMotion& motion);

/// Pan, tilt and roll are done in this order about the camera, for people.
std::string_view rotationOrderText(HandedAs as);

/// Turns a name into one that files and identifiers may have: small letters, digits and hyphens.
std::string slugOf(std::string_view name);

// --- formats; see docs/formats.md

/// A heading and a row for each frame; for the fewest keys a row for each key: channel,frame,value,slope_in,slope_out.
/// `few`: handedKeys of it where the fewest are wished, for who has them already.
std::string handedToCsv(const HandedMotion& motion, const std::vector<CurveKeys>& few);
std::string handedToJson(const HandedMotion& motion, const std::vector<CurveKeys>& few);
inline std::string handedToCsv(const HandedMotion& motion)
{
    return handedToCsv(motion, motion.how.sparse ? handedKeys(motion) : std::vector<CurveKeys>());
}
inline std::string handedToJson(const HandedMotion& motion)
{
    return handedToJson(motion, motion.how.sparse ? handedKeys(motion) : std::vector<CurveKeys>());
}
/// What handedToJson wrote, by which frame: channels with a value for each frame. Poses are not read back.
Result<HandedMotion> handedFromJson(std::string_view text);
/// glTF 2.0 (Khronos), everything in one text: the camera, its animation, and the picture's plane to look at. Always a
/// camera, metres and y up.
std::string handedToGltf(const HandedMotion& motion);
/// USD as text (OpenUSD, usda 1.0): a camera before the picture's plane or, as a layer, the plane that moves before a
/// camera that stands still; y up, one unit of the stage is `how.unit`. A layer's pan and tilt are in a matrix that
/// shows the picture exactly as the poses do.
std::string handedToUsd(const HandedMotion& motion);
/// Lottie (Lottie Animation Community, specification 1.0): a null layer that shakes, and as its child the picture (a
/// data: address; a card where it is empty). Pan and tilt are left out.
std::string handedToLottie(const HandedMotion& motion, const std::string& picture = {});
/// CSS keyframes for a layer; with a gentle version of it, that is what those see who wish for less motion.
std::string handedToCss(const HandedMotion& motion, const HandedMotion* gentle = nullptr);
/// A page that plays them on a picture (a data: address; a test card where it is empty).
std::string handedToPage(const HandedMotion& motion, const HandedMotion* gentle = nullptr,
                         const std::string& picture = {});
/// SVG whose picture moves by SMIL as the layer would. Pan and tilt are left out.
std::string handedToSvg(const HandedMotion& motion, const std::string& picture = {});

/// Bytes as a data: address.
std::string dataAddress(std::string_view mime, std::string_view bytes);

} // namespace ember
