// SPDX-License-Identifier: GPL-3.0-or-later
#include "comfort_window.h"

#include <algorithm>

#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QListWidget>
#include <QProgressBar>
#include <QPushButton>
#include <QScrollArea>
#include <QTableWidget>

#include "form.h"
#include "part_binding.h"
#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {

enum Column { what, full, gentle, limit };

QString number(double value, const std::string& unit)
{
    const int digits = value == 0 ? 0 : value < 1 ? 2 : value < 10 ? 1 : 0;
    return QString::number(value, 'f', digits) + QLatin1Char(' ') + ours(unit);
}

/// A figure with a mark where it is beyond its limit, since colour alone would not say it.
QTableWidgetItem* figure(const ComfortLine& line)
{
    auto* item =
        new QTableWidgetItem((line.within() ? QString() : QStringLiteral("▲ ")) + number(line.value, line.unit));
    item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
    item->setFont(theme::numbers(12));
    item->setToolTip(line.within() ? ComfortWindow::tr("Within its limit") : ComfortWindow::tr("Beyond its limit"));
    if (!line.within())
        item->setData(Qt::UserRole, true);
    return item;
}

} // namespace

ComfortWindow::ComfortWindow(Session& session, QWidget* parent)
    : QDialog(parent), session_(session), scope_(new QComboBox(this)), verdict_(new QLabel(this)),
      table_(new QTableWidget(0, 4, this)), version_(new QComboBox(this)),
      check_(new QPushButton(tr("Check flashes"), this)), stop_(new QPushButton(tr("Stop"), this)),
      bar_(new QProgressBar(this)), flashState_(new QLabel(this)), flashes_(new QListWidget(this)),
      gentle_(new ControlGrid(session.document, session.shaping,
                              memberBinding(session.document, &Project::gentle, "gentle."), 2, this)),
      beside_(smallToggle(tr("Show it beside the full one"), QStringLiteral("comfort-beside"),
                          tr("Left of a line in the picture is the gentle version; drag the line"), this))
{
    setObjectName(QStringLiteral("comfort-window"));
    setWindowTitle(tr("Comfort"));
    resize(980, 520);
    auto* page = new QWidget(this);
    auto* column = newColumn(page, 8, {16, 12, 16, 12});
    column->addWidget(buildReport());
    auto* below = newRow(24);
    below->addWidget(buildFlashes(), 3);
    below->addWidget(buildGentle(), 2);
    column->addLayout(below, 1);
    auto* all = newColumn(this, usualSpacing, {0, 0, 0, 0});
    all->addWidget(scrolling(page));
    scope_->setFocus();
    for (auto* button : findChildren<QPushButton*>()) // Enter in a field is the field's
        button->setAutoDefault(false);
    connect(&session_.document, &OpenDocument::changed, this, &ComfortWindow::refresh);
    connect(&session_.file, &ProjectFile::opened, this, &ComfortWindow::refresh);
    connect(&session_.document, &OpenDocument::changed, this, &ComfortWindow::flashesAreOld);
    connect(&session_.playhead, &Playhead::moved, this, [this] {
        if (scope_->currentIndex() == 1)
            refresh();
    });
    connect(&checking_, &LatestWork::idle, this, [this] {
        bar_->setVisible(false);
        allow(stop_, tr("No check is running"));
        allow(check_, session_.film.hasClip() ? QString() : tr("Open a clip first"));
    });
}

QWidget* ComfortWindow::buildReport()
{
    auto* part = new QWidget(this);
    auto* column = newColumn(part, 6, {0, 0, 0, 0});
    auto* head = new QHBoxLayout;
    head->addWidget(partName(tr("Motion"), part));
    scope_->setObjectName(QStringLiteral("comfort-scope"));
    scope_->addItems({tr("of the film"), tr("of the shot at the playhead")});
    connect(scope_, &QComboBox::currentIndexChanged, this, &ComfortWindow::refresh);
    head->addWidget(scope_);
    verdict_->setObjectName(QStringLiteral("comfort-verdict"));
    verdict_->setWordWrap(true);
    head->addWidget(verdict_, 1);
    column->addLayout(head);
    table_->setObjectName(QStringLiteral("comfort-table"));
    table_->setAccessibleName(tr("Motion"));
    table_->setHorizontalHeaderLabels({tr("The full version"), tr("Full"), tr("Gentle"), tr("Limit")});
    table_->horizontalHeader()->setSectionResizeMode(what, QHeaderView::Stretch);
    for (const int narrow : {full, gentle, limit})
        table_->horizontalHeader()->resizeSection(narrow, 104);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->verticalHeader()->hide();
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setShowGrid(false);
    table_->setWordWrap(true);
    table_->setToolTip(
        tr("Double-click, or Enter: to the frame a line speaks of. The guide tells where limits come from."));
    connect(table_, &QTableWidget::cellActivated, this, [this](int row) { goToLine(row); });
    column->addWidget(table_, 1);
    return part;
}

QWidget* ComfortWindow::buildFlashes()
{
    auto* part = new QWidget(this);
    auto* column = newColumn(part, 6, {0, 0, 0, 0});
    auto* head = new QHBoxLayout;
    head->addWidget(partName(tr("Flashes"), part));
    version_->setObjectName(QStringLiteral("comfort-version"));
    version_->addItems({tr("of the full version"), tr("of the gentle version")});
    connect(version_, &QComboBox::currentIndexChanged, this, &ComfortWindow::flashesAreOld);
    head->addWidget(version_);
    check_->setObjectName(QStringLiteral("comfort-check"));
    stop_->setObjectName(QStringLiteral("comfort-stop"));
    head->addWidget(check_);
    head->addWidget(stop_);
    head->addStretch(1);
    column->addLayout(head);
    bar_->setObjectName(QStringLiteral("comfort-bar"));
    bar_->setTextVisible(false);
    bar_->setVisible(false);
    column->addWidget(bar_);
    flashState_->setObjectName(QStringLiteral("comfort-flash-state"));
    flashState_->setWordWrap(true);
    column->addWidget(flashState_);
    flashes_->setObjectName(QStringLiteral("comfort-flashes"));
    flashes_->setToolTip(tr("Double-click, or Enter: to the frame"));
    column->addWidget(flashes_, 1);
    column->addStretch(0); // while there is nothing in it
    connect(check_, &QPushButton::clicked, this, &ComfortWindow::checkFlashes);
    connect(stop_, &QPushButton::clicked, this, [this] {
        checking_.cancel();
        flashState_->setText(tr("Stopped."));
    });
    connect(flashes_, &QListWidget::itemActivated, this,
            [this](QListWidgetItem* item) { session_.playhead.setFrame(item->data(Qt::UserRole).toLongLong()); });
    allow(stop_, tr("No check is running"));
    flashesAreOld();
    return part;
}

QWidget* ComfortWindow::buildGentle()
{
    auto* part = new QWidget(this);
    auto* column = newColumn(part, 6, {0, 0, 0, 0});
    column->addWidget(partName(tr("Gentle version"), part));
    auto* about =
        dimLabel(tr("The same film for those whom the full one would harm. It is rendered and exported beside "
                    "it where that is chosen there."),
                 part);
    about->setWordWrap(true);
    column->addWidget(about);
    gentle_->setObjectName(QStringLiteral("gentle"));
    addAll<Gentle>(*gentle_, {{"strength", {}}, {"displacement", {}}});
    gentle_->nextRow();
    addAll<Gentle>(*gentle_, {{"speed", tr("Largest speed")}, {"flash", {}}});
    gentle_->nextRow();
    addAll<Gentle>(*gentle_, {{"roll", {}}});
    column->addWidget(gentle_);
    auto* row = new QHBoxLayout;
    row->addWidget(beside_);
    row->addStretch(1);
    column->addLayout(row);
    connect(beside_, &QPushButton::toggled, this, &ComfortWindow::besideWished);
    column->addStretch(1);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    auto* close = new QPushButton(tr("Close"), part);
    connect(close, &QPushButton::clicked, this, &QDialog::close);
    buttons->addWidget(close);
    column->addLayout(buttons);
    return part;
}

void ComfortWindow::showBeside(bool on)
{
    const QSignalBlocker quiet(beside_);
    beside_->setChecked(on);
}

std::pair<std::int64_t, std::int64_t> ComfortWindow::range() const
{
    if (scope_->currentIndex() == 1)
        if (const auto here = session_.shots.shotHere())
            return {here->first, here->end};
    return {0, session_.document.length()};
}

void ComfortWindow::showEvent(QShowEvent* event)
{
    QDialog::showEvent(event);
    refresh();
}

void ComfortWindow::refresh()
{
    if (!isVisible())
        return;
    gentle_->refresh();
    allow(check_, checking_.busy()          ? tr("It is checked already")
                  : session_.film.hasClip() ? QString()
                                            : tr("Open a clip first"));
    const auto [first, end] = range();
    if (end <= first) {
        reporting_.cancel();
        table_->setRowCount(0);
        verdict_->setText(tr("Open a clip first."));
        return;
    }
    reporting_.order([this, first = first, end = end,
                      project = session_.document.snapshot()](const std::atomic<bool>& stop) -> LatestWork::Delivery {
        auto report = std::make_shared<Report>();
        report->full = comfortLines(comfortOf(*project, first, end), project->rate);
        if (stop)
            return {};
        const Project less = gentled(*project);
        report->gentle = comfortLines(comfortOf(less, first, end), less.rate);
        return [this, report] { showReport(*report); };
    });
}

void ComfortWindow::showReport(const Report& report)
{
    frames_.clear();
    table_->setRowCount(static_cast<int>(report.full.size()));
    int beyond = 0;
    int gentleBeyond = 0;
    for (int row = 0; row < table_->rowCount(); ++row) {
        const ComfortLine& line = report.full[static_cast<std::size_t>(row)];
        const ComfortLine& less = report.gentle[static_cast<std::size_t>(row)];
        table_->setItem(row, what, new QTableWidgetItem(said(line.sentence)));
        table_->setItem(row, full, figure(line));
        table_->setItem(row, gentle, figure(less));
        auto* most = new QTableWidgetItem(number(line.limit, line.unit));
        most->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
        most->setFont(theme::numbers(12));
        table_->setItem(row, limit, most);
        frames_.push_back(line.frame);
        beyond += line.within() ? 0 : 1;
        gentleBeyond += less.within() ? 0 : 1;
    }
    table_->resizeRowsToContents();
    int high = table_->horizontalHeader()->height() + 2 * table_->frameWidth();
    for (int row = 0; row < table_->rowCount(); ++row)
        high += table_->rowHeight(row);
    table_->setFixedHeight(high + 2);
    const auto words = [](int count) {
        return count == 0 ? tr("within all limits") : tr("%1 beyond their limit").arg(count);
    };
    verdict_->setText(tr("Full: %1. Gentle: %2.").arg(words(beyond), words(gentleBeyond)));
}

void ComfortWindow::goToLine(int row)
{
    if (row >= 0 && static_cast<std::size_t>(row) < frames_.size())
        session_.playhead.setFrame(frames_[static_cast<std::size_t>(row)]);
}

void ComfortWindow::flashesAreOld()
{
    if (checking_.busy()) { // of what it was before
        checking_.cancel();
        flashState_->setText(tr("The film was changed: check again."));
    } else {
        flashState_->setText(tr("Not checked yet. Every finished frame is rendered and looked at, by the thresholds of "
                                "WCAG 2: more than three flashes within a second over a quarter of ten degrees."));
    }
    flashes_->clear();
    flashes_->setVisible(false);
}

void ComfortWindow::checkFlashes()
{
    const auto [first, end] = range();
    const bool less = version_->currentIndex() == 1;
    const QString version = version_->currentText();
    flashes_->clear();
    flashes_->setVisible(false);
    flashState_->setText(tr("Rendering …"));
    bar_->setRange(0, static_cast<int>(end - first));
    bar_->setValue(0);
    bar_->setVisible(true);
    allow(check_, tr("It is checked already"));
    allow(stop_, {});
    checking_.order([this, first = first, end = end, less, version,
                     project = session_.document.snapshot()](const std::atomic<bool>& stop) -> LatestWork::Delivery {
        const auto found = std::make_shared<Result<std::vector<FlashViolation>>>(
            flashesOf(less ? gentled(*project) : *project, Frame{first}, Frame{end - 1}, [&](const RenderProgress& p) {
                QMetaObject::invokeMethod(
                    bar_, [bar = bar_, done = static_cast<int>(p.done)] { bar->setValue(done); }, Qt::QueuedConnection);
                return !stop;
            }));
        return [this, found, version] {
            if (!*found)
                flashState_->setText(said(found->error()));
            else
                showFlashes(found->value(), version);
        };
    });
}

void ComfortWindow::showFlashes(const std::vector<FlashViolation>& found, const QString& version)
{
    flashState_->setText(found.empty() ? tr("No flashes beyond the thresholds (%1).").arg(version)
                                       : tr("Beyond the thresholds (%1):").arg(version));
    flashes_->setVisible(!found.empty());
    for (const FlashViolation& one : found) {
        auto* item = new QListWidgetItem(said(flashSentence(one)), flashes_);
        item->setData(Qt::UserRole, static_cast<qlonglong>(one.first));
    }
}

} // namespace ember::app
