// SPDX-License-Identifier: GPL-3.0-or-later
#include "motion_chooser.h"

#include <cmath>

#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "form.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec shareSpec{
    "share", "Of it", "%",  0.01,
    10,      1,       0.05, "How much of what was filmed, on all axes together; each can be set apart below"};

/// How much of what was filmed the amounts are, on the axis that has most of it.
double shareOf(const AxisValues& amount, const AxisValues& filmed)
{
    double share = 0;
    for (const Axis axis : allAxes)
        if (filmed[axis] > 0)
            share = std::max(share, std::abs(amount[axis]) / filmed[axis]);
    return share;
}

} // namespace

MotionChooser::MotionChooser(OpenDocument& document, MotionStore& motions, Use use, QWidget* parent)
    : QWidget(parent), document_(document), motions_(motions), use_(std::move(use)), list_(new QComboBox(this)),
      share_(new ValueField(shareSpec, this)),
      mirror_(smallButton(tr("Mirror"), QStringLiteral("motion-mirror"),
                          tr("Left is right: x and roll go the other way"), this))
{
    auto* row = newRow(this, 6, {0, 0, 0, 0});
    row->addWidget(dimLabel(tr("Camera"), this));
    list_->setObjectName(QStringLiteral("motion-choice"));
    list_->setToolTip(tr("Whose motion it is. Find, Camera motions shows, reads and imports them"));
    row->addWidget(list_, 1);
    row->addWidget(share_);
    row->addWidget(mirror_);
    share_->setObjectName(QStringLiteral("motion-share"));
    share_->gestureSource = [this] { return document_.newGesture(); };
    connect(list_, &QComboBox::activated, this, [this](int index) {
        const auto& items = motions_.items();
        const int place = list_->itemData(index).toInt();
        if (place < 0)
            use_.choose(MotionLoop());
        else if (place < static_cast<int>(items.size()))
            use_.choose(items[static_cast<std::size_t>(place)].loop);
    });
    connect(share_, &ValueField::wished, this, [this](double share, quint64 gesture) {
        const MotionLoop* motion = use_.motion();
        AxisValues amount = use_.amount();
        if (motion == nullptr || motion->empty())
            return;
        const AxisValues filmed = amountsAsFilmed(*motion, document_.project().width);
        const double before = shareOf(amount, filmed);
        for (const Axis axis : allAxes)
            amount[axis] = before > 0 ? amount[axis] * share / before : filmed[axis] * share;
        use_.setAmount(amount, tr("%1 % of what was filmed").arg(std::lround(100 * share)), gesture);
    });
    connect(mirror_, &QPushButton::clicked, this, [this] {
        AxisValues amount = use_.amount();
        amount[Axis::x] = -amount[Axis::x];
        amount[Axis::roll] = -amount[Axis::roll];
        use_.setAmount(amount, tr("Mirrored"), 0);
    });
    connect(&motions_, &MotionStore::changed, this, &MotionChooser::refresh);
    refresh();
}

void MotionChooser::fill()
{
    const MotionLoop* motion = use_.motion();
    const bool any = motion != nullptr && !motion->empty();
    // Made anew only where it is another one: filling costs a layout.
    QStringList names{use_.none};
    QList<int> places{-1};
    int current = 0;
    const auto& items = motions_.items();
    for (std::size_t i = 0; i < items.size(); ++i) {
        names << QString::fromStdString(items[i].kept().name);
        places << static_cast<int>(i);
        if (any && current == 0 && items[i].loop == *motion)
            current = static_cast<int>(names.size()) - 1;
    }
    if (any && current == 0) { // brought along by the film, not of this library
        names << QString::fromStdString(motion->kept().name) + tr(" (this film's)");
        places << static_cast<int>(items.size());
        current = static_cast<int>(names.size()) - 1;
    }
    QStringList shown;
    for (int i = 0; i < list_->count(); ++i)
        shown << list_->itemText(i);
    if (shown != names) {
        list_->clear();
        for (int i = 0; i < names.size(); ++i)
            list_->addItem(names[i], places[i]);
    }
    list_->setCurrentIndex(current);
}

void MotionChooser::refresh()
{
    fill();
    const MotionLoop* motion = use_.motion();
    const bool any = motion != nullptr && !motion->empty();
    share_->setBarred(any ? QString() : tr("Choose a camera's motion first"));
    share_->setValue(any ? shareOf(use_.amount(), amountsAsFilmed(*motion, document_.project().width)) : 1);
    allow(mirror_, any ? QString() : tr("Choose a camera's motion first"));
    if (any)
        mirror_->setToolTip(tr("Left is right: x and roll go the other way"));
}

} // namespace ember::app
