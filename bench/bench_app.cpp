// SPDX-License-Identifier: GPL-3.0-or-later
// The window with a project given by EMBER_BENCH_PROJECT: start to first picture, one step, one change, and how many
// frames a second are shown while playing.
#include <algorithm>
#include <ctime>
#include <functional>
#include <iostream>

#include <QApplication>
#include <QElapsedTimer>
#include <QStandardPaths>
#include <QTimer>

#include "curve_view.h"
#include "ember/project/curve_edits.h"
#include "live_picture.h"
#include "live_window.h"
#include "main_window.h"
#include "picture_view.h"
#include "player.h"
#include "theme.h"

namespace {

using namespace ember;
using namespace ember::app;

bool waitFor(const std::function<bool()>& ready)
{
    QElapsedTimer clock;
    clock.start();
    QTimer looking; // wakes the loop; asking without pause would take a core from what is measured
    looking.start(2);
    while (!ready() && clock.elapsed() < 20000)
        QApplication::processEvents(QEventLoop::WaitForMoreEvents);
    return ready();
}

/// Plays the first seconds and tells how many frames were shown, and how large.
void play(MainWindow& window, const char* what)
{
    window.session().playhead.setFrame(0);
    waitFor([&] { return window.picture().settled() && window.picture().pictureFrame() == 0; });
    const double rate = window.session().document.project().rate.perSecond();
    int shown = 0;
    double width = 0;
    const auto counting = QObject::connect(&window.picture(), &PictureView::changed, [&] {
        ++shown;
        width += window.picture().picture().width();
    });
    window.player().play();
    QElapsedTimer clock;
    clock.start();
    waitFor([&] { return clock.elapsed() > 8000 || !window.player().playing(); });
    const double seconds = static_cast<double>(clock.elapsed()) / 1000;
    window.player().pause();
    QObject::disconnect(counting);
    std::cout << what << ": " << shown / seconds << " of " << rate << " frames a second, " << window.player().dropped()
              << " left out, " << width / shown << " pixels wide on average\n";
}

/// A change to the selected strike while 500 more stand in the project, until everything is painted again, against a
/// frame of a display of 60 a second: half of them running at any moment, and one every two seconds as in a long film.
void editCrowd(MainWindow& window, const Project& before, QSize size)
{
    window.resize(size);
    for (const bool crowded : {true, false}) {
        Project many = before;
        if (!crowded)
            many.shots.front().length = 24000;
        for (int i = 0; i < 500; ++i)
            many = withStrike(std::move(many), Frame{crowded ? i % before.length() : std::int64_t{48} * i},
                              StrikeKind::beat, 0.01)
                       .project;
        window.session().document.edit(many, QStringLiteral("many"));
        window.session().selection.set({many.strikes.front().id});
        QApplication::processEvents();
        std::vector<double> milliseconds;
        const auto worked = [] {
            timespec now{};
            clock_gettime(CLOCK_THREAD_CPUTIME_ID, &now);
            return static_cast<double>(now.tv_sec) * 1000 + static_cast<double>(now.tv_nsec) / 1e6;
        };
        const double before100 = worked();
        for (int i = 0; i < 100; ++i) {
            QElapsedTimer clock;
            clock.start();
            Project next = window.session().document.project();
            next.strikes.front().strength = 0.5 + 0.001 * i;
            window.session().document.edit(next, QStringLiteral("strength"));
            QApplication::processEvents();
            milliseconds.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
        }
        const double own = (worked() - before100) / 100;
        std::sort(milliseconds.begin(), milliseconds.end());
        std::cout << "one change with 500 strikes, " << (crowded ? "crowded" : "spread") << ", at " << size.width()
                  << " x " << size.height() << ", of a display frame: middle " << milliseconds[50] * 60 / 1000
                  << ", 95 of 100 below " << milliseconds[95] * 60 / 1000 << "; the window's own work "
                  << own * 60 / 1000 << '\n';
    }
}

/// A key dragged in the curve view among 10,000 of its curve, until everything is painted again, against a frame of a
/// display of 60 a second: on a strike of 400 frames, 25 keys a frame.
void dragAmongKeys(MainWindow& window, const Project& before)
{
    CurveKeys keys;
    for (int i = 0; i < 10'000; ++i)
        keys.push_back({i * 0.04, 20 * std::sin(i * 0.02), Ease::linear});
    Project many = before;
    many.shots.front().length = 500;
    many.strikes.clear();
    RecipeAdded added = withRecipe(std::move(many), handRecipe());
    auto [put, id] = withStrike(std::move(added.project), Frame{40}, StrikeKind::hit, 1);
    many = withRecipeApplied(std::move(put), {id}, added.id);
    many = withMoves(std::move(many), {id}, "By hand", Axis::y, keys, ShapeScope::recipe);
    window.resize(1280, 800);
    window.session().document.edit(many, QStringLiteral("many keys"));
    window.session().selection.set({id});
    window.session().shaping.askForCurves();
    QApplication::processEvents();
    std::vector<double> milliseconds;
    for (int i = 0; i < 100; ++i) {
        QElapsedTimer clock;
        clock.start();
        CurveKeys moved = window.curves().canvas().keys();
        moved[5000].value = 10 + 0.1 * i;
        window.curves().channels().setKeys(moved, QStringLiteral("drag"), 7);
        QApplication::processEvents();
        milliseconds.push_back(static_cast<double>(clock.nsecsElapsed()) / 1e6);
    }
    std::sort(milliseconds.begin(), milliseconds.end());
    std::cout << "a key dragged among 10000, of a display frame: middle " << milliseconds[50] * 60 / 1000
              << ", 95 of 100 below " << milliseconds[95] * 60 / 1000 << '\n';
    window.showCurves(false);
}

/// From a press on the live bench to the end of painting the first picture that shows it, against two frames of a
/// display of 60 a second, while the film plays.
void pressLive(MainWindow& window)
{
    LiveWindow live(window.session(), Dialogs::standard());
    live.show();
    const auto wait = [](int milliseconds) {
        QElapsedTimer clock;
        clock.start();
        while (clock.elapsed() < milliseconds)
            QApplication::processEvents(QEventLoop::AllEvents, 2);
    };
    wait(1500);
    std::vector<double> shares;
    QObject::connect(&live.picture(), &LivePicture::latency, &live,
                     [&](double milliseconds) { shares.push_back(milliseconds / (2000.0 / 60)); });
    for (std::size_t i = 0; i < 120; ++i) {
        live.runner().strikePad(i % 4, 1, LiveRunner::Clock::now());
        wait(31 + static_cast<int>(i % 7));
    }
    QObject::disconnect(&live.picture(), nullptr, &live, nullptr); // what floods in is not timed
    const auto frames = [&] { return live.picture().framesLost(); };
    const auto before = frames();
    wait(4000);
    const auto calm = frames() - before;
    // Two thousand messages a second for as long.
    live.runner().listen({"127.0.0.1", 0});
    const auto sender = OscSender::open({"127.0.0.1", live.runner().listeningPort()});
    QElapsedTimer clock;
    clock.start();
    int sent = 0;
    const auto flooded = frames();
    while (clock.elapsed() < 4000) {
        for (; sender && sent < clock.elapsed() * 2; ++sent)
            sender.value()->send(writeOsc(OscStrike{sent % 2 == 0 ? "hit" : "landing", 0.5}));
        QApplication::processEvents(QEventLoop::AllEvents, 1);
    }
    std::cout << "film frames no picture showed in 4 s (of 96): " << calm << ", while " << sent
              << " messages came in: " << frames() - flooded << " (" << live.runner().counts().taken << " taken)\n";
    std::sort(shares.begin(), shares.end());
    const auto within = std::count_if(shares.begin(), shares.end(), [](double share) { return share < 1; });
    if (!shares.empty())
        std::cout << "press to picture, of two display frames: middle " << shares[shares.size() / 2]
                  << ", 95 of 100 below " << shares[shares.size() * 95 / 100] << ", "
                  << 100.0 * static_cast<double>(within) / static_cast<double>(shares.size()) << " % within; "
                  << live.picture().shownRate() << " pictures a second\n";
}

} // namespace

int main(int argc, char** argv)
{
    QElapsedTimer clock;
    clock.start();
    QStandardPaths::setTestModeEnabled(true);
    QApplication application(argc, argv);
    QApplication::setOrganizationName(QStringLiteral("vast-ember-bench"));
    theme::apply(application);
    MainWindow window;
    window.show();
    window.openPath(qEnvironmentVariable("EMBER_BENCH_PROJECT"));
    if (!waitFor([&] { return window.picture().pictureFrame() >= 0 && window.picture().settled(); })) {
        std::cerr << "Set EMBER_BENCH_PROJECT to a project. " << window.notice().toStdString() << '\n';
        return 1;
    }
    std::cout << "start to first picture: " << clock.elapsed() << " ms\n";
    waitFor([&] { return clock.elapsed() > 6000; }); // thumbs and waveform arrive

    const auto settledAt = [&](std::int64_t frame) {
        return window.picture().settled() && window.picture().pictureFrame() == frame;
    };
    window.session().playhead.setFrame(100);
    waitFor([&] { return settledAt(100); });
    clock.restart();
    for (int i = 101; i <= 140; ++i) {
        window.session().playhead.setFrame(i);
        waitFor([&] { return settledAt(i); });
    }
    std::cout << "one step on, shaken and shown: " << static_cast<double>(clock.elapsed()) / 40 << " ms\n";

    const Project before = window.session().document.project();
    dragAmongKeys(window, before);
    if (qEnvironmentVariable("EMBER_BENCH_ONLY") == QLatin1String("keys"))
        return 0;
    for (const QSize size : {QSize(1280, 800), QSize(1920, 1080)})
        editCrowd(window, before, size);
    window.session().document.edit(before, QStringLiteral("before"));

    play(window, "playing");
    pressLive(window);

    // Every effect all the time, in a window in which the picture has its full size.
    window.resize(1900, 1300);
    Project lit = before;
    for (Recipe& recipe : lit.recipes) {
        const Course always{Course::By::own, 0, 240, 6};
        recipe.effects.streak = {36, Toward::set, 30, always};
        recipe.effects.radial = {40, 0.5, 0.5, always};
        recipe.effects.fringe = {4, Toward::set, 0, always};
        recipe.effects.flash = {0.3, 0xfff0d8, Blend::add, always};
    }
    lit.finish.letterbox = 2.39;
    window.session().document.edit(lit, QStringLiteral("effects"));
    play(window, "playing with every effect, scale automatic");
    window.picture().setScale(PictureScale::full);
    play(window, "the same at full size");
    return 0;
}
