// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/shot.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>

#include "ember/core/project.h"

namespace ember {

namespace movefield {
const FieldSpec x{"x", "x", "px", -20000, 20000, 0, 1, "How far the picture is moved to the right"};
const FieldSpec y{"y", "y", "px", -20000, 20000, 0, 1, "How far the picture is moved down"};
const FieldSpec zoom{"zoom", "zoom", "%", 0.25, 4, 1, 0.01, "How much the picture is enlarged"};
const FieldSpec roll{"roll", "roll", "°", -360, 360, 0, 0.5, "How far the picture is turned, clockwise"};
const FieldSpec ease = choiceField("ease", "Ease", easeWords, 1, "Easing to the next key");
} // namespace movefield

namespace shotfield {
const FieldSpec speed{"speed", "Speed", "%", 0.05, 20, 1, 0.05, "How fast the clip runs in this shot"};
constexpr std::array<std::string_view, 3> framingNames{"fill", "fit", "placed"};
constexpr Choices framingWords{framingNames};
const FieldSpec framing =
    choiceField("framing", "Picture", framingWords, 0,
                "How the clip's picture lies in the frame: it fills it, all of it fits in with black "
                "around it, or it is placed by hand");
const FieldSpec framingX{"framing_x", "x", "px", -20000,
                         20000,       0,   1,    "From the frame's middle to the picture's, to the right"};
const FieldSpec framingY{"framing_y", "y", "px", -20000, 20000, 0, 1, "From the frame's middle to the picture's, down"};
const FieldSpec framingSize{"framing_size", "Size", "%", 0.05, 20, 1, 0.01, "Of the size that just fills the frame"};
const FieldSpec framingEase =
    choiceField("framing_ease", "Ease", easeWords, 1, "Easing from the key before to the next");
constexpr std::array<std::string_view, 9> colourNames{"as_tagged", "bt709",        "bt2020",        "display_p3", "pq",
                                                      "hlg",       "linear_bt709", "linear_bt2020", "acescg"};
constexpr Choices colourWords{colourNames};
const FieldSpec colour = choiceField("colour", "Colour", colourWords, 0,
                                     "The colour space the clip is read in, where its file tells none or a wrong one");
} // namespace shotfield

FramedPart framedPart(const Framing& framing, int pictureWidth, int pictureHeight, int frameWidth, int frameHeight)
{
    const double across = static_cast<double>(frameWidth) / pictureWidth;
    const double down = static_cast<double>(frameHeight) / pictureHeight;
    const bool placed = framing.how == Framing::How::place;
    const double scale = framing.how == Framing::How::fit ? std::min(across, down)
                                                          : std::max(across, down) * (placed ? framing.size : 1);
    const double width = frameWidth / scale;
    const double height = frameHeight / scale;
    const double x = placed ? framing.x / scale : 0;
    const double y = placed ? framing.y / scale : 0;
    return {0.5 * (pictureWidth - width) - x, 0.5 * (pictureHeight - height) - y, width, height};
}

namespace {

/// The last key at or before an instant, and how far the way to the next is gone, with its easing; the first key before
/// all of them. There must be one.
template <typename Key>
std::pair<std::size_t, double> placeAmong(const std::vector<Key>& keys, FrameTime time)
{
    const auto after = std::upper_bound(keys.begin(), keys.end(), time, [](FrameTime t, const Key& key) {
        return t < static_cast<double>(key.frame.index);
    });
    if (after == keys.begin())
        return {0, 0};
    const auto at = static_cast<std::size_t>(after - keys.begin()) - 1;
    if (after == keys.end())
        return {at, 0};
    const Key& key = keys[at];
    return {at, eased(key.ease,
                      (time - static_cast<double>(key.frame.index)) / static_cast<double>(after->frame - key.frame))};
}

} // namespace

Framing framingAt(const Framing& framing, FrameTime clipFrame)
{
    Framing now = framing;
    if (framing.how != Framing::How::place || framing.keys.empty())
        return now;
    const auto [at, share] = placeAmong(framing.keys, clipFrame);
    const FramingKey& key = framing.keys[at];
    const FramingKey& next = framing.keys[std::min(at + 1, framing.keys.size() - 1)];
    now.x = key.x + (next.x - key.x) * share;
    now.y = key.y + (next.y - key.y) * share;
    now.size = key.size + (next.size - key.size) * share;
    return now;
}

MoveKey moveAt(const std::vector<MoveKey>& keys, FrameTime time)
{
    if (keys.empty())
        return {};
    const auto [index, share] = placeAmong(keys, time);
    MoveKey at = keys[index];
    const MoveKey& next = keys[std::min(index + 1, keys.size() - 1)];
    at.x += (next.x - at.x) * share;
    at.y += (next.y - at.y) * share;
    at.zoom += (next.zoom - at.zoom) * share;
    at.roll += (next.roll - at.roll) * share;
    return at;
}

std::int64_t Shot::longest() const
{
    if (gap() || still || available == 0)
        return 100'000'000;
    return std::max<std::int64_t>(
        1, static_cast<std::int64_t>(std::ceil((static_cast<double>(available) - in) / speed - 1e-6)));
}

std::int64_t Project::length() const
{
    return std::accumulate(shots.begin(), shots.end(), std::int64_t{0},
                           [](std::int64_t sum, const Shot& shot) { return sum + shot.length; });
}

ShotPlace Project::placeOf(std::size_t index) const
{
    std::int64_t first = 0;
    for (std::size_t i = 0; i < index; ++i)
        first += shots[i].length;
    return {index, first, first + shots[index].length};
}

std::optional<ShotPlace> Project::shotAt(Frame frame) const
{
    std::int64_t first = 0;
    for (std::size_t i = 0; i < shots.size() && first <= frame.index; ++i) {
        const std::int64_t end = first + shots[i].length;
        if (frame.index < end)
            return ShotPlace{i, first, end};
        first = end;
    }
    return std::nullopt;
}

std::optional<ShotPlace> Project::placeOfShot(ShotId id) const
{
    for (std::size_t i = 0; i < shots.size(); ++i)
        if (shots[i].id == id)
            return placeOf(i);
    return std::nullopt;
}

std::string Project::firstClip() const
{
    const auto found = std::find_if(shots.begin(), shots.end(), [](const Shot& shot) { return !shot.gap(); });
    return found == shots.end() ? std::string() : found->clip;
}

std::vector<std::int64_t> Project::cuts() const
{
    std::vector<std::int64_t> frames;
    std::int64_t first = 0;
    for (std::size_t i = 0; i + 1 < shots.size(); ++i)
        frames.push_back(first += shots[i].length);
    return frames;
}

bool Project::isCut(Frame frame) const
{
    const auto place = shotAt(frame);
    return place && place->index > 0 && place->first == frame.index;
}

MoveKey moveAt(const Project& project, FrameTime time)
{
    const auto last = std::max<std::int64_t>(0, project.length() - 1);
    const auto place = project.shotAt(Frame{std::clamp<std::int64_t>(std::llround(time), 0, last)});
    if (!place)
        return {};
    const Shot& shot = project.shots[place->index];
    return moveAt(shot.move, shot.clipFrame(time - static_cast<double>(place->first)));
}

OwnShot::OwnShot(const std::vector<std::int64_t>& firsts, FrameTime time)
    : from_(-std::numeric_limits<double>::infinity()), to_(-from_)
{
    if (firsts.size() < 3) // one shot and the end
        return;
    const auto frame = std::clamp<std::int64_t>(std::llround(time), 0, std::max<std::int64_t>(0, firsts.back() - 1));
    const auto next = std::upper_bound(firsts.begin() + 1, firsts.end() - 1, frame);
    if (next - 1 != firsts.begin())
        from_ = static_cast<double>(*(next - 1)) - 0.5;
    if (next != firsts.end() - 1)
        to_ = static_cast<double>(*next) - 0.5 - 1e-6;
}

OwnShot::OwnShot(const Project& project, FrameTime time) : from_(-std::numeric_limits<double>::infinity()), to_(-from_)
{
    if (project.shots.size() < 2)
        return;
    const auto last = std::max<std::int64_t>(0, project.length() - 1);
    const auto place = project.shotAt(Frame{std::clamp<std::int64_t>(std::llround(time), 0, last)});
    if (place->index > 0)
        from_ = static_cast<double>(place->first) - 0.5;
    if (place->index + 1 < project.shots.size())
        to_ = static_cast<double>(place->end) - 0.5 - 1e-6;
}

} // namespace ember
