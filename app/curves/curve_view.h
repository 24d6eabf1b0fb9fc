// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include <QWidget>

#include "curve_canvas.h"

class QAction;
class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;
class QToolButton;

namespace ember::app {

class ValueField;

/// The curve view: what changes over time, in the Anvil's place. At its left which curves and for whom, above them what
/// is done with the chosen keys.
class CurveView : public QWidget {
    Q_OBJECT
public:
    explicit CurveView(Session& session, QWidget* parent = nullptr);

    CurveCanvas& canvas() { return *canvas_; }
    CurveChannels& channels() { return channels_; }
    QSize sizeHint() const override { return {1280, 280}; }
    QSize minimumSizeHint() const override { return {420, 120}; }

signals:
    void closed();

private:
    QWidget* buildHead();
    QWidget* buildTools();
    void buildMore();
    void refresh();
    void refreshKeys();
    void changeKeys(const std::function<void(CurveKey&)>& change, const QString& result, quint64 gesture);
    void slopes(SlopeKind kind, const QString& result);

    Session& session_;
    CurveChannels channels_;
    CurveCanvas* canvas_;
    QComboBox* of_ = nullptr;
    QLabel* whose_ = nullptr;
    QCheckBox* scope_ = nullptr;
    ValueField* frame_ = nullptr;
    ValueField* value_ = nullptr;
    QLabel* unit_ = nullptr;
    std::array<QToolButton*, 5> eases_{};
    QToolButton* slope_ = nullptr;
    QPushButton* here_ = nullptr;
    QPushButton* turn_ = nullptr; ///< into a curve, and back
    QPushButton* reach_ = nullptr;
    QPushButton* home_ = nullptr;
    QPushButton* follow_ = nullptr;
    QToolButton* more_ = nullptr;
    std::vector<QAction*> needChosen_;
};

} // namespace ember::app
