// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <functional>
#include <memory>

#include <QAbstractButton>
#include <QComboBox>
#include <QDialog>
#include <QDir>
#include <QFile>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPushButton>
#include <QScrollArea>
#include <QSettings>
#include <QTemporaryDir>
#include <QTest>
#include <QWheelEvent>

#include "anvil_view.h"
#include "clips.h"
#include "ember/project/motion_library.h"
#include "ember/project/recipe_book.h"
#include "main_window.h"
#include "patience.h"
#include "picture_view.h"
#include "pictures.h"
#include "reel_view.h"

namespace ember::test {

/// A window with a clip of numbered frames, worked with mouse and keyboard; what is asked of the user is answered by
/// the test.
class WindowFixture : public QObject {
    Q_OBJECT
protected:
    QTemporaryDir folder_;
    std::string clip_;
    std::unique_ptr<app::MainWindow> window_;
    QString openAnswer_;
    QString saveAnswer_;
    app::SaveChoice leaveAnswer_ = app::SaveChoice::discard;
    int leaveAsked_ = 0;
    bool confirmAnswer_ = true;
    app::ChangedChoice changedAnswer_ = app::ChangedChoice::cancel;
    int changedAsked_ = 0;
    /// What a window of ours is answered with; it is shown before. By default its default button is pressed.
    std::function<void(QDialog&)> dialogAnswer_;

    QString at(const QString& name) const { return folder_.filePath(name); }
    app::Session& session() { return window_->session(); }
    const Project& project() { return session().document.project(); }
    template <typename Widget>
    Widget* child(const char* name)
    {
        auto* found = window_->findChild<Widget*>(QLatin1String(name));
        if (found == nullptr)
            qFatal("no widget %s", name);
        return found;
    }
    void key(Qt::Key k, Qt::KeyboardModifiers m = {}) { QTest::keyClick(window_.get(), k, m); }
    void open(const QString& path)
    {
        window_->openPath(path);
        QTRY_VERIFY(!session().busy.working());
    }
    /// What is waited for is done.
    void settle() { QTRY_VERIFY(!session().busy.working()); }
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
    app::AnvilCanvas& canvas() { return window_->anvil().canvas(); }
    Envelope felt() { return envelopeOf(project(), *session().selection.strike()); }
    QPoint handle(app::Handle wanted)
    {
        for (const app::HandlePoint& p : app::handlePoints(canvas().layoutNow(), felt()))
            if (p.handle == wanted)
                return p.at.toPoint();
        return {};
    }
    /// Presses, moves in steps and lets go.
    void drag(QWidget* widget, QPoint from, QPoint to, Qt::KeyboardModifiers modifiers = {})
    {
        QTest::mousePress(widget, Qt::LeftButton, modifiers, from);
        for (int i = 1; i <= 6; ++i) {
            const QPoint place = from + (to - from) * i / 6;
            QMouseEvent move(QEvent::MouseMove, place, widget->mapToGlobal(place), Qt::NoButton, Qt::LeftButton,
                             modifiers);
            QCoreApplication::sendEvent(widget, &move);
        }
        QTest::mouseRelease(widget, Qt::LeftButton, modifiers, to);
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
    template <typename Widget>
    Widget* within(const char* parent, const char* name)
    {
        auto* found = child<QWidget>(parent)->template findChild<Widget*>(QLatin1String(name));
        if (found == nullptr)
            qFatal("no widget %s in %s", name, parent);
        return found;
    }
    /// What was put off is done, and what was to be deleted is gone.
    static void turn()
    {
        for (int i = 0; i < 3; ++i) // what is put off may put off more
            QCoreApplication::processEvents();
        QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    }
    void click(const char* name)
    {
        bringIntoView(child<QAbstractButton>(name));
        QTest::mouseClick(child<QAbstractButton>(name), Qt::LeftButton);
        turn();
    }
    /// Chooses a word of a list with the arrow keys. The list is asked for again at each step: a choice may bring
    /// another.
    void choose(const std::function<QComboBox*()>& list, const QString& word)
    {
        const int wanted = list()->findText(word);
        QVERIFY2(wanted >= 0, qPrintable(word));
        for (int i = 0; i < 20 && list()->currentIndex() != wanted; ++i) {
            QTest::keyClick(list(), list()->currentIndex() < wanted ? Qt::Key_Down : Qt::Key_Up);
            turn();
        }
        QCOMPARE(list()->currentIndex(), wanted);
    }
    /// Turns the wheel over a widget: who does not want it leaves it to what it lies in, as events of a mouse are.
    static void wheelOver(QWidget* widget, int notches)
    {
        const QPoint at = widget->visibleRegion().boundingRect().center();
        if (widget->visibleRegion().isEmpty())
            return;
        const QPoint everywhere = widget->mapToGlobal(at);
        for (QWidget* to = widget; to != nullptr; to = to->parentWidget()) {
            QWheelEvent turned(to->mapFromGlobal(everywhere), everywhere, {}, QPoint(0, 120 * notches), Qt::NoButton,
                               Qt::NoModifier, Qt::NoScrollPhase, false);
            turned.setAccepted(true);
            QCoreApplication::sendEvent(to, &turned);
            if (turned.isAccepted() || to->isWindow())
                break;
        }
        turn();
    }
    /// Scrolls to where a widget is.
    static void bringIntoView(QWidget* widget)
    {
        for (QWidget* above = widget->parentWidget(); above != nullptr; above = above->parentWidget())
            if (auto* area = qobject_cast<QScrollArea*>(above))
                area->ensureWidgetVisible(widget);
        turn();
    }
    /// Clicks on a number, types another and presses Enter.
    void type(QWidget* field, const QString& text)
    {
        bringIntoView(field);
        QTest::mouseClick(field, Qt::LeftButton);
        auto* editor = field->findChild<QLineEdit*>();
        QVERIFY(editor != nullptr);
        editor->selectAll();
        QTest::keyClicks(editor, text);
        QTest::keyClick(editor, Qt::Key_Return);
        turn();
    }

    /// A new window, as when the program starts.
    void begin()
    {
        app::Dialogs dialogs;
        dialogs.openFile = [this](QWidget*, const QString&, const QString&) { return openAnswer_; };
        dialogs.saveFile = [this](QWidget*, const QString&, const QString&, const QString&) { return saveAnswer_; };
        dialogs.unsavedChanges = [this](QWidget*, const QString&) {
            ++leaveAsked_;
            return leaveAnswer_;
        };
        dialogs.confirm = [this](QWidget*, const QString&, const QString&) { return confirmAnswer_; };
        dialogs.changedOutside = [this](QWidget*, const QString&) {
            ++changedAsked_;
            return changedAnswer_;
        };
        dialogs.run = [this](QDialog& dialog) {
            dialog.show();
            turn();
            if (dialogAnswer_) {
                dialogAnswer_(dialog);
            } else {
                for (auto* button : dialog.findChildren<QPushButton*>())
                    if (button->isDefault())
                        button->click();
            }
            dialog.hide();
            window_->activateWindow();
            return QTest::qWaitForWindowActive(window_.get()) && dialog.result() == QDialog::Accepted;
        };
        window_ = std::make_unique<app::MainWindow>(dialogs);
        window_->resize(1280, 800);
        window_->show();
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
    }

private slots:
    void initTestCase()
    {
        clip_ = numberedClip(folder_, "clip.mkv", 120, FrameRate(), 384, 256, true);
        QVERIFY(!clip_.empty());
    }
    void init()
    {
        QSettings().clear();
        QFile::remove(QString::fromStdString(userBookPath()));
        QDir(QString::fromStdString(userMotionsFolder())).removeRecursively();
        leaveAsked_ = 0;
        leaveAnswer_ = app::SaveChoice::discard;
        confirmAnswer_ = true;
        changedAnswer_ = app::ChangedChoice::cancel;
        changedAsked_ = 0;
        dialogAnswer_ = nullptr;
        openAnswer_.clear();
        saveAnswer_.clear();
        begin();
        open(QString::fromStdString(clip_));
        QVERIFY(session().film.hasClip());
    }
    void cleanup() { window_.reset(); }
};

} // namespace ember::test
