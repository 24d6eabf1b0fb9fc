// SPDX-License-Identifier: GPL-3.0-or-later
#include "text.h"

#include <QCoreApplication>

namespace ember::app {

namespace {

/// Codes of the engine are translated under this name; what has no translation stays English.
std::string translated(const std::string& code)
{
    return QCoreApplication::translate("Engine", code.c_str()).toStdString();
}

} // namespace

QString said(const Phrase& phrase)
{
    return toQString(phrase.said(translated));
}

QString said(const Error& error)
{
    return toQString(sentence(error, translated));
}

} // namespace ember::app
