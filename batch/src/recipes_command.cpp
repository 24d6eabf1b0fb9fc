// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "ember/json/json.h"

#include "command.h"
#include "ember/project/shipped_recipes.h"

namespace ember {

namespace {

class RecipesCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_flag("--json", json_, "As JSON: for each recipe its name, where it is from and every value");
    }

    Status run(const BatchStreams& streams) override
    {
        const BookEntries entries = knownRecipes(streams.err);
        const auto shipped = shippedRecipes().size();
        const auto from = [shipped](std::size_t i) { return i < shipped ? "shipped" : "user"; };
        if (!json_) {
            for (std::size_t i = 0; i < entries.size(); ++i)
                streams.out << entries[i].recipe.name << '\t' << from(i) << '\t' << entries[i].about << '\n';
        } else {
            Json all = parsedJson(recipesToJson(entries), "recipes").value();
            Json list = Json::array();
            for (std::size_t i = 0; i < entries.size(); ++i) {
                Json recipe{{"name", entries[i].recipe.name}, {"from", from(i)}, {"about", entries[i].about}};
                recipe.update(all["recipes"][i]);
                list.push_back(std::move(recipe));
            }
            streams.out << Json{{"recipes", list}}.dump(2, ' ', false, Json::error_handler_t::replace) << '\n';
        }
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the recipes could not all be written"};
        return Done{};
    }

private:
    bool json_ = false;
};

} // namespace

BookEntries knownRecipes(std::ostream& err)
{
    const UserBook user = openUserBook(userBookPath());
    if (!user.trouble.empty())
        err << "vast-ember-batch: " << user.trouble.said() << '\n';
    return allRecipes(user.entries);
}

std::unique_ptr<Command> makeRecipesCommand()
{
    return std::make_unique<RecipesCommand>();
}

} // namespace ember
