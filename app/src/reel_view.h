// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>

#include <QWidget>

#include "ember/core/sound.h"
#include "finder.h"
#include "paper.h"
#include "reel_geometry.h"
#include "reel_painter.h"
#include "session.h"

namespace ember::app {

/// The whole project in a low band: frames, waveform, strikes as sparks, and the motion like a seismogram. Drag the
/// paper to move the playhead, a spark to move its strike; wheel with Ctrl zooms, without it scrolls.
class ReelView : public QWidget {
    Q_OBJECT
public:
    ReelView(Session& session, Finder& finder, QWidget* parent = nullptr);
    /// Proposals and beats are shown while finding is open.
    void setFindingShown(bool shown);
    ~ReelView() override;

    ReelLayout layoutNow() const;
    ReelRange range() const { return range_; }
    void showAll();
    bool waveformReady() const { return !waveform_.low.empty(); }

    QSize sizeHint() const override { return {1280, 138}; }
    QSize minimumSizeHint() const override { return {360, 84}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    bool event(QEvent* event) override;

private:
    enum class Gesture { none, scrub, move, band, loop, pan, shot };

    void repaintStrikes();
    void repaintAll();
    void setRange(const ReelRange& range);
    void loadWaveform();
    void keepPlayheadSeen();
    void scrubTo(double x);
    /// What letting go of the grabbed shot here would do, and that in words and as a place.
    Project shotDropped(QPointF place) const;
    ShotDrag shotDrag(QPointF place) const;

    Session& session_;
    Finder& finder_;
    bool finding_ = false;
    Paper ground_;
    Paper strikes_; ///< over it
    ReelRange range_{0, 1};
    double shownOf_ = 0; ///< how long the film was when it was looked at last
    Waveform waveform_;
    std::optional<SoundSource> waveformOf_;
    std::shared_ptr<std::atomic<bool>> waveformStop_;
    Gesture gesture_ = Gesture::none;
    QPointF pressed_;
    QPointF last_;
    StrikeId hovered_ = 0;
    StrikeId grabbed_ = 0;
    ShotGrip grip_; ///< of the shot that is dragged
    std::int64_t grabbedFrame_ = 0;
    bool moved_ = false;
    Project before_; ///< as it was when a drag of strikes began
    Document::Gesture documentGesture_ = 0;
};

} // namespace ember::app
