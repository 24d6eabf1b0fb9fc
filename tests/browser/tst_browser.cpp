// SPDX-License-Identifier: GPL-3.0-or-later
// What is handed on as glTF, CSS and SVG, judged by those who read it: the standard's validator and a browser.
#include <cmath>

#include <QFile>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>
#include <QUrl>

#include "ember/core/motion.h"
#include "ember/core/projection.h"
#include "ember/exchange/handed_motion.h"
#include "ember/exchange/playable.h"
#include "ember/project/edits.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;

namespace {

/// A blast, with all axes where `deep`.
Project struck(bool deep)
{
    Project project = newProject(1280, 720, *FrameRate::make(24, 1));
    Shot shot;
    shot.clip = "/films/Night \"shift\" & <sons>.mp4";
    shot.length = 96;
    shot.available = 200;
    project.addShot(shot);
    auto [next, id] = withStrike(project, Frame{12}, StrikeKind::blast, 1.1);
    next.strike(id)->name = "Ladle */ <b>\"bursts\"</b> & 'spills'";
    next.strike(id)->direction = 20;
    if (deep)
        for (Recipe& recipe : next.recipes)
            for (Strand& strand : recipe.strands) {
                strand.amount[Axis::pan] = 2;
                strand.amount[Axis::tilt] = -1.5;
            }
    return next;
}

void write(const QString& path, const std::string& text)
{
    QFile file(path);
    QVERIFY(file.open(QIODevice::WriteOnly));
    file.write(text.data(), static_cast<qint64>(text.size()));
}

QByteArray run(const QString& program, const QStringList& arguments, int* code)
{
    QProcess process;
    process.start(program, arguments);
    if (!process.waitForFinished(240'000)) {
        process.kill();
        return program.toUtf8() + ": " + process.errorString().toUtf8();
    }
    *code = process.exitCode();
    const QByteArray said = process.readAllStandardOutput();
    return *code == 0 ? said : said + process.readAllStandardError();
}

/// Where a pose puts a point that is counted from the picture's middle, from there too.
Point seenAt(const Pose& pose, Point p)
{
    const Point middle{0.5 * 1279, 0.5 * 719};
    const Point at = poseMatrix(pose, 1280, 720).map({middle.x + p.x, middle.y + p.y});
    return {at.x - middle.x, at.y - middle.y};
}

/// A PNG of one pixel.
const std::string pixel =
    QByteArray::fromBase64("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9"
                           "awAAAABJRU5ErkJggg==")
        .toStdString();

constexpr std::array<Point, 5> marks{{{0, 0}, {-640, -360}, {640, -360}, {640, 360}, {-640, 360}}};

} // namespace

class BrowserTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    const QString here_ = QStringLiteral(EMBER_SOURCE_DIR "/tests/browser");

    static HandedMotion motionOf(const Project& project, bool sparse, HandedAs as = HandedAs::layer)
    {
        HandingOn how;
        how.as = as;
        how.part = {HandedOf::strike, project.strikes.front().id};
        if (sparse)
            how.sparse = KeyTolerance();
        return handedMotion(project, how).value();
    }

    /// The page with a script that puts JSON in place of it, read out of a browser.
    QJsonDocument measured(const QString& name, const QString& page, const QString& script,
                           const QStringList& more = {})
    {
        const QString path = folder_.filePath(name);
        write(path, (page + QStringLiteral("<script type=\"module\">\nconst told = await (async () => {") + script +
                     QStringLiteral("})();\nconst out = document.createElement('pre'); out.id = 'told';\n"
                                    "out.textContent = '@@' + JSON.stringify(told) + '@@';\n"
                                    "document.body.replaceChildren(out);\n</script>"))
                        .toStdString());
        int code = -1;
        QStringList arguments{QStringLiteral("--headless=new"),
                              QStringLiteral("--no-sandbox"),
                              QStringLiteral("--disable-gpu"),
                              QStringLiteral("--disable-dev-shm-usage"),
                              QStringLiteral("--no-first-run"),
                              QStringLiteral("--allow-file-access-from-files"),
                              QStringLiteral("--user-data-dir=") + folder_.filePath(QStringLiteral("profile")),
                              QStringLiteral("--virtual-time-budget=10000"),
                              QStringLiteral("--dump-dom")};
        const QByteArray dom = run(QStringLiteral("chromium"),
                                   arguments + more + QStringList{QUrl::fromLocalFile(path).toString()}, &code);
        const auto from = dom.indexOf("@@");
        const auto to = dom.indexOf("@@", from + 2);
        if (from < 0 || to < 0) {
            qWarning("%s", dom.left(2000).constData());
            return {};
        }
        QByteArray json = dom.mid(from + 2, to - from - 2);
        json.replace("&quot;", "\"").replace("&lt;", "<").replace("&gt;", ">").replace("&amp;", "&");
        return QJsonDocument::fromJson(json);
    }

private slots:
    void gltfIsValid()
    {
        QStringList files;
        for (const bool deep : {false, true})
            for (const bool sparse : {false, true}) {
                files.append(folder_.filePath(QStringLiteral("camera%1%2.gltf").arg(deep).arg(sparse)));
                write(files.back(), handedToGltf(motionOf(struck(deep), sparse, HandedAs::camera)));
            }
        int code = -1;
        const QByteArray said =
            run(QStringLiteral("node"),
                QStringList{here_ + QStringLiteral("/validate.cjs"), QStringLiteral(EMBER_NODE_DIR)} + files, &code);
        QVERIFY2(code == 0, said.constData());
        const QJsonObject told = QJsonDocument::fromJson(said).object();
        QVERIFY2(told["errors"].toInt(-1) == 0 && told["warnings"].toInt(-1) == 0, said.constData());
        // The validator is one that finds something.
        QFile broken(files.front());
        QVERIFY(broken.open(QIODevice::ReadOnly));
        write(files.front(), broken.readAll().replace("\"VEC4\"", "\"VEC3\"").toStdString());
        const QByteArray worse =
            run(QStringLiteral("node"),
                {here_ + QStringLiteral("/validate.cjs"), QStringLiteral(EMBER_NODE_DIR), files.front()}, &code);
        QVERIFY2(QJsonDocument::fromJson(worse).object()["errors"].toInt() > 0, worse.constData());
    }

    void cssMovesTheLayerAsThePoses_data()
    {
        QTest::addColumn<bool>("deep");
        QTest::addColumn<bool>("sparse");
        QTest::newRow("flat, every frame") << false << false;
        QTest::newRow("flat, few keys") << false << true;
        QTest::newRow("deep, every frame") << true << false;
    }
    void cssMovesTheLayerAsThePoses()
    {
        QFETCH(bool, deep);
        QFETCH(bool, sparse);
        const HandedMotion motion = motionOf(struck(deep), sparse);
        const auto told =
            measured(QStringLiteral("page.html"), QString::fromStdString(handedToPage(motion)),
                     QStringLiteral(
                         "const layer = document.getElementById('layer');\nconst [moving] = layer.getAnimations();\n"
                         "moving.pause();\nconst all = [];\nfor (let i = 0; i < %1; ++i) {\n"
                         "  moving.currentTime = i * 1000 / 24;\n"
                         "  const m = new DOMMatrix(getComputedStyle(layer).transform);\n"
                         "  all.push([m.m11, m.m12, m.m14, m.m21, m.m22, m.m24, m.m41, m.m42, m.m44]);\n}\nreturn all;")
                         .arg(motion.frames()));
        const QJsonArray all = told.array();
        QCOMPARE(all.size(), static_cast<int>(motion.frames()));
        double most = 0;
        for (int i = 0; i < all.size(); ++i) {
            std::array<double, 9> m{};
            for (int k = 0; k < 9; ++k)
                m[static_cast<std::size_t>(k)] = all[i][k].toDouble();
            for (const Point& p : marks) {
                const double w = m[2] * p.x + m[5] * p.y + m[8];
                const Point at{(m[0] * p.x + m[3] * p.y + m[6]) / w, (m[1] * p.x + m[4] * p.y + m[7]) / w};
                const Point should = seenAt(motion.poses[static_cast<std::size_t>(i)], p);
                most = std::max(most, std::hypot(at.x - should.x, at.y - should.y));
            }
        }
        // A corner is off by what x, y, roll and size together may be.
        QVERIFY2(most < (sparse ? 0.1 * 1.5 + 735 * (0.02 * M_PI / 180 + 0.0005) : 0.01),
                 qPrintable(QString::number(most)));
        QVERIFY(sparse == (most > 0.01));
    }

    void svgMovesThePictureAsThePoses()
    {
        for (const bool sparse : {false, true}) {
            const HandedMotion motion = motionOf(struck(false), sparse);
            const auto told = measured(
                QStringLiteral("drawing.html"),
                QStringLiteral("<!DOCTYPE html><meta charset=\"utf-8\"><body style=\"margin:0\">") +
                    QString::fromStdString(handedToSvg(motion)),
                QStringLiteral(
                    "const svg = document.querySelector('svg');\nconst layer = document.getElementById('layer');\n"
                    "svg.pauseAnimations();\nconst all = [];\nfor (let i = 0; i < %1; ++i) {\n"
                    "  svg.setCurrentTime(i / 24);\n  await new Promise((done) => setTimeout(done, 20));\n  const m = "
                    "layer.getCTM();\n"
                    "  all.push([m.a, m.b, m.c, m.d, m.e, m.f]);\n}\nreturn all;")
                    .arg(motion.frames()));
            const QJsonArray all = told.array();
            QCOMPARE(all.size(), static_cast<int>(motion.frames()));
            double most = 0;
            for (int i = 0; i < all.size(); ++i)
                for (const Point& p : marks) {
                    const double x = p.x + 640;
                    const double y = p.y + 360;
                    const auto m = [&](int k) { return all[i][k].toDouble(); };
                    const Point should = seenAt(motion.poses[static_cast<std::size_t>(i)], p);
                    most = std::max(most, std::hypot(m(0) * x + m(2) * y + m(4) - 640 - should.x,
                                                     m(1) * x + m(3) * y + m(5) - 360 - should.y));
                }
            QVERIFY2(most < (sparse ? 0.1 * 1.5 + 735 * (0.02 * M_PI / 180 + 0.0005) : 0.02),
                     qPrintable(QString::number(most)));
        }
    }

    void lottieMovesTheLayerAsThePoses()
    {
        for (const bool sparse : {false, true}) {
            const HandedMotion motion = motionOf(struck(false), sparse);
            const std::string picture = sparse ? dataAddress("image/png", pixel) : std::string();
            QFile player(QStringLiteral(EMBER_NODE_DIR "/node_modules/lottie-web/build/player/lottie_svg.min.js"));
            QVERIFY(player.open(QIODevice::ReadOnly));
            const auto told = measured(
                QStringLiteral("lottie.html"),
                QStringLiteral("<!DOCTYPE html><meta charset=\"utf-8\"><body style=\"margin:0\"><div id=\"here\" "
                               "style=\"width:1280px;height:720px\"></div><script>") +
                    QString::fromUtf8(player.readAll()) + QStringLiteral("</script>"),
                QStringLiteral("const playing = lottie.loadAnimation({ container: document.getElementById('here'), "
                               "renderer: 'svg',\n"
                               "  loop: false, autoplay: false, animationData: %1 });\n"
                               "await new Promise((done) => setTimeout(done, 100));\n"
                               "const moved = document.querySelector('#here svg > g > g');\n"
                               "const all = [];\nfor (let i = 0; i < %2; ++i) {\n  playing.goToAndStop(i, true);\n"
                               "  const m = moved.getCTM();\n  all.push([m.a, m.b, m.c, m.d, m.e, m.f]);\n}\n"
                               "return { all, frames: playing.totalFrames, rate: playing.frameRate };")
                    .arg(QString::fromStdString(handedToLottie(motion, picture)))
                    .arg(motion.frames()));
            const QJsonArray all = told["all"].toArray();
            QCOMPARE(all.size(), static_cast<int>(motion.frames()));
            QCOMPARE(told["frames"].toInt(), static_cast<int>(motion.frames()));
            QCOMPARE(told["rate"].toDouble(), 24.0);
            double most = 0;
            for (int i = 0; i < all.size(); ++i)
                for (const Point& p : marks) {
                    const double x = p.x + 640;
                    const double y = p.y + 360;
                    const auto m = [&](int k) { return all[i][k].toDouble(); };
                    const Point should = seenAt(motion.poses[static_cast<std::size_t>(i)], p);
                    most = std::max(most, std::hypot(m(0) * x + m(2) * y + m(4) - 640 - should.x,
                                                     m(1) * x + m(3) * y + m(5) - 360 - should.y));
                }
            // The player rounds what it writes into the page to thousandths.
            QVERIFY2(most < (sparse ? 0.1 * 1.5 + 735 * (0.02 * M_PI / 180 + 0.0005) : 0.05),
                     qPrintable(QString::number(most)));
        }
    }

    void usdShowsThePictureAsThePoses()
    {
        struct Scene {
            bool deep;
            bool sparse;
            HandedAs as;
        };
        const std::vector<Scene> scenes{{false, false, HandedAs::layer}, {false, true, HandedAs::layer},
                                        {true, false, HandedAs::layer},  {true, true, HandedAs::layer},
                                        {true, false, HandedAs::camera}, {false, true, HandedAs::camera}};
        QStringList files;
        std::vector<HandedMotion> motions;
        for (const Scene& scene : scenes) {
            motions.push_back(motionOf(struck(scene.deep), scene.sparse, scene.as));
            files.append(folder_.filePath(QStringLiteral("scene%1.usda").arg(files.size())));
            write(files.back(), handedToUsd(motions.back()));
            QCOMPARE(motions.back().first, motions.front().first);
            QCOMPARE(motions.back().frames(), motions.front().frames());
        }
        int code = -1;
        const QByteArray said =
            run(QStringLiteral("node"),
                QStringList{here_ + QStringLiteral("/usd.mjs"), QStringLiteral(EMBER_NODE_DIR), QStringLiteral("1280"),
                            QStringLiteral("720"), QString::number(motions.front().first),
                            QString::number(motions.front().frames())} +
                    files,
                &code);
        QVERIFY2(code == 0, said.left(2000).constData());
        const QJsonArray told = QJsonDocument::fromJson(said).array();
        QCOMPARE(told.size(), static_cast<int>(scenes.size()));
        for (std::size_t n = 0; n < scenes.size(); ++n) {
            const HandedMotion& motion = motions[n];
            const QJsonArray frames = told[static_cast<qsizetype>(n)].toArray();
            QCOMPARE(frames.size(), static_cast<int>(motion.frames()));
            double most = 0;
            for (int i = 0; i < frames.size(); ++i)
                for (std::size_t k = 0; k < marks.size(); ++k) {
                    const QJsonArray at = frames[i][static_cast<int>(k)].toArray();
                    const Point should = seenAt(motion.poses[static_cast<std::size_t>(i)], marks[k]);
                    most = std::max(most, std::hypot(at[0].toDouble() - should.x, at[1].toDouble() - should.y));
                }
            // A camera cannot show all that a pose can: how far off it is, is told. Readers work with floats.
            const double may = motion.farthestOff + (scenes[n].sparse ? 735 * (0.02 * M_PI / 180 + 0.0005) * 3 : 0.05);
            QVERIFY2(most < may, qPrintable(QStringLiteral("scene %1: %2 px").arg(n).arg(most)));
        }
    }

    void namesAreTextAndNothingElse()
    {
        const HandedMotion motion = motionOf(struck(false), false);
        const auto told = measured(
            QStringLiteral("names.html"), QString::fromStdString(handedToPage(motion)),
            QStringLiteral("return { title: document.title, button: document.getElementById('again').textContent,"
                           " bold: document.querySelectorAll('b').length };"));
        const QString name = QString::fromStdString(struck(false).strikes.front().name);
        QCOMPARE(told["title"].toString(), name);
        QCOMPARE(told["button"].toString(), QStringLiteral("Play ") + name);
        QCOMPARE(told["bold"].toInt(-1), 0);
    }

    void whoWishesForLessMotionGetsIt()
    {
        const Project project = struck(false);
        const HandedMotion full = motionOf(project, false);
        HandingOn how = full.how;
        how.gentle = true;
        const HandedMotion gentle = handedMotion(project, how).value();
        const QString page = QString::fromStdString(handedToPage(full, &gentle));
        const QString script = QStringLiteral(
            "const layer = document.getElementById('layer');\nconst [moving] = layer.getAnimations();\n"
            "moving.pause();\nlet most = 0;\nfor (let i = 0; i < 90; ++i) {\n  moving.currentTime = i * 1000 / 24;\n"
            "  const m = new DOMMatrix(getComputedStyle(layer).transform);\n"
            "  most = Math.max(most, Math.hypot(m.m41, m.m42));\n}\nreturn { most, name: moving.animationName };");
        const auto all = measured(QStringLiteral("full.html"), page, script);
        const auto less =
            measured(QStringLiteral("less.html"), page, script, {QStringLiteral("--force-prefers-reduced-motion")});
        QVERIFY(!all["name"].toString().endsWith(QStringLiteral("-gentle")));
        QVERIFY(less["name"].toString().endsWith(QStringLiteral("-gentle")));
        QVERIFY(less["most"].toDouble() > 1);
        QVERIFY(less["most"].toDouble() <= 0.02 * 1280 + 1e-3);
        QVERIFY(all["most"].toDouble() > 2 * less["most"].toDouble());
    }

    void theExamplePageShakesItsCanvas()
    {
        const Project project = struck(false);
        QDir folder(folder_.path());
        folder.mkpath(QStringLiteral("runtime/examples"));
        const QString from = QStringLiteral(EMBER_SOURCE_DIR "/runtime/");
        QVERIFY(QFile::copy(from + QStringLiteral("vast_ember.mjs"),
                            folder.filePath(QStringLiteral("runtime/vast_ember.mjs"))));
        write(folder.filePath(QStringLiteral("runtime/examples/recipe.json")),
              playableRecipe(*project.recipeNamed("Blast and rumble"), project.overlap, project));
        QFile page(from + QStringLiteral("examples/canvas.html"));
        QVERIFY(page.open(QIODevice::ReadOnly));
        const auto told = measured(
            QStringLiteral("runtime/examples/canvas.html"),
            // Under virtual time frames of the screen come when they will; here they are as regular as timers.
            QStringLiteral("<script>window.requestAnimationFrame = (show) => setTimeout(show, 16);</script>") +
                QString::fromUtf8(page.readAll()),
            QStringLiteral(
                "const view = document.getElementById('view');\nconst draw = view.getContext('2d');\n"
                "const wait = () => new Promise((done) => setTimeout(done, 20));\nlet still = 0;\nlet moved = 0;\n"
                "for (let i = 0; i < 200 && !view.onclick; ++i) await wait();\n"
                "for (let i = 0; i < 20; ++i) { await wait(); still = Math.max(still, Math.abs(draw.getTransform().f - "
                "360)); }\nview.dispatchEvent(new MouseEvent('click', { clientX: 400, clientY: 400, bubbles: true "
                "}));\n"
                "for (let i = 0; i < 200 && moved <= 2; ++i) { await wait(); moved = Math.max(moved, "
                "Math.abs(draw.getTransform().f - "
                "360)); }\nreturn { still, moved };"));
        QCOMPARE(told["still"].toDouble(-1), 0.0);
        QVERIFY(told["moved"].toDouble() > 2);
    }
};

EMBER_TEST(BrowserTest)
#include "tst_browser.moc"
