// SPDX-License-Identifier: GPL-3.0-or-later
// Files and settings by the desktop's portal, where it is asked for: on a bus of its own, with a stand-in.
#include <QTest>
#include <QWidget>

#include "clips.h"
#include "dialogs.h"
#include "reduced_motion.h"
#include "runner.h"

using namespace ember::app;

class PortalTest : public QObject {
    Q_OBJECT
    const QString file_ = qEnvironmentVariable("EMBER_PORTAL_FILE");

    static bool tells(const char* line)
    {
        return ember::test::bytesOf(qEnvironmentVariable("EMBER_PORTAL_LOG").toStdString()).contains(line);
    }

private slots:
    void theWishForLessMotionIsReadFromIt()
    {
        const auto wished = [] { // it does not wait long for the answer
            askDesktopAgain();
            return desktopPrefersLessMotion();
        };
        QTRY_VERIFY(wished());
        QTRY_VERIFY(tells("Read enable-animations\n"));
        // By then the portal's version, which was asked for before, is answered, too: until it is known, files are
        // chosen without it.
        for (int i = 0; i < 3; ++i)
            QCoreApplication::processEvents();
    }
    void filesToOpenAreChosenByIt()
    {
        QWidget window;
        window.show();
        const Dialogs dialogs = Dialogs::standard();
        QCOMPARE(dialogs.openFile(&window, QStringLiteral("Open a project"), filter::projects()), file_);
        QTRY_VERIFY(tells("OpenFile Open a project\n"));
        QCOMPARE(dialogs.openFiles(&window, QStringLiteral("Clips to add"), filter::clips()), QStringList{file_});
        QTRY_VERIFY(tells("OpenFile Clips to add\n"));
    }
    void filesToSaveAreChosenByIt()
    {
        QWidget window;
        window.show();
        const QString chosen = Dialogs::standard().saveFile(
            &window, QStringLiteral("Save as"), QStringLiteral("a.vember"), QStringLiteral("Projects (*.vember)"));
        QCOMPARE(chosen, file_);
        QTRY_VERIFY(tells("SaveFile Save as\n"));
    }
};

EMBER_TEST(PortalTest)

#include "tst_portal.moc"
