// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/drop/scene.h"
#include "ember/exchange/strike_list.h"
#include "ember/project/file.h"
#include "osc_sending.h"

namespace ember {

namespace {

class DropCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("SCENE", path_, "The scene, .json (docs/drop.md)");
        app.add_flag("--sample", sample_, "Write a sample scene instead");
        app.add_flag("--positions", positions_, "Tell where around the camera each impact is");
        auto* live = app.add_flag("--live", live_, "Fall in real time, and send each impact as OSC when it happens");
        auto* osc =
            app.add_option("--osc", osc_, "Where to: HOST:PORT, or PORT of this machine")->check(addressSpelling());
        live->needs(osc);
        osc->needs(live);
    }

    Status run(const BatchStreams& streams) override
    {
        if (sample_) {
            streams.out << drop::sceneToJson(drop::sampleScene());
            return Done{};
        }
        if (path_.empty())
            return Error{ErrorCode::badValue, "SCENE", "it is missing; --sample writes one to begin with"};
        const auto text = readFile(path_, drop::largestScene, "a scene");
        if (!text)
            return text.error();
        const auto scene = drop::sceneFromJson(text.value(), path_);
        if (!scene)
            return scene.error();
        const drop::Run run = drop::simulate(scene.value());
        const std::string impacts = drop::impactsToJsonLines(
            run.impacts, scene->view, positions_ || live_ ? drop::Tell::positions : drop::Tell::pictures);
        if (live_)
            return send(impacts, streams);
        streams.out << impacts;
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the impacts could not all be written"};
        return Done{};
    }

private:
    /// The way a list goes that a simulator wrote: kinds, strengths from energies, places.
    Status send(const std::string& impacts, const BatchStreams& streams) const
    {
        const auto list = strikesFromText(ListFormat::jsonLines, impacts, {});
        if (!list)
            return list.error();
        std::vector<TimedOsc> messages;
        for (const ListedStrike& strike : list.value()) {
            OscStrike message{std::string(kindName(strike.kind)), strike.strength};
            if (strike.place)
                message.at = std::get<WorldPoint>(strike.place->at);
            messages.push_back({strike.seconds, std::move(message)});
        }
        return sendInTime(messages, *oscAddressFrom(osc_), streams);
    }

    std::string path_;
    std::string osc_;
    bool sample_ = false;
    bool positions_ = false;
    bool live_ = false;
};

} // namespace

std::unique_ptr<Command> makeDropCommand()
{
    return std::make_unique<DropCommand>();
}

} // namespace ember
