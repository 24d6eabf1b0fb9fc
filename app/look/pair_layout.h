// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include <QLayout>

namespace ember::app {

/// Names and their controls beside each other, in as many columns as the width has room for, at most as many as are
/// wanted. What is hidden takes no room.
class PairLayout : public QLayout {
    Q_OBJECT
public:
    explicit PairLayout(int columns, QWidget* of);
    ~PairLayout() override;

    /// `label` may be null: the control then takes its room too. `span`: how many columns it wants.
    void addPair(QWidget* label, QWidget* control, int span = 1);
    /// The next pair begins a row.
    void breakRow();

    void addItem(QLayoutItem* item) override;
    int count() const override;
    QLayoutItem* itemAt(int index) const override;
    QLayoutItem* takeAt(int index) override;
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override;
    QSize sizeHint() const override;
    QSize minimumSize() const override;
    void setGeometry(const QRect& rect) override;
    Qt::Orientations expandingDirections() const override { return Qt::Horizontal; }

private:
    struct Pair {
        std::unique_ptr<QLayoutItem> label;
        std::unique_ptr<QLayoutItem> control;
        int span = 1;
        bool begins = false; ///< a row
    };
    struct Cell {
        const Pair* pair;
        int row;
        int column;
        int span;
    };
    struct Arranged {
        int columns = 1;
        std::vector<Cell> cells;
        std::vector<int> labels;   ///< widths, of each column
        std::vector<int> controls; ///< the same
        std::vector<int> heights;  ///< of each row
        int width() const;
        int height() const;
    };
    Arranged arranged(int columns) const;
    Arranged fitting(int width) const;

    int columns_;
    bool break_ = false;
    std::vector<Pair> pairs_;
};

} // namespace ember::app
