// SPDX-License-Identifier: GPL-3.0-or-later
#include "live_window.h"

#include <algorithm>

#include <QButtonGroup>
#include <QCheckBox>
#include <QComboBox>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QScrollArea>
#include <QSignalBlocker>

#include "form.h"
#include "language.h"
#include "live_autoplay.h"
#include "live_outside.h"
#include "live_picture.h"
#include "pad_board.h"
#include "pad_editor.h"
#include "part_binding.h"
#include "text.h"
#include "theme.h"
#include "top_view.h"
#include "value_control.h"
#include "words.h"

namespace ember::app {

namespace {

constexpr int mostLogged = 200;
constexpr std::size_t mostLatencies = 100;
constexpr double easedFrames = 12;
constexpr qint64 readable = 90; ///< milliseconds

} // namespace

LiveWindow::LiveWindow(Session& session, const Dialogs& dialogs, QWidget* parent)
    : QDialog(parent), session_(session), dialogs_(dialogs), runner_(new LiveRunner(session, this))
{
    setObjectName(QStringLiteral("live-window"));
    setWindowTitle(tr("Live bench"));
    resize(1280, 800);
    auto* row = newRow(this, 0, {0, 0, 0, 0});
    row->addWidget(buildLeft(), 1);
    auto* right = scrolling(buildRight());
    constexpr int scrollBar = 8;
    right->setFixedWidth(std::max(416, right->widget()->minimumSizeHint().width() + scrollBar));
    row->addWidget(right);
    connect(runner_, &LiveRunner::struck, this, &LiveWindow::showStruck);
    connect(runner_, &LiveRunner::ticked, this, &LiveWindow::showNow);
    connect(runner_, &LiveRunner::stateChanged, this, &LiveWindow::refresh);
    connect(picture_, &LivePicture::latency, this, [this](double milliseconds) {
        latencies_.push_back(milliseconds);
        if (latencies_.size() > mostLatencies)
            latencies_.pop_front();
    });
    connect(&session_.document, &OpenDocument::changed, this, &LiveWindow::refresh);
    connect(&session_.messages, &Messages::told, says_, &QLabel::setText);
    connect(outside_, &LiveOutside::said, says_, &QLabel::setText);
    connect(autoplay_, &LiveAutoplay::said, says_, &QLabel::setText);
    for (auto* button : findChildren<QPushButton*>()) // Enter in a field is the field's
        button->setAutoDefault(false);
    choosePad(0);
    refresh();
}

LiveWindow::~LiveWindow() = default;

QWidget* LiveWindow::buildLeft()
{
    auto* left = new QWidget(this);
    auto* column = newColumn(left, 8, {0, 0, 0, 10});
    picture_ = new LivePicture(session_.document, session_.film, session_.file, *runner_, left);
    column->addWidget(picture_, 1);
    auto* facts = newRow(usualSpacing, {14, 0, 14, 0});
    now_ = new QLabel(left);
    now_->setObjectName(QStringLiteral("live-now"));
    now_->setFont(theme::numbers(13));
    now_->setToolTip(tr("How strongly it shakes now, and the strongest of the last second"));
    facts->addWidget(now_);
    facts->addStretch(1);
    latency_ = dimLabel({}, left);
    latency_->setObjectName(QStringLiteral("live-latency"));
    latency_->setFont(theme::numbers(12));
    latency_->setToolTip(
        tr("From the moment a press reaches the program to the end of painting the first picture that "
           "shows it: the last one, and the middle and the longest of the last hundred; pictures a second; "
           "frames of the film that none of them showed"));
    facts->addWidget(latency_);
    column->addLayout(facts);
    auto* row = newRow(12, {14, 0, 14, 0});
    pads_ = new PadBoard(left);
    row->addWidget(pads_, 1);
    log_ = new QListWidget(left);
    log_->setObjectName(QStringLiteral("live-log"));
    log_->setFocusPolicy(Qt::NoFocus);
    log_->setFixedWidth(270);
    log_->setFont(theme::words(11));
    log_->setWordWrap(true);
    log_->setToolTip(tr("The result of each press, newest first"));
    row->addWidget(log_);
    auto* holder = new QWidget(left);
    holder->setFixedHeight(208);
    holder->setLayout(row);
    column->addWidget(holder);
    connect(pads_, &PadBoard::struck, this, [this](int pad, double share) {
        runner_->strikePad(static_cast<std::size_t>(pad), share, runner_->moment());
    });
    connect(pads_, &PadBoard::chosenByHand, this, &LiveWindow::choosePad);
    return left;
}

QWidget* LiveWindow::buildRight()
{
    auto* page = new QWidget(this);
    auto* column = newColumn(page, 8, {14, 10, 14, 10});
    column->addWidget(buildPlaying());
    column->addWidget(rule(page));
    column->addWidget(partName(tr("The chosen pad"), page));
    editor_ = new PadEditor(session_, page);
    connect(editor_, &PadEditor::padWished, this, &LiveWindow::choosePad);
    column->addWidget(editor_);
    top_ = new TopView(page);
    top_->setFixedHeight(210);
    top_->gestureSource = [this] { return session_.document.newGesture(); };
    const auto place = [this](std::size_t pad, const WorldPoint& at, quint64 gesture) {
        session_.document.edit(withPadChanged(session_.document.project(), pad,
                                              [&](Pad& changed) {
                                                  Place held = changed.place.value_or(Place{});
                                                  held.at = at;
                                                  changed.place = held;
                                              }),
                               tr("Pad %1: %2 m right, %3 m ahead").arg(pad + 1).arg(at.x).arg(at.z), gesture);
    };
    connect(top_, &TopView::placeWished, this,
            [this, place](const WorldPoint& at) { place(static_cast<std::size_t>(editor_->pad()), at, 0); });
    connect(top_, &TopView::moved, this, [this, place](int event, const WorldPoint& at, quint64 gesture) {
        std::size_t pad = 0;
        for (const Board board = boardOf(session_.document.project()); pad < board.pads.size(); ++pad)
            if (board.pads[pad].place && event-- == 0)
                break;
        place(pad, at, gesture);
    });
    connect(top_, &TopView::chosen, this, [this](int event) {
        const Board board = boardOf(session_.document.project());
        for (std::size_t pad = 0; pad < board.pads.size(); ++pad)
            if (board.pads[pad].place && event-- == 0)
                choosePad(static_cast<int>(pad));
    });
    column->addWidget(top_);
    column->addWidget(rule(page));
    outside_ = new LiveOutside(*runner_, dialogs_, page);
    column->addWidget(outside_);
    column->addWidget(rule(page));
    autoplay_ = new LiveAutoplay(*runner_, dialogs_, page);
    column->addWidget(autoplay_);
    column->addStretch(1);
    says_ = new QLabel(page);
    says_->setObjectName(QStringLiteral("live-says"));
    says_->setWordWrap(true);
    column->addWidget(says_);
    return page;
}

QWidget* LiveWindow::buildPlaying()
{
    auto* box = new QWidget(this);
    auto* column = newColumn(box, 6, {0, 0, 0, 0});
    auto* first = new QHBoxLayout;
    ground_ = new QComboBox(box);
    ground_->setObjectName(QStringLiteral("live-ground"));
    ground_->addItems({tr("the playing film"), tr("a still frame"), tr("the test chart")});
    ground_->setToolTip(tr("The picture: the film from the playhead on (in its loop, if that is on), the frame under "
                           "the playhead, or a chart"));
    connect(ground_, &QComboBox::activated, this, [this](int index) {
        runner_->setGround(static_cast<LiveRunner::Ground>(index));
        pads_->setFocus();
    });
    first->addWidget(dimLabel(tr("Shake"), box));
    first->addWidget(ground_, 1);
    auto* states = new QButtonGroup(this);
    for (std::size_t state = 0; state < boardStates; ++state) {
        states_[state] = smallToggle({}, QStringLiteral("state-%1").arg(state),
                                     tr("Swaps the recipes of all pads at once (N goes to the other)"), box);
        states->addButton(states_[state]);
        connect(states_[state], &QPushButton::clicked, this, [this, state] { runner_->setState(state); });
        first->addWidget(states_[state]);
    }
    column->addLayout(first);
    rules_ = new ControlGrid(session_.document, session_.shaping,
                             memberBinding(session_.document, &Project::overlap, "overlap."), 3, box);
    rules_->setObjectName(QStringLiteral("live-rules"));
    addAll<Overlap>(*rules_, {{"rule", tr("Rule")}, {"ceiling", {}}, {"knee", {}}});
    column->addWidget(rules_);
    auto* second = new QHBoxLayout;
    ControlGrid::Binding intensity;
    intensity.read = [this](const std::string&) { return runner_->bench().intensity(); };
    intensity.write = [this](const std::string&, const FieldSpec&, double value, quint64) {
        runner_->setIntensity(value);
    };
    auto* knob = new ControlGrid(session_.document, session_.shaping, std::move(intensity), 1, box);
    knob->setObjectName(QStringLiteral("live-intensity"));
    knob->add("intensity", *fieldOf<Master>("intensity")->spec);
    connect(runner_, &LiveRunner::stateChanged, knob, &ControlGrid::refresh);
    second->addWidget(knob, 1);
    auto* sounds = new QCheckBox(tr("Sounds"), box);
    sounds->setObjectName(QStringLiteral("live-sounds"));
    sounds->setChecked(true);
    sounds->setToolTip(tr("Strikes are heard, where there is a sound device"));
    connect(sounds, &QCheckBox::toggled, this, [this](bool on) { runner_->sound().setOn(on); });
    second->addWidget(sounds);
    auto* film = new QCheckBox(tr("With the film's strikes"), box);
    film->setObjectName(QStringLiteral("live-with-film"));
    film->setToolTip(tr("The strikes on the Reel strike too when the film comes to them"));
    connect(film, &QCheckBox::toggled, this, [this](bool on) { runner_->setWithFilm(on); });
    second->addWidget(film);
    column->addLayout(second);
    auto* third = new QHBoxLayout;
    record_ = smallToggle(tr("Record"), QStringLiteral("live-record"),
                          tr("What is struck from now on becomes strikes on the Reel (R)"), box);
    connect(record_, &QPushButton::clicked, this, [this](bool on) {
        if (on)
            runner_->record();
        else
            runner_->endRecording(quantise());
        pads_->setFocus();
    });
    third->addWidget(record_);
    quantise_ = new QComboBox(box);
    quantise_->setObjectName(QStringLiteral("live-quantise"));
    quantise_->addItems({tr("to frames"), tr("to beats"), tr("to half beats"), tr("to quarter beats")});
    third->addWidget(quantise_, 1);
    auto* ease = smallButton(tr("Ease home"), QStringLiteral("live-ease"),
                             tr("Everything is eased home (H); Shift+H only what the chosen pad struck"), box);
    connect(ease, &QPushButton::clicked, this, [this] { runner_->settle(easedFrames); });
    third->addWidget(ease);
    auto* stop = smallButton(
        tr("Stop all"), QStringLiteral("live-stop"),
        tr("Everything stops at once, what is on its way and plays by itself too (X); Shift+X only what the "
           "chosen pad struck"),
        box);
    connect(stop, &QPushButton::clicked, this, [this] { runner_->settle(0); });
    third->addWidget(stop);
    column->addLayout(third);
    return box;
}

Quantise LiveWindow::quantise() const
{
    return static_cast<Quantise>(std::max(0, quantise_->currentIndex()));
}

void LiveWindow::showEvent(QShowEvent* event)
{
    runner_->start();
    pads_->setFocus();
    QDialog::showEvent(event);
}

void LiveWindow::hideEvent(QHideEvent* event)
{
    runner_->endRecording(quantise());
    runner_->stop();
    autoplay_->endWhenDone();
    QDialog::hideEvent(event);
}

void LiveWindow::keyPressEvent(QKeyEvent* event)
{
    if (event->modifiers().testFlag(Qt::ControlModifier)) {
        if (event->matches(QKeySequence::Undo))
            return session_.document.undo();
        if (event->matches(QKeySequence::Redo))
            return session_.document.redo();
        return QDialog::keyPressEvent(event);
    }
    // A key that is held down repeats; a press is one strike.
    if (event->isAutoRepeat())
        return;
    // With Shift a digit's key gives another sign, so its place in the row counts.
    static const QString shifted = QStringLiteral("!@#$%^&*()");
    int pad = event->key() >= Qt::Key_1 && event->key() <= Qt::Key_9 ? event->key() - Qt::Key_1
              : event->key() == Qt::Key_0                            ? 9
                                                                     : -1;
    const bool half = event->modifiers().testFlag(Qt::ShiftModifier);
    if (pad < 0 && half && !event->text().isEmpty())
        pad = static_cast<int>(shifted.indexOf(event->text().front()));
    if (pad >= 0)
        return runner_->strikePad(static_cast<std::size_t>(pad), half ? 0.5 : 1, runner_->moment());
    switch (event->key()) {
    case Qt::Key_X: half ? runner_->settlePad(pads_->chosen(), 0) : runner_->settle(0); break;
    case Qt::Key_H: half ? runner_->settlePad(pads_->chosen(), easedFrames) : runner_->settle(easedFrames); break;
    case Qt::Key_N: runner_->setState(1 - runner_->state()); break;
    case Qt::Key_R: record_->click(); break;
    default: QDialog::keyPressEvent(event);
    }
}

void LiveWindow::choosePad(int pad)
{
    pads_->setChosen(pad);
    editor_->setPad(pad);
    refreshTop();
}

void LiveWindow::showStruck(int pad, const QString& what, const Outcome& outcome)
{
    pads_->showStruck(pad, outcome);
    QString text = what;
    if (outcome.id != 0)
        text += tr(" %1 %").arg(std::lround(100 * outcome.strength));
    if (outcome.id != 0 || outcome.fate == Fate::ignored)
        text += QStringLiteral(": ") + ours(fateName(outcome.fate));
    if (!outcome.why.empty())
        text += QStringLiteral(", ") + QString::fromStdString(outcome.why.said());
    log_->insertItem(0, text);
    if (log_->count() > mostLogged)
        delete log_->takeItem(mostLogged);
}

void LiveWindow::showNow()
{
    const double intensity = runner_->bench().at(runner_->now()).intensity;
    most_ = std::max(intensity, most_ * 0.96);
    if (told_.isValid() && told_.elapsed() < readable) // faster than this nobody reads it
        return;
    told_.start();
    const auto frame = runner_->filmFrame(runner_->now());
    now_->setText(tr("intensity %1 %, most %2 %   frame %3")
                      .arg(std::lround(100 * intensity), 3)
                      .arg(std::lround(100 * most_), 3)
                      .arg(frame, 4));
    QString latency = tr("no press yet");
    if (!latencies_.empty()) {
        std::vector<double> sorted(latencies_.begin(), latencies_.end());
        std::sort(sorted.begin(), sorted.end());
        latency = tr("press to picture %1 ms (middle %2, most %3)")
                      .arg(latencies_.back(), 0, 'f', 0)
                      .arg(sorted[sorted.size() / 2], 0, 'f', 0)
                      .arg(sorted.back(), 0, 'f', 0);
    }
    latency_->setText(
        tr("%1  %2/s, %3 lost").arg(latency).arg(std::lround(picture_->shownRate())).arg(picture_->framesLost()));
    outside_->showCounts();
    autoplay_->endWhenDone();
}

void LiveWindow::refreshTop()
{
    const Project& project = session_.document.project();
    std::vector<TopEvent> events;
    const Board board = boardOf(project);
    for (std::size_t i = 0; i < board.pads.size(); ++i) {
        const Pad& pad = board.pads[i];
        if (!pad.place)
            continue;
        const auto* seen = std::get_if<PicturePoint>(&pad.place->at);
        events.push_back({seen != nullptr ? worldOf(*seen, cameraAt(project.world, 0), project.width, project.height)
                                          : std::get<WorldPoint>(pad.place->at),
                          pad.strength, arrivalOf(project, strikeOf(pad, 0, 1)).share,
                          pad.name.empty() ? tr("Pad %1").arg(i + 1) : QString::fromStdString(pad.name),
                          static_cast<int>(i) == editor_->pad()});
    }
    top_->show(project.world, project.rate, 0, std::move(events));
}

void LiveWindow::refresh()
{
    const Project& project = session_.document.project();
    const Board& board = runner_->board();
    std::vector<PadBoard::Face> faces;
    for (const Pad& pad : board.pads) {
        const Recipe* recipe = project.recipe(pad.recipes[runner_->state()]);
        if (recipe == nullptr)
            continue;
        const QString name = QString::fromStdString(recipe->name);
        QString about = tr("%1, %2 %").arg(language::inLine(kindTitle(pad.kind))).arg(std::lround(100 * pad.strength));
        if (!pad.name.empty())
            about = name + QStringLiteral(", ") + about;
        faces.push_back(
            {pad.name.empty() ? name : QString::fromStdString(pad.name), about, traceOf(*recipe, project, 90)});
    }
    pads_->setFaces(std::move(faces));
    if (editor_->pad() >= static_cast<int>(board.pads.size()) && !board.pads.empty())
        choosePad(static_cast<int>(board.pads.size()) - 1);
    for (std::size_t state = 0; state < boardStates; ++state) {
        states_[state]->setText(QString::fromStdString(board.states[state]));
        states_[state]->setChecked(state == runner_->state());
    }
    rules_->refresh();
    refreshTop();
    const bool film = session_.document.length() > 0;
    allow(record_, film ? QString() : tr("Open a clip first: strikes are recorded into its film"));
    if (film)
        record_->setToolTip(tr("What is struck from now on becomes strikes on the Reel (R)"));
    record_->setChecked(runner_->recording());
    record_->setText(runner_->recording() ? tr("End recording") : tr("Record"));
    quantise_->setEnabled(project.beats.has_value());
    if (!project.beats)
        quantise_->setCurrentIndex(0);
    quantise_->setToolTip(project.beats
                              ? tr("Where recorded strikes are put")
                              : tr("Recorded strikes are on frames; set the film's tempo to put them on beats"));
}

} // namespace ember::app
