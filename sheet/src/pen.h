// SPDX-License-Identifier: GPL-3.0-or-later
// What a page is drawn with: cairo behind a few words.
#pragma once

#include <memory>
#include <string>
#include <string_view>

#include <cairo.h>

#include "ember/image/image.h"

namespace ember {

struct Ink {
    double r, g, b;
};

enum class Face { regular, bold, mono };
enum class Side { left, right, middle };

class Pen {
public:
    explicit Pen(cairo_surface_t* surface);
    ~Pen();
    Pen(const Pen&) = delete;
    Pen& operator=(const Pen&) = delete;

    cairo_t* raw() const { return cairo_; }
    void ink(const Ink& ink) const { cairo_set_source_rgb(cairo_, ink.r, ink.g, ink.b); }
    void line(double x1, double y1, double x2, double y2, double width = 0.5) const;
    void box(double x, double y, double width, double height) const;
    /// A line of text whose base is at y; what is longer than `room` ends in an ellipsis.
    void text(std::string_view words, double x, double y, double size, Face face = Face::regular,
              Side side = Side::left, double room = 1e9) const;
    double widthOf(std::string_view words, double size, Face face) const;
    /// A picture within a rectangle, filling its width.
    void picture(const Image& image, double x, double y, double width, double height) const;

private:
    void use(Face face, double size) const;
    cairo_t* cairo_;
};

/// Whether bytes are UTF-8 throughout; what is not has its bytes replaced.
std::string cleanText(std::string_view text);

} // namespace ember
