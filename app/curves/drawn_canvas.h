// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <functional>

#include <QWidget>

#include "drag_edit.h"
#include "drawn_layout.h"
#include "messages.h"
#include "open_document.h"
#include "painted_access.h"
#include "shaping.h"

namespace ember::app {

/// The painted curve of one axis and its keys. Click to add a key, drag to move what is chosen (whole frames and steps
/// of 5 %; finely with Shift), drag over the paper to choose several, Ctrl+click to add to them. Several have a box
/// with grips that draw them together in time and make them larger or smaller. The key on the peak stays at 1 unless
/// the curve is as drawn.
class DrawnCanvas : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    DrawnCanvas(OpenDocument& document, Shaping& shaping, Messages& messages, std::size_t strand,
                QWidget* parent = nullptr);
    void setAxis(Axis axis);
    const CurveKeys& keys() const { return keys_; }
    const KeyPlaces& chosen() const { return chosen_; }
    /// The one chosen key, -1 for none or several.
    int selected() const { return chosen_.size() == 1 ? static_cast<int>(chosen_.front()) : -1; }
    void choose(KeyPlaces places);
    void select(int key) { choose(key < 0 ? KeyPlaces{} : KeyPlaces{static_cast<std::size_t>(key)}); }
    bool asDrawn() const { return asDrawn_; }
    /// A key that may not be changed: the one on the peak.
    bool fixed(const CurveKey& key) const { return !asDrawn_ && key.frame == 0; }
    /// The last key of any axis, and whether the envelope ends before it.
    double lastKey() const;
    bool unfelt() const;
    /// Takes what the project holds.
    void refresh();
    /// Keys made of others and the chosen ones of them, in order; see core's keys.h.
    using Edit = std::function<CurveKeys(const CurveKeys& keys, const KeyPlaces& chosen)>;
    /// Edits the chosen keys but those that are fixed; what was changed stays chosen.
    void edit(const Edit& change, const QString& result, quint64 gesture = 0);
    void setKeys(CurveKeys keys, const QString& result, quint64 gesture);

    /// The chosen keys, to be put in elsewhere; for all canvases together.
    void copy() const;
    /// Puts in what was copied, beginning at the frame under the pointer, or behind the last key.
    void paste();

    /// The keys.
    std::vector<PaintedPart> paintedParts() override;

    QSize sizeHint() const override { return {380, 120}; }

signals:
    void selectionChanged();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    enum class Gesture { none, paper, move, slope, scale };
    void drag(QPointF place, bool fine);
    void letGo();
    void addKey(QPointF place);
    void paintCurve(QPainter& p, const DrawnLayout& layout, const CurveKeys& keys) const;

    OpenDocument& document_;
    Shaping& shaping_;
    Messages& messages_;
    std::size_t strand_;
    Axis axis_ = Axis::x;
    CurveKeys keys_;
    std::array<CurveKeys, axisCount> all_; ///< of every axis
    bool asDrawn_ = false;
    double lastFelt_ = 0; ///< frame of the keys at which the envelope ends
    KeyPlaces chosen_;
    DrawnLayout dragLayout_; ///< fixed while dragging, so that the paper does not move under the hand
    CurveKeys dragKeys_;     ///< as they were when the drag began, and which of them were chosen
    KeyPlaces dragChosen_;
    DrawnPlace held_;
    Gesture gesture_ = Gesture::none;
    QRectF band_;
    bool moved_ = false;
    QPointF pressed_;
    QPointF pointer_;
    DragEdit drag_;
};

} // namespace ember::app
