// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QList>
#include <QString>

namespace ember::app::language {

/// A language the window speaks.
struct Language {
    QString code; ///< "en", "de"
    QString name; ///< as it calls itself
};
/// English, and each that a translation was built in of.
QList<Language> all();

/// What the person chose; empty for the system's. A choice there is no translation for counts as none.
QString chosen();
void setChosen(const QString& code);
/// What that comes to here: the first of the system's languages that is spoken, else English.
QString wanted();

/// Has the program speak this language from now on; what is shown already is not said anew. One that is not spoken is
/// English. Also the dialogs of Qt itself, where the system has their translation.
void use(const QString& code);
QString used();

/// A label as it is written within a line: small in English; left as it is where nouns are large.
QString inLine(const QString& label);

} // namespace ember::app::language
