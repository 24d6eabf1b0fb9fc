// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include <QWidget>

#include "dialogs.h"
#include "session.h"
#include "value_control.h"

class QCheckBox;
class QComboBox;
class QHBoxLayout;
class QLabel;
class QLayout;
class QLineEdit;
class QPushButton;
class QToolButton;
class QVBoxLayout;

namespace ember::app {

class LightBlock;
class PlaceBlock;
class SoundBlock;
class DirectionDial;
class StrandPanel;
class StrengthBar;
class ValueField;

/// The selected strikes themselves: name, kind, frame, strength, direction, variation, recipe.
class StrikeBlock : public QWidget {
    Q_OBJECT
public:
    explicit StrikeBlock(Session& session, QWidget* parent = nullptr);
    void refresh();

signals:
    void topViewAsked();

private:
    void build();
    QHBoxLayout* namedRow(const QString& name);
    QLayout* buildHead();
    QLayout* buildStrength();
    QLayout* buildDirection();
    QLayout* buildVariation();
    QLayout* buildRecipe();
    void changeStrikes(const std::function<void(Strike&)>& change, const QString& result,
                       Document::Gesture gesture = 0);

    Session& session_;
    QVBoxLayout* column_;
    QLineEdit* name_ = nullptr;
    QComboBox* kind_ = nullptr;
    ValueField* frame_ = nullptr;
    QLabel* clock_ = nullptr; ///< the same by the film's clock
    StrengthBar* strengthBar_ = nullptr;
    ValueField* strength_ = nullptr;
    DirectionDial* dial_ = nullptr;
    ValueField* direction_ = nullptr;
    QCheckBox* bySeed_ = nullptr;
    ValueField* seed_ = nullptr;
    QCheckBox* locked_ = nullptr;
    QComboBox* recipe_ = nullptr;
    ChoiceRun kindRun_;
    ChoiceRun recipeRun_;
    ChoiceRun goesRun_;
    QWidget* goesRow_ = nullptr;
    QComboBox* goesWith_ = nullptr;
    QCheckBox* placed_ = nullptr;
    PlaceBlock* place_ = nullptr;
};

/// The strike, the strand that is open, and what the recipe as a whole has.
class StrikePage : public QWidget {
    Q_OBJECT
public:
    StrikePage(Session& session, Dialogs dialogs, QWidget* parent = nullptr);

signals:
    /// A part that was opened and wants to be seen.
    void shown(QWidget* part);
    void topViewAsked();

private:
    QWidget* buildBelow();
    void addStrand(const Strand& strand);
    void setMore(bool more);
    void refresh();

    Session& session_;
    const Dialogs dialogs_;
    QLabel* hint_;
    StrikeBlock* strike_;
    StrandPanel* strand_;
    QWidget* below_ = nullptr;
    QToolButton* add_ = nullptr;
    QToolButton* moreOfIt_ = nullptr;
    QPushButton* own_ = nullptr;
    QWidget* rest_ = nullptr; ///< of the recipe: what is rarely touched
    bool more_ = false;
    ControlGrid* values_ = nullptr;
    ValueControl* recipeSeed_ = nullptr;
    QComboBox* group_ = nullptr;
    LightBlock* light_ = nullptr;
    SoundBlock* sound_ = nullptr;
};

} // namespace ember::app
