// SPDX-License-Identifier: GPL-3.0-or-later
// Takes the pictures of docs from the running program: screenshots/ from its window, recipes/ and recipes.md from the
// shipped recipes.
#include <cmath>
#include <functional>
#include <iostream>

#include <QAbstractButton>
#include <QAction>
#include <QApplication>
#include <QComboBox>
#include <QDir>
#include <QElapsedTimer>
#include <QFile>
#include <QFileInfo>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenuBar>
#include <QPainter>
#include <QProgressBar>
#include <QScrollArea>
#include <QScrollBar>
#include <QSettings>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTextStream>

#include "actions.h"
#include "anvil_view.h"
#include "comfort_window.h"
#include "curve_view.h"
#include "drop_bench.h"
#include "ember/core/survey.h"
#include "ember/film/hand_on.h"
#include "ember/project/board_edits.h"
#include "ember/project/film_edits.h"
#include "ember/project/shipped_recipes.h"
#include "find_panel.h"
#include "finder.h"
#include "frame_store.h"
#include "live_window.h"
#include "main_window.h"
#include "motion_bench.h"
#include "motion_export_window.h"
#include "motion_view.h"
#include "pad_board.h"
#include "picture_view.h"
#include "places_window.h"
#include "recipe_trace.h"
#include "reel_view.h"
#include "render_panel.h"
#include "theme.h"

namespace {

using namespace ember::app;

bool waitFor(const std::function<bool()>& ready, int milliseconds = 20000)
{
    QElapsedTimer clock;
    clock.start();
    while (!ready() && clock.elapsed() < milliseconds)
        QApplication::processEvents(QEventLoop::WaitForMoreEvents, 20);
    return ready();
}

void settle(int milliseconds)
{
    waitFor([] { return false; }, milliseconds);
}

void take(MainWindow& window, const QDir& folder, const char* name)
{
    settle(300);
    window.grab().save(folder.filePath(QLatin1String(name) + QStringLiteral(".png")));
}

/// The side column from its beginning.
void scrollUp(MainWindow& window)
{
    for (auto* area : window.findChildren<QScrollArea*>())
        area->verticalScrollBar()->setValue(0);
}

void press(MainWindow& window, const char* name)
{
    window.findChild<QAbstractButton*>(QLatin1String(name))->click();
    settle(200);
}

/// "Hard blow" as a file name.
QString fileName(const std::string& recipe)
{
    return QString::fromStdString(recipe).toLower().replace(QLatin1Char(' '), QLatin1Char('-')) +
           QStringLiteral(".png");
}

void takeTrace(const ember::Recipe& recipe, const QString& path)
{
    constexpr int width = 300;
    constexpr int height = 56;
    QImage picture(width, height, QImage::Format_RGB32);
    picture.fill(theme::window);
    QPainter painter(&picture);
    paintRecipeTrace(painter, QRectF(8, 6, width - 16, height - 12), traceOf(recipe, ember::Project(), width - 16));
    painter.end();
    picture.save(path);
}

/// recipes.md: what each shipped recipe does in a frame of 1280x720 at 24 frames a second.
void writeRecipes(const QDir& docs)
{
    docs.mkpath(QStringLiteral("recipes"));
    QFile page(docs.filePath(QStringLiteral("recipes.md")));
    if (!page.open(QIODevice::WriteOnly))
        return;
    QTextStream out(&page);
    out << "# The shipped recipes\n\n"
           "Made by `vast-ember-shots`. The traces show the way of the picture's lower right corner: down (bright) and "
           "sideways (dim), over at\nmost four seconds, with the intensity's heat under them. Figures are for a frame "
           "of "
           "1280x720 "
           "at 24 frames a second, strength 100 %,\ndirection down; in another project they follow its size and "
           "rate.\n\n"
           "| recipe | for | trace | furthest | lasts |\n|---|---|---|---|---|\n";
    const ember::Project like;
    for (const ember::BookEntry& entry : ember::shippedRecipes()) {
        const ember::Recipe recipe = recipeFor(entry, like);
        const QString file = QStringLiteral("recipes/") + fileName(recipe.name);
        takeTrace(recipe, docs.filePath(file));
        const ember::Project alone = strikeAlone(like, recipe, 100);
        const ember::Motion motion(alone);
        const ember::StrikeSpan span = motion.spans().front();
        double furthest = 0;
        for (double frame = std::floor(span.start); frame <= span.end; frame += 0.25) {
            const ember::Way way = ember::cornerWay(motion.poseAt(frame), alone.width, alone.height);
            furthest = std::max(furthest, std::hypot(static_cast<double>(way.x), static_cast<double>(way.y)));
        }
        const double frames = span.end - span.start;
        out << "| " << QString::fromStdString(recipe.name) << " | " << QString::fromStdString(entry.about)
            << " | ![trace](" << file << ") | " << std::lround(furthest) << " px | " << std::lround(frames)
            << " frames, " << QString::number(frames / alone.rate.perSecond(), 'f', 1) << " s |\n";
    }
}

/// The burst at its peak: the frame without and with what is done to it.
void takeLight(MainWindow& window, const QDir& folder)
{
    const auto selection = window.session().selection.ids();
    const auto frame = window.session().playhead.frame();
    for (const auto& strike : window.session().document.project().strikes)
        if (strike.kind == ember::StrikeKind::blast) {
            window.session().selection.set({strike.id});
            window.session().playhead.setFrame(strike.frame.index + 1);
        }
    settle(1500);
    const ember::Project project = window.session().document.project();
    const auto source = window.session().film.frames().cached(window.session().playhead.frame());
    if (source != nullptr) {
        QImage both(1280, 360, QImage::Format_RGB32);
        QPainter painter(&both);
        const ember::FrameLook looks[] = {ember::plainLook(project),
                                          ember::lookOf(project, window.session().document.motion(),
                                                        window.session().document.cover(),
                                                        static_cast<double>(window.session().playhead.frame()))};
        for (int i = 0; i < 2; ++i)
            painter.drawImage(640 * i, 0, ember::app::toQImage(ember::renderFrame(source, looks[i], 640, 360)));
        painter.end();
        both.save(folder.filePath(QStringLiteral("peak-plain-and-finished.png")));
    }
    window.session().selection.set(selection);
    window.session().playhead.setFrame(frame);
    settle(1000);
}

/// The side column's pages, each with something to see on it.
void takePages(MainWindow& window, const QDir& folder)
{
    press(window, "page-1");
    auto* list = window.findChild<QListWidget*>(QStringLiteral("recipe-list"));
    for (int i = 0; i < list->count(); ++i)
        if (list->item(i)->text() == QStringLiteral("Bell swing"))
            list->setCurrentRow(i);
    settle(900); // the preview is under way
    take(window, folder, "recipe-book");
    press(window, "page-2");
    const ember::Project before = window.session().document.project();
    ember::Project project = before; // shakes of the drums meet apart, and the blast is eased home before them
    project.overlap.rule = ember::OverlapRule::stronger;
    project = withGroup(std::move(project), "Drums");
    for (ember::Strike& strike : project.strikes)
        if (strike.kind == ember::StrikeKind::beat)
            strike.group = "Drums";
    project.groups[0].overlap.rule = ember::OverlapRule::restart;
    project = withSettle(std::move(project), {ember::Frame{196}, ember::SettleMode::ease, 8});
    window.session().document.edit(std::move(project), QStringLiteral("Strikes meet by rules"));
    settle(300);
    for (auto* page : window.findChildren<QScrollArea*>()) // its beginning, whatever took the focus
        page->verticalScrollBar()->setValue(0);
    take(window, folder, "film-page");
    window.session().document.edit(before, QStringLiteral("Ready"));
    press(window, "page-3");
    project = before;
    project.finish.letterbox = 2;
    window.session().document.edit(std::move(project), QStringLiteral("Bars for the finish"));
    settle(1500);
    take(window, folder, "finish-page");
    window.session().document.edit(before, QStringLiteral("Ready"));
    press(window, "page-0");
    takeLight(window, folder);
}

/// Finding on the bare clip: all that was heard and seen, what the picture alone tells, the beat.
void takeFinding(const QString& clip, const QDir& folder)
{
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    window.openPath(clip);
    waitFor([&] { return window.session().film.hasClip() && window.reel().waveformReady(); });
    window.showBeside(MainWindow::Beside::find);
    waitFor([&] { return window.finder().ready() && !window.finder().running(); });
    window.finder().setCurrent(4);
    settle(4000);
    take(window, folder, "finding");
}

void takeDropBench(MainWindow& window, const QDir& folder)
{
    auto& of = window.session();
    ember::app::DropBench bench(of.document, of.selection, of.playhead, of.file, ember::app::Dialogs::standard());
    bench.show();
    settle(1500);
    bench.grab().save(folder.filePath(QStringLiteral("drop-bench.png")));
}

/// A camera's motion, sifted and trimmed to some of its steps.
void takeMotions(MainWindow& window, const QDir& folder)
{
    auto& of = window.session();
    ember::app::MotionBench bench(of.document, of.selection, of.motions, of.file, ember::app::Dialogs::standard());
    auto* list = bench.findChild<QListWidget*>(QStringLiteral("motion-list"));
    list->setCurrentRow(1);
    bench.findChild<ember::app::MotionView*>()->stretchWished(36, 216);
    bench.show();
    settle(400);
    bench.grab().save(folder.filePath(QStringLiteral("camera-motions.png")));
}

/// The film's events around the camera, the last blow chosen; and the live bench after some presses.
void takePlacesAndLive(MainWindow& window, const QDir& folder)
{
    const ember::Project before = window.session().document.project();
    ember::Project project = before;
    // The hammer stands ahead, the crane on the right, the ladle far behind it on the left, the drums around.
    for (ember::Strike& strike : project.strikes) {
        const auto at = [&](double x, double y, double z) { strike.place = ember::Place{ember::WorldPoint{x, y, z}}; };
        if (strike.kind == ember::StrikeKind::landing)
            at(14, 0, 17);
        else if (strike.kind == ember::StrikeKind::blast)
            at(-22, 3, 38);
        else if (strike.kind == ember::StrikeKind::hit && strike.frame.index < 60)
            at(-1.5, 0, 7);
        else if (strike.kind == ember::StrikeKind::hit)
            at(-9 + 0.1 * static_cast<double>(strike.frame.index), 0, 12);
    }
    project.world.camera = {{ember::Frame{0}, {0, 1.6, -4}, 0}, {ember::Frame{200}, {3, 1.6, 2}, 12}};
    window.session().document.edit(project, QStringLiteral("Places"));
    for (const ember::Strike& strike : project.strikes)
        if (strike.kind == ember::StrikeKind::landing)
            window.session().selection.set({strike.id});
    {
        ember::app::PlacesWindow places(window.session());
        places.show();
        settle(300);
        places.grab().save(folder.filePath(QStringLiteral("places.png")));
    }
    project.board = ember::boardOf(project);
    for (const char* more : {"Hard blow", "Dead weight"})
        if (const ember::Recipe* recipe = project.recipeNamed(more))
            project = withPad(std::move(project), recipe->id);
    ember::Pad& far = project.board.pads.back();
    far.name = "Ingot, far";
    far.place = ember::Place{ember::WorldPoint{12, 0, 16}};
    project.board.pads[4].name = "Hammer";
    project.board.pads[4].place = ember::Place{ember::WorldPoint{-1.5, 0, 7}};
    project.overlap.rule = ember::OverlapRule::stronger;
    window.session().document.edit(project, QStringLiteral("Pads"));
    window.session().playhead.setFrame(30);
    {
        ember::app::LiveWindow live(window.session(), ember::app::Dialogs::standard());
        live.show();
        settle(900);
        for (const auto& [pad, share] : {std::pair(2, 1.0), {0, 0.4}, {5, 1.0}, {4, 0.8}, {3, 0.5}, {1, 1.0}}) {
            live.runner().strikePad(static_cast<std::size_t>(pad), share, ember::app::LiveRunner::Clock::now());
            settle(220);
        }
        live.pads().chosenByHand(5);
        settle(40);
        live.grab().save(folder.filePath(QStringLiteral("live-bench.png")));
    }
    window.session().document.edit(before, QStringLiteral("Ready"));
}

/// Handing a blast on, its sheet, and the comfort of the film.
void takeHandingOn(MainWindow& window, const QDir& folder)
{
    for (const ember::Strike& strike : window.session().document.project().strikes)
        if (strike.kind == ember::StrikeKind::blast)
            window.session().selection.set({strike.id});
    {
        ember::app::Dialogs dialogs = ember::app::Dialogs::standard();
        ember::app::MotionExportWindow hand(window.session(), dialogs);
        hand.findChild<QComboBox*>(QStringLiteral("hand-part"))->setCurrentIndex(2);
        hand.findChild<QComboBox*>(QStringLiteral("hand-keys"))->setCurrentIndex(1);
        hand.show();
        settle(1200);
        hand.grab().save(folder.filePath(QStringLiteral("hand-on.png")));
        auto* format = hand.findChild<QComboBox*>(QStringLiteral("hand-format"));
        format->setCurrentIndex(format->findText(QStringLiteral("Shake sheet"), Qt::MatchStartsWith));
        auto* page = hand.findChild<QLabel*>(QStringLiteral("hand-page"));
        waitFor([&] { return page->isVisible(); });
        ember::HandingOn how;
        how.part = {ember::HandedOf::strike, window.session().selection.ids().front()};
        const auto out = folder.filePath(QStringLiteral("shake-sheet.png")).toStdString();
        if (const auto done = handOn(window.session().document.project(), ember::HandFormat::sheet, how, out, true);
            !done)
            std::cerr << sentence(done.error()) << '\n';
    }
    {
        ember::app::ComfortWindow comfort(window.session());
        comfort.show();
        settle(400);
        comfort.findChild<QAbstractButton*>(QStringLiteral("comfort-check"))->click();
        auto* bar = comfort.findChild<QProgressBar*>(QStringLiteral("comfort-bar"));
        waitFor([&] { return !bar->isVisible(); }, 120'000);
        settle(200);
        comfort.grab().save(folder.filePath(QStringLiteral("comfort.png")));
    }
}

/// guide/shortcuts.md, from the menus.
void writeShortcuts(MainWindow& window, const QDir& docs)
{
    QFile page(docs.filePath(QStringLiteral("guide/shortcuts.md")));
    if (page.open(QIODevice::WriteOnly))
        page.write(shortcutPage(actionsOf(*window.menuBar())).toUtf8());
}

/// Traces, the curve editor, two takes side by side, and the light scheme.
void takeReading(MainWindow& window, const QDir& folder)
{
    const auto before = window.session().document.project();
    const auto strike = window.session().selection.ids();
    const auto act = [&](const char* id) {
        for (const ListedAction& listed : actionsOf(*window.menuBar()))
            if (listed.id == QLatin1String(id))
                listed.action->trigger();
    };
    scrollUp(window);
    act("compare.frames-around-the-strike-large");
    settle(5000);
    take(window, folder, "frames");
    act("compare.frames-around-the-strike-large");
    act("compare.keep-as-take-a");
    for (int i = 0; i < 4; ++i)
        act("strike.a-tenth-stronger");
    act("compare.split-against-the-other-take");
    settle(800);
    take(window, folder, "takes");
    act("compare.split-against-the-other-take");
    window.session().document.edit(before, QStringLiteral("Ready"));
    act("strike.turn-into-keys.this-strike-few-keys");
    window.session().shaping.setOpenStrand("Keys");
    settle(1200);
    window.session().shaping.askForCurves();
    settle(300);
    CurveCanvas& curves = window.curves().canvas();
    ember::KeyPlaces some;
    for (std::size_t i = 8; i < std::min<std::size_t>(30, curves.keys().size()); ++i)
        some.push_back(i);
    curves.choose(some);
    settle(4000);
    take(window, folder, "keys");
    window.showCurves(false);
    window.session().document.edit(before, QStringLiteral("Ready"));
    window.session().shaping.setOpenStrand({});
    window.session().selection.set(strike);
    const std::int64_t hit = window.session().selection.feltStrike()->frame.index;
    act("strike.move-by-hand");
    const std::array<std::pair<QPointF, double>, 5> path{
        {{{-6, 10}, 0.3}, {{26, -52}, -1.4}, {{-30, 34}, 0.9}, {{14, -18}, -0.4}, {{-4, 6}, 0.1}}};
    for (std::size_t i = 0; i < path.size(); ++i) {
        window.session().playhead.setFrame(hit + static_cast<std::int64_t>(2 * i));
        ember::HandPose pose;
        pose.moves[ember::Axis::x] = path[i].first.x();
        pose.moves[ember::Axis::y] = path[i].first.y();
        pose.moves[ember::Axis::roll] = path[i].second;
        pose.axis = {true, true, false, true, false, false};
        window.session().hand.setMoves(pose, QStringLiteral("Keys"), 0);
    }
    window.session().playhead.setFrame(hit + 2);
    window.session().shaping.askForCurves();
    settle(2500);
    take(window, folder, "by-hand");
    window.showCurves(false);
    act("strike.move-by-hand");
    window.session().document.edit(before, QStringLiteral("Ready"));
    window.session().shaping.setScope(ember::ShapeScope::recipe);
    window.session().shaping.setOpenStrand({});
    window.session().selection.set(strike);
    act("view.light-scheme");
    settle(1200);
    scrollUp(window);
    take(window, folder, "light-scheme");
    act("view.light-scheme");
    settle(300);
}

} // namespace

int main(int argc, char** argv)
{
    const QTemporaryDir configuration; // an empty recipe book, and nobody's settings
    qputenv("XDG_CONFIG_HOME", configuration.path().toUtf8());
    QApplication application(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    QApplication::setOrganizationName(QStringLiteral("vast-ember"));
    QApplication::setApplicationName(QStringLiteral("vast-ember-shots"));
    QApplication::setApplicationVersion(QStringLiteral(EMBER_VERSION));
    QSettings().clear();
    if (argc != 3) {
        std::cerr << "Usage: vast-ember-shots PROJECT.vember DOCS\n";
        return 2;
    }
    theme::apply(application);
    const QDir docs(QString::fromLocal8Bit(argv[2]));
    docs.mkpath(QStringLiteral("screenshots"));
    const QDir folder(docs.filePath(QStringLiteral("screenshots")));
    writeRecipes(docs);
    QSettings().setValue(QStringLiteral("hints/closed"), true);
    MainWindow window;
    window.resize(1280, 800);
    window.show();
    writeShortcuts(window, docs);

    window.openPath(QString::fromLocal8Bit(argv[1]));
    if (!waitFor([&] {
            return window.session().film.hasClip() && window.picture().pictureFrame() >= 0 &&
                   window.reel().waveformReady();
        }))
        return 1;
    // The landing: a clear attack, a decay and a rumble.
    for (const auto& strike : window.session().document.project().strikes)
        if (strike.kind == ember::StrikeKind::landing) {
            window.session().selection.set({strike.id});
            window.session().playhead.setFrame(strike.frame.index + 1);
        }
    settle(6000);
    take(window, folder, "main-window");
    takePages(window, folder);
    takeReading(window, folder);

    takeFinding(QString::fromStdString(window.session().document.project().shots.front().clip), folder);
    takeDropBench(window, folder);
    takeMotions(window, folder);
    takePlacesAndLive(window, folder);
    takeHandingOn(window, folder);

    QTemporaryDir scratch;
    window.showBeside(MainWindow::Beside::render);
    window.findChild<QLineEdit*>(QStringLiteral("render-path"))
        ->setText(scratch.filePath(QStringLiteral("night-shift-shaken.mp4")));
    window.findChild<QAbstractButton*>(QStringLiteral("render-start"))->click();
    auto* bar = window.findChild<QProgressBar*>(QStringLiteral("render-bar"));
    waitFor([&] { return bar->value() > 90; });
    window.findChild<QLineEdit*>(QStringLiteral("render-path"))->setText(QStringLiteral("night-shift-shaken.mp4"));
    window.grab().save(folder.filePath(QStringLiteral("rendering.png")));
    window.renderPanel().cancel();
    waitFor([&] { return !window.renderPanel().running(); });
    return 0;
}
