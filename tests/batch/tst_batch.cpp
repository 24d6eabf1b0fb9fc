// SPDX-License-Identifier: GPL-3.0-or-later
#include <atomic>
#include <sstream>
#include <thread>

#include <QDir>
#include <QFile>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTest>

#include "clips.h"
#include "ember/batch/batch.h"
#include "ember/core/captured.h"
#include "ember/core/motion.h"
#include "ember/film/output_presets.h"
#include "ember/live/osc_door.h"
#include "ember/media/clip.h"
#include "ember/media/film_writer.h"
#include "ember/project/file.h"
#include "ember/project/motion_library.h"
#include "ember/project/recipe_book.h"
#include "ember/project/shipped_recipes.h"
#include "filmed.h"
#include "motions.h"
#include "pictures.h"
#include "runner.h"
#include "sounds.h"

using namespace ember;

class BatchTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;
    std::string out_;
    std::string err_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromUtf8(name)).toStdString(); }
    int run(const std::vector<std::string>& arguments, const std::atomic<bool>* stop = nullptr)
    {
        std::ostringstream out;
        std::ostringstream err;
        const int code = runBatch(arguments, {out, err, false, stop});
        out_ = out.str();
        err_ = err.str();
        return code;
    }
    bool errHas(const char* text) const { return err_.find(text) != std::string::npos; }
    std::string made(const char* name, const std::vector<std::string>& more = {})
    {
        std::vector<std::string> arguments{"new", clip_, "-o", at(name), "--force", "--strike", "20:landing:0.8"};
        arguments.insert(arguments.end(), more.begin(), more.end());
        return run(arguments) == 0 ? at(name) : std::string();
    }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "clip.mkv", 72, *FrameRate::make(24000, 1001), 192, 128, true);
        QVERIFY(!clip_.empty());
    }
    void helpAndVersionEverywhere()
    {
        std::vector<std::string> commands = batchCommands();
        QVERIFY(commands.size() >= 22);
        commands.insert(commands.begin(), "");
        for (const std::string& command : commands)
            for (const char* flag : {"--help", "--version"}) {
                std::vector<std::string> arguments;
                if (!command.empty())
                    arguments.push_back(command);
                arguments.emplace_back(flag);
                QCOMPARE(run(arguments), 0);
                QVERIFY(!out_.empty() && err_.empty());
            }
        QVERIFY(out_.find("vast-ember-batch 0.") == 0);
    }
    void coverTellsWhatIsNeeded()
    {
        const std::string p = made("cover.vember");
        QCOMPARE(run({"cover", p}), 0);
        const QStringList lines = QString::fromStdString(out_).split(QLatin1Char('\n'));
        QCOMPARE(lines[0], QStringLiteral("shot,first,last,needed,worst_frame,zoom,uncovered"));
        const QStringList cells = lines[1].split(QLatin1Char(','));
        QCOMPARE(cells[0], QStringLiteral("1"));
        QCOMPARE(cells[2], QStringLiteral("71"));
        QVERIFY(cells[3].toDouble() > 1.02 && cells[3] == cells[5]);
        QVERIFY(cells[4].toInt() >= 20 && cells[4].toInt() <= 23);
        QCOMPARE(cells[6], QStringLiteral("0"));
        QCOMPARE(run({"set", p, "finish.cover=off"}), 0);
        QCOMPARE(run({"cover", p, "--list"}), 0);
        QVERIFY(out_.rfind("frame,needed,zoom\n", 0) == 0);
        QVERIFY(std::count(out_.begin(), out_.end(), '\n') > 4);
        QCOMPARE(run({"cover", at("nowhere.vember")}), 1);
    }
    void coloursAreListed()
    {
        const auto told = [this] { return QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object(); };
        QCOMPARE(run({"colours"}), 0);
        QCOMPARE(told()["working"].toString(), QStringLiteral("ACEScg"));
        QCOMPARE(told()["spaces"].toArray().at(0).toObject()["name"].toString(), QStringLiteral("ACEScg"));
        QCOMPARE(told()["displays"].toArray().at(0).toObject()["views"].toArray().size(), 2);
        QVERIFY(!told().contains(QStringLiteral("film")));
        const std::string p = made("coloured.vember");
        QCOMPARE(run({"colours", p}), 1); // none manages it
        QVERIFY(errHas("colours.config"));
        QCOMPARE(run({"set", p, "colours.config=built-in", "colours.output=Rec.2100 PQ", "shot.1.space=Display P3"}),
                 0);
        QCOMPARE(run({"colours", p}), 0);
        const QJsonObject film = told()["film"].toObject();
        QCOMPARE(film["shots"].toArray().at(0).toString(), QStringLiteral("Display P3"));
        QCOMPARE(film["codes"].toString(), QStringLiteral("Rec.2100 PQ"));
        QCOMPARE(film["view"].toString(), QStringLiteral("Cut at white"));
        QVERIFY(!film.contains(QStringLiteral("notes")));
        QCOMPARE(run({"set", p, "colours.view=Sepia", "colours.wrong=1"}), 1);
        QCOMPARE(run({"set", p, "colours.view=Sepia"}), 0); // whether the config has it is seen when it is used
        QCOMPARE(run({"colours", p}), 0);
        QVERIFY(out_.find("Sepia") != std::string::npos);
        QCOMPARE(run({"colours", at("gone.ocio")}), 1);
        QVERIFY(errHas("gone.ocio"));
        QCOMPARE(run({"colours", clip_}), 1);
        QVERIFY(errHas("clip.mkv"));
    }
    void cutsAreListed()
    {
        // Two films of numbered frames have the same pictures; black between them has not.
        const std::string clip = at("cut.mkv");
        QVERIFY(test::ffmpeg({"-i", QString::fromStdString(clip_), "-vf",
                              "drawbox=t=fill:c=black:enable='between(n,30,49)'", "-c:v", "ffv1",
                              QString::fromStdString(clip)}));
        QCOMPARE(run({"cuts", clip}), 0);
        const QStringList rows = QString::fromStdString(out_).trimmed().split(QLatin1Char('\n'));
        QCOMPARE(rows.size(), 3);
        QCOMPARE(rows[0], QStringLiteral("frame,kind,confidence"));
        QVERIFY(rows[1].startsWith(QStringLiteral("30,cut,")));
        QVERIFY(rows[2].startsWith(QStringLiteral("50,cut,")));
        QCOMPARE(run({"cuts", clip, "--json"}), 0);
        QCOMPARE(QJsonDocument::fromJson(QByteArray::fromStdString(out_))
                     .array()[1]
                     .toObject()[QStringLiteral("frame")]
                     .toInt(),
                 50);
        QCOMPARE(run({"cuts", at("nowhere.mkv")}), 1);
        QCOMPARE(run({"cuts"}), 2);
    }
    void filmsOfSeveralShots()
    {
        const std::string p = at("shots.vember");
        QCOMPARE(run({"new", clip_, "--then", clip_, "-o", p, "--strike", "20:hit", "--strike", "100:blast:2"}), 0);
        QCOMPARE(run({"info", p}), 0);
        QJsonObject info = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        QCOMPARE(info[QStringLiteral("frames")].toInt(), 144);
        const QJsonArray shots = info[QStringLiteral("shots")].toArray();
        QCOMPARE(shots.size(), 2);
        QCOMPARE(shots[1].toObject()[QStringLiteral("first")].toInt(), 72);
        QCOMPARE(run({"cover", p}), 0);
        const QStringList rows = QString::fromStdString(out_).trimmed().split(QLatin1Char('\n'));
        QCOMPARE(rows.size(), 3);
        QVERIFY(rows[1].startsWith(QStringLiteral("1,0,71,")) && rows[2].startsWith(QStringLiteral("2,72,143,")));
        const double first = rows[1].split(QLatin1Char(','))[5].toDouble();
        QVERIFY(first > 1.01 && first < rows[2].split(QLatin1Char(','))[5].toDouble()); // each has its own
        // The first shot ten frames shorter: the blast comes ten frames sooner.
        QCOMPARE(run({"set", p, "shot.1.length=62"}), 0);
        QCOMPARE(run({"set", p, "--list"}), 0);
        QVERIFY(out_.find("strike.2.frame=90\n") != std::string::npos);
        QVERIFY(out_.find("timecode=00:00:00:00\n") != std::string::npos);
        QCOMPARE(run({"set", p, "timecode=01:00:00:05"}), 0);
        QCOMPARE(run({"set", p, "--list"}), 0);
        QVERIFY(out_.find("timecode=01:00:00:05\n") != std::string::npos);
        QCOMPARE(run({"set", p, "timecode=soon"}), 1);
        QCOMPARE(run({"render", p, "-o", at("shots.mkv"), "--frames", "60-63"}), 0);
        auto film = ClipReader::open(at("shots.mkv"));
        QCOMPARE(film.value()->info().length, std::int64_t{4});
        for (const int f : {0, 1, 2, 3})
            QCOMPARE(test::numberIn(*film.value()->picture(f).value()), f < 2 ? 60 + f : f - 2);
        QCOMPARE(run({"new", clip_, "--then", at("nowhere.mkv"), "-o", at("no.vember")}), 1);
        QVERIFY(errHas("nowhere.mkv"));
    }
    void aFilmIsSplitAtItsCuts()
    {
        const std::string clip = at("three.mkv");
        QVERIFY(test::ffmpeg({"-i", QString::fromStdString(clip_), "-vf",
                              "drawbox=t=fill:c=black:enable='between(n,30,49)'", "-c:v", "ffv1",
                              QString::fromStdString(clip)}));
        QCOMPARE(run({"new", clip, "--split-at-cuts", "-o", at("split.vember"), "--force"}), 0);
        const auto project = loadProject(at("split.vember"));
        QCOMPARE(project.value().cuts(), (std::vector<std::int64_t>{30, 50}));
        QCOMPARE(project.value().shots[2].in, 50.0);
    }
    void aFilmGetsAnotherFrame()
    {
        const std::string p = at("framed.vember");
        QCOMPARE(run({"new", clip_, "--strike", "20:hit:1", "-o", p}), 0);
        const Project before = loadProject(p).value();
        const std::string size = std::to_string(2 * before.width) + "x" + std::to_string(2 * before.height);
        QCOMPARE(run({"frame", p, "--size", size, "--rate", "48/1", "-o", at("larger.vember")}), 0);
        const Project after = loadProject(at("larger.vember")).value();
        QCOMPARE(after.width, 2 * before.width);
        QCOMPARE(after.strikes.front().frame, Frame{std::llround(20 * 48 / before.rate.perSecond())});
        QVERIFY(loadProject(p).value() == before);
        QCOMPARE(run({"frame", p, "--size", size, "-o", at("larger.vember")}), 1); // it is there
        QCOMPARE(run({"frame", p, "--size", size, "--amounts", "stay", "-o", at("larger.vember"), "--force"}), 0);
        QCOMPARE(loadProject(at("larger.vember"))->recipes.front().strands, before.recipes.front().strands);
        QCOMPARE(run({"frame", p}), 1);
        QCOMPARE(run({"frame", p, "--size", "large"}), 2);
        QCOMPARE(run({"frame", p, "--rate", "0/0"}), 2);
        QVERIFY(loadProject(p).value() == before);
    }

    void aNewEditIsConformed()
    {
        const std::string p = made("old.vember", {"--strike", "40:hit", "--strike", "60:beat"});
        const std::string edit = at("edit.mkv"); // without frames 30 to 49
        QVERIFY(test::ffmpeg({"-i", QString::fromStdString(clip_), "-vf",
                              "select='lt(n,30)+gte(n,50)',setpts=N*1001/24000/TB", "-r", "24000/1001", "-an", "-c:v",
                              "ffv1", QString::fromStdString(edit)}));
        QCOMPARE(run({"conform", p, "--clip", edit, "-o", at("new.vember")}), 0);
        const QStringList rows = QString::fromStdString(out_).trimmed().split(QLatin1Char('\n'));
        QCOMPARE(rows.size(), 4);
        QCOMPARE(rows[0], QStringLiteral("strike,name,from,to,state,confidence"));
        QVERIFY(rows[1].startsWith(QStringLiteral("1,landing,20,20,stayed,")));
        QVERIFY(rows[2].startsWith(QStringLiteral("2,hit,40,,unmatched,")));
        QVERIFY(rows[3].startsWith(QStringLiteral("3,beat,60,40,moved,")));
        const auto project = loadProject(at("new.vember"));
        QCOMPARE(project.value().strikes.size(), std::size_t{2});
        QCOMPARE(project.value().shots[0].trimmed.size(), std::size_t{1});
        QCOMPARE(project.value().length(), std::int64_t{52});
        QCOMPARE(run({"conform", p, "--clip", at("gone.mkv"), "-o", at("none.vember")}), 1);
        QVERIFY(errHas("gone.mkv") && !QFile::exists(QString::fromStdString(at("none.vember"))));
        QCOMPARE(run({"conform", p, "-o", at("none.vember")}), 2);
    }
    void rumbleIsWritten()
    {
        const std::string p = made("rumbling.vember");
        QCOMPARE(run({"rumble", p, "-o", at("rumble.wav"), "--hertz", "30"}), 0);
        QVERIFY(test::bytesOf(at("rumble.wav")).startsWith("RIFF"));
        QCOMPARE(run({"rumble", p, "-o", at("rumble.wav")}), 1);
        QVERIFY(errHas("--force"));
        QCOMPARE(run({"rumble", p, "-o", at("rumble.wav"), "--hertz", "3"}), 2);
    }
    void motionsAreListed()
    {
        QCOMPARE(run({"motions"}), 0);
        QVERIFY(out_.rfind("Calm operator\tshipped\t288\t24/1\t1280x720\t", 0) == 0);
        QVERIFY(keepMotion(test::swayingMotion(60, "Mine"), userMotionsFolder()));
        test::writeBytes(userMotionsFolder() + "/broken.json", "{");
        QCOMPARE(run({"motions", "--json"}), 0);
        QVERIFY(errHas("broken.json"));
        const QJsonArray list =
            QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object()[QStringLiteral("motions")].toArray();
        QCOMPARE(list.size(), 4);
        const QJsonObject mine = list[3].toObject();
        QCOMPARE(mine[QStringLiteral("name")].toString(), QStringLiteral("Mine"));
        QCOMPARE(mine[QStringLiteral("from")].toString(), QStringLiteral("user"));
        QCOMPARE(mine[QStringLiteral("frames")].toInt(), 60);
        QCOMPARE(mine[QStringLiteral("bridged")].toInt(), 2);
        QVERIFY(mine[QStringLiteral("largest")][QStringLiteral("y_px")].toDouble() > 4);
        QVERIFY(QDir(QString::fromStdString(userMotionsFolder())).removeRecursively());
    }
    void captureReadsTheCamera()
    {
        const test::Wall wall(420, 300, 3);
        const auto hand = test::handHeld(2, 8);
        test::Filming filming;
        filming.moved = [&](double frame) { // on a pan
            Similarity s = hand(frame);
            s.x += 1.5 * frame;
            return s;
        };
        const std::string clip = at("camera.mkv");
        test::writeFilmedClip(clip, wall, filming, 40, 256, 144);

        const auto rows = [](const std::string& text) {
            std::vector<CapturedFrame> frames;
            const QStringList lines = QString::fromStdString(text).trimmed().split(QLatin1Char('\n'));
            for (int i = 1; i < lines.size(); ++i) {
                const QStringList cells = lines[i].split(QLatin1Char(','));
                frames.push_back({{cells[1].toDouble(), cells[2].toDouble(), cells[3].toDouble(), cells[4].toDouble()},
                                  cells[5].toDouble()});
            }
            return frames;
        };
        QCOMPARE(run({"capture", clip}), 0);
        QVERIFY(out_.rfind("frame,x_px,y_px,roll_deg,zoom,confidence\n0,0.0000,0.0000,0.00000,1.0000000,1.000\n", 0) ==
                0);
        const auto all = rows(out_);
        QCOMPARE(all.size(), 40U);
        for (int i = 0; i < 40; ++i)
            QVERIFY(cornerDistance(all[static_cast<std::size_t>(i)].moved, filming.moved(i), 256, 144) < 0.1);

        // A range counts from its first frame, under the clip's own numbers.
        QCOMPARE(run({"capture", clip, "--range", "10-30", "-o", at("m.csv")}), 0);
        const std::string part = test::bytesOf(at("m.csv")).toStdString();
        QVERIFY(part.find("\n10,0.0000,0.0000,0.00000,1.0000000,1.000\n") != std::string::npos);
        const auto some = rows(part);
        QCOMPARE(some.size(), 21U);
        const Similarity since = filming.moved(30).after(filming.moved(10).inverse());
        QVERIFY(cornerDistance(some.back().moved, since, 256, 144) < 0.1);
        QCOMPARE(run({"capture", clip, "--range", "10-30", "-o", at("m.csv")}), 1); // not over what is there
        QVERIFY(errHas("--force"));

        // The pan stays out, the hand stays.
        QCOMPARE(run({"capture", clip, "--keep-faster-than", "0.5"}), 0);
        for (const CapturedFrame& frame : rows(out_))
            QVERIFY(std::abs(frame.moved.x) < 6);

        // As a motion of the library, and from there into a film.
        QCOMPARE(run({"capture", clip, "-o", at("Shoulder.json")}), 0);
        const std::string film = at("shouldered.vember");
        QCOMPARE(run({"new", clip, "-o", film}), 0);
        QCOMPARE(run({"set", film, "drift.motion=" + at("Shoulder.json"), "drift.speed=50%"}), 0);
        QCOMPARE(loadProject(film)->drift.captured.motion.kept().name, std::string("Shoulder"));
        QCOMPARE(loadProject(film)->drift.captured.speed, 0.5);
        QCOMPARE(run({"set", film, "drift.motion=Nobody"}), 1);
        QVERIFY(errHas("Calm operator"));
        QCOMPARE(run({"set", film, "drift.motion=" + at("m.csv")}), 1);
        QVERIFY(errHas("rate and size"));

        QCOMPARE(run({"capture", clip, "--range", "5-5"}), 1);
        QCOMPARE(run({"capture", clip, "--range", "5-90"}), 1);
        QVERIFY(errHas("Frames 5-90") && errHas("past the last"));
        QCOMPARE(run({"capture", clip, "--keep-faster-than", "-1"}), 2);
        QCOMPARE(run({"capture", at("nowhere.mkv")}), 1);
        QVERIFY(errHas("does not exist"));
        const std::atomic<bool> stop = true;
        QCOMPARE(run({"capture", clip, "-o", at("never.csv")}, &stop), 1);
        QVERIFY(!QFile::exists(QString::fromStdString(at("never.csv"))));
    }
    void nothingToFollowIsSaid()
    {
        QCOMPARE(run({"still", made("photographed.vember"), "--frame", "0", "-o", at("photograph.png")}), 0);
        QCOMPARE(run({"capture", at("photograph.png"), "-o", at("photograph.csv")}), 1);
        QVERIFY(errHas("single picture"));
        QVERIFY(!QFile::exists(QString::fromStdString(at("photograph.csv"))));
        const std::string clip = at("grey.mkv");
        auto writer = FilmWriter::create(clip, {.format = FilmFormat::mkv, .width = 64, .height = 48, .rate = {}});
        QVERIFY(writer.ok());
        Image grey(64, 48);
        grey.setOpaque(true);
        grey.fill(90, 90, 90);
        for (int i = 0; i < 5; ++i)
            QVERIFY(writer.value()->addFrame(grey).ok());
        QVERIFY(writer.value()->finish().ok());
        QCOMPARE(run({"capture", clip}), 1);
        QVERIFY(errHas("nothing in its pictures can be followed"));
    }
    void stillsAreFramesOfTheFilm()
    {
        const std::string p = made("still.vember");
        QCOMPARE(run({"still", p, "--frame", "21", "-o", at("still.png")}), 0);
        QVERIFY(QFile::exists(QString::fromStdString(at("still.png"))));
        QCOMPARE(run({"still", p, "--frame", "21", "-o", at("still.png")}), 1);
        QVERIFY(errHas("--force"));
        QCOMPARE(run({"still", p, "--frame", "21", "-o", at("still.png"), "--force"}), 0);
        QCOMPARE(run({"still", p, "--frame", "72", "-o", at("late.png")}), 1);
        QVERIFY(errHas("0 to 71"));
        QCOMPARE(run({"still", p, "--frame", "3", "-o", at("still.mp4")}), 1);
        QCOMPARE(run({"still", p}), 2);
    }
    void rendersBesideEachOtherMakeOneFilm()
    {
        const std::string p = made("farm.vember");
        QCOMPARE(run({"set", p, "finish.shutter_angle=180", "finish.cover=breathing",
                      "recipe.Dead weight.light.streak.length=20"}),
                 0);
        QCOMPARE(run({"render", p, "-o", at("farm-whole_%03d.png"), "--frames", "10-40"}), 0);
        // Two processes at once, each with a part.
        QProcess one;
        QProcess two;
        const QString tool = QCoreApplication::applicationDirPath() + QStringLiteral("/vast-ember-batch");
        const auto part = [&](QProcess& process, const char* frames) {
            process.start(tool, {QStringLiteral("render"), QString::fromStdString(p), QStringLiteral("-o"),
                                 QString::fromStdString(at("farm-part_%03d.png")), QStringLiteral("--frames"),
                                 QString::fromLatin1(frames)});
        };
        part(one, "10-22");
        part(two, "23-40");
        QVERIFY(one.waitForFinished(test::patience) && two.waitForFinished(test::patience));
        QCOMPARE(one.exitCode(), 0);
        QCOMPARE(two.exitCode(), 0);
        for (int i = 10; i <= 40; ++i) {
            const QString number = QStringLiteral("%1").arg(i, 3, 10, QLatin1Char('0'));
            const auto bytes = [&](const char* name) {
                return test::bytesOf(
                    folder_.filePath(QString::fromLatin1(name) + QLatin1Char('_') + number + QStringLiteral(".png"))
                        .toStdString());
            };
            QVERIFY(!bytes("farm-whole").isEmpty());
            QCOMPARE(bytes("farm-part"), bytes("farm-whole"));
        }
        QCOMPARE(run({"render", p, "-o", at("farm-part_%03d.png"), "--frames", "10-40"}), 1);
        QCOMPARE(run({"render", p, "-o", at("farm-part_%03d.png"), "--frames", "10-40", "--resume"}), 0);
        QVERIFY(errHas("31 pictures were there already"));
        QCOMPARE(run({"render", p, "-o", at("farm.mp4"), "--resume"}), 1);
        QCOMPARE(run({"render", p, "-o", at("farm.mp4"), "--depth", "16"}), 1);
        QVERIFY(errHas("hold"));
        QCOMPARE(run({"render", p, "-o", at("farm.mp4"), "--quality", "perfect"}), 2);
    }
    void rendersSeveralFilms()
    {
        const std::string p = made("several.vember");
        const std::string odd = at("a, b.mkv");
        QCOMPARE(
            run({"render", p, "-o", at("s1.mkv"), "--frames", "18-25", "--also", odd, "--also",
                 at("s3.mp4") + ",size=96x64,coder=hevc-10,quality=draft", "--also", at("s4_%02d.png") + ",depth=16"}),
            0);
        QCOMPARE(test::bytesOf(odd), test::bytesOf(at("s1.mkv")));
        const ClipInfo small = ClipReader::open(at("s3.mp4")).value()->info();
        QCOMPARE(small.codec, std::string("hevc"));
        QCOMPARE(small.width, 96);
        QCOMPARE(small.pictures, std::int64_t{8});
        QVERIFY(QFile::exists(QString::fromStdString(at("s4_25.png"))));
        QCOMPARE(run({"render", p, "-o", at("t1.mkv"), "--also", at("t2.mp4") + ",coder=vp9"}), 1);
        QCOMPARE(run({"render", p, "-o", at("t1.mkv"), "--also", at("t2.mp4") + ",coder=none"}), 1);
        QVERIFY(errHas("coder=none"));
        QCOMPARE(run({"render", p, "-o", at("t1.mkv"), "--also", at("t1.mkv")}), 1);
        QVERIFY(errHas("two names"));
        QVERIFY(!QFile::exists(QString::fromStdString(at("t1.mkv"))));
        // By a preset; what else is said comes after it.
        const QByteArray before = qgetenv("XDG_CONFIG_HOME");
        qputenv("XDG_CONFIG_HOME", folder_.path().toUtf8());
        QCOMPARE(run({"render", p, "-o", at("u.mkv"), "--preset", "Small"}), 1);
        QVERIFY(errHas("no output presets"));
        QVERIFY(saveOutputPresets({{"Small", ".mkv", 0.5, FilmQuality::draft, Coder::h264}}, outputPresetsPath()));
        QCOMPARE(run({"render", p, "-o", at("u.mkv"), "--frames", "0-3", "--preset", "small"}), 1);
        QVERIFY(errHas("there are Small"));
        QCOMPARE(run({"render", p, "-o", at("u.mkv"), "--frames", "0-3", "--preset", "Small", "--coder", "ffv1"}), 0);
        qputenv("XDG_CONFIG_HOME", before);
        const ClipInfo half = ClipReader::open(at("u.mkv")).value()->info();
        QCOMPARE(half.codec, std::string("ffv1"));
        QCOMPARE(half.width, ClipReader::open(clip_).value()->info().width / 2);
    }
    void wrongCommandLines_data()
    {
        QTest::addColumn<QStringList>("arguments");
        const auto row = [](const char* text) {
            QTest::addRow("%s", text) << QString::fromLatin1(text).split(QLatin1Char(' '), Qt::SkipEmptyParts);
        };
        row("");
        row("fly");
        row("new");
        row("new a.mp4");
        row("new a.mp4 -o");
        row("new a.mp4 -o p --strike 10");
        row("new a.mp4 -o p --strike 10:bump:1");
        row("new a.mp4 -o p --strike -1:hit:1");
        row("new a.mp4 -o p --strike 1.5:hit:1");
        row("new a.mp4 -o p --strike 10:hit:19");
        row("new a.mp4 -o p --strike 10:hit:nan");
        row("new a.mp4 -o p --strike 10:hit:");
        row("new a.mp4 -o p --rate fast");
        row("new a.mp4 -o p --seed -1");
        row("new a.mp4 -o p --seed 4294967296");
        row("new a.mp4 -o p --overlap both");
        row("import list.csv");
        row("import list.csv -p p.vember --rate fast");
        row("import list.csv -p p.vember --column frame");
        row("export-strikes p.vember --as txt");
        row("recipes all");
        row("set");
        row("set p.vember overlap.rule");
        row("set p.vember =3");
        row("info");
        row("info a b");
        row("serve p.vember --log l.csv");
        row("serve p.vember --osc 9000");
        row("serve p.vember --osc 70000 --log l.csv");
        row("serve p.vember --osc 9000 --log l.csv --for 0");
        row("send p.json");
        row("send p.json --osc here");
        row("drop s.json --live");
        row("drop s.json --osc 9000");
        row("poses p --format xml");
        row("poses p --frames 9-3");
        row("poses p --frames x");
        row("poses p --subframes 0");
        row("render p");
        row("render p -o f --size 10");
        row("render p -o f --size 0x10");
        row("render p -o f --threads 0");
        row("render p -o f --fast");
    }
    void wrongCommandLines()
    {
        QFETCH(QStringList, arguments);
        std::vector<std::string> list;
        for (const QString& word : arguments)
            list.push_back(word.toStdString());
        QCOMPARE(run(list), 2);
        QVERIFY(out_.empty() && !err_.empty());
    }
    void newMakesAProject()
    {
        QCOMPARE(run({"new", clip_, "-o", at("a.vember"), "--strike", "20:landing:0.8", "--strike", "40:blast:50%",
                      "--strike", "5:beat"}),
                 0);
        QCOMPARE(run({"info", at("a.vember")}), 0);
        const QJsonObject info = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        QCOMPARE(info[QStringLiteral("size")].toObject()[QStringLiteral("width")].toInt(), 192);
        QCOMPARE(info[QStringLiteral("size")].toObject()[QStringLiteral("height")].toInt(), 128);
        QCOMPARE(info[QStringLiteral("rate")].toString(), QStringLiteral("24000/1001"));
        QCOMPARE(info[QStringLiteral("frames")].toInt(), 72);
        QCOMPARE(info[QStringLiteral("recipes")].toArray().size(), 4);
        const QJsonArray strikes = info[QStringLiteral("strikes")].toArray();
        QCOMPARE(strikes.size(), 3);
        QCOMPARE(strikes[0].toObject()[QStringLiteral("kind")].toString(), QStringLiteral("beat"));
        QCOMPARE(strikes[0].toObject()[QStringLiteral("strength")].toDouble(), 1.0);
        QCOMPARE(strikes[1].toObject()[QStringLiteral("strength")].toDouble(), 0.8);
        QCOMPARE(strikes[2].toObject()[QStringLiteral("strength")].toDouble(), 0.5);
        QCOMPARE(strikes[2].toObject()[QStringLiteral("recipe")].toString(), QStringLiteral("Blast and rumble"));
        // It does not replace a project unasked.
        QCOMPARE(run({"new", clip_, "-o", at("a.vember")}), 1);
        QVERIFY(errHas("exists already"));
    }
    void argumentsComeInAnyOrder()
    {
        QCOMPARE(run({"new", "--strike", "3:hit:1", "--strike", "5:beat:1", clip_, "-o", at("order.vember")}), 0);
        QCOMPARE(run({"info", at("order.vember")}), 0);
        QVERIFY(out_.find("\"frame\": 3") != std::string::npos && out_.find("\"frame\": 5") != std::string::npos);
        QCOMPARE(run({"new", "-o", at("order.vember"), "--force", "--strike=7:hit:1", clip_}), 0);
        QCOMPARE(run({"poses", "--frames", "2-4", at("order.vember")}), 0);
        QCOMPARE(run({"render", "--frames", "2-4", "-o", at("order.mkv"), "--threads", "1", at("order.vember")}), 0);
    }
    void infoTellsCurvesHandKeysAndWhomAMarkEnds()
    {
        const std::string p = made("shaped.vember", {"--strike", "20:hit:1", "--recipe", "Hard blow"});
        QCOMPARE(run({"set", p, "recipe.Hard blow.shutter_angle.curve=0:720,6:0", "recipe.Hard blow.play_rate=2",
                      "strike.1.own.pivot=point", "strike.1.own.envelope.strength.curve=0:0,1:1,9:0",
                      "settles=30:cut:strike.1,40:ease:6"}),
                 0);
        QCOMPARE(run({"info", p}), 0);
        const QJsonObject info = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        const QJsonObject recipe = info[QStringLiteral("recipes")].toArray()[0].toObject();
        QCOMPARE(recipe[QStringLiteral("curves")].toArray(), QJsonArray{QStringLiteral("shutter_angle")});
        QCOMPARE(recipe[QStringLiteral("play_rate")].toDouble(), 2.0);
        QCOMPARE(recipe[QStringLiteral("pivot")].toString(), QStringLiteral("middle"));
        const QJsonObject strike = info[QStringLiteral("strikes")].toArray()[0].toObject();
        QCOMPARE(strike[QStringLiteral("curves")].toArray(),
                 (QJsonArray{QStringLiteral("envelope.strength"), QStringLiteral("shutter_angle")}));
        QCOMPARE(strike[QStringLiteral("own")].toArray(),
                 (QJsonArray{QStringLiteral("pivot"), QStringLiteral("envelope.strength.curve")}));
        QCOMPARE(strike[QStringLiteral("pivot")].toString(), QStringLiteral("point"));
        QCOMPARE(strike[QStringLiteral("hand_keys")].toInt(), 0);
        const QJsonArray settles = info[QStringLiteral("settles")].toArray();
        QCOMPARE(settles[0].toObject()[QStringLiteral("strike")].toInt(), 1);
        QVERIFY(settles[1].toObject()[QStringLiteral("strike")].isNull());
    }
    void newTakesARecipe()
    {
        const auto path = made("r.vember", {"--recipe", "Hard blow"});
        QVERIFY(!path.empty());
        run({"info", path});
        QVERIFY(out_.find("\"recipe\": \"Hard blow\"") != std::string::npos);
        QVERIFY(made("x.vember", {"--recipe", "Nothing"}).empty());
        QVERIFY(errHas("Dead weight")); // it says which there are
        QVERIFY(made("x.vember", {"--strike", "72:hit:1"}).empty());
        QVERIFY(errHas("71"));
        QVERIFY(!QFile::exists(folder_.filePath(QStringLiteral("x.vember"))));
    }
    void newTakesSeedAndOverlap()
    {
        QCOMPARE(run({"new", clip_, "-o", at("seed.vember"), "--strike", "9:hit:1", "--strike", "20:hit:1", "--recipe",
                      "Hard blow", "--seed", "40", "--overlap", "restart"}),
                 0);
        run({"info", at("seed.vember")});
        const QJsonObject info = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        const QJsonArray strikes = info[QStringLiteral("strikes")].toArray();
        QCOMPARE(strikes[0].toObject()[QStringLiteral("seed")].toInt(), 40);
        QCOMPARE(strikes[1].toObject()[QStringLiteral("seed")].toInt(), 41);
        QCOMPARE(strikes[1].toObject()[QStringLiteral("recipe")].toString(), QStringLiteral("Hard blow"));
        QCOMPARE(info[QStringLiteral("overlap")].toObject()[QStringLiteral("rule")].toString(),
                 QStringLiteral("restart"));
        // The same seed is the same shake, another one another.
        run({"poses", at("seed.vember")});
        const std::string first = out_;
        run({"new", clip_, "-o", at("seed.vember"), "--force", "--strike", "9:hit:1", "--strike", "20:hit:1",
             "--recipe", "Hard blow", "--seed", "40", "--overlap", "restart"});
        run({"poses", at("seed.vember")});
        QVERIFY(out_ == first);
        run({"set", at("seed.vember"), "strike.1.seed=41"});
        run({"poses", at("seed.vember")});
        QVERIFY(out_ != first);
    }
    void recipesAreListed()
    {
        QCOMPARE(run({"recipes"}), 0);
        const auto lines = std::count(out_.begin(), out_.end(), '\n');
        QVERIFY(lines >= 14);
        QVERIFY(out_.find("Giant step\tshipped\t") != std::string::npos);
        QCOMPARE(run({"recipes", "--json"}), 0);
        const QJsonArray all =
            QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object()[QStringLiteral("recipes")].toArray();
        QCOMPARE(all.size(), static_cast<int>(lines));
        QVERIFY(!all[0].toObject()[QStringLiteral("strands")].toArray().isEmpty());
        // One's own book is among them, and strikes can use it.
        QDir().mkpath(QFileInfo(QString::fromStdString(userBookPath())).path());
        BookEntry entry = shippedRecipes().front();
        entry.recipe.name = "Quench";
        QVERIFY(saveRecipes({entry}, userBookPath()));
        QCOMPARE(run({"recipes"}), 0);
        QVERIFY(out_.find("Quench\tuser\t") != std::string::npos);
        QVERIFY(!made("quench.vember", {"--recipe", "Quench"}).empty());
        // A damaged one is put aside and said; the shipped ones are listed all the same.
        test::writeBytes(userBookPath(), "[1, 2");
        QCOMPARE(run({"recipes"}), 0);
        QVERIFY(errHas("recipes") && out_.find("Tap\tshipped") != std::string::npos);
        QCOMPARE(run({"recipes"}), 0);
        QVERIFY(err_.empty());
    }
    void listsComeAndGo()
    {
        const auto path = made("lists.vember", {"--strike", "40:blast:1.5"});
        QCOMPARE(run({"set", path, "strike.1.name=Ingot, first"}), 0);
        for (const char* ending : {"csv", "json", "vtt", "otio"}) {
            const std::string list = at("strikes.") + ending;
            QCOMPARE(run({"export-strikes", path, "--as", ending, "-o", list}), 0);
            QCOMPARE(run({"export-strikes", path, "--as", ending, "-o", list}), 1);
            QVERIFY(errHas("--force"));
            // Into an empty project of the same clip they are the same strikes.
            QCOMPARE(run({"new", clip_, "-o", at("empty.vember"), "--force"}), 0);
            QCOMPARE(run({"import", list, "-p", at("empty.vember"), "-o", at("filled.vember"), "--force"}), 0);
            QVERIFY(errHas("2 strikes added") && out_.empty());
            const Project from = loadProject(path).value();
            const Project to = loadProject(at("filled.vember")).value();
            QCOMPARE(to.strikes.size(), from.strikes.size());
            for (std::size_t i = 0; i < to.strikes.size(); ++i) {
                QCOMPARE(to.strikes[i].frame, from.strikes[i].frame);
                QCOMPARE(to.strikes[i].kind, from.strikes[i].kind);
                QCOMPARE(to.strikes[i].name, from.strikes[i].name);
                QCOMPARE(to.strikes[i].strength, from.strikes[i].strength);
                if (std::string(ending) != "vtt")
                    QCOMPARE(to.strikes[i].seed, from.strikes[i].seed);
            }
            QVERIFY(loadProject(at("empty.vember"))->strikes.empty());
            // A second time they join those that are there.
            QCOMPARE(run({"import", list, "-p", at("filled.vember")}), 0);
            QVERIFY(errHas("0 strikes added, 2 joined"));
            QCOMPARE(loadProject(at("filled.vember"))->strikes.size(), std::size_t{2});
        }
        QCOMPARE(run({"export-strikes", path}), 0);
        QVERIFY(out_.starts_with("frame,seconds,timecode,kind,name,strength,direction,seed\n20,"));
        // Frames of another rate, foreign headings, one past the end.
        test::writeBytes(at("cues.csv"), "Cue,What\n50,blow\n5000,too late\n");
        QCOMPARE(run({"import", at("cues.csv"), "-p", path, "--rate", "50/1", "--column", "frame=Cue", "--column",
                      "name=What"}),
                 0);
        QVERIFY(errHas("1 strike added, 1 past the end"));
        const Project project = loadProject(path).value();
        QCOMPARE(project.strikes[1].frame.index, std::int64_t{24}); // a second at 23.976
        QCOMPARE(project.strikes[1].name, std::string("blow"));
        // A list that cannot be read changes nothing and says where.
        const QByteArray before = test::bytesOf(path);
        test::writeBytes(at("cues.csv"), "frame,kind\n3,hit\n4,bump\n");
        QCOMPARE(run({"import", at("cues.csv"), "-p", path}), 1);
        QVERIFY(errHas("cues.csv, line 3") && errHas("bump"));
        QCOMPARE(test::bytesOf(path), before);
        QCOMPARE(run({"import", at("none.csv"), "-p", path}), 1);
        QCOMPARE(run({"import", clip_, "-p", path}), 1);
        QVERIFY(errHas(".vtt"));
    }
    void whatHitsIsSpotted()
    {
        // A sound of four hits half a second apart, as a file.
        SoundBuffer sound{44100, 2, std::vector<float>(2 * 44100 * 5, 0.f)};
        const SoundBuffer noise = test::whiteNoise(1, 0.8, 0.1, 44100);
        for (int hit = 0; hit < 8; ++hit)
            for (std::size_t i = 0; i < noise.samples.size(); ++i)
                sound.samples[2 * (static_cast<std::size_t>(hit) * 22050 + 22050 + i)] +=
                    noise.samples[i] * static_cast<float>(std::exp(-static_cast<double>(i) / 900));
        test::writeWav(at("hits.wav"), sound);
        QCOMPARE(run({"spot", at("hits.wav")}), batchOk);
        const auto lines = QString::fromStdString(out_).split(QLatin1Char('\n'), Qt::SkipEmptyParts);
        QCOMPARE(lines[0], QStringLiteral("seconds,frame,kind,strength,confidence"));
        QCOMPARE(lines.size(), 9);
        QVERIFY2(lines[1].startsWith(QStringLiteral("0.4")) || lines[1].startsWith(QStringLiteral("0.5")),
                 qPrintable(lines[1]));
        QVERIFY(lines[1].contains(QStringLiteral(",12,beat,1.000,")));
        QCOMPARE(run({"spot", at("hits.wav"), "--rate", "30/1", "--kind", "onset", "--format", "json"}), batchOk);
        const auto list = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).array();
        QCOMPARE(list.size(), 8);
        QCOMPARE(list[1].toObject()[QStringLiteral("frame")].toInt(), 30);
        QCOMPARE(list[1].toObject()[QStringLiteral("kind")].toString(), QStringLiteral("hit"));
        const QJsonArray evidence = list[1].toObject()[QStringLiteral("evidence")].toArray();
        QVERIFY(evidence.size() >= 1);
        QCOMPARE(evidence[0].toObject()[QStringLiteral("what")].toString(), QStringLiteral("rises"));
        QVERIFY(evidence[0].toObject()[QStringLiteral("amount")].toDouble() > 20);
        QCOMPARE(run({"tempo", at("hits.wav")}), batchOk);
        const auto tempo = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        QVERIFY(std::abs(tempo[QStringLiteral("bpm")].toDouble() - 120) < 0.3);
        QVERIFY(std::abs(tempo[QStringLiteral("first_beat_seconds")].toDouble() - 0.5) < 0.005);
        QCOMPARE(tempo[QStringLiteral("beats")].toArray().size(), 8);
        QVERIFY(tempo[QStringLiteral("confidence")].toDouble() > 0.5);
        QVERIFY(tempo[QStringLiteral("changes")].toArray().isEmpty());
        // A score's: two beats at 120 BPM, then 60, three in a bar; its beats go into a project on wish.
        const QByteArray track = QByteArray::fromHex("00ff58040302180800ff510307a12000992464"
                                                     "8740ff51030f42408740ff2f00");
        QByteArray size(4, '\0');
        size[3] = static_cast<char>(track.size());
        test::writeBytes(at("score.mid"), QByteArray::fromHex("4d546864000000060000000101e0") + "MTrk" + size + track);
        QCOMPARE(run({"tempo", at("score.mid")}), batchOk);
        const auto score = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        QCOMPARE(score[QStringLiteral("beats_per_bar")].toInt(), 3);
        QCOMPARE(score[QStringLiteral("first_beat_seconds")].toDouble(), 0.0);
        QCOMPARE(score[QStringLiteral("beats")].toArray().size(), 4); // its end is no beat of it
        QCOMPARE(score[QStringLiteral("beats")].toArray()[2].toDouble(), 1.0);
        // A list from spot goes into a project as it is.
        QCOMPARE(run({"spot", at("hits.wav"), "--band", "high", "--sensitivity", "0.3"}), batchOk);
        test::writeBytes(at("spotted.csv"), QByteArray::fromStdString(out_));
        const std::string project = made("spotted.vember");
        QCOMPARE(run({"import", at("spotted.csv"), "-p", project}), batchOk);
        QVERIFY(errHas("strikes added"));
        QCOMPARE(run({"export-strikes", project, "--as", "mid", "-o", at("spotted.mid"), "--force"}), batchOk);
        QVERIFY(test::bytesOf(at("spotted.mid")).startsWith("MThd"));
        QCOMPARE(run({"import", at("spotted.mid"), "-p", project}), batchOk);
        QVERIFY(errHas("0 strikes added"));
    }
    void whatCannotBeSpottedIsTold()
    {
        test::writeWav(at("silence.wav"), {48000, 1, std::vector<float>(48000, 0.f)});
        QCOMPARE(run({"spot", at("silence.wav")}), batchOk);
        QCOMPARE(out_, std::string("seconds,frame,kind,strength,confidence\n"));
        QVERIFY(errHas("Nothing was found"));
        QCOMPARE(run({"tempo", at("silence.wav")}), batchOk);
        QVERIFY(out_.find("\"bpm\": null") != std::string::npos);
        QVERIFY(errHas("No steady beat"));
        test::writeWav(at("sample.wav"), {48000, 1, {0.5f}});
        QCOMPARE(run({"spot", at("sample.wav")}), batchOk);
        QCOMPARE(run({"spot", at("silence.wav"), "--from", "picture"}), batchFailed);
        QVERIFY(errHas("sound only"));
        QCOMPARE(run({"spot", at("missing.wav")}), batchFailed);
        QVERIFY(errHas("missing.wav"));
        QCOMPARE(run({"tempo", test::numberedClip(folder_, "mute.mkv", 5, FrameRate())}), batchFailed);
        QVERIFY(errHas("no sound"));
        QCOMPARE(run({"spot", at("silence.wav"), "--sensitivity", "2"}), batchUsage);
        QCOMPARE(run({"spot", at("silence.wav"), "--band", "treble"}), batchUsage);
        const std::atomic<bool> stop{true};
        QCOMPARE(run({"spot", clip_}, &stop), batchFailed);
        QVERIFY(out_.empty());
    }
    void droppedBodiesListTheirImpacts()
    {
        QCOMPARE(run({"drop", "--sample"}), batchOk);
        test::writeBytes(at("scene.json"), QByteArray::fromStdString(out_));
        QCOMPARE(run({"drop", at("scene.json")}), batchOk);
        const auto first = QJsonDocument::fromJson(QByteArray::fromStdString(out_.substr(0, out_.find('\n')))).object();
        for (const char* name : {"time", "kind", "name", "energy", "speed", "x", "y", "place", "direction"})
            QVERIFY2(first.contains(QLatin1String(name)), name);
        test::writeBytes(at("impacts.jsonl"), QByteArray::fromStdString(out_));
        QCOMPARE(run({"import", at("impacts.jsonl"), "-p", made("dropped.vember")}), batchOk);
        test::writeBytes(at("scene.json"), "{\"drop\": 1}");
        QCOMPARE(run({"drop", at("scene.json")}), batchFailed);
        QVERIFY(errHas("bodies"));
        QCOMPARE(run({"drop"}), batchFailed);
    }
    void placesAreToldAndFelt()
    {
        const auto path = made("placed.vember");
        QCOMPARE(run({"set", path, "strike.1.place=0:0:343", "world.exponent=0"}), 0);
        QCOMPARE(run({"info", path}), 0);
        const auto strike = QJsonDocument::fromJson(QByteArray::fromStdString(out_))
                                .object()[QLatin1String("strikes")]
                                .toArray()[0]
                                .toObject();
        QCOMPARE(strike[QLatin1String("frame")].toInt(), 20);
        QCOMPARE(strike[QLatin1String("felt_frame")].toInt(), 44);
        QCOMPARE(strike[QLatin1String("distance")].toDouble(), 343.0);
        const Motion motion(loadProject(path).value());
        QVERIFY(motion.poseAt(43).atRest() && !motion.poseAt(46).atRest());
        // Lists carry places there and back.
        for (const char* ending : {"csv", "json", "otio"}) {
            const std::string list = at("placed.") + ending;
            QCOMPARE(run({"export-strikes", path, "--as", ending, "-o", list, "--force"}), 0);
            QCOMPARE(run({"new", clip_, "-o", at("bare.vember"), "--force"}), 0);
            QCOMPARE(run({"import", list, "-p", at("bare.vember")}), 0);
            QVERIFY(loadProject(at("bare.vember"))->strikes.at(0).place == Place{(WorldPoint{0, 0, 343})});
        }
        test::writeBytes(at("bad.csv"), "frame,position\n3,1:2\n");
        QCOMPARE(run({"import", at("bad.csv"), "-p", path}), 1);
        QVERIFY(errHas("line 2") && errHas("X:Y:Z"));
    }
    /// A bench without a window is struck by the sender, and its log tells what came and how the picture moved.
    void whatIsSentIsServed()
    {
        const auto path = made("served.vember");
        test::writeBytes(at("pattern.json"),
                         R"({"messages": [{"time": 0.2, "strike": "landing", "strength": 1, "seed": 7},
            {"time": 0.5, "strike": "nobody"}, {"time": 0.6, "intensity": 50}, {"time": 1.1, "settle": 0}],
            "hammer": [{"from": 0.6, "seconds": 0.5, "per_second": 40, "kinds": ["hit", "beat"], "seed": 3}]})");
        std::ostringstream out;
        std::ostringstream err;
        std::atomic<int> code{-1};
        const std::string log = at("served.csv");
        std::atomic<int> port{0};
        // The port is told first.
        class Told : public std::stringbuf {
        public:
            explicit Told(std::atomic<int>& port) : port_(port) {}
            int sync() override
            {
                if (const auto colon = str().find("127.0.0.1:"); colon != std::string::npos && port_ == 0)
                    port_ = std::stoi(str().substr(colon + 10));
                return 0;
            }

        private:
            std::atomic<int>& port_;
        } told(port);
        std::ostream live(&told);
        std::thread server([&] {
            code = runBatch({"serve", path, "--osc", "0", "--for", "2", "--log", log}, {live, err, false, nullptr});
        });
        const bool open = QTest::qWaitFor([&] { return port != 0; }, test::patience);
        int sent = -1;
        if (open) // a wrong datagram too
            sent = run({"send", at("pattern.json"), "--osc", "127.0.0.1:" + std::to_string(port)});
        server.join();
        QVERIFY(open);
        QCOMPARE(sent, 0);
        QVERIFY(out_.starts_with("24 messages sent"));
        QCOMPARE(code.load(), 0);
        QVERIFY(told.str().find("24 messages taken, 0 malformed") != std::string::npos);
        const QStringList lines = QString::fromUtf8(test::bytesOf(log)).split(QLatin1Char('\n'), Qt::SkipEmptyParts);
        QCOMPARE(lines[0], QStringLiteral("seconds,x,y,zoom,roll,pan,tilt,intensity,event"));
        QVERIFY(lines.size() > 100 && lines.size() <= 121);
        double farthest = 0;
        double last = -1;
        for (int i = 1; i < lines.size(); ++i) {
            const QStringList cells = lines[i].split(QLatin1Char(','));
            QVERIFY(cells.size() >= 9 && cells[0].toDouble() >= last); // a tick that is late is caught up with at once
            last = cells[0].toDouble();
            farthest = std::max(farthest, std::abs(cells[2].toDouble()));
        }
        QVERIFY(farthest > 3);
        QVERIFY(lines.filter(QStringLiteral("strike landing 100 %: felt")).size() == 1);
        QVERIFY(lines.filter(QStringLiteral("strike nobody 100 %: ignored")).size() == 1);
        QVERIFY(lines.filter(QStringLiteral("intensity 50 %")).size() == 1);
        QVERIFY(lines.filter(QStringLiteral("settle 0")).size() >= 1);
        // After the stop it is at rest exactly.
        QVERIFY(lines.back().contains(QStringLiteral(",0.0000,0.0000,1.000000,0.00000,0.00000,0.00000,0.0000,")));
        QVERIFY(!QFile::exists(QString::fromStdString(log + ".part")));
        // What cannot be.
        QCOMPARE(run({"serve", path, "--osc", "0.0.0.0:0", "--for", "0.1", "--log", log}), 1);
        QVERIFY(errHas("--open"));
        QCOMPARE(run({"serve", path, "--osc", "0", "--for", "0.1", "--log", at("none/log.csv")}), 1);
        QCOMPARE(run({"send", at("none.json"), "--osc", "9000"}), 1);
        test::writeBytes(at("pattern.json"), R"({"messages": [{"strike": "hit", "strength": 19}]})");
        QCOMPARE(run({"send", at("pattern.json"), "--osc", "9000"}), 1);
        QVERIFY(errHas("messages[0].strength"));
        const std::atomic<bool> stop{true};
        QCOMPARE(run({"serve", path, "--osc", "0", "--log", log, "--force"}, &stop), 0); // interrupted is done
    }
    void fallingBodiesAreSentLive()
    {
        test::writeBytes(at("short.json"), R"({"drop": 1, "seconds": 0.6, "bodies": [
            {"name": "floor", "shape": "box", "width": 10, "height": 1, "fixed": true, "x": 0, "y": -0.5},
            {"name": "shot", "shape": "ball", "radius": 0.2, "mass": 5, "x": 2, "y": 0.7}]})");
        QCOMPARE(run({"drop", at("short.json"), "--positions"}), 0);
        QVERIFY(out_.find("\"position\":[2.0") != std::string::npos);
        auto listener = OscListener::open({"127.0.0.1", 0});
        QCOMPARE(run({"drop", at("short.json"), "--live", "--osc", std::to_string(listener.value()->port())}), 0);
        QTRY_VERIFY(listener.value()->counts().taken >= 1);
        const auto arrivals = listener.value()->take();
        const auto& strike = std::get<OscStrike>(arrivals.at(0).message);
        QCOMPARE(strike.kind, std::string("landing"));
        QVERIFY(strike.strength > 0.9 && strike.at && std::abs(strike.at->x - 2) < 0.1 && strike.at->z > 5);
    }
    void setChangesAnyValue()
    {
        const auto path = made("set.vember");
        QCOMPARE(run({"set", path, "overlap.rule=stronger", "drift.on=on", "master.intensity=50%",
                      "strike.1.strength=0.5", "recipe.Dead weight.envelope.decay=33",
                      "recipe.Dead weight.strand.Kick.amount.y=12.5", "strike.1.own.envelope.hold=9",
                      "settles=30:cut,50:ease:8", "strike.1.place=3:0:20", "strike.1.place.later=off",
                      "world.exponent=2", "world.camera=0:0:0:0:0,40:1:2:3:-45", "-o", at("set2.vember")}),
                 0);
        QVERIFY(out_.empty() && err_.empty());
        const Project before = loadProject(path).value();
        const Project after = loadProject(at("set2.vember")).value();
        QCOMPARE(before.overlap.rule, OverlapRule::add); // -o leaves the project itself alone
        QCOMPARE(after.overlap.rule, OverlapRule::stronger);
        QCOMPARE(after.master.intensity, 0.5);
        QVERIFY(after.drift.on);
        QCOMPARE(after.strikes[0].strength, 0.5);
        const Recipe& recipe = *after.recipeNamed("Dead weight");
        QCOMPARE(recipe.envelope[EnvelopeField::decay], 33.0);
        QCOMPARE(recipe.strand("Kick")->amount[Axis::y], 12.5);
        QCOMPARE(envelopeOf(after, after.strikes[0])[EnvelopeField::hold], 9.0);
        QCOMPARE(after.settles.size(), std::size_t{2});
        QVERIFY(after.strikes[0].place == (Place{WorldPoint{3, 0, 20}, true, false, true}));
        QCOMPARE(after.world.exponent, 2.0);
        QVERIFY(after.world.camera.at(1) == (CameraKey{Frame{40}, {1, 2, 3}, -45}));
        run({"info", at("set2.vember")});
        QVERIFY(out_.find("\"envelope.hold\"") != std::string::npos && out_.find("\"ease\"") != std::string::npos);
        // What --list writes can be set again and changes nothing.
        QCOMPARE(run({"set", at("set2.vember"), "--list"}), 0);
        std::vector<std::string> again{"set", at("set2.vember"), "-o", at("set3.vember")};
        for (const QString& line : QString::fromStdString(out_).split(QLatin1Char('\n'), Qt::SkipEmptyParts))
            again.push_back(line.toStdString());
        QVERIFY(again.size() > 100);
        QCOMPARE(run(again), 0);
        QVERIFY(loadProject(at("set3.vember")).value() == after);
    }
    void settingsThatCannotBeAreSentences_data()
    {
        QTest::addColumn<QString>("setting");
        QTest::addColumn<QString>("says");
        QTest::addRow("unknown") << "overlap.rul=add"
                                 << "overlap.rul";
        QTest::addRow("word") << "overlap.rule=both"
                              << "restart";
        QTest::addRow("range") << "master.intensity=9"
                               << "master.intensity";
        QTest::addRow("not a number") << "strike.1.strength=nan"
                                      << "strike.1.strength";
        QTest::addRow("no strike") << "strike.9.strength=1"
                                   << "strike.9.strength";
        QTest::addRow("no strand") << "recipe.Dead weight.strand.Hum.amount.x=1"
                                   << "Hum";
        QTest::addRow("place") << "strike.1.place=3:4"
                               << "X:Y:Z";
        QTest::addRow("place switch") << "strike.1.place.later=off" // it has no place
                                      << "strike.1.place.later";
        QTest::addRow("camera") << "world.camera=0:0:0:0"
                                << "HEADING";
        QTest::addRow("frame") << "strike.1.frame=72"
                               << "71";
        QTest::addRow("taken name") << "recipe.Dead weight.name=Hard blow"
                                    << "no other recipe";
        QTest::addRow("key list") << "master.keys=0:1,x"
                                  << "master.keys";
    }
    void settingsThatCannotBeAreSentences()
    {
        QFETCH(QString, setting);
        QFETCH(QString, says);
        const auto path = made("wrong.vember");
        const QByteArray before = test::bytesOf(path);
        QCOMPARE(run({"set", path, "overlap.ceiling=2", setting.toStdString()}), 1);
        QVERIFY2(errHas(qPrintable(says)), err_.c_str());
        QCOMPARE(std::count(err_.begin(), err_.end(), '\n'), 1);
        QCOMPARE(test::bytesOf(path), before); // nothing half done
    }
    void posesAreExactAtRest()
    {
        const auto path = made("p.vember");
        QCOMPARE(run({"poses", path}), 0);
        const QStringList lines = QString::fromStdString(out_).split(QLatin1Char('\n'), Qt::SkipEmptyParts);
        QCOMPARE(lines.size(), 73);
        QCOMPARE(lines[0], QStringLiteral("frame,x,y,zoom,roll,pan,tilt,intensity"));
        for (int i = 0; i <= 20; ++i)
            QCOMPARE(lines[i + 1], QStringLiteral("%1,0,0,1,0,0,0,0").arg(i));
        QCOMPARE(lines[22].split(QLatin1Char(','))[7], QStringLiteral("0.8"));
        QCOMPARE(run({"poses", path, "--frames", "20-22", "--subframes", "2", "--format", "json"}), 0);
        const QJsonArray rows = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).array();
        QCOMPARE(rows.size(), 6);
        QCOMPARE(rows[1].toObject()[QStringLiteral("frame")].toDouble(), 20.5);
        QCOMPARE(run({"poses", path, "--frames", "70-72"}), 1);
        QVERIFY(errHas("71"));
    }
    void renderMakesAFilm()
    {
        const auto path = made("f.vember");
        QCOMPARE(run({"render", path, "-o", at("f.mkv"), "--frames", "10-30", "--threads", "1"}), 0);
        QVERIFY(out_.empty() && errHas("frame 21 of 21"));
        auto film = ClipReader::open(at("f.mkv"));
        QVERIFY(film);
        QCOMPARE(film.value()->info().length, std::int64_t{21});
        QCOMPARE(test::numberIn(*film.value()->picture(4).value()), 14);
        QCOMPARE(run({"render", path, "-o", at("f.mkv"), "--frames", "0-2"}), 1);
        QVERIFY(errHas("exists already") && errHas("--force"));
        QCOMPARE(run({"render", path, "-o", at("f.mkv"), "--frames", "0-2", "--force", "--size", "96x64"}), 0);
        QCOMPARE(ClipReader::open(at("f.mkv")).value()->info().width, 96);
    }
    void stoppingLeavesNothing()
    {
        const std::atomic<bool> stop{true};
        QCOMPARE(run({"render", made("s.vember"), "-o", at("s.mp4")}, &stop), 1);
        QVERIFY(errHas("cancelled"));
        QCOMPARE(QDir(folder_.path()).entryList({QStringLiteral("*s.mp4*")}, QDir::Files | QDir::Hidden),
                 QStringList());
    }
    void badFilesAreSentences_data()
    {
        QTest::addColumn<QByteArray>("text");
        QTest::addRow("broken") << QByteArray("{\"vember\": 1, ");
        QTest::addRow("version") << QByteArray("{\"vember\": 99}");
        QTest::addRow("empty") << QByteArray();
        QTest::addRow("absurd") << QByteArray(
            R"({"vember":1,"frame":{"width":1e300,"height":4},"rate":"24/1","shots":[],"recipes":[],"strikes":[]})");
    }
    void badFilesAreSentences()
    {
        QFETCH(QByteArray, text);
        test::writeBytes(at("bad.vember"), text);
        for (const char* command : {"info", "poses", "render"}) {
            std::vector<std::string> arguments{command, at("bad.vember")};
            if (std::string(command) == "render")
                arguments.insert(arguments.end(), {"-o", at("bad.mp4")});
            QCOMPARE(run(arguments), 1);
            QVERIFY(out_.empty() && errHas("bad.vember") && errHas("vast-ember-batch: "));
            QCOMPARE(std::count(err_.begin(), err_.end(), '\n'), 1);
        }
    }
    void missingThingsAreSentences()
    {
        QCOMPARE(run({"info", at("none.vember")}), 1);
        QVERIFY(errHas("does not exist"));
        QCOMPARE(run({"new", at("none.mp4"), "-o", at("n.vember")}), 1);
        QVERIFY(errHas("none.mp4"));
        const auto path = made("lost.vember");
        QByteArray text = test::bytesOf(path);
        text.replace("clip.mkv", "gone.mkv");
        test::writeBytes(path, text);
        QCOMPARE(run({"render", path, "-o", at("l.mp4")}), 1);
        QVERIFY(errHas("gone.mkv"));
        QCOMPARE(run({"poses", path}), 0); // the motion needs no clip
        QCOMPARE(run({"new", clip_, "-o", at("no/folder/n.vember")}), 1);
    }
    void listsCarryRecipesOnWish()
    {
        const std::string from = made("carrier.vember", {"--strike", "30:blast:1.1", "--strike", "40:hit:0.5"});
        const auto rename = [](const std::string& path, const char* now, const char* then) {
            Project project = loadProject(path).value();
            for (Recipe& recipe : project.recipes)
                if (recipe.name == now)
                    recipe.name = then;
            return static_cast<bool>(saveProject(project, path));
        };
        QVERIFY(rename(from, "Blast and rumble", "Ladle"));
        const std::string number = loadProject(from)->strikes[0].frame.index == 30 ? "1" : "2";
        QCOMPARE(run({"set", from, "strike." + number + ".own.envelope.decay=33"}), 0);
        QCOMPARE(run({"export-strikes", from}), 0);
        QVERIFY(QString::fromStdString(out_).startsWith("frame,seconds,timecode,kind,name,strength,direction,seed\n"));
        QCOMPARE(run({"export-strikes", from, "--recipes", "-o", at("carried.csv")}), 0);
        const QByteArray list = test::bytesOf(at("carried.csv"));
        QVERIFY(list.startsWith("frame,seconds,timecode,kind,name,strength,direction,seed,recipe,values\n"));
        QVERIFY2(list.contains(",Ladle,\"{\"\"envelope.decay\"\":33.0}\""), list.constData());
        // Into a film that has the recipe, and into one that nobody told about it.
        const std::string knows = made("knows.vember", {});
        QVERIFY(rename(knows, "Blast and rumble", "Ladle"));
        QCOMPARE(run({"import", at("carried.csv"), "-p", knows}), 0);
        const Project known = loadProject(knows).value();
        const auto blast = std::find_if(known.strikes.begin(), known.strikes.end(),
                                        [](const Strike& s) { return s.frame.index == 30; });
        QVERIFY(blast != known.strikes.end());
        QCOMPARE(known.recipe(blast->recipe)->name, std::string("Ladle"));
        QCOMPARE(blast->overrides["envelope.decay"], std::optional<double>(33));
        QCOMPARE(run({"import", at("carried.csv"), "-p", made("foreign.vember", {})}), 0);
        QVERIFY2(errHas("unknown recipes") && errHas("Ladle"), err_.c_str());
        test::writeBytes(at("odd.csv"), "frame,kind,values\n50,hit,\"{\"\"envelope.moon\"\": 3}\"\n");
        QCOMPARE(run({"import", at("odd.csv"), "-p", knows}), 0);
        QVERIFY2(errHas("1 value that the recipe does not have"), err_.c_str());
        // A recipe of the book that the film does not have comes along.
        QVERIFY(rename(knows, "Ladle", "Gone"));
        test::writeBytes(at("book.csv"), "frame,kind,recipe\n60,blast,Blast and rumble\n");
        QCOMPARE(run({"import", at("book.csv"), "-p", knows}), 0);
        QVERIFY(loadProject(knows)->recipeNamed("Blast and rumble") != nullptr);
    }
    void exportHandsOnInEveryFormat()
    {
        const std::string project = made("hand.vember", {"--strike", "30:blast:1.1"});
        for (const char* format :
             {"csv", "json", "gltf", "usd", "otio", "css", "html", "svg", "lottie", "vtt", "mid"}) {
            const std::string out = at((std::string("hand.") + format + ".out").c_str());
            QVERIFY2(run({"export", project, "--as", format, "-o", out}) == 0, err_.c_str());
            QVERIFY(QFile(QString::fromStdString(out)).size() > 50);
            QCOMPARE(run({"export", project, "--as", format, "-o", out}), 1); // it exists
            QVERIFY(errHas("--force"));
            QCOMPARE(run({"export", project, "--as", format, "-o", out, "--force"}), 0);
        }
        // By the ending; of one strike, with the fewest keys, by default and by a number.
        QCOMPARE(run({"export", project, "--strike", "2", "--camera", "--unit", "cm", "-o", at("rig.usda")}), 0);
        QVERIFY(test::bytesOf(at("rig.usda")).contains("metersPerUnit = 0.01"));
        QVERIFY(test::bytesOf(at("rig.usda")).contains("def Xform \"Rig\""));
        QCOMPARE(run({"export", project, "--strike", "2", "-o", at("null.lot")}), 0);
        QVERIFY(test::bytesOf(at("null.lot")).startsWith("{\"ver\":10000"));
        QCOMPARE(run({"export", project, "--strike", "2", "--sparse", "-o", at("few.csv")}), 0);
        QVERIFY(errHas(" keys instead of "));
        const QByteArray few = test::bytesOf(at("few.csv"));
        QVERIFY(few.startsWith("channel,frame,value,slope_in,slope_out\nx_px,30,0,0,"));
        QCOMPARE(run({"export", project, "--strike", "2", "--sparse", "5", "-o", at("fewer.csv")}), 0);
        QVERIFY(test::bytesOf(at("fewer.csv")).size() < few.size());
        QCOMPARE(run({"export", project, "--camera", "--absolute", "--y-up", "--cover", "--offset", "1001", "--lens",
                      "40", "--width", "2.5", "--unit", "yd", "-o", at("camera.csv")}),
                 0);
        QVERIFY(test::bytesOf(at("camera.csv"))
                    .startsWith("frame,seconds,x_yd,y_yd,z_yd,pan_deg,tilt_deg,roll_deg\n1001,"));
        QCOMPARE(run({"export", project, "--shot", "1", "--gentle", "-o", at("gentle.json")}), 0);
        QCOMPARE(QJsonDocument::fromJson(test::bytesOf(at("gentle.json"))).object()["of"].toString(),
                 QStringLiteral("shot"));
        // Sheets and recipes, one or all.
        QCOMPARE(run({"export", project, "--as", "sheet", "--strike", "1", "-o", at("one.pdf")}), 0);
        QVERIFY(test::bytesOf(at("one.pdf")).startsWith("%PDF"));
        QCOMPARE(run({"export", project, "--as", "sheet", "-o", at("pages/")}), 0);
        QCOMPARE(out_, std::string("01-landing.pdf\n02-blast.pdf\n"));
        QCOMPARE(run({"export", project, "--as", "recipe", "--recipe", "Dead weight", "-o", at("weight.json")}), 0);
        QCOMPARE(QJsonDocument::fromJson(test::bytesOf(at("weight.json"))).object()["name"].toString(),
                 QStringLiteral("Dead weight"));
        QCOMPARE(run({"export", project, "--as", "recipe", "-o", at("recipes/")}), 0);
        // What cannot be.
        const auto fails = [&](const std::vector<std::string>& more, int code, const char* word) {
            std::vector<std::string> arguments{"export", project, "-o", at("wrong.csv")};
            arguments.insert(arguments.end(), more.begin(), more.end());
            const bool right = run(arguments) == code && errHas(word);
            return right && !QFile::exists(QString::fromStdString(at("wrong.csv")));
        };
        QVERIFY2(fails({"--strike", "3"}, 1, "has 2 strikes"), err_.c_str());
        QVERIFY2(fails({"--shot", "2"}, 1, "has 1 shots"), err_.c_str());
        QVERIFY2(fails({"--recipe", "Waltz"}, 1, "no recipe of this name"), err_.c_str());
        QVERIFY2(fails({"--as", "recipe"}, 1, "say which"), err_.c_str());
        QVERIFY2(fails({"--as", "otio", "--strike", "1"}, 1, "whole film"), err_.c_str());
        QVERIFY2(fails({"--sparse", "-1"}, 2, "above 0"), err_.c_str());
        QVERIFY2(fails({"--sparse", "few"}, 2, "above 0"), err_.c_str());
        QVERIFY2(fails({"--as", "waltz"}, 2, "--as"), err_.c_str());
        QVERIFY2(fails({"--strike", "1", "--shot", "1"}, 2, "excludes"), err_.c_str());
        QCOMPARE(run({"export", project, "-o", at("wrong.xyz")}), 1);
        QVERIFY(errHas("--as"));
        QCOMPARE(run({"export", project, "--as", "csv", "-o", at("folder/")}), 1);
        QCOMPARE(run({"export", project, "--as", "csv", "-o", clip_, "--force"}), 1);
        QVERIFY(errHas("never written over"));
    }
    void timelinesComeBack()
    {
        const std::string project = made("reel.vember", {"--then", clip_, "--strike", "30:blast:1.1"});
        QCOMPARE(run({"export", project, "-o", at("reel.otio")}), 0);
        QCOMPARE(run({"new", at("reel.otio"), "-o", at("back.vember")}), 0);
        const Project before = loadProject(project).value();
        const Project after = loadProject(at("back.vember")).value();
        QCOMPARE(after.shots, before.shots);
        QCOMPARE(after.width, before.width);
        QVERIFY(after.rate == before.rate);
        QCOMPARE(after.strikes.size(), before.strikes.size());
        for (std::size_t i = 0; i < after.strikes.size(); ++i) {
            QVERIFY(after.strikes[i].frame == before.strikes[i].frame);
            QCOMPARE(after.strikes[i].strength, before.strikes[i].strength);
            QCOMPARE(after.strikes[i].seed, before.strikes[i].seed);
        }
        test::writeBytes(at("bad.otio"), "{\"OTIO_SCHEMA\": \"Clip.1\"}");
        QCOMPARE(run({"new", at("bad.otio"), "-o", at("none.vember")}), 1);
        QVERIFY(errHas("bad.otio"));
        QByteArray moved = test::bytesOf(at("reel.otio"));
        moved.replace(".mkv", ".gone");
        test::writeBytes(at("moved.otio"), moved);
        QCOMPARE(run({"new", at("moved.otio"), "-o", at("none.vember")}), 1);
        QVERIFY(errHas("does not exist"));
        QVERIFY(!QFile::exists(QString::fromStdString(at("none.vember"))));
    }
    void checkTellsWhetherItMayBeWatched()
    {
        const std::string calm = made("calm.vember", {"--force"});
        QCOMPARE(run({"set", calm, "gentle.strength=0.3", "strike.1.strength=10%"}), 0);
        QVERIFY2(run({"check", calm, "--no-flashes"}) == 0, out_.c_str());
        QVERIFY(out_.find("Within all limits.") != std::string::npos);
        QCOMPARE(run({"check", calm}), 3); // the clip's own numbers flicker
        QVERIFY(out_.find("over  Flashes up to frames") != std::string::npos);
        const std::string wild =
            made("wild.vember", {"--strike", "2:blast:4", "--strike", "10:blast:4", "--strike", "34:blast:4"});
        QCOMPARE(run({"check", wild}), 3);
        QVERIFY(out_.find("over  A corner goes at most") != std::string::npos);
        QVERIFY(out_.find("Not within its limits.") != std::string::npos);
        QVERIFY(err_.empty());
        QCOMPARE(run({"check", wild, "--json"}), 3);
        const QJsonObject told = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        QVERIFY(!told["within"].toBool(true));
        QCOMPARE(told["comfort"].toArray().size(), 8);
        QVERIFY(told.contains("flashes"));
        QCOMPARE(run({"check", wild, "--json", "--gentle", "--no-flashes"}),
                 3); // it shakes most of the time, if gently
        const QJsonObject gentle = QJsonDocument::fromJson(QByteArray::fromStdString(out_)).object();
        for (const auto& line : gentle["comfort"].toArray())
            if (line.toObject()["key"] == "displacement")
                QVERIFY(line.toObject()["value"].toDouble() <= 2);
        QVERIFY(!gentle.contains("flashes"));
        QCOMPARE(run({"check", wild, "--shot", "2"}), 1);
        QVERIFY(errHas("has 1 shots"));
        QCOMPARE(run({"check", at("none.vember")}), 1);
    }
    void theGentleFilmIsAnother()
    {
        const std::string project = made("both.vember", {"--strike", "20:blast:2"});
        QCOMPARE(run({"set", project, "finish.cover=off"}), 0);
        QCOMPARE(run({"render", project, "--frames", "18-26", "-o", at("full_%03d.png")}), 0);
        QCOMPARE(run({"render", project, "--frames", "18-26", "--gentle", "-o", at("less_%03d.png")}), 0);
        QVERIFY(test::bytesOf(at("full_018.png")) == test::bytesOf(at("less_018.png"))); // before it, both at rest
        QVERIFY(test::bytesOf(at("full_021.png")) != test::bytesOf(at("less_021.png")));
        QCOMPARE(run({"still", project, "--frame", "21", "--gentle", "-o", at("gentle-still.png")}), 0);
        QVERIFY(test::bytesOf(at("gentle-still.png")) == test::bytesOf(at("less_021.png")));
    }
    void theRealProgramRuns()
    {
        const QString program = QCoreApplication::applicationDirPath() + QStringLiteral("/vast-ember-batch");
        QProcess process;
        process.start(program, {QStringLiteral("new"), QString::fromStdString(clip_), QStringLiteral("-o"),
                                folder_.filePath(QStringLiteral("real.vember")), QStringLiteral("--strike"),
                                QStringLiteral("3:hit:1")});
        QVERIFY(process.waitForFinished(test::patience) && process.exitCode() == 0);
        process.start(program, {QStringLiteral("poses"), folder_.filePath(QStringLiteral("real.vember"))});
        QVERIFY(process.waitForFinished(test::patience) && process.exitCode() == 0);
        QVERIFY(
            process.readAllStandardOutput().startsWith("frame,x,y,zoom,roll,pan,tilt,intensity\n0,0,0,1,0,0,0,0\n"));
        process.start(program, {QStringLiteral("poses"), QStringLiteral("none.vember")});
        QVERIFY(process.waitForFinished(test::patience) && process.exitCode() == 1);
        QVERIFY(!process.readAllStandardError().isEmpty());
        process.start(program, {QStringLiteral("dance")});
        QVERIFY(process.waitForFinished(test::patience) && process.exitCode() == 2);
        // Output that cannot be written is a failure, not a silence.
        process.setStandardOutputFile(QStringLiteral("/dev/full"));
        process.start(program, {QStringLiteral("poses"), folder_.filePath(QStringLiteral("real.vember"))});
        QVERIFY(process.waitForFinished(test::patience) && process.exitCode() == 1);
        // A signal stops a render and cleans up.
        process.setStandardOutputFile(QProcess::nullDevice());
        process.start(program,
                      {QStringLiteral("render"), folder_.filePath(QStringLiteral("real.vember")), QStringLiteral("-o"),
                       folder_.filePath(QStringLiteral("real.mp4")), QStringLiteral("--size"),
                       QStringLiteral("3840x2560"), QStringLiteral("--threads"), QStringLiteral("1")});
        process.setReadChannel(QProcess::StandardError);
        QVERIFY(process.waitForReadyRead(test::patience)); // the first word of its progress
        process.terminate();
        QVERIFY(process.waitForFinished(test::patience));
        QCOMPARE(process.exitStatus(), QProcess::NormalExit);
        QCOMPARE(process.exitCode(), 1);
        QCOMPARE(QDir(folder_.path()).entryList({QStringLiteral("*real.mp4*")}, QDir::Files | QDir::Hidden),
                 QStringList());
    }
    void itDescribesItself()
    {
        QCOMPARE(run({"--manual-page"}), 0);
        const std::string page = out_;
        QVERIFY(page.starts_with(".TH VAST\\-EMBER\\-BATCH 1"));
        QCOMPARE(run({"--bash-completion"}), 0);
        const std::string completion = out_;
        QCOMPARE(run({"--help"}), 0);
        // Every command of the help is in both, with its own options.
        int commands = 0;
        for (const QString& line : QString::fromStdString(out_).section(QStringLiteral("Subcommands:"), 1).split('\n'))
            if (line.startsWith(QStringLiteral("  ")) && line.size() > 2 && !line[2].isSpace()) {
                const std::string name = line.trimmed().section(QLatin1Char(' '), 0, 0).toStdString();
                const std::string printed =
                    QString::fromStdString(name).replace('-', QStringLiteral("\\-")).toStdString();
                QVERIFY2(page.find(".B " + printed + "\n") != std::string::npos, name.c_str());
                QVERIFY2(completion.find("    " + name + ") words=\"") != std::string::npos, name.c_str());
                ++commands;
            }
        QVERIFY(commands >= 22);
        QVERIFY(page.find(".B \\-o, \\-\\-output VALUE\n") != std::string::npos);
        QVERIFY(completion.find("render) words=\"-h -o --help --version --output") != std::string::npos ||
                completion.find("--resume") != std::string::npos);
    }
};

EMBER_TEST(BatchTest)
#include "tst_batch.moc"
