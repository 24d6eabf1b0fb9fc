// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "film.h"
#include "open_document.h"
#include "painted_access.h"
#include "playhead.h"

namespace ember::app {

/// The film's frames around one, side by side, that one framed. A click goes to a frame.
class FrameStrip : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    static constexpr int around = 2; ///< frames to each side

    explicit FrameStrip(OpenDocument& document, Film& film, Playhead& playhead, QWidget* parent = nullptr);

    /// -1 for none.
    void setFrame(std::int64_t frame);
    /// What is written while there is none.
    void setHint(const QString& hint);

    std::vector<PaintedPart> paintedParts() override;

    QSize sizeHint() const override;
    QSize minimumSizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    QRectF box(int place) const;

    OpenDocument& document_;
    Film& film_;
    Playhead& playhead_;
    std::int64_t frame_ = -1;
    QString hint_;
};

} // namespace ember::app
