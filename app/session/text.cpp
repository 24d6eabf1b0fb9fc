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

QString ours(std::string_view english)
{
    return english.empty() ? QString() : QString::fromStdString(translated(std::string(english)));
}

QString said(const Phrase& phrase)
{
    return toQString(phrase.said(translated));
}

QString said(const Error& error)
{
    return toQString(sentence(error, translated));
}

QString axisValueText(Axis axis, double value, TraceOf what)
{
    const bool pixels = axis == Axis::x || axis == Axis::y;
    const QString number = QString::number(axis == Axis::zoom ? 100 * value : value, 'f', pixels ? 1 : 2);
    const QString unit = pixels               ? QCoreApplication::translate("Axis", " px")
                         : axis == Axis::zoom ? QCoreApplication::translate("Axis", " %")
                                              : QStringLiteral("°");
    return number + unit + (what == TraceOf::speed ? QCoreApplication::translate("Axis", "/f") : QString());
}

} // namespace ember::app
