// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/find_strikes.h"

#include <algorithm>
#include <cmath>
#include <new>
#include <thread>

#include "ember/analysis/sound_shape.h"
#include "ember/media/sound_reader.h"
#include "lane.h"

namespace ember {

namespace {

struct Shown {
    Frame frame;
    ImagePtr picture;
};

} // namespace

Result<SoundTrace> listenTo(const SoundSource& source, double seconds, const Progress& progress)
{
    auto opened = openSound(source, {});
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

namespace {

/// Whether a frame shows another picture than the one before it.
bool showsAnother(const ClipReader& clip, FrameRate rate, std::int64_t frame)
{
    return frame == 0 || clip.pictureAt(Frame{frame}, rate) != clip.pictureAt(Frame{frame - 1}, rate);
}

/// Shows a watcher each picture of a clip that first comes in frames `begin` up to `end`, and that frame of the film.
/// Decoding and watching go on at once, on two threads.
template <typename Watch>
Status showAll(ClipReader& clip, FrameRate rate, std::int64_t begin, std::int64_t end, const Progress& progress,
               Watch&& watch)
{
    constexpr std::size_t ahead = 4;
    Lane<Shown> lane(ahead);
    std::optional<Error> trouble;
    const auto decode = [&] {
        for (std::int64_t i = begin; i < end; ++i) {
            if (!showsAnother(clip, rate, i))
                continue;
            auto picture = clip.picture(clip.pictureAt(Frame{i}, rate));
            if (!picture) {
                trouble = picture.error();
                return;
            }
            if (!lane.push({Frame{i}, std::move(picture).value()}))
                return;
        }
    };
    bool cancelled = false;
    {
        struct Decoding { // ends with what is shown, however that ends
            Lane<Shown>& lane;
            std::thread thread;
            ~Decoding()
            {
                lane.close();
                thread.join();
            }
        };
        const Decoding decoding{lane, std::thread([&] {
                                    try {
                                        decode();
                                    } catch (const std::bad_alloc&) {
                                        trouble = noMemory();
                                    } catch (const std::exception& error) {
                                        trouble = Error{ErrorCode::failed, "", error.what()};
                                    }
                                    lane.close();
                                })};
        while (const auto shown = lane.pop()) {
            watch(*shown->picture, shown->frame);
            const auto done = static_cast<double>(shown->frame.index + 1 - begin);
            if (!goesOn(progress, done / static_cast<double>(end - begin))) {
                cancelled = true;
                break;
            }
        }
    }
    if (cancelled)
        return Error{ErrorCode::cancelled, clip.info().path, ""};
    if (trouble)
        return *trouble;
    return Done{};
}

} // namespace

Result<PictureTrace> watchClip(ClipReader& clip, FrameRate rate, std::int64_t length, const Progress& progress)
{
    PictureWatcher watcher;
    const auto status = showAll(clip, rate, 0, length, progress,
                                [&](const Image& picture, Frame frame) { watcher.watch(picture, frame); });
    if (!status)
        return status.error();
    return watcher.finish();
}

Result<PictureTrace> watchClip(ClipReader& clip, FrameRate rate, std::int64_t length, FrameSpan part,
                               const Progress& progress)
{
    std::int64_t begin = part.first;
    for (int shown = 0; begin > 0 && shown < PictureWatcher::before;)
        shown += showsAnother(clip, rate, --begin) ? 1 : 0;
    std::int64_t end = part.last + 1;
    for (bool shown = false; end < length && !shown;)
        shown = showsAnother(clip, rate, end++);
    PictureWatcher watcher;
    const auto status = showAll(clip, rate, begin, end, progress,
                                [&](const Image& picture, Frame frame) { watcher.watch(picture, frame); });
    if (!status)
        return status.error();
    PictureTrace trace = watcher.finish();
    std::erase_if(trace.frames, [part](const FrameChange& change) {
        return change.frame.index < part.first || change.frame.index > part.last;
    });
    return trace;
}

Result<std::vector<ShotChange>> findCuts(ClipReader& clip, FrameRate rate, std::int64_t length,
                                         const Progress& progress)
{
    CutWatcher watcher;
    const auto status = showAll(clip, rate, 0, length, progress,
                                [&](const Image& picture, Frame frame) { watcher.watch(picture, frame); });
    if (!status)
        return status.error();
    return watcher.finish();
}

Project withShapesFromSound(Project project, const std::vector<StrikeId>& ids, const SoundTrace& sound)
{
    constexpr double early = 0.6; // frames that an onset may lie before or after its strike
    const std::vector<Onset> onsets = OnsetFinder(sound, Band::all, 0.05).pulses();
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
