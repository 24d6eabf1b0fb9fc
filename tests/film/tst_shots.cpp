// SPDX-License-Identifier: GPL-3.0-or-later
// Films of several shots: which picture stands on which frame, what is heard there, and a film that was edited anew.
#include <cmath>
#include <numbers>

#include <QTemporaryDir>
#include <QTest>

#include "clips.h"
#include "ember/film/conform.h"
#include "ember/film/film_reader.h"
#include "ember/film/film_sound.h"
#include "ember/film/new_project.h"
#include "ember/film/render_film.h"
#include "ember/media/film_writer.h"
#include "ember/project/shot_edits.h"
#include "pictures.h"
#include "runner.h"
#include "sounds.h"

using namespace ember;

class FilmOfShotsTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string one_;  ///< 60 numbered frames of 192 x 128
    std::string two_;  ///< 40 of them
    std::string wide_; ///< 40 of 256 x 128

    std::string at(const char* name) const { return folder_.filePath(QLatin1String(name)).toStdString(); }
    Project twoShots()
    {
        Project project = projectForClip(ClipReader::open(one_).value()->info());
        const ClipInfo info = ClipReader::open(two_).value()->info();
        project.addShot(shotOf(info, project.rate));
        return project;
    }
    /// The numbers on the frames of a film.
    std::vector<int> numbersOf(const Project& project)
    {
        std::vector<int> numbers;
        auto film = openFilm(project);
        if (!film)
            return numbers;
        for (std::int64_t f = 0; f < project.length(); ++f) {
            const auto picture = film.value()->frame(Frame{f}, project.rate);
            numbers.push_back(picture ? test::numberIn(*picture.value()) : -2);
        }
        return numbers;
    }
    static std::vector<int> counting(int first, int count, double step = 1)
    {
        std::vector<int> numbers;
        for (int i = 0; i < count; ++i)
            numbers.push_back(first + static_cast<int>(std::floor(i * step + 1e-6)));
        return numbers;
    }
    static std::vector<int> joined(std::vector<int> a, const std::vector<int>& b)
    {
        a.insert(a.end(), b.begin(), b.end());
        return a;
    }

private slots:
    void initTestCase()
    {
        one_ = test::numberedClip(folder_, "one.mkv", 60, FrameRate(), 192, 128);
        two_ = test::numberedClip(folder_, "two.mkv", 40, FrameRate(), 192, 128);
        wide_ = test::numberedClip(folder_, "wide.mkv", 40, FrameRate(), 256, 128);
        QVERIFY(!one_.empty() && !two_.empty() && !wide_.empty());
    }

    void framesOfShots()
    {
        Project project = twoShots();
        QCOMPARE(project.length(), std::int64_t{100});
        QCOMPARE(numbersOf(project), joined(counting(0, 60), counting(0, 40)));
        project = withInTrimmed(project, project.shots[1].id, 5);
        project = withOutTrimmed(project, project.shots[0].id, -20);
        QCOMPARE(numbersOf(project), joined(counting(0, 40), counting(5, 35)));
        project = withShotMoved(project, project.shots[1].id, 0);
        QCOMPARE(numbersOf(project), joined(counting(5, 35), counting(0, 40)));
        project = withShotSpeed(project, project.shots[1].id, 0.5);
        QCOMPARE(numbersOf(project), joined(counting(5, 35), counting(0, 80, 0.5)));
        project = withShotSpeed(project, project.shots[1].id, 2);
        QCOMPARE(numbersOf(project), joined(counting(5, 35), counting(0, 20, 2)));
    }
    void gapsAreBlackAndPicturesFill()
    {
        Project project = twoShots();
        Shot gap;
        gap.length = 6;
        project = withShotAdded(project, gap, 1).project;
        auto film = openFilm(project);
        QVERIFY(film.ok());
        const auto black = film.value()->frame(Frame{62}, project.rate);
        QVERIFY(black.ok());
        QVERIFY(test::shareOf(*black.value(), Colour{0, 0, 0}) == 1.0);
        project = withShotAdded(project, shotOf(ClipReader::open(wide_).value()->info(), project.rate), 0).project;
        film = openFilm(project);
        // 256 x 128 in a frame of 192 x 128: its middle, pixel for pixel.
        const auto cut = film.value()->frame(Frame{4}, project.rate);
        QCOMPARE(cut.value()->width(), 192);
        QCOMPARE(cut.value()->height(), 128);
        const auto whole = ClipReader::open(wide_).value()->picture(4);
        for (int y : {0, 60, 127})
            for (int x : {0, 91, 191})
                QVERIFY(std::equal(cut.value()->at(x, y), cut.value()->at(x, y) + 4, whole.value()->at(x + 32, y)));
        QVERIFY(film.value()->frame(Frame{500}, project.rate).ok()); // the last is held
    }
    void picturesLieInTheFrameAsTheirShotsSay()
    {
        Project project = twoShots();
        project = withShotAdded(project, shotOf(ClipReader::open(wide_).value()->info(), project.rate), 0).project;
        const auto whole = ClipReader::open(wide_).value()->picture(4).value();
        const auto framed = [&](const Framing& framing) {
            project.shots.front().framing = framing;
            return openFilm(project).value()->frame(Frame{4}, project.rate).value();
        };
        const auto same = [&](const Image& image, int x, int y, int fromX, int fromY) {
            return std::equal(image.at(x, y), image.at(x, y) + 4, whole->at(fromX, fromY));
        };
        const auto black = [](const Image& image, int x, int y) {
            return image.at(x, y)[0] == 0 && image.at(x, y)[1] == 0 && image.at(x, y)[3] == 255;
        };
        // All of 256 x 128 in the shape of 192 x 128: 171 rows of it, black above and below.
        const ImagePtr fit = framed({Framing::How::fit});
        QVERIFY(fit->width() == 256 && fit->height() == 171);
        QVERIFY(black(*fit, 128, 10) && black(*fit, 128, 165));
        for (const int x : {0, 100, 255})
            QVERIFY(same(*fit, x, 21 + 60, x, 60));
        // Placed: filled, 20 pixels to the left, and below the picture's end black.
        const ImagePtr left = framed({Framing::How::place, -20, 0, 1});
        QVERIFY(left->width() == 192 && left->height() == 128);
        QVERIFY(same(*left, 0, 64, 52, 64) && same(*left, 191, 64, 243, 64));
        const ImagePtr up = framed({Framing::How::place, 0, -30, 1});
        QVERIFY(same(*up, 90, 0, 122, 30) && black(*up, 90, 110));
        // Half as large: 384 x 256 of its pixels. Away from the frame altogether there is nothing.
        QVERIFY(framed({Framing::How::place, 0, 0, 0.5})->width() == 384);
        const ImagePtr away = framed({Framing::How::place, 5000, 0, 1});
        QVERIFY(test::shareOf(*away, Colour{0, 0, 0}) == 1.0);
        QVERIFY(!sameFilm(project, twoShots()));
    }
    void aPictureIsReframedByPartsOfAPixel()
    {
        // A slope of 100 codes a pixel, and 40 from row to row: cubic weights keep straight slopes, so that each pixel
        // tells where it is from.
        Image slope(400, 100, Depth::sixteen);
        slope.setOpaque(true);
        for (int y = 0; y < slope.height(); ++y)
            for (int x = 0; x < slope.width(); ++x)
                for (int k = 0; k < 4; ++k)
                    slope.deepAt(x, y)[k] = static_cast<std::uint16_t>(k == 3 ? 65535 : 4000 + 100 * x + 40 * y);
        QVERIFY(savePicture(slope, at("slope.png"), true));
        ClipOptions options;
        options.sequenceRate = *FrameRate::make(24, 1);
        Project project = projectForClip(ClipReader::open(at("slope.png"), options).value()->info());
        project.width = 60; // upright: 100 rows in 100
        project.height = 100;
        Shot& shot = project.shots.front();
        shot.length = 48;
        shot.framing.how = Framing::How::place;
        shot.framing.keys = {{Frame{0}, 100, 0, 1, Ease::linear}, {Frame{40}, -100, 0, 1, Ease::linear}};
        const auto film = openFilm(project, FilmPictures::stored);
        QVERIFY(film);
        for (const int frame : {0, 1, 7, 19, 20, 33, 40, 47}) {
            const ImagePtr picture = film.value()->frame(Frame{frame}, project.rate).value();
            QCOMPARE(picture->width(), 60);
            QCOMPARE(picture->height(), 100);
            const double left = 170 - 100 + 5.0 * std::min(frame, 40);
            for (int x = 2; x < 58; ++x)
                QVERIFY2(
                    std::abs(picture->deepAt(x, 50)[1] - (4000 + 100 * (left + x) + 40 * 50)) <= 1,
                    qPrintable(QStringLiteral("frame %1 at %2: %3").arg(frame).arg(x).arg(picture->deepAt(x, 50)[1])));
        }
        // By tenths of a pixel, and larger: half of the rows in all of the frame.
        shot.framing.keys = {{Frame{0}, 0.3, 0, 2, Ease::linear}};
        const ImagePtr large = openFilm(project, FilmPictures::stored).value()->frame(Frame{9}, project.rate).value();
        for (int x = 4; x < 56; ++x) {
            const double from = 200 - 15 - 0.15 + 0.5 * x - 0.25;
            QVERIFY(std::abs(large->deepAt(x, 50)[1] - (4000 + 100 * from + 40 * (25 + 25 - 0.25))) <= 1);
        }
        // Much smaller, black around it; pixels are made of all they show.
        shot.framing.keys = {{Frame{0}, 0, 0, 0.1, Ease::linear}};
        const ImagePtr small = openFilm(project, FilmPictures::stored).value()->frame(Frame{9}, project.rate).value();
        QVERIFY(small->deepAt(30, 5)[0] == 0 && small->deepAt(30, 95)[0] == 0);
        QVERIFY(std::abs(small->deepAt(30, 50)[0] - (4000 + 100 * 205 + 40 * 55)) < 700);
        // Another project's pictures are others.
        Project other = project;
        other.shots.front().framing.keys.front().x = 1;
        QVERIFY(!sameFrames(project, other));
    }
    void oneWholeClipIsThatClip()
    {
        const Project project = projectForClip(ClipReader::open(one_).value()->info());
        auto film = openFilm(project);
        QVERIFY(film.ok() && film.value()->info().shots.empty());
        QVERIFY(sameFilm(project, project));
        QVERIFY(!sameFilm(project, withInTrimmed(project, project.shots[0].id, 1)));
        // Cut in two it is the same frames, but not the same shots.
        const Project split = withShotsSplit(project, {20, 41});
        QVERIFY(sameFrames(project, split) && !sameFilm(project, split));
        QVERIFY(!sameFrames(project, withShotMoved(split, split.shots[2].id, 0)));
        QVERIFY(!sameFrames(project, withOutTrimmed(project, project.shots[0].id, -1)));
        Project other = project;
        other.shots[0].move = {{Frame{0}, 4, 0, 1, 0}};
        QVERIFY(sameFilm(project, other));
    }
    void aMissingClipIsNamed()
    {
        Project project = twoShots();
        project.shots[1].clip = at("gone.mp4");
        const auto film = openFilm(project);
        QVERIFY(!film.ok());
        QVERIFY(sentence(film.error()).find("gone.mp4") != std::string::npos);
        QCOMPARE(missingClip(project), at("gone.mp4"));
        QVERIFY(missingClip(twoShots()).empty());
        QVERIFY(!openFilm(Project()).ok());
        // What is known is not looked at again, and then fails where it is asked for.
        KnownClips known;
        known[{at("gone.mp4"), false}] = ClipReader::open(two_).value()->info();
        const auto later = openFilm(project, FilmPictures::shown, known);
        QVERIFY(later.ok());
        QVERIFY(later.value()->frame(Frame{0}, project.rate).ok());
        QVERIFY(!later.value()->frame(Frame{80}, project.rate).ok());
    }
    void aRenderHasAllShots()
    {
        Project project = twoShots();
        project.finish.shutterAngle = 0;
        project.finish.cover = CoverMode::off;
        project = withOutTrimmed(project, project.shots[0].id, -30);
        RenderOptions options = wholeFilm(project);
        const auto out = renderFilm(project, at("out.mkv"), options, [](const RenderProgress&) { return true; });
        QVERIFY2(out.ok(), out.ok() ? "" : sentence(out.error()).c_str());
        auto clip = ClipReader::open(at("out.mkv"));
        QCOMPARE(clip.value()->info().length, std::int64_t{70});
        for (const int f : {0, 29, 30, 69})
            QCOMPARE(test::numberIn(*clip.value()->frame(Frame{f}, project.rate).value()), f < 30 ? f : f - 30);
        // None of its clips is written over.
        QVERIFY(!renderFilm(project, two_, options, [](const RenderProgress&) { return true; }).ok());
    }

    // --- sound
    void eachShotBringsItsSound()
    {
        // A ramp in time, so that every sample tells which it is.
        const auto ramp = [](double from, int rate, double seconds) {
            SoundBuffer sound{rate, 1, {}};
            for (int i = 0; i < static_cast<int>(seconds * rate); ++i)
                sound.samples.push_back(static_cast<float>(from + 0.1 * i / rate));
            return sound;
        };
        test::writeWav(at("a.wav"), ramp(0, 48000, 2));
        test::writeWav(at("b.wav"), ramp(0.5, 48000, 2));
        SoundSource source{at("a.wav"), 0, {}};
        source.parts = {{at("a.wav"), 0.5, 0, 1, 1}, {at("b.wav"), 0.25, 1.5, 2, 1}, {at("a.wav"), 0, 2, 2.5, 2}};
        auto opened = openSound(source, {});
        QVERIFY(opened.ok());
        SoundReader& sound = *opened.value();
        QCOMPARE(sound.rate(), 48000);
        QCOMPARE(sound.channels(), 1);
        QCOMPARE(sound.seconds(), 2.5);
        const auto value = [&](double second) {
            sound.seek(std::llround(second * 48000));
            return static_cast<double>(sound.read(1).samples[0]);
        };
        const auto near = [](double a, double b) { return std::abs(a - b) < 2e-4; };
        QVERIFY(near(value(0), 0.05));
        QVERIFY(near(value(0.99), 0.149));
        QCOMPARE(value(1.2), 0.0); // between shots
        QVERIFY(near(value(1.5), 0.525));
        QVERIFY(near(value(1.9), 0.565));
        QVERIFY(near(value(2.25), 0.05)); // twice as fast
        QCOMPARE(value(2.6), 0.0);
        // In one go and in pieces it is the same.
        sound.seek(0);
        const SoundBuffer whole = sound.read(130000);
        sound.seek(0);
        SoundBuffer pieces;
        test::Random random(5);
        while (pieces.samples.size() < whole.samples.size()) {
            const auto count = std::min<std::int64_t>(
                random.whole(1, 9000), static_cast<std::int64_t>(whole.samples.size() - pieces.samples.size()));
            const SoundBuffer part = sound.read(count);
            pieces.samples.insert(pieces.samples.end(), part.samples.begin(), part.samples.end());
        }
        QVERIFY(pieces.samples == whole.samples);
        QVERIFY(sound.atEnd());
        // Laid later as a whole.
        source.originSeconds = -0.5;
        auto later = openSound(source, {});
        later.value()->seek(24000);
        QVERIFY(near(later.value()->read(1).samples[0], 0.05));
    }
    void theSoundOfAFilm()
    {
        const std::string loud = test::numberedClip(folder_, "loud.mkv", 48, FrameRate(), 192, 128, true);
        Project project = twoShots(); // both silent
        QVERIFY(!soundOf(project, openFilm(project).value()->info()));
        project = withShotAdded(project, shotOf(ClipReader::open(loud).value()->info(), project.rate), 1).project;
        const auto source = soundOf(project, openFilm(project).value()->info());
        QVERIFY(source && source->parts.size() == 1);
        QCOMPARE(source->parts[0].start, 2.5);
        QCOMPARE(source->parts[0].end, 4.5);
        project.sound.file = loud;
        QVERIFY(soundOf(project, openFilm(project).value()->info())->parts.empty());
    }

    // --- a new edit
    void conformedStrikesGoWithTheirEvents()
    {
        // A film in which a square lands and sounds on known frames; a new edit of it lacks some and has others.
        const std::vector<int> events{20, 60, 110, 150};
        const auto write = [&](const std::string& path, const std::vector<std::pair<int, int>>& parts, int grade) {
            FilmSettings settings;
            settings.format = FilmFormat::mp4;
            settings.width = 160;
            settings.height = 90;
            settings.rate = FrameRate();
            settings.sounds.push_back({{"", 48000, 1}});
            auto writer = FilmWriter::create(path, settings);
            if (!writer)
                return false;
            for (const auto& [first, last] : parts)
                for (int f = first; f <= last; ++f) {
                    Image picture(160, 90);
                    const auto ground = static_cast<std::uint8_t>(40 + grade);
                    picture.fill(ground, ground, ground);
                    picture.setOpaque(true);
                    double burst = 0;
                    double low = 70;
                    for (const int e : events) {
                        if (f >= e)
                            burst = std::max(burst, std::exp(-0.3 * (f - e)));
                        if (f < e && f > e - 14)
                            low = 70 - 4 * (e - f); // it falls
                    }
                    for (int y = 0; y < 90; ++y)
                        for (int x = 0; x < 160; ++x) {
                            const double glow = 150 * burst * std::exp(-std::hypot(x - 80, y - 75) / 18);
                            const bool thing = std::abs(x - 60 - f / 4) < 12 && y < low && y > low - 24;
                            const auto value =
                                static_cast<std::uint8_t>(std::min(255.0, (thing ? 150 : 40) + glow + grade));
                            std::uint8_t* p = picture.at(x, y);
                            p[0] = p[1] = p[2] = value;
                        }
                    if (!writer.value()->addFrame(picture))
                        return false;
                    SoundBuffer sound{48000, 1, std::vector<float>(2000)};
                    test::Random noise(static_cast<std::uint64_t>(f));
                    for (float& s : sound.samples)
                        s = static_cast<float>((0.004 + 0.5 * burst) * noise.between(-1, 1));
                    if (!writer.value()->addSound(sound))
                        return false;
                }
            return writer.value()->finish().ok();
        };
        QVERIFY(write(at("old.mp4"), {{0, 179}}, 0));
        QVERIFY(write(at("new.mp4"), {{10, 89}, {135, 179}, {0, 9}}, 6)); // the landing on 110 is out
        Project project = projectForClip(ClipReader::open(at("old.mp4")).value()->info());
        for (const int e : events)
            project = withStrike(std::move(project), Frame{e}, StrikeKind::landing, 0.5 + 0.001 * e).project;
        project.settles = {{Frame{80}}};
        const auto done = conform(project, at("new.mp4"), [](double) { return true; });
        QVERIFY2(done.ok(), done.ok() ? "" : sentence(done.error()).c_str());
        const Conformed& c = done.value();
        QCOMPARE(c.project.length(), std::int64_t{135});
        QCOMPARE(c.unmatched, std::size_t{1});
        QCOMPARE(c.strikes.size(), events.size());
        QCOMPARE(c.strikes[0].to, std::int64_t{10});
        QCOMPARE(c.strikes[1].to, std::int64_t{50});
        QVERIFY(!c.strikes[2].matched());
        QCOMPARE(c.strikes[3].to, std::int64_t{95});
        QVERIFY(c.strikes[0].confidence > 0.5);
        QCOMPARE(c.project.strikes.size(), std::size_t{3});
        QCOMPARE(c.project.strikes[1].strength, 0.56);
        QCOMPARE(c.project.settles[0].frame.index, std::int64_t{70});
        // The one that is not there waits, and no trim brings it back by chance.
        QCOMPARE(c.project.shots[0].trimmed.size(), std::size_t{1});
        QCOMPARE(c.project.shots[0].trimmed[0].strength, 0.61);
        QVERIFY(c.project.shots[0].trimmed[0].frame.index >= c.project.shots[0].available);
        // The same film again: nothing moves.
        const auto same = conform(project, at("old.mp4"), [](double) { return true; });
        QCOMPARE(same.value().unmatched, std::size_t{0});
        QCOMPARE(same.value().project.strikes, project.strikes);

        const auto stopped = conform(project, at("new.mp4"), [](double share) { return share < 0.3; });
        QVERIFY(!stopped.ok() && stopped.error().code == ErrorCode::cancelled);
        QVERIFY(!conform(project, at("none.mp4"), [](double) { return true; }).ok());
    }
};

EMBER_TEST(FilmOfShotsTest)
#include "tst_shots.moc"
