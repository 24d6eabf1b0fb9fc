// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <ostream>

#include "command.h"
#include "ember/core/cover.h"
#include "ember/core/values.h"
#include "ember/film/on_all_threads.h"
#include "ember/project/file.h"

namespace ember {

namespace {

class CoverCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_flag("--list", list_, "List every frame that shows beyond the source instead");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto loaded = loadProject(path_);
        if (!loaded)
            return loaded.error();
        const Project& project = loaded.value();
        const auto number = [](double value) {
            return std::isfinite(value) ? valueText(FieldSpec{}, std::ceil(value * 1e6 - 1e-6) / 1e6)
                                        : std::string("inf");
        };
        const Motion motion(project);
        if (list_) {
            const std::vector<double> needed = neededCovers(project, motion);
            const Cover cover = coverFrom(project, needed);
            const std::vector<std::int64_t> uncovered = uncoveredFrames(cover, needed);
            streams.out << "frame,needed,zoom\n";
            for (const auto frame : uncovered)
                streams.out << frame << ',' << number(needed[static_cast<std::size_t>(frame)]) << ','
                            << number(cover.at(frame)) << '\n';
        } else {
            streams.out << "shot,first,last,needed,worst_frame,zoom,uncovered\n";
            std::size_t row = 0;
            for (const ShotCover& shot : shotCovers(project, motion, onAllThreads()))
                streams.out << ++row << ',' << shot.first << ',' << shot.end - 1 << ',' << number(shot.needed) << ','
                            << shot.worstFrame << ',' << number(shot.zoom) << ',' << shot.uncovered << '\n';
        }
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the covers could not all be written"};
        return Done{};
    }

private:
    std::string path_;
    bool list_ = false;
};

} // namespace

std::unique_ptr<Command> makeCoverCommand()
{
    return std::make_unique<CoverCommand>();
}

} // namespace ember
