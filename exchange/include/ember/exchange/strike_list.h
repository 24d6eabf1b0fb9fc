// SPDX-License-Identifier: GPL-3.0-or-later
// Strikes as lists that other programs and people write and read. Text (of MIDI: bytes) in and out; see docs/lists.md.
#pragma once

#include <map>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/project.h"

namespace ember {

/// A strike as a list tells it. What a list leaves out is left to the film it comes to.
struct ListedStrike {
    double seconds = 0; ///< from the film's start, 0 upwards
    StrikeKind kind = StrikeKind::hit;
    std::string name;
    double strength = 1; ///< ratio, 0 to 10
    std::optional<double> direction;
    std::optional<std::uint32_t> seed;
    std::optional<Place> place;
    std::string recipe;                   ///< its name; empty: the kind's
    std::map<std::string, double> values; ///< of its own, by the keys they are set by ("envelope.decay")

    bool operator==(const ListedStrike&) const = default;
};
using StrikeList = std::vector<ListedStrike>;

enum class ListFormat {
    csv,       ///< a heading and a row for each strike (RFC 4180; semicolons and tabs are read too)
    json,      ///< objects of the same names
    vtt,       ///< cues of WebVTT
    otio,      ///< markers of an OpenTimelineIO timeline
    midi,      ///< notes of a Standard MIDI file
    jsonLines, ///< an object in each line, as simulators and games log their collisions
};
/// "csv", "json", "vtt", "otio", "mid", "jsonl".
std::optional<ListFormat> listFormatFromName(std::string_view name);
/// By a file's ending.
std::optional<ListFormat> listFormatOf(const std::string& path);

/// How a list is to be understood.
struct ListReading {
    FrameRate rate; ///< of the frames and timecodes in it
    std::map<std::string, std::string>
        columns; ///< where the heading is foreign: ours ("seconds") to the list's ("Cue in"); to none where empty
};

/// The strikes of a list, in its order. An error tells the line (or the entry) and what is wrong there.
Result<StrikeList> strikesFromText(ListFormat format, std::string_view text, const ListReading& reading);
/// The names of a list's columns, as they stand in it, and which of ours ("seconds") each is taken for; empty for
/// formats that have none or text that cannot be read.
struct ListColumn {
    std::string name;
    std::string takenFor; ///< empty: nothing
};
std::vector<ListColumn> columnsOf(ListFormat format, std::string_view text);
/// What a strike's values are called in lists, in their order.
std::span<const std::string_view> ourColumns();

/// A note of a Standard MIDI file as it begins.
struct PlayedNote {
    double seconds = 0;
    int note = 60;       ///< 0 to 127
    double strength = 1; ///< ratio; 1 at velocity 100

    bool operator==(const PlayedNote&) const = default;
};
/// Every note of a file in the order they are played, chords too. Errors as of strikesFromText.
Result<std::vector<PlayedNote>> notesFromMidi(std::string_view bytes);

/// The beats of a score.
struct ScoreBeats {
    BeatGrid grid;      ///< pinned where its tempo changes
    double seconds = 0; ///< of its end
};
/// The beats of a score: where a Standard MIDI file's tempo map has its quarters, and its bars where it tells a time
/// signature (the first one's count holds). Beat 0 is the score's beginning. Nothing where it tells no tempo or counts
/// by time code; errors as of strikesFromText.
Result<std::optional<ScoreBeats>> beatsFromMidi(std::string_view bytes);

/// Times are written exactly: seconds in the shortest digits that read back to the same value, frames at `rate`.
std::string strikesToText(ListFormat format, const StrikeList& strikes, FrameRate rate);

/// How much of strikes a list tells.
enum class ListDetail {
    events, ///< when, where and how strongly something strikes
    recipes ///< also which recipe answers to it, and the numbers that are the strike's own; curves are left out
};
/// The strikes of a project as a list.
StrikeList listOf(const Project& project, ListDetail detail = ListDetail::events);

} // namespace ember
