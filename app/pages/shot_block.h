// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QWidget>

#include "open_document.h"
#include "playhead.h"
#include "shaping.h"
#include "shot_commands.h"

class QLabel;
class QPushButton;
class QVBoxLayout;

namespace ember::app {

class ControlGrid;

/// The shot under the playhead: what it shows of its clip, and the strikes that wait with it because their frames are
/// trimmed away.
class ShotBlock : public QWidget {
    Q_OBJECT
public:
    explicit ShotBlock(OpenDocument& document, ShotCommands& shots, Playhead& playhead, Shaping& shaping,
                       QWidget* parent = nullptr);
    void refresh();

private:
    void setValue(const std::string& key, double value, Document::Gesture gesture);
    void refreshWaiting();

    OpenDocument& document_;
    ShotCommands& shots_;
    Playhead& playhead_;
    Shaping& shaping_;
    QLabel* name_;
    QPushButton* split_;
    QPushButton* remove_;
    ControlGrid* values_;
    QLabel* waitingSays_;
    struct Row {
        QWidget* box;
        QLabel* text;
    };
    QVBoxLayout* waitingColumn_;
    std::vector<Row> waiting_;
};

} // namespace ember::app
