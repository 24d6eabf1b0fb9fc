// SPDX-License-Identifier: GPL-3.0-or-later
// Recipes by their values: keys, own values of strikes, and what a recipe's switches do to the motion.
#include <cmath>
#include <set>

#include <QTest>

#include "ember/core/motion.h"
#include "ember/core/values.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;
using F = EnvelopeField;

namespace {

Recipe everySource()
{
    Recipe recipe;
    recipe.name = "All";
    for (std::size_t kind = 0; kind < sourceWords.size(); ++kind) {
        Strand strand;
        strand.name = "S." + std::to_string(kind); // a dot in a name must not confuse keys
        strand.source = sourceOfKind(kind);
        strand.amount[static_cast<Axis>(kind)] = 0.25;
        recipe.add(std::move(strand));
    }
    recipe.strands[1].envelope.emplace();
    return recipe;
}

Project filmOf(const Recipe& recipe, std::uint32_t seed = 1, std::optional<double> direction = 90)
{
    Project project;
    project.addShot(Shot{"none.mp4", 400});
    project.addRecipe(recipe);
    Strike strike;
    strike.frame = Frame{100};
    strike.direction = direction;
    strike.seed = seed;
    strike.recipe = 1;
    project.addStrike(strike);
    return project;
}

} // namespace

class RecipeTest : public QObject {
    Q_OBJECT
private slots:
    void everyKeyFindsItsValue()
    {
        Recipe recipe = everySource();
        std::set<std::string> keys;
        for (const std::string& key : keysOf(recipe)) {
            QVERIFY2(keys.insert(key).second, key.c_str());
            const FieldSpec* spec = specOfValue(recipe, key);
            QVERIFY2(spec != nullptr, key.c_str());
            const double was = readValue(recipe, key).value();
            QVERIFY2(inRange(*spec, was), key.c_str());
            if (key.ends_with(".source") || key.ends_with(".own_envelope"))
                continue;
            // Both ends can be set, what is beyond is moved inside, and nothing else changes.
            for (const double end : {spec->min, spec->max}) {
                Recipe changed = recipe;
                QVERIFY(setValue(changed, key, end == spec->min ? -1e12 : 1e12));
                QCOMPARE(readValue(changed, key), std::optional(end));
                setValue(changed, key, was);
                QVERIFY2(changed == recipe, key.c_str());
            }
        }
        QVERIFY(keys.size() > 150);
        for (const char* wrong : {"", "envelope", "envelope.", "strand.", "strand.S.0", "strand.S.0.",
                                  "strand.None.rate", "strand.S.0.octaves", "strand.S.0.envelope.decay", "positions"})
            QVERIFY2(specOfValue(recipe, wrong) == nullptr && !readValue(recipe, wrong) && !setValue(recipe, wrong, 1),
                     wrong);
    }
    void textsAndBack()
    {
        Recipe recipe = everySource();
        for (const std::string& key : keysOf(recipe)) {
            const FieldSpec& spec = *specOfValue(recipe, key);
            const double value = *readValue(recipe, key);
            QVERIFY2(valueFromText(spec, valueText(spec, value)) == std::optional(value), key.c_str());
            for (const char* wrong : {"", "much", "1e999", "nan", "inf", "12abc", "99999999999"})
                QVERIFY2(!valueFromText(spec, wrong), wrong);
        }
        QCOMPARE(valueFromText(strikefield::strength, "80%"), std::optional(0.8));
        QVERIFY(!valueFromText(strikefield::direction, "80%"));
        QCOMPARE(QString::fromStdString(valueWanted(specOf(F::anchor)).said()),
                 QString("one of contact, first_moved, peak"));
    }
    void ownValuesReplaceOnlyTheirs()
    {
        const Recipe recipe = everySource();
        Overrides own;
        own.set(F::decay, 7);
        own.set("strand.S.0.amount.x", 12);
        own.set("strand.S.2.source", 1); // a noise instead of a jitter
        own.set("strand.S.2.octaves", 5);
        own.set("strand.None.rate", 3); // no such strand: passed over
        const Recipe felt = withOverrides(recipe, own);
        QCOMPARE(felt.envelope[F::decay], 7.0);
        QCOMPARE(felt.strands[0].amount[Axis::x], 12.0);
        QCOMPARE(std::get<Noise>(felt.strands[2].source).octaves, 5);
        QCOMPARE(felt.strands[1], recipe.strands[1]);
        QCOMPARE(felt.strands[3], recipe.strands[3]);
        own.clear(F::decay);
        QVERIFY(!own[F::decay]);
        QVERIFY(withOverrides(recipe, {}) == recipe);
    }
    void strandsAreToldApart()
    {
        Recipe recipe;
        recipe.name = "R";
        for (int i = 0; i < 4; ++i)
            recipe.add({"Noise", Noise{}, Rate{}, test::amountOf(Axis::x, 1)});
        std::set<std::string> names;
        std::set<int> salts;
        for (const Strand& s : recipe.strands) {
            names.insert(s.name);
            salts.insert(s.salt);
        }
        QCOMPARE(names.size(), std::size_t{4});
        QCOMPARE(salts.size(), std::size_t{4});
    }
    void everySourcePeaksOnItsFrame_data()
    {
        QTest::addColumn<int>("kind");
        for (int kind = 0; kind < 5; ++kind)
            QTest::addRow("%s", std::string(sourceWords[static_cast<std::size_t>(kind)]).c_str()) << kind;
    }
    void everySourcePeaksOnItsFrame()
    {
        QFETCH(int, kind);
        for (std::uint32_t seed = 1; seed <= 1000; ++seed) {
            Envelope e;
            e.set(F::attack, seed % 4);
            e.set(F::anchor, seed % 3);
            e.set(F::lead, seed % 5);
            const auto axis = static_cast<Axis>(seed % 6);
            const double amount = axis == Axis::zoom ? 0.2 : 10;
            Recipe recipe =
                test::plainRecipe(sourceOfKind(static_cast<std::size_t>(kind)), test::amountOf(axis, amount), e);
            recipe.strands[0].intermittent.mode = seed % 2 != 0 ? IntermittentMode::seeded : IntermittentMode::off;
            // A kick along x or y; the rest by the seed.
            const Project project = filmOf(recipe, seed, axis == Axis::x ? 180.0 : 90.0);
            const Motion motion(project);
            const auto on = [&](double t) {
                const Pose p = motion.poseAt(t);
                return std::array{p.x, p.y, p.zoom - 1, p.roll, p.pan, p.tilt}[static_cast<std::size_t>(axis)];
            };
            QVERIFY(std::abs(std::abs(on(100 + e.peak())) - amount) < 1e-9);
            for (double t = 90; t < 140; t += 0.5)
                QVERIFY(std::abs(on(t)) <= amount + 1e-9);
            QVERIFY(motion.poseAt(100 + e.start() - 0.001).atRest());
            QVERIFY(motion.poseAt(100 + e.end()).atRest());
        }
    }
    void noStepIsLargerThanRateAndAmountAllow()
    {
        // A swing of amplitude A at f hertz moves at most 2πfA a second; the envelope adds its own slope.
        Envelope e;
        e.set(F::attack, 4);
        e.set(F::decay, 120);
        e.set(F::decaySlope, static_cast<double>(Slope::linear));
        e.set(F::rumble, 0);
        for (const double rest : {1.0, 10.0, 30.0})
            for (std::uint32_t seed = 1; seed < 40; ++seed) {
                Oscillation swing;
                Recipe recipe = test::plainRecipe(swing, test::amountOf(Axis::x, 10), e);
                recipe.strands[0].rate = {14, rest, 9};
                const Motion motion(filmOf(recipe, seed));
                const double fastest = std::max(14.0, rest) * 1.75; // while phases part
                double before = motion.poseAt(104).x;
                for (double t = 104.05; t < 220; t += 0.05) {
                    const double now = motion.poseAt(t).x;
                    QVERIFY(std::abs(now - before) <= 0.05 * 10 * (2 * M_PI * fastest / 24 + 1.0 / 120) + 1e-9);
                    before = now;
                }
            }
    }
    void axesOfEveryRandomSourceAreIndependent()
    {
        for (const Source& source : {Source(Noise{}), Source(Jitter{})}) {
            Envelope e;
            e.set(F::hold, 480);
            e.set(F::rumble, 1);
            e.set(F::rumbleLength, 20000);
            AxisValues amounts;
            for (const Axis axis : allAxes)
                amounts[axis] = axis == Axis::zoom ? 0.1 : 5;
            const Motion motion(filmOf(test::plainRecipe(source, amounts, e), 3, std::nullopt));
            std::array<std::array<double, 6>, 6> products{};
            for (double t = 110; t < 20000; t += 1) {
                const Pose p = motion.poseAt(t);
                const std::array values{p.x, p.y, (p.zoom - 1) * 50, p.roll, p.pan, p.tilt};
                for (std::size_t a = 0; a < 6; ++a)
                    for (std::size_t b = 0; b < 6; ++b)
                        products[a][b] += values[a] * values[b];
            }
            for (std::size_t a = 0; a < 6; ++a)
                for (std::size_t b = 0; b < a; ++b)
                    QVERIFY(std::abs(products[a][b]) < 0.1 * std::sqrt(products[a][a] * products[b][b]));
        }
    }
    void aStrandMayHaveItsOwnEnvelope()
    {
        Envelope slow;
        slow.set(F::attack, 10);
        slow.set(F::decay, 60);
        slow.set(F::rumble, 0);
        Envelope quick;
        quick.set(F::decay, 5);
        quick.set(F::rumble, 0);
        Recipe recipe = test::plainRecipe(Drawn{}, test::amountOf(Axis::zoom, 0.1), quick);
        recipe.strands[0].envelope = slow;
        const Motion motion(filmOf(recipe));
        QVERIFY(std::abs(motion.poseAt(110).zoom - 1.1) < 1e-12);
        QCOMPARE(motion.spans().front().end, 171.0);
        QVERIFY(motion.poseAt(150).zoom > 1);
        QVERIFY(std::abs(motion.intensityAt(110) - 1) < 1e-12);
    }
    void strikesDifferOrAreTheSame()
    {
        Recipe recipe = test::plainRecipe(Noise{}, test::amountOf(Axis::x, 10), Envelope());
        const auto at = [&](std::uint32_t seed) { return Motion(filmOf(recipe, seed)).poseAt(106).x; };
        QVERIFY(at(1) != at(2));
        recipe.variation = Variation::same;
        recipe.seed = 9;
        QCOMPARE(at(1), at(2));
    }
    void unequalLimitsKeepTheirSides()
    {
        Oscillation swing;
        swing.back[static_cast<std::size_t>(Axis::roll)] = 0.625;
        Envelope e;
        e.set(F::hold, 200);
        for (std::uint32_t seed = 1; seed < 60; ++seed) {
            const Motion motion(filmOf(test::plainRecipe(swing, test::amountOf(Axis::roll, -8), e), seed));
            double low = 0;
            double high = 0;
            for (double t = 100; t < 300; t += 0.25) {
                low = std::min(low, motion.poseAt(t).roll);
                high = std::max(high, motion.poseAt(t).roll);
            }
            QVERIFY(std::abs(low + 8) < 1e-9);
            QVERIFY(high > 4.8 && high <= 5 + 1e-9);
        }
    }
    void movingTellsWhereItMoves()
    {
        const Project project = filmOf(test::plainRecipe(Noise{}, test::amountOf(Axis::x, 10), Envelope()));
        const Motion motion(project);
        const auto moving = motion.moving(399);
        QCOMPARE(moving.size(), std::size_t{1});
        for (std::int64_t frame = 0; frame < 400; ++frame)
            if (frame < moving[0].first || frame > moving[0].last)
                QVERIFY(motion.poseAt(static_cast<double>(frame)).atRest());
        QVERIFY(motion.moving(50).empty());
    }
};

EMBER_TEST(RecipeTest)
#include "tst_recipe.moc"
