// SPDX-License-Identifier: GPL-3.0-or-later
// The cover of long films: frames are asked in the order of what they can need at most, until none can need more.
#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

#include "ember/core/shot_covers.h"

namespace ember {

namespace {

/// No frame needs more than this while no axis goes beyond `most`. A point d of the frame, seen at cover c, comes from
/// R(-roll)·(d/c - shift)/zoom of the source; with |roll| below a quarter turn its sideways part is at most
/// (dx + dy·sin|roll|)/c + x + y·sin|roll|, over the zoom, and has to stay within half the source. Infinite where a
/// picture that is turned in depth may be seen.
double coverBound(const Project& project, const SeenPart& part, const AxisValues& most)
{
    constexpr double never = std::numeric_limits<double>::infinity();
    constexpr double slack = 1 + 1e-9;
    if (most[Axis::pan] > 0 || most[Axis::tilt] > 0)
        return never;
    const double roll = std::min(90.0, most[Axis::roll]) * std::numbers::pi / 180;
    const double sine = most[Axis::roll] >= 90 ? 1.0 : std::sin(roll);
    const double zoom = 1 - most[Axis::zoom];
    const double dx = 0.5 * (part.width - 1);
    const double dy = 0.5 * (part.height - 1);
    const double roomX = zoom * 0.5 * (project.width - 1) - most[Axis::x] - most[Axis::y] * sine;
    const double roomY = zoom * 0.5 * (project.height - 1) - most[Axis::y] - most[Axis::x] * sine;
    if (!(roomX > 0) || !(roomY > 0))
        return never;
    return slack * std::max({1.0, (dx + dy * sine) / roomX, (dy + dx * sine) / roomY});
}

struct Candidate {
    double bound;
    std::int64_t frame;
    bool operator<(const Candidate& other) const { return bound < other.bound; }
};

/// Frames of a film that may need a cover, shot by shot.
class Asking {
public:
    Asking(const Project& project, const Motion& motion)
        : project_(project), motion_(motion), part_(partToCover(project)),
          reach_(exposureReach(project.finish, motion)), moving_(motion.moving(project.length() - 1))
    {
    }

    /// The frames of [first, end) that may not be at rest while they are seen. Ask for shots in order.
    std::vector<Candidate> candidates(std::int64_t first, std::int64_t end, const ForEach& each)
    {
        std::vector<Candidate> found;
        const auto wide = static_cast<std::int64_t>(std::ceil(reach_));
        while (next_ < moving_.size() && moving_[next_].last + wide < first)
            ++next_;
        std::int64_t from = first; // spans may touch when they are widened by what the shutter sees
        for (auto i = next_; i < moving_.size() && moving_[i].first - wide < end; ++i)
            for (from = std::max(from, moving_[i].first - wide); from <= std::min(end - 1, moving_[i].last + wide);
                 ++from)
                found.push_back({0, from});
        constexpr std::size_t block = 1024;
        each((found.size() + block - 1) / block, [&](std::size_t i) {
            for (std::size_t k = i * block; k < std::min(found.size(), (i + 1) * block); ++k)
                found[k].bound = boundOf(found[k].frame);
        });
        return found;
    }
    double needed(std::int64_t frame) const
    {
        return coverZoom(exposureOf(project_, motion_, static_cast<double>(frame)), project_.width, project_.height,
                         part_);
    }

private:
    double boundOf(std::int64_t frame) const
    {
        constexpr double hair = 1e-6;
        const auto at = static_cast<double>(frame);
        const auto most = motion_.mostWithin(at - reach_ - hair, at + reach_ + hair);
        return most ? coverBound(project_, part_, *most) : std::numeric_limits<double>::infinity();
    }

    const Project& project_;
    const Motion& motion_;
    const SeenPart part_;
    const double reach_;
    const std::vector<FrameSpan> moving_;
    std::size_t next_ = 0;
};

/// Without breathing: one zoom for the shot.
void askShot(ShotCover& shot, const Project& project, Asking& asking, const ForEach& each)
{
    std::vector<Candidate> left = asking.candidates(shot.first, shot.end, each);
    const std::vector<Candidate> all = left;
    constexpr std::size_t atOnce = 64;
    std::make_heap(left.begin(), left.end());
    std::vector<Candidate> asked; // some at a time, so that threads have enough to do
    std::vector<double> needs;
    while (!left.empty() && left.front().bound >= shot.needed) {
        asked.clear();
        while (!left.empty() && left.front().bound >= shot.needed && asked.size() < atOnce) {
            std::pop_heap(left.begin(), left.end());
            asked.push_back(left.back());
            left.pop_back();
        }
        needs.resize(asked.size());
        each(asked.size(), [&](std::size_t i) { needs[i] = asking.needed(asked[i].frame); });
        for (std::size_t i = 0; i < asked.size(); ++i)
            if (needs[i] > shot.needed ||
                (needs[i] == shot.needed && needs[i] > 1 && asked[i].frame < shot.worstFrame)) {
                shot.needed = needs[i];
                shot.worstFrame = asked[i].frame;
            }
    }
    shot.zoom = project.finish.cover == CoverMode::off ? 1.0 : std::min(shot.needed, largestCover);
    const double shown = shot.zoom * (1 + 1e-12);
    if (shot.needed > shown)
        shot.uncovered = std::count_if(all.begin(), all.end(), [&](const Candidate& one) {
            return one.bound > shown && asking.needed(one.frame) > shown;
        });
}

} // namespace

std::vector<ShotCover> shotCovers(const Project& project, const Motion& motion, const ForEach& each)
{

    std::vector<ShotCover> covers;
    const bool breathing = project.finish.cover == CoverMode::breathing;
    const std::vector<double> needed = breathing ? neededCovers(project, motion) : std::vector<double>();
    const Cover cover = breathing ? coverFrom(project, needed) : Cover();
    Asking asking(project, motion);
    std::int64_t first = 0;
    for (const Shot& shot : project.shots) {
        ShotCover one;
        one.first = one.worstFrame = first;
        one.end = first += shot.length;
        if (!breathing) {
            askShot(one, project, asking, each);
        } else {
            for (std::int64_t frame = one.first; frame < one.end; ++frame) {
                const double asked = needed[static_cast<std::size_t>(frame)];
                if (asked > one.needed) {
                    one.needed = asked;
                    one.worstFrame = frame;
                }
                one.zoom = std::max(one.zoom, cover.at(frame));
                one.uncovered += asked > cover.at(frame) * (1 + 1e-12) ? 1 : 0;
            }
        }
        covers.push_back(one);
    }
    return covers;
}

std::vector<ShotCover> shotCovers(const Project& project, const Motion& motion)
{
    return shotCovers(project, motion, [](std::size_t count, const std::function<void(std::size_t)>& work) {
        for (std::size_t i = 0; i < count; ++i)
            work(i);
    });
}

} // namespace ember
