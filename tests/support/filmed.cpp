// SPDX-License-Identifier: GPL-3.0-or-later
#include "filmed.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <numbers>

#include "clips.h"
#include "ember/core/source.h"
#include "ember/media/clip.h"
#include "ember/media/film_writer.h"
#include "pictures.h"

namespace ember::test {

namespace {

constexpr double turn = 2 * std::numbers::pi;

/// Values at whole places, smooth between them.
class Noise {
public:
    Noise(int columns, int rows, Random& random) : columns_(columns), rows_(rows)
    {
        for (int i = 0; i < columns * rows; ++i)
            values_.push_back(random.between(-1, 1));
    }
    double at(double x, double y) const
    {
        const auto column = static_cast<int>(std::floor(x));
        const auto row = static_cast<int>(std::floor(y));
        const auto ease = [](double t) { return t * t * (3 - 2 * t); };
        const auto value = [&](int c, int r) {
            return values_[static_cast<std::size_t>((r % rows_ + rows_) % rows_ * columns_ +
                                                    (c % columns_ + columns_) % columns_)];
        };
        const double fx = ease(x - column);
        const double fy = ease(y - row);
        return std::lerp(std::lerp(value(column, row), value(column + 1, row), fx),
                         std::lerp(value(column, row + 1), value(column + 1, row + 1), fx), fy);
    }

private:
    int columns_;
    int rows_;
    std::vector<double> values_;
};

/// Where the content is at the instants of a frame's shutter.
std::vector<Similarity> instantsOf(const Filming& filming, double frame)
{
    const int instants = filming.shutter > 0 ? 12 : 1;
    std::vector<Similarity> all;
    for (int i = 0; i < instants; ++i)
        all.push_back(filming.moved(frame + filming.shutter * ((i + 0.5) / instants - 0.5)));
    return all;
}

double normal(Random& random)
{
    return std::sqrt(-2 * std::log(random.between(1e-12, 1))) * std::cos(turn * random.between(0, 1));
}

} // namespace

Wall::Wall(int width, int height)
    : width_(width), height_(height), grey_(static_cast<std::size_t>(width) * static_cast<std::size_t>(height), 120)
{
}

/// With edges as a lens draws them: two pixels from one side to the other.
template <typename Mix>
void Wall::paint(const Shape& shape, Mix mix)
{
    const double across = std::cos(shape.slant);
    const double down = std::sin(shape.slant);
    const double side = (shape.round ? 1 : 1.2) * shape.reach;
    for (int y = std::max(0, static_cast<int>(shape.y - side - 2));
         y < std::min(height_, static_cast<int>(shape.y + side + 3)); ++y)
        for (int x = std::max(0, static_cast<int>(shape.x - side - 2));
             x < std::min(width_, static_cast<int>(shape.x + side + 3)); ++x) {
            const double dx = across * (x - shape.x) + down * (y - shape.y);
            const double dy = across * (y - shape.y) - down * (x - shape.x);
            const double far = shape.round ? std::hypot(dx, dy) : std::max(std::abs(dx), 1.6 * std::abs(dy));
            mix(grey_[static_cast<std::size_t>(y) * static_cast<std::size_t>(width_) + static_cast<std::size_t>(x)],
                std::clamp((shape.reach - far) / 2 + 0.5, 0.0, 1.0));
        }
}

Wall::Wall(int width, int height, std::uint64_t seed) : Wall(width, height)
{
    Random random(seed);
    const Noise noise(97, 89, random);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            double grey = 120;
            double size = 120;
            for (const double strength : {30.0, 20.0, 12.0, 8.0, 5.0}) {
                grey += strength * noise.at(x / size + size, y / size);
                size /= 2.7;
            }
            grey_[static_cast<std::size_t>(y) * static_cast<std::size_t>(width) + static_cast<std::size_t>(x)] =
                static_cast<float>(grey);
        }
    for (int i = 0; i < width * height / 9000; ++i) {
        Shape stain{random.between(0, width), random.between(0, height), random.between(6, 50), 0, false};
        const double more = random.between(-50, 50);
        stain.round = random.whole(0, 1) == 1;
        paint(stain, [more](float& grey, double share) { grey += static_cast<float>(more * share); });
    }
}

Wall Wall::ofThings(int width, int height, std::uint64_t seed)
{
    constexpr double least = 2; // pixels: smaller ones are not told apart
    constexpr double most = 200;
    Wall wall(width, height);
    Random random(seed);
    const double meanArea = 2 * std::numbers::pi * least * least * std::log(most / least);
    const auto count = static_cast<int>(4 * width * height / meanArea); // hardly anything is left of the wall
    for (int i = 0; i < count; ++i) {
        const double few = 1 / (most * most);
        const double reach = 1 / std::sqrt(std::lerp(1 / (least * least), few, random.between(0, 1)));
        Shape thing{random.between(-reach, width + reach), random.between(-reach, height + reach), reach, 0, false};
        const double own = 120 + random.between(-75, 75);
        thing.round = random.whole(0, 1) == 1;
        thing.slant = random.between(0, std::numbers::pi);
        wall.paint(thing, [own](float& grey, double share) {
            grey = static_cast<float>(std::lerp(static_cast<double>(grey), own, share));
        });
    }
    return wall;
}

double Wall::at(double x, double y) const
{
    x += 0.5 * (width_ - 1);
    y += 0.5 * (height_ - 1);
    const double column = std::floor(x);
    const double row = std::floor(y);
    const auto weights = [](double f) { // Catmull-Rom
        return std::array<double, 4>{((-0.5 * f + 1) * f - 0.5) * f, (1.5 * f - 2.5) * f * f + 1,
                                     ((-1.5 * f + 2) * f + 0.5) * f, (0.5 * f - 0.5) * f * f};
    };
    const auto wx = weights(x - column);
    const auto wy = weights(y - row);
    const int left = static_cast<int>(column) - 1;
    const int top = static_cast<int>(row) - 1;
    double sum = 0;
    if (left >= 0 && top >= 0 && left + 4 <= width_ && top + 4 <= height_) { // nearly all: nothing to be held
        const float* line = grey_.data() + static_cast<std::ptrdiff_t>(top) * width_ + left;
        for (std::size_t r = 0; r < 4; ++r, line += width_)
            sum += wy[r] * (wx[0] * static_cast<double>(line[0]) + wx[1] * static_cast<double>(line[1]) +
                            wx[2] * static_cast<double>(line[2]) + wx[3] * static_cast<double>(line[3]));
        return sum;
    }
    for (int r = 0; r < 4; ++r)
        for (int c = 0; c < 4; ++c) {
            const int px = std::clamp(left + c, 0, width_ - 1);
            const int py = std::clamp(top + r, 0, height_ - 1);
            sum += wx[static_cast<std::size_t>(c)] * wy[static_cast<std::size_t>(r)] *
                   static_cast<double>(grey_[static_cast<std::size_t>(py) * static_cast<std::size_t>(width_) +
                                             static_cast<std::size_t>(px)]);
        }
    return sum;
}

Similarity Filming::shown(double frame) const
{
    const auto mean = [this](double at) {
        const std::vector<Similarity> all = instantsOf(*this, at);
        Similarity sum{0, 0, 0, 0};
        for (const Similarity& one : all)
            sum = {sum.x + one.x, sum.y + one.y, sum.roll + one.roll, sum.zoom + one.zoom};
        const auto count = static_cast<double>(all.size());
        return Similarity{sum.x / count, sum.y / count, sum.roll / count, sum.zoom / count};
    };
    return mean(frame).after(mean(0).inverse());
}

Image filmed(const Wall& wall, const Filming& filming, int frame, int width, int height)
{
    Random random(mixSeed(filming.seed, static_cast<std::uint64_t>(frame)));
    // A similarity is an affine map: three of its points say where all others are.
    struct Seen {
        Point from, across, down;
    };
    std::vector<Seen> seen;
    for (const Similarity& moved : instantsOf(filming, frame)) {
        const Similarity back = moved.inverse();
        const Point middle = back.map({0, 0}, {0, 0});
        const Point right = back.map({1, 0}, {0, 0});
        const Point below = back.map({0, 1}, {0, 0});
        seen.push_back({middle, {right.x - middle.x, right.y - middle.y}, {below.x - middle.x, below.y - middle.y}});
    }
    const auto instants = static_cast<double>(seen.size());
    const double exposure = filming.exposure(frame);
    Image image(width, height);
    image.setOpaque(true);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            double grey = 0;
            const double right = x - 0.5 * (width - 1);
            const double below = y - 0.5 * (height - 1);
            for (const auto& [from, across, down] : seen)
                grey += wall.at(from.x + right * across.x + below * down.x, from.y + right * across.y + below * down.y);
            grey /= instants;
            if (filming.walker) { // striped, swaying, half the height, two fifths of the width
                const double middle = width * (0.15 + 0.012 * frame);
                if (std::abs(x - middle) < 0.2 * width && y > 0.5 * height)
                    grey = 110 + 50 * std::sin(0.5 * (x - middle) + 0.3 * std::sin(0.4 * frame)) *
                                     std::sin(0.21 * y + 0.1 * frame);
            }
            grey = grey * exposure + (filming.grain > 0 ? filming.grain * normal(random) : 0);
            const auto code = static_cast<std::uint8_t>(std::clamp(std::lround(grey), 0L, 255L));
            std::uint8_t* pixel = image.at(x, y);
            pixel[0] = pixel[1] = pixel[2] = code;
            pixel[3] = 255;
        }
    return image;
}

void writeFilmedClip(const std::string& path, const Wall& wall, const Filming& filming, int frames, int width,
                     int height)
{
    auto writer = FilmWriter::create(path, {.format = FilmFormat::mkv, .width = width, .height = height, .rate = {}});
    for (int i = 0; i < frames; ++i)
        if (!writer || !writer.value()->addFrame(filmed(wall, filming, i, width, height)))
            std::abort();
    if (!writer.value()->finish())
        std::abort();
}

std::vector<ImagePtr> stronglyCoded(const QTemporaryDir& folder, const std::vector<Image>& pictures)
{
    const int width = pictures.front().width();
    const int height = pictures.front().height();
    QByteArray raw;
    for (const Image& picture : pictures)
        for (int y = 0; y < height; ++y)
            raw.append(reinterpret_cast<const char*>(picture.row(y)), 4 * width);
    const QString in = folder.filePath(QStringLiteral("raw.rgba"));
    const QString out = folder.filePath(QStringLiteral("coded.mp4"));
    writeBytes(in.toStdString(), raw);
    std::vector<ImagePtr> back;
    if (!ffmpeg({"-f", "rawvideo", "-pix_fmt", "rgba", "-s", QStringLiteral("%1x%2").arg(width).arg(height), "-r", "24",
                 "-i", in, "-c:v", "libx264", "-crf", "28", "-pix_fmt", "yuv420p", out}))
        return back;
    auto clip = ClipReader::open(out.toStdString());
    for (std::size_t i = 0; clip.ok() && i < pictures.size(); ++i)
        if (auto picture = clip.value()->picture(static_cast<std::int64_t>(i)); picture.ok())
            back.push_back(picture.value());
    return back;
}

std::function<Similarity(double)> handHeld(double strength, std::uint64_t seed)
{
    Random random(seed);
    std::vector<std::array<double, 3>> waves; // rate, phase, amount
    for (int axis = 0; axis < 4; ++axis)
        for (const double rate : {0.011, 0.027, 0.06, 0.13, 0.24})
            waves.push_back({rate * random.between(0.8, 1.2), random.between(0, turn), 0.06 / (rate + 0.01)});
    const auto sway = [waves, strength](double frame) {
        std::array<double, 4> sum{};
        for (std::size_t i = 0; i < waves.size(); ++i)
            sum[i / 5] += strength * waves[i][2] * std::sin(turn * waves[i][0] * frame + waves[i][1]);
        return Similarity{sum[0], sum[1], 0.1 * sum[2], std::exp(0.0015 * sum[3])};
    };
    return [sway](double frame) { return sway(frame).after(sway(0).inverse()); }; // from where it began
}

Wall CaptureCase::wall(std::uint64_t of) const
{
    return things ? Wall::ofThings(wallWidth, wallHeight, of) : Wall(wallWidth, wallHeight, of);
}

std::vector<CaptureCase> captureCases(std::uint64_t seed, int width)
{
    const double size = width / 640.0;
    const auto scaled = [size](std::function<Similarity(double)> of) {
        return [of, size](double frame) {
            Similarity s = of(frame);
            s.x *= size;
            s.y *= size;
            return s;
        };
    };
    const auto hand = scaled(handHeld(1, seed));
    const auto jolt = scaled([](double frame) {
        const double since = frame - 12;
        const double push = since < 0 ? 0 : std::exp(-0.09 * since) * std::sin(0.9 * since);
        return Similarity{28 * push, -20 * push, 2.5 * push, 1 + 0.06 * push};
    });
    const auto pan = scaled([hand](double frame) {
        const double way = 3 * 640 * (0.5 - 0.5 * std::cos(std::numbers::pi * std::min(1.0, frame / 90)));
        Similarity s;
        s.x = -way;
        s.y = 3 * std::sin(0.2 * frame);
        s.roll = 0.2 * std::sin(0.13 * frame);
        return s;
    });
    const int w = static_cast<int>(1000 * size);
    const int h = static_cast<int>(640 * size);
    std::vector<CaptureCase> cases;
    cases.push_back({"hand-held", w, h, 60, {hand, 0, 0.5, [](double) { return 1.0; }, false, seed}});
    cases.push_back({"jolt", w, h, 50, {jolt, 0, 0.5, [](double) { return 1.0; }, false, seed}});
    cases.push_back({"walker and grain", w, h, 60, {hand, 0, 5, [](double) { return 1.0; }, true, seed}});
    cases.push_back({"low light, blurred",
                     w,
                     h,
                     60,
                     {scaled(handHeld(2, seed + 1)), 0.5, 3,
                      [](double frame) { return 0.22 + 0.04 * std::sin(0.3 * frame); }, false, seed}});
    const Filming coded{hand, 0, 2, [](double) { return 1.0; }, false, seed};
    cases.push_back({"compressed, pale and soft", w, h, 60, coded, true});
    cases.push_back(
        {"pan", static_cast<int>(5000 * size), h, 96, {pan, 0, 0.5, [](double) { return 1.0; }, false, seed}});
    cases.push_back({"compressed, as photographs are", w, h, 60, coded, true, true});
    return cases;
}

} // namespace ember::test
