// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <ostream>

#include "ember/json/json.h"

#include "command.h"
#include "ember/film/check_film.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class CheckCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("--shot", shot_, "Only this shot, counted from 1")
            ->check(CLI::Range(std::int64_t{1}, std::int64_t{100'000'000}));
        app.add_flag("--gentle", gentle_, "Check the gentle version");
        app.add_flag("--no-flashes", motionOnly_, "Leave out the flash check, which renders every frame");
        app.add_flag("--json", json_, "As JSON");
        app.footer("Exit code 3: a limit is not kept.");
    }

    Status run(const BatchStreams& streams) override
    {
        auto loaded = loadProject(path_);
        if (!loaded)
            return loaded.error();
        const Project project = gentle_ ? gentled(loaded.value()) : std::move(loaded).value();
        if (project.length() < 1)
            return Error{ErrorCode::failed, path_, "it has no clip, so there are no frames to check"};
        std::int64_t first = 0;
        std::int64_t end = project.length();
        if (shot_ > 0) {
            if (static_cast<std::size_t>(shot_) > project.shots.size())
                return Error{ErrorCode::badValue, Phrase("--shot {}", shot_),
                             Phrase("the project has {} shots", project.shots.size())};
            const ShotPlace place = project.placeOf(static_cast<std::size_t>(shot_) - 1);
            first = place.first;
            end = place.end;
        }
        const ComfortFigures figures = comfortOf(project, first, end);
        const auto lines = comfortLines(figures, project.rate);
        std::vector<FlashViolation> flashes;
        if (!motionOnly_) {
            auto found = flashesOf(project, Frame{first}, Frame{end - 1}, [&](const RenderProgress&) {
                return streams.stop == nullptr || !streams.stop->load();
            });
            if (!found)
                return found.error();
            flashes = std::move(found).value();
        }
        within_ = flashes.empty();
        for (const ComfortLine& line : lines)
            within_ = within_ && line.within();
        if (json_)
            streams.out << asJson(project, first, end, lines, flashes) << '\n';
        else
            asWords(streams.out, lines, flashes);
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the report could not all be written"};
        return Done{};
    }

    int doneCode() const override { return within_ ? batchOk : batchBeyond; }

private:
    void asWords(std::ostream& out, const std::vector<ComfortLine>& lines,
                 const std::vector<FlashViolation>& flashes) const
    {
        for (const ComfortLine& line : lines)
            out << (line.within() ? "ok    " : "over  ") << line.sentence.said() << '\n';
        for (const FlashViolation& flash : flashes)
            out << "over  " << flashSentence(flash).said() << '\n';
        if (flashes.empty() && !motionOnly_)
            out << "ok    No flashes beyond three a second over a quarter of ten degrees.\n";
        out << (within_ ? "Within all limits.\n" : "Not within its limits.\n");
    }

    std::string asJson(const Project& project, std::int64_t first, std::int64_t end,
                       const std::vector<ComfortLine>& lines, const std::vector<FlashViolation>& flashes) const
    {
        Json json{{"first", first},
                  {"last", end - 1},
                  {"rate", std::to_string(project.rate.num()) + "/" + std::to_string(project.rate.den())},
                  {"gentle", gentle_},
                  {"within", within_}};
        json["comfort"] = Json::array();
        for (const ComfortLine& line : lines)
            json["comfort"].push_back({{"key", line.key},
                                       {"value", line.value},
                                       {"limit", line.limit},
                                       {"unit", line.unit},
                                       {"frame", line.frame},
                                       {"within", line.within()},
                                       {"sentence", line.sentence.said()}});
        if (motionOnly_)
            return json.dump(2);
        json["flashes"] = Json::array();
        for (const FlashViolation& flash : flashes)
            json["flashes"].push_back({{"kind", flash.kind == FlashKind::red ? "red" : "general"},
                                       {"first", flash.first},
                                       {"last", flash.last},
                                       {"flashes", flash.flashes},
                                       {"area", flash.area},
                                       {"sentence", flashSentence(flash).said()}});
        return json.dump(2);
    }

    std::string path_;
    std::int64_t shot_ = 0;
    bool gentle_ = false;
    bool motionOnly_ = false;
    bool json_ = false;
    bool within_ = true;
};

} // namespace

std::unique_ptr<Command> makeCheckCommand()
{
    return std::make_unique<CheckCommand>();
}

} // namespace ember
