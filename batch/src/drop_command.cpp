// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/drop/scene.h"
#include "ember/project/file.h"

namespace ember {

namespace {

constexpr std::uintmax_t largestScene = 4 << 20;

class DropCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("SCENE", path_, "The scene, .json (docs/drop.md)");
        app.add_flag("--sample", sample_, "Write a sample scene instead");
    }

    Status run(const BatchStreams& streams) override
    {
        if (sample_) {
            streams.out << drop::sceneToJson(drop::sampleScene());
            return Done{};
        }
        if (path_.empty())
            return Error{ErrorCode::badValue, "SCENE", "it is missing; --sample writes one to begin with"};
        const auto text = readFile(path_, largestScene, "a scene");
        if (!text)
            return text.error();
        const auto scene = drop::sceneFromJson(text.value(), path_);
        if (!scene)
            return scene.error();
        streams.out << drop::impactsToJsonLines(drop::simulate(scene.value()).impacts, scene->view);
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the impacts could not all be written"};
        return Done{};
    }

private:
    std::string path_;
    bool sample_ = false;
};

} // namespace

std::unique_ptr<Command> makeDropCommand()
{
    return std::make_unique<DropCommand>();
}

} // namespace ember
