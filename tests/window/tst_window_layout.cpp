// SPDX-License-Identifier: GPL-3.0-or-later
// What stands where: the picture is large, little is in sight, nothing is cut, a switch looks like one.
#include <QCheckBox>
#include <QComboBox>
#include <QInputDialog>
#include <QLabel>
#include <QLineEdit>
#include <QTest>
#include <QToolButton>

#include "bars.h"
#include "cut_texts.h"
#include "ember/core/timecode.h"
#include "handle_tag.h"
#include "player.h"
#include "render_panel.h"
#include "runner.h"
#include "style.h"
#include "theme.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class WindowLayoutTest : public test::WindowFixture {
    Q_OBJECT

    bool inSight(const QWidget* widget)
    {
        return widget->isVisible() && widget->window() == window_.get() && !widget->visibleRegion().isEmpty();
    }
    /// What can be pressed, typed into or chosen from. One of which another is a part (a number and its editor, a group
    /// of which one is chosen) counts once, and so does a bar with its number.
    QStringList controls()
    {
        QStringList found;
        for (auto* widget : window_->findChildren<QWidget*>()) {
            if (!inSight(widget) || qobject_cast<DraggedValue*>(widget) != nullptr)
                continue;
            const bool counts =
                qobject_cast<QAbstractButton*>(widget) != nullptr || qobject_cast<QComboBox*>(widget) != nullptr ||
                qobject_cast<ValueField*>(widget) != nullptr || qobject_cast<QLineEdit*>(widget) != nullptr;
            const QString name = widget->objectName();
            if (!counts || qobject_cast<ValueField*>(widget->parentWidget()) != nullptr ||
                qobject_cast<QComboBox*>(widget->parentWidget()) != nullptr)
                continue;
            if (name.startsWith(QLatin1String("page-")) && name != QLatin1String("page-0"))
                continue; // tabs
            if (name == QLatin1String("decay-linear") || name == QLatin1String("decay-fast"))
                continue;
            found << (name.isEmpty() ? QString::fromLatin1(widget->metaObject()->className()) : name);
        }
        for (std::size_t i = 0; i < canvas().layoutNow().lanes.size(); ++i)
            found << QStringLiteral("lane %1").arg(i);
        return found;
    }
    QSizeF pictureSize() { return fitPicture(window_->picture().size(), 1280, 720).size(); }
    void wide()
    {
        Project film = project();
        film.width = 1280;
        film.height = 720;
        session().document.edit(std::move(film), QStringLiteral("wide"));
    }

private slots:
    void thePictureIsLarge()
    {
        wide();
        strikeOn(20, Qt::Key_2);
        click("hint-close");
        turn();
        QCOMPARE(window_->size(), QSize(1280, 800));
        QVERIFY2(pictureSize().width() >= 740 && pictureSize().height() >= 416,
                 qPrintable(QStringLiteral("%1 x %2").arg(pictureSize().width()).arg(pictureSize().height())));
        QCOMPARE(canvas().layoutNow().lanes.size(), std::size_t{3}); // with all its lanes
        QVERIFY(contactSize(canvas().layoutNow(), 16.0 / 9).width() >= 58);
        window_->resize(1920, 1080);
        turn();
        QVERIFY2(pictureSize().width() >= 1180 && pictureSize().height() >= 664,
                 qPrintable(QStringLiteral("%1 x %2, bands %3")
                                .arg(pictureSize().width())
                                .arg(pictureSize().height())
                                .arg(canvas().height())));
    }
    void littleIsInSight()
    {
        strikeOn(20, Qt::Key_2);
        click("hint-close");
        turn();
        const QStringList seen = controls();
        QVERIFY2(seen.size() <= 52,
                 qPrintable(QStringLiteral("%1: %2").arg(seen.size()).arg(seen.join(QLatin1Char(' ')))));
        QVERIFY(seen.size() > 35); // they are counted at all
    }
    void nothingIsCut_data()
    {
        QTest::addColumn<QSize>("size");
        for (const QSize size :
             {QSize(960, 640), QSize(1024, 640), QSize(1280, 800), QSize(1920, 1080), QSize(3840, 2160)})
            QTest::addRow("%d x %d", size.width(), size.height()) << size;
    }
    void nothingIsCut()
    {
        QFETCH(QSize, size);
        window_->resize(size);
        strikeOn(20, Qt::Key_2);
        turn();
        for (const Qt::Key page : {Qt::Key_F5, Qt::Key_F6, Qt::Key_F7, Qt::Key_F8}) {
            key(page);
            turn();
            const QStringList cut = test::cutIn(*window_);
            QVERIFY2(cut.isEmpty(), qPrintable(cut.join(QLatin1Char('\n'))));
        }
        key(Qt::Key_R, Qt::ControlModifier);
        turn();
        QVERIFY(window_->renderPanel().isVisible());
        const auto* around = window_->renderPanel().parentWidget();
        QVERIFY2(window_->renderPanel().width() <= around->width(),
                 qPrintable(QStringLiteral("%1 in %2").arg(window_->renderPanel().width()).arg(around->width())));
    }
    void aLayoutOfAnotherScreenIsBroughtHere()
    {
        window_->resize(3000, 1900);
        window_->move(5000, -4000);
        turn();
        window_->close(); // which remembers it
        turn();
        window_ = std::make_unique<MainWindow>(answered());
        window_->show();
        window_->fitScreen();
        turn();
        const QRect screen = window_->screen()->availableGeometry();
        QVERIFY2(screen.contains(window_->geometry().topLeft()), "its title can be taken hold of");
        QVERIFY(window_->width() <= std::max(screen.width(), window_->minimumWidth()));
        // What was kept is damaged.
        for (const char* key : {"window/geometry", "window/band-heights", "window/picture-width"})
            QSettings().setValue(QLatin1String(key), QByteArray("\x01\x02 nonsense"));
        window_ = std::make_unique<MainWindow>(answered());
        window_->show();
        turn();
        QVERIFY(window_->width() >= 640 && canvas().height() >= 60 && window_->picture().height() >= 60);
    }
    void theReelNamesFramesByTheClock()
    {
        const auto picture = [this] {
            return window_->reel().grab(window_->reel().layoutNow().ruler.toAlignedRect()).toImage();
        };
        const QImage frames = picture();
        QAction* named = nullptr;
        for (const ListedAction& one : actionsOf(*window_->menuBar()))
            if (one.id == QLatin1String("view.timecode-on-the-reel"))
                named = one.action;
        QVERIFY(named != nullptr);
        named->trigger();
        const QImage timecode = picture();
        QVERIFY(frames != timecode);
        Project next = project();
        next.clock = *clockFrom("10:00:00:00", next.rate);
        session().document.edit(std::move(next), QStringLiteral("clock"));
        QVERIFY(picture() != timecode); // it begins with the film's own
        named->trigger();
        QVERIFY(picture() == frames);
    }
    void valuesStandApartFromEachOther()
    {
        // The real ones, for each shipped recipe of the project, at several widths.
        strikeOn(20, Qt::Key_1);
        for (const int width : {1024, 1280, 1920}) {
            window_->resize(width, 800);
            for (std::size_t i = 0; i < project().recipes.size(); ++i) {
                emit child<QComboBox>("strike-recipe")->activated(static_cast<int>(i));
                turn();
                const auto tags = window_->anvil().findChildren<HandleTag*>();
                for (const HandleTag* one : tags) {
                    if (!one->isVisible())
                        continue;
                    QVERIFY(window_->anvil().rect().contains(one->geometry()));
                    QVERIFY(one->visibleRegion().boundingRect() == one->rect());
                    for (const HandleTag* other : tags)
                        QVERIFY2(other == one || !other->isVisible() || !other->geometry().intersects(one->geometry()),
                                 qPrintable(one->objectName() + other->objectName()));
                }
            }
        }
    }
    void aValuesSheetHoldsWhatBelongsToIt()
    {
        strikeOn(20, Qt::Key_2);
        auto* tag = child<HandleTag>("tag-attack");
        QTest::mouseClick(tag, Qt::LeftButton, {}, QPoint(4, tag->height() / 2));
        auto* sheet = child<TagSheet>("sheet-attack");
        QVERIFY(sheet->isVisible());
        choose([&] { return sheet->findChild<QWidget*>(QStringLiteral("envelope-anchor"))->findChild<QComboBox*>(); },
               QStringLiteral("peak"));
        QCOMPARE(felt().chosen<Anchor>(EnvelopeField::anchor), Anchor::peak);
        sheet->close();
        // By key: Alt and Down in the number.
        auto* number = child<ValueField>("envelope-release");
        number->setFocus(Qt::TabFocusReason);
        QTest::keyClick(number, Qt::Key_Down, Qt::AltModifier);
        QVERIFY(child<TagSheet>("sheet-release")->isVisible());
        child<TagSheet>("sheet-release")->close();
    }
    void lanesAreDraggedIntoOrder()
    {
        strikeOn(20, Qt::Key_2);
        const auto names = [this] {
            QStringList list;
            for (const Strand& strand : session().shaping.felt()->strands)
                list << QString::fromStdString(strand.name);
            return list;
        };
        const QStringList before = names();
        const AnvilLayout layout = canvas().layoutNow();
        drag(&canvas(), lanePartsAt(layout, 2).name.center().toPoint(), lanePartsAt(layout, 0).name.center().toPoint());
        QCOMPARE(names(), (QStringList{before[2], before[0], before[1]}));
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(names(), before);
        // Dropped beside the lanes, or given up, nothing happens.
        drag(&canvas(), lanePartsAt(layout, 2).name.center().toPoint(), layout.plot.center().toPoint());
        QTest::mousePress(&canvas(), Qt::LeftButton, {}, lanePartsAt(layout, 2).name.center().toPoint());
        QTest::mouseMove(&canvas(), lanePartsAt(layout, 0).name.center().toPoint());
        QTest::keyClick(&canvas(), Qt::Key_Escape);
        QTest::mouseRelease(&canvas(), Qt::LeftButton, {}, lanePartsAt(layout, 0).name.center().toPoint());
        QCOMPARE(names(), before);
    }
    void axesAreAddedAndDragged()
    {
        strikeOn(20, Qt::Key_2);
        QVERIFY(!within<QWidget>("strand", "amount-roll")->isVisible());
        click("add-roll");
        QVERIFY(within<QWidget>("strand", "amount-roll")->isVisible());
        QCOMPARE(session().shaping.felt()->strands[0].amount[Axis::roll], 0.0); // asking changes nothing
        auto* bar = child<AmountBar>("bar-roll");
        drag(bar, {2, 8}, {bar->width() / 2, 8});
        QCOMPARE(session().shaping.felt()->strands[0].amount[Axis::roll], 3.0);
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session().shaping.felt()->strands[0].amount[Axis::roll], 0.0);
        // Escape takes a drag back, as if it had never been.
        QTest::mousePress(bar, Qt::LeftButton, {}, {bar->width() / 3, 8});
        QVERIFY(session().shaping.felt()->strands[0].amount[Axis::roll] > 1);
        QTest::keyClick(window_.get(), Qt::Key_Escape);
        QCOMPARE(session().shaping.felt()->strands[0].amount[Axis::roll], 0.0);
        QTest::mouseRelease(bar, Qt::LeftButton, {}, {bar->width() / 2, 8});
        QCOMPARE(session().shaping.felt()->strands[0].amount[Axis::roll], 0.0);
    }
    void framesAndTimecodesAreGoneTo()
    {
        key(Qt::Key_J, Qt::ControlModifier);
        for (const char digit : {'5', '7'})
            QTest::keyClick(window_->windowHandle(), digit);
        QTest::keyClick(window_->windowHandle(), Qt::Key_Return);
        QCOMPARE(session().playhead.frame(), std::int64_t{57});
        type(child<ValueField>("go-to-frame"), QStringLiteral("0:03:02"));
        QCOMPARE(session().playhead.frame(), std::int64_t{74});
        QCOMPARE(child<QLabel>("timecode")->text(), QStringLiteral("00:00:03:02"));
        type(child<ValueField>("go-to-frame"), QStringLiteral("0:03:99")); // no such frame: told, and nothing moves
        QCOMPARE(session().playhead.frame(), std::int64_t{74});
        QVERIFY(!session().document.history().canUndo());
    }
    void theFilmHasAClock()
    {
        strikeOn(20, Qt::Key_2);
        key(Qt::Key_F7);
        auto* first = child<QLineEdit>("film-timecode");
        QCOMPARE(first->text(), QStringLiteral("00:00:00:00"));
        const auto enter = [&](const QString& text) {
            bringIntoView(first);
            QTest::mouseClick(first, Qt::LeftButton);
            first->selectAll();
            QTest::keyClicks(first, text);
            QTest::keyClick(first, Qt::Key_Return);
            turn();
        };
        enter(QStringLiteral("01:00:00:00"));
        QCOMPARE(project().clock.start, std::int64_t{86'400});
        type(child<ValueField>("go-to-frame"), QStringLiteral("1:00:01:05"));
        QCOMPARE(session().playhead.frame(), std::int64_t{29});
        QCOMPARE(child<QLabel>("timecode")->text(), QStringLiteral("01:00:01:05"));
        enter(QStringLiteral("at nine"));
        QCOMPARE(project().clock.start, std::int64_t{86'400});
        QCOMPARE(first->text(), QStringLiteral("01:00:00:00")); // what was refused does not stay
        window_->picture().setFocus();
        key(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(project().clock, FilmClock());
        QCOMPARE(first->text(), QStringLiteral("00:00:00:00"));
    }
    void thePictureIsMagnified()
    {
        wide();
        strikeOn(20, Qt::Key_2);
        PictureView& picture = window_->picture();
        QTRY_VERIFY(picture.settled());
        const QRectF fit = picture.framePlace();
        const auto before = session().document.snapshot();
        wheelOver(&picture, 3);
        QVERIFY(picture.framePlace().width() > 1.8 * fit.width());
        QVERIFY(child<QLabel>("picture-facts")->text().contains(QLatin1Char('%')));
        key(Qt::Key_F, Qt::ShiftModifier); // pixel for pixel
        QCOMPARE(picture.framePlace().width() * picture.devicePixelRatioF(), 1280.0);
        QTRY_VERIFY(picture.settled() && picture.picture().width() == 1280); // nothing is left out at that size
        const auto dragged = [&](Qt::MouseButton button) {
            const QPointF corner = picture.framePlace().topLeft();
            QTest::mousePress(&picture, button, {}, {200, 200});
            QMouseEvent move(QEvent::MouseMove, QPointF(170, 190), picture.mapToGlobal(QPointF(170, 190)), Qt::NoButton,
                             button, Qt::NoModifier);
            QCoreApplication::sendEvent(&picture, &move);
            QTest::mouseRelease(&picture, button, {}, {170, 190});
            return picture.framePlace().topLeft() - corner;
        };
        QCOMPARE(dragged(Qt::MiddleButton), QPointF(-30, -10));
        QCOMPARE(dragged(Qt::LeftButton), QPointF(0, 0)); // that alone moves nothing
        picture.setFocus();
        QTest::keyPress(window_->windowHandle(), Qt::Key_Space);
        QCOMPARE(dragged(Qt::LeftButton), QPointF(-30, -10));
        QTest::keyRelease(window_->windowHandle(), Qt::Key_Space);
        QVERIFY(!window_->player().playing()); // and does not play
        QCOMPARE(dragged(Qt::LeftButton), QPointF(0, 0));
        key(Qt::Key_F);
        QCOMPARE(picture.framePlace(), fit);
        QVERIFY(*before == project()); // looking changes nothing
    }
    void guidesStayOverTheShakenPicture()
    {
        strikeOn(20, Qt::Key_2);
        session().playhead.setFrame(0);
        QTRY_VERIFY(window_->picture().settled());
        const QImage without = window_->picture().grab().toImage();
        Guides guides;
        guides.thirds = true;
        window_->picture().setGuides(guides);
        const QImage with = window_->picture().grab().toImage();
        const QRectF frame = window_->picture().framePlace();
        const double scale = with.width() / double(window_->picture().width());
        const auto apart = [&](double share) { // the most that a stretch of five pixels there has changed
            const QPointF at = (frame.topLeft() + QPointF(share * frame.width(), 0.2 * frame.height())) * scale;
            int most = 0;
            for (int x = -2; x <= 2; ++x) {
                const QPoint place = at.toPoint() + QPoint(x, 0);
                most = std::max(most, std::abs(qGray(with.pixel(place)) - qGray(without.pixel(place))));
            }
            return most;
        };
        QVERIFY2(apart(1 / 3.0) > 20 && apart(2 / 3.0) > 20, qPrintable(QString::number(apart(1 / 3.0))));
        QCOMPARE(apart(0.45), 0);
        dialogAnswer_ = [](QDialog& dialog) {
            static_cast<QInputDialog&>(dialog).setTextValue(QStringLiteral("x 10 %"));
            dialog.accept();
        };
        for (QAction* action : window_->findChildren<QAction*>())
            if (action->text() == QStringLiteral("&Own lines"))
                action->trigger();
        QVERIFY(child<QLabel>("told")->text().contains(QStringLiteral("x 10 %")));
    }
    void aSwitchLooksLikeOne()
    {
        // In both schemes, and in grey: on and off differ in far more than a border.
        for (const auto scheme : {theme::Scheme::dark, theme::Scheme::light}) {
            theme::setScheme(*qApp, scheme);
            QCheckBox box(QStringLiteral("x"));
            box.resize(box.sizeHint());
            QToolButton button;
            button.setCheckable(true);
            button.setText(QStringLiteral("loop"));
            button.resize(button.sizeHint());
            const auto greyApart = [](QAbstractButton& widget) {
                widget.setChecked(false);
                const QImage off = widget.grab().toImage().convertToFormat(QImage::Format_Grayscale8);
                widget.setChecked(true);
                const QImage on = widget.grab().toImage().convertToFormat(QImage::Format_Grayscale8);
                int apart = 0;
                for (int y = 0; y < off.height(); ++y)
                    for (int x = 0; x < off.width(); ++x)
                        apart += std::abs(off.scanLine(y)[x] - on.scanLine(y)[x]) > 40 ? 1 : 0;
                return apart;
            };
            QVERIFY2(greyApart(box) > 100, qPrintable(QString::number(greyApart(box))));
            QVERIFY2(greyApart(button) > button.width() * button.height() / 2,
                     qPrintable(QString::number(greyApart(button))));
        }
        theme::setScheme(*qApp, theme::Scheme::dark);
    }
};

EMBER_TEST(WindowLayoutTest)
#include "tst_window_layout.moc"
