// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstdlib>
#include <filesystem>
#include <ostream>

#include "command.h"
#include "ember/core/text.h"
#include "ember/film/film_inputs.h"
#include "ember/film/hand_on.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class ExportCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option(
               "--as", format_,
               "csv, json, gltf, usd, otio, css, html, svg, lottie, vtt, mid, sheet or recipe (by OUT's ending)")
            ->check(CLI::IsMember(std::vector<std::string>(handFormatNames.begin(), handFormatNames.end())));
        auto* strike = app.add_option("--strike", strike_, "Only this strike, counted from 1")
                           ->check(CLI::Range(std::int64_t{1}, std::int64_t{100'000'000}));
        auto* shot = app.add_option("--shot", shot_, "Only this shot, counted from 1")
                         ->check(CLI::Range(std::int64_t{1}, std::int64_t{100'000'000}));
        auto* recipe = app.add_option("--recipe", recipe_, "Only this recipe of the project, by its name");
        strike->excludes(shot)->excludes(recipe);
        shot->excludes(recipe);
        sparseOption_ = app.add_option("--sparse", sparse_,
                                       "The fewest keys that stay within PX pixels (0.1), 0.02 degrees and 0.05 % of "
                                       "size, instead of one on every frame")
                            ->expected(0, 1)
                            ->type_name("PX")
                            ->check([](const std::string& text) {
                                char* end = nullptr;
                                const double value = std::strtod(text.c_str(), &end);
                                const bool good =
                                    text.empty() || text == "{}" || (*end == '\0' && value > 0 && value <= 1000);
                                return good ? std::string() : "\"" + text + "\" should be pixels above 0, at most 1000";
                            });
        app.add_flag("--camera", camera_, "As a camera before the picture, not as a layer (csv, json, usd)");
        app.add_flag("--absolute", how_.absolute, "Where it is, with the shot's own move; else what is added");
        app.add_flag("--y-up", how_.yUp, "y upwards");
        app.add_flag("--cover", how_.cover, "With the cover zoom");
        app.add_flag("--gentle", how_.gentle, "Of the gentle version");
        app.add_option("--offset", how_.frameOffset, "Frames added to the frames' numbers");
        app.add_option("--lens", how_.lens, "The camera's lens, degrees across the picture (50)")
            ->check(CLI::Range(1.0, 170.0));
        app.add_option("--width", how_.planeWidth, "The picture's width before the camera, in units (16)")
            ->check(CLI::Range(1e-3, 1e6));
        app.add_option("--unit", how_.unit, "What the units are called (m)");
        app.add_option("-o,--output", output_,
                       "The file; for sheet (.pdf, .svg, .png) and recipe also a FOLDER/, with one for each")
            ->required();
        app.add_flag("--strict", strict_, "Fail where a clip is not as it was, instead of only saying so");
        app.add_flag("--force", force_, "Replace what exists");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto project = loadProject(path_);
        if (!project)
            return project.error();
        if (const Status part = choosePart(project.value()); !part)
            return part.error();
        if (sparseOption_->count() > 0) {
            how_.sparse = KeyTolerance();
            if (!sparse_.empty() && sparse_ != "{}")
                how_.sparse->pixels = std::strtod(sparse_.c_str(), nullptr); // checked when it was read
        }
        how_.as = camera_ ? HandedAs::camera : HandedAs::layer;
        const auto format = formatOf();
        if (!format)
            return Error{ErrorCode::unsupported, output_, "tell the format with --as"};
        const auto changed = changedClips(project.value());
        if (strict_ && !changed.empty())
            return strictError(changed);
        for (const Phrase& text : changed)
            streams.err << text.said() << '\n';
        const bool folder = output_.ends_with('/');
        if (folder) {
            const auto files = handOnAll(project.value(), *format, how_, output_, "", force_, {}, path_);
            if (!files)
                return forced(files.error());
            for (const std::string& file : files.value())
                streams.out << file << '\n';
            return Done{};
        }
        const auto note = handOn(project.value(), *format, how_, output_, force_, path_);
        if (!note)
            return forced(note.error());
        if (!note->empty())
            streams.err << note.value().said() << '\n';
        return Done{};
    }

private:
    static Error forced(Error error)
    {
        if (error.code == ErrorCode::exists && error.detail.empty())
            error.detail = forceReplaces;
        return error;
    }

    Status choosePart(const Project& project)
    {
        const auto past = [](const std::string& option, std::int64_t asked, std::size_t count, const char* what) {
            return Error{ErrorCode::badValue, Phrase("{} {}", option, asked),
                         Phrase("the project has {} {}", count, what)};
        };
        if (strike_ > 0) {
            if (static_cast<std::size_t>(strike_) > project.strikes.size())
                return past("--strike", strike_, project.strikes.size(), "strikes");
            how_.part = {HandedOf::strike, project.strikes[static_cast<std::size_t>(strike_) - 1].id};
        } else if (shot_ > 0) {
            if (static_cast<std::size_t>(shot_) > project.shots.size())
                return past("--shot", shot_, project.shots.size(), "shots");
            how_.part = {HandedOf::shot, project.shots[static_cast<std::size_t>(shot_) - 1].id};
        } else if (!recipe_.empty()) {
            const Recipe* recipe = project.recipeNamed(recipe_);
            if (recipe == nullptr)
                return Error{ErrorCode::badValue, Phrase("--recipe {}", recipe_),
                             "the project has no recipe of this name"};
            how_.part = {HandedOf::recipe, recipe->id};
        }
        return Done{};
    }

    std::optional<HandFormat> formatOf() const
    {
        if (!format_.empty())
            return handFormatFromName(format_);
        const std::string ending = fileEnding(output_);
        for (std::size_t i = 0; i < handFormatNames.size(); ++i)
            if (endingOf(static_cast<HandFormat>(i)) == ending)
                return static_cast<HandFormat>(i);
        return ending == ".png" ? std::optional(HandFormat::sheet) : std::nullopt;
    }

    std::string path_;
    std::string format_;
    std::string recipe_;
    std::string output_;
    std::int64_t strike_ = 0;
    std::int64_t shot_ = 0;
    std::string sparse_;
    CLI::Option* sparseOption_ = nullptr;
    HandingOn how_;
    bool camera_ = false;
    bool strict_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeExportCommand()
{
    return std::make_unique<ExportCommand>();
}

} // namespace ember
