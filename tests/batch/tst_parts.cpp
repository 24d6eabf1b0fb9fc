// SPDX-License-Identifier: GPL-3.0-or-later
// Films in parts, by the jobs that the batch tool writes and by the real program.
#include <sstream>

#include <QCoreApplication>
#include <QDir>
#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/batch/batch.h"
#include "ember/media/clip.h"
#include "ember/project/motion_library.h"
#include "runner.h"

using namespace ember;

class PartsTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string project_;
    std::string out_;
    std::string err_;

    QString path(const char* name) const { return folder_.filePath(QString::fromUtf8(name)); }
    std::string at(const char* name) const { return path(name).toStdString(); }
    static QString tool() { return QCoreApplication::applicationDirPath() + QStringLiteral("/vast-ember-batch"); }
    int run(const std::vector<std::string>& arguments)
    {
        std::ostringstream out;
        std::ostringstream err;
        const int code = runBatch(arguments, {out, err, false, nullptr});
        out_ = out.str();
        err_ = err.str();
        return code;
    }
    std::vector<std::string> parts(const std::string& out, const char* form, const char* count = "3")
    {
        return {"parts", project_, "-o", out, "--count", count, "--for", form, "--program", tool().toStdString()};
    }
    static int shell(const QString& program, const QStringList& arguments)
    {
        QProcess process;
        process.start(program, arguments);
        return process.waitForFinished(test::patience) ? process.exitCode() : -1;
    }

private slots:
    void initTestCase()
    {
        const std::string clip = test::numberedClip(folder_, "clip.mkv", 72, *FrameRate::make(24, 1), 96, 64, true);
        project_ = at("a film's $project.vember");
        QCOMPARE(run({"new", clip, "-o", project_, "--strike", "20:blast:1"}), 0);
        QCOMPARE(run({"render", project_, "-o", at("whole.mkv")}), 0);
    }
    void plainCommandsMakeTheFilm()
    {
        const std::string out = at("it's $plain.mkv");
        QCOMPARE(run(parts(out, "plain")), 0);
        const QStringList lines = QString::fromStdString(out_).split(QLatin1Char('\n'), Qt::SkipEmptyParts);
        QCOMPARE(lines.size(), 4);
        for (const QString& line : lines)
            QCOMPARE(shell(QStringLiteral("sh"), {QStringLiteral("-c"), line}), 0);
        QCOMPARE(test::bytesOf(out), test::bytesOf(at("whole.mkv")));
    }
    void makeDoesWhatIsLeft()
    {
        const std::string out = at("it's $made.mkv");
        QCOMPARE(run(parts(out, "make")), 0);
        test::writeBytes(at("job.mk"), QByteArray::fromStdString(out_));
        const auto make = [&] {
            return shell(QStringLiteral("make"), {QStringLiteral("-f"), path("job.mk"), QStringLiteral("-j2")});
        };
        QCOMPARE(run({"render", project_, "-o", out, "--part", "2/3"}), 0);
        QCOMPARE(make(), 0);
        QCOMPARE(test::bytesOf(out), test::bytesOf(at("whole.mkv")));
        QCOMPARE(make(), 0); // nothing to do
        QVERIFY(!QFile::exists(QString::fromStdString(out + ".parts")));
    }
    void slurmGetsAnArrayAndAJoin()
    {
        // A stand-in for the scheduler: it does at once what it is given, the parts of an array one after the other.
        QVERIFY(QDir().mkpath(path("bin")));
        test::writeBytes(at("bin/sbatch"),
                         "#!/bin/sh\n"
                         "script=$(mktemp) && cat > \"$script\"\n"
                         "case \"$*\" in\n"
                         "*--array=1-3*) for SLURM_ARRAY_TASK_ID in 1 2 3; do\n"
                         "  export SLURM_ARRAY_TASK_ID; sh \"$script\" 1>&2 || exit 1; done; echo 7;;\n"
                         "*--dependency=afterok:7*) sh \"$script\" 1>&2 || exit 1; echo 8;;\n"
                         "*) exit 1;;\nesac\n");
        QFile::setPermissions(path("bin/sbatch"), QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
        const std::string out = at("it's $queued.mkv");
        QCOMPARE(run(parts(out, "slurm")), 0);
        test::writeBytes(at("job.sh"), QByteArray::fromStdString(out_));
        QProcess process;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert(QStringLiteral("PATH"),
                           path("bin") + QLatin1Char(':') + environment.value(QStringLiteral("PATH")));
        process.setProcessEnvironment(environment);
        process.start(QStringLiteral("sh"), {path("job.sh")});
        QVERIFY(process.waitForFinished(test::patience));
        QVERIFY2(process.exitCode() == 0, process.readAllStandardError().constData());
        QCOMPARE(process.readAllStandardOutput(), QByteArray("parts: job 7, joined by job 8\n"));
        QCOMPARE(test::bytesOf(out), test::bytesOf(at("whole.mkv")));
    }
    void aPartThatIsKilledIsRenderedAgain()
    {
        const std::string out = at("killed.mkv");
        const QString record = QString::fromStdString(out + ".parts/part-1-of-2.json");
        for (int round = 0; round < 4; ++round) {
            QProcess process;
            process.start(tool(), {QStringLiteral("render"), QString::fromStdString(project_), QStringLiteral("-o"),
                                   QString::fromStdString(out), QStringLiteral("--part"), QStringLiteral("1/2"),
                                   QStringLiteral("--force")});
            QVERIFY(process.waitForStarted(test::patience));
            QTest::qWait(15 * round);
            process.kill();
            QVERIFY(process.waitForFinished(test::patience));
            // Killed at any moment it is there whole, or not.
            const int joined = run({"join", project_, "-o", out});
            QVERIFY(joined == 1 && !QFile::exists(QString::fromStdString(out)));
        }
        for (const char* part : {"1/2", "2/2"})
            QCOMPARE(run({"render", project_, "-o", out, "--part", part}), 0);
        QVERIFY(QFile::exists(record));
        QCOMPARE(run({"join", project_, "-o", out, "--keep-parts"}), 0);
        QCOMPARE(test::bytesOf(out), test::bytesOf(at("whole.mkv")));
        QVERIFY(QFile::exists(record));
        QCOMPARE(run({"join", project_, "-o", out}), 1);
        QVERIFY(err_.find("--force replaces it") != std::string::npos);
        QCOMPARE(run({"join", project_, "-o", out, "--force"}), 0);
    }
    void settingsGoAlong()
    {
        const std::string out = at("small.mp4");
        std::vector<std::string> arguments = parts(out, "plain", "2");
        for (const char* more :
             {"--size", "48x32", "--coder", "hevc", "--quality", "draft", "--frames", "10-49", "--gentle"})
            arguments.emplace_back(more);
        QCOMPARE(run(arguments), 0);
        for (const QString& line : QString::fromStdString(out_).split(QLatin1Char('\n'), Qt::SkipEmptyParts))
            QCOMPARE(shell(QStringLiteral("sh"), {QStringLiteral("-c"), line}), 0);
        const auto clip = ClipReader::open(out);
        QVERIFY(clip);
        const ClipInfo& info = clip.value()->info();
        QVERIFY(info.width == 48 && info.height == 32 && info.pictures == 40 && info.codec == "hevc");
    }
    void strikesAreFoundInParts()
    {
        const std::string clip = at("it's $lit.mkv");
        QVERIFY(test::flashingClip(clip, {20, 50, 77}, 0.01, 0.8));
        QCOMPARE(run({"spot", clip, "--sensitivity", "0.7"}), 0);
        const std::string whole = out_;
        const std::string out = at("strikes $of it.csv");
        QCOMPARE(run({"parts", clip, "-o", out, "--count", "3", "--for", "make", "--command", "spot", "--program",
                      tool().toStdString(), "--", "--sensitivity", "0.7"}),
                 0);
        test::writeBytes(at("spot.mk"), QByteArray::fromStdString(out_));
        QCOMPARE(shell(QStringLiteral("make"), {QStringLiteral("-f"), path("spot.mk"), QStringLiteral("-j2")}), 0);
        QCOMPARE(test::bytesOf(out).toStdString(), whole);
        QVERIFY(!QFile::exists(QString::fromStdString(out + ".parts")));
        // To be put together again, with another sensitivity.
        for (const char* part : {"1/2", "2/2"})
            QCOMPARE(run({"spot", clip, "-o", out, "--part", part}), 0);
        QCOMPARE(run({"spot", clip, "-o", out, "--join"}), 1);
        QVERIFY(err_.find("--force replaces it") != std::string::npos);
        QCOMPARE(run({"spot", clip, "-o", out, "--join", "--force", "--keep-parts", "--format", "json"}), 0);
        const QByteArray joined = test::bytesOf(out);
        QCOMPARE(run({"spot", clip, "--format", "json"}), 0);
        QCOMPARE(joined.toStdString(), out_);
        QVERIFY(QFile::exists(QString::fromStdString(out + ".parts/part-2-of-2.json")));
    }
    void aMotionIsTrackedInParts()
    {
        const std::string clip = at("clip.mkv");
        const std::string out = at("motion.json");
        QCOMPARE(run({"parts", clip, "-o", out, "--count", "2", "--for", "plain", "--command", "capture", "--program",
                      tool().toStdString(), "--", "--range", "10-49"}),
                 0);
        for (const QString& line : QString::fromStdString(out_).split(QLatin1Char('\n'), Qt::SkipEmptyParts))
            QCOMPARE(shell(QStringLiteral("sh"), {QStringLiteral("-c"), line}), 0);
        const auto motion = loadMotion(out);
        QVERIFY(motion && motion->motion.frames.size() == 40);
    }
    void whatIsWrongInAnalysisIsTold()
    {
        const std::string clip = at("clip.mkv");
        const auto job = [&](std::vector<std::string> more) {
            std::vector<std::string> all{"parts", clip, "--for", "plain", "--command", "spot"};
            all.insert(all.end(), more.begin(), more.end());
            return run(all);
        };
        QCOMPARE(job({"-o", at("s.csv"), "--count", "2", "--", "--sensitive", "1"}), 1);
        QVERIFY(err_.find("--sensitive") != std::string::npos);
        QCOMPARE(job({"-o", at("s.csv"), "--count", "73"}), 1);
        QVERIFY(err_.find("72 frames cannot be cut into 73 parts") != std::string::npos);
        QCOMPARE(job({"-o", clip, "--count", "2", "--force"}), 1);
        QCOMPARE(job({"-o", at("s.csv"), "--count", "2", "--size", "48x32"}), 1);
        QCOMPARE(run({"parts", project_, "-o", at("a.mkv"), "--count", "2", "--for", "plain", "--", "--x"}), 1);
        QCOMPARE(run({"spot", clip, "--part", "1/2"}), 2);
        QCOMPARE(run({"spot", clip, "-o", at("s.csv"), "--part", "1/2", "--join"}), 2);
        QCOMPARE(run({"spot", clip, "-o", at("s.csv"), "--part", "1/2", "--from", "sound"}), 1);
        QCOMPARE(run({"spot", clip, "-o", clip, "--force"}), 1);
        QCOMPARE(run({"capture", clip, "-o", at("s.csv"), "--join"}), 1);
        QVERIFY(err_.find("there are no parts") != std::string::npos);
        QVERIFY(!QFile::exists(path("s.csv.parts")) && !QFile::exists(path("s.csv")));
    }
    void whatIsWrongIsTold()
    {
        QCOMPARE(run(parts(at("a.mkv"), "plain", "4")), 1); // a second is one piece
        QVERIFY(err_.find("3 parts at most") != std::string::npos);
        QCOMPARE(run(parts(at("a.gif"), "plain")), 1);
        QCOMPARE(run(parts(at("whole.mkv"), "plain")), 1);
        QVERIFY(err_.find("--force replaces it") != std::string::npos);
        QCOMPARE(run(parts(at("a.mkv"), "cron")), 2);
        QCOMPARE(run({"render", project_, "-o", at("a.mkv"), "--part", "4/3"}), 2);
        QCOMPARE(run({"render", project_, "-o", at("a.mkv"), "--part", "1/3", "--also", at("b.mkv")}), 1);
        QCOMPARE(run({"join", project_, "-o", at("a.mkv")}), 1);
        QVERIFY(err_.find("there are no parts") != std::string::npos);
        QVERIFY(!QFile::exists(path("a.mkv.parts")));
    }
};

EMBER_TEST(PartsTest)

#include "tst_parts.moc"
