// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/film_edits.h"
#include "ember/project/shot_edits.h"

#include <algorithm>
#include <cmath>

namespace ember {

namespace {

template <typename Item>
void put(std::vector<Item>& list, const Item& item)
{
    std::erase_if(list, [&](const Item& other) { return inOnePlace(other, item); });
    list.insert(std::upper_bound(list.begin(), list.end(), item,
                                 [](const Item& a, const Item& b) { return a.frame < b.frame; }),
                item);
}

template <typename Item>
void remove(std::vector<Item>& list, std::size_t index)
{
    if (index < list.size())
        list.erase(list.begin() + static_cast<std::ptrdiff_t>(index));
}

template <typename Item>
void replace(std::vector<Item>& list, std::size_t index, const Item& item)
{
    remove(list, index);
    put(list, item);
}

} // namespace

Project withSettle(Project project, const SettleMark& mark)
{
    put(project.settles, mark);
    return project;
}

Project withIntensityKey(Project project, const IntensityKey& key)
{
    put(project.master.keys, key);
    return project;
}

Project withMoveKey(Project project, const MoveKey& key)
{
    std::vector<MoveKey> keys = filmMove(project);
    put(keys, key);
    return withFilmMove(std::move(project), keys);
}

Project withSettleAt(Project project, std::size_t index, const SettleMark& mark)
{
    replace(project.settles, index, mark);
    return project;
}

Project withIntensityKeyAt(Project project, std::size_t index, const IntensityKey& key)
{
    replace(project.master.keys, index, key);
    return project;
}

Project withMoveKeyAt(Project project, std::size_t index, const MoveKey& key)
{
    std::vector<MoveKey> keys = filmMove(project);
    replace(keys, index, key);
    return withFilmMove(std::move(project), keys);
}

Project withoutSettle(Project project, std::size_t index)
{
    remove(project.settles, index);
    return project;
}

Project withoutIntensityKey(Project project, std::size_t index)
{
    // The last key leaves its value to the whole film, so that nothing jumps.
    if (project.master.keys.size() == 1 && index == 0)
        project.master.intensity = project.master.keys.front().value;
    remove(project.master.keys, index);
    return project;
}

Project withoutMoveKey(Project project, std::size_t index)
{
    std::vector<MoveKey> keys = filmMove(project);
    remove(keys, index);
    return withFilmMove(std::move(project), keys);
}

Project withGroup(Project project, const std::string& name)
{
    std::string fresh = name;
    for (int i = 2; project.group(fresh) != nullptr; ++i)
        fresh = name + " " + std::to_string(i);
    project.groups.push_back({fresh, project.overlap});
    return project;
}

Project withoutGroup(Project project, std::size_t index)
{
    if (index >= project.groups.size())
        return project;
    for (Strike* strike : everyStrike(project))
        if (strike->group == project.groups[index].name)
            strike->group.clear();
    project.groups.erase(project.groups.begin() + static_cast<std::ptrdiff_t>(index));
    return project;
}

Project withGroupRenamed(Project project, std::size_t index, const std::string& name)
{
    if (index >= project.groups.size() || name.empty() || project.group(name) != nullptr)
        return project;
    for (Strike* strike : everyStrike(project))
        if (strike->group == project.groups[index].name)
            strike->group = name;
    project.groups[index].name = name;
    return project;
}

Project withStrikesInGroup(Project project, const StrikeIds& ids, const std::string& group)
{
    return withStrikesChanged(std::move(project), ids, [&](Strike& strike) { strike.group = group; });
}

IntensityKey intensityKeyHere(const Project& project, Frame frame)
{
    return {frame, project.master.intensityAt(static_cast<double>(frame.index))};
}

MoveKey moveKeyHere(const Project& project, Frame frame)
{
    MoveKey key = moveAt(project, static_cast<double>(frame.index));
    key.frame = frame;
    key.ease = Ease::smooth;
    for (const MoveKey& before : filmMove(project)) // goes on as the move does here
        if (before.frame < frame)
            key.ease = before.ease;
    return key;
}

SettleMark easeHomeAt(const Project& project, Frame frame)
{
    return {frame, SettleMode::ease, std::max(1.0, std::round(project.rate.perSecond() / 2))};
}

} // namespace ember
