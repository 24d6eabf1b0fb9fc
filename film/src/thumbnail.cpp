// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/thumbnail.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include "ember/core/cover.h"
#include "ember/core/heat.h"
#include "ember/core/motion.h"
#include "ember/film/film_reader.h"
#include "ember/film/layer_pictures.h"
#include "ember/render/frame.h"

namespace ember {

namespace {

constexpr std::array<std::uint8_t, 3> paper{0x17, 0x14, 0x12};
constexpr int instantsAcross = 4; // looked at within a column, so that no short strike is missed

/// The frame on which the film shakes most, around its strongest strike; 0 where nothing strikes.
std::int64_t tellingFrame(const Project& project, const Motion& motion)
{
    if (project.strikes.empty())
        return 0;
    const auto strongest = std::max_element(project.strikes.begin(), project.strikes.end(),
                                            [](const Strike& a, const Strike& b) { return a.strength < b.strength; });
    const std::int64_t last = std::max<std::int64_t>(0, project.length() - 1);
    const std::int64_t from = std::clamp<std::int64_t>(strongest->frame.index, 0, last);
    const std::int64_t to = std::min(last, from + 12);
    std::int64_t best = from;
    for (std::int64_t f = from; f <= to; ++f)
        if (motion.intensityAt(static_cast<double>(f)) > motion.intensityAt(static_cast<double>(best)))
            best = f;
    return best;
}

/// The finished frame; null where the film cannot be opened.
ImagePtr pictureOf(const Project& project, const Motion& motion, int width, int height)
{
    const auto film = openFilm(project);
    if (!film)
        return nullptr;
    const std::int64_t frame = tellingFrame(project, motion);
    const auto source = film.value()->frame(Frame{frame}, project.rate);
    if (!source)
        return nullptr;
    const auto layers = layerPictures(project);
    const FrameLook look = lookOf(project, motion, coverOf(project, motion), static_cast<double>(frame),
                                  layers ? layers.value() : LayerPictures(project.layers.size()));
    return renderFrame(source.value(), look, width, height);
}

/// Columns from the bottom up to how strongly it shakes there, in its heat; a quiet line where nothing does.
void drawTrace(Image& image, int top, const Project& project, const Motion& motion)
{
    const int height = image.height() - top;
    const double frames = static_cast<double>(std::max<std::int64_t>(1, project.length()));
    double most = 1;
    for (const Strike& strike : project.strikes)
        most = std::max(most, strike.strength);
    for (int x = 0; x < image.width(); ++x) {
        double intensity = 0;
        for (int i = 0; i < instantsAcross && !project.strikes.empty(); ++i)
            intensity =
                std::max(intensity, motion.intensityAt(frames * (x + (i + 0.5) / instantsAcross) / image.width()));
        const auto colour = heatOf(heatRamp, intensity);
        const int tall = std::clamp(static_cast<int>(std::lround(height * intensity / most)), 1, height);
        for (int y = image.height() - tall; y < image.height(); ++y)
            for (std::size_t k = 0; k < 3; ++k)
                image.at(x, y)[k] = static_cast<std::uint8_t>(std::lround(colour[k]));
    }
}

} // namespace

Image thumbnailOf(const Project& project, int size)
{
    size = std::clamp(size, smallestThumbnail, largestThumbnail);
    const double shape = static_cast<double>(std::max(1, project.width)) / std::max(1, project.height);
    // The trace is a fifth of the picture's height, within the square.
    const double whole = 1.2 / shape; // of the width
    const int width = std::max(1, static_cast<int>(std::lround(whole > 1 ? size / whole : size)));
    const int pictureHeight = std::max(1, static_cast<int>(std::lround(width / shape)));
    const int height = std::clamp(static_cast<int>(std::lround(width * whole)), pictureHeight + 1, size + 1);
    Image image(width, std::min(height, size));
    image.fill(paper[0], paper[1], paper[2]);
    const Motion motion(project);
    const int room = std::min(pictureHeight, image.height() - 1);
    const ImagePtr picture = pictureOf(project, motion, width, room);
    for (int y = 0; picture && y < room; ++y)
        std::memcpy(image.row(y), picture->row(y), 4 * static_cast<std::size_t>(width));
    for (int y = 0; y < image.height(); ++y) // as a clip with alpha would be seen on a folder of any colour
        for (int x = 0; x < width; ++x)
            image.at(x, y)[3] = 255;
    drawTrace(image, picture ? room : image.height() / 4, project, motion);
    return image;
}

} // namespace ember
