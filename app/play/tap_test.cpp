// SPDX-License-Identifier: GPL-3.0-or-later
#include "tap_test.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <numbers>

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPainter>
#include <QPushButton>

#include "form.h"
#include "preferences.h"
#include "tapper.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr int lightHeight = 76;
constexpr int findingIn = 2;
constexpr int earliest = 100; ///< milliseconds before a click that still belong to it: sound is late rather than early
} // namespace

ClickFeed::ClickFeed()
{
    open(QIODevice::ReadOnly | QIODevice::Unbuffered);
}

qint64 ClickFeed::readData(char* data, qint64 size)
{
    constexpr std::int64_t beat = SoundSink::rate * TapTest::beatMilliseconds / 1000;
    const auto instants = size / 4;
    for (std::int64_t i = 0; i < instants; ++i, ++next_) {
        const double seconds = static_cast<double>(next_ % beat) / SoundSink::rate;
        const auto sample = sixteenBits(
            static_cast<float>(0.6 * std::exp(-seconds / 0.008) * std::sin(2 * std::numbers::pi * 1500 * seconds)));
        for (int channel = 0; channel < 2; ++channel)
            std::memcpy(data + 4 * i + 2 * channel, &sample, sizeof sample);
    }
    return instants * 4;
}

TapTest::TapTest(Along along, QWidget* parent, std::unique_ptr<SoundSink> sink)
    : QDialog(parent), along_(along), sink_(std::move(sink)), text_(new QLabel(this)),
      use_(new QPushButton(tr("Use it"), this))
{
    setObjectName(QStringLiteral("tap-test"));
    setWindowTitle(along == Along::light ? tr("Tap test") : tr("Sound latency"));
    auto* column = newColumn(this, 12, {20, lightHeight + 24, 20, 16});
    text_->setObjectName(QStringLiteral("tap-text"));
    text_->setWordWrap(true);
    text_->setMinimumWidth(360);
    column->addWidget(text_);
    auto* row = new QHBoxLayout;
    auto* none = new QPushButton(tr("No offset"), this);
    none->setObjectName(QStringLiteral("tap-none"));
    none->setToolTip(along == Along::light ? tr("Taps count where they come") : tr("The picture does not wait"));
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
    connect(use_, &QPushButton::clicked, this, [this] { use(measured()); });
    connect(none, &QPushButton::clicked, this, [this] { use(0); });
    connect(leave, &QPushButton::clicked, this, &QDialog::reject);
    blink_.setTimerType(Qt::PreciseTimer);
    connect(&blink_, &QTimer::timeout, this, [this] { update(); });
    blink_.start(15);
    since_.start();
    clock_.start();
    if (along == Along::sound)
        sink_->start(clicks_, 0.1);
    refresh();
}

TapTest::~TapTest()
{
    sink_->stop();
}

void TapTest::use(int milliseconds)
{
    if (along_ == Along::light)
        Tapper::setLatency(milliseconds);
    else
        preference::setValue(preference::soundLatency, milliseconds);
    accept();
}

qint64 TapTest::now()
{
    return along_ == Along::light ? since_.elapsed() : clock_.at(sink_->played()) * 1000 / SoundSink::rate;
}

void TapTest::tapAt(qint64 milliseconds)
{
    const auto beat = (milliseconds + (along_ == Along::light ? beatMilliseconds / 2 : earliest)) / beatMilliseconds;
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
    const auto whole = static_cast<int>(*middle);
    return along_ == Along::light ? whole : std::max(0, whole - Tapper::latency());
}

void TapTest::refresh()
{
    const bool enough = taps() >= wanted;
    const QString press =
        (along_ == Along::light ? tr("Press K, or the space bar, along with the light: %1 of %2.")
                                : tr("Press K, or the space bar, along with the clicks, eyes closed: %1 of %2."))
            .arg(taps())
            .arg(wanted);
    if (along_ == Along::light)
        text_->setText(
            enough ? tr("You tap %1 ms after the light. Taps can be set back by that from now on.").arg(measured())
                   : tr("Taps are set back by %1 ms now.").arg(Tapper::latency()) + QLatin1Char(' ') + press);
    else if (!sink_->running())
        text_->setText(tr("There is no sound device."));
    else if (enough)
        text_->setText(tr("The sound arrives %1 ms late. The picture can wait that long from now on.").arg(measured()));
    else
        text_->setText((Tapper::latencyKnown() ? QString()
                                               : tr("Do the tap test with the light first (Find, Tap test): how late "
                                                    "you tap yourself is taken off.") +
                                                     QLatin1Char(' ')) +
                       press);
    use_->setEnabled(enough);
    use_->setToolTip(enough ? (along_ == Along::light ? tr("Sets taps back by this")
                                                      : tr("The picture waits this long while it plays"))
                            : tr("Tap along first"));
}

void TapTest::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(QRect(0, 0, width(), lightHeight), theme::surround);
    const auto phase = along_ == Along::light ? since_.elapsed() % beatMilliseconds : beatMilliseconds;
    p.setPen(QPen(theme::onSurround, 2));
    p.setBrush(phase < 90 ? QBrush(theme::onSurround) : QBrush(Qt::NoBrush));
    p.drawEllipse(QPointF(width() / 2.0, lightHeight / 2.0), 22, 22);
}

void TapTest::keyPressEvent(QKeyEvent* event)
{
    if ((event->key() == Qt::Key_K || event->key() == Qt::Key_Space) && !event->isAutoRepeat())
        tapAt(now());
    else
        QDialog::keyPressEvent(event);
}

} // namespace ember::app
