// SPDX-License-Identifier: GPL-3.0-or-later
#include "rate_text.h"

#include <QStringList>

namespace ember::app {

std::optional<FrameRate> rateOf(const QString& text)
{
    const QStringList parts = text.trimmed().split(QLatin1Char('/'));
    bool ok = false;
    const auto num = parts[0].toLongLong(&ok);
    if (!ok || parts.size() > 2)
        return std::nullopt;
    const auto den = parts.size() == 2 ? parts[1].toLongLong(&ok) : 1;
    return ok ? FrameRate::make(num, den) : std::nullopt;
}

QString rateText(FrameRate rate)
{
    return rate.den() == 1 ? QString::number(rate.num()) : QStringLiteral("%1/%2").arg(rate.num()).arg(rate.den());
}

} // namespace ember::app
