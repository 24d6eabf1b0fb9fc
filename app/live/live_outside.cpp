// SPDX-License-Identifier: GPL-3.0-or-later
#include "live_outside.h"

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include "form.h"
#include "value_control.h"

namespace ember::app {

LiveOutside::LiveOutside(LiveRunner& runner, const Dialogs& dialogs, QWidget* parent)
    : QWidget(parent), runner_(&runner), dialogs_(dialogs)
{
    auto* column = newColumn(this, 5, {0, 0, 0, 0});
    column->addWidget(partName(tr("From outside"), this));
    const auto address = [&](const char* name, const QString& at, const QString& tip) {
        auto* field = new QLineEdit(at, this);
        field->setObjectName(QLatin1String(name));
        field->setToolTip(tip);
        return field;
    };
    auto* in = new QHBoxLayout;
    listen_ = smallToggle(
        tr("Listen for OSC"), QStringLiteral("live-listen"),
        tr("Other programs strike by OSC messages over UDP: /strike, /strike_at, /settle, /intensity"), this);
    listenAt_ = address("live-listen-at", QStringLiteral("127.0.0.1:9000"),
                        tr("HOST:PORT. 127.0.0.1 is this machine alone; for any other you are asked first"));
    listenAt_->setAccessibleName(listen_->text());
    in->addWidget(listen_);
    in->addWidget(listenAt_, 1);
    column->addLayout(in);
    auto* out = new QHBoxLayout;
    send_ = smallToggle(tr("Send the pose"), QStringLiteral("live-send"),
                        tr("Sends /pose with each picture's pose to another program"), this);
    sendTo_ = address("live-send-to", QStringLiteral("127.0.0.1:9001"), tr("HOST:PORT it is sent to"));
    sendTo_->setAccessibleName(send_->text());
    out->addWidget(send_);
    out->addWidget(sendTo_, 1);
    column->addLayout(out);
    counts_ = dimLabel({}, this);
    counts_->setObjectName(QStringLiteral("live-counts"));
    counts_->setWordWrap(true);
    column->addWidget(counts_);
    connect(listen_, &QPushButton::clicked, this, &LiveOutside::switchListening);
    connect(send_, &QPushButton::clicked, this, &LiveOutside::switchSending);
    connect(runner_, &LiveRunner::stateChanged, this, &LiveOutside::refresh);
    refresh();
}

void LiveOutside::showCounts()
{
    if (!runner_->listening())
        return;
    const OscCounts c = runner_->counts();
    counts_->setText(tr("Listening on port %1: %2 messages taken, %3 malformed, %4 unknown, %5 too long, %6 too many")
                         .arg(runner_->listeningPort())
                         .arg(c.taken)
                         .arg(c.malformed)
                         .arg(c.unknown)
                         .arg(c.oversized)
                         .arg(c.flooded));
}

void LiveOutside::refresh()
{
    listen_->setChecked(runner_->listening());
    listenAt_->setReadOnly(runner_->listening());
    if (!runner_->listening())
        counts_->setText(tr("Nothing is listened to."));
    send_->setChecked(runner_->sending());
    sendTo_->setReadOnly(runner_->sending());
}

std::optional<OscAddress> LiveOutside::confirmedAddress(const QLineEdit& field, const QString& question)
{
    const auto address = oscAddressFrom(field.text().trimmed().toStdString(), &field == listenAt_);
    if (!address) {
        emit said(tr("\"%1\" is no address: write HOST:PORT, such as 127.0.0.1:9000").arg(field.text()));
        return std::nullopt;
    }
    if (!onlyThisMachine(*address) && !dialogs_.confirm(this, question.arg(field.text()), tr("Go on")))
        return std::nullopt;
    return address;
}

void LiveOutside::switchListening(bool on)
{
    if (!on)
        return runner_->stopListening();
    const auto address =
        confirmedAddress(*listenAt_, tr("Other machines will be able to strike this bench through %1. Listen there?"));
    if (const QString wrong = address ? runner_->listen(*address) : QString(); !wrong.isEmpty())
        emit said(wrong);
    refresh();
}

void LiveOutside::switchSending(bool on)
{
    if (!on) {
        runner_->stopSending();
        return refresh();
    }
    const auto address = confirmedAddress(*sendTo_, tr("The pose will be sent to another machine, %1. Send it?"));
    if (const QString wrong = address ? runner_->sendPoses(*address) : QString(); !wrong.isEmpty())
        emit said(wrong);
    refresh();
}

} // namespace ember::app
