// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>

#include <QString>

#include "ember/core/error.h"
#include "ember/core/trace.h"

namespace ember::app {

/// The core's UTF-8 texts as Qt's.
inline QString toQString(std::string_view text)
{
    return QString::fromUtf8(text.data(), static_cast<qsizetype>(text.size()));
}

/// The engine's own words (labels, units, helps, choices), in the language of the window. Not for what came from
/// outside.
QString ours(std::string_view english);
/// What the engine has to say, in the language of the window.
QString said(const Phrase& phrase);
QString said(const Error& error);

/// A value of an axis with its unit: "37.2 px", "0.41°", "4.00 %"; of its speed, per frame.
QString axisValueText(Axis axis, double value, TraceOf what = TraceOf::place);

} // namespace ember::app
