// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures without an end: whatever is asked for, there is something to see. Borders are decided here and nowhere else,
// so that nothing that comes later can look at what is not there.
#pragma once

#include "ember/core/projection.h"
#include "light.h"

namespace ember {

class Plane {
public:
    Plane() = default;
    virtual ~Plane() = default;
    Plane(const Plane&) = delete;
    Plane& operator=(const Plane&) = delete;

    virtual void fill(const Rect& rect, const Patch& to) const = 0;
    /// What is seen behind the horizon of a tilted picture.
    virtual Light beyond() const = 0;
    /// Whether `rect` shows where a picture breaks off: a line harder than any inside it.
    virtual bool breaksOffIn(const Rect&) const { return false; }
};

/// How many pixels a shot's edge is repeated before a plain colour or nothing begins: as far as the kernels look, so
/// that a picture that just covers the frame has no trace of it.
inline constexpr int borderSmear = 3;

/// A picture and what its edges show.
class ImagePlane final : public Plane {
public:
    ImagePlane(const Image& image, Domain domain, EdgeMode edges, const Colour& plain, int smear);
    void fill(const Rect& rect, const Patch& to) const override;
    Light beyond() const override { return beyond_; }
    bool breaksOffIn(const Rect& rect) const override;

private:
    const Image& image_;
    Domain domain_;
    EdgeMode edges_;
    int smear_;
    Light beyond_;
};

/// A picture of light, its edge pixels repeated.
class LightPlane final : public Plane {
public:
    explicit LightPlane(const LightPicture& picture) : picture_(picture) {}
    void fill(const Rect& rect, const Patch& to) const override;
    Light beyond() const override { return {0, 0, 0, 1}; }

private:
    const LightPicture& picture_;
};

/// Another plane seen through a map (from its own pixels to those of the other), with a Catmull-Rom kernel at exact
/// places.
class ResampledPlane final : public Plane {
public:
    ResampledPlane(const Plane& inner, const Matrix3& map) : inner_(inner), map_(map) {}
    void fill(const Rect& rect, const Patch& to) const override;
    Light beyond() const override { return inner_.beyond(); }
    bool breaksOffIn(const Rect& rect) const override;

private:
    void fillInTwoSteps(const Rect& rect, const Patch& to, const Patch& from, const Matrix3& map, int rows) const;
    void fillCarefully(const Rect& rect, const Patch& to) const;

    const Plane& inner_;
    Matrix3 map_;
};

/// Whether a map without perspective may be resampled across and down one after the other.
bool isNearlyUpright(const Matrix3& map);

/// The smallest rectangle of whole pixels that holds the map of another, with margins; false when a part of it is
/// behind the horizon or it is larger than `most` pixels.
bool boundsOf(const Matrix3& map, const Rect& rect, int marginX, int marginY, double most, Rect& bounds);

/// A buffer of this thread, kept for the next time. Each depth of use has its own.
Floats& scratch(std::size_t level);

} // namespace ember
