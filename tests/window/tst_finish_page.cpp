// SPDX-License-Identifier: GPL-3.0-or-later
// The finish page and the light of a strike, worked with mouse and keyboard.
#include <QColorDialog>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QToolButton>

#include "ember/media/film_writer.h"
#include "finish_page.h"
#include "runner.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using app::ValueField;

class FinishPageTest : public test::WindowFixture {
    Q_OBJECT
    ValueField* number(const char* parent, const char* name)
    {
        return within<QWidget>(parent, name)->findChild<ValueField*>();
    }
    std::function<QComboBox*()> listOf(const char* parent, const char* name)
    {
        return [=, this] { return within<QWidget>(parent, name)->findChild<QComboBox*>(); };
    }
    std::function<QComboBox*()> ratios()
    {
        return [this] { return child<QComboBox>("letterbox-usual"); };
    }
    void toggle(const char* parent, const char* name)
    {
        QTest::mouseClick(within<QWidget>(parent, name)->findChild<QAbstractButton*>(), Qt::LeftButton);
        turn();
    }
    QString says(const char* name) { return child<QLabel>(name)->text(); }

private slots:
    void theShutterBlursThePictureShown()
    {
        strikeOn(20, Qt::Key_2);
        session().playhead.setFrame(20);
        key(Qt::Key_F8);
        QVERIFY(child<QWidget>("finish-shutter-values")->isVisible());
        type(number("finish-shutter-values", "shutter_angle"), QStringLiteral("0"));
        QVERIFY(says("shutter-says").startsWith(QStringLiteral("Off")));
        const Image sharp = shown();
        type(number("finish-shutter-values", "shutter_angle"), QStringLiteral("360"));
        QCOMPARE(project().finish.shutterAngle, 360.0);
        QVERIFY2(says("shutter-says").contains(QStringLiteral("instants")), qPrintable(says("shutter-says")));
        const Image blurred = shown();
        QVERIFY(test::largestDifference(sharp, blurred) > 20);
        toggle("finish-shown-values", "show_blur");
        QVERIFY(!project().finish.shown.blur);
        QCOMPARE(test::largestDifference(shown(), sharp), 0);
        key(Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(project().finish.shown.blur);
        QCOMPARE(test::largestDifference(shown(), blurred), 0);
    }
    void theCoverTellsWhereItIsNeeded()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_F8);
        QVERIFY2(says("cover-says").startsWith(QStringLiteral("At least")), qPrintable(says("cover-says")));
        session().playhead.setFrame(2);
        click("cover-worst");
        QCOMPARE(session().playhead.frame(), session().document.cover().worstFrame);
        QVERIFY(session().playhead.frame() >= 20);
        choose([this] { return child<QComboBox>("finish-cover"); }, QStringLiteral("no cover"));
        QVERIFY2(says("cover-says").contains(QStringLiteral("show beyond the source")), qPrintable(says("cover-says")));
        choose([this] { return child<QComboBox>("finish-cover"); }, QStringLiteral("breathing cover"));
        QCOMPARE(project().finish.cover, CoverMode::breathing);
        QVERIFY(session().document.cover().at(session().playhead.frame()) > 1);
        QVERIFY(!says("cover-says").contains(QStringLiteral("beyond")));
        QCOMPARE(session().document.cover().at(session().document.length() - 1) > 1.2, false);
    }
    void barsAreDrawnAndUsed()
    {
        key(Qt::Key_F8);
        choose(ratios(), QStringLiteral("2.39"));
        QCOMPARE(project().finish.letterbox, 2.39);
        QVERIFY2(says("bars-say").contains(QStringLiteral("No zoom needed")), qPrintable(says("bars-say")));
        const Image barred = shown();
        QCOMPARE(int(barred.at(barred.width() / 2, 0)[0]), 0);
        QCOMPARE(int(barred.at(barred.width() / 2, 0)[3]), 255);
        type(number("finish-bars-values", "letterbox"), QStringLiteral("1.5"));
        QCOMPARE(project().finish.letterbox, 1.5);
        QCOMPARE(child<QComboBox>("letterbox-usual")->currentText(), QStringLiteral("own"));
        choose(ratios(), QStringLiteral("none"));
        QCOMPARE(project().finish.letterbox, 0.0);
    }
    void lightBelongsToRecipeOrStrike()
    {
        strikeOn(20, Qt::Key_2);
        const double peak = session().document.motion().spans().front().peak;
        session().playhead.setFrame(static_cast<std::int64_t>(peak));
        QVERIFY(!within<QWidget>("light", "flash-colour")->isVisibleTo(child<QWidget>("light")));
        const Image before = shown();
        type(number("light", "flash-strength"), QStringLiteral("80"));
        const Recipe* recipe = project().recipe(session().selection.strike()->recipe);
        QCOMPARE(recipe->effects.flash.strength, 0.8);
        QVERIFY(within<QWidget>("light", "flash-colour")->isVisibleTo(child<QWidget>("light")));
        QVERIFY(test::largestDifference(shown(), before) > 40);
        auto* colour = within<QWidget>("light", "flash-colour")->findChild<QLineEdit*>();
        colour->setFocus();
        colour->selectAll();
        QTest::keyClicks(colour, QStringLiteral("#ff0000"));
        QTest::keyClick(colour, Qt::Key_Return);
        turn();
        QCOMPARE(project().recipe(recipe->id)->effects.flash.colour, 0xff0000U);
        // Or picked: what is chosen counts, what is cancelled does not.
        auto* pick = within<QWidget>("light", "flash-colour")->findChild<QToolButton*>(QStringLiteral("colour-pick"));
        for (const bool chosen : {false, true}) {
            bringIntoView(pick);
            QTest::mouseClick(pick, Qt::LeftButton);
            turn();
            auto* dialog = child<QColorDialog>("colour-dialog");
            QVERIFY(dialog->isVisible());
            QCOMPARE(dialog->currentColor(), QColor(255, 0, 0));
            dialog->setCurrentColor(QColor(0, 128, 255));
            QTest::keyClick(dialog, chosen ? Qt::Key_Return : Qt::Key_Escape);
            turn();
            window_->activateWindow(); // as a desktop does
            QVERIFY(QTest::qWaitForWindowActive(window_.get()));
            QCOMPARE(project().recipe(recipe->id)->effects.flash.colour, chosen ? 0x0080ffU : 0xff0000U);
        }
        // Another strike of the recipe follows; a value of one's own does not.
        strikeOn(40, Qt::Key_2);
        QCOMPARE(session().document.motion().lightAt(peak + 20).flashes.size(), std::size_t{1});
        key(Qt::Key_F8);
        toggle("finish-shown-values", "show_flash");
        QVERIFY(session().document.motion().lightAt(peak).none());
    }
    void impactFramesAreDrawnAndSwitchedOff()
    {
        strikeOn(20, Qt::Key_2);
        const double peak = session().document.motion().spans().front().peak;
        session().playhead.setFrame(static_cast<std::int64_t>(peak));
        const auto isShown = [&](const char* name) {
            return within<QWidget>("light", name)->isVisibleTo(child<QWidget>("light"));
        };
        QVERIFY(isShown("impact-strength") && !isShown("impact-look") && !isShown("flicker-impact"));
        const std::size_t before = session().document.history().undoSteps();
        type(number("light", "impact-strength"), QStringLiteral("100"));
        QCOMPARE(session().document.history().undoSteps(), before + 1);
        QVERIFY(isShown("impact-look") && isShown("impact-threshold") && !isShown("impact-dark"));
        choose([&] { return within<QWidget>("light", "impact-look")->findChild<QComboBox*>(); },
               QStringLiteral("two tone"));
        QVERIFY(isShown("impact-dark") && isShown("impact-light"));
        type(number("light", "impact-softness"), QStringLiteral("0"));
        const Image drawn = shown();
        int other = 0;
        for (int y = 4; y < drawn.height() - 4; ++y)
            for (int x = 4; x < drawn.width() - 4; ++x) {
                const std::uint8_t* pixel = drawn.at(x, y);
                const bool black = pixel[0] == 0 && pixel[1] == 0 && pixel[2] == 0;
                const bool white = pixel[0] == 255 && pixel[1] == 255 && pixel[2] == 255;
                other += black || white ? 0 : 1;
            }
        QCOMPARE(other, 0);
        choose([&] { return within<QWidget>("light", "impact-look")->findChild<QComboBox*>(); },
               QStringLiteral("invert"));
        QVERIFY(!isShown("impact-dark") && !isShown("impact-threshold"));
        // Two frames, then it is over; switched off for the film it is nowhere.
        const auto drawnOn = [&](double frame) { return session().document.motion().lightAt(frame).impact.strength; };
        QCOMPARE(drawnOn(peak), 1.0);
        QCOMPARE(drawnOn(peak + 1), 1.0);
        QCOMPARE(drawnOn(peak + 2), 0.0);
        key(Qt::Key_F8);
        toggle("finish-shown-values", "show_impact");
        QCOMPARE(drawnOn(peak), 0.0);
        QVERIFY(test::largestDifference(shown(), drawn) > 100);
    }
    void layersComeAndGo()
    {
        Image title(30, 16);
        title.fill(255, 0, 0, 255);
        const QString path = at(QStringLiteral("title.png"));
        QVERIFY(savePicture(title, path.toStdString(), true));
        key(Qt::Key_F8);
        const Image before = shown();
        openAnswer_ = path;
        click("layer-add");
        QCOMPARE(project().layers.size(), std::size_t{1});
        const Image titled = shown();
        QVERIFY(test::largestDifference(titled, before) > 60);
        type(within<QWidget>("layer-0", "opacity")->findChild<ValueField*>(), QStringLiteral("0"));
        QCOMPARE(test::largestDifference(shown(), before), 0);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(test::largestDifference(shown(), titled), 0);
        within<QWidget>("layer-0", "axis-roll")->findChild<QAbstractButton*>()->click();
        QVERIFY(!project().layers.front().axis[static_cast<std::size_t>(Axis::roll)]);
        QTest::mouseClick(within<QAbstractButton>("layer-0", "layer-remove"), Qt::LeftButton);
        turn();
        QVERIFY(project().layers.empty());
        openAnswer_ = QString::fromStdString(clip_) + QStringLiteral(".nowhere");
        click("layer-add");
        QVERIFY(project().layers.empty());
    }
};

EMBER_TEST(FinishPageTest)
#include "tst_finish_page.moc"
