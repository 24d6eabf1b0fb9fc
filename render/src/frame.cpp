// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/render/frame.h"

#include <algorithm>
#include <cmath>
#include <type_traits>

#include "byte_warp.h"
#include "image_canvas.h"
#include "light_canvas.h"
#include "light_effects.h"
#include "pixel_effects.h"

namespace ember {

namespace {

/// Codes are rounded, light is not.
template <typename Channel, typename Total>
Channel meanOf(Total total, int count)
{
    if constexpr (std::is_floating_point_v<Channel>)
        return total / static_cast<Channel>(count);
    else
        return static_cast<Channel>((total + count / 2) / count);
}

template <typename Channel>
void halve(const Image& source, Image& out)
{
    const auto rowOf = [&](int y) { return reinterpret_cast<const Channel*>(source.row(y)); };
    for (int y = 0; y < out.height(); ++y) {
        const Channel* a = rowOf(2 * y);
        const Channel* b = rowOf(std::min(2 * y + 1, source.height() - 1));
        auto* to = reinterpret_cast<Channel*>(out.row(y));
        const int whole = source.width() / 2;
        for (int x = 0; x < whole; ++x)
            for (int k = 0; k < 4; ++k)
                to[4 * x + k] = meanOf<Channel>(a[8 * x + k] + a[8 * x + 4 + k] + b[8 * x + k] + b[8 * x + 4 + k], 4);
        if (whole < out.width())
            for (int k = 0; k < 4; ++k)
                to[4 * whole + k] = meanOf<Channel>(a[8 * whole + k] + b[8 * whole + k], 2);
    }
}

/// The same pose for a layer that moves `depth` times as much, on the axes that are on.
Pose poseOfLayer(const Pose& pose, const Layer& layer)
{
    const auto share = [&](Axis axis) { return layer.axis[static_cast<std::size_t>(axis)] ? layer.depth : 0.0; };
    constexpr double most = 60; // degrees
    Pose out;
    out.x = pose.x * share(Axis::x);
    out.y = pose.y * share(Axis::y);
    out.zoom = std::max(0.05, 1 + (pose.zoom - 1) * share(Axis::zoom));
    out.roll = pose.roll * share(Axis::roll);
    out.pan = std::clamp(pose.pan * share(Axis::pan), -most, most);
    out.tilt = std::clamp(pose.tilt * share(Axis::tilt), -most, most);
    return out;
}

Exposure exposureOfLayer(Exposure exposure, const Layer& layer)
{
    for (Pose& pose : exposure.poses)
        pose = poseOfLayer(pose, layer);
    exposure.middle = poseOfLayer(exposure.middle, layer);
    return exposure;
}

// Pixel i of n covers [i, i+1) of n: a change of size maps the outer edges onto each other, not the centres.
Matrix3 resizing(double fromWidth, double fromHeight, double toWidth, double toHeight)
{
    const double sx = toWidth / fromWidth;
    const double sy = toHeight / fromHeight;
    return {{sx, 0, 0.5 * sx - 0.5, 0, sy, 0.5 * sy - 0.5, 0, 0, 1}};
}

/// From a pixel of the output to the unshaken project's frame.
Matrix3 frameMatrix(const FrameLook& look, double cover, const Pose& pose, int width, int height)
{
    const double cx = 0.5 * (look.projectWidth - 1);
    const double cy = 0.5 * (look.projectHeight - 1);
    const double shrink = 1.0 / cover;
    const Matrix3 uncover =
        Matrix3::translation(cx, cy) * Matrix3::scaling(shrink, shrink) * Matrix3::translation(-cx, -cy);
    return poseMatrix(pose, look.projectWidth, look.projectHeight).inverse() * uncover *
           resizing(width, height, look.projectWidth, look.projectHeight);
}

/// The looks of an exposure, and the middle one; `mapOf` gives the map of a pose.
template <typename MapOf>
std::pair<std::vector<Look>, Matrix3> looksOf(const Exposure& exposure, MapOf mapOf)
{
    std::vector<Look> looks;
    const float share = 1.0F / static_cast<float>(exposure.instants());
    for (int i = 0; i < exposure.instants(); ++i) {
        Look look{{}, {share, share, share, share}};
        for (int row = 0; row < exposure.rows; ++row)
            look.maps.push_back(mapOf(exposure.at(i, row)));
        looks.push_back(std::move(look));
    }
    return {std::move(looks), mapOf(exposure.middle)};
}

void layOver(LightPicture& picture, const FrameLook& look, const LayerLook& layer)
{
    const Image& image = *layer.picture;
    // From the frame to the layer's own pixels: its middle lies x, y from the frame's.
    const double cx = 0.5 * (look.projectWidth - 1) + layer.x;
    const double cy = 0.5 * (look.projectHeight - 1) + layer.y;
    const Matrix3 place = Matrix3::translation(0.5 * (image.width() - 1), 0.5 * (image.height() - 1)) *
                          Matrix3::scaling(1 / layer.size, 1 / layer.size) * Matrix3::translation(-cx, -cy);
    const auto [looks, middle] = looksOf(layer.exposure, [&](const Pose& pose) {
        return place * frameMatrix(look, layer.cover, pose, picture.width(), picture.height());
    });
    const ImagePlane plane(image, Domain::light, EdgeMode::transparent, {}, 0);
    OverCanvas canvas(picture, layer.opacity);
    gather(plane, looks, middle, picture.width(), picture.height(), canvas);
}

/// A picture of light made by one sum.
LightPicture summed(const Plane& plane, const Sum& sum, const Image& like)
{
    LightPicture picture(like.width(), like.height(), precisionFor(like.depth()));
    LightCanvas canvas(picture);
    sum(plane, canvas);
    return picture;
}

/// Sums one behind the other, the first of `first`; the last is put onto `out`, whose picture is `like` this.
void addUp(const Plane& first, const std::vector<Sum>& sums, const Image& like, Canvas& out)
{
    LightPicture picture;
    const LightPlane between(picture);
    for (std::size_t i = 0; i < sums.size(); ++i) {
        const Plane& from = i == 0 ? first : between;
        if (i + 1 == sums.size())
            sums[i](from, out);
        else
            picture = summed(from, sums[i], like);
    }
}

void drawBars(Image& image, const Bars& bars)
{
    for (int y = 0; y < image.height(); ++y) {
        const bool all = y < bars.top || y >= image.height() - bars.top;
        image.blacken(0, y, all ? image.width() : bars.side);
        if (!all)
            image.blacken(image.width() - bars.side, y, bars.side);
    }
}

/// Whether a picture that may have holes has none. Of 8 bits only, which are read at once.
bool provesOpaque(const Image& picture)
{
    if (picture.depth() != Depth::eight)
        return false;
    for (int y = 0; y < picture.height(); ++y) {
        const std::uint8_t* row = picture.row(y);
        unsigned all = 255;
        for (int x = 0; x < picture.width(); ++x)
            all &= row[4 * x + 3];
        if (all != 255)
            return false;
    }
    return true;
}

/// How the shake is seen, before anything is drawn.
bool isUnmoved(const FrameLook& look)
{
    return look.exposure.still() && look.exposure.middle.atRest() && look.cover == 1.0;
}
bool isLit(const FrameLook& look)
{
    return !look.light.none() || !look.layers.empty();
}

/// What is moved or lit, or of another size, depth or colour.
std::shared_ptr<Image> drawn(const ImagePtr& source, const FrameLook& look, int width, int height)
{
    const bool unmoved = isUnmoved(look);
    const bool lit = isLit(look);
    const ColourSpace colour = heldAs(look.depth, look.colour);
    // Far below the source's size a kernel of four pixels would miss most of them; halving first keeps every one.
    const Image* from = source.get();
    Image half;
    while (from->width() >= 2 * width && from->height() >= 2 * height) {
        half = halved(*from);
        from = &half;
    }
    auto out = std::make_shared<Image>(width, height, look.depth, colour);
    out->setOpaque(from->opaque() && (unmoved || look.edges != EdgeMode::transparent));
    const auto [looks, middle] = looksOf(look.exposure, [&](const Pose& pose) {
        return viewMatrix(look, pose, from->width(), from->height(), width, height);
    });
    const bool asCodes = source->depth() != Depth::single && source->colour() == colour;
    const Domain domain = lit || look.exposure.instants() > 1 || !asCodes ? Domain::light : Domain::codes;
    const ImagePlane plane(*from, domain, unmoved ? EdgeMode::extend : look.edges, look.plain, borderSmear);
    if (domain == Domain::codes && looks.front().maps.size() == 1 &&
        warpBytes(*from, looks.front().maps.front(), unmoved ? EdgeMode::extend : look.edges, look.plain, *out))
        return out;
    const Sum shake = [&, &all = looks, &one = middle](const Plane& shown, Canvas& to) {
        gather(shown, all, one, width, height, to);
    };
    ImageCanvas coded(*out, domain);
    const double scale = static_cast<double>(width) / look.projectWidth;
    PixelEffects canvas(coded, look.light, out->colour().primaries, scale);
    if (look.layers.empty()) {
        addUp(plane, withEffects({shake}, look.light, width, height, scale), *out, canvas);
        return out;
    }
    LightPicture picture = summed(plane, shake, *out);
    for (const LayerLook& layer : look.layers)
        layOver(picture, look, layer);
    addUp(LightPlane(picture), withEffects({asItIs(width, height)}, look.light, width, height, scale), *out, canvas);
    return out;
}

/// Everything but the bars.
ImagePtr withoutBars(const ImagePtr& source, const FrameLook& look, int width, int height)
{
    const bool same = source->width() == width && source->height() == height;
    if (isUnmoved(look) && !isLit(look) && same && source->depth() == look.depth &&
        source->colour() == heldAs(look.depth, look.colour))
        return source;
    if (source->opaque() || !provesOpaque(*source))
        return drawn(source, look, width, height);
    // The same pixels as of a picture that is known to be opaque, but with alpha, as it came.
    auto whole = std::make_shared<Image>(source->copy());
    whole->setOpaque(true);
    auto out = drawn(whole, look, width, height);
    out->setOpaque(false);
    return out;
}

} // namespace

FrameLook lookOf(const Project& project, const Motion& motion, const Cover& cover, FrameTime time,
                 const LayerPictures& pictures)
{
    FrameLook look = plainLook(project);
    const Frame frame{static_cast<std::int64_t>(std::floor(time + 1e-9))};
    look.exposure = exposureOf(project, motion, time);
    look.cover = cover.at(frame.index);
    look.light = motion.lightAt(time);
    if (!project.finish.shown.layers)
        return look;
    for (std::size_t i = 0; i < project.layers.size() && i < pictures.size(); ++i) {
        const Layer& layer = project.layers[i];
        if (pictures[i] == nullptr || !layer.covers(frame) || layer.opacity == 0)
            continue;
        look.layers.push_back({pictures[i], exposureOfLayer(look.exposure, layer), 1 + (look.cover - 1) * layer.depth,
                               layer.x, layer.y, layer.size, layer.opacity});
    }
    return look;
}

FrameLook plainLook(const Project& project)
{
    FrameLook look;
    look.edges = project.finish.edges;
    look.plain = project.finish.plain;
    look.letterbox = project.finish.letterbox;
    look.projectWidth = project.width;
    look.projectHeight = project.height;
    return look;
}

Matrix3 viewMatrix(const FrameLook& look, const Pose& pose, int sourceWidth, int sourceHeight, int width, int height)
{
    return resizing(look.projectWidth, look.projectHeight, sourceWidth, sourceHeight) *
           frameMatrix(look, look.cover, pose, width, height);
}

Image halved(const Image& source)
{
    Image out((source.width() + 1) / 2, (source.height() + 1) / 2, source.depth(), source.colour());
    out.setOpaque(source.opaque());
    switch (source.depth()) {
    case Depth::eight: halve<std::uint8_t>(source, out); break;
    case Depth::sixteen: halve<std::uint16_t>(source, out); break;
    case Depth::single: halve<float>(source, out); break;
    }
    return out;
}

ImagePtr renderFrame(const ImagePtr& source, const FrameLook& look, int width, int height)
{
    ImagePtr picture = withoutBars(source, look, width, height);
    const Bars bars = barsOf(look.letterbox, width, height);
    if (bars.side == 0 && bars.top == 0)
        return picture;
    Image barred = picture->copy();
    drawBars(barred, bars);
    return std::make_shared<const Image>(std::move(barred));
}

} // namespace ember
