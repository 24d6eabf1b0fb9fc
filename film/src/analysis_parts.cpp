// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/analysis_parts.h"

#include <algorithm>
#include <cmath>
#include <filesystem>

#include "ember/files/whole_file.h"
#include "ember/film/capture_clip.h"
#include "ember/json/json.h"
#include "part_folder.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::int64_t shared = 12; ///< frames of the part before that a part of a motion begins with

/// What a part is of: parts of the same can be joined.
Json headOf(const AnalysisJob& job, const char* what)
{
    const ClipMark mark = markOfClip(job.clip);
    return {{"of", what},
            {"frames", {job.frames.first, job.frames.last}},
            {"rate", {job.rate.num(), job.rate.den()}},
            {"files", mark.files},
            {"bytes", mark.bytes}};
}

template <typename Change, typename Each>
void eachNumber(Change& change, const Each& each)
{
    for (auto* number : {&change.flash,
                         &change.motion,
                         &change.stop,
                         &change.move,
                         &change.moveX,
                         &change.moveY,
                         &change.grain,
                         &change.light,
                         &change.alike,
                         &change.followed.turned,
                         &change.followed.turnedMost,
                         &change.followed.broken,
                         &change.followed.brokenMost,
                         &change.followed.speedBefore,
                         &change.followed.speedAfter,
                         &change.followed.way,
                         &change.followed.moving,
                         &change.followed.unexplained,
                         &change.followed.unexplainedMost,
                         &change.followed.born,
                         &change.followed.bornNew,
                         &change.followed.bornArea,
                         &change.followed.turnedNew,
                         &change.followed.brokenNew,
                         &change.followed.spreading,
                         &change.followed.cameraSpeed,
                         &change.followed.cameraTurned,
                         &change.followed.cameraBroken,
                         &change.followed.cameraRolled,
                         &change.followed.goingX,
                         &change.followed.goingY})
        each(*number);
    for (auto* spot : {&change.flashPlace, &change.motionPlace, &change.stopPlace, &change.followed.brokenPlace,
                       &change.followed.unexplainedPlace}) {
        each(spot->x);
        each(spot->y);
    }
}

/// As numbers: the frame, whether it is a cut, and all else.
Json toJson(const FrameChange& change)
{
    Json numbers{change.frame.index, change.cut};
    eachNumber(change, [&](auto number) { numbers.push_back(number); });
    return numbers;
}

FrameChange changeFrom(const Json& numbers)
{
    FrameChange change;
    change.frame = Frame{numbers.at(0).get<std::int64_t>()};
    change.cut = numbers.at(1).get<bool>();
    std::size_t at = 2;
    eachNumber(change, [&](auto& number) { numbers.at(at++).get_to(number); });
    return change;
}

Json toJson(const CapturedFrame& frame)
{
    return {frame.moved.x, frame.moved.y, frame.moved.roll, frame.moved.zoom, frame.confidence};
}

CapturedFrame capturedFrom(const Json& numbers)
{
    return {{numbers.at(0).get<double>(), numbers.at(1).get<double>(), numbers.at(2).get<double>(),
             numbers.at(3).get<double>()},
            numbers.at(4).get<double>()};
}

Json spanJson(FrameSpan span)
{
    return {span.first, span.last};
}

/// The record of a part, and whether it is one of this job.
Result<Json> readPart(const AnalysisJob& job, const Json& head, FilmPart part)
{
    const std::string path = partRecord(job.out, part);
    const auto text = readFile(path, largestJson, "what is known of a part");
    if (!text)
        return text.error();
    auto json = parsedJson(text.value(), path);
    if (!json)
        return json;
    const auto frames = framesOfPart(job, part);
    if (!frames)
        return frames.error();
    if (!json->is_object() || json->value("job", Json()) != head ||
        json->value("part", Json()) != spanJson(frames.value()))
        return Error{ErrorCode::badValue, path,
                     "it is a part of another clip or of other frames, or the clip has changed; run it again"};
    return json;
}

/// Does the work of a part, unless it is done, and keeps what `work` returns: JSON under "data".
template <typename Work>
Result<Phrase> runPart(const AnalysisJob& job, const char* what, FilmPart part, bool overwrite, Work&& work)
{
    const auto frames = framesOfPart(job, part);
    if (!frames)
        return frames.error();
    const Json head = headOf(job, what);
    if (!overwrite && readPart(job, head, part))
        return Phrase("Part {} of {} is there already and was kept.", part.number, part.count);
    if (Status ready = partFolderFor(job.out, partsFolder(job.out)); !ready)
        return ready.error();
    auto clip = ClipReader::open(job.clip);
    if (!clip)
        return clip.error();
    auto data = work(*clip.value(), frames.value());
    if (!data)
        return data.error();
    const Json record{{"job", head}, {"part", spanJson(frames.value())}, {"data", std::move(data).value()}};
    if (Status written = writeFileSafely(partRecord(job.out, part), record.dump() + "\n"); !written)
        return written.error();
    return Phrase("Part {} of {} is done.", part.number, part.count);
}

/// Gives the data of each part to `take`, with its frames, in order. `take` throws what it misses, and returns whether
/// it is whole.
template <typename Take>
Status takeParts(const AnalysisJob& job, const char* what, Take&& take)
{
    const auto count = partsThere(job.out);
    if (!count)
        return count.error();
    const Json head = headOf(job, what);
    for (int number = 1; number <= count.value(); ++number) {
        const FilmPart part{number, count.value()};
        const auto json = readPart(job, head, part);
        if (!json)
            return json.error();
        try {
            if (!take(json->at("data"), framesOfPart(job, part).value()))
                return Error{ErrorCode::damaged, partRecord(job.out, part), "it is not whole; run it again"};
        } catch (const Json::exception& error) {
            return Error{ErrorCode::badFormat, partRecord(job.out, part), wordsFor(error)};
        }
    }
    return Done{};
}

/// A part's motion onto the whole so far; the part begins at frame `first` of it.
void layOnto(std::vector<CapturedFrame>& whole, const std::vector<CapturedFrame>& part, std::size_t first)
{
    if (whole.empty()) {
        whole = part;
        return;
    }
    const std::size_t both = std::min(whole.size() - first, part.size());
    std::vector<Similarity> starts; // where the part begins, by each of them
    for (const bool measured : {true, false})
        for (std::size_t i = 0; i < both && (measured || starts.empty()); ++i)
            if (!measured || std::min(whole[first + i].confidence, part[i].confidence) > 0)
                starts.push_back(part[i].moved.inverse().after(whole[first + i].moved));
    const auto middle = [&starts](double Similarity::*value) {
        const auto half = starts.begin() + std::ssize(starts) / 2;
        std::nth_element(starts.begin(), half, starts.end(),
                         [value](const Similarity& a, const Similarity& b) { return a.*value < b.*value; });
        return (*half).*value;
    };
    const Similarity start{middle(&Similarity::x), middle(&Similarity::y), middle(&Similarity::roll),
                           middle(&Similarity::zoom)};
    for (std::size_t i = both; i < part.size(); ++i)
        whole.push_back({part[i].moved.after(start), part[i].confidence});
}

} // namespace

Result<FrameSpan> framesOfPart(const AnalysisJob& job, FilmPart part)
{
    const std::int64_t frames = job.frames.last - job.frames.first + 1;
    if (part.count > frames)
        return Error{ErrorCode::badValue, job.clip,
                     Phrase("its {} frames cannot be cut into {} parts", frames, part.count)};
    const auto begin = [&](int before) { return job.frames.first + frames * before / part.count; };
    return FrameSpan{begin(part.number - 1), begin(part.number) - 1};
}

Result<Phrase> watchPart(const AnalysisJob& job, FilmPart part, bool overwrite, const Progress& progress)
{
    return runPart(job, "watch", part, overwrite, [&](ClipReader& clip, FrameSpan frames) -> Result<Json> {
        const auto seen = watchClip(clip, job.rate, job.frames.last + 1, frames, progress);
        if (!seen)
            return seen.error();
        Json data = Json::array();
        for (const FrameChange& change : seen->frames)
            data.push_back(toJson(change));
        return data;
    });
}

Result<PictureTrace> joinWatched(const AnalysisJob& job)
{
    PictureTrace trace;
    const Status taken = takeParts(job, "watch", [&](const Json& data, FrameSpan frames) {
        std::int64_t next = frames.first;
        for (const Json& change : data) {
            trace.frames.push_back(changeFrom(change));
            const std::int64_t frame = trace.frames.back().frame.index;
            if (frame < next || frame > frames.last)
                return false;
            next = frame + 1;
        }
        return true;
    });
    if (!taken)
        return taken.error();
    return trace;
}

Result<Phrase> capturePart(const AnalysisJob& job, FilmPart part, bool overwrite, const Progress& progress)
{
    return runPart(job, "capture", part, overwrite, [&](ClipReader& clip, FrameSpan frames) -> Result<Json> {
        const std::int64_t first = std::max(job.frames.first, frames.first - shared);
        const auto motion = captureSome(clip, first, frames.last, progress);
        if (!motion)
            return motion.error();
        Json poses = Json::array();
        for (const CapturedFrame& frame : motion->frames)
            poses.push_back(toJson(frame));
        return Json{{"first", first}, {"size", {motion->width, motion->height}}, {"poses", std::move(poses)}};
    });
}

Result<CapturedMotion> joinCaptured(const AnalysisJob& job)
{
    CapturedMotion motion;
    motion.rate = job.rate;
    const Status taken = takeParts(job, "capture", [&](const Json& data, FrameSpan frames) {
        data.at("size").at(0).get_to(motion.width);
        data.at("size").at(1).get_to(motion.height);
        std::vector<CapturedFrame> part;
        bool sane = true;
        for (const Json& pose : data.at("poses")) {
            part.push_back(capturedFrom(pose));
            const Similarity& moved = part.back().moved;
            sane = sane && std::isfinite(moved.x) && std::isfinite(moved.y) && std::isfinite(moved.roll) &&
                   std::isfinite(moved.zoom) && moved.zoom > 0;
        }
        const std::int64_t done = frames.first - job.frames.first;
        const std::int64_t before = std::min(done, shared);
        if (!sane || std::ssize(part) != before + frames.last - frames.first + 1)
            return false;
        layOnto(motion.frames, part, static_cast<std::size_t>(done - before));
        return true;
    });
    if (!taken)
        return taken.error();
    return ifFollowed(std::move(motion), job.clip);
}

void removeParts(const std::string& out)
{
    std::error_code ignored;
    if (const auto count = partsThere(out))
        for (int number = 1; number <= count.value(); ++number)
            fs::remove(partRecord(out, {number, count.value()}), ignored);
    fs::remove(partsFolder(out), ignored);
}

} // namespace ember
