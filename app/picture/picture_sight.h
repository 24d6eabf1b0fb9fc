// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPointF>
#include <QRectF>
#include <QSizeF>

namespace ember::app {

/// Where the frame lies in a view: as large as fits, in its own shape, with a margin for what lies beyond it.
QRectF fitPicture(const QSizeF& view, int projectWidth, int projectHeight);

/// What of a picture is looked at: all of it, or a part of it magnified. No painting, no widget. Places and sizes are
/// in pixels of the view; `ratio` is how many pixels the screen has for one of them.
class PictureSight {
public:
    static constexpr double least = 0.05;
    static constexpr double most = 16;

    /// The view and the frame that is seen in it.
    struct Scene {
        QSizeF view;
        int width = 1; ///< of the frame, in its pixels
        int height = 1;
        double ratio = 1;
    };

    bool fits() const { return scale_ == 0; }
    void fit() { *this = {}; }
    QRectF frameRect(const Scene& scene) const;
    /// Pixels of the screen for one of the frame.
    double scale(const Scene& scene) const;
    /// What lies under `about` stays there.
    void setScale(const Scene& scene, double scale, QPointF about);
    /// Moves the picture; the view's middle stays on it.
    void move(const Scene& scene, QPointF by);

private:
    void keepInSight(const Scene& scene);

    double scale_ = 0; ///< 0: as large as fits
    QPointF centre_;   ///< the frame's pixel in the view's middle, while it does not fit
};

} // namespace ember::app
