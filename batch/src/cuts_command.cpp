// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <cstdio>
#include <ostream>

#include "ember/json/json.h"

#include "command.h"
#include "ember/film/find_strikes.h"

namespace ember {

namespace {

class CutsCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("CLIP", clip_, "The clip that is looked through")->required();
        app.add_flag("--json", json_, "As JSON, with the first and the last frame of a dissolve");
    }

    Status run(const BatchStreams& streams) override
    {
        auto clip = ClipReader::open(clip_);
        if (!clip)
            return clip.error();
        const auto changes =
            findCuts(*clip.value(), clip.value()->info().rate, clip.value()->info().length, progressOn(streams));
        if (!changes)
            return changes.error();
        if (json_) {
            auto list = Json::array();
            for (const ShotChange& change : changes.value())
                list.push_back({{"frame", change.frame.index},
                                {"kind", changeName(change.kind)},
                                {"confidence", std::round(1000 * change.confidence) / 1000},
                                {"frames", change.length},
                                {"first", change.first.index},
                                {"last", change.last.index}});
            streams.out << list.dump(2) << '\n';
        } else {
            streams.out << "frame,kind,confidence\n";
            for (const ShotChange& change : changes.value()) {
                char text[32];
                std::snprintf(text, sizeof text, "%.3f", change.confidence);
                streams.out << change.frame.index << ',' << changeName(change.kind) << ',' << text << '\n';
            }
        }
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the cuts could not all be written"};
        return Done{};
    }

private:
    std::string clip_;
    bool json_ = false;
};

} // namespace

std::unique_ptr<Command> makeCutsCommand()
{
    return std::make_unique<CutsCommand>();
}

} // namespace ember
