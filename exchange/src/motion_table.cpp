// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/exchange/motion_table.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <cstdio>
#include <optional>

#include "cells.h"
#include "csv_rows.h"

namespace ember {

namespace {

constexpr double degreesPerRadian = 57.295779513082320877;
constexpr std::int64_t longestMotion = 100'000; // frames

std::string_view nameOf(MotionColumn column)
{
    return motionColumnNames[static_cast<std::size_t>(column)];
}

/// Letters and digits of a heading, small: "X (px)" is "xpx".
std::string bare(std::string_view heading)
{
    std::string out;
    for (const char c : lowered(heading))
        if ((c >= 'a' && c <= 'z') || (c >= '0' && c <= '9'))
            out += c;
    return out;
}

std::optional<MotionColumn> columnTakenFor(std::string_view heading)
{
    static const std::map<std::string, MotionColumn, std::less<>> known{{"frame", MotionColumn::frame},
                                                                        {"frames", MotionColumn::frame},
                                                                        {"seconds", MotionColumn::seconds},
                                                                        {"time", MotionColumn::seconds},
                                                                        {"times", MotionColumn::seconds},
                                                                        {"sec", MotionColumn::seconds},
                                                                        {"x", MotionColumn::x},
                                                                        {"xpx", MotionColumn::x},
                                                                        {"dx", MotionColumn::x},
                                                                        {"positionx", MotionColumn::x},
                                                                        {"translationx", MotionColumn::x},
                                                                        {"y", MotionColumn::y},
                                                                        {"ypx", MotionColumn::y},
                                                                        {"dy", MotionColumn::y},
                                                                        {"positiony", MotionColumn::y},
                                                                        {"translationy", MotionColumn::y},
                                                                        {"roll", MotionColumn::roll},
                                                                        {"rolldeg", MotionColumn::roll},
                                                                        {"rotation", MotionColumn::roll},
                                                                        {"angle", MotionColumn::roll},
                                                                        {"zoom", MotionColumn::zoom},
                                                                        {"scale", MotionColumn::zoom},
                                                                        {"confidence", MotionColumn::confidence}};
    const auto found = known.find(bare(heading));
    return found == known.end() ? std::nullopt : std::optional(found->second);
}

using Places = std::map<MotionColumn, std::size_t>;

Result<Places> placesOf(const CsvRow& heading, const MotionReading& reading)
{
    Places places;
    for (std::size_t i = 0; i < heading.cells.size(); ++i)
        if (const auto column = columnTakenFor(heading.cells[i]); column && !places.contains(*column))
            places[*column] = i;
    for (const auto& [column, theirs] : reading.columns) {
        places.erase(column);
        if (theirs.empty())
            continue;
        const auto found = std::find_if(heading.cells.begin(), heading.cells.end(),
                                        [wanted = &theirs](const auto& h) { return trimmed(h) == trimmed(*wanted); });
        if (found == heading.cells.end())
            return Error{ErrorCode::badValue, Phrase("{}={}", std::string(nameOf(column)), theirs),
                         "the table has no such heading"};
        places[column] = static_cast<std::size_t>(found - heading.cells.begin());
    }
    const std::string line = "line " + std::to_string(heading.line);
    if (!places.contains(MotionColumn::frame) && !places.contains(MotionColumn::seconds))
        return Error{ErrorCode::badFormat, line, "no heading is frame or seconds; say which column it is"};
    if (!places.contains(MotionColumn::x) && !places.contains(MotionColumn::y) &&
        !places.contains(MotionColumn::roll) && !places.contains(MotionColumn::zoom))
        return Error{ErrorCode::badFormat, line, "no heading is x, y, roll or zoom; say which column is one of them"};
    return places;
}

/// Reads the cells of rows in the units that were told.
class Reader {
public:
    Reader(Places places, const MotionReading& reading) : places_(std::move(places)), reading_(reading) {}

    Status useUnits()
    {
        for (const MotionColumn column : {MotionColumn::x, MotionColumn::y, MotionColumn::roll, MotionColumn::zoom}) {
            const auto units = unitsOf(column);
            const auto told = reading_.units.find(column);
            const auto unit = told == reading_.units.end()
                                  ? units.begin()
                                  : std::find_if(units.begin(), units.end(),
                                                 [&](const MotionUnit& u) { return u.name == told->second; });
            if (unit == units.end()) {
                std::string names;
                for (const MotionUnit& u : units)
                    names += (names.empty() ? "" : ", ") + std::string(u.name);
                return Error{ErrorCode::badValue, Phrase("{} in {}", std::string(nameOf(column)), told->second),
                             Phrase("its unit should be one of {}", names)};
            }
            units_[column] = *unit;
        }
        return Done{};
    }

    Result<double> number(const CsvRow& row, MotionColumn column, double fallback) const
    {
        const auto place = places_.find(column);
        if (place == places_.end())
            return fallback;
        const std::string_view cell =
            place->second < row.cells.size() ? trimmed(row.cells[place->second]) : std::string_view();
        double value = 0;
        const auto read = std::from_chars(cell.data(), cell.data() + cell.size(), value);
        if (read.ec != std::errc() || read.ptr != cell.data() + cell.size() || !std::isfinite(value))
            return Error{ErrorCode::badValue, Phrase("line {}", row.line),
                         Phrase("its {} is \"{}\", not a number", std::string(nameOf(column)), std::string(cell))};
        const auto unit = units_.find(column);
        if (unit == units_.end())
            return value;
        const double share = unit->second.share == MotionUnit::Share::width    ? reading_.width
                             : unit->second.share == MotionUnit::Share::height ? reading_.height
                                                                               : 1;
        return value * unit->second.factor * share + unit->second.offset;
    }

    /// Which frame a row tells of.
    Result<std::int64_t> frame(const CsvRow& row) const
    {
        const bool counted = places_.contains(MotionColumn::frame);
        const auto value = number(row, counted ? MotionColumn::frame : MotionColumn::seconds, 0);
        if (!value)
            return value.error();
        const double frames = counted ? value.value() : reading_.rate.frames(value.value());
        if (std::abs(frames) > 1e9)
            return Error{ErrorCode::badValue, Phrase("line {}", row.line), "no motion is as long"};
        return std::llround(frames);
    }

    Result<CapturedFrame> moved(const CsvRow& row) const
    {
        const auto x = number(row, MotionColumn::x, 0);
        const auto y = number(row, MotionColumn::y, 0);
        const auto roll = number(row, MotionColumn::roll, 0);
        const auto zoom = number(row, MotionColumn::zoom, 1);
        const auto confidence = number(row, MotionColumn::confidence, 1);
        for (const auto* value : {&x, &y, &roll, &zoom, &confidence})
            if (!*value)
                return value->error();
        if (!(zoom.value() > 0))
            return Error{ErrorCode::badValue, Phrase("line {}", row.line), "its zoom should be above 0"};
        return CapturedFrame{{x.value(), y.value(), roll.value(), zoom.value()},
                             std::clamp(confidence.value(), 0.0, 1.0)};
    }

private:
    Places places_;
    const MotionReading& reading_;
    std::map<MotionColumn, MotionUnit> units_;
};

Similarity between(const Similarity& a, const Similarity& b, double share)
{
    const auto mixed = [share](double from, double to) { return from + (to - from) * share; };
    return {mixed(a.x, b.x), mixed(a.y, b.y), mixed(a.roll, b.roll), mixed(a.zoom, b.zoom)};
}

} // namespace

std::vector<MotionUnit> unitsOf(MotionColumn column)
{
    using Share = MotionUnit::Share;
    switch (column) {
    case MotionColumn::x:
        return {{"px", 1}, {"px left", -1}, {"% of width", 0.01, 0, Share::width}, {"widths", 1, 0, Share::width}};
    case MotionColumn::y:
        return {{"px", 1}, {"px up", -1}, {"% of height", 0.01, 0, Share::height}, {"heights", 1, 0, Share::height}};
    case MotionColumn::roll:
        return {
            {"degrees", 1}, {"degrees left", -1}, {"radians", degreesPerRadian}, {"radians left", -degreesPerRadian}};
    case MotionColumn::zoom: return {{"factor", 1}, {"%", 0.01}, {"change in %", 0.01, 1}};
    default: return {};
    }
}

std::vector<MotionHeading> motionHeadings(std::string_view text)
{
    std::vector<MotionHeading> headings;
    const auto rows = csvRows(text);
    if (rows && !rows->empty())
        for (const std::string& cell : rows->front().cells) {
            const auto column = columnTakenFor(cell);
            headings.push_back({std::string(trimmed(cell)), column ? std::string(nameOf(*column)) : std::string()});
        }
    return headings;
}

Result<CapturedMotion> motionFromCsv(std::string_view text, const MotionReading& reading)
{
    const auto rows = csvRows(text);
    if (!rows)
        return rows.error();
    if (rows->empty())
        return Error{ErrorCode::badFormat, "The table", "it is empty"};
    auto places = placesOf(rows->front(), reading);
    if (!places)
        return places.error();
    Reader reader(std::move(places).value(), reading);
    if (const auto status = reader.useUnits(); !status)
        return status.error();
    CapturedMotion motion{reading.width, reading.height, reading.rate, {}};
    std::int64_t last = 0;
    for (std::size_t i = 1; i < rows->size(); ++i) {
        const CsvRow& row = rows.value()[i];
        const auto frame = reader.frame(row);
        const auto moved = reader.moved(row);
        if (!frame || !moved)
            return frame ? moved.error() : frame.error();
        if (!motion.frames.empty()) {
            const std::int64_t steps = frame.value() - last;
            const std::string line = "line " + std::to_string(row.line);
            if (steps <= 0)
                return Error{ErrorCode::badValue, line,
                             Phrase("it is frame {}, which does not come after frame {}", frame.value(), last)};
            if (static_cast<std::int64_t>(motion.frames.size()) + steps > longestMotion)
                return Error{ErrorCode::badValue, line, Phrase("the motion is longer than {} frames", longestMotion)};
            const Similarity from = motion.frames.back().moved;
            for (std::int64_t k = 1; k < steps; ++k) // rows that are missing
                motion.frames.push_back(
                    {between(from, moved->moved, static_cast<double>(k) / static_cast<double>(steps)), 0});
        }
        motion.frames.push_back(moved.value());
        last = frame.value();
    }
    if (motion.frames.size() < 2)
        return Error{ErrorCode::badFormat, "The table", "a motion has two frames or more"};
    return motion;
}

std::string motionToCsv(const CapturedMotion& motion, std::int64_t first)
{
    std::string text = "frame,x_px,y_px,roll_deg,zoom,confidence\n";
    for (const CapturedFrame& frame : motion.frames) {
        char row[160];
        std::snprintf(row, sizeof row, "%lld,%.4f,%.4f,%.5f,%.7f,%.3f\n", static_cast<long long>(first++),
                      frame.moved.x, frame.moved.y, frame.moved.roll, frame.moved.zoom, frame.confidence);
        text += row;
    }
    return text;
}

} // namespace ember
