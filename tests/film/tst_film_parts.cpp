// SPDX-License-Identifier: GPL-3.0-or-later
// Films that are rendered in parts and joined.
#include <QDir>
#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/film/film_parts.h"
#include "ember/film/new_project.h"
#include "ember/media/join_films.h"
#include "ember/media/sound_reader.h"
#include "ember/project/edits.h"
#include "runner.h"

using namespace ember;

namespace {

bool goOn(const RenderProgress&)
{
    return true;
}

bool inOrder(const std::pair<Frame, Frame>& a, const std::pair<Frame, Frame>& b)
{
    return b.first == a.second + 1 && b.first <= b.second;
}

} // namespace

class FilmPartsTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;
    std::string even_; ///< of 24 frames a second

    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }
    Project film() const { return filmOf(clip_); }
    static Project filmOf(const std::string& clip)
    {
        Project p = projectForClip(ClipReader::open(clip).value()->info());
        p = withStrike(std::move(p), Frame{22}, StrikeKind::blast, 1).project;
        p.clock.start = 86400;
        return p;
    }
    static bool there(const std::string& path) { return QFile::exists(QString::fromStdString(path)); }
    static RenderFile file(const Project& p, const std::string& path, Coder coder = Coder::usual)
    {
        RenderFile file{path, wholeFilm(p).form};
        file.form.coder = coder;
        return file;
    }
    static Result<Phrase> part(const Project& p, const RenderFile& file, FilmPart part, bool overwrite = false)
    {
        RenderOptions options = wholeFilm(p);
        options.overwrite = overwrite;
        return renderPart(p, file, part, options, goOn);
    }
    static bool parts(const Project& p, const RenderFile& file, int count)
    {
        for (int k = 1; k <= count; ++k)
            if (!part(p, file, {k, count}))
                return false;
        return true;
    }
    static Result<Phrase> join(const Project& p, const std::string& out, bool overwrite = false)
    {
        return joinParts(p, out, {overwrite, false, {}}, {});
    }
    static bool has(const Error& error, const char* text) { return sentence(error).find(text) != std::string::npos; }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "clip.mkv", 60, *FrameRate::make(24000, 1001), 96, 64, true);
        even_ = test::numberedClip(folder_, "even.mkv", 60, *FrameRate::make(24, 1), 96, 64, true);
        QVERIFY(!clip_.empty() && !even_.empty());
    }
    void partsFollowEachOther()
    {
        const FrameRate rate = *FrameRate::make(24, 1);
        for (const char* name : {"a.mp4", "a.mkv", "a_%03d.png"})
            for (int frames : {1, 23, 24, 25, 100, 1000})
                for (int count = 1; count <= 50; ++count) {
                    const RenderFile one{name, {}};
                    const Frame first{7};
                    const Frame last = first + (frames - 1);
                    const int together = name == std::string("a.mkv") ? 24 : 1;
                    auto before = framesOfPart(one, rate, first, last, {1, count});
                    if (count > (frames + together - 1) / together) {
                        QVERIFY(!before && before.error().code == ErrorCode::badValue);
                        continue;
                    }
                    QVERIFY(before);
                    QCOMPARE(before->first, first);
                    for (int k = 2; k <= count; ++k) {
                        const auto next = framesOfPart(one, rate, first, last, {k, count});
                        QVERIFY(next && inOrder(before.value(), next.value()));
                        QCOMPARE((next->first - first) % together, std::int64_t{0});
                        QVERIFY(std::abs((next->second - next->first) - (before->second - before->first)) <=
                                2 * together);
                        before = next;
                    }
                    QCOMPARE(before->second, last);
                }
        const auto gif = framesOfPart({"a.gif", {}}, rate, Frame{0}, Frame{9}, {1, 2});
        QVERIFY(!gif && gif.error().code == ErrorCode::unsupported);
        QVERIFY(partFrom("3/8")->number == 3 && partFrom("3/8")->count == 8);
        for (const char* wrong : {"", "3", "0/8", "9/8", "3/", "/8", "3/8/2", "-1/8", "3/x", " 3/8", "3/100001"})
            QVERIFY(!partFrom(wrong));
    }
    void losslessFilmsAreTheSameBits_data()
    {
        QTest::addColumn<QByteArray>("name");
        QTest::addColumn<int>("count");
        QTest::newRow("FFV1 in one") << QByteArray("one.mkv") << 1;
        QTest::newRow("FFV1 in two") << QByteArray("two.mkv") << 2;
        QTest::newRow("FFV1 in three") << QByteArray("three.mkv") << 3;
    }
    void losslessFilmsAreTheSameBits()
    {
        QFETCH(QByteArray, name);
        QFETCH(int, count);
        // At 24000/1001 the sound's length in Matroska's head, in milliseconds, may be one off.
        const Project p = filmOf(even_);
        const std::string whole = at("whole.mkv");
        if (!there(whole))
            QVERIFY(renderFilm(p, whole, wholeFilm(p), goOn));
        const std::string out = at(name.constData());
        QVERIFY(parts(p, file(p, out), count));
        QVERIFY(!there(out));
        const auto joined = join(p, out);
        QVERIFY2(joined, joined ? "" : sentence(joined.error()).c_str());
        QCOMPARE(test::bytesOf(out), test::bytesOf(whole));
        QVERIFY(!there(partsFolder(out)));
    }
    void picturesAreTheSameBits_data()
    {
        QTest::addColumn<QByteArray>("name");
        QTest::newRow("PNG") << QByteArray("s_%04d.png");
        QTest::newRow("OpenEXR, with timecodes") << QByteArray("s_%04d.exr");
        QTest::newRow("a folder") << QByteArray("pictures/");
    }
    void picturesAreTheSameBits()
    {
        QFETCH(QByteArray, name);
        const Project p = film();
        const std::string out = at(name.constData());
        const std::string whole = at(("whole-" + name).constData());
        QVERIFY(renderFilm(p, whole, wholeFilm(p), goOn));
        QVERIFY(parts(p, file(p, out), 7));
        QVERIFY(!there(sequenceFile(out, 0)));
        const auto joined = join(p, out);
        QVERIFY2(joined, joined ? "" : sentence(joined.error()).c_str());
        for (int k = 0; k < 60; ++k)
            QCOMPARE(test::bytesOf(sequenceFile(out, k)), test::bytesOf(sequenceFile(whole, k)));
        QVERIFY(!there(partsFolder(out)));
    }
    void otherFilmsHaveTheSameFramesAndSounds_data()
    {
        QTest::addColumn<QByteArray>("name");
        QTest::addColumn<int>("coder");
        const auto row = [](const char* words, const char* name, Coder coder) {
            QTest::newRow(words) << QByteArray(name) << static_cast<int>(coder);
        };
        row("FFV1", "b.mkv", Coder::ffv1);
        row("H.264", "c.mp4", Coder::h264);
        row("H.264 in Matroska", "d.mkv", Coder::h264);
        row("HEVC, 10 bits", "e.mp4", Coder::hevcTen);
        row("VP9", "f.webm", Coder::vp9);
        row("ProRes", "g.mov", Coder::prores422);
    }
    void otherFilmsHaveTheSameFramesAndSounds()
    {
        QFETCH(QByteArray, name);
        QFETCH(int, coder);
        const Project p = film();
        const RenderFile wanted = file(p, at(name.constData()), static_cast<Coder>(coder));
        const std::string whole = at(("whole-" + name).constData());
        RenderOptions options = wholeFilm(p);
        options.form = wanted.form;
        QVERIFY(renderFilm(p, whole, options, goOn));
        QVERIFY(parts(p, wanted, 3));
        const auto joined = join(p, wanted.path);
        QVERIFY2(joined, joined ? "" : sentence(joined.error()).c_str());
        auto one = ClipReader::open(wanted.path).value();
        auto other = ClipReader::open(whole).value();
        QCOMPARE(one->info().pictures, std::int64_t{60});
        QCOMPARE(one->info().rate, other->info().rate);
        QCOMPARE(one->info().timecode, other->info().timecode);
        QVERIFY(one->info().colour == other->info().colour);
        QVERIFY(std::abs(one->info().originSeconds - other->info().originSeconds) < 0.0011);
        for (int k = 0; k < 60; ++k) {
            const auto a = one->picture(k);
            const auto b = other->picture(k);
            QVERIFY(a && b);
            double sum = 0;
            for (int y = 0; y < 64; ++y)
                for (int x = 0; x < 96 * 4; ++x)
                    sum += std::abs(a.value()->row(y)[x] - b.value()->row(y)[x]);
            // Frames are numbered by blocks: another frame is far off.
            QVERIFY2(sum / (64 * 96 * 4) < 4, qPrintable(QStringLiteral("frame %1: %2").arg(k).arg(sum)));
        }
        auto heard = SoundReader::open(wanted.path, one->info().originSeconds, {}).value();
        auto asked = SoundReader::open(whole, other->info().originSeconds, {}).value();
        QCOMPARE(heard->rate(), asked->rate());
        const SoundBuffer a = heard->read(2L * heard->rate());
        const SoundBuffer b = asked->read(2L * asked->rate());
        QVERIFY(a.samples == b.samples);
    }
    void aPartThatIsThereIsKept()
    {
        const Project p = film();
        const RenderFile wanted = file(p, at("kept.mkv"));
        QVERIFY(parts(p, wanted, 2));
        const auto again = part(p, wanted, {2, 2});
        QVERIFY(again && again->said().find("was kept") != std::string::npos);
        const std::string piece = partsFolder(wanted.path) + "/part-2-of-2.mkv";
        const QByteArray before = test::bytesOf(piece);
        test::writeBytes(piece, before.left(before.size() / 2)); // a broken copy is rendered anew
        QVERIFY(part(p, wanted, {2, 2}));
        QCOMPARE(test::bytesOf(piece), before);
        const auto anew = part(p, wanted, {2, 2}, true);
        QVERIFY(anew && anew->said().find("was kept") == std::string::npos);
        QVERIFY(join(p, wanted.path));
    }
    void whatIsWrongIsTold()
    {
        const Project p = film();
        const RenderFile wanted = file(p, at("wrong.mkv"));
        auto refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "there are no parts to be joined"));
        QVERIFY(part(p, wanted, {1, 3}) && part(p, wanted, {3, 3}));
        refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "part 2 of 3 is missing"));
        QVERIFY(!there(wanted.path));

        Project other = p;
        other.strikes.front().strength = 0.5;
        QVERIFY(part(other, wanted, {2, 3}));
        refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "another state of the project"));
        RenderFile draft = wanted;
        draft.form.quality = FilmQuality::draft;
        QVERIFY(part(p, draft, {2, 3}));
        refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "other settings"));
        QVERIFY(part(p, wanted, {2, 3}));
        refused = join(other, wanted.path);
        QVERIFY(!refused && has(refused.error(), "have changed since"));

        QVERIFY(parts(p, wanted, 2));
        refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "in 2 parts and in 3"));
        QVERIFY(QFile::remove(QString::fromStdString(partRecord(wanted.path, {1, 2}))));
        const std::string piece = partsFolder(wanted.path) + "/part-3-of-3.mkv";
        const QByteArray good = test::bytesOf(piece);
        test::writeBytes(piece, good.left(good.size() - 100));
        refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "part-3-of-3.mkv"));
        test::writeBytes(piece, QByteArray(good.size(), 'x')); // as long, and no film
        refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "part-3-of-3.mkv"));
        QVERIFY(!there(wanted.path));
        test::writeBytes(piece, good);
        test::writeBytes(partRecord(wanted.path, {2, 3}), "{\"part\": 2}");
        refused = join(p, wanted.path);
        QVERIFY(!refused && has(refused.error(), "part-2-of-3.json"));
        QVERIFY(part(p, wanted, {2, 3}));
        test::writeBytes(wanted.path, "mine");
        refused = join(p, wanted.path);
        QVERIFY(!refused && refused.error().code == ErrorCode::exists);
        QCOMPARE(test::bytesOf(wanted.path), QByteArray("mine"));
        QVERIFY(join(p, wanted.path, true));
    }
    void piecesCodedOtherwiseAreNotJoined()
    {
        const Project p = film();
        RenderOptions options = wholeFilm(p);
        options.last = Frame{9};
        QVERIFY(renderFilm(p, at("p1.mkv"), options, goOn));
        options.form.coder = Coder::h264;
        QVERIFY(renderFilm(p, at("p2.mkv"), options, goOn));
        FilmSettings settings;
        settings.format = FilmFormat::mkv;
        settings.rate = p.rate;
        const auto other = joinFilms(at("p.mkv"), {{at("p1.mkv"), 10}, {at("p2.mkv"), 10}}, settings, {});
        QVERIFY(!other && has(other.error(), "coded otherwise"));
        for (const std::int64_t frames : {9, 11}) {
            const auto count = joinFilms(at("p.mkv"), {{at("p1.mkv"), frames}}, settings, {});
            QVERIFY(!count && count.error().code == ErrorCode::damaged);
        }
        const auto stopped = joinFilms(at("p.mkv"), {{at("p1.mkv"), 10}}, settings, [](double) { return false; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(!there(at("p.mkv")));
    }
    void nothingIsWrittenOntoTheClip()
    {
        const Project p = film();
        const QByteArray before = test::bytesOf(clip_);
        QVERIFY(!part(p, file(p, clip_), {1, 2}, true));
        QVERIFY(!there(partsFolder(clip_)));
        QVERIFY(parts(p, file(p, at("link.mkv")), 2));
        QVERIFY(QFile::link(QString::fromStdString(clip_), QString::fromStdString(at("link.mkv"))));
        const auto refused = join(p, at("link.mkv"), true);
        QVERIFY2(!refused && has(refused.error(), "a clip of the project"),
                 refused ? "" : sentence(refused.error()).c_str());
        QCOMPARE(test::bytesOf(clip_), before);
    }
    void aPartThatIsStoppedLeavesNothingUnderItsName()
    {
        const Project p = film();
        const RenderFile wanted = file(p, at("stopped.mkv"));
        const auto stopped = renderPart(p, wanted, {1, 2}, wholeFilm(p), [](const RenderProgress&) { return false; });
        QVERIFY(!stopped && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(QDir(QString::fromStdString(partsFolder(wanted.path)))
                    .isEmpty(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot));
    }
};

EMBER_TEST(FilmPartsTest)

#include "tst_film_parts.moc"
