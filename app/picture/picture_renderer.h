// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include <QImage>
#include <QObject>
#include <QSize>

#include "ember/film/film_view.h"
#include "waiting_thread.h"

namespace ember::app {

/// A finished picture as Qt sees it, sharing the pixels.
QImage toQImage(const ImagePtr& image);

/// Shakes frames for the view on a thread of its own. Only the newest order counts; older ones not begun are dropped.
class PictureRenderer : public QObject {
    Q_OBJECT
public:
    struct Order {
        std::int64_t frame = 0;
        ImagePtr source;
        FrameLook look;
        int width = 0;
        int height = 0;
        /// What is seen left of a share of the width, in place of `look`.
        std::optional<FrameLook> left = std::nullopt;
        double share = 0.5;
        QSize shown = {};                          ///< pixels of the screen it will cover
        std::shared_ptr<const FilmView> view = {}; ///< of the source's film
    };

    explicit PictureRenderer(QObject* parent = nullptr);
    ~PictureRenderer() override;

    void order(Order order);

signals:
    /// `shown` is the picture as large as it was said to be shown, in the form that is painted fastest; `milliseconds`:
    /// how long the shaking took.
    void rendered(qint64 frame, const QImage& picture, const QImage& shown, double milliseconds);

private:
    void render(WaitingThread::Lock& held);

    std::optional<Order> next_;
    WaitingThread worker_;
};

} // namespace ember::app
