// SPDX-License-Identifier: GPL-3.0-or-later
// What the writers of motion share.
#pragma once

#include <string>
#include <string_view>

#include "ember/exchange/handed_motion.h"

namespace ember {

/// In the shortest form that reads back to the same value.
std::string numberText(double value);
/// For numbers that are only seen: at most six digits behind the point.
std::string shortNumber(double value);
/// For text between tags and in attributes of XML and HTML. What XML 1.0 does not know is left out.
std::string escapedXml(std::string_view text);
/// A picture to move where there is none: lines and marks, by which motion can be judged, as SVG elements.
std::string testCard(int width, int height);
/// Degrees across the picture that pan and tilt are seen through; see projection.h.
inline constexpr double lensOfPan = 50;
/// Distance of the picture's plane from a camera whose lens it fills, in its own width.
double planeDistance(double lensDegrees);
/// How a layer moves, as formats without depth tell it: y down, offsets, one group of numbers for each kind of change.
struct LayerMoves {
    std::vector<SampledCurve> shift; ///< x, y in pixels
    std::vector<SampledCurve> turn;  ///< degrees, clockwise
    std::vector<SampledCurve> size;  ///< ratio
    std::vector<SampledCurve> deep;  ///< pan, tilt in degrees
    bool anyDeep = false;
};
LayerMoves layerMoves(const HandedMotion& motion);
/// Where a camera stands on each frame: x, y and z in the picture's units, y up, z its distance from the picture.
std::vector<SampledCurve> cameraPlaces(const HandedMotion& motion);
/// The places at which straight lines between keys stay within each curve's tolerance: the fewest where these are
/// wished, else every frame.
KeyPlaces straightPlaces(const HandedMotion& motion, const std::vector<SampledCurve>& curves);
/// The rotation of a camera as a quaternion x, y, z, w: pan, then tilt, then roll about its own axes, y up.
std::array<double, 4> cameraTurn(double pan, double tilt, double roll);

} // namespace ember
