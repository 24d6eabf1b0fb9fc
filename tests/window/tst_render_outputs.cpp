// SPDX-License-Identifier: GPL-3.0-or-later
// Films that wait in the queue and are rendered in one pass, and the user's own ways to render.
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTest>

#include "clips.h"
#include "ember/film/output_presets.h"
#include "render_panel.h"
#include "runner.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class RenderOutputsTest : public test::WindowFixture {
    Q_OBJECT

    QPushButton* button(const char* name) { return child<QPushButton>(name); }
    QComboBox* list(const char* name) { return child<QComboBox>(name); }
    QStringList queue()
    {
        QStringList lines;
        auto* shown = child<QListWidget>("render-queue");
        for (int i = 0; i < shown->count(); ++i)
            lines << shown->item(i)->text().section(QLatin1Char(':'), 0, 0);
        return lines;
    }
    void openPanel()
    {
        strikeOn(20);
        window_->showBeside(MainWindow::Beside::render);
        list("render-preset")->setEditText(QString());
    }
    void later(const char* name)
    {
        child<QLineEdit>("render-path")->setText(at(QLatin1String(name)));
        QTest::mouseClick(button("render-later"), Qt::LeftButton);
        turn();
    }
    void typePreset(const QString& name)
    {
        QLineEdit* line = list("render-preset")->lineEdit();
        line->setFocus();
        line->selectAll();
        QTest::keyClicks(line, name);
        turn();
    }

private slots:
    void whatWaitsIsRenderedInOnePass()
    {
        openPanel();
        later("one.mkv");
        QVERIFY(!window_->renderPanel().running());
        QVERIFY(!button("render-later")->isEnabled()); // it waits already
        QVERIFY(button("render-later")->toolTip().contains(QStringLiteral("already")));
        QCOMPARE(button("render-start")->text(), QStringLiteral("Render queue"));
        later("two.mp4");
        later("three_%03d.png");
        QCOMPARE(queue(),
                 (QStringList{QStringLiteral("waiting"), QStringLiteral("waiting"), QStringLiteral("waiting")}));
        QTest::mouseClick(button("render-start"), Qt::LeftButton);
        QCOMPARE(queue(),
                 (QStringList{QStringLiteral("running"), QStringLiteral("running"), QStringLiteral("running")}));
        QVERIFY(!button("render-later")->isVisible());
        QTRY_VERIFY(!window_->renderPanel().running());
        QCOMPARE(queue(), (QStringList{QStringLiteral("done"), QStringLiteral("done"), QStringLiteral("done")}));
        for (const char* name : {"one.mkv", "two.mp4", "three_004.png"})
            QVERIFY2(QFile::exists(at(QLatin1String(name))), name);
        const QString says = child<QLabel>("render-state")->text();
        QVERIFY2(says.contains(QStringLiteral("one.mkv")) && says.contains(QStringLiteral("two.mp4")),
                 qPrintable(says));
    }
    void whatStandsInTheWayOfOneIsNotTheOthersFault()
    {
        openPanel();
        test::writeBytes(at(QStringLiteral("there.mkv")).toStdString(), "mine");
        later("there.mkv");
        later("free.mkv");
        QTest::mouseClick(button("render-start"), Qt::LeftButton);
        QTRY_VERIFY(!window_->renderPanel().running());
        QCOMPARE(queue(), (QStringList{QStringLiteral("not made"), QStringLiteral("done")}));
        QCOMPARE(test::bytesOf(at(QStringLiteral("there.mkv")).toStdString()), QByteArray("mine"));
        QVERIFY(QFile::exists(at(QStringLiteral("free.mkv"))));
    }
    void otherFramesArePassesOfTheirOwn()
    {
        openPanel();
        later("whole.mkv");
        session().playhead.setLoop({5, 14, true});
        list("render-range")->setCurrentIndex(1);
        later("loop.mkv");
        QTest::mouseClick(button("render-start"), Qt::LeftButton);
        QCOMPARE(queue(), (QStringList{QStringLiteral("running"), QStringLiteral("waiting")}));
        QTRY_VERIFY(!window_->renderPanel().running());
        QCOMPARE(queue(), (QStringList{QStringLiteral("done"), QStringLiteral("done")}));
        QCOMPARE(ClipReader::open(at(QStringLiteral("loop.mkv")).toStdString()).value()->info().length,
                 std::int64_t{10});
    }
    void presetsAreSavedChosenAndRemoved()
    {
        openPanel();
        QVERIFY(!button("render-preset-save")->isEnabled() && !button("render-preset-remove")->isEnabled());
        QVERIFY(!button("render-preset-save")->toolTip().isEmpty());
        list("render-format")->setCurrentIndex(list("render-format")->findData(QStringLiteral(".mov")));
        list("render-coder")->setCurrentIndex(list("render-coder")->findData(static_cast<int>(Coder::prores4444)));
        list("render-size")->setCurrentIndex(1);
        list("render-version")->setCurrentIndex(1);
        typePreset(QStringLiteral("Hand over"));
        QTest::mouseClick(button("render-preset-save"), Qt::LeftButton);
        turn();
        const OutputPresets kept = loadOutputPresets(outputPresetsPath()).value();
        QCOMPARE(kept,
                 (OutputPresets{{"Hand over", ".mov", 0.5, FilmQuality::good, Coder::prores4444, std::nullopt, true}}));
        QVERIFY(!button("render-preset-save")->isEnabled()); // as it was saved
        // Other settings; then the preset is chosen again.
        list("render-format")->setCurrentIndex(0);
        list("render-size")->setCurrentIndex(0);
        list("render-version")->setCurrentIndex(0);
        QVERIFY(button("render-preset-save")->isEnabled());
        list("render-preset")->setCurrentIndex(0);
        emit list("render-preset")->activated(0);
        turn();
        QVERIFY(child<QLineEdit>("render-path")->text().endsWith(QStringLiteral(".mov")));
        QCOMPARE(list("render-coder")->currentData().toInt(), static_cast<int>(Coder::prores4444));
        QCOMPARE(list("render-size")->currentIndex(), 1);
        QCOMPARE(list("render-version")->currentIndex(), 1);
        // Typing a name or pressing Enter in it changes nothing else and renders nothing.
        typePreset(QStringLiteral("Another"));
        QTest::keyClick(list("render-preset")->lineEdit(), Qt::Key_Return);
        turn();
        QVERIFY(!window_->renderPanel().running() && queue().isEmpty());
        QCOMPARE(list("render-preset")->count(), 1);
        QCOMPARE(list("render-coder")->currentData().toInt(), static_cast<int>(Coder::prores4444));
        typePreset(QStringLiteral("Hand over"));
        QTest::mouseClick(button("render-preset-remove"), Qt::LeftButton);
        turn();
        QVERIFY(loadOutputPresets(outputPresetsPath())->empty());
        QCOMPARE(list("render-preset")->count(), 0);
    }
};

EMBER_TEST(RenderOutputsTest)
#include "tst_render_outputs.moc"
