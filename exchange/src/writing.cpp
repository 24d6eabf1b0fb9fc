// SPDX-License-Identifier: GPL-3.0-or-later
#include "writing.h"

#include <array>
#include <cmath>
#include <numbers>

#include "ember/core/shown_text.h"
#include "ember/core/text.h"

namespace ember {

std::string numberText(double value)
{
    return shortestText(value + 0.0); // which has no minus before zero
}

std::string shortNumber(double value)
{
    return numberText(std::round(value * 1e6) / 1e6);
}

std::string escapedXml(std::string_view text)
{
    std::string out;
    for (const char c : validUtf8(text)) {
        switch (c) {
        case '&': out += "&amp;"; break;
        case '<': out += "&lt;"; break;
        case '>': out += "&gt;"; break;
        case '"': out += "&quot;"; break;
        case '\'': out += "&#39;"; break;
        default:
            if (static_cast<unsigned char>(c) >= 0x20 || c == '\t' || c == '\n')
                out += c;
        }
    }
    return out;
}

std::string testCard(int width, int height)
{
    const int step = std::max(8, width / 16);
    const auto n = [](int value) { return std::to_string(value); };
    std::string lines;
    for (int x = step; x < width; x += step)
        lines += "M" + n(x) + " 0V" + n(height);
    for (int y = step; y < height; y += step)
        lines += "M0 " + n(y) + "H" + n(width);
    const std::string w = n(width);
    const std::string h = n(height);
    return "<rect width=\"" + w + "\" height=\"" + h + "\" fill=\"#29241f\"/><path d=\"" + lines +
           "\" stroke=\"#6b6257\" fill=\"none\"/><circle cx=\"" + n(width / 2) + "\" cy=\"" + n(height / 2) +
           "\" r=\"" + n(std::min(width, height) / 4) +
           "\" fill=\"none\" stroke=\"#d9d0c3\" stroke-width=\"4\"/><path d=\"M0 0L" + w + " " + h + "M" + w + " 0L0 " +
           h + "\" stroke=\"#3a332c\" stroke-width=\"2\"/><rect x=\"2\" y=\"2\" width=\"" + n(width - 4) +
           "\" height=\"" + n(height - 4) + "\" fill=\"none\" stroke=\"#d9d0c3\" stroke-width=\"4\"/>";
}

double planeDistance(double lensDegrees)
{
    return 0.5 / std::tan(lensDegrees * std::numbers::pi / 360);
}

LayerMoves layerMoves(const HandedMotion& motion)
{
    const KeyTolerance off = motion.how.sparse.value_or(KeyTolerance());
    LayerMoves moves;
    moves.shift.assign(2, {{}, off.pixels});
    moves.turn.assign(1, {{}, off.degrees});
    moves.size.assign(1, {{}, off.zoom});
    moves.deep.assign(2, {{}, off.degrees});
    for (const Pose& pose : motion.poses) {
        moves.shift[0].values.push_back(pose.x);
        moves.shift[1].values.push_back(pose.y);
        moves.turn[0].values.push_back(pose.roll);
        moves.size[0].values.push_back(pose.zoom);
        moves.deep[0].values.push_back(pose.pan);
        moves.deep[1].values.push_back(pose.tilt);
        moves.anyDeep = moves.anyDeep || pose.pan != 0 || pose.tilt != 0;
    }
    return moves;
}

std::vector<SampledCurve> cameraPlaces(const HandedMotion& motion)
{
    const double distance = planeDistance(motion.how.lens) * motion.how.planeWidth;
    const double y = motion.how.yUp ? 1 : -1;
    std::vector<SampledCurve> places(3);
    for (std::size_t k = 0; k < 3; ++k) {
        places[k] = motion.channels[k].curve;
        for (double& value : places[k].values)
            value = k == 0 ? value : k == 1 ? y * value : y * value + (motion.how.absolute ? 0 : distance);
    }
    return places;
}

KeyPlaces straightPlaces(const HandedMotion& motion, const std::vector<SampledCurve>& curves)
{
    if (motion.how.sparse)
        return fewestPlaces(curves, KeyJoin::straight, motion.stopped);
    KeyPlaces all(curves.front().values.size());
    for (std::size_t i = 0; i < all.size(); ++i)
        all[i] = i;
    return all;
}

std::array<double, 4> cameraTurn(double pan, double tilt, double roll)
{
    constexpr double half = std::numbers::pi / 360;
    const double sy = std::sin(pan * half);
    const double cy = std::cos(pan * half);
    const double sx = std::sin(tilt * half);
    const double cx = std::cos(tilt * half);
    const double sz = std::sin(roll * half);
    const double cz = std::cos(roll * half);
    // The product of the three turns about y, x and z.
    return {cy * sx * cz + sy * cx * sz, sy * cx * cz - cy * sx * sz, cy * cx * sz - sy * sx * cz,
            cy * cx * cz + sy * sx * sz};
}

std::string dataAddress(std::string_view mime, std::string_view bytes)
{
    constexpr std::string_view digits = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
    std::string out = "data:" + std::string(mime) + ";base64,";
    out.reserve(out.size() + bytes.size() * 4 / 3 + 4);
    for (std::size_t i = 0; i < bytes.size(); i += 3) {
        const std::size_t left = std::min<std::size_t>(3, bytes.size() - i);
        std::uint32_t three = 0;
        for (std::size_t k = 0; k < 3; ++k)
            three = (three << 8) | (k < left ? static_cast<unsigned char>(bytes[i + k]) : 0U);
        for (std::size_t k = 0; k < 4; ++k)
            out += k <= left ? digits[(three >> (18 - 6 * k)) & 63] : '=';
    }
    return out;
}

} // namespace ember
