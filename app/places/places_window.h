// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QDialog>

#include "session.h"

class QLabel;
class QPushButton;

namespace ember::app {

class ControlGrid;
class KeyRows;
class PlaceBlock;
class TopView;

/// The film's events from above, what carries their blows to the camera, and the camera's own way.
class PlacesWindow : public QDialog {
    Q_OBJECT
public:
    explicit PlacesWindow(Session& session, QWidget* parent = nullptr);

private:
    void refresh();
    void keyHere();
    KeyRows* buildCamera();

    Session& session_;
    TopView* view_;
    StrikeIds shown_; ///< the strikes of the view's events
    ControlGrid* world_;
    PlaceBlock* place_;
    QLabel* hint_;
    QPushButton* key_;
    KeyRows* camera_;
};

} // namespace ember::app
