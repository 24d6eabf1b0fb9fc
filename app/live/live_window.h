// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <deque>

#include <QDialog>
#include <QElapsedTimer>

#include "dialogs.h"
#include "live_runner.h"
#include "session.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QListWidget;
class QPushButton;

namespace ember::app {

class ControlGrid;
class LiveAutoplay;
class LiveOutside;
class LivePicture;
class PadBoard;
class PadEditor;
class TopView;

/// The live bench: pads that shake the picture when they are struck, by hand or from outside, with the rules that hold
/// in the film.
class LiveWindow : public QDialog {
    Q_OBJECT
public:
    LiveWindow(Session& session, const Dialogs& dialogs, QWidget* parent = nullptr);
    ~LiveWindow() override;

    LiveRunner& runner() { return *runner_; }
    LivePicture& picture() { return *picture_; }
    PadBoard& pads() { return *pads_; }
    /// Milliseconds from a press to its picture: of the last ones, up to a hundred.
    const std::deque<double>& latencies() const { return latencies_; }

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QWidget* buildLeft();
    QWidget* buildRight();
    QWidget* buildPlaying();
    void choosePad(int pad);
    void showStruck(int pad, const QString& what, const Outcome& outcome);
    void showNow();
    void refresh();
    void refreshTop();
    Quantise quantise() const;

    Session& session_;
    const Dialogs dialogs_;
    LiveRunner* runner_;
    LivePicture* picture_ = nullptr;
    PadBoard* pads_ = nullptr;
    PadEditor* editor_ = nullptr;
    TopView* top_ = nullptr;
    LiveOutside* outside_ = nullptr;
    LiveAutoplay* autoplay_ = nullptr;
    QListWidget* log_ = nullptr;
    QLabel* now_ = nullptr;
    QLabel* latency_ = nullptr;
    QLabel* says_ = nullptr;
    QComboBox* ground_ = nullptr;
    std::array<QPushButton*, boardStates> states_{};
    QPushButton* record_ = nullptr;
    QComboBox* quantise_ = nullptr;
    ControlGrid* rules_ = nullptr;
    std::deque<double> latencies_;
    double most_ = 0;    ///< the strongest since the last second
    QElapsedTimer told_; ///< when the figures were written last
};

} // namespace ember::app
