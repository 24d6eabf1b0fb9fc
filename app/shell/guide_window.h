// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

class QTextBrowser;

namespace ember::app {

/// The guide and the other pages, offline, as they were installed with the program.
class GuideWindow : public QWidget {
    Q_OBJECT
public:
    explicit GuideWindow(QWidget* parent);
    /// A page by its place in the documentation: "guide/guide.md".
    void showPage(const QString& page);
    /// Where the pages are; empty when they were not installed.
    static QString folder();

private:
    QTextBrowser* text_;
};

} // namespace ember::app
