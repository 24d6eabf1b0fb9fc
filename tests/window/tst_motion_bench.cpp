// SPDX-License-Identifier: GPL-3.0-or-later
// Motions of real cameras, worked in the window: read, trimmed, sifted, kept, imported, and put to use.
#include <cmath>

#include <QAction>
#include <QCheckBox>
#include <QLabel>
#include <QListWidget>
#include <QMenuBar>
#include <QScrollArea>

#include "actions.h"
#include "ember/core/motion.h"
#include "ember/exchange/motion_table.h"
#include "ember/project/motion_library.h"
#include "filmed.h"
#include "motion_bench.h"
#include "motion_view.h"
#include "motions.h"
#include "runner.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class MotionBenchTest : public test::WindowFixture {
    Q_OBJECT

    std::function<Similarity(double)> moved_ = test::handHeld(2, 5);
    QString camera_;

    /// A clip of 40 frames that a hand held.
    QString camera()
    {
        if (camera_.isEmpty()) {
            camera_ = at(QStringLiteral("shoulder.mkv"));
            test::Filming filming;
            filming.moved = moved_;
            test::writeFilmedClip(camera_.toStdString(), test::Wall(480, 340, 4), filming, 40, 256, 144);
        }
        return camera_;
    }
    void act(const char* id)
    {
        for (const ListedAction& listed : actionsOf(*window_->menuBar()))
            if (listed.id == QLatin1String(id))
                return listed.action->trigger();
        QFAIL(id);
    }
    MotionBench* bench() { return child<MotionBench>("motion-bench"); }
    MotionView* view() { return child<MotionView>("motion-view"); }
    MotionStore& motions() { return session().motions; }
    QString says() { return within<QLabel>("motion-bench", "motion-says")->text(); }
    QAbstractButton* button(const char* name) { return within<QAbstractButton>("motion-bench", name); }
    void press(const char* name)
    {
        QTest::mouseClick(button(name), Qt::LeftButton);
        turn();
    }
    void choose(const QString& name)
    {
        auto* list = within<QListWidget>("motion-bench", "motion-list");
        const auto found = list->findItems(name, Qt::MatchExactly);
        QVERIFY(!found.isEmpty());
        QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, list->visualItemRect(found.front()).center());
        turn();
    }
    using test::WindowFixture::choose;
    void openBench()
    {
        act("find.camera-motions");
        turn();
        QVERIFY(bench()->isVisible());
    }
    /// A motion of one's own on show.
    void keepSwaying()
    {
        QString wrong;
        motions().keep(test::swayingMotion(), wrong);
        QCOMPARE(wrong, QString());
        openBench();
        choose(QStringLiteral("Swaying"));
    }

private slots:
    void rowsLieUnderEachOther()
    {
        for (const QSizeF size : {QSizeF(560, 330), QSizeF(320, 220), QSizeF(2000, 900)}) {
            const MotionLayout layout = MotionLayout::of(size, 101);
            double y = layout.ruler.bottom();
            for (const QRectF& row : layout.rows) {
                QVERIFY(row.top() >= y - 1e-9 && row.height() > 10);
                y = row.bottom();
            }
            QVERIFY(layout.confidence.top() > y && layout.confidence.bottom() <= size.height());
            for (const double frame : {0.0, 13.0, 100.0})
                QVERIFY(std::abs(layout.map.toFrame(layout.map.toPixel(frame)) - frame) < 1e-9);
            using Grip = MotionLayout::Grip;
            const auto at = [&](double frame) { return QPointF(layout.map.toPixel(frame), 100); };
            QCOMPARE(layout.gripAt(at(20), 20, 80), Grip::first);
            QCOMPARE(layout.gripAt(at(80) + QPointF(3, 0), 20, 80), Grip::last);
            QCOMPARE(layout.gripAt(at(50), 20, 80), Grip::none);
        }
    }
    void aClipIsRead()
    {
        openAnswer_ = camera();
        act("find.read-a-camera-s-motion");
        QTRY_VERIFY(!bench()->reading());
        turn();
        QCOMPARE(says(), QStringLiteral("Read and kept: all 40 frames were measured."));
        const int place = motions().placeOf("shoulder");
        QVERIFY(place >= 0);
        const CapturedMotion& read = motions().items()[static_cast<std::size_t>(place)].kept().motion;
        CapturedMotion truth{256, 144, {}, {}};
        for (int i = 0; i < 40; ++i)
            truth.frames.push_back({moved_(i), 1});
        truth = withoutMean(truth);
        for (std::size_t i = 0; i < 40; ++i)
            QVERIFY(cornerDistance(read.frames[i].moved, truth.frames[i].moved, 256, 144) < 0.1);
        // It is on show, and there when the program starts again.
        QCOMPARE(within<QLineEdit>("motion-bench", "motion-name")->text(), QStringLiteral("shoulder"));
        QVERIFY(openMotions(userMotionsFolder()).motions.size() == 1);
    }
    void aPartIsReadAndStopped()
    {
        openAnswer_ = camera();
        dialogAnswer_ = [this](QDialog& dialog) {
            type(dialog.findChild<ValueField*>(QStringLiteral("range-from")), QStringLiteral("10"));
            type(dialog.findChild<ValueField*>(QStringLiteral("range-to")), QStringLiteral("29"));
            QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("range-read")), Qt::LeftButton);
        };
        openBench();
        press("motion-read");
        QTRY_VERIFY(!bench()->reading());
        QCOMPARE(motions().items().back().kept().motion.frames.size(), std::size_t{20});
        const auto count = motions().items().size();
        press("motion-read");
        QVERIFY(bench()->reading());
        QVERIFY(!button("motion-read")->isEnabled());
        press("motion-cancel");
        QTRY_VERIFY(!bench()->reading());
        // Either it was stopped, or it had been quicker.
        QVERIFY(says() == QStringLiteral("Stopped; nothing was kept") || motions().items().size() == count + 1);
        QVERIFY(button("motion-read")->isEnabled());
    }
    void whatCannotBeReadIsTold()
    {
        openBench();
        const auto count = motions().items().size();
        for (const QString& wrong : {at(QStringLiteral("nowhere.mkv")), at(QStringLiteral("text.mkv"))}) {
            test::writeBytes(at(QStringLiteral("text.mkv")).toStdString(), "no film");
            openAnswer_ = wrong;
            press("motion-read");
            QTRY_VERIFY(!bench()->reading());
            QVERIFY2(says().contains(QFileInfo(wrong).fileName()), qPrintable(says()));
        }
        openAnswer_ = camera();
        dialogAnswer_ = [this](QDialog& dialog) {
            type(dialog.findChild<ValueField*>(QStringLiteral("range-to")), QStringLiteral("400"));
            QTest::mouseClick(dialog.findChild<QPushButton*>(QStringLiteral("range-read")), Qt::LeftButton);
        };
        press("motion-read");
        QTRY_VERIFY(!bench()->reading());
        QVERIFY2(says().contains(QStringLiteral("last frame is 39")), qPrintable(says()));
        openAnswer_ = at(QStringLiteral("wrong.json"));
        test::writeBytes(openAnswer_.toStdString(), "{ \"vember_motion\": 1 }");
        press("motion-import");
        QVERIFY2(says().contains(QStringLiteral("wrong.json")), qPrintable(says()));
        QCOMPARE(motions().items().size(), count);
    }
    void endsAreDraggedAndKept()
    {
        keepSwaying();
        QVERIFY(!button("motion-keep")->isEnabled() && !button("motion-keep")->toolTip().isEmpty());
        const MotionLayout layout = view()->layoutNow();
        const auto x = [&](double frame) {
            return QPointF(layout.map.toPixel(frame), layout.rows[1].center().y()).toPoint();
        };
        drag(view(), x(0), x(40));
        drag(view(), x(199), x(120));
        QCOMPARE(bench()->shaped().frames.size(), std::size_t{81});
        QCOMPARE(bench()->shaped().frames.front().moved, Similarity());
        type(within<ValueField>("motion-bench", "motion-first"), QStringLiteral("60"));
        press("motion-keep");
        const int place = motions().placeOf("Swaying 2");
        QVERIFY(place >= 0);
        QCOMPARE(motions().items()[static_cast<std::size_t>(place)].kept().motion.frames.size(), std::size_t{61});
        QCOMPARE(motions().items()[static_cast<std::size_t>(motions().placeOf("Swaying"))].kept().motion.frames.size(),
                 std::size_t{200});
        // Named, deleted, brought back.
        auto* name = within<QLineEdit>("motion-bench", "motion-name");
        name->selectAll();
        QTest::keyClicks(name, QStringLiteral("Short sway"));
        QTest::keyClick(name, Qt::Key_Return);
        QVERIFY(motions().placeOf("Short sway") >= 0 && motions().placeOf("Swaying 2") < 0);
        press("motion-delete");
        QVERIFY(motions().placeOf("Short sway") < 0);
        press("motion-back");
        QVERIFY(motions().placeOf("Short sway") >= 0);
        choose(QStringLiteral("Calm operator"));
        QVERIFY(!button("motion-delete")->isEnabled());
        QVERIFY(name->isReadOnly());
    }
    void motionIsSifted()
    {
        keepSwaying();
        const CapturedMotion motion = test::swayingMotion().motion;
        type(within<ValueField>("motion-bench", "motion-seconds"), QStringLiteral("0.8"));
        const CapturedMotion sifted = fasterThan(rounded(motion), 0.8);
        QVERIFY(bench()->shaped() == sifted);
        auto* mirror = within<QCheckBox>("motion-bench", "motion-mirror");
        mirror->click();
        QCOMPARE(bench()->shaped().frames[33].moved.x, -sifted.frames[33].moved.x);
        within<QCheckBox>("motion-bench", "motion-mean")->click();
        double sum = 0;
        for (const CapturedFrame& frame : bench()->shaped().frames)
            sum += frame.moved.y;
        QVERIFY(std::abs(sum) < 1e-6);
    }
    void driftIsACamera()
    {
        const Pose before = session().document.motion().poseAt(33);
        keepSwaying();
        press("motion-drift");
        const MotionLoop loop = project().drift.captured.motion;
        QCOMPARE(loop.kept().name, std::string("Swaying"));
        QVERIFY(project().drift.on);
        QVERIFY(std::abs(project().drift.amount[Axis::x] - loop.largest()[Axis::x] * 384 / 640) < 1e-9);
        const Pose moved = session().document.motion().poseAt(33);
        QVERIFY(moved != before);
        bench()->hide();
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
        click("page-2");
        auto* share = child<ValueField>("motion-share");
        for (QWidget* parent = share->parentWidget(); parent != nullptr; parent = parent->parentWidget())
            if (auto* area = qobject_cast<QScrollArea*>(parent))
                area->ensureWidgetVisible(share);
        turn();
        QCOMPARE(share->value(), 1.0);
        type(share, QStringLiteral("50"));
        const Pose half = session().document.motion().poseAt(33);
        QVERIFY(std::abs(half.x - moved.x / 2) < 1e-9 && std::abs(half.roll - moved.roll / 2) < 1e-9);
        click("motion-mirror");
        QVERIFY(std::abs(session().document.motion().poseAt(33).x + half.x) < 1e-9);
        QCOMPARE(session().document.motion().poseAt(33).y, half.y);
        const auto list = [this] { return child<QComboBox>("motion-choice"); };
        emit list()->activated(list()->findText(QStringLiteral("Running operator")));
        QCOMPARE(project().drift.captured.motion.kept().name, std::string("Running operator"));
        type(within<ValueControl>("filmed-drift", "speed")->field(), QStringLiteral("200"));
        QCOMPARE(project().drift.captured.speed, 2.0);
        emit list()->activated(0);
        QVERIFY(project().drift.captured.motion.empty());
        QVERIFY(child<QWidget>("drift")->isVisible());
        QVERIFY(!child<QWidget>("filmed-drift")->isVisible());
        for (int i = 0; i < 6; ++i)
            session().document.undo();
        QCOMPARE(session().document.motion().poseAt(33), before);
    }
    void aStrandIsACamera()
    {
        strikeOn(20, Qt::Key_3);
        keepSwaying();
        press("motion-strand");
        const Strand* strand = &session().shaping.felt()->strands.back();
        QCOMPARE(strand->name, std::string("Swaying"));
        QVERIFY(std::get<Captured>(strand->source).motion.kept().name == "Swaying");
        session().shaping.setOpenStrand(strand->name);
        turn();
        const double x = strand->amount[Axis::x];
        auto* share = within<ValueField>("strand", "motion-share");
        emit share->wished(0.25, 0);
        QVERIFY(std::abs(session().shaping.felt()->strands.back().amount[Axis::x] - x / 4) < 1e-9);
        auto* list = within<QComboBox>("strand", "motion-choice");
        emit list->activated(list->findText(QStringLiteral("Nervous operator")));
        QCOMPARE(std::get<Captured>(session().shaping.felt()->strands.back().source).motion.kept().name,
                 std::string("Nervous operator"));
        session().document.undo();
        session().document.undo();
        QCOMPARE(session().shaping.felt()->strands.back().amount[Axis::x], x);
        session().document.undo();
        QVERIFY(session().shaping.felt()->strand("Swaying") == nullptr);
    }
    void aStretchIsCutOutForOneStrike()
    {
        strikeOn(20, Qt::Key_3);
        strikeOn(60, Qt::Key_3);
        const StrikeId id = session().selection.ids().front();
        const RecipeId shared = project().strike(id)->recipe;
        const Project before = project();
        keepSwaying();
        type(within<ValueField>("motion-bench", "motion-last"), QStringLiteral("30"));
        press("motion-cut");
        QVERIFY2(says().contains(QStringLiteral("cut out")), qPrintable(says()));
        QVERIFY(project().strike(id)->recipe != shared); // the others keep theirs
        const Strand& strand = project().recipe(project().strike(id)->recipe)->strands.back();
        QVERIFY(std::get<Drawn>(strand.source).asDrawn);
        // Alone it moves as the camera did: at 24 frames a second instead of 25, in 384 pixels instead of 640.
        Project alone = project();
        alone.recipe(alone.strike(id)->recipe)
            ->strands.erase(alone.recipe(alone.strike(id)->recipe)->strands.begin(),
                            alone.recipe(alone.strike(id)->recipe)->strands.end() - 1);
        std::erase_if(alone.strikes, [&](const Strike& s) { return s.id != id; });
        const Motion motion(alone);
        const CapturedMotion stretch = trimmed(rounded(test::swayingMotion().motion), 0, 30);
        for (int frame = 0; frame < 20; ++frame) {
            const Similarity filmed = momentOf(stretch, frame * 25 / 24.0);
            const Pose pose = motion.poseAt(60 + frame);
            QVERIFY(std::abs(pose.x - filmed.x * 384 / 640) < 0.15);
            QVERIFY(std::abs(pose.y - filmed.y * 384 / 640) < 0.15);
            QVERIFY(std::abs(pose.roll - filmed.roll) < 0.03);
        }
        QVERIFY(motion.poseAt(59.9).atRest());
        QVERIFY(motion.poseAt(60 + 28).atRest()); // 31 frames at 25 are over
        session().document.undo();
        QVERIFY(project() == before);
        // Nothing to cut from a strike that is not there.
        session().selection.set({});
        turn();
        QVERIFY(!button("motion-cut")->isEnabled() && !button("motion-cut")->toolTip().isEmpty());
    }
    void tablesAreImported()
    {
        openBench();
        openAnswer_ = at(QStringLiteral("moves.csv"));
        test::writeBytes(openAnswer_.toStdString(), "Cue;Pan H;Lift\n0.00;0.01;1\n0.04;0.02;2\n0.12;0.04;-4\n");
        dialogAnswer_ = [this](QDialog& dialog) {
            const auto list = [&](const char* name) { return dialog.findChild<QComboBox*>(QLatin1String(name)); };
            auto* import = dialog.findChild<QPushButton*>(QStringLiteral("table-import"));
            QVERIFY(!import->isEnabled());
            choose([&] { return list("table-column-seconds"); }, QStringLiteral("Cue"));
            choose([&] { return list("table-column-x"); }, QStringLiteral("Pan H"));
            choose([&] { return list("table-unit-x"); }, QStringLiteral("widths"));
            choose([&] { return list("table-column-y"); }, QStringLiteral("Lift"));
            choose([&] { return list("table-unit-y"); }, QStringLiteral("px up"));
            auto* rate = dialog.findChild<QLineEdit*>(QStringLiteral("table-rate"));
            rate->setText(QStringLiteral("0"));
            QVERIFY(!import->isEnabled());
            rate->setText(QStringLiteral("25"));
            auto* size = dialog.findChild<QLineEdit*>(QStringLiteral("table-size"));
            size->setText(QStringLiteral("1000"));
            QVERIFY(!import->isEnabled() && import->toolTip().contains(QStringLiteral("1920x1080")));
            size->setText(QStringLiteral("1000x500"));
            QVERIFY(import->isEnabled());
            QVERIFY(
                dialog.findChild<QLabel*>(QStringLiteral("table-result"))->text().contains(QStringLiteral("1 that")));
            QTest::mouseClick(import, Qt::LeftButton);
        };
        press("motion-import");
        const int place = motions().placeOf("moves");
        QVERIFY2(place >= 0, qPrintable(says()));
        const CapturedMotion& motion = motions().items()[static_cast<std::size_t>(place)].kept().motion;
        QCOMPARE(motion.frames.size(), std::size_t{4});
        QCOMPARE(motion.frames[1].moved.x, 20.0);
        QCOMPARE(motion.frames[3].moved.y, 4.0);
        QCOMPARE(motion.width, 1000);
        // And written out again, both ways.
        saveAnswer_ = at(QStringLiteral("out.csv"));
        press("motion-export");
        QVERIFY(
            test::bytesOf(saveAnswer_.toStdString()).startsWith("frame,x_px,y_px,roll_deg,zoom,confidence\n0,10.0000"));
        saveAnswer_ = at(QStringLiteral("out.json"));
        press("motion-export");
        QVERIFY(loadMotion(saveAnswer_.toStdString())->motion == motion);
        openAnswer_ = saveAnswer_;
        press("motion-import");
        QVERIFY(motions().placeOf("moves 2") >= 0);
    }
    void confidenceIsSeen()
    {
        keepSwaying();
        // A bridged frame is hatched through all rows, a measured one is not.
        const MotionLayout layout = view()->layoutNow();
        const QImage picture = view()->grab().toImage();
        const auto inked = [&](int frame) {
            int count = 0;
            const int x = qRound(layout.map.toPixel(frame));
            for (int y = qRound(layout.rows[0].top()) + 2; y < qRound(layout.rows[3].bottom()); ++y)
                count += qGray(picture.pixel(x, y)) > 60 ? 1 : 0;
            return count;
        };
        QVERIFY(inked(57) > 2 * inked(50)); // 7, 57, 107 and 157 are bridged
        const int bottom = qRound(layout.confidence.bottom()) - 3;
        QVERIFY(qGray(picture.pixel(qRound(layout.map.toPixel(50)), bottom)) > 40);
        QVERIFY(within<QLabel>("motion-bench", "motion-facts")->text().contains(QStringLiteral("4 could not")));
    }
};

EMBER_TEST(MotionBenchTest)
#include "tst_motion_bench.moc"
