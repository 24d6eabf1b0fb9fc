// SPDX-License-Identifier: GPL-3.0-or-later
#include "progress_dialog.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>

#include "form.h"
#include "value_control.h"

namespace ember::app {

ProgressDialog::ProgressDialog(const QString& title, const QString& text, std::function<void(const Progress&)> work,
                               QWidget* parent)
    : QDialog(parent), work_(std::move(work)), text_(new QLabel(text, this)), bar_(new QProgressBar(this))
{
    setObjectName(QStringLiteral("work-sheet"));
    setWindowTitle(title);
    setMinimumWidth(420);
    auto* column = newColumn(this, 10, {16, 14, 16, 12});
    column->addWidget(text_);
    auto* row = new QHBoxLayout;
    bar_->setObjectName(QStringLiteral("work-progress"));
    bar_->setRange(0, 1000);
    bar_->setTextVisible(false);
    row->addWidget(bar_, 1);
    auto* stop = smallButton(tr("Stop"), QStringLiteral("work-stop"), tr("Stops it; nothing is changed"), this);
    row->addWidget(stop);
    column->addLayout(row);
    connect(stop, &QPushButton::clicked, this, &ProgressDialog::reject);
    connect(&task_, &Task::progressed, this, [this](double share) { bar_->setValue(static_cast<int>(1000 * share)); });
}

void ProgressDialog::reject()
{
    task_.drop();
    QDialog::reject();
}

void ProgressDialog::showEvent(QShowEvent* event)
{
    QDialog::showEvent(event);
    if (task_.working())
        return;
    const auto work = [this](const Progress& progress) -> Status {
        work_(progress);
        return Done();
    };
    task_.begin(work, [this](const Status& status) { done(status ? Accepted : Rejected); });
}

} // namespace ember::app
