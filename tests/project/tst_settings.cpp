// SPDX-License-Identifier: GPL-3.0-or-later
#include <QTest>

#include "ember/core/values.h"
#include "ember/project/edits.h"
#include "ember/project/settings.h"
#include "ember/project/shipped_recipes.h"
#include "runner.h"

using namespace ember;

namespace {

Project film()
{
    Project project = newProject(1280, 720, FrameRate());
    project.addShot(Shot{"a.mp4", 300});
    for (const int frame : {10, 100})
        project = withStrike(std::move(project), Frame{frame}, StrikeKind::landing, 1).project;
    Recipe drawn;
    drawn.name = "v1.5 drawn"; // a dot in the name
    drawn.add({"Line", Drawn{}, Rate{}, {}});
    project.addRecipe(drawn);
    project.groups.push_back({"drums", {}});
    return project;
}

Result<Project> set(const Project& project, std::initializer_list<const char*> texts)
{
    std::vector<Setting> settings;
    for (const char* text : texts)
        settings.push_back(settingFromText(text).value());
    return withSettings(project, settings);
}

} // namespace

class SettingsTest : public QObject {
    Q_OBJECT
private slots:
    void layersAndLight()
    {
        const Project project = film();
        const std::string recipe = "recipe." + project.recipes.front().name + ".light.";
        const auto made = withSettings(project, {{"layer.1.picture", "title.png"},
                                                 {"layer.1.depth", "0.5"},
                                                 {"layer.1.axis.roll", "off"},
                                                 {"layer.2.picture", "logo.png"},
                                                 {"layer.2.name", "Logo"},
                                                 {recipe + "flash.colour", "#ff8000"},
                                                 {recipe + "flash.strength", "40%"},
                                                 {"finish.cover", "breathing"},
                                                 {"finish.exposure", "-0.125"},
                                                 {"finish.show_blur", "off"}});
        QVERIFY2(made, made ? "" : sentence(made.error()).c_str());
        QCOMPARE(made->layers.size(), std::size_t{2});
        QCOMPARE(made->layers[0].depth, 0.5);
        QVERIFY(!made->layers[0].axis[static_cast<std::size_t>(Axis::roll)]);
        QCOMPARE(made->layers[1].name, std::string("Logo"));
        QCOMPARE(made->recipes.front().effects.flash.colour, 0xff8000U);
        QCOMPARE(made->recipes.front().effects.flash.strength, 0.4);
        QCOMPARE(made->finish.cover, CoverMode::breathing);
        QCOMPARE(made->finish.exposureShift, -0.125);
        QVERIFY(!made->finish.shown.blur);
        QVERIFY(withSettings(made.value(), settingsOf(made.value())).value() == made.value());
        for (const auto& [key, value] : std::initializer_list<Setting>{{"layer.3.picture", "late.png"},
                                                                       {"layer.1.depth", "1"},
                                                                       {"layer.1.picture", ""},
                                                                       {recipe + "flash.colour", "red"},
                                                                       {"finish.shutter_angle", "1441"}})
            QVERIFY2(!withSettings(project, {{key, value}}), key.c_str());
    }
    void everySettingListedCanBeSetToWhatItIs()
    {
        Project project = film();
        project.settles = {{Frame{5}, SettleMode::cut, 12}, {Frame{80}, SettleMode::ease, 7.5}};
        project.master.keys = {{Frame{0}, 0.5}, {Frame{9}, 1.5}};
        project.shots.front().move = {{Frame{3}, 1, 2.25, 1.5, -4, Ease::in}};
        std::get<Drawn>(project.recipes.back().strands[0].source).keys[1] = tidied({{4, -0.5, Ease::out}}, false);
        project.strikes[0].overrides.set("envelope.decay", 5);
        project.strikes[0].overrides.set("strand.Kick.muted", 1);
        project.strikes[1].group = "drums";
        project.strikes[1].direction.reset();
        const auto all = settingsOf(project);
        QVERIFY(all.size() > 300);
        const auto same = withSettings(project, all);
        QVERIFY2(same, same ? "" : sentence(same.error()).c_str());
        QVERIFY(same.value() == project);
        // And on a bare project they bring all of it but the texts of names.
        Project bare = film();
        bare.strikes[0].overrides.set("envelope.decay", 9);
        const auto made = withSettings(bare, all);
        QVERIFY2(made, made ? "" : sentence(made.error()).c_str());
        QVERIFY(made.value() == project);
    }
    void curvesAndMarksAreSet()
    {
        const auto next =
            set(film(), {"recipe.Dead weight.envelope.strength.curve=0:0:linear,2:1:curve:0.1:-0.2,20:0",
                         "recipe.Dead weight.strand.Kick.rate.curve=0:4,10:1", "recipe.Dead weight.play_rate=200%",
                         "recipe.Dead weight.pivot=point", "recipe.Dead weight.pivot_x=0.25",
                         "strike.2.own.light.flash.strength.curve=0:1,4:0", "strike.2.own.envelope.strength.curve=none",
                         "drift.rate_keys=0:0.5,100:2", "master.keys=0:1:smooth,50:4",
                         "settles=50:cut:strike.2,50:ease:6:group.a%2Cb,60:cut"});
        QVERIFY2(next, next ? "" : sentence(next.error()).c_str());
        const Project& p = next.value();
        const Recipe& recipe = *p.recipeNamed("Dead weight");
        QCOMPARE(recipe.envelope.curve().size(), std::size_t{3});
        QCOMPARE(recipe.envelope.curve()[1], (CurveKey{2, 1, Ease::curve, 0.1, -0.2}));
        QCOMPARE(curveOf(recipe, "strand.Kick.rate")->back().value, 1.0);
        QCOMPARE(recipe.playRate, 2.0);
        QVERIFY(recipe.pivot.at == Pivot::At::point);
        QVERIFY(p.strikes[1].overrides.curves().of("envelope.strength")->empty());
        QVERIFY(!recipeOf(p, p.strikes[1]).envelope.drawn());
        QCOMPARE(p.drift.rateKeys.size(), std::size_t{2});
        QVERIFY(p.master.keys[0].ease == Ease::smooth);
        QCOMPARE(p.settles[0].strike, p.strikes[1].id);
        QCOMPARE(p.settles[1].group, std::string("a,b"));
        // All of it is listed so that it can be set to what it is.
        const auto same = withSettings(p, settingsOf(p));
        QVERIFY2(same, same ? "" : sentence(same.error()).c_str());
        QVERIFY(same.value() == p);
        const auto back =
            set(p, {"strike.2.own.envelope.strength.curve=recipe", "recipe.Dead weight.envelope.strength.curve=none"});
        QVERIFY(back && !back->recipeNamed("Dead weight")->envelope.drawn());
        QVERIFY(back->strikes[1].overrides.curves().of("envelope.strength") == nullptr);
        for (const char* wrong : {"recipe.Dead weight.envelope.strength.curve=0:5", "settles=5:cut:strike.99",
                                  "recipe.Dead weight.strand.Kick.damping.curve=0:0.5", "drift.rate_keys=0:99",
                                  "recipe.Dead weight.envelope.strength.curve=0:1:wild"})
            QVERIFY2(!set(film(), {wrong}), wrong);
    }
    void valuesAreSet()
    {
        const auto next = set(film(), {"overlap.rule=restart",
                                       "overlap.ceiling=150%",
                                       "master.intensity=0.5",
                                       "master.axis.roll=off",
                                       "drift.on=on",
                                       "drift.amount.x=9",
                                       "finish.plain=#102030",
                                       "recipe.Dead weight.strand.Kick.amount.y=12",
                                       "recipe.Dead weight.envelope.decay=7",
                                       "recipe.v1.5 drawn.strand.Line.keys.y=6:-0.5:hold,12:0",
                                       "strike.*.strength=80%",
                                       "strike.1.frame=200",
                                       "strike.1.name=Last",
                                       "strike.2.frame=20",
                                       "strike.2.own.strand.Kick.rate=2",
                                       "strike.1.direction=seed",
                                       "strike.1.group=taps",
                                       "group.taps.rule=stronger",
                                       "strike.2.locked=on",
                                       "settles=50:cut,90:ease:6",
                                       "master.keys=10:1,0:0.25"});
        QVERIFY2(next, next ? "" : sentence(next.error()).c_str());
        const Project& p = next.value();
        QCOMPARE(p.overlap.rule, OverlapRule::restart);
        QCOMPARE(p.overlap.ceiling, 1.5);
        QVERIFY(!p.master.axis[static_cast<std::size_t>(Axis::roll)]);
        QVERIFY(p.drift.on);
        QCOMPARE(p.drift.amount[Axis::x], 9.0);
        QCOMPARE(p.finish.plain, (Colour{16, 32, 48}));
        QCOMPARE(readValue(*p.recipeNamed("Dead weight"), "strand.Kick.amount.y"), std::optional(12.0));
        const auto& keys = std::get<Drawn>(p.recipes.back().strands[0].source).keys[1];
        QCOMPARE(keys.size(), std::size_t{3}); // the peak's own key comes with them
        QCOMPARE(keys[1].ease, Ease::hold);
        // Strikes are counted as they stood before any of it.
        QCOMPARE(p.strikes[0].frame.index, 20);
        QCOMPARE(p.strikes[1].name, std::string("Last"));
        QCOMPARE(p.strikes[0].overrides["strand.Kick.rate"], std::optional(2.0));
        QVERIFY(p.strikes[0].locked && !p.strikes[1].direction);
        QCOMPARE(p.strikes[1].group, std::string("taps"));
        QCOMPARE(p.group("taps")->overlap.rule, OverlapRule::stronger);
        QCOMPARE(p.settles.size(), std::size_t{2});
        QCOMPARE(p.master.keys.front().value, 0.25);
        for (const Strike& strike : p.strikes)
            QCOMPARE(strike.strength, 0.8);
        const auto back = set(
            p, {"strike.1.own.strand.Kick.rate=recipe", "strike.1.recipe=Hard blow", "recipe.Hard blow.name=Anvil"});
        QVERIFY(back);
        QVERIFY(back->strikes[0].overrides.empty());
        QCOMPARE(back->recipe(back->strikes[0].recipe)->name, std::string("Anvil"));
    }
    void ownKeysAreSetAndListed()
    {
        const auto next = set(film(), {"strike.2.recipe=v1.5 drawn", "strike.2.own.strand.Line.keys.x=3:0.25:linear"});
        QVERIFY2(next, next ? "" : sentence(next.error()).c_str());
        const AxisKeys* keys = next->strikes[1].overrides.keysOf("Line");
        QVERIFY(keys != nullptr && (*keys)[0].back() == (CurveKey{3, 0.25, Ease::linear}));
        QVERIFY(std::get<Drawn>(next->recipes.back().strands[0].source).keys[0].empty());
        bool listed = false;
        for (const Setting& one : settingsOf(next.value()))
            listed = listed || (one.first == "strike.2.own.strand.Line.keys.x" &&
                                one.second.find("3:0.25:linear") != std::string::npos);
        QVERIFY(listed);
        const auto back = set(next.value(), {"strike.2.own.strand.Line.keys=recipe"});
        QVERIFY(back && back->strikes[1].overrides.empty());
        QVERIFY(!set(next.value(), {"strike.2.own.strand.Nobody.keys.x=3:0.25:linear"}));
        QVERIFY(!set(next.value(), {"strike.2.own.strand.Line.keys.x=nonsense"}));
    }
    void whatIsWrongIsToldAndNothingHalfDone_data()
    {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QByteArray>("wanted");
        for (const auto& [text, wanted] :
             {std::pair("overlap.rule=merge", "one of add, stronger, restart"),
              std::pair("overlap.ceiling=nan", "from 0.25 to 10"),
              std::pair("overlap.colour=1", "no such value"),
              std::pair("colour=1", "no such value"),
              std::pair("strike.0.strength=1", "no such value"),
              std::pair("strike.3.strength=1", "no such value"),
              std::pair("strike.1.strength=19", "from 0 to 10"),
              std::pair("strike.1.frame=300", "0 to 299"),
              std::pair("strike.1.recipe=None", "name of a recipe"),
              std::pair("strike.1.seed=-1", "whole number"),
              std::pair("strike.1.kind=quake", "blast, landing"),
              std::pair("strike.1.own.envelope.up=1", "no such value"),
              std::pair("strike.1.locked=maybe", "off, on"),
              std::pair("strike.1.direction=down", "degrees"),
              std::pair("recipe.Dead weight.strand.Kick.octaves=2", "no such value"),
              std::pair("recipe.Dead weight.strand.Rattle.octaves=2.5", "whole number from 1 to 8"),
              std::pair("recipe.Dead weight.name=Hard blow", "no other recipe"),
              std::pair("recipe.None.rotation=1", "no such value"),
              std::pair("recipe.v1.5 drawn.strand.Line.keys.y=1:2:3:4", "FRAME:VALUE:EASE"),
              std::pair("settles=5", "FRAME:cut"),
              std::pair("settles=5:cut,5:cut", "each frame once"),
              std::pair("master.keys=5:4.5", "FRAME:RATIO"),
              std::pair("move=1:2:3", "FRAME:X:Y"),
              std::pair("finish.plain=red", "colour")})
            QTest::addRow("%s", text) << QByteArray(text) << QByteArray(wanted);
    }
    void whatIsWrongIsToldAndNothingHalfDone()
    {
        QFETCH(QByteArray, text);
        QFETCH(QByteArray, wanted);
        const auto next = set(film(), {text.constData()});
        QVERIFY(!next);
        const auto told = QByteArray::fromStdString(sentence(next.error()));
        QVERIFY2(told.contains(wanted) && told.contains(text.left(text.indexOf('='))), told.constData());
    }
    void aSettingNeedsAnEqualsSign()
    {
        QVERIFY(!settingFromText("overlap.rule"));
        QVERIFY(!settingFromText("=3"));
        QCOMPARE(settingFromText("strike.1.name=a=b").value().second, std::string("a=b"));
    }
};

EMBER_TEST(SettingsTest)
#include "tst_settings.moc"
