// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include <QWidget>

#include "dialogs.h"
#include "fresh_page.h"
#include "session.h"

class QLabel;
class QLineEdit;
class QPushButton;
class QCheckBox;
class QVBoxLayout;

namespace ember::app {

class ColourBlock;
class ControlGrid;
class FrameBlock;
class KeyRows;
class MotionChooser;
class ShotBlock;

/// What stands over all strikes of the film: the master, where strikes meet, settle marks, drift, the shot's own move.
class FilmPage : public FreshPage {
    Q_OBJECT
public:
    FilmPage(Session& session, Dialogs dialogs, QWidget* parent = nullptr);

private:
    void buildClock(QVBoxLayout& column);
    void buildMaster(QVBoxLayout& column);
    void buildMeeting(QVBoxLayout& column);
    void buildSettles(QVBoxLayout& column);
    void buildDrift(QVBoxLayout& column);
    void buildMove(QVBoxLayout& column);
    /// A part's name, with buttons at its right end.
    QWidget* heading(const QString& text, const std::vector<QPushButton*>& buttons);
    QPushButton* button(const QString& text, const char* name, const QString& tip, const std::function<void()>& act);
    void refresh() override;
    void refreshGroups();
    void refreshAxes();
    void setAxes(std::initializer_list<Axis> axes, bool on, const QString& what);

    struct GroupRow {
        QWidget* box;
        QLineEdit* name;
        ControlGrid* values;
    };
    Session& session_;
    QLineEdit* clock_ = nullptr; ///< the timecode of the first frame
    FrameBlock* frame_ = nullptr;
    ShotBlock* shot_ = nullptr;
    ColourBlock* colour_ = nullptr;
    ControlGrid* master_ = nullptr;
    std::array<QCheckBox*, axisCount> axes_{};
    QCheckBox* position_ = nullptr;
    QCheckBox* rotation_ = nullptr;
    ControlGrid* overlap_ = nullptr;
    ControlGrid* drift_ = nullptr;       ///< of noise
    ControlGrid* filmedDrift_ = nullptr; ///< of a camera's motion
    MotionChooser* driftMotion_ = nullptr;
    std::vector<KeyRows*> lists_;
    std::vector<GroupRow> groups_;
    QVBoxLayout* groupColumn_ = nullptr;
    std::vector<QPushButton*> needClip_;
};

} // namespace ember::app
