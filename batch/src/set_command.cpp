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
        app.add_flag("--force", force_, "Replace OUTPUT if it exists");
        app.add_flag("--list", list_, "List every key with its value (after setting) instead of writing anything");
    }

    Status run(const BatchStreams& streams) override
    {
        auto held = holdProject(path_, list_ ? "-" : output_);
        if (!held)
            return held.error();
        std::vector<Setting> settings;
        for (const auto& text : settings_)
            settings.push_back(settingFromText(text).value());
        const auto changed = withSettings(std::move(held->project), settings);
        if (!changed)
            return changed.error();
        if (!list_) {
            std::vector<std::string> inputs; // motions, layers and sounds are given as files
            for (const Setting& setting : settings)
                if (!setting.second.empty())
                    inputs.push_back(setting.second);
            return saveEdited(changed.value(), path_, output_, force_, inputs);
        }
        for (const Setting& setting : settingsOf(changed.value()))
            streams.out << settingText(setting) << '\n';
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the values could not all be written"};
        return Done{};
    }

private:
    std::string path_;
    std::vector<std::string> settings_;
    std::string output_;
    bool list_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeSetCommand()
{
    return std::make_unique<SetCommand>();
}

} // namespace ember
