// SPDX-License-Identifier: GPL-3.0-or-later
// Translations are in step with the words of the source: what the engine says is listed for them, and each says it all.
#include <set>

#include <QDir>
#include <QDirIterator>
#include <QFile>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTest>
#include <QXmlStreamReader>

#include "runner.h"

namespace {

QString textOf(const QString& path)
{
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? QString::fromUtf8(file.readAll()) : QString();
}

/// The string literals of a source, neighbours joined as the language joins them; not those of comments, raw ones and
/// includes.
QStringList literalsOf(const QString& source)
{
    static const QRegularExpression token(
        QStringLiteral("//[^\\n]*|/\\*.*?\\*/|R\"(\\w*)\\(.*?\\)\\1\"|#include[^\\n]*|'(?:\\\\.|[^'\\\\])'|"
                       "\"((?:\\\\.|[^\"\\\\])*)\"|\\S"),
        QRegularExpression::DotMatchesEverythingOption);
    QStringList found;
    bool joining = false;
    for (auto match = token.globalMatch(source); match.hasNext();) {
        const QRegularExpressionMatch one = match.next();
        const QString whole = one.captured();
        if (whole.startsWith(QLatin1String("//")) || whole.startsWith(QLatin1String("/*")))
            continue;
        if (!whole.startsWith(QLatin1Char('"'))) {
            joining = false;
            continue;
        }
        QString text = one.captured(2);
        text.replace(QLatin1String("\\n"), QLatin1String("\n")).replace(QLatin1String("\\\""), QLatin1String("\""));
        if (joining)
            found.last() += text;
        else
            found << text;
        joining = true;
    }
    return found;
}

/// Words for people: a sentence, a part of one with places for values, a help. Markup, keys and the pieces of files are
/// none.
bool isSaid(const QString& text)
{
    static const QRegularExpression words(QStringLiteral("[a-z]{2}.* .*[a-z]|\\{\\}"));
    static const QRegularExpression made(QStringLiteral("[<>;=\\n]|\\{ | \\}|^[.@]"));
    return text == text.trimmed() && words.match(text).hasMatch() && !made.match(text).hasMatch();
}

struct Message {
    QString context;
    QString source;
    QString translation;
    bool finished = false;
};

std::vector<Message> messagesOf(const QString& path)
{
    std::vector<Message> messages;
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly))
        return messages;
    QXmlStreamReader xml(&file);
    QString context;
    while (!xml.atEnd()) {
        xml.readNext();
        if (!xml.isStartElement())
            continue;
        if (xml.name() == QLatin1String("name"))
            context = xml.readElementText();
        else if (xml.name() == QLatin1String("message"))
            messages.push_back({context, {}, {}, false});
        else if (xml.name() == QLatin1String("source"))
            messages.back().source = xml.readElementText();
        else if (xml.name() == QLatin1String("translation")) {
            messages.back().finished = xml.attributes().value(QLatin1String("type")).isEmpty();
            messages.back().translation = xml.readElementText();
        }
    }
    return messages;
}

} // namespace

class TranslationsTest : public QObject {
    Q_OBJECT
    const QString root_ = QStringLiteral(EMBER_SOURCE_DIR);
    const QString folder_ = root_ + QStringLiteral("/app/translations/");

    QStringList files() const
    {
        QStringList paths;
        for (const QString& name : QDir(folder_).entryList({QStringLiteral("*.ts")}))
            paths << folder_ + name;
        return paths;
    }

private slots:
    void literalsAreRead()
    {
        QCOMPARE(
            literalsOf(QStringLiteral("f(\"a b\"\n  \"c\", 'x', \"d\\\"e\"); // \"no\"\n#include \"no\"\nR\"(no)\"")),
            (QStringList{QStringLiteral("a bc"), QStringLiteral("d\"e")}));
        QVERIFY(isSaid(QStringLiteral("it has no frame {}")) && isSaid(QStringLiteral("How far it goes")));
        QVERIFY(!isSaid(QStringLiteral("<a b>")) && !isSaid(QStringLiteral("one")) &&
                !isSaid(QStringLiteral(" of it")));
    }
    void whatTheEngineSaysIsListed()
    {
        std::set<QString> listed;
        for (const QString& text : literalsOf(textOf(folder_ + QStringLiteral("engine_words.h"))))
            listed.insert(text);
        QVERIFY(listed.size() > 400);
        // The names of shipped recipes are the project's own; texts for machines are in English.
        static const QRegularExpression others(QStringLiteral("shipped_|manual_page|css|svg|usd[.]cpp"));
        QStringList missing;
        for (const char* room :
             {"core", "files", "json", "analysis", "drop", "media", "exchange", "project", "live", "film"}) {
            QDirIterator sources(root_ + QLatin1Char('/') + QLatin1String(room),
                                 {QStringLiteral("*.h"), QStringLiteral("*.cpp")}, QDir::Files,
                                 QDirIterator::Subdirectories);
            while (sources.hasNext()) {
                const QString path = sources.next();
                if (others.match(path.mid(root_.size())).hasMatch())
                    continue;
                for (const QString& text : literalsOf(textOf(path)))
                    if (isSaid(text) && listed.count(text) == 0)
                        missing << QStringLiteral("QT_TRANSLATE_NOOP(\"Engine\", \"%1\")").arg(text);
            }
        }
        missing.removeDuplicates();
        QVERIFY2(missing.isEmpty(),
                 qPrintable(QStringLiteral("not in engine_words.h:\n") + missing.join(QLatin1Char('\n'))));
    }
    void allIsTranslated()
    {
        QVERIFY(!files().isEmpty());
        static const QRegularExpression place(QStringLiteral("%L?\\d+|\\{\\d?\\}"));
        const auto placesOf = [](const QString& text) {
            QStringList places;
            for (auto match = place.globalMatch(text); match.hasNext();)
                places << match.next().captured().replace(QRegularExpression(QStringLiteral("\\{\\d\\}")),
                                                          QStringLiteral("{}"));
            places.sort();
            return places;
        };
        for (const QString& path : files())
            for (const Message& message : messagesOf(path)) {
                QVERIFY2(message.finished && !message.translation.isEmpty(), qPrintable(message.source));
                QVERIFY2(placesOf(message.source) == placesOf(message.translation), qPrintable(message.translation));
            }
    }
    void translationsAreInStep()
    {
        QTemporaryDir scratch;
        for (const QString& path : files()) {
            const QString copy = scratch.filePath(QStringLiteral("words.ts"));
            QVERIFY(QFile::copy(path, copy));
            QProcess update;
            update.start(QStringLiteral(EMBER_LUPDATE),
                         {QStringLiteral("-silent"), QStringLiteral("-locations"), QStringLiteral("none"),
                          QStringLiteral("-extensions"), QStringLiteral("cpp,h"), root_ + QStringLiteral("/app"),
                          QStringLiteral("-ts"), copy});
            QVERIFY(update.waitForFinished(300'000) && update.exitCode() == 0);
            for (const Message& message : messagesOf(copy))
                QVERIFY2(message.finished,
                         qPrintable(QStringLiteral("run tools/update-translations: ") + message.source));
            QFile::remove(copy);
        }
    }
};

EMBER_TEST(TranslationsTest)
#include "tst_translations.moc"
