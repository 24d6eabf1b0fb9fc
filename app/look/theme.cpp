// SPDX-License-Identifier: GPL-3.0-or-later
#include "theme.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <QApplication>
#include <QFontDatabase>
#include <QPainter>
#include <QPalette>
#include <QSettings>
#include <QVariant>
#include <QWidget>

#include "ember/core/heat.h"
#include "style.h"

// Resources of a static library are only linked in when asked for, and this cannot be asked from inside a namespace.
static void loadResources()
{
    Q_INIT_RESOURCE(app);
}

namespace ember::app::theme {

namespace {
constexpr auto schemeKey = "view/light";

struct Colours {
    QColor window, panel, raised, line, text, dim, faint, secondInk, copper;
    const HeatRamp& heat;
    QColor beyond; ///< above full heat
};

const Colours& coloursOf(Scheme scheme)
{
    static const Colours dark{{0x17, 0x14, 0x12}, {0x1f, 0x1b, 0x18}, {0x29, 0x24, 0x1f}, {0x3a, 0x33, 0x2c},
                              {0xd9, 0xd0, 0xc3}, {0x9a, 0x8f, 0x80}, {0x6b, 0x62, 0x57}, {0x86, 0x7c, 0x6f},
                              {0x6f, 0xb3, 0xa2}, heatRamp,           {0xff, 0xff, 0xff}};
    static const Colours light{{0xec, 0xe6, 0xdb}, {0xf4, 0xef, 0xe6}, {0xe0, 0xd8, 0xca}, {0xbd, 0xb3, 0xa2},
                               {0x2a, 0x25, 0x21}, {0x5f, 0x56, 0x4b}, {0x96, 0x8b, 0x7c}, {0x7a, 0x70, 0x63},
                               {0x22, 0x63, 0x54}, heatRampOnLight,    {0xff, 0xd4, 0x2a}};
    return scheme == Scheme::dark ? dark : light;
}

Scheme current = Scheme::dark;
int changes = 0;
} // namespace

QColor heat(double intensity)
{
    const Colours& colours = coloursOf(current);
    if (intensity > 1.0)
        return colours.beyond;
    const auto [r, g, b] = heatOf(colours.heat, intensity);
    return {static_cast<int>(std::lround(r)), static_cast<int>(std::lround(g)), static_cast<int>(std::lround(b))};
}

Scheme scheme()
{
    return current;
}

int generation()
{
    return changes;
}

void fill(QWidget& widget, Ground ground)
{
    widget.setAutoFillBackground(true);
    widget.setBackgroundRole(ground == Ground::floor   ? QPalette::Window
                             : ground == Ground::sheet ? QPalette::Base
                             : ground == Ground::strip ? QPalette::Button
                                                       : QPalette::Mid);
}

void setDim(QWidget& label, bool quiet)
{
    label.setForegroundRole(quiet ? QPalette::PlaceholderText : QPalette::WindowText);
}

QFont words(int pixels, bool bold)
{
    QFont font(QStringLiteral("B612"));
    font.setFixedPitch(false);
    font.setPixelSize(pixels);
    font.setBold(bold);
    return font;
}

QFont numbers(int pixels)
{
    QFont font(QStringLiteral("B612 Mono"));
    font.setFixedPitch(true);
    font.setPixelSize(pixels);
    return font;
}

void apply(QApplication& application)
{
    loadResources();
    for (const char* file : {"B612Mono-Regular", "B612Mono-Bold", "B612-Regular", "B612-Bold"})
        QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/%1.otf").arg(QLatin1String(file)));
    application.setStyle(new Style); // the application owns it
    application.setFont(words());
    setScheme(application, storedScheme());
}

Scheme storedScheme()
{
    return QSettings().value(QLatin1String(schemeKey), false).toBool() ? Scheme::light : Scheme::dark;
}

void storeScheme(Scheme chosen)
{
    QSettings().setValue(QLatin1String(schemeKey), chosen == Scheme::light);
}

void setScheme(QApplication& application, Scheme wanted)
{
    if (changes > 0 && wanted == current)
        return;
    current = wanted;
    ++changes;
    const Colours& colours = coloursOf(wanted);
    window = colours.window;
    panel = colours.panel;
    raised = colours.raised;
    line = colours.line;
    text = colours.text;
    dim = colours.dim;
    faint = colours.faint;
    secondInk = colours.secondInk;
    copper = colours.copper;
    QPalette palette;
    palette.setColor(QPalette::Window, window);
    palette.setColor(QPalette::WindowText, text);
    palette.setColor(QPalette::Base, panel);
    palette.setColor(QPalette::AlternateBase, raised);
    palette.setColor(QPalette::Text, text);
    palette.setColor(QPalette::Button, raised);
    palette.setColor(QPalette::ButtonText, text);
    palette.setColor(QPalette::BrightText, text);
    palette.setColor(QPalette::ToolTipBase, raised);
    palette.setColor(QPalette::ToolTipText, text);
    palette.setColor(QPalette::PlaceholderText, dim);
    palette.setColor(QPalette::Highlight, copper);
    palette.setColor(QPalette::HighlightedText, window);
    palette.setColor(QPalette::Link, copper);
    for (const auto role : {QPalette::Light, QPalette::Midlight, QPalette::Mid, QPalette::Dark})
        palette.setColor(role, line);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        palette.setColor(QPalette::Disabled, role, faint);
    application.setPalette(palette);
    for (QWidget* widget : QApplication::allWidgets())
        widget->update();
}

void paintFocus(QPainter& painter, const QWidget& widget)
{
    if (!widget.hasFocus() || !widget.property(focusShown).toBool())
        return;
    painter.setRenderHint(QPainter::Antialiasing, false);
    painter.setPen(QPen(copper, 1));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(widget.rect().adjusted(0, 0, -1, -1));
}

} // namespace ember::app::theme
