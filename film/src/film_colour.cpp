// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_colour.h"

#include <algorithm>

#include "ember/core/shown_text.h"

namespace ember {

namespace {

constexpr ColourSpace srgb{};

/// Whose clip a shot shows; the film itself where it is one clip.
const ClipInfo& clipOf(const ClipInfo& film, std::size_t shot)
{
    return shot < film.shots.size() ? film.shots[shot] : film;
}

/// What the config has for a space of ours; empty where it has none. In a config that tells nothing, by its file rules.
std::string spaceIn(const ColourConfig& config, const ClipInfo& clip, std::vector<Phrase>& notes)
{
    if (std::string space = config.spaceFor(clip.colour); !space.empty())
        return space;
    std::string space = config.spaceByRules(clip.path);
    if (space.empty())
        space = config.workingSpace();
    Phrase note(
        "The config has no colour space that is known to be {}: {} is taken to be {}. Choose another for its shot.",
        wordsOf(clip.colour), inQuotes(clip.path.substr(clip.path.rfind('/') + 1)), inQuotes(space));
    if (std::find(notes.begin(), notes.end(), note) == notes.end())
        notes.push_back(std::move(note));
    return space;
}

} // namespace

Result<std::shared_ptr<const FilmColour>> FilmColour::of(const Project& project, const ClipInfo& film)
{
    const ColourSetup& setup = project.colours;
    if (!setup.managed())
        return std::shared_ptr<const FilmColour>();
    auto config = ColourConfig::open(setup.config);
    if (!config)
        return config.error();
    std::shared_ptr<FilmColour> made(new FilmColour);
    made->config_ = std::move(config).value();
    made->film_ = film;
    made->notes_ = made->config_->notes();
    const auto named = [&](const std::string& name, std::string instead) {
        if (name.empty() || made->config_->has(name))
            return name.empty() ? instead : name;
        made->notes_.push_back(
            instead.empty()
                ? Phrase("The config has no colour space {}: the first clip's is taken.", inQuotes(name))
                : Phrase("The config has no colour space {}: {} is taken.", inQuotes(name), inQuotes(instead)));
        return instead;
    };
    made->working_ = named(setup.working, made->config_->workingSpace());
    made->output_ = named(setup.output, {});
    const DisplayView wanted{setup.display, setup.view, setup.look};
    made->screen_ = made->config_->viewOf(wanted);
    for (const auto part : {&DisplayView::display, &DisplayView::view, &DisplayView::look})
        if (!(wanted.*part).empty() && wanted.*part != made->screen_.*part)
            made->notes_.push_back(
                Phrase("The config has no {} for the view: its own is taken.", inQuotes(wanted.*part)));
    auto toScreen = made->config_->toScreen(made->working_, made->screen_);
    if (!toScreen)
        return toScreen.error();
    made->toScreen_ = std::move(toScreen).value();
    const auto working = made->config_->known(made->working_);
    if (working)
        made->primaries_ = working->primaries;
    if (!working)
        made->notes_.push_back(Phrase("The config does not tell what {} is: colours of flashes, edges and layers are "
                                      "taken for its own.",
                                      inQuotes(made->working_)));
    else if (working->transfer != Transfer::linear)
        made->notes_.push_back(Phrase("The working space {} is not linear: blur and light are added up in codes.",
                                      inQuotes(made->working_)));
    for (std::size_t i = 0; i < project.shots.size(); ++i) {
        const Shot& shot = project.shots[i];
        if (shot.gap())
            made->spaces_.emplace_back();
        else if (!shot.space.empty() && made->config_->has(shot.space))
            made->spaces_.push_back(shot.space);
        else
            made->spaces_.push_back(spaceIn(*made->config_, clipOf(film, i), made->notes_));
        if (!shot.gap() && !shot.space.empty() && made->spaces_.back() != shot.space)
            made->notes_.push_back(Phrase("The config has no colour space {}: {} is taken.", inQuotes(shot.space),
                                          inQuotes(made->spaces_.back())));
    }
    return std::shared_ptr<const FilmColour>(std::move(made));
}

const std::string& FilmColour::firstSpace() const
{
    const auto first =
        std::find_if(spaces_.begin(), spaces_.end(), [](const std::string& name) { return !name.empty(); });
    return first == spaces_.end() ? working_ : *first;
}

std::string FilmColour::filmSpace(bool codes) const
{
    if (!output_.empty())
        return output_;
    std::string space = firstSpace();
    if (codes)
        if (const auto known = config_->known(space); known && known->transfer == Transfer::linear)
            if (std::string coded = config_->spaceFor(srgb); !coded.empty())
                return coded;
    return space;
}

ClipInfo FilmColour::filmInfo(const std::string& space) const
{
    ClipInfo info = film_;
    const auto known = config_->known(space);
    if (space == firstSpace()) // as it came; where its tags were wrong, only what they say of colour is another
        return known && *known != info.colour ? readIn(std::move(info), known) : info;
    if (known) {
        info.colour = *known;
        info.tags = tagsOf(*known);
    } else {
        info.colour = {};
        info.tags = {};
        info.tags.primaries = info.tags.transfer = 2; // not told, ITU-T H.273
    }
    info.tags.mastering.reset();
    info.depth = std::max(info.depth, Depth::sixteen); // other codes need more steps than the clip's
    return info;
}

Result<ColourWay> FilmColour::way(const std::string& from, const std::string& to) const
{
    const std::lock_guard held(mutex_);
    const auto found = ways_.find({from, to});
    if (found != ways_.end())
        return found->second;
    auto made = config_->between(from, to);
    if (made)
        ways_.emplace(std::pair(from, to), made.value());
    return made;
}

namespace {

ImagePtr brought(const ColourWay& way, const ImagePtr& picture, Depth depth, ColourSpace colour)
{
    if (way.nothing() && picture->depth() == depth && picture->colour() == heldAs(depth, colour))
        return picture;
    return std::make_shared<const Image>(way.of(*picture, depth, colour));
}

/// No light, in the picture's size.
ImagePtr blackLike(const Image& picture, Depth depth, ColourSpace colour)
{
    auto black = std::make_shared<Image>(picture.width(), picture.height(), depth, heldAs(depth, colour));
    black->setOpaque(true);
    for (int y = 0; y < black->height(); ++y)
        black->blacken(0, y, black->width());
    return black;
}

} // namespace

Result<ImagePtr> FilmColour::light(const ImagePtr& stored, std::size_t shot) const
{
    const ColourSpace colour{primaries_, Transfer::linear};
    if (spaces_[shot].empty())
        return blackLike(*stored, Depth::single, colour);
    auto here = way(spaces_[shot], working_);
    if (!here)
        return here.error();
    return brought(here.value(), stored, Depth::single, colour);
}

const ScreenTable& FilmColour::screenTable() const
{
    std::call_once(tableMade_, [this] {
        table_.emplace([this](const Image& light) { return toScreen_->of(light, Depth::single, {}); });
    });
    return *table_;
}

Result<ImagePtr> FilmColour::shown(const ImagePtr& stored, std::size_t shot) const
{
    auto picture = light(stored, shot);
    return picture ? Result<ImagePtr>(std::make_shared<const Image>(screenTable().of(*picture.value()))) : picture;
}

Result<ImagePtr> FilmColour::written(const ImagePtr& light, const std::string& space, Depth depth) const
{
    auto here = way(working_, space);
    if (!here)
        return here.error();
    return brought(here.value(), light, depth, config_->known(space).value_or(ColourSpace{}));
}

Result<ImagePtr> FilmColour::untouched(const ImagePtr& stored, std::size_t shot, const std::string& space,
                                       Depth depth) const
{
    const ColourSpace colour = config_->known(space).value_or(ColourSpace{});
    if (spaces_[shot].empty()) // no light, which is not code 0 in every space
        return written(blackLike(*stored, Depth::single, {primaries_, Transfer::linear}), space, depth);
    if (spaces_[shot] == space && stored->depth() == depth)
        return stored;
    auto here = way(spaces_[shot], space);
    if (!here)
        return here.error();
    return brought(here.value(), stored, depth, colour);
}

} // namespace ember
