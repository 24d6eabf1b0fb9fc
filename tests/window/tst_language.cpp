// SPDX-License-Identifier: GPL-3.0-or-later
// The window in another language: no word is left out, none is cut, and the choice is kept.
#include <set>

#include <QGroupBox>
#include <QHeaderView>
#include <QListWidget>
#include <QMenuBar>
#include <QTableWidget>
#include <QTranslator>

#include "actions.h"
#include "cut_texts.h"
#include "ember/core/values.h"
#include "language.h"
#include "preferences.h"
#include "preferences_sheet.h"
#include "runner.h"
#include "text.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

namespace words_in_another_language {

/// Marks whatever is asked for.
class Marking : public QTranslator {
public:
    bool isEmpty() const override { return false; }
    QString translate(const char*, const char* source, const char*, int) const override
    {
        return QStringLiteral("‹") + QString::fromUtf8(source) + QStringLiteral("›");
    }
};

/// Tells which of ours the German one does not know.
class Missing : public QTranslator {
public:
    Missing() : known_(load()) {}
    bool isEmpty() const override { return false; }
    QString translate(const char* context, const char* source, const char* note, int) const override
    {
        if (!QByteArray(context).startsWith("Q") && known_->translate(context, source, note).isEmpty())
            missing.insert(QString::fromUtf8(context) + QStringLiteral(": ") + QString::fromUtf8(source));
        return {};
    }
    mutable std::set<QString> missing;

private:
    static std::unique_ptr<QTranslator> load()
    {
        language::all(); // takes the resource in
        auto german = std::make_unique<QTranslator>();
        if (!german->load(QStringLiteral(":/translations/vast-ember_de.qm")))
            qFatal("no German");
        return german;
    }
    std::unique_ptr<QTranslator> known_;
};

/// Whether there is none; else each is told.
bool none(const QStringList& list)
{
    for (const QString& one : list)
        qWarning("%s", qPrintable(one));
    return list.isEmpty();
}

/// A text without what is marked; what is in marks may have marks in it.
QString unmarked(QString text)
{
    static const QRegularExpression innermost(QStringLiteral("‹[^‹›]*›"));
    for (QString before; before != text;) {
        before = text;
        text.replace(innermost, QStringLiteral(" "));
    }
    return text;
}

} // namespace words_in_another_language

using namespace words_in_another_language;

class LanguageTest : public test::WindowFixture {
    Q_OBJECT
    QStringList left_;

    /// Words that are the project's or the machine's.
    QStringList foreign()
    {
        QStringList names{QString::fromStdString(clip_), QStringLiteral("clip"), QStringLiteral("Vast Ember"),
                          QStringLiteral("vember")};
        for (const std::string& state : Board().states)
            names << QString::fromStdString(state);
        for (const KeptMotion& motion : shippedMotions())
            names << QString::fromStdString(motion.name) << QString::fromStdString(motion.about);
        for (const Recipe& recipe : project().recipes) {
            names << QString::fromStdString(recipe.name);
            for (const Strand& strand : recipe.strands)
                names << QString::fromStdString(strand.name);
        }
        return names;
    }
    void look(const QString& where, const QString& text)
    {
        QString rest = unmarked(text);
        QStringList names = foreign();
        std::sort(names.begin(), names.end(), [](const QString& a, const QString& b) { return a.size() > b.size(); });
        for (const QString& name : names)
            rest.replace(name, QStringLiteral(" "));
        static const QRegularExpression word(QStringLiteral("[A-Za-z]{3,}"));
        if (word.match(rest).hasMatch())
            left_ << where + QStringLiteral(": ") + text;
    }
    void lookAtActions(const QList<QAction*>& actions)
    {
        for (const QAction* action : actions) {
            look(QStringLiteral("action"), action->text());
            if (action->toolTip() != action->iconText())
                look(QStringLiteral("action tip"), action->toolTip());
            if (action->menu() != nullptr && action->menu()->objectName() != QLatin1String("recent"))
                lookAtActions(action->menu()->actions());
        }
    }
    void lookAt(QWidget& root)
    {
        QList<QWidget*> all = root.findChildren<QWidget*>();
        all << &root;
        for (const QWidget* widget : all) {
            if (!widget->isVisible())
                continue;
            const QString name = widget->objectName().isEmpty() ? QString::fromLatin1(widget->metaObject()->className())
                                                                : widget->objectName();
            look(name + QStringLiteral(" tip"), widget->toolTip());
            look(name + QStringLiteral(" spoken"), widget->accessibleName());
            if (widget->isWindow())
                look(name + QStringLiteral(" title"), widget->windowTitle());
            if (const auto* label = qobject_cast<const QLabel*>(widget))
                look(name, label->text());
            else if (const auto* button = qobject_cast<const QAbstractButton*>(widget))
                look(name, button->text());
            else if (const auto* field = qobject_cast<const ValueField*>(widget))
                look(name, field->shownText());
            else if (const auto* line = qobject_cast<const QLineEdit*>(widget))
                look(name, line->placeholderText());
            else if (const auto* box = qobject_cast<const QGroupBox*>(widget))
                look(name, box->title());
            else if (const auto* list = qobject_cast<const QComboBox*>(widget)) {
                if (list->objectName() != QLatin1String("preference-device") &&
                    list->objectName() != QLatin1String("preference-language"))
                    for (int i = 0; i < list->count(); ++i)
                        look(name, list->itemText(i));
            } else if (const auto* table = qobject_cast<const QTableView*>(widget)) {
                for (int column = 0; column < table->model()->columnCount(); ++column)
                    look(name, table->model()->headerData(column, Qt::Horizontal).toString());
            }
        }
    }

private slots:
    void noWordIsWrittenWhereItIsShown()
    {
        Marking marking;
        QCoreApplication::installTranslator(&marking);
        window_.reset();
        begin();
        open(QString::fromStdString(clip_));
        left_.clear();
        throughAllPlaces([this](QWidget& place) { lookAt(place); });
        lookAtActions(window_->menuBar()->actions());
        window_.reset();
        QCoreApplication::removeTranslator(&marking);
        left_.removeDuplicates();
        QVERIFY(none(left_));
    }
    void germanKnowsAllThatIsShown()
    {
        Missing missing;
        QCoreApplication::installTranslator(&missing);
        window_.reset();
        begin();
        open(QString::fromStdString(clip_));
        throughAllPlaces([](QWidget&) {});
        window_.reset();
        QCoreApplication::removeTranslator(&missing);
        QVERIFY(none({missing.missing.begin(), missing.missing.end()}));
    }
    void germanKnowsAllFields()
    {
        Missing missing;
        QCoreApplication::installTranslator(&missing);
        const auto all = [](auto fields) {
            for (const auto& field : fields) {
                ours(field.spec->label);
                ours(field.spec->unit);
                ours(field.spec->help);
                for (const std::string_view word : field.spec->choices)
                    ours(word);
            }
        };
        all(fieldsOf<Envelope>());
        all(fieldsOf<Strand>());
        all(fieldsOf<Recipe>());
        all(fieldsOf<Strike>());
        all(fieldsOf<Place>());
        all(fieldsOf<Overlap>());
        all(fieldsOf<Drift>());
        all(fieldsOf<Master>());
        all(fieldsOf<Finish>());
        all(fieldsOf<Effects>());
        all(fieldsOf<Layer>());
        all(fieldsOf<BeatGrid>());
        all(fieldsOf<Soundtrack>());
        all(fieldsOf<World>());
        all(fieldsOf<Gentle>());
        all(fieldsOf<StrikeSound>());
        QCoreApplication::removeTranslator(&missing);
        QVERIFY(none({missing.missing.begin(), missing.missing.end()}));
    }
    void nothingIsCut_data()
    {
        QTest::addColumn<QString>("code");
        for (const language::Language& one : language::all())
            QTest::newRow(qPrintable(one.name)) << one.code;
    }
    void nothingIsCut()
    {
        QFETCH(QString, code);
        language::use(code);
        QCOMPARE(language::used(), code);
        window_.reset();
        begin();
        open(QString::fromStdString(clip_));
        QStringList cut;
        throughAllPlaces([&](QWidget& place) { cut << test::cutIn(place); });
        QCOMPARE(action("edit.undo")->text().contains(QStringLiteral("Undo")), code == QStringLiteral("en"));
        language::use({});
        cut.removeDuplicates();
        QVERIFY(none(cut));
    }
    void theChoiceIsKept()
    {
        QVERIFY(language::chosen().isEmpty());
        PreferencesSheet sheet(window_.get());
        sheet.show();
        auto* list = sheet.findChild<QComboBox*>(QStringLiteral("preference-language"));
        auto* later = sheet.findChild<QLabel*>(QStringLiteral("language-later"));
        const int german = list->findText(QStringLiteral("Deutsch"));
        QVERIFY(german > 0);
        while (list->currentIndex() < german)
            QTest::keyClick(list, Qt::Key_Down);
        QCOMPARE(language::chosen(), QStringLiteral("de"));
        QCOMPARE(language::wanted(), QStringLiteral("de"));
        QVERIFY(later->isVisible());
        language::setChosen(QStringLiteral("xx")); // of a translation that is not there any more
        QVERIFY(language::chosen().isEmpty());
        QVERIFY(!language::wanted().isEmpty());
        language::use(QStringLiteral("xx"));
        QCOMPARE(language::used(), QStringLiteral("en"));
    }
};

EMBER_TEST(LanguageTest)
#include "tst_language.moc"
