// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include <QPixmap>
#include <QWidget>

#include "theme.h"

namespace ember::app {

/// What a view paints that does not move with the playhead, kept as a picture until it is spoiled or the view's size or
/// screen changes.
class Paper {
public:
    void spoil() { fresh_ = false; }

    template <typename Paint>
    const QPixmap& picture(const QWidget& view, Paint&& paint)
    {
        const double ratio = view.devicePixelRatioF();
        const QSize size = view.size() * ratio;
        if (!fresh_ || pixmap_.size() != size || generation_ != theme::generation()) {
            if (pixmap_.size() != size) // else its memory does for the next one
                pixmap_ = QPixmap(size);
            pixmap_.setDevicePixelRatio(ratio);
            generation_ = theme::generation();
            fresh_ = true; // before painting: what is asked for while painting may spoil it again
            paint(pixmap_);
        }
        return pixmap_;
    }

private:
    QPixmap pixmap_;
    int generation_ = -1;
    bool fresh_ = false;
};

} // namespace ember::app
