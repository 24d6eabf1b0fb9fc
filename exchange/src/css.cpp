// SPDX-License-Identifier: GPL-3.0-or-later
// CSS keyframes, a page that plays them, and SVG that moves by itself.
#include <algorithm>
#include <cmath>

#include "ember/core/shown_text.h"
#include "writing.h"

namespace ember {

namespace {

/// When a frame is shown, as a share of the whole.
double shareOf(std::size_t place, const HandedMotion& motion)
{
    return static_cast<double>(place) / static_cast<double>(motion.frames());
}

std::string keyframes(const HandedMotion& motion, const std::string& name)
{
    const LayerMoves moves = layerMoves(motion);
    std::vector<SampledCurve> all = moves.shift;
    for (const auto* more : {&moves.turn, &moves.size, &moves.deep})
        all.insert(all.end(), more->begin(), more->end());
    const double distance = planeDistance(lensOfPan) * motion.width;
    std::string out = "@keyframes " + name + " {\n";
    const auto add = [&](double percent, std::size_t i) {
        out += "  " + shortNumber(percent) + "% { transform: translate(" + shortNumber(moves.shift[0].values[i]) +
               "px, " + shortNumber(moves.shift[1].values[i]) + "px) rotate(" + shortNumber(moves.turn[0].values[i]) +
               "deg) scale(" + shortNumber(moves.size[0].values[i]) + ")";
        if (moves.anyDeep)
            out += " perspective(" + shortNumber(distance) + "px) translateZ(" + shortNumber(distance) +
                   "px) rotateX(" + shortNumber(moves.deep[1].values[i]) + "deg) rotateY(" +
                   shortNumber(-moves.deep[0].values[i]) + "deg) translateZ(" + shortNumber(-distance) + "px)";
        out += "; }\n";
    };
    const KeyPlaces places = straightPlaces(motion, all);
    for (const std::size_t place : places)
        add(100 * shareOf(place, motion), place);
    add(100, places.back());
    return out + "}\n";
}

std::string secondsText(const HandedMotion& motion)
{
    return numberText(motion.seconds()) + "s";
}

/// What may stand in a comment of a sheet, also of one within a page: no sign that ends either of them.
std::string commentText(const std::string& title)
{
    std::string out;
    for (const char c : validUtf8(title)) {
        if (c == '<' || c == '>')
            out += c == '<' ? "\xE2\x80\xB9" : "\xE2\x80\xBA"; // ‹ and ›
        else if (c == '/' && out.ends_with('*'))
            out += " /";
        else
            out += static_cast<unsigned char>(c) < 0x20 ? ' ' : c;
    }
    return out;
}

std::string pictureElement(const HandedMotion& motion, const std::string& picture)
{
    if (picture.empty())
        return testCard(motion.width, motion.height);
    return "<image width=\"" + std::to_string(motion.width) + "\" height=\"" + std::to_string(motion.height) +
           "\" preserveAspectRatio=\"none\" href=\"" + escapedXml(picture) + "\"/>";
}

} // namespace

std::string handedToCss(const HandedMotion& motion, const HandedMotion* gentle)
{
    const std::string name = "vember-" + slugOf(motion.title);
    std::string out = "/* " + commentText(motion.title) + ": " + std::to_string(motion.frames()) + " frames at " +
                      std::to_string(motion.rate.num()) + "/" + std::to_string(motion.rate.den()) +
                      " a second, for a layer of " + std::to_string(motion.width) + " x " +
                      std::to_string(motion.height) + " pixels.\n   Put the class \"" + name +
                      "\" on it to play it once. */\n";
    out += "." + name + " {\n  transform-origin: 50% 50%;\n  animation: " + name + " " + secondsText(motion) +
           " linear 1 both;\n}\n";
    if (gentle != nullptr)
        out += "@media (prefers-reduced-motion: reduce) {\n  ." + name + " { animation-name: " + name +
               "-gentle; animation-duration: " + secondsText(*gentle) + "; }\n}\n";
    else
        out += "@media (prefers-reduced-motion: reduce) {\n  ." + name + " { animation-name: none; }\n}\n";
    out += keyframes(motion, name);
    if (gentle != nullptr)
        out += keyframes(*gentle, name + "-gentle");
    return out;
}

std::string handedToPage(const HandedMotion& motion, const HandedMotion* gentle, const std::string& picture)
{
    const std::string name = "vember-" + slugOf(motion.title);
    const std::string w = std::to_string(motion.width);
    const std::string h = std::to_string(motion.height);
    return "<!DOCTYPE html>\n<html lang=\"en\">\n<meta charset=\"utf-8\">\n<title>" + escapedXml(motion.title) +
           "</title>\n<style>\nbody { margin: 0; background: #171412; color: #d9d0c3; font: 16px sans-serif; }\n"
           ".frame { width: " +
           w + "px; height: " + h +
           "px; overflow: hidden; background: #3b3b3b; margin: 24px auto; }\n"
           ".frame > * { display: block; width: " +
           w + "px; height: " + h + "px; }\np { text-align: center; }\nbutton { font: inherit; padding: 8px 16px; }\n" +
           handedToCss(motion, gentle) + "</style>\n<div class=\"frame\"><div id=\"layer\" class=\"" + name +
           "\"><svg width=\"" + w + "\" height=\"" + h + "\" viewBox=\"0 0 " + w + " " + h +
           "\" xmlns=\"http://www.w3.org/2000/svg\">" + pictureElement(motion, picture) +
           "</svg></div></div>\n<p><button id=\"again\">Play " + escapedXml(motion.title) +
           "</button></p>\n<script>\ndocument.getElementById(\"again\").onclick = () => {\n  for (const moving of "
           "document.getElementById(\"layer\").getAnimations()) { moving.cancel(); moving.play(); }\n};\n</script>\n"
           "</html>\n";
}

std::string handedToSvg(const HandedMotion& motion, const std::string& picture)
{
    const LayerMoves moves = layerMoves(motion);
    const auto animated = [&](const char* type, const std::vector<SampledCurve>& curves) {
        const KeyPlaces places = straightPlaces(motion, curves);
        std::string values;
        std::string times;
        const auto add = [&](double time, std::size_t place) {
            for (std::size_t k = 0; k < curves.size(); ++k)
                values += (k > 0 ? " " : values.empty() ? "" : ";") + shortNumber(curves[k].values[place]);
            times += (times.empty() ? "" : ";") + numberText(time);
        };
        for (const std::size_t place : places)
            add(shareOf(place, motion), place);
        add(1, places.back());
        return "<animateTransform attributeName=\"transform\" type=\"" + std::string(type) + "\" dur=\"" +
               secondsText(motion) + "\" repeatCount=\"indefinite\" calcMode=\"linear\" keyTimes=\"" + times +
               "\" values=\"" + values + "\"/>";
    };
    const std::string w = std::to_string(motion.width);
    const std::string h = std::to_string(motion.height);
    const std::string cx = numberText(0.5 * motion.width);
    const std::string cy = numberText(0.5 * motion.height);
    return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + w + "\" height=\"" + h + "\" viewBox=\"0 0 " + w +
           " " + h + "\">\n<title>" + escapedXml(motion.title) + "</title>\n<rect width=\"" + w + "\" height=\"" + h +
           "\" fill=\"#3b3b3b\"/>\n<g>" + animated("translate", moves.shift) + "\n<g transform=\"translate(" + cx +
           " " + cy + ")\"><g>" + animated("rotate", moves.turn) + "\n<g>" + animated("scale", moves.size) +
           "\n<g id=\"layer\" transform=\"translate(-" + cx + " -" + cy + ")\">" + pictureElement(motion, picture) +
           "</g></g></g></g></g>\n</svg>\n";
}

} // namespace ember
