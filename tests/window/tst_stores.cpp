// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>

#include <QLineEdit>
#include <QMouseEvent>
#include <QSignalSpy>
#include <QTest>
#include <QWheelEvent>

#include "clips.h"
#include "frame_store.h"
#include "held_scale.h"
#include "picture_renderer.h"
#include "pictures.h"
#include "runner.h"
#include "sound_feed.h"
#include "thumb_store.h"
#include "value_field.h"

using namespace ember;
using namespace ember::app;

namespace {
const FieldSpec testSpec{"k", "Length", "frames", 0, 50, 20, 1, "A length"};
const FieldSpec percentSpec{"p", "Strength", "%", 0, 4, 1, 0.05, "A strength"};
} // namespace

class StoresTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string clip_;

    std::unique_ptr<ClipReader> clip() const { return std::move(ClipReader::open(clip_)).value(); }

    Project project() const
    {
        Project project;
        project.width = 192;
        project.height = 128;
        project.addShot(Shot{clip_, 100});
        return project;
    }

private slots:
    void initTestCase()
    {
        clip_ = test::numberedClip(folder_, "clip.mkv", 100, FrameRate(), 192, 128, true);
        QVERIFY(!clip_.empty());
    }
    void framesAreDecodedAhead()
    {
        FrameStore store;
        QList<qint64> ready; // told on this thread, one after the other
        connect(&store, &FrameStore::ready, this, [&](qint64 frame) { ready << frame; });
        store.setClip(clip(), FrameRate(), 100);
        store.want({10, true, 0, -1});
        QTRY_VERIFY(store.cached(34) != nullptr);
        for (int i = 10; i <= 34; ++i)
            QCOMPARE(test::numberIn(*store.cached(i)), i);
        QTest::qWait(50);
        QVERIFY(store.cached(40) == nullptr); // bounded
        QCOMPARE(ready.size(), 25);
        QCOMPARE(ready.first(), 10); // the wanted one first
    }
    void loopsAreDecodedRoundTheCorner()
    {
        FrameStore store;
        store.setClip(clip(), FrameRate(), 100);
        store.want({28, true, 20, 30});
        QTRY_VERIFY(store.cached(20) != nullptr && store.cached(25) != nullptr);
        QTest::qWait(50);
        QVERIFY(store.cached(31) == nullptr);
    }
    void aBlockBehindIsReady()
    {
        FrameStore store;
        store.setClip(clip(), FrameRate(), 100);
        store.want({50, false, 0, -1});
        QTRY_VERIFY(store.cached(49) != nullptr);
        for (int i = 34; i <= 54; ++i)
            QCOMPARE(test::numberIn(*store.cached(i)), i);
        store.want({46, false, 0, -1}); // still enough behind: nothing new
        QTest::qWait(100);
        QVERIFY(store.cached(33) == nullptr);
        store.want({36, false, 0, -1});
        QTRY_VERIFY(store.cached(20) != nullptr && store.cached(33) != nullptr);
    }
    void memoryIsBounded()
    {
        FrameStore store;
        const std::size_t one = test::numbered(192, 128, 0).bytes();
        store.setBudget(10 * one);
        store.setClip(clip(), FrameRate(), 100);
        for (int i = 0; i < 100; i += 7) {
            store.want({i, true, 0, -1});
            QTRY_VERIFY(store.cached(i) != nullptr);
            QVERIFY(store.bytesHeld() <= 11 * one);
        }
        // A loop larger than the memory must not decode for ever.
        store.want({90, true, 0, 95});
        QTRY_VERIFY(store.cached(90) != nullptr);
        QTest::qWait(300);
        int ready = 0;
        connect(&store, &FrameStore::ready, this, [&](qint64) { ++ready; });
        QTest::qWait(300);
        QCOMPARE(ready, 0);
    }
    void anotherClipForgetsTheFirst()
    {
        FrameStore store;
        store.setClip(clip(), FrameRate(), 100);
        store.want({5, false, 0, -1});
        QTRY_VERIFY(store.cached(5) != nullptr);
        store.setClip(nullptr, FrameRate(), 100);
        QVERIFY(store.cached(5) == nullptr);
        store.want({5, false, 0, -1});
        QTest::qWait(50);
        QVERIFY(store.cached(5) == nullptr);
    }
    void theThumbsLookedAtLastAreKept()
    {
        ThumbStore store(10);
        store.setProject(project());
        const auto fetch = [&](std::int64_t first, std::int64_t last) {
            for (auto frame = first; frame <= last; ++frame)
                QTRY_VERIFY(store.thumb(frame) != nullptr);
        };
        fetch(20, 29);
        fetch(0, 4); // the film's start, after ten later ones
        std::vector<qint64> made;
        connect(&store, &ThumbStore::ready, this, [&](qint64 frame) { made.push_back(frame); });
        for (int again = 0; again < 3; ++again)
            fetch(0, 4);
        fetch(25, 29);
        QTest::qWait(50);
        QVERIFY(made.empty()); // all of them are still there
        QVERIFY(store.thumb(20) == nullptr);
        QTRY_COMPARE(made.size(), std::size_t{1});
    }
    void thumbsAreSmallAndRight()
    {
        ThumbStore store;
        store.setProject(project());
        QVERIFY(store.thumb(42) == nullptr);
        QTRY_VERIFY(store.thumb(42) != nullptr);
        QCOMPARE(store.thumb(42)->height(), ThumbStore::thumbHeight);
        QCOMPARE(test::numberIn(*store.thumb(42)), 42);
        QVERIFY(store.thumb(100) == nullptr && store.thumb(-1) == nullptr);
    }
    void rendererDropsOldOrders()
    {
        PictureRenderer renderer;
        QList<qint64> done;
        QImage picture;
        connect(&renderer, &PictureRenderer::rendered, this, [&](qint64 frame, const QImage& image) {
            done << frame;
            picture = image;
        });
        FrameLook look;
        look.projectWidth = 192;
        look.projectHeight = 128;
        look.exposure = Exposure::of({.x = 8});
        const auto source = std::make_shared<const Image>(test::numbered(192, 128, 7));
        for (int i = 0; i < 50; ++i)
            renderer.order({i, source, look, 192, 128});
        QTRY_VERIFY(!done.isEmpty() && done.last() == 49);
        QVERIFY(done.size() < 50);
        const ImagePtr same = renderFrame(source, look, 192, 128);
        QVERIFY(std::equal(same->row(64), same->row(64) + 4 * 192, picture.constScanLine(64)));
    }
    void soundFollowsTheLoop()
    {
        auto reader = SoundReader::open(clip_, 0, {48000, 2});
        QVERIFY(reader);
        const PlayLine line{4000, 2000, 6000, 200000};
        SoundFeed feed(std::move(reader).value(), line, 12000);
        feed.waitUntilFull();
        const QByteArray bytes = feed.read(12000 * 4);
        QCOMPARE(bytes.size(), 48000);
        const auto* samples = reinterpret_cast<const std::int16_t*>(bytes.constData());
        for (std::int64_t i = 0; i < 12000; ++i) {
            const double place = static_cast<double>(line.at(i) % 4800) / 4800 - 0.5;
            QVERIFY2(std::abs(samples[2 * i + 1] / 32767.0 - place) < 1e-3, qPrintable(QString::number(i)));
        }
    }
    void soundEndsInSilence()
    {
        auto reader = SoundReader::open(clip_, 0, {48000, 2});
        SoundFeed feed(std::move(reader).value(), {190000, 0, 0, 191000}, 12000);
        feed.waitUntilFull();
        const QByteArray bytes = feed.read(4 * 2000);
        const auto* samples = reinterpret_cast<const std::int16_t*>(bytes.constData());
        double heard = 0;
        for (int i = 0; i < 1000; ++i)
            heard += std::abs(samples[2 * i]);
        QVERIFY(heard > 1e6);
        for (int i = 1000; i < 2000; ++i)
            QCOMPARE(samples[2 * i], std::int16_t{0});
    }
};

class ValueFieldTest : public QObject {
    Q_OBJECT
private slots:
    void showsUnitsPlainly()
    {
        ValueField field(percentSpec);
        field.setValue(0.82);
        QCOMPARE(field.shownText(), QStringLiteral("82 %"));
        field.setValue(0.8251);
        QCOMPARE(field.shownText(), QStringLiteral("82.5 %"));
        field.setMixed(true);
        QCOMPARE(field.shownText(), QStringLiteral("–"));
        ValueField frames(testSpec);
        frames.setValue(12);
        QCOMPARE(frames.shownText(), QStringLiteral("12 f"));
        frames.setValue(1.25);
        QCOMPARE(frames.shownText(), QStringLiteral("1.25 f"));
        QVERIFY(frames.toolTip().contains(QStringLiteral("usually 20")));
    }
    void dragging()
    {
        ValueField field(testSpec);
        field.resize(60, 22);
        field.show();
        quint64 gestures = 0;
        field.gestureSource = [&] { return ++gestures; };
        QSignalSpy wished(&field, &ValueField::wished);
        connect(&field, &ValueField::wished, &field, &ValueField::setValue);
        QTest::mousePress(&field, Qt::LeftButton, {}, {10, 10});
        for (int x = 12; x <= 40; x += 2)
            QTest::mouseMove(&field, {x, 10});
        QTest::mouseRelease(&field, Qt::LeftButton, {}, {40, 10});
        QCOMPARE(field.value(), 25.0); // thirty pixels, six a step
        QCOMPARE(gestures, quint64{1});
        for (const auto& call : wished)
            QCOMPARE(call.at(1).toULongLong(), quint64{1});
        QVERIFY(field.findChild<QLineEdit*>() == nullptr); // a drag is no click
    }
    void typing_data()
    {
        QTest::addColumn<QString>("text");
        QTest::addColumn<double>("value");
        QTest::addRow("plain") << QStringLiteral("33") << 33.0;
        QTest::addRow("comma") << QStringLiteral("1,5") << 1.5;
        QTest::addRow("unit") << QStringLiteral("7 frames") << 7.0;
        QTest::addRow("too large") << QStringLiteral("900") << 20.0;
        QTest::addRow("negative") << QStringLiteral("-3") << 20.0;
        QTest::addRow("words") << QStringLiteral("many") << 20.0;
        QTest::addRow("infinite") << QStringLiteral("1e400") << 20.0;
        QTest::addRow("nothing") << QString() << 20.0;
    }
    void typing()
    {
        QFETCH(QString, text);
        QFETCH(double, value);
        ValueField field(testSpec);
        field.show();
        connect(&field, &ValueField::wished, &field, &ValueField::setValue);
        QTest::mouseClick(&field, Qt::LeftButton);
        auto* editor = field.findChild<QLineEdit*>();
        QVERIFY(editor != nullptr);
        editor->selectAll();
        QTest::keyClick(editor, Qt::Key_Delete);
        QTest::keyClicks(editor, text);
        QTest::keyClick(editor, Qt::Key_Return);
        QCOMPARE(field.value(), value);
        // What cannot be taken stays open, to be typed anew; Escape takes nothing.
        QCOMPARE(editor->isVisible(), value == 20 && !text.isEmpty());
        if (!editor->isVisible()) {
            QTest::mouseClick(&field, Qt::LeftButton);
            QTRY_VERIFY(field.findChild<QLineEdit*>() != nullptr && field.findChild<QLineEdit*>() != editor);
            editor = field.findChildren<QLineEdit*>().last();
        }
        QTest::keyClicks(editor, QStringLiteral("44"));
        QTest::keyClick(editor, Qt::Key_Escape);
        QCOMPARE(field.value(), value);
    }
    void wheelArrowsAndReset()
    {
        ValueField field(testSpec);
        field.show();
        field.activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&field));
        field.setFocus();
        quint64 gestures = 0;
        field.gestureSource = [&] { return ++gestures; };
        connect(&field, &ValueField::wished, &field, &ValueField::setValue);
        QSignalSpy wished(&field, &ValueField::wished);
        for (int i = 0; i < 3; ++i) {
            QWheelEvent wheel({5, 5}, field.mapToGlobal(QPointF(5, 5)), {}, {0, 120}, Qt::NoButton, Qt::NoModifier,
                              Qt::NoScrollPhase, false);
            QCoreApplication::sendEvent(&field, &wheel);
        }
        QCOMPARE(field.value(), 23.0);
        QCOMPARE(gestures, quint64{1}); // a run of notches is one step of undo
        QTest::keyClick(&field, Qt::Key_Down);
        QCOMPARE(field.value(), 22.0);
        QTest::mouseClick(&field, Qt::LeftButton, Qt::ControlModifier);
        QCOMPARE(field.value(), 20.0);
        QCOMPARE(wished.last().at(1).toULongLong(), quint64{0});
        field.setWhole(true);
        QTest::keyClick(&field, Qt::Key_Up);
        QCOMPARE(field.value(), 21.0);
    }
};

/// Frames of 40 milliseconds, rendered at a cost that is given for the full size.
class HeldScaleTest : public QObject {
    Q_OBJECT
    static double after(HeldScale& held, double fullCost, int frames)
    {
        for (int i = 0; i < frames; ++i)
            held.spent(fullCost * held.share() * held.share(), 40);
        return held.share();
    }

private slots:
    void staysFullWhileThereIsTime()
    {
        HeldScale held;
        QCOMPARE(after(held, 30, 100), 1.0);
    }
    void fallsAsFarAsItMustAndStaysThere()
    {
        HeldScale held;
        QCOMPARE(after(held, 70, 1), 0.5); // 0.75 would take 39 of the 40
        QCOMPARE(after(held, 70, 500), 0.5);
        QCOMPARE(after(held, 100000, 4), 0.25); // and no further
    }
    void oneSlowFrameIsForgiven()
    {
        HeldScale held;
        after(held, 10, 20);
        held.spent(50, 40);
        QCOMPARE(held.share(), 1.0);
    }
    void risesAfterASecond()
    {
        HeldScale held;
        after(held, 70, 1);
        QCOMPARE(after(held, 20, 20), 0.5);
        QCOMPARE(after(held, 20, 20), 0.75);
        QCOMPARE(after(held, 20, 30), 1.0);
        after(held, 70, 1);
        held.reset();
        QCOMPARE(held.share(), 1.0);
    }
};

EMBER_TEST(StoresTest)
EMBER_TEST(HeldScaleTest)
EMBER_TEST(ValueFieldTest)
#include "tst_stores.moc"
