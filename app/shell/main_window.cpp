// SPDX-License-Identifier: GPL-3.0-or-later
#include "main_window.h"

#include <cmath>

#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QDateTime>
#include <QDragEnterEvent>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QLocale>
#include <QMenuBar>
#include <QMimeData>
#include <QPushButton>
#include <QScreen>
#include <QScrollArea>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QStatusBar>
#include <QToolButton>
#include <QWindow>

#include "action_finder.h"
#include "anvil_view.h"
#include "background.h"
#include "busy_bar.h"
#include "demo.h"
#include "find_panel.h"
#include "flow_layout.h"
#include "form.h"
#include "frame_store.h"
#include "gentle_keeper.h"
#include "hint_strip.h"
#include "input_rules.h"
#include "journal_keeper.h"
#include "notice_bar.h"
#include "picture_view.h"
#include "player.h"
#include "preferences.h"
#include "recipe_page.h"
#include "reel_view.h"
#include "render_panel.h"
#include "side_column.h"
#include "tab_order.h"
#include "takes.h"
#include "tapper.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

MainWindow::MainWindow(Dialogs dialogs)
    : dialogs_(std::move(dialogs)), session_(std::make_unique<Session>()), player_(std::make_unique<Player>(*session_)),
      finder_(std::make_unique<Finder>(*session_)),
      tapper_(std::make_unique<Tapper>(session_->document, session_->playhead, session_->selection, session_->strikes,
                                       *player_)),
      takes_(std::make_unique<Takes>(session_->document, session_->file, session_->messages)),
      gentle_(std::make_unique<GentleKeeper>(session_->document, session_->file))
{
    setAcceptDrops(true);
    new InputRules(this);
    connect(&session_->file, &ProjectFile::aboutToReplace, this, &InputRules::cancelTyping);
    buildBands();
    buildFileMenu();
    buildEditMenu();
    buildStrikeMenu();
    buildShotMenu();
    buildFindMenu();
    buildPlayMenu();
    buildCompareMenu();
    buildViewMenu();
    buildHelpMenu();
    actionFinder_ = new ActionFinder(this);
    restoreShortcuts(actionsOf(*menuBar()));
    facts_ = new QLabel(this);
    facts_->setFont(theme::numbers(12));
    facts_->setContentsMargins(0, 4, 12, 0);
    menuBar()->setCornerWidget(facts_);
    told_ = new QLabel(this);
    told_->setObjectName(QStringLiteral("told"));
    told_->setContentsMargins(10, 0, 0, 0);
    state_ = new QLabel(this);
    state_->setContentsMargins(0, 0, 10, 0);
    statusBar()->addWidget(told_, 1);
    statusBar()->addPermanentWidget(new BusyBar(session_->busy, this));
    statusBar()->addPermanentWidget(state_);
    statusBar()->setSizeGripEnabled(false);
    connectSession();
    restoreLayout();
    if (const QString& wrong = session_->book.trouble(); !wrong.isEmpty())
        emit session_->messages.trouble(wrong);
    refreshActions();
    refreshTransport();
    say(tr("Ready"));
    keeper_ = std::make_unique<JournalKeeper>(session_->document, session_->file, session_->messages);
    applyPreferences();
    left_ = leftBehind(JournalKeeper::folder().toStdString());
    offerLeftBehind();
}

MainWindow::~MainWindow()
{
    delete bigPicture_;
    hide(); // while everything that listens to it is still there
}

// --- building ---

void MainWindow::buildBands()
{
    picture_ = new PictureView(*session_, *player_);
    picture_->installEventFilter(this); // the welcome lies in its middle
    picture_->setTakes(takes_.get());
    picture_->setGentle(gentle_.get());
    side_ = new SideColumn(*session_, dialogs_);
    renderPanel_ = new RenderPanel(*session_, dialogs_);
    anvil_ = new AnvilView(*session_);
    reel_ = new ReelView(*session_, *finder_);
    findPanel_ = new FindPanel(*session_, *finder_, dialogs_);
    welcome_ = buildWelcome();

    auto* pictureSide = new QWidget;
    auto* pictureColumn = newColumn(pictureSide, 0, {0, 0, 0, 0});
    hints_ = new HintStrip(session_->document, session_->film, session_->file);
    pictureColumn->addWidget(hints_);
    pictureColumn->addWidget(buildNotice());
    pictureColumn->addWidget(picture_, 1);
    pictureColumn->addWidget(buildTransport());

    sideStack_ = new QStackedWidget;
    sideStack_->setObjectName(QStringLiteral("side-stack"));
    sideStack_->addWidget(side_);
    sideStack_->addWidget(scrolling(renderPanel_));
    top_ = new QSplitter(Qt::Horizontal);
    top_->addWidget(pictureSide);
    top_->addWidget(sideStack_);
    top_->setStretchFactor(0, 1);
    top_->setStretchFactor(1, 0);
    top_->setSizes({704, 572});
    bands_ = new QSplitter(Qt::Vertical);
    bands_->addWidget(top_);
    bands_->addWidget(anvil_);
    auto* reelBand = new QWidget;
    auto* reelRow = newRow(reelBand, 0, {0, 0, 0, 0});
    reelRow->addWidget(reel_, 1);
    reelRow->addWidget(findPanel_);
    findPanel_->hide();
    bands_->addWidget(reelBand);
    for (auto* splitter : {top_, bands_}) {
        splitter->setHandleWidth(3);
        splitter->setChildrenCollapsible(false);
    }
    bands_->setStretchFactor(0, 3);
    bands_->setStretchFactor(1, 1);
    bands_->setStretchFactor(2, 0);
    bands_->setSizes({348, 288, 118});
    // On a screen that is too small even for the least of it (a large scale) it is scrolled; nothing is out of reach.
    auto* area = new QScrollArea;
    area->setWidgetResizable(true);
    area->setFrameShape(QFrame::NoFrame);
    area->setFocusPolicy(Qt::NoFocus);
    area->setWidget(bands_);
    setCentralWidget(area);
    connect(&side_->recipes(), &RecipePage::previewAsked, picture_, &PictureView::setPreview);
    connect(side_, &SideColumn::renderAsked, this, &MainWindow::renderAsked);
    connect(side_, &SideColumn::topViewAsked, this, &MainWindow::showPlaces);
    connect(findPanel_, &FindPanel::closed, this, [this] { showFinding(false); });
    connect(finder_.get(), &Finder::trouble, &session_->messages, &Messages::trouble);
    connect(renderPanel_, &RenderPanel::closed, this, [this] { showRender(false); });
}

QWidget* MainWindow::buildNotice()
{
    notice_ = new NoticeBar;
    connect(notice_, &NoticeBar::findAsked, this, &MainWindow::findClip);
    connect(notice_, &NoticeBar::recoverAsked, this, [this] {
        if (left_.empty() || !mayLeave())
            return;
        recovering_ = left_.front();
        left_.erase(left_.begin());
        session_->file.openRecovered(*recovering_);
    });
    connect(notice_, &NoticeBar::dismissed, this, [this](NoticeBar::About about) {
        if (about != NoticeBar::About::leftWork || left_.empty())
            return;
        if (dialogs_.confirm(this,
                             tr("Throw the unsaved work of %1 away?").arg(QString::fromStdString(left_.front().title)),
                             tr("Throw away")))
            discard(left_.front());
        left_.erase(left_.begin());
        offerLeftBehind();
    });
    return notice_;
}

QWidget* MainWindow::buildWelcome()
{
    auto* card = new QWidget(picture_);
    card->setObjectName(QStringLiteral("welcome"));
    theme::dress(*card,
                 QStringLiteral("#welcome { background: @window; border: 1px solid @line; border-radius: 6px; }"));
    auto* column = newColumn(card, 10, {28, 20, 28, 20});
    auto* title = new QLabel(tr("Vast Ember"), card);
    title->setFont(theme::words(20, true));
    column->addWidget(title);
    auto* text = new QLabel(tr("Open a clip, or drop one here. Ctrl+F finds what hits;\nor step to the first frame of "
                               "contact and press S: it "
                               "shakes.\nShape it on the Anvil below, then render the film."),
                            card);
    theme::dress(*text, QStringLiteral("color: @dim"));
    column->addWidget(text);
    auto* row = new QHBoxLayout;
    auto* open = new QPushButton(tr("Open a clip or project"), card);
    open->setObjectName(QStringLiteral("welcome-open"));
    connect(open, &QPushButton::clicked, this, &MainWindow::openAsked);
    row->addWidget(open);
    auto* show = new QPushButton(tr("Open the demo"), card);
    show->setObjectName(QStringLiteral("welcome-demo"));
    show->setToolTip(
        tr("Twelve seconds of a night shift at a foundry. It is drawn and sounded on this machine where it "
           "is not there yet, which takes about half a minute."));
    connect(show, &QPushButton::clicked, this, &MainWindow::openDemo);
    row->addWidget(show);
    row->addStretch(1);
    column->addLayout(row);
    return card;
}

QWidget* MainWindow::buildTransport()
{
    auto* bar = new QWidget;
    transport_ = bar;
    bar->setObjectName(QStringLiteral("transport"));
    auto* row = new FlowLayout(bar);
    row->setContentsMargins(10, 3, 10, 3);
    row->setSpacing(4);
    const auto button = [&](const QString& text, const QString& tip, const char* name) {
        auto* made = new QToolButton(bar);
        made->setText(text);
        made->setToolTip(tip);
        made->setObjectName(QLatin1String(name));
        made->setFocusPolicy(Qt::TabFocus);
        made->setStyleSheet(QStringLiteral("QToolButton { padding: 2px 5px; }"));
        row->addWidget(made);
        return made;
    };
    const auto jump = [this](const std::function<std::int64_t()>& to) {
        return [this, to] {
            player_->pause();
            session_->playhead.setFrame(to());
        };
    };
    connect(button(tr("Start"), tr("To the first frame (Home)"), "to-start"), &QToolButton::clicked, this,
            jump([] { return 0; }));
    connect(button(tr("-1"), tr("One frame back (Left); with Shift, ten"), "step-back"), &QToolButton::clicked, this,
            jump([this] { return session_->playhead.frame() - 1; }));
    play_ = button(tr("Play"), tr("Play or pause (Space)"), "play");
    play_->setMinimumWidth(56);
    connect(play_, &QToolButton::clicked, player_.get(), &Player::toggle);
    connect(button(tr("+1"), tr("One frame on (Right); with Shift, ten"), "step-on"), &QToolButton::clicked, this,
            jump([this] { return session_->playhead.frame() + 1; }));
    row->addGap(8);
    auto* strike = button(tr("Strike here"), tr("Put a strike on this frame (S); 1 blast, 2 landing, 3 hit, 4 beat"),
                          "put-strike");
    connect(strike, &QToolButton::clicked, this, [this] { session_->strikes.put(session_->strikes.lastKind()); });
    row->addGap(8);
    loop_ = button(tr("Loop"),
                   tr("Play the loop over and over (L). I and O set its ends, Shift and drag on the Reel's ruler draws "
                      "it; without one it runs around the selected strike."),
                   "loop");
    loop_->setCheckable(true);
    sound_ = button(tr("Sound"), {}, "sound");
    sound_->setCheckable(true);
    connect(sound_, &QToolButton::clicked, this, [this](bool on) { player_->setSoundOn(on); });
    compare_ = button(tr("Compare"), tr("Hold to see the frame unshaken (hold C)"), "compare");
    connect(compare_, &QToolButton::pressed, this, [this] { picture_->setPlain(true); });
    connect(compare_, &QToolButton::released, this, [this] { picture_->setPlain(false); });
    row->addSpring();
    scale_ = new QComboBox(bar);
    scale_->setObjectName(QStringLiteral("picture-scale"));
    scale_->addItems({tr("auto size"), tr("full size"), tr("half size"), tr("quarter size")});
    scale_->setToolTip(tr("How finely the picture is shaken in this view; the film is always made in full"));
    connect(scale_, &QComboBox::activated, this,
            [this](int index) { picture_->setScale(static_cast<PictureScale>(index)); });
    row->addWidget(scale_);
    connect(loop_, &QToolButton::clicked, this, [this](bool on) {
        LoopRange loop = session_->playhead.loop();
        const Strike* selected = session_->selection.strike();
        if (on && !loop.set()) {
            if (selected != nullptr) { // around the strike: from just before to its end
                const double end = static_cast<double>(selected->frame.index) +
                                   envelopeOf(session_->document.project(), *selected).end();
                loop.first = selected->frame.index - std::llround(session_->document.project().rate.perSecond() / 4);
                loop.last = std::llround(end);
                loop.first = std::max<std::int64_t>(0, loop.first);
            } else {
                loop.first = 0;
                loop.last = session_->document.length() - 1;
            }
        }
        loop.on = on;
        session_->playhead.setLoop(loop);
        refreshTransport();
    });
    return bar;
}

void MainWindow::connectSession()
{
    connect(&session_->document, &OpenDocument::changed, this, &MainWindow::refreshActions);
    connect(&session_->selection, &Selection::changed, this, &MainWindow::refreshActions);
    connect(&session_->file, &ProjectFile::pathChanged, this, &MainWindow::refreshActions);
    connect(&session_->playhead, &Playhead::loopChanged, this, &MainWindow::refreshTransport);
    connect(&session_->file, &ProjectFile::opened, this, [this] {
        notice_->hide();
        damageTold_ = false;
        showRender(false); // it was for what was open before
        if (recovering_)
            keeper_->replace(*recovering_);
        recovering_.reset();
        refreshActions();
        refreshTransport();
        placeWelcome();
        picture_->setFocus();
        say(!session_->document.project().shots.empty() ? tr("%1 opened").arg(session_->file.title()) : tr("Ready"));
        if (!session_->file.path().isEmpty())
            rememberRecent(session_->file.path());
        else if (!session_->document.project().shots.empty())
            rememberRecent(QString::fromStdString(session_->document.project().firstClip()));
    });
    connect(&session_->messages, &Messages::told, this, &MainWindow::say);
    connect(&session_->film, &Film::rewritten, this, [this] {
        if (notice_->about() == NoticeBar::About::media)
            notice_->hide();
    });
    connect(&MemoryWatch::instance(), &MemoryWatch::lacking, this,
            [this] { notice_->tell(said(noMemory()), NoticeBar::About::trouble); });
    connect(&session_->film, &Film::damageFound, this, [this](const QString& text) {
        // Told once for a film; where it is still to be read, the count goes on.
        if (!damageTold_ || (notice_->about() == NoticeBar::About::damage && !notice_->isHidden()))
            notice_->tell(text, NoticeBar::About::damage);
        damageTold_ = true;
    });
    connect(&session_->messages, &Messages::trouble, this, [this](const QString& text) {
        notice_->tell(text, !session_->film.clipTrouble().isEmpty() ? NoticeBar::About::missingClip
                            : session_->film.mediaTrouble() == text ? NoticeBar::About::media
                                                                    : NoticeBar::About::trouble);
        say({});
    });
    connect(player_.get(), &Player::stateChanged, this, &MainWindow::refreshTransport);
    connect(player_.get(), &Player::rateChanged, this, [this] { picture_->update(); });
}

void MainWindow::applyPreferences()
{
    session_->film.frames().setBudget(static_cast<std::size_t>(preference::value(preference::memory)) << 20U);
    keeper_->setDelay(static_cast<int>(1000 * preference::value(preference::keeping)));
}

void MainWindow::offerLeftBehind()
{
    if (left_.empty())
        return;
    const LeftBehind& left = left_.front();
    const QString when = QLocale().toString(QDateTime::fromSecsSinceEpoch(left.keptAt), QLocale::ShortFormat);
    notice_->tell(tr("Work on %1 that was not saved was kept on %2.").arg(QString::fromStdString(left.title), when),
                  NoticeBar::About::leftWork);
}

// --- showing ---

QString MainWindow::notice() const
{
    return notice_->text();
}

void MainWindow::showRender(bool shown)
{
    sideStack_->setCurrentIndex(shown ? 1 : 0);
    if (shown)
        renderPanel_->takeFocus();
    else if (renderPanel_->isAncestorOf(QApplication::focusWidget()))
        picture_->setFocus();
}

void MainWindow::renderAsked()
{
    if (sideStack_->currentIndex() != 1)
        showRender(true);
    else
        renderPanel_->start();
}

void MainWindow::escape()
{
    if (sideStack_->currentIndex() == 1)
        showRender(false);
    else
        session_->selection.set({});
}

void MainWindow::jumpTo(QWidget& region)
{
    const auto stops = tabStops(region);
    QWidget* to = (region.focusPolicy() & Qt::TabFocus) != 0 ? &region : stops.value(0);
    if (to == nullptr)
        return;
    to->setFocus(Qt::ShortcutFocusReason);
}

bool MainWindow::focusNextPrevChild(bool next)
{
    // In the order of the eye: what is over the picture, the picture, its transport, the column, Anvil, Reel,
    // proposals.
    QList<QWidget*> stops;
    for (const QWidget* region : std::initializer_list<const QWidget*>{hints_, notice_, picture_, transport_,
                                                                       sideStack_, anvil_, reel_, findPanel_})
        stops += tabStops(*region);
    QWidget* to = nextStop(stops, focusWidget(), next);
    if (to == nullptr)
        return false;
    to->setFocus(next ? Qt::TabFocusReason : Qt::BacktabFocusReason);
    for (QWidget* above = to->parentWidget(); above != nullptr; above = above->parentWidget())
        if (auto* area = qobject_cast<QScrollArea*>(above))
            area->ensureWidgetVisible(to);
    return true;
}

void MainWindow::showFinding(bool shown)
{
    findPanel_->setVisible(shown);
    reel_->setFindingShown(shown);
    if (shown)
        finder_->start();
}

void MainWindow::say(const QString& text)
{
    told_->setText(text);
}

void MainWindow::refreshActions()
{
    const Document& document = session_->document.history();
    undo_->setEnabled(document.canUndo());
    undo_->setText(document.canUndo() ? tr("&Undo: %1").arg(QString::fromStdString(document.undoText())) : tr("&Undo"));
    undo_->setToolTip(document.canUndo() ? undo_->text() : tr("Nothing to take back"));
    redo_->setEnabled(document.canRedo());
    redo_->setText(document.canRedo() ? tr("&Redo: %1").arg(QString::fromStdString(document.redoText())) : tr("&Redo"));
    redo_->setToolTip(document.canRedo() ? redo_->text() : tr("Nothing to do again"));
    for (QAction* action : needClip_) {
        action->setEnabled(session_->document.length() > 0);
        action->setToolTip(session_->document.length() > 0 ? action->iconText() : tr("Open a clip first"));
    }
    for (QAction* action : needSelection_) {
        action->setEnabled(!session_->selection.ids().empty());
        action->setToolTip(session_->selection.ids().empty() ? tr("Select a strike first") : action->iconText());
    }
    setWindowTitle(tr("%1[*] – Vast Ember").arg(session_->file.title()));
    setWindowModified(session_->document.modified());
    const Project& project = session_->document.project();
    if (project.shots.empty()) {
        facts_->clear();
    } else {
        const double rate = project.rate.perSecond();
        facts_->setText(
            tr("%1   %2 fps   %3 x %4   %5 frames")
                .arg(session_->file.title() + (session_->document.modified() ? QStringLiteral(" *") : QString()))
                .arg(rate, 0, 'f', rate == std::round(rate) ? 0 : 3)
                .arg(project.width)
                .arg(project.height)
                .arg(session_->document.length()));
    }
    menuBar()->adjustSize();
}

void MainWindow::refreshTransport()
{
    const bool any = session_->document.length() > 0;
    for (auto* button : transport_->findChildren<QToolButton*>())
        allow(button, any ? QString() : tr("Open a clip first"));
    play_->setText(player_->playing() ? tr("Pause") : tr("Play"));
    loop_->setChecked(session_->playhead.loop().on);
    sound_->setChecked(player_->soundOn());
    const QString silence = player_->silence();
    if (any)
        sound_->setToolTip(silence.isEmpty() ? tr("Sound on or off while playing") : silence);
    const LoopRange& loop = session_->playhead.loop();
    const QString loopText =
        loop.set() ? (loop.on ? tr("loop %1 to %2") : tr("loop %1 to %2, off")).arg(loop.first).arg(loop.last)
                   : QString();
    QStringList parts;
    if (!loopText.isEmpty())
        parts << loopText;
    if (player_->speed() < 1)
        parts << tr("%1 % speed").arg(std::lround(100 * player_->speed()));
    if (session_->film.hasClip())
        parts << (silence.isEmpty() ? tr("sound on") : silence.toLower());
    state_->setText(parts.join(QStringLiteral("   ")));
}

void MainWindow::placeWelcome()
{
    welcome_->setVisible(session_->document.project().shots.empty());
    welcome_->adjustSize();
    welcome_->move((picture_->width() - welcome_->width()) / 2, (picture_->height() - welcome_->height()) / 2);
}

// --- layout, remembered ---

void MainWindow::restoreLayout()
{
    const QSettings settings;
    if (!restoreGeometry(settings.value(QStringLiteral("window/geometry")).toByteArray()))
        resize(1280, 800);
    fitScreen();
    bands_->restoreState(settings.value(QStringLiteral("window/bands")).toByteArray());
    top_->restoreState(settings.value(QStringLiteral("window/top")).toByteArray());
    session_->shaping.setInSeconds(settings.value(QStringLiteral("view/seconds"), false).toBool());
    anvil_->setStrandsShown(settings.value(QStringLiteral("view/strands"), true).toBool());
}

void MainWindow::fitScreen()
{
    // Before the window is shown nobody knows its frame; that of most desktops is as high as this.
    constexpr QMargins usualFrame(8, 36, 8, 8);
    QMargins frame = usualFrame;
    if (windowHandle() != nullptr && isVisible())
        frame = windowHandle()->frameMargins();
    const QScreen* on = screen() != nullptr ? screen() : QGuiApplication::primaryScreen();
    if (on == nullptr || isMaximized() || isFullScreen())
        return;
    const QRect usable = on->availableGeometry().marginsRemoved(frame);
    resize(size().boundedTo(usable.size()).expandedTo(minimumSize()));
    const QRect inside(pos(), size()); // of the client area, as the window system places it
    move(std::clamp(x(), on->availableGeometry().left(),
                    std::max(on->availableGeometry().left(), usable.right() - inside.width())),
         std::clamp(y(), on->availableGeometry().top(),
                    std::max(on->availableGeometry().top(), usable.bottom() - inside.height())));
}

void MainWindow::saveLayout() const
{
    QSettings settings;
    settings.setValue(QStringLiteral("window/geometry"), saveGeometry());
    settings.setValue(QStringLiteral("window/bands"), bands_->saveState());
    settings.setValue(QStringLiteral("window/top"), top_->saveState());
    settings.setValue(QStringLiteral("view/seconds"), session_->shaping.inSeconds());
    settings.setValue(QStringLiteral("view/strands"), anvil_->canvas().strandsShown());
}

// --- events ---

void MainWindow::closeEvent(QCloseEvent* event)
{
    if (renderPanel_->running() &&
        !dialogs_.confirm(this, tr("A render is running. Stop it and leave?"), tr("Stop and leave"))) {
        event->ignore();
        return;
    }
    if (!mayLeave()) {
        event->ignore();
        return;
    }
    renderPanel_->cancelAll();
    player_->pause();
    saveLayout();
    event->accept();
}

void MainWindow::resizeEvent(QResizeEvent* event)
{
    QMainWindow::resizeEvent(event);
    placeWelcome();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event)
{
    if (event->mimeData()->hasUrls() && event->mimeData()->urls().first().isLocalFile())
        event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event)
{
    event->acceptProposedAction();
    openPath(event->mimeData()->urls().first().toLocalFile());
}

void MainWindow::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_C && event->modifiers() == Qt::NoModifier) {
        if (!event->isAutoRepeat())
            picture_->setPlain(true);
        return;
    }
    QMainWindow::keyPressEvent(event);
}

void MainWindow::keyReleaseEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_C && !event->isAutoRepeat()) {
        picture_->setPlain(false);
        return;
    }
    QMainWindow::keyReleaseEvent(event);
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Resize && watched == picture_)
        placeWelcome();
    return QMainWindow::eventFilter(watched, event);
}

} // namespace ember::app
