// SPDX-License-Identifier: GPL-3.0-or-later
// How well and how fast the motion of a camera is read, beside the plain way: features followed from frame to frame, a
// robust similarity for each step, steps added up (OpenCV's goodFeaturesToTrack, calcOpticalFlowPyrLK and
// estimateAffinePartial2D with their usual settings), and beside FFmpeg's stabiliser at its most careful, where the
// ffmpeg command has it. Clips of known motion, one thread for the first two.
#include <array>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <fstream>
#include <numbers>
#include <sstream>
#include <string>
#include <vector>

#include <QProcess>
#include <QTemporaryDir>

#include <opencv2/calib3d.hpp>
#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

#include "ember/analysis/capture.h"
#include "ember/media/film_writer.h"
#include "filmed.h"

namespace {

using namespace ember;

constexpr std::uint64_t seed = 97; // softenings and counts were chosen with it and some others
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

/// The steps from picture to picture that FFmpeg's stabiliser finds, as it tells them itself; empty where it is not
/// there.
std::vector<std::array<double, 4>> stabiliserSteps(const QTemporaryDir& folder,
                                                   const std::vector<const Image*>& pictures, double& seconds)
{
    const std::string clip = folder.filePath("stabiliser.mkv").toStdString();
    FilmSettings settings;
    settings.format = FilmFormat::mkv;
    settings.width = width;
    settings.height = height;
    settings.overwrite = true;
    auto writer = FilmWriter::create(clip, settings);
    if (!writer)
        return {};
    for (const Image* picture : pictures)
        if (!writer.value()->addFrame(*picture))
            return {};
    if (!writer.value()->finish())
        return {};
    const auto start = std::chrono::steady_clock::now();
    const auto run = [&](const QString& filter) {
        QProcess process;
        process.setWorkingDirectory(folder.path());
        process.start("ffmpeg", {"-v", "error", "-y", "-i", "stabiliser.mkv", "-vf", filter, "-f", "null", "-"});
        return process.waitForFinished(-1) && process.exitCode() == 0;
    };
    if (!run("format=yuv444p,vidstabdetect=shakiness=10:accuracy=15:stepsize=4:mincontrast=0.2:result=steps.trf") ||
        !run("format=yuv444p,vidstabtransform=input=steps.trf:debug=1:smoothing=0:optzoom=0:crop=black"))
        return {};
    seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    std::ifstream file(folder.filePath("global_motions.trf").toStdString());
    std::vector<std::array<double, 4>> steps;
    for (std::string line; std::getline(file, line);) {
        double mark = 0;
        std::array<double, 4> step{}; // x and y in pixels, a turn in radians, a zoom in percent
        std::istringstream cells(line);
        if (line.starts_with("#") || !(cells >> mark >> step[0] >> step[1] >> step[2] >> step[3]))
            continue;
        steps.push_back(step);
    }
    return steps;
}

CapturedMotion added(const std::vector<std::array<double, 4>>& steps, std::size_t frames, double side, double zoomSide)
{
    CapturedMotion motion{width, height, {}, {{{}, 1}}};
    // It tells a step for each picture, the first of which has none.
    for (std::size_t i = steps.size() >= frames ? 1 : 0; i < steps.size() && motion.frames.size() < frames; ++i) {
        const auto& [x, y, turn, zoom] = steps[i];
        const Similarity step{side * x, side * y, side * turn * 180 / std::numbers::pi, 1 + zoomSide * zoom / 100};
        motion.frames.push_back({step.after(motion.frames.back().moved), 1});
    }
    return motion;
}

struct Errors {
    double all = 0; ///< root of the mean square at the corners
    double end = 0;
};

Errors errorOf(const CapturedMotion& motion, const test::CaptureCase& filmed)
{
    double squares = 0;
    double last = 0;
    for (std::size_t i = 0; i < motion.frames.size(); ++i) {
        last = cornerDistance(motion.frames[i].moved, filmed.filming.shown(static_cast<double>(i)), width, height);
        squares += last * last;
    }
    return {std::sqrt(squares / static_cast<double>(motion.frames.size())), last};
}

void tell(const char* how, const Errors& errors, const CapturedMotion& motion, double seconds)
{
    std::printf("  %-28s error %8.4f px, at the end %8.4f, %3zu bridged, %5.1f frames a second\n", how, errors.all,
                errors.end, motion.bridged(), static_cast<double>(motion.frames.size()) / seconds);
}

template <typename Read>
void measure(const char* how, const test::CaptureCase& filmed, const std::vector<const Image*>& pictures, Read read,
             double& seconds)
{
    const auto start = std::chrono::steady_clock::now();
    const CapturedMotion motion = read(pictures);
    seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    tell(how, errorOf(motion, filmed), motion, seconds);
}

/// What is told of the stabiliser is the best of what its signs may mean.
void measureStabiliser(const test::CaptureCase& filmed, const std::vector<const Image*>& pictures,
                       const QTemporaryDir& folder)
{
    double seconds = 0;
    const auto steps = stabiliserSteps(folder, pictures, seconds);
    if (steps.empty()) {
        std::printf("  FFmpeg's stabiliser is not there\n");
        return;
    }
    CapturedMotion best;
    Errors least{1e9, 0};
    for (const double side : {-1.0, 1.0})
        for (const double zoomSide : {-1.0, 1.0}) {
            const CapturedMotion motion = added(steps, pictures.size(), side, zoomSide);
            if (const Errors now = errorOf(motion, filmed); now.all < least.all) {
                least = now;
                best = motion;
            }
        }
    tell("FFmpeg's stabiliser", least, best, seconds);
}

/// How far a coder moved the pictures' content by itself, since the first: each decoded picture against the one that
/// was coded, by a method of OpenCV's that nothing of ours is in (G. D. Evangelidis, E. Z. Psarakis: Parametric image
/// alignment using enhanced correlation coefficient maximization, 2008).
double movedByCoder(const std::vector<Image>& before, const std::vector<ImagePtr>& after)
{
    std::vector<Similarity> moved;
    double squares = 0;
    for (std::size_t i = 0; i < after.size(); ++i) {
        cv::Mat map = cv::Mat::eye(2, 3, CV_32F);
        cv::findTransformECC(greyOf(before[i]), greyOf(*after[i]), map, cv::MOTION_AFFINE,
                             cv::TermCriteria(cv::TermCriteria::COUNT + cv::TermCriteria::EPS, 20, 1e-7), cv::noArray(),
                             5);
        cv::Mat1d m;
        map.convertTo(m, CV_64F);
        const double cx = 0.5 * (width - 1);
        const double cy = 0.5 * (height - 1);
        moved.push_back({m(0, 0) * cx + m(0, 1) * cy + m(0, 2) - cx, m(1, 0) * cx + m(1, 1) * cy + m(1, 2) - cy,
                         std::atan2(m(1, 0) - m(0, 1), m(0, 0) + m(1, 1)) * 180 / std::numbers::pi,
                         0.5 * std::hypot(m(1, 0) - m(0, 1), m(0, 0) + m(1, 1))});
        const double far = cornerDistance(moved[i].after(moved[0].inverse()), {}, width, height);
        squares += far * far;
    }
    return std::sqrt(squares / static_cast<double>(std::max<std::size_t>(1, after.size())));
}

} // namespace

int main()
{
    cv::setNumThreads(1);
    const QTemporaryDir folder;
    for (const test::CaptureCase& filmed : test::captureCases(seed, width)) {
        const test::Wall wall = filmed.wall(6);
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
        measureStabiliser(filmed, pictures, folder);
        measure("ours", filmed, pictures, byOurs, ours);
        std::printf("  time against the flow's: %.2f\n", ours / plain);
        if (filmed.coded)
            std::printf("  the coder itself moved the pictures by %.4f px\n", movedByCoder(made, back));
        std::fflush(stdout);
    }
    return 0;
}
