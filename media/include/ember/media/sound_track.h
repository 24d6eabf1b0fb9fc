// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <utility>
#include <vector>

namespace ember {

/// One sound of a file, as the file describes it; empty where it does not.
struct SoundTrack {
    std::string codec = {}; ///< "aac"
    int rate = 0;           ///< samples a second
    int channels = 0;
    std::string layout = {}; ///< "stereo", "5.1(side)", as FFmpeg calls them; empty: the usual one of so many channels
    std::string language = {}; ///< ISO 639-2: "deu"
    std::string title = {};

    bool operator==(const SoundTrack&) const = default;
};

/// A part of a film that a file names.
struct Chapter {
    double begin = 0; ///< seconds from the first picture
    double end = 0;
    std::string title = {};

    bool operator==(const Chapter&) const = default;
};

/// What a file says of itself ("title", "date", …), by its keys.
using Metadata = std::vector<std::pair<std::string, std::string>>;

} // namespace ember
