// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <filesystem>
#include <ostream>

#include "command.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/film/find_strikes.h"
#include "ember/film/new_project.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/shot_edits.h"

namespace ember {

namespace {

class NewCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("CLIP", clip_,
                       "The clip: a video, a picture, one of a numbered series of pictures, or a timeline, NAME.otio")
            ->required();
        app.add_option("--then", then_, "Another clip, a shot after the last (may be given several times)")
            ->allow_extra_args(false);
        app.add_flag("--split-at-cuts", split_, "Take the film apart at its cuts, a shot for each piece");
        app.add_option("-o,--output", output_, "The project to write, NAME.vember")->required();
        app.add_option("--strike", strikes_, "Put a strike: FRAME:KIND:STRENGTH (may be given several times)")
            ->allow_extra_args(false) // one value each time, so that the clip may follow it
            ->check(strikeSpelling());
        app.add_option("--recipe", recipe_,
                       "The recipe of all these strikes, instead of the one for their kind: any that `recipes` lists");
        app.add_option("--seed", seed_, "The first strike's variation; the next ones count on from it");
        app.add_option("--overlap", overlap_, "What happens where strikes meet: add (default), stronger or restart")
            ->check(CLI::IsMember({"add", "stronger", "restart"}));
        app.add_option("--rate", rate_, "Frame rate of numbered pictures and stills (default 24/1)")
            ->check(rateSpelling());
        app.add_flag("--still", still_, "Open a numbered picture alone, though it has neighbours");
        app.add_flag("--force", force_, "Replace the project if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        OutputGuard inputs;
        for (const std::string& clip : then_)
            protectClip(inputs, clip);
        protectClip(inputs, clip_);
        if (Status may = inputs.mayWrite(output_, force_, forceReplaces); !may)
            return may;
        ClipOptions options;
        options.sequenceRate = rateFrom(rate_).value_or(FrameRate());
        options.neverSequence = still_;
        auto made = started(options, streams);
        if (!made)
            return made.error();
        Project project = std::move(made).value();
        if (auto status = addShots(project, options, streams); !status)
            return status;
        if (const auto rule = overlapFromName(overlap_))
            project.overlap.rule = *rule;
        const auto chosen = chosenRecipe(project, streams.err);
        if (!chosen)
            return chosen.error();
        std::uint32_t seed = seed_.value_or(0);
        for (const auto& text : strikes_) {
            const auto strike = strikeFrom(text);
            if (strike->frame >= project.length())
                return Error{ErrorCode::badValue, Phrase("--strike {}", text),
                             Phrase("frame {} is past the clip's last one, {}", strike->frame, project.length() - 1)};
            auto [next, id] = withStrike(std::move(project), Frame{strike->frame}, strike->kind, strike->strength);
            project = std::move(next);
            if (chosen.value() != 0)
                project.strike(id)->recipe = chosen.value();
            if (seed_)
                project.strike(id)->seed = seed++;
        }
        if (Status may = guardOf(project).mayWrite(output_, force_, forceReplaces); !may) // a timeline's clips
            return may;
        return saveProject(project, output_);
    }

private:
    static void protectClip(OutputGuard& guard, const std::string& clip)
    {
        for (const std::string& file : filesOfClip(clip))
            guard.protect(file, "a clip that is read");
        guard.protect(clip, "a clip that is read");
    }

    Result<Project> started(const ClipOptions& options, const BatchStreams& streams) const
    {
        if (clip_.ends_with(".otio")) {
            auto project = projectFromReel(clip_);
            if (!project)
                return project.error();
            if (const std::string missing = missingClip(project.value()); !missing.empty())
                streams.err << "A clip of the timeline is missing: " << missing << '\n';
            return project;
        }
        auto clip = ClipReader::open(clip_, options);
        if (!clip)
            return clip.error();
        for (const auto& note : clip.value()->info().notes)
            streams.err << note.said() << '\n';
        return projectForClip(clip.value()->info());
    }

    Status addShots(Project& project, ClipOptions options, const BatchStreams& streams) const
    {
        options.sequenceRate = project.rate;
        for (const std::string& path : then_) {
            const auto clip = ClipReader::open(path, options);
            if (!clip)
                return clip.error();
            Shot shot = shotOf(clip.value()->info(), project.rate);
            if (shot.still) // as long as in the window
                shot.length = std::max<std::int64_t>(1, std::llround(2 * project.rate.perSecond()));
            project.addShot(std::move(shot));
        }
        if (!split_)
            return Done{};
        auto film = openFilm(project);
        if (!film)
            return film.error();
        const auto changes = findCuts(*film.value(), project.rate, project.length(), progressOn(streams));
        if (!changes)
            return changes.error();
        std::vector<std::int64_t> cuts;
        for (const ShotChange& change : changes.value())
            if (change.kind == ChangeKind::cut)
                cuts.push_back(change.frame.index);
        project = withShotsSplit(project, cuts);
        return Done{};
    }

    /// The recipe that was asked for, in the project now; 0 when none was.
    Result<RecipeId> chosenRecipe(Project& project, std::ostream& err) const
    {
        if (recipe_.empty())
            return RecipeId{0};
        if (const Recipe* own = project.recipeNamed(recipe_))
            return own->id;
        const BookEntries entries = knownRecipes(err);
        if (const BookEntry* entry = entryNamed(entries, recipe_))
            return project.addRecipe(recipeFor(*entry, project));
        std::string names;
        for (const BookEntry& entry : entries)
            names += (names.empty() ? "\"" : ", \"") + entry.recipe.name + "\"";
        return Error{ErrorCode::badValue, Phrase("--recipe {}", recipe_), Phrase("there are {}", names)};
    }

    std::string clip_;
    std::vector<std::string> then_;
    bool split_ = false;
    std::string output_;
    std::vector<std::string> strikes_;
    std::string recipe_;
    std::optional<std::uint32_t> seed_;
    std::string overlap_;
    std::string rate_ = "24/1";
    bool still_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeNewCommand()
{
    return std::make_unique<NewCommand>();
}

} // namespace ember
