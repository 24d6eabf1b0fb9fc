// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <ostream>

#include "command.h"
#include "ember/core/cover.h"
#include "ember/core/values.h"
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
        const std::vector<double> needed = neededCovers(project, Motion(project));
        const Cover cover = coverFrom(project, needed);
        const std::vector<std::int64_t> uncovered = uncoveredFrames(cover, needed);
        const auto number = [](double value) {
            return std::isfinite(value) ? valueText(FieldSpec{}, std::ceil(value * 1e6 - 1e-6) / 1e6)
                                        : std::string("inf");
        };
        if (list_) {
            streams.out << "frame,needed,zoom\n";
            for (const auto frame : uncovered)
                streams.out << frame << ',' << number(needed[static_cast<std::size_t>(frame)]) << ','
                            << number(cover.at(frame)) << '\n';
        } else {
            streams.out << "shot,first,last,needed,worst_frame,zoom,uncovered\n";
            for (std::size_t i = 0; i < project.shots.size(); ++i) {
                const ShotPlace place = project.placeOf(i);
                const auto from = needed.begin() + place.first;
                const auto worst = std::max_element(from, needed.begin() + place.end);
                const std::int64_t frame = *worst > 1 ? worst - needed.begin() : place.first;
                double zoom = 1;
                for (std::int64_t f = place.first; f < place.end; ++f)
                    zoom = std::max(zoom, cover.at(f));
                const auto bare = std::count_if(uncovered.begin(), uncovered.end(),
                                                [&](std::int64_t f) { return f >= place.first && f < place.end; });
                streams.out << i + 1 << ',' << place.first << ',' << place.end - 1 << ',' << number(*worst) << ','
                            << frame << ',' << number(zoom) << ',' << bare << '\n';
            }
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
