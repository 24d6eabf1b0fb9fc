// SPDX-License-Identifier: GPL-3.0-or-later
#include "contact.h"

#include <algorithm>

namespace ember::drop {

namespace {

Contact ballOnBall(const Moving& a, const Moving& b)
{
    const Vec between = b.position - a.position;
    const double apart = length(between);
    const double depth = a.radius + b.radius - apart;
    if (depth < 0)
        return {};
    const Vec normal = apart > 1e-9 ? (1 / apart) * between : Vec{0, 1};
    return {normal, {{{a.position + a.radius * normal, depth}, {}}}, 1};
}

Contact ballOnBox(const Moving& box, const Moving& ball)
{
    const Vec centre = box.local(ball.position);
    const Vec nearest{std::clamp(centre.x, -box.half.x, box.half.x), std::clamp(centre.y, -box.half.y, box.half.y)};
    Vec normal = centre - nearest;
    double apart = length(normal);
    Vec at = nearest;
    if (apart < 1e-9) { // its middle is inside: out through the nearest side
        const double toSide = box.half.x - std::abs(centre.x);
        const double toTop = box.half.y - std::abs(centre.y);
        normal = toSide < toTop ? Vec{centre.x < 0 ? -1.0 : 1.0, 0} : Vec{0, centre.y < 0 ? -1.0 : 1.0};
        apart = -std::min(toSide, toTop);
    } else {
        normal = (1 / apart) * normal;
    }
    const double depth = ball.radius - apart;
    if (depth < 0)
        return {};
    return {box.turned(normal), {{{box.position + box.turned(at), depth}, {}}}, 1};
}

/// The side of `face` from which `other` is least inside, and by how much.
struct Separation {
    Vec normal; ///< of the side, outwards
    double inside = -1e300;
    int axis = 0;
    double sign = 1;
};

std::array<Vec, 4> cornersOf(const Moving& box)
{
    const Vec h = box.half;
    return {box.position + box.turned({-h.x, -h.y}), box.position + box.turned({h.x, -h.y}),
            box.position + box.turned({h.x, h.y}), box.position + box.turned({-h.x, h.y})};
}

Separation separationOf(const Moving& face, const Moving& other)
{
    Separation best;
    const auto corners = cornersOf(other);
    for (int axis = 0; axis < 2; ++axis)
        for (const double sign : {-1.0, 1.0}) {
            const Vec normal = face.turned(axis == 0 ? Vec{sign, 0} : Vec{0, sign});
            const double side = axis == 0 ? face.half.x : face.half.y;
            double deepest = 1e300;
            for (const Vec& corner : corners)
                deepest = std::min(deepest, dot(corner - face.position, normal) - side);
            if (deepest > best.inside)
                best = {normal, deepest, axis, sign};
        }
    return best;
}

/// The part of the segment on the inner side of dot(p, normal) <= limit.
bool clipTo(std::array<Vec, 2>& segment, Vec normal, double limit)
{
    const double d0 = dot(segment[0], normal) - limit;
    const double d1 = dot(segment[1], normal) - limit;
    if (d0 > 0 && d1 > 0)
        return false;
    if (d0 > 0)
        segment[0] = segment[0] + (d0 / (d0 - d1)) * (segment[1] - segment[0]);
    else if (d1 > 0)
        segment[1] = segment[1] + (d1 / (d1 - d0)) * (segment[0] - segment[1]);
    return true;
}

/// Separating axes, then the touching side clipped to the other's width (as E. Catto's talks on contacts explain).
Contact boxOnBox(const Moving& a, const Moving& b)
{
    const Separation onA = separationOf(a, b);
    const Separation onB = separationOf(b, a);
    if (onA.inside > 0 || onB.inside > 0)
        return {};
    const bool flip = onB.inside > onA.inside + 1e-6;
    const Moving& face = flip ? b : a;
    const Moving& other = flip ? a : b;
    const Separation& on = flip ? onB : onA;
    // The side of the other that looks most against the normal.
    const auto corners = cornersOf(other);
    std::array<Vec, 2> segment{};
    double most = 1e300;
    for (std::size_t i = 0; i < corners.size(); ++i) {
        const Vec edge = corners[(i + 1) % 4] - corners[i];
        const double against = dot({edge.y, -edge.x}, on.normal) / std::max(length(edge), 1e-12);
        if (against < most) {
            most = against;
            segment = {corners[i], corners[(i + 1) % 4]};
        }
    }
    const Vec along = face.turned(on.axis == 0 ? Vec{0, 1} : Vec{1, 0});
    const double halfSide = on.axis == 0 ? face.half.y : face.half.x;
    const double middle = dot(face.position, along);
    if (!clipTo(segment, along, middle + halfSide) || !clipTo(segment, -1 * along, halfSide - middle))
        return {};
    Contact contact;
    contact.normal = flip ? -1 * on.normal : on.normal;
    const double side = dot(face.position, on.normal) + (on.axis == 0 ? face.half.x : face.half.y);
    for (const Vec& point : segment)
        if (const double depth = side - dot(point, on.normal); depth >= 0)
            contact.points[static_cast<std::size_t>(contact.count++)] = {point, depth};
    return contact;
}

} // namespace

Contact contactOf(const Moving& a, const Moving& b)
{
    if (length(b.position - a.position) > a.reach() + b.reach())
        return {};
    if (a.shape == Shape::box && b.shape == Shape::box)
        return boxOnBox(a, b);
    if (a.shape == Shape::box)
        return ballOnBox(a, b);
    if (b.shape == Shape::box) {
        Contact contact = ballOnBox(b, a);
        contact.normal = -1 * contact.normal;
        return contact;
    }
    return ballOnBall(a, b);
}

} // namespace ember::drop
