// SPDX-License-Identifier: GPL-3.0-or-later
#include "particles.h"

#include <algorithm>
#include <cmath>

#include <QPainter>
#include <QRadialGradient>

#include "ember/core/source.h"

namespace ember::demo {

namespace {

constexpr double gravity = 0.55; // pixels a frame, each frame
constexpr double drag = 0.09;    // a frame
constexpr double floorLine = 632;

double random(unsigned seed, int index, int what)
{
    return static_cast<double>(mixSeed(seed, static_cast<std::uint64_t>(index), static_cast<std::uint64_t>(what)) >>
                               11) *
           0x1.0p-53;
}

QColor cooling(double heat, double alpha)
{
    const auto channel = [](double v) { return static_cast<int>(255 * std::clamp(v, 0.0, 1.0)); };
    return QColor(channel(0.35 + 1.1 * heat), channel(-0.15 + 1.05 * heat * heat + 0.15 * heat),
                  channel(-0.5 + 1.2 * heat * heat * heat), channel(alpha));
}

/// Where a spark is after `t` frames; it bounces off the floor once.
QPointF flight(const Fountain& f, double vx, double vy, double t)
{
    // Thrown fast and soon braked by the air.
    const double reach = (1 - std::exp(-drag * t)) / drag;
    const double x = f.x + vx * reach;
    const double y = f.y + vy * reach + 0.5 * gravity * t * t;
    if (y <= floorLine)
        return {x, y};
    const double fallen = y - floorLine;
    return {x, floorLine - std::min(26.0, 0.22 * fallen) * std::abs(std::sin(0.05 * fallen))};
}

} // namespace

void drawSparks(QPainter& painter, const Fountain& f, double age)
{
    if (age < 0 || age > f.life)
        return;
    painter.save();
    painter.setCompositionMode(QPainter::CompositionMode_Plus);
    for (int i = 0; i < f.count; ++i) {
        const double life = f.life * (0.25 + 0.75 * random(f.seed, i, 0));
        if (age > life)
            continue;
        const double angle = (random(f.seed, i, 1) * 2 - 1) * f.spread;
        const double speed = f.speed * (0.12 + 0.88 * std::pow(random(f.seed, i, 2), 1.5));
        const double vx = std::sin(angle) * speed;
        const double vy = -std::cos(angle) * speed;
        const double heat = 1 - 0.75 * age / life;
        const double flicker = 0.7 + 0.3 * random(f.seed, i, 10 + static_cast<int>(age));
        QPen pen(cooling(heat, heat * flicker), f.size * (0.5 + random(f.seed, i, 3)));
        pen.setCapStyle(Qt::RoundCap);
        painter.setPen(pen);
        const QPointF head = flight(f, vx, vy, age + 0.5);
        const QPointF tail = flight(f, vx, vy, std::max(0.0, age - 0.4));
        painter.drawLine(tail, head);
    }
    painter.restore();
}

void drawPlume(QPainter& painter, const Plume& p, double age)
{
    if (age < 0)
        return;
    painter.save();
    painter.setPen(Qt::NoPen);
    for (int i = 0; i < p.count; ++i) {
        const double born = random(p.seed, i, 0) * p.life * 0.25;
        const double life = p.life * (0.5 + 0.5 * random(p.seed, i, 1));
        const double t = age - born;
        if (t < 0 || t > life)
            continue;
        const double u = t / life;
        const double size = p.size * (0.25 + 0.75 * std::sqrt(u)) * (0.6 + 0.5 * random(p.seed, i, 2));
        const double x = p.x + (random(p.seed, i, 3) - 0.5) * p.size * (0.6 + 1.6 * u);
        const double y = p.y - p.rise * t * (0.6 + 0.6 * random(p.seed, i, 4)) * (1 - 0.35 * u);
        const double alpha = 0.30 * std::sin(std::min(1.0, u * 5) * 1.5708) * (1 - u);
        const int grey = 34 + static_cast<int>(16 * random(p.seed, i, 5));
        const double lit = p.glow * (1 - u) * (1 - u);
        const QColor core(std::min(255, grey + static_cast<int>(190 * lit)),
                          std::min(255, grey - 4 + static_cast<int>(84 * lit)),
                          std::min(255, grey - 8 + static_cast<int>(26 * lit)), static_cast<int>(255 * alpha));
        QRadialGradient soft(QPointF(x, y), size);
        soft.setColorAt(0, core);
        soft.setColorAt(0.6, QColor(core.red(), core.green(), core.blue(), core.alpha() / 3));
        soft.setColorAt(1, QColor(core.red(), core.green(), core.blue(), 0));
        painter.setBrush(soft);
        painter.drawEllipse(QPointF(x, y), size, size);
    }
    painter.restore();
}

} // namespace ember::demo
