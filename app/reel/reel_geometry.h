// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <span>
#include <vector>

#include <QRectF>

#include "axis_map.h"
#include "ember/analysis/candidates.h"
#include "ember/core/project.h"

namespace ember::app {

/// Where everything of the Reel lies. No painting, no widget.
struct ReelLayout {
    EvenMap map; ///< frames to pixels; frame n begins at its left edge
    QRectF ruler;
    QRectF shots; ///< their lane; empty while there is but one
    QRectF thumbs;
    QRectF sound;
    QRectF sparks;    ///< the lower part of the sound: strikes stand on its lower edge
    QRectF intensity; ///< the film's intensity over time; empty where its lane is not shown
    QRectF moves;     ///< the keys of the shots' own move; likewise
    QRectF trace;

    double sparkX(std::int64_t frame) const { return map.toPixel(static_cast<double>(frame)); }
    /// Height of a spark: 100 % fills two thirds of the sound's band, more fills nearly all of it.
    double sparkHeight(double strength) const;
};

/// Which lanes there are beside those that always are.
struct ReelLanes {
    bool shots = false;
    bool intensity = false;
    bool moves = false;
};
/// Pixels in which everything has its place.
int leastReelHeight(const ReelLanes& lanes);
/// `first` and `last`: the frames at the ends of what is seen.
ReelLayout layOutReel(const QSizeF& size, double first, double last, const ReelLanes& lanes = {});

/// A part of a shot in its lane.
struct ShotGrip {
    enum class Part { body, in, out };
    std::size_t index = 0;
    Part part = Part::body;
    bool operator==(const ShotGrip&) const = default;
};
/// What of which shot is under a place. Where two shots meet the left one's out lies left of the cut, the right one's
/// in right of it.
std::optional<ShotGrip> shotAt(const ReelLayout& layout, const std::vector<Shot>& shots, QPointF place);
/// Before which shot one that is dropped at a pixel goes: its place in the order once it was taken out.
std::size_t dropIndex(const ReelLayout& layout, const std::vector<Shot>& shots, std::size_t taken, double x);

/// The strike whose spark is under a place; 0 when none is. Of several the topmost (the last) one.
StrikeId strikeAt(const ReelLayout& layout, const std::vector<Strike>& strikes, QPointF place);

/// The proposal whose hollow spark is under a place.
std::optional<std::size_t> proposalAt(const ReelLayout& layout, std::span<const Candidate> proposals, QPointF place);

/// The settle mark whose post is under a place; null when none is.
const SettleMark* settleAt(const ReelLayout& layout, const std::vector<SettleMark>& marks, QPointF place);

/// Strikes whose sparks stand between two pixels.
std::vector<StrikeId> strikesBetween(const ReelLayout& layout, const std::vector<Strike>& strikes, double x0,
                                     double x1);

/// The range seen after zooming by `factor` (above 1 shows more) about the frame under a pixel, kept inside the film.
struct ReelRange {
    double first = 0;
    double last = 1;
};
ReelRange zoomed(const ReelRange& range, const EvenMap& map, double pixel, double factor, double length);
ReelRange scrolled(const ReelRange& range, double frames, double length);

} // namespace ember::app
