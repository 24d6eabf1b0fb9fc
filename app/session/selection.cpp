// SPDX-License-Identifier: GPL-3.0-or-later
#include "selection.h"

#include <algorithm>

#include "ember/core/motion.h"
#include "ember/film/film_reader.h"
#include "open_document.h"

namespace ember::app {

Selection::Selection(OpenDocument& document) : document_(document)
{
    connect(&document_, &OpenDocument::edited, this, [this] {
        arrived_.reset();
        if (std::erase_if(ids_, [this](StrikeId id) { return document_.project().strike(id) == nullptr; }) > 0)
            emit changed();
    });
    connect(&document_, &OpenDocument::wentBack, this, &Selection::showWhatChanged);
}

void Selection::showWhatChanged(const Project& before)
{
    const Project& project = document_.project();
    if (!sameFilm(before, project))
        return; // all strikes that were taken along would be
    StrikeIds changed;
    for (const Strike& strike : project.strikes)
        if (const Strike* old = before.strike(strike.id); old == nullptr || !(*old == strike))
            changed.push_back(strike.id);
    if (!changed.empty()) {
        set(std::move(changed));
    } else if (ids_.empty()) {
        StrikeIds earlier = before_;
        std::erase_if(earlier, [&](StrikeId id) { return project.strike(id) == nullptr; });
        set(std::move(earlier));
    }
}

bool Selection::contains(StrikeId id) const
{
    return std::find(ids_.begin(), ids_.end(), id) != ids_.end();
}

const Strike* Selection::strike() const
{
    return ids_.size() == 1 ? first() : nullptr;
}

const Strike* Selection::first() const
{
    return ids_.empty() ? nullptr : document_.project().strike(ids_.front());
}

const Strike* Selection::feltStrike() const
{
    const Strike* one = strike();
    if (one == nullptr || !one->place)
        return one;
    if (!arrived_)
        arrived_ = ember::feltStrike(document_.project(), *one);
    return &*arrived_;
}

void Selection::set(StrikeIds ids)
{
    if (ids == ids_)
        return;
    if (!ids_.empty())
        before_ = ids_;
    ids_ = std::move(ids);
    arrived_.reset();
    emit changed();
}

void Selection::toggle(StrikeId id)
{
    StrikeIds ids = ids_;
    if (std::erase(ids, id) == 0)
        ids.push_back(id);
    set(std::move(ids));
}

void Selection::setAll()
{
    StrikeIds ids;
    for (const Strike& strike : document_.project().strikes)
        ids.push_back(strike.id);
    set(std::move(ids));
}

void Selection::reset(StrikeIds ids)
{
    ids_ = std::move(ids);
    before_.clear();
    arrived_.reset();
}

} // namespace ember::app
