// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string_view>

#include <QString>

#include "ember/core/error.h"

namespace ember::app {

/// The core's UTF-8 texts as Qt's.
inline QString toQString(std::string_view text)
{
    return QString::fromUtf8(text.data(), static_cast<qsizetype>(text.size()));
}

/// What the engine has to say, in the language of the window.
QString said(const Phrase& phrase);
QString said(const Error& error);

} // namespace ember::app
