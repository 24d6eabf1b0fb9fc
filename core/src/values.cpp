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
    "gain", "Roughness", "",   0,
    1,      0.5,         0.05, "Strength of each octave against the one before: low is smooth, high is jagged"};
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
    "The curves are the whole motion: frames from the strike, no envelope, no rate, the same for each seed");
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
constexpr FieldSpec playRate{
    "play_rate", "Play rate", "%", 0.1, 10, 1, 0.05, "How fast all of it goes by: shape, rates, keys and light"};
constexpr std::array<std::string_view, 4> pivotWords{"middle", "point", "place", "followed"};
constexpr FieldSpec pivotAt = choiceField(
    "pivot", "Pivot", pivotWords, 0,
    "What zoom and roll go about: the frame's middle, a point, the strike's place, or a point followed in the clip");
constexpr FieldSpec pivotX{"pivot_x", "Pivot x", "%", -1, 2, 0.5, 0.01, "From the left, of the frame's width"};
constexpr FieldSpec pivotY{"pivot_y", "Pivot y", "%", -1, 2, 0.5, 0.01, "From the top, of the frame's height"};
constexpr std::array<std::string_view, 3> lineWords{"off", "direction", "set"};
constexpr FieldSpec lineMode =
    choiceField("line", "Along a line", lineWords, 0,
                "x and y together along one line, both ways: along the strike's direction, or at a set angle");
constexpr FieldSpec lineAngle{"line_angle", "Line angle", "°", -360, 360, 90, 5, "0 right, 90 down"};
constexpr FieldSpec home{"home",   "Back to rest",
                         "frames", 0,
                         2400,     6,
                         1,        "Frames in which an axis goes back to rest after its last key; 0 jumps"};
constexpr FieldSpec driftLoop =
    choiceField("loop", "Loop", offOn, 0, "The film's end meets its beginning without a seam");
constexpr FieldSpec variation = choiceField("variation", "Variation", variationWords, 0,
                                            "Each: every strike moves by its own seed; same: all by the recipe's");
constexpr FieldSpec seed{"seed", "Seed", "", 0, largestSeed, 1, 1, "The number the motion grows from", {}, true};
constexpr FieldSpec rule = choiceField("rule", "Where strikes meet", ruleWords, 0,
                                       "Add: all are felt; stronger: only the strongest; restart: only the newest");
constexpr FieldSpec ceiling{
    "ceiling", "Ceiling", "%", 0.25,
    10,        3,         0.1, "Upper limit of strikes added together; a single strike may be stronger"};
constexpr FieldSpec knee{"knee", "Knee",  "%",  0,
                         1,      2.0 / 3, 0.05, "Share of the ceiling from which sums bend towards it"};
constexpr FieldSpec driftOn = choiceField("on", "Drift", offOn, 0, "A low motion under the whole shot");
constexpr FieldSpec driftRate{"rate", "Rate", "Hz", 0.02, mostDriftRate, 0.6, 0.1, "Swings a second"};
constexpr FieldSpec fadeIn{"fade_in", "Fade in", "frames", 0,
                           100000,    0,         1,        "Frames in which it rises at the shot's start"};
constexpr FieldSpec fadeOut{"fade_out", "Fade out", "frames", 0,
                            100000,     0,          1,        "Frames in which it falls at the shot's end"};
constexpr FieldSpec intensity{"intensity",   "Intensity", "%",  0,
                              mostIntensity, 1,           0.05, "Strength of all shakes together"};
constexpr FieldSpec bypass = choiceField("bypass", "Bypass", offOn, 0, "All shakes off");
constexpr FieldSpec sounds = choiceField("sounds", "Sounds", offOn, 1, "Whether strikes are heard");
constexpr FieldSpec soundKind = choiceField("kind", "Sound", soundKindWords, 0, "The sound of the strike");
constexpr FieldSpec soundLevel{"level", "Level", "dB", -60, 12, 0, 1, "How loud it is against the others"};
constexpr FieldSpec strikeSeed{"seed", "Variation", "", 0, largestSeed, 0, 1, "The number its motion grows from",
                               {},     true};
constexpr FieldSpec locked = choiceField("locked", "Variation locked", offOn, 0, "Its variation stays as it is");
constexpr FieldSpec pinned = choiceField("pinned", "Pinned to the film", offOn, 0, "Stays where it is when shots move");
constexpr FieldSpec onCut = choiceField("on_cut", "On the cut", offOn, 0, "Goes with the cut it stands on");
constexpr FieldSpec placeWeaker = choiceField("weaker", "Weaker with distance", offOn, 1, "Weaker the further away");
constexpr FieldSpec placeLater = choiceField("later", "Delayed by distance", offOn, 1, "Felt when it arrives");
constexpr FieldSpec placeDirected = choiceField("directed", "Directed from place", offOn, 1, "Comes from its place");
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

template <typename Kind>
bool isKind(const Strand& strand)
{
    return std::holds_alternative<Kind>(strand.source);
}

bool isHand(const Strand& strand)
{
    const auto* drawn = std::get_if<Drawn>(&strand.source);
    return drawn != nullptr && drawn->asDrawn;
}

/// Sources that can run along a line: a blow goes along its direction, curves and cameras where they go.
bool canLine(const Strand& strand)
{
    return isKind<Noise>(strand) || isKind<Jitter>(strand) || isKind<Oscillation>(strand);
}

bool isNoise(const Drift& drift)
{
    return drift.captured.motion.empty();
}

bool isCaptured(const Drift& drift)
{
    return !isNoise(drift);
}

constexpr FieldOf<Strand> kindOfSource{sourceField.key, &sourceField,
                                       [](const Strand& strand) { return static_cast<double>(strand.source.index()); },
                                       [](Strand& strand, double kind) {
                                           if (strand.source.index() != static_cast<std::size_t>(kind))
                                               strand.source = sourceOfKind(static_cast<std::size_t>(kind));
                                       }};

constexpr FieldOf<Strand> envelopeOfItsOwn{ownEnvelope.key, &ownEnvelope,
                                           [](const Strand& strand) { return strand.envelope.has_value() ? 1.0 : 0.0; },
                                           [](Strand& strand, double on) {
                                               if (on == 0)
                                                   strand.envelope.reset();
                                               else if (!strand.envelope)
                                                   strand.envelope.emplace();
                                           }};

/// The fields of one kind of source, at places in it.
template <typename Kind>
struct SourceFields {
    FieldTable<Strand>& table;
    template <auto... path>
    SourceFields& with(const FieldSpec& spec)
    {
        table.add<AtSource<Kind, path...>>(spec, isKind<Kind>);
        return *this;
    }
    template <auto... path>
    SourceFields& withAxes(const AxisFields& fields)
    {
        table.addAxes<AtSource<Kind, path...>>(fields, isKind<Kind>);
        return *this;
    }
};

/// "Kick.amount.x" split where the longest strand name that fits ends.
template <typename AnyRecipe>
auto* strandOf(AnyRecipe& recipe, std::string_view& key)
{
    decltype(&recipe.strands.front()) found = nullptr;
    for (auto& strand : recipe.strands)
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

/// Calls use(part, field) with the part of a recipe that has the value of this key. False where none has.
template <typename AnyRecipe, typename Use>
bool withField(AnyRecipe& recipe, std::string_view key, const Use& use)
{
    const auto of = [&](auto& part, std::string_view rest) {
        const auto* field = fieldIn(part, rest);
        if (field == nullptr)
            return false;
        use(part, *field);
        return true;
    };
    if (key.starts_with(envelopePrefix))
        return of(recipe.envelope, key.substr(envelopePrefix.size()));
    if (key.starts_with(lightPrefix))
        return of(recipe.effects, key.substr(lightPrefix.size()));
    if (key.starts_with(soundPrefix))
        return of(recipe.sound, key.substr(soundPrefix.size()));
    if (!key.starts_with(strandPrefix))
        return of(recipe, key);
    key.remove_prefix(strandPrefix.size());
    auto* strand = strandOf(recipe, key);
    if (strand == nullptr)
        return false;
    if (!key.starts_with(envelopePrefix))
        return of(*strand, key);
    return strand->envelope && of(*strand->envelope, key.substr(envelopePrefix.size()));
}

} // namespace

template <>
std::span<const FieldOf<Envelope>> fieldsOf<Envelope>()
{
    static const auto fields = []<std::size_t... i>(std::index_sequence<i...>)
    {
        const auto one = []<std::size_t n>() {
            constexpr auto which = static_cast<EnvelopeField>(n);
            const FieldSpec& spec = specOf(which);
            return FieldOf<Envelope>{spec.key, &spec, [](const Envelope& envelope) { return envelope[which]; },
                                     [](Envelope& envelope, double value) { envelope.set(which, value); }};
        };
        std::vector<FieldOf<Envelope>> all{one.template operator()<i>()...};
        std::vector<FieldOf<Envelope>> inOrder;
        for (const EnvelopeField field : envelopeFields())
            inOrder.push_back(all[static_cast<std::size_t>(field)]);
        return inOrder;
    }
    (std::make_index_sequence<envelopeFieldCount>());
    return fields;
}

template <>
std::span<const FieldOf<Strand>> fieldsOf<Strand>()
{
    static const auto fields = [] {
        FieldTable<Strand> table;
        table.add(kindOfSource);
        SourceFields<Kick>{table}.with<&Kick::damping>(damping);
        SourceFields<Noise>{table}
            .with<&Noise::octaves>(octaves)
            .with<&Noise::gain>(gain)
            .with<&Noise::lacunarity>(lacunarity)
            .with<&Noise::loop>(loop);
        SourceFields<Jitter>{table}.with<&Jitter::every>(every);
        SourceFields<Oscillation>{table}
            .with<&Oscillation::wave>(wave)
            .with<&Oscillation::start>(phaseStart)
            .withAxes<&Oscillation::ratio>(ratios)
            .withAxes<&Oscillation::phase>(phases)
            .withAxes<&Oscillation::back>(backs);
        SourceFields<Drawn>{table}.with<&Drawn::asDrawn>(asDrawn);
        table.add<AtSource<Drawn, &Drawn::home>>(home, isHand);
        SourceFields<Captured>{table}.with<&Captured::speed>(speed);
        table.with<&Strand::rate, &Rate::peakHz>(ratePeak)
            .with<&Strand::rate, &Rate::restHz>(rateRest)
            .with<&Strand::rate, &Rate::fall>(rateFall)
            .addAxes<At<&Strand::amount>>(amounts)
            .with<&Strand::line, &Line::mode>(lineMode, canLine)
            .with<&Strand::line, &Line::angle>(lineAngle, canLine)
            .with<&Strand::intermittent, &Intermittent::mode>(intermittent)
            .with<&Strand::intermittent, &Intermittent::moves>(moves)
            .with<&Strand::intermittent, &Intermittent::rests>(rests)
            .with<&Strand::intermittent, &Intermittent::unevenness>(unevenness)
            .with<&Strand::muted>(muted)
            .with<&Strand::solo>(solo)
            .with<&Strand::salt>(salt)
            .add(envelopeOfItsOwn);
        return table.done();
    }();
    return fields;
}

template <>
std::span<const FieldOf<Recipe>> fieldsOf<Recipe>()
{
    static const auto fields = FieldTable<Recipe>()
                                   .with<&Recipe::position>(position)
                                   .with<&Recipe::rotation>(rotation)
                                   .with<&Recipe::variation>(variation)
                                   .with<&Recipe::seed>(seed)
                                   .with<&Recipe::playRate>(playRate)
                                   .with<&Recipe::pivot, &Pivot::at>(pivotAt)
                                   .with<&Recipe::pivot, &Pivot::x>(pivotX)
                                   .with<&Recipe::pivot, &Pivot::y>(pivotY)
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<Strike>> fieldsOf<Strike>()
{
    static const auto fields = FieldTable<Strike>()
                                   .with<&Strike::strength>(strikefield::strength)
                                   .with<&Strike::seed>(strikeSeed)
                                   .with<&Strike::locked>(locked)
                                   .with<&Strike::pinned>(pinned)
                                   .with<&Strike::onCut>(onCut)
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<Place>> fieldsOf<Place>()
{
    static const auto fields = FieldTable<Place>()
                                   .with<&Place::weaker>(placeWeaker)
                                   .with<&Place::later>(placeLater)
                                   .with<&Place::directed>(placeDirected)
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<Overlap>> fieldsOf<Overlap>()
{
    static const auto fields = FieldTable<Overlap>()
                                   .with<&Overlap::rule>(rule)
                                   .with<&Overlap::ceiling>(ceiling)
                                   .with<&Overlap::knee>(knee)
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<Drift>> fieldsOf<Drift>()
{
    static const auto fields = FieldTable<Drift>()
                                   .with<&Drift::on>(driftOn)
                                   .with<&Drift::rate>(driftRate, isNoise)
                                   .with<&Drift::noise, &Noise::octaves>(octaves, isNoise)
                                   .with<&Drift::noise, &Noise::gain>(gain, isNoise)
                                   .with<&Drift::noise, &Noise::lacunarity>(lacunarity, isNoise)
                                   .with<&Drift::captured, &Captured::speed>(speed, isCaptured)
                                   .addAxes<At<&Drift::amount>>(amounts)
                                   .with<&Drift::seed>(seed)
                                   .with<&Drift::fadeIn>(fadeIn)
                                   .with<&Drift::fadeOut>(fadeOut)
                                   .with<&Drift::loop>(driftLoop)
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<Master>> fieldsOf<Master>()
{
    static const auto fields = FieldTable<Master>()
                                   .with<&Master::intensity>(intensity)
                                   .with<&Master::bypass>(bypass)
                                   .with<&Master::flat>(flat)
                                   .with<&Master::sounds>(sounds)
                                   .addAxes<At<&Master::axis>>(axisSwitches())
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<BeatGrid>> fieldsOf<BeatGrid>()
{
    static const auto fields = FieldTable<BeatGrid>()
                                   .with<&BeatGrid::bpm>(beatfield::bpm)
                                   .with<&BeatGrid::firstBeat>(beatfield::firstBeat)
                                   .with<&BeatGrid::barBeats>(beatfield::barBeats)
                                   .with<&BeatGrid::barStart>(beatfield::barStart)
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<Soundtrack>> fieldsOf<Soundtrack>()
{
    static const auto fields = FieldTable<Soundtrack>().with<&Soundtrack::offset>(soundfield::offset).done();
    return fields;
}

template <>
std::span<const FieldOf<StrikeSound>> fieldsOf<StrikeSound>()
{
    static const auto fields =
        FieldTable<StrikeSound>().with<&StrikeSound::kind>(soundKind).with<&StrikeSound::level>(soundLevel).done();
    return fields;
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

bool setValue(Recipe& recipe, std::string_view key, double value)
{
    return withField(recipe, key, [&]<typename Part>(Part& part, const FieldOf<Part>& field) {
        if constexpr (std::is_same_v<Part, Strand>)
            if (field.spec == &ownEnvelope && value != 0 && !part.envelope) {
                part.envelope = recipe.envelope;
                return;
            }
        field.set(part, value);
    });
}

std::optional<double> readValue(const Recipe& recipe, std::string_view key)
{
    std::optional<double> value;
    withField(recipe, key, [&](const auto& part, const auto& field) { value = field.get(part); });
    return value;
}

const FieldSpec* specOfValue(const Recipe& recipe, std::string_view key)
{
    const FieldSpec* spec = nullptr;
    withField(recipe, key, [&](const auto&, const auto& field) { spec = field.spec; });
    return spec;
}

std::vector<std::string> keysOf(const Recipe& recipe)
{
    std::vector<std::string> keys;
    const auto take = [&](const std::string& prefix, const auto& part) {
        for (const Value& value : valuesOf(part))
            keys.push_back(prefix + std::string(value.key));
    };
    take("", recipe);
    take(std::string(envelopePrefix), recipe.envelope);
    take(std::string(lightPrefix), recipe.effects);
    take(std::string(soundPrefix), recipe.sound);
    for (const Strand& strand : recipe.strands) {
        const std::string prefix = std::string(strandPrefix) + strand.name + ".";
        take(prefix, strand);
        if (strand.envelope)
            take(prefix + std::string(envelopePrefix), *strand.envelope);
    }
    return keys;
}

std::string valueText(const FieldSpec& spec, double value)
{
    if (!spec.choices.empty())
        return std::string(spec.choices[static_cast<std::size_t>(value)]);
    if (isColour(spec))
        return colourText(colourFromNumber(static_cast<std::uint32_t>(value)));
    return spec.whole ? std::to_string(static_cast<std::int64_t>(value)) : shortestText(value);
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

Phrase valueWanted(const FieldSpec& spec)
{
    if (!spec.choices.empty()) {
        std::string words;
        for (const auto word : spec.choices)
            words += (words.empty() ? "" : ", ") + std::string(word);
        return {"one of {}", words};
    }
    if (isColour(spec))
        return "a colour such as #1a2b3c";
    return {spec.whole ? "a whole number from {} to {}" : "a number from {} to {}", valueText(spec, spec.min),
            valueText(spec, spec.max)};
}

} // namespace ember
