// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/pose_table.h"

#include <array>
#include <ostream>
#include <string_view>

#include "ember/core/axes.h"
#include "ember/core/text.h"

namespace ember {

namespace {

constexpr std::array<std::string_view, 8> columns{"frame", "x", "y", "zoom", "roll", "pan", "tilt", "intensity"};

void writeNumber(std::ostream& out, double value)
{
    out << shortestText(value);
}

template <typename Row>
void forEachRow(const Motion& motion, const PoseRange& range, Row&& row)
{
    for (auto frame = range.first; frame <= range.last; ++frame)
        for (int part = 0; part < range.subframes; ++part) {
            const double time = static_cast<double>(frame) + static_cast<double>(part) / range.subframes;
            const MotionSample s = motion.at(time);
            row(std::array<double, 8>{time, s.pose.x, s.pose.y, s.pose.zoom, s.pose.roll, s.pose.pan, s.pose.tilt,
                                      s.intensity});
        }
}

} // namespace

void writePosesCsv(std::ostream& out, const Motion& motion, const PoseRange& range)
{
    for (std::size_t i = 0; i < columns.size(); ++i)
        out << (i != 0 ? "," : "") << columns[i];
    out << '\n';
    forEachRow(motion, range, [&](const std::array<double, 8>& row) {
        for (std::size_t i = 0; i < row.size(); ++i) {
            if (i != 0)
                out << ',';
            writeNumber(out, row[i]);
        }
        out << '\n';
    });
}

void writePosesJson(std::ostream& out, const Motion& motion, const PoseRange& range)
{
    bool first = true;
    out << '[';
    forEachRow(motion, range, [&](const std::array<double, 8>& row) {
        out << (first ? "\n  {" : ",\n  {");
        first = false;
        for (std::size_t i = 0; i < row.size(); ++i) {
            out << (i != 0 ? ", \"" : "\"") << columns[i] << "\": ";
            writeNumber(out, row[i]);
        }
        out << '}';
    });
    out << "\n]\n";
}

} // namespace ember
