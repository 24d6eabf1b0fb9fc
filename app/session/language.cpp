// SPDX-License-Identifier: GPL-3.0-or-later
#include "language.h"

#include <algorithm>
#include <memory>

#include <QCoreApplication>
#include <QDir>
#include <QLibraryInfo>
#include <QLocale>
#include <QSettings>
#include <QTranslator>

/// From a library they are taken in only where they are asked for. It must be of no namespace.
static void takeInTranslations()
{
    Q_INIT_RESOURCE(translations);
}

namespace ember::app::language {

namespace {

const QString chosenKey = QStringLiteral("preferences/language");
const QString english = QStringLiteral("en");
const QString folder = QStringLiteral(":/translations");
const QString stem = QStringLiteral("vast-ember_");

struct Speaking {
    QString code = english;
    std::unique_ptr<QTranslator> own;
    std::unique_ptr<QTranslator> qt;
};

Speaking& speaking()
{
    static Speaking now;
    return now;
}

bool spoken(const QString& code)
{
    const auto languages = all();
    return std::any_of(languages.begin(), languages.end(), [&](const Language& one) { return one.code == code; });
}

} // namespace

QList<Language> all()
{
    takeInTranslations();
    QList<Language> languages{{english, QStringLiteral("English")}};
    for (const QString& file : QDir(folder).entryList({stem + QStringLiteral("*.qm")})) {
        const QString code = file.mid(stem.size()).chopped(3);
        QString name = QLocale(code).nativeLanguageName();
        if (!name.isEmpty())
            name[0] = name[0].toUpper();
        languages.append({code, name.isEmpty() ? code : name});
    }
    return languages;
}

QString chosen()
{
    const QString code = QSettings().value(chosenKey).toString();
    return spoken(code) ? code : QString();
}

void setChosen(const QString& code)
{
    QSettings().setValue(chosenKey, code);
}

QString wanted()
{
    if (const QString code = chosen(); !code.isEmpty())
        return code;
    for (const QString& tongue : QLocale::system().uiLanguages())
        if (const QString code = tongue.section(QLatin1Char('-'), 0, 0).section(QLatin1Char('_'), 0, 0); spoken(code))
            return code;
    return english;
}

void use(const QString& code)
{
    Speaking& now = speaking();
    now = {}; // a translator that is deleted is taken off
    if (code == english || !spoken(code))
        return;
    now.own = std::make_unique<QTranslator>();
    if (!now.own->load(stem + code, folder))
        return;
    now.code = code;
    QCoreApplication::installTranslator(now.own.get());
    now.qt = std::make_unique<QTranslator>();
    if (now.qt->load(QStringLiteral("qtbase_") + code, QLibraryInfo::path(QLibraryInfo::TranslationsPath)))
        QCoreApplication::installTranslator(now.qt.get());
}

QString used()
{
    return speaking().code;
}

QString inLine(const QString& label)
{
    return used() == english ? label.toLower() : label;
}

} // namespace ember::app::language
