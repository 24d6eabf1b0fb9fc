// SPDX-License-Identifier: GPL-3.0-or-later
#include "coded_films.h"

#include <QFile>
#include <QProcess>
#include <QTest>

#include "clips.h"
#include "ember/film/new_project.h"
#include "ember/project/edits.h"

namespace ember::test {

bool goOn(const RenderProgress&)
{
    return true;
}

QString probed(const std::string& path, const char* key)
{
    QProcess probe;
    probe.start(QStringLiteral("ffprobe"),
                {QStringLiteral("-v"), QStringLiteral("error"), QStringLiteral("-select_streams"), QStringLiteral("v"),
                 QStringLiteral("-show_entries"), QStringLiteral("stream=") + QLatin1String(key), QStringLiteral("-of"),
                 QStringLiteral("csv=p=0"), QString::fromStdString(path)});
    probe.waitForFinished(60000);
    return QString::fromUtf8(probe.readAllStandardOutput()).trimmed().remove(QLatin1Char(','));
}

QStringList frameSums(const std::string& path)
{
    QProcess ffmpeg;
    ffmpeg.start(QStringLiteral("ffmpeg"), {QStringLiteral("-v"), QStringLiteral("error"), QStringLiteral("-i"),
                                            QString::fromStdString(path), QStringLiteral("-map"), QStringLiteral("0:v"),
                                            QStringLiteral("-f"), QStringLiteral("framemd5"), QStringLiteral("-")});
    ffmpeg.waitForFinished(60000);
    QStringList sums;
    for (const QString& line : QString::fromUtf8(ffmpeg.readAllStandardOutput()).split(QLatin1Char('\n')))
        if (!line.startsWith(QLatin1Char('#')) && line.contains(QLatin1Char(',')))
            sums << line.section(QLatin1Char(','), -1).trimmed();
    return sums;
}

Result<std::unique_ptr<ClipReader>> openedAsStored(const std::string& path)
{
    ClipOptions options;
    options.asStored = true;
    options.sequenceRate = *FrameRate::make(24, 1);
    return ClipReader::open(path, options);
}

Project projectOf(const std::string& path)
{
    auto clip = openedAsStored(path);
    Project p = projectForClip(clip.value()->info());
    p = withStrike(std::move(p), Frame{codedStrike}, StrikeKind::hit, 1).project;
    p.finish.cover = CoverMode::off;
    return p;
}

bool madeFilm(const QString& path, const QString& pixels, const QStringList& coding, const QStringList& tags)
{
    QFile::remove(path);
    return ffmpeg(QStringList{QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                              QStringLiteral("smptehdbars=size=%1x%2:rate=24:duration=0.5,format=%3")
                                  .arg(codedWidth)
                                  .arg(codedHeight)
                                  .arg(pixels)} +
                  coding + tags + QStringList{path});
}

QStringList hdrTags(const char* transfer)
{
    return {QStringLiteral("-color_primaries"), QStringLiteral("bt2020"),      QStringLiteral("-color_trc"),
            QString::fromLatin1(transfer),      QStringLiteral("-colorspace"), QStringLiteral("bt2020nc"),
            QStringLiteral("-color_range"),     QStringLiteral("tv")};
}

void restIsUntouched(const QStringList& before, const QStringList& after)
{
    QVERIFY(before.size() == after.size() && before.size() >= 12);
    for (int i = 0; i < codedStrike; ++i)
        QCOMPARE(after.at(i), before.at(i));
    QVERIFY(after.at(codedStrike + 1) != before.at(codedStrike + 1));
}

} // namespace ember::test
