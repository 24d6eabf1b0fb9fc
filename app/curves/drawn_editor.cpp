// SPDX-License-Identifier: GPL-3.0-or-later
#include "drawn_editor.h"

#include <algorithm>
#include <cmath>

#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "flow_layout.h"
#include "form.h"
#include "text.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec frameField{"frame", "Frame", "frames", -100000, 100000, 0, 1, "Frames from the peak"};
const FieldSpec valueField{"value", "Value", "%", -1, 1, 0, 0.05, "Share of the amount"};
const FieldSpec timesField{"times", "Times", "", 1, 50, 1, 1, "How often the chosen keys follow themselves", {}, true};
const FieldSpec shareField{"share", "Share", "%", -1, 1, 0.6, 0.05, "How large each time is against the one before"};

} // namespace

DrawnEditor::DrawnEditor(OpenDocument& document, Shaping& shaping, Messages& messages, std::size_t strand,
                         QWidget* parent)
    : QWidget(parent), document_(document), shaping_(shaping), messages_(messages), strand_(strand),
      canvas_(new DrawnCanvas(document_, shaping_, messages_, strand, this)), axis_(new QComboBox(this)),
      frame_(new ValueField(frameField, this)), value_(new ValueField(valueField, this)), ease_(new QComboBox(this)),
      times_(new ValueField(timesField, this)), share_(new ValueField(shareField, this))
{
    auto* column = newColumn(this, 3, {0, 0, 0, 0});
    column->addWidget(canvas_);
    column->addLayout(buildNumbers());
    column->addLayout(buildDoings());
    column->addLayout(buildOwn());
    connect(canvas_, &DrawnCanvas::selectionChanged, this, &DrawnEditor::refreshKey);
    // The axis on which it shows most comes first.
    if (const Recipe* recipe = shaping_.felt(); recipe != nullptr && strand < recipe->strands.size()) {
        const AxisValues& amount = recipe->strands[strand].amount;
        const auto pixels = [&](Axis axis) { // about as many as a picture of 1280 shows
            return std::abs(amount[axis]) * (axis == Axis::zoom ? 640 : axis == Axis::x || axis == Axis::y ? 1 : 11);
        };
        const Axis most =
            *std::max_element(allAxes.begin(), allAxes.end(), [&](Axis a, Axis b) { return pixels(a) < pixels(b); });
        axis_->setCurrentIndex(static_cast<int>(most));
        canvas_->setAxis(most);
    }
    refresh();
}

QLayout* DrawnEditor::buildNumbers()
{
    auto* row = new FlowLayout;
    axis_->setObjectName(QStringLiteral("drawn-axis"));
    for (const Axis axis : allAxes)
        axis_->addItem(ours(axisName(axis)));
    axis_->setToolTip(tr("The axis whose curve is shown; each has its own. Its size is the strand's amount."));
    connect(axis_, &QComboBox::activated, this, [this](int index) {
        canvas_->setAxis(static_cast<Axis>(index));
        refreshKey();
    });
    row->addWidget(axis_);
    for (auto* field : {frame_, value_}) {
        field->gestureSource = [this] { return document_.newGesture(); };
        row->addWidget(dimLabel(field == frame_ ? tr("frame") : tr("value"), this));
        row->addWidget(field);
    }
    frame_->setObjectName(QStringLiteral("drawn-frame"));
    value_->setObjectName(QStringLiteral("drawn-value"));
    connect(frame_, &ValueField::wished, this, [this](double v, quint64 g) {
        changeKey([v](CurveKey& key) { key.frame = v; }, tr("Key at %1").arg(v), g);
    });
    connect(value_, &ValueField::wished, this, [this](double v, quint64 g) {
        changeKey([v](CurveKey& key) { key.value = v; }, tr("Key %1 %").arg(100 * v), g);
    });
    value_->changeEach = [this](const TypedChange& change) {
        changeKey([change](CurveKey& key) { key.value = std::clamp(change.of(key.value), -1.0, 1.0); },
                  tr("Keys changed together"), 0);
    };
    ease_->setObjectName(QStringLiteral("drawn-ease"));
    for (const auto word : curveEaseWords)
        ease_->addItem(word == "in" ? tr("eased in") : word == "out" ? tr("eased out") : ours(word));
    connect(ease_, &QComboBox::activated, this, [this](int index) {
        changeKey([index](CurveKey& key) { key.ease = static_cast<Ease>(index); },
                  tr("Easing %1").arg(ease_->itemText(index)), 0);
    });
    row->addWidget(ease_);
    return row;
}

QLayout* DrawnEditor::buildDoings()
{
    auto* row = new FlowLayout;
    const auto button = [&](const QString& text, const char* name, const QString& tip, const DrawnCanvas::Edit& change,
                            const QString& result) {
        auto* made = smallButton(text, QLatin1String(name), tip, this);
        connect(made, &QPushButton::clicked, this, [this, change, result] { canvas_->edit(change, result); });
        row->addWidget(made);
        needChosen_.push_back(made);
    };
    button(
        tr("Flip"), "keys-flip", tr("Turns the chosen keys over: right becomes left"),
        [](const CurveKeys& keys, const KeyPlaces& chosen) { return scaledInValue(keys, chosen, -1); },
        tr("Keys turned over"));
    button(
        tr("Backwards"), "keys-backwards", tr("Reverses the chosen keys in time"),
        [](const CurveKeys& keys, const KeyPlaces& chosen) { return mirroredInTime(keys, chosen); },
        tr("Keys backwards"));
    button(
        tr("Smooth"), "keys-smooth", tr("Each chosen value half way to the mean of its neighbours"),
        [](const CurveKeys& keys, const KeyPlaces& chosen) { return smoothed(keys, chosen); }, tr("Keys smoothed"));
    button(
        tr("To rest"), "keys-rest", tr("The chosen keys at 0, and flat: a calm end"),
        [](CurveKeys keys, const KeyPlaces& chosen) {
            for (const std::size_t i : chosen)
                keys[i].value = keys[i].slopeIn = keys[i].slopeOut = 0;
            return keys;
        },
        tr("Keys at rest"));
    auto* repeat = smallButton(tr("Repeat"), QStringLiteral("keys-repeat"),
                               tr("Repeats the chosen keys this many times, each time scaled by this"), this);
    connect(repeat, &QPushButton::clicked, this, [this] {
        canvas_->edit(
            [times = static_cast<int>(times_->value()), share = share_->value()](
                const CurveKeys& keys, const KeyPlaces& chosen) { return repeated(keys, chosen, times, share); },
            tr("Keys repeated"));
    });
    needChosen_.push_back(repeat);
    row->addWidget(repeat);
    times_->setObjectName(QStringLiteral("keys-times"));
    share_->setObjectName(QStringLiteral("keys-share"));
    for (auto* field : {times_, share_}) {
        field->setFixedWidth(field == times_ ? 26 : 46);
        connect(field, &ValueField::wished, field, [field](double value) { field->setValue(value); });
        row->addWidget(field);
    }
    clear_ = smallButton(tr("Clear"), QStringLiteral("keys-clear"), tr("Deletes all keys of this axis"), this);
    connect(clear_, &QPushButton::clicked, this, [this] {
        canvas_->choose({});
        canvas_->setKeys({}, tr("Keys of %1 cleared").arg(axis_->currentText()), 0);
        refreshKey();
    });
    row->addWidget(clear_);
    return row;
}

QLayout* DrawnEditor::buildOwn()
{
    auto* row = new FlowLayout; // in any language it is as narrow as its place
    follow_ = smallButton(tr("Follow the recipe's keys"), QStringLiteral("keys-follow"),
                          tr("These keys are this strike's own; this gives them back to the recipe"), this);
    connect(follow_, &QPushButton::clicked, this, [this] {
        canvas_->choose({});
        shaping_.returnKeys(strandName());
    });
    row->addWidget(follow_);
    reach_ = smallButton(tr("Lengthen"), QStringLiteral("keys-reach"),
                         tr("The envelope ends before the last key, so what is hatched is not felt. This makes it last "
                            "until that key."),
                         this);
    connect(reach_, &QPushButton::clicked, this, [this] { shaping_.reachKey(strandName(), canvas_->lastKey()); });
    unfelt_ = dimLabel(tr("Keys beyond the envelope are not felt."), this);
    unfelt_->setObjectName(QStringLiteral("keys-unfelt"));
    row->addWidget(unfelt_);
    row->addWidget(reach_);
    return row;
}

void DrawnEditor::changeKey(const std::function<void(CurveKey&)>& change, const QString& result, quint64 gesture)
{
    canvas_->edit(
        [&](CurveKeys keys, const KeyPlaces& chosen) {
            for (const std::size_t i : chosen)
                change(keys[i]);
            return tidied(std::move(keys), true);
        },
        result, gesture);
}

std::string DrawnEditor::strandName() const
{
    const Recipe* recipe = shaping_.felt();
    return recipe != nullptr && strand_ < recipe->strands.size() ? recipe->strands[strand_].name : std::string();
}

void DrawnEditor::refresh()
{
    canvas_->refresh();
    refreshKey();
}

void DrawnEditor::refreshKey()
{
    const CurveKeys& keys = canvas_->keys();
    const KeyPlaces& chosen = canvas_->chosen();
    const QString reason = chosen.empty() ? tr("Choose keys of the curve first") : QString();
    const bool peak = chosen.size() == 1 && canvas_->fixed(keys[chosen.front()]);
    const QString fixed = peak ? tr("The key on the peak stays there, at 100 %") : reason;
    frame_->setBarred(chosen.size() > 1 ? tr("Several keys are chosen: drag them, or the box around them") : fixed);
    value_->setBarred(fixed);
    ease_->setEnabled(!chosen.empty());
    ease_->setToolTip(chosen.empty() ? reason
                                     : tr("How the curve goes on to the next key; a curve has slopes to drag"));
    for (QPushButton* button : needChosen_)
        allow(button, fixed);
    allow(clear_, keys.empty() ? tr("This axis has no keys") : QString());
    follow_->setVisible(shaping_.keysAreOwn(strandName()));
    unfelt_->setVisible(canvas_->unfelt());
    reach_->setVisible(canvas_->unfelt());
    value_->setMixed(std::any_of(chosen.begin(), chosen.end(),
                                 [&](std::size_t i) { return keys[i].value != keys[chosen.front()].value; }));
    if (chosen.empty())
        return;
    const CurveKey& key = keys[chosen.front()];
    frame_->setValue(key.frame);
    value_->setValue(key.value);
    ease_->setCurrentIndex(static_cast<int>(key.ease));
}

} // namespace ember::app
