// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QWidget>

#include "dialogs.h"
#include "fresh_page.h"
#include "session.h"

class QComboBox;
class QLabel;
class QPushButton;
class QVBoxLayout;

namespace ember::app {

class ColourField;

class ControlGrid;

/// What is done with every frame after it was shaken: edges and cover, the shutter, the letterbox, which effects are
/// shown at all, and the layers.
class FinishPage : public FreshPage {
    Q_OBJECT
public:
    FinishPage(Session& session, Dialogs dialogs, QWidget* parent = nullptr);

private:
    void addHeading(QVBoxLayout& column, const QString& text, const QString& tip, QWidget* beside = nullptr);
    void buildCover(QVBoxLayout& column);
    void buildShutter(QVBoxLayout& column);
    void buildBars(QVBoxLayout& column);
    void buildShown(QVBoxLayout& column);
    void buildLayers(QVBoxLayout& column);
    void addLayer();
    void addLayerRow();
    void refreshLayers();
    void refresh() override;

    struct LayerRow {
        QWidget* widget;
        QLabel* name;
        ControlGrid* values;
        ControlGrid* axes;
    };
    Session& session_;
    Dialogs dialogs_;
    ControlGrid* cover_ = nullptr;
    ColourField* colour_ = nullptr; ///< of plain edges
    QLabel* coverSays_ = nullptr;
    QPushButton* worst_ = nullptr;
    ControlGrid* shutter_ = nullptr;
    QComboBox* when_ = nullptr;
    QLabel* shutterSays_ = nullptr;
    QComboBox* ratio_ = nullptr;
    ControlGrid* bars_ = nullptr;
    QLabel* barsSay_ = nullptr;
    ControlGrid* shown_ = nullptr;
    QPushButton* addLayer_ = nullptr;
    QVBoxLayout* layers_ = nullptr;
    std::vector<LayerRow> rows_;
};

} // namespace ember::app
