// SPDX-License-Identifier: GPL-3.0-or-later
// How parts of a project are called in messages.
#pragma once

#include <string>

#include <QString>

#include "ember/core/field.h"
#include "ember/core/project.h"

namespace ember::app {

/// What a settle mark does, and to whom; a sentence.
QString settleSentence(const Project& project, const SettleMark& mark);
/// The strike's name, or its kind where it has none.
QString strikeTitle(const Strike& strike);
QString kindTitle(StrikeKind kind);
/// "Kick: rate 12 Hz"
QString valueSentence(const std::string& key, const FieldSpec& spec, double value);

} // namespace ember::app
