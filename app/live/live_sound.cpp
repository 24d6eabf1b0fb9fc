// SPDX-License-Identifier: GPL-3.0-or-later
#include "live_sound.h"

#include <algorithm>
#include <cmath>
#include <cstring>

#include <QElapsedTimer>

#include "background.h"
#include "ember/film/film_sound.h"

namespace ember::app {

namespace {

constexpr double longest = 8; ///< seconds of one sound
constexpr float knee = 0.8F;  ///< from here on the mix bends towards full scale

float bent(float value)
{
    const float high = std::abs(value);
    if (high <= knee)
        return value;
    return std::copysign(knee + (1 - knee) * std::tanh((high - knee) / (1 - knee)), value);
}

/// The sound of the only strike of a project, as the film would have it, without the silence after it.
std::vector<float> soundOf(const Project& alone)
{
    FilmSound sound{std::nullopt, heardStrikes(alone)};
    if (sound.strikes.empty())
        return {};
    auto reader = openFilmSound(sound, {LiveSound::rate, 2});
    if (!reader)
        return {};
    reader.value()->seek(0);
    std::vector<float> samples = reader.value()->read(static_cast<std::int64_t>(longest * LiveSound::rate)).samples;
    while (!samples.empty() && std::abs(samples.back()) < 1e-4F)
        samples.pop_back();
    samples.resize((samples.size() + 1) / 2 * 2);
    return samples;
}

} // namespace

LiveSound::LiveSound(QObject* parent) : QIODevice(parent)
{
    open(QIODevice::ReadOnly | QIODevice::Unbuffered);
}

LiveSound::~LiveSound()
{
    stop();
}

void LiveSound::start()
{
    silence();
    if (!sink_.running())
        sink_.start(*this, 0.04);
}

void LiveSound::stop()
{
    sink_.stop();
    silence();
}

void LiveSound::setOn(bool on)
{
    on_ = on;
    if (!on)
        silence();
}

void LiveSound::silence()
{
    const std::lock_guard lock(mutex_);
    voices_.clear();
    ++generation_;
}

void LiveSound::strike(const Project& project, const Strike& strike, double after)
{
    const Recipe* recipe = project.recipe(strike.recipe);
    if (!on_ || recipe == nullptr || (recipe->sound.kind == SoundKind::none && !strike.overrides["sound.kind"]))
        return;
    Project alone;
    alone.rate = project.rate;
    alone.shots = project.shots;
    alone.master = project.master;
    alone.recipes = {*recipe};
    alone.strikes = {strike};
    alone.strikes[0].frame = Frame{0};
    std::uint64_t generation = 0;
    {
        const std::lock_guard lock(mutex_);
        generation = generation_;
    }
    QElapsedTimer since;
    since.start();
    inBackground(
        this, [alone = std::move(alone)] { return std::make_shared<const std::vector<float>>(soundOf(alone)); },
        [this, after, generation, since](const std::shared_ptr<const std::vector<float>>& samples) {
            const double left = after - static_cast<double>(since.nsecsElapsed()) * 1e-9;
            if (!samples->empty())
                add(samples, std::llround(std::max(0.0, left) * rate), generation);
        });
}

void LiveSound::add(std::shared_ptr<const std::vector<float>> samples, std::int64_t wait, std::uint64_t generation)
{
    const std::lock_guard lock(mutex_);
    if (generation != generation_)
        return;
    if (voices_.size() >= mostVoices)
        voices_.erase(voices_.begin());
    voices_.push_back({std::move(samples), -wait});
}

std::size_t LiveSound::voices() const
{
    const std::lock_guard lock(mutex_);
    return voices_.size();
}

std::vector<float> LiveSound::mixed(std::size_t frames)
{
    std::vector<float> mix(2 * frames);
    const std::lock_guard lock(mutex_);
    for (Voice& voice : voices_) {
        const auto length = static_cast<std::int64_t>(voice.samples->size() / 2);
        for (std::int64_t i = std::max<std::int64_t>(0, -voice.at);
             i < static_cast<std::int64_t>(frames) && voice.at + i < length; ++i)
            for (int channel = 0; channel < 2; ++channel)
                mix[static_cast<std::size_t>(2 * i + channel)] +=
                    (*voice.samples)[static_cast<std::size_t>(2 * (voice.at + i) + channel)];
        voice.at += static_cast<std::int64_t>(frames);
    }
    std::erase_if(voices_,
                  [](const Voice& voice) { return voice.at >= static_cast<std::int64_t>(voice.samples->size() / 2); });
    for (float& value : mix)
        value = bent(value);
    return mix;
}

qint64 LiveSound::readData(char* data, qint64 size)
{
    const auto frames = static_cast<std::size_t>(size) / 4;
    const std::vector<float> mix = mixed(frames);
    for (std::size_t i = 0; i < mix.size(); ++i) {
        const std::int16_t scaled = sixteenBits(mix[i]);
        std::memcpy(data + 2 * i, &scaled, 2);
    }
    return static_cast<qint64>(frames * 4);
}

} // namespace ember::app
