// SPDX-License-Identifier: GPL-3.0-or-later
#include "anvil_view.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <QCoreApplication>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>

#include "flow_layout.h"
#include "form.h"
#include "recipe_trace.h"
#include "text.h"
#include "theme.h"
#include "thumb_store.h"
#include "trace_view.h"
#include "value_control.h"
#include "value_field.h"
#include "words.h"

namespace ember::app {

// --- canvas ---

AnvilCanvas::AnvilCanvas(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), drag_(session.document, session.messages)
{
    connect(&drag_, &DragEdit::broken, this, &AnvilCanvas::letGo);
    setObjectName(QStringLiteral("anvil"));
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    connect(&session_.document, &OpenDocument::changed, this, [this] {
        sceneStale_ = true;
        repaintAll();
    });
    connect(&session_.file, &ProjectFile::opened, this, [this] { contacts_.forget(); });
    connect(&session_.film, &Film::edited, this, [this] { contacts_.forget(); });
    connect(&session_.film, &Film::rewritten, this, [this] {
        contacts_.forget();
        repaintAll();
    });
    connect(&contacts_, &ContactPictures::ready, this, &AnvilCanvas::repaintAll);
    connect(&session_.selection, &Selection::changed, this, &AnvilCanvas::repaintAll);
    connect(&session_.shaping, &Shaping::changed, this, &AnvilCanvas::repaintAll);
    connect(&session_.playhead, &Playhead::moved, this, [this] { update(); });
    connect(&session_.film.thumbs(), &ThumbStore::ready, this, [this](qint64 frame) {
        // Most thumbs are the Reel's.
        const Strike* strike = session_.selection.feltStrike();
        if (strike == nullptr)
            return;
        const AnvilLayout layout = layoutNow();
        const auto from = static_cast<double>(frame - strike->frame.index);
        if (from >= layout.map.firstFrame && from <= layout.map.lastFrame)
            repaintAll();
    });
}

void AnvilCanvas::repaintAll()
{
    paper_.spoil();
    update();
}

void AnvilCanvas::setEven(bool even)
{
    even_ = even;
    repaintAll();
}

void AnvilCanvas::setStrandsShown(bool shown)
{
    strandsShown_ = shown;
    repaintAll();
}

bool AnvilCanvas::roomForStrands(const Recipe& recipe) const
{
    constexpr int withoutThem = 124;
    constexpr int each = 13;
    return strandsShown_ && height() >= withoutThem + each * static_cast<int>(recipe.strands.size());
}

AnvilLayout AnvilCanvas::layoutNow() const
{
    if (gesture_ == Gesture::handle)
        return dragLayout_;
    const Recipe* recipe = session_.selection.strike() != nullptr ? session_.shaping.felt() : nullptr;
    const bool lanes = recipe != nullptr && roomForStrands(*recipe);
    return layOutAnvil(size(), envelope(), even_, lanes ? recipe->strands.size() : 0);
}

std::vector<StrandPicture> AnvilCanvas::strandPictures() const
{
    std::vector<StrandPicture> pictures;
    const Strike* strike = session_.selection.feltStrike();
    const Recipe* recipe = strike != nullptr ? session_.shaping.felt() : nullptr;
    if (recipe == nullptr || !roomForStrands(*recipe))
        return pictures;
    const bool anySolo = std::any_of(recipe->strands.begin(), recipe->strands.end(), [](auto& s) { return s.solo; });
    for (const Strand& strand : recipe->strands) {
        Recipe alone = *recipe;
        alone.strands = {strand};
        alone.strands[0].muted = alone.strands[0].solo = false;
        Project project = strikeAlone(session_.document.project(), alone, strike->frame.index);
        project.strikes[0].direction = strike->direction;
        project.strikes[0].strength = strike->strength;
        project.strikes[0].seed = strike->seed;
        pictures.push_back(
            {QString::fromStdString(strand.name), Motion(project), strand.muted || (anySolo && !strand.solo)});
    }
    return pictures;
}

std::vector<Envelope> AnvilCanvas::otherEnvelopes() const
{
    std::vector<Envelope> others;
    const Recipe* recipe = session_.selection.strike() != nullptr ? session_.shaping.felt() : nullptr;
    if (recipe == nullptr)
        return others;
    const Envelope shaped = envelope();
    const auto take = [&](const Envelope& other) {
        if (!(other == shaped))
            others.push_back(other);
    };
    take(recipe->envelope);
    for (const Strand& strand : recipe->strands)
        if (strand.envelope)
            take(*strand.envelope);
    return others;
}

void AnvilCanvas::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::window);
    const Strike* strike = session_.selection.feltStrike();
    if (strike == nullptr) {
        painter.setFont(theme::words(13));
        painter.setPen(theme::dim);
        const auto count = session_.selection.ids().size();
        QString text = tr("Select a strike on the Reel to shape it here.");
        if (count > 1)
            text = tr("%1 strikes are selected. Select one to shape it here.").arg(count);
        else if (session_.document.project().strikes.empty())
            text = session_.film.hasClip()
                       ? tr("Step to the first frame of contact and press S: the strike is shaped here.")
                       : tr("A strike is shaped here, with the film frames under its curve.");
        painter.drawText(rect(), Qt::AlignCenter, text);
        return;
    }
    const Project& project = session_.document.project();
    const AnvilLayout layout = layoutNow();
    const Envelope shape = envelope();
    const double ratio = devicePixelRatioF();
    const auto thumbHeight =
        std::clamp(static_cast<int>(std::lround((layout.frames.height() - 19) * ratio)), 8, ThumbStore::thumbHeight);
    const double shapeRatio = std::clamp(static_cast<double>(project.width) / project.height, 0.4, 3.0);
    const auto thumbWidth = std::max(8, static_cast<int>(std::lround(thumbHeight * shapeRatio)));
    const QSize contactSize(thumbWidth, thumbHeight);
    if (contactSize != contactSize_ || sceneStale_) {
        contactSize_ = contactSize;
        sceneStale_ = false;
        contacts_.setScene({std::make_shared<const Project>(project), session_.document.sharedMotion(),
                            session_.document.cover(), session_.film.layerPictures(), thumbWidth, thumbHeight});
    }
    const auto shaken = [this](std::int64_t frame) {
        return contacts_.picture(frame, session_.film.thumbs().thumb(frame));
    };
    const std::vector<Envelope> ghosts = otherEnvelopes();
    const double rate = project.rate.perSecond();
    const auto lengthText = [this, rate](double frames) {
        return session_.shaping.inSeconds() ? tr("%1 s").arg(QString::number(frames / rate, 'g', 3))
                                            : QString::number(frames, 'g', 5);
    };
    const std::vector<std::int64_t> cuts = session_.document.project().cuts();
    const AnvilPicture picture{shape,
                               strands_,
                               ghosts,
                               session_.document.motion(),
                               strike->frame.index,
                               strike->strength,
                               session_.playhead.frame(),
                               session_.document.length(),
                               cuts,
                               hovered_,
                               dragged_,
                               lengthText,
                               shapeRatio,
                               shaken};
    painter.drawPixmap(0, 0, paper_.picture(*this, [&](QPixmap& paper) {
        strands_ = strandPictures();
        paper.fill(theme::window);
        QPainter ink(&paper);
        paintAnvilPaper(ink, layout, picture);
    }));
    paintAnvilPlayhead(painter, layout, picture);
    theme::paintFocus(painter, *this);
}

void AnvilCanvas::scrubTo(double x)
{
    if (const Strike* strike = session_.selection.feltStrike())
        session_.playhead.setFrame(strike->frame.index + std::llround(layoutNow().map.toFrame(x)));
}

void AnvilCanvas::mousePressEvent(QMouseEvent* event)
{
    const Strike* strike = session_.selection.feltStrike();
    if (event->button() != Qt::LeftButton || strike == nullptr)
        return;
    pressed_ = event->position();
    moved_ = false;
    dragLayout_ = layoutNow();
    dragEnvelope_ = envelope();
    dragged_ = handleAt(dragLayout_, dragEnvelope_, pressed_);
    if (dragged_ == Handle::none) {
        gesture_ = Gesture::scrub;
        scrubTo(pressed_.x());
        return;
    }
    gesture_ = Gesture::handle;
    drag_.begin();
    for (const HandlePoint& point : handlePoints(dragLayout_, dragEnvelope_))
        if (point.handle == dragged_)
            grabOffset_ = point.at - pressed_;
    repaintAll();
}

void AnvilCanvas::mouseMoveEvent(QMouseEvent* event)
{
    const bool fine = (event->modifiers() & Qt::ShiftModifier) != 0;
    switch (gesture_) {
    case Gesture::scrub: scrubTo(event->position().x()); break;
    case Gesture::handle:
        moved_ = moved_ || (event->position() - pressed_).manhattanLength() > 2;
        if (moved_)
            dragTo(event->position() + grabOffset_, fine);
        break;
    case Gesture::none: {
        const Handle over = session_.selection.strike() != nullptr
                                ? handleAt(layoutNow(), envelope(), event->position())
                                : Handle::none;
        if (over != hovered_) {
            hovered_ = over;
            setCursor(over == Handle::none                              ? Qt::ArrowCursor
                      : over == Handle::curve                           ? Qt::SizeVerCursor
                      : over == Handle::decay || over == Handle::rumble ? Qt::SizeAllCursor
                                                                        : Qt::SizeHorCursor);
            repaintAll();
        }
        break;
    }
    }
}

void AnvilCanvas::dragTo(QPointF place, bool fine)
{
    std::vector<std::pair<std::string, double>> values;
    const std::string prefix = session_.shaping.envelopePrefix();
    for (const auto& [field, value] : dragHandle(dragLayout_, dragEnvelope_, dragged_, place, fine))
        if (value != dragEnvelope_[field] || value != envelope()[field])
            values.emplace_back(prefix + std::string(specOf(field).key), value);
    if (!values.empty() && drag_.active())
        session_.shaping.set(values, drag_.gesture());
}

void AnvilCanvas::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton)
        return;
    letGo();
}

void AnvilCanvas::letGo()
{
    drag_.end();
    gesture_ = Gesture::none;
    dragged_ = Handle::none;
    repaintAll();
}

void AnvilCanvas::keyPressEvent(QKeyEvent* event)
{
    if (event->key() != Qt::Key_Escape || gesture_ == Gesture::none) {
        QWidget::keyPressEvent(event);
        return;
    }
    drag_.cancel();
    letGo();
}

bool AnvilCanvas::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride && drag_.active() &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape)
        event->accept(); // what is in the hand is let go first
    return QWidget::event(event);
}

void AnvilCanvas::leaveEvent(QEvent*)
{
    hovered_ = Handle::none;
    repaintAll();
}

// --- the whole ---

namespace {

using F = EnvelopeField;

struct ValueItem {
    F field;
    int width;
};
struct ValueGroup {
    const char* name;
    const char* tip;
    std::vector<ValueItem> items;
};

/// All values of an envelope in the order of time, as they stand above the canvas.
const std::vector<ValueGroup>& valueGroups()
{
    static const std::vector<ValueGroup> groups{
        {QT_TRANSLATE_NOOP("Anvil", "Lead"),
         QT_TRANSLATE_NOOP("Anvil", "What comes before contact: length, level, swing back or build up, bend"),
         {{F::lead, 46}, {F::leadLevel, 48}, {F::leadShape, 76}, {F::leadCurve, 38}}},
        {QT_TRANSLATE_NOOP("Anvil", "Strike is"),
         QT_TRANSLATE_NOOP("Anvil", "What falls on the strike's frame"),
         {{F::anchor, 104}}},
        {QT_TRANSLATE_NOOP("Anvil", "Attack"),
         QT_TRANSLATE_NOOP("Anvil", "Rise to the peak: length, slope, bend"),
         {{F::attack, 50}, {F::attackSlope, 104}, {F::attackCurve, 44}}},
        {QT_TRANSLATE_NOOP("Anvil", "Hold"), QT_TRANSLATE_NOOP("Anvil", "How long the peak stays"), {{F::hold, 52}}},
        {QT_TRANSLATE_NOOP("Anvil", "Decay"),
         QT_TRANSLATE_NOOP("Anvil", "Fall to the rumble: length, slope, bend"),
         {{F::decay, 56}, {F::decaySlope, 104}, {F::decayCurve, 44}}},
        {QT_TRANSLATE_NOOP("Anvil", "Rumble"),
         QT_TRANSLATE_NOOP("Anvil", "What is left: level, until when, length"),
         {{F::rumble, 54}, {F::rumbleUntil, 96}, {F::rumbleLength, 68}}},
        {QT_TRANSLATE_NOOP("Anvil", "Release"),
         QT_TRANSLATE_NOOP("Anvil", "Way home: length, slope, bend"),
         {{F::release, 54}, {F::releaseSlope, 104}, {F::releaseCurve, 44}}},
    };
    return groups;
}

} // namespace

AnvilView::AnvilView(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), canvas_(new AnvilCanvas(session, this)),
      traces_(new TraceView(session.document, session.selection, session.playhead, this)),
      tracesButton_(new QPushButton(tr("Traces"), this)), title_(dimLabel({}, this)), scope_(new QPushButton(this)),
      axis_(new QPushButton(this)), restore_(new QPushButton(tr("Follow recipe"), this)),
      strands_(new QPushButton(tr("Strands"), this)), unit_(new QPushButton(this))
{
    auto* column = newColumn(this, 0, {0, 0, 0, 0});
    column->addLayout(titleRow_ = buildTitle());
    column->addLayout(valuesRow_ = buildValues());
    column->addWidget(canvas_, 1);
    column->addWidget(traces_, 1);
    traces_->hide();
    connect(&session_.document, &OpenDocument::changed, this, &AnvilView::refresh);
    connect(&session_.selection, &Selection::changed, this, &AnvilView::refresh);
    connect(&session_.shaping, &Shaping::changed, this, &AnvilView::refresh);
    refresh();
}

void AnvilView::toggleTraces()
{
    tracesButton_->click();
}

void AnvilView::toggleStrands()
{
    strands_->click();
}

void AnvilView::toggleEven()
{
    axis_->click();
}

QLayout* AnvilView::buildTitle()
{
    auto* row = new FlowLayout;
    row->setContentsMargins(12, 3, 12, 0);
    row->setSpacing(4);
    auto* name = new QLabel(tr("Anvil"), this);
    name->setFont(theme::words(13, true));
    row->addWidget(name);
    row->addGap(6);
    row->addWidget(title_);
    row->addSpring();
    const auto toggle = [&](QPushButton* button, const char* objectName, const QString& tip) {
        button->setObjectName(QLatin1String(objectName));
        button->setCheckable(true);
        button->setToolTip(tip);
        row->addWidget(button);
    };
    row->addWidget(dimLabel(tr("Decay"), this));
    const std::array<std::tuple<Slope, QString, const char*>, 3> decays{
        {{Slope::constant, tr("Constant"), "decay-constant"},
         {Slope::linear, tr("Linear"), "decay-linear"},
         {Slope::exponential, tr("Fast"), "decay-fast"}}};
    for (const auto& [slope, text, objectName] : decays) {
        auto* button = decays_[slope] = new QPushButton(text, this);
        toggle(button, objectName, {});
        connect(button, &QPushButton::clicked, this, [this, wanted = slope] { compareDecay(wanted); });
    }
    row->addGap(10);
    toggle(scope_, "shape-scope", {});
    connect(scope_, &QPushButton::clicked, this,
            [this](bool alone) { session_.shaping.setScope(alone ? ShapeScope::strike : ShapeScope::recipe); });
    restore_->setObjectName(QStringLiteral("follow-recipe"));
    restore_->setToolTip(tr("Gives the values marked * back to the recipe"));
    connect(restore_, &QPushButton::clicked, this, [this] {
        session_.document.edit(withoutOverrides(session_.document.project(), session_.selection.ids()),
                               tr("The strike follows its recipe again"));
    });
    row->addWidget(restore_);
    row->addGap(10);
    toggle(
        tracesButton_, "anvil-traces",
        tr("The motion axis by axis, with its peaks and the values under the playhead, in place of the envelope (Y)"));
    connect(tracesButton_, &QPushButton::clicked, this, &AnvilView::setTracesShown);
    toggle(strands_, "anvil-strands", tr("Each strand's own motion below the trace (T)"));
    strands_->setChecked(canvas_->strandsShown());
    connect(strands_, &QPushButton::clicked, this, &AnvilView::setStrandsShown);
    toggle(unit_, "time-unit", tr("Lengths in frames or in seconds; either can be typed: 12 f, 0.5 s"));
    connect(unit_, &QPushButton::clicked, this, [this](bool seconds) { session_.shaping.setInSeconds(seconds); });
    toggle(axis_, "axis-even", tr("How frames are spread along the Anvil: wide near the strike, or all alike"));
    axis_->setText(tr("Stretched"));
    connect(axis_, &QPushButton::toggled, this, [this](bool even) {
        canvas_->setEven(even);
        traces_->setEven(even);
        axis_->setText(even ? tr("Even") : tr("Stretched"));
    });
    return row;
}

QLayout* AnvilView::buildValues()
{
    auto* row = new FlowLayout;
    row->setContentsMargins(12, 3, 12, 0);
    row->setSpacing(4);
    bool first = true;
    for (const ValueGroup& group : valueGroups()) {
        if (!first)
            row->addSpring();
        first = false;
        auto* together = new QWidget(this);
        auto* cell = newColumn(together, 0, {0, 0, 0, 0});
        auto* name = dimLabel(QCoreApplication::translate("Anvil", group.name), this);
        name->setFont(theme::words(11));
        name->setContentsMargins(5, 0, 0, 0);
        name->setToolTip(QCoreApplication::translate("Anvil", group.tip));
        cell->addWidget(name);
        auto* values = newRow(1);
        for (const auto& [field, width] : group.items) {
            const FieldSpec& spec = specOf(field);
            auto* control = new ValueControl(spec, {}, this);
            const QString objectName = QStringLiteral("envelope-") + toQString(spec.key);
            (control->field() != nullptr ? static_cast<QWidget*>(control->field()) : control)
                ->setObjectName(objectName);
            control->setFixedWidth(width);
            control->gestureSource = [this] { return session_.document.newGesture(); };
            const auto key = [this, field = field] {
                return session_.shaping.envelopePrefix() + std::string(specOf(field).key);
            };
            control->resetAction = [this, key] { session_.shaping.reset(key()); };
            if (control->field() != nullptr)
                control->field()->setKeySource([this, key] { return session_.shaping.settingKey(key()); });
            connect(control, &ValueControl::wished, this, [this, key](double wanted, quint64 gesture) {
                session_.shaping.set({{key(), wanted}}, gesture);
            });
            values->addWidget(control);
            fields_[field] = control;
        }
        cell->addLayout(values);
        row->addWidget(together);
    }
    return row;
}

void AnvilView::resizeEvent(QResizeEvent* event)
{
    QWidget::resizeEvent(event);
    // The rows above the canvas break where it is narrow; nothing below them may be squeezed by that.
    setMinimumHeight(titleRow_->heightForWidth(width()) + valuesRow_->heightForWidth(width()) +
                     canvas_->minimumSizeHint().height());
}

void AnvilView::setTracesShown(bool shown)
{
    tracesButton_->setChecked(shown);
    traces_->setEven(canvas_->even());
    canvas_->setVisible(!shown);
    traces_->setVisible(shown);
}

void AnvilView::setStrandsShown(bool shown)
{
    strands_->setChecked(shown);
    canvas_->setStrandsShown(shown);
}

void AnvilView::compareDecay(Slope slope)
{
    const std::string prefix = session_.shaping.envelopePrefix();
    const auto key = [&](F field) { return prefix + std::string(specOf(field).key); };
    std::vector<std::pair<std::string, double>> values{{key(F::decaySlope), static_cast<double>(slope)}};
    // A bend that was set is kept for the comparison; one that does not fall fast is not what is asked for.
    if (slope == Slope::exponential && session_.shaping.envelope()[F::decayCurve] < 1)
        values.emplace_back(key(F::decayCurve), specOf(F::decayCurve).fallback);
    session_.shaping.set(values, 0);
    refreshDecays(session_.shaping.envelope());
}

void AnvilView::refreshDecays(const Envelope& envelope)
{
    const auto now = envelope.chosen<Slope>(F::decaySlope);
    for (const auto& [slope, button] : decays_)
        button->setChecked(slope == Slope::exponential
                               ? now != Slope::constant && now != Slope::linear && envelope[F::decayCurve] > 0
                               : slope == now);
}

void AnvilView::refresh()
{
    const auto overWithShot = [](F field) {
        return field == F::release || field == F::releaseSlope || field == F::releaseCurve;
    };
    const Strike* strike = session_.selection.feltStrike();
    const Recipe* recipe = strike != nullptr ? session_.shaping.felt() : nullptr;
    const bool alone = session_.shaping.scope() == ShapeScope::strike;
    scope_->setChecked(alone);
    restore_->setVisible(strike != nullptr && !strike->overrides.empty());
    unit_->setChecked(session_.shaping.inSeconds());
    unit_->setText(session_.shaping.inSeconds() ? tr("Seconds") : tr("Frames"));
    const QString reason = recipe != nullptr ? QString() : tr("Select one strike to shape it");
    const Envelope envelope = session_.shaping.envelope();
    const auto until = recipe != nullptr ? envelope.chosen<RumbleUntil>(F::rumbleUntil) : RumbleUntil::length;
    for (const auto& [field, control] : fields_)
        if (field == F::rumbleLength && until != RumbleUntil::length)
            control->setBarred(until == RumbleUntil::nextStrike ? tr("The rumble lasts until the next strike")
                                                                : tr("The rumble lasts to the end of the shot"));
        else if (overWithShot(field) && until == RumbleUntil::shotEnd)
            control->setBarred(tr("The rumble lasts to the end of the shot: there is no way home after it. The value "
                                  "of the recipe is kept for when it ends earlier."));
        else if (field == F::leadCurve && recipe != nullptr && !envelope.builds())
            control->setBarred(tr("Only a lead that builds up has a bend"));
        else
            control->setBarred(reason);
    scope_->setEnabled(recipe != nullptr);
    scope_->setToolTip(recipe == nullptr ? reason
                                         : tr("Who is edited: the recipe and every strike that uses it, or this "
                                              "strike alone"));
    for (const auto& [slope, button] : decays_) {
        button->setEnabled(recipe != nullptr);
        button->setToolTip(recipe == nullptr          ? reason
                           : slope == Slope::constant ? tr("The decay stays up and drops at its end, to compare")
                           : slope == Slope::linear   ? tr("The decay falls in a straight line, to compare")
                                                      : tr("The decay falls fast first and then settles"));
    }
    if (recipe == nullptr) {
        const auto count = session_.selection.ids().size();
        title_->setText(count == 0 ? tr("no strike selected") : tr("%1 strikes selected").arg(count));
        scope_->setText(tr("For the recipe"));
        return;
    }
    const std::string prefix = session_.shaping.envelopePrefix();
    const double rate = session_.document.project().rate.perSecond();
    for (const auto& [field, control] : fields_) {
        control->setTime(rate, session_.shaping.inSeconds());
        control->setValue(envelope[field], session_.shaping.isOwn(prefix + std::string(specOf(field).key)));
    }
    refreshDecays(envelope);
    title_->setText(prefix == "envelope."
                        ? strikeTitle(*strike)
                        : tr("%1, envelope of the strand %2")
                              .arg(strikeTitle(*strike), QString::fromStdString(session_.shaping.openStrand())));
    const auto& strikes = session_.document.project().strikes;
    const auto users =
        std::count_if(strikes.begin(), strikes.end(), [&](const Strike& s) { return s.recipe == strike->recipe; });
    scope_->setText(alone ? tr("For this strike")
                          : tr("For %1 (%2)").arg(QString::fromStdString(recipe->name)).arg(users));
}

} // namespace ember::app
