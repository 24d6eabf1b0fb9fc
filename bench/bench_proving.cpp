// SPDX-License-Identifier: GPL-3.0-or-later
// The proving ground: clips made of photographs, whose impacts are known, and how well they are found.
//
//     bench_proving make FOLDER tuning|unseen FIRST LAST [KIND]   makes the clips of these seeds
//     bench_proving train FOLDER TREES                            trains trees on them
//     bench_proving eyes FOLDER [TREES]                           finds by picture, and prints a table
//     bench_proving cuts FOLDER                                   finds cuts, dissolves and fades
#include <algorithm>
#include <array>
#include <atomic>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <functional>
#include <map>
#include <sstream>
#include <string>
#include <thread>
#include <vector>

#include <opencv2/core.hpp>

#include <QCoreApplication>

#include "boosting.h"
#include "ember/analysis/impacts.h"
#include "ember/film/find_strikes.h"
#include "ember/media/clip.h"
#include "films.h"
#include "impact_features.h"
#include "scene.h"
#include "scoring.h"

namespace {

using namespace ember;
using namespace ember::proving;

constexpr int width = 512;
constexpr int height = 288;

KnownClip knownOf(const Scene& scene, const std::string& path)
{
    KnownClip clip;
    clip.path = path;
    clip.kind = scene.kind;
    clip.trap = scene.trap;
    clip.rate = scene.rate;
    clip.frames = scene.frames();
    for (const Event& event : scene.events)
        clip.events.push_back({scene.frameOf(event.seconds).index, event.kind, event.direction, event.strength});
    for (const Change& change : scene.changes)
        clip.changes.push_back({change.length == 0 ? "cut"
                                : change.fade      ? "fade"
                                                   : "dissolve",
                                scene.frameOf(change.seconds).index, std::llround(scene.rate.frames(change.length))});
    return clip;
}

int make(const std::string& folder, Share share, std::uint64_t first, std::uint64_t last, const std::string& only)
{
    std::filesystem::create_directories(folder);
    Album album(share);
    if (album.empty()) {
        std::fputs("No photographs: install lomiri-wallpapers and mate-backgrounds.\n", stderr);
        return 1;
    }
    std::vector<std::string> kinds = impactKinds();
    for (std::string& kind : trapKinds())
        kinds.push_back(std::move(kind));
    for (std::uint64_t seed = first; seed <= last; ++seed)
        for (const std::string& kind : kinds) {
            if (!only.empty() && kind != only)
                continue;
            std::string name = kind;
            std::replace(name.begin(), name.end(), ' ', '-');
            const std::string path = folder + "/" + name + "-" + std::to_string(seed) + ".mp4";
            const Scene scene = sceneOf(kind, seed, album);
            writeScene(scene, path, width, height);
            writeTruth(knownOf(scene, path));
        }
    return 0;
}

/// What was watched is kept beside the clip, for the next time.
PictureTrace traceOf(const KnownClip& known)
{
    static_assert(std::is_trivially_copyable_v<FrameChange>);
    const std::string kept = known.path + ".trace";
    PictureTrace trace;
    if (std::ifstream in(kept, std::ios::binary); in) {
        trace.frames.resize(std::filesystem::file_size(kept) / sizeof(FrameChange));
        in.read(reinterpret_cast<char*>(trace.frames.data()),
                static_cast<std::streamsize>(trace.frames.size() * sizeof(FrameChange)));
        return trace;
    }
    auto clip = ClipReader::open(known.path);
    if (!clip)
        return {};
    auto watched = watchClip(*clip.value(), known.rate, known.frames, [](double) { return true; });
    if (watched)
        trace = std::move(watched.value());
    std::ofstream(kept, std::ios::binary)
        .write(reinterpret_cast<const char*>(trace.frames.data()),
               static_cast<std::streamsize>(trace.frames.size() * sizeof(FrameChange)));
    return trace;
}

/// All clips of a folder as they are watched, on all processors.
struct Watched {
    std::vector<KnownClip> clips;
    std::vector<PictureTrace> traces;

    /// Drawn films, too: not everything is a photograph. Seeds 1 to `count`; the tests' are others.
    void addDrawn(std::uint64_t count)
    {
        for (std::uint64_t seed = 1; seed <= count; ++seed)
            for (const test::KnownFilm& film : test::knownFilms(seed)) {
                KnownClip clip;
                clip.path = "drawn-" + std::to_string(seed);
                clip.kind = "drawn films";
                clip.trap = film.impacts.empty();
                clip.frames = film.frames;
                for (const int frame : film.impacts)
                    clip.events.push_back({frame,
                                           film.name.find("burst") != std::string::npos  ? StrikeKind::blast
                                           : film.name.find("blow") != std::string::npos ? StrikeKind::hit
                                                                                         : StrikeKind::landing,
                                           std::nullopt, 1});
                PictureWatcher watcher;
                for (int i = 0; i < film.frames; ++i)
                    watcher.watch(film.draw(i), Frame{i});
                clips.push_back(std::move(clip));
                traces.push_back(watcher.finish());
            }
    }

    explicit Watched(const std::string& folder) : clips(clipsIn(folder)), traces(clips.size())
    {
        std::atomic<std::size_t> next = 0;
        std::vector<std::jthread> threads;
        for (unsigned i = 0; i < std::max(1U, std::thread::hardware_concurrency()); ++i)
            threads.emplace_back([&] {
                for (std::size_t at = next++; at < clips.size(); at = next++)
                    traces[at] = traceOf(clips[at]);
            });
    }
};

/// Cuts, dissolves and fades: those that are known, found of them, and told that are none.
int cuts(const std::string& folder)
{
    const std::vector<KnownClip> clips = clipsIn(folder);
    std::vector<std::vector<ShotChange>> told(clips.size());
    {
        std::atomic<std::size_t> next = 0;
        std::vector<std::jthread> threads;
        for (unsigned i = 0; i < std::max(1U, std::thread::hardware_concurrency()); ++i)
            threads.emplace_back([&] {
                for (std::size_t at = next++; at < clips.size(); at = next++)
                    if (auto clip = ClipReader::open(clips[at].path))
                        if (auto found =
                                findCuts(*clip.value(), clips[at].rate, clips[at].frames, [](double) { return true; }))
                            told[at] = std::move(found.value());
            });
    }
    struct Count {
        int known = 0, found = 0, wrong = 0;
        std::vector<std::int64_t> ends; ///< frames that the first and the last one are off by
    };
    std::map<std::string, Count> counts;
    std::map<std::string, int> wrongIn;
    for (std::size_t i = 0; i < clips.size(); ++i) {
        std::vector<bool> taken(told[i].size());
        for (const KnownClip::Change& change : clips[i].changes) {
            Count& count = counts[change.kind];
            ++count.known;
            const std::int64_t near = change.kind == "cut" ? 1 : std::max<std::int64_t>(3, change.length / 3);
            for (std::size_t k = 0; k < told[i].size(); ++k)
                if (!taken[k] && changeName(told[i][k].kind) == change.kind &&
                    std::abs(told[i][k].frame.index - change.frame) <= near) {
                    taken[k] = true;
                    ++count.found;
                    const std::int64_t first = change.frame - change.length / 2;
                    count.ends.push_back(std::abs(told[i][k].first.index - first));
                    count.ends.push_back(
                        std::abs(told[i][k].last.index - (first + std::max<std::int64_t>(change.length - 1, 0))));
                    break;
                }
        }
        for (std::size_t k = 0; k < told[i].size(); ++k)
            if (!taken[k]) {
                ++counts[std::string(changeName(told[i][k].kind))].wrong;
                ++wrongIn[clips[i].kind + ", " + std::string(changeName(told[i][k].kind))];
            }
    }
    for (auto& [kind, count] : counts) {
        std::sort(count.ends.begin(), count.ends.end());
        const auto quantile = [&ends = count.ends](std::size_t percent) {
            return ends.empty() ? 0 : ends[(ends.size() - 1) * percent / 100];
        };
        std::printf(
            "%-10s known %d, found %d, wrong %d; first and last frame off by %lld in the middle, %lld of nine in "
            "ten\n",
            kind.c_str(), count.known, count.found, count.wrong, static_cast<long long>(quantile(50)),
            static_cast<long long>(quantile(90)));
    }
    for (const auto& [where, count] : wrongIn)
        std::printf("wrong in %s: %d\n", where.c_str(), count);
    return 0;
}

std::vector<Example> examplesOf(const Watched& watched, const std::vector<ImpactFeatures>& features,
                                const std::function<bool(std::size_t)>& taken)
{
    std::vector<Example> examples;
    for (std::size_t i = 0; i < watched.clips.size(); ++i)
        for (std::size_t f = 2; taken(i) && f + 2 < features[i].frames(); ++f) {
            // Frames beside an impact's are neither.
            std::int64_t off = 1000;
            for (const KnownEvent& event : watched.clips[i].events)
                off = std::min(off, std::abs(event.frame - watched.traces[i].frames[f].frame.index));
            if (off == 0 || off > 1)
                examples.push_back({features[i].of(f), off == 0});
        }
    return examples;
}

std::vector<Proposed> proposedAs(const std::vector<Impact>& impacts)
{
    std::vector<Proposed> proposed;
    for (const Impact& impact : impacts)
        proposed.push_back({impact.frame.index, impact.confidence, impact.strength, impact.kind, impact.direction});
    return proposed;
}

/// With the trees that ship, or others.
int eyes(const std::string& folder, const std::string& path)
{
    const Watched watched(folder);
    std::string text;
    if (std::ifstream in(path); in) {
        std::ostringstream all;
        all << in.rdbuf();
        text = all.str().substr(all.str().find('(') + 1);
    }
    const StrikeTrees trees(text);
    std::map<std::string, Score> scores;
    for (std::size_t i = 0; i < watched.clips.size(); ++i) {
        const PictureTrace& trace = watched.traces[i];
        const ImpactOptions options;
        scores[watched.clips[i].kind].add(
            watched.clips[i],
            proposedAs((path.empty() ? ImpactFinder(trace) : ImpactTraining::finder(trees, trace)).at(options)));
    }
    std::fputs(tableOf(scores).c_str(), stdout);
    return 0;
}

/// Of impacts' first frames, those of one kind against the others.
std::vector<Example> kindExamplesOf(const Watched& watched, const std::vector<ImpactFeatures>& features,
                                    StrikeKind kind, const std::function<bool(std::size_t)>& taken)
{
    std::vector<Example> examples;
    for (std::size_t i = 0; i < watched.clips.size(); ++i)
        for (const KnownEvent& event : watched.clips[i].events)
            for (std::size_t f = 0; taken(i) && f < features[i].frames(); ++f)
                if (watched.traces[i].frames[f].frame.index == event.frame)
                    examples.push_back({features[i].of(f), event.kind == kind});
    return examples;
}

StrikeTrees trainedOn(const Watched& watched, const std::vector<ImpactFeatures>& features, const Boosting& how,
                      const std::function<bool(std::size_t)>& taken)
{
    std::array<std::vector<Example>, StrikeTrees::kinds.size()> ofKinds;
    for (std::size_t k = 0; k < ofKinds.size(); ++k)
        ofKinds[k] = kindExamplesOf(watched, features, StrikeTrees::kinds[k], taken);
    return boostedStrikes(examplesOf(watched, features, taken), ofKinds, ImpactFeatures::count(),
                          ImpactFeatures::count(), how);
}

/// Trees that tell an impact's first frame, trained on a folder and written as text. How sure they may be is learned
/// from quarters of the clips that trees made of the other three have not seen; so is the table that is printed.
int train(const std::string& folder, const std::string& out, const Boosting& how)
{
    constexpr std::size_t parts = 4;
    Watched watched(folder);
    watched.addDrawn(12);
    std::vector<ImpactFeatures> features;
    for (const PictureTrace& trace : watched.traces)
        features.emplace_back(trace);
    // Clips of one seed share nothing but the photographs, of which there are few: parts are made by seed.
    const auto partOf = [&](std::size_t i) {
        const std::string& path = watched.clips[i].path;
        return static_cast<std::size_t>(std::stoi(path.substr(path.rfind('-') + 1))) % parts;
    };
    std::array<StrikeTrees, parts> unseen;
    std::vector<ImpactFinder> finders;
    const auto scoresAt = [&](double sensitivity) {
        std::map<std::string, Score> scores;
        for (std::size_t i = 0; i < watched.clips.size(); ++i)
            scores[watched.clips[i].kind].add(watched.clips[i], proposedAs(finders[i].at({sensitivity, 6})));
        return scores;
    };
    {
        std::vector<std::jthread> threads;
        for (std::size_t part = 0; part < parts; ++part)
            threads.emplace_back([&, part] {
                unseen[part] = trainedOn(watched, features, how, [&](std::size_t i) { return partOf(i) != part; });
            });
    }
    const auto find = [&] {
        finders.clear();
        for (std::size_t i = 0; i < watched.clips.size(); ++i)
            finders.push_back(ImpactTraining::finder(unseen[partOf(i)], watched.traces[i]));
    };
    find();
    std::vector<std::pair<double, bool>> told;
    for (const auto& [kind, score] : scoresAt(1))
        told.insert(told.end(), score.told.begin(), score.told.end());
    const auto [start, slope] = calibrated(told);
    for (StrikeTrees& trees : unseen)
        trees.event.recalibrate(start, slope);
    find();
    for (const double sensitivity : {0.3, 0.4, 0.5, 0.6, 0.7}) {
        Score all;
        for (const auto& [kind, score] : scoresAt(sensitivity))
            all.add(score);
        std::printf("sensitivity %.1f: F %.3f within a frame, false %.1f a minute\n", sensitivity, all.f(1),
                    all.falseAMinute());
    }
    std::fputs(tableOf(scoresAt(0.5)).c_str(), stdout);
    StrikeTrees trees = trainedOn(watched, features, how, [](std::size_t) { return true; });
    trees.event.recalibrate(start, slope);
    std::ofstream(out) << "R\"trees(" << trees.text() << ")trees\"\n";
    std::printf("%zu clips, %zu bytes; odds %.2f + %.2f\n", watched.clips.size(), trees.text().size(), start, slope);
    return 0;
}

} // namespace

int main(int argc, char** argv)
{
    const QCoreApplication application(argc, argv);
    cv::setNumThreads(1);
    const std::vector<std::string> words(argv + 1, argv + argc);
    if (words.size() >= 5 && words[0] == "make")
        return make(words[1], words[2] == "unseen" ? Share::unseen : Share::tuning, std::stoull(words[3]),
                    std::stoull(words[4]), words.size() > 5 ? words[5] : "");
    if (words.size() >= 3 && words[0] == "train")
        return train(words[1], words[2], {});
    if (words.size() >= 2 && words[0] == "cuts")
        return cuts(words[1]);
    if (words.size() >= 2 && words[0] == "eyes")
        return eyes(words[1], words.size() > 2 ? words[2] : "");
    std::fputs("See the first lines of bench/bench_proving.cpp.\n", stderr);
    return 2;
}
