// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

#include "ember/core/board.h"
#include "ember/live/live_bench.h"
#include "painted_access.h"
#include "recipe_trace.h"

namespace ember::app {

/// Where pads lie in a board of this size: one row, or two where there are more than five.
struct PadLayout {
    QSizeF size;
    std::size_t count = 0;

    QRectF pad(std::size_t index) const;
    /// -1 where there is none.
    int padAt(QPointF place) const;
    /// How hard a pad is struck there: full at its top, a tenth at its foot.
    double shareAt(std::size_t index, QPointF place) const;
};

/// The pads, struck with the mouse: the higher, the harder. What became of the last press of each is shown on it.
class PadBoard : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    struct Face {
        QString name;
        QString about; ///< "hit, 80 %"
        RecipeTrace trace;
    };

    explicit PadBoard(QWidget* parent = nullptr);
    void setFaces(std::vector<Face> faces);
    void setChosen(int pad);
    int chosen() const { return chosen_; }
    void showStruck(int pad, const Outcome& outcome);
    PadLayout layoutNow() const { return {size(), faces_.size()}; }

    std::vector<PaintedPart> paintedParts() override;

    QSize sizeHint() const override { return {560, 190}; }
    QSize minimumSizeHint() const override { return {420, 150}; }

signals:
    void struck(int pad, double share);
    void chosenByHand(int pad);

protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    struct Press {
        double strength = 0;
        Fate fate = Fate::felt;
        QElapsedTimer since;
    };
    std::vector<Face> faces_;
    std::vector<Press> presses_;
    int chosen_ = -1;
    QTimer fading_;
};

} // namespace ember::app
