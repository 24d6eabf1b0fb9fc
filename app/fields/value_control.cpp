// SPDX-License-Identifier: GPL-3.0-or-later
#include "value_control.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFrame>
#include <QLabel>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPushButton>
#include <QScrollArea>

#include "colour_field.h"
#include "ember/core/values.h"
#include "form.h"
#include "pair_layout.h"
#include "style.h"
#include "text.h"
#include "theme.h"
#include "value_field.h"

namespace ember::app {

QString shownWord(std::string_view word)
{
    QString text = ours(word);
    text.replace(QLatin1Char('_'), QLatin1Char(' '));
    return text;
}

QScrollArea* scrolling(QWidget* page)
{
    auto* area = new QScrollArea;
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setFrameShape(QFrame::NoFrame);
    area->setWidget(page);
    page->setAutoFillBackground(false); // what the area lies on shows through
    area->viewport()->setAutoFillBackground(false);
    area->setFocusPolicy(Qt::NoFocus);
    return area;
}

QLabel* dimLabel(const QString& text, QWidget* parent)
{
    auto* label = new QLabel(text, parent);
    theme::setDim(*label);
    return label;
}

QLabel* partName(const QString& text, QWidget* parent)
{
    auto* label = new QLabel(text, parent);
    label->setFont(theme::words(13, true));
    return label;
}

QPushButton* smallButton(const QString& text, const QString& objectName, const QString& tip, QWidget* parent)
{
    auto* made = new QPushButton(text, parent);
    made->setObjectName(objectName);
    made->setToolTip(tip);
    made->setFont(theme::words(11));
    setLook(*made, Look::tight);
    return made;
}

QPushButton* smallToggle(const QString& text, const QString& objectName, const QString& tip, QWidget* parent)
{
    QPushButton* made = smallButton(text, objectName, tip, parent);
    made->setCheckable(true);
    return made;
}

void allow(QAbstractButton* button, const QString& whyNot)
{
    constexpr const char* tip = "tip"; // what it says when it can be pressed
    if (!button->property(tip).isValid())
        button->setProperty(tip, button->toolTip());
    button->setEnabled(whyNot.isEmpty());
    button->setToolTip(whyNot.isEmpty() ? button->property(tip).toString() : whyNot);
}

QWidget* rule(QWidget* parent)
{
    auto* line = new QFrame(parent);
    line->setFixedHeight(1);
    theme::fill(*line, theme::Ground::rule);
    return line;
}

// --- one value ---

namespace {
constexpr qint64 oneChoice = 1200; ///< milliseconds from one word to the next
}

quint64 ChoiceRun::gesture(const std::function<quint64()>& fresh)
{
    if (!last_.isValid() || last_.elapsed() > oneChoice)
        gesture_ = fresh ? fresh() : 0;
    last_.start();
    return gesture_;
}

ValueControl::ValueControl(const FieldSpec& spec, const QString& label, QWidget* parent)
    : QWidget(parent), spec_(spec), label_(label), help_(ours(spec.help))
{
    auto* row = newRow(this, usualSpacing, {0, 0, 0, 0});
    if (spec.choices.data() == offOn.data()) {
        switch_ = new QCheckBox(label, this);
        switch_->setFont(theme::words(11));
        switch_->installEventFilter(this);
        row->addWidget(switch_);
        connect(switch_, &QCheckBox::clicked, this, [this](bool on) { emit wished(on ? 1 : 0, 0); });
    } else if (!spec.choices.empty()) {
        list_ = new QComboBox(this);
        for (const auto word : spec.choices)
            list_->addItem(shownWord(word));
        list_->setFont(theme::words(12));
        setLook(*list_, Look::tight);
        list_->setMinimumContentsLength(5);
        list_->setSizeAdjustPolicy(QComboBox::AdjustToContents);
        list_->installEventFilter(this);
        row->addWidget(list_);
        connect(list_, &QComboBox::activated, this,
                [this](int index) { emit wished(index, choices_.gesture(gestureSource)); });
    } else if (isColour(spec)) {
        colour_ = new ColourField(this);
        colour_->editor()->installEventFilter(this);
        row->addWidget(colour_);
        connect(colour_, &ColourField::wished, this, [this](const QColor& colour) {
            if (const auto value = valueFromText(spec_, colour.name().toStdString()))
                emit wished(*value, 0);
        });
    } else {
        field_ = new ValueField(spec, this);
        field_->setWhole(spec.whole);
        field_->gestureSource = [this] { return gestureSource ? gestureSource() : 0; };
        row->addWidget(field_);
        connect(field_, &ValueField::wished, this, &ValueControl::wished);
        field_->resetAction = [this] {
            if (resetAction)
                resetAction();
            else
                emit wished(spec_.fallback, 0);
        };
        setFocusProxy(field_);
    }
    if (field_ == nullptr) {
        setFocusProxy(list_ != nullptr     ? static_cast<QWidget*>(list_)
                      : colour_ != nullptr ? colour_
                                           : static_cast<QWidget*>(switch_));
        row->addStretch(1);
    }
    setBarred({});
}

void ValueControl::setBarred(const QString& reason)
{
    if (field_ != nullptr) {
        field_->setBarred(reason);
        return;
    }
    auto* control = list_ != nullptr     ? static_cast<QWidget*>(list_)
                    : colour_ != nullptr ? static_cast<QWidget*>(colour_)
                                         : switch_;
    control->setEnabled(reason.isEmpty());
    const QString tip = reason.isEmpty() ? help_ + tr(".\nCtrl+click resets it.") : reason;
    control->setToolTip(tip);
    if (colour_ != nullptr)
        colour_->setHelp(tip);
}

void ValueControl::setValue(double value, bool own)
{
    if (field_ != nullptr) {
        field_->setValue(value);
        field_->setOwn(own);
        return;
    }
    if (list_ != nullptr)
        list_->setCurrentIndex(static_cast<int>(value));
    else if (colour_ != nullptr)
        colour_->setColour(QColor(toQString(valueText(spec_, value))));
    else
        switch_->setChecked(value != 0);
    if (own == own_)
        return;
    own_ = own; // marked like a number's asterisk
    if (list_ != nullptr)
        list_->setFont(theme::words(12, own));
    else if (switch_ != nullptr)
        switch_->setText(own ? label_ + QStringLiteral(" *") : label_);
}

void ValueControl::setTime(double framesPerSecond, bool inSeconds)
{
    if (field_ != nullptr)
        field_->setTime(framesPerSecond, inSeconds);
}

bool ValueControl::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::MouseButtonPress) {
        const auto* press = static_cast<QMouseEvent*>(event);
        if (press->button() == Qt::LeftButton && (press->modifiers() & Qt::ControlModifier) != 0) {
            if (resetAction)
                resetAction();
            else
                emit wished(spec_.fallback, 0);
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

// --- many ---

ControlGrid::ControlGrid(OpenDocument& document, Shaping& shaping, Binding binding, int columns, QWidget* parent)
    : QWidget(parent), document_(document), shaping_(shaping), binding_(std::move(binding)),
      pairs_(new PairLayout(columns, this))
{
}

ValueControl* ControlGrid::add(const std::string& key, const FieldSpec& spec, const QString& label, int span)
{
    const QString name = label.isNull() ? ours(spec.label) : label;
    auto* control = new ValueControl(spec, name, this);
    QString objectName = QString::fromStdString(key);
    control->setObjectName(objectName.replace(QLatin1Char('.'), QLatin1Char('-')));
    control->gestureSource = [this] { return document_.newGesture(); };
    if (control->field() != nullptr && binding_.keyFor)
        control->field()->setKeySource([keyFor = binding_.keyFor, key] { return keyFor(key); });
    connect(control, &ValueControl::wished, this,
            [this, key, spec](double value, quint64 gesture) { binding_.write(key, spec, value, gesture); });
    if (binding_.reset)
        control->resetAction = [this, key, spec] { binding_.reset(key, spec); };
    QWidget* text = nullptr;
    if (!control->isSwitch() && !name.isEmpty()) {
        text = dimLabel(name, this);
        text->setFont(theme::words(11));
    }
    pairs_->addPair(text, control, span);
    items_.push_back({key, text, control});
    return control;
}

ValueControl* ControlGrid::addHead(const std::string& key, const FieldSpec& spec)
{
    nextRow();
    ValueControl* control = add(key, spec);
    if (QWidget* name = items_.back().label) {
        theme::setDim(*name, false);
        name->setFont(theme::words(12, true));
    }
    return control;
}

void ControlGrid::addNamed(const QString& label, QWidget* control)
{
    auto* text = dimLabel(label, this);
    text->setFont(theme::words(11));
    pairs_->addPair(text, control);
    named_.emplace_back(control, text);
}

void ControlGrid::setNamedVisible(QWidget* control, bool visible)
{
    for (const auto& [of, name] : named_)
        if (of == control)
            name->setVisible(visible);
    control->setVisible(visible);
}

void ControlGrid::addWidget(QWidget* widget, int span)
{
    pairs_->addPair(nullptr, widget, span);
}

void ControlGrid::nextRow()
{
    pairs_->breakRow();
}

void ControlGrid::refresh()
{
    const double rate = document_.project().rate.perSecond();
    for (const Item& item : items_) {
        const auto value = binding_.read(item.key);
        item.control->setVisible(value.has_value());
        if (item.label != nullptr)
            item.label->setVisible(value.has_value());
        if (!value)
            continue;
        item.control->setTime(rate, shaping_.inSeconds());
        item.control->setValue(*value, binding_.own && binding_.own(item.key));
    }
}

ControlGrid::Binding recipeBinding(Shaping& shaping, const std::function<std::string()>& prefix)
{
    ControlGrid::Binding binding;
    binding.keyFor = [&shaping, prefix](const std::string& key) { return shaping.settingKey(prefix() + key); };
    binding.read = [&shaping, prefix](const std::string& key) { return shaping.value(prefix() + key); };
    binding.own = [&shaping, prefix](const std::string& key) { return shaping.isOwn(prefix() + key); };
    binding.write = [&shaping, prefix](const std::string& key, const FieldSpec&, double value, quint64 gesture) {
        shaping.set({{prefix() + key, value}}, gesture);
    };
    binding.reset = [&shaping, prefix](const std::string& key, const FieldSpec&) { shaping.reset(prefix() + key); };
    return binding;
}

} // namespace ember::app
