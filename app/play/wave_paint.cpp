// SPDX-License-Identifier: GPL-3.0-or-later
#include "wave_paint.h"

#include <algorithm>

#include <QPainter>

namespace ember::app {

void paintWave(QPainter& painter, const QRectF& place, const Waveform& wave, double framesPerSecond,
               const std::function<double(double)>& toFrame)
{
    if (wave.low.empty())
        return;
    const double middle = place.center().y();
    const double scale = 0.5 * place.height();
    const double slotsPerFrame = wave.slotsPerSecond / framesPerSecond;
    const auto size = static_cast<std::int64_t>(wave.low.size());
    for (auto x = static_cast<int>(place.left()); x < static_cast<int>(place.right()); ++x) {
        const double first = toFrame(x) * slotsPerFrame;
        const double end = toFrame(x + 1) * slotsPerFrame;
        if (end < 0 || first >= static_cast<double>(size))
            continue;
        const auto from = std::clamp<std::int64_t>(static_cast<std::int64_t>(first), 0, size - 1);
        const auto to = std::clamp<std::int64_t>(static_cast<std::int64_t>(end), from + 1, size);
        const float low = *std::min_element(wave.low.begin() + from, wave.low.begin() + to);
        const float high = *std::max_element(wave.high.begin() + from, wave.high.begin() + to);
        painter.drawLine(QPointF(x, middle - std::max(0.5, scale * std::min(1.f, high))),
                         QPointF(x, middle - std::min(-0.5, scale * std::max(-1.f, low))));
    }
}

} // namespace ember::app
