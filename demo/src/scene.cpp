// SPDX-License-Identifier: GPL-3.0-or-later
#include "scene.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include <QImage>
#include <QLinearGradient>
#include <QPainter>
#include <QPainterPath>
#include <QRadialGradient>

#include "particles.h"
#include "timeline.h"

namespace ember::demo {

namespace {

constexpr double floorY = 632;
constexpr double dieY = 470; // top of the billet
constexpr double hammerX = 612;
constexpr double ingotX = 1010;
constexpr double ingotRestY = 560; // its underside, on the bed
constexpr double ladleX = 226;
constexpr double ladleY = 330;

QColor warm(int r, int g, int b, double alpha = 1)
{
    return QColor(r, g, b, static_cast<int>(255 * std::clamp(alpha, 0.0, 1.0)));
}

/// Frames since an event; negative before it.
template <typename Visit>
void forEach(Event event, double frame, Visit&& visit)
{
    for (const TrueStrike& strike : strikes)
        if (strike.event == event)
            visit(strike, frame - strike.frame);
}

int frameOf(Event event)
{
    return std::find_if(strikes.begin(), strikes.end(), [event](const TrueStrike& s) { return s.event == event; })
        ->frame;
}

/// A light that jumps to 1 on its frame and dies away.
double flash(double age, double fall)
{
    return age < 0 ? 0 : std::exp(-age / fall);
}

double hammerFlash(double frame)
{
    double sum = 0;
    forEach(Event::hammer, frame, [&](const TrueStrike& s, double age) { sum += s.strength * flash(age, 5); });
    return std::min(1.2, sum);
}

double ladleFlash(double frame)
{
    const double age = frame - frameOf(Event::ladle);
    return age < 0 ? 0 : 1.5 * std::exp(-age / 7) + 0.55 * std::exp(-age / 46);
}

/// Height of the ram above the billet: it waits, falls faster and faster, stays a moment, and is lifted gently to where
/// the next blow begins.
double ramHeight(double frame)
{
    constexpr double top = 150;
    double lifted = 1; // since the last blow
    double wait = top; // where the next one begins
    double fallen = 0;
    bool ahead = true;
    forEach(Event::hammer, frame, [&](const TrueStrike& s, double age) {
        if (age >= 0) {
            const double u = std::clamp((age - 3) / 10, 0.0, 1.0);
            lifted = u * u * (3 - 2 * u);
        } else if (ahead) {
            ahead = false;
            wait = top * (0.45 + 0.55 * s.strength);
            fallen = age > -5 ? (age + 5) * (age + 5) / 25 : 0;
        }
    });
    return wait * lifted * (1 - fallen);
}

/// Underside of the ingot: hangs, sinks, slips the last stretch and lands.
double ingotY(double frame)
{
    const double age = frame - frameOf(Event::ingot);
    constexpr double hanging = 250;
    if (age >= 0)
        return ingotRestY;
    if (age > -6)
        return ingotRestY - 190.0 * (1 - (age + 6) * (age + 6) / 36);
    const double u = std::clamp((age + 54) / 48, 0.0, 1.0);
    return hanging + (ingotRestY - 190 - hanging) * u * u * (3 - 2 * u) + 1.5 * std::sin(frame * 0.21);
}

void glow(QPainter& p, QPointF centre, double radius, const QColor& colour)
{
    QRadialGradient light(centre, radius);
    light.setColorAt(0, colour);
    light.setColorAt(0.25, warm(colour.red(), colour.green(), colour.blue(), colour.alphaF() * 0.5));
    light.setColorAt(0.6, warm(colour.red(), colour.green(), colour.blue(), colour.alphaF() * 0.12));
    light.setColorAt(1, warm(colour.red(), colour.green(), colour.blue(), 0));
    p.save();
    p.setCompositionMode(QPainter::CompositionMode_Plus);
    p.setPen(Qt::NoPen);
    p.setBrush(light);
    p.drawEllipse(centre, radius, radius);
    p.restore();
}

void drawHall(QPainter& p, double frame)
{
    QLinearGradient wall(0, 0, 0, floorY);
    wall.setColorAt(0, warm(14, 12, 13));
    wall.setColorAt(1, warm(38, 28, 25));
    p.fillRect(QRectF(0, 0, width, floorY), wall);
    for (int i = 0; i < 6; ++i) { // tall windows on a blue night
        const double x = 40 + i * 214;
        QLinearGradient night(0, 60, 0, 330);
        night.setColorAt(0, warm(44, 54, 72));
        night.setColorAt(1, warm(26, 28, 36));
        p.fillRect(QRectF(x, 74, 96, 250), night);
        p.setPen(QPen(warm(17, 14, 14), 4));
        for (int k = 1; k < 3; ++k)
            p.drawLine(QPointF(x + 32 * k, 74), QPointF(x + 32 * k, 324));
        for (int k = 1; k < 5; ++k)
            p.drawLine(QPointF(x, 74 + 50 * k), QPointF(x + 96, 74 + 50 * k));
    }
    p.setPen(QPen(warm(12, 10, 10), 10));
    p.drawLine(QPointF(0, 44), QPointF(width, 44));
    p.setPen(QPen(warm(15, 13, 13), 4));
    for (int i = 0; i < 17; ++i) {
        p.drawLine(QPointF(i * 80, 0), QPointF(i * 80 + 40, 44));
        p.drawLine(QPointF(i * 80 + 80, 0), QPointF(i * 80 + 40, 44));
    }
    for (int i = 0; i < 7; ++i) { // columns
        const double x = 150 + i * 214 - 170;
        p.fillRect(QRectF(x, 44, 26, floorY - 44), warm(19, 16, 16));
        p.fillRect(QRectF(x, 44, 4, floorY - 44), warm(33, 26, 24));
    }
    // The furnace mouth at the back, breathing.
    const double breath = 0.8 + 0.2 * std::sin(frame * 0.13) + 0.05 * std::sin(frame * 0.71);
    p.fillRect(QRectF(800, 392, 96, 130), warm(21, 17, 16));
    QLinearGradient mouth(0, 430, 0, 510);
    mouth.setColorAt(0, warm(static_cast<int>(150 * breath), static_cast<int>(52 * breath), 16));
    mouth.setColorAt(1, warm(static_cast<int>(240 * breath), static_cast<int>(130 * breath), 44));
    QPainterPath arch;
    arch.moveTo(818, 510);
    arch.lineTo(818, 450);
    arch.arcTo(QRectF(818, 420, 60, 60), 180, -180);
    arch.lineTo(878, 510);
    p.setPen(Qt::NoPen);
    p.fillPath(arch, mouth);
    glow(p, QPointF(848, 480), 210 * breath, warm(150, 60, 16, 0.5));

    QLinearGradient ground(0, floorY, 0, height);
    ground.setColorAt(0, warm(34, 26, 23));
    ground.setColorAt(1, warm(13, 11, 11));
    p.fillRect(QRectF(0, floorY, width, height - floorY), ground);
    p.setPen(QPen(warm(15, 12, 12), 2));
    for (int i = -8; i < 24; ++i)
        p.drawLine(QPointF(640 + (i - 8) * 92, floorY), QPointF(640 + (i - 8) * 190, height));
}

void drawHammer(QPainter& p, double frame)
{
    const double lit = hammerFlash(frame);
    const double ram = dieY - 8 - ramHeight(frame);
    const QColor iron =
        warm(34 + static_cast<int>(26 * lit), 29 + static_cast<int>(12 * lit), 28 + static_cast<int>(4 * lit));
    const QColor dark = warm(23, 20, 20);
    p.setPen(Qt::NoPen);
    // Two legs that spread to the floor, the beam and the cylinder above.
    for (const int side : {-1, 1}) {
        QPainterPath leg;
        leg.moveTo(hammerX + side * 96, 150);
        leg.lineTo(hammerX + side * 128, 150);
        leg.cubicTo(hammerX + side * 136, 380, hammerX + side * 150, 520, hammerX + side * 190, floorY + 6);
        leg.lineTo(hammerX + side * 128, floorY + 6);
        leg.cubicTo(hammerX + side * 108, 520, hammerX + side * 98, 380, hammerX + side * 96, 150);
        p.fillPath(leg, iron);
        p.fillRect(QRectF(hammerX + side * 98 - 2, 170, 4, 300),
                   warm(70 + static_cast<int>(110 * lit), 48 + static_cast<int>(50 * lit), 38));
    }
    p.fillRect(QRectF(hammerX - 140, 118, 280, 44), iron);
    p.fillRect(QRectF(hammerX - 140, 118, 280, 4), warm(58, 48, 43));
    p.fillRect(QRectF(hammerX - 46, 30, 92, 92), dark);
    p.fillRect(QRectF(hammerX - 54, 22, 108, 12), iron);
    for (int i = 0; i < 7; ++i) {
        p.setBrush(warm(60, 50, 45));
        p.drawEllipse(QPointF(hammerX - 126 + i * 42, 140), 4, 4);
    }
    // Rod, ram and upper die.
    p.fillRect(QRectF(hammerX - 11, 118, 22, std::max(0.0, ram - 208)), warm(86, 78, 72));
    QLinearGradient body(hammerX - 78, 0, hammerX + 78, 0);
    body.setColorAt(0, warm(30, 26, 25));
    body.setColorAt(0.45, warm(58, 50, 46));
    body.setColorAt(1, warm(26, 22, 22));
    p.fillRect(QRectF(hammerX - 78, ram - 100, 156, 76), body);
    p.fillRect(QRectF(hammerX - 58, ram - 26, 116, 30),
               warm(46 + static_cast<int>(120 * lit), 38 + static_cast<int>(44 * lit), 34));
    // Anvil in three steps, and the billet on it.
    p.fillRect(QRectF(hammerX - 74, dieY + 26, 148, 30),
               warm(50 + static_cast<int>(90 * lit), 38 + static_cast<int>(30 * lit), 33));
    p.fillRect(QRectF(hammerX - 98, dieY + 56, 196, 50), warm(38, 32, 30));
    p.fillRect(QRectF(hammerX - 132, dieY + 106, 264, floorY - dieY - 98), warm(28, 24, 23));
    double squeeze = 0;
    for (const TrueStrike& s : strikes)
        if (s.event == Event::hammer && frame >= s.frame)
            squeeze += 1.6 * s.strength;
    const double cool = std::clamp(1.0 - (frame - 30) / 420, 0.35, 1.0);
    QLinearGradient hot(0, dieY - 8 + squeeze, 0, dieY + 26);
    hot.setColorAt(
        0, warm(255, static_cast<int>(150 + 90 * cool * std::min(1.0, 0.5 + lit)), static_cast<int>(70 + 110 * lit)));
    hot.setColorAt(1, warm(static_cast<int>(200 + 50 * cool), static_cast<int>(84 * cool + 30), 24));
    p.fillRect(QRectF(hammerX - 62 - squeeze * 1.5, dieY - 4 + squeeze, 124 + squeeze * 3, 30 - squeeze), hot);
    glow(p, QPointF(hammerX, dieY + 8), 200 + 40 * cool, warm(190, 84, 22, 0.55 * cool));
    glow(p, QPointF(hammerX, dieY + 4), 430, warm(255, 140, 48, 0.75 * std::min(1.0, lit)));
}

void drawCrane(QPainter& p, double frame)
{
    const double y = ingotY(frame);
    const double age = frame - frameOf(Event::ingot);
    p.fillRect(QRectF(860, 62, 420, 20), warm(26, 22, 21));
    p.fillRect(QRectF(ingotX - 46, 82, 92, 34), warm(38, 32, 29));
    const double slack = age >= 0 && age < 60 ? 5 * std::exp(-age / 9) * std::sin(age * 1.1) : 0;
    p.setPen(QPen(warm(66, 56, 50), 3));
    for (const int side : {-1, 1}) {
        QPainterPath chain;
        chain.moveTo(ingotX + side * 20, 116);
        chain.quadTo(ingotX + side * (40 + slack) + slack * 3, (y - 30) / 2 + 40, ingotX + side * 52, y - 84);
        p.drawPath(chain);
    }
    p.setPen(Qt::NoPen);
    p.fillRect(QRectF(ingotX - 150, ingotRestY, 300, floorY - ingotRestY + 4), warm(28, 24, 23)); // the bed
    p.fillRect(QRectF(ingotX - 150, ingotRestY, 300, 6), warm(54, 42, 36));
    QLinearGradient block(0, y - 84, 0, y);
    block.setColorAt(0, warm(196, 74, 26));
    block.setColorAt(0.5, warm(150, 46, 20));
    block.setColorAt(1, warm(88, 30, 20));
    QPainterPath ingot;
    ingot.moveTo(ingotX - 74, y - 84);
    ingot.lineTo(ingotX + 74, y - 84);
    ingot.lineTo(ingotX + 92, y);
    ingot.lineTo(ingotX - 92, y);
    ingot.closeSubpath();
    p.fillPath(ingot, block);
    p.fillRect(QRectF(ingotX - 64, y - 88, 18, 12), warm(30, 26, 25));
    p.fillRect(QRectF(ingotX + 46, y - 88, 18, 12), warm(30, 26, 25));
    glow(p, QPointF(ingotX, y - 40), 190, warm(150, 50, 16, 0.45));
    glow(p, QPointF(ingotX, ingotRestY), 240, warm(255, 120, 44, 0.5 * flash(age, 4)));
}

void drawLadle(QPainter& p, double frame)
{
    const double age = frame - frameOf(Event::ladle);
    const bool burst = age >= 0;
    const double sway = burst ? 10 * std::exp(-age / 40) * std::sin(age * 0.28) : 1.2 * std::sin(frame * 0.09);
    p.save();
    p.translate(ladleX, 40);
    p.rotate(sway * 0.35);
    p.translate(-ladleX, -40);
    p.setPen(QPen(warm(52, 44, 40), 5));
    p.drawLine(QPointF(ladleX, 40), QPointF(ladleX, ladleY - 120));
    p.drawLine(QPointF(ladleX, ladleY - 120), QPointF(ladleX - 92, ladleY - 40));
    p.drawLine(QPointF(ladleX, ladleY - 120), QPointF(ladleX + 92, ladleY - 40));
    p.setPen(Qt::NoPen);
    QPainterPath bucket;
    bucket.moveTo(ladleX - 98, ladleY - 46);
    bucket.lineTo(ladleX + 98, ladleY - 46);
    bucket.lineTo(ladleX + 72, ladleY + 92);
    bucket.quadTo(ladleX, ladleY + 116, ladleX - 72, ladleY + 92);
    bucket.closeSubpath();
    QLinearGradient shell(ladleX - 98, 0, ladleX + 98, 0);
    shell.setColorAt(0, warm(26, 22, 22));
    shell.setColorAt(0.6, warm(54, 44, 39));
    shell.setColorAt(1, warm(24, 20, 20));
    p.fillPath(bucket, shell);
    // Before it bursts a seam begins to glow; after, it gapes.
    const double seam = std::clamp((age + 40) / 40, 0.0, 1.0);
    QPainterPath crack;
    crack.moveTo(ladleX + 30, ladleY - 30);
    crack.lineTo(ladleX + 44, ladleY + 8);
    crack.lineTo(ladleX + 30, ladleY + 34);
    crack.lineTo(ladleX + 48, ladleY + 84);
    p.setPen(QPen(warm(255, 170, 74, burst ? 1 : 0.8 * seam), burst ? 8 : 1 + 3 * seam));
    p.drawPath(crack);
    p.setPen(Qt::NoPen);
    QRadialGradient melt(QPointF(ladleX, ladleY - 46), 98);
    melt.setColorAt(0, warm(255, 224, 150));
    melt.setColorAt(1, warm(240, 120, 36));
    p.setBrush(melt);
    p.drawEllipse(QPointF(ladleX, ladleY - 46), 96, 13);
    p.restore();
    glow(p, QPointF(ladleX, ladleY - 52), 170, warm(200, 92, 26, 0.5));
    if (!burst)
        return;
    // The stream and the pool below.
    const double flow = std::clamp(age / 5, 0.0, 1.0) * std::clamp(1.3 - age / 150, 0.25, 1.0);
    QPainterPath stream;
    stream.moveTo(ladleX + 30, ladleY + 20);
    stream.cubicTo(ladleX + 92, ladleY + 90, ladleX + 106, floorY - 130, ladleX + 108, floorY + 14);
    stream.lineTo(ladleX + 108 + 26 * flow, floorY + 14);
    stream.cubicTo(ladleX + 118 + 14 * flow, floorY - 150, ladleX + 104, ladleY + 70, ladleX + 40, ladleY);
    p.fillPath(stream, warm(255, 196, 96, 0.95 * std::clamp(age / 4, 0.0, 1.0)));
    const double pool = 190 * (1 - std::exp(-age / 26));
    QRadialGradient puddle(QPointF(ladleX + 110, floorY + 22), std::max(1.0, pool));
    puddle.setColorAt(0, warm(255, 214, 124, 0.95));
    puddle.setColorAt(0.75, warm(226, 92, 26, 0.85));
    puddle.setColorAt(1, warm(120, 30, 14, 0));
    p.setBrush(puddle);
    p.drawEllipse(QPointF(ladleX + 110, floorY + 24), pool, pool * 0.17);
    glow(p, QPointF(ladleX + 70, ladleY + 120), 760, warm(255, 150, 56, 0.8 * std::min(1.0, ladleFlash(frame))));
}

/// A man with a mallet at an upturned drum. `lift` 0 is the mallet on the skin, 1 raised.
void drawDrummer(QPainter& p, double x, double scale, bool mirrored, double lift, double rim)
{
    p.save();
    p.translate(x, height + 22);
    p.scale(mirrored ? -scale : scale, scale);
    const QColor body = warm(10, 9, 9);
    p.setPen(Qt::NoPen);
    p.setBrush(body);
    QPainterPath man;
    man.moveTo(-64, 0);
    man.cubicTo(-74, -110, -58, -168, -20, -176);
    man.cubicTo(10, -178, 26, -160, 30, -120);
    man.lineTo(40, 0);
    man.closeSubpath();
    p.drawPath(man);
    p.drawEllipse(QPointF(-8, -206 + 5 * (1 - lift)), 27, 31);
    p.drawRect(QRectF(-40, -226 + 5 * (1 - lift), 64, 9)); // cap
    p.setBrush(warm(13, 11, 11));
    p.drawRect(QRectF(66, -96, 128, 96));
    p.drawEllipse(QPointF(130, -96), 64, 12);
    p.setPen(QPen(warm(255, 150, 70, 0.35 + 0.5 * rim), 2.5));
    p.setBrush(Qt::NoBrush);
    p.drawArc(QRectF(66, -108, 128, 24), 10 * 16, 160 * 16);
    p.drawArc(QRectF(-36, -238, 56, 62), 40 * 16, 80 * 16);
    const QPointF shoulder(6, -146);
    const double angle = -0.15 - 1.15 * lift;
    const QPointF hand = shoulder + QPointF(86 * std::cos(angle), 86 * std::sin(angle) + 26 * (1 - lift));
    p.setPen(QPen(body, 24, Qt::SolidLine, Qt::RoundCap));
    p.drawLine(shoulder, hand);
    const QPointF head = hand + QPointF(40 * std::cos(angle + 0.5), 40 * std::sin(angle + 0.5) + 12 * (1 - lift));
    p.setPen(QPen(warm(28, 22, 20), 7, Qt::SolidLine, Qt::RoundCap));
    p.drawLine(hand, head);
    p.setPen(QPen(warm(44, 34, 30), 20, Qt::SolidLine, Qt::RoundCap));
    p.drawLine(head, head + QPointF(7, 2));
    p.restore();
}

double malletLift(double frame, int which)
{
    double lift = 0.55;
    int index = 0;
    forEach(Event::drum, frame, [&](const TrueStrike&, double age) {
        if (index++ % 2 != which)
            return;
        if (age >= -12 && age < -3)
            lift = 0.55 + 0.45 * std::sin((age + 12) / 9 * std::numbers::pi / 2);
        else if (age >= -3 && age < 0)
            lift = std::min(lift, 1 - (age + 3.5) * (age + 3.5) / 12.25);
        else if (age >= 0 && age < 10)
            lift = std::min(lift, age < 1 ? 0.0 : 0.55 * (1 - std::exp(-(age - 1) / 3)));
    });
    return lift;
}

void drawDrummers(QPainter& p, double frame)
{
    double rim = std::min(1.0, ladleFlash(frame)) * 0.8 + 0.4 * std::min(1.0, hammerFlash(frame));
    double drum[2] = {0, 0};
    int index = 0;
    forEach(Event::drum, frame,
            [&](const TrueStrike& s, double age) { drum[index++ % 2] += s.strength * flash(age, 4); });
    drawDrummer(p, 430, 0.92, false, malletLift(frame, 0), rim + drum[0]);
    drawDrummer(p, 880, 0.98, true, malletLift(frame, 1), rim + drum[1]);
    // Dust jumps from the skins.
    index = 0;
    forEach(Event::drum, frame, [&](const TrueStrike& s, double age) {
        const int which = index++ % 2;
        const double x = which == 0 ? 430 + 120 : 880 - 127;
        drawPlume(p, {x, 634, 12, 2.2, 34 * s.strength + 12, 18, 0.5, 300u + static_cast<unsigned>(index)}, age);
    });
}

void drawLooseThings(QPainter& p, double frame)
{
    forEach(Event::hammer, frame, [&](const TrueStrike& s, double age) {
        const auto seed = static_cast<unsigned>(s.frame);
        drawPlume(p, {hammerX + 54, 40, 22, 1.6, 74, 46, 0.05, seed}, age - 4); // steam
        drawSparks(
            p, {hammerX, dieY, static_cast<int>(260 * s.strength), 52 * (0.5 + 0.5 * s.strength), 1.5, 34, 2.2, seed},
            age);
        drawSparks(p, {hammerX, dieY, static_cast<int>(80 * s.strength), 74, 1.35, 16, 3.2, seed + 500}, age);
    });
    const double landed = frame - frameOf(Event::ingot);
    drawPlume(p, {ingotX - 110, floorY, 26, 1.2, 96, 70, 0.25, 41}, landed);
    drawPlume(p, {ingotX + 110, floorY, 26, 1.2, 96, 70, 0.25, 42}, landed);
    drawSparks(p, {ingotX, ingotRestY, 150, 30, 1.55, 24, 1.8, 43}, landed);
    const double burst = frame - frameOf(Event::ladle);
    drawPlume(p, {ladleX + 60, ladleY + 60, 46, 2.6, 190, 120, 0.9, 51}, burst);
    drawSparks(p, {ladleX + 36, ladleY + 24, 640, 74, 1.9, 56, 2.4, 52}, burst);
    drawSparks(p, {ladleX + 36, ladleY + 24, 240, 110, 2.5, 26, 3.6, 53}, burst);
    for (int i = 0; i < 12; ++i) // the stream keeps spitting
        drawSparks(p, {ladleX + 112, floorY + 4, 40, 24, 1.2, 24, 1.8, 60u + static_cast<unsigned>(i)},
                   burst - 6 - i * 9);
    drawPlume(p, {ladleX + 110, floorY, 60, 1.8, 150, 110, 0.5, 81}, burst - 14);
}

} // namespace

Image drawFrame(int number)
{
    const double frame = number;
    Image out(width, height);
    QImage canvas(out.row(0), width, height, static_cast<qsizetype>(out.stride()),
                  QImage::Format_RGBA8888_Premultiplied);
    QPainter p(&canvas);
    p.setRenderHint(QPainter::Antialiasing);
    drawHall(p, frame);
    drawCrane(p, frame);
    drawLadle(p, frame);
    drawHammer(p, frame);
    drawLooseThings(p, frame);
    drawDrummers(p, frame);
    // The first frame of a blast whites the hall out for an instant.
    const double age = frame - frameOf(Event::ladle);
    if (age >= 0 && age < 8) {
        p.setCompositionMode(QPainter::CompositionMode_Plus);
        p.fillRect(canvas.rect(), warm(255, 196, 120, 0.42 * std::exp(-age / 2.0)));
        p.setCompositionMode(QPainter::CompositionMode_SourceOver);
    }
    QRadialGradient vignette(QPointF(640, 380), 800);
    vignette.setColorAt(0.55, warm(0, 0, 0, 0));
    vignette.setColorAt(1, warm(0, 0, 0, 0.6));
    p.fillRect(canvas.rect(), vignette);
    p.end();
    return out;
}

} // namespace ember::demo
