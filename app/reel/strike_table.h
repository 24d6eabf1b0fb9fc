// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>

#include <QDialog>

#include "ember/project/timing_edits.h"
#include "session.h"

class QLabel;
class QSortFilterProxyModel;
class QTableView;

namespace ember::app {

class StrikeModel;
class ValueField;

/// All strikes of the film in a table: sorted by any column, edited in its cells, picked in rows as on the Reel, their
/// strengths or directions scattered.
class StrikeTable : public QDialog {
    Q_OBJECT
public:
    explicit StrikeTable(Session& session, QWidget* parent = nullptr);

    QTableView& view() { return *view_; }
    StrikeModel& model() { return *model_; }

private:
    QWidget* buildScatter();
    void scatter(Scattered what, double range);
    void pick();       ///< the rows that are chosen, on the Reel
    void showPicked(); ///< the other way round
    void refresh();

    Session& session_;
    StrikeModel* model_;
    QSortFilterProxyModel* sorted_;
    QTableView* view_;
    QLabel* says_;
    ValueField* strengths_ = nullptr;
    ValueField* directions_ = nullptr;
    std::uint32_t round_ = 0; ///< another one each time
    bool picking_ = false;
};

} // namespace ember::app
