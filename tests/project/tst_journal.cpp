// SPDX-License-Identifier: GPL-3.0-or-later
// A process that keeps and saves is killed at random moments; nothing but its last step may be lost.
#include <csignal>
#include <sys/wait.h>
#include <unistd.h>

#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "ember/project/journal.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

class JournalTest : public QObject {
    Q_OBJECT
    static Project film(int strikes)
    {
        Project project;
        project.addShot(Shot{"/clips/night.mkv", 100000, false});
        for (int i = 0; i < strikes; ++i) {
            Strike strike;
            strike.frame = Frame{10 * i};
            strike.recipe = project.recipes.empty() ? project.addRecipe(Recipe{0, "Blow", {}, {}}) : 1;
            project.addStrike(strike);
        }
        return project;
    }

    /// What the child does until it is killed: one strike more, kept, told; every third one also saved.
    [[noreturn]] static void work(const std::string& folder, const std::string& target, int tell)
    {
        auto journal = Journal::begin(folder);
        Project project = film(300); // large enough that writing takes its time
        for (std::int32_t n = 0;; ++n) {
            Strike strike;
            strike.frame = Frame{n};
            strike.recipe = 1;
            project.addStrike(strike);
            if (!journal.ok() || !journal.value().keep(project, target, "night"))
                ::_exit(1);
            if (n % 3 == 0 && !saveProject(project, target))
                ::_exit(2);
            if (::write(tell, &n, sizeof n) != sizeof n)
                ::_exit(3);
        }
    }

private slots:
    void keepsAndForgets()
    {
        const QTemporaryDir folder;
        const std::string at = folder.filePath(QStringLiteral("journal")).toStdString();
        QVERIFY(leftBehind(at).empty());
        {
            auto journal = Journal::begin(at);
            QVERIFY(journal.ok());
            QVERIFY(journal.value().keep(film(2), "/p/night.vember", "Nachtschicht „Übung“").ok());
            QVERIFY(leftBehind(at).empty()); // its owner is alive: another process would say the same
            auto second = Journal::begin(at);
            QVERIFY(second.ok());
            QVERIFY(second.value().keep(film(1), "", "other").ok());
            second.value().forget();
        }
        const auto left = leftBehind(at);
        QCOMPARE(left.size(), std::size_t{1});
        QCOMPARE(left[0].projectPath, std::string("/p/night.vember"));
        QCOMPARE(left[0].title, std::string("Nachtschicht „Übung“"));
        QVERIFY(left[0].keptAt > 1'700'000'000);
        QVERIFY(recovered(left[0]).value() == film(2));
        discard(left[0]);
        QVERIFY(leftBehind(at).empty());
        QVERIFY(QDir(folder.filePath(QStringLiteral("journal"))).isEmpty());
    }
    void strangeFilesArePassedOver()
    {
        const QTemporaryDir folder;
        for (const QByteArray& text : {QByteArray(), QByteArray("x"), QByteArray("{}\n{}"), QByteArray(1000, '\n'),
                                       QByteArray("{\"kept_at\": \"soon\"}\n")}) {
            QFile file(folder.filePath(QStringLiteral("a%1.journal").arg(text.size())));
            QVERIFY(file.open(QIODevice::WriteOnly));
            file.write(text);
        }
        QVERIFY(leftBehind(folder.path().toStdString()).empty());
        QFile torn(folder.filePath(QStringLiteral("torn.journal")));
        QVERIFY(torn.open(QIODevice::WriteOnly));
        torn.write("{\"kept_at\": 1}\n{\"vember\": 5, ");
        torn.close();
        const auto left = leftBehind(folder.path().toStdString());
        QCOMPARE(left.size(), std::size_t{1});
        QVERIFY(!recovered(left[0]).ok());
        QVERIFY(!Journal::begin("/proc/nowhere").ok());
    }
    void twoHundredKillsLoseNothing()
    {
        test::Random random(1);
        int unsaved = 0;
        for (int kill = 0; kill < 200; ++kill) {
            const QTemporaryDir folder;
            const std::string at = folder.filePath(QStringLiteral("journal")).toStdString();
            const std::string target = folder.filePath(QStringLiteral("night.vember")).toStdString();
            int pipe[2];
            QVERIFY(::pipe(pipe) == 0);
            const pid_t child = ::fork();
            if (child == 0)
                work(at, target, pipe[1]);
            QVERIFY(child > 0);
            ::close(pipe[1]);
            // One in five at any moment, even before it has begun; the others in the middle of work, however slow.
            std::int32_t told = -1;
            std::int32_t n = 0;
            while (kill % 5 != 0 && told < 1 && ::read(pipe[0], &n, sizeof n) == sizeof n)
                told = n;
            ::usleep(static_cast<useconds_t>(random.between(500, 25000)));
            ::kill(child, SIGKILL);
            int status = 0;
            ::waitpid(child, &status, 0);
            QVERIFY2(WIFSIGNALED(status), "the child stopped by itself");
            while (::read(pipe[0], &n, sizeof n) == sizeof n)
                told = n;
            ::close(pipe[0]);
            // What was saved is whole, and not older than what was told.
            if (told >= 0) {
                const auto saved = loadProject(target);
                QVERIFY2(saved.ok(), qPrintable(QStringLiteral("kill %1").arg(kill)));
                QVERIFY(static_cast<int>(saved.value().strikes.size()) >= 301 + told / 3 * 3);
            } else if (QFile::exists(QString::fromStdString(target))) {
                QVERIFY(loadProject(target).ok());
            }
            const auto left = leftBehind(at);
            if (told < 0 && left.empty())
                continue; // it had not begun
            QCOMPARE(left.size(), std::size_t{1});
            QCOMPARE(left[0].projectPath, target);
            const auto back = recovered(left[0]);
            QVERIFY(back.ok());
            const int strikes = static_cast<int>(back.value().strikes.size());
            QVERIFY2(strikes == 301 + told || strikes == 302 + told, qPrintable(QString::number(strikes)));
            unsaved += told > 0;
        }
        QVERIFY2(unsaved > 100, "most were killed in the middle of work");
    }
};

EMBER_TEST(JournalTest)
#include "tst_journal.moc"
