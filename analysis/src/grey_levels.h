// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <opencv2/core.hpp>

namespace ember {

/// A grey picture, codes from 0 to 255, and the same softened a little in several sizes, each half of the one before.
struct GreyLevels {
    cv::Mat1b grey;
    std::vector<cv::Mat1f> soft;
};
GreyLevels greyLevels(const cv::Mat1b& grey);
/// Softened less: enough where the key has no grain.
cv::Mat1f crisp(const cv::Mat1b& grey);

} // namespace ember
