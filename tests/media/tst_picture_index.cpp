// SPDX-License-Identifier: GPL-3.0-or-later
// A file is read from end to end once, and its index kept for as long as it is the same file.
#include <filesystem>

#include <QDir>
#include <QFile>
#include <QTemporaryDir>

#include "clips.h"
#include "ember/media/clip.h"
#include "picture_index.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

/// What this process has read so far, from files and caches alike.
std::int64_t bytesRead()
{
    QFile io(QStringLiteral("/proc/self/io"));
    if (!io.open(QIODevice::ReadOnly))
        return -1;
    for (const QByteArray& line : io.readAll().split('\n'))
        if (line.startsWith("rchar: "))
            return line.mid(7).toLongLong();
    return -1;
}

PictureIndex someIndex(int count)
{
    test::Random random(9);
    PictureIndex index;
    std::int64_t shown = -700;
    for (int i = 0; i < count; ++i) {
        shown += random.whole(1, 4000);
        index.entries.push_back({shown, shown - random.whole(0, 90), random.whole(0, 9) == 0});
    }
    index.packets = count + 3;
    index.cutOff = true;
    return index;
}

} // namespace

class PictureIndexTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;

    std::string at(const char* name) const { return folder_.filePath(QLatin1String(name)).toStdString(); }
    QString cache() const { return qEnvironmentVariable("XDG_CACHE_HOME") + QStringLiteral("/vast-ember/index"); }
    /// Half a minute of noise that cannot be made smaller.
    std::string largeClip(const char* name)
    {
        const bool made = test::ffmpeg({"-f", "lavfi", "-i", "testsrc2=size=640x360:rate=24:duration=3", "-c:v",
                                        "rawvideo", "-pix_fmt", "yuv420p", QString::fromStdString(at(name))});
        QTest::qSleep(150); // what was written just now is not kept
        return made ? at(name) : std::string();
    }

private slots:
    void initTestCase() { qputenv("XDG_CACHE_HOME", folder_.filePath(QStringLiteral("cache")).toUtf8()); }
    void whatIsKeptComesBackWhole()
    {
        for (const int count : {1, 2, 1000}) {
            const PictureIndex index = someIndex(count);
            const std::string bytes = packedIndex(index, "a mark");
            const auto back = unpackedIndex(bytes, "a mark");
            QVERIFY(back != nullptr);
            QCOMPARE(back->packets, index.packets);
            QCOMPARE(back->cutOff, index.cutOff);
            QCOMPARE(back->entries.size(), index.entries.size());
            for (std::size_t i = 0; i < index.entries.size(); ++i) {
                QCOMPARE(back->entries[i].shown, index.entries[i].shown);
                QCOMPARE(back->entries[i].decoded, index.entries[i].decoded);
                QCOMPARE(back->entries[i].key, index.entries[i].key);
            }
            QVERIFY(unpackedIndex(bytes, "another") == nullptr);
        }
    }
    void whatIsDamagedIsNone()
    {
        const std::string bytes = packedIndex(someIndex(50), "a mark");
        for (std::size_t length = 0; length < bytes.size(); ++length)
            if (const auto cut = unpackedIndex(bytes.substr(0, length), "a mark"); cut != nullptr)
                QVERIFY(cut->entries.size() < 50); // whole entries, in order
        test::Random random(3);
        for (int i = 0; i < 2000; ++i) {
            std::string bad = bytes;
            bad[static_cast<std::size_t>(random.whole(0, static_cast<int>(bad.size()) - 1))] ^=
                static_cast<char>(1 << random.whole(0, 7));
            if (const auto index = unpackedIndex(bad, "a mark"))
                for (std::size_t k = 1; k < index->entries.size(); ++k)
                    QVERIFY(index->entries[k].shown > index->entries[k - 1].shown);
        }
    }
    void aFileIsReadOnce()
    {
        const std::string path = largeClip("once.avi");
        QVERIFY(!path.empty());
        const auto size = static_cast<std::int64_t>(std::filesystem::file_size(path));
        QVERIFY(size > 16 << 20);
        const auto readBy = [](const std::string& file) {
            const auto before = bytesRead();
            const auto clip = ClipReader::open(file);
            return clip && clip.value()->info().length == 72 ? bytesRead() - before : -1;
        };
        const auto first = readBy(path);
        QVERIFY2(first > size * 9 / 10, qPrintable(QString::number(first)));
        const auto second = readBy(path);
        QVERIFY2(second >= 0 && second < size / 8, qPrintable(QString::number(second)));
        // And on disk, for the next process.
        QCOMPARE(QDir(cache()).entryList(QDir::Files).size(), 1);
    }
    void anotherContentIsReadAnew()
    {
        const std::string path = largeClip("twice.avi");
        QCOMPARE(ClipReader::open(path).value()->info().length, std::int64_t{72});
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i", "testsrc2=size=640x360:rate=24:duration=2", "-c:v", "rawvideo",
                              "-pix_fmt", "yuv420p", "-y", QString::fromStdString(path)}));
        QCOMPARE(ClipReader::open(path).value()->info().length, std::int64_t{48}); // just written
        QTest::qSleep(150);
        QCOMPARE(ClipReader::open(path).value()->info().length, std::int64_t{48});
    }
    void aCacheThatCannotBeUsedIsNoTrouble()
    {
        const QString before = qEnvironmentVariable("XDG_CACHE_HOME");
        qputenv("XDG_CACHE_HOME", "/proc/no such place");
        const std::string path = largeClip("nowhere.avi");
        QVERIFY(ClipReader::open(path).ok());
        qputenv("XDG_CACHE_HOME", before.toUtf8());
        // Rubbish in the place of an index is read over.
        for (const QString& name : QDir(cache()).entryList(QDir::Files))
            test::writeBytes((cache() + QLatin1Char('/') + name).toStdString(), "rubbish");
        QVERIFY(ClipReader::open(largeClip("rubbish.avi")).ok());
    }
};

EMBER_TEST(PictureIndexTest)
#include "tst_picture_index.moc"
