// SPDX-License-Identifier: GPL-3.0-or-later
#include "busy_bar.h"

#include <QLabel>
#include <QProgressBar>
#include <QPushButton>

#include "busy.h"
#include "form.h"
#include "style.h"
#include "value_control.h"

namespace ember::app {

namespace {
constexpr int beforeShown = 400; ///< milliseconds
} // namespace

BusyBar::BusyBar(Busy& busy, QWidget* parent)
    : QWidget(parent), busy_(busy), doing_(new QLabel(this)), bar_(new QProgressBar(this))
{
    setObjectName(QStringLiteral("busy"));
    auto* row = newRow(this, 8, {0, 0, 8, 0});
    row->addWidget(doing_);
    bar_->setRange(0, 1000);
    bar_->setTextVisible(false);
    bar_->setFixedWidth(160);
    row->addWidget(bar_);
    auto* stop = smallButton(tr("Stop"), QStringLiteral("busy-stop"), tr("Stops it; nothing is changed"), this);
    connect(stop, &QPushButton::clicked, this, [this] { busy_.stop(); });
    row->addWidget(stop);
    // No higher than the line beside it: the window must not jump when it comes.
    const int line = fontMetrics().height();
    stop->setFixedHeight(line);
    setLook(*stop, Look::tight);
    bar_->setFixedHeight(line / 2);
    setMaximumHeight(line);
    hide();
    wait_.setSingleShot(true);
    wait_.setInterval(beforeShown);
    connect(&wait_, &QTimer::timeout, this, &QWidget::show);
    connect(&busy_, &Busy::changed, this, &BusyBar::follow);
    connect(&busy_, &Busy::progressed, this, [this](double share) { bar_->setValue(static_cast<int>(1000 * share)); });
}

void BusyBar::follow()
{
    if (!busy_.working()) {
        wait_.stop();
        hide();
        return;
    }
    doing_->setText(busy_.doing());
    bar_->setValue(0);
    if (isHidden())
        wait_.start();
}

} // namespace ember::app
