// SPDX-License-Identifier: GPL-3.0-or-later
// The strike's page and the Anvil over it: strands, own values, envelopes, seconds; by mouse and keyboard.
#include <cmath>

#include <QClipboard>
#include <QGuiApplication>
#include <QLabel>
#include <QMenu>
#include <QScrollArea>
#include <QToolButton>

#include "cut_texts.h"
#include "ember/core/values.h"
#include "player.h"
#include "runner.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;
using F = EnvelopeField;

class StrikePageTest : public test::WindowFixture {
    Q_OBJECT

    const Recipe& recipe() { return *project().recipe(session().selection.strike()->recipe); }
    const Strand& strand(std::size_t index) { return recipe().strands[index]; }
    void openStrand(std::size_t index)
    {
        showStrand(index);
        if (window_->findChild<QWidget*>(QStringLiteral("strand-details")) == nullptr)
            click("open-strand");
        turn();
    }
    std::function<QComboBox*()> listOf(const char* name)
    {
        return [this, name] { return within<QWidget>("strand-details", name)->findChild<QComboBox*>(); };
    }
    ValueField* number(const char* name) { return within<ValueControl>("strand-details", name)->field(); }
    void toggle(const char* name)
    {
        QTest::mouseClick(within<QWidget>("strand-details", name)->findChild<QAbstractButton*>(), Qt::LeftButton);
        turn();
    }

private slots:
    void anOpenedStrandIsSeen()
    {
        strikeOn(20, Qt::Key_2);
        openStrand(2);
        QCOMPARE(session().shaping.openStrand(), strand(2).name);
        auto* row = child<QWidget>("strand");
        QScrollArea* area = nullptr;
        for (QWidget* up = row; area == nullptr && up != nullptr; up = up->parentWidget())
            area = qobject_cast<QScrollArea*>(up);
        QVERIFY(area != nullptr);
        const QPoint top = row->mapTo(area->viewport(), QPoint(0, 0));
        QVERIFY2(top.y() >= 0 && top.y() < area->viewport()->height() / 2, qPrintable(QString::number(top.y())));
        // Nothing of a page is wider than the column.
        for (auto* page : window_->findChildren<QScrollArea*>())
            QVERIFY2(page == window_->centralWidget() ||
                         page->widget()->minimumSizeHint().width() <= page->viewport()->width(),
                     qPrintable(QString::number(page->widget()->minimumSizeHint().width())));
        click("open-strand"); // closes it again
        QVERIFY(window_->findChild<QWidget*>(QStringLiteral("strand-details")) == nullptr);
    }
    void sourcesAreChosenAndSwingBetweenTwoLimits()
    {
        strikeOn(20, Qt::Key_2);
        openStrand(1);
        choose(listOf("source"), QStringLiteral("oscillation"));
        QVERIFY(std::holds_alternative<Oscillation>(strand(1).source));
        QVERIFY(!strand(1).name.empty());
        for (const std::size_t other : {0U, 2U}) {
            QTest::mouseClick(&canvas(), Qt::LeftButton, {},
                              lanePartsAt(canvas().layoutNow(), other).on.center().toPoint());
            QVERIFY(strand(other).muted);
        }
        type(child<ValueField>("swing-from-roll"), QStringLiteral("-8"));
        type(child<ValueField>("swing-to-roll"), QStringLiteral("5"));
        QCOMPARE(strand(1).amount[Axis::roll], -8.0);
        double low = 0;
        double high = 0;
        for (double frame = 20; frame < 110; frame += 0.05) {
            const double roll = session().document.motion().poseAt(frame).roll;
            low = std::min(low, roll);
            high = std::max(high, roll);
        }
        const double strength = session().selection.strike()->strength;
        QVERIFY2(std::abs(low + 8 * strength) < 1e-9, qPrintable(QString::number(low)));
        QVERIFY2(high > 1 && high <= 5 * strength + 1e-9, qPrintable(QString::number(high)));
        QCOMPARE(child<ValueField>("swing-to-roll")->shownText(), QStringLiteral("5°"));
        type(child<ValueField>("swing-phase-roll"), QStringLiteral("90"));
        QCOMPARE(readValue(recipe(), "strand." + strand(1).name + ".phase.roll"), std::optional(90.0));
    }
    void everySourceHasItsValues()
    {
        strikeOn(20, Qt::Key_2);
        openStrand(0); // the kick
        type(number("damping"), QStringLiteral("0.5"));
        QCOMPARE(std::get<Kick>(strand(0).source).damping, 0.5);
        type(child<ValueField>("rebounds"), QStringLiteral("6"));
        QVERIFY(std::abs(reboundsOf(std::get<Kick>(strand(0).source).damping) - 6) < 1e-6);
        type(within<ValueControl>("strand", "rate")->field(), QStringLiteral("9"));
        QCOMPARE(strand(0).rate.peakHz, 9.0);
        choose(listOf("source"), QStringLiteral("jitter"));
        type(number("every"), QStringLiteral("3"));
        QCOMPARE(std::get<Jitter>(strand(0).source).every, 3.0);
        choose(listOf("source"), QStringLiteral("noise"));
        type(number("octaves"), QStringLiteral("7"));
        type(number("loop"), QStringLiteral("12"));
        QCOMPARE(std::get<Noise>(strand(0).source).octaves, 7.0);
        QCOMPARE(std::get<Noise>(strand(0).source).loop, 12.0);
        type(number("octaves"), QStringLiteral("8"));
        QCOMPARE(std::get<Noise>(strand(0).source).octaves, 8.0);
        // Ctrl+click goes to the default.
        QTest::mouseClick(number("octaves"), Qt::LeftButton, Qt::ControlModifier);
        QCOMPARE(std::get<Noise>(strand(0).source).octaves, 2.0);
    }
    void burstsPauseTheStrand()
    {
        strikeOn(20, Qt::Key_2);
        openStrand(2);
        toggle("solo");
        const QRect lane = canvas().layoutNow().lanes[2].toRect();
        const QImage before = canvas().grab(lane).toImage();
        choose(listOf("intermittent"), QStringLiteral("set"));
        type(number("moves"), QStringLiteral("5"));
        type(number("rests"), QStringLiteral("7"));
        QCOMPARE(strand(2).intermittent.rests, 7.0);
        int still = 0;
        for (int frame = 22; frame < 100; ++frame)
            still += session().document.motion().poseAt(frame).atRest() ? 1 : 0;
        QVERIFY2(still > 20 && still < 60, qPrintable(QString::number(still)));
        QVERIFY(canvas().grab(lane).toImage() != before);
    }
    void aStrandOfItsOwnIsShapedOnTheAnvil()
    {
        strikeOn(20, Qt::Key_2);
        const Envelope whole = recipe().envelope;
        openStrand(1);
        toggle("own_envelope");
        QVERIFY(strand(1).envelope && *strand(1).envelope == whole); // it begins as the recipe's
        const auto labels = window_->anvil().findChildren<QLabel*>();
        QVERIFY(std::any_of(labels.begin(), labels.end(), [&](QLabel* l) {
            return l->text() == QStringLiteral("strand ") + QString::fromStdString(strand(1).name);
        }));
        const AnvilLayout layout = canvas().layoutNow();
        drag(&canvas(), handle(Handle::hold), layout.at(6, 1).toPoint());
        QCOMPARE((*strand(1).envelope)[F::hold], 5.0);
        QCOMPARE(recipe().envelope, whole);
        type(child<ValueField>("envelope-decay"), QStringLiteral("44"));
        QCOMPARE((*strand(1).envelope)[F::decay], 44.0);
        showStrand(1); // closed: the recipe's again
        QCOMPARE(child<ValueField>("envelope-decay")->value(), whole[F::decay]);
        session().document.undo();
        session().document.undo();
        session().document.undo();
        QVERIFY(!strand(1).envelope);
    }
    void motionBecomesKeys()
    {
        strikeOn(20, Qt::Key_1);
        const Motion before(project());
        key(Qt::Key_K, Qt::ControlModifier);
        settle();
        QCOMPARE(recipe().strands.size(), std::size_t{1});
        QVERIFY(std::get<Drawn>(strand(0).source).asDrawn);
        const Motion after(project());
        for (int frame = 18; frame < 60; ++frame)
            QVERIFY(std::abs(before.poseAt(frame).y - after.poseAt(frame).y) <= 0.1);
        session().document.undo();
        openStrand(1);
        click("strand-to-keys");
        settle();
        turn();
        QVERIFY(std::holds_alternative<Drawn>(strand(1).source));
        QVERIFY(!std::holds_alternative<Drawn>(strand(0).source));
    }
    void keysAreMadeOfWhatIsThereWhenTheyAreDone()
    {
        strikeOn(20, Qt::Key_1);
        key(Qt::Key_K, Qt::ControlModifier);
        QVERIFY(session().busy.working());
        key(Qt::Key_Right, Qt::AltModifier); // moved by a frame before the keys are there
        QCOMPARE(project().strikes.front().frame.index, std::int64_t{21});
        settle();
        QCOMPARE(project().strikes.front().frame.index, std::int64_t{21});
        QVERIFY(std::get<Drawn>(strand(0).source).asDrawn);
        session().document.undo();
        // Stopped, it changes nothing.
        const Project before = project();
        key(Qt::Key_K, Qt::ControlModifier);
        child<QAbstractButton>("busy-stop")->click();
        settle();
        if (project() != before) // it was done already
            session().document.undo();
        QVERIFY(project() == before);
    }
    void whatIsWaitedForIsShownWithItsProgress()
    {
        QSemaphore go;
        std::atomic<bool> stopped{false};
        session().busy.begin(
            QStringLiteral("Reading night.mp4"),
            [&](const Progress& progress) -> Status {
                while (progress(0.4))
                    QThread::msleep(1);
                stopped = true;
                return Error{ErrorCode::cancelled, "", ""};
            },
            [](const Status&) {});
        auto* bar = child<QWidget>("busy");
        QTRY_VERIFY(bar->isVisible());
        QCOMPARE(bar->findChild<QLabel*>()->text(), QStringLiteral("Reading night.mp4"));
        QTRY_COMPARE(bar->findChild<QProgressBar*>()->value(), 400);
        click("busy-stop");
        QTRY_VERIFY(!bar->isVisible());
        QVERIFY(stopped);
    }
    void strandsAreAddedCopiedOrderedAndDeleted()
    {
        strikeOn(20, Qt::Key_2);
        const auto count = recipe().strands.size();
        for (QAction* action : child<QToolButton>("add-strand")->menu()->actions())
            if (action->text() == QStringLiteral("noise"))
                action->trigger();
        turn();
        QCOMPARE(recipe().strands.size(), count + 1);
        QCOMPARE(session().shaping.openStrand(), recipe().strands.back().name);
        auto* name = within<QLineEdit>("strand-details", "strand-name");
        name->setFocus();
        name->selectAll();
        QTest::keyClicks(name, QStringLiteral("Hum"));
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(recipe().strands.back().name, std::string("Hum"));
        click("strand-copy");
        click("strand-up");
        QCOMPARE(recipe().strands[count - 1].name, std::string("Hum"));
        strikeOn(60, Qt::Key_1); // another recipe
        const auto other = recipe().strands.size();
        child<QToolButton>("add-strand")->menu()->findChild<QAction*>(QStringLiteral("paste-strand"))->trigger();
        turn();
        QCOMPARE(recipe().strands.size(), other + 1);
        QCOMPARE(recipe().strands.back().name, std::string("Hum"));
        QGuiApplication::clipboard()->setText(QStringLiteral("nothing of ours"));
        child<QToolButton>("add-strand")->menu()->findChild<QAction*>(QStringLiteral("paste-strand"))->trigger();
        turn();
        QCOMPARE(recipe().strands.size(), other + 1);
        QVERIFY(!child<QLabel>("told")->text().isEmpty());
        click("strand-duplicate");
        QCOMPARE(recipe().strands.size(), other + 2);
        QVERIFY(recipe().strands[other].salt != recipe().strands[other + 1].salt);
        click("strand-delete");
        QCOMPARE(recipe().strands.size(), other + 1);
        while (session().document.history().canUndo())
            session().document.undo();
        QVERIFY(project().strikes.empty());
    }
    void ownValuesAreMarkedAndGivenBack()
    {
        strikeOn(20);
        strikeOn(60);
        const RecipeId shared = recipe().id;
        click("shape-scope"); // for this strike
        showStrand(0);
        auto* amount = within<ValueField>("strand", "amount-y");
        const double before = amount->value();
        const QImage unmarked = amount->grab().toImage();
        drag(amount, {10, 10}, {46, 10});
        QVERIFY(amount->value() > before);
        QVERIFY(session().shaping.isOwn("strand." + strand(0).name + ".amount.y"));
        QCOMPARE(project().recipe(shared)->strands[0].amount[Axis::y], before);
        QVERIFY(amount->toolTip().contains(QStringLiteral("recipe's value")));
        QTest::mouseClick(within<QAbstractButton>("strand", "strand-on"), Qt::LeftButton);
        QCOMPARE(within<QAbstractButton>("strand", "strand-on")->text(), QStringLiteral("on *"));
        QVERIFY(session().document.motion().poseAt(21).y != session().document.motion().poseAt(61).y);
        // Back by Ctrl+click, one value; the rest stays.
        QTest::mouseClick(amount, Qt::LeftButton, Qt::ControlModifier);
        QCOMPARE(amount->value(), before);
        QVERIFY(!session().shaping.isOwn("strand." + strand(0).name + ".amount.y"));
        QVERIFY(session().shaping.isOwn("strand." + strand(0).name + ".muted"));
        key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(session().shaping.isOwn("strand." + strand(0).name + ".amount.y"));
        click("follow-recipe");
        QVERIFY(session().selection.strike()->overrides.empty());
        amount->clearFocus();
        QTest::mouseMove(window_.get(), {5, 5});
    }
    void aStrikeGetsItsOwnRecipe()
    {
        strikeOn(20);
        strikeOn(60);
        click("shape-scope");
        emit child<ValueField>("envelope-hold")->wished(9, 0);
        const double felt = session().document.motion().poseAt(66).y;
        const RecipeId before = recipe().id;
        showRecipeMore();
        click("own-recipe");
        QVERIFY(recipe().id != before);
        QCOMPARE(recipe().envelope[F::hold], 9.0);
        QVERIFY(session().selection.strike()->overrides.empty());
        QCOMPARE(session().document.motion().poseAt(66).y, felt); // nothing moves otherwise
        QCOMPARE(project().strikes[0].recipe, before);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(recipe().id, before);
    }
    void longNamesOfRecipesDoNotWidenThePage()
    {
        strikeOn(20, Qt::Key_3);
        Project named = project();
        named.recipes.front().name = "A recipe with a name that goes on and on for the whole width of the column";
        session().document.edit(named, QStringLiteral("named"));
        turn();
        auto* page = child<QWidget>("strike-place")->parentWidget();
        QVERIFY2(page->minimumSizeHint().width() <= 388, qPrintable(QString::number(page->minimumSizeHint().width())));
    }
    void wordsThatArePassedAreOneStep()
    {
        strikeOn(20, Qt::Key_3);
        const Project before = project();
        choose([this] { return child<QComboBox>("strike-kind"); }, QStringLiteral("Blast")); // over "Landing"
        QCOMPARE(project().strikes[0].kind, StrikeKind::blast);
        session().document.undo();
        QVERIFY(project() == before);
        choose([this] { return child<QComboBox>("strike-recipe"); },
               QString::fromStdString(project().recipes.back().name));
        QVERIFY(project().strikes[0].recipe == project().recipes.back().id);
        session().document.undo();
        QVERIFY(project() == before);
    }
    void anApprovedVariationIsLocked()
    {
        strikeOn(20);
        const auto seed = project().strikes[0].seed;
        key(Qt::Key_N, Qt::ShiftModifier);
        QVERIFY(project().strikes[0].locked);
        key(Qt::Key_N);
        click("new-variation");
        QCOMPARE(project().strikes[0].seed, seed);
        QVERIFY(!child<ValueField>("strike-seed")->isEnabled());
        QVERIFY(child<ValueField>("strike-seed")->toolTip().contains(QStringLiteral("locked")));
        click("lock-variation");
        key(Qt::Key_N);
        QVERIFY(project().strikes[0].seed != seed);
    }
    void strikesOfARecipeMayBeTheSame()
    {
        strikeOn(20);
        strikeOn(60);
        QVERIFY(session().document.motion().poseAt(24).x != session().document.motion().poseAt(64).x);
        emit child<QComboBox>("strike-recipe")->activated(0);
        choose([this] { return child<ValueControl>("variation")->findChild<QComboBox*>(); }, QStringLiteral("same"));
        QCOMPARE(recipe().variation, Variation::same);
        showRecipeMore();
        type(within<ValueControl>("recipe-values", "seed")->field(), QStringLiteral("77"));
        QCOMPARE(recipe().seed, 77u);
        for (int i = 0; i < 20; ++i) {
            const Pose a = session().document.motion().poseAt(20 + i);
            const Pose b = session().document.motion().poseAt(60 + i);
            if (project().strikes[0].recipe == project().strikes[1].recipe && i < 10)
                QCOMPARE(a, b);
        }
        type(child<ValueControl>("position")->field(), QStringLiteral("50"));
        QCOMPARE(recipe().position, 0.5);
    }
    void lengthsInSeconds()
    {
        strikeOn(20, Qt::Key_2);
        auto* decay = child<ValueField>("envelope-decay");
        QCOMPARE(decay->shownText(), QStringLiteral("22 f"));
        window_->anvil().toggleSeconds();
        QCOMPARE(decay->shownText(), QStringLiteral("0.92 s"));
        type(decay, QStringLiteral("0.5"));
        QCOMPARE(recipe().envelope[F::decay], 12.0);
        type(decay, QStringLiteral("30 f"));
        QCOMPARE(recipe().envelope[F::decay], 30.0);
        key(Qt::Key_T, Qt::ShiftModifier);
        QCOMPARE(decay->shownText(), QStringLiteral("30 f"));
        type(decay, QStringLiteral("2 s"));
        QCOMPARE(recipe().envelope[F::decay], 48.0);
        type(decay, QStringLiteral("soon"));
        QCOMPARE(recipe().envelope[F::decay], 48.0);
    }
    void decaysAreCompared()
    {
        strikeOn(20, Qt::Key_2);
        const double curve = recipe().envelope[F::decayCurve];
        const QImage fast = canvas().grab().toImage();
        click("decay-linear");
        QCOMPARE(recipe().envelope.chosen<Slope>(F::decaySlope), Slope::linear);
        QVERIFY(std::abs(intensityAt(recipe().envelope, 13) - (1 + recipe().envelope[F::rumble]) / 2) < 1e-9);
        QVERIFY(canvas().grab().toImage() != fast); // painted in the same turn
        click("decay-constant");
        QCOMPARE(intensityAt(recipe().envelope, 22), 1.0);
        QVERIFY(child<QAbstractButton>("decay-constant")->isChecked() &&
                !child<QAbstractButton>("decay-fast")->isChecked());
        click("decay-fast");
        QCOMPARE(recipe().envelope[F::decayCurve], curve);
        QVERIFY(child<QAbstractButton>("decay-fast")->isChecked());
        QTest::mouseMove(window_.get(), {5, 5});
        // Pulling the bend of a straight decay makes it one that bends.
        click("decay-linear");
        drag(&canvas(), handle(Handle::curve), handle(Handle::curve) + QPoint(0, 12));
        QCOMPARE(recipe().envelope.chosen<Slope>(F::decaySlope), Slope::exponential);
        QVERIFY(recipe().envelope[F::decayCurve] > 0);
    }
    void everyEnvelopeValueIsANumberOrAList()
    {
        strikeOn(20, Qt::Key_2);
        for (const F field : envelopeFields()) {
            const FieldSpec& spec = specOf(field);
            const QString name =
                QStringLiteral("envelope-") + QString::fromUtf8(spec.key.data(), static_cast<int>(spec.key.size()));
            const double wanted = spec.choices.empty() ? std::clamp(spec.fallback + spec.step, spec.min, spec.max) : 1;
            if (spec.choices.empty())
                emit child<ValueField>(qPrintable(name))->wished(wanted, 0);
            else
                choose([&] { return child<ValueControl>(qPrintable(name))->findChild<QComboBox*>(); },
                       QString::fromUtf8(spec.choices[1].data()).replace(QLatin1Char('_'), QLatin1Char(' ')));
            QVERIFY2(recipe().envelope[field] == wanted, qPrintable(name));
        }
        // A length that another value has taken over says so.
        QVERIFY(!child<ValueField>("envelope-rumble_length")->isEnabled());
        QVERIFY(child<ValueField>("envelope-rumble_length")->toolTip().contains(QStringLiteral("next strike")));
    }
    void theLeadAndTheFixedPeakAreDragged()
    {
        strikeOn(30, Qt::Key_2);
        AnvilLayout layout = canvas().layoutNow();
        drag(&canvas(), handle(Handle::lead), layout.at(-2, 0).toPoint());
        QCOMPARE(recipe().envelope[F::lead], 2.0);
        layout = canvas().layoutNow();
        drag(&canvas(), handle(Handle::leadLevel), layout.at(-1, 0.3).toPoint());
        QVERIFY(std::abs(recipe().envelope[F::leadLevel] - 0.3) < 0.03);
        QVERIFY(session().document.motion().poseAt(29).y * session().document.motion().poseAt(31).y <
                0); // the other way first
        choose([this] { return child<ValueControl>("envelope-anchor")->findChild<QComboBox*>(); },
               QStringLiteral("peak"));
        layout = canvas().layoutNow();
        drag(&canvas(), handle(Handle::onset), layout.at(-4, 0).toPoint());
        QCOMPARE(recipe().envelope[F::attack], 4.0);
        QCOMPARE(recipe().envelope.peak(), 0.0);
    }
    void strandsHaveLanesOnTheAnvil()
    {
        strikeOn(20, Qt::Key_2);
        QCOMPARE(canvas().layoutNow().lanes.size(), std::size_t{3});
        const QRect row = canvas().layoutNow().lanes[1].toRect();
        const QImage before = canvas().grab(row).toImage();
        showStrand(1);
        emit within<ValueField>("strand", "amount-x")->wished(60, 0);
        QVERIFY(canvas().grab(row).toImage() != before);
        key(Qt::Key_T);
        QCOMPARE(canvas().layoutNow().lanes.size(), std::size_t{1}); // the whole motion
        window_->close();                                            // and stay as they were left
        begin();
        QVERIFY(!canvas().strandsShown());
    }
    void valuesChangeWhileItLoops()
    {
        strikeOn(20, Qt::Key_2);
        session().playhead.setLoop({18, 30, true});
        key(Qt::Key_Space);
        QVERIFY(window_->player().playing());
        QTest::qWait(200);
        emit within<ValueField>("strand", "amount-y")->wished(90, 0);
        QCOMPARE(strand(0).amount[Axis::y], 90.0);
        QTest::qWait(200);
        QVERIFY(window_->player().playing());
        key(Qt::Key_Space);
    }
};

EMBER_TEST(StrikePageTest)
#include "tst_strike_page.moc"
