// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

#include "ember/core/field.h"
#include "ember/core/time.h"

namespace ember::app {

/// What the person prefers on this machine, whatever the project.
namespace preference {
extern const FieldSpec memory;       ///< megabytes of decoded frames kept
extern const FieldSpec keeping;      ///< seconds from a change to its being kept for the case of a crash
extern const FieldSpec rate;         ///< frames a second of numbered pictures and stills
extern const FieldSpec soundLatency; ///< milliseconds from what the sound device tells to the ear

double value(const FieldSpec& spec);
void setValue(const FieldSpec& spec, double value);
/// The rate for what has none of its own; 23.976, 29.97 and 59.94 are the exact ratios.
FrameRate stillRate();
/// The sound device's own name; empty for the system's choice.
QString soundDevice();
void setSoundDevice(const QString& name);
/// Nothing in the window moves by itself: recipes are previewed standing at their peak, struck pads do not fade. Where
/// it was not set, the desktop's wish for less motion decides.
bool calm();
void setCalm(bool on);
} // namespace preference

} // namespace ember::app
