// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include <QElapsedTimer>
#include <QWidget>

#include "ember/core/field.h"
#include "open_document.h"
#include "shaping.h"

class QAbstractButton;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QScrollArea;
class QCheckBox;

namespace ember::app {

class ColourField;
class PairLayout;
class ValueField;

/// Words of a list that are passed with the arrow keys on the way to another are one choice, and so one gesture.
class ChoiceRun {
public:
    /// The gesture of a word that is chosen now; `fresh` gives another one.
    quint64 gesture(const std::function<quint64()>& fresh);

private:
    QElapsedTimer last_;
    quint64 gesture_ = 0;
};

/// Any value as the control that suits its field: a number, a list of words, a switch, or a colour. Like ValueField it
/// shows what it is given and tells what is wished for. A list or a switch is reset by Ctrl+click too.
class ValueControl : public QWidget {
    Q_OBJECT
public:
    ValueControl(const FieldSpec& spec, const QString& label, QWidget* parent = nullptr);

    void setValue(double value, bool own);
    void setTime(double framesPerSecond, bool inSeconds);
    void setBarred(const QString& reason);
    bool isSwitch() const { return switch_ != nullptr; }
    ValueField* field() { return field_; }

    std::function<quint64()> gestureSource;
    std::function<void()> resetAction;

signals:
    void wished(double value, quint64 gesture);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override; ///< Ctrl+click on lists and switches

private:
    FieldSpec spec_;
    QString label_;
    QString help_;
    bool own_ = false;
    ValueField* field_ = nullptr;
    QComboBox* list_ = nullptr;
    ChoiceRun choices_;
    QCheckBox* switch_ = nullptr;
    ColourField* colour_ = nullptr;
};

/// A word of a choice as it is shown: "first_moved" is "first moved".
QString shownWord(std::string_view word);

/// Values with their names in columns, bound to what holds them.
class ControlGrid : public QWidget {
    Q_OBJECT
public:
    struct Binding {
        std::function<std::optional<double>(const std::string& key)> read; ///< nothing: there is no such value now
        std::function<bool(const std::string& key)> own = nullptr;
        std::function<void(const std::string& key, const FieldSpec& spec, double value, quint64 gesture)> write;
        std::function<void(const std::string& key, const FieldSpec& spec)> reset = nullptr;
        /// What `set` of the batch tool calls it; empty where it has no such name.
        std::function<QString(const std::string& key)> keyFor = nullptr;
    };

    /// At most `columns` pairs of a name and a control beside each other; fewer where it is narrow.
    ControlGrid(OpenDocument& document, Shaping& shaping, Binding binding, int columns, QWidget* parent = nullptr);

    /// `span`: how many pairs of columns it takes.
    ValueControl* add(const std::string& key, const FieldSpec& spec, const QString& label = {}, int span = 1);
    /// One that others belong to: it begins a row, and its name stands out.
    ValueControl* addHead(const std::string& key, const FieldSpec& spec);
    /// Any other control, with a name like the values have.
    void addNamed(const QString& label, QWidget* control);
    /// Shows or hides it with its name.
    void setNamedVisible(QWidget* control, bool visible);
    void addWidget(QWidget* widget, int span);
    void nextRow();
    void refresh();

private:
    struct Item {
        std::string key;
        QWidget* label;
        ValueControl* control;
    };
    OpenDocument& document_;
    Shaping& shaping_;
    Binding binding_;
    PairLayout* pairs_;
    std::vector<Item> items_;
    std::vector<std::pair<QWidget*, QWidget*>> named_; ///< controls and their names
};

/// Values of the selected strike's recipe; keys are put behind `prefix` ("strand.Kick.").
ControlGrid::Binding recipeBinding(Shaping& shaping, const std::function<std::string()>& prefix);

/// A page that scrolls down when it is higher than its place, so that it never pushes anything else.
QScrollArea* scrolling(QWidget* page);
/// A dim small name.
QLabel* dimLabel(const QString& text, QWidget* parent);
/// The name of a part of a page.
QLabel* partName(const QString& text, QWidget* parent);
/// A low button for rows of a page.
QPushButton* smallButton(const QString& text, const QString& objectName, const QString& tip, QWidget* parent);
/// One that stays down.
QPushButton* smallToggle(const QString& text, const QString& objectName, const QString& tip, QWidget* parent);
/// A button that can be pressed when `whyNot` is empty; else that is its tooltip.
void allow(QAbstractButton* button, const QString& whyNot);
/// A thin line across.
QWidget* rule(QWidget* parent);

} // namespace ember::app
