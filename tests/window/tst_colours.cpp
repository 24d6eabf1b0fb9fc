// SPDX-License-Identifier: GPL-3.0-or-later
// What manages the film's colours, and what the film plays from, chosen in the window.
#include <QComboBox>
#include <QLabel>

#include "ember/core/colour_setup.h"
#include "ember/project/file.h"
#include "frame_store.h"
#include "player.h"
#include "runner.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class ColoursInTheWindowTest : public test::WindowFixture {
    Q_OBJECT

    QComboBox* list(const char* name) { return child<QComboBox>(name); }
    std::function<QComboBox*()> listed(const char* name)
    {
        return [=, this] { return list(name); };
    }
    void chooseBuiltIn()
    {
        choose(listed("colour-config"), QStringLiteral("by the built-in config"));
        QTRY_COMPARE(project().colours.config, std::string(builtInConfig));
    }

private slots:
    void aConfigIsChosenAndTakenBack()
    {
        key(Qt::Key_F7);
        const Project before = project();
        session().playhead.setFrame(15);
        const Image tagged = shown();
        QVERIFY(!list("colour-view")->isVisible());
        chooseBuiltIn();
        QVERIFY(list("colour-view")->isVisible());
        // Seen as before, but for the table's rounding; the line under the picture names the view.
        QTRY_VERIFY(window_->picture().settled());
        QVERIFY(test::largestDifference(shown(), tagged) <= 2);
        QVERIFY2(window_->picture().facts().contains(QStringLiteral("sRGB screen, Cut at white")),
                 qPrintable(window_->picture().facts()));
        choose(listed("colour-view"), QStringLiteral("Highlights rolled off"));
        QCOMPARE(project().colours.view, std::string("Highlights rolled off"));
        QTRY_VERIFY(test::largestDifference(shown(), tagged) > 10);
        // The clip is something else than its tags say.
        choose(listed("colour-shot"), QStringLiteral("ACEScct"));
        QCOMPARE(project().shots.front().space, std::string("ACEScct"));
        // Names that are passed on the way are one step back each; another display forgets the view of the one before.
        choose(listed("colour-display"), QStringLiteral("Display P3 screen"));
        QVERIFY(project().colours.view.empty());
        for (int i = 0; i < 4; ++i)
            session().document.undo();
        QVERIFY(project() == before);
        QVERIFY(!list("colour-view")->isVisible());
        QTRY_COMPARE(test::largestDifference(shown(), tagged), 0);
    }
    void lightThatIsAddedIsSeenTheSame()
    {
        key(Qt::Key_F7);
        strikeOn(12, Qt::Key_1); // a blast, with its flash
        session().playhead.setFrame(13);
        const Image tagged = shown();
        chooseBuiltIn();
        QTRY_VERIFY(window_->picture().settled());
        const Image managed = shown();
        int far = 0;
        for (int y = 0; y < tagged.height(); ++y)
            for (int x = 0; x < tagged.width(); ++x)
                far += std::abs(tagged.at(x, y)[1] - managed.at(x, y)[1]) > 6 ? 1 : 0;
        QVERIFY2(far < tagged.width() * tagged.height() / 100, qPrintable(QString::number(far)));
    }
    void whatIsNoConfigChangesNothing()
    {
        key(Qt::Key_F7);
        const Project before = project();
        const QString file = at(QStringLiteral("notes.ocio"));
        test::writeBytes(file.toStdString(), "Colours are nice.\n");
        QStringList told;
        connect(&session().messages, &Messages::trouble, this, [&](const QString& text) { told << text; });
        openAnswer_ = file;
        click("colour-file");
        QTRY_COMPARE(told.size(), 1);
        QVERIFY2(told.first().contains(QStringLiteral("notes.ocio")), qPrintable(told.first()));
        QVERIFY(project() == before);
        QCOMPARE(list("colour-config")->currentText(), QStringLiteral("by the clips' tags"));
        openAnswer_.clear(); // nothing was chosen
        click("colour-file");
        QVERIFY(project() == before);
        disconnect(&session().messages, nullptr, this, nullptr);
    }
    void aConfigThatIsGoneIsToldAndCanBeLeft()
    {
        Project p = project();
        p.colours.config = at(QStringLiteral("gone.ocio")).toStdString();
        const QString file = at(QStringLiteral("managed.vember"));
        QVERIFY(saveProject(p, file.toStdString()));
        open(file);
        QVERIFY(!session().film.hasClip());
        QVERIFY2(session().film.clipTrouble().contains(QStringLiteral("gone.ocio")),
                 qPrintable(session().film.clipTrouble()));
        key(Qt::Key_F7);
        QVERIFY(list("colour-config")->currentText().contains(QStringLiteral("gone.ocio")));
        choose(listed("colour-config"), QStringLiteral("by the clips' tags"));
        QTRY_VERIFY(session().film.hasClip());
        QVERIFY(!project().colours.managed());
    }
    void theFilmPlaysFromAProxy()
    {
        key(Qt::Key_F7);
        const Project before = project();
        session().playhead.setFrame(3);
        const Image own = shown();
        const Shot shot = project().shots.front();
        choose(listed("shot-proxy"), QStringLiteral("a half-size proxy"));
        QTRY_VERIFY(session().film.proxies().of(shot) == ProxySize::half);
        QTRY_VERIFY(child<QLabel>("shot-proxy-says")->text().isEmpty());
        QVERIFY(project() == before); // it is no part of the project
        // At rest the picture is the clip's own, playing the proxy's.
        QTRY_VERIFY(session().film.frames().cached(3) != nullptr);
        QVERIFY(!session().film.frames().isDraft(3));
        QCOMPARE(test::largestDifference(shown(), own), 0);
        key(Qt::Key_Space);
        QTRY_VERIFY(session().playhead.frame() > 12);
        QTRY_VERIFY(session().film.frames().isDraft(session().playhead.frame()));
        key(Qt::Key_Space);
        QTRY_VERIFY(!session().playhead.playing());
        const auto here = session().playhead.frame();
        QTRY_VERIFY(session().film.frames().cached(here) != nullptr && !session().film.frames().isDraft(here));
        QCOMPARE(session().film.frames().cached(here)->width(), before.width);
        // It is taken away.
        choose(listed("shot-proxy"), QStringLiteral("the clip"));
        QVERIFY(!session().film.proxies().of(shot));
        QVERIFY(!child<QLabel>("shot-proxy-says")->text().contains(QLatin1Char('%')));
    }
    void aProxyThatIsNoLongerWantedIsNotMade()
    {
        key(Qt::Key_F7);
        const Shot shot = project().shots.front();
        choose(listed("shot-proxy"), QStringLiteral("a quarter-size proxy")); // by way of the half one
        choose(listed("shot-proxy"), QStringLiteral("the clip"));
        QVERIFY(!session().proxies.wanted(shot));
        QVERIFY(!session().film.proxies().of(shot));
    }
};

EMBER_TEST(ColoursInTheWindowTest)
#include "tst_colours.moc"
