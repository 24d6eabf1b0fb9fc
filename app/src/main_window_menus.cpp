// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>

#include <QAbstractButton>
#include <QAction>
#include <QActionGroup>
#include <QApplication>
#include <QLabel>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QScreen>
#include <QSettings>
#include <QStackedWidget>

#include "action_finder.h"
#include "anvil_view.h"
#include "comfort_window.h"
#include "contact_sheet.h"
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
#include "preferences.h"
#include "reel_view.h"
#include "shortcut_sheet.h"
#include "side_column.h"
#include "takes.h"
#include "tap_test.h"
#include "tapper.h"
#include "theme.h"

namespace ember::app {

QAction* MainWindow::add(QMenu* menu, const QString& text, const QKeySequence& key, const std::function<void()>& action)
{
    QAction* made = menu->addAction(text);
    made->setShortcut(key);
    connect(made, &QAction::triggered, this, &InputRules::finishTyping); // what is typed is taken before anything else
    connect(made, &QAction::triggered, this, action);
    menu->setToolTipsVisible(true);
    return made;
}

void MainWindow::buildFileMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&File"));
    add(menu, tr("&Open clip or project"), QKeySequence::Open, [this] { openAsked(); });
    add(menu, tr("Open one &picture of a series"), {}, [this] { openPictureAsked(); });
    recent_ = menu->addMenu(tr("Open &recent"));
    recent_->menuAction()->setProperty("unlisted", true); // files are not actions
    connect(recent_, &QMenu::aboutToShow, this, &MainWindow::fillRecent);
    menu->addSeparator();
    needClip_.push_back(add(menu, tr("&Save"), QKeySequence::Save, [this] { save(); }));
    needClip_.push_back(
        add(menu, tr("Save &as"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S), [this] { saveAs(); }));
    menu->addSeparator();
    needClip_.push_back(add(menu, tr("Re&nder film"), QKeySequence(Qt::CTRL | Qt::Key_R), [this] { renderAsked(); }));
    needClip_.push_back(
        add(menu, tr("&Export poses as CSV"), QKeySequence(Qt::CTRL | Qt::Key_E), [this] { exportPoses(); }));
    needClip_.push_back(
        add(menu, tr("&Import strikes from a list"), QKeySequence(Qt::CTRL | Qt::Key_I), [this] { importStrikes(); }));
    needClip_.push_back(add(menu, tr("Export strikes as a &list"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_E),
                            [this] { exportStrikes(); }));
    needClip_.push_back(add(menu, tr("Export a ru&mble track"), {}, [this] { exportRumble(); }));
    needClip_.push_back(add(menu, tr("Save this &frame as a picture"), {}, [this] { exportStill(); }));
    needClip_.push_back(add(menu, tr("&Hand on"), QKeySequence(Qt::CTRL | Qt::Key_H), [this] { showHandOn(); }));
    needClip_.push_back(add(menu, tr("&Drop bench"), {}, [this] { showDropBench(); }));
    needClip_.push_back(add(menu, tr("Find the &clip"), {}, [this] { findClip(); }));
    menu->addSeparator();
    needClip_.push_back(add(menu, tr("Close &project"), QKeySequence(Qt::CTRL | Qt::Key_W), [this] {
        if (mayLeave())
            session_->close();
    }));
    add(menu, tr("&Quit"), QKeySequence(Qt::CTRL | Qt::Key_Q), [this] { close(); });
}

void MainWindow::buildEditMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Edit"));
    undo_ = add(menu, tr("&Undo"), QKeySequence::Undo, [this] { session_->undo(); });
    redo_ = add(menu, tr("&Redo"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), [this] { session_->redo(); });
    menu->addSeparator();
    needSelection_.push_back(add(menu, tr("&Duplicate strikes"), QKeySequence(Qt::CTRL | Qt::Key_D),
                                 [this] { session_->duplicateSelected(); }));
    needSelection_.push_back(
        add(menu, tr("&Copy values"), QKeySequence(Qt::CTRL | Qt::Key_C), [this] { session_->copyValues(); }));
    needSelection_.push_back(
        add(menu, tr("&Paste values"), QKeySequence(Qt::CTRL | Qt::Key_V), [this] { session_->pasteValues(); }));
    needSelection_.push_back(
        add(menu, tr("De&lete strikes"), QKeySequence(Qt::Key_Delete), [this] { session_->deleteSelected(); }));
    menu->addSeparator();
    add(menu, tr("Select &all strikes"), QKeySequence(Qt::CTRL | Qt::Key_A), [this] { session_->selectAll(); });
    add(menu, tr("Select &nothing"), QKeySequence(Qt::Key_Escape), [this] { escape(); });
    menu->addSeparator();
    add(menu, tr("&Find an action"), QKeySequence(Qt::Key_F2), [this] { actionFinder_->open(actionsOf(*menuBar())); });
    add(menu, tr("Pre&ferences"), {}, [this] {
        PreferencesSheet sheet(this);
        connect(&sheet, &PreferencesSheet::changed, this, &MainWindow::applyPreferences);
        dialogs_.run(sheet);
    });
    add(menu, tr("S&hortcuts"), {}, [this] {
        ShortcutSheet sheet(actionsOf(*menuBar()), this);
        dialogs_.run(sheet);
    });
}

void MainWindow::buildStrikeMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Strike"));
    needClip_.push_back(
        add(menu, tr("&Strike here"), QKeySequence(Qt::Key_S), [this] { session_->putStrike(session_->lastKind()); }));
    const std::array<std::pair<StrikeKind, Qt::Key>, 4> kinds{{{StrikeKind::blast, Qt::Key_1},
                                                               {StrikeKind::landing, Qt::Key_2},
                                                               {StrikeKind::hit, Qt::Key_3},
                                                               {StrikeKind::beat, Qt::Key_4}}};
    for (const auto& [kind, key] : kinds)
        needClip_.push_back(add(menu, tr("%1 here").arg(kindTitle(kind)), QKeySequence(key),
                                [this, chosen = kind] { session_->putStrike(chosen); }));
    menu->addSeparator();
    needSelection_.push_back(add(menu, tr("Move one frame &earlier"), QKeySequence(Qt::ALT | Qt::Key_Left),
                                 [this] { session_->nudgeSelected(-1); }));
    needSelection_.push_back(add(menu, tr("Move one frame &later"), QKeySequence(Qt::ALT | Qt::Key_Right),
                                 [this] { session_->nudgeSelected(1); }));
    needSelection_.push_back(add(menu, tr("A tenth &stronger"), QKeySequence(Qt::CTRL | Qt::Key_Up),
                                 [this] { session_->scaleStrengths(1.1); }));
    needSelection_.push_back(add(menu, tr("A tenth &weaker"), QKeySequence(Qt::CTRL | Qt::Key_Down),
                                 [this] { session_->scaleStrengths(0.9); }));
    needSelection_.push_back(
        add(menu, tr("&Half as long"), QKeySequence(Qt::Key_BracketLeft), [this] { session_->scaleLength(0.5); }));
    needSelection_.push_back(
        add(menu, tr("&Twice as long"), QKeySequence(Qt::Key_BracketRight), [this] { session_->scaleLength(2); }));
    needSelection_.push_back(
        add(menu, tr("&New variation"), QKeySequence(Qt::Key_N), [this] { session_->newVariation(); }));
    needSelection_.push_back(add(menu, tr("Loc&k or free the variation"), QKeySequence(Qt::SHIFT | Qt::Key_N),
                                 [this] { session_->toggleLocked(); }));
    needSelection_.push_back(add(menu, tr("&Own recipe for this strike"), {}, [this] { session_->makeOwnRecipe(); }));
    QMenu* keys = menu->addMenu(tr("Turn into &keys"));
    keys->setToolTipsVisible(true);
    needSelection_.push_back(add(keys, tr("This strike, &few keys"), QKeySequence(Qt::CTRL | Qt::Key_K),
                                 [this] { session_->bakeStrike(false); }));
    needSelection_.push_back(add(keys, tr("This strike, on &every frame"), {}, [this] { session_->bakeStrike(true); }));
    needClip_.push_back(add(keys, tr("The whole fi&lm, few keys"), {}, [this] { session_->bakeFilm(false); }));
    needClip_.push_back(add(keys, tr("The whole film, on every f&rame"), {}, [this] { session_->bakeFilm(true); }));
    menu->addSeparator();
    add(menu, tr("Pla&ces from above"), QKeySequence(Qt::CTRL | Qt::Key_T), [this] { showPlaces(); });
    menu->addSeparator();
    needClip_.push_back(add(menu, tr("E&ase shakes home from here"), QKeySequence(Qt::Key_H),
                            [this] { session_->settleHere(SettleMode::ease); }));
    needClip_.push_back(
        add(menu, tr("&Cut shakes here"), QKeySequence(Qt::Key_X), [this] { session_->settleHere(SettleMode::cut); }));
    needClip_.push_back(
        add(menu, tr("&Bypass all shakes"), QKeySequence(Qt::Key_B), [this] { session_->toggleBypass(); }));
    menu->addSeparator();
    add(menu, tr("&Previous strike"), QKeySequence(Qt::Key_Up), [this] { session_->goToStrike(-1); });
    add(menu, tr("Ne&xt strike"), QKeySequence(Qt::Key_Down), [this] { session_->goToStrike(1); });
}

void MainWindow::buildFindMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("Fi&nd"));
    needClip_.push_back(add(menu, tr("&Find strikes"), QKeySequence(Qt::CTRL | Qt::Key_F),
                            [this] { showFinding(findPanel_->isHidden()); }));
    needClip_.push_back(add(menu, tr("&Next proposal"), QKeySequence(Qt::Key_Period), [this] { finder_->step(1); }));
    needClip_.push_back(
        add(menu, tr("&Previous proposal"), QKeySequence(Qt::Key_Comma), [this] { finder_->step(-1); }));
    needClip_.push_back(add(menu, tr("&Accept it"), QKeySequence(Qt::Key_A), [this] { finder_->acceptCurrent(); }));
    needClip_.push_back(add(menu, tr("&Reject it"), QKeySequence(Qt::Key_R), [this] { finder_->rejectCurrent(); }));
    needClip_.push_back(
        add(menu, tr("Accept a&ll"), QKeySequence(Qt::SHIFT | Qt::Key_A), [this] { finder_->acceptAll(); }));
    menu->addSeparator();
    needClip_.push_back(add(menu, tr("&Tap along"), QKeySequence(Qt::Key_K), [this] { tapper_->tap(); }));
    add(menu, tr("Tap te&st"), {}, [this] {
        TapTest test(this);
        dialogs_.run(test);
    });
    menu->addSeparator();
    add(menu, tr("Read a ca&mera's motion"), {}, [this] { showMotions().readFromClip(); });
    add(menu, tr("&Camera motions"), QKeySequence(Qt::CTRL | Qt::Key_M), [this] { showMotions(); });
    menu->addSeparator();
    needSelection_.push_back(add(menu, tr("&Shape from sound"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_F),
                                 [this] { shapeFromSound(); }));
    needSelection_.push_back(add(menu, tr("Sp&read evenly"), {}, [this] {
        if (session_->selection().size() < 3)
            say(tr("Select three strikes or more: those between the first and the last are spread"));
        else
            session_->edit(withStrikesSpread(session_->project(), session_->selection()),
                           tr("%1 strikes spread evenly").arg(session_->selection().size()));
    }));
    QMenu* fall = menu->addMenu(tr("Strengths &fall to"));
    fall->setToolTipsVisible(true);
    for (const int percent : {90, 80, 70, 60, 50})
        needSelection_.push_back(add(fall, tr("%1 % of the last").arg(percent), {}, [this, percent] {
            session_->edit(withFallingStrengths(session_->project(), session_->selection(), percent / 100.0),
                           tr("Strengths fall to %1 % each").arg(percent));
        }));
}

void MainWindow::shapeFromSound()
{
    if (finder_->sound() == nullptr) {
        say(session_->soundSource() ? tr("Find strikes first (Ctrl+F): the sound has to be heard")
                                    : tr("The film has no sound to take a shape from"));
        return;
    }
    session_->edit(withShapesFromSound(session_->project(), session_->selection(), *finder_->sound()),
                   tr("Shaped as it sounds"));
}

void MainWindow::buildPlayMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&Play"));
    needClip_.push_back(add(menu, tr("&Play or pause"), QKeySequence(Qt::Key_Space), [this] { player_->toggle(); }));
    const auto step = [this](std::int64_t frames) {
        return [this, frames] {
            player_->pause();
            session_->setPlayhead(session_->playhead() + frames);
        };
    };
    needClip_.push_back(add(menu, tr("One frame &back"), QKeySequence(Qt::Key_Left), step(-1)));
    needClip_.push_back(add(menu, tr("One frame &on"), QKeySequence(Qt::Key_Right), step(1)));
    needClip_.push_back(add(menu, tr("Ten frames back"), QKeySequence(Qt::SHIFT | Qt::Key_Left), step(-10)));
    needClip_.push_back(add(menu, tr("Ten frames on"), QKeySequence(Qt::SHIFT | Qt::Key_Right), step(10)));
    needClip_.push_back(add(menu, tr("To the &start"), QKeySequence(Qt::Key_Home), step(-(1LL << 40))));
    needClip_.push_back(add(menu, tr("To the &end"), QKeySequence(Qt::Key_End), step(1LL << 40)));
    add(menu, tr("Li&ve bench"), QKeySequence(Qt::CTRL | Qt::Key_B), [this] { showLive(); });
    QMenu* speeds = menu->addMenu(tr("Sp&eed"));
    auto* group = new QActionGroup(this);
    for (const int percent : {100, 75, 50, 25, 10}) {
        QAction* action = speeds->addAction(tr("%1 %").arg(percent));
        action->setCheckable(true);
        action->setChecked(percent == 100);
        group->addAction(action);
        connect(action, &QAction::triggered, this, [this, percent] { player_->setSpeed(percent / 100.0); });
    }
    speeds->setToolTipsVisible(true);
    for (QAction* action : speeds->actions())
        action->setToolTip(action->text() == tr("100 %") ? tr("With sound") : tr("Without sound, to look closely"));
    menu->addSeparator();
    needClip_.push_back(add(menu, tr("&Loop"), QKeySequence(Qt::Key_L), [this] {
        if (auto* button = findChild<QAbstractButton*>(QStringLiteral("loop")))
            button->click();
    }));
    needClip_.push_back(add(menu, tr("Loop starts &here"), QKeySequence(Qt::Key_I), [this] { changeLoop(true); }));
    needClip_.push_back(add(menu, tr("Loop ends here"), QKeySequence(Qt::Key_O), [this] { changeLoop(false); }));
    needSelection_.push_back(add(menu, tr("Loop &around the selected strikes"), QKeySequence(Qt::CTRL | Qt::Key_L),
                                 [this] { loopStrikes(false); }));
    needSelection_.push_back(
        add(menu, tr("Loop to the &next strike"), QKeySequence(Qt::ALT | Qt::Key_L), [this] { loopStrikes(true); }));
    needClip_.push_back(
        add(menu, tr("&Clear the loop"), QKeySequence(Qt::SHIFT | Qt::Key_L), [this] { session_->setLoop({}); }));
}

void MainWindow::loopStrikes(bool toNext)
{
    const Project& project = session_->project();
    std::int64_t first = session_->length();
    std::int64_t last = 0;
    std::int64_t onset = 0;
    for (const StrikeId id : session_->selection())
        if (const Strike* strike = project.strike(id)) {
            first = std::min(first, strike->frame.index);
            onset = std::max(onset, strike->frame.index);
            last = std::max<std::int64_t>(last, strike->frame.index + std::llround(envelopeOf(project, *strike).end()));
        }
    if (toNext) {
        const auto next = std::find_if(project.strikes.begin(), project.strikes.end(),
                                       [&](const Strike& strike) { return strike.frame.index > onset; });
        last = next != project.strikes.end() ? next->frame.index : session_->length() - 1;
    }
    const auto before = toNext ? 0 : std::llround(project.rate.perSecond() / 4);
    session_->setLoop({std::max<std::int64_t>(0, first - before), std::min(last, session_->length() - 1), true});
}

void MainWindow::changeLoop(bool in)
{
    LoopRange loop = session_->loop();
    const bool fresh = !loop.set();
    const auto here = session_->playhead();
    if (in) {
        loop.first = here;
        loop.last = fresh || loop.last <= here ? session_->length() - 1 : loop.last;
    } else {
        loop.last = here;
        loop.first = fresh || loop.first >= here ? 0 : loop.first;
    }
    loop.on = loop.set();
    session_->setLoop(loop);
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
    needClip_.push_back(add(menu, tr("Split against the &unshaken frame"), QKeySequence(Qt::Key_V),
                            [this] { showSplit(static_cast<int>(PictureView::Split::plain)); }));
    needClip_.push_back(add(menu, tr("&Split against the other take"), QKeySequence(Qt::SHIFT | Qt::Key_V),
                            [this] { showSplit(static_cast<int>(PictureView::Split::take)); }));
    needClip_.push_back(add(menu, tr("Split against the &gentle version"), QKeySequence(Qt::CTRL | Qt::Key_G),
                            [this] { showSplit(static_cast<int>(PictureView::Split::gentle)); }));
    needClip_.push_back(
        add(menu, tr("&Comfort"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_G), [this] { showComfort(); }));
    menu->addSeparator();
    needSelection_.push_back(add(menu, tr("&Frames around the strike, large"), QKeySequence(Qt::Key_G), [this] {
        if (contacts_ == nullptr)
            contacts_ = new ContactSheet(*session_, *takes_, centralWidget());
        contacts_->toggle();
    }));
    menu->addSeparator();
    needClip_.push_back(
        add(menu, tr("Keep as take &A"), QKeySequence(Qt::CTRL | Qt::Key_1), [this] { takes_->keep(0); }));
    needClip_.push_back(
        add(menu, tr("Keep as take &B"), QKeySequence(Qt::CTRL | Qt::Key_2), [this] { takes_->keep(1); }));
    needClip_.push_back(
        add(menu, tr("S&witch to the other take"), QKeySequence(Qt::Key_Q), [this] { takes_->swap(); }));
    needClip_.push_back(add(menu, tr("&What differs"), QKeySequence(Qt::SHIFT | Qt::Key_Q), [this] {
        const int other = takes_->other();
        if (other < 0) {
            say(tr("Keep the project as a take first (Ctrl+1), then change it"));
            return;
        }
        const int now = takes_->current();
        DifferenceSheet sheet(differences(*takes_->take(other)->project, session_->project()),
                              tr("take %1").arg(Takes::name(other)),
                              now >= 0 ? tr("take %1").arg(Takes::name(now)) : tr("now"), this);
        dialogs_.run(sheet);
    }));
}

void MainWindow::buildViewMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("&View"));
    const auto toggle = [&](const QString& text, bool on, const std::function<void(bool)>& set) {
        QAction* action = menu->addAction(text);
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
    toggle(tr("Path of the picture's &centre"), thread, [this](bool on) {
        picture_->setThreadShown(on);
        QSettings().setValue(QStringLiteral("view/thread"), on);
    });
    const bool arrow = settings.value(QStringLiteral("view/arrow"), true).toBool();
    picture_->setArrowShown(arrow);
    toggle(tr("&Arrow of the selected strike"), arrow, [this](bool on) {
        picture_->setArrowShown(on);
        QSettings().setValue(QStringLiteral("view/arrow"), on);
    });
    toggle(tr("Hidden &border"), border, [this](bool on) {
        picture_->setBorderShown(on);
        QSettings().setValue(QStringLiteral("view/border"), on);
    });
    theme::setScheme(*qApp, theme::storedScheme());
    toggle(tr("&Light scheme"), theme::scheme() == theme::Scheme::light, [](bool on) {
        const theme::Scheme chosen = on ? theme::Scheme::light : theme::Scheme::dark;
        theme::setScheme(*qApp, chosen);
        theme::storeScheme(chosen);
    });
    add(menu, tr("&Full-screen picture"), QKeySequence(Qt::Key_F11), [this] { showBigPicture(); });
    menu->addSeparator();
    add(menu, tr("&Whole film on the Reel"), QKeySequence(Qt::Key_W), [this] { reel_->showAll(); });
    const auto press = [this](const char* name) {
        return [this, name] {
            if (auto* button = findChild<QAbstractButton*>(QLatin1String(name)))
                button->click();
        };
    };
    add(menu, tr("Stretched or e&ven Anvil"), QKeySequence(Qt::Key_E), press("axis-even"));
    add(menu, tr("Traces on the An&vil"), QKeySequence(Qt::Key_Y), press("anvil-traces"));
    add(menu, tr("S&trands on the Anvil"), QKeySequence(Qt::Key_T), press("anvil-strands"));
    add(menu, tr("Lengths in frames or &seconds"), QKeySequence(Qt::SHIFT | Qt::Key_T), press("time-unit"));
    menu->addSeparator();
    const auto page = [this](SideColumn::Page wanted) {
        return [this, wanted] {
            showRender(false);
            side_->setPage(wanted);
        };
    };
    add(menu, tr("Str&ike page"), QKeySequence(Qt::Key_F5), page(SideColumn::Page::strike));
    add(menu, tr("&Recipes page"), QKeySequence(Qt::Key_F6), page(SideColumn::Page::recipes));
    add(menu, tr("&Film page"), QKeySequence(Qt::Key_F7), page(SideColumn::Page::film));
    add(menu, tr("Finis&h page"), QKeySequence(Qt::Key_F8), page(SideColumn::Page::finish));
    menu->addSeparator();
    const std::array<std::tuple<QString, Qt::Key, QWidget*>, 4> regions{
        {{tr("Keys to the &picture"), Qt::Key_1, picture_},
         {tr("Keys to the Anv&il"), Qt::Key_2, &anvil_->canvas()},
         {tr("Keys to the Ree&l"), Qt::Key_3, reel_},
         {tr("Keys to the side colu&mn"), Qt::Key_4, sideStack_}}};
    for (const auto& [text, key, region] : regions)
        add(menu, text, QKeySequence(Qt::ALT | key), [this, to = region] { jumpTo(*to); });
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
    add(menu, tr("&Guide"), QKeySequence(Qt::Key_F1), page("guide/guide.md"));
    add(menu, tr("&Shortcuts"), {}, page("guide/shortcuts.md"));
    add(menu, tr("&First steps"), {}, [this] { hints_->restart(); });
    menu->addSeparator();
    add(menu, tr("&About Vast Ember"), {}, [this] {
        QMessageBox::about(this, tr("About Vast Ember"),
                           tr("<b>Vast Ember %1</b><br>Times impact shakes to the frame.<br><br>Free software under "
                              "the GNU GPL, version 3 or later. "
                              "Typeface B612 under the SIL Open Font Licence.")
                               .arg(QApplication::applicationVersion()));
    });
}

} // namespace ember::app
