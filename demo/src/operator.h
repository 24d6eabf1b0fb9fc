// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <string_view>

#include "ember/core/captured.h"
#include "ember/image/image.h"

namespace ember::demo {

/// Somebody who films the night shift with the camera on the shoulder.
enum class Operator { calm, nervous, running };

struct OperatorNames {
    std::string_view file;  ///< "calm-operator"
    std::string_view name;  ///< "Calm operator"
    std::string_view about; ///< a few words
};
inline constexpr std::array<OperatorNames, 3> operatorNames{{
    {"calm-operator", "Calm operator", "A steady hand that breathes"},
    {"nervous-operator", "Nervous operator", "Small quick corrections, never at rest"},
    {"running-operator", "Running operator", "Steps that bounce and roll"},
}};

/// Where the content of the picture is `seconds` after the operator began, at 1280 pixels of width. At rest at 0.
Similarity operatorMotion(Operator who, double seconds);

/// A frame of the foundry film as this operator saw it; a little enlarged, so that no border shows.
ImagePtr filmFrame(Operator who, int frame);

/// The same from a second camera, close to the shop floor, that holds still.
ImagePtr closeFrame(int frame);

} // namespace ember::demo
