// SPDX-License-Identifier: GPL-3.0-or-later
// Another program: a window that takes one drop, writes its files to stdout, a line each, and ends.
#include <cstdio>

#include <QApplication>
#include <QDragEnterEvent>
#include <QMimeData>
#include <QUrl>
#include <QWidget>

namespace {

class Target final : public QWidget {
public:
    Target()
    {
        setAcceptDrops(true);
        setWindowTitle(QStringLiteral("drop target")); // by which the compositor places it
        setFixedSize(160, 120);
    }

protected:
    void dragEnterEvent(QDragEnterEvent* event) override
    {
        if (event->mimeData()->hasUrls())
            event->acceptProposedAction();
    }
    void dropEvent(QDropEvent* event) override
    {
        for (const QUrl& url : event->mimeData()->urls())
            std::puts(qPrintable(url.toLocalFile()));
        std::puts(event->dropAction() == Qt::CopyAction ? "copied" : "moved");
        event->acceptProposedAction();
        std::fflush(stdout);
        QCoreApplication::quit();
    }
};

} // namespace

int main(int argc, char** argv)
{
    const QApplication application(argc, argv);
    Target target;
    target.show();
    return QApplication::exec();
}
