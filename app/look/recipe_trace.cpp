// SPDX-License-Identifier: GPL-3.0-or-later
#include "recipe_trace.h"

#include <algorithm>
#include <cmath>

#include <QPainter>

#include "theme.h"

namespace ember::app {

namespace {
constexpr double longestSeconds = 4;
} // namespace

Project strikeAlone(const Project& like, const Recipe& recipe, std::int64_t frame)
{
    Project alone;
    alone.width = like.width;
    alone.height = like.height;
    alone.rate = like.rate;
    alone.finish = like.finish;
    alone.recipes = {recipe};
    alone.recipes[0].id = 1;
    // Nothing follows it here, and no shot ends: rumbles last as long as they were worked out to.
    const auto settle = [](Envelope& envelope) {
        envelope.set(EnvelopeField::rumbleUntil, static_cast<double>(RumbleUntil::length));
    };
    settle(alone.recipes[0].envelope);
    for (Strand& strand : alone.recipes[0].strands)
        if (strand.envelope)
            settle(*strand.envelope);
    Strike strike;
    strike.id = 1;
    strike.frame = Frame{frame};
    strike.recipe = 1;
    strike.direction = 90;
    strike.seed = 7;
    alone.strikes = {strike};
    alone.addShot(Shot{"", frame + std::max<std::int64_t>(1, std::llround(recipe.envelope.end())), false});
    return alone;
}

RecipeTrace traceOf(const Recipe& recipe, const Project& like, int count)
{
    RecipeTrace trace;
    const Motion motion(strikeAlone(like, recipe, 0));
    if (motion.spans().empty())
        return trace;
    const StrikeSpan& span = motion.spans().front();
    const double from = span.start - 1;
    const double to = std::min(span.end, longestSeconds * like.rate.perSecond());
    float largest = 1e-6F;
    for (int i = 0; i < count; ++i) {
        const MotionSample at = motion.at(from + (to - from) * i / (count - 1));
        trace.way.push_back(cornerWay(at.pose, like.width, like.height));
        trace.heat.push_back(at.intensity);
        largest = std::max({largest, std::abs(trace.way.back().x), std::abs(trace.way.back().y)});
    }
    for (Way& way : trace.way)
        way = {way.x / largest, way.y / largest};
    return trace;
}

void paintRecipeTrace(QPainter& p, const QRectF& place, const RecipeTrace& trace)
{
    const auto count = static_cast<int>(trace.way.size());
    if (count < 2)
        return;
    const double step = place.width() / (count - 1);
    const double ground = place.bottom();
    p.setRenderHint(QPainter::Antialiasing, false);
    for (int i = 0; i + 1 < count; ++i) {
        const double heat = trace.heat[static_cast<std::size_t>(i)];
        if (heat > 0)
            p.fillRect(QRectF(place.left() + i * step, ground - 3, step + 1, 3), theme::heat(heat));
    }
    p.setRenderHint(QPainter::Antialiasing);
    const double middle = place.top() + (place.height() - 5) / 2;
    const double scale = (place.height() - 6) / 2;
    const auto draw = [&](float Way::*axis, const QColor& colour) {
        QPolygonF line;
        for (int i = 0; i < count; ++i)
            line << QPointF(place.left() + i * step, middle + scale * trace.way[static_cast<std::size_t>(i)].*axis);
        p.setPen(QPen(colour, 1));
        p.drawPolyline(line);
    };
    draw(&Way::x, theme::secondInk);
    draw(&Way::y, theme::text);
}

} // namespace ember::app
