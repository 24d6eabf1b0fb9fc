// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include <QWidget>

#include "contact_pictures.h"
#include "curve_channels.h"
#include "curve_layout.h"
#include "drag_edit.h"
#include "painted_access.h"
#include "session.h"

namespace ember::app {

/// The painted part of the curve view: the chosen curve boldly, coloured by how strong it is, the others faintly, over
/// frames, with the sound above and film frames below. Keys are dragged (whole frames; with Shift finely), boxed,
/// scaled, and go through the slopes their handles say.
class CurveCanvas : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    CurveCanvas(Session& session, CurveChannels& channels, QWidget* parent = nullptr);

    const KeyPlaces& chosen() const { return chosen_; }
    void choose(KeyPlaces places);
    /// The keys of the chosen channel; none where there is none.
    const CurveKeys& keys() const;
    CurveLayout layoutNow() const;
    /// Keys made of others and the chosen ones of them, in order; see core's keys.h.
    using Edit = std::function<CurveKeys(const CurveKeys& keys, const KeyPlaces& chosen)>;
    /// Edits the chosen keys but one that is fixed; what was changed stays chosen.
    void edit(const Edit& change, const QString& result, quint64 gesture = 0);
    /// A key of the chosen curve at a place of its frames, on the curve as it is where no value is given.
    void addKey(double frame, std::optional<double> value);
    /// A key on the playhead's frame.
    void addKeyHere();
    void removeChosen();
    void copy() const;
    void paste();

    /// All curves, or only the chosen one.
    void setAlone(bool alone);
    void setVelocityShown(bool on);
    void setSpacingShown(bool on);
    bool velocityShown() const { return velocity_; }
    bool spacingShown() const { return spacing_; }
    /// All of the shown curves in sight; it stays so until it is zoomed by hand.
    void fit();
    const CurveRange& range() const { return range_; }
    /// No film frame is still to be made anew.
    bool settled() const { return contacts_.settled(); }

    /// The keys of the chosen curve.
    std::vector<PaintedPart> paintedParts() override;
    QSize sizeHint() const override { return {1100, 280}; }
    QSize minimumSizeHint() const override { return {300, 110}; }

signals:
    void selectionChanged();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    enum class Gesture { none, paper, move, slope, scale, scrub, pan };

    void refresh();
    bool fixed(const CurveKey& key) const;
    bool shown(std::size_t channel) const;
    void drag(QPointF place, Qt::KeyboardModifiers modifiers);
    void dragScale(QPointF place, bool fine);
    void dragSlope(QPointF place, bool fine);
    void letGo();
    bool onLine(const CurveLayout& layout, QPointF place) const;
    void scrubTo(double x);
    double rounded(double value, bool fine) const;
    bool means(const QKeyEvent& key) const;
    void chooseFrames(const CurveKeys& of);
    std::shared_ptr<const CurveRange> fitted() const;

    void paintPaper(QPainter& p, const CurveLayout& layout) const;
    void paintCurve(QPainter& p, const CurveLayout& layout, const Channel& channel, bool bold) const;
    void paintKeys(QPainter& p, const CurveLayout& layout) const;
    void paintVelocity(QPainter& p, const CurveLayout& layout) const;
    void paintSpacing(QPainter& p, const CurveLayout& layout) const;
    void paintFrames(QPainter& p, const CurveLayout& layout);
    void paintPlayhead(QPainter& p, const CurveLayout& layout) const;
    void paintUnfelt(QPainter& p, const CurveLayout& layout) const;

    Session& session_;
    CurveChannels& channels_;
    ContactPictures contacts_;
    bool sceneStale_ = true;
    QSize contactSize_;
    KeyPlaces chosen_;
    std::string of_; ///< whose keys are chosen
    CurveRange range_;
    bool fits_ = true;
    bool alone_ = false;
    bool velocity_ = false;
    bool spacing_ = false;
    Gesture gesture_ = Gesture::none;
    CurvePlace held_;
    CurveKeys heldKeys_; ///< as they were when the drag began, and which of them were chosen
    KeyPlaces heldChosen_;
    CurveRange heldRange_; ///< fixed while dragging, so that the paper does not move under the hand
    QPointF pressed_;
    QPointF pointer_;
    QRectF band_;
    bool moved_ = false;
    DragEdit drag_;
};

} // namespace ember::app
