// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>

#include <QWidget>

#include "drag_edit.h"
#include "ember/core/sound.h"
#include "finder.h"
#include "painted_access.h"
#include "paper.h"
#include "reel_geometry.h"
#include "reel_gesture.h"
#include "reel_lanes.h"
#include "reel_painter.h"
#include "session.h"

namespace ember::app {

/// The whole project in a low band: frames, waveform, strikes as sparks, and the motion like a seismogram. Drag the
/// paper to move the playhead, a spark to move its strike; wheel with Ctrl zooms, without it scrolls.
class ReelView : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    ReelView(Session& session, Finder& finder, QWidget* parent = nullptr);
    /// Proposals and beats are shown while finding is open.
    void setFindingShown(bool shown);
    /// Names frames on the ruler by the clock instead of counting them.
    void setTimecode(bool on);

    ReelLayout layoutNow() const;
    ReelRange range() const { return range_; }
    void showAll();
    /// The lane of the film's intensity, also while it has no keys.
    void setLanesShown(bool shown);
    bool waveformReady() const { return session_.wave.ready(); }

    /// The strikes, settle marks and, while finding is shown, proposals.
    std::vector<PaintedPart> paintedParts() override;

    QSize sizeHint() const override { return {1280, 77}; }
    QSize minimumSizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    std::pair<QString, std::function<void()>> goThere(std::int64_t frame);
    void addProposals(std::vector<PaintedPart>& parts, const ReelLayout& layout);
    using Gesture = ReelGesture::Kind;

    void repaintStrikes();
    void repaintAll();
    void setRange(const ReelRange& range);
    void keepPlayheadSeen();
    /// Paints anew what the playhead left and what it came to.
    void followPlayhead();
    void scrubTo(double x);
    /// What letting go of the grabbed shot here would do, in words and as a place. Nothing once it is gone.
    std::optional<ShotDrag> shotDrag() const;
    void pressOn(const ReelLayout& layout, bool adding, bool shifted);
    void dragStrikes(const ReelLayout& layout);
    /// While finding is shown; none where a strike stands over it.
    std::optional<std::int64_t> beatUnder(const ReelLayout& layout, QPointF place) const;
    bool pressOnBeat(const ReelLayout& layout, QPointF at, bool letGo);
    void dragBeat(const ReelLayout& layout, QPointF place, bool free);
    ReelLanes lanes() const;
    bool pressOnLane(const ReelLayout& layout, QPointF at, bool deleting);
    void dragLaneKey(const ReelLayout& layout, QPointF place, bool fine);
    void chooseBand(const ReelLayout& layout, bool adding);
    void dropShot();
    void showNextMovePart();
    void cancelGesture();

    Session& session_;
    Finder& finder_;
    bool finding_ = false;
    bool timecode_ = false;
    FilmClock clock_;             ///< as the ruler has it
    std::int64_t shownFrame_ = 0; ///< the playhead as it was last painted
    Paper ground_;
    Paper strikes_; ///< over it
    ReelRange range_{0, 1};
    double shownOf_ = 0; ///< how long the film was when it was looked at last
    ReelGesture gesture_;
    DragEdit drag_;
    std::optional<BeatGrid> heldBeats_; ///< the project's, as they were when the drag began
    StrikeId hovered_ = 0;
    bool lanesShown_ = false;
    MovePart movePart_ = MovePart::x;         ///< in the lane of the camera move
    LaneKey laneKey_;                         ///< held
    std::vector<IntensityKey> heldIntensity_; ///< as they were when the drag began
    std::vector<MoveKey> heldMoves_;
};

} // namespace ember::app
