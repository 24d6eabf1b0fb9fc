// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string>

#include "ember/image/colour_space.h"

namespace ember {

/// The display a film was graded on (SMPTE ST 2086) and how bright its pictures are (CTA-861.3), in cd/m2.
struct MasteringLight {
    Chromaticities display{}; ///< red, green, blue, white
    double most = 0;
    double least = 0;
    int contentMost = 0; ///< MaxCLL and MaxFALL; 0: not told
    int contentMean = 0;

    bool operator==(const MasteringLight&) const = default;
};

/// How a film's file says what its codes are: numbers of ITU-T H.273, tables 2, 3 and 4. 2 is "not told".
struct ColourTags {
    int primaries = 1;
    int transfer = 1;
    int matrix = 1;    ///< of luma and chroma
    bool full = false; ///< codes use the whole range
    std::optional<MasteringLight> mastering;

    bool operator==(const ColourTags&) const = default;
};

/// What the tags of codes stand for. Camera curves (BT.709, BT.601, BT.2020) are read as sRGB's: what they were judged
/// on.
ColourSpace spaceOf(const ColourTags& tags);
/// The tags of a film in this space, in video range; linear light is coded as sRGB.
ColourTags tagsOf(ColourSpace space);
/// The brightest light that its pictures are told to have, in cd/m2: MaxCLL, else that of the display they were graded
/// on, else 1,000.
double brightestOf(const ColourTags& tags);
/// "BT.2020, PQ": for people.
std::string wordsOf(ColourSpace space);

} // namespace ember
