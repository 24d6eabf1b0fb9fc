// SPDX-License-Identifier: GPL-3.0-or-later
#include "command.h"
#include "ember/project/file.h"
#include "ember/project/frame_edits.h"

namespace ember {

namespace {

class FrameCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", project_, "The project, NAME.vember")->required();
        app.add_option("--size", size_, "Another frame size, WxH")->check(sizeSpelling());
        app.add_option("--rate", rate_, "Another frame rate, NUM/DEN such as 24000/1001")->check(rateSpelling());
        app.add_option("--amounts", amounts_, "Whether amounts in pixels follow the size: follow (default) or stay")
            ->check(CLI::IsMember({"follow", "stay"}));
        app.add_option("-o,--output", out_, "Write the result here instead of into the project itself");
        app.add_flag("--force", force_, "Replace OUTPUT if it exists");
    }

    Status run(const BatchStreams&) override
    {
        const auto rate = rateFrom(rate_);
        const auto size = sizeFrom(size_);
        if (!size && !rate)
            return Error{ErrorCode::badValue, "The command", "say which --size or --rate the film gets"};
        auto project = loadProject(project_);
        if (!project)
            return project.error();
        if (const Status may = mayBeEdited(project.value(), project_, out_, force_, {}); !may)
            return may;
        Project next = std::move(project).value();
        if (size)
            next = withFrameSize(std::move(next), size->width, size->height,
                                 amounts_ == "stay" ? PixelAmounts::stay : PixelAmounts::follow);
        if (rate)
            next = withFrameRate(std::move(next), *rate);
        return saveEdited(next, project_, out_, force_, {});
    }

private:
    std::string project_;
    std::string out_;
    std::string size_;
    std::string rate_;
    std::string amounts_ = "follow";
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeFrameCommand()
{
    return std::make_unique<FrameCommand>();
}

} // namespace ember
