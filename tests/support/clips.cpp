// SPDX-License-Identifier: GPL-3.0-or-later
#include "clips.h"

#include <cmath>
#include <sys/resource.h>

#include <QFile>
#include <QProcess>

#include "ember/media/film_writer.h"
#include "pictures.h"
#include "sounds.h"

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
    if (sound)
        settings.sounds.push_back({{"", 48000, 2}});
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

bool flashingClip(const std::string& path, const std::vector<int>& frames, double late, double share)
{
    constexpr int length = 96;
    FilmSettings settings;
    settings.width = 320;
    settings.height = 192;
    settings.rate = FrameRate();
    settings.sounds.push_back({{"", 48000, 1}});
    settings.overwrite = true;
    auto writer = FilmWriter::create(path, settings);
    if (!writer)
        return false;
    SoundBuffer sound{48000, 1, std::vector<float>(48000 * length / 24, 0.f)};
    const SoundBuffer noise = whiteNoise(1, 0.8, 0.1);
    double loud = 1;
    for (const int frame : frames) {
        const auto first = static_cast<std::size_t>((frame / 24.0 + late) * 48000);
        for (std::size_t i = 0; i < noise.samples.size() && first + i < sound.samples.size(); ++i)
            sound.samples[first + i] +=
                noise.samples[i] * static_cast<float>(loud * std::exp(-static_cast<double>(i) / 900));
        loud *= share;
    }
    if (!writer.value()->addSound(sound))
        return false;
    for (int i = 0; i < length; ++i) {
        Image image(320, 192);
        for (int y = 0; y < 192; ++y)
            for (int x = 0; x < 320; ++x) {
                double light = 50 + 20 * std::sin(x * 0.09) * std::cos(y * 0.13);
                for (const int frame : frames)
                    if (i >= frame)
                        light += 140 * std::exp(-(i - frame) / 4.0) *
                                 std::exp(-((x - 160) * (x - 160) + (y - 90) * (y - 90)) / 2500.0);
                const auto value = static_cast<std::uint8_t>(std::min(light, 255.0));
                std::uint8_t* pixel = image.at(x, y);
                pixel[0] = pixel[1] = pixel[2] = value;
                pixel[3] = 255;
            }
        if (!writer.value()->addFrame(image))
            return false;
    }
    return static_cast<bool>(writer.value()->finish());
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
