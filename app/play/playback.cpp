// SPDX-License-Identifier: GPL-3.0-or-later
#include "playback.h"

#include <algorithm>

namespace ember::app {

std::int64_t PlayLine::at(std::int64_t played) const
{
    const auto place = start + played;
    if (!loops())
        return std::min(place, end);
    if (place < loopEnd)
        return place;
    return loopFirst + (place - loopEnd) % (loopEnd - loopFirst);
}

std::int64_t PlayLine::straightFrom(std::int64_t played) const
{
    return (loops() ? loopEnd : end) - at(played);
}

} // namespace ember::app
