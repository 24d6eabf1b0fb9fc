// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <mutex>
#include <string>
#include <vector>

#include <OpenColorIO/OpenColorIO.h>

#include "ember/colour/config.h"

namespace ember {

namespace ocio = OCIO_NAMESPACE;

struct ColourConfig::Parts {
    ocio::ConstConfigRcPtr config;
    std::string name; ///< for errors: the file, or what stands in its place
    std::vector<std::string> spaces;
    std::vector<std::string> displays;
    std::vector<std::string> looks;
    std::string description;
    std::vector<Phrase> notes;

    mutable std::mutex mutex; ///< of what follows
    mutable std::map<std::string, std::optional<ColourSpace>> known;
};

/// The config that ships with the program, made of the formulas in colour_space.h.
ocio::ConstConfigRcPtr builtInOcioConfig();
/// Its spaces that stand for CIE XYZ with a white of D65, of scenes and of displays.
inline constexpr const char* sceneXyz = "CIE XYZ D65";
inline constexpr const char* displayXyz = "CIE XYZ D65 of a display";

/// Why a config is not to be used: tables that are not regular files or are too large, spaces or looks that are made of
/// themselves.
Status guarded(const ocio::ConstConfigRcPtr& config, const std::string& name);

/// What a space does, as one of ours.
std::optional<ColourSpace> recognised(const ocio::ConstConfigRcPtr& config, const std::string& space);

/// OpenColorIO's own words for what is wrong, as one line.
Phrase wordsOf(const std::exception& error);

} // namespace ember
