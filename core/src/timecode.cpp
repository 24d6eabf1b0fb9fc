// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/timecode.h"

#include <array>
#include <cmath>
#include <cstdio>

namespace ember {

namespace {

constexpr std::int64_t mostHours = 10'000;

/// Names left out each minute but each tenth: 2 at 30 a second, 4 at 60.
std::int64_t leftOut(TimecodeCount count)
{
    return count.drop ? count.perSecond / 15 : 0;
}

} // namespace

TimecodeCount countOf(FrameRate rate, bool drop)
{
    const std::int64_t names = std::max<std::int64_t>(1, std::llround(rate.perSecond()));
    const bool can = rate.den() == 1001 && (rate.num() == 30000 || rate.num() == 60000);
    return {names, drop && can};
}

std::string timecodeText(std::int64_t number, TimecodeCount count)
{
    const bool before = number < 0;
    std::int64_t n = before ? -number : number;
    if (const std::int64_t out = leftOut(count); out > 0) {
        const std::int64_t minute = 60 * count.perSecond - out;
        const std::int64_t ten = 10 * minute + out; // the first of ten minutes leaves none out
        const std::int64_t tens = n / ten;
        const std::int64_t rest = n % ten;
        const std::int64_t minutes = rest < 60 * count.perSecond ? 0 : 1 + (rest - 60 * count.perSecond) / minute;
        n += out * (9 * tens + minutes);
    }
    const std::int64_t seconds = n / count.perSecond;
    std::array<char, 64> text{};
    const auto whole = [](std::int64_t value) { return static_cast<long long>(value); };
    std::snprintf(text.data(), text.size(), "%s%02lld:%02lld:%02lld%c%02lld", before ? "-" : "", whole(seconds / 3600),
                  whole(seconds / 60 % 60), whole(seconds % 60), count.drop ? ';' : ':', whole(n % count.perSecond));
    return text.data();
}

std::optional<std::int64_t> frameOfTimecode(std::string_view text, TimecodeCount count)
{
    while (!text.empty() && text.front() == ' ')
        text.remove_prefix(1);
    while (!text.empty() && text.back() == ' ')
        text.remove_suffix(1);
    const bool before = !text.empty() && text.front() == '-';
    if (before)
        text.remove_prefix(1);
    // From the right: frames, seconds, minutes, hours.
    std::array<std::int64_t, 4> fields{};
    std::size_t field = 0;
    std::int64_t scale = 1;
    bool parted = false;
    bool digit = false;
    for (std::size_t i = text.size(); i-- > 0;) {
        const char c = text[i];
        if (c >= '0' && c <= '9') {
            if (scale > mostHours)
                return std::nullopt;
            fields[field] += (c - '0') * scale;
            scale *= 10;
            digit = true;
        } else if (c == ':' || c == ';' || c == '.') {
            parted = parted || c != '.';
            if (!digit || ++field == fields.size())
                return std::nullopt;
            scale = 1;
            digit = false;
        } else {
            return std::nullopt;
        }
    }
    const auto [frames, seconds, minutes, hours] = fields;
    if (!parted || !digit || frames >= count.perSecond || seconds > 59 || minutes > 59 || hours > mostHours)
        return std::nullopt;
    const std::int64_t out = leftOut(count);
    if (seconds == 0 && minutes % 10 != 0 && frames < out)
        return std::nullopt;
    const std::int64_t all = 60 * hours + minutes;
    const std::int64_t number = (60 * all + seconds) * count.perSecond + frames - out * (all - all / 10);
    return before ? -number : number;
}

std::optional<FilmClock> clockFrom(std::string_view text, FrameRate rate)
{
    const TimecodeCount count = countOf(rate, text.find(';') != std::string_view::npos);
    const auto start = frameOfTimecode(text, count);
    if (!start || *start < 0)
        return std::nullopt;
    return FilmClock{*start, count.drop};
}

std::string timecodeOf(std::int64_t frame, FilmClock clock, FrameRate rate)
{
    return timecodeText(clock.start + frame, countOf(rate, clock.drop));
}

std::optional<std::int64_t> frameOf(std::string_view timecode, FilmClock clock, FrameRate rate)
{
    const auto number = frameOfTimecode(timecode, countOf(rate, clock.drop));
    return number ? std::optional(*number - clock.start) : std::nullopt;
}

} // namespace ember
