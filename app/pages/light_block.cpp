// SPDX-License-Identifier: GPL-3.0-or-later
#include "light_block.h"

#include <QLabel>

#include "ember/core/values.h"
#include "form.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

namespace {

constexpr int columns = 4;
const std::string prefix = "light.";

/// The value that says whether an effect is there at all.
std::string amountKey(const std::string& effect)
{
    return effect == "fringe" ? "fringe.amount" : effect == "flash" ? "flash.strength" : effect + ".length";
}

/// Whether a value is asked for now: the amounts always, the others when there is something for them to shape.
bool isAsked(const Shaping& shaping, const std::string& key)
{
    const auto read = [&](const std::string& other) { return shaping.value(prefix + other).value_or(0); };
    const std::string effect = key.substr(0, key.find('.'));
    const std::string what = key.substr(key.find('.') + 1);
    if (effect == "flicker") {
        const bool any = read("streak.length") > 0 || read("radial.length") > 0 || read("fringe.amount") > 0 ||
                         read("flash.strength") > 0;
        if (what == "every" || !any)
            return any;
        const bool flickers = read("flicker.every") > 1 || read("flicker.count") != 0;
        return flickers && (what == "count" || read(amountKey(what)) > 0);
    }
    if (key == amountKey(effect))
        return true;
    if (read(amountKey(effect)) == 0)
        return false;
    if (what == "angle")
        return read(effect + ".toward") == 1;
    const bool own = read(effect + ".course") == 0;
    return own || (what != "rise" && what != "hold" && what != "fall");
}

} // namespace

LightBlock::LightBlock(OpenDocument& document, Shaping& shaping, QWidget* parent) : QWidget(parent)
{
    auto* column = newColumn(this, 3, {0, 2, 0, 2});
    auto* head = new QLabel(tr("Light"), this);
    head->setFont(theme::words(13, true));
    head->setToolTip(tr("Light effects of this recipe's strikes"));
    column->addWidget(head);
    ControlGrid::Binding binding = recipeBinding(shaping, [] { return prefix; });
    const auto plain = binding.read;
    binding.read = [&shaping, plain](const std::string& key) {
        return isAsked(shaping, key) ? plain(key) : std::nullopt;
    };
    grid_ = new ControlGrid(document, shaping, binding, columns, this);
    grid_->setObjectName(QStringLiteral("light"));
    std::string_view effect;
    for (const FieldOf<Effects>& field : fieldsOf<Effects>()) {
        const std::string_view next = field.key.substr(0, field.key.find('.'));
        if (next != effect)
            grid_->nextRow();
        effect = next;
        grid_->add(std::string(field.key), *field.spec);
    }
    column->addWidget(grid_);
}

void LightBlock::refresh()
{
    grid_->refresh();
}

} // namespace ember::app
