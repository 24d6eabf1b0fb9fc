// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <optional>
#include <string_view>
#include <vector>

#include "ember/analysis/picture_trace.h"
#include "ember/core/project.h"

namespace ember {

/// How likely each kind is: logarithms of odds. What is heard and what is seen add up.
struct KindOdds {
    static constexpr std::array<StrikeKind, 3> kinds{StrikeKind::blast, StrikeKind::landing, StrikeKind::hit};
    std::array<double, kinds.size()> odds{};

    StrikeKind likeliest() const;
    KindOdds operator+(const KindOdds& other) const;
    KindOdds times(double weight) const;
};

/// What tells of an event.
struct Evidence {
    enum class What {
        rises,   ///< the sound: decibels from the tenth of a second before
        above,   ///< the sound: decibels above what is heard around it
        light,   ///< a part of the picture grows brighter: percent of white
        stops,   ///< what moves comes to rest: percent of its speed lost
        turns,   ///< what moves goes another way
        appears, ///< something is there that was not, or flies apart: percent of white that no motion explains
        jolt,    ///< the camera's own: percent of the picture's height a frame
        tail,    ///< the sound: seconds since the event whose debris or echo it is
    };
    What what = What::rises;
    double amount = 0;

    bool operator==(const Evidence&) const = default;
};

/// "rises", "above", "light", "stops", "turns", "appears", "jolt"
std::string_view evidenceName(Evidence::What what);

struct ImpactOptions {
    double sensitivity = 0.5; ///< 0 only what stands out most, 1 everything that changes at once
    std::int64_t spacing = 6; ///< frames; of two that are closer the clearer one stays
};

/// A sudden event that is seen.
struct Impact {
    Frame frame;                       ///< the first that shows it
    double strength = 0;               ///< against the strongest, 0 to 1
    double confidence = 0;             ///< 0 to 1: of those told so, the share that is right
    StrikeKind kind = StrikeKind::hit; ///< a rough guess: much light or debris a blast, a fall that stops a landing
    std::optional<double> direction;   ///< degrees, 0 right, 90 down: the way something came
    Spot place;
    KindOdds kinds;
    std::vector<Evidence> evidence; ///< what stands out, the clearest first
    std::vector<float> looks;       ///< what it looks like, for comparing
};

/// All that may be an impact in a film, judged once, so that every sensitivity is answered at once: what trained trees
/// tell of how everything moves, of what no motion explains, and of the camera's own jolts. Cuts are none.
class ImpactFinder {
public:
    explicit ImpactFinder(const PictureTrace& trace);

    /// In order. A higher sensitivity finds all that a lower one does, and more.
    std::vector<Impact> at(const ImpactOptions& options) const;

private:
    friend class ImpactTraining;
    ImpactFinder() = default;

    std::vector<Impact> judged_; ///< the surest first; strengths not yet against others
};

/// The impacts of a film that is asked once.
std::vector<Impact> impactsOf(const PictureTrace& trace, const ImpactOptions& options);

} // namespace ember
