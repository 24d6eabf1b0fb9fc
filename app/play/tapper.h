// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>

#include "player.h"

namespace ember::app {

/// Strikes tapped along while the film plays. All of one run of playing are one step of undo.
class Tapper : public QObject {
    Q_OBJECT
public:
    Tapper(OpenDocument& document, Playhead& playhead, Selection& selection, StrikeCommands& strikes, Player& player);

    /// A strike where playback is, as much earlier as people tap late; where the playhead stands when nothing plays.
    void tap();

    /// How late taps come, in milliseconds, -200 to 500; remembered.
    static int latency();
    static bool latencyKnown();
    static void setLatency(int milliseconds);

private:
    OpenDocument& document_;
    Playhead& playhead_;
    Selection& selection_;
    StrikeCommands& strikes_;
    Player& player_;
    StrikeIds tapped_; ///< in this run of playing
    Document::Gesture gesture_ = 0;
};

} // namespace ember::app
