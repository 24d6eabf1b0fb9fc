// SPDX-License-Identifier: GPL-3.0-or-later
#include "tap_test.h"

#include <algorithm>
#include <cmath>

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>

#include "form.h"
#include "tapper.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr int lightHeight = 76;
constexpr int findingIn = 2;
} // namespace

TapTest::TapTest(QWidget* parent) : QDialog(parent), text_(new QLabel(this)), use_(new QPushButton(tr("Use it"), this))
{
    setObjectName(QStringLiteral("tap-test"));
    setWindowTitle(tr("Tap test"));
    auto* column = newColumn(this, 12, {20, lightHeight + 24, 20, 16});
    text_->setObjectName(QStringLiteral("tap-text"));
    text_->setWordWrap(true);
    text_->setMinimumWidth(360);
    column->addWidget(text_);
    auto* row = new QHBoxLayout;
    auto* none = new QPushButton(tr("No offset"), this);
    none->setObjectName(QStringLiteral("tap-none"));
    none->setToolTip(tr("Taps count where they come"));
    auto* leave = new QPushButton(tr("Leave as it was"), this);
    leave->setObjectName(QStringLiteral("tap-leave"));
    use_->setObjectName(QStringLiteral("tap-use"));
    row->addStretch(1);
    for (auto* button : {none, leave, use_}) {
        button->setAutoDefault(false);
        button->setFocusPolicy(Qt::NoFocus); // keys are taps
        row->addWidget(button);
    }
    column->addLayout(row);
    connect(use_, &QPushButton::clicked, this, [this] {
        Tapper::setLatency(measured());
        accept();
    });
    connect(none, &QPushButton::clicked, this, [this] {
        Tapper::setLatency(0);
        accept();
    });
    connect(leave, &QPushButton::clicked, this, &QDialog::reject);
    blink_.setTimerType(Qt::PreciseTimer);
    connect(&blink_, &QTimer::timeout, this, [this] { update(); });
    blink_.start(15);
    since_.start();
    refresh();
}

void TapTest::tapAt(qint64 milliseconds)
{
    const auto beat = (milliseconds + beatMilliseconds / 2) / beatMilliseconds;
    late_.push_back(milliseconds - beat * beatMilliseconds);
    refresh();
}

int TapTest::measured() const
{
    std::vector<qint64> late(late_.begin() + std::min<std::ptrdiff_t>(findingIn, std::ssize(late_)), late_.end());
    if (late.empty())
        return 0;
    const auto middle = late.begin() + std::ssize(late) / 2;
    std::nth_element(late.begin(), middle, late.end());
    return static_cast<int>(*middle);
}

void TapTest::refresh()
{
    const bool enough = taps() >= wanted;
    const QString now = tr("Taps are set back by %1 ms now. ").arg(Tapper::latency());
    text_->setText(
        enough ? tr("You tap %1 ms after the light. Taps can be set back by that from now on.").arg(measured())
               : now + tr("Press K, or the space bar, along with the light: %1 of %2.").arg(taps()).arg(wanted));
    use_->setEnabled(enough);
    use_->setToolTip(enough ? tr("Sets taps back by this") : tr("Tap along first"));
}

void TapTest::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(QRect(0, 0, width(), lightHeight), theme::surround);
    const auto phase = since_.elapsed() % beatMilliseconds;
    p.setPen(QPen(theme::onSurround, 2));
    p.setBrush(phase < 90 ? QBrush(theme::onSurround) : QBrush(Qt::NoBrush));
    p.drawEllipse(QPointF(width() / 2.0, lightHeight / 2.0), 22, 22);
}

void TapTest::keyPressEvent(QKeyEvent* event)
{
    if ((event->key() == Qt::Key_K || event->key() == Qt::Key_Space) && !event->isAutoRepeat())
        tapAt(since_.elapsed());
    else
        QDialog::keyPressEvent(event);
}

} // namespace ember::app
