// SPDX-License-Identifier: GPL-3.0-or-later
// Files that are handed on: shake sheets with all their words, folders, what may not be overwritten; and films whose
// flashes are found.
#include <filesystem>

#include <QDir>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/core/comfort.h"
#include "ember/film/check_film.h"
#include "ember/film/hand_on.h"
#include "ember/film/new_project.h"
#include "ember/media/clip.h"
#include "ember/project/edits.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;
namespace fs = std::filesystem;

class HandOnTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromUtf8(name)).toStdString(); }

    /// Strikes of three kinds with names that want care, the last without a name.
    Project film() const
    {
        Project project = projectForClip(ClipReader::open(clip_, {}).value()->info());
        project = withStrike(std::move(project), Frame{8}, StrikeKind::blast, 1.1).project;
        project = withStrike(std::move(project), Frame{24}, StrikeKind::landing, 0.8).project;
        project = withStrike(std::move(project), Frame{40}, StrikeKind::hit, 0.5).project;
        project.strikes[0].name = "../Ladle <bursts> & \"spills\"";
        project.strikes[1].name = "Aufprall \xc3\x9c"
                                  "ber Gr\xc3\xb6\xc3\x9f"
                                  "e";
        return project;
    }
    static HandingOn ofStrike(const Project& project, std::size_t index)
    {
        HandingOn how;
        how.part = {HandedOf::strike, project.strikes[index].id};
        return how;
    }
    QString textOf(const std::string& pdf)
    {
        QProcess process;
        process.start(QStringLiteral("pdftotext"),
                      {QStringLiteral("-layout"), QString::fromStdString(pdf), QStringLiteral("-")});
        process.waitForFinished(test::patience);
        return QString::fromUtf8(process.readAllStandardOutput());
    }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "night shift.mkv", 60, *FrameRate::make(24, 1), 192, 108);
        QVERIFY(!clip_.empty());
    }

    void sheetsHaveEverything()
    {
        const Project project = film();
        const auto done = handOn(project, HandFormat::sheet, ofStrike(project, 0), at("sheet.pdf"), false);
        QVERIFY2(done, done ? "" : sentence(done.error()).c_str());
        const QString text = textOf(at("sheet.pdf"));
        Recipe recipe = recipeOf(project, project.strikes[0]);
        for (const QString& word :
             {QStringLiteral("../Ladle <bursts> & \"spills\""), QStringLiteral("night shift.mkv"),
              QStringLiteral("Blast and rumble"), QStringLiteral("110 %"), QStringLiteral("Envelope"),
              QStringLiteral("Release curve"), QStringLiteral("Damping"), QStringLiteral("Lacunarity"),
              QStringLiteral("Where strikes meet"), QStringLiteral("felt")})
            QVERIFY2(text.contains(word), qPrintable(word + QStringLiteral(" is missing in ") + text));
        for (const Strand& strand : recipe.strands)
            QVERIFY2(text.contains(QString::fromStdString(strand.name)), strand.name.c_str());
        QVERIFY(!text.contains(QStringLiteral("more lines")));
        // The frames of the table are those of the motion.
        const auto motion = handedMotion(project, ofStrike(project, 0)).value();
        QVERIFY(text.contains(QStringLiteral("%1 px").arg(motion.poses[1].x, 0, 'f', 1)));
        const auto sheet = sheetOf(project, project.strikes[0].id).value();
        QVERIFY(sheet.frames.size() >= 8);
        QCOMPARE(sheet.frames[1].label, std::string("0"));
        for (const SheetFrame& frame : sheet.frames)
            QVERIFY(frame.picture != nullptr && frame.picture->width() > 100);
        QCOMPARE(*std::max_element(sheet.intensity.begin(), sheet.intensity.end()), 1.1);
        // Letters that are not of the plain alphabet.
        QVERIFY(handOn(project, HandFormat::sheet, ofStrike(project, 1), at("second.pdf"), false));
        QVERIFY(textOf(at("second.pdf")).contains(QString::fromStdString(project.strikes[1].name)));
    }
    void aPageForEveryStrike()
    {
        Project project = film();
        project.strikes[2].frame = Frame{5000}; // beyond the film: a page without pictures
        const auto all = handed(project, HandFormat::sheet, {}, ".pdf");
        QVERIFY2(all, all ? "" : sentence(all.error()).c_str());
        QCOMPARE(all->note, std::string("3 pages, A4 across."));
        test::writeBytes(at("all.pdf"), QByteArray::fromStdString(all->bytes));
        const QString text = textOf(at("all.pdf"));
        for (const char* word : {"spills", "Aufprall", "hit on frame 5000"})
            QVERIFY2(text.contains(QLatin1String(word)), word);
        QCOMPARE(text.count(QLatin1Char('\f')), 3);
        QVERIFY(!handed(project, HandFormat::sheet, {}, ".svg"));
        project.strikes[0].strength = 0; // which has no page
        QCOMPARE(handed(project, HandFormat::sheet, {}, ".pdf")->note, std::string("2 pages, A4 across."));
        project.strikes.resize(1);
        QVERIFY(!handed(project, HandFormat::sheet, {}, ".pdf"));
        // A recipe is told by the strikes where all use the same one.
        QVERIFY(handed(project, HandFormat::recipe, {}));
        QVERIFY(!handed(film(), HandFormat::recipe, {}));
    }
    void sheetsAreDrawnAsPicturesToo()
    {
        const Project project = film();
        QVERIFY(handOn(project, HandFormat::sheet, ofStrike(project, 0), at("sheet.png"), false));
        const QImage page(QString::fromStdString(at("sheet.png")));
        QCOMPARE(page.size(), QSize(1684, 1190));
        QCOMPARE(page.pixelColor(4, 4), QColor(Qt::white));
        int hot = 0;
        for (int x = 0; x < page.width(); ++x) // the envelope, at half its height
            hot += page.pixelColor(x, 420).saturation() > 60 && page.pixelColor(x, 420).hue() < 60 ? 1 : 0;
        QVERIFY2(hot > 60, qPrintable(QString::number(hot)));
        QVERIFY(handOn(project, HandFormat::sheet, ofStrike(project, 0), at("sheet.svg"), false));
        QVERIFY(test::bytesOf(at("sheet.svg")).contains("<svg"));
        const auto wrong = handOn(project, HandFormat::sheet, ofStrike(project, 0), at("sheet.doc"), false);
        QVERIFY(!wrong && sentence(wrong.error()).find(".svg, .pdf or .png") != std::string::npos);
        QVERIFY(!fs::exists(at("sheet.doc")));
    }
    void sheetsNeedNoFilm()
    {
        Project project = film();
        project.shots.front().clip = at("gone.mkv");
        const auto sheet = sheetOf(project, project.strikes[2].id);
        QVERIFY(sheet);
        QVERIFY(sheet->frames.front().picture == nullptr);
        QVERIFY(drawSheet(sheet.value(), SheetFormat::pdf));
        ShakeSheet crowded = sheet.value();
        for (int n = 0; n < 40; ++n)
            crowded.groups.push_back({"Group", {{"Value", "1"}, {"Other", "2"}, {"Third", "3"}}});
        const auto bytes = drawSheet(crowded, SheetFormat::pdf);
        QVERIFY(bytes);
        test::writeBytes(at("crowded.pdf"), QByteArray::fromStdString(bytes.value()));
        QVERIFY(textOf(at("crowded.pdf")).contains(QStringLiteral("more lines are in the recipe's file")));
        QVERIFY(drawSheet(ShakeSheet(), SheetFormat::png));
    }

    void foldersKeepWhatIsWrittenInThem()
    {
        const Project project = film();
        const auto files = handOnAll(project, HandFormat::sheet, {}, at("sheets/deep"), ".svg", false);
        QVERIFY2(files, files ? "" : sentence(files.error()).c_str());
        QCOMPARE(files.value(),
                 (std::vector<std::string>{"01-ladle-bursts-spills.svg", "02-aufprall-ber-gr-e.svg", "03-hit.svg"}));
        QCOMPARE(QDir(folder_.filePath(QStringLiteral("sheets"))).entryList(QDir::AllEntries | QDir::NoDotAndDotDot),
                 QStringList{QStringLiteral("deep")});
        // What is there stays, and nothing else is written.
        QFile::remove(folder_.filePath(QStringLiteral("sheets/deep/01-ladle-bursts-spills.svg")));
        const auto again = handOnAll(project, HandFormat::sheet, {}, at("sheets/deep"), ".svg", false);
        QVERIFY(!again && again.error().code == ErrorCode::exists);
        QVERIFY(!fs::exists(at("sheets/deep/01-ladle-bursts-spills.svg")));
        QVERIFY(handOnAll(project, HandFormat::sheet, {}, at("sheets/deep"), ".svg", true));
        const auto recipes = handOnAll(project, HandFormat::recipe, {}, at("recipes"), {}, false);
        QVERIFY(recipes && recipes->size() == project.recipes.size());
        const auto stopped = handOnAll(project, HandFormat::sheet, {}, at("stopped"), {}, false,
                                       [](double share) { return share < 0.5; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(!handOnAll(project, HandFormat::csv, {}, at("tables"), {}, false));
        test::writeBytes(at("file"), "x");
        QVERIFY(!handOnAll(project, HandFormat::sheet, {}, at("file/inside"), {}, false));
        Project empty = project;
        empty.strikes.clear();
        QVERIFY(!handOnAll(empty, HandFormat::sheet, {}, at("none"), {}, false));
    }
    void nothingIsOverwrittenUnasked()
    {
        const Project project = film();
        const QByteArray before = test::bytesOf(clip_);
        for (const bool overwrite : {false, true}) {
            const auto done = handOn(project, HandFormat::csv, {}, clip_, overwrite);
            QVERIFY(!done && done.error().code == ErrorCode::unwritable);
        }
        QVERIFY(test::bytesOf(clip_) == before);
        test::writeBytes(at("there.csv"), "mine");
        QVERIFY(!handOn(project, HandFormat::csv, {}, at("there.csv"), false));
        QCOMPARE(test::bytesOf(at("there.csv")), QByteArray("mine"));
        QVERIFY(handOn(project, HandFormat::csv, {}, at("there.csv"), true));
        QVERIFY(!handOn(project, HandFormat::csv, {}, folder_.path().toStdString(), true));
        QVERIFY(!handOn(project, HandFormat::csv, {}, at("no/such/folder.csv"), true));
        {
            const test::DiskLimit full(2000);
            const auto done = handOn(project, HandFormat::json, {}, at("full.json"), false);
            QVERIFY(!done);
        }
        QVERIFY(!fs::exists(at("full.json")));
    }
    void everyFormatIsMade_data()
    {
        QTest::addColumn<int>("format");
        QTest::addColumn<QByteArray>("mark");
        const QByteArray marks[] = {"frame,seconds,x_px",
                                    "\"vember_motion\"",
                                    "\"CUBICSPLINE\"",
                                    "#usda 1.0",
                                    "\"vember_motion\"",
                                    "@keyframes",
                                    "data:image/png;base64,",
                                    "<animateTransform",
                                    "\"refId\":\"picture\"",
                                    "WEBVTT",
                                    "MThd",
                                    "%PDF",
                                    "\"vember_playable\""};
        for (std::size_t i = 0; i < handFormatNames.size(); ++i)
            QTest::newRow(handFormatNames[i].data()) << static_cast<int>(i) << marks[i];
    }
    void everyFormatIsMade()
    {
        QFETCH(int, format);
        QFETCH(QByteArray, mark);
        const Project project = film();
        const auto kind = static_cast<HandFormat>(format);
        HandingOn how = isOfFilm(kind) ? HandingOn{} : ofStrike(project, 0);
        if (kind == HandFormat::gltf)
            how.sparse = KeyTolerance();
        const auto made = handed(project, kind, how);
        QVERIFY2(made, made ? "" : sentence(made.error()).c_str());
        QVERIFY(QByteArray::fromStdString(made->bytes).contains(mark));
        how.sparse = KeyTolerance(); // told where the file has these very keys, and not where it has others
        const auto few = handed(project, kind, how);
        QVERIFY(few);
        QCOMPARE(few->note.said().find(" keys instead of ") != std::string::npos,
                 kind == HandFormat::csv || kind == HandFormat::json);
        QVERIFY(handFormatFromName(handFormatNames[static_cast<std::size_t>(format)]) == kind);
        // Of a project without anything each tells why there is nothing.
        const auto none = handed(Project(), kind, HandingOn{});
        QVERIFY(!none);
        const std::string why = sentence(none.error());
        QVERIFY2(why.size() > 20 && why.ends_with("."), why.c_str());
    }

    void timelinesTellHowTheirShotsMove()
    {
        Project project = film();
        Shot gap;
        gap.length = 10;
        project.addShot(gap, 0); // from here on all is ten frames later, but counted from each shot's own first
        HandingOn how;
        how.sparse = KeyTolerance();
        const auto made = handed(project, HandFormat::otio, how);
        QVERIFY(made);
        QCOMPARE(made->note.said(), std::string("1 of 2 shots move."));
        QCOMPARE(QByteArray::fromStdString(made->bytes).count("\"vember_motion\""), 1);
        QVERIFY(QByteArray::fromStdString(made->bytes).contains("\"first\": 0"));
        QVERIFY(made->bytes.find("\"keys\"") != std::string::npos);
        QVERIFY(handed(project, HandFormat::otio, {})->bytes.find("\"values\": [") != std::string::npos);
        how.sparse->pixels = 0;
        QVERIFY(!handed(project, HandFormat::otio, how));
        QVERIFY(!handed(project, HandFormat::otio, {}, {}, [] { return true; }));
    }

    void flashesOfFinishedFramesAreFound()
    {
        QVERIFY(test::ffmpeg({QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                              QStringLiteral("color=0x303030:s=192x108:r=24:d=2.5"),
                              QString::fromStdString(at("grey.mp4"))}));
        Project project = film();
        project.shots = {shotOf(ClipReader::open(at("grey.mp4"), {}).value()->info(), project.rate)};
        for (Recipe& recipe : project.recipes) { // a strobe by hand: a flash on every third frame
            recipe.effects.flash.strength = 1;
            recipe.effects.flash.colour = 0xffffff;
            recipe.effects.flash.course = {Course::By::own, 0, 30, 1};
            recipe.effects.flicker.every = 3;
        }
        std::int64_t told = 0;
        const auto found = flashesOf(project, Frame{0}, Frame{59}, [&](const RenderProgress& p) {
            told = p.done;
            return true;
        });
        QVERIFY(found);
        QCOMPARE(told, std::int64_t{60});
        QVERIFY(!found->empty());
        QVERIFY(found->front().first > 8 + 9 && found->front().first < 8 + 24); // four flashes after the blast
        QVERIFY(flashSentence(found->front()).said().find("within a second over") != std::string::npos);
        const auto gentle =
            flashesOf(gentled(project), Frame{0}, Frame{59}, [](const RenderProgress&) { return true; });
        QVERIFY(gentle && gentle->empty());
        const auto stopped =
            flashesOf(project, Frame{0}, Frame{59}, [](const RenderProgress& p) { return p.done < 3; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        project.shots.front().clip = at("gone.mkv");
        QVERIFY(!flashesOf(project, Frame{0}, Frame{1}, [](const RenderProgress&) { return true; }));
    }
};

EMBER_TEST(HandOnTest)
#include "tst_hand_on.moc"
