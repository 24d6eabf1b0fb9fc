// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_geometry.h"

#include <algorithm>
#include <cmath>

namespace ember::app {

namespace {
constexpr double side = 162; ///< as wide as the Anvil's
constexpr double sideRight = 14;
constexpr double sparkHalf = 7; ///< pixels to each side that can be grabbed
constexpr double edgeHalf = 6;  ///< pixels beside an end of a shot that can be grabbed
constexpr double leastFrames = 8;
constexpr double gap = 2; ///< between bands
constexpr double shotsHeight = 16;
constexpr double intensityHeight = 26;
constexpr double movesHeight = 26;
} // namespace

double ReelLayout::sparkHeight(double strength) const
{
    return 0.9 * sound.height() * std::clamp(0.2 + 0.55 * strength, 0.2, 1.0);
}

int leastReelHeight(const ReelLanes& lanes)
{
    return static_cast<int>(80 + (lanes.shots ? shotsHeight + gap : 0) + (lanes.intensity ? intensityHeight + gap : 0) +
                            (lanes.moves ? movesHeight + gap : 0));
}

ReelLayout layOutReel(const QSizeF& size, double first, double last, const ReelLanes& lanes)
{
    ReelLayout layout;
    const double width = std::max(200.0, size.width());
    const double height = std::max(72.0, size.height());
    layout.map = {first, std::max(first + 1, last), side, width - sideRight};
    const double span = layout.map.right - side;
    // Lanes take nothing from what is always there.
    const double intensity = intensityHeight + 0.2 * std::max(0.0, height - leastReelHeight(lanes));
    const double shared =
        std::max(76.0, height - (lanes.intensity ? intensity + gap : 0) - (lanes.moves ? movesHeight + gap : 0));
    double y = 2;
    const auto band = [&](double share, double least) {
        const QRectF rect(side, y, span, std::max(least, share * shared));
        y = rect.bottom() + gap;
        return rect;
    };
    layout.ruler = band(0, 15);
    if (lanes.shots)
        layout.shots = band(0, shotsHeight);
    layout.thumbs = band(lanes.shots ? 0.17 : 0.22, 16);
    layout.sound = band(lanes.shots ? 0.3 : 0.36, 26);
    const double sparks = std::max(12.0, 0.46 * layout.sound.height());
    layout.sparks = QRectF(side, layout.sound.bottom() - sparks, span, sparks);
    if (lanes.intensity)
        layout.intensity = band(0, intensity);
    if (lanes.moves)
        layout.moves = band(0, movesHeight);
    layout.trace = QRectF(side, y, span, std::max(10.0, height - y - 3));
    return layout;
}

std::optional<ShotGrip> shotAt(const ReelLayout& layout, const std::vector<Shot>& shots, QPointF place)
{
    if (!layout.shots.adjusted(-edgeHalf, 0, edgeHalf, 0).contains(place))
        return std::nullopt;
    std::int64_t first = 0;
    for (std::size_t i = 0; i < shots.size(); ++i) {
        const double left = layout.sparkX(first);
        first += shots[i].length;
        const double right = layout.sparkX(first);
        const bool last = i + 1 == shots.size();
        if (place.x() < left - (i == 0 ? edgeHalf : 0) || place.x() >= right + (last ? edgeHalf : 0))
            continue;
        // Of a shot that is hardly to be seen each half is an edge.
        const double reach = std::min(edgeHalf, 0.5 * (right - left));
        if (place.x() < left + reach)
            return ShotGrip{i, ShotGrip::Part::in};
        if (place.x() >= right - reach)
            return ShotGrip{i, ShotGrip::Part::out};
        return ShotGrip{i, ShotGrip::Part::body};
    }
    return std::nullopt;
}

std::size_t dropIndex(const ReelLayout& layout, const std::vector<Shot>& shots, std::size_t taken, double x)
{
    std::size_t index = 0;
    std::int64_t first = 0;
    for (std::size_t i = 0; i < shots.size(); ++i) {
        const double middle =
            layout.map.toPixel(static_cast<double>(first) + 0.5 * static_cast<double>(shots[i].length));
        first += shots[i].length;
        if (i != taken && middle < x)
            ++index;
    }
    return index;
}

StrikeId strikeAt(const ReelLayout& layout, const std::vector<Strike>& strikes, QPointF place)
{
    if (place.y() > layout.sparks.bottom() + 2)
        return 0;
    StrikeId found = 0;
    double least = sparkHalf;
    for (const Strike& strike : strikes) {
        const double distance = std::abs(layout.sparkX(strike.frame.index) - place.x());
        const double top = std::min(layout.sparks.top(), layout.sparks.bottom() - layout.sparkHeight(strike.strength));
        if (distance <= least && place.y() >= top) {
            least = distance;
            found = strike.id;
        }
    }
    return found;
}

std::optional<std::size_t> proposalAt(const ReelLayout& layout, std::span<const Candidate> proposals, QPointF place)
{
    if (place.y() > layout.sparks.bottom() + 2)
        return std::nullopt;
    std::optional<std::size_t> found;
    double least = sparkHalf;
    for (std::size_t i = 0; i < proposals.size(); ++i)
        if (const double distance = std::abs(layout.sparkX(proposals[i].frame.index) - place.x());
            distance <= least &&
            place.y() >=
                std::min(layout.sparks.top(), layout.sparks.bottom() - layout.sparkHeight(proposals[i].strength))) {
            least = distance;
            found = i;
        }
    return found;
}

const SettleMark* settleAt(const ReelLayout& layout, const std::vector<SettleMark>& marks, QPointF place)
{
    if (place.y() < layout.sparks.top() || place.y() > layout.trace.bottom())
        return nullptr;
    for (const SettleMark& mark : marks)
        if (std::abs(layout.sparkX(mark.frame.index) - place.x()) <= sparkHalf)
            return &mark;
    return nullptr;
}

std::vector<StrikeId> strikesBetween(const ReelLayout& layout, const std::vector<Strike>& strikes, double x0, double x1)
{
    std::vector<StrikeId> found;
    for (const Strike& strike : strikes) {
        const double x = layout.sparkX(strike.frame.index);
        if (x >= std::min(x0, x1) && x <= std::max(x0, x1))
            found.push_back(strike.id);
    }
    return found;
}

ReelRange zoomed(const ReelRange& range, const EvenMap& map, double pixel, double factor, double length)
{
    const double about = map.toFrameInside(pixel);
    const double span =
        std::clamp((range.last - range.first) * factor, std::min(leastFrames, length), std::max(1.0, length));
    const double share = (about - range.first) / (range.last - range.first);
    const double first = std::clamp(about - share * span, 0.0, std::max(0.0, length - span));
    return {first, first + span};
}

ReelRange scrolled(const ReelRange& range, double frames, double length)
{
    const double span = range.last - range.first;
    const double first = std::clamp(range.first + frames, 0.0, std::max(0.0, length - span));
    return {first, first + span};
}

} // namespace ember::app
