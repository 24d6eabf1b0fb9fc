// SPDX-License-Identifier: GPL-3.0-or-later
// How everything in a picture moves, the camera's own motion apart.
#pragma once

#include <deque>
#include <optional>
#include <utility>

#include <opencv2/core.hpp>
#include <opencv2/video/tracking.hpp>

#include "ember/analysis/picture_trace.h"
#include "ember/image/image.h"

namespace ember {

/// The camera's motion from one picture to the next, as most of it moves: a similarity. Lengths in heights of the
/// picture.
struct CameraStep {
    float x = 0, y = 0; ///< of the middle
    float zoom = 0;     ///< ratio less 1
    float roll = 0;     ///< radians
};

/// Velocities in heights of the picture a frame, times 100.
class MotionField {
public:
    MotionField();
    /// The next picture; tells of the one before it, when there are enough.
    std::optional<MotionNow> next(const Image& picture);

private:
    void forget();
    struct Step {       ///< from the picture before to one
        cv::Mat2f flow; ///< where a pixel was before, less where it is
        cv::Mat2f own;  ///< velocity less the camera's, pixels
        CameraStep camera;
    };
    /// Fields in coarse cells, of the last pictures, the newest first.
    struct Past {
        std::deque<cv::Mat1f> fields;

        /// How far a field stands out somewhere of all near there in pictures `from` to `until` before it, and the
        /// share of the picture where it does by `enough`. It is kept.
        std::pair<float, float> news(cv::Mat1f now, std::size_t from, std::size_t until, float enough);
        std::pair<float, float> standsOut(const cv::Mat1f& now, std::size_t from, std::size_t until,
                                          float enough) const;
    };
    void tellMotion(const Step& after, const cv::Mat1f& texture, MotionNow& out);
    void tellBirth(const Step& after, MotionNow& out);

    cv::Ptr<cv::DISOpticalFlow> dis_;
    cv::Mat1b before_, now_; ///< the last two pictures
    Past unexplained_, turned_, broken_;
    std::optional<Step> earlier_, last_; ///< the steps that led to `before_` and to `now_`
};

} // namespace ember
