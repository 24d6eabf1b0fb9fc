// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/capture.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <optional>
#include <utility>

#include <opencv2/calib3d.hpp>
#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

#include "picture_aligner.h"
#include "stacked_pictures.h"

namespace ember {

namespace {

constexpr double degree = std::numbers::pi / 180;
constexpr int widestRead = 1440; ///< larger pictures are read at a half, a third, …
// A picture lies well where most of what is to be seen of the key goes one way, and noise alone moves it little.
constexpr double leastAgreeing = 0.45;
constexpr double leastOverlap = 0.25;
constexpr double mostCornerError = 1.0; ///< pixels
constexpr double leastTold = 0.25;      ///< agreeing, where features say the same
constexpr double sameWay = 2;           ///< pixels at the corners
// A new key is taken while there is still much in common with the old one; one that was left comes back.
constexpr double keyOverlap = 0.55;
constexpr double keyAgreeing = 0.5;
constexpr double sureAgreeing = 0.6; ///< so much is not found by chance
constexpr double nearExpected = 24;  ///< pixels at the corners
constexpr double asExpected = 4;
constexpr int longestAway = 240; ///< frames in which a key may come back
constexpr int everyFrame = 4;    ///< so long it is looked for in each, then only
constexpr int seldom = 4;        ///< in each of so many: all since are put right then
constexpr int blackest = 24;     ///< codes
constexpr int barsVary = 3;      ///< codes
constexpr int besideBars = 4;
constexpr int columns = 12;
constexpr int rows = 7;
constexpr int mostInPart = 3;        ///< features
constexpr std::size_t mostHeld = 24; ///< pictures for a key without grain
constexpr std::size_t leastHeld = 4;

cv::Mat1b greyOf(const Image& picture)
{
    cv::Mat1b grey(picture.height(), picture.width());
    if (picture.depth() == Depth::eight) {
        const cv::Mat rgba(picture.height(), picture.width(), CV_8UC4, const_cast<std::uint8_t*>(picture.row(0)),
                           picture.stride());
        cv::cvtColor(rgba, grey, cv::COLOR_RGBA2GRAY);
        return grey;
    }
    for (int y = 0; y < grey.rows; ++y) {
        std::uint8_t* to = grey.ptr<std::uint8_t>(y);
        for (int x = 0; x < grey.cols; ++x) {
            const std::uint16_t* c = picture.deepAt(x, y);
            to[x] =
                static_cast<std::uint8_t>((77U * (c[0] >> 8U) + 150U * (c[1] >> 8U) + 29U * (c[2] >> 8U) + 128U) >> 8U);
        }
    }
    return grey;
}

/// How many lines at both ends of these are a bar: black, all alike, as many here as there.
int barsOf(const cv::Mat1b& least, const cv::Mat1b& most)
{
    const auto count = static_cast<int>(least.total());
    const auto black = [&](int i) { return most(i) <= blackest && most(i) - least(i) <= barsVary; };
    int first = 0;
    while (first < count && black(first))
        ++first;
    int last = 0;
    while (last < count - first && black(count - 1 - last))
        ++last;
    const int bars = std::max(first, last) + besideBars;
    return std::min(first, last) >= 2 && std::abs(first - last) <= 2 && count - 2 * bars >= count / 4 ? bars : 0;
}

/// A picture without black bars above and below it, or to its sides: they stand still whatever the camera does.
cv::Rect withoutBars(const cv::Mat1b& grey)
{
    cv::Rect inner(0, 0, grey.cols, grey.rows);
    cv::Mat1b least;
    cv::Mat1b most;
    cv::reduce(grey, least, 1, cv::REDUCE_MIN);
    cv::reduce(grey, most, 1, cv::REDUCE_MAX);
    inner.y = barsOf(least, most);
    inner.height -= 2 * inner.y;
    cv::reduce(grey(inner), least, 0, cv::REDUCE_MIN);
    cv::reduce(grey(inner), most, 0, cv::REDUCE_MAX);
    inner.x = barsOf(least.reshape(1, grey.cols), most.reshape(1, grey.cols));
    inner.width -= 2 * inner.x;
    return inner;
}

bool lies(const Alignment& found)
{
    return found.agreeing >= leastAgreeing && found.overlap >= leastOverlap && found.cornerError <= mostCornerError &&
           found.moved.zoom > 0.2 && found.moved.zoom < 5;
}

/// Corners all over the picture, none of its parts with many more than another.
std::vector<cv::Point2f> features(const cv::Mat1b& picture)
{
    std::vector<cv::Point2f> best; // the strongest first
    cv::goodFeaturesToTrack(picture, best, 1200, 0.002, 4);
    std::array<int, columns * rows> taken{};
    std::erase_if(best, [&](const cv::Point2f& at) {
        const int column = std::min(columns - 1, static_cast<int>(at.x) * columns / picture.cols);
        const int row = std::min(rows - 1, static_cast<int>(at.y) * rows / picture.rows);
        return ++taken[static_cast<std::size_t>(row * columns + column)] > mostInPart;
    });
    return best;
}

/// How the picture moved from one to the next, by features that are followed; nothing where there are too few.
std::optional<Similarity> step(const cv::Mat1b& from, const cv::Mat1b& to)
{
    const std::vector<cv::Point2f> corners = features(from);
    if (corners.size() < 8)
        return std::nullopt;
    std::vector<cv::Point2f> followed;
    std::vector<std::uint8_t> found;
    std::vector<float> error;
    cv::calcOpticalFlowPyrLK(from, to, corners, followed, found, error, {15, 15}, 4);
    std::vector<cv::Point2f> here;
    std::vector<cv::Point2f> there;
    for (std::size_t i = 0; i < corners.size(); ++i)
        if (found[i] != 0) {
            here.push_back(corners[i]);
            there.push_back(followed[i]);
        }
    if (here.size() < 8)
        return std::nullopt;
    std::vector<std::uint8_t> agree;
    const cv::Mat1d map = cv::estimateAffinePartial2D(here, there, agree, cv::RANSAC, 1.5);
    if (map.empty() || std::count(agree.begin(), agree.end(), 1) < 6)
        return std::nullopt;
    // About the middle instead of the corner.
    const double cx = 0.5 * (from.cols - 1);
    const double cy = 0.5 * (from.rows - 1);
    return Similarity{map(0, 0) * cx + map(0, 1) * cy + map(0, 2) - cx,
                      map(1, 0) * cx + map(1, 1) * cy + map(1, 2) - cy, std::atan2(map(1, 0), map(0, 0)) / degree,
                      std::hypot(map(0, 0), map(1, 0))};
}

Similarity inPixelsOf(Similarity s, double scale)
{
    s.x *= scale;
    s.y *= scale;
    return s;
}

} // namespace

struct MotionCapture::Work {
    /// A picture as it is needed for being a key or being laid over one.
    struct Read {
        GreyLevels levels;
        cv::Mat1b half;
    };
    /// Pictures whose grain moves them, until there are enough for a key without grain.
    struct Grainy {
        struct Held {
            std::size_t frame;
            cv::Mat1b grey;
            Similarity found; ///< over the key
        };
        explicit Grainy(const cv::Mat1b& of) : key(of) {}

        cv::Mat1b key;
        std::optional<StackedPictures> stack;
        std::vector<Held> held;
    };

    CapturedMotion motion;
    int shrink = 1;
    cv::Rect inner; ///< what is read, without bars
    AlignMemory memory;
    KeyPicture key;
    Similarity keyMoved;          ///< where the key is, since the first frame; in pixels that are read
    std::optional<Grainy> grainy; ///< of the key
    std::optional<Read> last;     ///< the last picture that was measured
    std::size_t lastFrame = 0;
    Similarity lastMoved;
    Similarity lastStep; ///< from the picture before to that one
    bool lastIsKey = true;
    std::optional<Read> lost; ///< the first that could not be
    KeyPicture lostKey;
    /// A key that nothing could be laid over for a time: a blast blinds the camera, somebody walks close by.
    struct Left {
        KeyPicture key;
        Similarity moved;
        std::size_t from; ///< the first frame whose place may be put right when the key is back
        int away = 0;     ///< frames since
    };
    std::optional<Left> left;

    Read read(const Image& picture)
    {
        cv::Mat1b grey = greyOf(picture);
        if (shrink > 1) {
            const int width = grey.cols / shrink;
            const int height = grey.rows / shrink;
            cv::Mat1b small;
            cv::resize(grey(cv::Rect(0, 0, width * shrink, height * shrink)), small, {width, height}, 0, 0,
                       cv::INTER_AREA);
            grey = small;
        }
        if (!last)
            inner = withoutBars(grey);
        if (inner.size() != grey.size())
            grey = grey(inner).clone();
        Read out{greyLevels(grey), {}};
        if (grey.cols >= 640)
            cv::resize(grey, out.half, {grey.cols / 2, grey.rows / 2}, 0, 0, cv::INTER_AREA);
        else
            out.half = grey;
        return out;
    }
    /// From one read picture to the next, in pixels that are read.
    static std::optional<Similarity> stepBetween(const Read& from, const Read& to)
    {
        const auto found = step(from.half, to.half);
        const double scale = static_cast<double>(from.levels.grey.cols) / from.half.cols;
        return found ? std::optional(inPixelsOf(*found, scale)) : std::nullopt;
    }
    void took(Read picture, const Similarity& moved, double confidence)
    {
        lastStep = last && !lost ? moved.after(lastMoved.inverse()) : Similarity();
        last = std::move(picture);
        lastMoved = moved;
        lastFrame = motion.frames.size();
        lastIsKey = false;
        lost.reset();
        push(moved, confidence);
    }
    void push(const Similarity& moved, double confidence) { motion.frames.push_back({moved, confidence}); }
    static double confidenceOf(const Alignment& found)
    {
        const double error = found.cornerError / 0.25;
        return std::clamp(found.agreeing / (1 + error * error), 0.01, 1.0);
    }
    void add(const Image& picture);
    void addTo(Read now);
    void measured(Read now, Alignment found);
    void leaveKey(KeyPicture next);
    bool comeBack(const Read& now, const Similarity& start);
    bool begin(Read now);
    void hold(const Read& picture, const Alignment& found);
    void settle();
};

void MotionCapture::Work::add(const Image& picture)
{
    if (motion.frames.empty()) {
        motion.width = picture.width();
        motion.height = picture.height();
        shrink = (picture.width() + widestRead - 1) / widestRead;
    }
    if (picture.width() != motion.width || picture.height() != motion.height) {
        push(lastMoved, 0);
        return;
    }
    addTo(read(picture));
}

/// The first picture, or the first after one that nothing could be laid over: is there anything in it?
bool MotionCapture::Work::begin(Read now)
{
    KeyPicture fresh(now.levels);
    if (!fresh.textured())
        return false;
    key = std::move(fresh);
    keyMoved = lastMoved;
    const bool first = motion.frames.empty();
    grainy.emplace(now.levels.grey);
    took(std::move(now), lastMoved, first ? 1 : 0);
    lastIsKey = true;
    return true;
}

/// Another key because nothing can be laid over this one.
void MotionCapture::Work::leaveKey(KeyPicture next)
{
    settle();
    if (!left)
        left = Left{std::move(key), keyMoved, motion.frames.size()};
    key = std::move(next);
    keyMoved = lastMoved;
}

/// Where the picture lies over the key that was left, that is the key again, and what was measured since is put right.
bool MotionCapture::Work::comeBack(const Read& now, const Similarity& start)
{
    if (++left->away > longestAway) {
        left.reset();
        return false;
    }
    if (left->away > everyFrame && left->away % seldom != 0)
        return false;
    const Alignment found = left->key.align(now.levels, start.after(left->moved.inverse()), memory);
    if (!lies(found) || found.agreeing < keyAgreeing || found.overlap < keyOverlap)
        return false;
    settle();
    const Similarity moved = found.moved.after(left->moved);
    const Similarity apart = start.inverse().after(moved);
    for (std::size_t i = left->from; i < motion.frames.size(); ++i)
        motion.frames[i].moved = motion.frames[i].moved.after(apart);
    lastMoved = lastMoved.after(apart);
    key = std::move(left->key);
    keyMoved = left->moved;
    left.reset();
    return true;
}

/// The picture lies over the key.
void MotionCapture::Work::measured(Read now, Alignment found)
{
    Similarity moved = found.moved.after(keyMoved);
    if (left && comeBack(now, moved)) {
        found = key.align(now.levels, moved.after(keyMoved.inverse()), memory);
        moved = found.moved.after(keyMoved);
    }
    const bool far = found.overlap < keyOverlap;
    took(std::move(now), moved, confidenceOf(found));
    if (!found.sure)
        hold(*last, found);
    if (KeyPicture next; far && (next = KeyPicture(last->levels)).textured()) {
        settle();
        key = std::move(next);
        keyMoved = lastMoved;
        lastIsKey = true;
        grainy.emplace(last->levels.grey);
    }
}

/// The last picture was moved by its grain, or may have been.
void MotionCapture::Work::hold(const Read& picture, const Alignment& found)
{
    if (!grainy)
        return;
    if (!grainy->stack)
        grainy->stack.emplace(crisp(grainy->key));
    grainy->stack->add(crisp(picture.levels.grey), found);
    grainy->held.push_back({motion.frames.size() - 1, picture.levels.grey, found.moved});
    if (grainy->held.size() >= mostHeld)
        settle();
}

/// The pictures that were held are laid over their mean, and so is the key itself.
void MotionCapture::Work::settle()
{
    const std::optional<Grainy> done = std::exchange(grainy, std::nullopt);
    if (!done || done->held.size() < leastHeld)
        return;
    key.refine(done->stack->mean());
    const Alignment own = key.alignFinely(crisp(done->key), {}, memory);
    keyMoved = own.moved.inverse().after(keyMoved);
    for (const Grainy::Held& held : done->held)
        if (const Alignment found = key.alignFinely(crisp(held.grey), held.found, memory); lies(found))
            motion.frames[held.frame] = {found.moved.after(keyMoved), confidenceOf(found)};
    lastMoved = motion.frames[lastFrame].moved;
}

void MotionCapture::Work::addTo(Read now)
{
    if (!last) {
        if (!begin(now))
            push(lastMoved, 0);
        return;
    }
    // Most cameras go on as they went; features are looked for where this one did not.
    const Similarity onward = lastStep.after(lastMoved).after(keyMoved.inverse());
    Alignment found = key.align(now.levels, onward, memory);
    const double away = cornerDistance(found.moved, onward, now.levels.grey.cols, now.levels.grey.rows);
    if (lies(found) && ((found.agreeing >= sureAgreeing && away < nearExpected) ||
                        (found.agreeing >= keyAgreeing && away < asExpected))) {
        measured(std::move(now), found);
        return;
    }
    const auto step = stepBetween(*last, now);
    const Similarity start = step ? step->after(lastMoved) : lastMoved;
    const Similarity expected = start.after(keyMoved.inverse());
    // Sparks and smoke may leave little to agree on; but where features and texture go the same way, that is the way.
    const auto told = [&](const Alignment& by, const Similarity& way) {
        return lies(by) ||
               (step && by.agreeing >= leastTold && by.overlap >= keyOverlap && by.cornerError <= mostCornerError &&
                cornerDistance(by.moved, way, now.levels.grey.cols, now.levels.grey.rows) < sameWay);
    };
    bool known = step && told(found, expected) &&
                 cornerDistance(found.moved, expected, now.levels.grey.cols, now.levels.grey.rows) < sameWay;
    if (!known) {
        found = key.align(now.levels, expected, memory);
        known = told(found, expected);
    }
    if (!known && !lastIsKey) { // the key may be too far away by now
        KeyPicture nearer(last->levels);
        if (nearer.textured()) {
            const Alignment close = nearer.align(now.levels, step.value_or(Similarity()), memory);
            if (told(close, step.value_or(Similarity()))) {
                leaveKey(std::move(nearer));
                found = close;
                known = true;
            }
        }
    }
    if (known)
        return measured(std::move(now), found);
    // Lost. Where the picture before, which was lost too, can be gone on from, this is another shot.
    if (lost && lostKey.textured()) {
        const auto stepOn = stepBetween(*lost, now);
        const Alignment other = lostKey.align(now.levels, stepOn.value_or(Similarity()), memory);
        if (lies(other)) {
            leaveKey(std::move(lostKey));
            left->from = motion.frames.size(); // what was before the gap is right
            took(std::move(now), other.moved.after(keyMoved), confidenceOf(other));
            return;
        }
    }
    lostKey = KeyPicture(now.levels);
    lost = std::move(now);
    push(lastMoved, 0);
}

MotionCapture::MotionCapture(FrameRate rate) : work_(std::make_unique<Work>())
{
    work_->motion.rate = rate;
}

MotionCapture::~MotionCapture() = default;
MotionCapture::MotionCapture(MotionCapture&&) noexcept = default;
MotionCapture& MotionCapture::operator=(MotionCapture&&) noexcept = default;

void MotionCapture::add(const Image& picture)
{
    work_->add(picture);
}

CapturedMotion MotionCapture::finish()
{
    work_->settle();
    CapturedMotion motion = std::move(work_->motion);
    const int shrink = work_->shrink;
    const cv::Rect inner = work_->inner;
    work_.reset();
    // Read pictures are cut to whole multiples, and bars are cut off: their middle may lie elsewhere.
    const Point offMiddle{shrink * (inner.x + 0.5 * inner.width) - 0.5 * motion.width,
                          shrink * (inner.y + 0.5 * inner.height) - 0.5 * motion.height};
    auto& frames = motion.frames;
    for (CapturedFrame& frame : frames) {
        frame.moved = inPixelsOf(frame.moved, shrink);
        const Point turned = Similarity{0, 0, frame.moved.roll, frame.moved.zoom}.map(offMiddle, {0, 0});
        frame.moved.x += offMiddle.x - turned.x;
        frame.moved.y += offMiddle.y - turned.y;
    }
    for (std::size_t i = 0; i < frames.size(); ++i) {
        if (frames[i].confidence > 0)
            continue;
        std::size_t next = i;
        while (next < frames.size() && frames[next].confidence == 0)
            ++next;
        if (i > 0 && next < frames.size()) {
            const Similarity a = frames[i - 1].moved;
            const Similarity b = frames[next].moved;
            for (std::size_t k = i; k < next; ++k) {
                const double t = static_cast<double>(k - i + 1) / static_cast<double>(next - i + 1);
                frames[k].moved = {std::lerp(a.x, b.x, t), std::lerp(a.y, b.y, t), std::lerp(a.roll, b.roll, t),
                                   a.zoom * std::pow(b.zoom / a.zoom, t)};
            }
        } else if (i > 0) {
            for (std::size_t k = i; k < next; ++k)
                frames[k].moved = frames[i - 1].moved;
        }
        i = next;
    }
    return motion;
}

} // namespace ember
