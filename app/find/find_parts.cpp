// SPDX-License-Identifier: GPL-3.0-or-later
#include "find_parts.h"

#include <QComboBox>
#include <QLabel>

#include "form.h"
#include "style.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

QLabel* smallLabel(const QString& text, QWidget* parent)
{
    QLabel* label = dimLabel(text, parent);
    label->setFont(theme::words(11));
    return label;
}

QComboBox* wordList(const QStringList& words, const char* name, const QString& tip, QWidget* parent)
{
    auto* made = new QComboBox(parent);
    made->addItems(words);
    made->setObjectName(QLatin1String(name));
    made->setToolTip(tip);
    made->setFont(theme::words(11));
    made->setSizeAdjustPolicy(QComboBox::AdjustToContents);
    made->setMinimumWidth(made->sizeHint().width());
    return made;
}

ValueField* numberField(Session& session, const FieldSpec& spec, const char* name, QWidget* parent)
{
    auto* made = new ValueField(spec, parent);
    made->setObjectName(QLatin1String(name));
    made->gestureSource = [&session] { return session.document.newGesture(); };
    return made;
}

QWidget* named(const QString& name, QWidget* control, QWidget* parent)
{
    auto* pair = new QWidget(parent);
    auto* row = newRow(pair, 5, {0, 0, 0, 0});
    row->addWidget(smallLabel(name, pair));
    row->addWidget(control);
    return pair;
}

} // namespace ember::app
