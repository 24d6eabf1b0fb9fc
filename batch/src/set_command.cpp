// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/project/file.h"
#include "ember/project/settings.h"

namespace ember {

namespace {

class SetCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("KEY=VALUE", settings_, "Values to set, in this order; see --list for the keys")
            ->check(CLI::Validator(
                [](std::string& text) {
                    const auto setting = settingFromText(text);
                    return setting ? std::string() : sentence(setting.error());
                },
                ""));
        app.add_option("-o,--output", output_, "Write the result here instead of into the project itself");
        app.add_flag("--list", list_, "List every key with its value (after setting) instead of writing anything");
    }

    Status run(const BatchStreams& streams) override
    {
        auto project = loadProject(path_);
        if (!project)
            return project.error();
        std::vector<Setting> settings;
        for (const auto& text : settings_)
            settings.push_back(settingFromText(text).value());
        const auto changed = withSettings(std::move(project).value(), settings);
        if (!changed)
            return changed.error();
        if (!list_)
            return saveProject(changed.value(), output_.empty() ? path_ : output_);
        for (const auto& [key, value] : settingsOf(changed.value()))
            streams.out << key << '=' << value << '\n';
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the values could not all be written"};
        return Done{};
    }

private:
    std::string path_;
    std::vector<std::string> settings_;
    std::string output_;
    bool list_ = false;
};

} // namespace

std::unique_ptr<Command> makeSetCommand()
{
    return std::make_unique<SetCommand>();
}

} // namespace ember
