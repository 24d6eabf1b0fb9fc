// SPDX-License-Identifier: GPL-3.0-or-later
// USD as text (OpenUSD, "Usda File Format" and "UsdGeom"): a camera that shakes before the picture's plane, or a plane
// that shakes before a camera that stands still.
#include <algorithm>
#include <cmath>
#include <numbers>

#include "ember/core/projection.h"
#include "ember/core/shown_text.h"
#include "writing.h"

namespace ember {

namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr double aperture =
    36; // the width of a film gate, in tenths of a unit; only its share of the focal length counts

/// Text of a file's author in quotes, on one line.
std::string usdText(std::string_view text)
{
    std::string out = "\"";
    for (const char c : validUtf8(text)) {
        if (c == '"' || c == '\\')
            out += '\\';
        out += static_cast<unsigned char>(c) < 0x20 ? ' ' : c;
    }
    return out + "\"";
}

std::string tuple(std::initializer_list<double> values)
{
    std::string out = "(";
    for (const double value : values)
        out += (out.size() > 1 ? ", " : "") + numberText(value);
    return out + ")";
}

/// Turns about x, y and z, in this order, degrees, that are the camera's own pan, then tilt, then roll: of the two ways
/// to say it the one nearer to `before`.
std::array<double, 3> anglesOf(const Pose& pose, const std::array<double, 3>& before)
{
    const auto [x, y, z, w] = cameraTurn(pose.pan, pose.tilt, pose.roll);
    const double sine = std::clamp(2 * (w * y - x * z), -1.0, 1.0);
    std::array<double, 3> plain{std::atan2(2 * (w * x + y * z), 1 - 2 * (x * x + y * y)), std::asin(sine),
                                std::atan2(2 * (w * z + x * y), 1 - 2 * (y * y + z * z))};
    for (double& angle : plain)
        angle /= degree;
    std::array<double, 3> other{plain[0] + 180, 180 - plain[1], plain[2] + 180};
    const auto nearest = [&](std::array<double, 3>& angles) {
        double off = 0;
        for (std::size_t k = 0; k < 3; ++k) {
            angles[k] += 360 * std::round((before[k] - angles[k]) / 360);
            off += std::abs(angles[k] - before[k]);
        }
        return off;
    };
    return nearest(plain) <= nearest(other) ? plain : other;
}

/// Metres in one of the stage's units; that of a name which is not known here is a metre.
double metresOf(const std::string& unit)
{
    constexpr std::array<std::pair<std::string_view, double>, 6> known{
        {{"m", 1}, {"cm", 0.01}, {"mm", 0.001}, {"km", 1000}, {"ft", 0.3048}, {"in", 0.0254}}};
    const auto found = std::find_if(known.begin(), known.end(), [&](const auto& one) { return one.first == unit; });
    return found == known.end() ? 1 : found->second;
}

class Writer {
public:
    explicit Writer(const HandedMotion& motion) : motion_(motion) {}

    void line(const std::string& text) { out_ += std::string(4 * depth_, ' ') + text + "\n"; }
    void open(const std::string& head)
    {
        line(head);
        line("{");
        ++depth_;
    }
    void close()
    {
        --depth_;
        line("}");
    }
    /// An attribute of as many numbers as there are curves.
    void samples(const std::string& attribute, const std::vector<SampledCurve>& curves)
    {
        samples(attribute, curves, [&](std::size_t i) {
            if (curves.size() == 1)
                return numberText(curves[0].values[i]);
            return tuple({curves[0].values[i], curves[1].values[i], curves[2].values[i]});
        });
    }
    template <typename Text>
    void samples(const std::string& attribute, const std::vector<SampledCurve>& curves, const Text& text)
    {
        line(attribute + ".timeSamples = {");
        for (const std::size_t place : straightPlaces(motion_, curves))
            line("    " + std::to_string(motion_.first + static_cast<std::int64_t>(place)) + ": " + text(place) + ",");
        line("}");
    }
    std::string take() { return std::move(out_); }

private:
    const HandedMotion& motion_;
    std::string out_;
    std::size_t depth_ = 0;
};

void writeLens(Writer& out, const HandedMotion& motion, double distance)
{
    const double focal = 0.5 * aperture / std::tan(0.5 * motion.how.lens * degree);
    out.line("token projection = \"perspective\"");
    out.line("float focalLength = " + shortNumber(focal));
    out.line("float horizontalAperture = " + shortNumber(aperture));
    out.line("float verticalAperture = " + shortNumber(aperture * motion.height / motion.width));
    out.line("float2 clippingRange = " + tuple({distance / 100, distance * 100}));
}

void writeStillCamera(Writer& out, const HandedMotion& motion, double distance)
{
    out.open("def Camera \"Camera\"");
    writeLens(out, motion, distance);
    out.line("double3 xformOp:translate = " + tuple({0, 0, distance}));
    out.line("uniform token[] xformOpOrder = [\"xformOp:translate\"]");
    out.close();
}

/// The camera hangs in a transform that shakes: so its own place is free for who wants to move it.
void writeShakenCamera(Writer& out, const HandedMotion& motion, double distance)
{
    std::vector<SampledCurve> turns(3, {{}, motion.how.sparse.value_or(KeyTolerance()).degrees});
    std::array<double, 3> before{};
    for (const Pose& pose : motion.poses) {
        before = anglesOf(pose, before);
        for (std::size_t k = 0; k < 3; ++k)
            turns[k].values.push_back(before[k]);
    }
    out.open("def Xform \"Rig\"");
    out.samples("double3 xformOp:translate", cameraPlaces(motion));
    out.samples("double3 xformOp:rotateXYZ", turns);
    out.line("uniform token[] xformOpOrder = [\"xformOp:translate\", \"xformOp:rotateXYZ\"]");
    out.open("def Camera \"Camera\"");
    writeLens(out, motion, distance);
    out.close();
    out.close();
}

void writePicture(Writer& out, const HandedMotion& motion)
{
    const double w = 0.5 * motion.how.planeWidth;
    const double h = w * motion.height / motion.width;
    out.open("def Mesh \"Picture\"");
    out.line("uniform bool doubleSided = 1");
    out.line("uniform token subdivisionScheme = \"none\"");
    out.line("float3[] extent = [" + tuple({-w, -h, 0}) + ", " + tuple({w, h, 0}) + "]");
    out.line("int[] faceVertexCounts = [4]");
    out.line("int[] faceVertexIndices = [0, 1, 2, 3]");
    out.line("point3f[] points = [" + tuple({-w, -h, 0}) + ", " + tuple({w, -h, 0}) + ", " + tuple({w, h, 0}) + ", " +
             tuple({-w, h, 0}) + "]");
    out.line("texCoord2f[] primvars:st = [(0, 0), (1, 0), (1, 1), (0, 1)] (");
    out.line("    interpolation = \"vertex\"");
    out.line(")");
    out.close();
}

/// x and y in the picture's units, roll about z, size: without depth.
void writeFlatMoves(Writer& out, const HandedMotion& motion, const LayerMoves& moves)
{
    const double unit = motion.how.planeWidth / motion.width;
    std::vector<SampledCurve> place(3, {{}, moves.shift[0].tolerance * unit});
    std::vector<SampledCurve> turn(3, {{}, moves.turn[0].tolerance});
    std::vector<SampledCurve> size(3, moves.size[0]);
    for (std::size_t i = 0; i < motion.poses.size(); ++i) {
        place[0].values.push_back(moves.shift[0].values[i] * unit);
        place[1].values.push_back(-moves.shift[1].values[i] * unit);
        place[2].values.push_back(0);
        turn[0].values.push_back(0);
        turn[1].values.push_back(0);
        turn[2].values.push_back(-moves.turn[0].values[i]);
        size[2].values[i] = 1;
    }
    out.samples("double3 xformOp:translate", place);
    out.samples("double3 xformOp:rotateXYZ", turn);
    out.samples("double3 xformOp:scale", size);
    out.line("uniform token[] xformOpOrder = [\"xformOp:translate\", \"xformOp:rotateXYZ\", \"xformOp:scale\"]");
}

/// With pan and tilt: the picture's projective map as a linear map about the place the camera stands in. A camera sees
/// the directions q = (x, y, depth); a map H of the picture's points as directions is the same map of its image.
void writeDeepMoves(Writer& out, const HandedMotion& motion, double distance)
{
    const double unit = motion.how.planeWidth / motion.width;
    const Point middle{0.5 * (motion.width - 1), 0.5 * (motion.height - 1)};
    const Matrix3 toDirection{{unit, 0, -unit * middle.x, 0, -unit, unit * middle.y, 0, 0, distance}};
    const Matrix3 fromDirection{
        {1 / unit, 0, middle.x / distance, 0, -1 / unit, middle.y / distance, 0, 0, 1 / distance}};
    const KeyTolerance off = motion.how.sparse.value_or(KeyTolerance());
    // The rows of USD's matrix are what becomes of the axes; the last one of the origin.
    std::vector<SampledCurve> cells(12, {{}, std::min(off.zoom, off.degrees * degree)});
    for (std::size_t k = 9; k < 12; ++k)
        cells[k].tolerance = off.pixels * unit;
    for (const Pose& pose : motion.poses) {
        const Matrix3 map = toDirection * poseMatrix(pose, motion.width, motion.height) * fromDirection;
        const auto& h = map.m;
        const double volume = h[0] * (h[4] * h[8] - h[5] * h[7]) - h[1] * (h[3] * h[8] - h[5] * h[6]) +
                              h[2] * (h[3] * h[7] - h[4] * h[6]);
        const double share = std::cbrt(pose.zoom * pose.zoom / volume); // of a turn and a zoom across the view
        const auto at = [&](std::size_t k) { return h[k] * share; };
        const std::array<double, 12> rows{at(0),
                                          at(3),
                                          -at(6),
                                          at(1),
                                          at(4),
                                          -at(7),
                                          -at(2),
                                          -at(5),
                                          at(8),
                                          at(2) * distance,
                                          at(5) * distance,
                                          distance * (1 - at(8))};
        for (std::size_t k = 0; k < rows.size(); ++k)
            cells[k].values.push_back(rows[k]);
    }
    out.samples("matrix4d xformOp:transform", cells, [&](std::size_t i) {
        const auto row = [&](std::size_t k, double last) {
            return tuple({cells[k].values[i], cells[k + 1].values[i], cells[k + 2].values[i], last});
        };
        return "( " + row(0, 0) + ", " + row(3, 0) + ", " + row(6, 0) + ", " + row(9, 1) + " )";
    });
    out.line("uniform token[] xformOpOrder = [\"xformOp:transform\"]");
}

} // namespace

std::string handedToUsd(const HandedMotion& motion)
{
    const double distance = planeDistance(motion.how.lens) * motion.how.planeWidth;
    const std::int64_t last = motion.first + motion.frames() - 1;
    Writer out(motion);
    out.line("#usda 1.0");
    out.line("(");
    out.line("    defaultPrim = \"Shake\"");
    out.line("    doc = " + usdText(motion.title + ": a shake made with Vast Ember"));
    out.line("    metersPerUnit = " + numberText(metresOf(motion.how.unit)));
    out.line("    upAxis = \"Y\"");
    out.line("    startTimeCode = " + std::to_string(motion.first));
    out.line("    endTimeCode = " + std::to_string(last));
    out.line("    timeCodesPerSecond = " + numberText(motion.rate.perSecond()));
    out.line("    framesPerSecond = " + numberText(motion.rate.perSecond()));
    out.line("    customLayerData = {");
    out.line("        string rate = \"" + std::to_string(motion.rate.num()) + "/" + std::to_string(motion.rate.den()) +
             "\"");
    out.line("        double farthest_off_px = " + numberText(motion.farthestOff));
    out.line("    }");
    out.line(")");
    out.line("");
    out.open("def Xform \"Shake\"");
    if (motion.how.as == HandedAs::layer) {
        writeStillCamera(out, motion, distance);
        const LayerMoves moves = layerMoves(motion);
        out.open("def Xform \"Layer\"");
        if (moves.anyDeep)
            writeDeepMoves(out, motion, distance);
        else
            writeFlatMoves(out, motion, moves);
        writePicture(out, motion);
        out.close();
    } else {
        writeShakenCamera(out, motion, distance);
        writePicture(out, motion);
    }
    out.close();
    return out.take();
}

} // namespace ember
