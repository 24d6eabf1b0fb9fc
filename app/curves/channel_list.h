// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "curve_channels.h"
#include "painted_access.h"

namespace ember::app {

/// The channels of the curve view by name, each with its value at the playhead. A click chooses one; Up and Down go
/// through them.
class ChannelList : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    ChannelList(Session& session, CurveChannels& channels, QWidget* parent = nullptr);

    std::vector<PaintedPart> paintedParts() override;
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return {100, rowHeight}; }
    QRect rowRect(int row) const { return {0, row * rowHeight, width(), rowHeight}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    static constexpr int rowHeight = 20;
    QString valueText(const Channel& channel) const;

    Session& session_;
    CurveChannels& channels_;
};

} // namespace ember::app
