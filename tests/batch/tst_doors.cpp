// SPDX-License-Identifier: GPL-3.0-or-later
// What goes in and out of the commands: no output onto an input, whoever is named; hostile files; two at once.
#include <atomic>
#include <csignal>
#include <fstream>
#include <sstream>
#include <thread>

#include <QDir>
#include <QFile>
#include <QProcess>
#include <QTcpServer>
#include <QTest>
#include <QUdpSocket>

#include <sys/stat.h>
#include <unistd.h>

#include "clips.h"
#include "ember/batch/batch.h"
#include "ember/core/shown_text.h"
#include "ember/files/part_files.h"
#include "ember/files/whole_file.h"
#include "ember/project/file.h"
#include "ember/project/settings.h"
#include "ember/project/shipped_recipes.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

/// A name that wants to be something else wherever it is written.
const std::string hostile = "</style><script>alert(1)</script> --> =1+2 a=b\nline \"two\" */ \x1b[31m & 'x'; \\n";

} // namespace

class DoorsTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;
    std::string sound_;
    std::string layer_;
    std::string project_;
    std::string out_;
    std::string err_;

    std::string at(const std::string& name) const
    {
        return folder_.filePath(QString::fromStdString(name)).toStdString();
    }
    int run(const std::vector<std::string>& arguments, const std::atomic<bool>* stop = nullptr)
    {
        std::ostringstream out;
        std::ostringstream err;
        const int code = runBatch(arguments, {out, err, false, stop});
        out_ = out.str();
        err_ = err.str();
        return code;
    }
    bool errHas(const std::string& text) const { return err_.find(text) != std::string::npos; }
    static QString program() { return QCoreApplication::applicationDirPath() + QStringLiteral("/vast-ember-batch"); }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "clip.mkv", 48, *FrameRate::make(24, 1), 192, 128, true);
        QVERIFY(!clip_.empty());
        sound_ = at("own.wav");
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i", "sine=440:d=2", QString::fromStdString(sound_)}));
        layer_ = at("title.png");
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i", "color=s=64x32", "-frames:v", "1", QString::fromStdString(layer_)}));
        project_ = at("film.vember");
        QCOMPARE(run({"new", clip_, "-o", project_, "--strike", "12:hit:1"}), 0);
        Project project = loadProject(project_).value();
        project.sound.file = sound_;
        project.layers.push_back({"Title", layer_, 0, 48, 0, 0});
        QVERIFY(saveProject(project, project_));
    }

    // --- the guard: every command that writes, against everything that is read
    void noOutputOntoAnInput_data()
    {
        QTest::addColumn<QStringList>("command"); // OUT stands for the output
        QTest::addColumn<QString>("onto");
        const QString clip = QString::fromStdString(clip_);
        const QString project = QString::fromStdString(project_);
        QFile list(folder_.filePath(QStringLiteral("list.csv")));
        QVERIFY(list.open(QIODevice::WriteOnly));
        list.write("frame,kind\n20,hit\n");
        list.close();
        const std::vector<std::pair<const char*, QStringList>> commands{
            {"new", {"new", clip, "-o", "OUT", "--force"}},
            {"set", {"set", project, "master.intensity=0.5", "-o", "OUT", "--force"}},
            {"import", {"import", list.fileName(), "-p", project, "-o", "OUT", "--force"}},
            {"conform", {"conform", project, "--clip", clip, "-o", "OUT", "--force"}},
            {"serve", {"serve", project, "--osc", "0", "--for", "0.05", "--log", "OUT", "--force"}},
            {"capture", {"capture", clip, "-o", "OUT", "--force"}},
            {"rumble", {"rumble", project, "-o", "OUT", "--force"}},
            {"export-strikes", {"export-strikes", project, "--as", "csv", "-o", "OUT", "--force"}},
            {"export", {"export", project, "--as", "csv", "-o", "OUT", "--force"}},
            {"export sheet", {"export", project, "--as", "sheet", "--strike", "1", "-o", "OUT", "--force"}},
            {"render", {"render", project, "-o", "OUT", "--force"}},
            {"still", {"still", project, "--frame", "3", "-o", "OUT", "--force"}},
            {"thumbnail", {"thumbnail", project, "-o", "OUT", "--force"}}};
        const QDir here(folder_.path());
        QFile::link(clip, here.filePath(QStringLiteral("link.mkv")));
        QVERIFY(::link(clip_.c_str(), at("hard.mkv").c_str()) == 0);
        QFile::link(QString::fromStdString(layer_), here.filePath(QStringLiteral("link.png")));
        for (const auto& [name, command] : commands) {
            const bool picture = QLatin1String(name) == QLatin1String("still");
            const bool film = QLatin1String(name) == QLatin1String("render");
            QStringList onto{clip, here.filePath(QStringLiteral("link.mkv")), here.filePath(QStringLiteral("hard.mkv")),
                             here.filePath(QStringLiteral("../")) + QFileInfo(folder_.path()).fileName() +
                                 QStringLiteral("/clip.mkv")};
            if (picture)
                onto = QStringList{QString::fromStdString(layer_), here.filePath(QStringLiteral("link.png"))};
            const bool ofClipOnly = command[0] == QLatin1String("new") || command[0] == QLatin1String("capture");
            if (!picture && !film && !ofClipOnly)
                onto << project << QString::fromStdString(sound_) << QString::fromStdString(layer_);
            if (command[0] == QLatin1String("import"))
                onto << list.fileName();
            for (const QString& file : onto)
                QTest::addRow("%s onto %s", name, qPrintable(QFileInfo(file).fileName())) << command << file;
        }
    }
    void noOutputOntoAnInput()
    {
        QFETCH(QStringList, command);
        QFETCH(QString, onto);
        const QByteArray clip = test::bytesOf(clip_);
        const QByteArray project = test::bytesOf(project_);
        const QByteArray before = test::bytesOf(onto.toStdString());
        std::vector<std::string> arguments;
        for (const QString& argument : command)
            arguments.push_back(argument == QLatin1String("OUT") ? onto.toStdString() : argument.toStdString());
        QCOMPARE(run(arguments), 1);
        QVERIFY2(errHas("never written over"), err_.c_str());
        QVERIFY(test::bytesOf(onto.toStdString()) == before);
        QVERIFY(test::bytesOf(clip_) == clip);
        QVERIFY(test::bytesOf(project_) == project);
    }
    void whatExistsNeedsForce_data()
    {
        QTest::addColumn<QStringList>("command");
        const QString clip = QString::fromStdString(clip_);
        const QString project = QString::fromStdString(project_);
        const auto row = [](const char* name, const QStringList& command) { QTest::newRow(name) << command; };
        row("new", {"new", clip, "-o", "there.vember"});
        row("set", {"set", project, "master.intensity=0.5", "-o", "there.vember"});
        row("import", {"import", folder_.filePath("list.csv"), "-p", project, "-o", "there.vember"});
        row("conform", {"conform", project, "--clip", clip, "-o", "there.vember"});
        row("serve", {"serve", project, "--osc", "0", "--for", "0.05", "--log", "there.csv"});
        row("capture", {"capture", clip, "-o", "there.csv"});
        row("rumble", {"rumble", project, "-o", "there.wav"});
        row("export-strikes", {"export-strikes", project, "-o", "there.csv"});
        row("export", {"export", project, "-o", "there.csv"});
        row("render", {"render", project, "-o", "there.mkv"});
        row("still", {"still", project, "--frame", "3", "-o", "there.png"});
    }
    void whatExistsNeedsForce()
    {
        QFETCH(QStringList, command);
        for (const bool link : {false, true}) { // a link to nothing is something, too
            std::vector<std::string> arguments;
            for (const QString& argument : command)
                arguments.push_back(argument.startsWith(QStringLiteral("there")) ? at(argument.toStdString())
                                                                                 : argument.toStdString());
            const std::string target = at(command.last().toStdString());
            QFile::remove(QString::fromStdString(target));
            if (link)
                QVERIFY(::symlink(at("nowhere/at/all").c_str(), target.c_str()) == 0);
            else
                test::writeBytes(target, "mine");
            QCOMPARE(run(arguments), 1);
            QVERIFY2(errHas("exists already") && errHas("--force"), err_.c_str());
            if (!link)
                QCOMPARE(test::bytesOf(target), QByteArray("mine"));
            QFile::remove(QString::fromStdString(target));
        }
    }
    void aSeriesIsKeptWhole()
    {
        QDir(folder_.path()).mkdir(QStringLiteral("series"));
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i", "testsrc=s=64x48:r=24:d=0.5",
                              folder_.filePath(QStringLiteral("series/shot_%03d.png"))}));
        const std::string project = at("series.vember");
        QCOMPARE(run({"new", at("series/shot_001.png"), "-o", project, "--strike", "3:hit:1"}), 0);
        const QByteArray fifth = test::bytesOf(at("series/shot_005.png"));
        QCOMPARE(run({"render", project, "-o", at("series/shot_%03d.png"), "--force"}), 1);
        QVERIFY(errHas("never written over"));
        QCOMPARE(run({"still", project, "--frame", "2", "-o", at("series/shot_005.png"), "--force"}), 1);
        QVERIFY(test::bytesOf(at("series/shot_005.png")) == fifth);
        QCOMPARE(run({"render", project, "-o", at("series/out_%03d.png")}), 0);
    }

    // --- media reach nothing
    void mediaReachNothing()
    {
        QTcpServer web;
        QVERIFY(web.listen(QHostAddress::LocalHost));
        const QString address = QStringLiteral("http://127.0.0.1:%1/init.mp4").arg(web.serverPort());
        const auto dash = [&](const QString& base) {
            return QStringLiteral(
                       "<?xml version=\"1.0\"?>\n<MPD xmlns=\"urn:mpeg:dash:schema:mpd:2011\" type=\"static\" "
                       "mediaPresentationDuration=\"PT2S\" profiles=\"urn:mpeg:dash:profile:isoff-on-demand:"
                       "2011\"><Period><AdaptationSet mimeType=\"video/mp4\"><Representation id=\"1\" "
                       "bandwidth=\"1000\" width=\"64\" height=\"64\"><BaseURL>%1</BaseURL><SegmentBase "
                       "indexRange=\"0-100\"/></Representation></AdaptationSet></Period></MPD>\n")
                .arg(base)
                .toUtf8();
        };
        const QByteArray sdp = "v=0\no=- 0 0 IN IP4 127.0.0.1\ns=x\nc=IN IP4 127.0.0.1\nt=0 0\n"
                               "m=video 45678 RTP/AVP 96\na=rtpmap:96 H264/90000\n";
        const std::vector<std::tuple<std::string, QByteArray, std::string>> files{
            {"dash.mov", dash(address), "DASH"},
            {"dash-file.mp4", dash(QStringLiteral("file://") + QString::fromStdString(clip_)), "DASH"},
            {"hls.mp4", "#EXTM3U\n#EXT-X-VERSION:3\n#EXT-X-TARGETDURATION:2\n#EXTINF:2,\n" + address.toUtf8() + "\n",
             "HLS"},
            {"net.mp4", sdp, "SDP"},
            {"concat.mp4", "ffconcat version 1.0\nfile '" + QByteArray::fromStdString(clip_) + "'\n",
             "joins other files"},
            {"words.mp4", "Only words.\n", "a text"}};
        for (const auto& [name, bytes, what] : files) {
            test::writeBytes(at(name), bytes);
            for (const std::vector<std::string>& arguments :
                 {std::vector<std::string>{"new", at(name), "-o", at("never.vember")},
                  std::vector<std::string>{"spot", at(name)}, std::vector<std::string>{"tempo", at(name)},
                  std::vector<std::string>{"capture", at(name)}, std::vector<std::string>{"cuts", at(name)}}) {
                QCOMPARE(run(arguments), 1);
                QVERIFY2(errHas(what) && !errHas("memory"), err_.c_str());
            }
            // As a layer, a sound and the sound of a recipe.
            Project project = loadProject(project_).value();
            project.layers.push_back({"x", at(name), 0, 10, 0, 0});
            QVERIFY(saveProject(project, at("reach.vember")));
            QCOMPARE(run({"still", at("reach.vember"), "--frame", "1", "-o", at("reach.png")}), 1);
            project = loadProject(project_).value();
            project.sound.file = at(name);
            QVERIFY(saveProject(project, at("reach.vember")));
            QCOMPARE(run({"render", at("reach.vember"), "-o", at("reach.mkv")}), 1);
        }
        QVERIFY(!web.waitForNewConnection(200));
        QVERIFY(!QFile::exists(folder_.filePath(QStringLiteral("never.vember"))));
    }
    void pipesAndDevicesAreRefused()
    {
        const std::string pipe = at("pipe.mp4");
        QVERIFY(::mkfifo(pipe.c_str(), 0600) == 0);
        for (const std::string& file : {pipe, std::string("/dev/zero")}) {
            QCOMPARE(run({"new", file, "-o", at("never.vember")}), 1);
            QVERIFY2(errHas("not a file"), err_.c_str());
            QCOMPARE(run({"info", file}), 1);
            QVERIFY2(errHas("not a file"), err_.c_str());
            QCOMPARE(run({"import", file == pipe ? at("pipe.csv") : file, "-p", project_}), 1);
        }
    }

    // --- JSON
    void deepAndBrokenJsonIsASentence_data()
    {
        QTest::addColumn<QByteArray>("json");
        QTest::addColumn<QString>("told");
        QTest::newRow("deep lists") << QByteArray(100000, '[') << "deep";
        QTest::newRow("deep objects") << QByteArray("{\"a\":").repeated(100000) << "deep";
        QTest::newRow("deep where a value is shown")
            << "{\"vember\": " + QByteArray(100000, '[') + QByteArray(100000, ']') + "}"
            << "deep";
        QTest::newRow("cut") << QByteArray("{\"vember\": 1, \"vember_recipes\": 1, ") << "breaks off in line 1";
        QTest::newRow("a slip") << QByteArray("{\n \"vember\": 1,\n \"rate\": 24/1\n}") << "line 3, column 12";
        QTest::newRow("a long value") << "{\"vember\": \"" + QByteArray(200000, 'x') + "\"}"
                                      << "";
        QTest::newRow("a terminal's codes") << QByteArray("{\"vember\": \"\\u001b[2J\"}") << "";
        QTest::newRow("not UTF-8") << QByteArray("{\"vember\": \"\xff\xfe\"}") << "";
        QTest::newRow("a huge number") << QByteArray("{\"vember\": 1e99999}") << "";
    }
    void deepAndBrokenJsonIsASentence()
    {
        QFETCH(QByteArray, json);
        QFETCH(QString, told);
        for (const char* name : {"bad.vember", "bad.json", "bad.jsonl", "bad.otio"})
            test::writeBytes(at(name), json);
        const std::vector<std::vector<std::string>> commands{
            {"info", at("bad.vember")},
            {"import", at("bad.json"), "-p", project_, "-o", at("x.vember")},
            {"import", at("bad.jsonl"), "-p", project_, "-o", at("x.vember")},
            {"import", at("bad.otio"), "-p", project_, "-o", at("x.vember")},
            {"new", at("bad.otio"), "-o", at("x.vember")},
            {"set", project_, "drift.motion=" + at("bad.json"), "-o", at("x.vember")},
            {"drop", at("bad.json")},
            {"send", at("bad.json"), "--osc", "9"}};
        for (const auto& command : commands) {
            QVERIFY2(run(command) != 0, command[0].c_str());
            QVERIFY(!err_.empty());
            QVERIFY2(err_.size() < 1500, err_.c_str());
            QVERIFY(err_.find('\x1b') == std::string::npos);
            QVERIFY(validUtf8(err_) == err_);
            QVERIFY2(err_.find("parse_error") == std::string::npos && err_.find("[json") == std::string::npos,
                     err_.c_str());
        }
        if (!told.isEmpty()) {
            QCOMPARE(run({"info", at("bad.vember")}), 1);
            QVERIFY2(errHas(told.toStdString()), err_.c_str());
        }
    }
    void untrustedTextIsShownPlainly()
    {
        QCOMPARE(shownText("a\x1b[31m\nb"), std::string("a\\x1b[31m\\nb"));
        QCOMPARE(shownText(std::string(100, 'x'), 5), std::string("xxxxx\xE2\x80\xA6"));
        QCOMPARE(shownText("\xff\xc3"), std::string("\xEF\xBF\xBD\xEF\xBF\xBD"));
        QCOMPARE(shownText("\xC0\xAF"), std::string("\xEF\xBF\xBD\xEF\xBF\xBD")); // overlong
        QCOMPARE(shownText("\xED\xA0\x80").size(), std::size_t{9});               // a surrogate
        QCOMPARE(shownText("\xE2\x80\xAEtxt"), std::string("\\u202etxt"));        // turns the direction round
        QCOMPARE(shownText("Gru\xC3\x9F \xF0\x9F\x94\xA5"), std::string("Gru\xC3\x9F \xF0\x9F\x94\xA5"));
        QCOMPARE(validUtf8("a\xff"
                           "b"),
                 std::string("a\xEF\xBF\xBD"
                             "b"));
    }

    // --- names
    void hostileNamesComeBack_data()
    {
        QTest::addColumn<QString>("format");
        for (const char* format : {"csv", "json", "jsonl", "vtt", "otio"})
            QTest::newRow(format) << QString::fromLatin1(format);
    }
    void hostileNamesComeBack()
    {
        QFETCH(QString, format);
        Project project = loadProject(project_).value();
        for (const std::string& name : {hostile, std::string("=cmd|' /C calc'!A0"), std::string("'=quoted"),
                                        std::string("@x"), std::string("-1"), std::string("a --> b")}) {
            project.strikes[0].name = name;
            QVERIFY(saveProject(project, at("hostile.vember")));
            const std::string list = at("hostile." + format.toStdString());
            QCOMPARE(run({"export-strikes", at("hostile.vember"), "--as", format.toStdString(), "-o", list, "--force"}),
                     0);
            QCOMPARE(run({"import", list, "-p", project_, "-o", at("back.vember"), "--force"}), 0);
            const Project back = loadProject(at("back.vember")).value();
            QCOMPARE(QByteArray::fromStdString(back.strikes.back().name), QByteArray::fromStdString(name));
            if (format == QStringLiteral("csv")) { // no cell that a spreadsheet would reckon with
                std::string text;
                QCOMPARE(run({"export-strikes", at("hostile.vember"), "--as", "csv"}), 0);
                QVERIFY(out_.find(",=") == std::string::npos && out_.find("\"=") == std::string::npos);
                QVERIFY(out_.find(",@") == std::string::npos);
            }
        }
    }
    void hostileNamesStayNames()
    {
        Project project = loadProject(project_).value();
        project.strikes[0].name = hostile;
        project.recipes[0].name = hostile;
        QVERIFY(saveProject(project, at("hostile.vember")));
        for (const char* format : {"html", "css", "svg"}) {
            const std::string file = at(std::string("hostile.") + format);
            QCOMPARE(run({"export", at("hostile.vember"), "--strike", "1", "-o", file, "--force"}), 0);
            const QByteArray text = test::bytesOf(file);
            QVERIFY2(!text.contains("<script>alert") && !text.contains("</style><script"), format);
            QCOMPARE(text.count("</style>"), format == QStringLiteral("html") ? 1 : 0);
        }
        // The list of settings is a line each, and each can be set again.
        QCOMPARE(run({"set", at("hostile.vember"), "--list"}), 0);
        std::istringstream lines(out_);
        std::string line;
        std::vector<std::string> again{"set", at("hostile.vember"), "-o", at("again.vember"), "--force"};
        std::size_t count = 0;
        while (std::getline(lines, line)) {
            const auto setting = settingFromText(line);
            QVERIFY2(setting.ok(), line.c_str());
            ++count;
            const bool names = setting->first.ends_with(".name") || setting->first.ends_with(".recipe");
            if (setting->first.ends_with(".envelope.decay") || (names && setting->first.starts_with("strike.")))
                again.push_back(line);
        }
        QCOMPARE(count, settingsOf(loadProject(at("hostile.vember")).value()).size());
        QVERIFY(again.size() > 7);
        QCOMPARE(run(again), 0);
        QVERIFY(loadProject(at("again.vember")).value() == loadProject(at("hostile.vember")).value());
        for (const Setting& setting : {Setting{"a=b\\c\nd", "e=f\\n\ng"}, Setting{"x", ""}, Setting{"y\\", "\\"}})
            QVERIFY(settingFromText(settingText(setting)).value() == setting);
    }

    // --- clips that are not what they were
    void aShorterClipIsTold()
    {
        const std::string clip = test::numberedClip(folder_, "long.mkv", 48, *FrameRate::make(24, 1));
        const std::string project = at("long.vember");
        QCOMPARE(run({"new", clip, "-o", project, "--strike", "3:hit:1"}), 0);
        QCOMPARE(run({"render", project, "-o", at("whole.mkv")}), 0);
        QVERIFY(!errHas("not as it was"));
        test::numberedClip(folder_, "long.mkv", 20, *FrameRate::make(30, 1), 96, 64);
        const std::vector<std::vector<std::string>> commands{
            {"render", project, "-o", at("short.mkv"), "--force"},
            {"still", project, "--frame", "3", "-o", at("s.png"), "--force"},
            {"export", project, "-o", at("s.csv"), "--force"}};
        for (auto command : commands) {
            QCOMPARE(run(command), 0);
            QVERIFY2(errHas("\"long.mkv\" is not as it was") && errHas("96 x 64") && errHas("30/1") && errHas("had 48"),
                     err_.c_str());
            command.emplace_back("--strict");
            QFile::remove(QString::fromStdString(command[command.size() - 3]));
            QCOMPARE(run(command), 1);
            QVERIFY(errHas("not as it was"));
            QVERIFY(!QFile::exists(QString::fromStdString(command[command.size() - 3])));
        }
    }
    void damagedPicturesAreTold()
    {
        const std::string clip = at("coded.mkv");
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i", "testsrc2=s=192x128:r=24:d=2", "-c:v", "libx264", "-g", "12",
                              QString::fromStdString(clip)}));
        const std::string project = at("coded.vember");
        QCOMPARE(run({"new", clip, "-o", project, "--strike", "3:hit:1"}), 0);
        QByteArray bytes = test::bytesOf(clip);
        test::Random random(5);
        for (auto i = bytes.size() / 2; i < bytes.size() / 2 + 3000; ++i)
            bytes[i] = static_cast<char>(random.whole(0, 255));
        test::writeBytes(clip, bytes);
        QCOMPARE(run({"render", project, "-o", at("damaged.mkv")}), 0);
        QVERIFY2(errHas("\"coded.mkv\"") && (errHas("is damaged") || errHas("not as it was")), err_.c_str());
        QCOMPARE(run({"render", project, "-o", at("strict.mkv"), "--strict"}), 1);
        QVERIFY(!QFile::exists(folder_.filePath(QStringLiteral("strict.mkv"))));
    }

    // --- saving
    void aLinkStaysALinkAndModesAreKept()
    {
        const std::string real = at("real.vember");
        QCOMPARE(run({"set", project_, "master.intensity=0.5", "-o", real}), 0);
        QVERIFY(::chmod(real.c_str(), 0660) == 0);
        const std::string link = at("linked.vember");
        QVERIFY(::symlink("real.vember", link.c_str()) == 0);
        QCOMPARE(run({"set", link, "master.intensity=0.25"}), 0);
        struct stat status {};
        QVERIFY(::lstat(link.c_str(), &status) == 0 && S_ISLNK(status.st_mode));
        QVERIFY(::stat(real.c_str(), &status) == 0);
        QCOMPARE(status.st_mode & 0777, mode_t{0660});
        QCOMPARE(loadProject(real)->master.intensity, 0.25);
    }
    void twoAtOnceLoseNothing()
    {
        const std::string shared = at("shared.vember");
        QCOMPARE(run({"set", project_, "master.intensity=1", "-o", shared}), 0);
        for (int round = 0; round < 12; ++round) {
            QProcess first;
            QProcess second;
            const QString value = QString::number(0.5 + 0.01 * round);
            const QString file = QString::fromStdString(shared);
            first.start(program(), {"set", file, "master.intensity=" + value});
            second.start(program(), {"set", file, "overlap.ceiling=" + value});
            QVERIFY(first.waitForFinished(test::patience) && second.waitForFinished(test::patience));
            QCOMPARE(first.exitCode() + second.exitCode(), 0);
            const Project now = loadProject(shared).value();
            QCOMPARE(now.master.intensity, value.toDouble());
            QCOMPARE(now.overlap.ceiling, value.toDouble());
        }
    }
    void whatDeadProcessesLeftIsRemoved()
    {
        const std::string target = at("again.mkv");
        const std::string own = partName(target);
        const std::string dead = own.substr(0, own.rfind('-') + 1) + "4194305.part"; // above any process's number
        const std::string others = at(".again.mkv.elsewhere-4194305.part");
        for (const std::string& file : {dead, others})
            test::writeBytes(file, "half");
        QCOMPARE(run({"render", project_, "-o", target, "--frames", "0-3"}), 0);
        QVERIFY(!QFile::exists(QString::fromStdString(dead)));
        QVERIFY(QFile::exists(QString::fromStdString(others))); // another machine's, which may be at work
    }
    void signalsStopEveryCommand_data()
    {
        QTest::addColumn<QStringList>("command");
        QTest::addColumn<int>("signal");
        // A day of strikes: enough to be at work when the signal comes.
        Project project = newProject(1280, 720, *FrameRate::make(24, 1));
        Shot gap;
        gap.length = 24 * 3600 * 24;
        project.addShot(gap);
        for (std::int64_t i = 0; i < 60000; ++i) {
            Strike strike;
            strike.frame = Frame{30 * i};
            strike.recipe = project.recipes[static_cast<std::size_t>(i % 3)].id;
            strike.id = i + 1;
            strike.seed = static_cast<std::uint32_t>(i);
            project.strikes.push_back(strike);
        }
        QVERIFY(saveProject(project, at("day.vember")));
        const QString day = folder_.filePath(QStringLiteral("day.vember"));
        for (const int signal : {SIGINT, SIGTERM, SIGHUP}) {
            QTest::addRow("info %d", signal) << QStringList{"info", day} << signal;
            QTest::addRow("cover %d", signal) << QStringList{"cover", day} << signal;
        }
        QTest::addRow("poses") << QStringList{"poses", day} << SIGTERM;
    }
    void signalsStopEveryCommand()
    {
        QFETCH(QStringList, command);
        QFETCH(int, signal);
        QProcess process;
        process.setStandardOutputFile(QProcess::nullDevice());
        process.start(program(), command);
        QVERIFY(process.waitForStarted(test::patience));
        // Until it listens for the signal, which the system tells of every process.
        const auto listens = [&] {
            QFile status(QStringLiteral("/proc/%1/status").arg(process.processId()));
            if (!status.open(QIODevice::ReadOnly))
                return process.state() == QProcess::NotRunning;
            for (const QByteArray& line : status.readAll().split('\n'))
                if (line.startsWith("SigCgt:"))
                    return (line.mid(7).trimmed().toULongLong(nullptr, 16) >> (signal - 1) & 1) != 0;
            return false;
        };
        QTRY_VERIFY(listens());
        if (process.state() == QProcess::NotRunning)
            return; // it was done before it could be stopped
        ::kill(static_cast<pid_t>(process.processId()), signal);
        QVERIFY(process.waitForFinished(test::patience));
        QCOMPARE(process.exitStatus(), QProcess::NormalExit);
    }
    void aFullOutputIsAnError()
    {
        for (const QStringList& command :
             {QStringList{"info", QString::fromStdString(project_)},
              QStringList{"poses", QString::fromStdString(project_)}, QStringList{"recipes"}, QStringList{"motions"},
              QStringList{"set", QString::fromStdString(project_), "--list"},
              QStringList{"cover", QString::fromStdString(project_)}}) {
            QProcess process;
            process.setStandardOutputFile(QStringLiteral("/dev/full"));
            process.start(program(), command);
            QVERIFY(process.waitForFinished(test::patience));
            QVERIFY2(process.exitCode() == 1, qPrintable(command.join(QLatin1Char(' '))));
            QVERIFY(!process.readAllStandardError().isEmpty());
        }
    }
    void noMemoryIsASentence()
    {
        const std::string clip = at("large.mkv");
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i", "color=s=7680x4320:r=24", "-frames:v", "3", "-c:v", "libx264",
                              "-preset", "ultrafast", QString::fromStdString(clip)}));
        QCOMPARE(run({"new", clip, "-o", at("large.vember"), "--strike", "1:hit:1"}), 0);
        const QString large = folder_.filePath(QStringLiteral("large.vember"));
        const QString still = folder_.filePath(QStringLiteral("large.png"));
        const QString film = folder_.filePath(QStringLiteral("large-out.mkv"));
        int failed = 0;
        for (const int megabytes : {300, 450, 600, 800}) {
            for (const QString& command : {QStringLiteral("still %1 --frame 1 -o %2 --force").arg(large, still),
                                           QStringLiteral("render %1 -o %2 --force").arg(large, film),
                                           QStringLiteral("cuts %1").arg(QString::fromStdString(clip))}) {
                QProcess process;
                process.start(
                    QStringLiteral("/bin/sh"),
                    {QStringLiteral("-c"),
                     QStringLiteral("ulimit -v %1; exec \"%2\" %3").arg(megabytes * 1024).arg(program(), command)});
                QVERIFY(process.waitForFinished(600000));
                const QByteArray said = process.readAllStandardError();
                QVERIFY2(
                    process.exitStatus() == QProcess::NormalExit,
                    qPrintable(QStringLiteral("%1 MB: %2: %3").arg(megabytes).arg(command, QString::fromUtf8(said))));
                failed += process.exitCode() != 0 ? 1 : 0;
                if (process.exitCode() != 0)
                    QVERIFY2(!said.isEmpty(), qPrintable(command));
            }
        }
        QVERIFY(failed > 2); // or nothing was tried
        const QDir here(folder_.path());
        QVERIFY(here.entryList({QStringLiteral(".large*.part")}, QDir::Hidden | QDir::Files).isEmpty());
    }
    void theSameFilmIsTheSameBytes()
    {
        for (const char* name : {"same.mkv", "same.mp4", "same.mov", "same.webm"}) {
            QCOMPARE(run({"render", project_, "-o", at(name), "--frames", "0-11", "--force"}), 0);
            const QByteArray first = test::bytesOf(at(name));
            QTest::qWait(1100); // another second, for whatever tells the time
            QCOMPARE(run({"render", project_, "-o", at(name), "--frames", "0-11", "--force"}), 0);
            QVERIFY2(test::bytesOf(at(name)) == first, name);
        }
        for (const char* name : {"same.pdf", "same.svg", "same-sheet.png"}) {
            const std::vector<std::string> command{"export", project_, "--as",   "sheet",  "--strike",
                                                   "1",      "-o",     at(name), "--force"};
            QCOMPARE(run(command), 0);
            const QByteArray first = test::bytesOf(at(name));
            QTest::qWait(1100);
            QCOMPARE(run(command), 0);
            QVERIFY2(test::bytesOf(at(name)) == first, name);
        }
    }
    void mayBeLeftOut()
    {
        QByteArray text = test::bytesOf(project_);
        const auto cut = [&text](const QByteArray& key) {
            const auto at = text.indexOf("\"" + key + "\"");
            const auto from = text.lastIndexOf('\n', at);
            auto to = text.indexOf('\n', at);
            if (text[to - 1] == '{') // to the end of the object
                to = text.indexOf('\n', text.indexOf('}', to));
            text.remove(from, to - from);
        };
        cut("seed");
        QVERIFY(projectFromJson(text.toStdString(), folder_.path().toStdString(), "p").ok());
        const auto envelope = text.indexOf("\"envelope\"");
        const auto from = text.lastIndexOf('\n', envelope);
        const auto to = text.indexOf('\n', text.indexOf('}', envelope));
        text.remove(from, to - from);
        const auto read = projectFromJson(text.toStdString(), folder_.path().toStdString(), "p");
        QVERIFY2(read.ok(), read.ok() ? "" : sentence(read.error()).c_str());
    }
    void oldNamesAreStillRead()
    {
        QCOMPARE(run({"set", project_, "finish.shutter=90", "finish.shutter_phase=-45", "finish.samples=7", "-o",
                      at("old.vember"), "--force"}),
                 0);
        const Project project = loadProject(at("old.vember")).value();
        QCOMPARE(project.finish.shutterAngle, 90.0);
        QCOMPARE(project.finish.exposureShift, -0.125);
        QCOMPARE(project.finish.instants, 7);
        QByteArray text = test::bytesOf(at("old.vember"));
        text.replace("\"shutter_angle\": 90.0", "\"shutter\": 90.0")
            .replace("\"exposure\": -0.125", "\"shutter_phase\": -45");
        text.replace("\"instants\": 7", "\"samples\": 7").replace("\"vember\": 10", "\"vember\": 9");
        QVERIFY(text.contains("shutter_phase") && text.contains("\"samples\""));
        const auto read = projectFromJson(text.toStdString(), folder_.path().toStdString(), "p");
        QVERIFY2(read.ok(), read.ok() ? "" : sentence(read.error()).c_str());
        QVERIFY(read->finish == project.finish);
    }
};

EMBER_TEST(DoorsTest)
#include "tst_doors.moc"
