// SPDX-License-Identifier: GPL-3.0-or-later
#include "beat_bar.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "find_parts.h"
#include "flow_layout.h"
#include "style.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

/// The slowest and the fastest tempo between pins.
std::pair<double, double> tempoSpan(const BeatGrid& grid)
{
    std::pair<double, double> span{grid.bpm, grid.bpm};
    const auto take = [&span](double bpm) { span = {std::min(span.first, bpm), std::max(span.second, bpm)}; };
    take(grid.bpmAt(grid.firstBeat));
    for (const BeatPin& pin : grid.pins)
        take(grid.bpmAt(pin.seconds));
    return span;
}

} // namespace

BeatBar::BeatBar(Session& session, Finder& finder, QWidget* parent)
    : QWidget(parent), session_(session), finder_(finder),
      propose_(wordList({tr("every event"), tr("events on the beat"), tr("only strong ones"), tr("every beat"),
                         tr("every 2nd beat"), tr("bar starts")},
                        "find-propose", tr("What is proposed"), this)),
      bpm_(numberField(session, beatfield::bpm, "find-bpm", this)),
      half_(smallButton(tr("Half"), QStringLiteral("find-half"), tr("Half the tempo"), this)),
      twice_(smallButton(tr("Double"), QStringLiteral("find-double"), tr("Double the tempo"), this)),
      bar_(numberField(session, beatfield::barBeats, "find-bar", this)),
      barHere_(smallButton(tr("Bar here"), QStringLiteral("find-bar-here"), tr("A bar begins at the playhead"), this)),
      span_(smallLabel({}, this)),
      even_(smallButton(
          tr("Even"), QStringLiteral("find-even"),
          tr("One tempo for the whole film: the one at the playhead. Beats that were dragged are let go."), this))
{
    setObjectName(QStringLiteral("find-beats"));
    bpm_->setMinimumWidth(82); // "399.7 BPM"
    span_->setObjectName(QStringLiteral("find-tempo-span"));
    auto* row = new FlowLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->addWidget(propose_);
    row->addWidget(named(tr("Beat"), bpm_, this));
    row->addWidget(half_);
    row->addWidget(twice_);
    row->addWidget(named(tr("Bar"), bar_, this));
    row->addWidget(barHere_);
    row->addWidget(span_);
    row->addWidget(even_);
    connect(propose_, &QComboBox::activated, this, [this](int at) { finder_.setProposed(static_cast<Propose>(at)); });
    connect(bpm_, &ValueField::wished, this,
            [this](double value, quint64 gesture) { change([value](BeatGrid& b) { b.bpm = value; }, gesture); });
    connect(bar_, &ValueField::wished, this, [this](double value, quint64 gesture) {
        change(
            [value](BeatGrid& b) {
                b.barBeats = static_cast<int>(value);
                b.barStart %= b.barBeats;
            },
            gesture);
    });
    connect(half_, &QPushButton::clicked, this, [this] { change([](BeatGrid& b) { b = b.halved(); }, 0); });
    connect(twice_, &QPushButton::clicked, this, [this] { change([](BeatGrid& b) { b = b.finer(2); }, 0); });
    connect(barHere_, &QPushButton::clicked, this, &BeatBar::barHere);
    connect(even_, &QPushButton::clicked, this, [this] {
        const double here = session_.document.project().rate.seconds(static_cast<double>(session_.playhead.frame()));
        change([here](BeatGrid& b) { b = b.steady(here); }, 0);
    });
    connect(&finder_, &Finder::changed, this, &BeatBar::refresh);
    connect(&session_.document, &OpenDocument::changed, this, &BeatBar::refresh);
    connect(&session_.playhead, &Playhead::moved, this, [this] {
        if (const auto grid = finder_.grid(); grid && !grid->pins.empty())
            refresh();
    });
    refresh();
}

void BeatBar::refresh()
{
    const auto grid = finder_.grid();
    const bool changing = grid && !grid->pins.empty();
    const double here = session_.document.project().rate.seconds(static_cast<double>(session_.playhead.frame()));
    const QString none = grid ? QString() : tr("No beat was heard; type its tempo");
    propose_->setCurrentIndex(static_cast<int>(finder_.proposed()));
    bpm_->setValue(grid ? grid->bpmAt(here) : beatfield::bpm.fallback);
    bpm_->setMixed(!grid);
    bpm_->setBarred(changing ? tr("The tempo changes: drag beats on the Reel, or press Even first") : QString());
    bar_->setValue(grid ? grid->barBeats : beatfield::barBeats.fallback);
    bar_->setBarred(none);
    allow(half_, none);
    allow(twice_, none);
    if (changing) {
        const auto [slowest, fastest] = tempoSpan(*grid);
        span_->setText(tr("%1 to %2 BPM").arg(slowest, 0, 'f', 0).arg(fastest, 0, 'f', 0));
    }
    span_->setVisible(changing);
    even_->setVisible(changing);
}

void BeatBar::change(const std::function<void(BeatGrid&)>& how, quint64 gesture)
{
    BeatGrid beats = finder_.grid().value_or(BeatGrid());
    how(beats);
    beats.bpm = clampTo(beatfield::bpm, beats.bpm);
    if (badPin(beats)) {
        emit session_.messages.told(tr("That would leave 20 to 400 beats a minute"));
        return;
    }
    const double here = session_.document.project().rate.seconds(static_cast<double>(session_.playhead.frame()));
    const QString result = beats.pins.empty() ? tr("Beat of %1 BPM").arg(beats.bpm, 0, 'f', 2)
                                              : tr("Beat of %1 BPM at the playhead").arg(beats.bpmAt(here), 0, 'f', 2);
    session_.document.edit(
        [&](Project project) {
            project.beats = beats;
            return project;
        },
        result, gesture);
}

void BeatBar::barHere()
{
    const double here = session_.document.project().rate.seconds(static_cast<double>(session_.playhead.frame()));
    change(
        [here](BeatGrid& b) {
            if (b.pins.empty()) {
                b.firstBeat = here;
                b.barStart = 0;
            } else { // the beats are right: only which of them begins a bar is not
                const auto beat = static_cast<int>(b.nearest(here) % b.barBeats);
                b.barStart = (beat + b.barBeats) % b.barBeats;
            }
        },
        0);
}

} // namespace ember::app
