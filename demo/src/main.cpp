// SPDX-License-Identifier: GPL-3.0-or-later
#include <chrono>
#include <filesystem>
#include <fstream>
#include <future>
#include <iostream>
#include <sstream>

#include "ember/files/manual_page.h"
#include "ember/film/capture_clip.h"
#include "ember/film/new_project.h"
#include "ember/media/film_writer.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/motion_library.h"
#include "ember/project/shipped_recipes.h"
#include "ember/project/shot_edits.h"
#include "operator.h"
#include "scene.h"
#include "sound.h"
#include "timeline.h"

namespace {

using namespace ember;
using namespace ember::demo;

FilmSettings filmSettings()
{
    FilmSettings settings;
    settings.width = demo::width;
    settings.height = demo::height;
    settings.rate = *FrameRate::make(framesPerSecond, 1);
    settings.overwrite = true;
    return settings;
}

/// Whoever waits for it reads how far it is, in percent, a line each.
class Progress {
public:
    explicit Progress(bool told) : told_(told) {}
    void frameDone(int all)
    {
        ++done_;
        if (told_)
            std::cout << 100 * done_ / all << '\n' << std::flush;
    }

private:
    bool told_;
    int done_ = 0;
};

constexpr int cutFrame = 144;
constexpr int allFrames = frames + (frames - cutFrame);

Status makeFilm(const std::string& path, Progress& progress)
{
    FilmSettings settings = filmSettings();
    settings.sounds.push_back({{"", 48000, 2}});
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
        progress.frameDone(allFrames);
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
    project.addShot(Shot{std::filesystem::absolute(film).string(), frames});
    project.shots.front().available = frames;
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

/// What the second camera filmed from the cut on.
Status filmClose(const std::string& path, Progress& progress)
{
    auto writer = FilmWriter::create(path, filmSettings());
    if (!writer)
        return writer.error();
    for (int frame = cutFrame; frame < frames; ++frame) {
        if (auto status = writer.value()->addFrame(*closeFrame(frame)); !status)
            return status;
        progress.frameDone(allFrames);
    }
    return writer.value()->finish();
}

/// The film cut from the first camera to the second, with the cut thrown; the sound goes through.
Project cutProject(Project project, const std::string& close)
{
    project.sound.file = project.shots.front().clip;
    project = withOutTrimmed(project, project.shots.front().id, cutFrame - frames);
    Shot shot{std::filesystem::absolute(close).string(), frames - cutFrame};
    shot.available = shot.length;
    project.addShot(std::move(shot));
    // What the second camera saw hits on the same frames as before.
    std::vector<Strike> late = std::move(project.shots.front().trimmed);
    project.shots.front().trimmed.clear();
    for (Strike& strike : late)
        project.strikes.push_back(std::move(strike));
    project.sortStrikes();
    auto [next, id] = withCutStrike(std::move(project), cutFrame);
    next.strike(id)->name = "Closer";
    next.strike(id)->direction = 180;
    return next;
}

Status makeAll(const std::filesystem::path& folder, bool tellProgress)
{
    Progress progress(tellProgress);
    std::error_code error;
    std::filesystem::create_directories(folder, error);
    const std::string film = (folder / "night-shift.mp4").string();
    if (auto status = makeFilm(film, progress); !status)
        return status;
    if (auto status = writeFileSafely((folder / "night-shift-strikes.csv").string(), trueStrikes()); !status)
        return status;
    const Project project = demoProject(film);
    if (auto status = saveProject(project, (folder / "night-shift.vember").string()); !status)
        return status;
    const std::string close = (folder / "night-shift-close.mp4").string();
    if (auto status = filmClose(close, progress); !status)
        return status;
    return saveProject(cutProject(project, close), (folder / "night-shift-cut.vember").string());
}

/// The night shift as somebody with a camera on the shoulder filmed it.
Status filmOperator(Operator who, const std::string& path)
{
    FilmSettings settings = filmSettings();
    settings.quality = FilmQuality::best;
    auto writer = FilmWriter::create(path, settings);
    if (!writer)
        return writer.error();
    for (int frame = 0; frame < frames; ++frame)
        if (auto status = writer.value()->addFrame(*filmFrame(who, frame)); !status)
            return status;
    return writer.value()->finish();
}

/// Films each operator and reads the camera's motion from the clip: what ships in assets/motions.
Status makeMotions(const std::filesystem::path& folder)
{
    std::error_code error;
    std::filesystem::create_directories(folder, error);
    for (const Operator who : {Operator::calm, Operator::nervous, Operator::running}) {
        const OperatorNames& names = operatorNames[static_cast<std::size_t>(who)];
        const std::string clip = (folder / (std::string(names.file) + ".mp4")).string();
        if (auto status = filmOperator(who, clip); !status)
            return status;
        auto reader = ClipReader::open(clip);
        if (!reader)
            return reader.error();
        auto motion = captureClip(*reader.value(), 0, frames - 1, {});
        if (!motion)
            return motion.error();
        const KeptMotion kept{std::string(names.name), std::string(names.about), rounded(withoutMean(motion.value()))};
        if (auto status = saveMotion(kept, (folder / (std::string(names.file) + ".json")).string()); !status)
            return status;
    }
    return Done{};
}

} // namespace

namespace {

constexpr const char* progressText = "Say on stdout how far it is, in percent.";
constexpr const char* operatorsText =
    "Film the same with a calm, a nervous and a running operator instead, and read the "
    "motion of their cameras.";

std::string manualPage()
{
    return ember::roffOf({"vast-ember-demo",
                          EMBER_VERSION,
                          "draws and sounds the demo of Vast Ember",
                          "[--progress] FOLDER",
                          "Makes the demo film, its true strikes and two projects in a folder. The same in every run.",
                          {{"Options", {}, {{"--progress", progressText}, {"--operators FOLDER", operatorsText}}},
                           {"See also", "vast-ember(1)", {}}}});
}

constexpr const char* usage = "Usage: vast-ember-demo [--progress] FOLDER\n"
                              "Makes the demo film, its true strikes and two projects there.\n"
                              "       vast-ember-demo --operators FOLDER\n";

} // namespace

int main(int argc, char** argv)
{
    const std::vector<std::string> arguments(argv + 1, argv + argc);
    const bool option = arguments.size() == 2;
    const bool right = !arguments.empty() && arguments.size() <= 2 && !arguments.back().starts_with("--") &&
                       (!option || arguments[0] == "--progress" || arguments[0] == "--operators");
    if (!right) {
        const bool help = arguments == std::vector<std::string>{"--help"};
        if (arguments == std::vector<std::string>{"--manual-page"})
            std::cout << manualPage();
        else if (help)
            std::cout << usage << "  --progress   " << progressText << "\n  --operators  " << operatorsText << '\n';
        else
            std::cerr << usage;
        return !arguments.empty() && (help || arguments[0] == "--manual-page") ? 0 : 2;
    }
    const std::string& folder = arguments.back();
    if (const auto status = option && arguments[0] == "--operators" ? makeMotions(folder) : makeAll(folder, option);
        !status) {
        std::cerr << "vast-ember-demo: " << sentence(status.error()) << '\n';
        return 1;
    }
    return 0;
}
