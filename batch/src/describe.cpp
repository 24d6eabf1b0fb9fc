// SPDX-License-Identifier: GPL-3.0-or-later
#include "describe.h"

#include "ember/files/manual_page.h"

namespace ember {

namespace {

std::vector<const CLI::App*> commandsOf(const CLI::App& app)
{
    return app.get_subcommands([](const CLI::App*) { return true; });
}

/// "-o, --output FILE"; the name alone of what has a place.
std::string spelled(const CLI::Option& option)
{
    std::string text;
    for (const std::string& name : option.get_snames())
        text += (text.empty() ? "-" : ", -") + name;
    for (const std::string& name : option.get_lnames())
        text += (text.empty() ? "--" : ", --") + name;
    if (text.empty())
        return option.get_name(true);
    if (option.get_items_expected_max() > 0)
        text += " VALUE";
    return text;
}

bool hasPlace(const CLI::Option& option)
{
    return option.get_snames().empty() && option.get_lnames().empty();
}

} // namespace

std::string manualOf(const CLI::App& app, const std::string& version)
{
    ManualPage page;
    page.name = app.get_name();
    page.version = version;
    page.summary = "impact shakes for scripts and farms";
    page.synopsis = "COMMAND [ARGUMENTS]";
    page.description = app.get_description();
    ManualPage::Section list{"Commands", {}, {}};
    for (const CLI::App* command : commandsOf(app))
        list.items.emplace_back(command->get_name(), command->get_description() + ".");
    page.sections.push_back(list);
    for (const CLI::App* command : commandsOf(app)) {
        ManualPage::Section section{command->get_name(), command->get_description() + ".", {}};
        for (const CLI::Option* option : command->get_options())
            if (option->get_name() != "--help" && option->get_name() != "--version")
                section.items.emplace_back(spelled(*option), option->get_description() + ".");
        page.sections.push_back(section);
    }
    page.sections.push_back({"Exit status", app.get_footer(), {}});
    page.sections.push_back({"See also", "The whole is in docs/batch.md of the documentation.", {}});
    return roffOf(page);
}

std::string bashCompletionOf(const CLI::App& app)
{
    std::string commands;
    std::string cases;
    for (const CLI::App* command : commandsOf(app)) {
        commands += (commands.empty() ? "" : " ") + command->get_name();
        std::string options;
        for (const CLI::Option* option : command->get_options()) {
            if (hasPlace(*option))
                continue;
            for (const std::string& name : option->get_snames())
                options += "-" + name + " ";
            for (const std::string& name : option->get_lnames())
                options += "--" + name + " ";
        }
        cases += "    " + command->get_name() + ") words=\"" + options + "\" ;;\n";
    }
    return "# Completion of vast-ember-batch for bash, made by the program itself.\n"
           "_vast_ember_batch() {\n"
           "  local word=${COMP_WORDS[COMP_CWORD]} words=\n"
           "  if [ \"$COMP_CWORD\" -eq 1 ]; then\n"
           "    words=\"" +
           commands +
           " --help --version\"\n"
           "  else\n"
           "    case ${COMP_WORDS[1]} in\n" +
           cases +
           "    esac\n"
           "  fi\n"
           "  COMPREPLY=()\n"
           "  if [[ $word == -* || $COMP_CWORD -eq 1 ]]; then\n"
           "    mapfile -t COMPREPLY < <(compgen -W \"$words\" -- \"$word\")\n"
           "  fi\n"
           "}\n"
           "complete -o default -F _vast_ember_batch vast-ember-batch\n";
}

} // namespace ember
