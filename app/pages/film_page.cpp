// SPDX-License-Identifier: GPL-3.0-or-later
#include "film_page.h"

#include <algorithm>

#include <QCheckBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "colour_block.h"
#include "ember/core/values.h"
#include "ember/project/film_edits.h"
#include "ember/project/shot_edits.h"
#include "flow_layout.h"
#include "form.h"
#include "frame_block.h"
#include "key_rows.h"
#include "motion_chooser.h"
#include "part_binding.h"
#include "shot_block.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"
#include "words.h"

namespace ember::app {

namespace {

const FieldSpec frameField{"frame", "Frame", "", 0, 100'000'000, 0, 1, "The frame it stands on, counted from 0",
                           {},      true};
const FieldSpec intensityField{"value", "Intensity", "%", 0, 2, 1, 0.05, "Strength of all shakes at this frame"};

} // namespace

FilmPage::FilmPage(Session& session, Dialogs dialogs, QWidget* parent) : FreshPage(parent), session_(session)
{
    auto* column = newColumn(this, 4, {14, 4, 14, 6});
    buildClock(*column);
    column->addWidget(frame_ = new FrameBlock(session.document, session.playhead, session.messages, this));
    column->addWidget(shot_ = new ShotBlock(session.document, session.shots, session.playhead, session.shaping,
                                            session.film, session.proxies, this));
    column->addWidget(colour_ = new ColourBlock(session.document, session.film, session.shots, session.messages,
                                                std::move(dialogs), this));
    column->addWidget(rule(this));
    buildMaster(*column);
    column->addWidget(rule(this));
    buildMeeting(*column);
    column->addWidget(rule(this));
    buildSettles(*column);
    column->addWidget(rule(this));
    buildDrift(*column);
    column->addWidget(rule(this));
    buildMove(*column);
    column->addStretch(1);
    connect(&session_.document, &OpenDocument::changed, this, &FilmPage::refreshIfShown);
    connect(&session_.shaping, &Shaping::changed, this, &FilmPage::refreshIfShown);
    refresh();
}

void FilmPage::buildClock(QVBoxLayout& column)
{
    auto* row = newRow(6);
    row->addWidget(dimLabel(tr("First frame is"), this));
    clock_ = new QLineEdit(this);
    clock_->setObjectName(QStringLiteral("film-timecode"));
    clock_->setAccessibleName(tr("First frame is"));
    clock_->setFont(theme::numbers(12));
    clock_->setFixedWidth(112);
    clock_->setToolTip(tr("The timecode of the film's first frame, such as 01:00:00:00. At 29.97 and 59.94 frames a "
                          "second 01:00:00;00 counts drop-frame."));
    connect(clock_, &QLineEdit::editingFinished, this, [this] {
        const QString typed = clock_->text();
        if (typed == session_.document.timecode(0))
            return;
        const auto clock = clockFrom(typed.toStdString(), session_.document.project().rate);
        if (!clock) {
            emit session_.messages.told(tr("“%1” is no timecode. Type for example 01:00:00:00.").arg(typed.left(24)));
            clock_->setText(session_.document.timecode(0));
            return;
        }
        Project next = session_.document.project();
        next.clock = *clock;
        session_.document.edit(std::move(next), tr("The first frame is %1").arg(typed));
    });
    row->addWidget(clock_);
    row->addStretch(1);
    column.addLayout(row);
}

QPushButton* FilmPage::button(const QString& text, const char* name, const QString& tip,
                              const std::function<void()>& act)
{
    auto* made = smallButton(text, QLatin1String(name), tip, this);
    connect(made, &QPushButton::clicked, this, act);
    return made;
}

QWidget* FilmPage::heading(const QString& text, const std::vector<QPushButton*>& buttons)
{
    auto* bar = new QWidget(this);
    auto* row = newRow(bar, 4, {0, 0, 0, 0});
    auto* label = new QLabel(text, bar);
    label->setFont(theme::words(13, true));
    row->addWidget(label);
    row->addStretch(1);
    for (auto* made : buttons)
        row->addWidget(made);
    return bar;
}

void FilmPage::setAxes(std::initializer_list<Axis> axes, bool on, const QString& what)
{
    Project next = session_.document.project();
    for (const Axis axis : axes)
        next.master.axis[static_cast<std::size_t>(axis)] = on;
    session_.document.edit(std::move(next), on ? tr("%1 on").arg(what) : tr("%1 off").arg(what));
}

void FilmPage::buildMaster(QVBoxLayout& column)
{
    auto* key = button(tr("Key here"), "intensity-key",
                       tr("Keeps the intensity at the playhead as a key; between keys it changes evenly"), [this] {
                           session_.document.edit(withIntensityKey(session_.document.project(),
                                                                   intensityKeyHere(session_.document.project(),
                                                                                    Frame{session_.playhead.frame()})),
                                                  tr("Intensity key on frame %1").arg(session_.playhead.frame()));
                       });
    needClip_.push_back(key);
    column.addWidget(heading(tr("All shakes"), {key}));
    master_ = new ControlGrid(session_.document, session_.shaping,
                              memberBinding(session_.document, &Project::master, "master."), 4, this);
    master_->setObjectName(QStringLiteral("master"));
    addAll<Master>(*master_,
                   {{"intensity", {}}, {"bypass", tr("Bypass")}, {"flat", tr("2D only")}, {"sounds", tr("Sounds")}});
    column.addWidget(master_);
    auto* row = new FlowLayout;
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    const auto toggle = [&](const QString& text, const QString& name, const QString& tip) {
        auto* made = new QCheckBox(text, this);
        made->setObjectName(name);
        made->setFont(theme::words(11));
        made->setToolTip(tip);
        return made;
    };
    position_ = toggle(tr("Position"), QStringLiteral("master-position"), tr("x, y and zoom on or off together"));
    rotation_ = toggle(tr("Rotation"), QStringLiteral("master-rotation"), tr("Roll, pan and tilt on or off together"));
    connect(position_, &QCheckBox::clicked, this, [this](bool on) {
        setAxes({Axis::x, Axis::y, Axis::zoom}, on, tr("Position"));
    });
    connect(rotation_, &QCheckBox::clicked, this, [this](bool on) {
        setAxes({Axis::roll, Axis::pan, Axis::tilt}, on, tr("Rotation"));
    });
    row->addWidget(position_);
    for (const Axis axis : allAxes) {
        if (axis == Axis::roll) { // beside the axes it stands for
            row->addGap(8);
            row->addWidget(rotation_);
        }
        const QString name = ours(axisName(axis));
        auto* made =
            toggle(name, QStringLiteral("master-") + toQString(axisName(axis)), tr("Whether shakes move this axis"));
        connect(made, &QCheckBox::clicked, this, [this, axis, name](bool on) { setAxes({axis}, on, name); });
        row->addWidget(made);
        axes_[static_cast<std::size_t>(axis)] = made;
    }
    column.addLayout(row);
    KeyRows::Kind kind;
    kind.name = QStringLiteral("intensity");
    kind.fields = {frameField, intensityField, movefield::ease};
    kind.rows = [](const Project& project) {
        std::vector<std::vector<double>> rows;
        for (const IntensityKey& k : project.master.keys)
            rows.push_back({static_cast<double>(k.frame.index), k.value, static_cast<double>(k.ease)});
        return rows;
    };
    kind.change = [](Project project, std::size_t index, const std::vector<double>& v) {
        const Ease ease = static_cast<Ease>(static_cast<int>(v[2]));
        return withIntensityKeyAt(std::move(project), index, {Frame{static_cast<std::int64_t>(v[0])}, v[1], ease});
    };
    kind.remove = withoutIntensityKey;
    kind.changed = tr("Intensity key");
    kind.removed = tr("Intensity key deleted");
    lists_.push_back(new KeyRows(session_.document, session_.shaping, session_.playhead, kind, this));
    column.addWidget(lists_.back());
}

void FilmPage::buildMeeting(QVBoxLayout& column)
{
    auto* add = button(
        tr("New group"), "new-group",
        tr("A group of strikes that meet by a rule of their own; put strikes into it under Strike"), [this] {
            session_.document.edit(withGroup(session_.document.project(), tr("Group").toStdString()), tr("Group made"));
        });
    column.addWidget(heading(tr("Where strikes meet"), {add}));
    overlap_ = new ControlGrid(session_.document, session_.shaping,
                               memberBinding(session_.document, &Project::overlap, "overlap."), 3, this);
    overlap_->setObjectName(QStringLiteral("overlap"));
    addAll<Overlap>(*overlap_, {{"rule", tr("Rule")}, {"ceiling", {}}, {"knee", {}}});
    column.addWidget(overlap_);
    groupColumn_ = newColumn(3);
    column.addLayout(groupColumn_);
}

namespace {

/// What a settle mark can end.
struct SettleEnds {
    QString word;
    std::string group = {};
    StrikeId strike = 0;

    bool alike(const SettleMark& mark) const { return strike == mark.strike && group == mark.group; }
};

/// All, each group, the strikes that are felt on the mark's frame, and what it ends now.
std::vector<SettleEnds> endsOf(const Project& project, const SettleMark& mark)
{
    std::vector<SettleEnds> ends{{FilmPage::tr("all")}};
    for (const StrikeGroup& group : project.groups)
        ends.push_back({QString::fromStdString(group.name), group.name});
    const FeltProject felt(project);
    const auto frame = static_cast<double>(mark.frame.index);
    for (const Strike& strike : felt->strikes) {
        const auto from = static_cast<double>(strike.frame.index);
        if (strike.id == mark.strike || (from < frame && from + envelopeOf(*felt, strike).end() > frame))
            ends.push_back({FilmPage::tr("%1, %2").arg(strikeTitle(strike)).arg(strike.frame.index), {}, strike.id});
    }
    if (std::none_of(ends.begin(), ends.end(), [&](const SettleEnds& one) { return one.alike(mark); }))
        ends.push_back({mark.group.empty() ? FilmPage::tr("a strike that is gone") : QString::fromStdString(mark.group),
                        mark.group, mark.strike});
    return ends;
}

} // namespace

void FilmPage::buildSettles(QVBoxLayout& column)
{
    auto* cut = button(tr("Cut here"), "settle-cut", tr("Running shakes are at rest on this frame (X)"),
                       [this] { session_.strikes.settleHere(SettleMode::cut); });
    auto* ease = button(tr("Ease home here"), "settle-ease", tr("Running shakes are eased home from this frame on (H)"),
                        [this] { session_.strikes.settleHere(SettleMode::ease); });
    needClip_.insert(needClip_.end(), {cut, ease});
    column.addWidget(heading(tr("Settle marks"), {cut, ease}));
    KeyRows::Kind kind;
    kind.name = QStringLiteral("settle");
    kind.fields = {frameField, settlefield::mode, settlefield::frames};
    kind.rows = [](const Project& project) {
        std::vector<std::vector<double>> rows;
        for (const SettleMark& mark : project.settles)
            rows.push_back({static_cast<double>(mark.frame.index), static_cast<double>(mark.mode), mark.frames});
        return rows;
    };
    kind.change = [](Project project, std::size_t row, const std::vector<double>& v) {
        SettleMark mark = project.settles[row]; // whom it ends stays
        mark.frame = Frame{static_cast<std::int64_t>(v[0])};
        mark.mode = static_cast<SettleMode>(static_cast<int>(v[1]));
        mark.frames = v[2];
        return withSettleAt(std::move(project), row, mark);
    };
    kind.choices = [](const Project& project, std::size_t row) {
        KeyRows::Kind::Choices choices;
        const auto ends = endsOf(project, project.settles[row]);
        for (const SettleEnds& one : ends) {
            if (one.alike(project.settles[row]))
                choices.chosen = static_cast<int>(choices.words.size());
            choices.words.append(one.word);
        }
        return choices;
    };
    kind.choose = [](Project project, std::size_t row, int choice) {
        SettleMark mark = project.settles[row];
        const auto ends = endsOf(project, mark);
        if (const auto at = static_cast<std::size_t>(choice); at < ends.size()) {
            mark.group = ends[at].group;
            mark.strike = ends[at].strike;
        }
        return withSettleAt(std::move(project), row, mark);
    };
    kind.choiceName = tr("Ends");
    kind.choiceTip = tr("The shakes that it ends: all, those of a group, or one that hit before it");
    kind.remove = withoutSettle;
    kind.changed = tr("Settle mark");
    kind.removed = tr("Settle mark deleted");
    lists_.push_back(new KeyRows(session_.document, session_.shaping, session_.playhead, kind, this));
    column.addWidget(lists_.back());
}

void FilmPage::buildDrift(QVBoxLayout& column)
{
    column.addWidget(heading(tr("Drift"), {}));
    MotionChooser::Use use;
    use.none = tr("none: noise");
    use.motion = [this] { return &session_.document.project().drift.captured.motion; };
    use.amount = [this] { return session_.document.project().drift.amount; };
    use.choose = [this](const MotionLoop& motion) {
        session_.document.edit(withDriftMotion(session_.document.project(), motion),
                               motion.empty() ? tr("Drift: noise")
                                              : tr("Drift: %1").arg(QString::fromStdString(motion.kept().name)));
    };
    use.setAmount = [this](const AxisValues& amount, const QString& told, quint64 gesture) {
        Project next = session_.document.project();
        next.drift.amount = amount;
        session_.document.edit(std::move(next), tr("Drift: %1").arg(told), gesture);
    };
    driftMotion_ = new MotionChooser(session_.document, session_.motions, std::move(use), this);
    column.addWidget(driftMotion_);
    drift_ = new ControlGrid(session_.document, session_.shaping,
                             memberBinding(session_.document, &Project::drift, "drift."), 4, this);
    drift_->setObjectName(QStringLiteral("drift"));
    addAll<Drift>(*drift_, {{"on", tr("On")},
                            {"rate", {}},
                            {"seed", {}},
                            {"amount.x", {}},
                            {"amount.y", {}},
                            {"amount.zoom", {}},
                            {"amount.roll", {}},
                            {"amount.pan", {}},
                            {"amount.tilt", {}},
                            {"octaves", {}},
                            {"gain", {}},
                            {"lacunarity", {}},
                            {"fade_in", {}},
                            {"fade_out", {}}});
    column.addWidget(drift_);
    filmedDrift_ = new ControlGrid(session_.document, session_.shaping,
                                   memberBinding(session_.document, &Project::drift, "drift."), 4, this);
    filmedDrift_->setObjectName(QStringLiteral("filmed-drift"));
    addAll<Drift>(*filmedDrift_, {{"on", tr("On")},
                                  {"speed", {}},
                                  {"seed", {}},
                                  {"amount.x", {}},
                                  {"amount.y", {}},
                                  {"amount.zoom", {}},
                                  {"amount.roll", {}},
                                  {"fade_in", {}},
                                  {"fade_out", {}}});
    column.addWidget(filmedDrift_);
}

void FilmPage::buildMove(QVBoxLayout& column)
{
    auto* key =
        button(tr("Key here"), "move-key",
               tr("Keeps where the shot is at the playhead as a key of its own move; shakes are added to it"), [this] {
                   session_.document.edit(
                       withMoveKey(session_.document.project(),
                                   moveKeyHere(session_.document.project(), Frame{session_.playhead.frame()})),
                       tr("Key of the shot's move on frame %1").arg(session_.playhead.frame()));
               });
    needClip_.push_back(key);
    column.addWidget(heading(tr("The shot's own move"), {key}));
    KeyRows::Kind kind;
    kind.name = QStringLiteral("move");
    kind.fields = {frameField, movefield::x, movefield::y, movefield::zoom, movefield::roll, movefield::ease};
    kind.rows = [](const Project& project) {
        std::vector<std::vector<double>> rows;
        for (const MoveKey& k : filmMove(project))
            rows.push_back({static_cast<double>(k.frame.index), k.x, k.y, k.zoom, k.roll, static_cast<double>(k.ease)});
        return rows;
    };
    kind.change = [](Project project, std::size_t row, const std::vector<double>& v) {
        return withMoveKeyAt(std::move(project), row,
                             {Frame{static_cast<std::int64_t>(v[0])}, v[1], v[2], v[3], v[4],
                              static_cast<Ease>(static_cast<int>(v[5]))});
    };
    kind.remove = withoutMoveKey;
    kind.changed = tr("Key of the shot's move");
    kind.removed = tr("Key of the shot's move deleted");
    lists_.push_back(new KeyRows(session_.document, session_.shaping, session_.playhead, kind, this));
    column.addWidget(lists_.back());
}

void FilmPage::refreshGroups()
{
    const auto& groups = session_.document.project().groups;
    while (groups_.size() > groups.size()) {
        delete groups_.back().box;
        groups_.pop_back();
    }
    while (groups_.size() < groups.size()) {
        const std::size_t index = groups_.size();
        GroupRow row{};
        row.box = new QWidget(this);
        auto* column = newColumn(row.box, 2, {0, 0, 0, 0});
        auto* head = new QHBoxLayout;
        row.name = new QLineEdit(row.box);
        row.name->setObjectName(QStringLiteral("group-%1-name").arg(index));
        row.name->setToolTip(tr("The group's name"));
        connect(row.name, &QLineEdit::editingFinished, this, [this, index, field = row.name] {
            const std::string name = field->text().trimmed().toStdString();
            if (index >= session_.document.project().groups.size() ||
                name == session_.document.project().groups[index].name)
                return;
            session_.document.edit(withGroupRenamed(session_.document.project(), index, name),
                                   tr("Group named %1").arg(field->text()));
            refreshGroups(); // a name that was refused goes back
        });
        head->addWidget(dimLabel(tr("Group"), row.box));
        head->addWidget(row.name, 1);
        auto* remove = smallButton(tr("Delete"), QStringLiteral("group-%1-delete").arg(index),
                                   tr("Its strikes meet by the project's rule again"), row.box);
        connect(
            remove, &QPushButton::clicked, this,
            [this, index] {
                session_.document.edit(withoutGroup(session_.document.project(), index), tr("Group deleted"));
            },
            Qt::QueuedConnection);
        head->addWidget(remove);
        column->addLayout(head);
        row.values = new ControlGrid(
            session_.document, session_.shaping,
            partBinding<Overlap>(
                session_.document,
                [index](const Project& p) { return index < p.groups.size() ? &p.groups[index].overlap : nullptr; },
                [index](Project& p, const Overlap& o) { p.groups[index].overlap = o; }),
            3, row.box);
        addAll<Overlap>(*row.values, {{"rule", tr("Rule")}, {"ceiling", {}}, {"knee", {}}});
        column->addWidget(row.values);
        groupColumn_->addWidget(row.box);
        groups_.push_back(row);
    }
    for (std::size_t i = 0; i < groups.size(); ++i) {
        if (!groups_[i].name->hasFocus())
            groups_[i].name->setText(QString::fromStdString(groups[i].name));
        groups_[i].values->refresh();
    }
}

void FilmPage::refreshAxes()
{
    const auto& on = session_.document.project().master.axis;
    for (const Axis axis : allAxes)
        axes_[static_cast<std::size_t>(axis)]->setChecked(on[static_cast<std::size_t>(axis)]);
    position_->setChecked(on[0] && on[1] && on[2]);
    rotation_->setChecked(on[3] && on[4] && on[5]);
}

void FilmPage::refresh()
{
    if (!clock_->hasFocus())
        clock_->setText(session_.document.timecode(0));
    master_->refresh();
    refreshAxes();
    frame_->refresh();
    shot_->refresh();
    colour_->refresh();
    overlap_->refresh();
    refreshGroups();
    const bool filmed = !session_.document.project().drift.captured.motion.empty();
    drift_->setVisible(!filmed);
    filmedDrift_->setVisible(filmed);
    drift_->refresh();
    filmedDrift_->refresh();
    driftMotion_->refresh();
    for (KeyRows* list : lists_)
        list->refresh();
    const bool film = session_.document.length() > 0;
    for (QPushButton* made : needClip_)
        allow(made, film ? QString() : tr("Open a clip first"));
    // With keys, the one number for the whole film does not count.
    if (auto* control = master_->findChild<ValueControl*>(QStringLiteral("intensity")))
        control->setBarred(session_.document.project().master.keys.empty() ? QString()
                                                                           : tr("The keys below set the intensity"));
}

} // namespace ember::app
