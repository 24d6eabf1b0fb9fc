// SPDX-License-Identifier: GPL-3.0-or-later
#include "recipe_trace.h"

#include <algorithm>
#include <cmath>

#include <QPainter>
#include <QPainterPath>

#include "ember/core/survey.h"
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
    Strike strike;
    strike.id = 1;
    strike.frame = Frame{frame};
    strike.recipe = 1;
    strike.direction = 90;
    strike.seed = 7;
    alone.strikes = {strike};
    alone.shot = Shot{"", frame + std::max<std::int64_t>(1, std::llround(recipe.envelope.end())), false};
    return alone;
}

RecipeTrace traceOf(const Recipe& recipe, FrameRate rate, int width, int count)
{
    RecipeTrace trace;
    Project like;
    like.rate = rate;
    like.width = width;
    const Motion motion(strikeAlone(like, recipe, 0));
    if (motion.spans().empty())
        return trace;
    const StrikeSpan& span = motion.spans().front();
    const double from = span.start - 1;
    const double to = std::min(span.end, longestSeconds * rate.perSecond());
    double largest = 1e-9;
    for (int i = 0; i < count; ++i) {
        const MotionSample at = motion.at(from + (to - from) * i / (count - 1));
        trace.way.push_back(edgeWay(at.pose, width));
        trace.heat.push_back(at.intensity);
        largest = std::max(largest, std::abs(trace.way.back()));
    }
    for (double& way : trace.way)
        way /= largest;
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
    QPainterPath path;
    for (int i = 0; i < count; ++i) {
        const QPointF at(place.left() + i * step, middle + scale * trace.way[static_cast<std::size_t>(i)]);
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    p.setPen(QPen(theme::text, 1));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path);
}

} // namespace ember::app
