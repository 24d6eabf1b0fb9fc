// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <vector>

#include <QWidget>

#include "open_document.h"
#include "playhead.h"
#include "shaping.h"

class QComboBox;
class QGridLayout;
class QLabel;
class QPushButton;

namespace ember::app {

class ValueControl;

/// A short list of things with a frame (settle marks, keys), a row each: its values, a button that goes there, and one
/// that deletes it.
class KeyRows : public QWidget {
    Q_OBJECT
public:
    /// What is listed. Values are those of one row, in the order of the fields; the first is its frame.
    struct Kind {
        QString name; ///< in object names
        std::vector<FieldSpec> fields;
        std::function<std::vector<std::vector<double>>(const Project&)> rows;
        std::function<Project(Project, std::size_t row, const std::vector<double>& values)> change;
        std::function<Project(Project, std::size_t row)> remove;
        QString changed; ///< undo texts
        QString removed;
        /// One more thing of a row, on a line below it, chosen from words: what there is, and which is chosen.
        struct Choices {
            QStringList words;
            int chosen = 0;
        };
        std::function<Choices(const Project&, std::size_t row)> choices = nullptr;
        std::function<Project(Project, std::size_t row, int choice)> choose = nullptr;
        QString choiceName = {}; ///< what stands before it
        QString choiceTip = {};
    };
    KeyRows(OpenDocument& document, Shaping& shaping, Playhead& playhead, Kind kind, QWidget* parent = nullptr);
    void refresh();

private:
    struct Row {
        std::vector<ValueControl*> controls;
        QComboBox* choice = nullptr; ///< where rows have one
        QLabel* choiceName = nullptr;
        QPushButton* go = nullptr;
        QPushButton* remove = nullptr;
    };
    void addRow();
    int gridRow(std::size_t index) const;
    QComboBox* newChoice(std::size_t index);
    void change(std::size_t row, std::size_t column, double value, quint64 gesture);
    /// The focus from a cell to the same cell of the row its values stand in now.
    void follow(std::size_t from, const std::vector<double>& values);
    void bringIntoView(std::size_t row);

    OpenDocument& document_;
    Shaping& shaping_;
    Playhead& playhead_;
    Kind kind_;
    QGridLayout* grid_;
    std::vector<Row> rows_;
    std::vector<std::vector<double>> shown_;
};

} // namespace ember::app
