// SPDX-License-Identifier: GPL-3.0-or-later
#include "theme.h"

#include <algorithm>
#include <array>

#include <QApplication>
#include <QFontDatabase>
#include <QPalette>
#include <QStyleFactory>

// Resources of a static library are only linked in when asked for, and this cannot be asked from inside a namespace.
static void loadResources()
{
    Q_INIT_RESOURCE(app);
}

namespace ember::app::theme {

QColor heat(double intensity)
{
    if (intensity > 1.0)
        return QColor(0xff, 0xff, 0xff);
    static const std::array<QColor, 5> ramp{QColor(0x58, 0x54, 0x6e), QColor(0x6e, 0x34, 0x3e),
                                            QColor(0xb2, 0x3a, 0x24), QColor(0xe8, 0x7a, 0x2c),
                                            QColor(0xff, 0xe8, 0xb0)};
    const double at = std::clamp(intensity, 0.0, 1.0) * 4;
    const auto i = std::min<std::size_t>(3, static_cast<std::size_t>(at));
    const double f = at - static_cast<double>(i);
    const auto mix = [f](int a, int b) { return static_cast<int>(a + (b - a) * f + 0.5); };
    return {mix(ramp[i].red(), ramp[i + 1].red()), mix(ramp[i].green(), ramp[i + 1].green()),
            mix(ramp[i].blue(), ramp[i + 1].blue())};
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
    application.setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    application.setFont(words());
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
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        palette.setColor(QPalette::Disabled, role, faint);
    application.setPalette(palette);
    application.setStyleSheet(QStringLiteral(R"(
QMenuBar, QStatusBar { background: #171412; color: #d9d0c3; }
QMenuBar { border-bottom: 1px solid #3a332c; padding: 2px 4px; }
QMenuBar::item { padding: 3px 10px; background: transparent; }
QMenuBar::item:selected, QMenu::item:selected { background: #29241f; color: #6fb3a2; }
QMenu { background: #1f1b18; border: 1px solid #3a332c; padding: 4px 0; }
QMenu::item { padding: 4px 28px 4px 24px; }
QMenu::item:disabled { color: #6b6257; }
QMenu::separator { height: 1px; background: #3a332c; margin: 4px 8px; }
QToolTip { background: #29241f; color: #d9d0c3; border: 1px solid #3a332c; padding: 4px; }
QPushButton, QToolButton { background: #29241f; color: #d9d0c3; border: 1px solid #3a332c; border-radius: 3px; padding: 3px 9px; }
QPushButton:hover, QToolButton:hover { border-color: #9a8f80; }
QPushButton:pressed, QToolButton:pressed { background: #3a332c; }
QPushButton:checked, QToolButton:checked { background: #3a332c; border-color: #9a8f80; }
QPushButton:focus, QToolButton:focus, QComboBox:focus, QLineEdit:focus { border-color: #6fb3a2; }
QPushButton:disabled, QToolButton:disabled { color: #6b6257; }
QComboBox { background: #29241f; color: #d9d0c3; border: 1px solid #3a332c; border-radius: 3px; padding: 2px 8px; }
QComboBox:disabled { color: #6b6257; }
QComboBox QAbstractItemView { background: #1f1b18; border: 1px solid #3a332c; selection-background-color: #29241f; selection-color: #6fb3a2; }
QLineEdit { background: #171412; color: #d9d0c3; border: 1px solid #3a332c; border-radius: 3px; padding: 2px 6px; selection-background-color: #6fb3a2; selection-color: #171412; }
QProgressBar { background: #29241f; border: 1px solid #3a332c; border-radius: 3px; height: 10px; text-align: center; }
QProgressBar::chunk { background: #9a8f80; }
QSplitter::handle { background: #171412; }
QCheckBox::indicator { width: 12px; height: 12px; border: 1px solid #9a8f80; border-radius: 2px; background: #171412; }
QCheckBox::indicator:checked { background: #d9d0c3; }
QCheckBox:focus { color: #6fb3a2; }
QScrollArea { background: transparent; border: none; }
QScrollBar:vertical { background: #1f1b18; width: 8px; } QScrollBar::handle:vertical { background: #3a332c; min-height: 24px; }
QScrollBar::add-line, QScrollBar::sub-line { height: 0; }
)"));
}

} // namespace ember::app::theme
