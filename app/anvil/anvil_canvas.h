// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "anvil_painter.h"
#include "contact_pictures.h"
#include "drag_edit.h"
#include "painted_access.h"
#include "paper.h"
#include "session.h"

namespace ember::app {

/// The painted part of the Anvil: envelope with handles, a lane for each strand, and film frames, all over frames from
/// the strike.
class AnvilCanvas : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    explicit AnvilCanvas(Session& session, QWidget* parent = nullptr);

    bool even() const { return even_; }
    void setEven(bool even);
    /// A lane for each strand, or one for the motion as a whole.
    bool strandsShown() const { return strandsShown_; }
    void setStrandsShown(bool shown);
    /// No film frame is still to be made anew.
    bool settled() const { return contacts_.settled(); }
    /// As laid out now, for the selected strike.
    AnvilLayout layoutNow() const;
    /// Whether each strand has a lane of its own; where the Anvil is low they give way to the envelope.
    bool lanesOfStrands() const;
    /// Marks a handle as if the pointer were on it.
    void light(Handle handle);

    /// The lanes.
    std::vector<PaintedPart> paintedParts() override;

    QSize sizeHint() const override { return {1280, 220}; }
    QSize minimumSizeHint() const override { return {420, 120}; }

signals:
    /// The paper is laid out anew: for another size, another envelope or other lanes.
    void laidOut();
    /// The handle under the pointer is another.
    void hoveredOver(Handle handle);
    /// A lane was clicked, to see its strand in the side column.
    void strandOpened();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    enum class Gesture { none, handle, scrub, lane };

    Envelope envelope() const { return session_.shaping.envelopeInFilm(); }
    std::vector<LanePicture> lanePictures() const;
    LanePicture laneOf(const Recipe& recipe, const Strand& strand, const Strike& strike) const;
    void pressInGutter(QPointF place);
    // What a lane's gutter does.
    void toggleLane(std::size_t lane) const;
    void toggleSolo(std::size_t lane) const;
    void openLane(std::size_t lane);
    void moveLane(std::size_t lane, int by) const;
    void releaseInGutter(QPointF place);
    void hoverOver(QPointF place);
    QString gutterTip(const AnvilLayout& layout, QPointF place) const;
    /// The recipe's other envelopes: of the recipe while a strand's is shaped, and the other way round.
    std::vector<Envelope> otherEnvelopes() const;
    void scrubTo(double x);
    void dragTo(QPointF place, bool fine);
    void letGo();

    void repaintAll();
    void followPlayhead();

    Session& session_;
    Paper paper_;
    ContactPictures contacts_;
    QSize contactSize_;
    std::int64_t shownFrame_ = 0; ///< the playhead as it was last painted
    bool sceneStale_ = true;      ///< the project changed since the frames' scene was set
    bool even_ = false;
    bool strandsShown_ = true;
    std::vector<LanePicture> lanes_; ///< as they are on the paper
    std::optional<std::size_t> laneHeld_;
    std::optional<std::size_t> laneTarget_;
    Handle hovered_ = Handle::none;
    Gesture gesture_ = Gesture::none;
    Handle dragged_ = Handle::none;
    AnvilLayout dragLayout_; ///< fixed while dragging, so that the paper does not move under the hand
    Envelope dragEnvelope_;  ///< as it was when the drag began
    QPointF grabOffset_;
    QPointF pressed_;
    bool moved_ = false;
    DragEdit drag_; ///< of a handle
};

} // namespace ember::app
