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
#include "apply_window.h"
#include "background.h"
#include "busy_bar.h"
#include "crash_report.h"
#include "crash_sheet.h"
#include "curve_view.h"
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
#include "painted_access.h"
#include "picture_view.h"
#include "player.h"
#include "preferences.h"
#include "recipe_page.h"
#include "reel_view.h"
#include "render_panel.h"
#include "scrub.h"
#include "side_column.h"
#include "tab_order.h"
#include "takes.h"
#include "tapper.h"
#include "text.h"
#include "theme.h"
#include "value_access.h"
#include "value_control.h"

namespace ember::app {

MainWindow::MainWindow(Dialogs dialogs)
    : dialogs_(std::move(dialogs)), session_(std::make_unique<Session>()), player_(std::make_unique<Player>(*session_)),
      scrub_(std::make_unique<Scrub>(*session_, *player_)), finder_(std::make_unique<Finder>(*session_)),
      tapper_(std::make_unique<Tapper>(session_->document, session_->playhead, session_->selection, session_->strikes,
                                       *player_)),
      takes_(std::make_unique<Takes>(session_->document, session_->file, session_->messages)),
      gentle_(std::make_unique<GentleKeeper>(session_->document, session_->file))
{
    installPaintedAccess(); // before there is a widget that is asked for its interface
    installValueAccess();
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
    noteWhatIsDone();
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
    if (CrashSheet::takeNews())
        emit session_->messages.trouble(
            tr("Vast Ember ended unexpectedly the last time. Help, Crash report shows what is known of it."));
}

MainWindow::~MainWindow()
{
    delete bigPicture_;
    hide(); // while everything that listens to it is still there
}

/// What is done is kept for a crash report, in memory only.
void MainWindow::noteWhatIsDone()
{
    const auto note = [](const QString& text) { crash::note(text.toStdString()); };
    connect(&session_->messages, &Messages::trouble, this, note);
    for (const ListedAction& one : actionsOf(*menuBar()))
        connect(one.action, &QAction::triggered, this, [note, id = one.id] { note(id); });
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
        showBeside(Beside::column); // it was for what was open before
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
    connect(&session_->playhead, &Playhead::moved, this, &MainWindow::refreshPlace);
    connect(player_.get(), &Player::rateChanged, this, &MainWindow::refreshPlace);
    connect(picture_, &PictureView::changed, this, &MainWindow::refreshPlace);
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

void MainWindow::showBeside(Beside wanted)
{
    const QWidget* left = sideStack_->currentWidget();
    const bool typed = left != nullptr && left->isAncestorOf(QApplication::focusWidget());
    sideStack_->setCurrentIndex(static_cast<int>(wanted));
    reel_->setFindingShown(wanted == Beside::find);
    if (wanted == Beside::render)
        renderPanel_->takeFocus();
    else if (typed && wanted == Beside::column)
        picture_->setFocus();
    if (wanted == Beside::find)
        finder_->start();
}

void MainWindow::showCurves(bool on)
{
    if (on == (anvilPlace_->currentWidget() == curves_))
        return;
    CurveChannels& channels = curves_->channels();
    if (on && channels.of() == CurveChannels::Of::keys && channels.channels().empty())
        channels.setOf(CurveChannels::Of::shape); // there is something to see
    const QByteArray heights = bands_->saveState();
    const bool typed = anvilPlace_->isAncestorOf(QApplication::focusWidget());
    anvilPlace_->setCurrentWidget(on ? static_cast<QWidget*>(curves_) : anvil_);
    if (otherBands_.isEmpty()) { // room to work in
        constexpr int wanted = 260;
        QList<int> sizes = bands_->sizes();
        const int more = std::max(0, wanted - sizes[1]);
        sizes[0] -= more;
        sizes[1] += more;
        bands_->setSizes(sizes);
    } else {
        bands_->restoreState(otherBands_);
    }
    otherBands_ = heights;
    if (typed || on)
        (on ? static_cast<QWidget*>(&curves_->canvas()) : &anvil_->canvas())->setFocus();
}

MainWindow::Beside MainWindow::beside() const
{
    return static_cast<Beside>(sideStack_->currentIndex());
}

void MainWindow::renderAsked()
{
    if (beside() != Beside::render)
        showBeside(Beside::render);
    else
        renderPanel_->start();
}

void MainWindow::escape()
{
    if (beside() == Beside::render)
        showBeside(Beside::column);
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
    // In the order of the eye: what is over the picture, the picture, its transport, the column, Anvil, Reel.
    QList<QWidget*> stops;
    for (const QWidget* region :
         std::initializer_list<const QWidget*>{hints_, notice_, picture_, transport_, sideStack_, anvilPlace_, reel_})
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

void MainWindow::say(const QString& text)
{
    told_->setText(text);
    crash::note(text.toStdString());
}

void MainWindow::refreshActions()
{
    const Document& document = session_->document.history();
    undo_->setEnabled(document.canUndo());
    undo_->setText(document.canUndo() ? tr("&Undo: %1").arg(QString::fromStdString(document.undoText())) : tr("&Undo"));
    undo_->setToolTip(document.canUndo() ? undo_->text() : tr("Nothing to undo"));
    redo_->setEnabled(document.canRedo());
    redo_->setText(document.canRedo() ? tr("&Redo: %1").arg(QString::fromStdString(document.redoText())) : tr("&Redo"));
    redo_->setToolTip(document.canRedo() ? redo_->text() : tr("Nothing to redo"));
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
    if (!restoreGeometry(settings.value(QStringLiteral("window/geometry")).toByteArray())) {
        const QScreen* on = screen() != nullptr ? screen() : QGuiApplication::primaryScreen();
        const QSize much = on != nullptr ? on->availableSize() * 0.85 : QSize();
        resize(much.boundedTo({1920, 1200}).expandedTo({1280, 800}));
    }
    fitScreen();
    bands_->restoreState(settings.value(QStringLiteral("window/band-heights")).toByteArray());
    otherBands_ = settings.value(QStringLiteral("window/curve-heights")).toByteArray();
    top_->restoreState(settings.value(QStringLiteral("window/picture-width")).toByteArray());
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
    const bool curves = anvilPlace_->currentWidget() == curves_; // the window opens with the Anvil
    settings.setValue(QStringLiteral("window/band-heights"), curves ? otherBands_ : bands_->saveState());
    settings.setValue(QStringLiteral("window/curve-heights"), curves ? bands_->saveState() : otherBands_);
    settings.setValue(QStringLiteral("window/picture-width"), top_->saveState());
    settings.setValue(QStringLiteral("view/seconds"), session_->shaping.inSeconds());
    settings.setValue(QStringLiteral("view/strands"), anvil_->canvas().strandsShown());
}

// --- events ---

void MainWindow::closeEvent(QCloseEvent* event)
{
    const bool applying = apply_ != nullptr && apply_->running();
    const QString running = renderPanel_->running() ? tr("A render is running. Stop it and leave?")
                            : applying              ? tr("Clips are being done. Stop that and leave?")
                                                    : QString();
    if (!running.isEmpty() && !dialogs_.confirm(this, running, tr("Stop and leave"))) {
        event->ignore();
        return;
    }
    if (!mayLeave()) {
        event->ignore();
        return;
    }
    renderPanel_->cancelAll();
    if (apply_ != nullptr)
        apply_->stop();
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
    // Not what is dragged out of this program: let go too early it is not opened.
    if (event->source() == nullptr && event->mimeData()->hasUrls() && event->mimeData()->urls().first().isLocalFile())
        event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event)
{
    event->acceptProposedAction();
    const QString path = event->mimeData()->urls().first().toLocalFile();
    if (!path.endsWith(QStringLiteral(".json"), Qt::CaseInsensitive))
        return openPath(path);
    const auto imported = session_->book.importFrom(path);
    if (imported.wrong.isEmpty())
        emit session_->messages.told(RecipePage::importedText(imported.count));
    else
        emit session_->messages.trouble(imported.wrong);
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
