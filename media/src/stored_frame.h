// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>

#include "av.h"
#include "ember/image/image.h"

namespace ember {

/// What the decoder of a film gave.
class StoredFrame final : public StoredPicture {
public:
    StoredFrame(av::FramePtr frame, int matrix, bool full) : frame_(std::move(frame)), matrix_(matrix), full_(full) {}

    const AVFrame& frame() const { return *frame_; }
    /// As it was read (ITU-T H.273), also where the file does not tell.
    int matrix() const { return matrix_; }
    bool full() const { return full_; }

private:
    av::FramePtr frame_;
    int matrix_;
    bool full_;
};

} // namespace ember
