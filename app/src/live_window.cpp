// SPDX-License-Identifier: GPL-3.0-or-later
#include "live_window.h"

#include <algorithm>
#include <numeric>

#include <QButtonGroup>
#include <QCheckBox>
#include <QComboBox>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QScrollArea>
#include <QSettings>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "drop_bench.h"
#include "ember/project/file.h"
#include "live_picture.h"
#include "pad_board.h"
#include "pad_editor.h"
#include "part_binding.h"
#include "text.h"
#include "theme.h"
#include "top_view.h"
#include "value_control.h"

namespace ember::app {

namespace {

constexpr int mostLogged = 200;
constexpr std::size_t mostLatencies = 100;
constexpr std::uintmax_t largestMidi = 16 << 20;
constexpr std::uintmax_t largestScene = 4 << 20;
constexpr double easedFrames = 12;
constexpr qint64 readable = 90; ///< milliseconds

QLabel* partName(const QString& text, QWidget* parent)
{
    auto* label = new QLabel(text, parent);
    label->setFont(theme::words(13, true));
    return label;
}

QPushButton* toggle(const QString& text, const char* name, const QString& tip, QWidget* parent)
{
    auto* made = smallButton(text, QLatin1String(name), tip, parent);
    made->setCheckable(true);
    return made;
}

} // namespace

LiveWindow::LiveWindow(Session& session, const Dialogs& dialogs, QWidget* parent)
    : QDialog(parent), session_(session), dialogs_(dialogs), runner_(new LiveRunner(session, this))
{
    setObjectName(QStringLiteral("live-window"));
    setWindowTitle(tr("Live bench"));
    resize(1280, 800);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(buildLeft(), 1);
    auto* right = scrolling(buildRight());
    right->setFixedWidth(400);
    row->addWidget(right);
    connect(runner_, &LiveRunner::struck, this, &LiveWindow::showStruck);
    connect(runner_, &LiveRunner::ticked, this, &LiveWindow::showNow);
    connect(runner_, &LiveRunner::stateChanged, this, &LiveWindow::refresh);
    connect(picture_, &LivePicture::latency, this, [this](double milliseconds) {
        latencies_.push_back(milliseconds);
        if (latencies_.size() > mostLatencies)
            latencies_.pop_front();
    });
    connect(&session_, &Session::projectChanged, this, &LiveWindow::refresh);
    connect(&session_, &Session::told, says_, &QLabel::setText);
    for (auto* button : findChildren<QPushButton*>()) // Enter in a field is the field's
        button->setAutoDefault(false);
    choosePad(0);
    refresh();
}

LiveWindow::~LiveWindow() = default;

QWidget* LiveWindow::buildLeft()
{
    auto* left = new QWidget(this);
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(0, 0, 0, 10);
    column->setSpacing(8);
    picture_ = new LivePicture(session_, *runner_, left);
    column->addWidget(picture_, 1);
    auto* facts = new QHBoxLayout;
    facts->setContentsMargins(14, 0, 14, 0);
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
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(12);
    pads_ = new PadBoard(left);
    row->addWidget(pads_, 1);
    log_ = new QListWidget(left);
    log_->setObjectName(QStringLiteral("live-log"));
    log_->setFocusPolicy(Qt::NoFocus);
    log_->setFixedWidth(270);
    log_->setFont(theme::words(11));
    log_->setWordWrap(true);
    log_->setToolTip(tr("What became of each press, newest first"));
    row->addWidget(log_);
    auto* holder = new QWidget(left);
    holder->setFixedHeight(208);
    holder->setLayout(row);
    column->addWidget(holder);
    connect(pads_, &PadBoard::struck, this, [this](int pad, double share) {
        runner_->strikePad(static_cast<std::size_t>(pad), share, LiveRunner::Clock::now());
    });
    connect(pads_, &PadBoard::chosenByHand, this, &LiveWindow::choosePad);
    return left;
}

QWidget* LiveWindow::buildRight()
{
    auto* page = new QWidget(this);
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(14, 10, 14, 10);
    column->setSpacing(8);
    column->addWidget(buildPlaying());
    column->addWidget(rule(page));
    column->addWidget(partName(tr("The chosen pad"), page));
    editor_ = new PadEditor(session_, page);
    connect(editor_, &PadEditor::padWished, this, &LiveWindow::choosePad);
    column->addWidget(editor_);
    top_ = new TopView(page);
    top_->setFixedHeight(210);
    top_->gestureSource = [this] { return session_.newGesture(); };
    const auto place = [this](std::size_t pad, const WorldPoint& at, quint64 gesture) {
        session_.edit(withPadChanged(session_.project(), pad,
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
        for (const Board board = boardOf(session_.project()); pad < board.pads.size(); ++pad)
            if (board.pads[pad].place && event-- == 0)
                break;
        place(pad, at, gesture);
    });
    connect(top_, &TopView::chosen, this, [this](int event) {
        const Board board = boardOf(session_.project());
        for (std::size_t pad = 0; pad < board.pads.size(); ++pad)
            if (board.pads[pad].place && event-- == 0)
                choosePad(static_cast<int>(pad));
    });
    column->addWidget(top_);
    column->addWidget(rule(page));
    column->addWidget(buildOutside());
    column->addWidget(rule(page));
    column->addWidget(buildFalling());
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
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    auto* first = new QHBoxLayout;
    ground_ = new QComboBox(box);
    ground_->setObjectName(QStringLiteral("live-ground"));
    ground_->addItems({tr("the playing film"), tr("a still frame"), tr("the test chart")});
    ground_->setToolTip(
        tr("What is shaken: the film from the playhead on (in its loop, if that is on), the frame under "
           "the playhead, or a chart"));
    connect(ground_, &QComboBox::activated, this, [this](int index) {
        runner_->setGround(static_cast<LiveRunner::Ground>(index));
        pads_->setFocus();
    });
    first->addWidget(dimLabel(tr("Shake"), box));
    first->addWidget(ground_, 1);
    auto* states = new QButtonGroup(this);
    for (std::size_t state = 0; state < boardStates; ++state) {
        states_[state] = toggle({}, state == 0 ? "state-0" : "state-1",
                                tr("Swaps the recipes of all pads at once (N goes to the other)"), box);
        states->addButton(states_[state]);
        connect(states_[state], &QPushButton::clicked, this, [this, state] { runner_->setState(state); });
        first->addWidget(states_[state]);
    }
    column->addLayout(first);
    rules_ = new ControlGrid(session_, memberBinding(session_, &Project::overlap), 3, box);
    rules_->setObjectName(QStringLiteral("live-rules"));
    addAll(*rules_, Overlap{}, {{"rule", tr("Rule")}, {"ceiling", {}}, {"knee", {}}});
    column->addWidget(rules_);
    auto* second = new QHBoxLayout;
    ControlGrid::Binding intensity;
    intensity.read = [this](const std::string&) { return runner_->bench().intensity(); };
    intensity.write = [this](const std::string&, const FieldSpec&, double value, quint64) {
        runner_->setIntensity(value);
    };
    auto* knob = new ControlGrid(session_, std::move(intensity), 1, box);
    knob->setObjectName(QStringLiteral("live-intensity"));
    for (Master sample; const Value& value : valuesOf(sample))
        if (value.key == "intensity")
            knob->add(value.key, *value.spec);
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
    record_ =
        toggle(tr("Record"), "live-record", tr("What is struck from now on becomes strikes on the Reel (R)"), box);
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
    auto* ease = smallButton(tr("Ease home"), QStringLiteral("live-ease"), tr("Everything is eased home (H)"), box);
    connect(ease, &QPushButton::clicked, this, [this] { runner_->settle(easedFrames); });
    third->addWidget(ease);
    auto* stop = smallButton(tr("Stop all"), QStringLiteral("live-stop"),
                             tr("Everything stops at once, what is on its way and plays by itself too (X)"), box);
    connect(stop, &QPushButton::clicked, this, [this] { runner_->settle(0); });
    third->addWidget(stop);
    column->addLayout(third);
    return box;
}

QWidget* LiveWindow::buildOutside()
{
    auto* box = new QWidget(this);
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(5);
    column->addWidget(partName(tr("From outside"), box));
    const auto address = [&](const char* name, const QString& at, const QString& tip) {
        auto* field = new QLineEdit(at, box);
        field->setObjectName(QLatin1String(name));
        field->setToolTip(tip);
        return field;
    };
    auto* in = new QHBoxLayout;
    listen_ =
        toggle(tr("Listen for OSC"), "live-listen",
               tr("Other programs strike by OSC messages over UDP: /strike, /strike_at, /settle, /intensity"), box);
    listenAt_ = address("live-listen-at", QStringLiteral("127.0.0.1:9000"),
                        tr("HOST:PORT. 127.0.0.1 is this machine alone; for any other you are asked first"));
    in->addWidget(listen_);
    in->addWidget(listenAt_, 1);
    column->addLayout(in);
    auto* out = new QHBoxLayout;
    send_ =
        toggle(tr("Send the pose"), "live-send", tr("Sends /pose with each picture's pose to another program"), box);
    sendTo_ = address("live-send-to", QStringLiteral("127.0.0.1:9001"), tr("HOST:PORT it is sent to"));
    out->addWidget(send_);
    out->addWidget(sendTo_, 1);
    column->addLayout(out);
    counts_ = dimLabel({}, box);
    counts_->setObjectName(QStringLiteral("live-counts"));
    counts_->setWordWrap(true);
    column->addWidget(counts_);
    connect(listen_, &QPushButton::clicked, this, &LiveWindow::switchListening);
    connect(send_, &QPushButton::clicked, this, &LiveWindow::switchSending);
    return box;
}

QWidget* LiveWindow::buildFalling()
{
    auto* box = new QWidget(this);
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(5);
    column->addWidget(partName(tr("Playing by itself"), box));
    auto* row = new QHBoxLayout;
    notes_ = smallButton(tr("Play MIDI notes"), QStringLiteral("live-midi"),
                         tr("Plays the notes of a Standard MIDI file on the pads, as a player would"), box);
    connect(notes_, &QPushButton::clicked, this, [this] {
        if (runner_->playingNotes())
            runner_->stopPlaying();
        else
            askMidi();
    });
    row->addWidget(notes_);
    fall_ = toggle(
        tr("Let bodies fall"), "live-fall",
        tr("The drop bench's sample, or the scene that was opened, falls, and each impact strikes the pad of its "
           "kind"),
        box);
    connect(fall_, &QPushButton::clicked, this, &LiveWindow::letFall);
    row->addWidget(fall_);
    auto* scene = smallButton(tr("Open scene"), QStringLiteral("live-scene"),
                              tr("Another scene of the drop bench falls from now on"), box);
    connect(scene, &QPushButton::clicked, this, &LiveWindow::askScene);
    row->addWidget(scene);
    row->addStretch(1);
    column->addLayout(row);
    falling_ = new DropView(box);
    falling_->setFixedHeight(180);
    falling_->hide();
    column->addWidget(falling_);
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
    fall_->setChecked(false);
    falling_->hide();
    QDialog::hideEvent(event);
}

void LiveWindow::keyPressEvent(QKeyEvent* event)
{
    if (event->modifiers().testFlag(Qt::ControlModifier)) {
        if (event->matches(QKeySequence::Undo))
            return session_.undo();
        if (event->matches(QKeySequence::Redo))
            return session_.redo();
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
        return runner_->strikePad(static_cast<std::size_t>(pad), half ? 0.5 : 1, LiveRunner::Clock::now());
    switch (event->key()) {
    case Qt::Key_X: runner_->settle(0); break;
    case Qt::Key_H: runner_->settle(easedFrames); break;
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
        text += QStringLiteral(": ") + toQString(fateName(outcome.fate));
    if (!outcome.why.empty())
        text += QStringLiteral(", ") + QString::fromStdString(outcome.why);
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
    latency_->setText(tr("%1   %2 a second, %3 lost")
                          .arg(latency)
                          .arg(std::lround(picture_->shownRate()))
                          .arg(picture_->framesLost()));
    if (runner_->listening()) {
        const OscCounts c = runner_->counts();
        counts_->setText(
            tr("Listening on port %1: %2 messages taken, %3 malformed, %4 unknown, %5 too long, %6 too many")
                .arg(runner_->listeningPort())
                .arg(c.taken)
                .arg(c.malformed)
                .arg(c.unknown)
                .arg(c.oversized)
                .arg(c.flooded));
    }
    if (fall_->isChecked() && runner_->dropSeconds() < 0) {
        fall_->setChecked(false);
        falling_->hide();
    }
}

void LiveWindow::refreshTop()
{
    const Project& project = session_.project();
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
    const Project& project = session_.project();
    const Board& board = runner_->board();
    std::vector<PadBoard::Face> faces;
    for (const Pad& pad : board.pads) {
        const Recipe* recipe = project.recipe(pad.recipes[runner_->state()]);
        if (recipe == nullptr)
            continue;
        const QString name = QString::fromStdString(recipe->name);
        QString about = tr("%1, %2 %").arg(kindTitle(pad.kind).toLower()).arg(std::lround(100 * pad.strength));
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
    const bool film = session_.length() > 0;
    allow(record_, film ? QString() : tr("Open a clip first: strikes are recorded into its film"));
    if (film)
        record_->setToolTip(tr("What is struck from now on becomes strikes on the Reel (R)"));
    record_->setChecked(runner_->recording());
    record_->setText(runner_->recording() ? tr("End recording") : tr("Record"));
    quantise_->setEnabled(project.beats.has_value());
    if (!project.beats)
        quantise_->setCurrentIndex(0);
    quantise_->setToolTip(project.beats
                              ? tr("What recorded strikes are put on")
                              : tr("Recorded strikes are on frames; set the film's tempo to put them on beats"));
    notes_->setText(runner_->playingNotes() && runner_->dropSeconds() < 0 ? tr("Stop the notes")
                                                                          : tr("Play MIDI notes"));
    listen_->setChecked(runner_->listening());
    listenAt_->setReadOnly(runner_->listening());
    if (!runner_->listening())
        counts_->setText(tr("Nothing is listened to."));
    send_->setChecked(runner_->sending());
    sendTo_->setReadOnly(runner_->sending());
}

void LiveWindow::askMidi()
{
    const QString path = dialogs_.openFile(this, tr("Play the notes of"), tr("Standard MIDI files (*.mid *.midi)"));
    if (path.isEmpty())
        return;
    const auto bytes = readFile(path.toStdString(), largestMidi, "a MIDI file");
    if (!bytes)
        return says_->setText(QString::fromStdString(sentence(bytes.error())));
    auto notes = notesFromMidi(bytes.value());
    if (!notes)
        return says_->setText(
            tr("%1, %2").arg(QFileInfo(path).fileName(), QString::fromStdString(sentence(notes.error()))));
    says_->setText(tr("%1 notes of %2").arg(notes->size()).arg(QFileInfo(path).fileName()));
    runner_->playNotes(std::move(notes).value());
}

void LiveWindow::askScene()
{
    const QString path = dialogs_.openFile(this, tr("Open a scene"), tr("Scenes (*.json)"));
    if (path.isEmpty())
        return;
    const auto text = readFile(path.toStdString(), largestScene, "a scene");
    if (!text)
        return says_->setText(QString::fromStdString(sentence(text.error())));
    auto scene = drop::sceneFromJson(text.value(), path.toStdString());
    if (!scene)
        return says_->setText(QString::fromStdString(sentence(scene.error())));
    scene_ = std::move(scene).value();
    says_->setText(tr("%1 falls from now on").arg(QFileInfo(path).fileName()));
}

void LiveWindow::letFall(bool on)
{
    falling_->setVisible(on);
    if (!on)
        return runner_->stopPlaying();
    constexpr double picturesPerSecond = 60;
    drop::Run run = drop::simulate(scene_, picturesPerSecond);
    runner_->playDrop(scene_, run);
    falling_->setRun(scene_, std::move(run));
}

std::optional<OscAddress> LiveWindow::confirmedAddress(const QLineEdit& field, const QString& question)
{
    const auto address = oscAddressFrom(field.text().trimmed().toStdString(), &field == listenAt_);
    if (!address) {
        says_->setText(tr("\"%1\" is no address: write HOST:PORT, such as 127.0.0.1:9000").arg(field.text()));
        return std::nullopt;
    }
    if (!onlyThisMachine(*address) && !dialogs_.confirm(this, question.arg(field.text()), tr("Go on")))
        return std::nullopt;
    return address;
}

void LiveWindow::switchListening(bool on)
{
    if (!on)
        return runner_->stopListening();
    const auto address =
        confirmedAddress(*listenAt_, tr("Other machines will be able to strike this bench through %1. Listen there?"));
    if (const QString wrong = address ? runner_->listen(*address) : QString(); !wrong.isEmpty())
        says_->setText(wrong);
    refresh();
}

void LiveWindow::switchSending(bool on)
{
    if (!on) {
        runner_->stopSending();
        return refresh();
    }
    const auto address = confirmedAddress(*sendTo_, tr("The pose will be sent to another machine, %1. Send it?"));
    if (const QString wrong = address ? runner_->sendPoses(*address) : QString(); !wrong.isEmpty())
        says_->setText(wrong);
    refresh();
}

} // namespace ember::app
