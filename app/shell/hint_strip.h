// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "film.h"
#include "open_document.h"
#include "project_file.h"

class QLabel;
class QPushButton;

namespace ember::app {

/// Five steps for the first time, in the window itself. Each goes on by itself when it is done; closed once, it stays
/// closed.
class HintStrip : public QWidget {
    Q_OBJECT
public:
    explicit HintStrip(OpenDocument& document, Film& film, ProjectFile& file, QWidget* parent = nullptr);
    int step() const { return step_; }
    static bool closedForGood();
    /// Shows it again from the first step.
    void restart();
    /// The film was rendered: the last step is done.
    void rendered() { done(4); }

private:
    void done(int step);
    void show(int step);
    void closeForGood();

    OpenDocument& document_;
    Film& film_;
    ProjectFile& file_;
    QLabel* text_;
    QPushButton* next_;
    int step_ = 0;
};

} // namespace ember::app
