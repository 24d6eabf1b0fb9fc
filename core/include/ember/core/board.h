// SPDX-License-Identifier: GPL-3.0-or-later
// The pads that are struck while one watches.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "ember/core/place.h"
#include "ember/core/strike.h"

namespace ember {

inline constexpr std::size_t boardStates = 2;
inline constexpr std::size_t mostPads = 10; ///< a key each, 1 to 9 and 0

/// What is struck: a strike that has no frame yet.
struct Pad {
    std::string name; ///< empty: its recipe's
    StrikeKind kind = StrikeKind::hit;
    std::array<RecipeId, boardStates> recipes{}; ///< one for each state of the board
    double strength = 1;                         ///< of the hardest press, ratio 0 to 4
    std::optional<double> direction;             ///< as Strike::direction
    std::optional<Place> place;
    int note = -1; ///< MIDI note that strikes it, 0 to 127; -1: none

    bool operator==(const Pad&) const = default;
};

struct Board {
    std::array<std::string, boardStates> states{"cold", "white-hot"}; ///< what the states are called
    std::vector<Pad> pads;                                            ///< none: a pad for each recipe, see boardOf

    bool operator==(const Board&) const = default;
};

} // namespace ember
