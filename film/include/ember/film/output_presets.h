// SPDX-License-Identifier: GPL-3.0-or-later
// Ways to render that the user has named, kept across projects.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "ember/film/render_film.h"

namespace ember {

struct OutputPreset {
    std::string name;
    std::string ending = ".mp4"; ///< of the file's name, a number's place with it: "_%05d.png"
    double size = 1;             ///< ratio of the project's, 0.05 to 4
    FilmQuality quality = FilmQuality::good;
    Coder coder = Coder::usual;
    std::optional<Depth> depth = std::nullopt;
    bool gentle = false; ///< the gentle version

    bool operator==(const OutputPreset&) const = default;
};
using OutputPresets = std::vector<OutputPreset>;

/// Its form for this project.
RenderForm formOf(const OutputPreset& preset, const Project& project);
/// Null where there is none of that name.
const OutputPreset* presetNamed(const OutputPresets& presets, std::string_view name);

/// Where they are kept: vast-ember/outputs.json in $XDG_CONFIG_HOME, or in ~/.config.
std::string outputPresetsPath();
/// None where there is no such file. An error tells what in it is wrong; the file is left as it is.
Result<OutputPresets> loadOutputPresets(const std::string& path);
Status saveOutputPresets(const OutputPresets& presets, const std::string& path);

} // namespace ember
