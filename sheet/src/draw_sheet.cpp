// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/sheet/shake_sheet.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <string_view>

#include <cairo-pdf.h>
#include <cairo-svg.h>

#include "ember/core/heat.h"
#include "ember/core/stretch.h"
#include "pen.h"

namespace ember {

namespace {

// Points, of which 72 are an inch.
constexpr double pageWidth = 842;
constexpr double pageHeight = 595;
constexpr double margin = 28;
constexpr double pixelsInPoint = 2; // of the PNG

constexpr Ink paper{1, 1, 1};
constexpr Ink black{0.09, 0.08, 0.07};
constexpr Ink grey{0.42, 0.38, 0.34};
constexpr Ink rule{0.82, 0.79, 0.75};
constexpr Ink copper{0.17, 0.45, 0.39};

Ink heatInk(double value)
{
    const auto [r, g, b] = heatOf(heatRamp, value);
    return {r / 255, g / 255, b / 255};
}

struct Box {
    double x, y, width, height;
};

/// Time across a box: stretched near the strike, as on the Anvil.
class Across {
public:
    Across(const ShakeSheet& sheet, std::size_t count, const Box& box)
        : first_(sheet.first), step_(sheet.step), low_(stretched(sheet.first)),
          high_(stretched(sheet.first + sheet.step * static_cast<double>(std::max<std::size_t>(2, count) - 1))),
          box_(box)
    {
    }
    double of(double frame) const { return box_.x + box_.width * (stretched(frame) - low_) / (high_ - low_); }
    double at(std::size_t i) const { return of(frame(i)); }
    double frame(std::size_t i) const { return first_ + step_ * static_cast<double>(i); }

private:
    double first_, step_, low_, high_;
    Box box_;
};

void drawFrames(const Pen& pen, const ShakeSheet& sheet, const Box& box)
{
    if (sheet.frames.empty())
        return;
    constexpr double gap = 6;
    const auto count = static_cast<double>(sheet.frames.size());
    const double width = (box.width - gap * (count - 1)) / count;
    double x = box.x;
    for (const SheetFrame& frame : sheet.frames) {
        double height = box.height - 22;
        double wide = width;
        if (frame.picture != nullptr) {
            const double aspect = static_cast<double>(frame.picture->height()) / frame.picture->width();
            if (wide * aspect > height)
                wide = height / aspect;
            height = wide * aspect;
            pen.picture(*frame.picture, x + 0.5 * (width - wide), box.y, wide, height);
        }
        const double below = box.y + height + 9;
        pen.ink(black);
        pen.text(frame.label, x + 0.5 * width, below, 7.5, Face::mono, Side::middle);
        pen.ink(grey);
        pen.text(frame.note, x + 0.5 * width, below + 9, 6.5, Face::mono, Side::middle);
        x += width + gap;
    }
}

void drawEnvelope(const Pen& pen, const ShakeSheet& sheet, const Box& box)
{
    const std::size_t count = sheet.intensity.size();
    if (count < 2)
        return;
    const double most = std::max(1e-9, *std::max_element(sheet.intensity.begin(), sheet.intensity.end()));
    const Across across(sheet, count, box);
    cairo_t* c = pen.raw();
    for (std::size_t i = 0; i + 1 < count; ++i) {
        const double from = sheet.intensity[i];
        const double to = sheet.intensity[i + 1];
        if (from == 0 && to == 0)
            continue;
        pen.ink(heatInk(0.5 * (from + to)));
        cairo_move_to(c, across.at(i), box.y + box.height);
        cairo_line_to(c, across.at(i), box.y + box.height * (1 - from / most));
        cairo_line_to(c, across.at(i + 1) + 0.15, box.y + box.height * (1 - to / most));
        cairo_line_to(c, across.at(i + 1) + 0.15, box.y + box.height);
        cairo_fill(c);
    }
    pen.ink(black);
    cairo_set_line_width(c, 0.8);
    for (std::size_t i = 0; i < count; ++i)
        cairo_line_to(c, across.at(i), box.y + box.height * (1 - sheet.intensity[i] / most));
    cairo_stroke(c);
    pen.ink(rule);
    pen.line(box.x, box.y + box.height, box.x + box.width, box.y + box.height);
    pen.ink(copper);
    pen.line(across.of(0), box.y - 4, across.of(0), box.y + box.height, 0.8);
    pen.ink(grey);
    pen.text(std::to_string(std::lround(100 * most)) + " %", box.x - 4, box.y + 5, 6.5, Face::mono, Side::right);
    pen.text("0", box.x - 4, box.y + box.height, 6.5, Face::mono, Side::right);
    // Frames under the line, as many as there is room for.
    double last = -1e9;
    for (const double frame :
         {-48.0, -24.0, -12.0, -6.0, -4.0, -2.0, -1.0, 0.0,   1.0,   2.0,   3.0,   4.0,   6.0,   8.0,
          12.0,  18.0,  24.0,  36.0, 48.0, 72.0, 96.0, 144.0, 192.0, 288.0, 480.0, 960.0, 2400.0}) {
        const double x = across.of(frame);
        if (frame < sheet.first || frame > across.frame(count - 1) || x - last < 20)
            continue;
        last = x;
        pen.line(x, box.y + box.height, x, box.y + box.height + 3);
        const int whole = static_cast<int>(frame);
        pen.text(whole > 0 ? "+" + std::to_string(whole) : std::to_string(whole), x, box.y + box.height + 11, 6.5,
                 Face::mono, Side::middle);
    }
}

void drawTraces(const Pen& pen, const ShakeSheet& sheet, const Box& box)
{
    if (sheet.traces.empty())
        return;
    const double height = box.height / static_cast<double>(sheet.traces.size());
    double y = box.y;
    cairo_t* c = pen.raw();
    for (const SheetTrace& trace : sheet.traces) {
        const Across across(sheet, trace.values.size(), box);
        double most = 1e-9;
        for (const double value : trace.values)
            most = std::max(most, std::abs(value));
        pen.ink(rule);
        pen.line(box.x, y + 0.5 * height, box.x + box.width, y + 0.5 * height);
        pen.ink(black);
        cairo_set_line_width(c, 0.6);
        for (std::size_t i = 0; i < trace.values.size(); ++i)
            cairo_line_to(c, across.at(i), y + 0.5 * height - 0.45 * height * trace.values[i] / most);
        cairo_stroke(c);
        pen.text(trace.label, box.x - 4, y + 0.5 * height, 7, Face::regular, Side::right);
        pen.ink(grey);
        pen.text(trace.most, box.x - 4, y + 0.5 * height + 8, 6, Face::mono, Side::right);
        y += height;
    }
}

void drawTable(const Pen& pen, const ShakeSheet& sheet, const Box& box)
{
    if (sheet.columns.empty())
        return;
    const double line = 8.2;
    constexpr double narrow = 26; // the two counts of frames
    const double wide = (box.width - 2 * narrow) / std::max(1.0, static_cast<double>(sheet.columns.size()) - 2);
    const auto rightOf = [&](std::size_t i) {
        return box.x + narrow * std::min(2.0, static_cast<double>(i + 1)) +
               wide * (i < 2 ? 0.0 : static_cast<double>(i - 1));
    };
    double y = box.y + 7;
    pen.ink(grey);
    for (std::size_t i = 0; i < sheet.columns.size(); ++i)
        pen.text(sheet.columns[i], rightOf(i), y, 6.5, Face::regular, Side::right);
    y += 3;
    pen.ink(rule);
    pen.line(box.x, y, box.x + box.width, y);
    y += line;
    pen.ink(black);
    for (const auto& row : sheet.rows) {
        if (y > box.y + box.height)
            return;
        for (std::size_t i = 0; i < row.size(); ++i)
            pen.text(row[i], rightOf(i), y, 6.5, Face::mono, Side::right);
        y += line;
    }
}

/// Values run down and then across.
void drawGroups(const Pen& pen, const ShakeSheet& sheet, const Box& box)
{
    std::size_t lines = 0;
    for (const SheetGroup& group : sheet.groups)
        lines += group.values.size() + 2;
    if (lines == 0)
        return;
    int columns = 5;
    double line = 9;
    const auto holds = [&] { return static_cast<double>(columns) * std::floor(box.height / line); };
    while (holds() < static_cast<double>(lines + static_cast<std::size_t>(columns)) && columns < 8)
        ++columns;
    while (holds() < static_cast<double>(lines + static_cast<std::size_t>(columns)) && line > 5)
        line -= 0.25;
    const double gap = 14;
    const double wide = (box.width - gap * (columns - 1)) / columns;
    const double size = 0.74 * line;
    double x = box.x;
    double y = box.y + line;
    std::size_t left = lines;
    const auto next = [&] {
        y += line;
        if (y > box.y + box.height) {
            y = box.y + line;
            x += wide + gap;
        }
    };
    for (const SheetGroup& group : sheet.groups) {
        if (y > box.y + box.height - 2 * line) { // a heading alone is no help
            y = box.y + line;
            x += wide + gap;
        }
        if (x > box.x + box.width - 1) {
            pen.ink(grey);
            pen.text("… " + std::to_string(left) + " more lines are in the recipe's file", box.x + box.width,
                     box.y + box.height + line, size, Face::regular, Side::right);
            return;
        }
        pen.ink(copper);
        pen.text(group.title, x, y, size * 1.05, Face::bold, Side::left, wide);
        next();
        --left;
        for (const SheetFact& fact : group.values) {
            if (x > box.x + box.width - 1)
                break;
            const double number = pen.widthOf(fact.text, size, Face::mono);
            pen.ink(grey);
            pen.text(fact.label, x, y, size, Face::regular, Side::left, wide - number - 4);
            pen.ink(black);
            pen.text(fact.text, x + wide, y, size, Face::mono, Side::right);
            next();
            --left;
        }
        if (y > box.y + 1.5 * line)
            next();
        --left;
    }
}

void drawPage(const Pen& pen, const ShakeSheet& sheet)
{
    const double right = pageWidth - margin;
    pen.ink(paper);
    pen.box(0, 0, pageWidth, pageHeight);
    pen.ink(black);
    pen.text(sheet.title, margin, margin + 12, 17, Face::bold, Side::left, 0.5 * pageWidth);
    pen.ink(grey);
    pen.text(sheet.subtitle, right, margin + 12, 8, Face::regular, Side::right, 0.45 * pageWidth);
    double x = margin;
    for (const SheetFact& fact : sheet.facts) {
        pen.ink(grey);
        pen.text(fact.label, x, margin + 28, 8);
        x += pen.widthOf(fact.label, 8, Face::regular) + 5;
        pen.ink(black);
        pen.text(fact.text, x, margin + 28, 8, Face::mono, Side::left, std::max(20.0, right - x));
        x += pen.widthOf(fact.text, 8, Face::mono) + 18;
    }
    pen.ink(rule);
    pen.line(margin, margin + 36, right, margin + 36);
    drawFrames(pen, sheet, {margin, margin + 44, right - margin, 92});
    constexpr double labels = 40;
    const double middle = 560;
    drawEnvelope(pen, sheet, {margin + labels, 166, middle - margin - labels, 90});
    drawTraces(pen, sheet, {margin + labels, 276, middle - margin - labels, 116});
    drawTable(pen, sheet, {middle + 20, 158, right - middle - 20, 236});
    pen.ink(rule);
    pen.line(margin, 402, right, 402);
    drawGroups(pen, sheet, {margin, 408, right - margin, 148});
    pen.ink(grey);
    pen.text(sheet.foot, margin, pageHeight - 18, 6.5);
}

cairo_status_t append(void* bytes, const unsigned char* data, unsigned int length)
{
    static_cast<std::string*>(bytes)->append(reinterpret_cast<const char*>(data), length);
    return CAIRO_STATUS_SUCCESS;
}

/// cairo counts its surfaces and images from the start of the program; here they are counted from the start of the
/// page.
std::string renumbered(const std::string& svg, std::string_view word)
{
    std::map<std::string, std::size_t> numbers;
    std::string out;
    std::size_t from = 0;
    for (std::size_t at = 0; (at = svg.find(word, at)) != std::string::npos;) {
        std::size_t end = at + word.size();
        while (end < svg.size() && svg[end] >= '0' && svg[end] <= '9')
            ++end;
        const bool name = end > at + word.size() && at > 0 && (svg[at - 1] == '"' || svg[at - 1] == '#');
        if (name) {
            const auto known = numbers.try_emplace(svg.substr(at, end - at), numbers.size() + 1).first;
            out.append(svg, from, at - from);
            out.append(word).append(std::to_string(known->second));
            from = end;
        }
        at = end;
    }
    return out.append(svg, from, std::string::npos);
}

} // namespace

Result<std::string> drawSheets(std::span<const ShakeSheet> sheets, SheetFormat format)
{
    std::string bytes;
    const std::string title = sheets.empty() ? std::string("Shake sheet") : sheets.front().title;
    cairo_surface_t* surface = nullptr;
    switch (format) {
    case SheetFormat::svg: surface = cairo_svg_surface_create_for_stream(append, &bytes, pageWidth, pageHeight); break;
    case SheetFormat::pdf:
        surface = cairo_pdf_surface_create_for_stream(append, &bytes, pageWidth, pageHeight);
        cairo_pdf_surface_set_metadata(surface, CAIRO_PDF_METADATA_TITLE, cleanText(title).c_str());
        cairo_pdf_surface_set_metadata(surface, CAIRO_PDF_METADATA_CREATOR, "Vast Ember");
        cairo_pdf_surface_set_metadata(surface, CAIRO_PDF_METADATA_CREATE_DATE, ""); // the same sheet, the same bytes
        break;
    case SheetFormat::png:
        surface = cairo_image_surface_create(CAIRO_FORMAT_RGB24, static_cast<int>(pageWidth * pixelsInPoint),
                                             static_cast<int>(pageHeight * pixelsInPoint));
        break;
    }
    {
        const Pen pen(surface);
        if (format == SheetFormat::png)
            cairo_scale(pen.raw(), pixelsInPoint, pixelsInPoint);
        for (const ShakeSheet& sheet : sheets) {
            drawPage(pen, sheet);
            cairo_show_page(pen.raw());
            if (format != SheetFormat::pdf)
                break;
        }
    }
    if (format == SheetFormat::png)
        cairo_surface_write_to_png_stream(surface, append, &bytes);
    cairo_surface_finish(surface);
    const cairo_status_t status = cairo_surface_status(surface);
    cairo_surface_destroy(surface);
    if (status != CAIRO_STATUS_SUCCESS)
        return Error{ErrorCode::failed, title,
                     std::string("its sheet cannot be drawn: ") + cairo_status_to_string(status)};
    return format == SheetFormat::svg ? renumbered(renumbered(bytes, "surface"), "image") : bytes;
}

} // namespace ember
