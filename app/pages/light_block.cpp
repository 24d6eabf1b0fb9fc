// SPDX-License-Identifier: GPL-3.0-or-later
#include "light_block.h"

#include <algorithm>

#include <QLabel>

#include "ember/core/values.h"
#include "form.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

namespace {

constexpr int columns = 4;
const std::string prefix = "light.";

/// The part of a name; null where it is none of the effects with a course.
const EffectPart* partNamed(std::string_view name)
{
    const auto parts = effectParts();
    const auto found = std::find_if(parts.begin(), parts.end(), [&](const EffectPart& p) { return p.name == name; });
    return found != parts.end() ? &*found : nullptr;
}

/// Whether a value is asked for now: the amounts always, the others when there is something for them to shape.
bool isAsked(const Shaping& shaping, const std::string& key)
{
    const auto read = [&](const std::string& other) { return shaping.value(prefix + other).value_or(0); };
    const auto used = [&](const EffectPart& part) { return shaping.value(std::string(part.amount)).value_or(0) != 0; };
    const std::string effect = key.substr(0, key.find('.'));
    const std::string what = key.substr(key.find('.') + 1);
    if (effect == "flicker") {
        const auto parts = effectParts();
        const bool any = std::any_of(parts.begin(), parts.end(), used);
        if (what == "every" || !any)
            return any;
        const bool flickers = read("flicker.every") > 1 || read("flicker.count") != 0;
        const EffectPart* of = partNamed(what);
        return flickers && (of == nullptr || used(*of));
    }
    const EffectPart* part = partNamed(effect);
    if (part == nullptr || key == part->amountKey())
        return true;
    if (!used(*part))
        return false;
    if (what == "angle")
        return read(effect + ".toward") == 1;
    if (effect == "ripple" && (what == "x" || what == "y"))
        return read("ripple.from") == 0;
    if (effect == "impact" && (what == "threshold" || what == "softness"))
        return static_cast<ImpactFrame::Look>(read("impact.look")) != ImpactFrame::Look::invert;
    if (effect == "impact" && (what == "dark" || what == "light"))
        return static_cast<ImpactFrame::Look>(read("impact.look")) == ImpactFrame::Look::twoTone;
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
    for (const FieldOf<Effects>& field : fieldsOf<Effects>()) {
        const EffectPart* part = partNamed(field.key.substr(0, field.key.find('.')));
        const bool begins = part != nullptr ? field.key == part->amountKey() : field.key == "flicker.every";
        if (begins)
            grid_->addHead(std::string(field.key), *field.spec);
        else
            grid_->add(std::string(field.key), *field.spec);
    }
    column->addWidget(grid_);
}

void LightBlock::refresh()
{
    grid_->refresh();
}

} // namespace ember::app
