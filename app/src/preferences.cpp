// SPDX-License-Identifier: GPL-3.0-or-later
#include "preferences.h"

#include <cmath>

#include <QAudioDevice>
#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QMediaDevices>
#include <QSettings>

#include "desktop_wish.h"
#include "text.h"
#include "value_field.h"

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

bool calm()
{
    const QVariant own = QSettings().value(calmKey);
    return own.isValid() ? own.toBool() : desktopWishesForLessMotion();
}

} // namespace preference

PreferencesSheet::PreferencesSheet(QWidget* parent) : QDialog(parent)
{
    setWindowTitle(tr("Preferences"));
    auto* form = new QFormLayout(this);
    for (const FieldSpec* spec : {&preference::memory, &preference::keeping, &preference::rate}) {
        auto* field = new ValueField(*spec, this);
        field->setObjectName(QStringLiteral("preference-") + toQString(spec->key));
        field->setMinimumWidth(110);
        field->setValue(preference::value(*spec));
        connect(field, &ValueField::wished, this, [this, field, spec](double wanted) {
            preference::setValue(*spec, wanted);
            field->setValue(preference::value(*spec));
            emit changed();
        });
        form->addRow(toQString(spec->label), field);
    }
    auto* device = new QComboBox(this);
    device->setObjectName(QStringLiteral("preference-device"));
    device->addItem(tr("the system's choice"), QString());
    for (const QAudioDevice& one : QMediaDevices::audioOutputs())
        device->addItem(one.description(), QString::fromUtf8(one.id()));
    device->setCurrentIndex(std::max(0, device->findData(preference::soundDevice())));
    device->setToolTip(tr("Where sound is played; without a device the clock leads"));
    connect(device, &QComboBox::activated, this, [this, device](int index) {
        QSettings().setValue(preference::deviceKey, device->itemData(index));
        emit changed();
    });
    form->addRow(tr("Sound device"), device);
    auto* calm = new QCheckBox(tr("Nothing moves by itself"), this);
    calm->setObjectName(QStringLiteral("preference-calm"));
    calm->setChecked(preference::calm());
    calm->setToolTip(
        tr("Recipes in the book are previewed standing at their peak instead of shaking, and struck pads do "
           "not fade. Until it is set here the desktop's wish for less motion decides."));
    connect(calm, &QCheckBox::toggled, this, [this](bool on) {
        QSettings().setValue(preference::calmKey, on);
        emit changed();
    });
    form->addRow(tr("Calm window"), calm);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close, this);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::accept);
    form->addRow(buttons);
}

} // namespace ember::app
