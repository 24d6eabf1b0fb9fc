// SPDX-License-Identifier: GPL-3.0-or-later
// Small controls of finding's panel.
#pragma once

#include <QString>
#include <QStringList>

#include "ember/core/field.h"
#include "session.h"

class QComboBox;
class QLabel;
class QWidget;

namespace ember::app {

class ValueField;

QLabel* smallLabel(const QString& text, QWidget* parent);
/// A list of words that is never cut.
QComboBox* wordList(const QStringList& words, const char* name, const QString& tip, QWidget* parent);
/// A number; one gesture is one step of the document's undo.
ValueField* numberField(Session& session, const FieldSpec& spec, const char* name, QWidget* parent);
/// A control with its name before it, which stay together.
QWidget* named(const QString& name, QWidget* control, QWidget* parent);

} // namespace ember::app
