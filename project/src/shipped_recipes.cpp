// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/shipped_recipes.h"

#include <array>

namespace ember {

namespace {

using F = EnvelopeField;

struct Shape {
    double attack, hold, decay, curve;
    double rumble = 0, rumbleLength = 0, release = 1;
};

Envelope shaped(const Shape& shape)
{
    Envelope e;
    e.set(F::attack, shape.attack);
    e.set(F::hold, shape.hold);
    e.set(F::decay, shape.decay);
    e.set(F::decayCurve, shape.curve);
    e.set(F::rumble, shape.rumble);
    e.set(F::rumbleLength, shape.rumbleLength);
    e.set(F::release, shape.release);
    return e;
}

/// x and y in pixels, zoom as a difference, the turns in degrees.
struct Amounts {
    double x = 0, y = 0, zoom = 0, roll = 0, pan = 0, tilt = 0;
};

Strand strand(const char* name, Source source, const Rate& rate, const Amounts& a)
{
    Strand made;
    made.name = name;
    made.source = std::move(source);
    made.rate = rate;
    const std::array<double, axisCount> values{a.x, a.y, a.zoom, a.roll, a.pan, a.tilt};
    for (const Axis axis : allAxes)
        made.amount[axis] = values[static_cast<std::size_t>(axis)];
    return made;
}

Strand intermittent(Strand strand, double move, double pause)
{
    strand.intermittent = {IntermittentMode::seeded, move, pause, 0.6};
    return strand;
}

BookEntry entry(const char* name, const char* about, const Envelope& envelope, std::vector<Strand> strands)
{
    BookEntry made;
    made.about = about;
    made.recipe.name = name;
    made.recipe.envelope = envelope;
    for (Strand& s : strands)
        made.recipe.add(std::move(s));
    return made;
}

void addHits(BookEntries& book)
{
    book.push_back(entry("Tap", "small hit", shaped({0, 0, 7, 4}),
                         {strand("Kick", Kick{0.35}, {9, 8, 8}, {.x = 6, .y = 6}),
                          strand("Rattle", Noise{2, 0.5, 2}, {16, 9, 4}, {.x = 2, .y = 2})}));
    book.push_back(entry("Hard blow", "heavy blow", shaped({0, 1, 11, 4}),
                         {strand("Kick", Kick{0.22}, {7, 6, 8}, {.x = 22, .y = 22, .zoom = 0.015}),
                          strand("Rattle", Noise{2, 0.5, 2}, {14, 7, 6}, {.x = 8, .y = 7, .roll = 0.4})}));
    book.push_back(entry("Giant step", "footfall of something huge", shaped({1, 0, 9, 3, 0.1, 8, 8}),
                         {strand("Kick", Kick{0.4}, {3.5, 3, 10}, {.y = 18, .zoom = 0.006}),
                          strand("Rattle", Noise{2, 0.5, 2}, {11, 4, 6}, {.x = 2, .y = 4, .roll = 0.25})}));
    book.push_back(entry("Dead weight", "landing, straight down, balance regained", shaped({1, 1, 22, 4, 0.1, 36, 24}),
                         {strand("Kick", Kick{0.26}, {4, 3, 10}, {.y = 30}),
                          strand("Rattle", Noise{2, 0.5, 2}, {13, 5, 10}, {.y = 7}),
                          strand("Rumble", Noise{1, 0.5, 2}, {3, 2, 24}, {.y = 7})}));
    Envelope pushOff = shaped({3, 0, 18, 3});
    pushOff.set(F::lead, 6);
    pushOff.set(F::leadLevel, 0.3);
    pushOff.set(F::attackCurve, -2);
    book.push_back(entry("Push off", "take-off, with a shallow move against it first", pushOff,
                         {strand("Kick", Kick{0.5}, {2.2, 2, 12}, {.y = -16, .zoom = -0.008}),
                          strand("Rattle", Noise{2, 0.5, 2}, {10, 5, 6}, {.y = 2, .roll = 0.15})}));
}

/// What throws one shot into the next: it builds up before the cut, breaks off there, and settles after it.
Envelope overCut(double lead, double level, double bend, const Shape& after)
{
    Envelope e = shaped(after);
    e.set(F::lead, lead);
    e.set(F::leadLevel, level);
    e.set(F::leadShape, static_cast<double>(LeadShape::build));
    e.set(F::leadCurve, bend);
    return e;
}

void addCuts(BookEntries& book)
{
    const Course asFelt{Course::By::envelope};
    BookEntry thrown = entry("Thrown over", "cut: the picture is thrown aside and the next one arrives",
                             overCut(8, 0.95, 5, {0, 0, 14, 5}),
                             {strand("Throw", Kick{0.75}, {1.6, 1.4, 8}, {.x = 190, .y = 110}),
                              strand("Rattle", Noise{2, 0.5, 2}, {12, 6, 6}, {.x = 5, .y = 4, .roll = 0.3})});
    thrown.recipe.effects.streak = {80, Toward::motion, 0, asFelt};
    thrown.recipe.sound = {SoundKind::whoosh, -6, {}};
    book.push_back(std::move(thrown));
    BookEntry rammed = entry("Rammed through", "cut: pushed into the picture and out into the next one",
                             overCut(9, 0.95, 5, {0, 0, 15, 5}),
                             {strand("Push", Kick{0.8}, {1.5, 1.4, 8}, {.zoom = -0.16}),
                              strand("Rattle", Noise{2, 0.5, 2}, {13, 6, 6}, {.x = 6, .y = 5, .roll = 0.4})});
    rammed.recipe.effects.radial.length = 90;
    rammed.recipe.effects.radial.course = asFelt;
    rammed.recipe.sound = {SoundKind::whoosh, -6, {}};
    book.push_back(std::move(rammed));
    BookEntry shaken = entry("Shaken over", "cut: a rattle that swells into the cut and dies after it",
                             overCut(14, 0.8, 3, {0, 1, 22, 4}),
                             {strand("Rattle", Noise{3, 0.55, 2}, {14, 5, 10}, {.x = 22, .y = 16, .roll = 0.9}),
                              strand("Sway", Noise{1, 0.5, 2}, {4, 2, 16}, {.x = 8, .y = 6})});
    shaken.recipe.effects.fringe = {4, Toward::motion, 0, asFelt};
    shaken.recipe.sound = {SoundKind::thump, -6, {}};
    book.push_back(std::move(shaken));
    BookEntry turned = entry("Turned over", "cut: the picture turns out of itself into the next one",
                             overCut(9, 0.95, 5, {0, 0, 16, 5}),
                             {strand("Turn", Kick{0.7}, {1.6, 1.4, 8}, {.x = 60, .y = 60, .roll = 7}),
                              strand("Rattle", Noise{2, 0.5, 2}, {12, 6, 6}, {.x = 4, .y = 4, .roll = 0.3})});
    turned.recipe.effects.streak = {36, Toward::motion, 0, asFelt};
    turned.recipe.sound = {SoundKind::whoosh, -8, {}};
    book.push_back(std::move(turned));
}

void addBlasts(BookEntries& book)
{
    book.push_back(entry("Blast and rumble", "blast, near", shaped({1, 2, 34, 4, 0.16, 96, 48}),
                         {strand("Kick", Kick{0.18}, {5, 4, 14}, {.x = 26, .y = 26, .zoom = 0.03}),
                          strand("Rattle", Noise{3, 0.55, 2}, {13, 5, 14}, {.x = 12, .y = 9, .roll = 0.8}),
                          strand("Rumble", Noise{2, 0.4, 2}, {4, 2.2, 36}, {.x = 9, .y = 8, .roll = 0.2})}));
    book.push_back(entry("Beyond the hill", "blast, far, with a long rumble", shaped({3, 2, 30, 3, 0.38, 150, 72}),
                         {strand("Kick", Kick{0.4}, {2.5, 2, 12}, {.y = 6}),
                          strand("Rumble", Noise{2, 0.45, 2}, {5, 2.4, 30}, {.x = 5, .y = 6, .roll = 0.15})}));
    Envelope quake = shaped({10, 30, 60, 2, 0.15, 72, 48});
    quake.set(F::attackCurve, -2);
    book.push_back(entry("Ground swell", "quake", quake,
                         {strand("Heave", Noise{2, 0.45, 2}, {2.6, 1.4, 48}, {.x = 20, .y = 11, .roll = 0.9}),
                          strand("Rattle", Noise{4, 0.65, 2.1}, {10, 5, 48}, {.x = 5, .y = 8, .roll = 0.2})}));
}

void addBeats(BookEntries& book)
{
    book.push_back(
        entry("Drum beat", "beat, a push of the zoom", shaped({0, 0, 7, 3}),
              {strand("Push", Kick{0.7}, {3, 3, 8}, {.zoom = 0.06}), strand("Kick", Kick{0.4}, {5, 5, 8}, {.y = 8})}));
    Oscillation swing;
    swing.start = PhaseStart::fixed;
    swing.phase[static_cast<std::size_t>(Axis::y)] = 90;
    swing.ratio[static_cast<std::size_t>(Axis::y)] = 2;
    book.push_back(entry("Bell swing", "swing on a beat", shaped({2, 0, 26, 1.5}),
                         {strand("Swing", swing, {2, 2, 12}, {.x = 9, .y = 3, .roll = 2})}));
    Oscillation steps;
    steps.wave = Wave::square;
    steps.ratio[static_cast<std::size_t>(Axis::zoom)] = 0.5;
    Envelope stuck = shaped({0, 6, 8, 0});
    stuck.set(F::decaySlope, static_cast<double>(Slope::linear));
    book.push_back(entry("Stuck gear", "choppy glitch", stuck,
                         {strand("Jumps", Jitter{2}, {10, 10, 12}, {.x = 16, .y = 6}),
                          intermittent(strand("Steps", steps, {6, 4, 8}, {.y = 9, .zoom = 0.03}), 3, 2)}));
}

void addStates(BookEntries& book)
{
    book.push_back(
        entry("Shivers", "tremor, on and off", shaped({1, 36, 24, 2}),
              {intermittent(strand("Tremor", Noise{3, 0.6, 2}, {13, 9, 30}, {.x = 5, .y = 6, .roll = 0.3}), 6, 5)}));
    Oscillation idle;
    idle.wave = Wave::triangle;
    idle.ratio[static_cast<std::size_t>(Axis::x)] = 0.5;
    Envelope engine = shaped({10, 96, 30, 0});
    engine.set(F::decaySlope, static_cast<double>(Slope::linear));
    book.push_back(entry("Idling engine", "engine shudder", engine,
                         {strand("Stroke", idle, {9.5, 8, 60}, {.x = 1.2, .y = 2.4}),
                          strand("Rattle", Noise{2, 0.6, 2}, {6, 5, 60}, {.x = 1, .y = 1.2, .roll = 0.08})}));
    Oscillation breath;
    book.push_back(entry("Calm hands", "hand-held, calm", shaped({18, 200, 36, 0}),
                         {strand("Sway", Noise{2, 0.4, 2}, {0.55, 0.55, 12}, {.x = 7, .y = 5, .roll = 0.3}),
                          strand("Breath", breath, {0.3, 0.3, 12}, {.y = 3})}));
    book.push_back(
        entry("Nervous hands", "hand-held, nervous", shaped({8, 200, 30, 0}),
              {strand("Sway", Noise{3, 0.5, 2}, {1.1, 1.1, 12}, {.x = 11, .y = 9, .roll = 0.7}),
               intermittent(strand("Twitch", Noise{2, 0.6, 2}, {5, 5, 12}, {.x = 4, .y = 4, .roll = 0.2}), 9, 7)}));
}

constexpr std::array<std::string_view, 4> names{"Blast and rumble", "Dead weight", "Hard blow", "Drum beat"};

} // namespace

const BookEntries& shippedRecipes()
{
    static const BookEntries book = [] {
        BookEntries made;
        addHits(made);
        addBlasts(made);
        addBeats(made);
        addStates(made);
        addCuts(made);
        return made;
    }();
    return book;
}

std::string_view cutRecipeName()
{
    return "Thrown over";
}

std::string_view starterRecipeName(StrikeKind kind)
{
    return names[static_cast<std::size_t>(kind)];
}

std::optional<double> usualDirection(StrikeKind kind)
{
    if (kind == StrikeKind::blast)
        return std::nullopt;
    return 90.0;
}

Project newProject(int width, int height, FrameRate rate)
{
    Project project;
    project.width = width;
    project.height = height;
    project.rate = rate;
    project.finish.shutterAngle = 180; // the habit; files that do not say so have none
    for (const auto kind : {StrikeKind::hit, StrikeKind::landing, StrikeKind::blast, StrikeKind::beat})
        project.addRecipe(recipeFor(*entryNamed(shippedRecipes(), starterRecipeName(kind)), project));
    // A second's drift is the same for every size of frame.
    for (const Axis axis : {Axis::x, Axis::y})
        project.drift.amount[axis] *= width / 1280.0;
    return project;
}

} // namespace ember
