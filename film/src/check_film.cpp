// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/check_film.h"

#include <algorithm>
#include <chrono>
#include <cmath>

#include "ember/core/motion.h"
#include "ember/film/film_reader.h"
#include "ember/film/layer_pictures.h"
#include "ember/render/frame.h"

namespace ember {

namespace {

constexpr int widestWatched = 480;

} // namespace

Result<std::vector<FlashViolation>> flashesOf(const Project& project, Frame first, Frame last,
                                              const RenderWatcher& watcher)
{
    auto clip = openFilm(project);
    if (!clip)
        return clip.error();
    auto pictures = layerPictures(project);
    if (!pictures)
        return pictures.error();
    const double scale = std::min(1.0, static_cast<double>(widestWatched) / project.width);
    const int width = std::max(1, static_cast<int>(std::lround(project.width * scale)));
    const int height = std::max(1, static_cast<int>(std::lround(project.height * scale)));
    const Motion motion(project);
    const Cover cover = coverOf(project, motion);
    FlashCheck check(project.rate, first.index);
    RenderProgress progress;
    progress.total = last - first + 1;
    const auto began = std::chrono::steady_clock::now();
    for (Frame f = first; f <= last; f = f + 1) {
        auto source = clip.value()->frame(f, project.rate);
        if (!source)
            return source.error();
        const FrameLook look = lookOf(project, motion, cover, static_cast<double>(f.index), pictures.value());
        check.add(*renderFrame(source.value(), look, width, height));
        ++progress.done;
        const std::chrono::duration<double> spent = std::chrono::steady_clock::now() - began;
        progress.framesPerSecond = static_cast<double>(progress.done) / std::max(1e-9, spent.count());
        progress.secondsLeft = static_cast<double>(progress.total - progress.done) / progress.framesPerSecond;
        if (!watcher(progress))
            return Error{ErrorCode::cancelled, "The flash check", ""};
    }
    return check.violations();
}

Phrase flashSentence(const FlashViolation& v)
{
    const Phrase frames = v.first == v.last ? Phrase("frame {}", v.first) : Phrase("frames {} to {}", v.first, v.last);
    return {
        v.kind == FlashKind::red
            ? "Red flashes up to {}: {} within a second over {} % of a field of ten degrees; 3 over 25 % are allowed."
            : "Flashes up to {}: {} within a second over {} % of a field of ten degrees; 3 over 25 % are allowed.",
        frames, v.flashes, std::lround(100 * v.area)};
}

} // namespace ember
