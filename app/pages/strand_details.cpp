// SPDX-License-Identifier: GPL-3.0-or-later
#include "strand_details.h"

#include <algorithm>
#include <cmath>

#include <QApplication>
#include <QClipboard>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "ember/core/values.h"
#include "form.h"
#include "motion_chooser.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec reboundsField{
    "rebounds", "Rebounds", "", 0.2,
    48,         4,          1,  "Half swings until the kick has fallen to 5 %; the damping told the other way"};

FieldSpec limitField(const FieldSpec& amount, bool low)
{
    FieldSpec spec = amount;
    spec.fallback = 0;
    (low ? spec.max : spec.min) = 0;
    spec.help =
        low ? "How far it swings the one way, at strength 100 %" : "How far it swings the other way, at strength 100 %";
    return spec;
}

} // namespace

// --- oscillations ---

SwingTable::SwingTable(Session& session, std::function<std::string()> prefix, QWidget* parent)
    : QWidget(parent), session_(session), prefix_(std::move(prefix))
{
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 2, 0, 2);
    grid->setHorizontalSpacing(2);
    grid->setVerticalSpacing(0);
    const std::array<QString, 4> heads{tr("from"), tr("to"), tr("frequency"), tr("phase")};
    for (int i = 0; i < 4; ++i) {
        auto* head = dimLabel(heads[static_cast<std::size_t>(i)], this);
        head->setFont(theme::words(11));
        grid->addWidget(head, 0, i + 1);
    }
    const auto specOf = [](const std::string& key) { return *fieldOf<Strand>(key)->spec; };
    for (const Axis axis : allAxes) {
        const auto i = static_cast<std::size_t>(axis);
        const std::string name(axisName(axis));
        auto* label = dimLabel(ours(name), this);
        label->setFont(theme::words(11));
        grid->addWidget(label, static_cast<int>(i) + 1, 0);
        const auto field = [&](const FieldSpec& spec, const char* what, int column) {
            auto* made = new ValueField(spec, this);
            made->setObjectName(QStringLiteral("swing-%1-%2").arg(QLatin1String(what), toQString(name)));
            made->gestureSource = [this] { return session_.document.newGesture(); };
            grid->addWidget(made, static_cast<int>(i) + 1, column);
            return made;
        };
        const FieldSpec amount = specOf("amount." + name);
        Row& row = rows_[i];
        row.from = field(limitField(amount, true), "from", 1);
        row.to = field(limitField(amount, false), "to", 2);
        row.ratio = field(specOf("ratio." + name), "ratio", 3);
        row.phase = field(specOf("phase." + name), "phase", 4);
        connect(row.from, &ValueField::wished, this,
                [this, axis, &row](double value, quint64 g) { setLimits(axis, value, row.to->value(), g); });
        connect(row.to, &ValueField::wished, this,
                [this, axis, &row](double value, quint64 g) { setLimits(axis, row.from->value(), value, g); });
        for (auto* made : {row.ratio, row.phase}) {
            const std::string key = (made == row.ratio ? "ratio." : "phase.") + name;
            connect(made, &ValueField::wished, this, [this, key](double value, quint64 g) {
                session_.shaping.set({{prefix_() + key, value}}, g);
            });
            made->resetAction = [this, key] { session_.shaping.reset(prefix_() + key); };
        }
    }
}

void SwingTable::setLimits(Axis axis, double from, double to, quint64 gesture)
{
    // The larger limit is the amount, which the peak reaches; the other is how far it swings back.
    const double out = -from > to ? from : to;
    const double back = out == 0 ? 1 : std::min(-from, to) / std::abs(out);
    const std::string name(axisName(axis));
    session_.shaping.set({{prefix_() + "amount." + name, out}, {prefix_() + "back." + name, back}}, gesture);
}

void SwingTable::refresh()
{
    for (const Axis axis : allAxes) {
        Row& row = rows_[static_cast<std::size_t>(axis)];
        const std::string name(axisName(axis));
        const auto read = [&](const char* what) { return session_.shaping.value(prefix_() + what + name).value_or(0); };
        const double out = read("amount.");
        const double back = -out * read("back.");
        row.from->setValue(std::min({out, back, 0.0}) + 0.0);
        row.to->setValue(std::max({out, back, 0.0}) + 0.0);
        row.ratio->setValue(read("ratio."));
        row.phase->setValue(read("phase."));
        const bool own =
            session_.shaping.isOwn(prefix_() + "amount." + name) || session_.shaping.isOwn(prefix_() + "back." + name);
        row.from->setOwn(own);
        row.to->setOwn(own);
        row.ratio->setOwn(session_.shaping.isOwn(prefix_() + "ratio." + name));
        row.phase->setOwn(session_.shaping.isOwn(prefix_() + "phase." + name));
    }
}

// --- all of it ---

StrandDetails::StrandDetails(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), column_(new QVBoxLayout(this))
{
    setObjectName(QStringLiteral("strand-details"));
    column_->setContentsMargins(0, 3, 0, 3);
    column_->setSpacing(3);
    refresh();
}

const Strand* StrandDetails::strand() const
{
    const Recipe* recipe = session_.shaping.felt();
    return recipe != nullptr && index_ < recipe->strands.size() ? &recipe->strands[index_] : nullptr;
}

void StrandDetails::changeStrands(const std::function<Project(Project, RecipeId)>& change, const QString& result)
{
    if (const Recipe* recipe = session_.shaping.felt())
        session_.document.edit(change(session_.document.project(), recipe->id), result);
}

void StrandDetails::build()
{
    if (content_ != nullptr) { // one of its own controls may have asked for this
        content_->hide();
        content_->deleteLater();
    }
    swings_ = nullptr;
    motion_ = nullptr;
    keys_ = nullptr;
    rebounds_ = nullptr;
    content_ = new QWidget(this);
    auto* column = newColumn(content_, 3, {0, 0, 0, 0});
    const auto prefix = [this] {
        const Strand* s = strand();
        return "strand." + (s != nullptr ? s->name : std::string()) + ".";
    };
    const auto addTo = [&](ControlGrid* grid, const char* key, const QString& label = {}, int span = 1) {
        const auto* field = fieldIn(*strand(), key);
        return field != nullptr ? grid->add(key, *field->spec, label, span) : nullptr;
    };
    source_ =
        new ControlGrid(session_.document, session_.shaping, recipeBinding(session_.shaping, prefix), 3, content_);
    name_ = new QLineEdit(source_);
    name_->setObjectName(QStringLiteral("strand-name"));
    name_->setToolTip(tr("The strand's name"));
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        const Strand* s = strand();
        const std::string name = name_->text().trimmed().toStdString();
        if (s == nullptr || name == s->name || name.empty())
            return;
        if (session_.shaping.felt()->strand(name) != nullptr) {
            emit session_.messages.told(tr("Another strand is called %1 already").arg(name_->text()));
            name_->setText(QString::fromStdString(s->name));
            return;
        }
        session_.shaping.renameStrand(index_, name);
    });
    source_->addWidget(name_, 1);
    addTo(source_, "source", tr("Source"));
    addTo(source_, "own_envelope", tr("Own envelope"));
    addTo(source_, "solo", tr("Solo"));
    column->addWidget(source_);
    values_ =
        new ControlGrid(session_.document, session_.shaping, recipeBinding(session_.shaping, prefix), 4, content_);
    const Strand& sample = *strand();
    const bool drawn = std::holds_alternative<Drawn>(sample.source);
    if (std::holds_alternative<Captured>(sample.source)) {
        motion_ = buildMotion();
        column->addWidget(motion_);
        addTo(values_, "speed");
    }
    if (!drawn)
        addTo(values_, "rate_fall", tr("falls in"));
    for (const char* key : {"damping", "octaves", "gain", "lacunarity"})
        addTo(values_, key);
    addTo(values_, "loop", {}, 2); // its unit is a long word
    for (const char* key : {"every", "wave", "start"})
        addTo(values_, key);
    if (std::holds_alternative<Kick>(sample.source)) {
        rebounds_ = new ValueField(reboundsField, content_);
        rebounds_->setObjectName(QStringLiteral("rebounds"));
        rebounds_->gestureSource = [this] { return session_.document.newGesture(); };
        connect(rebounds_, &ValueField::wished, this, [this, prefix](double value, quint64 gesture) {
            session_.shaping.set({{prefix() + "damping", dampingFor(value)}}, gesture);
        });
        values_->addNamed(tr("Rebounds"), rebounds_);
    }
    if (drawn) {
        addTo(values_, "as_drawn");
        addTo(values_, "home");
    }
    addTo(values_, "line");
    addTo(values_, "line_angle");
    values_->nextRow();
    addTo(values_, "intermittent");
    addTo(values_, "moves");
    addTo(values_, "rests");
    addTo(values_, "unevenness");
    column->addWidget(values_);
    if (std::holds_alternative<Oscillation>(sample.source)) {
        swings_ = new SwingTable(session_, prefix, content_);
        column->addWidget(swings_);
    }
    if (drawn) {
        keys_ = smallButton(tr("Curves"), QStringLiteral("strand-curves"),
                            tr("Its keys in the curve view, in the Anvil's place (U)"), content_);
        connect(keys_, &QPushButton::clicked, this, [this] { session_.shaping.askForCurves(); });
        column->addWidget(keys_, 0, Qt::AlignLeft);
    }
    column->addWidget(buildButtons());
    column_->addWidget(content_);
}

MotionChooser* StrandDetails::buildMotion()
{
    MotionChooser::Use use;
    use.none = tr("none: still");
    use.motion = [this]() -> const MotionLoop* {
        const Strand* s = strand();
        const auto* captured = s != nullptr ? std::get_if<Captured>(&s->source) : nullptr;
        return captured != nullptr ? &captured->motion : nullptr;
    };
    use.amount = [this] {
        const Strand* s = strand();
        return s != nullptr ? s->amount : AxisValues();
    };
    use.choose = [this](const MotionLoop& motion) {
        changeStrands(
            [this, motion](Project p, RecipeId id) { return withStrandMotion(std::move(p), id, index_, motion); },
            motion.empty() ? tr("No camera's motion")
                           : tr("Moves as: %1").arg(QString::fromStdString(motion.kept().name)));
    };
    use.setAmount = [this](const AxisValues& amount, const QString&, quint64 gesture) {
        const Strand* s = strand();
        if (s == nullptr)
            return;
        std::vector<std::pair<std::string, double>> values;
        values.reserve(allAxes.size());
        for (const Axis axis : allAxes)
            values.emplace_back("strand." + s->name + ".amount." + std::string(axisName(axis)), amount[axis]);
        session_.shaping.set(values, gesture);
    };
    return new MotionChooser(session_.document, session_.motions, std::move(use), content_);
}

QWidget* StrandDetails::buildButtons()
{
    auto* bar = new QWidget(content_);
    auto* row = newRow(bar, 4, {0, 0, 0, 0});
    const auto button = [&](const QString& text, const char* name, const QString& tip,
                            const std::function<void()>& act) {
        auto* made = smallButton(text, QLatin1String(name), tip, bar);
        // Queued: the edit may delete this very row.
        connect(made, &QPushButton::clicked, this, act, Qt::QueuedConnection);
        row->addWidget(made);
    };
    const auto name = [this] { return QString::fromStdString(strand() != nullptr ? strand()->name : std::string()); };
    button(tr("Up"), "strand-up", tr("Move it up; the order changes nothing in the motion"), [this, name] {
        changeStrands([this](Project p, RecipeId id) { return withStrandMoved(std::move(p), id, index_, -1); },
                      tr("%1 moved up").arg(name()));
    });
    button(tr("Down"), "strand-down", tr("Move it down"), [this, name] {
        changeStrands([this](Project p, RecipeId id) { return withStrandMoved(std::move(p), id, index_, 1); },
                      tr("%1 moved down").arg(name()));
    });
    button(
        tr("To keys"), "strand-to-keys",
        tr("Turns this strand's motion, as this strike has it, into keys to be drawn on: the fewest that stay within "
           "0.1 px and 0.02°"),
        [this] {
            if (!session_.selection.ids().empty())
                session_.strikes.bakeStrand(session_.selection.ids().front(), index_);
        });
    button(tr("Duplicate"), "strand-duplicate", tr("A second one like it, with noise of its own"), [this, name] {
        if (const Strand* s = strand())
            changeStrands([copy = *s](Project p, RecipeId id) { return withStrand(std::move(p), id, copy); },
                          tr("%1 duplicated").arg(name()));
    });
    button(tr("Copy"), "strand-copy", tr("To the clipboard, for another recipe"), [this, name] {
        if (const Strand* s = strand()) {
            QApplication::clipboard()->setText(QString::fromStdString(strandToText(*s)));
            emit session_.messages.told(tr("%1 copied; choose Paste strand at another recipe").arg(name()));
        }
    });
    button(tr("Delete"), "strand-delete", tr("Takes it out of the recipe"), [this, name] {
        changeStrands([this](Project p, RecipeId id) { return withoutStrand(std::move(p), id, index_); },
                      tr("%1 deleted").arg(name()));
    });
    row->addStretch(1);
    return bar;
}

void StrandDetails::refresh()
{
    const Recipe* recipe = session_.shaping.felt();
    const std::string shown = session_.shaping.shownStrand();
    if (recipe == nullptr || shown.empty())
        return;
    index_ = 0;
    while (recipe->strands[index_].name != shown)
        ++index_;
    const Strand* s = &recipe->strands[index_];
    const auto* drawn = std::get_if<Drawn>(&s->source); // other fields with an envelope and without
    const std::size_t kind = s->source.index() + (drawn != nullptr && drawn->asDrawn ? 100 : 0);
    if (builtFor_ != kind || builtAt_ != index_) {
        builtFor_ = kind;
        builtAt_ = index_;
        build();
    }
    if (!name_->hasFocus())
        name_->setText(QString::fromStdString(s->name));
    source_->refresh();
    values_->refresh();
    if (rebounds_ != nullptr)
        if (const auto* kick = std::get_if<Kick>(&s->source))
            rebounds_->setValue(reboundsOf(kick->damping));
    if (swings_ != nullptr)
        swings_->refresh();
    if (keys_ != nullptr) {
        std::size_t count = 0;
        for (const CurveKeys& keys : std::get<Drawn>(s->source).keys)
            count += keys.size();
        keys_->setText(tr("Curves: %1 keys").arg(count));
    }
    if (motion_ != nullptr)
        motion_->refresh();
}

} // namespace ember::app
