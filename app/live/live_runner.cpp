// SPDX-License-Identifier: GPL-3.0-or-later
#include "live_runner.h"

#include <algorithm>
#include <cmath>

#include "text.h"
#include "words.h"

namespace ember::app {

namespace {

constexpr int tickMilliseconds = 16;
constexpr std::uint32_t run = 1;
constexpr std::size_t mostTold = 4; ///< presses from outside, each time

LiveRunner::Clock::duration seconds(double s)
{
    return std::chrono::duration_cast<LiveRunner::Clock::duration>(std::chrono::duration<double>(s));
}

} // namespace

LiveRunner::LiveRunner(Session& session, QObject* parent)
    : QObject(parent), session_(session), start_(Clock::now()), bench_(session.document.project())
{
    timer_.setTimerType(Qt::PreciseTimer);
    timer_.setInterval(tickMilliseconds);
    connect(&timer_, &QTimer::timeout, this, &LiveRunner::tick);
    connect(&session_.document, &OpenDocument::changed, this, &LiveRunner::takeProject);
    connect(&session_.file, &ProjectFile::opened, this, [this] {
        if (running())
            start();
    });
    takeProject();
}

LiveRunner::~LiveRunner() = default;

void LiveRunner::takeProject()
{
    bench_.setValues(session_.document.project());
    board_ = boardOf(session_.document.project());
    emit stateChanged();
}

void LiveRunner::start()
{
    bench_ = LiveBench(session_.document.project());
    start_ = moment();
    seen_ = -1;
    const LoopRange& loop = session_.playhead.loop();
    const std::int64_t last = std::max<std::int64_t>(0, session_.document.length() - 1);
    line_ = {session_.playhead.frame(), 0, last};
    if (loop.on && loop.set() && session_.playhead.frame() <= loop.last)
        line_ = {session_.playhead.frame(), loop.first, loop.last};
    if (ground_ != Ground::film)
        line_.last = INT64_MAX / 4;
    recording_ = false;
    stopPlaying();
    sound_.start();
    timer_.start();
    emit stateChanged();
    tick();
}

void LiveRunner::stop()
{
    timer_.stop();
    stopPlaying();
    stopListening();
    stopSending();
    sound_.stop();
    recording_ = false;
    emit stateChanged();
}

FrameTime LiveRunner::timeAt(Clock::time_point moment) const
{
    return session_.document.project().rate.frames(
        std::max(0.0, std::chrono::duration<double>(moment - start_).count()));
}

std::int64_t LiveRunner::filmFrame(FrameTime live) const
{
    if (ground_ != Ground::film)
        return session_.playhead.frame();
    return line_.filmFrame(static_cast<std::int64_t>(std::floor(live)));
}

void LiveRunner::setGround(Ground ground)
{
    ground_ = ground;
    if (running())
        start();
}

void LiveRunner::setState(std::size_t state)
{
    state_ = std::min(state, boardStates - 1);
    emit stateChanged();
}

void LiveRunner::setIntensity(double ratio)
{
    bench_.setIntensity(ratio);
    emit stateChanged();
    emit ticked();
}

Outcome LiveRunner::take(Strike press, Clock::time_point moment, LiveBench::By by)
{
    if (press.seed == 0)
        press.seed = pressSeed(run, presses_);
    ++presses_;
    const FrameTime at = timeAt(moment);
    const auto frame = static_cast<std::int64_t>(std::floor(at));
    bench_.setFilmEnd(frame + std::max<std::int64_t>(1, session_.document.length() - line_.filmFrame(frame)));
    Outcome outcome = bench_.strike(std::move(press), at, by);
    if (outcome.id == 0)
        return outcome;
    if (const Strike* held = bench_.project().strike(outcome.id)) {
        const double later = session_.document.project().rate.seconds(static_cast<double>(held->frame.index) - at);
        sound_.strike(bench_.project(), *held, std::max(0.0, later));
    }
    emit pressed(moment);
    return outcome;
}

void LiveRunner::strike(Strike press, int pad, const QString& name, Clock::time_point moment)
{
    const Outcome outcome = take(std::move(press), moment);
    if (outcome.id != 0) {
        constexpr std::size_t most = 64; // as many as can be felt at once, and more
        auto& ids = ofPads_[pad];
        ids.push_back(outcome.id);
        if (ids.size() > most)
            ids.erase(ids.begin());
    }
    emit ticked(); // first of all it is to be seen
    emit struck(pad, name, outcome);
}

void LiveRunner::strikePad(std::size_t pad, double share, Clock::time_point moment)
{
    if (!running() || pad >= board_.pads.size())
        return;
    const Pad& struckPad = board_.pads[pad];
    const Recipe* recipe = session_.document.project().recipe(struckPad.recipes[state_]);
    const QString name = !struckPad.name.empty() ? QString::fromStdString(struckPad.name)
                         : recipe != nullptr     ? QString::fromStdString(recipe->name)
                                                 : tr("Pad %1").arg(pad + 1);
    Strike press = strikeOf(struckPad, state_, share);
    press.seed = 0;
    strike(std::move(press), static_cast<int>(pad), name, moment);
}

void LiveRunner::settle(double frames)
{
    bench_.settle(frames, now());
    if (frames <= 0) {
        sound_.silence();
        stopPlaying();
    }
    emit struck(-1, frames > 0 ? tr("Eased home over %1 frames").arg(frames) : tr("Stopped"), Outcome());
    emit ticked();
}

void LiveRunner::settlePad(int pad, double frames)
{
    bench_.settleOnly(ofPads_[pad], frames, now());
    ofPads_.erase(pad);
    emit struck(-1,
                frames > 0 ? tr("Pad %1 eased home over %2 frames").arg(pad + 1).arg(frames)
                           : tr("Pad %1 stopped").arg(pad + 1),
                Outcome());
    emit ticked();
}

void LiveRunner::record()
{
    // On a still picture it is recorded from the playhead on.
    if (ground_ != Ground::film)
        line_.start = session_.playhead.frame() - static_cast<std::int64_t>(std::floor(now()));
    bench_.record();
    recording_ = true;
    emit stateChanged();
}

void LiveRunner::endRecording(Quantise quantise)
{
    if (!recording_)
        return;
    recording_ = false;
    const LiveEvents events = bench_.endRecording();
    if (events.strikes.empty() && events.settles.empty()) {
        emit session_.messages.told(tr("Nothing was struck, so nothing is recorded"));
    } else {
        RecordedIn in = withRecorded(session_.document.project(), events, line_, quantise);
        const auto count = static_cast<int>(in.ids.size());
        QString what = count == 1 ? tr("1 strike recorded") : tr("%1 strikes recorded").arg(count);
        if (in.past > 0)
            what += tr(", %1 past the film's end left out").arg(in.past);
        session_.document.edit(std::move(in.project), what);
        session_.selection.set(std::move(in.ids));
    }
    emit stateChanged();
}

QString LiveRunner::listen(const OscAddress& address)
{
    // Told from the listener's thread; taken on this one, before the next tick.
    auto opened = OscListener::open(address, [this] {
        QMetaObject::invokeMethod(
            this, [this] { drainOsc(); }, Qt::QueuedConnection);
    });
    if (!opened)
        return said(opened.error());
    listener_ = std::move(opened).value();
    emit stateChanged();
    return {};
}

void LiveRunner::stopListening()
{
    listener_.reset();
    emit stateChanged();
}

QString LiveRunner::sendPoses(const OscAddress& address)
{
    auto sender = OscSender::open(address);
    if (!sender)
        return said(sender.error());
    poses_ = std::move(sender).value();
    emit stateChanged();
    return {};
}

void LiveRunner::drainOsc()
{
    const std::vector<OscArrival> arrivals = listener_ ? listener_->take() : std::vector<OscArrival>();
    if (arrivals.empty())
        return;
    // All are taken before anything is shown; of very many at once the first are told one by one.
    std::vector<std::pair<QString, Outcome>> told;
    std::size_t more = 0;
    for (const OscArrival& arrival : arrivals) {
        if (const auto* settling = std::get_if<OscSettle>(&arrival.message)) {
            settle(settling->frames);
        } else if (const auto* intensity = std::get_if<OscIntensity>(&arrival.message)) {
            setIntensity(intensity->ratio);
        } else {
            const auto& wish = std::get<OscStrike>(arrival.message);
            auto press = strikeOf(wish, session_.document.project(), board_, state_);
            Outcome outcome =
                press ? take(std::move(press).value(), arrival.at) : Outcome{Fate::ignored, press.error().detail};
            if (told.size() < mostTold)
                told.emplace_back(QString::fromStdString(wish.kind), std::move(outcome));
            else
                ++more;
        }
    }
    emit ticked();
    for (const auto& [name, outcome] : told)
        emit struck(-1, name, outcome);
    if (more > 0)
        emit struck(-1, tr("%1 more from outside").arg(more), Outcome());
}

void LiveRunner::queue(std::vector<Due> due)
{
    std::stable_sort(due.begin(), due.end(), [](const Due& a, const Due& b) { return a.at < b.at; });
    queue_ = std::move(due);
    next_ = 0;
    emit stateChanged();
}

int LiveRunner::padFor(const PlayedNote& note, const std::vector<int>& notes) const
{
    for (std::size_t i = 0; i < board_.pads.size(); ++i)
        if (board_.pads[i].note == note.note)
            return static_cast<int>(i);
    // Pads without notes take those of the file in their order, lowest first.
    const auto place = std::lower_bound(notes.begin(), notes.end(), note.note) - notes.begin();
    return board_.pads.empty() ? -1 : static_cast<int>(place % static_cast<std::ptrdiff_t>(board_.pads.size()));
}

void LiveRunner::playNotes(const std::vector<PlayedNote>& notes)
{
    std::vector<int> kinds;
    kinds.reserve(notes.size());
    for (const PlayedNote& note : notes)
        kinds.push_back(note.note);
    std::sort(kinds.begin(), kinds.end());
    kinds.erase(std::unique(kinds.begin(), kinds.end()), kinds.end());
    std::vector<Due> due;
    const auto begin = moment();
    for (const PlayedNote& note : notes)
        if (const int pad = padFor(note, kinds); pad >= 0) {
            const Pad& struckPad = board_.pads[static_cast<std::size_t>(pad)];
            Strike press = strikeOf(struckPad, state_, 1);
            press.strength = clampTo(strikefield::strength, struckPad.strength * note.strength);
            press.seed = 0;
            due.push_back({begin + seconds(note.seconds), std::move(press), pad, tr("Note %1").arg(note.note)});
        }
    queue(std::move(due));
}

void LiveRunner::playDrop(const drop::Scene& scene, const drop::Run& fallen)
{
    const auto list = strikesFromText(ListFormat::jsonLines, drop::impactsToJsonLines(fallen.impacts, scene.view), {});
    std::vector<Due> due;
    dropped_ = moment();
    dropLasts_ = scene.seconds;
    if (list)
        for (const ListedStrike& impact : list.value()) {
            const auto found = std::find_if(board_.pads.begin(), board_.pads.end(),
                                            [&](const Pad& pad) { return pad.kind == impact.kind; });
            const auto pad = found != board_.pads.end() ? found : board_.pads.begin();
            if (pad == board_.pads.end())
                break;
            Strike press = strikeOf(*pad, state_, 1);
            press.strength = clampTo(strikefield::strength, pad->strength * impact.strength);
            press.direction = impact.direction;
            press.seed = 0;
            due.push_back({*dropped_ + seconds(impact.seconds), std::move(press),
                           static_cast<int>(pad - board_.pads.begin()), QString::fromStdString(impact.name)});
        }
    queue(std::move(due));
}

double LiveRunner::dropSeconds() const
{
    if (!dropped_)
        return -1;
    const double since = std::chrono::duration<double>(moment() - *dropped_).count();
    return since <= dropLasts_ ? since : -1;
}

void LiveRunner::stopPlaying()
{
    queue_.clear();
    next_ = 0;
    dropped_.reset();
    emit stateChanged();
}

void LiveRunner::strikeDue()
{
    const auto moment = Clock::now();
    // What it strikes with is as the board has it now: the state may be switched while it plays.
    while (next_ < queue_.size() && queue_[next_].at <= moment) {
        Due due = queue_[next_++];
        if (due.pad >= 0 && static_cast<std::size_t>(due.pad) < board_.pads.size())
            due.strike.recipe = board_.pads[static_cast<std::size_t>(due.pad)].recipes[state_];
        strike(std::move(due.strike), due.pad, due.name, moment);
        if (next_ >= queue_.size())
            emit stateChanged();
    }
}

/// The film's own strikes on the frames of live time after `from` up to `to`.
void LiveRunner::strikeFilms(std::int64_t from, std::int64_t to)
{
    for (std::int64_t frame = std::max(from + 1, to - 8); frame <= to; ++frame)
        for (const Strike& own : session_.document.project().strikes)
            if (own.frame.index == line_.filmFrame(frame)) {
                const FrameTime at = static_cast<FrameTime>(frame) + 0.001;
                const Outcome outcome =
                    take(own, start_ + seconds(session_.document.project().rate.seconds(at)), LiveBench::By::film);
                emit struck(-1, strikeTitle(own), outcome);
            }
}

void LiveRunner::tick()
{
    drainOsc();
    strikeDue();
    const FrameTime at = now();
    const auto frame = static_cast<std::int64_t>(std::floor(at));
    if (withFilm_ && ground_ == Ground::film && frame > seen_)
        strikeFilms(seen_, frame);
    seen_ = frame;
    if (poses_)
        poses_->send(writeOscPose(bench_.at(at)));
    emit ticked();
}

} // namespace ember::app
