// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/film_match.h"

#include <algorithm>
#include <cmath>
#include <optional>

#include "small_picture.h"

namespace ember {

namespace {

using Looks = std::array<float, FramePrint::looks>;
constexpr std::size_t parts = FramePrint::columns * FramePrint::rows;

constexpr float farthest = 9;   ///< squared deviations beyond which a value is simply another
constexpr float unlike = 0.12F; ///< distance at which two frames are as likely the same as not; measured: the
                                ///< same graded and with grain 0.01, others of a film 0.7, of another 0.15 and more
constexpr float gapCost = 6;    ///< frames that a gap, or a jump, costs
constexpr float worst = -3;     ///< what two frames that differ entirely take away
constexpr std::int64_t shortest = 8; ///< frames of a stretch that is believed
constexpr std::int64_t mostCells = 400'000'000;
constexpr int orders = 6;            ///< stretches in another order that are looked for
constexpr float leastSpread = 0.02F; ///< of a value that hardly changes, so that grain does not count
constexpr float leastOctave = 0.4F;  ///< the same of loudness, in powers of e

/// Returns how bright it is, as a logarithm.
float takeLook(FramePrint& print, const Image& picture)
{
    const SmallPicture small(picture);
    std::array<double, parts> mean{};
    double sum = 0;
    for (std::size_t i = 0; i < parts; ++i) {
        const auto column = static_cast<int>(i % FramePrint::columns);
        const auto row = static_cast<int>(i / FramePrint::columns);
        const int left = column * small.width() / static_cast<int>(FramePrint::columns);
        const int right = std::max(left + 1, (column + 1) * small.width() / static_cast<int>(FramePrint::columns));
        const int top = row * small.height() / static_cast<int>(FramePrint::rows);
        const int bottom = std::max(top + 1, (row + 1) * small.height() / static_cast<int>(FramePrint::rows));
        double total = 0;
        for (int y = top; y < std::min(bottom, small.height()); ++y)
            for (int x = left; x < std::min(right, small.width()); ++x)
                total += small.at(x, y);
        mean[i] = total / ((right - left) * (bottom - top)) / (255.0 * SmallPicture::unit);
        sum += mean[i];
    }
    const double all = sum / parts;
    double squares = 0;
    for (const double value : mean)
        squares += (value - all) * (value - all);
    const double spread = std::sqrt(squares / parts) + 0.02;
    for (std::size_t i = 0; i < parts; ++i)
        print.look[i] = static_cast<float>((mean[i] - all) / spread);
    return static_cast<float>(std::log(all + 0.01));
}

/// Mean square of what changes within each octave: sums and differences of neighbours, again and again (Haar 1910).
void takeSound(FramePrint& print, const std::vector<float>& samples, int channels)
{
    std::vector<float> run(samples.size() / static_cast<std::size_t>(std::max(1, channels)));
    for (std::size_t i = 0; i < run.size(); ++i)
        run[i] = samples[i * static_cast<std::size_t>(channels)];
    for (float& octave : print.sound) {
        double energy = 0;
        const std::size_t half = run.size() / 2;
        for (std::size_t i = 0; i < half; ++i) {
            const float a = run[2 * i];
            const float b = run[2 * i + 1];
            energy += static_cast<double>((a - b) * (a - b));
            run[i] = 0.5F * (a + b);
        }
        run.resize(half);
        octave = static_cast<float>(std::log(1e-7 + energy / static_cast<double>(std::max<std::size_t>(1, half))));
    }
}

/// Brings every value of both films to the same footing: its deviations from the mean, in what it usually deviates.
template <typename Get>
void standardise(FilmPrint& a, FilmPrint& b, std::size_t count, float least, Get&& get)
{
    for (std::size_t i = 0; i < count; ++i) {
        double sum = 0;
        double squares = 0;
        for (const FilmPrint* film : {&a, &b})
            for (const FramePrint& frame : film->frames) {
                const double value = get(frame)[i];
                sum += value;
                squares += value * value;
            }
        const auto number = static_cast<double>(a.frames.size() + b.frames.size());
        const double mean = sum / number;
        const double spread = std::max<double>(least, std::sqrt(std::max(0.0, squares / number - mean * mean)));
        for (FilmPrint* film : {&a, &b})
            for (FramePrint& frame : film->frames)
                get(frame)[i] = static_cast<float>((get(frame)[i] - mean) / spread);
    }
}

/// The sum of squared differences, each at most `farthest`. `Count` is a multiple of eight: eight sums are kept, so
/// that the compiler may add them at once.
template <std::size_t Count>
float squaresApart(const float* a, const float* b)
{
    std::array<float, 8> sums{};
    for (std::size_t i = 0; i < Count; i += sums.size())
        for (std::size_t k = 0; k < sums.size(); ++k) {
            const float d = a[i + k] - b[i + k];
            sums[k] += std::min(farthest, d * d);
        }
    return ((sums[0] + sums[4]) + (sums[1] + sums[5])) + ((sums[2] + sums[6]) + (sums[3] + sums[7]));
}

struct Pair {
    const FilmPrint& before;
    const FilmPrint& after;
    bool heard;

    /// Half the mean squared difference: about 1 for frames that have nothing to do with each other. Not worked out
    /// further where it is more than `most` in any case.
    float distance(std::int64_t i, std::int64_t j, float most = 1e9F) const
    {
        constexpr std::size_t step = parts / 3;
        const FramePrint& a = before.frames[static_cast<std::size_t>(i)];
        const FramePrint& b = after.frames[static_cast<std::size_t>(j)];
        const float seen = heard ? 0.5F : 1.F;
        float sum = 0;
        for (std::size_t k = parts; k < FramePrint::looks; ++k) {
            const float d = a.look[k] - b.look[k];
            sum += seen * 0.3F / (2 * (FramePrint::looks - parts)) * std::min(farthest, d * d);
        }
        if (heard)
            sum += 0.5F / (2 * FramePrint::octaves) * squaresApart<FramePrint::octaves>(a.sound.data(), b.sound.data());
        for (std::size_t k = 0; k < parts && sum < most; k += step)
            sum += seen * 0.7F / (2 * parts) * squaresApart<step>(&a.look[k], &b.look[k]);
        return sum;
    }
};

struct Stretch {
    std::int64_t first = 0;
    std::int64_t end = 0;
    std::int64_t length() const { return end - first; }
};

/// The alignment of a stretch of each film. Ends that have no counterpart cost nothing.
class Alignment {
public:
    Alignment(const Pair& pair, Stretch before, Stretch after) : pair_(pair), before_(before), after_(after)
    {
        ways_.resize(static_cast<std::size_t>(before.length() * after.length()));
    }

    /// Fills the table; `told` returns false to stop.
    template <typename Told>
    bool run(Told&& told)
    {
        constexpr float never = -1e9F;
        const auto width = static_cast<std::size_t>(after_.length());
        std::vector<float> best(width, 0), gapDown(width, never);
        for (std::int64_t i = 0; i < before_.length(); ++i) {
            float diagonal = 0; // the best of what ends before both
            float gapAcross = never;
            std::uint8_t* way = &ways_[static_cast<std::size_t>(i) * width];
            for (std::size_t j = 0; j < width; ++j) {
                const float apart = pair_.distance(before_.first + i, after_.first + static_cast<std::int64_t>(j),
                                                   (1 - worst) * unlike);
                const float like = std::max(worst, 1 - apart / unlike);
                const float matched = diagonal + like;
                diagonal = best[j];
                // A gap that is there already goes on for nothing.
                const bool downOpens = best[j] - gapCost >= gapDown[j];
                gapDown[j] = downOpens ? best[j] - gapCost : gapDown[j];
                const float left = j > 0 ? best[j - 1] : 0;
                const bool acrossOpens = left - gapCost >= gapAcross;
                gapAcross = acrossOpens ? left - gapCost : gapAcross;
                way[j] = static_cast<std::uint8_t>((downOpens ? downOpened : 0) | (acrossOpens ? acrossOpened : 0));
                best[j] = 0;
                if (matched > best[j]) {
                    best[j] = matched;
                    way[j] |= diagonally;
                }
                if (gapDown[j] > best[j]) {
                    best[j] = gapDown[j];
                    way[j] = static_cast<std::uint8_t>((way[j] & ~chosen) | down);
                }
                if (gapAcross > best[j]) {
                    best[j] = gapAcross;
                    way[j] = static_cast<std::uint8_t>((way[j] & ~chosen) | across);
                }
                if (best[j] > score_) {
                    score_ = best[j];
                    endBefore_ = i;
                    endAfter_ = static_cast<std::int64_t>(j);
                }
            }
            if (i % 64 == 0 && !told(static_cast<double>(i) / static_cast<double>(before_.length())))
                return false;
        }
        return true;
    }

    float score() const { return score_; }

    /// Writes the pairs that were found, from the end of the best stretch back to where it begins.
    void trace(std::vector<FrameMatch>& matches) const
    {
        std::int64_t i = endBefore_;
        std::int64_t j = endAfter_;
        std::uint8_t mode = diagonally;
        while (score_ > 0 && i >= 0 && j >= 0) {
            const std::uint8_t way = ways_[static_cast<std::size_t>(i * after_.length() + j)];
            if (mode == diagonally) {
                mode = way & chosen;
                if (mode == 0)
                    break; // it begins here
                if (mode != diagonally)
                    continue;
                matches[static_cast<std::size_t>(before_.first + i)] = {
                    after_.first + j, std::clamp(1 - pair_.distance(before_.first + i, after_.first + j), 0.F, 1.F)};
                --i;
                --j;
            } else if (mode == down) {
                mode = (way & downOpened) != 0 ? diagonally : down;
                --i;
            } else {
                mode = (way & acrossOpened) != 0 ? diagonally : across;
                --j;
            }
        }
    }

private:
    static constexpr std::uint8_t diagonally = 1, down = 2, across = 4, chosen = 7, downOpened = 8, acrossOpened = 16;
    const Pair& pair_;
    Stretch before_;
    Stretch after_;
    std::vector<std::uint8_t> ways_;
    float score_ = 0;
    std::int64_t endBefore_ = -1;
    std::int64_t endAfter_ = -1;
};

/// The longest run of frames for which `free` holds.
template <typename Free>
Stretch longestRun(std::int64_t length, Free&& free)
{
    Stretch best;
    Stretch run;
    for (std::int64_t i = 0; i < length; ++i) {
        if (!free(i)) {
            run = {i + 1, i + 1};
            continue;
        }
        run.end = i + 1;
        if (run.length() > best.length())
            best = run;
    }
    return best;
}

/// Matches that stand alone, or nearly, are chance.
void dropShortRuns(std::vector<FrameMatch>& matches)
{
    for (std::size_t first = 0; first < matches.size();) {
        std::size_t end = first + 1;
        while (end < matches.size() && matches[first].frame >= 0 &&
               matches[end].frame == matches[first].frame + static_cast<std::int64_t>(end - first))
            ++end;
        if (end - first < static_cast<std::size_t>(shortest))
            std::fill(matches.begin() + static_cast<std::ptrdiff_t>(first),
                      matches.begin() + static_cast<std::ptrdiff_t>(end), FrameMatch{});
        first = end;
    }
}

} // namespace

void FilmPrinter::add(const Image& picture, const std::vector<float>& samples, int channels)
{
    FramePrint print;
    // Not how bright it is, which a grade changes, but how that changes.
    const float bright = takeLook(print, picture);
    if (bright_.empty())
        bright_.assign(changeOver, bright);
    print.look[parts] = bright - bright_.front();
    print.look[parts + 1] = bright - bright_.back();
    bright_.erase(bright_.begin());
    bright_.push_back(bright);
    takeSound(print, samples, channels);
    film_.heard = film_.heard || !samples.empty();
    film_.frames.push_back(print);
}

FilmPrint FilmPrinter::finish()
{
    return std::move(film_);
}

Result<std::vector<FrameMatch>> matchFrames(const FilmPrint& before, const FilmPrint& after, const Progress& progress)
{
    const auto m = static_cast<std::int64_t>(before.frames.size());
    const auto n = static_cast<std::int64_t>(after.frames.size());
    std::vector<FrameMatch> matches(static_cast<std::size_t>(m));
    if (m == 0 || n == 0)
        return matches;
    if (m > mostCells / n)
        return Error{ErrorCode::unsupported, "The two films",
                     Phrase("they have {} and {} frames: too many to be held against each other", m, n)};
    FilmPrint a = before;
    FilmPrint b = after;
    const auto look = [](auto& frame) -> auto&
    {
        return frame.look;
    };
    const auto sound = [](auto& frame) -> auto&
    {
        return frame.sound;
    };
    standardise(a, b, FramePrint::looks, leastSpread, look);
    standardise(a, b, FramePrint::octaves, leastOctave, sound);
    const Pair pair{a, b, a.heard && b.heard};
    // The whole first; then, one by one, the longest stretches that are still to be found on both sides.
    for (int round = 0; round <= orders; ++round) {
        std::vector<bool> taken(static_cast<std::size_t>(n), false);
        for (const FrameMatch& match : matches)
            if (match.frame >= 0)
                taken[static_cast<std::size_t>(match.frame)] = true;
        const Stretch left =
            round == 0 ? Stretch{0, m}
                       : longestRun(m, [&](std::int64_t i) { return matches[static_cast<std::size_t>(i)].frame < 0; });
        const Stretch right = round == 0
                                  ? Stretch{0, n}
                                  : longestRun(n, [&](std::int64_t j) { return !taken[static_cast<std::size_t>(j)]; });
        if (left.length() < shortest || right.length() < shortest)
            break;
        Alignment alignment(pair, left, right);
        const bool whole = alignment.run([&](double done) { return progress((round + done) / (orders + 1)); });
        if (!whole)
            return Error{ErrorCode::cancelled, "The match", ""};
        const auto known = matches;
        alignment.trace(matches);
        dropShortRuns(matches);
        if (round > 0 && matches == known)
            break;
    }
    return matches;
}

} // namespace ember
