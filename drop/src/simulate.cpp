// SPDX-License-Identifier: GPL-3.0-or-later
// Sequential impulses with a fixed step: gravity, contacts, a few rounds over all contacts, then positions.
#include <algorithm>
#include <map>
#include <numbers>

#include "contact.h"

namespace ember::drop {

namespace {

constexpr double step = 1.0 / 1920;
constexpr int rounds = 12;
constexpr double slop = 0.0005;    ///< metres that bodies at rest may lie in each other
constexpr double pushOut = 0.1;    ///< of what is deeper, in each step
constexpr double livelyFrom = 0.2; ///< metres a second; slower meetings are dead, or nothing came to rest
constexpr double apartFor = 0.05;  ///< seconds without touching after which a meeting is a new impact
constexpr double degrees = 180 / std::numbers::pi;

Moving movingOf(const Body& body)
{
    Moving m;
    m.shape = body.shape;
    m.half = {body.width / 2, body.height / 2};
    m.radius = body.radius;
    m.position = body.position;
    m.angle = body.angle / degrees;
    if (body.fixed)
        return m;
    m.velocity = body.velocity;
    m.spin = body.spin / degrees;
    m.inverseMass = 1 / body.mass;
    m.inverseInertia = body.shape == Shape::ball
                           ? 2 / (body.mass * body.radius * body.radius) // a disc
                           : 12 / (body.mass * (body.width * body.width + body.height * body.height));
    return m;
}

struct Touch {
    std::size_t a;
    std::size_t b;
    Contact contact;
    std::array<double, 2> wanted{}; ///< speed apart that restitution asks for
    std::array<double, 2> pushed{}; ///< impulses so far
    std::array<double, 2> rubbed{};
};

class World {
public:
    explicit World(const Scene& scene) : scene_(scene)
    {
        for (const Body& body : scene.bodies)
            bodies_.push_back(movingOf(body));
    }

    Run run(double picturesPerSecond)
    {
        const auto steps = static_cast<std::int64_t>(std::ceil(scene_.seconds / step));
        std::int64_t pictures = 0;
        for (std::int64_t i = 0; i <= steps; ++i) {
            now_ = static_cast<double>(i) * step;
            if (picturesPerSecond > 0 && now_ + step / 2 >= static_cast<double>(pictures) / picturesPerSecond) {
                takePicture();
                ++pictures;
            }
            advance();
        }
        std::stable_sort(run_.impacts.begin(), run_.impacts.end(),
                         [](const Impact& x, const Impact& y) { return x.seconds < y.seconds; });
        return std::move(run_);
    }

private:
    bool held(std::size_t i) const { return now_ < scene_.bodies[i].from; }
    bool still(std::size_t i) const { return bodies_[i].inverseMass == 0 || held(i); }
    double inverseMass(std::size_t i) const { return held(i) ? 0 : bodies_[i].inverseMass; }
    double inverseInertia(std::size_t i) const { return held(i) ? 0 : bodies_[i].inverseInertia; }

    void takePicture()
    {
        std::vector<Pose> poses;
        for (const Moving& m : bodies_)
            poses.push_back({m.position, m.angle * degrees});
        run_.pictures.push_back(std::move(poses));
    }

    void advance()
    {
        for (std::size_t i = 0; i < bodies_.size(); ++i)
            if (!still(i))
                bodies_[i].velocity.y -= scene_.gravity * step;
        std::vector<Touch> touches = touchesNow();
        for (int round = 0; round < rounds; ++round)
            for (Touch& touch : touches)
                solve(touch);
        for (std::size_t i = 0; i < bodies_.size(); ++i)
            if (!still(i)) {
                bodies_[i].position = bodies_[i].position + step * bodies_[i].velocity;
                bodies_[i].angle += step * bodies_[i].spin;
            }
        for (const Touch& touch : touches)
            pushApart(touch);
    }

    std::vector<Touch> touchesNow()
    {
        std::vector<Touch> touches;
        for (std::size_t a = 0; a < bodies_.size(); ++a)
            for (std::size_t b = a + 1; b < bodies_.size(); ++b) {
                if (still(a) && still(b))
                    continue;
                Touch touch{a, b, contactOf(bodies_[a], bodies_[b]), {}, {}, {}};
                if (touch.contact.count == 0)
                    continue;
                meet(touch);
                touches.push_back(touch);
            }
        return touches;
    }

    double speedApart(const Touch& touch, Vec at) const
    {
        return dot(bodies_[touch.b].velocityAt(at) - bodies_[touch.a].velocityAt(at), touch.contact.normal);
    }
    /// What resists a push at a place along a way.
    double resistance(const Touch& touch, Vec at, Vec way) const
    {
        const double ra = cross(at - bodies_[touch.a].position, way);
        const double rb = cross(at - bodies_[touch.b].position, way);
        return inverseMass(touch.a) + inverseMass(touch.b) + inverseInertia(touch.a) * ra * ra +
               inverseInertia(touch.b) * rb * rb;
    }

    /// Sees how bodies meet: what restitution asks for, and whether it is an impact to tell.
    void meet(Touch& touch)
    {
        const Body& a = scene_.bodies[touch.a];
        const Body& b = scene_.bodies[touch.b];
        double speed = 0;
        Vec at;
        for (std::size_t i = 0; i < static_cast<std::size_t>(touch.contact.count); ++i) {
            const double closing = -speedApart(touch, touch.contact.points[i].at);
            if (closing > livelyFrom)
                touch.wanted[i] = std::max(a.restitution, b.restitution) * closing;
            if (closing > speed) {
                speed = closing;
                at = touch.contact.points[i].at;
            }
        }
        const auto pair = std::pair(touch.a, touch.b);
        const auto last = lastTouch_.find(pair);
        const bool fresh = last == lastTouch_.end() || now_ - last->second > apartFor;
        lastTouch_[pair] = now_;
        const double resists = resistance(touch, at, touch.contact.normal);
        const double energy = resists > 0 ? 0.5 * speed * speed / resists : 0;
        if (!fresh && energy < 4 * scene_.least) // it rocks or rolls; a corner that slams down is told again
            return;
        if (energy < scene_.least || (!fresh && speed < 1))
            return;
        tell(touch, at, speed, energy);
    }

    void tell(const Touch& touch, Vec at, double speed, double energy)
    {
        // What came is the faster one.
        const bool aCame = !still(touch.a) && (still(touch.b) || length(bodies_[touch.a].velocityAt(at)) >=
                                                                     length(bodies_[touch.b].velocityAt(at)));
        const Vec way = aCame ? touch.contact.normal : -1 * touch.contact.normal;
        Impact impact;
        impact.seconds = now_;
        impact.a = scene_.bodies[aCame ? touch.a : touch.b].name;
        impact.b = scene_.bodies[aCame ? touch.b : touch.a].name;
        impact.at = at;
        impact.speed = speed;
        impact.energy = energy;
        impact.direction = std::atan2(-way.y, way.x) * degrees; // the picture's y goes down
        impact.onFixed = still(touch.a) || still(touch.b);
        run_.impacts.push_back(std::move(impact));
    }

    void push(const Touch& touch, Vec at, Vec impulse)
    {
        Moving& a = bodies_[touch.a];
        Moving& b = bodies_[touch.b];
        a.velocity = a.velocity - inverseMass(touch.a) * impulse;
        a.spin -= inverseInertia(touch.a) * cross(at - a.position, impulse);
        b.velocity = b.velocity + inverseMass(touch.b) * impulse;
        b.spin += inverseInertia(touch.b) * cross(at - b.position, impulse);
    }

    void solve(Touch& touch)
    {
        const double friction = std::sqrt(scene_.bodies[touch.a].friction * scene_.bodies[touch.b].friction);
        const Vec normal = touch.contact.normal;
        const Vec along{-normal.y, normal.x};
        for (std::size_t i = 0; i < static_cast<std::size_t>(touch.contact.count); ++i) {
            const Vec at = touch.contact.points[i].at;
            const double change = (touch.wanted[i] - speedApart(touch, at)) / resistance(touch, at, normal);
            const double pushed = std::max(0.0, touch.pushed[i] + change);
            push(touch, at, (pushed - touch.pushed[i]) * normal);
            touch.pushed[i] = pushed;
            const double sliding = dot(bodies_[touch.b].velocityAt(at) - bodies_[touch.a].velocityAt(at), along);
            const double most = friction * touch.pushed[i];
            const double rubbed = std::clamp(touch.rubbed[i] - sliding / resistance(touch, at, along), -most, most);
            push(touch, at, (rubbed - touch.rubbed[i]) * along);
            touch.rubbed[i] = rubbed;
        }
    }

    void pushApart(const Touch& touch)
    {
        double depth = 0;
        for (std::size_t i = 0; i < static_cast<std::size_t>(touch.contact.count); ++i)
            depth = std::max(depth, touch.contact.points[i].depth);
        const double resists = inverseMass(touch.a) + inverseMass(touch.b);
        const double apart = pushOut * std::max(0.0, depth - slop) / resists;
        bodies_[touch.a].position = bodies_[touch.a].position - apart * inverseMass(touch.a) * touch.contact.normal;
        bodies_[touch.b].position = bodies_[touch.b].position + apart * inverseMass(touch.b) * touch.contact.normal;
    }

    const Scene& scene_;
    std::vector<Moving> bodies_;
    std::map<std::pair<std::size_t, std::size_t>, double> lastTouch_;
    Run run_;
    double now_ = 0;
};

} // namespace

Run simulate(const Scene& scene, double picturesPerSecond)
{
    return World(scene).run(picturesPerSecond);
}

} // namespace ember::drop
