// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QLayout>

namespace ember::app {

/// A row that becomes several where there is no room for all of it: nothing is ever cut. In one row what is behind a
/// spring is pushed to the right, as evenly as there are springs; where it breaks, lines begin at the left.
class FlowLayout : public QLayout {
public:
    explicit FlowLayout(QWidget* parent = nullptr);
    ~FlowLayout() override;

    void addItem(QLayoutItem* item) override;
    void addSpring();
    void addGap(int pixels);

    int count() const override { return static_cast<int>(items_.size()); }
    QLayoutItem* itemAt(int index) const override;
    QLayoutItem* takeAt(int index) override;
    Qt::Orientations expandingDirections() const override { return {}; }
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override;
    QSize sizeHint() const override;
    QSize minimumSize() const override;
    void setGeometry(const QRect& rect) override;

private:
    struct Line {
        std::size_t first;
        std::size_t end;
        int width = 0;
        int height = 0;
    };
    std::vector<Line> linesFor(int width) const;
    bool shown(const QLayoutItem& item) const;

    std::vector<QLayoutItem*> items_;
};

} // namespace ember::app
