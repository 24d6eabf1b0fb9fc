// SPDX-License-Identifier: GPL-3.0-or-later
#include "progress_dialog.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QVBoxLayout>

#include "value_control.h"

namespace ember::app {

ProgressDialog::ProgressDialog(const QString& title, const QString& text, std::function<void(const Tell&)> work,
                               QWidget* parent)
    : QDialog(parent), work_(std::move(work)), text_(new QLabel(text, this)), bar_(new QProgressBar(this))
{
    setObjectName(QStringLiteral("work-sheet"));
    setWindowTitle(title);
    setMinimumWidth(420);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 12);
    column->setSpacing(10);
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
    connect(this, &ProgressDialog::progressed, this,
            [this](double share) { bar_->setValue(static_cast<int>(1000 * share)); });
    connect(this, &ProgressDialog::done, this, [this] {
        if (!stop_)
            accept();
    });
}

ProgressDialog::~ProgressDialog()
{
    stop_ = true;
    if (thread_.joinable())
        thread_.join();
}

void ProgressDialog::reject()
{
    stop_ = true;
    QDialog::reject();
}

void ProgressDialog::showEvent(QShowEvent* event)
{
    QDialog::showEvent(event);
    if (thread_.joinable())
        return;
    thread_ = std::thread([this] {
        int last = -1;
        work_([&](double share) {
            if (const int now = static_cast<int>(1000 * share); now != last) {
                last = now;
                emit progressed(share);
            }
            return !stop_.load();
        });
        emit done();
    });
}

} // namespace ember::app
