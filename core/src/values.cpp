// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/values.h"
#include "ember/core/text.h"

#include "value_list.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

namespace ember {

namespace {

constexpr std::array<std::string_view, 3> waveWords{"sine", "triangle", "square"};
constexpr std::array<std::string_view, 2> startWords{"seeded", "fixed"};
constexpr std::array<std::string_view, 3> intermittentWords{"off", "set", "seeded"};
constexpr std::array<std::string_view, 2> variationWords{"each", "same"};
constexpr std::array<std::string_view, 3> ruleWords{"add", "stronger", "restart"};
constexpr double largestSeed = 4294967295.0;

constexpr FieldSpec sourceField = choiceField("source", "Source", sourceWords, 0, "What moves the picture");
constexpr FieldSpec ratePeak{"rate", "Rate", "Hz", 0.05, 120, 10, 0.5, "Swings a second at the peak"};
constexpr FieldSpec rateRest{
    "rate_rest", "Rate at rest", "Hz", 0.05, 120, 3, 0.5, "Swings a second the motion slows down to"};
constexpr FieldSpec rateFall{"rate_fall", "Rate fall", "frames", 0.1,
                             2400,        12,          1,        "Frames in which the rate falls most of its way"};
constexpr FieldSpec damping{"damping", "Damping", "",   0.02,
                            0.98,      0.25,      0.01, "Share of critical damping; less rebounds more"};
constexpr FieldSpec octaves{"octaves", "Octaves", "", 1, 8, 2, 1, "Layers of noise, each finer than the one before",
                            {},        true};
constexpr FieldSpec gain{
    "gain", "Gain", "",   0,
    1,      0.5,    0.05, "Strength of each octave against the one before: low is smooth, high is jagged"};
constexpr FieldSpec lacunarity{
    "lacunarity", "Lacunarity", "", 1.2, 4, 2, 0.1, "Speed of each octave against the one before"};
constexpr FieldSpec loop{"loop", "Loop", "swings", 0,
                         10000,  0,      1,        "Swings after which the noise repeats without a seam; 0 never"};
constexpr FieldSpec every{"every", "Every", "frames", 1, 48, 1, 1, "Frames each random value stays", {}, true};
constexpr FieldSpec wave = choiceField("wave", "Wave", waveWords, 0, "Sine glides, triangle runs evenly, square steps");
constexpr FieldSpec phaseStart = choiceField("start", "Start", startWords, 0,
                                             "Seeded: each variation swings by phases of its own; fixed: only yours");
constexpr FieldSpec ratio{"ratio", "Frequency", "x",  0.05,
                          16,      1,           0.05, "Frequency of this axis against the strand's rate"};
constexpr FieldSpec phase{
    "phase", "Phase", "°", -180,
    180,     0,       5,   "How far this axis is behind, reached within the first swing after the peak"};
constexpr FieldSpec back{"back", "Back", "%", 0, 1, 1, 0.05, "How far it swings back, against the way out"};
constexpr FieldSpec asDrawn = choiceField(
    "as_drawn", "As drawn", offOn, 0,
    "The curves are the whole motion: not raised at the peak, not weighed by the envelope, the same for each seed");
constexpr FieldSpec speed{"speed", "Speed", "%",  0.1,
                          10,      1,       0.05, "How fast the camera moves, against how it was filmed"};
constexpr FieldSpec muted = choiceField("muted", "Mute", offOn, 0, "Silences this strand");
constexpr FieldSpec solo = choiceField("solo", "Solo", offOn, 0, "Only solo strands are felt");
constexpr FieldSpec salt{"salt", "Salt", "", 0, 9999, 1, 1, "Sets this strand's noise apart from the others'",
                         {},     true};
constexpr FieldSpec ownEnvelope = choiceField("own_envelope", "Own envelope", offOn, 0, "Shaped apart from the recipe");
constexpr FieldSpec intermittent =
    choiceField("intermittent", "Intermittent", intermittentWords, 0, "Moves and rests by turns; seeded: unevenly");
constexpr FieldSpec moves{"moves", "Moves", "frames", 0.5, 2400, 6, 1, "Frames of movement"};
constexpr FieldSpec rests{"rests", "Rests", "frames", 0, 2400, 6, 1, "Frames of rest between movements"};
constexpr FieldSpec unevenness{
    "unevenness", "Unevenness", "%", 0, 1, 0.6, 0.05, "How much seeded movements and rests differ in length"};
constexpr FieldSpec position{"position", "Position", "%", 0, 2, 1, 0.05, "Strength of x, y and zoom together"};
constexpr FieldSpec rotation{"rotation", "Rotation", "%", 0, 2, 1, 0.05, "Strength of roll, pan and tilt together"};
constexpr FieldSpec variation = choiceField("variation", "Variation", variationWords, 0,
                                            "Each: every strike moves by its own seed; same: all by the recipe's");
constexpr FieldSpec seed{"seed", "Seed", "", 0, largestSeed, 1, 1, "The number the motion grows from", {}, true};
constexpr FieldSpec rule = choiceField("rule", "Where strikes meet", ruleWords, 0,
                                       "Add: all are felt; stronger: only the strongest; restart: only the newest");
constexpr FieldSpec ceiling{
    "ceiling", "Ceiling", "%", 0.25, 10, 3, 0.1, "What strikes together stay below; a single one may be stronger"};
constexpr FieldSpec knee{"knee", "Knee",  "%",  0,
                         1,      2.0 / 3, 0.05, "Share of the ceiling from which sums bend towards it"};
constexpr FieldSpec driftOn = choiceField("on", "Drift", offOn, 0, "A low motion under the whole shot");
constexpr FieldSpec driftRate{"rate", "Rate", "Hz", 0.02, 30, 0.6, 0.1, "Swings a second"};
constexpr FieldSpec fadeIn{"fade_in", "Fade in", "frames", 0,
                           100000,    0,         1,        "Frames in which it rises at the shot's start"};
constexpr FieldSpec fadeOut{"fade_out", "Fade out", "frames", 0,
                            100000,     0,          1,        "Frames in which it falls at the shot's end"};
constexpr FieldSpec intensity{"intensity", "Intensity", "%", 0, 2, 1, 0.05, "Strength of all shakes together"};
constexpr FieldSpec bypass = choiceField("bypass", "Bypass", offOn, 0, "All shakes off");
constexpr FieldSpec sounds = choiceField("sounds", "Sounds", offOn, 1, "Whether strikes are heard");
constexpr FieldSpec soundKind = choiceField("kind", "Sound", soundKindWords, 0, "What is heard when it strikes");
constexpr FieldSpec soundLevel{"level", "Level", "dB", -60, 12, 0, 1, "How loud it is against the others"};
constexpr FieldSpec flat = choiceField("flat", "2D only", offOn, 0, "Roll, pan and tilt off");
FieldSpec amountField(Axis axis)
{
    const double limit = amountLimit(axis);
    const bool pixels = axis == Axis::x || axis == Axis::y;
    return {"amount",
            axisName(axis),
            pixels               ? "px"
            : axis == Axis::zoom ? "%"
                                 : "°",
            -limit,
            limit,
            0,
            pixels               ? 1.0
            : axis == Axis::zoom ? 0.005
                                 : 0.1,
            "Largest excursion at the peak, at strength 100 %"};
}

FieldSpec named(FieldSpec spec, Axis axis)
{
    spec.label = axisName(axis);
    return spec;
}

const AxisFields amounts = perAxis("amount", amountField);
const AxisFields ratios = perAxis("ratio", [](Axis axis) { return named(ratio, axis); });
const AxisFields phases = perAxis("phase", [](Axis axis) { return named(phase, axis); });
const AxisFields backs = perAxis("back", [](Axis axis) { return named(back, axis); });
void addAmounts(Values& values, AxisValues& amount)
{
    for (const Axis axis : allAxes) {
        const auto& field = amounts[static_cast<std::size_t>(axis)];
        values.push_back({field.key, &field.spec, ValuePlace(amount[axis])});
    }
}

void addNoise(Values& values, Noise& noise)
{
    add(values, octaves, noise.octaves);
    add(values, gain, noise.gain);
    add(values, lacunarity, noise.lacunarity);
}

ValuePlace sourcePlace(Source& source)
{
    return {&source, [](const void* p) { return static_cast<double>(static_cast<const Source*>(p)->index()); },
            [](void* p, double kind) {
                auto& held = *static_cast<Source*>(p);
                if (held.index() != static_cast<std::size_t>(kind))
                    held = sourceOfKind(static_cast<std::size_t>(kind));
            }};
}

ValuePlace ownEnvelopePlace(std::optional<Envelope>& envelope)
{
    using Held = std::optional<Envelope>;
    return {&envelope, [](const void* p) { return static_cast<const Held*>(p)->has_value() ? 1.0 : 0.0; },
            [](void* p, double on) {
                auto& held = *static_cast<Held*>(p);
                if (on == 0)
                    held.reset();
                else if (!held)
                    held.emplace();
            }};
}

std::optional<Value> find(Values values, std::string_view key)
{
    for (Value& value : values)
        if (value.key == key)
            return std::move(value);
    return std::nullopt;
}

/// "Kick.amount.x" split where the longest strand name that fits ends.
Strand* strandOf(Recipe& recipe, std::string_view& key)
{
    Strand* found = nullptr;
    for (Strand& strand : recipe.strands)
        if (key.size() > strand.name.size() && key.starts_with(strand.name) && key[strand.name.size()] == '.' &&
            (found == nullptr || strand.name.size() > found->name.size()))
            found = &strand;
    if (found != nullptr)
        key.remove_prefix(found->name.size() + 1);
    return found;
}

constexpr std::string_view envelopePrefix = "envelope.";
constexpr std::string_view lightPrefix = "light.";
constexpr std::string_view soundPrefix = "sound.";
constexpr std::string_view strandPrefix = "strand.";

} // namespace

Values valuesOf(Envelope& envelope)
{
    Values values;
    envelope.visit([&](const FieldSpec& spec, double& place) { add(values, spec, place); });
    return values;
}

Values valuesOf(Source& source)
{
    Values values;
    if (auto* kick = std::get_if<Kick>(&source)) {
        add(values, damping, kick->damping);
    } else if (auto* noise = std::get_if<Noise>(&source)) {
        addNoise(values, *noise);
        add(values, loop, noise->loop);
    } else if (auto* jitter = std::get_if<Jitter>(&source)) {
        add(values, every, jitter->every);
    } else if (auto* swing = std::get_if<Oscillation>(&source)) {
        add(values, wave, swing->wave);
        add(values, phaseStart, swing->start);
        addAxes(values, ratios, swing->ratio);
        addAxes(values, phases, swing->phase);
        addAxes(values, backs, swing->back);
    } else if (auto* drawn = std::get_if<Drawn>(&source)) {
        add(values, asDrawn, drawn->asDrawn);
    } else if (auto* captured = std::get_if<Captured>(&source)) {
        add(values, speed, captured->speed);
    }
    return values;
}

Values valuesOf(Strand& strand)
{
    Values values;
    values.push_back({"source", &sourceField, sourcePlace(strand.source)});
    for (Value& value : valuesOf(strand.source))
        values.push_back(std::move(value));
    add(values, ratePeak, strand.rate.peakHz);
    add(values, rateRest, strand.rate.restHz);
    add(values, rateFall, strand.rate.fall);
    addAmounts(values, strand.amount);
    add(values, intermittent, strand.intermittent.mode);
    add(values, moves, strand.intermittent.moves);
    add(values, rests, strand.intermittent.rests);
    add(values, unevenness, strand.intermittent.unevenness);
    add(values, muted, strand.muted);
    add(values, solo, strand.solo);
    add(values, salt, strand.salt);
    values.push_back({"own_envelope", &ownEnvelope, ownEnvelopePlace(strand.envelope)});
    return values;
}

Values valuesOf(Recipe& recipe)
{
    Values values;
    add(values, position, recipe.position);
    add(values, rotation, recipe.rotation);
    add(values, variation, recipe.variation);
    add(values, seed, recipe.seed);
    return values;
}

Values valuesOf(Overlap& overlap)
{
    Values values;
    add(values, rule, overlap.rule);
    add(values, ceiling, overlap.ceiling);
    add(values, knee, overlap.knee);
    return values;
}

Values valuesOf(Drift& drift)
{
    Values values;
    add(values, driftOn, drift.on);
    if (drift.captured.motion.empty()) {
        add(values, driftRate, drift.rate);
        addNoise(values, drift.noise);
    } else {
        add(values, speed, drift.captured.speed);
    }
    addAmounts(values, drift.amount);
    add(values, seed, drift.seed);
    add(values, fadeIn, drift.fadeIn);
    add(values, fadeOut, drift.fadeOut);
    return values;
}

Values valuesOf(Master& master)
{
    Values values;
    add(values, intensity, master.intensity);
    add(values, bypass, master.bypass);
    add(values, flat, master.flat);
    add(values, sounds, master.sounds);
    addAxes(values, axisSwitches(), master.axis);
    return values;
}

Values valuesOf(BeatGrid& beats)
{
    Values values;
    add(values, beatfield::bpm, beats.bpm);
    add(values, beatfield::firstBeat, beats.firstBeat);
    add(values, beatfield::barBeats, beats.barBeats);
    add(values, beatfield::barStart, beats.barStart);
    return values;
}

Values valuesOf(Soundtrack& sound)
{
    Values values;
    add(values, soundfield::offset, sound.offset);
    return values;
}

Values valuesOf(StrikeSound& sound)
{
    Values values;
    add(values, soundKind, sound.kind);
    add(values, soundLevel, sound.level);
    return values;
}

const AxisFields& axisSwitches()
{
    static const AxisFields switches = perAxis("axis", [](Axis axis) {
        return choiceField("axis", axisName(axis), offOn, 1, "Whether shakes move this axis");
    });
    return switches;
}

bool isColour(const FieldSpec& spec)
{
    return spec.unit == "colour";
}

std::optional<Value> valueOf(Recipe& recipe, std::string_view key)
{
    if (key.starts_with(envelopePrefix))
        return find(valuesOf(recipe.envelope), key.substr(envelopePrefix.size()));
    if (key.starts_with(lightPrefix))
        return find(valuesOf(recipe.effects), key.substr(lightPrefix.size()));
    if (key.starts_with(soundPrefix))
        return find(valuesOf(recipe.sound), key.substr(soundPrefix.size()));
    if (!key.starts_with(strandPrefix))
        return find(valuesOf(recipe), key);
    key.remove_prefix(strandPrefix.size());
    Strand* strand = strandOf(recipe, key);
    if (strand == nullptr)
        return std::nullopt;
    if (!key.starts_with(envelopePrefix))
        return find(valuesOf(*strand), key);
    if (!strand->envelope)
        return std::nullopt;
    return find(valuesOf(*strand->envelope), key.substr(envelopePrefix.size()));
}

bool setValue(Recipe& recipe, std::string_view key, double value)
{
    const auto place = valueOf(recipe, key);
    if (!place)
        return false;
    std::string_view rest = key;
    if (place->spec == &ownEnvelope) {
        rest.remove_prefix(strandPrefix.size());
        Strand& strand = *strandOf(recipe, rest);
        if (value != 0 && !strand.envelope) {
            strand.envelope = recipe.envelope;
            return true;
        }
    }
    place->set(value);
    return true;
}

std::optional<double> readValue(const Recipe& recipe, std::string_view key)
{
    // Only looked at: the place is not written to.
    const auto value = valueOf(const_cast<Recipe&>(recipe), key);
    return value ? std::optional(value->get()) : std::nullopt;
}

const FieldSpec* specOfValue(const Recipe& recipe, std::string_view key)
{
    const auto value = valueOf(const_cast<Recipe&>(recipe), key);
    return value ? value->spec : nullptr;
}

std::vector<std::string> keysOf(const Recipe& recipe)
{
    std::vector<std::string> keys;
    auto& held = const_cast<Recipe&>(recipe);
    const auto take = [&](const std::string& prefix, const Values& values) {
        for (const Value& value : values)
            keys.push_back(prefix + value.key);
    };
    take("", valuesOf(held));
    take(std::string(envelopePrefix), valuesOf(held.envelope));
    take(std::string(lightPrefix), valuesOf(held.effects));
    take(std::string(soundPrefix), valuesOf(held.sound));
    for (Strand& strand : held.strands) {
        const std::string prefix = std::string(strandPrefix) + strand.name + ".";
        take(prefix, valuesOf(strand));
        if (strand.envelope)
            take(prefix + std::string(envelopePrefix), valuesOf(*strand.envelope));
    }
    return keys;
}

std::string valueText(const FieldSpec& spec, double value)
{
    if (!spec.choices.empty())
        return std::string(spec.choices[static_cast<std::size_t>(value)]);
    if (isColour(spec))
        return colourText(colourFromNumber(static_cast<std::uint32_t>(value)));
    return shortestText(value);
}

std::optional<double> valueFromText(const FieldSpec& spec, std::string_view text)
{
    if (!spec.choices.empty()) {
        const auto found = std::find(spec.choices.begin(), spec.choices.end(), text);
        if (found == spec.choices.end())
            return std::nullopt;
        return static_cast<double>(found - spec.choices.begin());
    }
    if (isColour(spec)) {
        const auto colour = colourFromText(text);
        return colour ? std::optional<double>(colourNumber(*colour)) : std::nullopt;
    }
    const bool percent = spec.unit == "%" && text.ends_with('%');
    if (percent)
        text.remove_suffix(1);
    double value = 0;
    const auto [end, code] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (text.empty() || code != std::errc() || end != text.data() + text.size())
        return std::nullopt;
    if (percent)
        value /= 100;
    return inRange(spec, value) ? std::optional(value) : std::nullopt;
}

std::string valueWanted(const FieldSpec& spec)
{
    if (!spec.choices.empty()) {
        std::string words;
        for (const auto word : spec.choices)
            words += (words.empty() ? "one of " : ", ") + std::string(word);
        return words;
    }
    if (isColour(spec))
        return "a colour such as #1a2b3c";
    return std::string(spec.whole ? "a whole number from " : "a number from ") + valueText(spec, spec.min) + " to " +
           valueText(spec, spec.max);
}

} // namespace ember
