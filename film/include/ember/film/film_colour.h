// SPDX-License-Identifier: GPL-3.0-or-later
// The colours of a film that are managed by a config of OpenColorIO.
#pragma once

#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <utility>
#include <vector>

#include "ember/colour/config.h"
#include "ember/colour/screen_table.h"
#include "ember/core/project.h"
#include "ember/media/clip.h"

namespace ember {

/// The ways of a film's pictures: from the space of each shot's clip to the working space, in whose light everything is
/// added up, and on to the screen or to a file. For any number of threads.
class FilmColour {
public:
    /// Null where the project names no config. `film`: as openFilm() tells it. An error where the config cannot be read
    /// or is not to be used; names in the project that it has not are replaced by what is nearest, which notes() tells.
    static Result<std::shared_ptr<const FilmColour>> of(const Project& project, const ClipInfo& film);

    const ColourConfig& config() const { return *config_; }
    const std::string& workingSpace() const { return working_; }
    /// Of the working space, as which colours of ours (flashes, edges) and layers are brought there; BT.709 where the
    /// config does not tell.
    Primaries primaries() const { return primaries_; }
    const DisplayView& screen() const { return screen_; }
    /// The space of a shot's clip; empty for a gap.
    const std::string& spaceOf(std::size_t shot) const { return spaces_[shot]; }
    /// The space of a film in codes or in light: as the project says, else the first clip's. Where that is light, codes
    /// are sRGB, if the config has it.
    std::string filmSpace(bool codes) const;
    /// What is told of a film written in that space: its colour, its tags, and how deep it is.
    ClipInfo filmInfo(const std::string& space) const;

    /// The light of a picture as its clip holds it: floats, in primaries() as far as anyone else needs to know.
    Result<ImagePtr> light(const ImagePtr& stored, std::size_t shot) const;
    /// What the screen shows of it, quickly: 8 bits.
    Result<ImagePtr> shown(const ImagePtr& stored, std::size_t shot) const;
    /// The film's codes or light for light of the working space.
    Result<ImagePtr> written(const ImagePtr& light, const std::string& space, Depth depth) const;
    /// The film's for a picture that nothing was done to: the very picture where its clip is in the film's space.
    Result<ImagePtr> untouched(const ImagePtr& stored, std::size_t shot, const std::string& space, Depth depth) const;
    /// From the working space to the screen: by the config's own steps, and quickly.
    const ColourWay& toScreen() const { return *toScreen_; }
    const ScreenTable& screenTable() const;

    const std::vector<Phrase>& notes() const { return notes_; }

private:
    FilmColour() = default;
    /// Of the first clip.
    const std::string& firstSpace() const;
    /// A way of the config by the names of its ends.
    Result<ColourWay> way(const std::string& from, const std::string& to) const;

    std::shared_ptr<const ColourConfig> config_;
    std::string working_;
    std::string output_; ///< empty: the first clip's
    Primaries primaries_ = Primaries::bt709;
    DisplayView screen_;
    std::optional<ColourWay> toScreen_;
    std::vector<std::string> spaces_; ///< of the shots
    ClipInfo film_;
    std::vector<Phrase> notes_;
    mutable std::once_flag tableMade_;
    mutable std::optional<ScreenTable> table_; ///< made when it is first asked for
    mutable std::mutex mutex_;                 ///< of what follows
    mutable std::map<std::pair<std::string, std::string>, ColourWay> ways_;
};

} // namespace ember
