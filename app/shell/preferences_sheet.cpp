// SPDX-License-Identifier: GPL-3.0-or-later
#include "preferences_sheet.h"

#include <QAudioDevice>
#include <QCheckBox>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QMediaDevices>
#include <QPushButton>

#include "language.h"
#include "preferences.h"
#include "sound_sink.h"
#include "text.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

PreferencesSheet::PreferencesSheet(QWidget* parent) : QDialog(parent)
{
    setWindowTitle(tr("Preferences"));
    auto* form = new QFormLayout(this);
    const auto fieldOf = [this](const FieldSpec& spec) {
        auto* field = new ValueField(spec, this);
        field->setObjectName(QStringLiteral("preference-") + toQString(spec.key));
        field->setMinimumWidth(110);
        field->setValue(preference::value(spec));
        connect(field, &ValueField::wished, this, [this, field, &spec](double wanted) {
            preference::setValue(spec, wanted);
            field->setValue(preference::value(spec));
            emit changed();
        });
        return field;
    };
    auto* tongue = new QComboBox(this);
    tongue->setObjectName(QStringLiteral("preference-language"));
    tongue->addItem(tr("the system's"), QString());
    for (const language::Language& one : language::all())
        tongue->addItem(one.name, one.code);
    tongue->setCurrentIndex(std::max(0, tongue->findData(language::chosen())));
    tongue->setToolTip(tr("The language of the window; the guide is in English"));
    auto* later = dimLabel(tr("from the next start on"), this);
    later->setObjectName(QStringLiteral("language-later"));
    const auto refreshLater = [later] { later->setVisible(language::wanted() != language::used()); };
    refreshLater();
    connect(tongue, &QComboBox::activated, this, [tongue, refreshLater](int index) {
        language::setChosen(tongue->itemData(index).toString());
        refreshLater();
    });
    auto* tongueRow = new QHBoxLayout;
    tongueRow->addWidget(tongue);
    tongueRow->addWidget(later);
    tongueRow->addStretch(1);
    form->addRow(tr("Language"), tongueRow);
    for (const FieldSpec* spec : {&preference::memory, &preference::keeping, &preference::rate})
        form->addRow(ours(spec->label), fieldOf(*spec));
    auto* device = new QComboBox(this);
    device->setObjectName(QStringLiteral("preference-device"));
    device->addItem(tr("the system's choice"), QString());
    for (const QAudioDevice& one : QMediaDevices::audioOutputs())
        device->addItem(one.description(), QString::fromUtf8(one.id()));
    device->setCurrentIndex(std::max(0, device->findData(preference::soundDevice())));
    device->setToolTip(tr("Where sound is played; without a device the clock leads"));
    connect(device, &QComboBox::activated, this, [this, device](int index) {
        preference::setSoundDevice(device->itemData(index).toString());
        emit changed();
    });
    form->addRow(tr("Sound device"), device);
    latency_ = fieldOf(preference::soundLatency);
    auto* measure = new QPushButton(tr("Measure"), this);
    measure->setObjectName(QStringLiteral("measure-latency"));
    measure->setAutoDefault(false);
    measure->setToolTip(tr("Tap along with clicks: how late they are heard becomes the number here"));
    allow(measure, DeviceSink::available() ? QString() : tr("No sound device: the clock leads"));
    connect(measure, &QPushButton::clicked, this, &PreferencesSheet::latencyAsked);
    auto* latencyRow = new QHBoxLayout;
    latencyRow->addWidget(latency_);
    latencyRow->addWidget(measure);
    latencyRow->addStretch(1);
    form->addRow(ours(preference::soundLatency.label), latencyRow);
    auto* calm = new QCheckBox(tr("Nothing moves by itself"), this);
    calm->setObjectName(QStringLiteral("preference-calm"));
    calm->setChecked(preference::calm());
    calm->setToolTip(
        tr("Recipes in the book are previewed standing at their peak instead of shaking, and struck pads do "
           "not fade. Until it is set here the desktop's wish for less motion decides."));
    connect(calm, &QCheckBox::toggled, this, [this](bool on) {
        preference::setCalm(on);
        emit changed();
    });
    form->addRow(tr("Calm window"), calm);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close, this);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::accept);
    form->addRow(buttons);
}

void PreferencesSheet::refreshLatency()
{
    latency_->setValue(preference::value(preference::soundLatency));
}

} // namespace ember::app
