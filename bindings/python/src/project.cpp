// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>

#include "bound.h"
#include "ember/film/film_frames.h"
#include "ember/film/film_inputs.h"
#include "ember/film/import_strikes.h"
#include "ember/film/new_project.h"
#include "ember/film/render_film.h"
#include "ember/film/struck_frames.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/recipe_book.h"
#include "ember/project/settings.h"
#include "ember/project/shipped_recipes.h"

namespace ember::python {

namespace {

using Ratio = std::pair<std::int64_t, std::int64_t>;

FrameRate rateOf(const Ratio& rate)
{
    const auto made = FrameRate::make(rate.first, rate.second);
    if (!made)
        refuse("rate", Phrase("{}/{} is no rate from 1 to 1000 frames a second", rate.first, rate.second));
    return *made;
}

BookEntries book()
{
    return allRecipes(openUserBook(userBookPath()).entries);
}

/// Frames one after the other, for a loop of the script.
class FrameLoop {
public:
    explicit FrameLoop(FilmFrames frames) : frames_(std::move(frames)) {}

    py::array next()
    {
        const ImagePtr image = valueOf(unlocked([&] { return frames_.next(); }));
        if (PyErr_CheckSignals() != 0)
            throw py::error_already_set();
        if (image == nullptr)
            throw py::stop_iteration();
        return arrayOf(image);
    }

private:
    FilmFrames frames_;
};

/// A project as a script holds it, with what is worked out of it kept until it changes.
class Script {
public:
    Script(Project project, std::string path) : project_(std::move(project)), path_(std::move(path)) {}

    static Script open(const std::string& path)
    {
        return {valueOf(unlocked([&] { return loadProject(path); })), path};
    }
    static Script ofClip(const std::string& clip, bool still)
    {
        if (clip.ends_with(".otio"))
            return {valueOf(unlocked([&] { return projectFromReel(clip); })), {}};
        ClipOptions options;
        options.neverSequence = still;
        const auto reader = valueOf(unlocked([&] { return ClipReader::open(clip, options); }));
        return {projectForClip(reader->info()), {}};
    }
    static Script blank(int width, int height, const Ratio& rate, std::int64_t length)
    {
        constexpr int most = 16384;
        if (width < 1 || height < 1 || width > most || height > most)
            refuse("The size", Phrase("a film cannot be {} x {} pixels", width, height));
        if (length < 1 || length > longestFilm)
            refuse("length", Phrase("a film has 1 to {} frames", longestFilm));
        Project project = newProject(width, height, rateOf(rate));
        Shot gap;
        gap.length = length;
        project.addShot(std::move(gap));
        return {std::move(project), {}};
    }

    const std::string& path() const { return path_; }
    int width() const { return project_.width; }
    int height() const { return project_.height; }
    Ratio rate() const { return {project_.rate.num(), project_.rate.den()}; }
    std::int64_t length() const { return project_.length(); }

    std::vector<Setting> settings() const { return settingsOf(project_); }
    void set(const std::vector<Setting>& settings) { take(valueOf(withSettings(project_, settings))); }

    StrikeId addStrike(std::int64_t frame, const std::string& kind, double strength)
    {
        const auto known = kindFromName(kind);
        if (!known)
            refuse("kind", Phrase("{} is none of blast, landing, hit and beat", kind));
        if (frame < 0 || frame >= length())
            refuse("frame", Phrase("the film has frames 0 to {}", length() - 1));
        if (!(strength >= 0 && strength <= strikefield::strength.max))
            refuse("strength", Phrase("{} is not from 0 to {}", strength, strikefield::strength.max));
        auto [project, id] = withStrike(project_, Frame{frame}, *known, strength);
        take(std::move(project));
        return id;
    }
    void removeStrikes(const StrikeIds& ids) { take(withoutStrikes(project_, ids)); }
    StrikeIds strikes() const
    {
        StrikeIds ids;
        for (const Strike& strike : project_.strikes)
            ids.push_back(strike.id);
        return ids;
    }
    StrikeIds addStrikes(const std::string& path)
    {
        const ListReading reading{project_.rate, {}};
        const auto list = valueOf(unlocked([&] { return readStrikeList(path, reading); }));
        StrikesImported imported = withStrikesImported(project_, list);
        take(std::move(imported.project));
        return imported.ids;
    }
    std::vector<std::string> recipes() const
    {
        std::vector<std::string> names;
        for (const Recipe& recipe : project_.recipes)
            names.push_back(recipe.name);
        return names;
    }
    std::string addRecipe(const std::string& name)
    {
        const BookEntries entries = book();
        const BookEntry* entry = entryNamed(entries, name);
        if (entry == nullptr)
            refuse(name, "the recipe book has none of that name");
        Project project = project_;
        const RecipeId id = project.addRecipe(recipeFor(*entry, project));
        std::string taken = project.recipe(id)->name;
        take(std::move(project));
        return taken;
    }

    void save(const std::string& path, bool overwrite)
    {
        const bool own = !path_.empty() && path == path_;
        check(guardOf(project_, own ? std::string() : path_)
                  .mayWrite(path, overwrite || own, "say overwrite=True, or choose another name"));
        check(unlocked([&] { return saveProject(project_, path); }));
        path_ = path;
    }
    std::string json() const { return projectToJson(project_, std::filesystem::path(path_).parent_path().string()); }
    Script gentle() const { return {gentled(project_), {}}; }

    py::array_t<double> poses(std::int64_t first, std::optional<std::int64_t> last, int perFrame)
    {
        const std::int64_t end = last.value_or(length() - 1);
        constexpr int mostPerFrame = 1000;
        if (first < 0 || first > end || end >= length())
            refuse(Phrase("Frames {} to {}", first, end).said(), Phrase("the film has frames 0 to {}", length() - 1));
        if (perFrame < 1 || perFrame > mostPerFrame)
            refuse("per_frame", Phrase("{} is not from 1 to {}", perFrame, mostPerFrame));
        const auto motion = motionNow();
        py::array_t<double> rows({static_cast<py::ssize_t>((end - first + 1) * perFrame), py::ssize_t{7}});
        double* row = rows.mutable_data();
        unlocked([&] {
            for (std::int64_t frame = first; frame <= end; ++frame)
                for (int part = 0; part < perFrame; ++part, row += 7)
                    put(motion->at(static_cast<double>(frame) + static_cast<double>(part) / perFrame), row);
        });
        return rows;
    }
    /// At instants of the script's own, in frames.
    py::array_t<double> posesAt(const py::array_t<double, py::array::c_style | py::array::forcecast>& times)
    {
        if (times.ndim() != 1)
            refuse("times", "they are one list of numbers, in frames");
        const auto motion = motionNow();
        py::array_t<double> rows({times.shape(0), py::ssize_t{7}});
        double* row = rows.mutable_data();
        const double* time = times.data();
        const auto count = times.shape(0);
        for (py::ssize_t i = 0; i < count; ++i)
            if (!(std::abs(time[i]) <= static_cast<double>(longestFilm)))
                refuse("times", Phrase("{} is no time in a film", time[i]));
        unlocked([&] {
            for (py::ssize_t i = 0; i < count; ++i, row += 7)
                put(motion->at(time[i]), row);
        });
        return rows;
    }

    FrameLoop frames(std::int64_t first, std::optional<std::int64_t> last, int width, int height, int threads) const
    {
        return FrameLoop(valueOf(unlocked([&] {
            return FilmFrames::open(project_, Frame{first}, Frame{last.value_or(length() - 1)}, width, height, threads);
        })));
    }
    py::array frame(std::int64_t number, int width, int height) const
    {
        return frames(number, number, width, height, 0).next();
    }
    py::array shake(const py::array& picture, std::int64_t frame)
    {
        const ImagePtr image = imageOf(picture);
        if (struck_ == nullptr)
            struck_ = std::make_shared<const StruckFrames>(project_);
        const auto struck = struck_;
        const ImagePtr shaken = unlocked([&] { return struck->frame(image, Frame{frame}); });
        return arrayOf(shaken);
    }
    std::string render(const std::string& out, std::int64_t first, std::optional<std::int64_t> last, int width,
                       int height, const std::string& quality, const std::string& coder, int threads, bool overwrite,
                       py::object progress) const
    {
        RenderOptions options = wholeFilm(project_);
        options.first = Frame{first};
        options.last = Frame{last.value_or(length() - 1)};
        if (options.last.index >= length())
            refuse("last", Phrase("the film has frames 0 to {}", length() - 1));
        options.form.width = width > 0 ? width : options.form.width;
        options.form.height = height > 0 ? height : options.form.height;
        const auto known = std::find(filmQualityWords.begin(), filmQualityWords.end(), quality);
        if (known == filmQualityWords.end())
            refuse("quality", Phrase("{} is none of draft, good and best", quality));
        options.form.quality = static_cast<FilmQuality>(known - filmQualityWords.begin());
        const auto coding = std::find_if(coderWords.begin(), coderWords.end(),
                                         [&](const CoderWords& words) { return words.word == coder; });
        if (coding == coderWords.end())
            refuse("coder", Phrase("{} is none that there is", coder));
        options.form.coder = coding->coder;
        options.threads = threads;
        options.overwrite = overwrite;
        options.projectPath = path_;
        ScriptProgress told(std::move(progress));
        const Project project = project_;
        auto made = unlocked([&] {
            return renderFilm(project, out, options, [&](const RenderProgress& p) {
                return told(static_cast<double>(p.done) / static_cast<double>(p.total));
            });
        });
        told.throwStopped();
        return valueOf(std::move(made)).said();
    }

private:
    void take(Project project)
    {
        project_ = std::move(project);
        motion_.reset();
        struck_.reset();
    }
    std::shared_ptr<const Motion> motionNow()
    {
        if (motion_ == nullptr)
            motion_ = std::make_shared<const Motion>(project_);
        return motion_;
    }
    static void put(const MotionSample& s, double* row)
    {
        row[0] = s.pose.x;
        row[1] = s.pose.y;
        row[2] = s.pose.zoom;
        row[3] = s.pose.roll;
        row[4] = s.pose.pan;
        row[5] = s.pose.tilt;
        row[6] = s.intensity;
    }

    Project project_;
    std::string path_;
    std::shared_ptr<const Motion> motion_;
    std::shared_ptr<const StruckFrames> struck_;
};

} // namespace

void bindProject(py::module_& module)
{
    py::class_<FrameLoop>(module, "FrameLoop")
        .def("__iter__", [](py::object self) { return self; })
        .def("__next__", &FrameLoop::next);
    py::class_<Script>(module, "Project")
        .def_static("open", &Script::open)
        .def_static("of_clip", &Script::ofClip)
        .def_static("blank", &Script::blank)
        .def_property_readonly("path", &Script::path)
        .def_property_readonly("width", &Script::width)
        .def_property_readonly("height", &Script::height)
        .def_property_readonly("rate", &Script::rate)
        .def_property_readonly("length", &Script::length)
        .def("settings", &Script::settings)
        .def("set", &Script::set)
        .def("add_strike", &Script::addStrike)
        .def("remove_strikes", &Script::removeStrikes)
        .def("strikes", &Script::strikes)
        .def("add_strikes", &Script::addStrikes)
        .def("recipes", &Script::recipes)
        .def("add_recipe", &Script::addRecipe)
        .def("save", &Script::save)
        .def("json", &Script::json)
        .def("gentle", &Script::gentle)
        .def("poses", &Script::poses)
        .def("poses_at", &Script::posesAt)
        .def("frames", &Script::frames)
        .def("frame", &Script::frame)
        .def("shake", &Script::shake)
        .def("render", &Script::render);
    module.def("recipes", [] {
        std::vector<std::pair<std::string, std::string>> known;
        for (const BookEntry& entry : book())
            known.emplace_back(entry.recipe.name, entry.about);
        return known;
    });
}

} // namespace ember::python

PYBIND11_MODULE(_engine, module)
{
    ember::python::bindErrors(module);
    ember::python::bindProject(module);
    ember::python::bindAnalysis(module);
    module.attr("version") = EMBER_VERSION;
}
