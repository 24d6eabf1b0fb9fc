// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <map>
#include <memory>
#include <vector>

#include <QImage>
#include <QWidget>

#include "painted_access.h"
#include "session.h"

class QLabel;
class QToolButton;

namespace ember::app {

class Takes;

/// Twelve frames around the selected strike, large and shaken, over the whole window: to judge a hit frame by frame.
/// With two versions each frame is there twice, side by side.
class ContactSheet : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    static constexpr int columns = 4;
    static constexpr int rows = 3;

    /// Lies over this part of a window.
    ContactSheet(Session& session, const Takes& takes, QWidget* over);
    ~ContactSheet() override;
    /// Opens over the window; closes when it is open.
    void toggle();
    /// Every how many frames a picture is shown: 1, 2, 4 or 8.
    int step() const { return step_; }
    void setStep(int step);
    bool both() const { return both_; }
    void setBoth(bool both);

    /// The frames on show, and the place of each. No painting.
    std::vector<std::int64_t> frames() const;
    QRectF cell(int place) const;
    /// Its frames.
    std::vector<PaintedPart> paintedParts() override;
    /// All pictures have arrived.
    bool complete() const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override; ///< grows with the window

private:
    struct SharedFilm;
    struct Work;
    void lieOver();
    void fetch();
    void take(std::int64_t frame, const QImage& now, const QImage& then);
    void paintCell(QPainter& p, int place, std::int64_t frame) const;

    Session& session_;
    const Takes& takes_;
    QWidget* over_;
    QWidget* bar_ = nullptr;
    QToolButton* bothButton_;
    std::vector<QToolButton*> steps_;
    int step_ = 1;
    bool both_ = false;
    std::map<std::int64_t, QImage> pictures_; ///< as it is now
    std::map<std::int64_t, QImage> others_;   ///< as the other take has it
    std::shared_ptr<SharedFilm> film_;
    std::shared_ptr<std::atomic<bool>> stop_;
};

} // namespace ember::app
