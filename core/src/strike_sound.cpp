// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/strike_sound.h"

#include <algorithm>

#include "ember/core/project.h"

namespace ember {

std::vector<HeardStrike> heardStrikes(const Project& whole)
{
    const FeltProject felt(whole);
    const Project& project = *felt;
    std::vector<HeardStrike> heard;
    if (!project.master.sounds || project.master.bypass)
        return heard;
    for (const Strike& strike : project.strikes) {
        const Recipe* used = project.recipe(strike.recipe);
        // Looked at first: working a recipe out costs more.
        if (used == nullptr || strike.strength == 0 ||
            (used->sound.kind == SoundKind::none && !strike.overrides["sound.kind"]))
            continue;
        const Recipe recipe = recipeOf(project, strike);
        if (recipe.sound.kind == SoundKind::none || (recipe.sound.kind == SoundKind::file && recipe.sound.file.empty()))
            continue;
        const auto frame = static_cast<double>(strike.frame.index);
        heard.push_back({project.rate.seconds(frame), recipe.sound, strike.strength * project.master.intensityAt(frame),
                         recipe.variation == Variation::same ? recipe.seed : strike.seed, recipe.envelope,
                         project.rate.perSecond()});
    }
    std::stable_sort(heard.begin(), heard.end(),
                     [](const HeardStrike& a, const HeardStrike& b) { return a.seconds < b.seconds; });
    return heard;
}

} // namespace ember
