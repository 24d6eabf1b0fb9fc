// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

namespace ember {

/// How long work tells whoever waits for it how far it is: called with the share that is done, 0 to 1. False stops the
/// work, which ends with an Error `cancelled`. Where it is empty nobody waits.
using Progress = std::function<bool(double share)>;

/// Tells, and whether the work goes on.
inline bool goesOn(const Progress& progress, double share)
{
    return !progress || progress(share);
}

/// This progress as one part of longer work: from `begin` to `end` of it.
inline Progress partOf(const Progress& progress, double begin, double end)
{
    return [progress, begin, end](double share) { return goesOn(progress, begin + share * (end - begin)); };
}

} // namespace ember
