// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

#include "ember/core/progress.h"

namespace ember::app {

/// The demo film: beside the programs where they were built, or made into the user's data folder when it is asked for
/// first. Made by vast-ember-demo, wherever that is.
namespace demo {

/// The project of a demo that is there; empty while there is none.
QString project();
/// The program that makes it; empty where it is not installed.
QString program();
/// Where one that is made now goes.
QString folder();
/// Makes it; where it is stopped nothing is left behind. Returns what went wrong; empty when nothing did or it was
/// stopped.
QString make(const QString& program, const QString& folder, const Progress& progress);

} // namespace demo

} // namespace ember::app
