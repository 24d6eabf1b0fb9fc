// SPDX-License-Identifier: GPL-3.0-or-later
#include "tapper.h"

#include <algorithm>
#include <cmath>

#include <QSettings>

namespace ember::app {

namespace {
const QString latencyKey = QStringLiteral("tap/latency");
}

Tapper::Tapper(OpenDocument& document, Playhead& playhead, Selection& selection, StrikeCommands& strikes,
               Player& player)
    : document_(document), playhead_(playhead), selection_(selection), strikes_(strikes), player_(player)
{
    connect(&player_, &Player::stateChanged, this, [this] {
        if (player_.playing())
            return;
        if (!tapped_.empty()) { // at hand for what comes next: pulling them, or their strengths
            std::erase_if(tapped_, [this](StrikeId id) { return document_.project().strike(id) == nullptr; });
            selection_.set(tapped_);
        }
        tapped_.clear();
        gesture_ = 0;
    });
}

int Tapper::latency()
{
    return std::clamp(QSettings().value(latencyKey, 0).toInt(), -200, 500);
}

bool Tapper::latencyKnown()
{
    return QSettings().contains(latencyKey);
}

void Tapper::setLatency(int milliseconds)
{
    QSettings().setValue(latencyKey, std::clamp(milliseconds, -200, 500));
}

void Tapper::tap()
{
    if (!player_.playing()) {
        strikes_.put(strikes_.lastKind());
        return;
    }
    const FrameRate rate = document_.project().rate;
    const double late = rate.frames(latency() / 1000.0) * player_.speed();
    double place = player_.framePosition() - late;
    const LoopRange& loop = playhead_.loop();
    if (loop.on && loop.set() && place < static_cast<double>(loop.first)) // meant before the loop's seam
        place += static_cast<double>(loop.last + 1 - loop.first);
    const Frame frame{
        std::clamp<std::int64_t>(std::llround(place), 0, std::max<std::int64_t>(0, document_.length() - 1))};
    const auto& strikes = document_.project().strikes;
    if (std::any_of(strikes.begin(), strikes.end(), [&](const Strike& s) { return s.frame == frame; }))
        return; // the loop came round
    if (gesture_ == 0)
        gesture_ = document_.newGesture();
    auto [next, id] = withStrike(document_.project(), frame, strikes_.lastKind(), 1.0);
    tapped_.push_back(id);
    const auto count = tapped_.size();
    document_.edit(std::move(next), count == 1 ? tr("1 strike tapped") : tr("%1 strikes tapped").arg(count), gesture_);
}

} // namespace ember::app
