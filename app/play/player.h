// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

#include "playback.h"
#include "session.h"
#include "sound_output.h"

namespace ember::app {

/// Moves the playhead in time. The sound's clock leads where there is sound and a device to hear it; else a timer does.
/// When frames are not decoded in time the playhead goes on and they are counted as dropped.
class Player : public QObject {
    Q_OBJECT
public:
    explicit Player(Session& session, std::unique_ptr<SoundSink> sink = std::make_unique<DeviceSink>());

    bool playing() const { return playing_; }
    void play();
    void pause();
    void toggle();

    /// Of the film's own speed, 0.1 to 1. Slow sound is stretched: it keeps its pitch.
    static constexpr double slowest = 0.1;
    double speed() const { return speed_; }
    void setSpeed(double speed);
    /// Where playback is now, in frames and their parts.
    double framePosition();

    bool soundOn() const { return soundOn_; }
    void setSoundOn(bool on);
    /// Why no sound is heard, empty when it is (or could be).
    QString silence() const;

    /// Frames shown a second over the last second of playing, and frames left out since playing began.
    double shownRate() const { return shownRate_; }
    int dropped() const { return dropped_; }
    /// The view tells that a frame came on the screen.
    void frameShown();

signals:
    void stateChanged();
    void rateChanged();

private:
    void tick();
    void restart();
    std::int64_t ticksPlayed();

    Session& session_;
    SoundOutput sound_;
    QTimer timer_;
    QElapsedTimer clock_;
    PlayLine line_;
    FilmSound heardSound_;
    QTimer strikesChanged_; ///< what strikes sound like; waits for the hand to rest
    double speed_ = 1;
    bool playing_ = false;
    bool soundOn_ = true;
    int shown_ = 0;
    int dropped_ = 0;
    double shownRate_ = 0;
    bool currentShown_ = true; ///< the frame under the playhead came on the screen
    QElapsedTimer rateClock_;
};

} // namespace ember::app
