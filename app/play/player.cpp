// SPDX-License-Identifier: GPL-3.0-or-later
#include "player.h"

#include <algorithm>
#include <cmath>

namespace ember::app {

namespace {
constexpr std::int64_t ticksPerSecond = SoundSink::rate;
} // namespace

Player::Player(Session& session, std::unique_ptr<SoundSink> sink) : session_(session), sound_(std::move(sink))
{
    timer_.setTimerType(Qt::PreciseTimer);
    timer_.setInterval(5);
    connect(&timer_, &QTimer::timeout, this, &Player::tick);
    connect(&session_.file, &ProjectFile::opened, this, &Player::pause);
    for (const auto other : {&Film::edited, &Film::rewritten}) // it is shorter or longer, or sounds so
        connect(&session_.film, other, this, [this] {
            if (playing_)
                restart();
        });
    connect(&session_.document, &OpenDocument::changed, this, [this](const Change& change) {
        if (!playing_ || !change.sound)
            return;
        if (session_.film.soundSource() != heardSound_.track)
            restart();
        else if (session_.film.filmSound() != heardSound_)
            strikesChanged_.start(); // a value that is dragged must not make the sound stutter
    });
    strikesChanged_.setSingleShot(true);
    strikesChanged_.setInterval(250);
    connect(&strikesChanged_, &QTimer::timeout, this, [this] {
        if (playing_ && session_.film.filmSound() != heardSound_)
            restart();
    });
    connect(&session_.playhead, &Playhead::loopChanged, this, [this] {
        if (playing_)
            restart();
    });
}

void Player::play()
{
    if (playing_)
        return;
    if (!session_.film.hasClip()) {
        emit session_.messages.told(session_.document.length() > 0
                                        ? tr("The clip is missing, so there is nothing to play")
                                        : tr("Open a clip first"));
        return;
    }
    const LoopRange& loop = session_.playhead.loop();
    const auto at = session_.playhead.frame();
    if (loop.on && loop.set() && (at < loop.first || at > loop.last))
        session_.playhead.setFrame(loop.first);
    else if (at >= session_.document.length() - 1 && session_.document.length() > 1)
        session_.playhead.setFrame(0); // play again from the start
    playing_ = true;
    dropped_ = 0;
    session_.playhead.setPlaying(true);
    restart();
    timer_.start();
    emit stateChanged();
}

void Player::restart()
{
    const FrameRate rate = session_.document.project().rate;
    const auto ticks = [this, rate](std::int64_t frame) {
        return std::llround(rate.seconds(static_cast<double>(frame)) * ticksPerSecond / speed_);
    };
    const LoopRange& loop = session_.playhead.loop();
    line_ = {ticks(session_.playhead.frame()), 0, 0, ticks(session_.document.length())};
    if (loop.on && loop.set()) {
        line_.loopFirst = ticks(loop.first);
        line_.loopEnd = ticks(loop.last + 1);
    }
    sound_.stop();
    heardSound_ = session_.film.filmSound();
    if (soundOn_ && heardSound_.any())
        sound_.start(heardSound_, speed_, line_);
    clock_.start();
    rateClock_.start();
    shown_ = 0;
    currentShown_ = true;
}

void Player::pause()
{
    if (!playing_)
        return;
    playing_ = false;
    timer_.stop();
    sound_.stop();
    session_.playhead.setPlaying(false);
    emit stateChanged();
}

void Player::toggle()
{
    if (playing_)
        pause();
    else
        play();
}

void Player::setSoundOn(bool on)
{
    soundOn_ = on;
    if (playing_)
        restart();
    emit stateChanged();
}

QString Player::silence() const
{
    if (!session_.film.filmSound().any())
        return tr("The clip has no sound");
    if (!DeviceSink::available())
        return tr("No sound device: the clock leads");
    return soundOn_ ? QString() : tr("Sound is off");
}

std::int64_t Player::ticksPlayed()
{
    return sound_.running() ? sound_.heard() : clock_.nsecsElapsed() * ticksPerSecond / 1'000'000'000;
}

double Player::framePosition()
{
    if (!playing_)
        return static_cast<double>(session_.playhead.frame());
    return session_.document.project().rate.frames(static_cast<double>(line_.at(ticksPlayed())) * speed_ /
                                                   ticksPerSecond);
}

void Player::setSpeed(double speed)
{
    speed = std::clamp(speed, slowest, 1.0);
    if (speed == speed_)
        return;
    speed_ = speed;
    if (playing_)
        restart();
    emit stateChanged();
}

void Player::tick()
{
    const auto played = ticksPlayed();
    const FrameRate rate = session_.document.project().rate;
    // Half a tick guards against a frame's first sample rounding to just before it.
    const double seconds = (static_cast<double>(line_.at(played)) + 0.5) * speed_ / ticksPerSecond;
    const auto frame = static_cast<std::int64_t>(std::floor(rate.frames(seconds)));
    if (line_.finished(played)) {
        session_.playhead.setFrame(session_.document.length() - 1);
        pause();
        return;
    }
    if (frame != session_.playhead.frame()) {
        // Frames the clock stepped over, and the one before if the view never got to it.
        dropped_ += static_cast<int>(std::max<std::int64_t>(0, frame - session_.playhead.frame() - 1)) +
                    (currentShown_ ? 0 : 1);
        currentShown_ = false;
        session_.playhead.setFrame(frame);
    }
    if (rateClock_.elapsed() >= 1000) {
        shownRate_ = shown_ * 1000.0 / static_cast<double>(rateClock_.restart());
        shown_ = 0;
        emit rateChanged();
    }
}

void Player::frameShown()
{
    ++shown_;
    currentShown_ = true;
}

} // namespace ember::app
