// SPDX-License-Identifier: GPL-3.0-or-later
#include "pen.h"

#include <array>
#include <mutex>

#include <cairo-ft.h>
#include <ft2build.h>
#include FT_FREETYPE_H

extern "C" {
extern const unsigned char ember_font_regular[];
extern const unsigned char ember_font_regular_end[];
extern const unsigned char ember_font_bold[];
extern const unsigned char ember_font_bold_end[];
extern const unsigned char ember_font_mono[];
extern const unsigned char ember_font_mono_end[];
}

namespace ember {

namespace {

/// The three faces, which live as long as the program.
cairo_font_face_t* faceOf(Face face)
{
    static std::once_flag once;
    static std::array<cairo_font_face_t*, 3> faces{};
    std::call_once(once, [] {
        FT_Library library = nullptr;
        if (FT_Init_FreeType(&library) != 0)
            return;
        const std::array<std::pair<const unsigned char*, const unsigned char*>, 3> fonts{
            {{ember_font_regular, ember_font_regular_end},
             {ember_font_bold, ember_font_bold_end},
             {ember_font_mono, ember_font_mono_end}}};
        for (std::size_t i = 0; i < fonts.size(); ++i) {
            FT_Face made = nullptr;
            if (FT_New_Memory_Face(library, fonts[i].first, fonts[i].second - fonts[i].first, 0, &made) == 0)
                faces[i] = cairo_ft_font_face_create_for_ft_face(made, 0);
        }
    });
    return faces[static_cast<std::size_t>(face)];
}

/// How many bytes the sign that begins here has; 0 where none does.
std::size_t signLength(std::string_view text, std::size_t at)
{
    const auto byte = [&](std::size_t i) { return static_cast<unsigned char>(text[i]); };
    const unsigned char lead = byte(at);
    const std::size_t length = lead < 0x80                   ? 1
                               : lead >= 0xc2 && lead < 0xe0 ? 2
                               : lead >= 0xe0 && lead < 0xf0 ? 3
                               : lead >= 0xf0 && lead < 0xf5 ? 4
                                                             : 0;
    if (length == 0 || at + length > text.size())
        return 0;
    for (std::size_t i = 1; i < length; ++i)
        if ((byte(at + i) & 0xc0) != 0x80)
            return 0;
    if ((lead == 0xe0 && byte(at + 1) < 0xa0) || (lead == 0xed && byte(at + 1) > 0x9f) ||
        (lead == 0xf0 && byte(at + 1) < 0x90) || (lead == 0xf4 && byte(at + 1) > 0x8f))
        return 0;
    return length;
}

} // namespace

std::string cleanText(std::string_view text)
{
    std::string out;
    for (std::size_t at = 0; at < text.size();) {
        const std::size_t length = signLength(text, at);
        if (length == 0)
            out += "?";
        else if (length > 1 || static_cast<unsigned char>(text[at]) >= 0x20)
            out += text.substr(at, length);
        else
            out += ' ';
        at += std::max<std::size_t>(1, length);
    }
    return out;
}

Pen::Pen(cairo_surface_t* surface) : cairo_(cairo_create(surface)) {}

Pen::~Pen()
{
    cairo_destroy(cairo_);
}

void Pen::line(double x1, double y1, double x2, double y2, double width) const
{
    cairo_set_line_width(cairo_, width);
    cairo_move_to(cairo_, x1, y1);
    cairo_line_to(cairo_, x2, y2);
    cairo_stroke(cairo_);
}

void Pen::box(double x, double y, double width, double height) const
{
    cairo_rectangle(cairo_, x, y, width, height);
    cairo_fill(cairo_);
}

void Pen::use(Face face, double size) const
{
    if (cairo_font_face_t* known = faceOf(face))
        cairo_set_font_face(cairo_, known);
    cairo_set_font_size(cairo_, size);
}

double Pen::widthOf(std::string_view words, double size, Face face) const
{
    use(face, size);
    cairo_text_extents_t extents;
    cairo_text_extents(cairo_, cleanText(words).c_str(), &extents);
    return extents.x_advance;
}

void Pen::text(std::string_view words, double x, double y, double size, Face face, Side side, double room) const
{
    std::string clean = cleanText(words);
    double width = widthOf(clean, size, face);
    if (width > room) {
        while (!clean.empty() && widthOf(clean + "…", size, face) > room) {
            do
                clean.pop_back();
            while (!clean.empty() && (static_cast<unsigned char>(clean.back()) & 0x80) != 0 &&
                   cleanText(clean) != clean);
        }
        clean += "…";
        width = widthOf(clean, size, face);
    }
    cairo_move_to(cairo_, side == Side::left ? x : side == Side::right ? x - width : x - 0.5 * width, y);
    cairo_show_text(cairo_, clean.c_str());
}

void Pen::picture(const Image& image, double x, double y, double width, double height) const
{
    cairo_surface_t* surface = cairo_image_surface_create(CAIRO_FORMAT_RGB24, image.width(), image.height());
    if (cairo_surface_status(surface) == CAIRO_STATUS_SUCCESS) {
        unsigned char* pixels = cairo_image_surface_get_data(surface);
        const auto stride = static_cast<std::ptrdiff_t>(cairo_image_surface_get_stride(surface));
        for (int row = 0; row < image.height(); ++row)
            for (int column = 0; column < image.width(); ++column) {
                const std::uint8_t* from = image.at(column, row);
                const std::uint32_t packed = (std::uint32_t{from[0]} << 16) | (std::uint32_t{from[1]} << 8) | from[2];
                *reinterpret_cast<std::uint32_t*>(pixels + row * stride + std::ptrdiff_t{4} * column) = packed;
            }
        cairo_surface_mark_dirty(surface);
        cairo_save(cairo_);
        cairo_translate(cairo_, x, y);
        cairo_scale(cairo_, width / image.width(), height / image.height());
        cairo_set_source_surface(cairo_, surface, 0, 0);
        cairo_paint(cairo_);
        cairo_restore(cairo_);
    }
    cairo_surface_destroy(surface);
}

} // namespace ember
