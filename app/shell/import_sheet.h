// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include <QDialog>

#include "ember/film/import_strikes.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QTableWidget;

namespace ember::app {

/// A list of strikes before it is imported: which of its columns is what, at which rate its frames count, and what will
/// become of each strike.
class ImportSheet : public QDialog {
    Q_OBJECT
public:
    ImportSheet(const Project& project, BookEntries book, const QString& name, ListText list,
                QWidget* parent = nullptr);

    /// As they are understood now; empty while something is wrong.
    const StrikeList& strikes() const { return strikes_; }
    /// Those of a score, where they are wanted.
    std::optional<BeatGrid> beats() const;
    /// What is wrong, empty when nothing is.
    QString trouble() const;

private:
    QWidget* buildColumns();
    void readAgain();
    void fillTable();

    const Project project_;
    const BookEntries book_; ///< where recipes that a list names are looked for
    const ListText list_;
    StrikeList strikes_;
    QLineEdit* rate_;
    QLabel* rateSays_;
    std::vector<QComboBox*> columns_; ///< as ourColumns()
    QTableWidget* table_;
    std::optional<ScoreBeats> score_;
    QCheckBox* takeBeats_;
    QLabel* result_;
    QPushButton* import_;
};

} // namespace ember::app
