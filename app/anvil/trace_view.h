// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <functional>
#include <vector>

#include <QWidget>

#include "axis_map.h"
#include "ember/core/trace.h"
#include "open_document.h"
#include "painted_access.h"
#include "paper.h"
#include "playhead.h"
#include "selection.h"

class QToolButton;

namespace ember::app {

/// Where the rows of a trace lie. No painting.
struct TraceLayout {
    bool film = false;
    EvenMap even;     ///< frames of the film
    StrikeMap strike; ///< frames from the strike
    double strikeFrame = 0;
    QRectF paper; ///< all rows
    QRectF ruler;
    std::vector<QRectF> rows;

    double toX(double filmFrame) const
    {
        return film ? even.toPixel(filmFrame) : strike.toPixel(filmFrame - strikeFrame);
    }
    double toFilmFrame(double x) const { return film ? even.toFrame(x) : strike.toFrame(x) + strikeFrame; }
};

/// The motion of the selected strike or of the whole film, axis by axis like a seismogram: spikes, spacing and the flat
/// end, the peak of each with its frame, and the values under the playhead.
class TraceView : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    explicit TraceView(OpenDocument& document, Selection& selection, Playhead& playhead, QWidget* parent = nullptr);

    void setEven(bool even);
    bool shows(Axis axis) const;
    TraceOf what() const;
    bool film() const;
    TraceLayout layoutNow() const;
    /// The axes on show, each with its peak.
    std::vector<PaintedPart> paintedParts() override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    void redraw();
    std::vector<Axis> axes() const;
    void paintPaper(QPainter& p, const TraceLayout& layout) const;
    /// The motion of an axis on whole frames, where its peak is seen, and which these are.
    std::pair<AxisTrace, std::vector<FrameTime>> onFrames(const TraceLayout& layout, const QRectF& row,
                                                          Axis axis) const;
    QString peakText(const AxisTrace& trace, const std::vector<FrameTime>& frames, Axis axis,
                     const TraceLayout& layout) const;
    void paintRow(QPainter& p, const TraceLayout& layout, const QRectF& row, Axis axis) const;
    void scrub(double x);
    QString frameText(double filmFrame, const TraceLayout& layout) const;

    OpenDocument& document_;
    Selection& selection_;
    Playhead& playhead_;
    Paper paper_;
    bool even_ = false;
    QWidget* bar_;
    std::array<QToolButton*, axisCount> axisButtons_{};
    QToolButton* speed_ = nullptr;
    QToolButton* film_ = nullptr;
};

} // namespace ember::app
