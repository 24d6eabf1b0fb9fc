// SPDX-License-Identifier: GPL-3.0-or-later
#include "stacked_pictures.h"

#include <cmath>
#include <numbers>

#include <opencv2/imgproc.hpp>

namespace ember {

namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr double mostGrain = 5; ///< times the noise that a picture may differ from its key

} // namespace

StackedPictures::StackedPictures(const cv::Mat1f& key) : key_(key), sum_(key.clone()), count_(key.size(), 1) {}

void StackedPictures::add(const cv::Mat1f& picture, const Alignment& found)
{
    const double turn = found.moved.zoom * std::cos(found.moved.roll * degree);
    const double lean = found.moved.zoom * std::sin(found.moved.roll * degree);
    const double cx = 0.5 * (key_.cols - 1);
    const double cy = 0.5 * (key_.rows - 1);
    const cv::Matx23d map(turn, -lean, cx + found.moved.x - turn * cx + lean * cy, //
                          lean, turn, cy + found.moved.y - lean * cx - turn * cy);
    constexpr float beyond = -1e6F;
    cv::Mat1f there;
    cv::warpAffine(picture, there, map, key_.size(), cv::INTER_LINEAR | cv::WARP_INVERSE_MAP, cv::BORDER_CONSTANT,
                   cv::Scalar(static_cast<double>(beyond)));
    const auto contrast = static_cast<float>(found.contrast);
    const auto most = static_cast<float>(mostGrain * found.noise);
    for (int y = 0; y < key_.rows; ++y) {
        const float* key = key_.ptr<float>(y);
        const float* now = there.ptr<float>(y);
        float* sum = sum_.ptr<float>(y);
        float* count = count_.ptr<float>(y);
        for (int x = 0; x < key_.cols; ++x) {
            const float value = contrast * now[x];
            const float share = std::abs(value - key[x]) <= most ? 1.0F : 0.0F;
            sum[x] += share == 0 ? 0 : value;
            count[x] += share;
        }
    }
}

cv::Mat1f StackedPictures::mean() const
{
    cv::Mat1f mean;
    cv::divide(sum_, count_, mean);
    return mean;
}

} // namespace ember
