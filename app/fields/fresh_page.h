// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <utility>

#include <QWidget>

namespace ember::app {

/// A page that shows what is there now: while it is hidden it does nothing, and comes up to date when it is shown.
class FreshPage : public QWidget {
public:
    using QWidget::QWidget;

protected:
    virtual void refresh() = 0;
    /// What it shows is another now.
    void refreshIfShown()
    {
        if (isVisible())
            refresh();
        else
            stale_ = true;
    }
    void showEvent(QShowEvent* event) override
    {
        QWidget::showEvent(event);
        if (std::exchange(stale_, false))
            refresh();
    }

private:
    bool stale_ = false;
};

} // namespace ember::app
