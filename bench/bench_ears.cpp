// SPDX-License-Identifier: GPL-3.0-or-later
// The proving ground for ears: sounds made of recordings and of music, whose events are known, and how well they are
// found.
//
//     bench_ears make FOLDER tuning|unseen FIRST LAST [KIND]   makes the sounds of these seeds
//     bench_ears train FOLDER TREES                            trains trees on them
//     bench_ears find FOLDER [TREES|rises]                     finds by ear, and prints a table; "rises" takes every
//                                                              clear rise for an event
//     bench_ears alike FOLDER [TREES]                          corrects one proposal, and what is like it with it
//     bench_ears beats FOLDER                                  finds the beat of music
#include <atomic>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <functional>
#include <map>
#include <optional>
#include <sstream>
#include <string>
#include <thread>
#include <vector>

#include <QCoreApplication>

#include "boosting.h"
#include "ember/analysis/likeness.h"
#include "ember/media/sound_reader.h"
#include "onset_features.h"
#include "scoring.h"
#include "sound_scenes.h"
#include "sounds.h"

namespace {

using namespace ember;
using namespace ember::proving;

const FrameRate milliseconds = FrameRate::make(1000, 1).value_or(FrameRate());

void onAllProcessors(std::size_t count, const std::function<void(std::size_t)>& work)
{
    std::atomic<std::size_t> next = 0;
    std::vector<std::jthread> threads;
    for (unsigned i = 0; i < std::max(1U, std::thread::hardware_concurrency()); ++i)
        threads.emplace_back([&] {
            for (std::size_t at = next++; at < count; at = next++)
                work(at);
        });
}

int make(const std::string& folder, Share share, std::uint64_t first, std::uint64_t last, const std::string& only)
{
    std::filesystem::create_directories(folder);
    const Recordings recordings(share);
    const Player player(share);
    if (!recordings.complete() || !player.ready()) {
        std::fputs("Recordings are missing: see tests/proving/recordings.h for the packages.\n", stderr);
        return 1;
    }
    std::vector<std::pair<std::string, std::uint64_t>> wanted;
    for (const auto& kinds : {soundImpacts(), soundTraps()})
        for (const std::string& kind : kinds)
            for (std::uint64_t seed = first; seed <= last; ++seed)
                if (only.empty() || kind == only)
                    wanted.emplace_back(kind, seed);
    onAllProcessors(wanted.size(), [&](std::size_t i) {
        const SoundScene scene = soundScene(wanted[i].first, wanted[i].second, recordings, player);
        std::string name = scene.kind;
        std::replace(name.begin(), name.end(), ' ', '-');
        const std::string path = folder + "/" + name + "-" + std::to_string(wanted[i].second) + ".wav";
        test::writeWav(path, scene.sound);
        writeTruth(knownOf(scene, path));
    });
    return 0;
}

SoundTrace traceOf(const SoundBuffer& sound)
{
    SoundMeter meter(sound.rate, sound.channels);
    meter.hear(sound.samples);
    return meter.finish();
}

SoundTrace traceOf(const std::string& path)
{
    auto reader = SoundReader::open(path, 0, {});
    if (!reader)
        return {};
    SoundMeter meter(reader.value()->rate(), reader.value()->channels());
    while (!reader.value()->atEnd())
        meter.hear(reader.value()->read(reader.value()->rate()).samples);
    return meter.finish();
}

/// All sounds of a folder as they are heard.
struct Listened {
    std::vector<KnownClip> clips;
    std::vector<SoundTrace> traces;

    explicit Listened(const std::string& folder) : clips(clipsIn(folder)), traces(clips.size())
    {
        onAllProcessors(clips.size(), [&](std::size_t i) { traces[i] = traceOf(clips[i].path); });
    }
    /// Sounds made of formulas, too. Seeds 1 to `count`; the tests' are others.
    void addMade(std::uint64_t count)
    {
        for (std::uint64_t seed = 1; seed <= count; ++seed)
            for (const bool drums : {false, true}) {
                constexpr std::array<test::Bed, 3> beds{test::Bed::silence, test::Bed::music, test::Bed::noise};
                constexpr std::array<int, 4> rates{48000, 22050, 8000, 44100};
                const test::Bed bed = beds[seed % 3];
                const test::KnownSound known =
                    drums ? test::drumMusic(seed, 70 + 7.0 * static_cast<double>(seed % 15), seed % 2 == 0 ? 0 : 0.25,
                                            12, bed)
                          : test::separateImpacts(seed, bed, seed % 4 == 0 ? 3 : 1, 15, rates[seed % 4], 1 + seed % 2);
                SoundScene scene;
                scene.kind = drums ? "made drums" : "made impacts";
                scene.sound = known.sound;
                for (const double seconds : known.onsets)
                    scene.events.push_back({seconds, StrikeKind::beat, 1});
                clips.push_back(knownOf(scene, "made-" + std::to_string(seed)));
                traces.push_back(traceOf(known.sound));
            }
    }
};

std::vector<Proposed> proposedBy(const OnsetFinder& finder, double sensitivity)
{
    FindOptions options;
    options.sensitivity = sensitivity;
    options.from = FindFrom::sound;
    std::vector<Proposed> proposed;
    for (const Candidate& one : findStrikes(&finder, nullptr, 0, milliseconds, options).candidates)
        proposed.push_back({one.frame.index, one.confidence, one.strength, one.kind, std::nullopt});
    return proposed;
}

struct Examples {
    std::vector<Example> events;
    std::array<std::vector<Example>, StrikeTrees::kinds.size()> ofKinds;

    void add(const KnownClip& clip, const std::vector<Rise>& rises, const OnsetFeatures& features)
    {
        // A song has ten times as many events as a fall has: some of them are enough.
        const std::size_t every = std::max<std::size_t>(clip.events.size() / 15, 1);
        constexpr std::int64_t near = 25, doubtful = 60;
        const auto at = [&](std::size_t i) { return std::llround(1000 * rises[i].seconds); };
        std::vector<const KnownEvent*> of(rises.size());
        for (const KnownEvent& event : clip.events) {
            std::optional<std::size_t> best;
            for (std::size_t i = 0; i < rises.size(); ++i)
                if (std::abs(at(i) - event.frame) <= near && (!best || rises[i].score > rises[*best].score))
                    best = i;
            if (best)
                of[*best] = &event;
        }
        for (std::size_t i = 0; i < rises.size(); ++i) {
            const bool doubt =
                std::any_of(clip.events.begin(), clip.events.end(),
                            [&](const KnownEvent& event) { return std::abs(event.frame - at(i)) <= doubtful; }) ||
                std::any_of(clip.open.begin(), clip.open.end(),
                            [&](std::int64_t frame) { return std::abs(frame - at(i)) <= doubtful; });
            if (of[i] == nullptr && doubt)
                continue;
            if (i % every == 0)
                events.push_back({features.of(i), of[i] != nullptr});
            // What is struck in music, and is on no beat, is a hit.
            if (of[i] != nullptr && (every == 1 || i % (3 * every) == 0))
                for (std::size_t k = 0; k < ofKinds.size(); ++k)
                    ofKinds[k].push_back(
                        {features.of(i),
                         (of[i]->kind == StrikeKind::beat ? StrikeKind::hit : of[i]->kind) == StrikeTrees::kinds[k]});
        }
    }
};

int train(const std::string& folder, const std::string& out)
{
    constexpr std::size_t parts = 4;
    Listened listened(folder);
    listened.addMade(48);
    const std::size_t count = listened.clips.size();
    std::vector<std::vector<Rise>> rises(count);
    std::vector<std::optional<OnsetFeatures>> features(count);
    onAllProcessors(count, [&](std::size_t i) {
        rises[i] = OnsetTraining::risesOf(listened.traces[i]);
        features[i].emplace(OnsetTraining::featuresOf(listened.traces[i], rises[i]));
    });
    const auto partOf = [&](std::size_t i) {
        const std::string& path = listened.clips[i].path;
        return static_cast<std::size_t>(std::stoi(path.substr(path.rfind('-') + 1))) % parts;
    };
    Boosting how;
    how.trees = 450;
    how.rate = 0.06;
    const auto trainedOn = [&](const std::function<bool(std::size_t)>& taken) {
        Examples examples;
        for (std::size_t i = 0; i < count; ++i)
            if (taken(i))
                examples.add(listened.clips[i], rises[i], *features[i]);
        return boostedStrikes(examples.events, examples.ofKinds, OnsetFeatures::count(), OnsetFeatures::own(), how);
    };
    std::array<StrikeTrees, parts> unseen;
    onAllProcessors(
        parts, [&](std::size_t part) { unseen[part] = trainedOn([&](std::size_t i) { return partOf(i) != part; }); });
    const auto scoresAt = [&](double sensitivity) {
        std::vector<std::vector<Proposed>> proposed(count);
        onAllProcessors(count, [&](std::size_t i) {
            proposed[i] = proposedBy(OnsetTraining::finder(unseen[partOf(i)], listened.traces[i]), sensitivity);
        });
        std::map<std::string, Score> scores;
        for (std::size_t i = 0; i < count; ++i)
            scores[listened.clips[i].kind].add(listened.clips[i], proposed[i]);
        return scores;
    };
    std::vector<std::pair<double, bool>> told;
    for (const auto& [kind, score] : scoresAt(1))
        told.insert(told.end(), score.told.begin(), score.told.end());
    const auto [start, slope] = calibrated(told);
    for (StrikeTrees& trees : unseen)
        trees.event.recalibrate(start, slope);
    std::fputs(tableOf(scoresAt(0.5)).c_str(), stdout);
    StrikeTrees trees = trainedOn([](std::size_t) { return true; });
    trees.event.recalibrate(start, slope);
    std::ofstream(out) << "R\"trees(" << trees.text() << ")trees\"\n";
    std::printf("%zu sounds, %zu numbers a rise, %zu bytes; odds %.2f + %.2f\n", count, OnsetFeatures::count(),
                trees.text().size(), start, slope);
    return 0;
}

std::optional<StrikeTrees> readTrees(const std::string& path)
{
    if (path.empty())
        return std::nullopt;
    std::stringstream text;
    text << std::ifstream(path).rdbuf();
    const std::string all = text.str();
    return StrikeTrees(std::string_view(all).substr(all.find('(') + 1));
}

/// One false proposal of each sound is rejected with all that are like it; one missed event is added with all that are
/// like it.
int alike(const std::string& folder, const std::string& treesFile)
{
    const Listened listened(folder);
    const auto trees = readTrees(treesFile);
    struct Count {
        int examples = 0, right = 0, wrong = 0, possible = 0;
    };
    Count none, more;
    for (std::size_t i = 0; i < listened.clips.size(); ++i) {
        const KnownClip& clip = listened.clips[i];
        const OnsetFinder finder = trees ? OnsetTraining::finder(*trees, listened.traces[i])
                                         : OnsetFinder(listened.traces[i], Band::all, 0.05);
        FindOptions options;
        options.from = FindFrom::sound;
        options.sensitivity = 1;
        const std::vector<Candidate> all = findStrikes(&finder, nullptr, 0, milliseconds, options).candidates;
        const auto isEvent = [&](const Candidate& one) {
            return std::any_of(clip.events.begin(), clip.events.end(), [&](const KnownEvent& event) {
                return std::abs(event.frame - one.frame.index) <= clip.within[1];
            });
        };
        const double asked = confidenceAsked(0.5);
        std::vector<Candidate> told, hidden;
        for (const Candidate& one : all)
            (one.confidence >= asked ? told : hidden).push_back(one);
        const auto correct = [&](const std::vector<Candidate>& of, bool event, Count& count) {
            const auto example =
                std::find_if(of.begin(), of.end(), [&](const Candidate& one) { return isEvent(one) == event; });
            if (example == of.end())
                return;
            ++count.examples;
            for (const Candidate& one : of)
                count.possible += &one != &*example && isEvent(one) == event;
            const std::vector<Candidate> others =
                event ? std::vector<Candidate>() : Likeness::surerThan(*example, told);
            for (const std::size_t k : Likeness(all).alike(*example, others))
                if (const bool in = (all[k].confidence >= asked) == !event; in)
                    ++(isEvent(all[k]) == event ? count.right : count.wrong);
        };
        correct(told, false, none);
        correct(hidden, true, more);
    }
    std::printf("none like this: %d examples, of %d other false ones %d go, and %d events with them\n", none.examples,
                none.possible, none.right, none.wrong);
    std::printf("more like this: %d examples, of %d other missed events %d come, and %d false ones with them\n",
                more.examples, more.possible, more.right, more.wrong);
    return 0;
}

int find(const std::string& folder, const std::string& treesFile)
{
    const Listened listened(folder);
    const bool everyRise = treesFile == "rises";
    const auto trees = readTrees(everyRise ? "" : treesFile);
    for (const double sensitivity : {0.4, 0.6, 0.5}) {
        std::vector<std::vector<Proposed>> proposed(listened.clips.size());
        onAllProcessors(listened.clips.size(), [&](std::size_t i) {
            if (everyRise) {
                for (const Onset& one : OnsetFinder(listened.traces[i], Band::all, 0.05).pulses())
                    proposed[i].push_back(
                        {std::llround(1000 * one.seconds), one.confidence, one.strength, one.kind, {}});
                return;
            }
            proposed[i] = proposedBy(trees ? OnsetTraining::finder(*trees, listened.traces[i])
                                           : OnsetFinder(listened.traces[i], Band::all, 0.05),
                                     sensitivity);
        });
        std::map<std::string, Score> scores;
        Score all;
        for (std::size_t i = 0; i < listened.clips.size(); ++i) {
            scores[listened.clips[i].kind].add(listened.clips[i], proposed[i]);
            all.add(listened.clips[i], proposed[i]);
        }
        if (sensitivity != 0.5)
            std::printf("sensitivity %.1f: F %.3f within a frame, false %.1f a minute\n", sensitivity, all.f(1),
                        all.falseAMinute());
        else
            std::fputs(tableOf(scores).c_str(), stdout);
        if (sensitivity != 0.5)
            continue;
        // Which kind is told for which.
        constexpr std::array<const char*, 4> words{"blast", "landing", "hit", "beat"};
        std::array<std::array<int, 4>, 4> told{};
        for (std::size_t i = 0; i < listened.clips.size(); ++i)
            for (const KnownEvent& event : listened.clips[i].events)
                for (const Proposed& one : proposed[i])
                    if (std::abs(one.frame - event.frame) <= listened.clips[i].within[1])
                        ++told[static_cast<std::size_t>(event.kind)][static_cast<std::size_t>(one.kind)];
        for (std::size_t k = 0; k < told.size(); ++k)
            std::printf("%-8s told blast %d, landing %d, hit %d, beat %d\n", words[k], told[k][0], told[k][1],
                        told[k][2], told[k][3]);
    }
    return 0;
}

/// Of music whose tempo changes: how many of its beats (or of every second, or with those between) are told within 30
/// ms, and how many of those told are right.
int changingBeats(const Listened& listened)
{
    int known = 0, mostly = 0;
    double meanFound = 0;
    for (std::size_t i = 0; i < listened.clips.size(); ++i) {
        const KnownClip& clip = listened.clips[i];
        if (clip.beats.size() < 2)
            continue;
        ++known;
        const auto tempo = tempoOf(listened.traces[i], OnsetFinder(listened.traces[i], Band::all, 0.05).pulses());
        std::printf("%-50s", std::filesystem::path(clip.path).filename().c_str());
        if (!tempo) {
            std::printf("  none\n");
            continue;
        }
        std::vector<double> told;
        for (std::int64_t k = 0; k < tempo->beats; ++k)
            told.push_back(tempo->grid.at(k));
        const auto shareOf = [](const std::vector<double>& these, const std::vector<double>& in) {
            int met = 0;
            for (const double one : these)
                met += std::any_of(in.begin(), in.end(), [&](double t) { return std::abs(t - one) < 0.03; });
            return these.empty() ? 0.0 : static_cast<double>(met) / static_cast<double>(these.size());
        };
        std::array<std::vector<double>, 4> levels{clip.beats, {}, {}, {}};
        for (std::size_t k = 0; k < clip.beats.size(); ++k) {
            levels[1 + k % 2].push_back(clip.beats[k]);
            levels[3].push_back(clip.beats[k]);
            if (k + 1 < clip.beats.size())
                levels[3].push_back((clip.beats[k] + clip.beats[k + 1]) / 2);
        }
        double f = 0;
        std::size_t level = 0;
        for (std::size_t k = 0; k < levels.size(); ++k) {
            const double found = shareOf(levels[k], told), right = shareOf(told, levels[k]);
            if (const double here = found + right > 0 ? 2 * found * right / (found + right) : 0; here > f) {
                f = here;
                level = k;
            }
        }
        meanFound += f;
        mostly += f >= 0.9;
        std::printf(" %zu beats, %zu pins, F %.2f at level %zu, confidence %.2f\n", told.size(),
                    tempo->grid.pins.size(), f, level, tempo->confidence);
    }
    if (known > 0)
        std::printf("%d pieces whose tempo changes: F of their beats %.2f, 0.9 or more in %d\n", known,
                    meanFound / known, mostly);
    return 0;
}

/// Of music: how often the tempo is right, half or double, and how often beats are within 20 ms.
int beats(const std::string& folder)
{
    const Listened listened(folder);
    int known = 0, right = 0, halfOrDouble = 0, inPhase = 0, fromFirst = 0;
    for (std::size_t i = 0; i < listened.clips.size(); ++i) {
        const KnownClip& clip = listened.clips[i];
        if (clip.bpm <= 0)
            continue;
        ++known;
        const OnsetFinder finder(listened.traces[i], Band::all, 0.05);
        const auto tempo = tempoOf(listened.traces[i], finder.pulses());
        const auto is = [&](double factor) {
            return tempo && std::abs(tempo->grid.bpm / (factor * clip.bpm) - 1) < 0.01;
        };
        std::printf("%-50s %7.2f", std::filesystem::path(clip.path).filename().c_str(), clip.bpm);
        if (!tempo) {
            std::printf("  none\n");
            continue;
        }
        right += is(1);
        halfOrDouble += is(0.5) || is(2);
        // Where beats are told, against where they are: the middle of the piece and its end.
        const double beat = 60 / clip.bpm, grid = is(2) ? beat / 2 : beat;
        double worst = 0;
        const std::int64_t last = tempo->beats - 1;
        for (const std::int64_t k : {last / 4, last / 2, 3 * last / 4})
            worst = std::max(worst, std::abs(std::remainder(tempo->grid.at(k) - clip.firstBeat, grid)));
        const bool phase = (is(1) || is(0.5) || is(2)) && worst < 0.02;
        inPhase += phase;
        fromFirst += phase && tempo->grid.firstBeat - clip.firstBeat < 0.02;
        std::printf(" %7.2f  %zu pins off %4.0f ms, first %6.2f told %6.2f, confidence %.2f\n", tempo->grid.bpm,
                    tempo->grid.pins.size(), 1e3 * worst, clip.firstBeat, tempo->grid.firstBeat, tempo->confidence);
    }
    if (known > 0)
        std::printf("%d pieces: tempo right %d, half or double %d, within 20 ms %d, from the first beat %d\n", known,
                    right, halfOrDouble, inPhase, fromFirst);
    return changingBeats(listened);
}

} // namespace

int main(int argc, char** argv)
{
    const QCoreApplication application(argc, argv);
    const std::vector<std::string> words(argv + 1, argv + argc);
    if (words.size() >= 5 && words[0] == "make")
        return make(words[1], words[2] == "unseen" ? Share::unseen : Share::tuning, std::stoull(words[3]),
                    std::stoull(words[4]), words.size() > 5 ? words[5] : "");
    if (words.size() >= 3 && words[0] == "train")
        return train(words[1], words[2]);
    if (words.size() >= 2 && words[0] == "find")
        return find(words[1], words.size() > 2 ? words[2] : "");
    if (words.size() >= 2 && words[0] == "alike")
        return alike(words[1], words.size() > 2 ? words[2] : "");
    if (words.size() >= 2 && words[0] == "beats")
        return beats(words[1]);
    std::fputs("See the first lines of bench/bench_ears.cpp.\n", stderr);
    return 2;
}
