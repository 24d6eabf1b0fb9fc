// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "dialogs.h"
#include "live_runner.h"

class QPushButton;

namespace ember::app {

class DropView;

/// What strikes the live bench by itself: the notes of a MIDI file, and the bodies of a scene that falls.
class LiveAutoplay : public QWidget {
    Q_OBJECT
public:
    LiveAutoplay(LiveRunner& runner, const Dialogs& dialogs, QWidget* parent = nullptr);
    /// Puts the fall away once it is over.
    void endWhenDone();

signals:
    void said(const QString& text);

private:
    void refresh();
    void askMidi();
    void askScene();
    void letFall(bool on);

    LiveRunner* runner_;
    const Dialogs dialogs_;
    drop::Scene scene_ = drop::sampleScene();
    QPushButton* notes_ = nullptr;
    QPushButton* fall_ = nullptr;
    DropView* falling_ = nullptr;
};

} // namespace ember::app
