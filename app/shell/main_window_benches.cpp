// SPDX-License-Identifier: GPL-3.0-or-later
// The windows beside the main one; each is made when it is asked for first.
#include "apply_window.h"
#include "comfort_window.h"
#include "drop_bench.h"
#include "gentle_keeper.h"
#include "live_window.h"
#include "main_window.h"
#include "motion_bench.h"
#include "motion_export_window.h"
#include "picture_view.h"
#include "places_window.h"
#include "player.h"
#include "strike_table.h"

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
    raised(dropBench_, session_->document, session_->selection, session_->playhead, session_->file, dialogs_, this);
}

MotionBench& MainWindow::showMotions()
{
    return raised(motionBench_, session_->document, session_->selection, session_->motions, session_->file, dialogs_,
                  this);
}

void MainWindow::showHandOn()
{
    raised(motionExport_, *session_, dialogs_, this);
}

void MainWindow::showApply()
{
    if (apply_ == nullptr) {
        apply_ = new ApplyWindow(*session_, dialogs_, this);
        connect(apply_, &ApplyWindow::openWished, this, [this](const QString& project) { openPath(project); });
    }
    raised(apply_, *session_, dialogs_, this);
}

void MainWindow::showComfort()
{
    if (comfort_ == nullptr) {
        comfort_ = new ComfortWindow(*session_, this);
        connect(comfort_, &ComfortWindow::besideWished, this, [this](bool on) {
            if (on != (picture_->split() == PictureView::Split::gentle))
                showSplit(static_cast<int>(PictureView::Split::gentle));
        });
    }
    comfort_->showBeside(picture_->split() == PictureView::Split::gentle);
    raised(comfort_, *session_, this);
}

void MainWindow::showStrikes()
{
    raised(strikeTable_, *session_, this);
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
