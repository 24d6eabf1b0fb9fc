// SPDX-License-Identifier: GPL-3.0-or-later
#include "scene.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <memory>
#include <numbers>

namespace ember::proving {

namespace {

constexpr double gravity = 3.2; ///< heights of the picture a second squared: a room as wide as five metres
constexpr double pi = std::numbers::pi;
constexpr double frameHalf = 0.9; ///< half of a wide picture's width

/// What a scene is made with.
class Maker {
public:
    Maker(Scene& made, Chance& numbers, Album& photographs) : scene(made), chance(numbers), album(photographs) {}

    Scene& scene;
    Chance& chance;
    Album& album;

    Stage stage()
    {
        Stage made;
        made.background = album.any(chance);
        made.wide = chance.between(1.15, 2.0);
        made.camera = handHeld(chance.often(0.3) ? 0.0 : chance.between(0.3, 1.6), chance);
        const double bright = chance.between(0.6, 1.3);
        made.exposure = [bright](double) { return bright; };
        return made;
    }
    Cut cut(Outline outline, double height)
    {
        return cutFrom(album.any(chance), outline, std::max(6, static_cast<int>(height * cutHeight)), chance);
    }
    Outline outline()
    {
        constexpr std::array<Outline, 3> some{Outline::ball, Outline::block, Outline::blob};
        return some[static_cast<std::size_t>(chance.oneOf(3))];
    }
    /// Moments at least `gap` apart, none near the ends.
    std::vector<double> moments(int most, double gap)
    {
        std::vector<double> times;
        for (int i = 0; i < 40 && static_cast<int>(times.size()) < most; ++i) {
            const double t = chance.between(1.0, scene.seconds - 0.8);
            if (std::all_of(times.begin(), times.end(), [&](double other) { return std::abs(other - t) > gap; }))
                times.push_back(t);
        }
        std::sort(times.begin(), times.end());
        return times;
    }
    void event(double t, StrikeKind kind, std::optional<double> direction, double strength)
    {
        scene.events.push_back({t, kind, direction, strength});
    }

    /// The camera is jolted.
    void jolt(Stage& stage, double t0, double strength, double angle)
    {
        const double rate = chance.between(6, 11), fall = chance.between(0.08, 0.2);
        const double x = std::cos(angle), y = std::sin(angle), turn = chance.between(-0.4, 0.4);
        stage.camera = both(stage.camera, [=](double t) {
            const double s = t - t0;
            if (s <= 0)
                return Camera{};
            const double way = strength * std::exp(-s / fall) * std::sin(2 * pi * rate * s);
            return Camera{way * x, way * y, 1, way * turn};
        });
    }
    /// Dust that is born at a place and spreads.
    void dust(Stage& stage, double t0, double x, double y, double size, double opacity)
    {
        const int puffs = 3 + chance.oneOf(4);
        for (int i = 0; i < puffs; ++i) {
            const double angle = chance.between(0, 2 * pi), way = size * chance.between(0.2, 0.9);
            const double large = size * chance.between(0.6, 1.2), stays = chance.between(0.5, 1.4);
            const auto cut = cloud(static_cast<float>(chance.between(0.15, 0.6)), 160, chance);
            const double unit = static_cast<double>(cutHeight) / 160;
            stage.things.push_back({cut, [=](double t) -> std::optional<Place> {
                                        const double s = t - t0;
                                        if (s < 0 || s > 4 * stays)
                                            return std::nullopt;
                                        const double grown = 1 - std::exp(-s / 0.15);
                                        return Place{x + way * std::cos(angle) * grown,
                                                     y - std::abs(way * std::sin(angle)) * grown - 0.03 * s,
                                                     unit * large * (0.15 + 0.85 * grown + 0.15 * s), angle + 0.2 * s,
                                                     opacity * std::exp(-s / stays)};
                                    }});
        }
    }
    /// Pieces that fly from a place.
    void debris(Stage& stage, double t0, double x, double y, int pieces, double speed, double size)
    {
        for (int i = 0; i < pieces; ++i) {
            const double angle = chance.between(0, 2 * pi), fast = speed * chance.between(0.3, 1);
            const double turn = chance.between(-12, 12), stays = chance.between(0.6, 1.6);
            const double vx = fast * std::cos(angle), vy = fast * std::sin(angle) - 0.4 * speed;
            stage.things.push_back(
                {cut(outline(), size * chance.between(0.4, 1.2)), [=](double t) -> std::optional<Place> {
                     const double s = t - t0;
                     if (s < 0 || s > stays)
                         return std::nullopt;
                     return Place{x + vx * s, y + vy * s + 0.5 * gravity * s * s, 1, turn * s};
                 }});
        }
    }
    void light(Stage& stage, double t0, double x, double y, double size, double strength, double stays)
    {
        const auto warm = static_cast<float>(chance.between(0.4, 0.9));
        stage.glows.push_back({[=](double t) -> std::optional<Place> {
                                   const double s = t - t0;
                                   if (s < 0 || s > 6 * stays)
                                       return std::nullopt;
                                   return Place{x, y, size * (1 + s / stays * 0.3), 0, strength * std::exp(-s / stays)};
                               },
                               {1, warm, warm * warm}});
    }
    /// Stands about, and walks a little.
    void crowd(Stage& stage, int count)
    {
        for (int i = 0; i < count; ++i) {
            const double x = chance.between(-0.9, 0.9), way = chance.between(-0.25, 0.25), y = chance.between(0.0, 0.4);
            const double sway = chance.between(0.01, 0.05), rate = chance.between(0.3, 1.1), at = chance.between(0, 6);
            stage.things.push_back(
                {cut(Outline::person, chance.between(0.3, 0.7)), [=](double t) -> std::optional<Place> {
                     return Place{x + way * t / 3 + sway * std::sin(2 * pi * rate * t + at),
                                  y + 0.4 * sway * std::sin(4 * pi * rate * t), 1, sway * std::sin(2 * pi * rate * t)};
                 }});
        }
    }
};

using Build = void (*)(Maker&);

/// A ball that is let fall and springs up again, ever less. The first falls on `first`; how high it is at a time.
struct Bounces {
    std::vector<double> times;
    std::vector<double> speeds; ///< with which it comes down
    double from;                ///< height it is let fall from
    double begin;

    static Bounces of(double first, double height, double kept, int count)
    {
        Bounces made;
        made.from = height;
        double speed = std::sqrt(2 * gravity * height);
        made.begin = first - speed / gravity;
        double t = first;
        for (int i = 0; i < count; ++i) {
            made.times.push_back(t);
            made.speeds.push_back(speed);
            speed *= kept;
            t += 2 * speed / gravity;
        }
        made.times.push_back(t); // it lies still from here on
        return made;
    }
    double height(double t) const
    {
        if (t < begin)
            return from;
        if (t < times.front())
            return from - 0.5 * gravity * std::pow(t - begin, 2);
        for (std::size_t i = 0; i + 1 < times.size(); ++i)
            if (t < times[i + 1]) {
                const double half = 0.5 * (times[i + 1] - times[i]);
                const double s = t - times[i];
                return gravity * half * s - 0.5 * gravity * s * s;
            }
        return 0;
    }
};

void bounce(Maker& m)
{
    Stage stage = m.stage();
    const double kept = m.chance.between(0.5, 0.75), floor = m.chance.between(0.2, 0.42);
    const auto way = Bounces::of(m.chance.between(1.2, 2.2), m.chance.between(0.45, 0.8), kept, 3);
    const double x0 = m.chance.between(-0.6, 0.6), vx = m.chance.between(-0.3, 0.3), spin = m.chance.between(-4, 4);
    stage.things.push_back({m.cut(Outline::ball, m.chance.between(0.08, 0.2)), [=](double t) -> std::optional<Place> {
                                const double s = t - way.begin;
                                return Place{x0 + vx * s, floor - way.height(t), 1, s > 0 ? spin * s : 0};
                            }});
    for (std::size_t i = 0; i < way.speeds.size(); ++i)
        if (way.times[i] < m.scene.seconds - 0.5)
            m.event(way.times[i], StrikeKind::landing, 90, way.speeds[i]);
    m.scene.stages.push_back(stage);
}

/// Things that fall one after the other and stay where they land.
void falls(Maker& m, Stage& stage, double dustOpacity, double joltStrength)
{
    for (const double t0 : m.moments(3, 1.1)) {
        const double height = m.chance.between(0.5, 0.9), floor = m.chance.between(0.15, 0.42);
        const double size = m.chance.between(0.12, 0.35), x0 = m.chance.between(-0.7, 0.7);
        const double speed = std::sqrt(2 * gravity * height), lean = m.chance.between(-0.3, 0.3);
        const double begin = t0 - speed / gravity;
        stage.things.push_back(
            {m.cut(m.outline(), size), [=](double t) -> std::optional<Place> {
                 if (t < begin)
                     return std::nullopt;
                 if (t < t0)
                     return Place{x0, floor - height + 0.5 * gravity * std::pow(t - begin, 2), 1, lean * (t0 - t)};
                 return Place{x0, floor, 1, 0};
             }});
        if (dustOpacity > 0)
            m.dust(stage, t0, x0, floor + size / 2, size * m.chance.between(0.8, 1.6), dustOpacity);
        if (joltStrength > 0)
            m.jolt(stage, t0, joltStrength * m.chance.between(0.5, 1.3), pi / 2);
        m.event(t0, StrikeKind::landing, 90, speed * size);
    }
}

void heavyLanding(Maker& m)
{
    Stage stage = m.stage();
    falls(m, stage, m.chance.often(0.6) ? m.chance.between(0.3, 0.8) : 0, m.chance.often(0.6) ? 0.012 : 0);
    m.scene.stages.push_back(stage);
}

void darkLanding(Maker& m)
{
    Stage stage = m.stage();
    falls(m, stage, 0, m.chance.often(0.4) ? 0.006 : 0);
    const double dark = m.chance.between(0.05, 0.16);
    stage.exposure = [dark](double) { return dark; };
    m.scene.grain = m.chance.between(5, 9);
    m.scene.stages.push_back(stage);
}

void crowdLanding(Maker& m)
{
    Stage stage = m.stage();
    m.crowd(stage, 7);
    falls(m, stage, m.chance.often(0.4) ? 0.4 : 0, m.chance.often(0.3) ? 0.005 : 0);
    m.crowd(stage, 2);
    m.scene.stages.push_back(stage);
}

std::function<Camera(double)> panning(double speed, double seconds)
{
    return [=](double t) { return Camera{speed * (t - seconds / 2), 0, 1, 0}; };
}

void panLanding(Maker& m)
{
    Stage stage = m.stage();
    stage.wide = 2.4;
    const double speed = m.chance.sign() * m.chance.between(0.1, 0.3);
    stage.camera = both(stage.camera, panning(speed, m.scene.seconds));
    for (const double t0 : m.moments(3, 1.1)) {
        const double height = m.chance.between(0.5, 0.8), floor = m.chance.between(0.15, 0.4);
        const double x0 = speed * (t0 - m.scene.seconds / 2) + m.chance.between(-0.5, 0.5);
        const double size = m.chance.between(0.12, 0.3), begin = t0 - std::sqrt(2 * height / gravity);
        stage.things.push_back({m.cut(m.outline(), size), [=](double t) -> std::optional<Place> {
                                    if (t < begin)
                                        return std::nullopt;
                                    const double s = std::min(t, t0) - begin;
                                    return Place{x0, floor - height + 0.5 * gravity * s * s};
                                }});
        m.event(t0, StrikeKind::landing, 90, size);
    }
    m.scene.stages.push_back(stage);
}

void collision(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(2, 1.6)) {
        const double size = m.chance.between(0.1, 0.22), speed = m.chance.between(0.7, 1.5);
        const double y0 = m.chance.between(-0.3, 0.1), x0 = m.chance.between(-0.3, 0.3);
        for (const double side : {-1.0, 1.0}) {
            const double in = speed * m.chance.between(0.8, 1.2), out = in * m.chance.between(0.3, 0.8);
            const double lift = m.chance.between(-0.5, 0.3), spin = m.chance.between(-6, 6);
            stage.things.push_back({m.cut(m.outline(), size), [=](double t) -> std::optional<Place> {
                                        const double s = t - t0;
                                        const double x = side * (size / 2 + (s < 0 ? -in * s : out * s));
                                        const double y =
                                            s < 0 ? 0.2 * s + 0.3 * gravity * s * s : lift * s + 0.5 * gravity * s * s;
                                        return Place{x0 + x, y0 + y, 1, s < 0 ? 0 : spin * s};
                                    }});
        }
        if (m.chance.often(0.3))
            m.debris(stage, t0, x0, y0, 8, 1, 0.03);
        m.event(t0, StrikeKind::hit, std::nullopt, speed);
    }
    m.scene.stages.push_back(stage);
}

/// Something flies against something that stands, which is pushed away and slides to rest.
void blow(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(2, 1.6)) {
        const double side = m.chance.sign(), speed = m.chance.between(1.0, 2.2), y0 = m.chance.between(-0.2, 0.3);
        const double x0 = side * m.chance.between(0, 0.4), size = m.chance.between(0.1, 0.2);
        const double large = m.chance.between(0.25, 0.5), pushed = m.chance.often(0.3) ? 0 : m.chance.between(0.2, 0.7);
        const double slides = 0.3;
        stage.things.push_back({m.cut(Outline::block, large), [=](double t) -> std::optional<Place> {
                                    const double s = t - t0;
                                    const double way = s < 0 ? 0 : pushed * slides * (1 - std::exp(-s / slides));
                                    return Place{x0 + side * way, y0, 1, s < 0 ? 0 : side * 0.2 * way};
                                }});
        const double back = m.chance.between(0, 0.4);
        stage.things.push_back({m.cut(m.outline(), size), [=](double t) -> std::optional<Place> {
                                    const double s = t - t0;
                                    const double edge = x0 - side * (large / 2 + size / 2);
                                    return s < 0 ? Place{edge + side * speed * s, y0, 1, 3 * s}
                                                 : Place{edge - side * back * s, y0 + 0.5 * gravity * s * s, 1, 0};
                                }});
        if (m.chance.often(0.4))
            m.jolt(stage, t0, 0.006, 0);
        m.event(t0, StrikeKind::hit, side > 0 ? 0 : 180, speed);
    }
    m.scene.stages.push_back(stage);
}

/// Legs: each foot swings forward and is set down; the body sinks a little with each step.
void footsteps(Maker& m)
{
    Stage stage = m.stage();
    const double side = m.chance.sign(), pace = m.chance.between(0.45, 0.75), stride = m.chance.between(0.12, 0.25);
    const double floor = m.chance.between(0.3, 0.42), from = -side * stride / pace * m.scene.seconds / 2;
    const double size = m.chance.between(0.5, 0.8), lift = m.chance.between(0.06, 0.12);
    const double heavy = m.chance.between(0.01, 0.03);
    const Cut foot = m.cut(Outline::block, 0.12);
    // Step n is set down at (n + 1) * pace; odd and even are the two feet.
    for (const int which : {0, 1})
        stage.things.push_back({foot, [=](double t) -> std::optional<Place> {
                                    const double steps = t / pace;
                                    const auto n = static_cast<int>(std::floor(steps));
                                    const double share = steps - n;
                                    const bool swings = n % 2 == which;
                                    const double back = static_cast<double>(n) * stride;
                                    if (!swings)
                                        return Place{from + side * (back + stride * 0.5), floor};
                                    // Comes down with speed and stops at once.
                                    const double x =
                                        back - 0.5 * stride +
                                        2 * stride * (0.5 - 0.5 * std::cos(pi * std::min(1.0, share * 1.02)));
                                    return Place{from + side * x, floor - lift * std::sin(pi * std::pow(share, 0.8)), 1,
                                                 side * 0.5 * std::sin(pi * share)};
                                }});
    stage.things.push_back({m.cut(Outline::person, size), [=](double t) -> std::optional<Place> {
                                const double share = t / pace - std::floor(t / pace);
                                const double sink = heavy * std::exp(-share * pace / 0.07);
                                return Place{from + side * stride * t / pace, floor - size / 2 + sink - heavy};
                            }});
    for (int n = 1; n * pace < m.scene.seconds - 0.3; ++n)
        m.event(n * pace, StrikeKind::landing, 90, 1);
    if (m.chance.often(0.5))
        for (int n = 1; n * pace < m.scene.seconds - 0.3; ++n)
            m.jolt(stage, n * pace, 0.004, pi / 2);
    m.scene.stages.push_back(stage);
}

void blast(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(2, 1.8)) {
        const double x0 = m.chance.between(-0.6, 0.6), y0 = m.chance.between(-0.2, 0.35);
        const double size = m.chance.between(0.1, 0.4);
        m.light(stage, t0, x0, y0, size, m.chance.between(1, 4), m.chance.between(0.08, 0.3));
        m.dust(stage, t0 + 0.03, x0, y0, size * 1.5, m.chance.between(0.4, 0.9));
        m.debris(stage, t0, x0, y0, 10 + m.chance.oneOf(14), m.chance.between(0.8, 2), 0.05);
        if (m.chance.often(0.7))
            m.jolt(stage, t0 + m.chance.between(0, 0.06), m.chance.between(0.004, 0.03), m.chance.between(0, 2 * pi));
        m.event(t0, StrikeKind::blast, std::nullopt, size);
    }
    m.scene.stages.push_back(stage);
}

void shatter(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(2, 1.5)) {
        const double x0 = m.chance.between(-0.6, 0.6), y0 = m.chance.between(-0.2, 0.3),
                     size = m.chance.between(0.12, 0.3);
        stage.things.push_back({m.cut(m.outline(), size), [=](double t) -> std::optional<Place> {
                                    return t < t0 ? std::optional(Place{x0, y0}) : std::nullopt;
                                }});
        m.debris(stage, t0, x0, y0, 16 + m.chance.oneOf(12), m.chance.between(0.6, 1.6), size * 0.35);
        m.event(t0, StrikeKind::hit, std::nullopt, size);
    }
    m.scene.stages.push_back(stage);
}

void dustBurst(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(2, 1.8)) {
        m.dust(stage, t0, m.chance.between(-0.6, 0.6), m.chance.between(-0.1, 0.4), m.chance.between(0.15, 0.4),
               m.chance.between(0.5, 0.95));
        m.event(t0, StrikeKind::blast, std::nullopt, 1);
    }
    m.scene.stages.push_back(stage);
}

/// Nothing is to be seen but that somebody or something hits the camera.
void cameraHit(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(3, 1.2)) {
        const double strength = m.chance.between(0.012, 0.04);
        m.jolt(stage, t0, strength, m.chance.between(0, 2 * pi));
        m.event(t0, StrikeKind::hit, std::nullopt, strength);
    }
    m.scene.stages.push_back(stage);
}

/// Turns about a point at its end, ever faster, and stops on what it meets, with a little rebound.
void hammer(Maker& m)
{
    Stage stage = m.stage();
    const double x0 = m.chance.between(-0.4, 0.4), y0 = m.chance.between(0.0, 0.3), side = m.chance.sign();
    const double period = m.chance.between(0.9, 1.5), raised = m.chance.between(0.8, 1.4),
                 size = m.chance.between(0.3, 0.5);
    const double first = m.chance.between(0.8, 1.4), falls = m.chance.between(0.12, 0.22),
                 rebound = m.chance.between(0, 0.25);
    const auto angleAt = [=](double t) {
        const double since = t - first - std::floor((t - first) / period) * period; // since the last strike
        const double until = period - since;
        if (until < falls)
            return raised * (1 - std::pow(1 - until / falls, 2));
        const double up = period - falls - 0.25; // raised smoothly
        const double back = rebound * std::exp(-since / 0.12) * std::sin(std::min(pi, since / 0.12));
        return back + (since > 0.25 ? raised * (0.5 - 0.5 * std::cos(pi * std::min(1.0, (since - 0.25) / up))) : 0);
    };
    stage.things.push_back({m.cut(Outline::block, m.chance.between(0.15, 0.3)), [=](double) -> std::optional<Place> {
                                return Place{x0 + side * size * 0.9, y0 + 0.17};
                            }});
    stage.things.push_back(
        {m.cut(Outline::person, size), [=](double t) -> std::optional<Place> {
             const double a = angleAt(t);
             // Its end is at x0, y0; at angle 0 it lies level.
             return Place{x0 + side * 0.5 * size * std::cos(a), y0 - 0.5 * size * std::sin(a), 1, side * (pi / 2 - a)};
         }});
    for (double t = first; t < m.scene.seconds - 0.4; t += period) {
        m.event(t, StrikeKind::hit, 90, 1);
        if (m.chance.often(0.4))
            m.debris(stage, t, x0 + side * size * 0.9, y0, 5, 1, 0.02);
    }
    m.scene.stages.push_back(stage);
}

/// A light of a frame or two, as of a shot or of metal on metal.
void spark(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(4, 0.8)) {
        const double x0 = m.chance.between(-0.6, 0.6), y0 = m.chance.between(-0.3, 0.3);
        m.light(stage, t0, x0, y0, m.chance.between(0.03, 0.1), m.chance.between(1.5, 4), m.chance.between(0.02, 0.06));
        m.debris(stage, t0, x0, y0, 4, 1.5, 0.02);
        m.event(t0, StrikeKind::hit, std::nullopt, 1);
    }
    m.scene.stages.push_back(stage);
}

void flickering(Maker& m)
{
    Stage stage = m.stage();
    const double mains = m.chance.often(0.5) ? 100 : 120, depth = m.chance.between(0.1, 0.45);
    const double faulty = m.chance.often(0.5) ? m.chance.between(3, 9) : 0;
    const double middle = m.chance.between(0, 1), wide = m.chance.between(0.2, 0.8), phase = m.chance.between(0, 6);
    const std::uint64_t seed = m.scene.seed;
    // A lamp beats at twice the mains, which frames sample, or is faulty and goes off at random.
    stage.lamp = [=](double t, double x) {
        const double near = std::exp(-std::pow((x - middle) / wide, 2));
        double light = 1 - depth * near * (0.5 + 0.5 * std::sin(2 * pi * mains * t + phase));
        if (faulty > 0) {
            Chance at(seed + static_cast<std::uint64_t>(std::max(0.0, t * faulty)));
            light *= 1 - near * (at.often(0.3) ? 0.7 : 0) * depth * 2;
        }
        return light;
    };
    m.scene.stages.push_back(stage);
}

void passersBy(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(3, 1.0)) {
        const double side = m.chance.sign(), speed = m.chance.between(0.9, 2.4), bob = m.chance.between(0.01, 0.03);
        const double y0 = m.chance.between(0.1, 0.4);
        stage.things.push_back(
            {m.cut(Outline::person, m.chance.between(0.9, 1.6)), [=](double t) -> std::optional<Place> {
                 const double s = t - t0;
                 return Place{side * speed * s, y0 + bob * std::sin(2 * pi * 1.8 * s)};
             }});
    }
    m.scene.stages.push_back(stage);
}

void cuts(Maker& m)
{
    m.scene.stages.push_back(m.stage());
    for (const double t : m.moments(3, 0.8)) {
        m.scene.stages.push_back(m.stage());
        m.scene.changes.push_back({t, 0, false});
    }
    if (m.chance.often(0.5))
        m.crowd(m.scene.stages.back(), 3);
}

void dissolves(Maker& m)
{
    m.scene.stages.push_back(m.stage());
    for (const double t : m.moments(2, 2.0)) {
        m.scene.stages.push_back(m.stage());
        m.scene.changes.push_back({t, m.chance.between(0.4, 1.4), false});
    }
}

void fades(Maker& m)
{
    dissolves(m);
    for (Change& change : m.scene.changes)
        change.fade = true;
}

double eased(double share)
{
    const double s = std::clamp(share, 0.0, 1.0);
    return s * s * s * (s * (6 * s - 15) + 10);
}

void whipPans(Maker& m)
{
    Stage stage = m.stage();
    stage.wide = 2.6;
    for (const double t0 : m.moments(2, 1.6)) {
        const double way = m.chance.sign() * m.chance.between(0.7, 1.8), takes = m.chance.between(0.25, 0.5);
        stage.camera = both(stage.camera, [=](double t) { return Camera{way * eased((t - t0) / takes), 0, 1, 0}; });
    }
    m.scene.stages.push_back(stage);
}

void walking(Maker& m)
{
    Stage stage = m.stage();
    const double pace = m.chance.between(1.5, 2.2), sink = m.chance.between(0.01, 0.03),
                 forward = m.chance.between(0, 0.06);
    stage.camera = both(handHeld(m.chance.between(2, 4), m.chance), [=](double t) {
        return Camera{0.6 * sink * std::sin(pi * pace * t), sink * std::sin(2 * pi * pace * t), 1 + forward * t,
                      0.3 * sink * std::sin(pi * pace * t)};
    });
    m.crowd(stage, 2);
    m.scene.stages.push_back(stage);
}

void zooms(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(2, 1.8)) {
        const double way = m.chance.between(0.2, 0.7) * m.chance.sign(), takes = m.chance.between(0.4, 1.4);
        stage.camera = both(stage.camera, [=](double t) {
            return Camera{0, 0, std::exp(0.8 * way * eased((t - t0) / takes)), 0};
        });
    }
    m.scene.stages.push_back(stage);
}

/// Things that pass before one another and do not touch.
void crossing(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(2, 1.8))
        for (const double side : {-1.0, 1.0}) {
            const double speed = m.chance.between(0.5, 1.3), y0 = m.chance.between(-0.2, 0.3),
                         spin = m.chance.between(-3, 3);
            stage.things.push_back(
                {m.cut(m.outline(), m.chance.between(0.1, 0.3)), [=](double t) -> std::optional<Place> {
                     const double s = t - t0;
                     return Place{side * speed * s, y0 + 0.05 * std::sin(3 * s), 1, spin * s};
                 }});
        }
    m.scene.stages.push_back(stage);
}

void leaves(Maker& m)
{
    Stage stage = m.stage();
    for (int i = 0; i < 14; ++i) {
        const double x0 = m.chance.between(-0.9, 0.9), y0 = m.chance.between(-0.5, 0.5),
                     rate = m.chance.between(0.3, 1.4);
        const double wide = m.chance.between(0.01, 0.06), phase = m.chance.between(0, 6);
        stage.things.push_back(
            {m.cut(Outline::blob, m.chance.between(0.1, 0.3)), [=](double t) -> std::optional<Place> {
                 const double s = std::sin(2 * pi * rate * t + phase);
                 return Place{x0 + wide * s, y0 + 0.3 * wide * std::sin(2 * pi * rate * 1.3 * t), 1, wide * 5 * s};
             }});
    }
    m.scene.stages.push_back(stage);
}

/// The camera sets its exposure anew, slowly or in a few frames.
void exposures(Maker& m)
{
    Stage stage = m.stage();
    std::vector<std::array<double, 3>> ways;
    for (const double t0 : m.moments(3, 1.0))
        ways.push_back({t0, m.chance.between(0.4, 1.1) * m.chance.sign(), m.chance.between(0.25, 1.0)});
    stage.exposure = [ways](double t) {
        double stops = 0;
        for (const auto& [t0, way, takes] : ways)
            stops += way * eased((t - t0) / takes);
        return 0.8 * std::exp2(stops);
    };
    m.scene.stages.push_back(stage);
}

/// A lamp that is carried or driven past.
void passingLights(Maker& m)
{
    Stage stage = m.stage();
    stage.exposure = [](double) { return 0.4; };
    for (const double t0 : m.moments(3, 0.9)) {
        const double side = m.chance.sign(), speed = m.chance.between(0.6, 1.8), y0 = m.chance.between(-0.3, 0.3);
        const double size = m.chance.between(0.08, 0.3), strength = m.chance.between(0.5, 2);
        stage.glows.push_back({[=](double t) -> std::optional<Place> {
                                   return Place{side * speed * (t - t0), y0, size, 0, strength};
                               },
                               {1, 0.9F, 0.7F}});
    }
    m.scene.stages.push_back(stage);
}

/// Things that set out and stop gently, as if carried.
void carried(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(4, 0.7)) {
        const double x0 = m.chance.between(-0.7, 0.7), y0 = m.chance.between(-0.3, 0.4),
                     way = m.chance.between(-0.7, 0.7);
        const double up = m.chance.between(-0.3, 0.3), takes = m.chance.between(0.5, 1.2);
        stage.things.push_back({m.cut(m.outline(), m.chance.between(0.1, 0.35)), [=](double t) -> std::optional<Place> {
                                    const double s = eased((t - t0) / takes);
                                    return Place{x0 + way * s, y0 + up * s};
                                }});
    }
    m.scene.stages.push_back(stage);
}

void focusing(Maker& m)
{
    Stage stage = m.stage();
    m.crowd(stage, 3);
    std::vector<std::array<double, 2>> ways;
    for (const double t0 : m.moments(3, 1.2))
        ways.push_back({t0, m.chance.between(0.2, 0.8)});
    const double most = m.chance.between(0.008, 0.03);
    stage.defocus = [ways, most](double t) {
        double s = 0;
        for (const auto& [t0, takes] : ways)
            s += eased((t - t0) / takes);
        return most * (0.5 - 0.5 * std::cos(pi * s));
    };
    m.scene.stages.push_back(stage);
}

/// Thrown up from below the picture and down again: they turn, but nothing hits them.
void thrown(Maker& m)
{
    Stage stage = m.stage();
    for (const double t0 : m.moments(3, 0.9)) {
        const double x0 = m.chance.between(-0.6, 0.6), vx = m.chance.between(-0.4, 0.4),
                     top = m.chance.between(-0.4, 0.1);
        const double spin = m.chance.between(-5, 5);
        stage.things.push_back(
            {m.cut(m.outline(), m.chance.between(0.08, 0.22)), [=](double t) -> std::optional<Place> {
                 const double s = t - t0;
                 return Place{x0 + vx * s, top + 0.5 * gravity * s * s, 1, spin * s};
             }});
    }
    m.scene.stages.push_back(stage);
}

struct Kind {
    const char* name;
    Build build;
};
constexpr std::array<Kind, 14> impacts{{{"bounce", bounce},
                                        {"heavy landing", heavyLanding},
                                        {"dark landing", darkLanding},
                                        {"landing in a crowd", crowdLanding},
                                        {"landing under a pan", panLanding},
                                        {"collision in the air", collision},
                                        {"blow", blow},
                                        {"footsteps", footsteps},
                                        {"blast", blast},
                                        {"shatter", shatter},
                                        {"dust", dustBurst},
                                        {"camera hit", cameraHit},
                                        {"hammer", hammer},
                                        {"spark", spark}}};
constexpr std::array<Kind, 15> traps{{{"lamp flicker", flickering},
                                      {"passers-by", passersBy},
                                      {"cuts", cuts},
                                      {"dissolves", dissolves},
                                      {"fades", fades},
                                      {"whip pans", whipPans},
                                      {"walking", walking},
                                      {"zooms", zooms},
                                      {"crossing", crossing},
                                      {"leaves", leaves},
                                      {"exposure", exposures},
                                      {"passing lights", passingLights},
                                      {"carried", carried},
                                      {"focus", focusing},
                                      {"thrown", thrown}}};

template <std::size_t count>
std::vector<std::string> namesOf(const std::array<Kind, count>& kinds)
{
    std::vector<std::string> names;
    for (const Kind& kind : kinds)
        names.emplace_back(kind.name);
    return names;
}

} // namespace

std::vector<std::string> impactKinds()
{
    return namesOf(impacts);
}

std::vector<std::string> trapKinds()
{
    return namesOf(traps);
}

Scene sceneOf(const std::string& kind, std::uint64_t seed, Album& album)
{
    Scene scene;
    scene.kind = kind;
    scene.seed = seed;
    std::uint64_t mixed = seed * 0x9e3779b97f4a7c15ULL;
    for (const char c : kind)
        mixed = (mixed ^ static_cast<unsigned char>(c)) * 0x100000001b3ULL;
    Chance chance(mixed);
    constexpr std::array<std::int64_t, 8> rates{24, 24, 24, 25, 25, 30, 30, 60};
    scene.rate = FrameRate::make(rates[static_cast<std::size_t>(chance.oneOf(8))], 1).value_or(FrameRate());
    scene.seconds = chance.between(4.5, 6);
    scene.shutter = chance.between(0.3, 0.6);
    scene.grain = chance.between(0.5, 4);
    scene.quality = static_cast<int>(chance.between(17, 31));
    Maker maker(scene, chance, album);
    for (const Kind& one : impacts)
        if (kind == one.name)
            one.build(maker);
    for (const Kind& one : traps)
        if (kind == one.name) {
            one.build(maker);
            scene.trap = true;
        }
    std::sort(scene.events.begin(), scene.events.end(),
              [](const Event& a, const Event& b) { return a.seconds < b.seconds; });
    return scene;
}

} // namespace ember::proving
