// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include <QMainWindow>
#include <QPointer>

#include "dialogs.h"
#include "guides.h"
#include "session.h"

class QAction;
class QComboBox;
class QLabel;
class QMenu;
class QSplitter;
class QStackedWidget;
class QToolButton;

namespace ember::app {

class ActionFinder;
class AnvilView;
class ApplyWindow;
class ContactSheet;
class DropBench;
class NoticeBar;
class LiveWindow;
class MotionBench;
class ComfortWindow;
class CurveView;
class GentleKeeper;
class MotionExportWindow;
class PlacesWindow;
class FindPanel;
class Finder;
class GuideWindow;
class HintStrip;
class JournalKeeper;
class PictureView;
class Player;
class Scrub;
class ReelView;
class RenderPanel;
class SideColumn;
class StrikeTable;
class Takes;
class Tapper;
class ValueField;

/// The window: three bands and what connects them. It only wires.
class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    explicit MainWindow(Dialogs dialogs = Dialogs::standard());
    ~MainWindow() override;

    Session& session() { return *session_; }
    Player& player() { return *player_; }
    PictureView& picture() { return *picture_; }
    AnvilView& anvil() { return *anvil_; }
    CurveView& curves() { return *curves_; }
    /// The curve view in the Anvil's place, or the Anvil.
    void showCurves(bool on);
    ReelView& reel() { return *reel_; }
    RenderPanel& renderPanel() { return *renderPanel_; }
    Finder& finder() { return *finder_; }

    /// Opens a clip or a project; asks first when changes would be lost.
    void openPath(const QString& path, bool alone = false);
    /// No larger than what the screen has for it, frame included, and all of it on the screen.
    void fitScreen();
    /// What stands beside the picture: the column of pages, or a panel in its place.
    enum class Beside { column, render, find };
    /// The render panel takes the keys; finding begins to find. Opening another project brings the column back.
    void showBeside(Beside wanted);
    Beside beside() const;
    /// The sentence in the notice above the picture; empty when there is none.
    QString notice() const;

protected:
    void closeEvent(QCloseEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    bool focusNextPrevChild(bool next) override; ///< in the order of the eye

private:
    void buildBands();
    QWidget* buildTransport();
    QWidget* buildNotice();
    QWidget* buildWelcome();
    void buildFileMenu();
    void buildEditMenu();
    void buildStrikeMenu();
    void buildPlayMenu();
    void buildFindMenu();
    void buildViewMenu();
    void buildGuidesMenu(QMenu* menu);
    void buildCompareMenu();
    void buildShotMenu();
    void buildHelpMenu();
    void showSplit(int split);
    void connectSession();
    void noteWhatIsDone();
    /// `id` is what its shortcut is kept by; it stays when the text changes.
    QAction* add(QMenu* menu, const QString& id, const QString& text, const QKeySequence& key,
                 const std::function<void()>& action);

    void openAsked();
    void openPictureAsked();
    /// Makes it first where it is not there yet.
    void openDemo();
    bool save();
    bool saveAs();
    bool mayLeave();
    void exportPoses();
    /// Says why nothing is written there where it may not be.
    bool mayWrite(const QString& path);
    void importStrikes();
    void exportStrikes();
    void exportRumble();
    void exportStill();
    void showDropBench();
    MotionBench& showMotions();
    void showPlaces();
    void showStrikes();
    void showHandOn();
    void showApply();
    void showComfort();
    void showLive();
    void findClip();
    void addClipAsked();
    void replaceClipAsked();
    void splitAtCuts();
    template <typename Found, typename Work>
    std::optional<Found> worked(const QString& title, const QString& doing, Work work);
    void conformAsked();
    void shapeFromSound();
    void moveByHand();
    void rememberRecent(const QString& path);
    void fillRecent();
    void refreshActions();
    void refreshTransport();
    void refreshPlace();
    void placeWelcome();
    void applyPreferences();
    void offerLeftBehind();
    /// The picture alone on a whole screen, or back.
    void showBigPicture();
    void say(const QString& text);
    void restoreLayout();
    void saveLayout() const;
    /// Ctrl+R: first the panel, then the render.
    void renderAsked();
    void escape();
    /// Gives the keys to a part of the window.
    void jumpTo(QWidget& region);
    void changeLoop(bool in);
    void loopStrikes(bool toNext);

    Dialogs dialogs_;
    std::unique_ptr<Session> session_;
    std::unique_ptr<Player> player_;
    std::unique_ptr<Scrub> scrub_;
    std::unique_ptr<Finder> finder_;
    std::unique_ptr<Tapper> tapper_;
    std::unique_ptr<JournalKeeper> keeper_;
    std::unique_ptr<Takes> takes_;
    std::unique_ptr<GentleKeeper> gentle_;
    PictureView* picture_ = nullptr;
    SideColumn* side_ = nullptr;
    RenderPanel* renderPanel_ = nullptr;
    QStackedWidget* sideStack_ = nullptr;
    QStackedWidget* anvilPlace_ = nullptr;
    AnvilView* anvil_ = nullptr;
    CurveView* curves_ = nullptr;
    QByteArray otherBands_; ///< heights of the bands with the other of the two
    ReelView* reel_ = nullptr;
    FindPanel* findPanel_ = nullptr;
    DropBench* dropBench_ = nullptr;     ///< made when it is asked for
    MotionBench* motionBench_ = nullptr; ///< the same
    PlacesWindow* places_ = nullptr;
    StrikeTable* strikeTable_ = nullptr;
    MotionExportWindow* motionExport_ = nullptr;
    ApplyWindow* apply_ = nullptr;
    ComfortWindow* comfort_ = nullptr;
    LiveWindow* live_ = nullptr;
    QSplitter* bands_ = nullptr;
    QSplitter* top_ = nullptr;
    NoticeBar* notice_ = nullptr;
    std::optional<LeftBehind> recovering_; ///< being opened
    std::vector<LeftBehind> left_;         ///< unsaved work of programs that are no longer running
    QWidget* welcome_ = nullptr;
    QWidget* transport_ = nullptr;
    QToolButton* play_ = nullptr;
    QToolButton* loop_ = nullptr;
    QToolButton* sound_ = nullptr;
    QToolButton* compare_ = nullptr;
    QComboBox* scale_ = nullptr;
    ValueField* place_ = nullptr; ///< the frame on show
    QLabel* clock_ = nullptr;
    QLabel* pictureFacts_ = nullptr;
    Guides guides_;
    QLabel* facts_ = nullptr;
    ContactSheet* contacts_ = nullptr; ///< made when it is asked for
    HintStrip* hints_ = nullptr;
    bool damageTold_ = false;
    GuideWindow* guide_ = nullptr; ///< made when it is asked for
    ActionFinder* actionFinder_ = nullptr;
    QPointer<PictureView> bigPicture_; ///< while it is shown
    QLabel* told_ = nullptr;
    QLabel* state_ = nullptr;
    QMenu* recent_ = nullptr;
    QAction* undo_ = nullptr;
    QAction* redo_ = nullptr;
    std::vector<QAction*> needClip_;
    std::vector<QAction*> needSelection_;
};

} // namespace ember::app
