// SPDX-License-Identifier: GPL-3.0-or-later
// The live bench worked with mouse, keys and messages: what is struck is seen, told, recorded, and ends at rest.
#include <cmath>
#include <cstring>

#include <QCheckBox>
#include <QFile>
#include <QLabel>
#include <QListWidget>

#include "actions.h"
#include "ember/live/osc_door.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shipped_recipes.h"
#include "live_picture.h"
#include "live_window.h"
#include "pad_board.h"
#include "part_fixture.h"
#include "runner.h"
#include "top_view.h"
#include "value_control.h"
#include "value_field.h"

using namespace ember;
using namespace ember::app;

class LiveTest : public test::SessionFixture {
    Q_OBJECT

    LiveWindow* live() { return child<LiveWindow>("live-window"); }
    LiveRunner& runner() { return live()->runner(); }
    PadBoard& pads() { return live()->pads(); }
    QListWidget* log() { return within<QListWidget>("live-window", "live-log"); }
    void openLive(const char* ground = "the test chart")
    {
        auto* window = new LiveWindow(session(), answered(), root());
        window->show();
        window->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window));
        turn();
        QVERIFY(live()->isVisible() && runner().running());
        choose([this] { return within<QComboBox>("live-window", "live-ground"); }, QLatin1String(ground));
        pads().setFocus();
        QTRY_VERIFY(!live()->picture().picture().isNull());
        QTest::qWait(150); // the cover is found
    }
    /// From here on time stands still but where it is passed.
    void holdClock()
    {
        const auto begin = runner().moment();
        passed_ = {};
        runner().setClock([this, begin] { return begin + passed_; });
    }
    /// So much time goes by, and what is due then is done.
    void pass(int milliseconds)
    {
        passed_ += std::chrono::milliseconds(milliseconds);
        int ticks = 0;
        const auto counted = connect(&runner(), &LiveRunner::ticked, this, [&ticks] { ++ticks; });
        QTRY_VERIFY(ticks > 0);
        disconnect(counted);
    }
    LiveRunner::Clock::duration passed_{};
    QPoint onPad(std::size_t pad, double share)
    {
        const QRectF box = pads().layoutNow().pad(pad);
        return QPointF(box.center().x(), box.bottom() - box.height() * (0.1 + 0.8 * share)).toPoint();
    }
    void press(const char* name)
    {
        bringIntoView(within<QAbstractButton>("live-window", name));
        QTest::mouseClick(within<QAbstractButton>("live-window", name), Qt::LeftButton);
        turn();
    }
    /// How many pixels the chart's bright middle line stands from where it stands at rest, upright.
    double moved(const QImage& picture) const
    {
        const int x = picture.width() / 2 + picture.height() / 40 + 3;
        int brightest = 0;
        for (int y = 0; y < picture.height(); ++y)
            if (qGray(picture.pixel(x, y)) > qGray(picture.pixel(x, brightest)))
                brightest = y;
        return std::abs(brightest - picture.height() / 2.0);
    }
    bool atRest()
    {
        return QTest::qWaitFor([&] { return runner().bench().silent(runner().now()); }, test::patience);
    }
    Recipe& landing(Project& project)
    {
        return *project.recipe(project.recipeNamed(starterRecipeName(StrikeKind::landing))->id);
    }
    std::size_t padOf(StrikeKind kind)
    {
        const Board board = boardOf(project());
        for (std::size_t i = 0; i < board.pads.size(); ++i)
            if (board.pads[i].kind == kind)
                return i;
        return 99;
    }
    std::unique_ptr<OscSender> listening()
    {
        within<QLineEdit>("live-window", "live-listen-at")->setText(QStringLiteral("127.0.0.1:0"));
        press("live-listen");
        return runner().listening() ? OscSender::open({"127.0.0.1", runner().listeningPort()}).value() : nullptr;
    }

private slots:
    void padsLieBesideEachOther()
    {
        for (const std::size_t count : {1u, 4u, 5u, 6u, 10u}) {
            const PadLayout layout{QSizeF(600, 190), count};
            for (std::size_t i = 0; i < count; ++i) {
                QVERIFY(QRectF(0, 0, 600, 190).contains(layout.pad(i)));
                QCOMPARE(layout.padAt(layout.pad(i).center()), static_cast<int>(i));
                for (std::size_t j = 0; j < i; ++j)
                    QVERIFY(!layout.pad(i).intersects(layout.pad(j)));
                QCOMPARE(layout.shareAt(i, layout.pad(i).topLeft()), 1.0);
                QVERIFY(std::abs(layout.shareAt(i, layout.pad(i).bottomLeft()) - 0.1) < 1e-9);
                QVERIFY(std::abs(layout.shareAt(i, layout.pad(i).center()) - 0.55) < 1e-9);
            }
            QCOMPARE(layout.padAt({-5, 5}), -1);
        }
    }
    void aPressOfAKeyIsSeen()
    {
        openLive();
        QVERIFY(moved(live()->picture().picture()) < 2);
        const auto pad = padOf(StrikeKind::landing);
        holdClock();
        QTest::keyClick(&pads(), static_cast<Qt::Key>(Qt::Key_1 + static_cast<int>(pad)));
        QCOMPARE(log()->count(), 1);
        QVERIFY(log()->item(0)->text().contains(QStringLiteral("100 %: felt")));
        pass(60); // a frame and a half: its peak
        QTRY_VERIFY(moved(live()->picture().picture()) > 4);
        QTRY_VERIFY(!live()->latencies().empty());
        pass(20'000);
        // And it ends where it was, exactly.
        QVERIFY(atRest());
        QVERIFY(runner().bench().at(runner().now()) == MotionSample());
        QTRY_VERIFY(moved(live()->picture().picture()) < 2);
    }
    void whereThePadIsStruckIsHowHard()
    {
        openLive();
        const auto pad = padOf(StrikeKind::landing);
        std::vector<double> strengths;
        connect(&runner(), &LiveRunner::struck, this,
                [&](int, const QString&, const Outcome& outcome) { strengths.push_back(outcome.strength); });
        holdClock();
        for (const double share : {1.0, 0.5, 0.0}) {
            QTest::mouseClick(&pads(), Qt::LeftButton, {}, onPad(pad, share));
            pass(60);
        }
        QCOMPARE(strengths.size(), std::size_t{3});
        QVERIFY(strengths[0] > 0.99 && std::abs(strengths[1] - 0.55) < 0.03 && strengths[2] < 0.13);
        // A key with Shift is half; a held key repeats and is still one press; a right click chooses only.
        QTest::keyClick(&pads(), static_cast<Qt::Key>(Qt::Key_1 + static_cast<int>(pad)), Qt::ShiftModifier);
        QCOMPARE(strengths.back(), 0.5);
        QKeyEvent held(QEvent::KeyPress, Qt::Key_1, {}, QStringLiteral("1"), true);
        QCoreApplication::sendEvent(&pads(), &held);
        QTest::mouseClick(&pads(), Qt::RightButton, {}, onPad(0, 1));
        QCOMPARE(strengths.size(), std::size_t{4});
        QCOMPARE(pads().chosen(), 0);
    }
    void hammeringNeitherDriftsNorPilesUp()
    {
        openLive();
        for (int i = 0; i < 60; ++i) {
            QTest::keyClick(&pads(), Qt::Key_1);
            QTest::keyClick(&pads(), Qt::Key_2);
            QTest::qWait(33);
            const MotionSample now = runner().bench().at(runner().now());
            QVERIFY(now.intensity <= 1.0 + 1e-9);
            QVERIFY(std::hypot(now.pose.x, now.pose.y) < 300);
        }
        QVERIFY(runner().bench().held() < 200);
        QVERIFY(log()->count() <= 200);
        QVERIFY(atRest());
        QVERIFY(runner().bench().at(runner().now()) == MotionSample());
    }
    void whatIsSeenIsWhatTheFilmWouldShow()
    {
        // A press, recorded, and the film with it: the same picture on the same frame.
        openLive("a still frame");
        session().playhead.setFrame(20);
        choose([this] { return within<QComboBox>("live-window", "live-ground"); }, QStringLiteral("a still frame"));
        pads().setFocus();
        press("live-record");
        QVERIFY(runner().recording());
        QTest::keyClick(&pads(), Qt::Key_2);
        const Project bench = runner().bench().project();
        QTest::keyClick(&pads(), Qt::Key_R);
        QVERIFY(!runner().recording());
        QCOMPARE(project().strikes.size(), std::size_t{1});
        const Strike& recorded = project().strikes[0];
        QVERIFY(recorded.frame.index >= 20 && recorded.frame.index < 60);
        QVERIFY(session().selection.contains(recorded.id));
        const Motion film(project());
        const Motion was(bench);
        const auto off = static_cast<double>(recorded.frame.index - bench.strikes.at(0).frame.index);
        for (double since = 0; since < 60; since += 0.5) {
            const auto at = static_cast<double>(recorded.frame.index) + since;
            QVERIFY(film.at(at) == was.at(at - off));
        }
        session().document.undo();
        QVERIFY(project().strikes.empty());
    }
    void presssesAreRecordedOnBeats()
    {
        Project with = project();
        with.beats = BeatGrid{120, 0, 4, 0};
        session().document.edit(with, QStringLiteral("tempo"));
        openLive("the playing film");
        choose([this] { return within<QComboBox>("live-window", "live-quantise"); }, QStringLiteral("to beats"));
        pads().setFocus();
        QTest::keyClick(&pads(), Qt::Key_R);
        holdClock();
        for (int i = 0; i < 3; ++i) {
            QTest::keyClick(&pads(), Qt::Key_1);
            pass(520);
        }
        QTest::keyClick(&pads(), Qt::Key_R);
        QCOMPARE(project().strikes.size(), std::size_t{3});
        for (const Strike& strike : project().strikes)
            QCOMPARE(strike.frame.index % 12, 0);
        // Closing the window ends a recording and keeps it.
        const auto count = project().strikes.size();
        QTest::keyClick(&pads(), Qt::Key_R);
        pass(200);
        QTest::keyClick(&pads(), Qt::Key_2);
        live()->close();
        turn();
        QCOMPARE(project().strikes.size(), count + 1);
        QVERIFY(!runner().running());
    }
    void valuesAreTurnedWhileItRuns()
    {
        openLive();
        holdClock();
        QTest::keyClick(&pads(), Qt::Key_3);
        type(within<ValueControl>("live-intensity", "intensity")->field(), QStringLiteral("50"));
        QCOMPARE(runner().bench().intensity(), 0.5);
        choose(
            [this] {
                return child<QWidget>("live-rules")
                    ->findChild<QWidget*>(QStringLiteral("rule"))
                    ->findChild<QComboBox*>();
            },
            QStringLiteral("stronger"));
        QCOMPARE(runner().bench().project().overlap.rule, OverlapRule::stronger);
        QCOMPARE(runner().bench().intensity(), 0.5); // the knob stays
        QVERIFY(runner().bench().held() > 0);        // and what runs goes on
        pads().setFocus();
        QTest::keyClick(&pads(), Qt::Key_3);
        pass(120);
        QTest::mouseClick(&pads(), Qt::LeftButton, {}, onPad(0, 0.05));
        QVERIFY(log()->item(0)->text().contains(QStringLiteral("hidden")));
        // Stop all: at once.
        QTest::keyClick(&pads(), Qt::Key_X);
        QVERIFY(runner().bench().at(runner().now()) == MotionSample());
    }
    void theStateSwapsAllPadsAtOnce()
    {
        openLive();
        QTest::mouseClick(&pads(), Qt::RightButton, {}, onPad(0, 1));
        choose([this] { return within<QComboBox>("pad-editor", "pad-recipe-1"); },
               QString::fromStdString(project().recipes[2].name));
        QCOMPARE(project().board.pads.at(0).recipes[1], project().recipes[2].id);
        RecipeId struckRecipe = 0;
        connect(&runner(), &LiveRunner::struck, this, [&](int, const QString&, const Outcome& outcome) {
            if (const Strike* strike = runner().bench().project().strike(outcome.id))
                struckRecipe = strike->recipe;
        });
        pads().setFocus();
        QTest::keyClick(&pads(), Qt::Key_1);
        QCOMPARE(struckRecipe, project().recipes[0].id);
        QTest::keyClick(&pads(), Qt::Key_N);
        QVERIFY(within<QAbstractButton>("live-window", "state-1")->isChecked());
        QTest::qWait(80);
        QTest::keyClick(&pads(), Qt::Key_1);
        QCOMPARE(struckRecipe, project().recipes[2].id);
    }
    void padsAreAddedNamedPlacedAndTakenAway()
    {
        openLive();
        const auto count = boardOf(project()).pads.size();
        press("pad-add");
        QCOMPARE(project().board.pads.size(), count + 1);
        QCOMPARE(pads().chosen(), static_cast<int>(count));
        auto* name = within<QLineEdit>("pad-editor", "pad-name");
        name->setText(QStringLiteral("Anvil"));
        QTest::keyClick(name, Qt::Key_Return);
        QCOMPARE(project().board.pads.back().name, std::string("Anvil"));
        type(within<ValueControl>("pad-editor", "strength")->field(), QStringLiteral("150"));
        QCOMPARE(project().board.pads.back().strength, 1.5);
        auto* top = within<TopView>("live-window", "top-view");
        bringIntoView(top);
        QTest::mouseDClick(top, Qt::LeftButton, {}, top->mapNow().toPixel({0, 0, 9}).toPoint());
        QVERIFY(project().board.pads.back().place);
        drag(top, top->mapNow().toPixel(std::get<WorldPoint>(project().board.pads.back().place->at)).toPoint(),
             top->mapNow().toPixel({-5, 0, 0}).toPoint());
        QVERIFY(std::abs(std::get<WorldPoint>(project().board.pads.back().place->at).x + 5) < 0.6);
        press("pad-delete");
        QCOMPARE(project().board.pads.size(), count);
        while (session().document.history().canUndo())
            session().document.undo();
        QVERIFY(project().board == Board());
    }
    void messagesStrike()
    {
        openLive();
        const auto sender = listening();
        QVERIFY(sender != nullptr);
        int felt = 0;
        connect(&runner(), &LiveRunner::struck, this,
                [&](int, const QString&, const Outcome& outcome) { felt += outcome.id != 0 ? 1 : 0; });
        sender->send(writeOsc(OscStrike{"landing", 0.8, 5}));
        QTRY_COMPARE(felt, 1);
        QCOMPARE(runner().bench().project().strikes.at(0).seed, 5u);
        QVERIFY(runner().bench().at(runner().now()).intensity > 0);
        sender->send(writeOsc(OscStrike{"blast", 1, {}, WorldPoint{0, 0, 10}}));
        QTRY_COMPARE(felt, 2);
        sender->send(writeOsc(OscIntensity{0.25}));
        QTRY_COMPARE(runner().bench().intensity(), 0.25);
        sender->send(writeOsc(OscStrike{"nobody", 1}));
        QTRY_VERIFY(log()->item(0)->text().contains(QStringLiteral("no kind, no pad")));
        sender->send(writeOsc(OscSettle{0}));
        QTRY_VERIFY(runner().bench().held() == 0);
        const std::array<std::byte, 3> junk{};
        sender->send(junk);
        QTRY_VERIFY(within<QLabel>("live-window", "live-counts")->text().contains(QStringLiteral("1 malformed")));
        press("live-listen");
        QVERIFY(!runner().listening());
    }
    /// Two thousand a second for three seconds: all taken, and pictures go on being shown.
    void aFloodDoesNotStopThePicture()
    {
        openLive();
        const auto sender = listening();
        QVERIFY(sender != nullptr);
        QElapsedTimer clock;
        clock.start();
        int sent = 0;
        std::int64_t ticks = 0;
        qint64 longest = 0;
        qint64 last = 0;
        connect(&runner(), &LiveRunner::ticked, this, [&] { ++ticks; });
        QTimer pump;
        connect(&pump, &QTimer::timeout, this, [&] {
            for (; sent < 6000 && sent < clock.elapsed() * 2; ++sent)
                sender->send(
                    writeOsc(OscStrike{sent % 2 == 0 ? "hit" : "landing", 0.5, static_cast<std::uint32_t>(sent + 1)}));
            longest = std::max(longest, clock.elapsed() - last);
            last = clock.elapsed();
        });
        pump.start(1);
        QVERIFY(QTest::qWaitFor([&] { return sent >= 6000; }, test::patience));
        QTRY_COMPARE(runner().counts().taken, std::uint64_t{6000});
        QCOMPARE(runner().counts().flooded, std::uint64_t{0});
        QVERIFY(live()->picture().shownRate() > 0);
        QVERIFY(runner().bench().held() < 1000);
        runner().settle(0);
        QVERIFY(atRest());
    }
    void otherMachinesAreAskedAboutFirst()
    {
        openLive();
        within<QLineEdit>("live-window", "live-listen-at")->setText(QStringLiteral("0.0.0.0:0"));
        confirmAnswer_ = false;
        press("live-listen");
        QVERIFY(!runner().listening() && !within<QAbstractButton>("live-window", "live-listen")->isChecked());
        confirmAnswer_ = true;
        press("live-listen");
        QVERIFY(runner().listening());
        press("live-listen");
        within<QLineEdit>("live-window", "live-listen-at")->setText(QStringLiteral("nowhere"));
        press("live-listen");
        QVERIFY(!runner().listening());
        QVERIFY(within<QLabel>("live-window", "live-says")->text().contains(QStringLiteral("HOST:PORT")));
        // The pose goes out with each picture.
        auto listener = OscListener::open({"127.0.0.1", 0});
        within<QLineEdit>("live-window", "live-send-to")
            ->setText(QStringLiteral("127.0.0.1:%1").arg(listener.value()->port()));
        press("live-send");
        QTRY_VERIFY(listener.value()->counts().unknown > 10); // /pose is no message of the bench's own
        press("live-send");
        QVERIFY(!runner().sending());
    }
    void notesOfAFilePlayThePads()
    {
        openLive();
        StrikeList list;
        for (int i = 0; i < 4; ++i) {
            ListedStrike strike;
            strike.seconds = 0.15 * i;
            strike.kind = i % 2 == 0 ? StrikeKind::hit : StrikeKind::blast;
            strike.strength = 0.5;
            list.push_back(strike);
        }
        const std::string bytes = strikesToText(ListFormat::midi, list, FrameRate());
        QFile file(at(QStringLiteral("pads.mid")));
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(bytes.data(), static_cast<qint64>(bytes.size()));
        file.close();
        openAnswer_ = file.fileName();
        std::vector<int> struckPads;
        connect(&runner(), &LiveRunner::struck, this,
                [&](int pad, const QString&, const Outcome&) { struckPads.push_back(pad); });
        press("live-midi");
        QTRY_COMPARE(struckPads.size(), std::size_t{4});
        QVERIFY(struckPads[0] == struckPads[2] && struckPads[1] == struckPads[3] && struckPads[0] != struckPads[1]);
        QTRY_VERIFY(!runner().playingNotes());
        file.setFileName(at(QStringLiteral("broken.mid")));
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write("MThd");
        file.close();
        openAnswer_ = file.fileName();
        press("live-midi");
        QVERIFY(within<QLabel>("live-window", "live-says")->text().contains(QStringLiteral("cut short")));
    }
    void fallingBodiesStrike()
    {
        openLive();
        int struckCount = 0;
        connect(&runner(), &LiveRunner::struck, this,
                [&](int pad, const QString&, const Outcome&) { struckCount += pad >= 0 ? 1 : 0; });
        press("live-fall");
        QTRY_VERIFY(struckCount >= 3);
        press("live-stop");
        const int before = struckCount;
        QTest::qWait(300);
        QCOMPARE(struckCount, before);
    }
    void anotherSceneFalls()
    {
        openLive();
        QFile file(at(QStringLiteral("scene.json")));
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(R"({"drop": 1, "seconds": 1, "bodies": [
            {"name": "floor", "shape": "box", "width": 10, "height": 1, "fixed": true, "x": 0, "y": -0.5},
            {"name": "anvil", "shape": "box", "width": 1, "height": 0.5, "mass": 90, "restitution": 0, "x": 0, "y": 1}]})");
        file.close();
        openAnswer_ = file.fileName();
        press("live-scene");
        QStringList struckNames;
        connect(&runner(), &LiveRunner::struck, this,
                [&](int, const QString& what, const Outcome&) { struckNames << what; });
        press("live-fall");
        QTRY_VERIFY(struckNames.contains(QStringLiteral("anvil on floor")));
        QTRY_VERIFY(!within<QAbstractButton>("live-window", "live-fall")->isChecked());
        openAnswer_ = QString::fromStdString(clip_);
        press("live-scene");
        QVERIFY(within<QLabel>("live-window", "live-says")->text().contains(QStringLiteral("clip.mkv")));
    }
    void theFilmsOwnStrikesStrikeToo()
    {
        strikeOn(12, StrikeKind::landing);
        session().playhead.setFrame(0);
        openLive("the playing film");
        QTest::mouseClick(within<QCheckBox>("live-window", "live-with-film"), Qt::LeftButton, {}, {6, 8});
        runner().start();
        int struckCount = 0;
        connect(&runner(), &LiveRunner::struck, this,
                [&](int, const QString&, const Outcome& outcome) { struckCount += outcome.id != 0 ? 1 : 0; });
        QTRY_COMPARE(struckCount, 1);
    }
    void soundsAreMixedAndBounded()
    {
        Project with = project();
        for (Recipe& recipe : with.recipes)
            recipe.sound.kind = SoundKind::thump;
        LiveSound sound;
        Strike strike;
        strike.recipe = with.recipes[0].id;
        for (int i = 0; i < 40; ++i)
            sound.strike(with, strike, i == 0 ? 0.0 : 0.001 * i);
        QTRY_COMPARE(sound.voices(), LiveSound::mostVoices);
        const auto mix = sound.mixed(48000);
        const float most =
            *std::max_element(mix.begin(), mix.end(), [](float a, float b) { return std::abs(a) < std::abs(b); });
        QVERIFY(std::abs(most) > 0.7F && std::abs(most) <= 1.F);
        sound.silence();
        QCOMPARE(sound.voices(), std::size_t{0});
        QCOMPARE(sound.mixed(100), std::vector<float>(200));
        sound.setOn(false);
        sound.strike(with, strike, 0);
        QTest::qWait(100);
        QCOMPARE(sound.voices(), std::size_t{0});
    }
};

EMBER_TEST(LiveTest)
#include "tst_live.moc"
