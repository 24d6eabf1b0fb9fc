// SPDX-License-Identifier: GPL-3.0-or-later
#include "grey_levels.h"

#include <algorithm>
#include <cmath>

#include <opencv2/imgproc.hpp>

namespace ember {

namespace {

constexpr double softening = 1.15;     ///< pixels: what lies between pixels is then smooth enough to be interpolated
constexpr double crispSoftening = 0.7; ///< the same, where the key has no grain that would be taken for texture
constexpr double reach = 2.4;          ///< standard deviations, at least, beyond which nothing is asked
constexpr int smallestSide = 60;       ///< of the smallest level

cv::Mat1f softened(const cv::Mat1b& grey, double by)
{
    const int side = 2 * static_cast<int>(std::ceil(reach * by)) + 1;
    const cv::Mat weights = cv::getGaussianKernel(side, by, CV_32F);
    cv::Mat1f out;
    cv::sepFilter2D(grey, out, CV_32F, weights, weights, {-1, -1}, 0, cv::BORDER_REPLICATE);
    return out;
}

} // namespace

GreyLevels greyLevels(const cv::Mat1b& grey)
{
    GreyLevels out{grey, {softened(grey, softening)}};
    while (out.soft.size() < 5 && std::min(out.soft.back().cols, out.soft.back().rows) >= 2 * smallestSide) {
        cv::Mat1f smaller;
        cv::pyrDown(out.soft.back(), smaller);
        out.soft.push_back(smaller);
    }
    return out;
}

cv::Mat1f crisp(const cv::Mat1b& grey)
{
    return softened(grey, crispSoftening);
}

} // namespace ember
