// SPDX-License-Identifier: GPL-3.0-or-later
// Reading and comparing: takes, the split, the arrow, traces, loops, values given to others.
#include <QAction>
#include <QTableWidget>

#include "contact_sheet.h"
#include "ember/project/compare.h"
#include "ember/project/edits.h"
#include "peak_arrow.h"
#include "player.h"
#include "runner.h"
#include "takes.h"
#include "text.h"
#include "trace_view.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class CompareTest : public test::WindowFixture {
    Q_OBJECT
    /// How far two pictures are apart within columns, on average.
    static double apart(const Image& a, const Image& b, double from, double until)
    {
        double sum = 0;
        int count = 0;
        for (int y = 0; y < a.height(); ++y)
            for (int x = static_cast<int>(from * a.width()); x < static_cast<int>(until * a.width()); ++x, ++count)
                sum += std::abs(a.at(x, y)[0] - b.at(x, y)[0]);
        return sum / std::max(1, count);
    }

private slots:
    // --- takes
    void twoTakesAreSwitchedAndListed()
    {
        strikeOn(20);
        key(Qt::Key_Q); // nothing kept: only said
        QCOMPARE(project().strikes.size(), std::size_t{1});
        key(Qt::Key_1, Qt::ControlModifier);
        const Project a = project();
        key(Qt::Key_Down, Qt::ControlModifier); // a tenth weaker
        QCOMPARE(project().strikes[0].strength, 0.9);
        key(Qt::Key_2, Qt::ControlModifier);
        const Project b = project();
        key(Qt::Key_Q);
        QVERIFY(project() == a);
        key(Qt::Key_Q);
        QVERIFY(project() == b);
        session().document.undo(); // switching is an edit like any other
        QVERIFY(project() == a);
        QString listed;
        dialogAnswer_ = [&](QDialog& dialog) {
            auto* table = dialog.findChild<QTableWidget*>(QStringLiteral("difference-table"));
            QCOMPARE(table->rowCount(), 1);
            listed =
                table->item(0, 0)->text() + table->item(0, 1)->text() + QLatin1Char('|') + table->item(0, 2)->text();
            dialog.accept();
        };
        key(Qt::Key_Q, Qt::ShiftModifier);
        QVERIFY2(listed.contains(QStringLiteral("strength")) && listed.endsWith(QStringLiteral("0.9|1.0")),
                 qPrintable(listed));
    }
    void differencesAreToldByName()
    {
        Project a;
        a.addShot(Shot{"night.mkv", 100, false});
        a.addRecipe(Recipe{0, "Blow", {}, {}});
        Project b = a;
        QVERIFY(differences(a, b).empty());
        b.recipes[0].envelope.set(EnvelopeField::decay, 31);
        b.finish.letterbox = 2.39;
        const auto told = differences(a, b);
        QCOMPARE(told.size(), std::size_t{2});
        QVERIFY(told[0].where.find("Blow") != std::string::npos && told[0].where.find("decay") != std::string::npos);
        b = a;
        b = withStrike(b, Frame{5}, StrikeKind::hit, 1).project;
        QCOMPARE(differences(a, b).size(), std::size_t{1});
        QVERIFY(differences(a, b)[0].first.empty());
        QVERIFY(differences(b, a)[0].second.empty());
    }
    // --- the split
    void leftOfTheLineIsTheFrameUnshaken()
    {
        strikeOn(20);
        session().playhead.setFrame(21);
        const Image shaken = shown().copy();
        QAction* off = nullptr;
        Q_UNUSED(off);
        key(Qt::Key_V);
        const Image split = shown().copy();
        window_->picture().setPlain(true);
        const Image plain = shown().copy();
        window_->picture().setPlain(false);
        QVERIFY(apart(shaken, plain, 0, 0.45) > 1);
        QCOMPARE(apart(split, plain, 0, 0.49), 0.0);
        QCOMPARE(apart(split, shaken, 0.51, 1), 0.0);
        // The line is dragged to a quarter.
        PictureView& view = window_->picture();
        const QRectF frame = fitPicture(view.size(), project().width, project().height);
        drag(&view, QPointF(frame.left() + 0.5 * frame.width(), frame.center().y() + 40).toPoint(),
             QPointF(frame.left() + 0.25 * frame.width(), frame.center().y() + 40).toPoint());
        QVERIFY(std::abs(view.splitShare() - 0.25) < 0.02);
        const Image quarter = shown().copy();
        QCOMPARE(apart(quarter, shaken, 0.3, 1), 0.0);
        QCOMPARE(apart(quarter, plain, 0, 0.2), 0.0);
        key(Qt::Key_V);
        QCOMPARE(apart(shown(), shaken, 0, 1), 0.0);
    }
    void andTheOtherTake()
    {
        strikeOn(20);
        session().playhead.setFrame(21);
        key(Qt::Key_V, Qt::ShiftModifier); // none kept yet
        QVERIFY(window_->picture().split() == PictureView::Split::none);
        key(Qt::Key_1, Qt::ControlModifier);
        const Image strong = shown().copy();
        for (int i = 0; i < 6; ++i)
            key(Qt::Key_Down, Qt::ControlModifier);
        const Image weak = shown().copy();
        key(Qt::Key_V, Qt::ShiftModifier);
        const Image split = shown().copy();
        QCOMPARE(apart(split, strong, 0, 0.49), 0.0);
        QCOMPARE(apart(split, weak, 0.51, 1), 0.0);
        QVERIFY(apart(split, strong, 0.51, 1) > 0.2);
    }
    // --- the arrow
    void theArrowIsDraggedToAimTheStrike()
    {
        strikeOn(20, Qt::Key_1);
        session().document.edit(
            withStrikesChanged(project(), session().selection.ids(), [](Strike& s) { s.direction = 90; }),
            QStringLiteral("down"));
        PictureView& view = window_->picture();
        const auto tip = view.arrowPlace();
        QVERIFY(tip);
        const QPointF middle = fitPicture(view.size(), project().width, project().height).center();
        QVERIFY(tip->y() > middle.y() + 5);
        // To the right, half as far.
        drag(&view, tip->toPoint(), (middle + QPointF((tip->y() - middle.y()) / 2, 0)).toPoint());
        const Strike& strike = project().strikes[0];
        QVERIFY(strike.direction && (*strike.direction < 8 || *strike.direction > 352));
        QVERIFY2(std::abs(strike.strength - 0.5) < 0.1, qPrintable(QString::number(strike.strength)));
        session().document.undo(); // one gesture, one step
        QCOMPARE(project().strikes[0].strength, 1.0);
        QCOMPARE(*project().strikes[0].direction, 90.0);
    }
    // --- traces
    void tracesShowThePeakAndTheValueUnderThePlayhead()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_Y);
        TraceView& traces = window_->anvil().traces();
        QVERIFY(traces.isVisible() && !canvas().isVisible());
        const TraceLayout layout = traces.layoutNow();
        QVERIFY(!layout.film && layout.rows.size() >= 2);
        // A click stands on the frame that is read there.
        QTest::mouseClick(&traces, Qt::LeftButton, {}, QPointF(layout.toX(21), layout.paper.center().y()).toPoint());
        QCOMPARE(session().playhead.frame(), std::int64_t{21});
        const double y = session().document.motion().poseAt(21).y;
        QVERIFY(y > 5);
        QCOMPARE(axisValueText(Axis::y, y, TraceOf::place), QStringLiteral("%1 px").arg(y, 0, 'f', 1));
        QCOMPARE(axisValueText(Axis::zoom, 0.031, TraceOf::place), QStringLiteral("3.10 %"));
        // Where the curve is: as far below its row's middle as it is large there.
        const auto ink = [&](const QRectF& row, double frame) {
            const QImage picture = traces.grab().toImage();
            const int x = static_cast<int>(traces.layoutNow().toX(frame));
            for (int at = static_cast<int>(row.bottom()) - 1; at > row.top(); --at)
                for (int dx = -1; dx <= 1; ++dx)
                    if (picture.pixelColor(x + dx, at).lightness() > 150)
                        return static_cast<double>(at);
            return row.center().y();
        };
        session().playhead.setFrame(60);
        const QRectF row = layout.rows[1];
        QVERIFY(ink(row, 21) > row.center().y() + 0.25 * row.height());
        click("trace-film");
        QVERIFY(traces.layoutNow().film);
        QVERIFY(std::abs(traces.layoutNow().toFilmFrame(traces.layoutNow().toX(77)) - 77) < 1e-6);
        click("trace-speed");
        QCOMPARE(traceAt(session().document.motion(), Axis::y, 21, traces.what()),
                 session().document.motion().poseAt(21.5).y - session().document.motion().poseAt(20.5).y);
        click("trace-y");
        QCOMPARE(traces.layoutNow().rows.size(), layout.rows.size() - 1);
        key(Qt::Key_Y);
        QVERIFY(canvas().isVisible());
    }
    void restIsFoundInATrace()
    {
        strikeOn(20, Qt::Key_3);
        std::vector<FrameTime> times;
        for (int i = 0; i < 120; ++i)
            times.push_back(i);
        const auto rest = restFrom(session().document.motion(), times);
        QVERIFY(rest > 21 && rest < 120);
        QVERIFY(session().document.motion().poseAt(static_cast<double>(rest)).atRest());
        const AxisTrace y = traceAlong(session().document.motion(), Axis::x, times, TraceOf::place);
        QVERIFY(y.peak == 21 || y.peak == 20 || y.peak == 22);
    }
    // --- frames, large
    void twelveFramesAreShownLargeAndClicked()
    {
        strikeOn(20);
        key(Qt::Key_G);
        auto* sheet = child<ContactSheet>("contact-sheet");
        QVERIFY(sheet->isVisible());
        QCOMPARE(sheet->frames().front(), std::int64_t{19});
        QCOMPARE(sheet->frames().size(), std::size_t{12});
        QTRY_VERIFY(sheet->complete());
        QTest::mouseClick(sheet, Qt::LeftButton, {}, sheet->cell(5).center().toPoint());
        QCOMPARE(session().playhead.frame(), std::int64_t{24});
        QTest::keyClick(sheet, Qt::Key_3); // every fourth
        QCOMPARE(sheet->frames()[2], std::int64_t{24});
        QTRY_VERIFY(sheet->complete());
        QVERIFY(!child<QAbstractButton>("contact-both")->isEnabled());
        QTest::keyClick(sheet, Qt::Key_Escape);
        QVERIFY(!sheet->isVisible());
        key(Qt::Key_1, Qt::ControlModifier);
        key(Qt::Key_Down, Qt::ControlModifier);
        key(Qt::Key_G);
        click("contact-both");
        QVERIFY(sheet->both());
        QTRY_VERIFY(sheet->complete());
        QTest::keyClick(sheet, Qt::Key_G);
        session().selection.set({});
        key(Qt::Key_G);
        QVERIFY(!sheet->isVisible());
    }
    // --- loops, and values for others
    void loopsAroundStrikes()
    {
        strikeOn(30);
        strikeOn(80);
        key(Qt::Key_L, Qt::ControlModifier);
        QVERIFY(session().playhead.loop().on);
        QCOMPARE(session().playhead.loop().first, std::int64_t{74});
        QVERIFY(session().playhead.loop().last > 81);
        session().selection.set({project().strikes[0].id});
        key(Qt::Key_L, Qt::AltModifier);
        QCOMPARE(session().playhead.loop().first, std::int64_t{30});
        QCOMPARE(session().playhead.loop().last, std::int64_t{80});
        window_->player().setSpeed(0.05);
        QCOMPARE(window_->player().speed(), 0.1);
    }
    void valuesAreGivenToOthersAndScaledTogether()
    {
        strikeOn(30, Qt::Key_1);
        key(Qt::Key_Up, Qt::ControlModifier);
        QCOMPARE(project().strikes[0].strength, 1.1);
        key(Qt::Key_C, Qt::ControlModifier);
        strikeOn(80, Qt::Key_4);
        const auto seed = project().strikes[1].seed;
        key(Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(project().strikes[1].strength, 1.1);
        QCOMPARE(project().strikes[1].recipe, project().strikes[0].recipe);
        QCOMPARE(project().strikes[1].kind, StrikeKind::blast);
        QCOMPARE(project().strikes[1].seed, seed);
        QCOMPARE(project().strikes[1].frame.index, std::int64_t{80});
        key(Qt::Key_Down, Qt::ControlModifier);
        key(Qt::Key_A, Qt::ControlModifier);
        key(Qt::Key_Down, Qt::ControlModifier); // each a tenth of its own
        QCOMPARE(project().strikes[0].strength, 0.99);
        QCOMPARE(project().strikes[1].strength, 0.89);
        session().selection.set({project().strikes[0].id});
        const Envelope before = felt();
        key(Qt::Key_BracketRight);
        QCOMPARE(felt()[EnvelopeField::decay], 2 * before[EnvelopeField::decay]);
        QCOMPARE(felt()[EnvelopeField::attack], before[EnvelopeField::attack]);
    }
};

EMBER_TEST(CompareTest)
#include "tst_compare.moc"
