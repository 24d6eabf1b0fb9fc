// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include <QMenuBar>

#include "actions.h"
#include "anvil_view.h"
#include "curve_view.h"
#include "main_window.h"
#include "part_fixture.h"
#include "picture_view.h"
#include "reel_view.h"

namespace ember::test {

/// The whole window, worked like that.
class WindowFixture : public PartFixture {
    Q_OBJECT
protected:
    std::unique_ptr<app::MainWindow> window_;

    QWidget* root() override { return window_.get(); }
    app::Session& session() override { return window_->session(); }
    void key(Qt::Key k, Qt::KeyboardModifiers m = {}) { QTest::keyClick(window_.get(), k, m); }
    void open(const QString& path)
    {
        window_->openPath(path);
        QTRY_VERIFY(!session().busy.working());
    }
    /// The picture on show, once everything asked for has arrived.
    Image shown()
    {
        const bool there = QTest::qWaitFor(
            [&] {
                return window_->picture().settled() && window_->picture().pictureFrame() == session().playhead.frame();
            },
            patience);
        const QImage picture = window_->picture().picture();
        if (!there || picture.isNull())
            return Image(1, 1);
        Image image(picture.width(), picture.height());
        for (int y = 0; y < image.height(); ++y)
            std::copy_n(picture.constScanLine(y), 4 * image.width(), image.row(y));
        return image;
    }
    /// With the left button held.
    static void moveTo(QWidget& widget, QPoint place, Qt::KeyboardModifiers keys = {})
    {
        QMouseEvent move(QEvent::MouseMove, place, widget.mapToGlobal(place), Qt::NoButton, Qt::LeftButton, keys);
        QCoreApplication::sendEvent(&widget, &move);
    }
    app::AnvilCanvas& canvas() { return window_->anvil().canvas(); }
    /// Shows a strand in the side column by a click on its lane.
    QWidget* showStrand(std::size_t index)
    {
        const app::LaneParts lane = app::lanePartsAt(canvas().layoutNow(), index);
        QTest::mouseClick(&canvas(), Qt::LeftButton, {}, lane.name.center().toPoint());
        turn();
        return child<QWidget>("strand");
    }
    /// What is rarely touched of the recipe.
    void showRecipeMore() { click("recipe-more"); }
    Envelope felt() { return envelopeOf(project(), *session().selection.strike()); }
    QPoint handle(app::Handle wanted)
    {
        for (const app::HandlePoint& p : app::handlePoints(canvas().layoutNow(), felt()))
            if (p.handle == wanted)
                return p.at.toPoint();
        return {};
    }
    QPoint spark(std::int64_t frame)
    {
        const app::ReelLayout layout = window_->reel().layoutNow();
        return QPointF(layout.sparkX(frame), layout.sparks.bottom() - 3).toPoint();
    }
    void strikeOn(std::int64_t frame, Qt::Key kind = Qt::Key_3)
    {
        session().playhead.setFrame(frame);
        key(kind);
    }
    /// A film with something of all there is.
    void furnish()
    {
        int frame = 10;
        for (const Qt::Key kind : {Qt::Key_1, Qt::Key_2, Qt::Key_3, Qt::Key_4})
            strikeOn(frame += 20, kind);
        key(Qt::Key_H);
    }
    QAction* action(const char* id)
    {
        for (const app::ListedAction& one : app::actionsOf(*window_->menuBar()))
            if (one.id == QLatin1String(id))
                return one.action;
        qFatal("no action %s", id);
    }
    /// Shows all places of the window and all its other windows, one after the other, of a film with something in it.
    void throughAllPlaces(const std::function<void(QWidget&)>& seen)
    {
        furnish();
        for (const Qt::Key page : {Qt::Key_F5, Qt::Key_F6, Qt::Key_F7, Qt::Key_F8}) {
            key(page);
            turn();
            seen(*window_);
        }
        key(Qt::Key_F5);
        for (std::size_t i = 0; i < canvas().layoutNow().lanes.size(); ++i) {
            showStrand(i);
            seen(*window_);
        }
        showRecipeMore();
        seen(*window_);
        key(Qt::Key_U);
        for (const auto of : {app::CurveChannels::Of::keys, app::CurveChannels::Of::shape,
                              app::CurveChannels::Of::light, app::CurveChannels::Of::film}) {
            window_->curves().channels().setOf(of);
            turn();
            seen(*window_);
        }
        key(Qt::Key_U);
        key(Qt::Key_M); // the picture by hand
        turn();
        seen(*window_);
        key(Qt::Key_M);
        for (const char* panel : {"file.render-film", "find.find-strikes"}) {
            action(panel)->trigger();
            turn();
            seen(*window_);
            QTest::keyClick(window_.get(), Qt::Key_Escape);
        }
        dialogAnswer_ = [&](QDialog& dialog) {
            seen(dialog);
            dialog.reject();
        };
        for (const char* id :
             {"edit.preferences", "edit.shortcuts", "find.tap-test", "strike.table", "strike.places-from-above",
              "find.camera-motions", "play.live-bench", "file.hand-on", "file.apply-to-clips", "file.drop-bench",
              "compare.comfort", "compare.frames-around-the-strike-large"}) {
            action(id)->trigger();
            turn();
            for (QWidget* top : QApplication::topLevelWidgets())
                if (top != window_.get() && top->isVisible()) {
                    seen(*top);
                    top->close();
                }
            turn();
        }
        settle();
    }
    /// A new window, as when the program starts.
    void begin()
    {
        window_ = std::make_unique<app::MainWindow>(answered());
        window_->resize(1280, 800);
        window_->show();
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
    }

private slots:
    void init()
    {
        forget();
        begin();
        open(QString::fromStdString(clip_));
        QVERIFY(session().film.hasClip());
    }
    void cleanup() { window_.reset(); }
};

} // namespace ember::test
