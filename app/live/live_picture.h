// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <memory>
#include <optional>
#include <vector>

#include <QImage>
#include <QWidget>

#include "frame_store.h"
#include "held_scale.h"
#include "live_runner.h"
#include "picture_renderer.h"

namespace ember::app {

/// A chart whose every displacement can be seen: a grid with its middle, on grey.
ImagePtr testChart(int width, int height);

/// The picture that is shaken live.
class LivePicture : public QWidget {
    Q_OBJECT
public:
    LivePicture(OpenDocument& document, Film& film, ProjectFile& file, LiveRunner& runner, QWidget* parent = nullptr);

    /// The picture on show, and where it is moved.
    const QImage& picture() const { return picture_; }
    /// Frames a second that came on the screen over the last second.
    double shownRate() const { return rate_; }
    /// Frames of the film that no picture showed since the bench began.
    std::int64_t framesLost() const { return lost_; }

    QSize sizeHint() const override { return {640, 360}; }
    QSize minimumSizeHint() const override { return {320, 180}; }

signals:
    /// A press was seen, so many milliseconds after it came.
    void latency(double milliseconds);

protected:
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    using Moment = LiveRunner::Clock::time_point;
    struct Ordered {
        qint64 number;
        std::int64_t frame;          ///< of the film
        std::vector<Moment> presses; ///< that it is the first to show
    };
    void openFilm();
    void refresh();
    void took(qint64 number, const QImage& picture, const QImage& shown, double milliseconds);
    void findCover();
    ImagePtr source();
    QRectF frameRect() const;

    OpenDocument& document_;
    Film& film_;
    ProjectFile& file_;
    LiveRunner& runner_;
    FrameStore frames_;
    PictureRenderer renderer_;
    HeldScale held_;
    ImagePtr chart_;
    ImagePtr last_; ///< the newest frame of the film that was decoded in time
    Cover cover_;
    std::uint64_t covers_ = 0;
    std::vector<Moment> waiting_; ///< presses that no order shows yet
    std::vector<Ordered> ordered_;
    qint64 number_ = 0;
    qint64 shownNumber_ = -1;
    bool rests_ = true; ///< the picture that is being made is at rest
    ImagePtr restsOn_;  ///< what was shown at rest last
    QSize restsIn_;
    bool making_ = false;
    bool again_ = false;
    QImage picture_;
    QImage shown_;
    int count_ = 0;
    Moment counted_;
    double rate_ = 0;
    std::int64_t shownFrame_ = -1;
    std::int64_t lost_ = 0;
};

} // namespace ember::app
