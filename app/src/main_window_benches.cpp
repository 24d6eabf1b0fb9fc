// SPDX-License-Identifier: GPL-3.0-or-later
// The windows beside the main one; each is made when it is asked for first.
#include "drop_bench.h"
#include "live_window.h"
#include "main_window.h"
#include "motion_bench.h"
#include "places_window.h"
#include "player.h"

namespace ember::app {

namespace {

template <typename Window, typename... Arguments>
Window& raised(Window*& held, Arguments&&... arguments)
{
    if (held == nullptr)
        held = new Window(std::forward<Arguments>(arguments)...);
    held->show();
    held->raise();
    held->activateWindow();
    return *held;
}

} // namespace

void MainWindow::showDropBench()
{
    raised(dropBench_, *session_, dialogs_, this);
}

MotionBench& MainWindow::showMotions()
{
    return raised(motionBench_, *session_, dialogs_, this);
}

void MainWindow::showPlaces()
{
    raised(places_, *session_, this);
}

void MainWindow::showLive()
{
    player_->pause(); // two that play do not leave each other time
    raised(live_, *session_, dialogs_, this);
}

} // namespace ember::app
