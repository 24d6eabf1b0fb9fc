// SPDX-License-Identifier: GPL-3.0-or-later
// Finding in the window: by ear and by eye, by tap, from lists, from the drop bench.
#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QPlainTextEdit>
#include <QProgressBar>
#include <QTableWidget>
#include <QTest>

#include "clips.h"
#include "drop_bench.h"
#include "find_panel.h"
#include "finder.h"
#include "import_sheet.h"
#include "player.h"
#include "reel_view.h"
#include "runner.h"
#include "sounds.h"
#include "tap_test.h"
#include "tapper.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::test;

class FindingTest : public WindowFixture {
    Q_OBJECT
    const std::vector<int> flashes_{20, 44, 61, 80};

    app::Finder& finder() { return window_->finder(); }
    void openFlashes(double late = 0)
    {
        const QString path = at(QStringLiteral("flashes %1.mkv").arg(late));
        if (!QFile::exists(path))
            QVERIFY(flashingClip(path.toStdString(), flashes_, late));
        open(path);
        QVERIFY(session().film.hasClip());
    }
    void find()
    {
        key(Qt::Key_F, Qt::ControlModifier);
        QTRY_VERIFY(finder().ready() && !finder().running());
    }
    std::vector<int> strikeFrames()
    {
        std::vector<int> frames;
        for (const Strike& strike : project().strikes)
            frames.push_back(static_cast<int>(strike.frame.index));
        return frames;
    }

    /// Counts what a person does: a press, a click, a choice, a drag.
    class Count {
    public:
        template <typename Act>
        void operator()(Act&& act)
        {
            act();
            ++made;
        }
        int made = 0;
    };

private slots:
    void fourTasksInFewActions()
    {
        // 1. A clip with four bounces, to a rendered shake on each, the later ones weaker.
        const QString bounces = at(QStringLiteral("bounces.mkv"));
        QVERIFY(flashingClip(bounces.toStdString(), flashes_, 0, 0.6));
        const auto empty = [&] {
            session().file.close();
            window_->showBeside(app::MainWindow::Beside::column);
            turn();
        };
        Count first;
        empty();
        openAnswer_ = bounces;
        first([&] { key(Qt::Key_O, Qt::ControlModifier); });
        QTRY_VERIFY(session().film.hasClip());
        first([&] { find(); });
        first([&] { key(Qt::Key_A, Qt::ShiftModifier); });
        QCOMPARE(strikeFrames(), flashes_);
        for (std::size_t i = 1; i < 4; ++i)
            QVERIFY(project().strikes[i].strength < project().strikes[i - 1].strength);
        first([&] { key(Qt::Key_R, Qt::ControlModifier); });
        child<QLineEdit>("render-path")->setText(at(QStringLiteral("bounces-shaken.mp4"))); // as it suggests one itself
        first([&] { click("render-start"); });
        QTRY_VERIFY(QFile::exists(at(QStringLiteral("bounces-shaken.mp4"))));

        // 2. A blast with its rumble to the end of the shot, borders safe.
        Count second;
        empty();
        second([&] { key(Qt::Key_O, Qt::ControlModifier); });
        QTRY_VERIFY(session().film.hasClip());
        second([&] {
            const app::ReelLayout reel = window_->reel().layoutNow();
            QTest::mouseClick(&window_->reel(), Qt::LeftButton, {},
                              QPointF(reel.map.toPixel(30), reel.ruler.center().y()).toPoint());
        });
        QCOMPARE(session().playhead.frame(), std::int64_t{30});
        second([&] { key(Qt::Key_1); });
        second([&] {
            choose([&] { return child<QWidget>("envelope-rumble_until")->findChild<QComboBox*>(); },
                   QStringLiteral("shot end"));
        });
        QVERIFY(felt()[EnvelopeField::rumble] > 0);
        QVERIFY(30 + felt().end() >= static_cast<double>(session().document.length() - 1));
        second([&] { choose([&] { return child<QComboBox>("finish-cover"); }, QStringLiteral("breathing cover")); });
        QVERIFY(uncoveredFrames(session().document.cover(), session().document.survey().needed()).empty());

        // 3. A pulse on every bar of a track at 120 beats a minute.
        const QString track = at(QStringLiteral("track.mkv"));
        QVERIFY(flashingClip(track.toStdString(), {0, 12, 24, 36, 48, 60, 72, 84}, 0));
        Count third;
        empty();
        openAnswer_ = track;
        third([&] { key(Qt::Key_O, Qt::ControlModifier); });
        QTRY_VERIFY(session().film.hasClip());
        third([&] { find(); });
        third([&] { choose([&] { return child<QComboBox>("find-propose"); }, QStringLiteral("bar starts")); });
        if (finder().proposals().empty()) // no tempo was heard: it is typed
            third([&] { type(child<app::ValueField>("find-bpm"), QStringLiteral("120")); });
        third([&] { key(Qt::Key_A, Qt::ShiftModifier); });
        const auto bars = strikeFrames();
        QVERIFY(bars.size() >= 2);
        for (std::size_t i = 1; i < bars.size(); ++i)
            QCOMPARE(bars[i] - bars[i - 1], 48);

        // 4. A shake half as long, with the same peak.
        session().selection.set({project().strikes.front().id});
        const Envelope before = felt();
        const double peak = Motion(project()).poseAt(bars.front() + before.peak()).y;
        Count fourth;
        fourth([&] { key(Qt::Key_BracketLeft); });
        QVERIFY(std::abs((felt().end() - felt().peak()) - 0.5 * (before.end() - before.peak())) < 1);
        QCOMPARE(Motion(project()).poseAt(bars.front() + before.peak()).y, peak);

        qInfo("actions: bounces %d of 6, blast %d of 5, bars %d of 6, half as long %d of 2", first.made, second.made,
              third.made, fourth.made);
        QVERIFY(first.made <= 6 && second.made <= 5 && third.made <= 6 && fourth.made <= 2);
    }
    void fromClipToStrikesInThreeActions()
    {
        openFlashes();
        find();                            // the second, after opening
        key(Qt::Key_A, Qt::ShiftModifier); // the third
        QCOMPARE(strikeFrames(), flashes_);
        for (const Strike& strike : project().strikes)
            QVERIFY(project().recipe(strike.recipe) != nullptr);
        QCOMPARE(session().selection.ids().size(), flashes_.size());
        QVERIFY(finder().proposals().empty()); // they are strikes now
        QVERIFY(!child<QPushButton>("find-accept-all")->isEnabled());
        key(Qt::Key_Z, Qt::ControlModifier); // in one step
        QVERIFY(project().strikes.empty());
        QCOMPARE(finder().proposals().size(), flashes_.size());
    }
    void oneByOneWithKeys()
    {
        openFlashes();
        find();
        key(Qt::Key_Period);
        QCOMPARE(session().playhead.frame(), std::int64_t{20});
        QVERIFY(child<QLabel>("find-what")->text().contains(QStringLiteral("heard and seen")));
        QCOMPARE(child<QLabel>("find-count")->text(), QStringLiteral("1 of 4"));
        key(Qt::Key_Period);
        QCOMPARE(session().playhead.frame(), std::int64_t{44});
        key(Qt::Key_Comma);
        QCOMPARE(session().playhead.frame(), std::int64_t{20});
        key(Qt::Key_A); // and the next is at hand
        QCOMPARE(strikeFrames(), (std::vector<int>{20}));
        QCOMPARE(session().playhead.frame(), std::int64_t{44});
        key(Qt::Key_R);
        QCOMPARE(session().playhead.frame(), std::int64_t{61});
        QCOMPARE(finder().proposals().size(), std::size_t{2});
        key(Qt::Key_A, Qt::ShiftModifier);
        QCOMPARE(strikeFrames(), (std::vector<int>{20, 61, 80}));
        click("find-bring-back");
        QCOMPARE(finder().proposals().size(), std::size_t{1});
        key(Qt::Key_Comma);
        QCOMPARE(session().playhead.frame(), std::int64_t{44});
    }
    void proposalsAreDrawnAndClickedOnTheReel()
    {
        openFlashes();
        const QImage before = window_->reel().grab().toImage();
        find();
        QTest::qWait(50);
        const app::ReelLayout layout = window_->reel().layoutNow();
        const QPoint place = QPointF(layout.sparkX(61), layout.sparks.bottom() - 3).toPoint();
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, {}, place);
        QCOMPARE(session().playhead.frame(), std::int64_t{61});
        QCOMPARE(finder().currentProposal()->frame.index, std::int64_t{61});
        // Its outline is there: the colour of what is in hand on the spark's foot.
        const QImage after = window_->reel().grab().toImage();
        int copper = 0;
        for (int x = place.x() - 6; x <= place.x() + 6; ++x)
            copper += QColor(after.pixel(x, static_cast<int>(layout.sparks.bottom()))).green() > 140 ? 1 : 0;
        QVERIFY(copper >= 4);
        QVERIFY(before.size() != after.size() || before != after);
    }
    void severalArePickedOnTheReel()
    {
        openFlashes();
        find();
        QTest::qWait(50); // the Reel has its new width
        const app::ReelLayout layout = window_->reel().layoutNow();
        const auto place = [&](double frame) {
            return QPointF(layout.map.toPixel(frame), layout.sparks.top() + 3).toPoint();
        };
        drag(&window_->reel(), place(30), place(70)); // a band over two of them
        QCOMPARE(finder().picked(), (std::set<std::int64_t>{44, 61}));
        QCOMPARE(child<QLabel>("find-count")->text(), QStringLiteral("2 picked"));
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, Qt::ControlModifier, place(80));
        QCOMPARE(finder().picked().size(), std::size_t{3});
        QTest::mouseClick(&window_->reel(), Qt::LeftButton, Qt::ControlModifier, place(44));
        key(Qt::Key_A);
        QCOMPARE(strikeFrames(), (std::vector<int>{61, 80}));
        QVERIFY(finder().picked().empty());
        drag(&window_->reel(), place(10), place(50));
        key(Qt::Key_R);
        QVERIFY(finder().proposals().empty());
        click("find-bring-back");
        QCOMPARE(finder().proposals().size(), std::size_t{2});
    }
    void whatIsAskedIsAnsweredAtOnce()
    {
        openFlashes();
        find();
        QCOMPARE(finder().proposals().size(), std::size_t{4});
        const auto list = [this](const char* name) { return [this, name] { return child<QComboBox>(name); }; };
        auto* from = child<QComboBox>("find-from");
        from->setFocus();
        choose(list("find-from"), QStringLiteral("picture"));
        emit from->activated(from->currentIndex());
        QVERIFY(std::all_of(finder().proposals().begin(), finder().proposals().end(),
                            [](const Candidate& c) { return c.seen && !c.heard; }));
        QCOMPARE(finder().proposals().size(), std::size_t{4});
        choose(list("find-from"), QStringLiteral("sound"));
        emit from->activated(from->currentIndex());
        QVERIFY(finder().proposals()[0].heard && !finder().proposals()[0].seen);
        type(child<app::ValueField>("find-sensitivity"), QStringLiteral("100"));
        QCOMPARE(finder().options().sensitivity, 1.0);
        const auto many = finder().proposals().size();
        type(child<app::ValueField>("find-apart"), QStringLiteral("30"));
        QVERIFY(finder().proposals().size() < many || many == 4);
        for (std::size_t i = 1; i < finder().proposals().size(); ++i)
            QVERIFY(finder().proposals()[i].frame - finder().proposals()[i - 1].frame >= 29);
    }
    void aLateSoundIsToldAndLaidRight()
    {
        openFlashes(0.125); // three frames
        find();
        QCOMPARE(finder().proposals().size(), std::size_t{4});
        QCOMPARE(finder().proposals()[0].frame.index, std::int64_t{20}); // the picture tells
        QVERIFY(std::abs(*finder().found().soundLate - 3) < 0.2);
        QVERIFY2(
            child<QLabel>("find-late")->text().contains(QStringLiteral("f late")),
            qPrintable(child<QLabel>("find-late")->text() + QString::number(finder().found().soundLate.value_or(-99))));
        click("find-lay");
        QVERIFY(std::abs(project().sound.offset + 0.125) < 0.01);
        QVERIFY(finder().found().soundLate && std::abs(*finder().found().soundLate) < 0.3);
        QVERIFY(child<QPushButton>("find-lay")->isHidden());
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().sound.offset, 0.0);
        type(child<app::ValueField>("find-offset"), QStringLiteral("-0.125"));
        QCOMPARE(project().sound.offset, -0.125);
        QVERIFY(finder().found().soundLate && std::abs(*finder().found().soundLate) < 0.3);
    }
    void beatsAreProposedAndPulledTo()
    {
        openFlashes();
        find();
        type(child<app::ValueField>("find-bpm"), QStringLiteral("120"));
        QVERIFY(project().beats.has_value());
        session().playhead.setFrame(6);
        click("find-bar-here");
        QCOMPARE(project().beats->firstBeat, 0.25);
        finder().setProposed(app::Propose::everyBeat);
        std::vector<std::int64_t> frames;
        for (const Candidate& beat : finder().proposals())
            frames.push_back(beat.frame.index);
        QCOMPARE(frames, (std::vector<std::int64_t>{6, 18, 30, 42, 54, 66, 78, 90}));
        finder().setProposed(app::Propose::barStarts);
        QCOMPARE(finder().proposals().size(), std::size_t{2}); // 6 and 54
        click("find-half");
        QCOMPARE(project().beats->bpm, 60.0);
        click("find-double");
        QCOMPARE(project().beats->bpm, 120.0);
        // Strikes put nearby go to the beat, those far from one stay.
        strikeOn(20);
        strikeOn(47);
        key(Qt::Key_A, Qt::ControlModifier);
        type(child<app::ValueField>("find-within"), QStringLiteral("3"));
        click("find-pull-beat");
        QCOMPARE(strikeFrames(), (std::vector<int>{18, 47}));
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("1 strike pulled, 1 with nothing near")));
        click("find-pull-onset");
        QCOMPARE(strikeFrames(), (std::vector<int>{20, 44}));
    }
    void beatsAreDraggedWhereTheTempoChanges()
    {
        openFlashes();
        find();
        type(child<app::ValueField>("find-bpm"), QStringLiteral("120"));
        session().playhead.setFrame(6);
        click("find-bar-here");
        QCOMPARE(project().beats->firstBeat, 0.25);
        auto* reel = &window_->reel();
        const auto placeOf = [&](double seconds) {
            const app::ReelLayout layout = reel->layoutNow();
            return QPoint(static_cast<int>(std::lround(layout.map.toPixel(24 * seconds))),
                          static_cast<int>(layout.sound.bottom()) - 3);
        };
        const BeatGrid before = *project().beats;
        // A press without a move changes nothing; so does Escape.
        QTest::mouseClick(reel, Qt::LeftButton, {}, placeOf(before.at(3)));
        QVERIFY(project().beats == before);
        const auto drag = [&](double from, double to, Qt::KeyboardModifiers keys, bool escape = false) {
            const QPoint start = placeOf(from), end = placeOf(to);
            QTest::mousePress(reel, Qt::LeftButton, {}, start);
            for (int i = 1; i <= 4; ++i)
                moveTo(*reel, start + (end - start) * i / 4, keys);
            if (escape)
                QTest::keyClick(reel, Qt::Key_Escape);
            QTest::mouseRelease(reel, Qt::LeftButton, keys, end);
        };
        drag(before.at(3), before.at(3) + 0.2, Qt::ShiftModifier, true);
        QVERIFY(project().beats == before);
        drag(before.at(3), before.at(3) + 0.2, Qt::ShiftModifier);
        QCOMPARE(project().beats->pins.size(), std::size_t{1});
        const double perPixel = reel->layoutNow().map.framesPerPixel() / 24;
        QVERIFY(std::abs(project().beats->at(3) - before.at(3) - 0.2) < 1.5 * perPixel);
        QCOMPARE(project().beats->at(0), before.at(0));
        QVERIFY(std::abs(project().beats->at(5) - project().beats->at(3) - 1) < 1e-9); // later ones go along
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("BPM before it")));
        // The tempo is told where it is, and cannot be typed over all of them.
        QVERIFY(!child<QLabel>("find-tempo-span")->isHidden());
        QVERIFY(!child<app::ValueField>("find-bpm")->isEnabled() ||
                child<app::ValueField>("find-bpm")->toolTip().contains(QStringLiteral("Even")));
        const BeatGrid bent = *project().beats;
        click("find-double");
        QVERIFY(std::abs(project().beats->at(6) - bent.at(3)) < 1e-9);
        click("find-half");
        QVERIFY(std::abs(project().beats->at(3) - bent.at(3)) < 1e-9);
        // Near something that is heard it snaps; Ctrl+click lets it go; undo brings it back.
        const double heard = finder().moments().front();
        const std::int64_t beat = project().beats->nearest(heard);
        drag(project().beats->at(beat), heard + 12 * perPixel, Qt::ShiftModifier);
        QVERIFY(std::abs(project().beats->at(beat) - heard - 12 * perPixel) < 1.5 * perPixel);
        drag(project().beats->at(beat), heard + perPixel, {});
        QCOMPARE(project().beats->at(beat), heard);
        const BeatGrid two = *project().beats;
        QTest::mouseClick(reel, Qt::LeftButton, Qt::ControlModifier, placeOf(two.at(beat)));
        QVERIFY(project().beats != two);
        key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(project().beats == two);
        click("find-even");
        QVERIFY(project().beats->pins.empty());
        QVERIFY(child<QPushButton>("find-even")->isHidden());
        // Where finding is closed the foot of the sound is for strikes again.
        click("find-close");
        const BeatGrid even = *project().beats;
        drag(even.at(2), even.at(2) + 0.2, {});
        QVERIFY(project().beats == even);
    }
    void aScoresBeatsAreTakenOver()
    {
        const QByteArray head = QByteArray::fromHex("4d546864000000060000000101e0");
        // A note at the start, and from the second beat on half as fast.
        QByteArray events = QByteArray::fromHex("00ff580403021808"
                                                "00ff510307a120"
                                                "00992464"
                                                "8740ff51030f4240"
                                                "8740ff2f00");
        QByteArray size(4, '\0');
        size[3] = static_cast<char>(events.size());
        writeBytes(at(QStringLiteral("score.mid")).toStdString(), head + "MTrk" + size + events);
        openAnswer_ = at(QStringLiteral("score.mid"));
        bool offered = false;
        dialogAnswer_ = [&](QDialog& dialog) {
            auto* take = dialog.findChild<QCheckBox*>(QStringLiteral("import-beats"));
            offered = !take->isHidden() && take->isChecked();
            dialog.findChild<QPushButton*>(QStringLiteral("import-go"))->click();
        };
        key(Qt::Key_I, Qt::ControlModifier);
        QVERIFY(offered);
        QVERIFY(project().beats.has_value());
        QCOMPARE(project().beats->barBeats, 3);
        QCOMPARE(project().beats->at(2), 1.0);
        QCOMPARE(project().beats->at(3), 2.0);
        // Beats that are there are not replaced unasked.
        dialogAnswer_ = [&](QDialog& dialog) {
            offered = dialog.findChild<QCheckBox*>(QStringLiteral("import-beats"))->isChecked();
            dialog.findChild<QPushButton*>(QStringLiteral("import-cancel"))->click();
        };
        key(Qt::Key_I, Qt::ControlModifier);
        QVERIFY(!offered);
    }
    void tailsAreProposedOnWish()
    {
        openFlashes();
        find();
        const auto events = finder().proposals().size();
        child<QCheckBox>("find-tails")->click();
        QVERIFY(finder().options().tails);
        QVERIFY(finder().proposals().size() >= events);
        child<QCheckBox>("find-tails")->click();
        QCOMPARE(finder().proposals().size(), events);
    }
    void shapesComeFromTheSound()
    {
        openFlashes();
        find();
        child<QAbstractButton>("find-shapes")->click();
        key(Qt::Key_A, Qt::ShiftModifier);
        for (const Strike& strike : project().strikes) {
            const Envelope envelope = envelopeOf(project(), strike);
            QVERIFY(strike.overrides[EnvelopeField::decay].has_value());
            QVERIFY2(envelope.end() < 12, qPrintable(QStringLiteral("%1 %2 %3 %4 %5")
                                                         .arg(envelope.end())
                                                         .arg(envelope[EnvelopeField::decay])
                                                         .arg(envelope[EnvelopeField::rumble])
                                                         .arg(envelope[EnvelopeField::rumbleLength])
                                                         .arg(envelope[EnvelopeField::hold]))); // a click is short
        }
        key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(project().strikes.empty());
        child<QAbstractButton>("find-shapes")->click();
        key(Qt::Key_A, Qt::ShiftModifier);
        QVERIFY(!project().strikes[0].overrides[EnvelopeField::decay].has_value());
        session().selection.set({project().strikes[0].id});
        key(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(project().strikes[0].overrides[EnvelopeField::decay].has_value());
    }
    void correctionsTeach()
    {
        openFlashes();
        find();
        QVERIFY(!child<QPushButton>("find-none-like")->isEnabled()); // no example yet
        QVERIFY(!child<QPushButton>("find-more-like")->isEnabled());
        QVERIFY(child<QLabel>("find-why")->isHidden());
        key(Qt::Key_Period);
        const QString why = child<QLabel>("find-why")->text();
        QVERIFY2(why.startsWith(QStringLiteral("Why: the sound rises by")) && why.contains(QStringLiteral("dB")) &&
                     why.contains(QStringLiteral("light comes")),
                 qPrintable(why));
        // All four sound and look the same: one wrong means all are.
        key(Qt::Key_R, Qt::ShiftModifier);
        QVERIFY(finder().proposals().empty());
        QVERIFY(project().strikes.empty());
        QCOMPARE(finder().rejected(), std::size_t{4});
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("4 rejected")));
        click("find-bring-back"); // in one step
        QCOMPARE(finder().proposals().size(), std::size_t{4});
        QVERIFY(!child<QPushButton>("find-bring-back")->isEnabled());
        // One after the other comes back the other way round.
        key(Qt::Key_Period);
        key(Qt::Key_R);
        key(Qt::Key_R);
        QCOMPARE(finder().proposals().size(), std::size_t{2});
        click("find-bring-back");
        QCOMPARE(finder().proposals().size(), std::size_t{3});
        click("find-bring-back");
        QCOMPARE(finder().proposals().size(), std::size_t{4});
        // More like this picks them; they are strikes in one step then, and that is undone in one.
        session().playhead.setFrame(0);
        finder().setCurrent(0);
        click("find-more-like");
        QCOMPARE(finder().picked().size(), std::size_t{4});
        QVERIFY(project().strikes.empty());
        key(Qt::Key_A);
        QCOMPARE(strikeFrames(), flashes_);
        key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(project().strikes.empty());
    }
    void aStrikePutByHandIsAnExample()
    {
        openFlashes();
        find();
        // So little sensitivity that nothing is proposed: what is put by hand tells what is looked for.
        FindOptions options = finder().options();
        options.sensitivity = 0;
        finder().setOptions(options);
        strikeOn(44);
        QVERIFY(finder().example() != nullptr);
        QCOMPARE(finder().example()->frame.index, std::int64_t{44});
        key(Qt::Key_E, Qt::ShiftModifier);
        QCOMPARE(finder().picked(), (std::set<std::int64_t>{20, 61, 80}));
        key(Qt::Key_A);
        QCOMPARE(strikeFrames(), flashes_);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(strikeFrames(), (std::vector<int>{44}));
        // A strike far from anything is none.
        strikeOn(5);
        QCOMPARE(finder().example()->frame.index, std::int64_t{80}); // still what was accepted last
    }
    void itCanBeCancelledAndBegunAgain()
    {
        openFlashes();
        window_->showBeside(app::MainWindow::Beside::find);
        QVERIFY(finder().running());
        QVERIFY(!child<QProgressBar>("find-progress")->isHidden());
        click("find-cancel");
        QVERIFY(!finder().running());
        window_->showBeside(app::MainWindow::Beside::column);
        find();
        QCOMPARE(finder().proposals().size(), std::size_t{4});
        open(QString::fromStdString(clip_)); // another film knows nothing of these
        QVERIFY(!finder().ready() && finder().proposals().empty());
    }
    void anotherSoundCanBeTaken()
    {
        openFlashes();
        const QString other = at(QStringLiteral("other.mkv"));
        QVERIFY(flashingClip(other.toStdString(), {30}, 0));
        find();
        finder().setOptions([this] {
            FindOptions options = finder().options();
            options.from = FindFrom::sound;
            return options;
        }());
        openAnswer_ = other;
        click("find-sound");
        QTRY_VERIFY(finder().heard() && !finder().running());
        QCOMPARE(finder().proposals().size(), std::size_t{1});
        QCOMPARE(finder().proposals()[0].frame.index, std::int64_t{30});
        openAnswer_ = at(QStringLiteral("not there.wav"));
        click("find-sound");
        QTRY_VERIFY(!finder().running());
        QTRY_VERIFY2(window_->notice().contains(QStringLiteral("not there.wav")), qPrintable(window_->notice()));
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().sound.file, other.toStdString());
    }
    void tappingAlongPutsStrikes()
    {
        app::Tapper::setLatency(0);
        session().playhead.setFrame(10);
        window_->player().setSpeed(0.5);
        key(Qt::Key_Space);
        std::vector<double> places;
        for (int i = 0; i < 3; ++i) {
            QTest::qWait(350);
            places.push_back(window_->player().framePosition());
            key(Qt::Key_K);
        }
        key(Qt::Key_Space);
        QCOMPARE(project().strikes.size(), std::size_t{3});
        for (std::size_t i = 0; i < 3; ++i)
            QVERIFY(std::abs(static_cast<double>(project().strikes[i].frame.index) - places[i]) <= 1.5);
        QVERIFY(places[2] - places[0] < 14); // at half speed 700 ms are 8.4 frames
        QCOMPARE(session().selection.ids().size(), std::size_t{3});
        key(Qt::Key_Z, Qt::ControlModifier); // one step for all
        QVERIFY(project().strikes.empty());
        // Set back by what the test measured.
        app::Tapper::setLatency(250);
        window_->player().setSpeed(1);
        session().playhead.setFrame(40);
        key(Qt::Key_Space);
        QTest::qWait(100);
        const double place = window_->player().framePosition();
        key(Qt::Key_K);
        key(Qt::Key_Space);
        QCOMPARE(project().strikes.size(), std::size_t{1});
        QVERIFY(std::abs(static_cast<double>(project().strikes[0].frame.index) - (place - 6)) <= 1.5);
        key(Qt::Key_K); // standing still it is the frame that is seen
        QCOMPARE(project().strikes.size(), std::size_t{2});
    }
    void theTapTestMeasures()
    {
        app::TapTest test;
        test.show();
        QVERIFY(!test.findChild<QPushButton*>(QStringLiteral("tap-use"))->isEnabled());
        for (int i = 0; i < app::TapTest::wanted; ++i)
            test.tapAt(i * app::TapTest::beatMilliseconds + (i < 2 ? 300 : 80 + i % 3));
        QCOMPARE(test.taps(), app::TapTest::wanted);
        QVERIFY(std::abs(test.measured() - 81) <= 1);
        test.findChild<QPushButton*>(QStringLiteral("tap-use"))->click();
        QCOMPARE(app::Tapper::latency(), test.measured());
        app::TapTest early;
        for (int i = 1; i <= app::TapTest::wanted; ++i)
            early.tapAt(i * app::TapTest::beatMilliseconds - 40);
        QCOMPARE(early.measured(), -40);
        app::TapTest keys;
        keys.show();
        QVERIFY(QTest::qWaitForWindowActive(&keys));
        QTest::keyClick(&keys, Qt::Key_K);
        QTest::keyClick(&keys, Qt::Key_Space);
        QCOMPARE(keys.taps(), 2);
    }
    void aForeignListIsMappedAndLookedAt()
    {
        strikeOn(24);
        writeBytes(at(QStringLiteral("cues.csv")).toStdString(),
                   "Cue;Fr;How;What\n1;25;80 %;Ladle\n2;50;;Ingot\n3;500;;Late\n");
        openAnswer_ = at(QStringLiteral("cues.csv"));
        dialogAnswer_ = [](QDialog& dialog) {
            const auto pick = [&](const char* ours, const char* theirs) {
                auto* list = dialog.findChild<QComboBox*>(QStringLiteral("import-column-") + QLatin1String(ours));
                list->setCurrentIndex(list->findText(QLatin1String(theirs)));
            };
            auto* go = dialog.findChild<QPushButton*>(QStringLiteral("import-go"));
            QVERIFY(!go->isEnabled()); // it cannot know yet which column is the time
            pick("frame", "Fr");
            pick("strength", "How");
            pick("name", "What");
            QVERIFY(go->isEnabled());
            dialog.findChild<QLineEdit*>(QStringLiteral("import-rate"))->setText(QStringLiteral("25"));
            QVERIFY(dialog.findChild<QLabel*>(QStringLiteral("import-rate-says"))
                        ->text()
                        .contains(QStringLiteral("frame 100 becomes frame 96")));
            auto* table = dialog.findChild<QTableWidget*>(QStringLiteral("import-table"));
            QCOMPARE(table->rowCount(), 3);
            QCOMPARE(table->item(0, 0)->text(), QStringLiteral("24"));
            QVERIFY(table->item(0, 5)->text().contains(QStringLiteral("joins")));
            QVERIFY(table->item(2, 5)->text().contains(QStringLiteral("past the end")));
            dialog.findChild<QLineEdit*>(QStringLiteral("import-rate"))->setText(QStringLiteral("fast"));
            QVERIFY(!go->isEnabled());
            dialog.findChild<QLineEdit*>(QStringLiteral("import-rate"))->setText(QStringLiteral("25"));
            go->click();
        };
        key(Qt::Key_I, Qt::ControlModifier);
        QCOMPARE(strikeFrames(), (std::vector<int>{24, 48}));
        QCOMPARE(project().strikes[0].name, std::string("Ladle"));
        QCOMPARE(project().strikes[1].name, std::string("Ingot"));
    }
    void whatFallsOnTheDropBenchBecomesStrikes()
    {
        session().playhead.setFrame(12);
        app::Dialogs dialogs;
        dialogs.saveFile = [this](QWidget*, const QString&, const QString&, const QString&) { return saveAnswer_; };
        dialogs.openFile = [this](QWidget*, const QString&, const QString&) { return openAnswer_; };
        app::DropBench bench(session().document, session().selection, session().playhead, session().file, dialogs);
        bench.show();
        auto* put = bench.findChild<QPushButton*>(QStringLiteral("drop-put"));
        QTRY_VERIFY(put->isEnabled());
        saveAnswer_ = at(QStringLiteral("impacts.jsonl"));
        bench.findChild<QPushButton*>(QStringLiteral("drop-save"))->click();
        QCOMPARE(bytesOf(saveAnswer_.toStdString()).count('\n'),
                 int(drop::simulate(drop::sampleScene()).impacts.size()));
        put->click();
        QVERIFY(project().strikes.size() > 8);
        QCOMPARE(project().strikes[0].frame.index, std::int64_t{12 + 20}); // the shot lands after 0.85 s
        QVERIFY(project().strikes[0].direction.has_value());
        // Another scene, and one that is wrong.
        auto* text = bench.findChild<QPlainTextEdit*>(QStringLiteral("drop-scene"));
        text->setPlainText(QStringLiteral("{\"drop\": 1, \"bodies\": [{\"mass\": -1}]}"));
        QTRY_VERIFY(!put->isEnabled());
        QVERIFY(bench.findChild<QLabel*>(QStringLiteral("drop-says"))->text().contains(QStringLiteral("mass")));
        writeBytes(at(QStringLiteral("scene.json")).toStdString(),
                   QByteArray::fromStdString(drop::sceneToJson(drop::sampleScene())));
        openAnswer_ = at(QStringLiteral("scene.json"));
        bench.findChild<QPushButton*>(QStringLiteral("drop-open"))->click();
        QTRY_VERIFY(put->isEnabled());
        QVERIFY(!bench.grab().isNull());
    }
    void strengthsFallAndStrikesSpread()
    {
        for (const int frame : {10, 14, 40})
            strikeOn(frame);
        key(Qt::Key_A, Qt::ControlModifier);
        for (QAction* action : window_->findChildren<QAction*>())
            if (action->text().contains(QStringLiteral("50 % of the last")))
                action->trigger();
        QCOMPARE(project().strikes[1].strength, 0.5);
        QCOMPARE(project().strikes[2].strength, 0.25);
        for (QAction* action : window_->findChildren<QAction*>())
            if (action->text().remove(QLatin1Char('&')) == QStringLiteral("Spread evenly"))
                action->trigger();
        QCOMPARE(strikeFrames(), (std::vector<int>{10, 25, 40}));
    }
};

EMBER_TEST(FindingTest)
#include "tst_finding.moc"
