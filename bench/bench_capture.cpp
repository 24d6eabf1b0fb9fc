// SPDX-License-Identifier: GPL-3.0-or-later
// How well and how fast the motion of a camera is read, beside the plain way: features followed from frame to frame, a
// robust similarity for each step, steps added up (OpenCV's goodFeaturesToTrack, calcOpticalFlowPyrLK and
// estimateAffinePartial2D with their usual settings). Clips of known motion, one thread for both.
#include <chrono>
#include <cmath>
#include <cstdio>
#include <numbers>

#include <QTemporaryDir>

#include <opencv2/calib3d.hpp>
#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

#include "ember/analysis/capture.h"
#include "filmed.h"

namespace {

using namespace ember;

constexpr std::uint64_t seed = 97; // nothing was tuned with it
constexpr int width = 1280;
constexpr int height = 720;

cv::Mat greyOf(const Image& picture)
{
    const cv::Mat rgba(picture.height(), picture.width(), CV_8UC4, const_cast<std::uint8_t*>(picture.row(0)),
                       picture.stride());
    cv::Mat grey;
    cv::cvtColor(rgba, grey, cv::COLOR_RGBA2GRAY);
    return grey;
}

CapturedMotion byPlainFlow(const std::vector<const Image*>& pictures)
{
    CapturedMotion motion{width, height, {}, {{{}, 1}}};
    cv::Mat before = greyOf(*pictures[0]);
    for (std::size_t i = 1; i < pictures.size(); ++i) {
        const cv::Mat now = greyOf(*pictures[i]);
        std::vector<cv::Point2f> corners, followed, here, there;
        cv::goodFeaturesToTrack(before, corners, 400, 0.01, 8);
        std::vector<std::uint8_t> found;
        std::vector<float> error;
        Similarity step;
        if (!corners.empty())
            cv::calcOpticalFlowPyrLK(before, now, corners, followed, found, error);
        for (std::size_t k = 0; k < corners.size(); ++k)
            if (found[k] != 0) {
                here.push_back(corners[k]);
                there.push_back(followed[k]);
            }
        const cv::Mat map = here.size() > 3 ? cv::estimateAffinePartial2D(here, there) : cv::Mat();
        if (!map.empty()) {
            const cv::Mat1d m = map;
            const double cx = 0.5 * (width - 1);
            const double cy = 0.5 * (height - 1);
            step = {m(0, 0) * cx + m(0, 1) * cy + m(0, 2) - cx, m(1, 0) * cx + m(1, 1) * cy + m(1, 2) - cy,
                    std::atan2(m(1, 0), m(0, 0)) * 180 / std::numbers::pi, std::hypot(m(0, 0), m(1, 0))};
        }
        motion.frames.push_back({step.after(motion.frames.back().moved), 1});
        before = now;
    }
    return motion;
}

CapturedMotion byOurs(const std::vector<const Image*>& pictures)
{
    MotionCapture capture{FrameRate()};
    for (const Image* picture : pictures)
        capture.add(*picture);
    return capture.finish();
}

template <typename Read>
void measure(const char* how, const test::CaptureCase& filmed, const std::vector<const Image*>& pictures, Read read,
             double& seconds)
{
    const auto start = std::chrono::steady_clock::now();
    const CapturedMotion motion = read(pictures);
    seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    double squares = 0;
    double last = 0;
    for (std::size_t i = 0; i < motion.frames.size(); ++i) {
        last = cornerDistance(motion.frames[i].moved, filmed.filming.moved(static_cast<double>(i)), width, height);
        squares += last * last;
    }
    std::printf("  %-28s error %8.4f px, at the end %8.4f, %3zu bridged, %5.1f frames a second\n", how,
                std::sqrt(squares / static_cast<double>(motion.frames.size())), last, motion.bridged(),
                static_cast<double>(motion.frames.size()) / seconds);
}

} // namespace

int main()
{
    cv::setNumThreads(1);
    const QTemporaryDir folder;
    for (const test::CaptureCase& filmed : test::captureCases(seed, width)) {
        const test::Wall wall(filmed.wallWidth, filmed.wallHeight, 6);
        std::vector<Image> made;
        for (int i = 0; i < filmed.frames; ++i)
            made.push_back(test::filmed(wall, filmed.filming, i, width, height));
        std::vector<ImagePtr> back;
        std::vector<const Image*> pictures;
        if (filmed.coded) {
            back = test::stronglyCoded(folder, made);
            for (const ImagePtr& picture : back)
                pictures.push_back(picture.get());
        } else {
            for (const Image& picture : made)
                pictures.push_back(&picture);
        }
        std::printf("%s\n", filmed.name.c_str());
        double plain = 0;
        double ours = 0;
        measure("frame-to-frame flow", filmed, pictures, byPlainFlow, plain);
        measure("ours", filmed, pictures, byOurs, ours);
        std::printf("  time against the flow's: %.2f\n", ours / plain);
        std::fflush(stdout);
    }
    return 0;
}
