// SPDX-License-Identifier: GPL-3.0-or-later
// The frei0r plugin: the pixels of a render, called as hosts call it and by FFmpeg.
#include <QDir>
#include <QLibrary>
#include <QProcess>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>

extern "C" {
#include <frei0r.h>
}

#include "clips.h"
#include "ember/film/new_project.h"
#include "ember/film/render_film.h"
#include "ember/film/struck_frames.h"
#include "ember/project/edits.h"
#include "ember/project/file.h"
#include "host_wishes.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using namespace ember::frei0r;

namespace {

constexpr int width = 160, height = 96, frames = 30;

/// The plugin as a host sees it.
class Host {
public:
    Host() : library_(QStringLiteral(EMBER_FREI0R_FOLDER "/vast_ember.so"))
    {
        construct_ = find<decltype(&f0r_construct)>("f0r_construct");
        destruct_ = find<decltype(&f0r_destruct)>("f0r_destruct");
        set_ = find<decltype(&f0r_set_param_value)>("f0r_set_param_value");
        get_ = find<decltype(&f0r_get_param_value)>("f0r_get_param_value");
        update_ = find<decltype(&f0r_update)>("f0r_update");
        info_ = find<decltype(&f0r_get_plugin_info)>("f0r_get_plugin_info");
        parameter_ = find<decltype(&f0r_get_param_info)>("f0r_get_param_info");
    }
    bool ready() const { return construct_ && destruct_ && set_ && get_ && update_ && info_ && parameter_; }
    f0r_plugin_info_t info() const
    {
        f0r_plugin_info_t info{};
        info_(&info);
        return info;
    }
    f0r_param_info_t parameter(int index) const
    {
        f0r_param_info_t info{};
        parameter_(&info, index);
        return info;
    }
    f0r_instance_t begin(int w, int h)
    {
        return instance_ = construct_(static_cast<unsigned>(w), static_cast<unsigned>(h));
    }
    void end() { destruct_(instance_); }
    void set(int index, const std::string& text)
    {
        std::string copy = text;
        f0r_param_string value = copy.data();
        set_(instance_, &value, index);
    }
    void set(int index, double value) { set_(instance_, &value, index); }
    double number(int index)
    {
        double value = -1;
        get_(instance_, &value, index);
        return value;
    }
    std::string text(int index)
    {
        f0r_param_string value = nullptr;
        get_(instance_, &value, index);
        return value;
    }
    /// The pixels without what pads the rows.
    std::vector<std::uint32_t> update(double seconds, const std::vector<std::uint32_t>& in)
    {
        std::vector<std::uint32_t> out(in.size(), 0x12345678);
        update_(instance_, seconds, in.data(), out.data());
        return out;
    }

private:
    template <typename Function>
    Function find(const char* name)
    {
        return reinterpret_cast<Function>(library_.resolve(name));
    }
    QLibrary library_;
    decltype(&f0r_construct) construct_;
    decltype(&f0r_destruct) destruct_;
    decltype(&f0r_set_param_value) set_;
    decltype(&f0r_get_param_value) get_;
    decltype(&f0r_update) update_;
    decltype(&f0r_get_plugin_info) info_;
    decltype(&f0r_get_param_info) parameter_;
    f0r_instance_t instance_ = nullptr;
};

std::vector<std::uint32_t> pixelsOf(const Image& image)
{
    std::vector<std::uint32_t> pixels(static_cast<std::size_t>(image.width()) *
                                      static_cast<std::size_t>(image.height()));
    for (int y = 0; y < image.height(); ++y)
        std::memcpy(pixels.data() + static_cast<std::size_t>(y) * static_cast<std::size_t>(image.width()), image.row(y),
                    4 * static_cast<std::size_t>(image.width()));
    return pixels;
}

std::vector<std::uint32_t> noise(int w, int h, std::uint64_t seed)
{
    test::Random random(seed);
    std::vector<std::uint32_t> pixels(static_cast<std::size_t>(w * h));
    for (std::uint32_t& pixel : pixels)
        pixel = static_cast<std::uint32_t>(random.bits()) | 0xff000000U;
    return pixels;
}

} // namespace

class Frei0rTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string source_, project_, rendered_;

    std::string at(const char* name) const { return folder_.filePath(QLatin1String(name)).toStdString(); }
    static std::vector<std::uint32_t> picture(const std::string& pattern, int frame)
    {
        auto clip = ClipReader::open(pattern);
        if (!clip)
            return {};
        const auto read = clip.value()->frame(Frame{frame}, FrameRate());
        return read ? pixelsOf(*read.value()) : std::vector<std::uint32_t>();
    }

private slots:
    void initTestCase()
    {
        // A series of pictures, and a project that shakes, blurs, tears and flashes it, as we render it.
        QDir(folder_.path()).mkdir(QStringLiteral("in"));
        QDir(folder_.path()).mkdir(QStringLiteral("out"));
        for (int i = 0; i < frames; ++i) {
            Image image(width, height);
            test::Random random(77);
            const auto tone = [&](int x, int y, double a, double b) {
                return static_cast<std::uint8_t>(128 + 100 * std::sin(a * x + b * y + 0.1 * i));
            };
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x) {
                    std::uint8_t* p = image.at(x, y);
                    p[0] = tone(x, y, 0.3, 0.05), p[1] = tone(x, y, 0.02, 0.2), p[2] = tone(x, y, 0.11, 0.13),
                    p[3] = 255;
                }
            QVERIFY(savePicture(image, at(qPrintable(QStringLiteral("in/f_%1.png").arg(i, 4, 10, QLatin1Char('0')))),
                                false));
        }
        source_ = at("in/f_%04d.png");
        auto clip = ClipReader::open(source_);
        QVERIFY2(clip, clip ? "" : sentence(clip.error()).c_str());
        Project project = projectForClip(clip.value()->info());
        QCOMPARE(project.length(), std::int64_t{frames});
        project = withStrike(std::move(project), Frame{5}, StrikeKind::blast, 0.8).project;
        project = withStrike(std::move(project), Frame{17}, StrikeKind::landing, 1).project;
        project.finish.cover = CoverMode::breathing;
        project_ = at("shaken.vember");
        QVERIFY(saveProject(project, project_));
        rendered_ = at("out/r_%04d.png");
        const auto made =
            renderFilm(project, rendered_, wholeFilm(project), [](const RenderProgress&) { return true; });
        QVERIFY2(made, made ? "" : sentence(made.error()).c_str());
    }
    void itTellsWhatItIs()
    {
        const Host host;
        QVERIFY(host.ready());
        const auto info = host.info();
        QCOMPARE(info.plugin_type, F0R_PLUGIN_TYPE_FILTER);
        QCOMPARE(info.color_model, F0R_COLOR_MODEL_RGBA8888);
        QCOMPARE(info.frei0r_version, FREI0R_MAJOR_VERSION);
        QCOMPARE(info.num_params, 9);
        QStringList names;
        for (int i = 0; i < info.num_params; ++i)
            names << QLatin1String(host.parameter(i).name);
        QCOMPARE(names.join(QLatin1Char(' ')),
                 QStringLiteral("project recipe strikes rate start strength intensity gentle clock"));
        QVERIFY(host.parameter(99).name == nullptr); // a host may ask for more than there is
    }
    void itsPixelsAreThoseOfARender()
    {
        Host host;
        QVERIFY(host.begin(width, height) != nullptr);
        host.set(0, project_);
        QCOMPARE(host.text(0), project_);
        int changed = 0;
        // Forwards, backwards, twice: a frame depends on nothing but its time.
        for (const int frame : {0, 4, 5, 6, 7, 12, 29, 18, 17, 6, 5, 5, 0}) {
            const auto in = picture(source_, frame);
            QVERIFY(!in.empty());
            const auto out = host.update(frame / 24.0, in);
            QVERIFY2(out == picture(rendered_, frame), qPrintable(QString::number(frame)));
            changed += out != in;
        }
        QVERIFY(changed >= 8);
        host.end();
    }
    void itsParametersCount()
    {
        Host host;
        QVERIFY(host.begin(width, height) != nullptr);
        QCOMPARE(host.number(5), 0.5);
        QCOMPARE(host.number(6), 1.0);
        QCOMPARE(host.number(7), 0.0);
        const auto in = picture(source_, 6);
        const auto makes = [&](const HostWishes& wishes, int frame) {
            auto film = filmOf(wishes, width, height);
            if (!film)
                return std::vector<std::uint32_t>();
            auto image = std::make_shared<Image>(width, height);
            for (int y = 0; y < height; ++y)
                std::memcpy(image->row(y), in.data() + static_cast<std::size_t>(y * width), 4 * width);
            return pixelsOf(*StruckFrames(std::move(film).value()).frame(image, Frame{frame}));
        };
        HostWishes wishes;
        wishes.project = project_;
        host.set(0, project_);
        const auto full = host.update(6 / 24.0, in);
        for (const double strength : {0.25, 0.0, 1.0}) {
            host.set(5, wishes.strength = strength);
            QVERIFY(host.update(6 / 24.0, in) == makes(wishes, 6));
            QVERIFY(host.update(6 / 24.0, in) != full);
        }
        host.set(5, wishes.strength = 0.5);
        host.set(6, wishes.intensity = 0.3);
        QVERIFY(host.update(6 / 24.0, in) == makes(wishes, 6));
        host.set(6, wishes.intensity = 1);
        host.set(7, 1.0);
        wishes.gentle = true;
        QVERIFY(host.update(6 / 24.0, in) == makes(wishes, 6));
        QVERIFY(host.update(6 / 24.0, in) != full);
        host.set(7, 0.0);
        host.set(4, std::string("6")); // the film begins later
        QVERIFY(host.update(0, in) == full);
        QVERIFY(host.update(-6 / 24.0, in) != full);
        host.set(8, std::string("milliseconds"));
        host.set(4, std::string());
        QVERIFY(host.update(250, in) == full);
        host.set(8, std::string("hours"));
        QVERIFY(host.update(250, in) == in);
        host.end();
    }
    void aRecipeWithStrikesNeedsNoProject()
    {
        Host host;
        QVERIFY(host.begin(96, 64) != nullptr);
        const auto in = noise(96, 64, 3);
        QVERIFY(host.update(0, in) == in); // nothing is set: untouched, and told
        host.set(2, std::string("10:hit:150%,1s:blast"));
        host.set(3, std::string("25"));
        QVERIFY(host.update(9 / 25.0, in) == host.update(8 / 25.0, in)); // before the first only the cover is there
        QVERIFY(host.update(11 / 25.0, in) != host.update(9 / 25.0, in));
        QVERIFY(host.update(26 / 25.0, in) != host.update(24 / 25.0, in));
        const auto colons = host.update(11 / 25.0, in);
        host.set(2, std::string("10 hit 150%,1s blast"));
        QVERIFY(host.update(11 / 25.0, in) == colons);
        // The picture's size is the frame's, so that a shake is as large on each.
        const auto project = filmOf({{}, {}, "10:hit", "25", {}, 0.5, 1, false, {}}, 96, 64);
        QVERIFY(project && project->width == 96 && project->rate.num() == 25);
        host.set(1, std::string("no such recipe"));
        QVERIFY(host.update(11 / 25.0, in) == in);
        host.set(1, std::string("Drum beat"));
        QVERIFY(host.update(11 / 25.0, in) != in);
        host.end();
    }
    void whatIsWrongIsTold_data()
    {
        QTest::addColumn<QString>("project");
        QTest::addColumn<QString>("strikes");
        QTest::addColumn<QString>("rate");
        QTest::addColumn<QString>("says");
        QTest::newRow("no file") << "gone.vember"
                                 << ""
                                 << ""
                                 << "gone.vember";
        QTest::newRow("neither") << ""
                                 << ""
                                 << ""
                                 << "one of them";
        QTest::newRow("kind") << ""
                              << "4:bang"
                              << ""
                              << "4:bang";
        QTest::newRow("frame") << ""
                               << "-4:hit"
                               << ""
                               << "-4:hit";
        QTest::newRow("strength") << ""
                                  << "4:hit:loud"
                                  << ""
                                  << "loud";
        QTest::newRow("too many") << ""
                                  << "4:hit:1:1"
                                  << ""
                                  << "FRAME:KIND";
        QTest::newRow("rate") << ""
                              << "4:hit"
                              << "0/0"
                              << "rate";
        QTest::newRow("list") << ""
                              << "nowhere.csv"
                              << ""
                              << "nowhere.csv";
    }
    void whatIsWrongIsTold()
    {
        QFETCH(QString, project);
        QFETCH(QString, strikes);
        QFETCH(QString, rate);
        QFETCH(QString, says);
        HostWishes wishes;
        wishes.project = project.toStdString();
        wishes.strikes = strikes.toStdString();
        wishes.rate = rate.toStdString();
        const auto film = filmOf(wishes, 64, 48);
        QVERIFY(!film);
        QVERIFY2(QString::fromStdString(sentence(film.error())).contains(says), sentence(film.error()).c_str());
    }
    void oddSizesAndTimesAreNoMatter()
    {
        Host host;
        QVERIFY(host.begin(0, 5) == nullptr);
        QVERIFY(host.begin(5, 100000) == nullptr);
        for (const auto& [w, h] : {std::pair{1, 1}, {33, 17}, {7, 250}}) {
            QVERIFY(host.begin(w, h) != nullptr);
            host.set(0, project_);
            const auto in = noise(w, h, 5);
            for (const double seconds : {0.0, 6 / 24.0, -3.0, 1e9, 1e300, std::nan(""), 5 / 24.0})
                QCOMPARE(host.update(seconds, in).size(), in.size());
            host.end();
        }
    }
    void picturesWithoutATimeAreCounted()
    {
        Host host, timed;
        QVERIFY(host.begin(width, height) != nullptr && timed.begin(width, height) != nullptr);
        host.set(0, project_);
        host.set(4, std::string("3"));
        timed.set(0, project_);
        const auto in = picture(source_, 6);
        const double none = -9.2e18 / 24; // as a host hands over what is no time
        for (int i = 0; i < 6; ++i)
            QVERIFY(host.update(none, in) == timed.update((3 + i) / 24.0, in));
        host.end();
        timed.end();
    }
    void ffmpegPlaysIt_data()
    {
        QTest::addColumn<QString>("format");
        QTest::newRow("with alpha") << "rgba";
        QTest::newRow("without; it copies rows then and loses their times") << "rgb24";
    }
    void ffmpegPlaysIt()
    {
        QFETCH(QString, format);
        const QString program = QStandardPaths::findExecutable(QStringLiteral("ffmpeg"));
        QVERIFY(!program.isEmpty());
        QProcess run;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert(QStringLiteral("FREI0R_PATH"), QStringLiteral(EMBER_FREI0R_FOLDER));
        run.setProcessEnvironment(environment);
        run.setWorkingDirectory(folder_.path());
        QDir(folder_.path()).mkdir(QStringLiteral("host"));
        run.start(program,
                  {QStringLiteral("-v"), QStringLiteral("error"), QStringLiteral("-framerate"), QStringLiteral("24"),
                   QStringLiteral("-i"), QStringLiteral("in/f_%04d.png"), QStringLiteral("-vf"),
                   QStringLiteral("format=%1,format=rgba,frei0r=filter_name=vast_ember:filter_params=shaken.vember")
                       .arg(format),
                   QStringLiteral("-y"), QStringLiteral("-start_number"), QStringLiteral("0"),
                   QStringLiteral("host/h_%04d.png")});
        QVERIFY(run.waitForFinished(120000));
        QVERIFY2(run.exitCode() == 0, run.readAllStandardError().constData());
        for (int frame = 0; frame < frames; ++frame)
            QVERIFY2(picture(at("host/h_%04d.png"), frame) == picture(rendered_, frame),
                     qPrintable(QString::number(frame)));
    }
};

EMBER_TEST(Frei0rTest)
#include "tst_frei0r.moc"
