// SPDX-License-Identifier: GPL-3.0-or-later
#include "films.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <numbers>

#include "pictures.h"

namespace ember::test {

namespace {

constexpr int width = 320;
constexpr int height = 180;

struct Spot {
    double x = 0;
    double y = 0;
};

double blotch(std::uint64_t seed, double x, double y)
{
    const auto corner = [&](double i, double k) {
        return Random(seed * 7919 + static_cast<std::uint64_t>(static_cast<std::int64_t>(i) * 131 +
                                                               static_cast<std::int64_t>(k) * 31337))
            .between(-1, 1);
    };
    const double i = std::floor(x), k = std::floor(y);
    const double u = x - i, v = y - k;
    const double top = corner(i, k) * (1 - u) + corner(i + 1, k) * u;
    const double low = corner(i, k + 1) * (1 - u) + corner(i + 1, k + 1) * u;
    return top * (1 - v) + low * v;
}

/// A hall of soft blotches and hard-edged pillars, larger than the picture.
class Hall {
public:
    explicit Hall(std::uint64_t seed) : values_(static_cast<std::size_t>(wide * high))
    {
        for (int y = 0; y < high; ++y)
            for (int x = 0; x < wide; ++x) {
                const double u = x, v = y - margin;
                double value = 70 + 14 * blotch(seed, u / 40, v / 40) + 10 * blotch(seed + 1, u / 11, v / 11);
                if (std::fmod(u, 74) < 12)
                    value -= 30;
                if (v > 150)
                    value = 44 + 9 * blotch(seed + 2, u / 17, v / 5);
                values_[static_cast<std::size_t>(y * wide + x)] = static_cast<float>(value);
            }
    }
    /// Between pixels a mix of the four around it.
    float at(double x, double y) const
    {
        const double u = std::clamp(x + margin, 0.0, wide - 2.0), v = std::clamp(y + margin, 0.0, high - 2.0);
        const int i = static_cast<int>(u), k = static_cast<int>(v);
        const auto fu = static_cast<float>(u - i), fv = static_cast<float>(v - k);
        const float* p = values_.data() + k * wide + i;
        return (p[0] * (1 - fu) + p[1] * fu) * (1 - fv) + (p[wide] * (1 - fu) + p[wide + 1] * fu) * fv;
    }

private:
    static constexpr int margin = 16;
    static constexpr int wide = width + 340;
    static constexpr int high = height + 2 * margin;
    std::vector<float> values_;
};
using HallPtr = std::shared_ptr<const Hall>;

/// A picture being painted in plain brightness.
class Canvas {
public:
    /// The hall as it is seen from `eye`.
    Canvas(const HallPtr& hall, Spot eye) : values_(static_cast<std::size_t>(width * height))
    {
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                place(x, y) = hall->at(x + eye.x, y + eye.y);
    }

    void disc(Spot at, double radius, double value)
    {
        over([&](double x, double y) { return std::clamp(radius + 0.5 - std::hypot(x - at.x, y - at.y), 0.0, 1.0); },
             [&](double x, double y) { return value + 25 * blotch(5, (x - at.x) / 6, (y - at.y) / 5); });
    }
    void box(Spot at, double wide, double high, double value)
    {
        over(
            [&](double x, double y) {
                return std::clamp(wide / 2 + 0.5 - std::abs(x - at.x), 0.0, 1.0) *
                       std::clamp(high / 2 + 0.5 - std::abs(y - at.y), 0.0, 1.0);
            },
            [&](double x, double y) { return value + 25 * blotch(6, (x - at.x) / 7, (y - at.y) / 5); });
    }
    void light(Spot at, double radius, double value)
    {
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                const double d = std::hypot(x - at.x, y - at.y) / radius;
                place(x, y) += static_cast<float>(value * std::exp(-d * d));
            }
    }
    void gain(double factor)
    {
        for (float& v : values_)
            v *= static_cast<float>(factor);
    }
    Image finished(Random* grain, double amount) const
    {
        Image image(width, height);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                double value = static_cast<double>(values_[static_cast<std::size_t>(y * width + x)]);
                if (grain != nullptr)
                    value += amount * (grain->between(-1, 1) + grain->between(-1, 1));
                const auto byte = static_cast<std::uint8_t>(std::clamp(value, 0.0, 255.0));
                std::uint8_t* pixel = image.at(x, y);
                pixel[0] = pixel[1] = pixel[2] = byte;
                pixel[3] = 255;
            }
        return image;
    }

private:
    float& place(int x, int y) { return values_[static_cast<std::size_t>(y * width + x)]; }
    template <typename Cover, typename Value>
    void over(Cover&& cover, Value&& value)
    {
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                if (const double share = cover(x, y); share > 0)
                    place(x, y) =
                        static_cast<float>((1 - share) * static_cast<double>(place(x, y)) + share * value(x, y));
    }

    std::vector<float> values_;
};

/// Height of something let go at `start` so that it is on the ground at frame `ground`; falls faster and faster.
double fallen(double frame, double start, double ground, double way)
{
    const double u = std::clamp((frame - start) / (ground - start), 0.0, 1.0);
    return way * u * u;
}

void debris(Canvas& canvas, std::uint64_t seed, Spot from, double age)
{
    if (age < 0 || age > 20)
        return;
    Random random(seed);
    for (int i = 0; i < 40; ++i) {
        const double angle = random.between(0, 2 * std::numbers::pi);
        const double speed = random.between(2, 9);
        canvas.disc({from.x + speed * age * std::cos(angle), from.y + speed * age * std::sin(angle) + 0.15 * age * age},
                    2.5, 200 - 6 * age);
    }
}

KnownFilm landings(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    const int first = r.whole(20, 28);
    const int second = first + r.whole(22, 30);
    const double x1 = r.between(60, 140), x2 = r.between(180, 260);
    return {"weights land",
            90,
            [=](int f) {
                Canvas c(hall, {});
                c.box({x1, 30 + fallen(f, first - 9, first, 105)}, 44, 30, 150);
                c.box({x2, 20 + fallen(f, second - 7, second, 117)}, 36, 26, 130);
                return c.finished(nullptr, 0);
            },
            {first, second}};
}

KnownFilm bursts(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    const int first = r.whole(18, 26);
    const int second = first + r.whole(30, 36);
    const Spot a{r.between(70, 250), r.between(50, 110)}, b{r.between(70, 250), r.between(50, 110)};
    return {"bursts of light with debris",
            90,
            [=](int f) {
                Canvas c(hall, {});
                for (const auto& [at, frame] : {std::pair{a, first}, std::pair{b, second}})
                    if (f >= frame) {
                        c.light(at, 60, 170 * std::exp(-(f - frame) / 6.0));
                        debris(c, seed + static_cast<std::uint64_t>(frame), at, f - frame);
                    }
                return c.finished(nullptr, 0);
            },
            {first, second}};
}

KnownFilm bounces(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    KnownFilm film{"a ball bounces", 96, {}, {}};
    std::vector<double> hits{static_cast<double>(r.whole(14, 18))};
    double flight = r.between(17, 20);
    for (int i = 0; i < 3; ++i, flight *= 0.75)
        hits.push_back(std::round(hits.back() + flight));
    for (const double hit : hits)
        film.impacts.push_back(static_cast<int>(hit));
    film.draw = [=](int f) {
        double up = 0;
        if (f < hits[0])
            up = 118 - fallen(f, hits[0] - 12, hits[0], 118);
        for (std::size_t i = 0; i + 1 < hits.size(); ++i)
            if (f >= hits[i] && f < hits[i + 1]) {
                const double u = (f - hits[i]) / (hits[i + 1] - hits[i]);
                up = 4 * u * (1 - u) * 0.36 * (hits[i + 1] - hits[i]) * (hits[i + 1] - hits[i]);
            }
        Canvas c(hall, {});
        c.disc({160, 136 - up}, 16, 190);
        return c.finished(nullptr, 0);
    };
    return film;
}

KnownFilm blowAgainstWall(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    const int frame = r.whole(30, 50);
    return {"a blow against a wall, camera held in the hand, grain",
            80,
            [=](int f) {
                const Spot eye{1.5 * std::sin(f * 0.31) + 1.2 * std::sin(f * 0.83), 1.3 * std::sin(f * 0.43 + 1)};
                Canvas c(hall, eye);
                const double x = f < frame - 8 ? -30 : f < frame ? -30 + 34.0 * (f - frame + 8) : 242;
                c.box({x - eye.x, 96 - eye.y}, 46, 34, 160);
                c.box({290 - eye.x, 90 - eye.y}, 50, 130, 20);
                Random grain(seed * 1000 + static_cast<std::uint64_t>(f));
                return c.finished(&grain, 5);
            },
            {frame}};
}

KnownFilm landingInPan(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    const int frame = r.whole(34, 46);
    const double speed = r.between(1.5, 3);
    return {"a landing while the camera pans",
            80,
            [=](int f) {
                const Spot eye{speed * f, 0};
                Canvas c(hall, eye);
                c.box({speed * frame + 160 - eye.x, 26 + fallen(f, frame - 8, frame, 108)}, 44, 32, 160);
                return c.finished(nullptr, 0);
            },
            {frame}};
}

KnownFilm burstInFlicker(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    const int frame = r.whole(30, 60);
    return {"a burst under flickering light, grain",
            96,
            [=](int f) {
                Canvas c(hall, {});
                Random flicker(seed * 77 + static_cast<std::uint64_t>(f));
                c.gain(1 + 0.1 * flicker.between(-1, 1));
                if (f >= frame) {
                    c.light({120, 80}, 50, 150 * std::exp(-(f - frame) / 5.0));
                    debris(c, seed, {120, 80}, f - frame);
                }
                Random grain(seed * 1000 + static_cast<std::uint64_t>(f));
                return c.finished(&grain, 6);
            },
            {frame}};
}

KnownFilm nothingHits(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    const double speed = r.between(3, 6);
    return {"things pass, the camera pans, nothing hits",
            96,
            [=](int f) {
                const Spot eye{1.2 * f, 2 * std::sin(f * 0.2)};
                Canvas c(hall, eye);
                c.box({-40 + speed * f, 90}, 50, 40, 150);
                c.disc({360 - 0.7 * speed * f, 50}, 14, 30);
                Random grain(seed * 1000 + static_cast<std::uint64_t>(f));
                return c.finished(&grain, 4);
            },
            {}};
}

KnownFilm cutsAndLanding(std::uint64_t seed)
{
    Random r(seed);
    const auto hall = std::make_shared<const Hall>(seed);
    const auto other = std::make_shared<const Hall>(seed + 50);
    const int cut = r.whole(24, 30);
    const int frame = cut + r.whole(24, 30);
    return {"a cut, then a landing",
            90,
            [=](int f) {
                Canvas c(f < cut ? hall : other, {});
                if (f < cut)
                    c.disc({160 + 10 * std::sin(f * 0.2), 70}, 40, 150);
                else
                    c.box({120, 24 + fallen(f, frame - 8, frame, 110)}, 44, 32, 160);
                return c.finished(nullptr, 0);
            },
            {frame}};
}

} // namespace

std::vector<KnownFilm> knownFilms(std::uint64_t seed)
{
    return {landings(seed),         bursts(seed + 1),         bounces(seed + 2),     blowAgainstWall(seed + 3),
            landingInPan(seed + 4), burstInFlicker(seed + 5), nothingHits(seed + 6), cutsAndLanding(seed + 7)};
}

} // namespace ember::test
