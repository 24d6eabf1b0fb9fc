// SPDX-License-Identifier: GPL-3.0-or-later
// Standard MIDI files (The Complete MIDI 1.0 Detailed Specification): notes with their velocities, placed in seconds by
// the tempo map. A strike is a percussion note and a marker at the same place that tells what a note cannot.
#include <algorithm>
#include <array>
#include <cmath>
#include <map>

#include "cells.h"
#include "formats.h"

namespace ember {

namespace {

constexpr std::uint32_t usualTempo = 500'000; ///< microseconds a quarter: 120 BPM
constexpr std::uint16_t ticksPerQuarter = 15360;
constexpr double ticksPerSecond = ticksPerQuarter * 1e6 / usualTempo;
constexpr double fullVelocity = 100; ///< the velocity of a strike at 100 %
constexpr std::uint8_t percussion = 9;
/// Notes of General MIDI's percussion for the kinds, so that other programs show them apart.
constexpr std::array<std::uint8_t, 4> noteOfKind{49, 36, 38, 37};

using Ticks = std::uint64_t;

/// Bytes read in order; reading past the end is remembered instead of done.
class Bytes {
public:
    explicit Bytes(std::string_view bytes) : bytes_(bytes) {}

    bool atEnd() const { return at_ >= bytes_.size(); }
    bool cut() const { return cut_; }
    std::size_t place() const { return at_; }
    std::uint8_t peek() const { return atEnd() ? 0 : static_cast<std::uint8_t>(bytes_[at_]); }

    std::uint8_t byte()
    {
        if (atEnd()) {
            cut_ = true;
            return 0;
        }
        return static_cast<std::uint8_t>(bytes_[at_++]);
    }
    std::uint32_t number(int size)
    {
        std::uint32_t value = 0;
        for (int i = 0; i < size; ++i)
            value = value << 8 | byte();
        return value;
    }
    /// Seven bits a byte, at most four bytes.
    std::uint32_t length()
    {
        std::uint32_t value = 0;
        for (int i = 0; i < 4; ++i) {
            const std::uint8_t next = byte();
            value = value << 7 | (next & 0x7fu);
            if ((next & 0x80u) == 0)
                return value;
        }
        cut_ = true; // longer than the format allows
        return 0;
    }
    std::string_view take(std::size_t count)
    {
        if (count > bytes_.size() - at_) {
            cut_ = true;
            count = bytes_.size() - at_;
        }
        const auto taken = bytes_.substr(at_, count);
        at_ += count;
        return taken;
    }

private:
    std::string_view bytes_;
    std::size_t at_ = 0;
    bool cut_ = false;
};

/// What of a file becomes strikes.
struct Score {
    struct NoteOn {
        Ticks at;
        std::uint8_t note;
        std::uint8_t velocity;
    };
    std::vector<NoteOn> played;            ///< all of them
    std::map<Ticks, std::uint32_t> tempos; ///< microseconds a quarter from here on
    std::map<Ticks, std::uint8_t> notes;   ///< the loudest of those that begin together
    std::map<Ticks, std::string> markers;
    std::map<Ticks, int> barBeats; ///< quarters in a bar from here on; 0: no whole number of them
    Ticks end = 0;                 ///< of the longest track
};

void readMeta(Bytes& track, Ticks now, Score& score)
{
    constexpr std::uint8_t marker = 0x06;
    constexpr std::uint8_t tempo = 0x51;
    constexpr std::uint8_t signature = 0x58; ///< beats in a bar, and what they are: 2 is a quarter, 3 an eighth
    const std::uint8_t type = track.byte();
    const std::string_view data = track.take(track.length());
    if (type == tempo && data.size() == 3) {
        Bytes value(data);
        if (const std::uint32_t microseconds = value.number(3); microseconds > 0)
            score.tempos[now] = microseconds;
    } else if (type == marker) {
        score.markers[now] = std::string(data);
    } else if (type == signature && data.size() >= 2) {
        Bytes value(data);
        const int count = value.byte(), part = value.byte();
        const int sixtyFourths = part <= 6 ? count * (64 >> part) : 0;
        score.barBeats[now] = sixtyFourths % 16 == 0 ? sixtyFourths / 16 : 0;
    }
}

/// Nothing when all went well, else the place in the file.
std::optional<Error> readTrack(std::string_view data, const std::string& name, Score& score)
{
    Bytes track(data);
    const auto wrong = [&](const Phrase& what) {
        return Error{ErrorCode::damaged, Phrase("{}, byte {}", name, track.place()), what};
    };
    Ticks now = 0;
    std::uint8_t status = 0;
    while (!track.atEnd()) {
        now += track.length();
        score.end = std::max(score.end, now);
        if ((track.peek() & 0x80u) != 0)
            status = track.byte();
        if (status == 0xff) {
            readMeta(track, now, score);
        } else if (status == 0xf0 || status == 0xf7) {
            track.take(track.length());
        } else if (status < 0x80 || status > 0xef) {
            return wrong("there is no event there");
        } else {
            const bool one = (status & 0xf0u) == 0xc0 || (status & 0xf0u) == 0xd0;
            const std::uint8_t note = track.byte();
            const std::uint8_t velocity = one ? 0 : track.byte();
            if ((status & 0xf0u) == 0x90 && velocity > 0 && note < 128 && velocity < 128) {
                std::uint8_t& loudest = score.notes[now];
                loudest = std::max(loudest, velocity);
                score.played.push_back({now, note, velocity});
            }
        }
        if (track.cut())
            return wrong("the file is cut short there");
        if (status >= 0xf0)
            status = 0; // what is left out means the last channel event only
    }
    return std::nullopt;
}

/// Ticks in seconds, through the tempo map or by the frames of a time code.
class Clock {
public:
    Clock(std::uint16_t division, const std::map<Ticks, std::uint32_t>& tempos)
    {
        if ((division & 0x8000u) != 0) { // minus frames a second, and ticks a frame
            const int frames = 256 - (division >> 8);
            const double perSecond = frames == 29 ? 30000.0 / 1001 : frames;
            spans_[0] = {0, 1 / (perSecond * std::max(division & 0xff, 1))};
            return;
        }
        const double quarter = std::max<int>(division, 1);
        spans_[0] = {0, usualTempo * 1e-6 / quarter};
        for (const auto& [ticks, microseconds] : tempos) {
            const double at = seconds(ticks);
            spans_[ticks] = {at, microseconds * 1e-6 / quarter};
        }
    }
    double seconds(Ticks ticks) const
    {
        const auto span = std::prev(spans_.upper_bound(ticks));
        return span->second.start + static_cast<double>(ticks - span->first) * span->second.secondsPerTick;
    }

private:
    struct Span {
        double start;
        double secondsPerTick;
    };
    std::map<Ticks, Span> spans_;
};

void putNumber(std::string& bytes, std::uint32_t value, int size)
{
    for (int i = size - 1; i >= 0; --i)
        bytes += static_cast<char>(value >> (8 * i) & 0xffu);
}

void putLength(std::string& bytes, std::uint32_t value)
{
    for (int shift = 21; shift > 0; shift -= 7)
        if (value >> shift != 0)
            bytes += static_cast<char>(0x80u | (value >> shift & 0x7fu));
    bytes += static_cast<char>(value & 0x7fu);
}

void putMeta(std::string& bytes, std::uint8_t type, std::string_view data)
{
    bytes += static_cast<char>(0xff);
    bytes += static_cast<char>(type);
    putLength(bytes, static_cast<std::uint32_t>(data.size()));
    bytes += data;
}

/// What is in a file, and what its ticks are.
Result<std::pair<Score, std::uint16_t>> scoreFrom(std::string_view bytes)
{
    Bytes file(bytes);
    if (file.take(4) != "MThd")
        return Error{ErrorCode::badFormat, "byte 0", "a Standard MIDI file begins with MThd"};
    const std::string_view head = file.take(file.number(4));
    Bytes header(head);
    const std::uint32_t format = header.number(2);
    const std::uint32_t tracks = header.number(2);
    const auto division = static_cast<std::uint16_t>(header.number(2));
    if (file.cut() || header.cut())
        return Error{ErrorCode::damaged, Phrase("byte {}", file.place()), "its header is cut short"};
    if (format > 1)
        return Error{ErrorCode::unsupported, "byte 8",
                     Phrase("it is of format {}, of songs one after the other; formats 0 and 1 are read", format)};
    Score score;
    std::uint32_t read = 0;
    while (!file.atEnd() && read < tracks) {
        const std::string_view kind = file.take(4);
        const std::uint32_t size = file.number(4);
        const std::size_t place = file.place();
        const std::string_view data = file.take(size);
        if (kind == "MTrk") {
            const std::string name = "track " + std::to_string(++read) + " (from byte " + std::to_string(place) + ")";
            if (const auto error = readTrack(data, name, score))
                return *error;
        }
        if (file.cut())
            return Error{ErrorCode::damaged, Phrase("byte {}", file.place()), "the file is cut short there"};
    }
    if (read < tracks)
        return Error{ErrorCode::damaged, Phrase("byte {}", file.place()),
                     Phrase("the file is cut short there: it should have {} tracks, but {} are there", tracks, read)};
    return std::pair(std::move(score), division);
}

} // namespace

Result<std::vector<PlayedNote>> notesFromMidi(std::string_view bytes)
{
    const auto read = scoreFrom(bytes);
    if (!read)
        return read.error();
    const auto& [score, division] = read.value();
    const Clock clock(division, score.tempos);
    std::vector<PlayedNote> notes;
    for (const Score::NoteOn& on : score.played) {
        const double seconds = clock.seconds(on.at);
        if (seconds > longestSeconds)
            return Error{ErrorCode::badValue, Phrase("note {}", notes.size() + 1),
                         "it comes more than eleven days after the start"};
        notes.push_back({seconds, on.note, on.velocity / fullVelocity});
    }
    std::stable_sort(notes.begin(), notes.end(),
                     [](const PlayedNote& a, const PlayedNote& b) { return a.seconds < b.seconds; });
    return notes;
}

Result<StrikeList> strikesFromMidi(std::string_view bytes)
{
    const auto read = scoreFrom(bytes);
    if (!read)
        return read.error();
    const auto& [score, division] = read.value();
    const Clock clock(division, score.tempos);
    StrikeList strikes;
    for (const auto& [ticks, velocity] : score.notes) {
        ListedStrike strike;
        strike.seconds = clock.seconds(ticks);
        if (strike.seconds > longestSeconds)
            return Error{ErrorCode::badValue, Phrase("note {}", strikes.size() + 1),
                         "it comes more than eleven days after the start"};
        strike.kind = StrikeKind::beat;
        strike.strength = velocity / fullVelocity;
        if (const auto marker = score.markers.find(ticks); marker != score.markers.end())
            readCue(marker->second, strike);
        strikes.push_back(std::move(strike));
    }
    return strikes;
}

Result<std::optional<ScoreBeats>> beatsFromMidi(std::string_view bytes)
{
    const auto read = scoreFrom(bytes);
    if (!read)
        return read.error();
    const auto& [score, division] = read.value();
    if ((division & 0x8000u) != 0 || division == 0 || score.tempos.empty())
        return std::optional<ScoreBeats>();
    const Clock clock(division, score.tempos);
    const auto bpmFrom = [](std::uint32_t microseconds) { return 60e6 / microseconds; };
    if (clock.seconds(score.end) > longestSeconds)
        return Error{ErrorCode::badValue, "its tempo map", "it goes on for more than eleven days"};
    BeatGrid grid;
    grid.bpm = bpmFrom(score.tempos.begin()->first == 0 ? score.tempos.begin()->second : usualTempo);
    if (!score.barBeats.empty() && score.barBeats.begin()->second >= 1 && score.barBeats.begin()->second <= 16)
        grid.barBeats = score.barBeats.begin()->second;
    for (const auto& [ticks, microseconds] : score.tempos) {
        if (ticks == 0)
            continue;
        // Where the tempo changes between two quarters those on both sides are pinned.
        for (const auto beat : {ticks / division, (ticks + division - 1) / division})
            if (const auto whole = static_cast<std::int64_t>(beat);
                whole > 0 && (grid.pins.empty() || grid.pins.back().beat < whole))
                grid.pins.push_back({whole, clock.seconds(static_cast<Ticks>(whole) * division)});
        grid.bpm = bpmFrom(microseconds);
    }
    if (grid.pins.size() > mostBeatPins || badPin(grid) || grid.bpm < slowestBpm || grid.bpm > fastestBpm)
        return Error{ErrorCode::unsupported, "its tempo map",
                     Phrase("its tempo leaves 20 to 400 beats a minute, or changes more than {} times", mostBeatPins)};
    return std::optional(ScoreBeats{grid, clock.seconds(score.end)});
}

std::string strikesToMidi(const StrikeList& strikes)
{
    constexpr Ticks noteTicks = ticksPerQuarter / 8;
    constexpr std::uint32_t longestWait = 0x0fffffff;
    struct Event {
        Ticks at;
        std::string bytes;
    };
    std::vector<Event> events;
    for (const ListedStrike& strike : strikes) {
        const auto at = static_cast<Ticks>(std::llround(strike.seconds * ticksPerSecond));
        const auto note = static_cast<char>(noteOfKind[static_cast<std::size_t>(strike.kind)]);
        const auto velocity = static_cast<char>(std::clamp<long>(std::lround(strike.strength * fullVelocity), 1, 127));
        Event on{at, {}};
        putMeta(on.bytes, 0x06, cueText(strike));
        on.bytes += {'\0', static_cast<char>(0x90 | percussion), note, velocity};
        events.push_back(std::move(on));
        events.push_back({at + noteTicks, {static_cast<char>(0x80 | percussion), note, '\0'}});
    }
    std::stable_sort(events.begin(), events.end(), [](const Event& a, const Event& b) { return a.at < b.at; });
    std::string track;
    track += '\0';
    std::string tempo;
    putNumber(tempo, usualTempo, 3);
    putMeta(track, 0x51, tempo);
    Ticks now = 0;
    for (const Event& event : events) {
        for (; event.at - now > longestWait; now += longestWait) { // hours without a strike
            putLength(track, longestWait);
            putMeta(track, 0x01, {});
        }
        putLength(track, static_cast<std::uint32_t>(event.at - now));
        track += event.bytes;
        now = event.at;
    }
    track += '\0';
    putMeta(track, 0x2f, {});
    std::string file = "MThd";
    putNumber(file, 6, 4);
    putNumber(file, 0, 2);
    putNumber(file, 1, 2);
    putNumber(file, ticksPerQuarter, 2);
    file += "MTrk";
    putNumber(file, static_cast<std::uint32_t>(track.size()), 4);
    return file + track;
}

} // namespace ember
