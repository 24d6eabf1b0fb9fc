// SPDX-License-Identifier: GPL-3.0-or-later
// The rules of the house, checked on the sources themselves.
#include <QDir>
#include <QDirIterator>
#include <QFile>
#include <QRegularExpression>
#include <QTest>

#include "runner.h"

class HouseTest : public QObject {
    Q_OBJECT
    const QString root_ = QStringLiteral(EMBER_SOURCE_DIR);

    QStringList sources(const QStringList& folders) const
    {
        QStringList found;
        for (const QString& folder : folders) {
            QDirIterator files(root_ + QLatin1Char('/') + folder, {QStringLiteral("*.h"), QStringLiteral("*.cpp")},
                               QDir::Files, QDirIterator::Subdirectories);
            while (files.hasNext())
                found << files.next();
        }
        return found;
    }
    static QString textOf(const QString& path)
    {
        QFile file(path);
        return file.open(QIODevice::ReadOnly) ? QString::fromUtf8(file.readAll()) : QString();
    }

private slots:
    void theFencesHold_data()
    {
        QTest::addColumn<QString>("room");
        QTest::addColumn<QString>("forbidden");
        const QString foreign = QStringLiteral("Q[A-Z]|libav|libsw|opencv|fftw|nlohmann|CLI/");
        QTest::addRow("core") << QStringLiteral("core")
                              << foreign + QStringLiteral("|ember/"
                                                          "(render|analysis|media|exchange|project|film|batch|image)|"
                                                          "hwy|tbb|thread|mutex|filesystem|fstream");
        QTest::addRow("image") << QStringLiteral("image")
                               << foreign + QStringLiteral("|ember/(?!image)|hwy|tbb|thread");
        QTest::addRow("colour") << QStringLiteral("colour")
                                << foreign +
                                       QStringLiteral("|ember/(render|analysis|media|exchange|project|film|batch)");
        QTest::addRow("public headers of colour")
            << QStringLiteral("colour/include") << QStringLiteral("OpenColorIO/|OCIO_NAMESPACE|tbb");
        QTest::addRow("render") << QStringLiteral("render")
                                << foreign + QStringLiteral("|ember/(analysis|media|exchange|project|film|batch)");
        QTest::addRow("analysis")
            << QStringLiteral("analysis")
            << QStringLiteral("Q[A-Z]|libav|libsw|nlohmann|CLI/|ember/(render|media|exchange|project|film|batch)");
        QTest::addRow("public headers of analysis") << QStringLiteral("analysis/include") << foreign;
        QTest::addRow("media")
            << QStringLiteral("media")
            << QStringLiteral("Q[A-Z]|opencv|fftw|nlohmann|CLI/|ember/(render|analysis|exchange|project|film|batch)");
        QTest::addRow("drop") << QStringLiteral("drop")
                              << QStringLiteral("Q[A-Z]|libav|libsw|opencv|fftw|CLI/|ember/"
                                                "(render|analysis|media|exchange|project|film|batch)");
        QTest::addRow("sound") << QStringLiteral("sound")
                               << foreign +
                                      QStringLiteral("|ember/(render|analysis|media|exchange|project|film|batch)");
        QTest::addRow("live") << QStringLiteral("live")
                              << QStringLiteral(
                                     "Q[A-Z]|libav|opencv|CLI/|ember/(render|analysis|media|exchange|film|batch)");
        QTest::addRow("public headers of live") << QStringLiteral("live/include") << QStringLiteral("lo/|nlohmann");
        QTest::addRow("exchange") << QStringLiteral("exchange")
                                  << QStringLiteral(
                                         "Q[A-Z]|libav|CLI/|ember/(render|analysis|media|project|film|batch)");
        QTest::addRow("sheet") << QStringLiteral("sheet")
                               << QStringLiteral("Q[A-Z]|libav|ember/(render|analysis|media|exchange|project|film)");
        QTest::addRow("runtime") << QStringLiteral("runtime") << QStringLiteral("ember/|Q[A-Z]|nlohmann");
        QTest::addRow("project") << QStringLiteral("project")
                                 << QStringLiteral(
                                        "Q[A-Z]|libav|CLI/|ember/(render|analysis|media|exchange|film|batch)");
        QTest::addRow("film") << QStringLiteral("film") << QStringLiteral("Q[A-Z]|libav|CLI/|ember/batch");
        QTest::addRow("batch") << QStringLiteral("batch") << QStringLiteral("Q[A-Z]|libav");
        QTest::addRow("app") << QStringLiteral("app") << QStringLiteral("libav|libsw|nlohmann|CLI/|ember/batch");
        QTest::addRow("public headers of media") << QStringLiteral("media/include") << QStringLiteral("libav|libsw");
    }
    void theFencesHold()
    {
        QFETCH(QString, room);
        QFETCH(QString, forbidden);
        const QRegularExpression include(QStringLiteral("^#include [<\"](%1)").arg(forbidden),
                                         QRegularExpression::MultilineOption);
        const auto files = sources({room});
        QVERIFY(!files.isEmpty());
        for (const QString& file : files) {
            const auto match = include.match(textOf(file));
            QVERIFY2(!match.hasMatch(), qPrintable(file + QStringLiteral(": ") + match.captured()));
        }
    }
    /// What the engine has to say is a phrase; words are made of it where somebody reads.
    void onlyWindowAndBatchToolMakeSentences()
    {
        for (const QString& file : sources(
                 {QStringLiteral("render"), QStringLiteral("analysis"), QStringLiteral("media"), QStringLiteral("drop"),
                  QStringLiteral("live"), QStringLiteral("exchange"), QStringLiteral("project"), QStringLiteral("film"),
                  QStringLiteral("sheet"), QStringLiteral("sound"), QStringLiteral("files"), QStringLiteral("json")}))
            QVERIFY2(!textOf(file).contains(QRegularExpression(QStringLiteral("\\bsentence\\("))), qPrintable(file));
    }
    void noStyleSheets()
    {
        // They are matched anew for every widget and state: see docs/decisions/0019.
        for (const QString& file : sources({QStringLiteral("app")}))
            QVERIFY2(!textOf(file).contains(QLatin1String("setStyleSheet")), qPrintable(file));
    }
    void everySourceNamesItsLicence()
    {
        for (const QString& file : sources(
                 {QStringLiteral("core"), QStringLiteral("image"), QStringLiteral("colour"), QStringLiteral("render"),
                  QStringLiteral("analysis"), QStringLiteral("media"), QStringLiteral("drop"), QStringLiteral("live"),
                  QStringLiteral("exchange"), QStringLiteral("project"), QStringLiteral("sheet"),
                  QStringLiteral("film"), QStringLiteral("batch"), QStringLiteral("app"), QStringLiteral("demo"),
                  QStringLiteral("tests"), QStringLiteral("bench")}))
            QVERIFY2(textOf(file).startsWith(QStringLiteral("// SPDX-License-Identifier: GPL-3.0-or-later")),
                     qPrintable(file));
    }
    void whatOthersBuildInIsFree()
    {
        for (const char* file : {"vast_ember.hpp", "vast_ember.mjs", "examples/hits.cpp"})
            QVERIFY(textOf(root_ + QStringLiteral("/runtime/") + QLatin1String(file))
                        .startsWith(QStringLiteral("// SPDX-License-Identifier: MIT")));
    }
    void everyTestIsRegistered()
    {
        const QString lists = textOf(root_ + QStringLiteral("/tests/CMakeLists.txt"));
        for (const QString& file : sources({QStringLiteral("tests")}))
            if (file.contains(QStringLiteral("/tst_")))
                QVERIFY2(lists.contains(QDir(root_ + QStringLiteral("/tests")).relativeFilePath(file)),
                         qPrintable(file));
    }
    void noTestIsHurried()
    {
        // Waiting less than a minute fails on a busy machine.
        const QRegularExpression hurried(QStringLiteral(
            "_WITH_TIMEOUT\\(.*, *\\d|waitFor(Finished|Started|Connected|ReadyRead)\\((\\)|[1-5]?\\d{1,4}\\))"));
        for (const QString& file : sources({QStringLiteral("tests")})) {
            const auto match = hurried.match(textOf(file));
            QVERIFY2(!match.hasMatch(), qPrintable(file + QStringLiteral(": ") + match.captured()));
        }
    }
    void everyPictureOfTheDocsIsLinked()
    {
        QString pages = textOf(root_ + QStringLiteral("/README.md"));
        QDirIterator docs(root_ + QStringLiteral("/docs"), {QStringLiteral("*.md")}, QDir::Files,
                          QDirIterator::Subdirectories);
        while (docs.hasNext())
            pages += textOf(docs.next());
        const auto shots =
            QDir(root_ + QStringLiteral("/docs/screenshots")).entryList({QStringLiteral("*.png")}, QDir::Files);
        QVERIFY(shots.size() >= 3 && shots.size() < 20);
        for (const QString& shot : shots)
            QVERIFY2(pages.contains(shot), qPrintable(shot));
    }
};

EMBER_TEST(HouseTest)
#include "tst_house.moc"
