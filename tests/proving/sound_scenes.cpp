// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_scenes.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <map>
#include <numbers>

namespace ember::proving {

namespace {

constexpr double tau = 2 * std::numbers::pi;

std::size_t sampleAt(double seconds)
{
    return static_cast<std::size_t>(std::llround(std::max(seconds, 0.0) * soundRate));
}

float fromDecibels(double decibels)
{
    return static_cast<float>(std::pow(10.0, decibels / 20));
}

/// Root of the mean square of a stretch.
double levelOf(const Recording& sound, std::size_t first, std::size_t count)
{
    const std::size_t end = std::min(first + count, sound.size());
    double sum = 0;
    for (std::size_t i = first; i < end; ++i)
        sum += static_cast<double>(sound[i]) * static_cast<double>(sound[i]);
    return end > first ? std::sqrt(sum / static_cast<double>(end - first)) : 0;
}

/// The loudest stretch of a fifth of a second: what a bed's level is measured by.
double loudLevelOf(const Recording& sound)
{
    double loudest = 1e-6;
    for (std::size_t i = 0; i < sound.size(); i += soundRate / 5)
        loudest = std::max(loudest, levelOf(sound, i, soundRate / 5));
    return loudest;
}

void addTo(Recording& sum, const Recording& part, double at, float gain)
{
    const std::size_t first = sampleAt(at);
    for (std::size_t i = 0; i < part.size() && first + i < sum.size(); ++i)
        sum[first + i] += gain * part[i];
}

/// Played faster or slower.
Recording atSpeed(const Recording& sound, double speed)
{
    Recording out(static_cast<std::size_t>(static_cast<double>(sound.size()) / speed));
    for (std::size_t i = 0; i < out.size(); ++i) {
        const double at = static_cast<double>(i) * speed;
        const auto k = std::min(static_cast<std::size_t>(at), sound.size() - 1);
        const auto part = static_cast<float>(at - static_cast<double>(k));
        out[i] = sound[k] + part * (sound[std::min(k + 1, sound.size() - 1)] - sound[k]);
    }
    return out;
}

/// Darker or brighter, as another microphone or another wall makes it: low tones or high ones 3 to 12 dB softer.
void recolour(Recording& sound, Chance& chance)
{
    const double share = 1 - std::exp(-tau * chance.between(200, 4000) / soundRate);
    const bool darker = chance.often(0.5);
    const auto less = static_cast<float>(std::pow(10.0, -chance.between(3, 12) / 20));
    double low = 0;
    for (float& s : sound) {
        low += share * (static_cast<double>(s) - low);
        const auto lower = static_cast<float>(low), higher = s - lower;
        s = darker ? lower + less * higher : less * lower + higher;
    }
}

/// Nothing above some thousand hertz, as recordings of a low rate have it.
void narrow(Recording& sound, double corner)
{
    constexpr std::size_t poles = 8;
    const double share = 1 - std::exp(-tau * corner * 3 / soundRate);
    std::array<double, poles> values{};
    for (float& s : sound) {
        double value = static_cast<double>(s);
        for (double& kept : values) {
            kept += share * (value - kept);
            value = kept;
        }
        s = static_cast<float>(value);
    }
}

/// White noise through a low pass of one pole.
Recording noise(double seconds, double corner, Chance& chance)
{
    Recording out(sampleAt(seconds));
    const double share = 1 - std::exp(-tau * corner / soundRate);
    double value = 0;
    for (float& s : out) {
        value += share * (chance.between(-1, 1) - value);
        s = static_cast<float>(value);
    }
    return out;
}

/// A room: a few walls and a tail that falls by 60 dB in `seconds`, made of sparse signed echoes whose high tones die
/// sooner; the sound itself comes first.
Recording inRoom(const Recording& dry, double seconds, double wet, Chance& chance)
{
    Recording echoes(dry.size(), 0.F);
    const double density = 900; // echoes a second
    for (double t = chance.between(0.006, 0.03); t < 1.1 * seconds; t += chance.between(0.2, 1.8) / density) {
        const auto gain = static_cast<float>(chance.sign() * std::pow(10.0, -3 * t / seconds));
        const std::size_t late = sampleAt(t);
        for (std::size_t i = late; i < dry.size(); ++i)
            echoes[i] += gain * dry[i - late];
    }
    const double share = 1 - std::exp(-tau * chance.between(2500, 7000) / soundRate);
    double value = 0;
    const double dryLevel = loudLevelOf(dry), wetLevel = loudLevelOf(echoes);
    Recording out = dry;
    for (std::size_t i = 0; i < out.size(); ++i) {
        value += share * (static_cast<double>(echoes[i]) - value);
        out[i] += static_cast<float>(wet * dryLevel / wetLevel * value);
    }
    return out;
}

/// A piece of music and when its notes begin.
struct Piece {
    std::vector<Note> notes;
    std::vector<double> drums; ///< moments, in order
    std::vector<double> others;
    double bpm = 0;
    double firstBeat = 0;
    std::vector<double> beats; ///< where the tempo changes
};

class Composer {
public:
    Composer(Chance& chance, double seconds) : chance_(chance), seconds_(seconds)
    {
        piece_.bpm = chance.between(70, 170);
        beat_ = 60 / piece_.bpm;
        piece_.firstBeat = chance.often(0.5) ? chance.between(0.02, 0.3) : chance.between(0.3, 2.0);
        swing_ = chance.often(0.3) ? chance.between(0.15, 0.33) : 0;
        root_ = 36 + chance.oneOf(12);
        minor_ = chance.often(0.5);
    }

    /// The tempo changes: it hurries or slows down all along, jumps once or twice, or wanders.
    void changeTempo()
    {
        const int how = chance_.oneOf(3);
        const double ratio = chance_.often(0.5) ? chance_.between(1.06, 1.3) : 1 / chance_.between(1.06, 1.3);
        const double depth = chance_.between(0.03, 0.07), slow = chance_.between(0.01, 0.03);
        const int jumpBar = 2 + chance_.oneOf(5), backBar = jumpBar + 3 + chance_.oneOf(5);
        const double count = seconds_ / beat_;
        double t = piece_.firstBeat;
        bent_.push_back(t);
        for (int sixteenth = 0; t < seconds_ + 10; ++sixteenth) {
            const double beats = sixteenth / 4.0;
            const double pace = how == 0   ? std::pow(ratio, std::min(beats / count, 1.0))
                                : how == 1 ? (beats >= 4 * jumpBar && beats < 4 * backBar ? ratio : 1)
                                           : 1 + depth * std::sin(tau * slow * beats);
            bent_.push_back(t += beat_ / 4 / pace);
        }
        for (std::size_t i = 0; i < bent_.size() && bent_[i] < seconds_; i += 4)
            piece_.beats.push_back(bent_[i]);
    }
    void drums()
    {
        const int style = chance_.oneOf(7);
        const int intro = chance_.often(0.3) ? 1 + chance_.oneOf(3) : 0; // bars of nothing but a hat
        const bool offbeat = chance_.often(0.2);                         // the hat between the beats, open
        const int hat = chance_.often(0.7) ? closedHat : ride;
        const bool sixteenths = chance_.often(0.3) && piece_.bpm < 125;
        std::array<bool, 16> kicks{}, snares{};
        for (std::size_t i = 0; i < 16; i += 4) {
            kicks[i] = style == 1 || i % 8 == 0;
            snares[i] = style == 2 ? i == 8 : i % 8 == 4;
        }
        if (style == 5) // pushed: hardly anything on the beat after the first
            for (const std::size_t i : {std::size_t{3}, std::size_t{6}, std::size_t{10}, std::size_t{11}})
                kicks[i] = true, kicks[8] = snares[4] = false;
        if (style == 6) // one beat in two has something else on it
            for (std::size_t i = 0; i < 16; ++i)
                kicks[i] = i % 3 == 0 && i < 13, snares[i] = i == 4 || i == 12;
        if (style == 3 || style == 4)
            for (std::size_t i = 0; i < 16; ++i) {
                kicks[i] = kicks[i] || chance_.often(i % 2 == 0 ? 0.25 : 0.08);
                snares[i] = snares[i] || chance_.often(0.06);
            }
        for (int bar = 0; barAt(bar) < seconds_; ++bar) {
            const bool fill = bar % 4 == 3 && chance_.often(0.5);
            for (int step = 0; step < 16; ++step) {
                const double t = stepAt(bar, step);
                const auto at = static_cast<std::size_t>(step);
                const bool accent = step % 4 == 0;
                if (bar < intro) {
                    if (step % 4 == 0)
                        hit(t, hat, 80);
                    continue;
                }
                if (offbeat && step % 4 == 2)
                    hit(t, openHat, 108);
                if (step == 0 && bar % 4 == 0 && bar > 0)
                    hit(t, crash, 105);
                if (fill && step >= 8) {
                    if (step % 2 == 0 || chance_.often(0.6))
                        hit(t, step < 12 ? highTom : floorTom, 100);
                    continue;
                }
                if (kicks[at])
                    hit(t, kick, accent ? 112 : 96);
                if (snares[at])
                    hit(t, snare, accent ? 110 : 80);
                if (step % (sixteenths ? 1 : 2) == 0)
                    hit(t, hat, accent ? 92 : 70);
            }
        }
    }
    void bass()
    {
        constexpr std::array<int, 4> some{32, 33, 34, 38};
        const int instrument = some[static_cast<std::size_t>(chance_.oneOf(4))], every = chance_.often(0.5) ? 4 : 2;
        for (int bar = 0; barAt(bar) < seconds_; ++bar)
            for (int step = 0; step < 16; step += every)
                note(stepAt(bar, step), 0.9 * every / 4.0 * beat_, instrument,
                     root_ + degreeOf(bar) - 12 * (root_ > 42), step == 0 ? 105 : 90);
    }
    void chords()
    {
        constexpr std::array<int, 8> some{0, 4, 16, 24, 27, 48, 61, 89};
        const int instrument = some[static_cast<std::size_t>(chance_.oneOf(8))], every = 4 << chance_.oneOf(3);
        for (int bar = 0; barAt(bar) < seconds_; ++bar)
            for (int step = 0; step < 16; step += every)
                for (const int tone : {12, minor_ ? 15 : 16, 19})
                    note(stepAt(bar, step), 0.95 * every / 4.0 * beat_, instrument, root_ + 12 + degreeOf(bar) + tone,
                         78);
    }
    void melody()
    {
        constexpr std::array<int, 8> some{0, 11, 40, 56, 65, 73, 80, 105};
        constexpr std::array<int, 5> tones{0, 2, 4, 7, 9};
        const int instrument = some[static_cast<std::size_t>(chance_.oneOf(8))];
        for (int bar = 0; barAt(bar) < seconds_; ++bar)
            for (int step = 0; step < 16; step += 2 << chance_.oneOf(3))
                if (chance_.often(0.75))
                    note(stepAt(bar, step), 0.4 * beat_, instrument,
                         root_ + 36 + tones[static_cast<std::size_t>(chance_.oneOf(5))], 80 + chance_.oneOf(35));
    }
    Piece finished()
    {
        const auto settle = [](std::vector<double>& times) {
            std::sort(times.begin(), times.end());
            times.erase(std::unique(times.begin(), times.end(), [](double a, double b) { return b - a < 0.025; }),
                        times.end());
        };
        settle(piece_.drums);
        settle(piece_.others);
        return std::move(piece_);
    }

private:
    static constexpr int kick = 36, snare = 38, closedHat = 42, openHat = 46, ride = 51, crash = 49, highTom = 48,
                         floorTom = 43;

    double barAt(int bar) const { return momentOf(4 * bar); }
    double stepAt(int bar, int step)
    {
        return momentOf(4 * bar + step / 4.0 + (step % 4 == 2 ? swing_ / 2 : step % 2 == 1 ? swing_ / 4 : 0));
    }
    double momentOf(double beat) const
    {
        if (bent_.empty())
            return piece_.firstBeat + beat * beat_;
        const double place = std::clamp(4 * beat, 0.0, static_cast<double>(bent_.size()) - 1.001);
        const auto at = static_cast<std::size_t>(place);
        return bent_[at] + (place - std::floor(place)) * (bent_[at + 1] - bent_[at]);
    }
    int degreeOf(int bar) const
    {
        constexpr std::array<int, 4> degrees{0, 5, 7, 5};
        return degrees[static_cast<std::size_t>(bar % 4)];
    }
    void hit(double t, int key, int loudness)
    {
        t = std::max(t + 0.004 * chance_.normal(), 0.0);
        if (t > seconds_ - 0.15)
            return;
        piece_.notes.push_back({t, 0.2, Note::drums, key, std::clamp(loudness + chance_.oneOf(17) - 8, 30, 127)});
        piece_.drums.push_back(t);
    }
    void note(double t, double length, int instrument, int key, int loudness)
    {
        t = std::max(t + 0.006 * chance_.normal(), 0.0);
        if (t > seconds_ - 0.15)
            return;
        piece_.notes.push_back({t, length, instrument, key, loudness});
        piece_.others.push_back(t);
    }

    Chance& chance_;
    double seconds_;
    double beat_ = 0.5;
    double swing_ = 0;
    std::vector<double> bent_; ///< moments of sixteenths, where the tempo changes
    int root_ = 40;
    bool minor_ = false;
    Piece piece_;
};

class SoundMaker {
public:
    SoundMaker(SoundScene& made, Chance& numbers, const Recordings& some, const Player& playing)
        : scene(made), chance(numbers), recordings(some), player(playing), seconds(chance.between(16, 26)),
          events(sampleAt(seconds), 0.F), bed(events)
    {
    }

    SoundScene& scene;
    Chance& chance;
    const Recordings& recordings;
    const Player& player;
    double seconds;
    Recording events;
    Recording bed;

    static StrikeKind kindOf(Heard what)
    {
        return what == Heard::blast                            ? StrikeKind::blast
               : what == Heard::landing || what == Heard::step ? StrikeKind::landing
                                                               : StrikeKind::hit;
    }
    /// A recording at another speed and in another colour.
    Recording varied(Heard what)
    {
        Recording sound = atSpeed(recordings.any(what, chance), chance.between(0.75, 1.3));
        if (chance.often(0.6))
            recolour(sound, chance);
        if (chance.often(0.4))
            narrow(sound, chance.between(2500, 10000));
        return sound;
    }
    /// One event whose first tenth of a second has a level (a full-scale sine: -3 dB).
    void event(double t, Heard what, double decibels)
    {
        const Recording sound = varied(what);
        const auto gain = static_cast<float>(std::pow(10.0, decibels / 20) / levelOf(sound, 0, soundRate / 10));
        addTo(events, sound, t, gain);
        scene.events.push_back({t, kindOf(what), std::pow(10.0, 0.6 * decibels / 20)});
    }
    /// Something that is no event.
    void decoy(double t, Heard what, double decibels)
    {
        const Recording sound = varied(what);
        addTo(events, sound, t, static_cast<float>(std::pow(10.0, decibels / 20) / loudLevelOf(sound)));
    }
    /// Air that something pushes: noise that swells and falls, its colour with it.
    void swish(double t, double decibels)
    {
        const double length = chance.between(0.25, 1.2), top = chance.between(0.3, 0.85),
                     high = chance.between(500, 4000);
        Recording sound(sampleAt(length));
        double low = 0, lower = 0;
        for (std::size_t i = 0; i < sound.size(); ++i) {
            const double at = static_cast<double>(i) / static_cast<double>(sound.size());
            const double shape = at < top ? at / top : (1 - at) / (1 - top);
            const double share = 1 - std::exp(-tau * high * (0.3 + shape) / soundRate);
            low += share * (chance.between(-1, 1) - low);
            lower += 0.1 * share * (low - lower);
            sound[i] = static_cast<float>(std::pow(shape, 1.7) * (low - lower));
        }
        addTo(events, sound, t, static_cast<float>(std::pow(10.0, decibels / 20) / loudLevelOf(sound)));
    }
    /// Recorded or made.
    void whoosh(double t, double decibels)
    {
        if (chance.often(0.5) && recordings.has(Heard::whoosh))
            decoy(t, Heard::whoosh, decibels);
        else
            swish(t, decibels);
    }
    /// Blasts, landings and hits of which the quietest is `spread` below the loudest.
    void impacts(double level, double spread, double least, double most)
    {
        for (double t = chance.between(0.4, 2); t < seconds - 0.8; t += chance.between(least, most)) {
            constexpr std::array<Heard, 3> some{Heard::blast, Heard::landing, Heard::hit};
            event(t, some[static_cast<std::size_t>(chance.oneOf(3))], level - chance.between(0, spread));
        }
    }
    /// A recording again and again, each laid over the end of the one before.
    Recording lasting(Heard what)
    {
        const Recording once = recordings.any(what, chance);
        const auto over = std::min<std::size_t>(once.size() / 3, soundRate / 2);
        Recording out(events.size() + once.size(), 0.F);
        for (std::size_t at = 0; at < events.size(); at += once.size() - over)
            for (std::size_t i = 0; i < once.size() && at + i < out.size(); ++i) {
                const float in = at == 0 ? 1 : std::min(1.F, static_cast<float>(i) / static_cast<float>(over));
                const float off = std::min(1.F, static_cast<float>(once.size() - i) / static_cast<float>(over));
                out[at + i] += in * off * once[i];
            }
        out.resize(events.size());
        return out;
    }
    /// Recorded or, where there is none, noise.
    Recording anyAmbience()
    {
        return recordings.has(Heard::ambience) ? lasting(Heard::ambience)
                                               : noise(seconds, chance.between(200, 4000), chance);
    }
    void layBed(const Recording& sound, double decibels)
    {
        addTo(bed, sound, 0, static_cast<float>(std::pow(10.0, decibels / 20) / loudLevelOf(sound)));
    }
    void ambience(double decibels) { layBed(anyAmbience(), decibels); }
    Piece music(bool drums, bool others, double decibels, bool changes = false)
    {
        Composer composer(chance, seconds);
        if (changes)
            composer.changeTempo();
        if (drums)
            composer.drums();
        if (others) {
            composer.chords();
            if (chance.often(0.7))
                composer.bass();
            if (chance.often(0.6))
                composer.melody();
        }
        Piece piece = composer.finished();
        layBed(player.play(piece.notes, seconds, chance), decibels);
        return piece;
    }
    /// Recorded, where there is some, or played.
    void anyMusic(bool drums, double decibels)
    {
        if (!recordings.has(Heard::music) || chance.often(0.6)) {
            music(drums, true, decibels);
            return;
        }
        const Recording& whole = recordings.any(Heard::music, chance);
        const auto last = static_cast<double>(whole.size()) / soundRate - seconds;
        const std::size_t first = sampleAt(chance.between(0, std::max(last, 0.0)));
        layBed(Recording(whole.begin() + static_cast<std::ptrdiff_t>(first),
                         whole.begin() + static_cast<std::ptrdiff_t>(std::min(first + events.size(), whole.size()))),
               decibels);
    }
    void room() { events = inRoom(events, chance.between(0.4, 2.2), chance.between(0.15, 0.7), chance); }
    void finish()
    {
        const auto hiss = static_cast<double>(fromDecibels(chance.between(-85, -58)));
        const double headroom = chance.between(0.7, 1.15); // above 1 it is clipped
        if (chance.often(0.2)) {
            const double corner = chance.between(4000, 12000);
            narrow(events, corner);
            narrow(bed, corner);
        }
        float loudest = 1e-6F;
        for (std::size_t i = 0; i < events.size(); ++i) {
            events[i] += bed[i] + static_cast<float>(hiss * chance.normal());
            loudest = std::max(loudest, std::abs(events[i]));
        }
        const float gain = loudest > 0.9F ? static_cast<float>(headroom) / loudest : 1;
        for (float& s : events)
            s = std::clamp(gain * s, -1.F, 1.F);
        scene.sound = {soundRate, 1, std::move(events)};
        std::sort(scene.events.begin(), scene.events.end(),
                  [](const SoundEvent& a, const SoundEvent& b) { return a.seconds < b.seconds; });
    }
};

constexpr double eventLevel = -16;

void song(SoundMaker& make, bool others, bool changes = false)
{
    if (others && make.chance.often(0.3))
        make.ambience(-45);
    const Piece piece = make.music(true, others, -14, changes);
    for (const double t : piece.drums)
        make.scene.events.push_back({t, StrikeKind::beat, 1});
    if (others)
        for (const double t : piece.others) // strings take a tenth of a second to sound
            for (const double late : {0.0, 0.06, 0.12})
                make.scene.open.push_back(t + late);
    make.scene.bpm = piece.beats.empty() ? piece.bpm : 0;
    make.scene.firstBeat = piece.firstBeat;
    make.scene.beats = piece.beats;
}

void steps(SoundMaker& make)
{
    const double pace = make.chance.between(0.35, 0.75);
    for (double t = make.chance.between(0.4, 1.5); t < make.seconds - 0.5; t += pace * make.chance.between(0.9, 1.1))
        make.event(t, Heard::step, eventLevel - 6 - make.chance.between(0, 5));
    make.ambience(make.chance.between(-48, -34));
    if (make.chance.often(0.4))
        make.room();
}

void bursts(SoundMaker& make)
{
    for (double t = make.chance.between(0.5, 1.5); t < make.seconds - 2; t += make.chance.between(1, 3)) {
        const double apart = make.chance.between(0.12, 0.4);
        for (int i = 2 + make.chance.oneOf(4); i > 0; --i, t += apart)
            make.event(t, Heard::hit, eventLevel - make.chance.between(0, 4));
    }
    make.ambience(make.chance.between(-50, -34));
}

void swings(SoundMaker& make)
{
    for (double t = make.chance.between(0.8, 1.5); t < make.seconds - 1; t += make.chance.between(1.2, 3)) {
        make.whoosh(t - make.chance.between(0.25, 0.5), eventLevel - make.chance.between(4, 14));
        if (make.chance.often(0.8))
            make.event(t, make.chance.often(0.5) ? Heard::hit : Heard::landing, eventLevel - make.chance.between(0, 6));
    }
    make.ambience(make.chance.between(-50, -36));
}

void ambienceChanges(SoundMaker& make)
{
    // One follows the other, over a tenth of a second to two.
    double t = 0;
    const double level = make.chance.between(-34, -16);
    while (t < make.seconds) {
        const double until = t + make.chance.between(2.5, 6), over = make.chance.between(0.08, 1.5);
        const Recording sound = make.anyAmbience();
        const auto gain =
            static_cast<float>(std::pow(10.0, (level - make.chance.between(0, 10)) / 20) / loudLevelOf(sound));
        for (std::size_t i = sampleAt(t); i < std::min(sampleAt(until + over), sound.size()); ++i) {
            const double s = static_cast<double>(i) / soundRate;
            const double in = t == 0 ? 1 : std::min(1.0, (s - t) / over),
                         off = std::min(1.0, (until + over - s) / over);
            make.bed[i] += gain * static_cast<float>(in * off) * sound[i];
        }
        t = until;
    }
}

void machines(SoundMaker& make)
{
    make.ambience(make.chance.between(-50, -40));
    for (double t = make.chance.between(0.5, 2); t < make.seconds - 2; t += make.chance.between(2.5, 5)) {
        // A hum that comes up over a tenth of a second or more.
        const double pitch = make.chance.between(50, 240), up = make.chance.between(0.1, 0.6), length = 1.5;
        const double level = static_cast<double>(fromDecibels(make.chance.between(-34, -18)));
        for (std::size_t i = 0; i < sampleAt(length); ++i) {
            const double s = static_cast<double>(i) / soundRate;
            const double shape = std::min({1.0, s / up, (length - s) / 0.4});
            double value = 0;
            for (int k = 1; k < 8; ++k)
                value += std::sin(tau * pitch * k * s) / k;
            make.bed[sampleAt(t) + i] += static_cast<float>(level * shape * value);
        }
    }
}

using Making = std::function<void(SoundMaker&)>;

const std::map<std::string, Making>& impactScenes()
{
    static const std::map<std::string, Making> all{
        {"alone", [](SoundMaker& make) { make.impacts(eventLevel, 10, 0.9, 3); }},
        {"in a room",
         [](SoundMaker& make) {
             make.impacts(eventLevel, 8, 1, 3);
             make.room();
         }},
        {"over ambience",
         [](SoundMaker& make) {
             make.impacts(eventLevel, 10, 0.9, 3);
             make.ambience(make.chance.between(-42, -26));
         }},
        {"under music",
         [](SoundMaker& make) {
             make.impacts(eventLevel, 6, 1, 3);
             make.anyMusic(false, eventLevel - make.chance.between(5, 16));
         }},
        {"under drums",
         [](SoundMaker& make) {
             make.impacts(eventLevel, 4, 1.2, 3.5);
             make.music(true, make.chance.often(0.7), eventLevel - make.chance.between(7, 18));
         }},
        {"in a room under music",
         [](SoundMaker& make) {
             make.impacts(eventLevel, 6, 1.2, 3.5);
             make.room();
             make.anyMusic(make.chance.often(0.3), eventLevel - make.chance.between(6, 18));
         }},
        {"steps", steps},
        {"bursts", bursts},
        {"swings", swings},
        {"far away",
         [](SoundMaker& make) {
             make.impacts(-38, 6, 1, 3);
             make.ambience(make.chance.between(-64, -52));
         }},
        {"drums", [](SoundMaker& make) { song(make, false); }},
        {"drums in music", [](SoundMaker& make) { song(make, true); }},
        {"changing tempo", [](SoundMaker& make) { song(make, make.chance.often(0.4), true); }},
        {"speech and impacts",
         [](SoundMaker& make) {
             make.impacts(eventLevel, 6, 1.5, 4);
             for (double t = 0.2; t < make.seconds - 1; t += make.chance.between(0.8, 2))
                 make.decoy(t, Heard::voice, eventLevel - make.chance.between(8, 18));
             make.ambience(make.chance.between(-50, -40));
         }},
    };
    return all;
}

const std::map<std::string, Making>& trapScenes()
{
    static const std::map<std::string, Making> all{
        {"whooshes",
         [](SoundMaker& make) {
             for (double t = make.chance.between(0.4, 1.5); t < make.seconds - 1; t += make.chance.between(0.9, 3))
                 make.whoosh(t, make.chance.between(-30, -16));
             make.ambience(make.chance.between(-50, -34));
         }},
        {"voices",
         [](SoundMaker& make) {
             for (double t = 0.2; t < make.seconds - 1; t += make.chance.between(0.5, 1.5))
                 make.decoy(t, Heard::voice, make.chance.between(-28, -18));
             make.ambience(make.chance.between(-50, -36));
         }},
        {"ambience", [](SoundMaker& make) { make.ambience(make.chance.between(-34, -14)); }},
        {"ambience changes", ambienceChanges},
        {"machines", machines},
        {"wind",
         [](SoundMaker& make) {
             Recording wind = noise(make.seconds, make.chance.between(300, 3000), make.chance);
             const double slow = make.chance.between(0.1, 0.5), fast = make.chance.between(0.6, 1.7);
             for (std::size_t i = 0; i < wind.size(); ++i) {
                 const double t = static_cast<double>(i) / soundRate;
                 wind[i] *=
                     static_cast<float>((1 + 0.8 * std::sin(tau * slow * t)) * (1 + 0.5 * std::sin(tau * fast * t)));
             }
             make.layBed(wind, make.chance.between(-30, -14));
         }},
    };
    return all;
}

std::vector<std::string> namesOf(const std::map<std::string, Making>& scenes)
{
    std::vector<std::string> names;
    for (const auto& [name, making] : scenes)
        names.push_back(name);
    return names;
}

} // namespace

const std::vector<std::string>& soundImpacts()
{
    static const std::vector<std::string> names = namesOf(impactScenes());
    return names;
}

const std::vector<std::string>& soundTraps()
{
    static const std::vector<std::string> names = namesOf(trapScenes());
    return names;
}

SoundScene soundScene(const std::string& kind, std::uint64_t seed, const Recordings& recordings, const Player& player)
{
    SoundScene scene;
    scene.kind = kind;
    scene.trap = !impactScenes().contains(kind);
    std::uint64_t mixed = seed * 0x9E3779B97F4A7C15;
    for (const char c : kind)
        mixed = (mixed ^ static_cast<unsigned char>(c)) * 0x100000001B3;
    Chance chance(mixed);
    SoundMaker maker(scene, chance, recordings, player);
    (scene.trap ? trapScenes() : impactScenes()).at(kind)(maker);
    maker.finish();
    return scene;
}

KnownClip knownOf(const SoundScene& scene, const std::string& path)
{
    const auto at = [](double seconds) { return std::llround(1000 * seconds); };
    KnownClip clip;
    clip.path = path;
    clip.kind = scene.kind;
    clip.trap = scene.trap;
    clip.rate = FrameRate::make(1000, 1).value_or(FrameRate());
    clip.frames = at(static_cast<double>(scene.sound.length()) / scene.sound.rate);
    clip.within = {21, 42, 83};
    for (const SoundEvent& event : scene.events)
        clip.events.push_back({at(event.seconds), event.kind, std::nullopt, event.strength});
    for (const double seconds : scene.open)
        clip.open.push_back(at(seconds));
    clip.bpm = scene.bpm;
    clip.firstBeat = scene.firstBeat;
    clip.beats = scene.beats;
    return clip;
}

} // namespace ember::proving
