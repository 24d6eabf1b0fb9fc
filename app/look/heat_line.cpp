// SPDX-License-Identifier: GPL-3.0-or-later
#include "heat_line.h"

#include <algorithm>
#include <cmath>

#include <QImage>
#include <QPainter>

namespace ember::app {

namespace {
double scaleOf(const QPainter& painter)
{
    return painter.device()->devicePixelRatioF();
}
} // namespace

int columnsOf(const QPainter& painter, const QRectF& row)
{
    return std::max(1, static_cast<int>(std::floor(row.width() * scaleOf(painter))));
}

void paintHeatLine(QPainter& painter, const QRectF& row, const HeatLine& line, double width)
{
    const double scale = scaleOf(painter);
    const int columns = std::min<int>(static_cast<int>(line.colours.size()), static_cast<int>(line.y.size()) - 1);
    const int rows = std::max(1, static_cast<int>(std::ceil(row.height() * scale)));
    if (columns <= 0)
        return;
    QImage picture(columns, rows, QImage::Format_ARGB32_Premultiplied);
    picture.fill(Qt::transparent);
    const double half = 0.5 * width * scale;
    for (int x = 0; x < columns; ++x) {
        const auto i = static_cast<std::size_t>(x);
        const double a = (line.y[i] - row.top()) * scale;
        const double b = (line.y[i + 1] - row.top()) * scale;
        const double top = std::min(a, b) - half;
        const double bottom = std::max(a, b) + half;
        const QRgb colour = line.colours[i].rgb();
        const int first = std::max(0, static_cast<int>(std::floor(top)));
        const int last = std::min(rows - 1, static_cast<int>(std::floor(bottom)));
        for (int y = first; y <= last; ++y) {
            const double covered = std::min(bottom, y + 1.0) - std::max(top, static_cast<double>(y));
            const int alpha = std::clamp(static_cast<int>(std::lround(255 * covered)), 0, 255);
            auto* pixel = reinterpret_cast<QRgb*>(picture.scanLine(y)) + x;
            *pixel = qPremultiply(qRgba(qRed(colour), qGreen(colour), qBlue(colour), alpha));
        }
    }
    picture.setDevicePixelRatio(scale);
    painter.drawImage(row.topLeft(), picture);
}

} // namespace ember::app
