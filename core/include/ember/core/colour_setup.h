// SPDX-License-Identifier: GPL-3.0-or-later
// By what a film's colours are managed.
#pragma once

#include <array>
#include <string>
#include <string_view>

namespace ember {

/// Names of configs that are no files: the one that ships with the program, and the one that OCIO in the environment
/// names.
inline constexpr std::string_view builtInConfig = "built-in";
inline constexpr std::string_view environmentConfig = "environment";

/// A config of OpenColorIO and what of it a film uses, by the config's own names. Where a name is empty, or the config
/// has no such thing, its own default counts.
struct ColourSetup {
    std::string config;  ///< a file, or one of those above; empty: colours are as the clips' tags say
    std::string working; ///< the space in which light is added up; by default the role scene_linear
    std::string output;  ///< the space of rendered films; by default that of the first clip
    std::string display; ///< what the view and single frames are for
    std::string view;    ///< of the display
    std::string look;    ///< over the view, in place of its own

    bool managed() const { return !config.empty(); }
    /// Whether the config is a file.
    bool fromFile() const { return managed() && config != builtInConfig && config != environmentConfig; }
    bool operator==(const ColourSetup&) const = default;
};

/// The names of a setup, each with its key in files and settings.
struct ColourName {
    std::string_view key;
    std::string ColourSetup::*name;
};
inline constexpr std::array<ColourName, 6> colourNames{{{"config", &ColourSetup::config},
                                                        {"working", &ColourSetup::working},
                                                        {"output", &ColourSetup::output},
                                                        {"display", &ColourSetup::display},
                                                        {"view", &ColourSetup::view},
                                                        {"look", &ColourSetup::look}}};

} // namespace ember
