// SPDX-License-Identifier: GPL-3.0-or-later
#include "capture_sheets.h"

#include <cmath>

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QRegularExpression>

#include "form.h"
#include "motion_view.h"
#include "rate_text.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {
const FieldSpec frameSpec{"frame", "Frame", "", 0, 100'000'000, 0, 1, "A frame of the clip, counted from 0", {}, true};
} // namespace

// --- frames of a clip ---

ClipRangeSheet::ClipRangeSheet(const QString& clip, QWidget* parent)
    : QDialog(parent), which_(new QComboBox(this)), from_(new ValueField(frameSpec, this)),
      to_(new ValueField(frameSpec, this))
{
    setObjectName(QStringLiteral("clip-range"));
    setWindowTitle(tr("Read the camera of %1").arg(clip));
    auto* column = newColumn(this, 10, {16, 12, 16, 12});
    auto* row = new QHBoxLayout;
    row->addWidget(dimLabel(tr("Frames"), this));
    which_->addItems({tr("The whole clip"), tr("From … to …")});
    which_->setObjectName(QStringLiteral("range-which"));
    row->addWidget(which_, 1);
    for (auto* field : {from_, to_}) {
        field->setWhole(true);
        connect(field, &ValueField::wished, this, [this, field](double value) {
            field->setValue(value);
            which_->setCurrentIndex(1);
        });
    }
    from_->setObjectName(QStringLiteral("range-from"));
    to_->setObjectName(QStringLiteral("range-to"));
    to_->setValue(240);
    row->addWidget(from_);
    row->addWidget(dimLabel(tr("to"), this));
    row->addWidget(to_);
    column->addLayout(row);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    auto* back = new QPushButton(tr("Not now"), this);
    connect(back, &QPushButton::clicked, this, &QDialog::reject);
    buttons->addWidget(back);
    auto* read = new QPushButton(tr("Read"), this);
    read->setObjectName(QStringLiteral("range-read"));
    read->setDefault(true);
    connect(read, &QPushButton::clicked, this, &QDialog::accept);
    buttons->addWidget(read);
    column->addLayout(buttons);
}

std::int64_t ClipRangeSheet::first() const
{
    return which_->currentIndex() == 0 ? 0 : std::llround(from_->value());
}

std::int64_t ClipRangeSheet::last() const
{
    return which_->currentIndex() == 0 ? -1 : std::llround(to_->value());
}

// --- tables ---

MotionTableSheet::MotionTableSheet(const QString& name, std::string text, const Project& like, QWidget* parent)
    : QDialog(parent), text_(std::move(text)), rate_(new QLineEdit(rateText(like.rate), this)),
      size_(new QLineEdit(QStringLiteral("%1x%2").arg(like.width).arg(like.height), this)), view_(new MotionView(this)),
      result_(new QLabel(this)), import_(new QPushButton(tr("Import"), this))
{
    setObjectName(QStringLiteral("motion-table"));
    setWindowTitle(tr("Import %1").arg(name));
    resize(760, 520);
    auto* column = newColumn(this, 10, {16, 12, 16, 12});
    column->addWidget(buildColumns());
    auto* row = new QHBoxLayout;
    row->addWidget(dimLabel(tr("Frames a second"), this));
    rate_->setObjectName(QStringLiteral("table-rate"));
    rate_->setMaximumWidth(110);
    row->addWidget(rate_);
    row->addSpacing(12);
    row->addWidget(dimLabel(tr("Filmed in pictures of"), this));
    size_->setObjectName(QStringLiteral("table-size"));
    size_->setMaximumWidth(110);
    size_->setToolTip(tr("Width and height in pixels, such as 1920x1080: motion is scaled from there to the film"));
    row->addWidget(size_);
    row->addStretch(1);
    column->addLayout(row);
    column->addWidget(view_, 1);
    result_->setObjectName(QStringLiteral("table-result"));
    result_->setWordWrap(true);
    column->addWidget(result_);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    auto* back = new QPushButton(tr("Not now"), this);
    connect(back, &QPushButton::clicked, this, &QDialog::reject);
    buttons->addWidget(back);
    import_->setObjectName(QStringLiteral("table-import"));
    import_->setDefault(true);
    connect(import_, &QPushButton::clicked, this, &QDialog::accept);
    buttons->addWidget(import_);
    column->addLayout(buttons);
    connect(rate_, &QLineEdit::textChanged, this, &MotionTableSheet::readAgain);
    connect(size_, &QLineEdit::textChanged, this, &MotionTableSheet::readAgain);
    readAgain();
}

QWidget* MotionTableSheet::buildColumns()
{
    auto* box = new QWidget(this);
    auto* grid = new QGridLayout(box);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(4);
    const auto theirs = motionHeadings(text_);
    for (std::size_t i = 0; i < motionColumnNames.size(); ++i) {
        const QString key = toQString(motionColumnNames[i]);
        const QString shown = ours(motionColumnNames[i]);
        const int at = static_cast<int>(i);
        grid->addWidget(dimLabel(shown, box), 0, at);
        auto* list = new QComboBox(box);
        list->setObjectName(QStringLiteral("table-column-") + key);
        list->setToolTip(tr("Which column of the table is the %1").arg(shown));
        list->addItem(tr("none"));
        for (const MotionHeading& heading : theirs) {
            list->addItem(QString::fromStdString(heading.name));
            if (heading.takenFor == motionColumnNames[i] && list->currentIndex() == 0)
                list->setCurrentIndex(list->count() - 1);
        }
        list->setMinimumContentsLength(7);
        list->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        connect(list, &QComboBox::currentIndexChanged, this, &MotionTableSheet::readAgain);
        grid->addWidget(list, 1, at);
        columns_.push_back(list);
        QComboBox* unit = nullptr;
        if (const auto units = unitsOf(static_cast<MotionColumn>(i)); !units.empty()) {
            unit = new QComboBox(box);
            unit->setObjectName(QStringLiteral("table-unit-") + key);
            unit->setToolTip(tr("What its numbers count"));
            for (const MotionUnit& known : units)
                unit->addItem(ours(known.name));
            unit->setMinimumContentsLength(7);
            unit->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
            connect(unit, &QComboBox::currentIndexChanged, this, &MotionTableSheet::readAgain);
            grid->addWidget(unit, 2, at);
        }
        units_.push_back(unit);
    }
    return box;
}

void MotionTableSheet::readAgain()
{
    motion_.reset();
    QString wrong;
    const auto rate = rateOf(rate_->text());
    static const QRegularExpression sizes(QStringLiteral("^\\s*([1-9]\\d{0,4})\\s*x\\s*([1-9]\\d{0,4})\\s*$"));
    const auto size = sizes.match(size_->text());
    if (!rate) {
        wrong = tr("The rate should be a whole number or a fraction, such as 25 or 24000/1001.");
    } else if (!size.hasMatch()) {
        wrong = tr("The size should be width x height in pixels, such as 1920x1080.");
    } else {
        MotionReading reading{*rate, size.captured(1).toInt(), size.captured(2).toInt(), {}, {}};
        for (std::size_t i = 0; i < columns_.size(); ++i) {
            const auto column = static_cast<MotionColumn>(i);
            reading.columns[column] =
                columns_[i]->currentIndex() > 0 ? columns_[i]->currentText().toStdString() : std::string();
            if (units_[i] != nullptr)
                reading.units[column] = units_[i]->currentText().toStdString();
        }
        auto motion = motionFromCsv(text_, reading);
        if (motion)
            motion_ = std::move(motion).value();
        else
            wrong = said(motion.error());
    }
    view_->setMotion(motion_.value_or(CapturedMotion()));
    if (motion_) {
        view_->setStretch(0, motion_->frames.size() - 1);
        result_->setText(
            motion_->bridged() > 0
                ? tr("%1 frames; %2 that have no row are bridged").arg(motion_->frames.size()).arg(motion_->bridged())
                : tr("%1 frames").arg(motion_->frames.size()));
    } else {
        result_->setText(wrong);
    }
    allow(import_, wrong);
    if (wrong.isEmpty())
        import_->setToolTip(tr("Keeps it in your library of motions"));
}

} // namespace ember::app
