// SPDX-License-Identifier: GPL-3.0-or-later
#include "import_sheet.h"

#include <algorithm>
#include <cmath>
#include <set>

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableWidget>

#include "form.h"
#include "rate_text.h"
#include "session.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "words.h"

namespace ember::app {

namespace {

constexpr int mostRowsShown = 500;

} // namespace

ImportSheet::ImportSheet(const Project& project, BookEntries book, const QString& name, ListText list, QWidget* parent)
    : QDialog(parent), project_(project), book_(std::move(book)), list_(std::move(list)),
      rate_(new QLineEdit(rateText(project.rate), this)), rateSays_(dimLabel({}, this)), table_(new QTableWidget(this)),
      takeBeats_(new QCheckBox(tr("Take the score's beats"), this)), result_(new QLabel(this)),
      import_(new QPushButton(tr("Import"), this))
{
    setObjectName(QStringLiteral("import-sheet"));
    setWindowTitle(tr("Import strikes from %1").arg(name));
    resize(760, 560);
    auto* column = newColumn(this, 10, {16, 12, 16, 12});
    auto* row = new QHBoxLayout;
    row->addWidget(new QLabel(tr("Frames and timecodes of the list count at"), this));
    rate_->setObjectName(QStringLiteral("import-rate"));
    rate_->setFont(theme::numbers());
    rate_->setFixedWidth(110);
    rate_->setToolTip(tr("Frames a second: 25, or 24000/1001"));
    row->addWidget(rate_);
    rateSays_->setObjectName(QStringLiteral("import-rate-says"));
    row->addWidget(rateSays_, 1);
    column->addLayout(row);
    column->addWidget(buildColumns());
    table_->setObjectName(QStringLiteral("import-table"));
    table_->setColumnCount(6);
    table_->setHorizontalHeaderLabels({tr("Frame"), tr("Seconds"), tr("Kind"), tr("Strength"), tr("Name"), tr("")});
    table_->verticalHeader()->hide();
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionMode(QAbstractItemView::NoSelection);
    table_->setFocusPolicy(Qt::NoFocus);
    table_->setShowGrid(false);
    column->addWidget(table_, 1);
    if (list_.format == ListFormat::midi)
        if (const auto score = beatsFromMidi(list_.text))
            score_ = score.value();
    takeBeats_->setObjectName(QStringLiteral("import-beats"));
    takeBeats_->setToolTip(tr("The film's beat grid follows the score's tempo map and its bars. On where the film has "
                              "no beats yet."));
    takeBeats_->setChecked(score_ && !project_.beats);
    takeBeats_->setVisible(score_.has_value());
    column->addWidget(takeBeats_);
    result_->setObjectName(QStringLiteral("import-result"));
    result_->setWordWrap(true);
    column->addWidget(result_);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    auto* leave = new QPushButton(tr("Cancel"), this);
    leave->setObjectName(QStringLiteral("import-cancel"));
    import_->setObjectName(QStringLiteral("import-go"));
    import_->setDefault(true);
    buttons->addWidget(leave);
    buttons->addWidget(import_);
    column->addLayout(buttons);
    connect(rate_, &QLineEdit::textChanged, this, &ImportSheet::readAgain);
    connect(leave, &QPushButton::clicked, this, &QDialog::reject);
    connect(import_, &QPushButton::clicked, this, &QDialog::accept);
    readAgain();
}

/// A list of the list's columns for each value of ours.
QWidget* ImportSheet::buildColumns()
{
    auto* box = new QWidget(this);
    const std::vector<ListColumn> theirs = columnsOf(list_.format, list_.text);
    if (theirs.empty()) {
        box->hide();
        return box;
    }
    auto* grid = new QGridLayout(box);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(4);
    int at = 0;
    for (const std::string_view wanted : ourColumns()) {
        auto* list = new QComboBox(box);
        list->setObjectName(QStringLiteral("import-column-") + toQString(wanted));
        list->setToolTip(tr("Which column of the list is the %1").arg(ours(wanted)));
        list->addItem(tr("none"));
        for (const ListColumn& column : theirs) {
            list->addItem(QString::fromStdString(column.name));
            if (column.takenFor == wanted && list->currentIndex() == 0)
                list->setCurrentIndex(list->count() - 1);
        }
        connect(list, &QComboBox::currentIndexChanged, this, &ImportSheet::readAgain);
        grid->addWidget(dimLabel(ours(wanted), box), at / 4 * 2, at % 4);
        grid->addWidget(list, at / 4 * 2 + 1, at % 4);
        columns_.push_back(list);
        ++at;
    }
    return box;
}

std::optional<BeatGrid> ImportSheet::beats() const
{
    return score_ && takeBeats_->isChecked() ? std::optional(score_->grid) : std::nullopt;
}

QString ImportSheet::trouble() const
{
    return import_->isEnabled() ? QString() : result_->text();
}

void ImportSheet::readAgain()
{
    strikes_.clear();
    QString wrong;
    const auto rate = rateOf(rate_->text());
    if (!rate) {
        wrong = tr("The rate should be a whole number or a fraction, such as 25 or 24000/1001.");
        rateSays_->clear();
    } else {
        // Frame 100 says plainly what a rate does.
        const auto there = std::llround(project_.rate.frames(rate->seconds(100)));
        rateSays_->setText(*rate == project_.rate ? tr("a second, as the film's")
                                                  : tr("a second; the film has %1, so frame 100 becomes frame %2")
                                                        .arg(rateText(project_.rate))
                                                        .arg(there));
        ListReading reading{*rate, {}};
        for (std::size_t i = 0; i < columns_.size(); ++i) {
            const auto wanted = std::string(ourColumns()[i]);
            // What is set to none must not be found by its name all the same.
            reading.columns[wanted] =
                columns_[i]->currentIndex() > 0 ? columns_[i]->currentText().toStdString() : std::string();
        }
        auto list = strikesFromText(list_.format, list_.text, reading);
        if (list)
            strikes_ = std::move(list).value();
        else
            wrong = said(list.error());
    }
    import_->setEnabled(wrong.isEmpty() && !strikes_.empty());
    if (wrong.isEmpty())
        wrong = strikes_.empty()
                    ? tr("There are no strikes in this list.")
                    : tr("Importing this: %1")
                          .arg(QString::fromStdString(importSentence(withStrikesImported(project_, strikes_, book_))));
    result_->setText(wrong);
    import_->setToolTip(import_->isEnabled() ? tr("Puts these strikes into the film; undo takes them back") : wrong);
    fillTable();
}

void ImportSheet::fillTable()
{
    std::set<std::int64_t> taken;
    for (const Strike& strike : project_.strikes)
        taken.insert(strike.frame.index);
    const int count = static_cast<int>(std::min<std::size_t>(strikes_.size(), mostRowsShown));
    table_->setRowCount(count);
    for (int i = 0; i < count; ++i) {
        const ListedStrike& strike = strikes_[static_cast<std::size_t>(i)];
        const auto frame = std::llround(project_.rate.frames(strike.seconds));
        const QString fate = frame >= project_.length()    ? tr("past the end, left out")
                             : !taken.insert(frame).second ? tr("joins the one on its frame")
                                                           : QString();
        const QStringList cells{QString::number(frame),
                                QString::number(strike.seconds, 'f', 3),
                                kindTitle(strike.kind),
                                QStringLiteral("%1 %").arg(std::lround(100 * strike.strength)),
                                QString::fromStdString(strike.name),
                                fate};
        for (int k = 0; k < cells.size(); ++k) {
            auto* item = new QTableWidgetItem(cells[k]);
            if (k < 2 || k == 3) {
                item->setFont(theme::numbers());
                item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            }
            if (k == 5)
                item->setForeground(theme::dim);
            table_->setItem(i, k, item);
        }
    }
    table_->resizeColumnsToContents();
    table_->horizontalHeader()->setStretchLastSection(true);
}

} // namespace ember::app
