// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <functional>
#include <memory>

#include <QAbstractButton>
#include <QComboBox>
#include <QDialog>
#include <QDir>
#include <QDropEvent>
#include <QFile>
#include <QLineEdit>
#include <QMimeData>
#include <QMouseEvent>
#include <QPushButton>
#include <QScrollArea>
#include <QSettings>
#include <QTemporaryDir>
#include <QTest>
#include <QWheelEvent>

#include "clips.h"
#include "dialogs.h"
#include "ember/project/motion_library.h"
#include "ember/project/recipe_book.h"
#include "patience.h"
#include "pictures.h"
#include "session.h"

namespace ember::test {

/// A part of the window with a clip of numbered frames, worked with mouse and keyboard; what is asked of the user is
/// answered by the test.
class PartFixture : public QObject {
    Q_OBJECT
protected:
    QTemporaryDir folder_;
    std::string clip_;
    QString openAnswer_;
    QString saveAnswer_;
    app::SaveChoice leaveAnswer_ = app::SaveChoice::discard;
    int leaveAsked_ = 0;
    bool confirmAnswer_ = true;
    app::ChangedChoice changedAnswer_ = app::ChangedChoice::cancel;
    int changedAsked_ = 0;
    /// What a window of ours is answered with; it is shown before. By default its default button is pressed.
    std::function<void(QDialog&)> dialogAnswer_;

    /// What the part lies in.
    virtual QWidget* root() = 0;
    virtual app::Session& session() = 0;

    QString at(const QString& name) const { return folder_.filePath(name); }
    const Project& project() { return session().document.project(); }
    template <typename Widget>
    Widget* child(const char* name)
    {
        auto* found = root()->findChild<Widget*>(QLatin1String(name));
        if (found == nullptr)
            qFatal("no widget %s", name);
        return found;
    }
    /// What is waited for is done.
    void settle() { QTRY_VERIFY(!session().busy.working()); }
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
    /// Files from another program.
    static void drop(QWidget& on, const QStringList& files)
    {
        QMimeData data;
        QList<QUrl> urls;
        for (const QString& file : files)
            urls.append(QUrl::fromLocalFile(file));
        data.setUrls(urls);
        QDragEnterEvent enter(on.rect().center(), Qt::CopyAction, &data, Qt::LeftButton, {});
        QCoreApplication::sendEvent(&on, &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent dropped(on.rect().center(), Qt::CopyAction, &data, Qt::LeftButton, {});
        QCoreApplication::sendEvent(&on, &dropped);
        turn();
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

    /// Dialogs that the test answers.
    app::Dialogs answered()
    {
        app::Dialogs dialogs;
        dialogs.openFile = [this](QWidget*, const QString&, const QString&) { return openAnswer_; };
        dialogs.openFiles = [this](QWidget*, const QString&, const QString&) {
            return openAnswer_.isEmpty() ? QStringList() : openAnswer_.split(QLatin1Char('\n'));
        };
        dialogs.openFolder = [this](QWidget*, const QString&) { return openAnswer_; };
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
            root()->activateWindow();
            return QTest::qWaitForWindowActive(root()) && dialog.result() == QDialog::Accepted;
        };
        return dialogs;
    }
    /// As a person finds it who has never run it.
    void forget()
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
    }

private slots:
    void initTestCase()
    {
        clip_ = numberedClip(folder_, "clip.mkv", 120, FrameRate(), 384, 256, true);
        QVERIFY(!clip_.empty());
    }
};

/// A part by itself, without the main window: the test makes it in `root()`.
class SessionFixture : public PartFixture {
    Q_OBJECT
protected:
    std::unique_ptr<app::Session> session_;
    std::unique_ptr<QWidget> root_;

    QWidget* root() override { return root_.get(); }
    app::Session& session() override { return *session_; }
    void strikeOn(std::int64_t frame, StrikeKind kind)
    {
        session().playhead.setFrame(frame);
        session().strikes.put(kind);
    }

private slots:
    void init()
    {
        forget();
        session_ = std::make_unique<app::Session>();
        root_ = std::make_unique<QWidget>();
        root_->show();
        session().file.open(QString::fromStdString(clip_));
        settle();
        QVERIFY(session().film.hasClip());
    }
    void cleanup()
    {
        root_.reset();
        session_.reset();
    }
};

} // namespace ember::test
