// SPDX-License-Identifier: GPL-3.0-or-later
#include "clips.h"

#include <cmath>
#include <sys/resource.h>

#include <QFile>
#include <QProcess>

#include "ember/media/film_writer.h"
#include "pictures.h"

namespace ember::test {

bool ffmpeg(const QStringList& arguments)
{
    QProcess process;
    process.setProcessChannelMode(QProcess::ForwardedErrorChannel);
    process.start(QStringLiteral("ffmpeg"), QStringList{QStringLiteral("-nostdin"), QStringLiteral("-v"),
                                                        QStringLiteral("error"), QStringLiteral("-y")} +
                                                arguments);
    return process.waitForFinished(120000) && process.exitStatus() == QProcess::NormalExit && process.exitCode() == 0;
}

std::string numberedClip(const QTemporaryDir& folder, const std::string& name, int frames, FrameRate rate, int width,
                         int height, bool sound, int first)
{
    const std::string path = folder.filePath(QString::fromStdString(name)).toStdString();
    FilmSettings settings;
    settings.format = *filmFormatOf(path);
    settings.width = width;
    settings.height = height;
    settings.rate = rate;
    settings.overwrite = true;
    settings.soundRate = sound ? 48000 : 0;
    settings.soundChannels = sound ? 2 : 0;
    auto writer = FilmWriter::create(path, settings);
    if (!writer)
        return {};
    if (sound) {
        SoundBuffer tones{48000, 2, {}};
        const auto length = static_cast<std::int64_t>(rate.seconds(frames) * 48000);
        for (std::int64_t i = 0; i < length; ++i) {
            tones.samples.push_back(0.5f *
                                    static_cast<float>(std::sin(6.2831853 * 440 * static_cast<double>(i) / 48000)));
            tones.samples.push_back(static_cast<float>(i % 4800) / 4800.f - 0.5f);
        }
        if (!writer.value()->addSound(tones))
            return {};
    }
    for (int i = 0; i < frames; ++i)
        if (!writer.value()->addFrame(numbered(width, height, first + i)))
            return {};
    return writer.value()->finish() ? path : std::string();
}

QByteArray bytesOf(const std::string& path)
{
    QFile file(QString::fromStdString(path));
    return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
}

void writeBytes(const std::string& path, const QByteArray& bytes)
{
    QFile file(QString::fromStdString(path));
    if (file.open(QIODevice::WriteOnly))
        file.write(bytes);
}

DiskLimit::DiskLimit(long bytes)
{
    rlimit limit{};
    getrlimit(RLIMIT_FSIZE, &limit);
    before_ = limit.rlim_cur;
    limit.rlim_cur = static_cast<rlim_t>(bytes);
    setrlimit(RLIMIT_FSIZE, &limit);
}

DiskLimit::~DiskLimit()
{
    rlimit limit{};
    getrlimit(RLIMIT_FSIZE, &limit);
    limit.rlim_cur = before_;
    setrlimit(RLIMIT_FSIZE, &limit);
}

} // namespace ember::test
