// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include <QRectF>

#include "ember/core/sound.h"

class QPainter;

namespace ember::app {

/// A sound's waveform over a stretch of paper; `toFrame` gives the film's frame of a pixel. In the painter's pen.
void paintWave(QPainter& painter, const QRectF& place, const Waveform& wave, double framesPerSecond,
               const std::function<double(double x)>& toFrame);

} // namespace ember::app
