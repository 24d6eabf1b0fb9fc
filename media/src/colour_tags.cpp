// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/colour_tags.h"

namespace ember {

ColourSpace spaceOf(const ColourTags& tags)
{
    ColourSpace space;
    switch (tags.primaries) {
    case 9: space.primaries = Primaries::bt2020; break;
    case 12: space.primaries = Primaries::displayP3; break;
    default: break;
    }
    switch (tags.transfer) { // "linear" is what DPX files say of anything
    case 16: space.transfer = Transfer::pq; break;
    case 18: space.transfer = Transfer::hlg; break;
    default: break;
    }
    return space;
}

ColourTags tagsOf(ColourSpace space)
{
    ColourTags tags;
    const bool wide = space.primaries == Primaries::bt2020;
    tags.primaries = wide ? 9 : space.primaries == Primaries::displayP3 ? 12 : 1;
    tags.matrix = wide ? 9 : 1;
    switch (space.transfer) {
    case Transfer::pq: tags.transfer = 16; break;
    case Transfer::hlg: tags.transfer = 18; break;
    case Transfer::srgb:
    case Transfer::linear: tags.transfer = wide ? 14 : 1; break;
    }
    return tags;
}

double brightestOf(const ColourTags& tags)
{
    const auto& light = tags.mastering;
    const double told = light ? (light->contentMost > 0 ? light->contentMost : light->most) : 0;
    return told > 0 ? told : 1000;
}

std::string wordsOf(ColourSpace space)
{
    constexpr std::array<const char*, 4> primaries{"BT.709", "BT.2020", "Display P3", "ACEScg (AP1)"};
    constexpr std::array<const char*, 4> transfers{"SDR", "linear light", "PQ", "HLG"};
    return std::string(primaries[static_cast<std::size_t>(space.primaries)]) + ", " +
           transfers[static_cast<std::size_t>(space.transfer)];
}

} // namespace ember
