// SPDX-License-Identifier: GPL-3.0-or-later
#include "preferences.h"

#include <cmath>

#include <QSettings>

#include "reduced_motion.h"
#include "text.h"

namespace ember::app {

namespace preference {

const FieldSpec memory{"memory", "Memory for frames",
                       "MB",     64,
                       8192,     320,
                       32,       "Decoded frames that are kept, so that stepping and looping need not wait"};
const FieldSpec keeping{"keeping", "Keep unsaved work after",
                        "s",       0.1,
                        60,        0.4,
                        0.1,       "How long after a change it is kept for the case of a crash"};
const FieldSpec rate{"still_rate",
                     "Rate of pictures",
                     "fps",
                     1,
                     240,
                     24,
                     1,
                     "Frames a second of numbered pictures and stills, which have none of their own"};

const FieldSpec soundLatency{"sound_latency",
                             "Sound arrives late by",
                             "ms",
                             0,
                             1000,
                             0,
                             1,
                             "From the sound device to the ear; the picture waits that long while it plays"};

namespace {
QString keyOf(std::string_view key)
{
    return QStringLiteral("preferences/") + toQString(key);
}
const QString deviceKey = QStringLiteral("preferences/sound_device");
const QString calmKey = QStringLiteral("preferences/calm");
} // namespace

double value(const FieldSpec& spec)
{
    return clampTo(spec, QSettings().value(keyOf(spec.key), spec.fallback).toDouble());
}

void setValue(const FieldSpec& spec, double value)
{
    QSettings().setValue(keyOf(spec.key), clampTo(spec, value));
}

FrameRate stillRate()
{
    const double wanted = value(rate);
    for (const std::int64_t whole : {24, 30, 60})
        if (std::abs(wanted - static_cast<double>(whole) * 1000 / 1001) < 0.006)
            return FrameRate::make(whole * 1000, 1001).value_or(FrameRate());
    return FrameRate::make(std::llround(wanted * 1000), 1000).value_or(FrameRate());
}

QString soundDevice()
{
    return QSettings().value(deviceKey).toString();
}

void setSoundDevice(const QString& name)
{
    QSettings().setValue(deviceKey, name);
}

void setCalm(bool on)
{
    QSettings().setValue(calmKey, on);
}

bool calm()
{
    const QVariant own = QSettings().value(calmKey);
    return own.isValid() ? own.toBool() : desktopPrefersLessMotion();
}

} // namespace preference

} // namespace ember::app
