// SPDX-License-Identifier: GPL-3.0-or-later
#include <chrono>
#include <filesystem>
#include <fstream>
#include <future>
#include <iostream>
#include <sstream>

#include "ember/film/new_project.h"
#include "ember/media/film_writer.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/shipped_recipes.h"
#include "scene.h"
#include "sound.h"
#include "timeline.h"

namespace {

using namespace ember;
using namespace ember::demo;

Status makeFilm(const std::string& path)
{
    FilmSettings settings;
    settings.width = demo::width;
    settings.height = demo::height;
    settings.rate = *FrameRate::make(framesPerSecond, 1);
    settings.soundRate = 48000;
    settings.soundChannels = 2;
    settings.overwrite = true;
    auto writer = FilmWriter::create(path, settings);
    if (!writer)
        return writer.error();
    if (auto status = writer.value()->addSound(foundrySound()); !status)
        return status;
    // Two frames are drawn ahead of the coder.
    std::array<std::future<Image>, 2> ahead{std::async(std::launch::async, drawFrame, 0),
                                            std::async(std::launch::async, drawFrame, 1)};
    for (int frame = 0; frame < frames; ++frame) {
        auto& slot = ahead[static_cast<std::size_t>(frame % 2)];
        const Image image = slot.get();
        if (frame + 2 < frames)
            slot = std::async(std::launch::async, drawFrame, frame + 2);
        if (auto status = writer.value()->addFrame(image); !status)
            return status;
    }
    return writer.value()->finish();
}

std::string trueStrikes()
{
    std::ostringstream csv;
    csv << "frame,kind,strength,name\n";
    for (const TrueStrike& s : demo::strikes)
        csv << s.frame << ',' << kindName(s.kind) << ',' << s.strength << ",\"" << s.name << "\"\n";
    return csv.str();
}

Project demoProject(const std::string& film)
{
    Project project = newProject(demo::width, demo::height, *FrameRate::make(framesPerSecond, 1));
    project.shot = Shot{std::filesystem::absolute(film).string(), frames};
    for (const TrueStrike& s : demo::strikes) {
        auto [next, id] = withStrike(std::move(project), Frame{s.frame}, s.kind, s.strength);
        project = std::move(next);
        project.strike(id)->name = s.name;
        if (s.event == Event::ladle)
            project.strike(id)->direction = 20; // away from the ladle
    }
    // The ladle's burst is the one that is lit, too: torn, drawn out and blinding for a moment.
    for (Recipe& recipe : project.recipes)
        if (recipe.name == starterRecipeName(StrikeKind::blast)) {
            recipe.effects.streak.length = 26;
            recipe.effects.fringe.amount = 3;
            recipe.effects.flash.strength = 0.06;
        }
    project.finish.cover = CoverMode::breathing;
    return project;
}

Status makeAll(const std::filesystem::path& folder)
{
    std::error_code error;
    std::filesystem::create_directories(folder, error);
    const std::string film = (folder / "night-shift.mp4").string();
    if (auto status = makeFilm(film); !status)
        return status;
    if (auto status = writeFileSafely((folder / "night-shift-strikes.csv").string(), trueStrikes()); !status)
        return status;
    return saveProject(demoProject(film), (folder / "night-shift.vember").string());
}

} // namespace

int main(int argc, char** argv)
{
    if (argc != 2 || std::string(argv[1]).starts_with("--")) {
        std::cerr << "Usage: vast-ember-demo FOLDER\nMakes the demo film, its true strikes and a project there.\n";
        return argc == 2 && std::string(argv[1]) == "--help" ? 0 : 2;
    }
    if (const auto status = makeAll(argv[1]); !status) {
        std::cerr << "vast-ember-demo: " << sentence(status.error()) << '\n';
        return 1;
    }
    return 0;
}
