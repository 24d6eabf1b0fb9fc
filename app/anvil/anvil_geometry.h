// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <utility>
#include <vector>

#include <QPointF>
#include <QRectF>

#include "axis_map.h"
#include "ember/core/envelope.h"

namespace ember::app {

/// What can be taken hold of on an envelope.
enum class Handle { none, lead, leadLevel, onset, peak, hold, curve, decay, rumble, release };

/// Where everything of the Anvil lies, for one size, one envelope and one kind of axis. No painting, no widget.
struct AnvilLayout {
    StrikeMap map;
    QRectF gutter;             ///< names, left of everything
    QRectF plot;               ///< the envelope, level 1 on top; its values stand around it
    QRectF ruler;              ///< frame numbers
    std::vector<QRectF> lanes; ///< motion: one of each strand, or the one of them all
    QRectF frames;             ///< the film frames
    double top = 1;            ///< the level at the top of the plot

    /// Where the lanes end.
    double lanesEnd() const { return lanes.empty() ? ruler.bottom() : lanes.back().bottom(); }

    double toY(double level) const { return plot.bottom() - level / top * plot.height(); }
    double toLevel(double y) const { return (plot.bottom() - y) / plot.height() * top; }
    QPointF at(double frame, double level) const { return {map.toPixel(frame), toY(level)}; }
};

/// `lanes`: how many lanes of motion there are below the envelope.
AnvilLayout layOutAnvil(const QSizeF& size, const Envelope& envelope, bool even, std::size_t lanes = 1);
/// Whether that many lanes have room beside an envelope that can still be shaped.
bool roomForLanes(double height, std::size_t lanes);

/// What can be pressed in a lane's gutter.
struct LaneParts {
    QRectF on;   ///< its switch
    QRectF name; ///< opens the strand; dragged, it changes the order
    QRectF solo;
};
LaneParts lanePartsAt(const AnvilLayout& layout, std::size_t lane);
/// The lane a place lies in; nothing where there is none.
std::optional<std::size_t> laneAt(const AnvilLayout& layout, double y);

struct HandlePoint {
    Handle handle;
    QPointF at;
};

/// The handles an envelope offers, in the order of time. Those of the rumble are only there when it has one, that of
/// the lead's level when there is a lead; where the peak is fixed to the strike, the onset has one instead of the peak.
std::vector<HandlePoint> handlePoints(const AnvilLayout& layout, const Envelope& envelope);

/// The handle under (or within a few pixels of) a place: for hover and for dragging alike.
Handle handleAt(const AnvilLayout& layout, const Envelope& envelope, QPointF place);

/// The frame from the strike at which the curve handle sits: the middle of the decay on the screen.
double curveHandleFrame(const AnvilLayout& layout, const Envelope& envelope);

using EnvelopeChanges = std::vector<std::pair<EnvelopeField, double>>;

/// What becomes of an envelope when a handle is put at a place. Frames are whole unless `fine`; the other parts keep
/// their lengths.
EnvelopeChanges dragHandle(const AnvilLayout& layout, const Envelope& envelope, Handle handle, QPointF place,
                           bool fine);

/// The curve with which a slope passes through `share` (0 to 1 of the fall still to go) at `u` of its length.
double curveThrough(Slope slope, double u, double share);

/// The middle of the picture of a frame from the strike: right under it, or as near as the paper's ends let it be.
double contactX(const AnvilLayout& layout, std::int64_t frame, double width);

/// Frames from the strike whose pictures fit side by side, `width` pixels each: the peak and the strike first, then as
/// many as there is room for.
std::vector<std::int64_t> contactFrames(const AnvilLayout& layout, std::int64_t peak, double width);

} // namespace ember::app
