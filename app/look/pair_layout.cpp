// SPDX-License-Identifier: GPL-3.0-or-later
#include "pair_layout.h"

#include <algorithm>
#include <numeric>
#include <utility>

#include <QWidget>

namespace ember::app {

namespace {
constexpr int nameGap = 4;   ///< between a name and its control
constexpr int columnGap = 8; ///< between pairs
constexpr int rowGap = 2;

bool isThere(const QLayoutItem* item)
{
    return item != nullptr && !item->isEmpty();
}
int wide(const QLayoutItem* item)
{
    return item->sizeHint().expandedTo(item->minimumSize()).boundedTo(item->maximumSize()).width();
}
} // namespace

PairLayout::PairLayout(int columns, QWidget* of) : QLayout(of), columns_(columns)
{
    setContentsMargins(0, 0, 0, 0);
}

PairLayout::~PairLayout() = default;

void PairLayout::addPair(QWidget* label, QWidget* control, int span)
{
    Pair pair;
    if (label != nullptr) {
        addChildWidget(label);
        pair.label = std::make_unique<QWidgetItem>(label);
    }
    addChildWidget(control);
    pair.control = std::make_unique<QWidgetItem>(control);
    pair.span = span;
    pair.begins = std::exchange(break_, false);
    pairs_.push_back(std::move(pair));
    invalidate();
}

void PairLayout::breakRow()
{
    break_ = true;
}

void PairLayout::addItem(QLayoutItem* item)
{
    Pair pair;
    pair.control.reset(item);
    pairs_.push_back(std::move(pair));
    invalidate();
}

int PairLayout::count() const
{
    return std::accumulate(pairs_.begin(), pairs_.end(), 0,
                           [](int sum, const Pair& pair) { return sum + (pair.label ? 2 : 1); });
}

QLayoutItem* PairLayout::itemAt(int index) const
{
    for (const Pair& pair : pairs_) {
        if (pair.label && index-- == 0)
            return pair.label.get();
        if (index-- == 0)
            return pair.control.get();
    }
    return nullptr;
}

QLayoutItem* PairLayout::takeAt(int index)
{
    for (auto pair = pairs_.begin(); pair != pairs_.end(); ++pair) {
        if (pair->label && index-- == 0)
            return pair->label.release();
        if (index-- == 0) {
            QLayoutItem* taken = pair->control.release();
            pairs_.erase(pair);
            return taken;
        }
    }
    return nullptr;
}

int PairLayout::Arranged::width() const
{
    int sum = -columnGap;
    for (std::size_t i = 0; i < labels.size(); ++i)
        sum += columnGap + labels[i] + (labels[i] > 0 ? nameGap : 0) + controls[i];
    return sum;
}

int PairLayout::Arranged::height() const
{
    return std::accumulate(heights.begin(), heights.end(), 0) +
           rowGap * std::max(0, static_cast<int>(heights.size()) - 1);
}

PairLayout::Arranged PairLayout::arranged(int columns) const
{
    Arranged made;
    made.columns = columns;
    made.labels.resize(static_cast<std::size_t>(columns));
    made.controls.resize(static_cast<std::size_t>(columns));
    int row = 0;
    int column = 0;
    bool begins = false;
    for (const Pair& pair : pairs_) {
        begins = begins || pair.begins;
        if (!isThere(pair.control.get()))
            continue;
        const int span = std::min(pair.span, columns);
        if (column > 0 && (begins || column + span > columns)) {
            ++row;
            column = 0;
        }
        begins = false;
        made.cells.push_back({&pair, row, column, span});
        made.heights.resize(static_cast<std::size_t>(row) + 1);
        int high = pair.control->sizeHint().expandedTo(pair.control->minimumSize()).height();
        const auto at = static_cast<std::size_t>(column);
        if (isThere(pair.label.get())) {
            high = std::max(high, pair.label->sizeHint().height());
            made.labels[at] = std::max(made.labels[at], wide(pair.label.get()));
        }
        made.heights.back() = std::max(made.heights.back(), high);
        column += span;
    }
    // Controls last: one without a name has the room of the names of its column too.
    for (const Cell& cell : made.cells) {
        int have = -columnGap;
        for (int k = 0; k < cell.span; ++k) {
            const auto at = static_cast<std::size_t>(cell.column) + static_cast<std::size_t>(k);
            have += columnGap + made.controls[at] + made.labels[at] + (made.labels[at] > 0 ? nameGap : 0);
        }
        const auto at = static_cast<std::size_t>(cell.column);
        if (isThere(cell.pair->label.get()))
            have -= made.labels[at] + nameGap;
        if (const int lacks = wide(cell.pair->control.get()) - have; lacks > 0)
            made.controls[static_cast<std::size_t>(cell.column + cell.span - 1)] += lacks;
    }
    return made;
}

PairLayout::Arranged PairLayout::fitting(int width) const
{
    for (int columns = columns_; columns > 1; --columns)
        if (Arranged made = arranged(columns); made.width() <= width)
            return made;
    return arranged(1);
}

int PairLayout::heightForWidth(int width) const
{
    const QMargins around = contentsMargins();
    return fitting(width - around.left() - around.right()).height() + around.top() + around.bottom();
}

QSize PairLayout::sizeHint() const
{
    const Arranged made = arranged(columns_);
    return QSize(made.width(), made.height()).grownBy(contentsMargins());
}

QSize PairLayout::minimumSize() const
{
    return QSize(arranged(1).width(), fitting(geometry().width()).height()).grownBy(contentsMargins());
}

void PairLayout::setGeometry(const QRect& rect)
{
    QLayout::setGeometry(rect);
    const QRect inside = rect.marginsRemoved(contentsMargins());
    const Arranged made = fitting(inside.width());
    const auto columns = static_cast<int>(made.labels.size());
    const int spare = std::max(0, inside.width() - made.width());
    std::vector<int> lefts;
    int x = inside.left();
    for (int i = 0; i < columns; ++i) {
        const auto at = static_cast<std::size_t>(i);
        lefts.push_back(x);
        x += made.labels[at] + (made.labels[at] > 0 ? nameGap : 0) + made.controls[at] + spare * (i + 1) / columns -
             spare * i / columns + columnGap;
    }
    lefts.push_back(x);
    std::vector<int> tops{inside.top()};
    for (const int high : made.heights)
        tops.push_back(tops.back() + high + rowGap);
    for (const Cell& cell : made.cells) {
        const auto column = static_cast<std::size_t>(cell.column);
        const auto row = static_cast<std::size_t>(cell.row);
        int left = lefts[column];
        if (isThere(cell.pair->label.get())) {
            cell.pair->label->setGeometry(QRect(left, tops[row], made.labels[column], made.heights[row]));
            left += made.labels[column] + nameGap;
        }
        const int right = lefts[column + static_cast<std::size_t>(cell.span)] - columnGap;
        cell.pair->control->setGeometry(QRect(left, tops[row], std::max(1, right - left), made.heights[row]));
    }
}

} // namespace ember::app
