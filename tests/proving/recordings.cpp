// SPDX-License-Identifier: GPL-3.0-or-later
#include "recordings.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <filesystem>
#include <string_view>

#include <QByteArray>
#include <QTemporaryFile>

#include <fluidsynth.h>
#include <zip.h>

#include "ember/media/sound_reader.h"

namespace ember::proving {

namespace {

struct Named {
    Heard what;
    std::vector<std::string_view> names; ///< beginnings of names, without the folder
};

const std::string arena = "/usr/share/games/openarena/baseoa/pak0.pk3";
const std::array<Named, 7> inArena{
    {{Heard::blast, {"weapons/proxmine/wstbexpl", "weapons/rocket/rocklx1a", "weapons/plasma/plasmx1a"}},
     {Heard::hit,
      {"weapons/machinegun/machgf", "weapons/shotgun/sshotf", "weapons/railgun/railgf", "weapons/vulcan/vulcanf",
       "weapons/grenade/grenlf", "weapons/rocket/rocklf", "feedback/hit.wav", "player/footsteps/clank", "world/clack",
       "weapons/grenade/hgrenb"}},
     {Heard::landing, {"player/land1", "player/gibimp"}},
     {Heard::step,
      {"player/footsteps/boot", "player/footsteps/step", "player/footsteps/mech", "player/footsteps/flesh"}},
     {Heard::whoosh, {"weapons/machinegun/buletby", "world/suck1", "items/airout"}},
     {Heard::voice, {"player/sarge/", "player/announcer/"}},
     {Heard::ambience,
      {"world/wind", "world/fire", "world/waterfall", "world/demonwind", "world/machinery", "world/drone6",
       "world/fan4", "world/tim_machine", "world/lava", "world/cf_distant", "world/new/painwind"}}}};

struct Folder {
    std::string path; ///< under `shared`
    std::vector<Named> named;
};

const std::string shared = "/usr/share/";
/// For tuning. Of what is not installed there is nothing.
const std::array<Folder, 15> folders{
    {{"games/teeworlds/data/audio",
      {{Heard::blast, {"wp_flump_explo"}},
       {Heard::hit,
        {"sfx_hit_strong", "wp_gun_fire", "wp_shotty_fire", "wp_hammer_hit", "hook_attach", "wp_ninja_hit"}},
       {Heard::landing, {"foley_land", "foley_body_impact"}},
       {Heard::step, {"foley_foot"}},
       {Heard::whoosh, {"wp_hammer_swing", "wp_ninja_attack", "foley_dbljump", "sfx_skid"}},
       {Heard::voice, {"vo_"}},
       {Heard::music, {"music_menu"}}}},
     {"games/hedgewars/Data/Sounds",
      {{Heard::blast, {"explosion", "mortar"}},
       {Heard::hit, {"baseballbat", "firepunch_hit", "gun.", "hammer", "knife_impact", "shotgunfire", "whipcrack"}},
       {Heard::landing,
        {"graveimpact", "grenadeimpact", "melonimpact", "mineimpact", "frozen_hog_impact", "airmine_impact"}},
       {Heard::whoosh, {"throwrelease", "parachute", "jetpackboost"}},
       {Heard::voice, {"hell_", "Yoohoo"}},
       {Heard::ambience, {"flamethrower", "blowtorch", "steam", "plane."}}}},
     {"games/hedgewars/Data/Music",
      {{Heard::music,
        {"Art", "Beach", "Castle", "Desert", "EarthRise", "Halloween", "Nature", "Rock", "hell", "pirate"}}}},
     {"sonic-pi/samples",
      {{Heard::blast, {"misc_cineboom", "bd_boom"}},
       {Heard::hit, {"perc_impact", "perc_door", "perc_snap"}},
       {Heard::whoosh, {"perc_swoosh", "perc_swash", "ambi_swoosh"}},
       {Heard::voice, {"mehackit_phone"}},
       {Heard::ambience,
        {"ambi_choir", "ambi_dark", "ambi_drone", "ambi_glass_hum", "ambi_haunted", "ambi_lunar", "ambi_sauna",
         "ambi_soft_buzz", "loop_3d_printer", "vinyl_hiss"}}}},
     {"games/scorched3d/data/globalmods/none/data/wav/explosions",
      {{Heard::blast, {"large", "medium", "small", "tank", "xlarge", "napalm"}}, {Heard::landing, {"crunch"}}}},
     {"games/scorched3d/data/globalmods/apoc/data/wav/explosions",
      {{Heard::blast, {"exp", "meteor", "shockwave", "tank"}}, {Heard::landing, {"thud", "dirt", "bhit"}}}},
     {"games/scorched3d/data/globalmods/none/data/wav/shoot", {{Heard::hit, {"large", "medium", "small", "xlarge"}}}},
     {"games/scorched3d/data/globalmods/none/data/wav/misc",
      {{Heard::ambience, {"apache", "f16", "jet", "lava", "oceanwaves", "rain", "t38", "birds", "frogs"}}}},
     {"games/scorched3d/data/globalmods/apoc/data/wav/misc",
      {{Heard::ambience, {"citysounds", "factoryloop", "helicopter", "cheeringloop", "cessna"}},
       {Heard::voice, {"cows", "dog", "moo", "scream", "sheep", "rooster"}}}},
     {"games/wesnoth/1.16/data/core/sounds",
      {{Heard::blast, {"explosion", "lightning.", "thunderstick."}},
       {Heard::hit,
        {"axe", "club.", "fist", "flail.", "gunshot", "hatchet.", "mace.", "spear.", "staff.", "sword-1", "knife",
         "sling."}},
       {Heard::whoosh,
        {"axe-miss", "club-miss", "flail-miss", "mace-miss", "spear-miss", "staff-miss", "miss-", "throw-"}},
       {Heard::voice, {"dwarf-", "goblin-", "gryphon-", "wolf-", "groan", "elf-hit"}}}},
     {"games/wesnoth/1.16/data/core/sounds/ambient",
      {{Heard::ambience, {"birds", "campfire", "morning", "night", "ship"}}}},
     {"games/minetest/games/minetest_game/mods/default/sounds",
      {{Heard::step,
        {"default_dirt_foot", "default_grass_foot", "default_gravel_foot", "default_hard_foot", "default_metal_foot",
         "default_snow_foot", "default_wood_foot"}},
       {Heard::hit, {"default_break_glass", "default_dig_metal", "default_dug_metal", "default_place_node_metal"}},
       {Heard::landing, {"default_place_node.", "default_place_node_hard", "default_dug_node"}}}},
     {"games/bzflag",
      {{Heard::blast, {"boom", "explosion"}}, {Heard::hit, {"fire", "bounce", "pop"}}, {Heard::landing, {"land"}}}},
     {"games/chromium-bsu/wav", {{Heard::blast, {"boom", "explo"}}}},
     {"games/marsshooter/audio/toon",
      {{Heard::blast, {"planetExplode", "shipExplode"}},
       {Heard::landing, {"shipCollide", "shipPlanetCollide", "ballPlanetCollide"}},
       {Heard::hit, {"sniper.", "laserCollide"}},
       {Heard::whoosh, {"swish"}}}}}};
/// Never tuned with.
const std::array<Folder, 1> unseenFolders{
    {{"games/frozen-bubble/snd", {{Heard::music, {"frozen-mainzik", "introzik"}}}}}};

struct Fonts {
    std::vector<std::string> whole; ///< General MIDI
    std::vector<std::string> drums; ///< only drums, by the same keys
};
const Fonts tuningFonts{{"sounds/sf2/TimGM6mb.sf2", "sounds/sf2/sf_GMbank.sf2", "sounds/sf2/OPL-3_FM_128M.sf2"},
                        {"sounds/sf2/Black_Pearl_4_LV2.sf2"}};
const Fonts unseenFonts{{"sounds/sf3/MuseScore_General_Lite.sf3"}, {"sounds/sf2/Red_Zeppelin_4_LV2.sf2"}};

void loudestToOne(Recording& sound)
{
    float loudest = 1e-9F;
    for (const float s : sound)
        loudest = std::max(loudest, std::abs(s));
    for (float& s : sound)
        s /= loudest;
}

/// From the first sample that is 3 % of the loudest.
void trim(Recording& sound)
{
    loudestToOne(sound);
    const auto begins = std::find_if(sound.begin(), sound.end(), [](float s) { return std::abs(s) > 0.03F; });
    sound.erase(sound.begin(), begins);
}

Recording readRecording(const std::string& path)
{
    Recording sound;
    auto reader = SoundReader::open(path, 0, {soundRate, 1});
    if (!reader)
        return sound;
    constexpr std::int64_t longest = 60 * soundRate;
    while (!reader.value()->atEnd() && std::ssize(sound) < longest) {
        const SoundBuffer piece = reader.value()->read(soundRate / 4);
        sound.insert(sound.end(), piece.samples.begin(), piece.samples.end());
    }
    trim(sound);
    return sound;
}

bool beginsWithAny(std::string_view name, const std::vector<std::string_view>& beginnings)
{
    return std::any_of(beginnings.begin(), beginnings.end(),
                       [&](std::string_view beginning) { return name.starts_with(beginning); });
}

/// A file of an archive, read as a recording.
Recording readFrom(zip_t* archive, zip_uint64_t index, std::uint64_t size)
{
    QByteArray bytes(static_cast<qsizetype>(size), 0);
    zip_file_t* file = zip_fopen_index(archive, index, 0);
    const auto got = file == nullptr ? -1 : zip_fread(file, bytes.data(), size);
    if (file != nullptr)
        zip_fclose(file);
    QTemporaryFile copy;
    if (got != static_cast<zip_int64_t>(size) || !copy.open() || copy.write(bytes) != bytes.size() || !copy.flush())
        return {};
    return readRecording(copy.fileName().toStdString());
}

bool isOneEvent(const Recording& sound)
{
    // Its loudest is at its beginning: no burst, nothing that comes up.
    constexpr std::size_t piece = soundRate / 20;
    const auto level = [&](std::size_t first) {
        double sum = 0;
        for (std::size_t i = first; i < std::min(first + piece, sound.size()); ++i)
            sum += static_cast<double>(sound[i]) * static_cast<double>(sound[i]);
        return sum;
    };
    double loudest = 0, early = 0;
    for (std::size_t i = 0; i < sound.size(); i += piece)
        (i < 5 * piece ? early : loudest) = std::max(i < 5 * piece ? early : loudest, level(i));
    return loudest < 1.5 * early;
}

} // namespace

Recordings::Recordings(Share share)
{
    const auto keep = [&](Heard what, Recording sound) {
        const bool event = what == Heard::blast || what == Heard::landing || what == Heard::hit || what == Heard::step;
        if (sound.size() > soundRate / 50 && (!event || isOneEvent(sound)))
            all_[what].push_back(std::move(sound));
    };
    const auto readFolder = [&](const Folder& folder) {
        std::vector<std::filesystem::path> paths;
        if (std::filesystem::is_directory(shared + folder.path))
            for (const auto& entry : std::filesystem::directory_iterator(shared + folder.path))
                if (entry.is_regular_file())
                    paths.push_back(entry.path());
        std::sort(paths.begin(), paths.end());
        for (const std::filesystem::path& path : paths)
            for (const Named& named : folder.named)
                if (beginsWithAny(path.filename().string(), named.names))
                    keep(named.what, readRecording(path.string()));
    };
    if (share == Share::tuning) {
        for (const Folder& folder : folders)
            readFolder(folder);
        return;
    }
    for (const Folder& folder : unseenFolders)
        readFolder(folder);
    zip_t* archive = zip_open(arena.c_str(), ZIP_RDONLY, nullptr);
    if (archive == nullptr)
        return; // the tests do without it
    constexpr std::string_view under = "sound/";
    for (zip_int64_t i = 0; i < zip_get_num_entries(archive, 0); ++i) {
        zip_stat_t entry;
        if (zip_stat_index(archive, static_cast<zip_uint64_t>(i), 0, &entry) != 0)
            continue;
        const std::string_view name = entry.name;
        for (const Named& named : inArena)
            if (name.starts_with(under) && name.ends_with(".wav") &&
                beginsWithAny(name.substr(under.size()), named.names))
                keep(named.what, readFrom(archive, static_cast<zip_uint64_t>(i), entry.size));
    }
    zip_discard(archive);
}

bool Recordings::complete() const
{
    constexpr std::array<Heard, 4> needed{Heard::blast, Heard::landing, Heard::hit, Heard::step};
    return std::all_of(needed.begin(), needed.end(), [&](Heard what) { return has(what); });
}

bool Recordings::has(Heard what) const
{
    return all_.contains(what);
}

const Recording& Recordings::any(Heard what, Chance& chance) const
{
    const auto& some = all_.at(what);
    return some[static_cast<std::size_t>(chance.oneOf(static_cast<int>(some.size())))];
}

Player::Player(Share share)
{
    fluid_set_log_function(FLUID_WARN, nullptr, nullptr);
    fluid_set_log_function(FLUID_ERR, nullptr, nullptr);
    const auto keep = [](std::vector<std::string>& kept, const std::vector<std::string>& fonts) {
        for (const std::string& font : fonts)
            if (std::filesystem::exists(shared + font))
                kept.push_back(shared + font);
    };
    const Fonts& own = share == Share::tuning ? tuningFonts : unseenFonts;
    keep(whole_, own.whole);
    keep(drums_, own.drums);
    if (whole_.empty())
        keep(whole_, tuningFonts.whole);
}

Recording Player::play(const std::vector<Note>& notes, double seconds, Chance& chance) const
{
    const auto anyOf = [&](const std::vector<std::string>& fonts) {
        return fonts[static_cast<std::size_t>(chance.oneOf(static_cast<int>(fonts.size())))];
    };
    fluid_settings_t* settings = new_fluid_settings();
    fluid_settings_setnum(settings, "synth.sample-rate", soundRate);
    fluid_settings_setint(settings, "synth.reverb.active", 0);
    fluid_settings_setint(settings, "synth.chorus.active", 0);
    fluid_synth_t* synth = new_fluid_synth(settings);
    fluid_synth_sfload(synth, anyOf(whole_).c_str(), 1);
    constexpr int drumChannel = 9;
    if (!drums_.empty() && chance.often(0.5)) {
        const int drums = fluid_synth_sfload(synth, anyOf(drums_).c_str(), 0);
        if (fluid_synth_program_select(synth, drumChannel, drums, 128, 0) != FLUID_OK)
            fluid_synth_program_select(synth, drumChannel, drums, 0, 0);
    }
    std::map<int, int> channels{{Note::drums, drumChannel}};
    struct Turn {
        std::int64_t sample;
        const Note* note;
        bool on;
    };
    std::vector<Turn> turns;
    for (const Note& note : notes) {
        if (!channels.contains(note.instrument) && channels.size() < 9) {
            const int channel = static_cast<int>(channels.size()) - 1;
            channels[note.instrument] = channel;
            fluid_synth_program_change(synth, channel, note.instrument);
        }
        turns.push_back({std::llround(note.seconds * soundRate), &note, true});
        turns.push_back({std::llround((note.seconds + note.length) * soundRate), &note, false});
    }
    std::stable_sort(turns.begin(), turns.end(), [](const Turn& a, const Turn& b) { return a.sample < b.sample; });
    const auto length = static_cast<std::int64_t>(seconds * soundRate);
    std::vector<float> left(static_cast<std::size_t>(length)), right(left.size());
    std::int64_t done = 0;
    const auto until = [&](std::int64_t sample) {
        if (const std::int64_t count = std::min(sample, length) - done; count > 0) {
            fluid_synth_write_float(synth, static_cast<int>(count), left.data(), static_cast<int>(done), 1,
                                    right.data(), static_cast<int>(done), 1);
            done += count;
        }
    };
    for (const Turn& turn : turns) {
        until(turn.sample);
        const int channel = channels[turn.note->instrument];
        if (turn.on)
            fluid_synth_noteon(synth, channel, turn.note->key, turn.note->loudness);
        else
            fluid_synth_noteoff(synth, channel, turn.note->key);
    }
    until(length);
    delete_fluid_synth(synth);
    delete_fluid_settings(settings);
    for (std::size_t i = 0; i < left.size(); ++i)
        left[i] += right[i];
    loudestToOne(left);
    return left;
}

} // namespace ember::proving
