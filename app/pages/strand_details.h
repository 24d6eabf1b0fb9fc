// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include <QWidget>

#include "session.h"

class QLineEdit;
class QPushButton;
class QVBoxLayout;

namespace ember::app {

class ControlGrid;
class MotionChooser;
class ValueField;

/// The swing limits, frequency and phase of an oscillation on each axis. The limits are the amount and how far it
/// swings back, told as "from" and "to" in the axis' unit.
class SwingTable : public QWidget {
    Q_OBJECT
public:
    SwingTable(Session& session, std::function<std::string()> prefix, QWidget* parent = nullptr);
    void refresh();

private:
    void setLimits(Axis axis, double from, double to, quint64 gesture);

    struct Row {
        ValueField* ratio;
        ValueField* phase;
        ValueField* from;
        ValueField* to;
    };
    Session& session_;
    std::function<std::string()> prefix_;
    std::array<Row, axisCount> rows_{};
};

/// Everything of the shown strand that its panel does not show.
class StrandDetails : public QWidget {
    Q_OBJECT
public:
    explicit StrandDetails(Session& session, QWidget* parent = nullptr);
    void refresh();

private:
    const Strand* strand() const;
    void build();
    QWidget* buildButtons();
    MotionChooser* buildMotion();
    void changeStrands(const std::function<Project(Project, RecipeId)>& change, const QString& result);

    Session& session_;
    std::size_t index_ = 0; ///< of the strand in its recipe
    QVBoxLayout* column_;
    QWidget* content_ = nullptr;
    std::size_t builtFor_ = 99; ///< the kind of source the content is for
    std::size_t builtAt_ = 99;  ///< and the strand's place
    QLineEdit* name_ = nullptr;
    ControlGrid* source_ = nullptr;
    ControlGrid* values_ = nullptr;
    ValueField* rebounds_ = nullptr;
    SwingTable* swings_ = nullptr;
    QPushButton* keys_ = nullptr;
    MotionChooser* motion_ = nullptr;
};

} // namespace ember::app
