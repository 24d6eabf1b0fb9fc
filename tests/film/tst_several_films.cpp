// SPDX-License-Identifier: GPL-3.0-or-later
// Several films of one pass, and ways to render that are kept under a name.
#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/film/new_project.h"
#include "ember/film/output_presets.h"
#include "ember/project/edits.h"
#include "runner.h"

using namespace ember;

namespace {

bool goOn(const RenderProgress&)
{
    return true;
}

} // namespace

class SeveralFilmsTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;

    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }
    Project film() const
    {
        Project p = projectForClip(ClipReader::open(clip_).value()->info());
        p = withStrike(std::move(p), Frame{10}, StrikeKind::blast, 1).project;
        p.recipes.front().effects.impact.strength = 1;
        return p;
    }
    static bool there(const std::string& path) { return QFile::exists(QString::fromStdString(path)); }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "clip.mkv", 36, *FrameRate::make(24, 1), 192, 128, true);
    }
    void eachIsWhatItWouldBeAlone()
    {
        const Project p = film();
        RenderOptions options = wholeFilm(p);
        std::vector<RenderFile> files;
        for (const char* name : {"a.mkv", "b.mp4", "c_%03d.png", "d.mkv"})
            files.push_back({at(name), options.form});
        files[2].form.depth = Depth::sixteen;
        files[3].form.width = 96;
        files[3].form.height = 64;
        std::int64_t told = 0;
        const auto made = renderFilms(p, files, options, [&](const RenderProgress& progress) {
            ++told;
            return progress.total == 36;
        });
        QVERIFY2(made, made ? "" : sentence(made.error()).c_str());
        QCOMPARE(told, std::int64_t{36}); // each frame once, for all of them
        QCOMPARE(made->size(), files.size());
        for (std::size_t i = 0; i < files.size(); ++i) {
            QVERIFY(made.value()[i]);
            options.form = files[i].form;
            const std::string alone = at("alone_") + std::to_string(i) +
                                      (i == 1   ? ".mp4"
                                       : i == 2 ? "_%03d.png"
                                                : ".mkv");
            QVERIFY(renderFilm(p, alone, options, goOn));
            if (i == 2) {
                for (int k = 0; k < 36; ++k)
                    QCOMPARE(test::bytesOf(sequenceFile(files[i].path, k)), test::bytesOf(sequenceFile(alone, k)));
            } else if (i != 1) { // the coder of MP4 may differ from run to run
                QCOMPARE(test::bytesOf(files[i].path), test::bytesOf(alone));
            } else {
                QCOMPARE(ClipReader::open(files[i].path).value()->info().pictures, std::int64_t{36});
            }
        }
    }
    void whatIsWrongBeforehandMakesNothing()
    {
        const Project p = film();
        const RenderOptions options = wholeFilm(p);
        RenderFile good{at("good.mkv"), options.form};
        RenderFile bad{at("bad.mp4"), options.form};
        bad.form.coder = Coder::vp9;
        const auto refused = renderFilms(p, {good, bad}, options, goOn);
        QVERIFY(!refused && refused.error().code == ErrorCode::badValue);
        QVERIFY(!there(good.path) && !there(bad.path));
        const auto twice = renderFilms(p, {good, good}, options, goOn);
        QVERIFY(!twice && sentence(twice.error()).find("two names") != std::string::npos);
        // The same file by another way.
        const auto disguised = renderFilms(p, {good, {at("./good.mkv"), options.form}}, options, goOn);
        QVERIFY(!disguised);
        const auto onto = renderFilms(p, {good, {clip_, options.form}}, options, goOn);
        QVERIFY(!onto);
        QVERIFY(!there(good.path));
        QCOMPARE(QDir(folder_.path()).entryList({QStringLiteral(".*part*")}, QDir::Files | QDir::Hidden),
                 QStringList());
    }
    void stoppingStopsAll()
    {
        const Project p = film();
        const RenderOptions options = wholeFilm(p);
        const auto stopped = renderFilms(
            p, {{at("s1.mkv"), options.form}, {at("s2.mp4"), options.form}, {at("s3_%02d.png"), options.form}}, options,
            [](const RenderProgress& r) { return r.done < 8; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(!there(at("s1.mkv")) && !there(at("s2.mp4")) && !there(at("s3_03.png")));
    }
    void oneThatFailsLeavesTheOthers()
    {
        const Project p = film();
        RenderOptions options = wholeFilm(p);
        RenderFile large{at("large.mkv"), options.form};
        RenderFile small{at("small.mkv"), options.form};
        small.form.width = 24;
        small.form.height = 16;
        options.form = small.form;
        QVERIFY(renderFilm(p, at("small-alone.mkv"), options, goOn));
        const auto bytes = static_cast<long>(test::bytesOf(at("small-alone.mkv")).size());
        {
            const test::DiskLimit full(bytes + 4096);
            const auto made = renderFilms(p, {large, small}, options, goOn);
            QVERIFY(made);
            QVERIFY(!made.value()[0] && made.value()[0].error().code == ErrorCode::unwritable);
            QVERIFY(made.value()[1]);
        }
        QVERIFY(!there(large.path));
        QCOMPARE(test::bytesOf(small.path), test::bytesOf(at("small-alone.mkv")));
    }
    void seriesThatAreGoneOnWithKeepTheirs()
    {
        const Project p = film();
        RenderOptions options = wholeFilm(p);
        options.resume = true;
        const std::vector<RenderFile> files{{at("r1_%02d.png"), options.form}, {at("r2_%02d.tif"), options.form}};
        test::writeBytes(sequenceFile(files[0].path, 5), "kept");
        test::writeBytes(sequenceFile(files[0].path, 6), "kept");
        test::writeBytes(sequenceFile(files[1].path, 6), "kept");
        std::int64_t made = 0;
        const auto told = renderFilms(p, files, options, [&](const RenderProgress&) { return ++made > 0; });
        QVERIFY(told && told.value()[0] && told.value()[1]);
        QCOMPARE(made, std::int64_t{35}); // 6 was needed by neither
        QVERIFY(told.value()[0]->said().find("2 pictures were there") != std::string::npos);
        QVERIFY(told.value()[1]->said().find("1 pictures were there") != std::string::npos);
        QCOMPARE(test::bytesOf(sequenceFile(files[0].path, 5)), QByteArray("kept"));
        QVERIFY(test::bytesOf(sequenceFile(files[1].path, 5)).size() > 100);
    }

    void presetsAreKept()
    {
        const std::string path = at("config/vast-ember/outputs.json");
        QVERIFY(loadOutputPresets(path) && loadOutputPresets(path)->empty());
        const OutputPresets presets{
            {"Web", ".mp4", 0.5, FilmQuality::draft, Coder::hevcTen, std::nullopt, true},
            {"Näher an \"alles\"", "_%05d.exr", 1, FilmQuality::best, Coder::usual, Depth::single, false}};
        QVERIFY(saveOutputPresets(presets, path));
        QCOMPARE(loadOutputPresets(path).value(), presets);
        QCOMPARE(presetNamed(presets, "Web"), &presets.front());
        QVERIFY(presetNamed(presets, "web") == nullptr);
        const RenderForm form = formOf(presets.front(), film());
        QCOMPARE(form.width, 96);
        QCOMPARE(form.height, 64);
        QCOMPARE(form.coder, Coder::hevcTen);
        OutputPresets wrong{{"", ".mp4"}};
        QVERIFY(!saveOutputPresets(wrong, path));
        wrong = {{"VP9 in MP4", ".mp4", 1, FilmQuality::good, Coder::vp9}};
        QVERIFY(!saveOutputPresets(wrong, path));
        QCOMPARE(loadOutputPresets(path).value(), presets); // as it was
    }
    void brokenPresetsAreTold_data()
    {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QByteArray>("says");
        const auto row = [](const char* name, QByteArray text, QByteArray says) {
            QTest::newRow(name) << text << says;
        };
        row("no JSON", "{", "line 1");
        row("other JSON", "{\"a\": 1}", "no output presets");
        row("later version", "{\"vember_outputs\": 9, \"presets\": []}", "version 9");
        row("no list", "{\"vember_outputs\": 1}", "presets");
        row("a number for a name", "{\"vember_outputs\": 1, \"presets\": [{\"name\": 4}]}", "preset 1");
        row("no kind of film",
            "{\"vember_outputs\": 1, \"presets\": [{\"name\": \"a\", \"ending\": \"/../x.mp4\", \"size\": 1, "
            "\"quality\": "
            "\"good\", \"coder\": \"usual\", \"gentle\": false}]}",
            "no kind of film");
        row("enormous",
            "{\"vember_outputs\": 1, \"presets\": [{\"name\": \"a\", \"ending\": \".mp4\", \"size\": 1e9, \"quality\": "
            "\"good\", \"coder\": \"usual\", \"gentle\": false}]}",
            "0.05 to 4");
    }
    void brokenPresetsAreTold()
    {
        QFETCH(QByteArray, text);
        QFETCH(QByteArray, says);
        test::writeBytes(at("broken.json"), text);
        const auto presets = loadOutputPresets(at("broken.json"));
        QVERIFY(!presets);
        QVERIFY2(sentence(presets.error()).find(says.toStdString()) != std::string::npos,
                 sentence(presets.error()).c_str());
        QCOMPARE(test::bytesOf(at("broken.json")), text);
    }
};

EMBER_TEST(SeveralFilmsTest)
#include "tst_several_films.moc"
