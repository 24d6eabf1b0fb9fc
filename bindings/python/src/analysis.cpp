// SPDX-License-Identifier: GPL-3.0-or-later
#include "bound.h"
#include "ember/film/capture_clip.h"
#include "ember/film/find_strikes.h"
#include "ember/film/media_source.h"

namespace ember::python {

namespace {

/// A rate of the script: nothing of None.
std::optional<FrameRate> rateOf(const std::optional<std::pair<std::int64_t, std::int64_t>>& rate)
{
    if (!rate)
        return std::nullopt;
    const auto made = FrameRate::make(rate->first, rate->second);
    if (!made)
        refuse("rate", Phrase("{}/{} is no rate from 1 to 1000 frames a second", rate->first, rate->second));
    return made;
}

/// Runs work that is told to a script.
template <typename Work>
auto watched(py::object told, Work&& work)
{
    ScriptProgress progress(std::move(told));
    auto result = unlocked([&] { return work(std::ref(progress)); });
    progress.throwStopped();
    return valueOf(std::move(result));
}

py::dict toDict(const Candidate& c)
{
    py::dict dict;
    dict["frame"] = c.frame.index;
    dict["seconds"] = c.seconds;
    dict["kind"] = std::string(kindName(c.kind));
    dict["strength"] = c.strength;
    dict["confidence"] = c.confidence;
    dict["heard"] = c.heard;
    dict["seen"] = c.seen;
    dict["late_frames"] = c.heard && c.seen ? py::object(py::float_(c.late)) : py::object(py::none());
    dict["direction"] = py::cast(c.direction);
    dict["place"] = c.seen ? py::object(py::make_tuple(c.place.x, c.place.y)) : py::object(py::none());
    dict["tail_of_seconds"] = py::cast(c.tailOf);
    py::list why;
    for (const Evidence& one : c.evidence)
        why.append(py::make_tuple(std::string(evidenceName(one.what)), one.amount));
    dict["evidence"] = std::move(why);
    return dict;
}

py::list spot(const std::string& media, const std::string& from, double sensitivity, const std::string& band,
              bool beats, bool tails, std::optional<std::pair<std::int64_t, std::int64_t>> rate, py::object progress)
{
    FindOptions options;
    const auto source = findFromFromName(from);
    const auto heard = bandFromName(band);
    if (!source)
        refuse("source", Phrase("{} is none of both, sound and picture", from));
    if (!heard)
        refuse("band", Phrase("{} is none of low, mid, high and all", band));
    if (!(sensitivity >= 0 && sensitivity <= 1))
        refuse("sensitivity", Phrase("{} is not from 0 to 1", sensitivity));
    options.from = *source;
    options.band = *heard;
    options.sensitivity = sensitivity;
    options.beats = beats;
    options.tails = tails;
    const auto frames = rateOf(rate);
    const auto found =
        watched(std::move(progress), [&](const Progress& told) { return spotIn(media, frames, options, told); });
    py::list list;
    for (const Candidate& candidate : found)
        list.append(toDict(candidate));
    return list;
}

py::object tempo(const std::string& media, py::object progress)
{
    const auto found = watched(std::move(progress), [&](const Progress& told) { return tempoIn(media, told); });
    if (!found)
        return py::none();
    py::array_t<double> beats(static_cast<py::ssize_t>(found->beats));
    auto fill = beats.mutable_unchecked<1>();
    for (py::ssize_t i = 0; i < beats.shape(0); ++i)
        fill(i) = found->grid.at(i);
    py::dict dict;
    dict["bpm"] = meanBpm(*found);
    dict["confidence"] = found->confidence;
    dict["beats"] = std::move(beats);
    dict["beats_per_bar"] = found->grid.barBeats;
    dict["first_bar_seconds"] = found->grid.at(found->grid.barStart);
    return dict;
}

py::array_t<double> capture(const std::string& path, std::int64_t first, std::optional<std::int64_t> last,
                            double fasterThanSeconds, py::object progress)
{
    const auto motion = watched(std::move(progress), [&](const Progress& told) -> Result<CapturedMotion> {
        auto clip = ClipReader::open(path);
        if (!clip)
            return clip.error();
        const std::int64_t end = clip.value()->info().length - 1;
        if (first < 0 || first > last.value_or(end) || last.value_or(end) > end)
            return Error{ErrorCode::badValue, Phrase("Frames {} to {}", first, last.value_or(end)),
                         Phrase("the clip has frames 0 to {}", end)};
        return captureClip(*clip.value(), first, last.value_or(end), told);
    });
    const CapturedMotion kept = fasterThanSeconds > 0 ? fasterThan(motion, fasterThanSeconds) : motion;
    py::array_t<double> rows({static_cast<py::ssize_t>(kept.frames.size()), py::ssize_t{5}});
    auto fill = rows.mutable_unchecked<2>();
    for (py::ssize_t i = 0; i < rows.shape(0); ++i) {
        const CapturedFrame& frame = kept.frames[static_cast<std::size_t>(i)];
        fill(i, 0) = frame.moved.x;
        fill(i, 1) = frame.moved.y;
        fill(i, 2) = frame.moved.roll;
        fill(i, 3) = frame.moved.zoom;
        fill(i, 4) = frame.confidence;
    }
    return rows;
}

} // namespace

void bindAnalysis(py::module_& module)
{
    module.def("spot", spot);
    module.def("tempo", tempo);
    module.def("capture", capture);
}

} // namespace ember::python
