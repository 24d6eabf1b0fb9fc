// SPDX-License-Identifier: GPL-3.0-or-later
#include "flow_layout.h"

#include <algorithm>

#include <QWidget>

namespace ember::app {

FlowLayout::FlowLayout(QWidget* parent) : QLayout(parent) {}

FlowLayout::~FlowLayout()
{
    for (QLayoutItem* item : items_)
        delete item;
}

void FlowLayout::addItem(QLayoutItem* item)
{
    items_.push_back(item);
}

void FlowLayout::addSpring()
{
    items_.push_back(new QSpacerItem(0, 0, QSizePolicy::Expanding, QSizePolicy::Minimum));
    invalidate();
}

void FlowLayout::addGap(int pixels)
{
    items_.push_back(new QSpacerItem(pixels, 0, QSizePolicy::Fixed, QSizePolicy::Minimum));
    invalidate();
}

QLayoutItem* FlowLayout::itemAt(int index) const
{
    return index >= 0 && index < count() ? items_[static_cast<std::size_t>(index)] : nullptr;
}

QLayoutItem* FlowLayout::takeAt(int index)
{
    QLayoutItem* item = itemAt(index);
    if (item != nullptr)
        items_.erase(items_.begin() + index);
    return item;
}

bool FlowLayout::shown(const QLayoutItem& item) const
{
    return item.widget() == nullptr || !item.widget()->isHidden();
}

std::vector<FlowLayout::Line> FlowLayout::linesFor(int width) const
{
    std::vector<Line> lines;
    Line line{0, 0};
    for (std::size_t i = 0; i < items_.size(); ++i) {
        if (!shown(*items_[i])) {
            line.end = i + 1;
            continue;
        }
        const QSize size = items_[i]->sizeHint();
        const bool space = items_[i]->spacerItem() != nullptr;
        const int wide = size.width() + (line.width > 0 && !space ? spacing() : 0);
        if (line.width > 0 && !space && line.width + wide > width) {
            lines.push_back(line);
            line = {i, i};
        }
        line.width += line.width > 0 ? wide : space ? 0 : size.width(); // no line begins with a gap
        line.height = std::max(line.height, size.height());
        line.end = i + 1;
    }
    if (line.end > line.first)
        lines.push_back(line);
    return lines;
}

int FlowLayout::heightForWidth(int width) const
{
    const QMargins around = contentsMargins();
    int height = around.top() + around.bottom();
    const auto lines = linesFor(width - around.left() - around.right());
    for (const Line& line : lines)
        height += line.height;
    return height + std::max(0, static_cast<int>(lines.size()) - 1) * spacing();
}

QSize FlowLayout::sizeHint() const
{
    const QMargins around = contentsMargins();
    const auto lines = linesFor(1 << 20);
    return {(lines.empty() ? 0 : lines.front().width) + around.left() + around.right(), heightForWidth(1 << 20)};
}

QSize FlowLayout::minimumSize() const
{
    const QMargins around = contentsMargins();
    QSize least;
    for (const QLayoutItem* item : items_)
        if (shown(*item))
            least = least.expandedTo(item->minimumSize());
    return least.grownBy(around);
}

void FlowLayout::setGeometry(const QRect& rect)
{
    QLayout::setGeometry(rect);
    const QRect inside = rect.marginsRemoved(contentsMargins());
    const auto lines = linesFor(inside.width());
    int y = inside.top();
    for (const Line& line : lines) {
        const auto springs =
            std::count_if(items_.begin() + static_cast<std::ptrdiff_t>(line.first),
                          items_.begin() + static_cast<std::ptrdiff_t>(line.end), [](QLayoutItem* item) {
                              return item->spacerItem() != nullptr && item->expandingDirections() != Qt::Orientations();
                          });
        const int left = lines.size() == 1 && springs > 0 ? std::max(0, inside.width() - line.width) : 0;
        int x = inside.left();
        int given = 0;
        int spring = 0;
        bool first = true;
        for (std::size_t i = line.first; i < line.end; ++i) {
            QLayoutItem& item = *items_[i];
            if (!shown(item))
                continue;
            if (item.spacerItem() != nullptr) {
                if (item.expandingDirections() != Qt::Orientations()) {
                    const int share = left * ++spring / static_cast<int>(std::max<std::ptrdiff_t>(1, springs)) - given;
                    given += share;
                    x += share;
                } else if (!first) {
                    x += item.sizeHint().width();
                }
                continue;
            }
            const QSize size = item.sizeHint();
            if (!first)
                x += spacing();
            item.setGeometry(QRect(x, y + (line.height - size.height()) / 2, size.width(), size.height()));
            x += size.width();
            first = false;
        }
        y += line.height + spacing();
    }
}

} // namespace ember::app
