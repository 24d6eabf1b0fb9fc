// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/values.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

namespace ember {

namespace {

constexpr std::array<std::string_view, 3> waveWords{"sine", "triangle", "square"};
constexpr std::array<std::string_view, 2> startWords{"seeded", "fixed"};
constexpr std::array<std::string_view, 3> burstWords{"off", "set", "seeded"};
constexpr std::array<std::string_view, 2> variationWords{"each", "same"};
constexpr std::array<std::string_view, 3> ruleWords{"add", "stronger", "restart"};
constexpr std::array<std::string_view, 5> edgeWords{"mirror", "extend", "plain", "wrap", "transparent"};
constexpr std::array<std::string_view, 3> coverWords{"off", "constant", "breathing"};
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
constexpr FieldSpec muted = choiceField("muted", "Mute", offOn, 0, "Silences this strand");
constexpr FieldSpec solo = choiceField("solo", "Solo", offOn, 0, "Only solo strands are felt");
constexpr FieldSpec salt{"salt", "Salt", "", 0, 9999, 1, 1, "Sets this strand's noise apart from the others'",
                         {},     true};
constexpr FieldSpec ownEnvelope = choiceField("own_envelope", "Own envelope", offOn, 0, "Shaped apart from the recipe");
constexpr FieldSpec bursts =
    choiceField("bursts", "Bursts", burstWords, 0, "Moves and pauses by turns; seeded: unevenly");
constexpr FieldSpec burstMove{"burst_move", "Move for", "frames", 0.5, 2400, 6, 1, "Frames of movement"};
constexpr FieldSpec burstPause{"burst_pause", "Pause for", "frames", 0, 2400, 6, 1, "Frames of pause"};
constexpr FieldSpec burstSpread{
    "burst_spread", "Spread", "%", 0, 1, 0.6, 0.05, "How much seeded bursts differ in length"};
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
constexpr FieldSpec flat = choiceField("flat", "2D only", offOn, 0, "Roll, pan and tilt off");
constexpr FieldSpec edges = choiceField("edges", "Edges", edgeWords, 0, "What fills the border");
constexpr FieldSpec cover = choiceField("cover", "Cover", coverWords, 1, "Enlarge to hide the border");

constexpr FieldSpec coverBars =
    choiceField("cover_bars", "Use the bars", offOn, 1, "What the letterbox hides need not be covered");
constexpr FieldSpec coverSpeed{"cover_speed",
                               "Cover speed",
                               "%",
                               0.005,
                               1,
                               0.04,
                               0.005,
                               "How fast breathing may enlarge the picture, in a second"};
constexpr FieldSpec shutter{
    "shutter", "Shutter", "°", 0,
    360,       0,         15,  "How long the shutter is open for each frame; 180° is half of it, 0 is no motion blur"};
constexpr FieldSpec shutterPhase{"shutter_phase",
                                 "Phase",
                                 "°",
                                 -360,
                                 360,
                                 0,
                                 15,
                                 "When it is open: 0° is around the frame's own instant, 90° a quarter frame later"};
constexpr FieldSpec samples{
    "samples", "Samples", "", 0, 256, 0, 1, "Instants seen while the shutter is open; 0 takes as many as the way needs",
    {},        true};
constexpr FieldSpec blurAbove{"blur_above",
                              "Blur above",
                              "px",
                              0,
                              1000,
                              0,
                              1,
                              "Pixels a frame below which nothing is blurred; 0 blurs every motion"};
constexpr FieldSpec rolling{
    "rolling", "Rolling shutter",
    "frames",  0,
    1,         0,
    0.05,      "Time from the first row to the last, as a small camera reads them; 0 is all at once"};
constexpr FieldSpec letterbox{"letterbox", "Letterbox", "",   0,
                              10,          0,           0.05, "Width to height of what the bars leave; 0 is no bars"};
constexpr FieldSpec showBlur = choiceField("show_blur", "Motion blur", offOn, 1, "Motion blur for the whole film");
constexpr FieldSpec showStreak = choiceField("show_streak", "Streak", offOn, 1, "Streaks for the whole film");
constexpr FieldSpec showRadial =
    choiceField("show_radial", "Radial streak", offOn, 1, "Radial streaks for the whole film");
constexpr FieldSpec showFringe = choiceField("show_fringe", "Fringe", offOn, 1, "Fringe for the whole film");
constexpr FieldSpec showFlash = choiceField("show_flash", "Flash", offOn, 1, "Flashes for the whole film");
constexpr FieldSpec showFlicker =
    choiceField("show_flicker", "Flicker", offOn, 1, "Flicker for the whole film; without it effects are steady");
constexpr FieldSpec showLayers = choiceField("show_layers", "Layers", offOn, 1, "Layers for the whole film");

constexpr std::array<std::string_view, 2> courseWords{"own", "envelope"};
constexpr std::array<std::string_view, 2> streakWords{"motion", "set"};
constexpr std::array<std::string_view, 3> fringeWords{"motion", "set", "centre"};
constexpr std::array<std::string_view, 2> blendWords{"add", "mix"};
constexpr std::array<std::string_view, 2> countWords{"frames", "beats"};

constexpr FieldSpec courseBy = choiceField("course", "Follows", courseWords, 0,
                                           "Own: by its own lengths around the peak; envelope: as the strike is felt");
constexpr FieldSpec riseOfOne{"rise", "Rise", "frames", 0, 240, 1, 1, "Frames before the peak in which it comes"};
constexpr FieldSpec riseOfNone{"rise", "Rise", "frames", 0, 240, 0, 1, "Frames before the peak in which it comes"};
constexpr FieldSpec stay{"hold", "Hold", "frames", 0, 240, 0, 1, "Frames after the peak that it stays"};
constexpr FieldSpec fallOf(double frames)
{
    return {"fall", "Fall", "frames", 0, 2400, frames, 1, "Frames in which it then goes, fast first"};
}
constexpr FieldSpec streakFall = fallOf(6);
constexpr FieldSpec radialFall = fallOf(8);
constexpr FieldSpec fringeFall = fallOf(5);
constexpr FieldSpec flashFall = fallOf(8);
constexpr FieldSpec streakLength{"length", "Streak", "px", 0, 2000, 0, 2, "How far light is drawn out at the peak"};
constexpr FieldSpec radialLength{
    "length", "Radial streak", "px", 0, 2000, 0, 2, "How far light is drawn out at the frame's corner, at the peak"};
constexpr FieldSpec radialX{"x", "Centre x", "%", -1, 2, 0.5, 0.01, "Centre, of the frame's width"};
constexpr FieldSpec radialY{"y", "Centre y", "%", -1, 2, 0.5, 0.01, "Centre, of the frame's height"};
constexpr FieldSpec streakToward =
    choiceField("toward", "Direction", streakWords, 0, "Along the way the picture moves, or by the angle");
constexpr FieldSpec fringeToward =
    choiceField("toward", "Direction", fringeWords, 0, "Along the way the picture moves, by the angle, or outwards");
constexpr FieldSpec streakAngle{"angle", "Angle", "°", -180, 360, 90, 5, "0 is right, 90 down"};
constexpr FieldSpec fringeAngle{"angle", "Angle", "°", -180, 360, 0, 5, "0 is right, 90 down"};
constexpr FieldSpec fringeAmount{
    "amount", "Fringe", "px", 0, 500, 0, 0.5, "How far red and blue are torn apart from green at the peak"};
constexpr FieldSpec flashStrength{"strength", "Flash", "%", 0, 4, 0, 0.05, "Light at the peak, against white"};
constexpr FieldSpec flashColour{"colour", "Colour", "colour", 0, 0xffffff, 0xfff0d8, 1, "Colour of the flash",
                                {},       true};
constexpr FieldSpec flashBlend =
    choiceField("blend", "Blend", blendWords, 0, "Add: light on top; mix: in place of the picture");
constexpr FieldSpec flickerEvery{
    "every", "Flicker", "", 1, 48, 1, 1, "Effects chosen here are shown on every n-th frame of the strike; 1 is always",
    {},      true};
constexpr FieldSpec flickerCount =
    choiceField("count", "Counts", countWords, 0, "Frames from the strike's own on, or frames on which a beat falls");
constexpr FieldSpec flickerStreak = choiceField("streak", "Streak flickers", offOn, 0, "The streak flickers");
constexpr FieldSpec flickerRadial = choiceField("radial", "Radial flickers", offOn, 0, "The radial streak flickers");
constexpr FieldSpec flickerFringe = choiceField("fringe", "Fringe flickers", offOn, 0, "The fringe flickers");
constexpr FieldSpec flickerFlash = choiceField("flash", "Flash flickers", offOn, 1, "The flash flickers");

constexpr FieldSpec layerX{"x", "x", "px", -32768, 32768, 0, 1, "From the middle of the frame to the right"};
constexpr FieldSpec layerY{"y", "y", "px", -32768, 32768, 0, 1, "From the middle of the frame downwards"};
constexpr FieldSpec layerSize{"size", "Size", "%", 0.01, 20, 1, 0.05, "Size against the picture's own pixels"};
constexpr FieldSpec layerOpacity{"opacity", "Opacity", "%", 0, 1, 1, 0.05, "How much of it is seen"};
constexpr FieldSpec layerDepth{"depth", "Depth", "x", 0,
                               4,       1,       0.1, "1 moves with the shot, 0 stands still, 2 moves twice as much"};
constexpr FieldSpec layerHidden = choiceField("hidden", "Hidden", offOn, 0, "Not shown");

struct AxisField {
    std::string key; ///< "amount.x"
    FieldSpec spec;
};
using AxisFields = std::array<AxisField, axisCount>;

/// One field for each axis; `make` gives it without its key.
template <typename Make>
AxisFields perAxis(std::string_view key, Make make)
{
    AxisFields fields;
    for (const Axis axis : allAxes) {
        auto& field = fields[static_cast<std::size_t>(axis)];
        field.key = std::string(key) + "." + std::string(axisName(axis));
        field.spec = make(axis);
    }
    return fields;
}

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
const AxisFields switches = perAxis(
    "axis", [](Axis axis) { return choiceField("axis", axisName(axis), offOn, 1, "Whether shakes move this axis"); });

template <typename T>
void add(Values& values, const FieldSpec& spec, T& place)
{
    values.push_back({std::string(spec.key), &spec, ValuePlace(place)});
}

template <typename List>
void addAxes(Values& values, const AxisFields& fields, List& list)
{
    for (std::size_t i = 0; i < axisCount; ++i)
        values.push_back({fields[i].key, &fields[i].spec, ValuePlace(list[i])});
}

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

/// The values of one effect, their keys behind its name.
class EffectValues {
public:
    EffectValues(Values& values, std::string_view effect) : values_(values), prefix_(std::string(effect) + ".") {}
    template <typename T>
    void add(const FieldSpec& spec, T& place)
    {
        values_.push_back({prefix_ + std::string(spec.key), &spec, ValuePlace(place)});
    }
    void add(Course& course, const FieldSpec& rise, const FieldSpec& fall)
    {
        add(courseBy, course.by);
        add(rise, course.rise);
        add(stay, course.hold);
        add(fall, course.fall);
    }

private:
    Values& values_;
    std::string prefix_;
};

constexpr std::string_view envelopePrefix = "envelope.";
constexpr std::string_view lightPrefix = "light.";
constexpr std::string_view strandPrefix = "strand.";

} // namespace

namespace layerfield {
const FieldSpec in{"in", "In", "frames", 0, 100'000'000, 0, 1, "First frame it is seen on", {}, true};
const FieldSpec length{"length", "For", "frames", 1, 100'000'000, 240, 1, "Frames it is seen for", {}, true};
} // namespace layerfield

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
    add(values, bursts, strand.bursts.mode);
    add(values, burstMove, strand.bursts.move);
    add(values, burstPause, strand.bursts.pause);
    add(values, burstSpread, strand.bursts.spread);
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
    add(values, driftRate, drift.rate);
    addNoise(values, drift.noise);
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
    addAxes(values, switches, master.axis);
    return values;
}

Values valuesOf(Finish& finish)
{
    Values values;
    add(values, edges, finish.edges);
    add(values, cover, finish.cover);
    add(values, coverBars, finish.coverBars);
    add(values, coverSpeed, finish.coverSpeed);
    add(values, shutter, finish.shutter);
    add(values, shutterPhase, finish.shutterPhase);
    add(values, samples, finish.samples);
    add(values, blurAbove, finish.blurAbove);
    add(values, rolling, finish.rolling);
    add(values, letterbox, finish.letterbox);
    add(values, showBlur, finish.shown.blur);
    add(values, showStreak, finish.shown.streak);
    add(values, showRadial, finish.shown.radial);
    add(values, showFringe, finish.shown.fringe);
    add(values, showFlash, finish.shown.flash);
    add(values, showFlicker, finish.shown.flicker);
    add(values, showLayers, finish.shown.layers);
    return values;
}

Values valuesOf(Effects& effects)
{
    Values values;
    EffectValues streak(values, "streak");
    streak.add(streakLength, effects.streak.length);
    streak.add(streakToward, effects.streak.toward);
    streak.add(streakAngle, effects.streak.angle);
    streak.add(effects.streak.course, riseOfOne, streakFall);
    EffectValues radial(values, "radial");
    radial.add(radialLength, effects.radial.length);
    radial.add(radialX, effects.radial.x);
    radial.add(radialY, effects.radial.y);
    radial.add(effects.radial.course, riseOfOne, radialFall);
    EffectValues fringe(values, "fringe");
    fringe.add(fringeAmount, effects.fringe.amount);
    fringe.add(fringeToward, effects.fringe.toward);
    fringe.add(fringeAngle, effects.fringe.angle);
    fringe.add(effects.fringe.course, riseOfNone, fringeFall);
    EffectValues flash(values, "flash");
    flash.add(flashStrength, effects.flash.strength);
    flash.add(flashColour, effects.flash.colour);
    flash.add(flashBlend, effects.flash.blend);
    flash.add(effects.flash.course, riseOfNone, flashFall);
    EffectValues flicker(values, "flicker");
    flicker.add(flickerEvery, effects.flicker.every);
    flicker.add(flickerCount, effects.flicker.count);
    flicker.add(flickerStreak, effects.flicker.streak);
    flicker.add(flickerRadial, effects.flicker.radial);
    flicker.add(flickerFringe, effects.flicker.fringe);
    flicker.add(flickerFlash, effects.flicker.flash);
    return values;
}

Values valuesOf(Layer& layer)
{
    Values values;
    add(values, layerfield::in, layer.in);
    add(values, layerfield::length, layer.length);
    add(values, layerX, layer.x);
    add(values, layerY, layer.y);
    add(values, layerSize, layer.size);
    add(values, layerOpacity, layer.opacity);
    add(values, layerDepth, layer.depth);
    addAxes(values, switches, layer.axis);
    add(values, layerHidden, layer.hidden);
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
    std::array<char, 32> text{};
    const auto end = std::to_chars(text.data(), text.data() + text.size(), value).ptr;
    return {text.data(), end};
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
