// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include <QWidget>

#include "messages.h"
#include "open_document.h"
#include "playhead.h"
#include "value_control.h"

class QCheckBox;
class QComboBox;
class QLineEdit;
class QPushButton;

namespace ember::app {

/// The film's frame size and rate.
class FrameBlock : public QWidget {
    Q_OBJECT
public:
    FrameBlock(OpenDocument& document, Playhead& playhead, Messages& messages, QWidget* parent = nullptr);
    void refresh();

private:
    void buildMenu();
    /// What was typed, if it is a size; else it is told.
    void takeTyped();
    void setSize(int width, int height);
    void setRate(FrameRate rate);

    OpenDocument& document_;
    Playhead& playhead_;
    Messages& messages_;
    QLineEdit* size_;
    QPushButton* sizes_;
    QComboBox* rate_;
    QCheckBox* follow_;
    ChoiceRun choices_; ///< of rates
    quint64 run_ = 0;
    std::shared_ptr<const Project> before_; ///< the run
    std::int64_t frameBefore_ = 0;
};

} // namespace ember::app
