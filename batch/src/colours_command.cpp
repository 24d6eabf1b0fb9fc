// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "ember/json/json.h"

#include "command.h"
#include "ember/core/colour_setup.h"
#include "ember/film/film_colour.h"
#include "ember/film/film_reader.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class ColoursCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option(
            "WHAT", what_,
            "A config of OpenColorIO; built-in (default); environment: the one that OCIO names; or a project, "
            "NAME.vember, whose own config is told and how its film uses it");
    }

    Status run(const BatchStreams& streams) override
    {
        constexpr std::string_view ending = ".vember";
        const bool isProject = what_.size() > ending.size() && what_.ends_with(ending);
        Json json;
        if (isProject) {
            auto project = loadProject(what_);
            if (!project)
                return project.error();
            if (!project->colours.managed())
                return Error{ErrorCode::badValue, what_,
                             "no config manages its colours: set colours.config to built-in, environment or a file"};
            if (const Status told = tellFilm(project.value(), json); !told)
                return told;
            what_ = project->colours.config;
        }
        const auto config = ColourConfig::open(what_);
        if (!config)
            return config.error();
        tellConfig(*config.value(), json);
        for (const Phrase& note : config.value()->notes())
            json["notes"].push_back(note.said());
        streams.out << json.dump(2, ' ', false, Json::error_handler_t::replace) << '\n';
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the colours could not all be written"};
        return Done{};
    }

private:
    void tellConfig(const ColourConfig& config, Json& json) const
    {
        json["config"] = what_;
        json["description"] = config.description();
        json["spaces"] = Json::array();
        for (const std::string& name : config.spaces()) {
            Json one{{"name", name}};
            if (const auto known = config.known(name))
                one["is"] = wordsOf(*known);
            json["spaces"].push_back(std::move(one));
        }
        json["working"] = config.workingSpace();
        json["displays"] = Json::array();
        for (const std::string& display : config.displays())
            json["displays"].push_back({{"name", display}, {"views", config.views(display)}});
        json["looks"] = config.looks();
    }
    static Status tellFilm(const Project& project, Json& json)
    {
        const auto film = openFilm(project, FilmPictures::stored);
        if (!film)
            return film.error();
        const auto colour = FilmColour::of(project, film.value()->info());
        if (!colour)
            return colour.error();
        Json& told = json["film"];
        told["shots"] = Json::array();
        for (std::size_t i = 0; i < project.shots.size(); ++i)
            told["shots"].push_back(colour.value()->spaceOf(i));
        told["working"] = colour.value()->workingSpace();
        told["codes"] = colour.value()->filmSpace(true);
        told["light"] = colour.value()->filmSpace(false);
        const DisplayView& screen = colour.value()->screen();
        told["display"] = screen.display;
        told["view"] = screen.view;
        told["look"] = screen.look;
        for (const Phrase& note : colour.value()->notes())
            told["notes"].push_back(note.said());
        return Done{};
    }

    std::string what_{builtInConfig};
};

} // namespace

std::unique_ptr<Command> makeColoursCommand()
{
    return std::make_unique<ColoursCommand>();
}

} // namespace ember
