// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/frame_edits.h"

#include <algorithm>
#include <cmath>

#include "scaling.h"

namespace ember {

namespace {

/// Does this to every strike, those that wait in their shots too.
template <typename Do>
void forStrikes(Project& project, Do edit)
{
    for (Strike& strike : project.strikes)
        edit(strike);
    for (Shot& shot : project.shots)
        for (Strike& strike : shot.trimmed)
            edit(strike);
}

void scaleRecipes(Project& project, const Scaling& scaling)
{
    const Recipe none;
    forStrikes(project, [&](Strike& strike) {
        const Recipe* recipe = project.recipe(strike.recipe);
        strike.overrides = scaledBy(strike.overrides, recipe != nullptr ? *recipe : none, scaling);
    });
    for (Recipe& recipe : project.recipes)
        recipe = scaledBy(std::move(recipe), scaling);
    scaleValues(project.drift, scaling);
    scaleValues(project.finish, scaling);
}

/// Ratios of the frame at which a picture that fills it shows the same in another frame.
class PicturePlaces {
public:
    PicturePlaces(int fromWidth, int fromHeight, int toWidth, int toHeight)
    {
        const double scale =
            std::max(static_cast<double>(toWidth) / fromWidth, static_cast<double>(toHeight) / fromHeight);
        x_ = fromWidth * scale / toWidth;
        y_ = fromHeight * scale / toHeight;
    }
    double x(double ratio) const { return 0.5 + (ratio - 0.5) * x_; }
    double y(double ratio) const { return 0.5 + (ratio - 0.5) * y_; }

    void move(Curves& curves) const
    {
        for (const bool across : {true, false}) {
            const char* name = across ? "pivot_x" : "pivot_y";
            const CurveKeys* keys = curves.of(name);
            if (keys == nullptr)
                continue;
            CurveKeys moved = scaledKeys(*keys, 1, across ? x_ : y_);
            for (std::size_t i = 0; i < moved.size(); ++i)
                moved[i].value = across ? x((*keys)[i].value) : y((*keys)[i].value);
            curves.set(name, std::move(moved));
        }
    }

private:
    double x_;
    double y_;
};

/// Keys whose frames came together: of several on one the last stays.
template <typename Key>
void oneEach(std::vector<Key>& keys)
{
    std::vector<Key> kept;
    for (Key& key : keys)
        if (!kept.empty() && inOnePlace(kept.back(), key))
            kept.back() = std::move(key);
        else
            kept.push_back(std::move(key));
    keys = std::move(kept);
}

/// Frames of one rate as frames of another.
class FrameTimes {
public:
    FrameTimes(FrameRate from, FrameRate to) : factor_(to.perSecond() / from.perSecond()) {}
    double of(double frames) const { return frames * factor_; }
    std::int64_t whole(std::int64_t frame) const { return std::llround(static_cast<double>(frame) * factor_); }
    void move(Frame& frame) const { frame = Frame{whole(frame.index)}; }
    template <typename Key>
    void moveAll(std::vector<Key>& keys) const
    {
        for (Key& key : keys)
            move(key.frame);
        oneEach(keys);
    }

private:
    double factor_;
};

} // namespace

Project withFrameSize(Project project, int width, int height, PixelAmounts amounts)
{
    width = std::clamp(width, 1, 32768);
    height = std::clamp(height, 1, 32768);
    if (width == project.width && height == project.height)
        return project;
    const double across = static_cast<double>(width) / project.width;
    const double down = static_cast<double>(height) / project.height;
    if (amounts == PixelAmounts::follow)
        scaleRecipes(project, {.distance = std::sqrt(across * down)});
    const PicturePlaces places(project.width, project.height, width, height);
    for (Recipe& recipe : project.recipes) {
        recipe.pivot.x = places.x(recipe.pivot.x);
        recipe.pivot.y = places.y(recipe.pivot.y);
        places.move(recipe.curves);
    }
    forStrikes(project, [&](Strike& strike) {
        for (const bool wide : {true, false})
            if (const auto own = strike.overrides[wide ? "pivot_x" : "pivot_y"])
                strike.overrides.set(wide ? "pivot_x" : "pivot_y", wide ? places.x(*own) : places.y(*own));
        Curves curves = strike.overrides.curves();
        places.move(curves);
        for (const auto& [key, keys] : curves.all())
            strike.overrides.setCurve(key, keys);
        if (!strike.place)
            return;
        if (auto* point = std::get_if<PicturePoint>(&strike.place->at)) {
            point->x = places.x(point->x);
            point->y = places.y(point->y);
        }
    });
    // The shots' own moves and framings are moves of the picture, which is as large as it fills the frame.
    const double picture = std::max(across, down);
    for (Shot& shot : project.shots) {
        for (MoveKey& key : shot.move) {
            key.x *= picture;
            key.y *= picture;
        }
        shot.framing.x *= picture;
        shot.framing.y *= picture;
        for (FramingKey& key : shot.framing.keys) {
            key.x *= picture;
            key.y *= picture;
        }
    }
    for (Layer& layer : project.layers) {
        layer.x *= across;
        layer.y *= down;
        layer.size *= std::min(across, down);
    }
    project.width = width;
    project.height = height;
    return project;
}

Project withFrameRate(Project project, FrameRate rate)
{
    if (rate == project.rate)
        return project;
    const FrameTimes times(project.rate, rate);
    scaleRecipes(project, {.time = times.of(1)});
    // What belongs to shots is on frames of their clips; shots themselves meet where they did.
    std::int64_t first = 0;
    for (Shot& shot : project.shots) {
        const std::int64_t end = first + shot.length;
        shot.length = std::max<std::int64_t>(1, times.whole(end) - times.whole(first));
        first = end;
        shot.in = times.of(shot.in);
        if (shot.available > 0)
            shot.available = std::max(
                times.whole(shot.available),
                static_cast<std::int64_t>(std::ceil(shot.in + static_cast<double>(shot.length) * shot.speed - 1e-6)));
        times.moveAll(shot.move);
        times.moveAll(shot.framing.keys);
        for (Strike& strike : shot.trimmed)
            times.move(strike.frame);
    }
    for (Strike& strike : project.strikes)
        times.move(strike.frame);
    project.sortStrikes();
    for (SettleMark& mark : project.settles)
        mark.frames = clampTo(settlefield::frames, std::round(times.of(mark.frames)));
    times.moveAll(project.settles);
    times.moveAll(project.master.keys);
    times.moveAll(project.world.camera);
    project.drift.rateKeys = scaledKeys(std::move(project.drift.rateKeys), times.of(1), 1);
    project.drift.levelKeys = scaledKeys(std::move(project.drift.levelKeys), times.of(1), 1);
    for (Layer& layer : project.layers) {
        const std::int64_t end = times.whole(layer.in + layer.length);
        layer.in = times.whole(layer.in);
        layer.length = std::max<std::int64_t>(1, end - layer.in);
    }
    project.clock.start = times.whole(project.clock.start);
    project.rate = rate;
    return project;
}

} // namespace ember
