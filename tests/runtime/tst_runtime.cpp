// SPDX-License-Identifier: GPL-3.0-or-later
// Recipes played elsewhere move as they do here: the header and the module of runtime/ against the core.
#include <cmath>
#include <random>

#include <QDir>
#include <QFile>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include "../../runtime/vast_ember.hpp"
#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "ember/exchange/playable.h"
#include "ember/project/motion_library.h"
#include "ember/project/shipped_recipes.h"
#include "motions.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int recipeCount = 200;
constexpr int casesOfRecipe = 50;
/// So long that a rumble without an end has none in it.
constexpr std::int64_t endless = 5'000'000;

class Chance {
public:
    explicit Chance(std::uint64_t seed) : engine_(seed) {}
    double between(double low, double high) { return low + (high - low) * unit_(engine_); }
    int whole(int low, int high) { return low + static_cast<int>(between(0, high - low + 1)); }
    bool one(double share) { return unit_(engine_) < share; }

private:
    std::mt19937_64 engine_;
    std::uniform_real_distribution<double> unit_{0, 1};
};

/// Any recipe: a shipped one, or a heap of strands, with values all over their ranges.
Recipe chanceRecipe(Chance& chance)
{
    const auto& shipped = shippedRecipes();
    Recipe recipe = shipped[static_cast<std::size_t>(chance.whole(0, static_cast<int>(shipped.size()) - 1))].recipe;
    if (chance.one(0.5)) {
        recipe.strands.clear();
        for (int n = chance.whole(1, 3); n > 0; --n) {
            Strand strand;
            strand.name = "Any";
            strand.source = sourceOfKind(static_cast<std::size_t>(chance.whole(0, 5)));
            if (auto* captured = std::get_if<Captured>(&strand.source))
                captured->motion = MotionLoop(test::swayingMotion());
            if (auto* drawn = std::get_if<Drawn>(&strand.source)) {
                drawn->asDrawn = chance.one(0.4);
                for (auto& keys : drawn->keys) {
                    for (int k = chance.whole(0, 5); k > 0; --k)
                        keys.push_back({std::round(chance.between(-5, 40)), chance.between(-1, 1),
                                        static_cast<Ease>(chance.whole(0, 5)), chance.between(-0.1, 0.1),
                                        chance.between(-0.1, 0.1)});
                    keys = tidied(keys, drawn->asDrawn);
                }
            }
            if (chance.one(0.4))
                strand.envelope = Envelope();
            recipe.add(std::move(strand));
        }
    }
    const auto scatter = [&]<typename Part>(Part& part, double share) {
        for (const FieldOf<Part>& value : fieldsOf<Part>()) {
            if (!value.in(part) || value.key == "source" || value.key == "own_envelope" || value.key == "as_drawn" ||
                value.key == "muted" || value.key == "solo" || value.key == "play_rate" || !chance.one(share))
                continue;
            const double high = std::min(value.spec->max, value.spec->unit == "frames" ? 60.0 : 1e9);
            value.set(part, chance.between(value.spec->min, high));
        }
    };
    scatter(recipe, 0.2);
    recipe.playRate = chance.one(0.3) ? chance.between(0.3, 3) : 1;
    scatter(recipe.envelope, 0.3);
    for (Strand& strand : recipe.strands) {
        scatter(strand, 0.4);
        if (strand.envelope)
            scatter(*strand.envelope, 0.5);
        strand.muted = chance.one(0.1);
        strand.solo = chance.one(0.05);
    }
    // Anything may be a curve.
    for (const std::string& key : curveKeysOf(recipe)) {
        const FieldSpec* spec = curveSpecOf(recipe, key);
        if (!chance.one(0.12) || key.starts_with("light.") || key == "shutter_angle")
            continue;
        CurveKeys keys;
        const double high = std::min(spec->max, 40.0);
        const double low = std::max(spec->min, -40.0);
        for (int k = chance.whole(1, 6); k > 0; --k)
            keys.push_back({std::round(chance.between(-8, 60)), chance.between(low, high),
                            static_cast<Ease>(chance.whole(0, 5)), chance.between(-0.1, 0.1),
                            chance.between(-0.1, 0.1)});
        setCurve(recipe, key, keys);
    }
    return recipe;
}

struct Case {
    int recipe = 0;
    std::vector<Strike> strikes;
    std::vector<SettleMark> marks;
    double frame = 0;
    Pose pose;
    double intensity = 0;
};

double farthest(const Pose& a, const vast_ember::Pose& b)
{
    return std::max({std::abs(a.x - b.x), std::abs(a.y - b.y), std::abs(a.zoom - b.zoom), std::abs(a.roll - b.roll),
                     std::abs(a.pan - b.pan), std::abs(a.tilt - b.tilt)});
}

} // namespace

class RuntimeTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::vector<std::string> texts_;
    std::vector<Case> cases_;
    const QString root_ = QStringLiteral(EMBER_SOURCE_DIR);

    QByteArray node(const QStringList& arguments, int* code = nullptr)
    {
        QProcess process;
        process.start(QStringLiteral("node"), arguments);
        if (!process.waitForFinished(300'000))
            return "node does not run: " + process.errorString().toUtf8();
        if (code != nullptr)
            *code = process.exitCode();
        return process.readAllStandardOutput() + process.readAllStandardError();
    }

private slots:
    void initTestCase()
    {
        Chance chance(20'261'127);
        for (int r = 0; r < recipeCount; ++r) {
            Project project;
            project.rate = *FrameRate::make(r % 3 == 0 ? 24000 : r % 3 == 1 ? 60 : 24, r % 3 == 0 ? 1001 : 1);
            Shot shot;
            shot.length = endless;
            project.addShot(shot);
            project.overlap.rule = static_cast<OverlapRule>(r % 3);
            project.overlap.ceiling = chance.between(0.5, 4);
            project.overlap.knee = chance.between(0, 1);
            const RecipeId id = project.addRecipe(chanceRecipe(chance));
            texts_.push_back(playableRecipe(*project.recipe(id), project.overlap, project));
            for (int c = 0; c < casesOfRecipe; ++c) {
                Project one = project;
                Case made;
                made.recipe = r;
                std::int64_t at = 100;
                for (int n = chance.whole(1, 5); n > 0; --n) {
                    Strike strike;
                    strike.frame = Frame{at};
                    strike.strength = chance.between(0.05, 3);
                    strike.seed = static_cast<std::uint32_t>(chance.between(0, 4e9));
                    if (chance.one(0.7))
                        strike.direction = chance.one(0.5) ? 90.0 * chance.whole(-4, 4) : chance.between(-400, 400);
                    strike.recipe = id;
                    one.addStrike(strike);
                    made.strikes.push_back(strike);
                    at += chance.whole(0, 25);
                }
                std::int64_t mark = 95;
                for (int n = chance.whole(0, 2); n > 0; --n) {
                    mark += chance.whole(1, 60);
                    made.marks.push_back({Frame{mark}, chance.one(0.5) ? SettleMode::cut : SettleMode::ease,
                                          static_cast<double>(chance.whole(1, 30))});
                    if (chance.one(0.4)) // for one of them alone
                        made.marks.back().strike = chance.whole(1, static_cast<int>(made.strikes.size()));
                }
                one.settles = made.marks;
                made.frame = chance.one(0.5) ? 90 + chance.whole(0, 120) : chance.between(90, 200);
                const MotionSample sample = Motion(one).at(made.frame);
                made.pose = sample.pose;
                made.intensity = sample.intensity;
                cases_.push_back(std::move(made));
            }
        }
    }

    void theHeaderMovesAsTheCoreDoes()
    {
        double most = 0;
        int moved = 0;
        std::vector<vast_ember::Shake> shakes;
        std::vector<double> rates;
        for (const std::string& text : texts_)
            shakes.push_back(vast_ember::Shake::fromJson(text));
        for (const Case& one : cases_) {
            vast_ember::Shake& shake = shakes[static_cast<std::size_t>(one.recipe)];
            const double rate = shake.framesPerSecond();
            shake.clear();
            std::vector<vast_ember::Shake::Handle> handles{0};
            for (const Strike& s : one.strikes)
                handles.push_back(shake.trigger(s.strength, s.direction.value_or(std::nan("")), s.seed,
                                                static_cast<double>(s.frame.index) / rate));
            for (const SettleMark& m : one.marks) {
                const double home = m.mode == SettleMode::cut ? 0 : m.frames / rate;
                const double at = static_cast<double>(m.frame.index) / rate;
                if (m.strike == 0)
                    shake.settle(home, at);
                else
                    shake.ease(handles[static_cast<std::size_t>(m.strike)], home, at);
            }
            const double off = farthest(one.pose, shake.poseAt(one.frame / rate));
            QVERIFY2(
                off < 1e-6,
                qPrintable(QStringLiteral("recipe %1, frame %2: off by %3").arg(one.recipe).arg(one.frame).arg(off)));
            QVERIFY(std::abs(one.intensity - shake.intensityAt(one.frame / rate)) < 1e-6);
            most = std::max(most, off);
            moved += one.pose.atRest() ? 0 : 1;
        }
        QCOMPARE(cases_.size(), std::size_t{10'000});
        QVERIFY2(moved > 5000, qPrintable(QString::number(moved))); // else they agree on rest alone
        qInfo("farthest apart: %g; %d of 10000 cases move", most, moved);
    }

    void theModuleMovesAsTheCoreDoes()
    {
        QJsonArray list;
        for (const Case& one : cases_) {
            QJsonArray strikes;
            for (const Strike& s : one.strikes)
                strikes.append(QJsonArray{static_cast<double>(s.frame.index), s.strength,
                                          s.direction ? QJsonValue(*s.direction) : QJsonValue(),
                                          static_cast<double>(s.seed)});
            QJsonArray marks;
            for (const SettleMark& m : one.marks)
                marks.append(QJsonArray{static_cast<double>(m.frame.index), m.mode == SettleMode::cut ? 0.0 : m.frames,
                                        static_cast<double>(m.strike)});
            list.append(QJsonObject{
                {"recipe", one.recipe},
                {"strikes", strikes},
                {"marks", marks},
                {"frame", one.frame},
                {"pose", QJsonArray{one.pose.x, one.pose.y, one.pose.zoom, one.pose.roll, one.pose.pan, one.pose.tilt}},
                {"intensity", one.intensity}});
        }
        QJsonArray recipes;
        for (const std::string& text : texts_)
            recipes.append(QString::fromStdString(text));
        QFile file(folder_.filePath(QStringLiteral("cases.json")));
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(QJsonDocument(QJsonObject{{"recipes", recipes}, {"cases", list}}).toJson(QJsonDocument::Compact));
        file.close();
        int code = -1;
        const QByteArray said = node({root_ + QStringLiteral("/tests/runtime/compare.mjs"), file.fileName()}, &code);
        QVERIFY2(code == 0, said.constData());
        const QJsonObject told = QJsonDocument::fromJson(said).object();
        QCOMPARE(told["cases"].toInt(), 10'000);
        QVERIFY2(told["off"].toDouble(1) < 1e-6, said.constData());
        qInfo("farthest apart: %g", told["off"].toDouble());
    }

    void theGentlePresetKeepsItsLimits()
    {
        Project project;
        for (const BookEntry& entry : shippedRecipes()) {
            const std::string text = playableRecipe(entry.recipe, project.overlap, project);
            auto full = vast_ember::Shake::fromJson(text);
            auto gentle = vast_ember::Shake::fromJson(text, vast_ember::Preset::gentle);
            double most = 0;
            double mostFull = 0;
            double fastest = 0;
            for (std::uint32_t seed = 1; seed <= 40; ++seed) {
                gentle.clear();
                full.clear();
                for (int n = 0; n < 4; ++n) { // strong ones, in quick succession
                    gentle.trigger(4, 90, seed + 1000 + static_cast<std::uint32_t>(n), n * 0.1);
                    full.trigger(4, 90, seed + 1000 + static_cast<std::uint32_t>(n), n * 0.1);
                }
                vast_ember::Pose before;
                for (int frame = 0; frame < 120; ++frame) {
                    const auto pose = gentle.pose(frame / 24.0);
                    QCOMPARE(pose.roll, 0.0);
                    most = std::max(most, std::hypot(pose.x, pose.y) / 1280);
                    fastest = std::max(fastest, std::hypot(pose.x - before.x, pose.y - before.y) / 1280 * 24);
                    const auto wild = full.pose(frame / 24.0);
                    mostFull = std::max(mostFull, std::hypot(wild.x, wild.y) / 1280);
                    before = pose;
                }
            }
            QVERIFY2(most <= project.gentle.displacement + 1e-9,
                     qPrintable(QString::fromStdString(entry.recipe.name) + QString::number(most)));
            QVERIFY2(fastest <= 2 * project.gentle.speed, qPrintable(QString::fromStdString(entry.recipe.name)));
            QVERIFY(most < mostFull);
        }
    }

    void badRecipesAreToldInWords()
    {
        const auto said = [](const std::string& text) {
            try {
                vast_ember::Shake::fromJson(text);
            } catch (const std::runtime_error& error) {
                return std::string(error.what());
            }
            return std::string();
        };
        QVERIFY(said("").find("damaged") != std::string::npos);
        QVERIFY(said("{\"a\": [1, 2").find("damaged") != std::string::npos);
        QVERIFY(said("{}").find("vember_playable") != std::string::npos);
        QVERIFY(said("{\"vember_playable\": 4}").find("another version") != std::string::npos);
        QVERIFY(said("{\"vember_playable\": 1}").find("presets") != std::string::npos);
        QVERIFY(said(std::string(100'000, '[')).find("too deep") != std::string::npos);
        std::string broken = texts_.front();
        for (std::size_t cut = 0; cut < broken.size() - 2; cut += 97)
            QVERIFY(!said(broken.substr(0, cut)).empty());
        Chance chance(5);
        for (int round = 0; round < 2000; ++round) { // nothing but a word or a recipe comes of mutilated text
            std::string text = texts_[static_cast<std::size_t>(chance.whole(0, recipeCount - 1))];
            for (int n = chance.whole(1, 5); n > 0; --n)
                text[static_cast<std::size_t>(chance.between(0, static_cast<double>(text.size())))] =
                    static_cast<char>(chance.whole(1, 126));
            said(text);
        }
    }

    void theExampleProgramPlaysARecipe()
    {
        const QString file = folder_.filePath(QStringLiteral("recipe.json"));
        const auto write = [&](const std::string& text) {
            QFile out(file);
            return out.open(QIODevice::WriteOnly) && out.write(text.data(), static_cast<qint64>(text.size())) > 0;
        };
        const Project project = newProject(1280, 720, FrameRate());
        QVERIFY(write(playableRecipe(*project.recipeNamed("Dead weight"), project.overlap, project)));
        QProcess process;
        process.start(QStringLiteral(EMBER_EXAMPLE), {file});
        QVERIFY(process.waitForFinished(test::patience) && process.exitCode() == 0);
        const QStringList rows = QString::fromUtf8(process.readAllStandardOutput()).split(QLatin1Char('\n'));
        QCOMPARE(rows.size(), 75);
        QCOMPARE(rows[0], QStringLiteral("Dead weight"));
        QCOMPARE(rows[2].simplified(), QStringLiteral("0.000 0.00 0.00 1.000 0.00"));
        QVERIFY(rows[9].simplified().split(QLatin1Char(' '))[2].toDouble() > 5); // a frame after the first hit
        QCOMPARE(rows[73].simplified(), QStringLiteral("2.958 0.00 0.00 1.000 0.00"));
        QVERIFY(write("{}"));
        process.start(QStringLiteral(EMBER_EXAMPLE), {file});
        QVERIFY(process.waitForFinished(test::patience) && process.exitCode() == 1);
        QVERIFY(process.readAllStandardError().contains("vember_playable"));
    }

    void overIsExactlyRest()
    {
        for (const std::string& text : texts_) {
            auto shake = vast_ember::Shake::fromJson(text);
            QVERIFY(shake.pose(0).atRest());
            shake.trigger(1, 90, 3, 1);
            shake.settle(0.5, 3);
            QVERIFY(shake.pose(3.6).atRest());
            QVERIFY(shake.pose(1e9).atRest());
            shake.forgetBefore(4);
            QCOMPARE(shake.strikes(), std::size_t{0});
            shake.trigger(); // at the time that was asked for last
            QCOMPARE(shake.strikes(), std::size_t{1});
        }
    }
};

EMBER_TEST(RuntimeTest)
#include "tst_runtime.moc"
