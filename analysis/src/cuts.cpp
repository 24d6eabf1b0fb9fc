// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/cuts.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <deque>
#include <optional>
#include <tuple>

#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

#include "small_picture.h"

namespace ember {

namespace {

constexpr int columns = 4;
constexpr int rows = 3;
constexpr int flashLength = 4;           ///< pictures after which what a flash hid must be seen again
constexpr float alikeAgain = 0.4F;       ///< edges of a part: so alike, and it is the same thing
constexpr std::size_t partsAlike = 2;    ///< parts of the picture that chance may make alike
constexpr double texture = 3;            ///< code values from pixel to pixel, root of the mean square; less is plain
constexpr double plainPart = 1.5;        ///< code values, standard deviation of what is large in a part
constexpr double largeAlike = 0.85;      ///< correlation of what is large that chance does not make
constexpr double largeAlikeMoved = 0.92; ///< flow makes other pictures alike, too
constexpr double plainChange = 24;       ///< code values by which one plain picture differs from another
constexpr std::array<std::size_t, 4> dissolveLengths{8, 14, 26, 48};
constexpr double plainSpread = 5;       ///< code values, standard deviation
constexpr double leastExplained = 0.93; ///< of what the middle of a dissolve varies
constexpr double leastGain = 0.04;      ///< over being explained by one end alone

struct Edges {
    double alike = 0; ///< correlation, -1 to 1
    bool plain = false;
};

/// How alike one part of two pictures is in its edges, the camera's shift taken off.
Edges edgesOf(const SmallPicture& a, const SmallPicture& b, int column, int row, Shift shift)
{
    const int left = std::max({column * a.width() / columns, shift.x, 0});
    const int right = std::min({(column + 1) * a.width() / columns, a.width() - 1, a.width() - 1 + shift.x});
    const int top = std::max({row * a.height() / rows, shift.y, 0});
    const int bottom = std::min({(row + 1) * a.height() / rows, a.height() - 1, a.height() - 1 + shift.y});
    double aa = 0, bb = 0, ab = 0;
    for (int y = top; y < bottom; ++y) {
        const std::int16_t* p = a.row(y - shift.y) - shift.x;
        const std::int16_t* q = b.row(y);
        for (int x = left; x < right; ++x) {
            const double u = p[x + 1] - p[x];
            const double v = q[x + 1] - q[x];
            aa += u * u;
            bb += v * v;
            ab += u * v;
        }
    }
    const double least =
        std::pow(texture * SmallPicture::unit, 2) * std::max(0, right - left) * std::max(0, bottom - top);
    if (aa < least && bb < least)
        return {0, true};
    return {aa > 0 && bb > 0 ? ab / std::sqrt(aa * bb) : 0, false};
}

double meanOf(const SmallPicture& picture)
{
    double sum = 0;
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x)
            sum += picture.at(x, y);
    return sum / (static_cast<double>(SmallPicture::unit) * picture.width() * picture.height());
}

/// The likeness of the third-best part: chance and a caption that stays on make one or two alike.
double samenessWith(const SmallPicture& a, const SmallPicture& b, Shift shift)
{
    std::vector<double> parts;
    for (int row = 0; row < rows; ++row)
        for (int column = 0; column < columns; ++column)
            if (const Edges edges = edgesOf(a, b, column, row, shift); !edges.plain)
                parts.push_back(edges.alike);
    if (parts.size() <= partsAlike) // plain pictures are told by their brightness
        return std::abs(meanOf(a) - meanOf(b)) > plainChange ? 0 : 1;
    std::sort(parts.begin(), parts.end(), std::greater<>());
    return parts[partsAlike];
}

cv::Mat1b greyOf(const SmallPicture& picture)
{
    cv::Mat1b grey(picture.height(), picture.width());
    for (int y = 0; y < grey.rows; ++y)
        for (int x = 0; x < grey.cols; ++x)
            grey(y, x) = static_cast<std::uint8_t>(picture.at(x, y) / static_cast<int>(SmallPicture::unit));
    return grey;
}

/// How alike the parts of two pictures are in what is large in them, by correlation, the least alike first: grain and a
/// soft lens leave no edges to go by. None where too few parts show anything.
std::vector<double> largeSamenesses(const cv::Mat1b& a, const cv::Mat1b& b)
{
    constexpr int soft = 7; // pixels
    cv::Mat1f p, q;
    a.convertTo(p, CV_32F);
    b.convertTo(q, CV_32F);
    cv::blur(p, p, {soft, soft});
    cv::blur(q, q, {soft, soft});
    std::vector<double> parts;
    for (int row = 0; row < rows; ++row)
        for (int column = 0; column < columns; ++column) {
            const cv::Rect part(column * a.cols / columns, row * a.rows / rows, a.cols / columns, a.rows / rows);
            if (part.empty())
                continue;
            cv::Mat1f u = p(part).clone(), v = q(part).clone();
            u -= cv::mean(u)[0];
            v -= cv::mean(v)[0];
            const double uu = u.dot(u), vv = v.dot(v);
            const double least = part.area() * plainPart * plainPart;
            if (uu > least || vv > least)
                parts.push_back(u.dot(v) / std::sqrt(std::max(uu, least) * std::max(vv, least)));
        }
    if (parts.size() <= partsAlike)
        parts.clear();
    std::sort(parts.begin(), parts.end());
    return parts;
}

/// Of the part in the middle of all.
double largeSameness(const cv::Mat1b& a, const cv::Mat1b& b)
{
    const std::vector<double> parts = largeSamenesses(a, b);
    return parts.empty() ? 0 : parts[parts.size() / 2];
}

/// Whether some parts have stayed as they were: something passes there, it is no dissolve.
bool someStays(const SmallPicture& a, const SmallPicture& b)
{
    constexpr double asItWas = 0.95;
    const std::vector<double> parts = largeSamenesses(greyOf(a), greyOf(b));
    return !parts.empty() && parts[parts.size() - 1 - partsAlike] >= asItWas;
}

/// `a` with everything moved to where it is in `b`, as well as flow can tell.
cv::Mat1b movedOnto(const cv::Mat1b& a, const cv::Mat1b& b)
{
    thread_local const auto dis = [] {
        auto made = cv::DISOpticalFlow::create(cv::DISOpticalFlow::PRESET_ULTRAFAST);
        made->setFinestScale(1);
        return made;
    }();
    cv::Mat2f flow;
    dis->calc(b, a, flow);
    for (int y = 0; y < flow.rows; ++y)
        for (int x = 0; x < flow.cols; ++x)
            flow(y, x) += cv::Vec2f(static_cast<float>(x), static_cast<float>(y));
    cv::Mat1b moved;
    cv::remap(a, moved, flow, cv::noArray(), cv::INTER_LINEAR, cv::BORDER_REPLICATE);
    return moved;
}

/// The likeness of edges, with and without what the camera may have moved; where there are none to go by, that of what
/// is large, also after everything was moved to where it is now.
double sameness(const SmallPicture& a, const SmallPicture& b)
{
    if (!a.sameSize(b))
        return 0;
    double most = samenessWith(a, b, {});
    if (most >= static_cast<double>(alikeAgain))
        return most;
    if (const Shift shift = cameraShift(a, b); shift.x != 0 || shift.y != 0)
        most = std::max(most, samenessWith(a, b, shift));
    constexpr int least = 32; // pixels, for flow
    if (most >= static_cast<double>(alikeAgain) || a.width() < least || a.height() < least)
        return most;
    const cv::Mat1b p = greyOf(a), q = greyOf(b);
    if (largeSameness(p, q) >= largeAlike || largeSameness(movedOnto(p, q), q) >= largeAlikeMoved)
        return 1;
    return most;
}

/// A picture as a mixture of two others and a constant, by least squares.
struct Mixture {
    double first = 0;
    double second = 0;
    double explained = 0; ///< of its variance, 0 to 1
    double alone = 0;     ///< explained by the better of the two alone
};

Mixture mixtureOf(const SmallPicture& m, const SmallPicture& a, const SmallPicture& b)
{
    double count = 0, sm = 0, sa = 0, sb = 0, mm = 0, aa = 0, bb = 0, ma = 0, mb = 0, ab = 0;
    for (int y = 0; y < m.height(); y += 2)
        for (int x = 0; x < m.width(); x += 2) {
            const double p = m.at(x, y), q = a.at(x, y), r = b.at(x, y);
            count += 1;
            sm += p, sa += q, sb += r;
            mm += p * p, aa += q * q, bb += r * r;
            ma += p * q, mb += p * r, ab += q * r;
        }
    const auto about = [count](double product, double s, double t) {
        return product / count - s * t / (count * count);
    };
    const double vm = about(mm, sm, sm), va = about(aa, sa, sa), vb = about(bb, sb, sb);
    const double cma = about(ma, sm, sa), cmb = about(mb, sm, sb), cab = about(ab, sa, sb);
    const double size = va * vb - cab * cab;
    Mixture mix;
    if (vm <= 0)
        return mix;
    const double floor = 1e-6 * (va + vb + 1);
    mix.alone = std::max(va > floor ? cma * cma / (va * vm) : 0, vb > floor ? cmb * cmb / (vb * vm) : 0);
    if (size > 1e-6 * va * vb && va > floor && vb > floor) {
        mix.first = (cma * vb - cmb * cab) / size;
        mix.second = (cmb * va - cma * cab) / size;
        mix.explained = (mix.first * cma + mix.second * cmb) / vm;
    } else if (va > vb) {
        mix.first = cma / va;
        mix.explained = mix.alone;
    } else if (vb > floor) {
        mix.second = cmb / vb;
        mix.explained = mix.alone;
    }
    return mix;
}

/// Standard deviation, in code values.
double spreadOf(const SmallPicture& picture)
{
    double sum = 0;
    double squares = 0;
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            const double value = picture.at(x, y) / static_cast<double>(SmallPicture::unit);
            sum += value;
            squares += value * value;
        }
    const double count = static_cast<double>(picture.width()) * picture.height();
    return std::sqrt(std::max(0.0, squares / count - sum * sum / (count * count)));
}

/// Where a line through shares that rise from picture to picture passes 0 and 1, in pictures. Those near the ends,
/// where what moves weighs more than the change itself, do not count.
struct Ramp {
    double zero = 0;
    double one = 0;
};
std::optional<Ramp> rampOf(const std::vector<double>& shares)
{
    double n = 0, x = 0, y = 0, xx = 0, xy = 0;
    for (std::size_t k = 0; k < shares.size(); ++k) {
        if (shares[k] < 0.1 || shares[k] > 0.9)
            continue;
        const auto at = static_cast<double>(k);
        n += 1, x += at, y += shares[k], xx += at * at, xy += at * shares[k];
    }
    const double spread = n * xx - x * x;
    const double slope = spread > 0 ? (n * xy - x * y) / spread : 0;
    if (slope <= 0)
        return std::nullopt;
    const double zero = (x - y / slope) / n;
    return Ramp{zero, zero + 1 / slope};
}

/// A fade to a plain picture and one from it that follows at once are one, the plain picture in its middle.
std::vector<ShotChange> oneFadeEach(std::vector<ShotChange> fades)
{
    constexpr std::int64_t atOnce = 8; // frames
    std::sort(fades.begin(), fades.end(), [](const ShotChange& a, const ShotChange& b) { return a.frame < b.frame; });
    std::vector<ShotChange> out;
    for (const ShotChange& fade : fades) {
        const auto gap = [&](const ShotChange& before) {
            return fade.frame - before.frame - (fade.length + before.length) / 2;
        };
        if (out.empty() || gap(out.back()) > atOnce) {
            out.push_back(fade);
            continue;
        }
        ShotChange& both = out.back();
        both.first = std::min(both.first, fade.first);
        both.last = std::max(both.last, fade.last);
        const Frame first = both.frame - both.length / 2, last = fade.frame + fade.length / 2;
        both.frame = Frame{(both.frame.index + both.length / 2 + fade.frame.index - fade.length / 2) / 2};
        both.length = last - first;
        both.confidence = std::max(both.confidence, fade.confidence);
    }
    return out;
}

} // namespace

std::string_view changeName(ChangeKind kind)
{
    constexpr std::array<std::string_view, 3> names{"cut", "dissolve", "fade"};
    return names[static_cast<std::size_t>(kind)];
}

struct CutWatcher::Work {
    struct Seen {
        SmallPicture picture;
        SmallPicture soft;  ///< without what is small: a camera that sways a little is no other picture
        SmallPicture light; ///< that in light, near enough: half of all dissolves are mixed in it
        Frame frame;
    };
    std::deque<Seen> seen; ///< the last ones
    std::size_t gone = 0;  ///< pictures that came before those
    std::vector<ShotChange> cuts;
    std::vector<ShotChange> dissolves; ///< candidates
    std::vector<ShotChange> dips;      ///< fades through the dark, candidates
    /// A candidate whose ends are not known yet.
    struct Open {
        ShotChange change;
        std::size_t from; ///< pictures, counted from the film's first
        std::size_t to;
        bool plainBefore;
        bool plainAfter;
        SmallPicture Seen::*soft; ///< in what it was seen
    };
    std::vector<Open> open;

    std::pair<Frame, Frame> framesOf(std::size_t from, const std::optional<Ramp>& ramp, std::size_t length) const;
    void close(const Open& one);
    void closeSome(bool all);
    void look();
    void lookForCut(std::size_t at);
    void lookForDissolve(std::size_t length, SmallPicture Seen::*soft);
    void lookForDip(std::size_t length);
};

/// Is the picture at this place the first of another shot? The pictures that follow are there, at least one.
void CutWatcher::Work::lookForCut(std::size_t at)
{
    const SmallPicture& before = seen[at - 1].picture;
    double most = sameness(before, seen[at].picture);
    for (std::size_t i = at + 1; i < seen.size() && i <= at + flashLength && most < static_cast<double>(alikeAgain);
         ++i)
        most = std::max(most, sameness(before, seen[i].picture));
    // Before a flash ends, too: the last picture may be the odd one.
    for (std::size_t back = 2; back <= at && back <= 1 + flashLength && most < static_cast<double>(alikeAgain); ++back)
        most = std::max(most, sameness(seen[at - back].picture, seen[at].picture));
    if (most >= static_cast<double>(alikeAgain))
        return;
    const double confidence = std::clamp(1 - std::max(0.0, most) / static_cast<double>(alikeAgain), 0.05, 1.0);
    cuts.push_back({ChangeKind::cut, seen[at].frame, 0, confidence, seen[at].frame, seen[at].frame});
}

/// Are the last `length` pictures one shot turning into another?
void CutWatcher::Work::lookForDissolve(std::size_t length, SmallPicture Seen::*soft)
{
    if (seen.size() <= length)
        return;
    const std::size_t end = seen.size() - 1;
    const Seen& from = seen[end - length];
    const Seen& to = seen[end];
    const SmallPicture& a = from.*soft;
    const SmallPicture& b = to.*soft;
    std::array<Mixture, 3> mix;
    double gain = 1;
    for (std::size_t k = 0; k < 3; ++k) {
        const SmallPicture& m = seen[end - length + (k + 1) * length / 4].*soft;
        if (!m.sameSize(a) || !m.sameSize(b))
            return;
        mix[k] = mixtureOf(m, a, b);
        if (mix[k].explained < leastExplained)
            return;
        gain = std::min(gain, mix[k].explained - mix[k].alone);
    }
    const double spreadA = spreadOf(a);
    const double spreadB = spreadOf(b);
    const bool plainA = spreadA < plainSpread && spreadB > 3 * spreadA;
    const bool plainB = spreadB < plainSpread && spreadA > 3 * spreadB;
    if (std::max(spreadA, spreadB) < plainSpread)
        return;
    const auto between = [](double share) { return share > 0.06 && share < 0.94; };
    const bool falls =
        plainA || (mix[0].first > mix[1].first + 0.05 && mix[1].first > mix[2].first + 0.05 && between(mix[1].first));
    const bool rises = plainB || (mix[0].second + 0.05 < mix[1].second && mix[1].second + 0.05 < mix[2].second &&
                                  between(mix[1].second));
    if (!falls || !rises)
        return;
    double confidence = 0;
    if (plainA || plainB) { // light that goes down and stays: the plain picture must be dark or bright all over
        const double share = plainA ? mix[1].second : mix[1].first;
        if (!between(share))
            return;
        confidence = 0.5 + 0.5 * (mix[1].explained - leastExplained) / (1 - leastExplained);
    } else {
        if (gain < leastGain || sameness(from.picture, to.picture) >= static_cast<double>(alikeAgain) ||
            someStays(from.picture, to.picture))
            return;
        confidence = std::clamp(gain / 0.2, 0.05, 1.0);
    }
    open.push_back({{plainA || plainB ? ChangeKind::fade : ChangeKind::dissolve,
                     Frame{(from.frame.index + to.frame.index + 1) / 2}, to.frame.index - from.frame.index, confidence,
                     from.frame, to.frame},
                    gone + end - length,
                    gone + end,
                    plainA,
                    plainB,
                    soft});
}

/// Where the change begins and ends, seen against what is well before and well after it: a window that is shorter than
/// the change has some of both at its ends.
void CutWatcher::Work::close(const Open& one)
{
    constexpr double alike = 0.8; // explained; less, and something else has come into the wider window
    ShotChange change = one.change;
    const std::size_t length = one.to - one.from, wider = length / 2 + 2;
    const std::size_t nearest = one.from - gone, farthest = std::min(one.to - gone, seen.size() - 1);
    const auto endsBy = [&](std::size_t from, std::size_t to, double least) {
        const SmallPicture& a = seen[from].*one.soft;
        const SmallPicture& b = seen[to].*one.soft;
        std::vector<double> shares;
        for (std::size_t at = from; at <= to; ++at) {
            const SmallPicture& m = seen[at].*one.soft;
            if (!m.sameSize(a) || !m.sameSize(b))
                return false;
            const Mixture here = mixtureOf(m, a, b);
            if (at == (nearest + farthest) / 2 && here.explained < least)
                return false;
            const double both = here.first + here.second;
            shares.push_back(one.plainBefore  ? here.second
                             : one.plainAfter ? 1 - here.first
                             : both > 0       ? here.second / both
                                              : 0);
        }
        std::tie(change.first, change.last) = framesOf(from, rampOf(shares), to - from);
        return true;
    };
    // A plain picture may be over in a moment.
    const std::size_t before = one.plainBefore ? 0 : std::min(wider, nearest), after = one.plainAfter ? 0 : wider;
    if (!endsBy(nearest - before, std::min(farthest + after, seen.size() - 1), alike))
        endsBy(nearest, farthest, 0);
    dissolves.push_back(change);
}

/// Those that enough is known of, or all.
void CutWatcher::Work::closeSome(bool all)
{
    const auto known = [&](const Open& one) {
        return all || one.to + (one.to - one.from) / 2 + 2 < gone + seen.size();
    };
    for (const Open& one : open)
        if (known(one))
            close(one);
    std::erase_if(open, known);
}

/// The first and the last frame in which both are seen, of `length` pictures after the one at `from`.
std::pair<Frame, Frame> CutWatcher::Work::framesOf(std::size_t from, const std::optional<Ramp>& ramp,
                                                   std::size_t length) const
{
    const auto inside = [&](double picture) {
        return seen[from + static_cast<std::size_t>(std::clamp(picture, 0.0, static_cast<double>(length)))].frame;
    };
    constexpr double slack = 0.25; // of a picture: so little is not seen
    if (!ramp)
        return {inside(1), inside(static_cast<double>(length) - 1)};
    const Frame first = inside(std::floor(ramp->zero + slack) + 1), last = inside(std::ceil(ramp->one - slack) - 1);
    return {std::min(first, last), std::max(first, last)};
}

/// Do the last pictures go down into the dark (or to a plain picture) and come up as another shot? The dark itself may
/// last no longer than a picture, or fall between two.
void CutWatcher::Work::lookForDip(std::size_t length)
{
    if (seen.size() <= length)
        return;
    const std::size_t end = seen.size() - 1, half = length / 2;
    const Seen& from = seen[end - length];
    const Seen& low = seen[end - half];
    const Seen& to = seen[end];
    if (!from.soft.sameSize(low.soft) || !to.soft.sameSize(low.soft))
        return;
    const double lowest = spreadOf(low.soft);
    double explained = 1;
    for (const auto& [full, between] : {std::pair{&from, &seen[end - half - half / 2]}, {&to, &seen[end - half / 2]}}) {
        const double whole = spreadOf(full->soft), part = spreadOf(between->soft);
        if (whole < plainSpread || lowest > 0.5 * whole || part < 1.2 * lowest || part > 0.97 * whole)
            return;
        if (!between->soft.sameSize(full->soft))
            return;
        explained = std::min(explained, mixtureOf(between->soft, full->soft, full->soft).alone);
    }
    for (const std::size_t beside : {end - half - 1, end - half + 1})
        if (spreadOf(seen[beside].soft) < lowest)
            return;
    if (explained < leastExplained || sameness(from.picture, to.picture) >= static_cast<double>(alikeAgain))
        return;
    // It begins and ends where contrast leaves what it is at either end.
    constexpr double whole = 0.96;
    const auto isWhole = [&](std::size_t at, const Seen& full) {
        return spreadOf(seen[at].soft) >= whole * spreadOf(full.soft);
    };
    std::size_t first = end - half, last = end - half;
    while (first > end - length && !isWhole(first, from))
        --first;
    while (last < end && !isWhole(last, to))
        ++last;
    // How far the contrast went down is a share, too.
    const auto sharesFrom = [&](std::size_t start, std::size_t stop, const Seen& full) {
        std::vector<double> shares;
        for (std::size_t at = start; at <= stop; ++at)
            shares.push_back(1 - spreadOf(seen[at].soft) / spreadOf(full.soft));
        return shares;
    };
    std::vector<double> up = sharesFrom(end - half, end, to);
    for (double& share : up)
        share = 1 - share;
    const Frame begins = framesOf(end - length, rampOf(sharesFrom(end - length, end - half, from)), half).first;
    const Frame ends = framesOf(end - half, rampOf(up), half).second;
    dips.push_back({ChangeKind::fade, low.frame, seen[last].frame - seen[first].frame,
                    0.5 + 0.5 * (explained - leastExplained) / (1 - leastExplained), std::min(begins, low.frame),
                    std::max(ends, low.frame)});
}

void CutWatcher::Work::look()
{
    if (seen.size() > static_cast<std::size_t>(flashLength) + 1)
        lookForCut(seen.size() - 1 - static_cast<std::size_t>(flashLength));
    for (const std::size_t length : dissolveLengths) {
        lookForDissolve(length, &Seen::soft);
        lookForDissolve(length, &Seen::light);
        lookForDip(length);
    }
    closeSome(false);
    if (seen.size() > 2 * dissolveLengths.back() + flashLength + 4) {
        seen.pop_front();
        ++gone;
    }
}

CutWatcher::CutWatcher() : work_(std::make_unique<Work>()) {}
CutWatcher::~CutWatcher() = default;
CutWatcher::CutWatcher(CutWatcher&&) noexcept = default;
CutWatcher& CutWatcher::operator=(CutWatcher&&) noexcept = default;

void CutWatcher::watch(const Image& picture, Frame frame)
{
    SmallPicture small(picture);
    SmallPicture soft = small.softened();
    SmallPicture light = soft.squared();
    work_->seen.push_back({std::move(small), std::move(soft), std::move(light), frame});
    work_->look();
}

std::vector<ShotChange> CutWatcher::finish()
{
    Work& work = *work_;
    const std::size_t count = work.seen.size();
    const std::size_t from = count > static_cast<std::size_t>(flashLength) ? count - flashLength : 1;
    for (std::size_t at = from; at < count; ++at)
        work.lookForCut(at);
    work.closeSome(true);
    for (auto* candidates : {&work.dissolves, &work.dips})
        std::stable_sort(candidates->begin(), candidates->end(),
                         [](const ShotChange& a, const ShotChange& b) { return a.confidence > b.confidence; });
    const auto overlap = [](const ShotChange& a, const ShotChange& b) {
        return std::abs(a.frame - b.frame) <= (a.length + b.length + 1) / 2;
    };
    const auto takeFrom = [&](const std::vector<ShotChange>& candidates, ChangeKind kind,
                              std::vector<ShotChange> taken) {
        for (const ShotChange& candidate : candidates)
            if (candidate.kind == kind && std::none_of(taken.begin(), taken.end(), [&](const ShotChange& other) {
                    return overlap(candidate, other);
                }))
                taken.push_back(candidate);
        return taken;
    };
    // A window that is shorter than a fade takes its own ends for the fade's: the longest about the same middle knows.
    const auto withEnds = [](ShotChange fade, const std::vector<ShotChange>& candidates) {
        std::int64_t longest = fade.length;
        for (const ShotChange& other : candidates)
            if (other.length > longest && other.first <= fade.frame && other.last >= fade.frame) {
                longest = other.length;
                fade.first = other.first;
                fade.last = other.last;
            }
        return fade;
    };
    const std::vector<ShotChange> dips = work.dips;
    for (ShotChange& fade : work.dips)
        fade = withEnds(fade, dips);
    // Of fades that overlap the surest; what seems a cut in one is the dark in its middle. A dissolve is none where
    // there is a cut.
    std::vector<ShotChange> all =
        oneFadeEach(takeFrom(work.dissolves, ChangeKind::fade, takeFrom(work.dips, ChangeKind::fade, {})));
    for (const ShotChange& cut : work.cuts)
        if (std::none_of(all.begin(), all.end(), [&](const ShotChange& other) {
                return other.kind == ChangeKind::fade && overlap(cut, other);
            }))
            all.push_back(cut);
    all = takeFrom(work.dissolves, ChangeKind::dissolve, std::move(all));
    for (ShotChange& change : all)
        if (change.kind != ChangeKind::cut) {
            change.length = change.last - change.first + 1;
            change.frame = change.first + change.length / 2;
        }
    std::sort(all.begin(), all.end(), [](const ShotChange& a, const ShotChange& b) { return a.frame < b.frame; });
    work_.reset();
    return all;
}

} // namespace ember
