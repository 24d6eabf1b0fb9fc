// SPDX-License-Identifier: GPL-3.0-or-later
#include "words.h"

#include <algorithm>
#include <cmath>

#include <QCoreApplication>

#include "ember/core/values.h"
#include "language.h"
#include "text.h"

namespace ember::app {

namespace {
/// Says its words under this name.
struct PartWords {
    Q_DECLARE_TR_FUNCTIONS(Words)
};
} // namespace

QString kindTitle(StrikeKind kind)
{
    switch (kind) {
    case StrikeKind::blast: return PartWords::tr("Blast");
    case StrikeKind::landing: return PartWords::tr("Landing");
    case StrikeKind::hit: return PartWords::tr("Hit");
    case StrikeKind::beat: return PartWords::tr("Beat");
    }
    return {};
}

QString strikeTitle(const Strike& strike)
{
    return strike.name.empty() ? kindTitle(strike.kind) : QString::fromStdString(strike.name);
}

QString settleSentence(const Project& project, const SettleMark& mark)
{
    const Strike* strike = mark.strike != 0 ? project.strike(mark.strike) : nullptr;
    const QString what = mark.mode == SettleMode::cut
                             ? PartWords::tr("Settle mark: cut on frame %1").arg(mark.frame.index)
                             : PartWords::tr("Settle mark: eased home from frame %1 over %2 frames")
                                   .arg(mark.frame.index)
                                   .arg(mark.frames);
    if (strike != nullptr)
        return PartWords::tr("%1, only %2.").arg(what, strikeTitle(*strike));
    if (!mark.group.empty())
        return PartWords::tr("%1, only the group %2.").arg(what, QString::fromStdString(mark.group));
    return what + QLatin1Char('.');
}

QString valueSentence(const std::string& key, const FieldSpec& spec, double value)
{
    value = clampTo(spec, value);
    QString text = ours(spec.label);
    if (key.starts_with("strand.")) { // whose it is: all between the prefix and the value's own key
        const auto from = std::string_view("strand.").size();
        const QString rest = QString::fromStdString(key.substr(from));
        QString what = language::inLine(text);
        for (const char* perAxis : {"back", "phase", "ratio"}) // "back roll": the label is the axis alone
            if (rest.section(QLatin1Char('.'), -2, -2) == QLatin1String(perAxis))
                what = (perAxis == QLatin1String("ratio") ? PartWords::tr("frequency") : ours(perAxis)) +
                       QLatin1Char(' ') + ours(rest.section(QLatin1Char('.'), -1).toStdString());
        text = rest.section(QLatin1Char('.'), 0, 0) + QStringLiteral(": ") + what;
    }
    if (!spec.choices.empty()) {
        QString word = ours(spec.choices[static_cast<std::size_t>(value)]);
        return text + QLatin1Char(' ') + word.replace(QLatin1Char('_'), QLatin1Char(' '));
    }
    return QStringLiteral("%1 %2 %3")
        .arg(text)
        .arg(spec.unit == "%" ? value * 100 : value)
        .arg(ours(spec.unit))
        .trimmed();
}

} // namespace ember::app
