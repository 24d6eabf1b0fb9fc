// SPDX-License-Identifier: GPL-3.0-or-later
#include "motion_field.h"

#include <algorithm>
#include <cmath>
#include <tuple>
#include <vector>

#include <opencv2/imgproc.hpp>

namespace ember {

namespace {

constexpr int longSide = 240;
constexpr int every = 2;         ///< pixels, each way: fields are made of so few
constexpr int neighbourhood = 5; ///< of these that "most" is the mean of
constexpr float moves = 0.5F;    ///< pixels a frame
constexpr float perHundred = 100;

/// Brightness in little, from the coded values (Rec. 709 weights).
cv::Mat1b smallGrey(const Image& picture)
{
    const int longer = std::max(picture.width(), picture.height());
    const double scale = std::min(1.0, static_cast<double>(longSide) / longer);
    const cv::Size size(std::max(1, static_cast<int>(std::lround(picture.width() * scale))),
                        std::max(1, static_cast<int>(std::lround(picture.height() * scale))));
    const cv::Mat4b whole(picture.height(), picture.width(),
                          reinterpret_cast<cv::Vec4b*>(const_cast<std::uint8_t*>(picture.row(0))),
                          static_cast<std::size_t>(picture.stride()));
    thread_local cv::Mat1b all; // large, and the same for the next picture
    cv::Mat1b some, grey;
    cv::cvtColor(whole, all, cv::COLOR_RGBA2GRAY);
    // Two steps are several times as fast as one, and what is left out between the pixels of the first tells no more.
    if (picture.width() >= 2 * size.width)
        cv::resize(all, some, size * 2, 0, 0, cv::INTER_LINEAR);
    else
        some = all;
    cv::resize(some, grey, size, 0, 0, cv::INTER_AREA);
    return grey;
}

/// How much there is to be followed, 0 to 1.
cv::Mat1f textureOf(const cv::Mat1b& grey)
{
    cv::Mat1s dx, dy;
    cv::Sobel(grey, dx, CV_16S, 1, 0);
    cv::Sobel(grey, dy, CV_16S, 0, 1);
    cv::Mat1f strength(grey.size());
    for (int y = 0; y < grey.rows; ++y)
        for (int x = 0; x < grey.cols; ++x)
            strength(y, x) = static_cast<float>(std::abs(dx(y, x)) + std::abs(dy(y, x)));
    cv::blur(strength, strength, {7, 7});
    constexpr float half = 40; // of what Sobel's kernel makes of five codes a pixel
    for (float& value : strength)
        value = value / (value + half);
    return strength;
}

/// The similarity that most of a picture follows, its flow leading back: least squares, what is off counting ever less
/// (Huber's and Tukey's weights, by rounds).
CameraStep cameraOf(const cv::Mat2f& flow, const cv::Mat1f& texture)
{
    constexpr int apart = 6;
    struct Sample {
        float x, y, u, v, weight, worth;
    };
    std::vector<Sample> samples;
    const float cx = 0.5F * static_cast<float>(flow.cols - 1), cy = 0.5F * static_cast<float>(flow.rows - 1);
    for (int y = apart / 2; y < flow.rows; y += apart)
        for (int x = apart / 2; x < flow.cols; x += apart)
            samples.push_back({static_cast<float>(x) - cx, static_cast<float>(y) - cy, -flow(y, x)[0], -flow(y, x)[1],
                               texture(y, x), 1});
    double a = 0, b = 0, tx = 0, ty = 0; // u = a x - b y + tx, v = b x + a y + ty
    std::vector<float> off(samples.size());
    const auto spread = [&] {
        for (std::size_t i = 0; i < samples.size(); ++i) {
            const Sample& s = samples[i];
            off[i] = static_cast<float>(std::hypot(a * s.x - b * s.y + tx - s.u, b * s.x + a * s.y + ty - s.v));
        }
        std::vector<float> sorted = off;
        const auto middle = sorted.begin() + std::ssize(sorted) / 2;
        std::nth_element(sorted.begin(), middle, sorted.end());
        return std::max(*middle, 0.05F);
    };
    const auto medianOf = [&](auto&& read) {
        std::vector<float> values;
        for (const Sample& s : samples)
            if (s.weight > 0.3F)
                values.push_back(read(s));
        if (values.empty())
            return 0.0F;
        const auto middle = values.begin() + std::ssize(values) / 2;
        std::nth_element(values.begin(), middle, values.end());
        return *middle;
    };
    tx = static_cast<double>(medianOf([](const Sample& s) { return s.u; }));
    ty = static_cast<double>(medianOf([](const Sample& s) { return s.v; }));
    for (int round = 0; round < 6; ++round) {
        const float wide = 3 * spread();
        double w = 0, wx = 0, wy = 0, wu = 0, wv = 0, wr = 0, c = 0, d = 0;
        for (std::size_t i = 0; i < samples.size(); ++i) {
            Sample& s = samples[i];
            const float share = off[i] / wide;
            s.worth = share < 1 ? s.weight * (1 - share * share) * (1 - share * share) : 0;
            w += static_cast<double>(s.worth);
            wx += static_cast<double>(s.worth * s.x);
            wy += static_cast<double>(s.worth * s.y);
            wu += static_cast<double>(s.worth * s.u);
            wv += static_cast<double>(s.worth * s.v);
        }
        if (w < 1e-3)
            break;
        const double mx = wx / w, my = wy / w, mu = wu / w, mv = wv / w;
        for (const Sample& s : samples) {
            const double x = static_cast<double>(s.x) - mx, y = static_cast<double>(s.y) - my;
            const double u = static_cast<double>(s.u) - mu, v = static_cast<double>(s.v) - mv;
            const auto worth = static_cast<double>(s.worth);
            wr += worth * (x * x + y * y);
            c += worth * (u * x + v * y);
            d += worth * (v * x - u * y);
        }
        a = wr > 0 ? c / wr : 0;
        b = wr > 0 ? d / wr : 0;
        tx = mu - a * mx + b * my;
        ty = mv - b * mx - a * my;
    }
    const auto height = static_cast<double>(flow.rows);
    return {static_cast<float>(tx / height), static_cast<float>(ty / height), static_cast<float>(a),
            static_cast<float>(b)};
}

/// Velocities in pixels of the picture before, less the camera's.
cv::Mat2f ownMotion(const cv::Mat2f& flow, const CameraStep& camera)
{
    cv::Mat2f own(flow.size());
    const auto height = static_cast<float>(flow.rows);
    const float cx = 0.5F * static_cast<float>(flow.cols - 1), cy = 0.5F * static_cast<float>(flow.rows - 1);
    for (int y = 0; y < flow.rows; ++y)
        for (int x = 0; x < flow.cols; ++x) {
            const float px = static_cast<float>(x) - cx, py = static_cast<float>(y) - cy;
            own(y, x) = {-flow(y, x)[0] - (camera.zoom * px - camera.roll * py + camera.x * height),
                         -flow(y, x)[1] - (camera.roll * px + camera.zoom * py + camera.y * height)};
        }
    return own;
}

cv::Point placeIn(const cv::Mat2f& flow, int x, int y)
{
    return {std::clamp(x + cvRound(flow(y, x)[0]), 0, flow.cols - 1),
            std::clamp(y + cvRound(flow(y, x)[1]), 0, flow.rows - 1)};
}

float length(const cv::Vec2f& v)
{
    return std::sqrt(v[0] * v[0] + v[1] * v[1]);
}

Spot spotAt(const cv::Point& place, const cv::Size& size)
{
    return {(place.x + 0.5) / size.width, (place.y + 0.5) / size.height};
}

float difference(const CameraStep& a, const CameraStep& b)
{
    return perHundred * std::hypot(a.x - b.x, a.y - b.y);
}

/// The size of a field.
cv::Size fieldSize(const cv::Size& picture)
{
    return {picture.width / every, picture.height / every};
}

/// A field in cells of four by four pixels of the picture, softened.
cv::Mat1f coarse(const cv::Mat1f& field)
{
    cv::Mat1f cells;
    cv::resize(field, cells, {(field.cols + 1) / 2, (field.rows + 1) / 2}, 0, 0, cv::INTER_AREA);
    cv::blur(cells, cells, {3, 3});
    return cells;
}

/// The largest mean of a neighbourhood, and where it is; the field is softened by it.
float mostOf(cv::Mat1f& field, cv::Point* place)
{
    cv::blur(field, field, {neighbourhood, neighbourhood});
    double most = 0;
    cv::minMaxLoc(field, nullptr, &most, nullptr, place);
    return static_cast<float>(most);
}

} // namespace

MotionField::MotionField() : dis_(cv::DISOpticalFlow::create(cv::DISOpticalFlow::PRESET_ULTRAFAST))
{
    dis_->setFinestScale(1);
    dis_->setUseSpatialPropagation(true);
}

void MotionField::forget()
{
    before_.release();
    now_.release();
    earlier_.reset();
    last_.reset();
    unexplained_ = turned_ = broken_ = {};
}

std::pair<float, float> MotionField::Past::news(cv::Mat1f now, std::size_t from, std::size_t until, float enough)
{
    std::pair<float, float> out{0, 0};
    if (fields.size() >= from)
        out = standsOut(now, from, until, enough);
    constexpr std::size_t longest = 5;
    fields.push_front(std::move(now));
    if (fields.size() > longest)
        fields.pop_back();
    return out;
}

std::pair<float, float> MotionField::Past::standsOut(const cv::Mat1f& now, std::size_t from, std::size_t until,
                                                     float enough) const
{
    cv::Mat1f before(now.size(), 0.0F);
    for (std::size_t i = from; i <= until && i <= fields.size(); ++i)
        std::transform(before.begin(), before.end(), fields[i - 1].begin(), before.begin(),
                       [](float a, float b) { return std::max(a, b); });
    cv::dilate(before, before, cv::Mat1b(7, 7, std::uint8_t{1}));
    float most = 0;
    int count = 0;
    for (int y = 0; y < now.rows; ++y)
        for (int x = 0; x < now.cols; ++x) {
            const float more = now(y, x) - before(y, x);
            most = std::max(most, more);
            count += more > enough ? 1 : 0;
        }
    return {most, static_cast<float>(count) / static_cast<float>(now.rows * now.cols)};
}

/// Of `now_`: how its motion changes there, each pixel of the picture after it followed back.
void MotionField::tellMotion(const Step& after, const cv::Mat1f& texture, MotionNow& out)
{
    const cv::Size size = now_.size();
    const float unit = perHundred / static_cast<float>(size.height);
    const cv::Size fields = fieldSize(size);
    cv::Mat1f turned(fields), broken(fields);
    double turnedSum = 0, brokenSum = 0, moving = 0;
    const auto earlier = [&](const cv::Point& now) {
        return earlier_ ? earlier_->own(placeIn(last_->flow, now.x, now.y)) : last_->own(now);
    };
    for (int v = 0; v < fields.height; ++v)
        for (int u = 0; u < fields.width; ++u) {
            const int x = every * u, y = every * v;
            const float worth = unit * texture(y, x);
            const cv::Point was = placeIn(after.flow, x, y);
            const cv::Vec2f here = last_->own(was);
            const cv::Vec2f goes = after.own(y, x);
            turned(v, u) = worth * length(goes - here);
            broken(v, u) = worth * length(goes - earlier(was));
            moving += length(here) > moves ? 1 : 0;
            turnedSum += static_cast<double>(turned(v, u));
            brokenSum += static_cast<double>(broken(v, u));
        }
    const auto pixels = static_cast<double>(fields.area());
    out.turned = static_cast<float>(turnedSum / pixels);
    out.broken = static_cast<float>(brokenSum / pixels);
    out.moving = static_cast<float>(moving / pixels);
    out.turnedNew = turned_.news(coarse(turned), 2, 4, 0.5F).first;
    out.brokenNew = broken_.news(coarse(broken), 3, 5, 0.5F).first;
    out.turnedMost = mostOf(turned, nullptr);
    cv::Point at;
    out.brokenMost = mostOf(broken, &at);
    at *= every;
    out.brokenPlace = spotAt(placeIn(after.flow, at.x, at.y), size);
    const cv::Rect around = cv::Rect(at.x - 4, at.y - 4, 9, 9) & cv::Rect(0, 0, size.width, size.height);
    cv::Vec2f before(0, 0), next(0, 0);
    for (int y = around.y; y < around.br().y; ++y)
        for (int x = around.x; x < around.br().x; ++x) {
            before += earlier(placeIn(after.flow, x, y));
            next += after.own(y, x);
        }
    const float share = unit / static_cast<float>(std::max(1, around.area()));
    before *= share;
    next *= share;
    out.speedBefore = length(before);
    out.speedAfter = length(next);
    out.way = before.dot(next) / std::max(1e-3F, out.speedBefore * out.speedAfter);
    out.goingX = before[0];
    out.goingY = before[1];
    out.cameraSpeed = perHundred * std::hypot(last_->camera.x, last_->camera.y);
    out.cameraTurned = difference(after.camera, last_->camera);
    out.cameraBroken = earlier_ ? difference(after.camera, earlier_->camera) : out.cameraTurned;
    out.cameraRolled =
        0.9F * perHundred * std::hypot(after.camera.zoom - last_->camera.zoom, after.camera.roll - last_->camera.roll);
}

/// Of `now_`: what was not there in the picture before, and whether things move away from it.
void MotionField::tellBirth(const Step& after, MotionNow& out)
{
    const cv::Size size = now_.size();
    const cv::Size fields = fieldSize(size);
    cv::Mat1f unexplained(fields), brighter(fields);
    double sum = 0;
    for (int v = 0; v < fields.height; ++v)
        for (int u = 0; u < fields.width; ++u) {
            const int x = every * u, y = every * v;
            const float change =
                (static_cast<float>(now_(y, x)) - static_cast<float>(before_(placeIn(last_->flow, x, y)))) / 255;
            brighter(v, u) = change;
            unexplained(v, u) = std::abs(change);
            sum += static_cast<double>(std::abs(change));
        }
    out.unexplained = static_cast<float>(sum / fields.area());
    std::tie(out.bornNew, out.bornArea) = unexplained_.news(coarse(unexplained), 1, 3, 0.03F);
    cv::Point most;
    out.unexplainedMost = mostOf(unexplained, &most);
    cv::blur(brighter, brighter, {neighbourhood, neighbourhood});
    out.born = std::abs(brighter(most));
    most *= every;
    out.unexplainedPlace = spotAt(most, size);
    double spreading = 0, count = 0;
    const int reach = size.height / 5;
    for (int y = std::max(0, most.y - reach); y < std::min(size.height, most.y + reach); y += 2)
        for (int x = std::max(0, most.x - reach); x < std::min(size.width, most.x + reach); x += 2) {
            const cv::Vec2f way(static_cast<float>(x - most.x), static_cast<float>(y - most.y));
            spreading += static_cast<double>(after.own(y, x).dot(way) / std::max(1.0F, length(way)));
            count += 1;
        }
    out.spreading = static_cast<float>(spreading / std::max(1.0, count)) * perHundred / static_cast<float>(size.height);
}

std::optional<MotionNow> MotionField::next(const Image& picture)
{
    cv::Mat1b grey = smallGrey(picture);
    if (grey.cols < 48 || grey.rows < 48) { // too small for anything to be followed
        forget();
        return std::nullopt;
    }
    if (!now_.empty() && now_.size() != grey.size())
        forget();
    std::optional<MotionNow> out;
    if (!now_.empty()) {
        const cv::Mat1f texture = textureOf(grey);
        Step step;
        dis_->calc(grey, now_, step.flow);
        step.camera = cameraOf(step.flow, texture);
        step.own = ownMotion(step.flow, step.camera);
        if (last_) {
            out.emplace();
            tellMotion(step, texture, *out);
            tellBirth(step, *out);
        }
        earlier_ = std::move(last_);
        last_ = std::move(step);
    }
    before_ = std::move(now_);
    now_ = std::move(grey);
    return out;
}

} // namespace ember
