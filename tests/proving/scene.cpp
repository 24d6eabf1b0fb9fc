// SPDX-License-Identifier: GPL-3.0-or-later
#include "scene.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include <opencv2/imgproc.hpp>

#include <QProcess>
#include <QString>
#include <QStringList>

#include "ember/image/colour_space.h"

namespace ember::proving {

namespace {

constexpr int instants = 6; ///< within a shutter

/// Heights of the picture to its pixels, as the camera sees them.
struct View {
    Camera camera;
    int width;
    int height;

    cv::Point2d at(double x, double y) const
    {
        const double u = (x - camera.x) * camera.zoom, v = (y - camera.y) * camera.zoom;
        const double c = std::cos(camera.roll), s = std::sin(camera.roll);
        return {0.5 * (width - 1) + height * (c * u - s * v), 0.5 * (height - 1) + height * (s * u + c * v)};
    }
};

/// The map from the output to something whose middle lies at `place`, `unit` of whose pixels are a height.
cv::Matx23d mapTo(const View& view, const Place& place, double unit, double cx, double cy)
{
    const cv::Point2d middle = view.at(place.x, place.y);
    const double scale = unit / (view.height * view.camera.zoom * place.size);
    const double angle = -(place.angle + view.camera.roll);
    const double c = scale * std::cos(angle), s = scale * std::sin(angle);
    return {c, -s, cx - c * middle.x + s * middle.y, s, c, cy - s * middle.x - c * middle.y};
}

void layOver(cv::Mat3f& picture, const Cut& cut, const View& view, const Place& place)
{
    const cv::Matx23d map = mapTo(view, place, cutHeight, 0.5 * (cut.cols - 1), 0.5 * (cut.rows - 1));
    const cv::Point2d middle = view.at(place.x, place.y);
    const double reach =
        0.5 * std::hypot(cut.cols, cut.rows) * view.height / cutHeight * place.size * view.camera.zoom + 2;
    const cv::Rect box = cv::Rect(static_cast<int>(middle.x - reach), static_cast<int>(middle.y - reach),
                                  static_cast<int>(2 * reach), static_cast<int>(2 * reach)) &
                         cv::Rect(0, 0, picture.cols, picture.rows);
    if (box.empty() || place.opacity <= 0)
        return;
    cv::Matx23d local = map;
    local(0, 2) += map(0, 0) * box.x + map(0, 1) * box.y;
    local(1, 2) += map(1, 0) * box.x + map(1, 1) * box.y;
    Cut seen;
    cv::warpAffine(cut, seen, local, box.size(), cv::INTER_LINEAR | cv::WARP_INVERSE_MAP, cv::BORDER_CONSTANT);
    const auto opacity = static_cast<float>(place.opacity);
    for (int y = 0; y < box.height; ++y)
        for (int x = 0; x < box.width; ++x) {
            const cv::Vec4f& over = seen(y, x);
            cv::Vec3f& under = picture(box.y + y, box.x + x);
            for (int k = 0; k < 3; ++k)
                under[k] = under[k] * (1 - opacity * over[3]) + opacity * over[k];
        }
}

void shine(cv::Mat3f& picture, const Glow& glow, const View& view, const Place& place)
{
    const cv::Point2d middle = view.at(place.x, place.y);
    const double radius = place.size * view.height * view.camera.zoom;
    const double reach = 4 * radius;
    const int top = std::max(0, static_cast<int>(middle.y - reach));
    const int bottom = std::min(picture.rows, static_cast<int>(middle.y + reach) + 1);
    const int left = std::max(0, static_cast<int>(middle.x - reach));
    const int right = std::min(picture.cols, static_cast<int>(middle.x + reach) + 1);
    for (int y = top; y < bottom; ++y)
        for (int x = left; x < right; ++x) {
            const double r2 = (std::pow(x - middle.x, 2) + std::pow(y - middle.y, 2)) / (radius * radius);
            // A bright middle and a wide halo.
            const auto light = static_cast<float>(place.opacity * (std::exp(-r2 / 2) + 0.15 / (1 + r2)));
            picture(y, x) += glow.colour * light;
        }
}

cv::Mat3f instantOf(const Stage& stage, double t, int width, int height)
{
    const View view{stage.camera(t), width, height};
    // The frame's width and `wide` more of the background are there.
    const double unit = stage.background.cols / (static_cast<double>(width) / height * stage.wide);
    cv::Mat3f picture;
    cv::warpAffine(stage.background, picture,
                   mapTo(view, {}, unit, 0.5 * (stage.background.cols - 1), 0.5 * (stage.background.rows - 1)),
                   {width, height}, cv::INTER_LINEAR | cv::WARP_INVERSE_MAP, cv::BORDER_REFLECT);
    for (const Thing& thing : stage.things)
        if (const auto place = thing.at(t))
            layOver(picture, thing.cut, view, *place);
    if (stage.lamp)
        for (int x = 0; x < width; ++x)
            picture.col(x) *= stage.lamp(t, static_cast<double>(x) / width);
    for (const Glow& glow : stage.glows)
        if (const auto place = glow.at(t); place && place->opacity > 0)
            shine(picture, glow, view, *place);
    picture *= stage.exposure(t);
    return picture;
}

cv::Mat3f exposed(const Scene& scene, const Stage& stage, std::int64_t frame, int width, int height)
{
    const double open = scene.shutter / scene.rate.perSecond();
    const double middle = scene.rate.seconds(static_cast<double>(frame));
    cv::Mat3f sum(height, width, cv::Vec3f(0, 0, 0));
    for (int i = 0; i < instants; ++i)
        sum += instantOf(stage, middle + open * ((i + 0.5) / instants - 0.5), width, height);
    sum *= 1.0 / instants;
    if (const double radius = stage.defocus(middle) * height; radius > 0.3)
        cv::GaussianBlur(sum, sum, {}, radius, radius, cv::BORDER_REFLECT);
    return sum;
}

} // namespace

std::int64_t Scene::frames() const
{
    return std::llround(rate.frames(seconds));
}

Frame Scene::frameOf(double moment) const
{
    return Frame{static_cast<std::int64_t>(std::ceil(rate.frames(moment) - 1e-6))};
}

Image filmFrame(const Scene& scene, std::int64_t frame, int width, int height)
{
    const double t = scene.rate.seconds(static_cast<double>(frame));
    std::size_t stage = 0;
    double share = 0; // of the next stage
    const Change* within = nullptr;
    for (const Change& change : scene.changes) {
        if (t >= change.seconds + change.length / 2) {
            ++stage;
        } else if (change.length > 0 && t > change.seconds - change.length / 2) {
            share = (t - change.seconds) / change.length + 0.5;
            within = &change;
        }
    }
    cv::Mat3f light = exposed(scene, scene.stages[stage], frame, width, height);
    if (within != nullptr) {
        const cv::Mat3f next = exposed(scene, scene.stages[stage + 1], frame, width, height);
        if (within->fade)
            light = share < 0.5 ? cv::Mat3f(light * (1 - 2 * share)) : cv::Mat3f(next * (2 * share - 1));
        else
            light = light * (1 - share) + next * share;
    }
    // Another part of one sheet of grain for each frame. A lens and a sensor leave no grain of single pixels.
    static const cv::Mat3f sheet = [] {
        cv::Mat3f noise(1024, 1024);
        cv::RNG(1).fill(noise, cv::RNG::NORMAL, 0, 1);
        cv::GaussianBlur(noise, noise, {}, 0.6);
        return noise;
    }();
    Chance chance(scene.seed * 1000003 + static_cast<std::uint64_t>(frame));
    const cv::Mat3f noise =
        sheet(cv::Rect(chance.oneOf(sheet.cols - width), chance.oneOf(sheet.rows - height), width, height));
    static const std::vector<float> codes = [] {
        std::vector<float> made(4097);
        for (std::size_t i = 0; i < made.size(); ++i)
            made[i] = static_cast<float>(255 * codeOfLight(Transfer::srgb, std::pow(static_cast<double>(i) / 4096, 2)));
        return made;
    }();
    const auto grain = static_cast<float>(1.7 * scene.grain);
    Image image(width, height);
    image.setOpaque(true);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            for (int k = 0; k < 3; ++k) {
                const float root = std::sqrt(std::clamp(light(y, x)[k], 0.0F, 1.0F));
                const float code = codes[static_cast<std::size_t>(4096 * root + 0.5F)];
                image.at(x, y)[k] =
                    static_cast<std::uint8_t>(std::clamp(code + grain * noise(y, x)[k] + 0.5F, 0.0F, 255.0F));
            }
            image.at(x, y)[3] = 255;
        }
    return image;
}

void writeScene(const Scene& scene, const std::string& path, int width, int height)
{
    QProcess coder;
    coder.start("ffmpeg", {"-v",
                           "error",
                           "-y",
                           "-f",
                           "rawvideo",
                           "-pix_fmt",
                           "rgba",
                           "-s",
                           QString("%1x%2").arg(width).arg(height),
                           "-r",
                           QString("%1/%2").arg(scene.rate.num()).arg(scene.rate.den()),
                           "-i",
                           "-",
                           "-c:v",
                           "libx264",
                           "-preset",
                           "veryfast",
                           "-threads",
                           "1",
                           "-crf",
                           QString::number(scene.quality),
                           "-pix_fmt",
                           "yuv420p",
                           QString::fromStdString(path)});
    coder.waitForStarted(-1);
    for (std::int64_t i = 0; i < scene.frames(); ++i) {
        const Image image = filmFrame(scene, i, width, height);
        for (int y = 0; y < height; ++y)
            coder.write(reinterpret_cast<const char*>(image.row(y)), static_cast<qint64>(4) * width);
        while (coder.bytesToWrite() > 0 && coder.waitForBytesWritten(-1)) {
        }
    }
    coder.closeWriteChannel();
    coder.waitForFinished(-1);
}

std::function<Camera(double)> handHeld(double strength, Chance& chance)
{
    struct Wave {
        double amount, rate, phase;
    };
    std::array<std::array<Wave, 5>, 3> waves{};
    for (auto& axis : waves)
        for (std::size_t i = 0; i < axis.size(); ++i) {
            // Slow sway, and a tremor of a tenth of it.
            const bool tremor = i >= 3;
            const double rate = tremor ? chance.between(5, 10) : chance.between(0.2, 1.2);
            axis[i] = {(tremor ? 0.0006 : 0.005) * chance.between(0.4, 1.2), rate, chance.between(0, 6.3)};
        }
    return [waves, strength](double t) {
        std::array<double, 3> sum{};
        for (std::size_t axis = 0; axis < 3; ++axis)
            for (const Wave& wave : waves[axis])
                sum[axis] += wave.amount * std::sin(2 * std::numbers::pi * wave.rate * t + wave.phase);
        return Camera{strength * sum[0], strength * sum[1], 1, 0.6 * strength * sum[2]};
    };
}

std::function<Camera(double)> both(std::function<Camera(double)> a, std::function<Camera(double)> b)
{
    return [a = std::move(a), b = std::move(b)](double t) {
        const Camera p = a(t), q = b(t);
        return Camera{p.x + q.x, p.y + q.y, p.zoom * q.zoom, p.roll + q.roll};
    };
}

} // namespace ember::proving
