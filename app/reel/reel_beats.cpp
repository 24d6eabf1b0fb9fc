// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_beats.h"

#include <algorithm>
#include <cmath>

#include <QPainter>

#include "theme.h"

namespace ember::app {

namespace {

constexpr double shortStroke = 5, longStroke = 9; ///< pixels
constexpr double closestDrawn = 5;                ///< pixels between two
constexpr double closestGrabbed = 12;
constexpr double grabReach = 4; ///< pixels from a stroke
constexpr double snapReach = 6;

double xOf(const ReelLayout& layout, const BeatGrid& beats, FrameRate rate, std::int64_t beat)
{
    return layout.map.toPixel(rate.frames(beats.at(beat)));
}

double secondsAt(const ReelLayout& layout, FrameRate rate, double x)
{
    return rate.seconds(layout.map.toFrame(x));
}

} // namespace

std::optional<std::int64_t> beatAt(const ReelLayout& layout, const BeatGrid& beats, FrameRate rate, QPointF place)
{
    const double foot = layout.sound.bottom();
    if (place.y() > foot || place.y() < foot - longStroke - 1 || place.x() < layout.map.left)
        return std::nullopt;
    const std::int64_t beat = beats.nearest(secondsAt(layout, rate, place.x()));
    const double x = xOf(layout, beats, rate, beat);
    const double apart = std::min(x - xOf(layout, beats, rate, beat - 1), xOf(layout, beats, rate, beat + 1) - x);
    return apart >= closestGrabbed && std::abs(place.x() - x) <= grabReach ? std::optional(beat) : std::nullopt;
}

bool isPinned(const BeatGrid& beats, std::int64_t beat)
{
    return std::any_of(beats.pins.begin(), beats.pins.end(), [beat](const BeatPin& pin) { return pin.beat == beat; });
}

double beatSeconds(const ReelLayout& layout, FrameRate rate, std::span<const double> moments, double x)
{
    const double wanted = secondsAt(layout, rate, x);
    const auto nearest = std::min_element(moments.begin(), moments.end(), [wanted](double a, double b) {
        return std::abs(a - wanted) < std::abs(b - wanted);
    });
    const bool near = nearest != moments.end() && std::abs(layout.map.toPixel(rate.frames(*nearest)) - x) <= snapReach;
    return near ? *nearest : wanted;
}

void paintBeats(QPainter& p, const ReelLayout& layout, const BeatGrid& beats, FrameRate rate)
{
    constexpr double head = 2; // half of it
    const double start = secondsAt(layout, rate, layout.sound.left());
    const double end = secondsAt(layout, rate, layout.sound.right());
    const double foot = layout.sound.bottom();
    const double many = std::max(beats.beatAt(end) - beats.beatAt(start), 1e-9);
    if (layout.sound.width() / many * beats.barBeats < closestDrawn)
        return;
    double bar = -1e9, beatBefore = -1e9; // where the last ones were
    for (std::int64_t beat = beats.from(start); beats.at(beat) < end; ++beat) {
        const double x = xOf(layout, beats, rate, beat);
        const bool startsBar = beats.startsBar(beat);
        const bool crowded = std::min(x - beatBefore, xOf(layout, beats, rate, beat + 1) - x) < closestDrawn;
        beatBefore = x;
        if (crowded && (!startsBar || x - bar < closestDrawn))
            continue;
        if (startsBar)
            bar = x;
        const double top = foot - (startsBar ? longStroke : shortStroke);
        p.setPen(QPen(startsBar ? theme::text : theme::dim, 1));
        p.drawLine(QPointF(x, foot), QPointF(x, top));
        if (!crowded && isPinned(beats, beat))
            p.fillRect(QRectF(x - head, top - head, 2 * head, 2 * head), theme::text);
    }
}

} // namespace ember::app
