// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>

#include <QAbstractButton>
#include <QAction>
#include <QActionGroup>
#include <QApplication>
#include <QInputDialog>
#include <QLabel>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QScreen>
#include <QSettings>
#include <QStackedWidget>
#include <QToolButton>

#include "action_finder.h"
#include "actions.h"
#include "anvil_view.h"
#include "comfort_window.h"
#include "contact_sheet.h"
#include "crash_sheet.h"
#include "curve_view.h"
#include "difference_sheet.h"
#include "ember/project/timing_edits.h"
#include "find_panel.h"
#include "guide_window.h"
#include "hint_strip.h"
#include "input_rules.h"
#include "main_window.h"
#include "motion_bench.h"
#include "picture_view.h"
#include "player.h"
#include "preferences_sheet.h"
#include "reel_view.h"
#include "scrub.h"
#include "shortcut_sheet.h"
#include "side_column.h"
#include "takes.h"
#include "tap_test.h"
#include "tapper.h"
#include "theme.h"
#include "value_field.h"
#include "words.h"

namespace ember::app {

QAction* MainWindow::add(QMenu* menu, const QString& id, const QString& text, const QKeySequence& key,
                         const std::function<void()>& action)
{
    QAction* made = menu->addAction(text);
    setActionId(*made, id);
    made->setShortcut(key);
    connect(made, &QAction::triggered, this, &InputRules::finishTyping); // what is typed is taken before anything else
    connect(made, &QAction::triggered, this, action);
    menu->setToolTipsVisible(true);
    return made;
}

void MainWindow::buildFileMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&File"));
    add(menu, "file.open-clip-or-project", tr("&Open clip or project"), QKeySequence::Open, [this] { openAsked(); });
    add(menu, "file.open-one-picture-of-a-series", tr("Open one &picture of a series"), {},
        [this] { openPictureAsked(); });
    recent_ = menu->addMenu(tr("Open &recent"));
    recent_->menuAction()->setProperty("unlisted", true); // files are not actions
    connect(recent_, &QMenu::aboutToShow, this, &MainWindow::fillRecent);
    menu->addSeparator();
    needClip_.push_back(add(menu, "file.save", tr("&Save"), QKeySequence::Save, [this] { save(); }));
    needClip_.push_back(add(menu, "file.save-as", tr("Save &as"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S),
                            [this] { saveAs(); }));
    menu->addSeparator();
    needClip_.push_back(add(menu, "file.render-film", tr("Re&nder film"), QKeySequence(Qt::CTRL | Qt::Key_R),
                            [this] { renderAsked(); }));
    needClip_.push_back(add(menu, "file.export-poses-as-csv", tr("&Export poses as CSV"),
                            QKeySequence(Qt::CTRL | Qt::Key_E), [this] { exportPoses(); }));
    needClip_.push_back(add(menu, "file.import-strikes-from-a-list", tr("&Import strikes from a list"),
                            QKeySequence(Qt::CTRL | Qt::Key_I), [this] { importStrikes(); }));
    needClip_.push_back(add(menu, "file.export-strikes-as-a-list", tr("Export strikes as a &list"),
                            QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_E), [this] { exportStrikes(); }));
    needClip_.push_back(
        add(menu, "file.export-a-rumble-track", tr("Export a ru&mble track"), {}, [this] { exportRumble(); }));
    needClip_.push_back(add(menu, "file.save-this-frame-as-a-picture", tr("Save this &frame as a picture"), {},
                            [this] { exportStill(); }));
    needClip_.push_back(
        add(menu, "file.hand-on", tr("&Export motion"), QKeySequence(Qt::CTRL | Qt::Key_H), [this] { showHandOn(); }));
    add(menu, "file.apply-to-clips", tr("Appl&y to clips"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_B),
        [this] { showApply(); });
    needClip_.push_back(add(menu, "file.drop-bench", tr("&Drop bench"), {}, [this] { showDropBench(); }));
    needClip_.push_back(add(menu, "file.find-the-clip", tr("Find the &clip"), {}, [this] { findClip(); }));
    menu->addSeparator();
    needClip_.push_back(
        add(menu, "file.close-project", tr("Close &project"), QKeySequence(Qt::CTRL | Qt::Key_W), [this] {
            if (mayLeave())
                session_->file.close();
        }));
    add(menu, "file.quit", tr("&Quit"), QKeySequence(Qt::CTRL | Qt::Key_Q), [this] { close(); });
}

void MainWindow::buildEditMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Edit"));
    undo_ = add(menu, "edit.undo", tr("&Undo"), QKeySequence::Undo, [this] { session_->document.undo(); });
    redo_ = add(menu, "edit.redo", tr("&Redo"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z),
                [this] { session_->document.redo(); });
    menu->addSeparator();
    needSelection_.push_back(add(menu, "edit.duplicate-strikes", tr("&Duplicate strikes"),
                                 QKeySequence(Qt::CTRL | Qt::Key_D), [this] { session_->strikes.duplicate(); }));
    needSelection_.push_back(
        add(menu, "edit.cut-strikes", tr("Cu&t strikes"), QKeySequence::Cut, [this] { session_->strikes.cut(); }));
    needSelection_.push_back(
        add(menu, "edit.copy-strikes", tr("&Copy strikes"), QKeySequence::Copy, [this] { session_->strikes.copy(); }));
    needClip_.push_back(add(menu, "edit.paste-strikes", tr("&Paste strikes at the playhead"), QKeySequence::Paste,
                            [this] { session_->strikes.paste(); }));
    needSelection_.push_back(add(menu, "edit.paste-values", tr("Paste &values only"),
                                 QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_V),
                                 [this] { session_->strikes.pasteValues(); }));
    needSelection_.push_back(add(menu, "edit.delete-strikes", tr("De&lete strikes"), QKeySequence(Qt::Key_Delete),
                                 [this] { session_->strikes.remove(); }));
    menu->addSeparator();
    add(menu, "edit.select-all-strikes", tr("Select &all strikes"), QKeySequence(Qt::CTRL | Qt::Key_A),
        [this] { session_->selection.setAll(); });
    add(menu, "edit.select-nothing", tr("Select &nothing"), QKeySequence(Qt::Key_Escape), [this] { escape(); });
    menu->addSeparator();
    add(menu, "edit.find-an-action", tr("&Find an action"), QKeySequence(Qt::Key_F2),
        [this] { actionFinder_->open(actionsOf(*menuBar())); });
    add(menu, "edit.preferences", tr("Pre&ferences"), {}, [this] {
        PreferencesSheet sheet(this);
        connect(&sheet, &PreferencesSheet::changed, this, &MainWindow::applyPreferences);
        connect(&sheet, &PreferencesSheet::latencyAsked, this, [this, &sheet] {
            TapTest test(TapTest::Along::sound, &sheet);
            dialogs_.run(test);
            sheet.refreshLatency();
        });
        dialogs_.run(sheet);
    });
    add(menu, "edit.shortcuts", tr("S&hortcuts"), {}, [this] {
        ShortcutSheet sheet(actionsOf(*menuBar()), this);
        dialogs_.run(sheet);
    });
}

void MainWindow::buildStrikeMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Strike"));
    needClip_.push_back(add(menu, "strike.strike-here", tr("&Strike here"), QKeySequence(Qt::Key_S),
                            [this] { session_->strikes.put(session_->strikes.lastKind()); }));
    const std::array<std::tuple<StrikeKind, const char*, Qt::Key>, 4> kinds{
        {{StrikeKind::blast, "strike.blast-here", Qt::Key_1},
         {StrikeKind::landing, "strike.landing-here", Qt::Key_2},
         {StrikeKind::hit, "strike.hit-here", Qt::Key_3},
         {StrikeKind::beat, "strike.beat-here", Qt::Key_4}}};
    for (const auto& [kind, id, key] : kinds)
        needClip_.push_back(add(menu, QLatin1String(id), tr("%1 here").arg(kindTitle(kind)), QKeySequence(key),
                                [this, chosen = kind] { session_->strikes.put(chosen); }));
    menu->addSeparator();
    needSelection_.push_back(add(menu, "strike.move-one-frame-earlier", tr("Move one frame &earlier"),
                                 QKeySequence(Qt::ALT | Qt::Key_Left), [this] { session_->strikes.nudge(-1); }));
    needSelection_.push_back(add(menu, "strike.move-one-frame-later", tr("Move one frame &later"),
                                 QKeySequence(Qt::ALT | Qt::Key_Right), [this] { session_->strikes.nudge(1); }));
    needSelection_.push_back(add(menu, "strike.a-tenth-stronger", tr("A tenth &stronger"),
                                 QKeySequence(Qt::CTRL | Qt::Key_Up),
                                 [this] { session_->strikes.scaleStrengths(1.1); }));
    needSelection_.push_back(add(menu, "strike.a-tenth-weaker", tr("A tenth &weaker"),
                                 QKeySequence(Qt::CTRL | Qt::Key_Down),
                                 [this] { session_->strikes.scaleStrengths(0.9); }));
    needSelection_.push_back(add(menu, "strike.half-as-long", tr("&Half as long"), QKeySequence(Qt::Key_BracketLeft),
                                 [this] { session_->strikes.scaleLength(0.5); }));
    needSelection_.push_back(add(menu, "strike.twice-as-long", tr("&Twice as long"), QKeySequence(Qt::Key_BracketRight),
                                 [this] { session_->strikes.scaleLength(2); }));
    needSelection_.push_back(add(menu, "strike.new-variation", tr("&New variation"), QKeySequence(Qt::Key_N),
                                 [this] { session_->strikes.newVariation(); }));
    needSelection_.push_back(add(menu, "strike.lock-or-free-the-variation", tr("Loc&k or free the variation"),
                                 QKeySequence(Qt::SHIFT | Qt::Key_N), [this] { session_->strikes.toggleLocked(); }));
    needSelection_.push_back(add(menu, "strike.follow-the-pivot", tr("Follow the p&ivot in the clip"), {},
                                 [this] { session_->strikes.followPivot(); }));
    needSelection_.push_back(add(menu, "strike.own-recipe-for-this-strike", tr("&Own recipe for this strike"), {},
                                 [this] { session_->shaping.makeOwnRecipe(); }));
    QAction* hand = add(menu, "strike.move-by-hand", tr("&Move the picture by hand"), QKeySequence(Qt::Key_M),
                        [this] { moveByHand(); });
    hand->setCheckable(true);
    connect(&session_->hand, &HandWork::changed, hand, [this, hand] { hand->setChecked(session_->hand.on()); });
    needClip_.push_back(hand);
    QMenu* keys = menu->addMenu(tr("Turn into &keys"));
    keys->setToolTipsVisible(true);
    needSelection_.push_back(add(keys, "strike.turn-into-keys.this-strike-few-keys", tr("This strike, &few keys"),
                                 QKeySequence(Qt::CTRL | Qt::Key_K), [this] { session_->strikes.bakeStrike(false); }));
    needSelection_.push_back(add(keys, "strike.turn-into-keys.this-strike-on-every-frame",
                                 tr("This strike, on &every frame"), {},
                                 [this] { session_->strikes.bakeStrike(true); }));
    needClip_.push_back(add(keys, "strike.turn-into-keys.the-whole-film-few-keys", tr("The whole fi&lm, few keys"), {},
                            [this] { session_->strikes.bakeFilm(false); }));
    needClip_.push_back(add(keys, "strike.turn-into-keys.the-whole-film-on-every-frame",
                            tr("The whole film, on every f&rame"), {}, [this] { session_->strikes.bakeFilm(true); }));
    menu->addSeparator();
    add(menu, "strike.places-from-above", tr("Pla&ces from above"), QKeySequence(Qt::CTRL | Qt::Key_T),
        [this] { showPlaces(); });
    add(menu, "strike.table", tr("Strikes in a ta&ble"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_T),
        [this] { showStrikes(); });
    menu->addSeparator();
    needClip_.push_back(add(menu, "strike.ease-shakes-home-from-here", tr("E&ase shakes home from here"),
                            QKeySequence(Qt::Key_H), [this] { session_->strikes.settleHere(SettleMode::ease); }));
    needClip_.push_back(add(menu, "strike.cut-shakes-here", tr("&Cut shakes here"), QKeySequence(Qt::Key_X),
                            [this] { session_->strikes.settleHere(SettleMode::cut); }));
    needSelection_.push_back(add(menu, "strike.ease-this-home", tr("Ease this strike h&ome from here"),
                                 QKeySequence(Qt::SHIFT | Qt::Key_H),
                                 [this] { session_->strikes.endOneHere(SettleMode::ease); }));
    needSelection_.push_back(add(menu, "strike.cut-this-here", tr("C&ut this strike here"),
                                 QKeySequence(Qt::SHIFT | Qt::Key_X),
                                 [this] { session_->strikes.endOneHere(SettleMode::cut); }));
    needClip_.push_back(add(menu, "strike.bypass-all-shakes", tr("&Bypass all shakes"), QKeySequence(Qt::Key_B),
                            [this] { session_->strikes.toggleBypass(); }));
    menu->addSeparator();
    add(menu, "strike.previous-strike", tr("&Previous strike"), QKeySequence(Qt::Key_Up),
        [this] { session_->strikes.goTo(-1); });
    add(menu, "strike.next-strike", tr("Ne&xt strike"), QKeySequence(Qt::Key_Down),
        [this] { session_->strikes.goTo(1); });
}

void MainWindow::moveByHand()
{
    player_->pause();
    session_->hand.toggle();
    if (session_->hand.on())
        picture_->setFocus();
}

void MainWindow::buildFindMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("Fi&nd"));
    needClip_.push_back(add(menu, "find.find-strikes", tr("&Find strikes"), QKeySequence(Qt::CTRL | Qt::Key_F),
                            [this] { showBeside(beside() == Beside::find ? Beside::column : Beside::find); }));
    needClip_.push_back(add(menu, "find.next-proposal", tr("&Next proposal"), QKeySequence(Qt::Key_Period),
                            [this] { finder_->step(1); }));
    needClip_.push_back(add(menu, "find.previous-proposal", tr("&Previous proposal"), QKeySequence(Qt::Key_Comma),
                            [this] { finder_->step(-1); }));
    needClip_.push_back(
        add(menu, "find.accept-it", tr("&Accept it"), QKeySequence(Qt::Key_A), [this] { finder_->acceptCurrent(); }));
    needClip_.push_back(
        add(menu, "find.reject-it", tr("&Reject it"), QKeySequence(Qt::Key_R), [this] { finder_->rejectCurrent(); }));
    needClip_.push_back(add(menu, "find.more-like-this", tr("&More like this"), QKeySequence(Qt::SHIFT | Qt::Key_E),
                            [this] { finder_->pickAlike(); }));
    needClip_.push_back(add(menu, "find.none-like-this", tr("N&one like this"), QKeySequence(Qt::SHIFT | Qt::Key_R),
                            [this] { finder_->rejectAlike(); }));
    needClip_.push_back(add(menu, "find.accept-all", tr("Accept a&ll"), QKeySequence(Qt::SHIFT | Qt::Key_A),
                            [this] { finder_->acceptAll(); }));
    menu->addSeparator();
    needClip_.push_back(
        add(menu, "find.tap-along", tr("&Tap along"), QKeySequence(Qt::Key_K), [this] { tapper_->tap(); }));
    add(menu, "find.tap-test", tr("Tap te&st"), {}, [this] {
        TapTest test(TapTest::Along::light, this);
        dialogs_.run(test);
    });
    menu->addSeparator();
    add(menu, "find.read-a-camera-s-motion", tr("Track ca&mera motion"), {}, [this] { showMotions().readFromClip(); });
    add(menu, "find.camera-motions", tr("&Camera motions"), QKeySequence(Qt::CTRL | Qt::Key_M),
        [this] { showMotions(); });
    menu->addSeparator();
    needSelection_.push_back(add(menu, "find.shape-from-sound", tr("&Shape from sound"),
                                 QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_F), [this] { shapeFromSound(); }));
    needSelection_.push_back(add(menu, "find.spread-evenly", tr("Sp&read evenly"), {}, [this] {
        if (session_->selection.ids().size() < 3)
            say(tr("Select three strikes or more: those between the first and the last are spread"));
        else
            session_->document.edit(withStrikesSpread(session_->document.project(), session_->selection.ids()),
                                    tr("%1 strikes spread evenly").arg(session_->selection.ids().size()));
    }));
    QMenu* fall = menu->addMenu(tr("&Fade strengths to"));
    fall->setToolTipsVisible(true);
    for (const int percent : {90, 80, 70, 60, 50})
        needSelection_.push_back(add(fall, QStringLiteral("find.strengths-fall-to.%1-of-the-last").arg(percent),
                                     tr("%1 % of the last").arg(percent), {}, [this, percent] {
                                         session_->document.edit(withFallingStrengths(session_->document.project(),
                                                                                      session_->selection.ids(),
                                                                                      percent / 100.0),
                                                                 tr("Fade strengths to %1 % each").arg(percent));
                                     }));
}

void MainWindow::shapeFromSound()
{
    if (finder_->sound() == nullptr) {
        say(session_->film.soundSource() ? tr("Find strikes first (Ctrl+F): shapes come from the analysed sound")
                                         : tr("The film has no sound to take a shape from"));
        return;
    }
    session_->document.edit(
        withShapesFromSound(session_->document.project(), session_->selection.ids(), *finder_->sound()),
        tr("Shaped as it sounds"));
}

void MainWindow::buildPlayMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Play"));
    needClip_.push_back(add(menu, "play.play-or-pause", tr("&Play or pause"), QKeySequence(Qt::Key_Space),
                            [this] { player_->toggle(); }));
    const auto step = [this](std::int64_t frames) {
        return [this, frames] {
            player_->pause();
            session_->playhead.setFrame(session_->playhead.frame() + frames);
        };
    };
    needClip_.push_back(add(menu, "play.one-frame-back", tr("One frame &back"), QKeySequence(Qt::Key_Left), step(-1)));
    needClip_.push_back(add(menu, "play.one-frame-on", tr("One frame &on"), QKeySequence(Qt::Key_Right), step(1)));
    needClip_.push_back(
        add(menu, "play.ten-frames-back", tr("Ten frames back"), QKeySequence(Qt::SHIFT | Qt::Key_Left), step(-10)));
    needClip_.push_back(
        add(menu, "play.ten-frames-on", tr("Ten frames on"), QKeySequence(Qt::SHIFT | Qt::Key_Right), step(10)));
    needClip_.push_back(
        add(menu, "play.to-the-start", tr("To the &start"), QKeySequence(Qt::Key_Home), step(-(1LL << 40))));
    needClip_.push_back(add(menu, "play.to-the-end", tr("To the &end"), QKeySequence(Qt::Key_End), step(1LL << 40)));
    needClip_.push_back(add(menu, "play.go-to-frame", tr("&Go to a frame or timecode"),
                            QKeySequence(Qt::CTRL | Qt::Key_J), [this] { place_->beginTyping(); }));
    add(menu, "play.live-bench", tr("Li&ve bench"), QKeySequence(Qt::CTRL | Qt::Key_B), [this] { showLive(); });
    QMenu* speeds = menu->addMenu(tr("Sp&eed"));
    auto* group = new QActionGroup(this);
    for (const int percent : {100, 75, 50, 25, 10}) {
        QAction* action = speeds->addAction(tr("%1 %").arg(percent));
        setActionId(*action, QStringLiteral("play.speed.%1").arg(percent));
        action->setCheckable(true);
        action->setChecked(percent == 100);
        group->addAction(action);
        connect(action, &QAction::triggered, this, [this, percent] { player_->setSpeed(percent / 100.0); });
    }
    speeds->setToolTipsVisible(true);
    for (QAction* action : speeds->actions())
        action->setToolTip(action->text() == tr("100 %") ? tr("As it was taken")
                                                         : tr("Sound is stretched and keeps its pitch"));
    QAction* scrub = add(menu, "play.sound-while-moving", tr("Sound while &moving the playhead"), {}, [] {});
    scrub->setCheckable(true);
    scrub->setChecked(Scrub::on());
    scrub->setToolTip(tr("The frame the playhead is dragged or stepped to is heard"));
    connect(scrub, &QAction::toggled, scrub_.get(), &Scrub::setOn);
    menu->addSeparator();
    needClip_.push_back(add(menu, "play.loop", tr("&Loop"), QKeySequence(Qt::Key_L), [this] { loop_->click(); }));
    needClip_.push_back(add(menu, "play.loop-starts-here", tr("Loop starts &here"), QKeySequence(Qt::Key_I),
                            [this] { changeLoop(true); }));
    needClip_.push_back(
        add(menu, "play.loop-ends-here", tr("Loop ends here"), QKeySequence(Qt::Key_O), [this] { changeLoop(false); }));
    needSelection_.push_back(add(menu, "play.loop-around-the-selected-strikes", tr("Loop &around the selected strikes"),
                                 QKeySequence(Qt::CTRL | Qt::Key_L), [this] { loopStrikes(false); }));
    needSelection_.push_back(add(menu, "play.loop-to-the-next-strike", tr("Loop to the &next strike"),
                                 QKeySequence(Qt::ALT | Qt::Key_L), [this] { loopStrikes(true); }));
    needClip_.push_back(add(menu, "play.clear-the-loop", tr("&Clear the loop"), QKeySequence(Qt::SHIFT | Qt::Key_L),
                            [this] { session_->playhead.setLoop({}); }));
}

void MainWindow::loopStrikes(bool toNext)
{
    const Project& project = session_->document.project();
    std::int64_t first = session_->document.length();
    std::int64_t last = 0;
    std::int64_t onset = 0;
    for (const StrikeId id : session_->selection.ids())
        if (const Strike* strike = project.strike(id)) {
            first = std::min(first, strike->frame.index);
            onset = std::max(onset, strike->frame.index);
            last = std::max<std::int64_t>(last, strike->frame.index + std::llround(envelopeOf(project, *strike).end()));
        }
    if (toNext) {
        const auto next = std::find_if(project.strikes.begin(), project.strikes.end(),
                                       [&](const Strike& strike) { return strike.frame.index > onset; });
        last = next != project.strikes.end() ? next->frame.index : session_->document.length() - 1;
    }
    const auto before = toNext ? 0 : std::llround(project.rate.perSecond() / 4);
    session_->playhead.setLoop(
        {std::max<std::int64_t>(0, first - before), std::min(last, session_->document.length() - 1), true});
}

void MainWindow::changeLoop(bool in)
{
    LoopRange loop = session_->playhead.loop();
    const bool fresh = !loop.set();
    const auto here = session_->playhead.frame();
    if (in) {
        loop.first = here;
        loop.last = fresh || loop.last <= here ? session_->document.length() - 1 : loop.last;
    } else {
        loop.last = here;
        loop.first = fresh || loop.first >= here ? 0 : loop.first;
    }
    loop.on = loop.set();
    session_->playhead.setLoop(loop);
}

void MainWindow::showSplit(int split)
{
    const auto wanted = static_cast<PictureView::Split>(split);
    const bool on = picture_->split() != wanted;
    if (on && wanted == PictureView::Split::take && takes_->other() < 0) {
        say(tr("Keep the project as a take first (Ctrl+1), then change it"));
        return;
    }
    if (on && wanted == PictureView::Split::take && !takes_->comparable()) {
        say(tr("The other take has other shots: their frames cannot be held against each other"));
        return;
    }
    picture_->setSplit(on ? wanted : PictureView::Split::none);
    say(!on                                    ? tr("No split")
        : wanted == PictureView::Split::plain  ? tr("Left of the line the frame is unshaken; drag the line")
        : wanted == PictureView::Split::gentle ? tr("Left of the line is the gentle version; drag the line")
                                               : tr("Left of the line is the other take; drag the line"));
    if (comfort_ != nullptr)
        comfort_->showBeside(picture_->split() == PictureView::Split::gentle);
}

void MainWindow::buildCompareMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Compare"));
    needClip_.push_back(add(menu, "compare.split-against-the-unshaken-frame", tr("Split against the &unshaken frame"),
                            QKeySequence(Qt::Key_V),
                            [this] { showSplit(static_cast<int>(PictureView::Split::plain)); }));
    needClip_.push_back(add(menu, "compare.split-against-the-other-take", tr("&Split against the other take"),
                            QKeySequence(Qt::SHIFT | Qt::Key_V),
                            [this] { showSplit(static_cast<int>(PictureView::Split::take)); }));
    needClip_.push_back(add(menu, "compare.split-against-the-gentle-version", tr("Split against the &gentle version"),
                            QKeySequence(Qt::CTRL | Qt::Key_G),
                            [this] { showSplit(static_cast<int>(PictureView::Split::gentle)); }));
    needClip_.push_back(add(menu, "compare.comfort", tr("&Comfort"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_G),
                            [this] { showComfort(); }));
    menu->addSeparator();
    needSelection_.push_back(add(menu, "compare.frames-around-the-strike-large", tr("&Frames around the strike, large"),
                                 QKeySequence(Qt::Key_G), [this] {
                                     if (contacts_ == nullptr)
                                         contacts_ = new ContactSheet(*session_, *takes_, centralWidget());
                                     contacts_->toggle();
                                 }));
    menu->addSeparator();
    needClip_.push_back(add(menu, "compare.keep-as-take-a", tr("Keep as take &A"), QKeySequence(Qt::CTRL | Qt::Key_1),
                            [this] { takes_->keep(0); }));
    needClip_.push_back(add(menu, "compare.keep-as-take-b", tr("Keep as take &B"), QKeySequence(Qt::CTRL | Qt::Key_2),
                            [this] { takes_->keep(1); }));
    needClip_.push_back(add(menu, "compare.switch-to-the-other-take", tr("S&witch to the other take"),
                            QKeySequence(Qt::Key_Q), [this] { takes_->swap(); }));
    needClip_.push_back(
        add(menu, "compare.what-differs", tr("&What differs"), QKeySequence(Qt::SHIFT | Qt::Key_Q), [this] {
            const int other = takes_->other();
            if (other < 0) {
                say(tr("Keep the project as a take first (Ctrl+1), then change it"));
                return;
            }
            const int now = takes_->current();
            DifferenceSheet sheet(differences(*takes_->take(other)->project, session_->document.project()),
                                  tr("take %1").arg(Takes::name(other)),
                                  now >= 0 ? tr("take %1").arg(Takes::name(now)) : tr("now"), this);
            dialogs_.run(sheet);
        }));
}

void MainWindow::buildGuidesMenu(QMenu* menu)
{
    QMenu* lines = menu->addMenu(tr("&Guides"));
    const QSettings settings;
    setOwnLines(guides_, settings.value(QStringLiteral("view/own-lines")).toString());
    const auto toggle = [&](const char* id, const QString& text, bool Guides::*which) {
        const QString key = QStringLiteral("view/") + QLatin1String(id);
        guides_.*which = settings.value(key, false).toBool();
        QAction* action = lines->addAction(text);
        setActionId(*action, QStringLiteral("view.guides.") + QLatin1String(id));
        action->setCheckable(true);
        action->setChecked(guides_.*which);
        connect(action, &QAction::toggled, this, [this, key, which](bool on) {
            guides_.*which = on;
            picture_->setGuides(guides_);
            QSettings().setValue(key, on);
        });
    };
    toggle("centre", tr("Frame &centre"), &Guides::centre);
    toggle("thirds", tr("&Thirds"), &Guides::thirds);
    toggle("action-safe", tr("&Action safe, 93 %"), &Guides::actionSafe);
    toggle("title-safe", tr("T&itle safe, 90 %"), &Guides::titleSafe);
    add(lines, "view.guides.own", tr("&Own lines"), {}, [this] {
        QInputDialog sheet(this);
        sheet.setObjectName(QStringLiteral("own-lines"));
        sheet.setWindowTitle(tr("Own lines"));
        sheet.setLabelText(tr("Lines over the picture, in percent of its width (x) and height (y):"));
        sheet.setTextValue(guides_.x.empty() && guides_.y.empty() ? QStringLiteral("x 25 %, x 75 %, y 50 %")
                                                                  : ownLines(guides_));
        if (!dialogs_.run(sheet))
            return;
        setOwnLines(guides_, sheet.textValue());
        picture_->setGuides(guides_);
        QSettings().setValue(QStringLiteral("view/own-lines"), ownLines(guides_));
        say(ownLines(guides_).isEmpty() ? tr("No own lines") : tr("Own lines: %1").arg(ownLines(guides_)));
    });
    picture_->setGuides(guides_);
}

void MainWindow::buildViewMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&View"));
    const auto toggle = [&](const QString& id, const QString& text, bool on, const std::function<void(bool)>& set) {
        QAction* action = menu->addAction(text);
        setActionId(*action, id);
        action->setCheckable(true);
        action->setChecked(on);
        connect(action, &QAction::toggled, this, set);
        return action;
    };
    const QSettings settings;
    const bool thread = settings.value(QStringLiteral("view/thread"), true).toBool();
    const bool border = settings.value(QStringLiteral("view/border"), true).toBool();
    picture_->setThreadShown(thread);
    picture_->setBorderShown(border);
    toggle("view.path-of-the-picture-s-centre", tr("Path of the picture's &centre"), thread, [this](bool on) {
        picture_->setThreadShown(on);
        QSettings().setValue(QStringLiteral("view/thread"), on);
    });
    const bool arrow = settings.value(QStringLiteral("view/arrow"), true).toBool();
    picture_->setArrowShown(arrow);
    toggle("view.arrow-of-the-selected-strike", tr("&Arrow of the selected strike"), arrow, [this](bool on) {
        picture_->setArrowShown(on);
        QSettings().setValue(QStringLiteral("view/arrow"), on);
    });
    toggle("view.hidden-border", tr("Hidden &border"), border, [this](bool on) {
        picture_->setBorderShown(on);
        QSettings().setValue(QStringLiteral("view/border"), on);
    });
    const bool skins = settings.value(QStringLiteral("view/skins"), true).toBool();
    picture_->setSkinsShown(skins);
    toggle("view.onion-skins", tr("&Onion skins by hand"), skins, [this](bool on) {
        picture_->setSkinsShown(on);
        QSettings().setValue(QStringLiteral("view/skins"), on);
    });
    buildGuidesMenu(menu);
    add(menu, "view.fit-the-picture", tr("&Fit the picture"), QKeySequence(Qt::Key_F), [this] { picture_->fit(); });
    add(menu, "view.pixel-for-pixel", tr("Picture pi&xel for pixel"), QKeySequence(Qt::SHIFT | Qt::Key_F),
        [this] { picture_->showWholePixels(); });
    theme::setScheme(*qApp, theme::storedScheme());
    toggle("view.light-scheme", tr("&Light scheme"), theme::scheme() == theme::Scheme::light, [](bool on) {
        const theme::Scheme chosen = on ? theme::Scheme::light : theme::Scheme::dark;
        theme::setScheme(*qApp, chosen);
        theme::storeScheme(chosen);
    });
    add(menu, "view.full-screen-picture", tr("&Full-screen picture"), QKeySequence(Qt::Key_F11),
        [this] { showBigPicture(); });
    menu->addSeparator();
    add(menu, "view.whole-film-on-the-reel", tr("&Whole film on the Reel"), QKeySequence(Qt::Key_W),
        [this] { reel_->showAll(); });
    const bool timecode = settings.value(QStringLiteral("view/ruler-timecode"), false).toBool();
    reel_->setTimecode(timecode);
    toggle("view.timecode-on-the-reel", tr("Timec&ode on the Reel"), timecode, [this](bool on) {
        reel_->setTimecode(on);
        QSettings().setValue(QStringLiteral("view/ruler-timecode"), on);
    });
    const bool lane = settings.value(QStringLiteral("view/intensity-lane"), false).toBool();
    reel_->setLanesShown(lane);
    toggle("view.intensity-on-the-reel", tr("&Intensity on the Reel"), lane, [this](bool on) {
        reel_->setLanesShown(on);
        QSettings().setValue(QStringLiteral("view/intensity-lane"), on);
    });
    add(menu, "view.stretched-or-even-anvil", tr("Stretched or e&ven Anvil"), QKeySequence(Qt::Key_E),
        [this] { anvil_->toggleEven(); });
    add(menu, "view.curves", tr("C&urves in the Anvil's place"), QKeySequence(Qt::Key_U),
        [this] { showCurves(anvilPlace_->currentWidget() != curves_); });
    add(menu, "view.traces-on-the-anvil", tr("Traces on the An&vil"), QKeySequence(Qt::Key_Y),
        [this] { anvil_->toggleTraces(); });
    add(menu, "view.strands-on-the-anvil", tr("S&trands on the Anvil"), QKeySequence(Qt::Key_T),
        [this] { anvil_->toggleStrands(); });
    add(menu, "view.lengths-in-frames-or-seconds", tr("Lengths in frames or &seconds"),
        QKeySequence(Qt::SHIFT | Qt::Key_T),
        [this] { session_->shaping.setInSeconds(!session_->shaping.inSeconds()); });
    menu->addSeparator();
    const auto page = [this](SideColumn::Page wanted) {
        return [this, wanted] {
            showBeside(Beside::column);
            side_->setPage(wanted);
        };
    };
    add(menu, "view.strike-page", tr("Str&ike page"), QKeySequence(Qt::Key_F5), page(SideColumn::Page::strike));
    add(menu, "view.recipes-page", tr("&Recipes page"), QKeySequence(Qt::Key_F6), page(SideColumn::Page::recipes));
    add(menu, "view.film-page", tr("&Film page"), QKeySequence(Qt::Key_F7), page(SideColumn::Page::film));
    add(menu, "view.finish-page", tr("Finis&h page"), QKeySequence(Qt::Key_F8), page(SideColumn::Page::finish));
    menu->addSeparator();
    const std::array<std::tuple<QString, QString, Qt::Key, QWidget*>, 4> regions{
        {{"view.keys-to-the-picture", tr("Keys to the &picture"), Qt::Key_1, picture_},
         {"view.keys-to-the-anvil", tr("Keys to the Anv&il"), Qt::Key_2, anvilPlace_},
         {"view.keys-to-the-reel", tr("Keys to the Ree&l"), Qt::Key_3, reel_},
         {"view.keys-to-the-side-column", tr("Keys to the side colu&mn"), Qt::Key_4, sideStack_}}};
    for (const auto& [id, text, key, region] : regions)
        add(menu, id, text, QKeySequence(Qt::ALT | key), [this, to = region] {
            const bool curves = to == anvilPlace_ && anvilPlace_->currentWidget() == curves_;
            jumpTo(curves ? static_cast<QWidget&>(curves_->canvas()) : to == anvilPlace_ ? anvil_->canvas() : *to);
        });
}

void MainWindow::showBigPicture()
{
    if (bigPicture_ != nullptr) {
        bigPicture_->close();
        return;
    }
    bigPicture_ = new PictureView(*session_, *player_);
    bigPicture_->setTakes(takes_.get());
    bigPicture_->setAttribute(Qt::WA_DeleteOnClose);
    bigPicture_->setWindowTitle(tr("Picture – Vast Ember"));
    bigPicture_->setObjectName(QStringLiteral("big-picture"));
    for (const ListedAction& listed : actionsOf(*menuBar())) // all keys go on working
        bigPicture_->addAction(listed.action);
    // On the other screen where there is one: the window stays in sight.
    const auto screens = QGuiApplication::screens();
    for (QScreen* candidate : screens)
        if (candidate != screen()) {
            bigPicture_->setGeometry(candidate->geometry());
            break;
        }
    bigPicture_->showFullScreen();
    say(tr("Picture alone: F11 goes back"));
}

void MainWindow::buildHelpMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Help"));
    const auto page = [this](const char* name) {
        return [this, name] {
            if (guide_ == nullptr)
                guide_ = new GuideWindow(this);
            guide_->showPage(QLatin1String(name));
        };
    };
    add(menu, "help.guide", tr("&Guide"), QKeySequence(Qt::Key_F1), page("guide/guide.md"));
    add(menu, "help.shortcuts", tr("&Shortcuts"), {}, page("guide/shortcuts.md"));
    add(menu, "help.open-the-demo", tr("Open the &demo"), {}, [this] { openDemo(); });
    add(menu, "help.first-steps", tr("&First steps"), {}, [this] { hints_->restart(); });
    menu->addSeparator();
    add(menu, "help.crash-report", tr("&Crash report"), {}, [this] {
        CrashSheet sheet(this);
        dialogs_.run(sheet);
    });
    add(menu, "help.about-vast-ember", tr("&About Vast Ember"), {}, [this] {
        QMessageBox::about(this, tr("About Vast Ember"),
                           tr("<b>Vast Ember %1</b><br>Times impact shakes to the frame.<br><br>Free software under "
                              "the GNU GPL, version 3 or later. "
                              "Typeface B612 under the SIL Open Font Licence.")
                               .arg(QApplication::applicationVersion()));
    });
}

} // namespace ember::app
