// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/find_strikes.h"

#include <algorithm>
#include <cmath>
#include <condition_variable>
#include <deque>
#include <mutex>
#include <thread>

#include "ember/analysis/sound_shape.h"
#include "ember/media/sound_reader.h"

namespace ember {

namespace {

struct Shown {
    Frame frame;
    ImagePtr picture;
};

/// Hands pictures from one thread to another, a few at a time.
class Queue {
public:
    /// False when nobody takes them any more.
    bool put(Shown shown)
    {
        std::unique_lock lock(mutex_);
        changed_.wait(lock, [&] { return pictures_.size() < room || closed_; });
        if (closed_)
            return false;
        pictures_.push_back(std::move(shown));
        changed_.notify_all();
        return true;
    }
    std::optional<Shown> take()
    {
        std::unique_lock lock(mutex_);
        changed_.wait(lock, [&] { return !pictures_.empty() || closed_; });
        if (pictures_.empty())
            return std::nullopt;
        Shown shown = std::move(pictures_.front());
        pictures_.pop_front();
        changed_.notify_all();
        return shown;
    }
    void close()
    {
        const std::lock_guard lock(mutex_);
        closed_ = true;
        changed_.notify_all();
    }

private:
    static constexpr std::size_t room = 4;
    std::mutex mutex_;
    std::condition_variable changed_;
    std::deque<Shown> pictures_;
    bool closed_ = false;
};

} // namespace

Result<SoundTrace> listenTo(const SoundSource& source, double seconds, const Progress& progress)
{
    auto opened = SoundReader::open(source.path, source.originSeconds, {});
    if (!opened)
        return opened.error();
    SoundReader& reader = *opened.value();
    const double length = seconds > 0 ? seconds : reader.seconds();
    const std::int64_t most = seconds > 0 ? std::llround(seconds * reader.rate()) : INT64_MAX;
    const std::int64_t portion = reader.rate() / 4;
    SoundMeter meter(reader.rate(), reader.channels());
    reader.seek(0);
    for (std::int64_t done = 0; done < most && !reader.atEnd();) {
        const std::int64_t count = std::min(portion, most - done);
        meter.hear(reader.read(count).samples);
        done += count;
        const double heard = static_cast<double>(done) / reader.rate();
        if (!progress(length > 0 ? std::min(heard / length, 1.0) : 0))
            return Error{ErrorCode::cancelled, source.path, ""};
    }
    return meter.finish();
}

Result<PictureTrace> watchClip(ClipReader& clip, FrameRate rate, std::int64_t length, const Progress& progress)
{
    Queue queue;
    std::optional<Error> trouble;
    std::thread decoder([&] {
        std::int64_t last = -1;
        for (std::int64_t i = 0; i < length; ++i) {
            const std::int64_t index = clip.pictureAt(Frame{i}, rate);
            if (index == last)
                continue;
            last = index;
            auto picture = clip.picture(index);
            if (!picture) {
                trouble = picture.error();
                break;
            }
            if (!queue.put({Frame{i}, std::move(picture).value()}))
                return;
        }
        queue.close();
    });
    PictureWatcher watcher;
    bool cancelled = false;
    while (const auto shown = queue.take()) {
        watcher.watch(*shown->picture, shown->frame);
        if (!progress(static_cast<double>(shown->frame.index + 1) / static_cast<double>(length))) {
            cancelled = true;
            break;
        }
    }
    queue.close();
    decoder.join();
    if (cancelled)
        return Error{ErrorCode::cancelled, clip.info().path, ""};
    if (trouble)
        return *trouble;
    return watcher.finish();
}

Project withShapesFromSound(Project project, const std::vector<StrikeId>& ids, const SoundTrace& sound)
{
    constexpr double early = 0.6; // frames that an onset may lie before or after its strike
    const std::vector<Onset> onsets = onsetsOf(sound, {});
    for (const StrikeId id : ids) {
        Strike* strike = project.strike(id);
        const Recipe* recipe = strike != nullptr ? project.recipe(strike->recipe) : nullptr;
        if (recipe == nullptr)
            continue;
        const auto heardAt = [&](Frame frame) {
            return project.rate.seconds(static_cast<double>(frame.index)) - project.sound.offset;
        };
        double from = heardAt(strike->frame);
        for (const Onset& onset : onsets)
            if (std::abs(project.rate.frames(onset.seconds - from)) < early) {
                from = onset.seconds;
                break;
            }
        double next = sound.seconds;
        for (const Strike& other : project.strikes)
            if (other.frame > strike->frame)
                next = std::min(next, heardAt(other.frame));
        if (from < 0 || from >= sound.seconds)
            continue;
        const Envelope shape = envelopeFromSound(sound, from, next, project.rate, recipe->envelope);
        for (const EnvelopeField field :
             {EnvelopeField::attack, EnvelopeField::hold, EnvelopeField::decay, EnvelopeField::decaySlope,
              EnvelopeField::decayCurve, EnvelopeField::rumble, EnvelopeField::rumbleUntil, EnvelopeField::rumbleLength,
              EnvelopeField::release})
            strike->overrides.set(field, shape[field]);
    }
    return project;
}

StrikeList listOf(const std::vector<Candidate>& candidates, FrameRate rate)
{
    StrikeList list;
    for (const Candidate& candidate : candidates) {
        ListedStrike strike;
        strike.seconds = rate.seconds(static_cast<double>(candidate.frame.index));
        strike.kind = candidate.kind;
        strike.strength = candidate.strength;
        strike.direction = candidate.direction;
        list.push_back(strike);
    }
    return list;
}

} // namespace ember
