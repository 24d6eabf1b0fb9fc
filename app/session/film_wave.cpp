// SPDX-License-Identifier: GPL-3.0-or-later
#include "film_wave.h"

#include <algorithm>

#include "background.h"
#include "ember/media/sound_reader.h"
#include "film.h"
#include "open_document.h"
#include "project_file.h"

namespace ember::app {

namespace {
constexpr double slotSeconds = 0.004;
constexpr double longestFine = 1200; // beyond twenty minutes the slots grow instead of the memory
} // namespace

FilmWave::FilmWave(OpenDocument& document, Film& film, ProjectFile& file) : document_(document), film_(film)
{
    connect(&document_, &OpenDocument::changed, this, [this](const Change& change) {
        if (change.sound)
            read();
    });
    connect(&film_, &Film::rewritten, this, &FilmWave::readAnew);
    connect(&file, &ProjectFile::opened, this, &FilmWave::readAnew);
}

FilmWave::~FilmWave()
{
    if (stop_)
        *stop_ = true;
}

void FilmWave::readAnew()
{
    of_.reset();
    read();
}

void FilmWave::read()
{
    const auto source = film_.soundSource();
    if (source == of_ && (source || wave_.low.empty()))
        return;
    if (stop_)
        *stop_ = true;
    of_ = source;
    wave_ = {};
    emit changed();
    if (!source)
        return;
    const double seconds = document_.project().rate.seconds(static_cast<double>(document_.length()));
    const double slot = slotSeconds * std::max(1.0, seconds / longestFine);
    auto stop = std::make_shared<std::atomic<bool>>(false);
    stop_ = stop;
    const auto work = [stop, from = *source, seconds, slot]() -> Result<Waveform> {
        auto sound = openSound(from, {});
        if (!sound)
            return sound.error();
        return readWaveform(*sound.value(), from.path, seconds, slot, [&](double) { return !stop->load(); });
    };
    inBackground(this, work, [this, stop](Result<Waveform> wave) {
        if (!wave || stop->load())
            return;
        wave_ = std::move(wave).value();
        emit changed();
    });
}

} // namespace ember::app
