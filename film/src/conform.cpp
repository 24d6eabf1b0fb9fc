// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/conform.h"

#include <algorithm>
#include <cmath>

#include "ember/analysis/film_match.h"
#include "ember/film/film_reader.h"
#include "ember/film/new_project.h"
#include "ember/project/shot_edits.h"

namespace ember {

namespace {

/// Frames on both sides of a strike that must lie beside it in the new film too.
constexpr std::int64_t around = 2;
constexpr std::int64_t heardAround = 6;

/// Looks at and listens to a film at the rate of a project.
Result<FilmPrint> printOf(const Project& project, const Progress& progress)
{
    auto film = openFilm(project);
    if (!film)
        return film.error();
    // As it was recorded with the pictures: a soundtrack of its own says nothing of the edit.
    Project plain = project;
    plain.sound = {};
    std::unique_ptr<SoundReader> sound;
    if (const auto source = soundOf(plain, film.value()->info()))
        if (auto opened = openSound(*source, {48000, 1}))
            sound = std::move(opened).value();
    FilmPrinter printer;
    const std::int64_t length = project.length();
    std::int64_t heard = 0;
    if (sound)
        sound->seek(0);
    for (std::int64_t i = 0; i < length; ++i) {
        auto picture = film.value()->frame(Frame{i}, project.rate);
        if (!picture)
            return picture.error();
        std::vector<float> samples;
        if (sound) {
            const auto end = std::llround(project.rate.seconds(static_cast<double>(i + 1)) * sound->rate());
            samples = sound->read(end - heard).samples;
            heard = end;
        }
        printer.add(*picture.value(), samples, 1);
        if (!progress(static_cast<double>(i + 1) / static_cast<double>(length)))
            return Error{ErrorCode::cancelled, film.value()->info().path, ""};
    }
    return printer.finish();
}

/// Where a frame is in the new film, when those beside it are beside it there too.
FrameMatch placeOf(const std::vector<FrameMatch>& matches, std::int64_t frame)
{
    const auto last = static_cast<std::int64_t>(matches.size()) - 1;
    if (frame < 0 || frame > last)
        return {};
    const FrameMatch own = matches[static_cast<std::size_t>(frame)];
    if (own.frame < 0)
        return {};
    float likeness = 0;
    float count = 0;
    int together = 0;
    for (std::int64_t f = std::max<std::int64_t>(0, frame - heardAround); f <= std::min(last, frame + heardAround);
         ++f) {
        const FrameMatch& match = matches[static_cast<std::size_t>(f)];
        const bool beside = match.frame == own.frame + f - frame;
        likeness += beside ? match.likeness : 0;
        count += 1;
        together += beside && std::abs(f - frame) <= around ? 1 : 0;
    }
    return together > around ? FrameMatch{own.frame, likeness / count} : FrameMatch{};
}

/// Where something is put that must be somewhere: where its frame is, or as far behind the last one before it that is
/// there.
std::int64_t nearestPlace(const std::vector<FrameMatch>& matches, std::int64_t frame, std::int64_t length)
{
    for (std::int64_t f = std::min(frame, static_cast<std::int64_t>(matches.size()) - 1); f >= 0; --f)
        if (const auto to = matches[static_cast<std::size_t>(f)].frame; to >= 0)
            return std::clamp<std::int64_t>(to + frame - f, 0, length - 1);
    return std::clamp<std::int64_t>(frame, 0, length - 1);
}

template <typename List>
void moveAll(List& list, const std::vector<FrameMatch>& matches, std::int64_t length)
{
    for (auto& item : list)
        item.frame = Frame{nearestPlace(matches, item.frame.index, length)};
    std::stable_sort(list.begin(), list.end(), [](const auto& a, const auto& b) { return a.frame < b.frame; });
    list.erase(std::unique(list.begin(), list.end(), [](const auto& a, const auto& b) { return a.frame == b.frame; }),
               list.end());
}

} // namespace

Result<Conformed> conform(const Project& project, const std::string& clip, const Progress& progress)
{
    ClipOptions options;
    options.sequenceRate = project.rate;
    auto opened = ClipReader::open(clip, options);
    if (!opened)
        return opened.error();
    Project next = project;
    next.shots.clear();
    next.addShot(shotOf(opened.value()->info(), project.rate));
    const std::int64_t length = next.length();
    const auto total = static_cast<double>(project.length() + length);
    const double share = static_cast<double>(project.length()) / total;

    const auto before = printOf(project, [&](double done) { return progress(0.9 * share * done); });
    if (!before)
        return before.error();
    const auto after = printOf(next, [&](double done) { return progress(0.9 * (share + (1 - share) * done)); });
    if (!after)
        return after.error();
    const auto matched =
        matchFrames(before.value(), after.value(), [&](double done) { return progress(0.9 + 0.1 * done); });
    if (!matched)
        return matched.error();
    const std::vector<FrameMatch>& matches = matched.value();

    Conformed out;
    next.strikes.clear();
    for (const Strike& strike : project.strikes) {
        const FrameMatch place = placeOf(matches, strike.frame.index);
        out.strikes.push_back({strike.id, strike.name.empty() ? std::string(kindName(strike.kind)) : strike.name,
                               strike.frame.index, place.frame, place.likeness});
        Strike moved = strike;
        moved.onCut = false;
        if (place.frame >= 0) {
            moved.frame = Frame{place.frame};
            next.strikes.push_back(std::move(moved));
            continue;
        }
        ++out.unmatched;
        moved.frame = Frame{length + strike.frame.index};
        next.shots.front().trimmed.push_back(std::move(moved));
    }
    next.sortStrikes();
    for (const Shot& shot : project.shots)
        for (Strike strike : shot.trimmed) {
            strike.frame = Frame{length + strike.frame.index};
            next.shots.front().trimmed.push_back(std::move(strike));
        }
    moveAll(next.settles, matches, length);
    moveAll(next.master.keys, matches, length);
    std::vector<MoveKey> keys = filmMove(project);
    moveAll(keys, matches, length);
    next = withFilmMove(std::move(next), keys);
    for (Layer& layer : next.layers)
        layer.in = nearestPlace(matches, layer.in, length);
    out.project = std::move(next);
    return out;
}

} // namespace ember
