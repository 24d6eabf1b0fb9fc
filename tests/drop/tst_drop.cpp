// SPDX-License-Identifier: GPL-3.0-or-later
// The drop bench against what mechanics says.
#include <cmath>

#include <QTest>

#include "ember/drop/scene.h"
#include "ember/exchange/strike_list.h"
#include "runner.h"

using namespace ember;
using namespace ember::drop;

namespace {

Body floorBody()
{
    Body body;
    body.name = "floor";
    body.width = 40;
    body.height = 1;
    body.fixed = true;
    body.restitution = 0;
    body.position = {0, -0.5};
    return body;
}

Body ball(double radius, double mass, double restitution, Vec at)
{
    Body body;
    body.name = "ball";
    body.shape = Shape::ball;
    body.radius = radius;
    body.mass = mass;
    body.restitution = restitution;
    body.position = at;
    return body;
}

Scene withBodies(std::vector<Body> bodies)
{
    Scene scene;
    scene.bodies = std::move(bodies);
    scene.least = 0.01;
    return scene;
}

} // namespace

class DropTest : public QObject {
    Q_OBJECT
private slots:
    void aBallFallsAsItShould()
    {
        const double g = 9.81, height = 2;
        const auto run = simulate(withBodies({floorBody(), ball(0.25, 3, 0.6, {0.3, height + 0.25})}));
        QVERIFY(run.impacts.size() >= 3);
        const Impact& first = run.impacts[0];
        QVERIFY(std::abs(first.seconds - std::sqrt(2 * height / g)) < 0.002);
        QVERIFY(std::abs(first.speed - std::sqrt(2 * g * height)) < 0.02);
        QVERIFY(std::abs(first.energy / (3 * g * height) - 1) < 0.01); // all of its fall
        QVERIFY(std::abs(first.at.x - 0.3) < 1e-6 && std::abs(first.at.y) < 0.02);
        QCOMPARE(first.a, std::string("ball"));
        QCOMPARE(first.b, std::string("floor"));
        QVERIFY(std::abs(first.direction - 90) < 0.01);
        // It comes back with its share of the speed, so the next flight lasts 2ev/g.
        const double flight = 2 * 0.6 * first.speed / g;
        QVERIFY(std::abs(run.impacts[1].seconds - first.seconds - flight) < 0.004);
        QVERIFY(std::abs(run.impacts[1].energy / first.energy - 0.36) < 0.01);
        for (std::size_t i = 1; i < run.impacts.size(); ++i)
            QVERIFY(run.impacts[i].energy < run.impacts[i - 1].energy);
    }
    void equalBallsChangeSpeeds()
    {
        Scene scene = withBodies({ball(0.2, 2, 1, {-1, 0}), ball(0.2, 2, 1, {1, 0})});
        scene.gravity = 0;
        scene.seconds = 2;
        scene.bodies[0].velocity = {2, 0};
        const auto run = simulate(scene, 60);
        QCOMPARE(run.impacts.size(), std::size_t{1});
        QVERIFY(std::abs(run.impacts[0].seconds - 0.8) < 0.002);
        QVERIFY(std::abs(run.impacts[0].energy - 0.5 * 1 * 4) < 0.01); // reduced mass 1 kg, 2 m/s
        QVERIFY(std::abs(run.impacts[0].direction) < 0.01);
        const auto& last = run.pictures.back();
        QVERIFY(std::abs(last[0].position.x - 0.6) < 0.01);                                  // it stands where they met
        QVERIFY(std::abs((last[1].position.x - run.pictures[60][1].position.x) - 2) < 0.05); // the other goes on
    }
    void aBoxComesToRestAndStays()
    {
        Body box;
        box.name = "box";
        box.width = 1;
        box.height = 0.4;
        box.mass = 100;
        box.restitution = 0.1;
        box.angle = 20;
        box.position = {0, 2};
        const auto run = simulate(withBodies({floorBody(), box}), 10);
        const drop::Pose& rest = run.pictures.back()[1];
        QVERIFY(std::abs(rest.position.y - 0.2) < 0.01);
        QVERIFY(std::abs(std::remainder(rest.angle, 90)) < 1);
        QVERIFY(run.impacts.size() >= 2); // one corner, then the other
        QVERIFY(run.impacts.back().seconds < 3);
    }
    void frictionStopsWhatSlides()
    {
        Body box;
        box.name = "box";
        box.width = 1;
        box.height = 0.2;
        box.mass = 40;
        box.restitution = 0;
        box.position = {-2, 0.1};
        box.velocity = {3, 0};
        const auto run = simulate(withBodies({floorBody(), box}), 10);
        const double way = run.pictures.back()[1].position.x + 2;
        QVERIFY2(std::abs(way / (9 / (2 * 0.5 * 9.81)) - 1) < 0.05, qPrintable(QString::number(way))); // v²/2μg
    }
    void theSameSceneGivesTheSameBits()
    {
        const auto a = simulate(sampleScene());
        const auto b = simulate(sampleScene());
        QCOMPARE(impactsToJsonLines(a.impacts, {}), impactsToJsonLines(b.impacts, {}));
        QVERIFY(a.impacts.size() > 8);
        QVERIFY(std::any_of(a.impacts.begin(), a.impacts.end(), [](const Impact& i) { return i.b == "ingot"; }));
    }
    void whatIsHeldWaits()
    {
        Scene scene = withBodies({floorBody(), ball(0.25, 3, 0, {0, 1.25})});
        scene.bodies[1].from = 1.5;
        const auto run = simulate(scene);
        QVERIFY(!run.impacts.empty());
        QVERIFY(std::abs(run.impacts[0].seconds - 1.5 - std::sqrt(2 / 9.81)) < 0.003);
    }
    void scenesGoThereAndBack()
    {
        const Scene scene = sampleScene();
        const auto back = sceneFromJson(sceneToJson(scene), "scene");
        QVERIFY(back);
        QCOMPARE(sceneToJson(back.value()), sceneToJson(scene));
    }
    void wrongScenesAreTold_data()
    {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QString>("told");
        QTest::addRow("no JSON") << QByteArray("{") << "line 1";
        QTest::addRow("another thing") << QByteArray("{\"bodies\": [{}]}") << "\"drop\": 1 is missing";
        QTest::addRow("no bodies") << QByteArray("{\"drop\": 1, \"bodies\": []}") << "1 to 60";
        QTest::addRow("a shape") << QByteArray("{\"drop\": 1, \"bodies\": [{\"shape\": \"cone\"}]}") << "cone";
        QTest::addRow("a mass") << QByteArray("{\"drop\": 1, \"bodies\": [{\"mass\": 0}]}")
                                << "mass should be a number";
        QTest::addRow("a word") << QByteArray("{\"drop\": 1, \"bodies\": [{\"mas\": 3}]}") << "\"mas\"";
        QTest::addRow("an age") << QByteArray("{\"drop\": 1, \"seconds\": 1e9, \"bodies\": [{}]}")
                                << "seconds should be";
    }
    void wrongScenesAreTold()
    {
        QFETCH(QByteArray, text);
        QFETCH(QString, told);
        const auto scene = sceneFromJson(text.toStdString(), "bad.json");
        QVERIFY(!scene);
        const QString sentenceText = QString::fromStdString(sentence(scene.error()));
        QVERIFY2(sentenceText.contains(told) && sentenceText.contains(QStringLiteral("bad.json")),
                 qPrintable(sentenceText));
    }
    void itsImpactsAreAListOfStrikes()
    {
        const auto run = simulate(sampleScene());
        const auto list =
            strikesFromText(ListFormat::jsonLines, impactsToJsonLines(run.impacts, sampleScene().view), {});
        QVERIFY(list);
        QCOMPARE(list->size(), run.impacts.size());
        double most = 0;
        for (const Impact& impact : run.impacts)
            most = std::max(most, impact.energy);
        for (std::size_t i = 0; i < list->size(); ++i) {
            const ListedStrike& strike = list.value()[i];
            QVERIFY(std::abs(strike.strength - std::sqrt(run.impacts[i].energy / most)) < 0.001);
            QVERIFY(std::abs(strike.seconds - run.impacts[i].seconds) < 1e-5);
            QVERIFY(strike.direction.has_value());
            QCOMPARE(strike.name, run.impacts[i].a + " on " + run.impacts[i].b);
            QVERIFY(!strike.place);
        }
        // With positions: where the lens that sees the view has them.
        const View view = sampleScene().view;
        const auto placed =
            strikesFromText(ListFormat::jsonLines, impactsToJsonLines(run.impacts, view, Tell::positions), {});
        QVERIFY(placed);
        for (std::size_t i = 0; i < run.impacts.size(); ++i) {
            const auto at = std::get<WorldPoint>(placed.value()[i].place->at);
            QVERIFY(std::abs(at.x - (run.impacts[i].at.x - view.left - view.width / 2)) < 0.001);
            QVERIFY(std::abs(std::atan2(view.width / 2, at.z) * 180 / M_PI - 25) < 0.01);
        }
    }
};

EMBER_TEST(DropTest)
#include "tst_drop.moc"
