// SPDX-License-Identifier: GPL-3.0-or-later
#include "find_panel.h"

#include <algorithm>
#include <cmath>

#include <QCheckBox>
#include <QComboBox>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "beat_bar.h"
#include "ember/project/timing_edits.h"
#include "find_parts.h"
#include "flow_layout.h"
#include "form.h"
#include "frame_strip.h"
#include "style.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec sensitivityField{
    "sensitivity", "Sensitivity", "%", 0, 1, 0.5, 0.05, "0 finds only what stands out most, 100 everything"};
const FieldSpec apartField{"apart", "Apart", "frames", 1, 96, 1, 1, "Fewest frames between two proposals", {}, true};
const FieldSpec withinField{"within", "Within", "frames", 1, 48, 4, 1, "How far a strike may be pulled", {}, true};

FlowLayout* rowOf(QVBoxLayout* column)
{
    auto* row = new FlowLayout;
    column->addLayout(row);
    return row;
}

} // namespace

FindPanel::FindPanel(Session& session, Finder& finder, const Dialogs& dialogs, QWidget* parent)
    : QWidget(parent), session_(session), finder_(finder), dialogs_(dialogs)
{
    setObjectName(QStringLiteral("find"));
    newColumn(this, 10, {14, 10, 14, 10});
    buildAsking();
    layout()->addWidget(new BeatBar(session_, finder_, this));
    buildDeciding();
    connect(&finder_, &Finder::changed, this, &FindPanel::refresh);
    connect(&finder_, &Finder::progressed, this, &FindPanel::refreshWork);
    connect(&session_.document, &OpenDocument::changed, this, &FindPanel::refresh);
    connect(&session_.selection, &Selection::changed, this, &FindPanel::refresh);
    refresh();
    refreshWork();
}

void FindPanel::buildAsking()
{
    auto* column = static_cast<QVBoxLayout*>(layout());
    auto* head = newRow(6);
    column->addLayout(head);
    auto* title = new QLabel(tr("Find strikes"), this);
    title->setFont(theme::words(16, true));
    head->addWidget(title, 1);
    auto* close = smallButton(tr("Close"), QStringLiteral("find-close"), tr("Closes finding (Ctrl+F)"), this);
    head->addWidget(close);
    auto* row = rowOf(column);
    from_ = wordList({tr("sound and picture"), tr("sound"), tr("picture")}, "find-from",
                     tr("The evidence: sound, picture or both"), this);
    row->addWidget(from_);
    band_ = wordList({tr("all pitches"), tr("low"), tr("middle"), tr("high")}, "find-band",
                     tr("Which part of the sound is listened to: low is below 240 Hz, high above 2.4 kHz"), this);
    row->addWidget(band_);
    sensitivity_ = numberField(session_, sensitivityField, "find-sensitivity", this);
    row->addWidget(named(tr("Sensitivity"), sensitivity_, this));
    apart_ = numberField(session_, apartField, "find-apart", this);
    row->addWidget(named(tr("Apart"), apart_, this));
    tails_ = new QCheckBox(tr("Tails"), this);
    tails_->setObjectName(QStringLiteral("find-tails"));
    tails_->setFont(theme::words(11));
    tails_->setToolTip(tr("Proposes what events leave behind, too: debris and echoes"));
    row->addWidget(tails_);
    const auto ask = [this](auto&& change) {
        FindOptions options = finder_.options();
        change(options);
        finder_.setOptions(options);
    };
    connect(from_, &QComboBox::activated, this,
            [ask](int at) { ask([at](FindOptions& o) { o.from = static_cast<FindFrom>(at); }); });
    connect(band_, &QComboBox::activated, this,
            [ask](int at) { ask([at](FindOptions& o) { o.band = static_cast<Band>(at); }); });
    connect(sensitivity_, &ValueField::wished, this,
            [ask](double value) { ask([value](FindOptions& o) { o.sensitivity = value; }); });
    connect(apart_, &ValueField::wished, this, [this, ask](double value) {
        ask([&](FindOptions& o) { o.spacing = session_.document.project().rate.seconds(value); });
    });
    connect(tails_, &QCheckBox::toggled, this, [ask](bool on) { ask([on](FindOptions& o) { o.tails = on; }); });
    connect(close, &QPushButton::clicked, this, &FindPanel::closed);
}

void FindPanel::buildDeciding()
{
    auto* column = static_cast<QVBoxLayout*>(layout());
    column->addWidget(rule(this));
    strip_ = new FrameStrip(session_.document, session_.film, session_.playhead, this);
    column->addWidget(strip_);
    auto* row = newRow(6);
    column->addLayout(row);
    count_ = new QLabel(this);
    count_->setObjectName(QStringLiteral("find-count"));
    count_->setFont(theme::words(13, true));
    row->addWidget(count_);
    working_ = smallLabel(tr("Analysing sound and picture"), this);
    row->addWidget(working_);
    progress_ = new QProgressBar(this);
    progress_->setObjectName(QStringLiteral("find-progress"));
    progress_->setTextVisible(false);
    row->addWidget(progress_, 1);
    cancel_ = smallButton(tr("Cancel"), QStringLiteral("find-cancel"), tr("Stops finding"), this);
    row->addWidget(cancel_);
    row->addStretch(1);
    what_ = smallLabel({}, this);
    what_->setObjectName(QStringLiteral("find-what"));
    what_->setWordWrap(true);
    column->addWidget(what_);
    why_ = smallLabel({}, this);
    why_->setObjectName(QStringLiteral("find-why"));
    why_->setWordWrap(true);
    column->addWidget(why_);
    auto* decisions = rowOf(column);
    acceptAll_ = smallButton(tr("Accept all"), QStringLiteral("find-accept-all"),
                             tr("Every proposal becomes a strike with its kind's recipe (Shift+A)"), this);
    accept_ = smallButton(tr("Accept"), QStringLiteral("find-accept"),
                          tr("Makes strikes of the current proposal, or of those picked on the Reel (A)"), this);
    reject_ = smallButton(tr("Reject"), QStringLiteral("find-reject"),
                          tr("Discards the current proposal, or those picked on the Reel (R)"), this);
    bringBack_ = smallButton(tr("Bring back"), QStringLiteral("find-bring-back"),
                             tr("Proposes again what was rejected last; once more: what was before"), this);
    moreLike_ =
        smallButton(tr("More like this"), QStringLiteral("find-more-like"),
                    tr("Picks all that sound or look like it, faint ones too; A then accepts them (Shift+E)"), this);
    noneLike_ = smallButton(tr("None like this"), QStringLiteral("find-none-like"),
                            tr("Rejects it and all proposals that sound or look like it (Shift+R)"), this);
    for (auto* button : {acceptAll_, accept_, reject_, bringBack_})
        decisions->addWidget(button);
    auto* alike = rowOf(column);
    alike->addWidget(moreLike_);
    alike->addWidget(noneLike_);
    column->addWidget(rule(this));
    buildPulling(*column);
    buildSound(*column);
    column->addStretch(1);
    connect(acceptAll_, &QPushButton::clicked, &finder_, &Finder::acceptAll);
    connect(accept_, &QPushButton::clicked, &finder_, &Finder::acceptCurrent);
    connect(reject_, &QPushButton::clicked, &finder_, &Finder::rejectCurrent);
    connect(bringBack_, &QPushButton::clicked, &finder_, &Finder::bringBack);
    connect(moreLike_, &QPushButton::clicked, &finder_, &Finder::pickAlike);
    connect(noneLike_, &QPushButton::clicked, &finder_, &Finder::rejectAlike);
    connect(cancel_, &QPushButton::clicked, &finder_, &Finder::cancel);
}

void FindPanel::buildPulling(QVBoxLayout& column)
{
    auto* row = rowOf(&column);
    row->addWidget(smallLabel(tr("Pull selected strikes"), this));
    toOnset_ = smallButton(tr("to event"), QStringLiteral("find-pull-onset"),
                           tr("Pulls the selected strikes to the nearest event that was found"), this);
    toBeat_ = smallButton(tr("to beat"), QStringLiteral("find-pull-beat"),
                          tr("Pulls the selected strikes to the nearest beat"), this);
    within_ = numberField(session_, withinField, "find-within", this);
    within_->setValue(withinField.fallback);
    row->addWidget(toOnset_);
    row->addWidget(toBeat_);
    row->addWidget(named(tr("within"), within_, this));
    connect(within_, &ValueField::wished, within_, [this](double value) { within_->setValue(value); });
    connect(toOnset_, &QPushButton::clicked, this, [this] { pull(false); });
    connect(toBeat_, &QPushButton::clicked, this, [this] { pull(true); });
}

void FindPanel::buildSound(QVBoxLayout& column)
{
    auto* row = rowOf(&column);
    shapes_ = new QCheckBox(tr("Shape from sound"), this);
    shapes_->setObjectName(QStringLiteral("find-shapes"));
    shapes_->setFont(theme::words(11));
    shapes_->setToolTip(tr("What is accepted is felt as it sounds: its own attack, decay and rumble"));
    row->addWidget(shapes_);
    auto* file = smallButton(tr("Other sound"), QStringLiteral("find-sound"),
                             tr("Takes the film's sound from another file: its music or its effects"), this);
    row->addWidget(file);
    offset_ = numberField(session_, soundfield::offset, "find-offset", this);
    row->addWidget(named(tr("Sound offset"), offset_, this));
    late_ = smallLabel({}, this);
    late_->setObjectName(QStringLiteral("find-late"));
    row->addWidget(late_);
    layRight_ = smallButton(tr("Align"), QStringLiteral("find-lay"),
                            tr("Lays the sound so that it comes with the picture, for the whole film"), this);
    row->addWidget(layRight_);
    connect(shapes_, &QCheckBox::toggled, &finder_, &Finder::setShapesFromSound);
    connect(file, &QPushButton::clicked, this, &FindPanel::chooseSound);
    connect(offset_, &ValueField::wished, this, [this](double value, quint64 gesture) {
        Project next = session_.document.project();
        next.sound.offset = value;
        session_.document.edit(std::move(next), tr("Sound laid %1 s later").arg(value), gesture);
    });
    connect(layRight_, &QPushButton::clicked, this, [this] {
        Project next = session_.document.project();
        next.sound.offset =
            clampTo(soundfield::offset, next.sound.offset - next.rate.seconds(finder_.found().soundLate.value_or(0)));
        session_.document.edit(std::move(next), tr("Sound laid with the picture"));
    });
}

// --- showing ---

void FindPanel::refresh()
{
    const FindOptions& options = finder_.options();
    from_->setCurrentIndex(static_cast<int>(options.from));
    band_->setCurrentIndex(static_cast<int>(options.band));
    sensitivity_->setValue(options.sensitivity);
    tails_->setChecked(options.tails);
    apart_->setValue(std::max(1.0, std::round(session_.document.project().rate.frames(options.spacing))));
    offset_->setValue(session_.document.project().sound.offset);
    refreshProposal();
}

void FindPanel::refreshProposal()
{
    const auto& proposals = finder_.proposals();
    const Candidate* in = finder_.currentProposal();
    strip_->setFrame(in != nullptr ? in->frame.index : -1);
    const auto total = proposals.size();
    const bool decided =
        finder_.ready() && total == 0 && !finder_.found().candidates.empty() && finder_.proposed() == Propose::all;
    strip_->setHint(total > 0 ? tr("Step to a proposal with the full stop and comma keys") : QString());
    count_->setText(!finder_.picked().empty() ? tr("%1 picked").arg(finder_.picked().size())
                    : decided                 ? tr("All decided")
                    : !finder_.ready()        ? QString()
                    : in != nullptr           ? tr("%1 of %2").arg(*finder_.current() + 1).arg(total)
                    : total == 0              ? tr("Nothing to propose")
                                              : tr("%1 proposed").arg(total));
    QString what;
    if (in != nullptr) {
        constexpr long surest = 99; // nothing found is certain
        what = candidateSentence(*in) + tr(", sure to %1 %").arg(std::min(surest, std::lround(100 * in->confidence)));
        if (in->heard && in->seen && std::abs(in->late) >= 0.5)
            what += in->late > 0 ? tr(", sound %1 f late").arg(in->late, 0, 'f', 1)
                                 : tr(", sound %1 f early").arg(-in->late, 0, 'f', 1);
    } else if (total == 0 && finder_.ready() && !decided) {
        what = tr("a higher sensitivity may find more");
    }
    what_->setText(what);
    const QString why = in != nullptr ? evidenceSentence(*in) : QString();
    why_->setText(why.isEmpty() ? QString() : tr("Why: %1").arg(why));
    why_->setVisible(!why.isEmpty() && !finder_.running());
    const auto late = finder_.found().soundLate;
    const bool off = late && std::abs(*late) >= 0.5;
    late_->setText(!off        ? QString()
                   : *late > 0 ? tr("sound %1 f late").arg(*late, 0, 'f', 1)
                               : tr("sound %1 f early").arg(-*late, 0, 'f', 1));
    late_->setVisible(off && in == nullptr);
    layRight_->setVisible(off);

    const QString empty = finder_.ready() ? tr("Nothing is proposed") : tr("Nothing was found yet");
    const QString step = total > 0 ? tr("Step to a proposal first, with the full stop key") : empty;
    const QString pick = session_.selection.ids().empty() ? tr("Select strikes first") : QString();
    allow(acceptAll_, total > 0 ? QString() : empty);
    const bool any = in != nullptr || !finder_.picked().empty();
    allow(accept_, any ? QString() : step);
    allow(reject_, any ? QString() : step);
    const QString like = finder_.example() != nullptr ? QString() : step;
    allow(moreLike_, finder_.ready() ? like : empty);
    allow(noneLike_, finder_.ready() ? like : empty);
    allow(bringBack_, finder_.rejected() > 0 ? QString() : tr("Nothing was rejected"));
    allow(tails_, finder_.heard() || !finder_.ready() ? QString() : tr("The film has no sound"));
    allow(shapes_, finder_.heard() ? QString() : tr("The film has no sound to take shapes from"));
    allow(toOnset_, !pick.isEmpty() || finder_.ready() ? pick : empty);
    allow(toBeat_, !pick.isEmpty() || finder_.grid() ? pick : tr("No beat is known"));
}

void FindPanel::refreshWork()
{
    progress_->setVisible(finder_.running());
    cancel_->setVisible(finder_.running());
    progress_->setValue(static_cast<int>(100 * finder_.progress()));
    working_->setVisible(finder_.running());
    count_->setVisible(!finder_.running());
    what_->setVisible(!finder_.running());
    why_->setVisible(!finder_.running() && !why_->text().isEmpty());
}

// --- doing ---

void FindPanel::pull(bool toBeat)
{
    std::vector<double> moments;
    if (!toBeat) {
        moments = finder_.moments();
    } else if (const auto grid = finder_.grid()) {
        const double end = session_.document.project().rate.seconds(static_cast<double>(session_.document.length()));
        for (auto beat = grid->from(0); grid->at(beat) < end; ++beat)
            moments.push_back(grid->at(beat));
    }
    auto pulled = withStrikesPulled(session_.document.project(), session_.selection.ids(), moments, within_->value());
    QString told = pulled.moved == 1 ? tr("1 strike pulled") : tr("%1 strikes pulled").arg(pulled.moved);
    if (pulled.far > 0)
        told += tr(", %1 with nothing near").arg(pulled.far);
    if (pulled.moved > 0)
        session_.document.edit(std::move(pulled.project), told);
    else
        emit session_.messages.told(told);
}

void FindPanel::chooseSound()
{
    const QString path = dialogs_.openFile(this, tr("Film sound"),
                                           tr("Sounds (*.wav *.flac *.mp3 *.ogg *.opus *.m4a *.aac *.aif *.aiff *.mp4 "
                                              "*.mov *.mkv);;All files (*)"));
    if (path.isEmpty())
        return;
    Project next = session_.document.project();
    next.sound.file = QFileInfo(path).absoluteFilePath().toStdString();
    session_.document.edit(std::move(next), tr("Sound from %1").arg(QFileInfo(path).fileName()));
    finder_.start();
}

} // namespace ember::app
