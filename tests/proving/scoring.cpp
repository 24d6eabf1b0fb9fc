// SPDX-License-Identifier: GPL-3.0-or-later
#include "scoring.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <numeric>
#include <sstream>

namespace ember::proving {

namespace {

constexpr std::array<const char*, 4> kindWords{"blast", "landing", "hit", "beat"};

std::string truthPath(const std::string& clip)
{
    return std::filesystem::path(clip).replace_extension(".txt").string();
}

KnownClip readTruth(const std::string& path)
{
    KnownClip clip;
    clip.path = path;
    std::ifstream in(truthPath(path));
    std::string line;
    while (std::getline(in, line)) {
        std::istringstream words(line);
        std::string word;
        words >> word;
        if (word == "scene" || word == "trap") {
            clip.trap = word == "trap";
            std::getline(words >> std::ws, clip.kind);
        } else if (word == "film") {
            std::int64_t num = 0, den = 1;
            words >> num >> den >> clip.frames;
            clip.rate = FrameRate::make(num, den).value_or(FrameRate());
        } else if (word == "event") {
            KnownEvent event;
            int kind = 0;
            double direction = -1;
            words >> event.frame >> kind >> direction >> event.strength;
            event.kind = static_cast<StrikeKind>(kind);
            if (direction >= 0)
                event.direction = direction;
            clip.events.push_back(event);
        } else if (word == "within") {
            for (std::int64_t& frames : clip.within)
                words >> frames;
        } else if (word == "open") {
            words >> clip.open.emplace_back();
        } else if (word == "beat") {
            words >> clip.bpm >> clip.firstBeat;
        } else if (word == "beats") {
            for (double seconds = 0; words >> seconds;)
                clip.beats.push_back(seconds);
        } else if (word == "change") {
            KnownClip::Change change;
            words >> change.kind >> change.frame >> change.length;
            clip.changes.push_back(change);
        }
    }
    return clip;
}

double share(int part, int all)
{
    return all == 0 ? 1 : static_cast<double>(part) / all;
}

} // namespace

void writeTruth(const KnownClip& clip)
{
    std::ofstream out(truthPath(clip.path));
    out << (clip.trap ? "trap " : "scene ") << clip.kind << "\n";
    out << "film " << clip.rate.num() << " " << clip.rate.den() << " " << clip.frames << "\n";
    out << "within " << clip.within[0] << " " << clip.within[1] << " " << clip.within[2] << "\n";
    for (const std::int64_t frame : clip.open)
        out << "open " << frame << "\n";
    if (clip.bpm > 0)
        out << "beat " << clip.bpm << " " << clip.firstBeat << "\n";
    if (!clip.beats.empty())
        out << "beats";
    for (const double seconds : clip.beats)
        out << " " << seconds;
    if (!clip.beats.empty())
        out << "\n";
    for (const KnownEvent& event : clip.events)
        out << "event " << event.frame << " " << static_cast<int>(event.kind) << " " << event.direction.value_or(-1)
            << " " << event.strength << "\n";
    for (const KnownClip::Change& change : clip.changes)
        out << "change " << change.kind << " " << change.frame << " " << change.length << "\n";
}

std::vector<KnownClip> clipsIn(const std::string& folder)
{
    std::vector<std::string> paths;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        if ((entry.path().extension() == ".mp4" || entry.path().extension() == ".wav") &&
            std::filesystem::exists(truthPath(entry.path().string())))
            paths.push_back(entry.path().string());
    std::sort(paths.begin(), paths.end());
    std::vector<KnownClip> clips;
    clips.reserve(paths.size());
    for (const std::string& path : paths)
        clips.push_back(readTruth(path));
    return clips;
}

void Score::add(const KnownClip& clip, const std::vector<Proposed>& told_)
{
    const auto near = [&](std::int64_t frame, std::int64_t other) { return std::abs(frame - other) <= clip.within[1]; };
    std::vector<Proposed> all;
    std::copy_if(told_.begin(), told_.end(), std::back_inserter(all), [&](const Proposed& one) {
        return std::none_of(clip.open.begin(), clip.open.end(),
                            [&](std::int64_t frame) { return near(frame, one.frame); }) ||
               std::any_of(clip.events.begin(), clip.events.end(),
                           [&](const KnownEvent& event) { return near(event.frame, one.frame); });
    });
    known += static_cast<int>(clip.events.size());
    proposed += static_cast<int>(all.size());
    minutes += clip.rate.seconds(static_cast<double>(clip.frames)) / 60;
    std::vector<const KnownEvent*> matched(all.size());
    for (std::size_t within = 0; within < clip.within.size(); ++within) {
        std::vector<bool> taken(all.size());
        for (const KnownEvent& event : clip.events) {
            std::optional<std::size_t> best;
            for (std::size_t i = 0; i < all.size(); ++i) {
                const auto off = std::abs(all[i].frame - event.frame);
                if (!taken[i] && off <= clip.within[within] &&
                    (!best || off < std::abs(all[*best].frame - event.frame)))
                    best = i;
            }
            if (!best)
                continue;
            taken[*best] = true;
            ++right[within];
            if (within == 1)
                matched[*best] = &event;
        }
    }
    std::vector<std::size_t> order(all.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(),
                     [&](std::size_t a, std::size_t b) { return all[a].strength > all[b].strength; });
    order.resize(std::min(order.size(), clip.events.size()));
    strongest += static_cast<int>(clip.events.size());
    for (const std::size_t i : order)
        strongestRight += matched[i] != nullptr;
    for (std::size_t i = 0; i < all.size(); ++i) {
        told.emplace_back(all[i].confidence, matched[i] != nullptr);
        if (matched[i] == nullptr)
            continue;
        kindRight += all[i].kind == matched[i]->kind;
        if (matched[i]->direction && all[i].direction) {
            ++ways;
            const double off = std::remainder(*matched[i]->direction - *all[i].direction, 360);
            waysRight += std::abs(off) <= 30;
        }
        for (std::size_t k = 0; k < i; ++k)
            if (matched[k] != nullptr && matched[k]->strength != matched[i]->strength) {
                ++pairs;
                pairsRight += (matched[k]->strength < matched[i]->strength) == (all[k].strength < all[i].strength);
            }
    }
}

void Score::add(const Score& other)
{
    for (std::size_t i = 0; i < right.size(); ++i)
        right[i] += other.right[i];
    known += other.known;
    proposed += other.proposed;
    kindRight += other.kindRight;
    ways += other.ways;
    waysRight += other.waysRight;
    pairs += other.pairs;
    pairsRight += other.pairsRight;
    strongest += other.strongest;
    strongestRight += other.strongestRight;
    minutes += other.minutes;
    told.insert(told.end(), other.told.begin(), other.told.end());
}

double Score::precision(int within) const
{
    return share(right[static_cast<std::size_t>(within)], proposed);
}

double Score::recall(int within) const
{
    return share(right[static_cast<std::size_t>(within)], known);
}

double Score::f(int within) const
{
    return share(2 * right[static_cast<std::size_t>(within)], proposed + known);
}

double Score::falseAMinute() const
{
    return (proposed - right[1]) / std::max(minutes, 1e-9);
}

double Score::brier() const
{
    double sum = 0;
    for (const auto& [confidence, right_] : told)
        sum += std::pow(confidence - (right_ ? 1 : 0), 2);
    return told.empty() ? 0 : sum / static_cast<double>(told.size());
}

std::array<double, 10> Score::reliability() const
{
    std::array<int, 10> all{}, good{};
    for (const auto& [confidence, right_] : told) {
        const auto tenth = static_cast<std::size_t>(std::clamp(confidence * 10, 0.0, 9.0));
        ++all[tenth];
        good[tenth] += right_ ? 1 : 0;
    }
    std::array<double, 10> out{};
    for (std::size_t i = 0; i < out.size(); ++i)
        out[i] = all[i] == 0 ? -1 : static_cast<double>(good[i]) / all[i];
    return out;
}

std::string tableOf(const std::map<std::string, Score>& scores)
{
    std::array<char, 200> text{};
    std::string table(24, ' ');
    table += " known  told    F 0    F 1    F 2 recall false/m  kind   way  order    top\n";
    const auto line = [&](const std::string& name, const Score& s) {
        std::snprintf(text.data(), text.size(), "%-24s%6d%6d%7.2f%7.2f%7.2f%7.2f%8.1f%6.2f%6.2f%7.2f%7.2f\n",
                      name.c_str(), s.known, s.proposed, s.f(0), s.f(1), s.f(2), s.recall(1), s.falseAMinute(),
                      share(s.kindRight, s.right[1]), share(s.waysRight, s.ways), share(s.pairsRight, s.pairs),
                      share(s.strongestRight, s.strongest));
        table += text.data();
    };
    Score all, impacts, traps;
    for (const auto& [name, score] : scores) {
        line(name, score);
        all.add(score);
        (score.known > 0 ? impacts : traps).add(score);
    }
    line("= impacts", impacts);
    line("= traps", traps);
    line("= all", all);
    std::snprintf(text.data(), text.size(),
                  "Brier %.3f; right of those told with 0 to 0.1, 0.1 to 0.2, ...:", all.brier());
    table += text.data();
    for (const double r : all.reliability()) {
        std::snprintf(text.data(), text.size(), r < 0 ? "    -" : " %.2f", r);
        table += text.data();
    }
    return table + "\n";
}

} // namespace ember::proving
