// SPDX-License-Identifier: GPL-3.0-or-later
// A camera's motion as a table: ours there and back, others' with their columns and units named.
#include <cmath>

#include <QTest>

#include "ember/exchange/motion_table.h"
#include "motions.h"
#include "runner.h"

using namespace ember;
using C = MotionColumn;

namespace {

MotionReading reading()
{
    MotionReading how;
    how.rate = *FrameRate::make(25, 1);
    how.width = 640;
    how.height = 360;
    return how;
}

QString trouble(const char* text, const MotionReading& how = reading())
{
    const auto motion = motionFromCsv(text, how);
    return motion ? QString() : QString::fromStdString(sentence(motion.error()));
}

} // namespace

class MotionTableTest : public QObject {
    Q_OBJECT
private slots:
    void oursThereAndBack()
    {
        const CapturedMotion motion = test::swayingMotion().motion;
        const auto back = motionFromCsv(motionToCsv(motion, 100), reading());
        QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
        QCOMPARE(back->frames.size(), motion.frames.size());
        QCOMPARE(back->bridged(), motion.bridged());
        for (std::size_t i = 0; i < motion.frames.size(); ++i)
            QVERIFY(cornerDistance(back->frames[i].moved, motion.frames[i].moved, 640, 360) < 1e-3);
    }
    void foreignColumnsAndUnits()
    {
        const char* text = "\xEF\xBB\xBFShot;Cue;Pan H;Lift;Twist;Size\n"
                           "a;0.00;0.01;1;0;100\n"
                           "a;0.04;0.02;2;0.1;110\n"
                           "\n"
                           "a;0.12;0.04;-4;0.2;50\n";
        MotionReading how = reading();
        how.columns = {{C::seconds, "Cue"}, {C::x, "Pan H"}, {C::y, "Lift"}, {C::roll, "Twist"}, {C::zoom, "Size"}};
        how.units = {{C::x, "widths"}, {C::y, "px up"}, {C::roll, "radians left"}, {C::zoom, "%"}};
        const auto motion = motionFromCsv(text, how);
        QVERIFY2(motion, motion ? "" : sentence(motion.error()).c_str());
        QCOMPARE(motion->frames.size(), std::size_t{4});
        QCOMPARE(motion->frames[0].moved.x, 6.4);
        QCOMPARE(motion->frames[1].moved.y, -2.0);
        QVERIFY(std::abs(motion->frames[1].moved.roll + 5.729577951) < 1e-9);
        QCOMPARE(motion->frames[1].moved.zoom, 1.1);
        // The row that is missing is bridged, and says so.
        QCOMPARE(motion->frames[2].confidence, 0.0);
        QCOMPARE(motion->frames[2].moved.y, 1.0);
        QCOMPARE(motion->frames[3].confidence, 1.0);
        QCOMPARE(motion->bridged(), std::size_t{1});
    }
    void everyUnitHasItsFactor_data()
    {
        QTest::addColumn<int>("column");
        QTest::addColumn<QString>("unit");
        QTest::addColumn<double>("wanted");
        const auto row = [](C column, const char* unit, double wanted) {
            QTest::newRow(unit) << static_cast<int>(column) << unit << wanted;
        };
        row(C::x, "px", 2);
        row(C::x, "px left", -2);
        row(C::x, "% of width", 12.8);
        row(C::x, "widths", 1280);
        row(C::y, "px up", -2);
        row(C::y, "% of height", 7.2);
        row(C::y, "heights", 720);
        row(C::roll, "degrees", 2);
        row(C::roll, "degrees left", -2);
        row(C::roll, "radians", 114.591559026);
        row(C::roll, "radians left", -114.591559026);
        row(C::zoom, "factor", 2);
        row(C::zoom, "%", 0.02);
        row(C::zoom, "change in %", 1.02);
    }
    void everyUnitHasItsFactor()
    {
        QFETCH(int, column);
        QFETCH(QString, unit);
        QFETCH(double, wanted);
        MotionReading how = reading();
        how.units[static_cast<C>(column)] = unit.toStdString();
        const std::string name(motionColumnNames[static_cast<std::size_t>(column)]);
        const auto motion = motionFromCsv("frame," + name + "\n0,2\n1,2\n", how);
        QVERIFY2(motion, motion ? "" : sentence(motion.error()).c_str());
        const Similarity& moved = motion->frames[1].moved;
        const double read = std::array{moved.x, moved.y, moved.roll, moved.zoom}[static_cast<std::size_t>(column) - 2];
        QVERIFY(std::abs(read - wanted) < 1e-6);
    }
    void whatIsWrongIsTold()
    {
        QVERIFY(trouble("").contains("empty"));
        QVERIFY(trouble("frame,x\n0,1\n").contains("two frames"));
        QVERIFY(trouble("a,b\n1,2\n2,3\n").contains("frame or seconds"));
        QVERIFY(trouble("frame,b\n1,2\n2,3\n").contains("x, y, roll or zoom"));
        QVERIFY(trouble("frame,x\n0,1\n1,nan\n").contains("line 3"));
        QVERIFY(trouble("frame,x\n0,1\n1,inf\n").contains("not a number"));
        QVERIFY(trouble("frame,x\n0,1\n1\n").contains("line 3"));
        QVERIFY(trouble("frame,x\n0,1\n0,2\n").contains("does not come after frame 0"));
        QVERIFY(trouble("frame,x\n0,1\n2000000,2\n").contains("longer than"));
        QVERIFY(trouble("frame,x\n0,1\n1e300,2\n").contains("as long"));
        QVERIFY(trouble("frame,zoom\n0,1\n1,0\n").contains("above 0"));
        QVERIFY(trouble("frame,x\n0,\"1\n").contains("never closed"));
        MotionReading how = reading();
        how.columns[C::x] = "Nobody";
        QVERIFY(trouble("frame,x\n0,1\n1,2\n", how).contains("no such heading"));
        how = reading();
        how.units[C::x] = "cubits";
        QVERIFY(trouble("frame,x\n0,1\n1,2\n", how).contains("px left"));
        how = reading();
        how.columns[C::y] = ""; // not even where its name is there
        const auto motion = motionFromCsv("frame,x,y\n0,1,5\n1,2,5\n", how);
        QVERIFY(motion && motion->frames[0].moved.y == 0);
    }
    void headingsAreKnown()
    {
        const auto headings = motionHeadings("Frame\tX (px)\tPosition Y\tRotation\tScale\tNote\n1\t2\t3\t4\t5\t6\n");
        QCOMPARE(headings.size(), std::size_t{6});
        const std::array<const char*, 6> taken{"frame", "x", "y", "roll", "zoom", ""};
        for (std::size_t i = 0; i < headings.size(); ++i)
            QCOMPARE(headings[i].takenFor, std::string(taken[i]));
        QCOMPARE(headings[2].name, std::string("Position Y"));
    }
};

EMBER_TEST(MotionTableTest)
#include "tst_motion_table.moc"
