// SPDX-License-Identifier: GPL-3.0-or-later
// What is asked before a motion is read: which frames of a clip, which columns of a table.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include <QDialog>

#include "ember/core/project.h"
#include "ember/exchange/motion_table.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace ember::app {

class MotionView;
class ValueField;

/// Which frames of a clip are read.
class ClipRangeSheet : public QDialog {
    Q_OBJECT
public:
    explicit ClipRangeSheet(const QString& clip, QWidget* parent = nullptr);

    std::int64_t first() const;
    /// -1: to the end.
    std::int64_t last() const;

private:
    QComboBox* which_;
    ValueField* from_;
    ValueField* to_;
};

/// A table of another program before it is imported: which of its columns is what, in which unit, at which rate and
/// size, and the motion that comes of it.
class MotionTableSheet : public QDialog {
    Q_OBJECT
public:
    MotionTableSheet(const QString& name, std::string text, const Project& like, QWidget* parent = nullptr);

    /// As it is understood now; nothing while something is wrong.
    const std::optional<CapturedMotion>& motion() const { return motion_; }

private:
    QWidget* buildColumns();
    void readAgain();

    const std::string text_;
    std::optional<CapturedMotion> motion_;
    QLineEdit* rate_;
    QLineEdit* size_;
    std::vector<QComboBox*> columns_; ///< as motionColumnNames
    std::vector<QComboBox*> units_;   ///< null where a column has none
    MotionView* view_;
    QLabel* result_;
    QPushButton* import_;
};

} // namespace ember::app
