// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include <QRectF>
#include <QSizeF>

#include "anvil_geometry.h"

namespace ember::app {

/// A value of the envelope that stands beside its handle.
enum class Tag { lead, leadLevel, attack, hold, curve, decay, rumble, rumbleLength, release };
inline constexpr std::array allTags{Tag::lead,  Tag::leadLevel, Tag::attack,       Tag::hold,   Tag::curve,
                                    Tag::decay, Tag::rumble,    Tag::rumbleLength, Tag::release};

/// The values an envelope has a place for, in the order of time: no level without a lead, no curve without a decay, no
/// length of a rumble that is not there.
std::vector<Tag> tagsOf(const Envelope& envelope);

/// The handle a value stands at; none for the rumble's level, which belongs to a stretch.
Handle handleOf(Tag tag, const Envelope& envelope);

/// The point a value belongs to: its handle, or the middle of what it is the level of.
QPointF tagPoint(const AnvilLayout& layout, const Envelope& envelope, Tag tag);

/// Where values stand: each as near to its point as it can, none on another, on a handle or beyond the paper; off the
/// line of the envelope where there is room. `sizes`: of the tags, in pixels; as many rectangles come back.
std::vector<QRectF> placeTags(const AnvilLayout& layout, const Envelope& envelope, const std::vector<Tag>& tags,
                              const std::vector<QSizeF>& sizes);

} // namespace ember::app
