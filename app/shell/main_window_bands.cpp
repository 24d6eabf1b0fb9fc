// SPDX-License-Identifier: GPL-3.0-or-later
// What the window is made of: its bands, the notice, the welcome and the transport.
#include <cmath>

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QSplitter>
#include <QStackedWidget>
#include <QToolButton>

#include "anvil_view.h"
#include "curve_view.h"
#include "demo.h"
#include "find_panel.h"
#include "flow_layout.h"
#include "form.h"
#include "frame_store.h"
#include "hint_strip.h"
#include "language.h"
#include "main_window.h"
#include "notice_bar.h"
#include "picture_view.h"
#include "player.h"
#include "recipe_page.h"
#include "reel_view.h"
#include "render_panel.h"
#include "side_column.h"
#include "style.h"
#include "symbols.h"
#include "takes.h"
#include "tapper.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {
const FieldSpec frameSpec{
    "frame",     "Frame on show",
    "",          0,
    100'000'000, 0,
    1,           "The frame on show. Type a frame, or a timecode (0:05:06), to go there (Ctrl+J)"};
} // namespace

void MainWindow::buildBands()
{
    picture_ = new PictureView(*session_, *player_);
    picture_->installEventFilter(this); // the welcome lies in its middle
    picture_->setTakes(takes_.get());
    picture_->setGentle(gentle_.get());
    side_ = new SideColumn(*session_, dialogs_);
    renderPanel_ = new RenderPanel(*session_, dialogs_);
    anvil_ = new AnvilView(*session_);
    curves_ = new CurveView(*session_);
    anvilPlace_ = new QStackedWidget;
    anvilPlace_->addWidget(anvil_);
    anvilPlace_->addWidget(curves_);
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
    sideStack_->addWidget(scrolling(findPanel_));
    top_ = new QSplitter(Qt::Horizontal);
    top_->addWidget(pictureSide);
    top_->addWidget(sideStack_);
    top_->setStretchFactor(0, 1);
    top_->setStretchFactor(1, 0);
    top_->setSizes({861, 416});
    bands_ = new QSplitter(Qt::Vertical);
    bands_->addWidget(top_);
    bands_->addWidget(anvilPlace_);
    bands_->addWidget(reel_);
    for (auto* splitter : {top_, bands_}) {
        splitter->setHandleWidth(3);
        splitter->setChildrenCollapsible(false);
    }
    bands_->setStretchFactor(0, 1);
    bands_->setStretchFactor(1, 0);
    bands_->setStretchFactor(2, 0);
    bands_->setSizes({468, 200, 77});
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
    connect(findPanel_, &FindPanel::closed, this, [this] { showBeside(Beside::column); });
    connect(finder_.get(), &Finder::trouble, &session_->messages, &Messages::trouble);
    connect(&anvil_->canvas(), &AnvilCanvas::strandOpened, this, [this] {
        showBeside(Beside::column);
        side_->setPage(SideColumn::Page::strike);
    });
    connect(renderPanel_, &RenderPanel::closed, this, [this] { showBeside(Beside::column); });
    connect(curves_, &CurveView::closed, this, [this] { showCurves(false); });
    connect(&session_->shaping, &Shaping::curvesAsked, this, [this] {
        curves_->channels().setOf(CurveChannels::Of::keys);
        showCurves(true);
    });
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
    auto* card = new QFrame(picture_);
    card->setObjectName(QStringLiteral("welcome"));
    card->setFrameShape(QFrame::StyledPanel);
    theme::fill(*card, theme::Ground::floor);
    auto* column = newColumn(card, 10, {28, 20, 28, 20});
    auto* title = new QLabel(tr("Vast Ember"), card);
    title->setFont(theme::words(20, true));
    column->addWidget(title);
    auto* text = new QLabel(tr("Open a clip, or drop one here. Ctrl+F finds what hits;\nor step to the first frame of "
                               "contact and press S: it "
                               "shakes.\nShape it on the Anvil below, then render the film."),
                            card);
    theme::setDim(*text);
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
    const auto button = [&](Symbol picture, const QString& text, const QString& tip, const char* name) {
        auto* made = new QToolButton(bar);
        made->setIcon(symbol(picture));
        made->setAccessibleName(text);
        made->setToolTip(tip);
        made->setObjectName(QLatin1String(name));
        made->setFocusPolicy(Qt::TabFocus);
        setLook(*made, Look::flat);
        row->addWidget(made);
        return made;
    };
    const auto jump = [this](const std::function<std::int64_t()>& to) {
        return [this, to] {
            player_->pause();
            session_->playhead.setFrame(to());
        };
    };
    connect(button(Symbol::toStart, tr("Start"), tr("To the first frame (Home)"), "to-start"), &QToolButton::clicked,
            this, jump([] { return 0; }));
    connect(button(Symbol::stepBack, tr("One frame back"), tr("One frame back (Left); with Shift, ten"), "step-back"),
            &QToolButton::clicked, this, jump([this] { return session_->playhead.frame() - 1; }));
    play_ = button(Symbol::play, tr("Play"), tr("Play or pause (Space)"), "play");
    connect(play_, &QToolButton::clicked, player_.get(), &Player::toggle);
    connect(button(Symbol::stepOn, tr("One frame on"), tr("One frame on (Right); with Shift, ten"), "step-on"),
            &QToolButton::clicked, this, jump([this] { return session_->playhead.frame() + 1; }));
    row->addGap(6);
    loop_ = button(Symbol::loop, tr("Loop"),
                   tr("Play the loop over and over (L). I and O set its ends, Shift and drag on the Reel's ruler draws "
                      "it; without one it runs around the selected strike."),
                   "loop");
    loop_->setCheckable(true);
    sound_ = button(Symbol::sound, tr("Sound"), {}, "sound");
    sound_->setCheckable(true);
    connect(sound_, &QToolButton::clicked, this, [this](bool on) { player_->setSoundOn(on); });
    compare_ = button(Symbol::compare, tr("Compare"), tr("Hold to see the frame unshaken (hold C)"), "compare");
    connect(compare_, &QToolButton::pressed, this, [this] { picture_->setPlain(true); });
    connect(compare_, &QToolButton::released, this, [this] { picture_->setPlain(false); });
    row->addGap(6);
    place_ = new ValueField(frameSpec, bar);
    place_->setObjectName(QStringLiteral("go-to-frame"));
    place_->setLarge(true);
    place_->setWhole(true);
    place_->setFixedSize(76, 24);
    place_->readOther = [this](const QString& text) { return session_->document.frameOf(text); };
    connect(place_, &ValueField::wished, this, [this](double frame, quint64) {
        player_->pause();
        session_->playhead.setFrame(std::llround(frame));
    });
    row->addWidget(place_);
    clock_ = dimLabel({}, bar);
    clock_->setObjectName(QStringLiteral("timecode"));
    clock_->setFont(theme::numbers(12));
    row->addWidget(clock_);
    row->addGap(6);
    auto* hand = new QPushButton(tr("Hand  M"), bar);
    hand->setObjectName(QStringLiteral("by-hand"));
    hand->setCheckable(true);
    hand->setFocusPolicy(Qt::TabFocus);
    hand->setToolTip(
        tr("Drag the picture to where it should be on this frame: a key is set (M). On the selected strike, "
           "or a new one."));
    connect(hand, &QPushButton::clicked, this, &MainWindow::moveByHand);
    connect(&session_->hand, &HandWork::changed, hand, [this, hand] { hand->setChecked(session_->hand.on()); });
    auto* strike = new QPushButton(tr("Strike  S"), bar);
    strike->setObjectName(QStringLiteral("put-strike"));
    strike->setToolTip(tr("Put a strike on this frame (S); 1 blast, 2 landing, 3 hit, 4 beat"));
    strike->setFocusPolicy(Qt::TabFocus);
    setLook(*strike, Look::tight);
    connect(strike, &QPushButton::clicked, this, [this] { session_->strikes.put(session_->strikes.lastKind()); });
    row->addWidget(strike);
    setLook(*hand, Look::tight);
    row->addWidget(hand);
    row->addSpring();
    pictureFacts_ = dimLabel({}, bar);
    pictureFacts_->setObjectName(QStringLiteral("picture-facts"));
    pictureFacts_->setFont(theme::numbers(11));
    row->addWidget(pictureFacts_);
    scale_ = new QComboBox(bar);
    setLook(*scale_, Look::tight);
    scale_->setFont(theme::words(11));
    scale_->setObjectName(QStringLiteral("picture-scale"));
    scale_->addItems({tr("automatic"), tr("full size"), tr("half size"), tr("quarter size")});
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

void MainWindow::refreshPlace()
{
    const std::int64_t frame = session_->playhead.frame();
    const bool any = session_->document.length() > 0;
    place_->setBarred(any ? QString() : tr("Open a clip first"));
    place_->setValue(static_cast<double>(frame));
    clock_->setText(any ? session_->document.timecode(frame) : QString());
    pictureFacts_->setText(any ? picture_->facts() : QString());
}

void MainWindow::refreshTransport()
{
    const bool any = session_->document.length() > 0;
    for (auto* button : transport_->findChildren<QAbstractButton*>())
        allow(button, any ? QString() : tr("Open a clip first"));
    play_->setIcon(symbol(player_->playing() ? Symbol::pause : Symbol::play));
    play_->setAccessibleName(player_->playing() ? tr("Pause") : tr("Play"));
    refreshPlace();
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
        parts << (silence.isEmpty() ? tr("sound on") : language::inLine(silence));
    state_->setText(parts.join(QStringLiteral("   ")));
}

} // namespace ember::app
