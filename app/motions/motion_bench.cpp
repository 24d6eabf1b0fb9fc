// SPDX-License-Identifier: GPL-3.0-or-later
#include "motion_bench.h"

#include <algorithm>
#include <cmath>

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QProgressBar>
#include <QPushButton>

#include "form.h"
#include "motion_view.h"
#include "recipe_list.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec firstSpec{"first", "From", "", 0, 100'000, 0, 1, "The first frame that is kept", {}, true};
const FieldSpec lastSpec{"last", "to", "", 0, 100'000, 0, 1, "The last frame that is kept", {}, true};
const FieldSpec secondsSpec{"seconds", "Seconds", "s",  0.05,
                            60,        0.5,       0.05, "Motion slower than this is left out: intended pans"};

/// Its first four seconds, for the list.
RecipeTrace traceOf(const CapturedMotion& motion)
{
    RecipeTrace trace;
    const double frames =
        std::min(motion.rate.frames(4), static_cast<double>(std::max<std::size_t>(motion.frames.size(), 1)) - 1);
    float largest = 1e-6F;
    for (int i = 0; i < recipeTraceWidth; ++i) {
        const Similarity moved = momentOf(motion, frames * i / (recipeTraceWidth - 1));
        trace.way.push_back({static_cast<float>(moved.x), static_cast<float>(moved.y)});
        trace.heat.push_back(0);
        largest = std::max({largest, std::abs(trace.way.back().x), std::abs(trace.way.back().y)});
    }
    for (Way& way : trace.way)
        way = {way.x / largest, way.y / largest};
    return trace;
}

} // namespace

MotionBench::MotionBench(OpenDocument& document, Selection& selection, MotionStore& motions, ProjectFile& file,
                         const Dialogs& dialogs, QWidget* parent)
    : QDialog(parent), document_(document), selection_(selection), motions_(motions), file_(file), dialogs_(dialogs)
{
    setObjectName(QStringLiteral("motion-bench"));
    setWindowTitle(tr("Camera motions"));
    resize(1000, 600);
    auto* row = newRow(this, 16, {16, 12, 16, 12});
    row->addWidget(buildList());
    auto* right = newColumn(8);
    auto* head = new QHBoxLayout;
    name_ = new QLineEdit(this);
    name_->setObjectName(QStringLiteral("motion-name"));
    name_->setAccessibleName(tr("Name"));
    name_->setFont(theme::words(16, true));
    name_->setMaximumWidth(320);
    head->addWidget(name_);
    facts_ = dimLabel({}, this);
    facts_->setObjectName(QStringLiteral("motion-facts"));
    head->addWidget(facts_, 1);
    right->addLayout(head);
    view_ = new MotionView(this);
    right->addWidget(view_, 1);
    right->addWidget(buildShaping());
    right->addWidget(rule(this));
    right->addWidget(buildUses());
    says_ = new QLabel(this);
    says_->setObjectName(QStringLiteral("motion-says"));
    says_->setWordWrap(true);
    right->addWidget(says_);
    row->addLayout(right, 1);
    connect(view_, &MotionView::stretchWished, this, [this](qulonglong first, qulonglong last) {
        first_ = first;
        last_ = last;
        refresh();
    });
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const KeptMotion* kept = shown();
        if (kept == nullptr || name_->text().trimmed().toStdString() == kept->name)
            return;
        const std::string name = name_->text().trimmed().toStdString();
        const QString wrong = motions_.rename(place_, name);
        say(wrong);
        fill(wrong.isEmpty() && !name.empty() ? name : kept->name);
    });
    connect(&selection_, &Selection::changed, this, &MotionBench::refreshUses);
    connect(&document_, &OpenDocument::changed, this, &MotionBench::refreshUses);
    fill({});
    if (!motions_.trouble().isEmpty())
        say(motions_.trouble());
}

MotionBench::~MotionBench() = default;

QWidget* MotionBench::buildList()
{
    auto* box = new QWidget(this);
    box->setFixedWidth(270);
    auto* column = newColumn(box, 6, {0, 0, 0, 0});
    list_ = new QListWidget(box);
    list_->setObjectName(QStringLiteral("motion-list"));
    list_->setAccessibleName(tr("Camera motions"));
    list_->setItemDelegate(new RecipeDelegate(list_));
    list_->setMouseTracking(true);
    list_->setToolTip(tr("Motions that come with the program, and your own"));
    connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row >= 0)
            showMotion(list_->item(row)->data(whichRole).toInt());
    });
    column->addWidget(list_, 1);
    const auto button = [&](const QString& text, const char* name, const QString& tip, auto act) {
        auto* made = new QPushButton(text, box);
        made->setObjectName(QLatin1String(name));
        made->setToolTip(tip);
        made->setAutoDefault(false);
        connect(made, &QPushButton::clicked, this, act);
        return made;
    };
    read_ = button(tr("Track a clip"), "motion-read", tr("Measures how the camera of any clip moved and keeps it here"),
                   [this] { readFromClip(); });
    column->addWidget(read_);
    auto* running = new QHBoxLayout;
    bar_ = new QProgressBar(box);
    bar_->setObjectName(QStringLiteral("motion-bar"));
    bar_->setRange(0, 1000);
    bar_->setTextVisible(false);
    running->addWidget(bar_, 1);
    cancel_ = button(tr("Stop"), "motion-cancel", tr("Stops reading; nothing is kept"), [this] { reading_.stop(); });
    running->addWidget(cancel_);
    bar_->hide();
    cancel_->hide();
    column->addLayout(running);
    column->addWidget(button(tr("Import a motion"), "motion-import",
                             tr("A motion of ours (.json), or any table (.csv) by naming its columns and units"),
                             [this] { importFile(); }));
    auto* row = new QHBoxLayout;
    export_ =
        button(tr("Export"), "motion-export", tr("Writes it as it is shown: .json or .csv"), [this] { exportShown(); });
    remove_ = button(tr("Delete"), "motion-delete", {}, [this] {
        const QString wrong = motions_.remove(place_);
        say(wrong.isEmpty() ? tr("Deleted; films that use it keep it") : wrong);
        fill({});
    });
    back_ = button(tr("Bring back"), "motion-back", tr("The motion deleted last is put back"), [this] {
        say(motions_.bringBack());
        fill({});
    });
    row->addWidget(export_);
    row->addWidget(remove_);
    row->addWidget(back_);
    column->addLayout(row);
    return box;
}

QWidget* MotionBench::buildShaping()
{
    auto* box = new QWidget(this);
    auto* row = newRow(box, 6, {0, 0, 0, 0});
    row->addWidget(dimLabel(tr("Frames"), box));
    const auto field = [&](const FieldSpec& spec, const char* name) {
        auto* made = new ValueField(spec, box);
        made->setWhole(spec.whole);
        made->setObjectName(QLatin1String(name));
        row->addWidget(made);
        return made;
    };
    firstField_ = field(firstSpec, "motion-first");
    row->addWidget(dimLabel(tr("to"), box));
    lastField_ = field(lastSpec, "motion-last");
    connect(firstField_, &ValueField::wished, this, [this](double value) {
        first_ = std::min(static_cast<std::size_t>(value), last_ - 1);
        refresh();
    });
    connect(lastField_, &ValueField::wished, this, [this](double value) {
        const std::size_t end = shown() != nullptr ? shown()->motion.frames.size() - 1 : 0;
        last_ = std::clamp(static_cast<std::size_t>(value), first_ + 1, std::max(first_ + 1, end));
        refresh();
    });
    row->addSpacing(10);
    sift_ = new QComboBox(box);
    sift_->setObjectName(QStringLiteral("motion-sift"));
    sift_->addItems({tr("all of it"), tr("only what is faster than")});
    sift_->setToolTip(tr("Which part of the motion is kept: intended pans can be left out"));
    row->addWidget(sift_);
    seconds_ = field(secondsSpec, "motion-seconds");
    seconds_->setValue(secondsSpec.fallback);
    connect(sift_, &QComboBox::currentIndexChanged, this, &MotionBench::refresh);
    connect(seconds_, &ValueField::wished, this, [this](double value) {
        seconds_->setValue(value);
        sift_->setCurrentIndex(1);
        refresh();
    });
    row->addSpacing(10);
    const auto check = [&](const QString& text, const char* name, const QString& tip) {
        auto* made = new QCheckBox(text, box);
        made->setObjectName(QLatin1String(name));
        made->setToolTip(tip);
        connect(made, &QCheckBox::toggled, this, &MotionBench::refresh);
        row->addWidget(made);
        return made;
    };
    mean_ = check(tr("Centred"), "motion-mean", tr("Its mean is at rest, so that it leaves the picture in its place"));
    mirror_ = check(tr("Mirrored"), "motion-mirror", tr("Left is right"));
    row->addStretch(1);
    keep_ = new QPushButton(tr("Keep as new"), box);
    keep_->setObjectName(QStringLiteral("motion-keep"));
    keep_->setAutoDefault(false);
    connect(keep_, &QPushButton::clicked, this, &MotionBench::keepShaped);
    row->addWidget(keep_);
    return box;
}

QWidget* MotionBench::buildUses()
{
    auto* box = new QWidget(this);
    auto* row = newRow(box, usualSpacing, {0, 0, 0, 0});
    row->addWidget(dimLabel(tr("In this film:"), box));
    const auto button = [&](const QString& text, const char* name, auto act) {
        auto* made = new QPushButton(text, box);
        made->setObjectName(QLatin1String(name));
        made->setAutoDefault(false);
        connect(made, &QPushButton::clicked, this, act);
        row->addWidget(made);
        return made;
    };
    drift_ = button(tr("Drift under the shot"), "motion-drift", [this] { useAsDrift(); });
    strand_ = button(tr("Strand of the recipe"), "motion-strand", [this] { useAsStrand(); });
    cut_ = button(tr("Cut out for this strike"), "motion-cut", [this] { cutOut(); });
    row->addStretch(1);
    auto* close = new QPushButton(tr("Close"), box);
    close->setAutoDefault(false);
    connect(close, &QPushButton::clicked, this, &QDialog::close);
    row->addWidget(close);
    return box;
}

void MotionBench::say(const QString& text)
{
    says_->setText(text);
}

const KeptMotion* MotionBench::shown() const
{
    const auto& items = motions_.items();
    return place_ >= 0 && place_ < static_cast<int>(items.size()) ? &items[static_cast<std::size_t>(place_)].kept()
                                                                  : nullptr;
}

void MotionBench::fill(const std::string& select)
{
    const QSignalBlocker quiet(list_);
    list_->clear();
    const auto& items = motions_.items();
    int chosen = 0;
    for (std::size_t i = 0; i < items.size(); ++i) {
        const CapturedMotion& motion = items[i].kept().motion;
        auto* item = new QListWidgetItem(QString::fromStdString(items[i].kept().name), list_);
        item->setData(sourceRole, 1);
        item->setData(aboutRole, tr("%1 s, %2")
                                     .arg(motion.rate.seconds(static_cast<double>(motion.frames.size())), 0, 'f', 1)
                                     .arg(items[i].own() ? tr("your own") : tr("shipped")));
        item->setData(traceRole, QVariant::fromValue(traceOf(motion)));
        item->setData(whichRole, static_cast<int>(i));
        item->setToolTip(QString::fromStdString(items[i].kept().about));
        if (items[i].kept().name == select)
            chosen = static_cast<int>(i);
    }
    list_->setCurrentRow(chosen);
    showMotion(chosen);
}

void MotionBench::showMotion(int place)
{
    place_ = place;
    const KeptMotion* kept = shown();
    first_ = 0;
    last_ = kept != nullptr ? kept->motion.frames.size() - 1 : 0;
    const QSignalBlocker quietSift(sift_);
    const QSignalBlocker quietMean(mean_);
    const QSignalBlocker quietMirror(mirror_);
    sift_->setCurrentIndex(0);
    mean_->setChecked(false);
    mirror_->setChecked(false);
    refresh();
}

bool MotionBench::changed() const
{
    const KeptMotion* kept = shown();
    return kept != nullptr && (first_ > 0 || last_ + 1 < kept->motion.frames.size() || sift_->currentIndex() == 1 ||
                               mean_->isChecked() || mirror_->isChecked());
}

CapturedMotion MotionBench::shaped() const
{
    const KeptMotion* kept = shown();
    if (kept == nullptr)
        return {};
    CapturedMotion motion = kept->motion;
    if (sift_->currentIndex() == 1) // before trimming: what lies beyond the ends tells what is slow
        motion = fasterThan(motion, seconds_->value());
    if (first_ > 0 || last_ + 1 < motion.frames.size())
        motion = trimmed(motion, first_, last_);
    if (mean_->isChecked())
        motion = withoutMean(motion);
    return mirror_->isChecked() ? mirrored(motion) : motion;
}

MotionLoop MotionBench::shapedLoop() const
{
    const auto& item = motions_.items()[static_cast<std::size_t>(place_)];
    if (!changed())
        return item.loop;
    return MotionLoop({item.kept().name + ", shaped", item.kept().about, rounded(shaped())});
}

void MotionBench::refresh()
{
    const KeptMotion* kept = shown();
    if (kept == nullptr)
        return;
    const CapturedMotion& motion = kept->motion;
    CapturedMotion seen = motion; // all of it, sifted, so that the ends can be seen and moved
    if (sift_->currentIndex() == 1)
        seen = fasterThan(seen, seconds_->value());
    if (mean_->isChecked())
        seen = withoutMean(seen);
    view_->setMotion(mirror_->isChecked() ? mirrored(seen) : seen);
    view_->setStretch(first_, last_);
    name_->setText(QString::fromStdString(kept->name));
    const bool own = motions_.items()[static_cast<std::size_t>(place_)].own();
    name_->setReadOnly(!own);
    name_->setToolTip(own ? tr("Its name; type another") : tr("It comes with the program; keep a copy to name it"));
    const double rate = motion.rate.perSecond();
    QString facts = tr("%1 frames at %2 fps, filmed %3 x %4")
                        .arg(motion.frames.size())
                        .arg(rate, 0, 'f', rate == std::round(rate) ? 0 : 3)
                        .arg(motion.width)
                        .arg(motion.height);
    if (const std::size_t bridged = motion.bridged(); bridged > 0)
        facts += tr("; %1 could not be measured and are bridged").arg(bridged);
    facts_->setText(facts);
    facts_->setToolTip(QString::fromStdString(kept->about));
    firstField_->setValue(static_cast<double>(first_));
    lastField_->setValue(static_cast<double>(last_));
    allow(keep_, changed() ? QString() : tr("Trim or sift it first: it is kept already as it is"));
    if (changed())
        keep_->setToolTip(tr("Keeps it in the library as it is shown here; the original stays"));
    allow(remove_, own ? QString() : tr("It comes with the program"));
    if (own)
        remove_->setToolTip(tr("Takes it out of the library; films that use it keep it"));
    back_->setVisible(motions_.canBringBack());
    refreshUses();
}

void MotionBench::refreshUses()
{
    const bool any = document_.length() > 0;
    const QString noFilm = tr("Open a clip first");
    allow(drift_, any ? QString() : noFilm);
    if (any)
        drift_->setToolTip(tr("Moves the whole shot by it, as far as it was filmed; it goes round without a seam"));
    const Strike* selected = selection_.strike();
    const QString noStrike = !any ? noFilm : selected == nullptr ? tr("Select one strike first") : QString();
    allow(strand_, noStrike);
    allow(cut_, noStrike);
    if (!noStrike.isEmpty())
        return;
    const Recipe* recipe = document_.project().recipe(selected->recipe);
    strand_->setToolTip(tr("Adds it to %1 as a strand, under its envelope; each strike begins at another moment of it")
                            .arg(recipe != nullptr ? QString::fromStdString(recipe->name) : QString()));
    cut_->setToolTip(tr("The frames between the two ends, as they were filmed, as a drawn strand of this strike alone: "
                        "the farthest moment is its peak"));
}

} // namespace ember::app
