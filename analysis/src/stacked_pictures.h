// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <opencv2/core.hpp>

#include "picture_aligner.h"

namespace ember {

/// The mean of pictures that were laid over a key: their grain falls with the root of how many there are.
class StackedPictures {
public:
    /// `key`: crisp, as all that are added.
    explicit StackedPictures(const cv::Mat1f& key);

    /// One more; what differs from the key by more than grain can is left out of it.
    void add(const cv::Mat1f& picture, const Alignment& found);
    /// Where the key lies.
    cv::Mat1f mean() const;

private:
    cv::Mat1f key_;
    cv::Mat1f sum_;
    cv::Mat1f count_;
};

} // namespace ember
