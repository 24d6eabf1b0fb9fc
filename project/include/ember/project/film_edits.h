// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of what stands over all strikes: settle marks, the master's keys, the shot's own move, groups.
#pragma once

#include <string>

#include "ember/core/project.h"
#include "ember/project/edits.h"

namespace ember {

/// Puts a thing with a frame into its list; one that is on this frame already is replaced.
Project withSettle(Project project, const SettleMark& mark);
Project withIntensityKey(Project project, const IntensityKey& key);
Project withMoveKey(Project project, const MoveKey& key);

/// Changes the thing at a place of its list. One that is moved onto another's frame takes its place.
Project withSettleAt(Project project, std::size_t index, const SettleMark& mark);
Project withIntensityKeyAt(Project project, std::size_t index, const IntensityKey& key);
Project withMoveKeyAt(Project project, std::size_t index, const MoveKey& key);

Project withoutSettle(Project project, std::size_t index);
Project withoutIntensityKey(Project project, std::size_t index);
Project withoutMoveKey(Project project, std::size_t index);

/// A group that meets as the project does until it is told otherwise; its name is made different from the others'.
Project withGroup(Project project, const std::string& name);
/// Strikes of a group that goes, or gets another name, go along: to the project's own overlap, or to the new name.
Project withoutGroup(Project project, std::size_t index);
Project withGroupRenamed(Project project, std::size_t index, const std::string& name);
/// These strikes meet in a group ("" for the project's own overlap).
Project withStrikesInGroup(Project project, const StrikeIds& ids, const std::string& group);

/// What a settle mark, a key of the master or a key of the move would be at a frame if it changed nothing there.
IntensityKey intensityKeyHere(const Project& project, Frame frame);
MoveKey moveKeyHere(const Project& project, Frame frame);
/// Eased home over half a second.
SettleMark easeHomeAt(const Project& project, Frame frame);

} // namespace ember
