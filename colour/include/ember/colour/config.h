// SPDX-License-Identifier: GPL-3.0-or-later
// A config of OpenColorIO: the colour spaces, displays, views and looks that a facility works with.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "ember/colour/colour_way.h"
#include "ember/core/error.h"
#include "ember/image/colour_space.h"

namespace ember {

/// A display of a config and how pictures are brought to it; a look stands over it in place of the view's own, where
/// there is one.
struct DisplayView {
    std::string display;
    std::string view;
    std::string look;

    bool operator==(const DisplayView&) const = default;
};

/// Never changed once it is read; for any number of threads. Spaces may be named by their aliases and roles.
class ColourConfig {
public:
    /// `name`: a file, builtInConfig, or environmentConfig (the file that OCIO names). Files are read through the door
    /// that all files come in by; a config whose tables are not regular files, or whose spaces are made of themselves,
    /// is refused. A file that is as it was is not read twice.
    static Result<std::shared_ptr<const ColourConfig>> open(const std::string& name);
    /// The file that is read under a name; empty for the built-in one, and where OCIO names none.
    static std::string fileOf(const std::string& name);

    struct Parts; ///< OpenColorIO's, known to this room alone
    explicit ColourConfig(std::unique_ptr<Parts> parts);
    ~ColourConfig();
    ColourConfig(const ColourConfig&) = delete;
    ColourConfig& operator=(const ColourConfig&) = delete;

    const std::string& description() const;
    /// In the config's order, without those of data and those it hides.
    const std::vector<std::string>& spaces() const;
    const std::vector<std::string>& displays() const;
    std::vector<std::string> views(const std::string& display) const;
    const std::vector<std::string>& looks() const;

    bool has(const std::string& space) const;
    /// The role scene_linear, else the first space that is known to be linear, else the first of all.
    std::string workingSpace() const;
    /// That display with that view, or the config's own in place of what it has not.
    DisplayView viewOf(const DisplayView& wanted) const;

    /// What a space is here, found by what it does with a few colours; nothing where it is none of ours, or where the
    /// config does not say how it stands to others (roles aces_interchange and cie_xyz_d65_interchange).
    std::optional<ColourSpace> known(const std::string& space) const;
    /// The first space that is this one; empty where there is none.
    std::string spaceFor(ColourSpace wanted) const;
    /// The space that its file rules give a clip of this name.
    std::string spaceByRules(const std::string& path) const;

    Result<ColourWay> between(const std::string& from, const std::string& to) const;
    /// To a screen. `wanted` as viewOf() has it.
    Result<ColourWay> toScreen(const std::string& from, const DisplayView& wanted) const;

    /// What is odd about it, as sentences.
    const std::vector<Phrase>& notes() const;

private:
    std::unique_ptr<Parts> parts_;
};

} // namespace ember
