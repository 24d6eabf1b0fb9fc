// SPDX-License-Identifier: GPL-3.0-or-later
#include "live_autoplay.h"

#include <QFileInfo>
#include <QLabel>
#include <QPushButton>

#include "drop_bench.h"
#include "ember/project/file.h"
#include "form.h"
#include "text.h"
#include "value_control.h"

namespace ember::app {

namespace {

constexpr std::uintmax_t largestMidi = 16 << 20;

} // namespace

LiveAutoplay::LiveAutoplay(LiveRunner& runner, const Dialogs& dialogs, QWidget* parent)
    : QWidget(parent), runner_(&runner), dialogs_(dialogs)
{
    auto* column = newColumn(this, 5, {0, 0, 0, 0});
    column->addWidget(partName(tr("Playing by itself"), this));
    auto* row = new QHBoxLayout;
    notes_ = smallButton(tr("Play MIDI notes"), QStringLiteral("live-midi"),
                         tr("Plays the notes of a Standard MIDI file on the pads, as a player would"), this);
    connect(notes_, &QPushButton::clicked, this, [this] {
        if (runner_->playingNotes())
            runner_->stopPlaying();
        else
            askMidi();
    });
    row->addWidget(notes_);
    fall_ = smallToggle(
        tr("Let bodies fall"), QStringLiteral("live-fall"),
        tr("The drop bench's sample, or the scene that was opened, falls, and each impact strikes the pad of its "
           "kind"),
        this);
    connect(fall_, &QPushButton::clicked, this, &LiveAutoplay::letFall);
    row->addWidget(fall_);
    auto* scene = smallButton(tr("Open scene"), QStringLiteral("live-scene"),
                              tr("Another scene of the drop bench falls from now on"), this);
    connect(scene, &QPushButton::clicked, this, &LiveAutoplay::askScene);
    row->addWidget(scene);
    row->addStretch(1);
    column->addLayout(row);
    falling_ = new DropView(this);
    falling_->setFixedHeight(180);
    falling_->hide();
    column->addWidget(falling_);
    connect(runner_, &LiveRunner::stateChanged, this, &LiveAutoplay::refresh);
}

void LiveAutoplay::refresh()
{
    notes_->setText(runner_->playingNotes() && runner_->dropSeconds() < 0 ? tr("Stop the notes")
                                                                          : tr("Play MIDI notes"));
}

void LiveAutoplay::endWhenDone()
{
    if (fall_->isChecked() && (runner_->dropSeconds() < 0 || !runner_->running())) {
        fall_->setChecked(false);
        falling_->hide();
    }
}

void LiveAutoplay::askMidi()
{
    const QString path = dialogs_.openFile(this, tr("Play the notes of"), tr("Standard MIDI files (*.mid *.midi)"));
    if (path.isEmpty())
        return;
    const auto bytes = readFile(path.toStdString(), largestMidi, "a MIDI file");
    if (!bytes)
        return emit said(app::said(bytes.error()));
    auto notes = notesFromMidi(bytes.value());
    if (!notes)
        return emit said(tr("%1, %2").arg(QFileInfo(path).fileName(), app::said(notes.error())));
    emit said(tr("%1 notes of %2").arg(notes->size()).arg(QFileInfo(path).fileName()));
    runner_->playNotes(notes.value());
}

void LiveAutoplay::askScene()
{
    const QString path = dialogs_.openFile(this, tr("Open a scene"), tr("Scenes (*.json)"));
    if (path.isEmpty())
        return;
    const auto text = readFile(path.toStdString(), drop::largestScene, "a scene");
    if (!text)
        return emit said(app::said(text.error()));
    auto scene = drop::sceneFromJson(text.value(), path.toStdString());
    if (!scene)
        return emit said(app::said(scene.error()));
    scene_ = std::move(scene).value();
    emit said(tr("%1 falls from now on").arg(QFileInfo(path).fileName()));
}

void LiveAutoplay::letFall(bool on)
{
    falling_->setVisible(on);
    if (!on)
        return runner_->stopPlaying();
    constexpr double picturesPerSecond = 60;
    drop::Run run = drop::simulate(scene_, picturesPerSecond);
    runner_->playDrop(scene_, run);
    falling_->setRun(scene_, std::move(run));
}

} // namespace ember::app
