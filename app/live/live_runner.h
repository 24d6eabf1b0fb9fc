// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <chrono>
#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <vector>

#include <QObject>
#include <QTimer>

#include "ember/drop/scene.h"
#include "ember/exchange/strike_list.h"
#include "ember/live/live_bench.h"
#include "ember/live/osc_door.h"
#include "ember/live/recording.h"
#include "ember/project/board_edits.h"
#include "live_sound.h"
#include "session.h"

namespace ember::app {

/// What runs while the bench is played: its clock, who strikes it and what is recorded. It shows nothing.
class LiveRunner : public QObject {
    Q_OBJECT
public:
    using Clock = std::chrono::steady_clock;
    /// What is seen under the shake.
    enum class Ground { film, still, chart };

    explicit LiveRunner(Session& session, QObject* parent = nullptr);
    ~LiveRunner() override;

    void start();
    void stop();
    bool running() const { return timer_.isActive(); }

    /// The moment it is. Another clock than the machine's: a test holds the time, so that it cannot miss anything.
    Clock::time_point moment() const { return clock_(); }
    void setClock(std::function<Clock::time_point()> clock) { clock_ = std::move(clock); }
    /// Frames of live time at a moment.
    FrameTime timeAt(Clock::time_point moment) const;
    FrameTime now() const { return timeAt(moment()); }
    /// The frame of the film that is seen at a frame of live time.
    std::int64_t filmFrame(FrameTime live) const;
    LiveBench& bench() { return bench_; }
    const Board& board() const { return board_; }

    Ground ground() const { return ground_; }
    void setGround(Ground ground);
    std::size_t state() const { return state_; }
    void setState(std::size_t state);
    /// The film's own strikes strike too when it comes to them.
    void setWithFilm(bool on) { withFilm_ = on; }
    void setIntensity(double ratio);

    /// A pad is struck, this hard (0 to 1 of its strength), at a moment that was now.
    void strikePad(std::size_t pad, double share, Clock::time_point moment);
    /// Eased home over so many frames; 0 stops at once.
    void settle(double frames);
    /// What this pad struck is eased home alone, or stops.
    void settlePad(int pad, double frames);

    bool recording() const { return recording_; }
    void record();
    /// The presses since record() become strikes of the film: one step that can be undone.
    void endRecording(Quantise quantise);

    /// Listens for OSC. An empty text when it does, else why not.
    QString listen(const OscAddress& address);
    void stopListening();
    bool listening() const { return listener_ != nullptr; }
    int listeningPort() const { return listener_ ? listener_->port() : 0; }
    OscCounts counts() const { return listener_ ? listener_->counts() : OscCounts(); }
    /// Sends the pose of each tick.
    QString sendPoses(const OscAddress& address);
    void stopSending() { poses_.reset(); }
    bool sending() const { return poses_ != nullptr; }

    /// Plays notes as a player would: by the pads' own notes, else by their order.
    void playNotes(const std::vector<PlayedNote>& notes);
    /// Bodies fall, and their impacts strike the pads of their kinds.
    void playDrop(const drop::Scene& scene, const drop::Run& run);
    /// Since when bodies fall, in seconds; below 0 when none do.
    double dropSeconds() const;
    void stopPlaying();
    bool playingNotes() const { return next_ < queue_.size(); }

    LiveSound& sound() { return sound_; }

signals:
    /// Something was struck. `pad`: -1 where it is none of them.
    void struck(int pad, const QString& what, const ember::Outcome& outcome);
    /// Time went on, or something changed that is seen.
    void ticked();
    /// A press whose effect is to be seen, from when on.
    void pressed(std::chrono::steady_clock::time_point moment);
    void stateChanged();

private:
    /// Something that strikes by itself at its time.
    struct Due {
        Clock::time_point at;
        Strike strike;
        int pad;
        QString name;
    };
    std::map<int, std::vector<StrikeId>> ofPads_; ///< the last strikes of each pad
    void tick();
    void takeProject();
    void drainOsc();
    void strikeDue();
    void strikeFilms(std::int64_t from, std::int64_t to);
    Outcome take(Strike press, Clock::time_point moment, LiveBench::By by = LiveBench::By::hand);
    void strike(Strike press, int pad, const QString& name, Clock::time_point moment);
    void queue(std::vector<Due> due);
    int padFor(const PlayedNote& note, const std::vector<int>& notes) const;

    Session& session_;
    QTimer timer_;
    std::function<Clock::time_point()> clock_ = Clock::now;
    Clock::time_point start_;
    LiveBench bench_;
    Board board_;
    LiveLine line_;
    Ground ground_ = Ground::film;
    std::size_t state_ = 0;
    bool withFilm_ = false;
    bool recording_ = false;
    std::uint64_t presses_ = 0;
    std::int64_t seen_ = -1; ///< the last frame of live time that was ticked
    std::unique_ptr<OscListener> listener_;
    std::unique_ptr<OscSender> poses_;
    std::vector<Due> queue_;
    std::size_t next_ = 0;
    std::optional<Clock::time_point> dropped_;
    double dropLasts_ = 0;
    LiveSound sound_;
};

} // namespace ember::app
