// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <span>
#include <string>

#include "ember/core/axes.h"
#include "ember/core/captured.h"

namespace ember {

/// A camera's motion under its name, as libraries, recipes and projects keep it.
struct KeptMotion {
    std::string name;
    std::string about; ///< a few words on where it comes from; may be empty
    CapturedMotion motion;

    bool operator==(const KeptMotion&) const = default;
};

/// A kept motion made ready to be asked at any time. It goes round without a seam: its end is blended into what comes
/// before its beginning, over a second or a quarter of it, whichever is shorter. An immutable value; copies share what
/// they were made of. One that was made of nothing is still.
class MotionLoop {
public:
    MotionLoop() = default;
    /// Of at least two frames; fewer make one that is still but keeps its name.
    explicit MotionLoop(KeptMotion kept);

    /// Made of nothing.
    bool empty() const { return data_ == nullptr; }
    /// What it was made of; without a name when it is empty.
    const KeptMotion& kept() const;
    /// After this many seconds it repeats; 0 when it is still.
    double seconds() const;
    /// The largest excursion on each axis, without a sign: x and y in pixels of the pictures it was read from, zoom as
    /// a difference, roll in degrees. Pan and tilt are 0.
    AxisValues largest() const;
    /// The excursion at a time as a share of the largest, -1 to 1; any time, also negative. Between frames a cubic
    /// through four of them (E. Catmull, R. Rom: A class of local interpolating splines, 1974).
    double at(Axis axis, double seconds) const;
    /// A time at which it moves far from rest, another for each seed.
    double violentTime(std::uint64_t seed) const;
    /// What the two above are made of, for those who play it elsewhere: the shares of an axis on each frame of the
    /// round (none where it stays at rest), and the times to choose from, in seconds.
    std::span<const double> sharesOf(Axis axis) const;
    std::span<const double> violentTimes() const;

    /// Made of the same.
    friend bool operator==(const MotionLoop& a, const MotionLoop& b)
    {
        return a.data_ == b.data_ || a.kept() == b.kept();
    }

private:
    struct Data;
    std::shared_ptr<const Data> data_;
};

/// The amounts with which a motion looks as it was filmed in a frame of this width: pixels follow the width.
AxisValues amountsAsFilmed(const MotionLoop& motion, int width);

/// Where a motion is between its frames, by the same cubic; held before the first and after the last. Rest when it has
/// none.
Similarity momentOf(const CapturedMotion& motion, double frame);

/// Frames [first, last] of a motion, which begin at rest again.
CapturedMotion trimmed(const CapturedMotion& motion, std::size_t first, std::size_t last);
/// With the mean of each axis at rest.
CapturedMotion withoutMean(const CapturedMotion& motion);
/// As seen in a mirror beside it: left is right.
CapturedMotion mirrored(const CapturedMotion& motion);

} // namespace ember
