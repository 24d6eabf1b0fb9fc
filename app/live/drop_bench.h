// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QElapsedTimer>
#include <QTimer>

#include "dialogs.h"
#include "ember/drop/scene.h"
#include "open_document.h"
#include "playhead.h"
#include "project_file.h"
#include "selection.h"

class QCheckBox;
class QLabel;
class QPlainTextEdit;
class QPushButton;

namespace ember::app {

/// What falls, drawn from the side: where every body is at a moment, and the impacts so far.
class DropView : public QWidget {
    Q_OBJECT
public:
    explicit DropView(QWidget* parent = nullptr);

    void setRun(const drop::Scene& scene, drop::Run run);
    void play();
    double now() const { return now_; }

    QSize sizeHint() const override { return {480, 270}; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    drop::Scene scene_;
    drop::Run run_;
    double now_ = 0;
    QTimer timer_;
    QElapsedTimer clock_;
};

/// The drop bench as a window: a scene as text, its bodies falling, its impacts as strikes.
class DropBench : public QDialog {
    Q_OBJECT
public:
    DropBench(OpenDocument& document, Selection& selection, Playhead& playhead, ProjectFile& file,
              const Dialogs& dialogs, QWidget* parent = nullptr);

private:
    void readScene();
    void showRun(const drop::Scene& scene, drop::Run run);
    void allowBoth(const QString& whyNot);
    void openScene();
    void saveImpacts();
    void putStrikes();
    std::string impactLines() const;

    OpenDocument& document_;
    Selection& selection_;
    Playhead& playhead_;
    ProjectFile& file_;
    const Dialogs dialogs_;
    std::optional<drop::Scene> scene_;
    std::vector<drop::Impact> impacts_;
    QPlainTextEdit* text_;
    DropView* view_;
    QLabel* says_;
    QPushButton* put_;
    QCheckBox* places_;
    QPushButton* save_;
    std::uint64_t asked_ = 0; ///< scenes that were let fall; only the last counts
    QTimer typing_;           ///< the scene is read when typing rests
};

} // namespace ember::app
