// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include "ember/core/captured.h"
#include "ember/image/image.h"

namespace ember {

/// Reads the motion of a camera from its pictures, one after the other.
///
/// One picture is the key: each later one is laid over it by a similarity, starting from where the last one lay, so
/// that steps do not add up. Where too little of the key is left in the picture, the last good picture is the next key.
/// The start is found by features followed from picture to picture (J.-Y. Bouguet: Pyramidal implementation of the
/// Lucas Kanade feature tracker, 2000) and a robust fit; the fit itself uses all textured parts of the picture at once
/// (S. Baker, I. Matthews: Lucas-Kanade 20 years on, 2004, inverse compositional), with brightness and contrast free,
/// and leaves out blocks that go another way than most.
class MotionCapture {
public:
    explicit MotionCapture(FrameRate rate);
    ~MotionCapture();
    MotionCapture(MotionCapture&&) noexcept;
    MotionCapture& operator=(MotionCapture&&) noexcept;

    /// The next picture, of the same size as the first; one of another size cannot be measured.
    void add(const Image& picture);
    /// What was measured. Frames that could not be are bridged from those beside them and have confidence 0; nothing
    /// can be added afterwards.
    CapturedMotion finish();

private:
    struct Work;
    std::unique_ptr<Work> work_;
};

} // namespace ember
