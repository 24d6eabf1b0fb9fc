// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <ostream>
#include <sstream>

#include "ember/film/media_source.h"
#include "ember/json/json.h"

#include "command.h"

namespace ember {

namespace {

/// A number with a fixed count of decimals: lists from the same media are the same text.
std::string fixed(double value, int decimals)
{
    char text[64];
    std::snprintf(text, sizeof text, "%.*f", decimals, value);
    return text;
}

double rounded(double value, int decimals)
{
    return std::stod(fixed(value, decimals));
}

std::string asCsv(const std::vector<Candidate>& candidates)
{
    std::ostringstream out;
    out << "seconds,frame,kind,strength,confidence\n";
    for (const Candidate& c : candidates)
        out << fixed(c.seconds, 4) << ',' << c.frame.index << ',' << kindName(c.kind) << ',' << fixed(c.strength, 3)
            << ',' << fixed(c.confidence, 3) << '\n';
    return out.str();
}

std::string asJson(const std::vector<Candidate>& candidates)
{
    Json list = Json::array();
    for (const Candidate& c : candidates) {
        Json json{{"seconds", rounded(c.seconds, 4)},
                  {"frame", c.frame.index},
                  {"kind", kindName(c.kind)},
                  {"strength", rounded(c.strength, 3)},
                  {"confidence", rounded(c.confidence, 3)},
                  {"heard", c.heard},
                  {"seen", c.seen}};
        if (c.heard && c.seen)
            json["late_frames"] = rounded(c.late, 2);
        if (c.direction)
            json["direction"] = rounded(*c.direction, 1);
        if (c.seen)
            json["place"] = {{"x", rounded(c.place.x, 3)}, {"y", rounded(c.place.y, 3)}};
        if (c.tailOf)
            json["tail_of_seconds"] = rounded(*c.tailOf, 4);
        Json why = Json::array();
        for (const Evidence& one : c.evidence)
            why.push_back({{"what", evidenceName(one.what)},
                           {"amount", rounded(one.amount, one.what == Evidence::What::tail ? 3 : 1)}});
        json["evidence"] = std::move(why);
        list.push_back(std::move(json));
    }
    return list.dump(2) + "\n";
}

class SpotCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("MEDIA", media_, "A clip or a sound")->required();
        app.add_option("--from", from_, "What tells: sound, picture or both (as far as MEDIA has them)")
            ->check(CLI::IsMember({"sound", "picture", "both"}));
        app.add_option("--kind", kind_, "all; onset: without naming beats; beat: only what falls on a steady beat")
            ->check(CLI::IsMember({"all", "onset", "beat"}));
        app.add_option("--band", band_, "Which part of the sound is listened to: low, mid, high or all")
            ->check(CLI::IsMember({"low", "mid", "high", "all"}));
        app.add_option("--sensitivity", sensitivity_, "0 only what stands out most, 1 everything (0.5)")
            ->check(CLI::Range(0.0, 1.0));
        app.add_flag("--tails", tails_, "Tell what events leave behind, too: debris and echoes");
        app.add_option("--rate", rate_, "Rate the frames count at (the clip's; 24/1 for a sound)")
            ->check(rateSpelling());
        app.add_option("--format", format_, "csv or json")->check(CLI::IsMember({"csv", "json"}));
        result_.declare(app, "list");
    }

    Status run(const BatchStreams& streams) override
    {
        if (Status may = result_.mayWrite(media_); !may)
            return may;
        std::optional<PictureTrace> seen;
        if (!result_.part.empty() || result_.join) {
            if (from_ == "sound")
                return Error{ErrorCode::badValue, media_,
                             "sound is not listened to in parts, only pictures are watched"};
            const auto job = watchingJob(media_, rateFrom(rate_), result_.output);
            if (!job)
                return job.error();
            if (const auto part = partFrom(result_.part)) {
                const auto said = watchPart(job.value(), *part, result_.force, progressOn(streams));
                if (!said)
                    return said.error();
                streams.err << said->said() << '\n';
                return Done{};
            }
            auto joined = joinWatched(job.value());
            if (!joined)
                return joined.error();
            seen = std::move(joined).value();
        }
        FindOptions options;
        options.from = *findFromFromName(from_);
        options.band = *bandFromName(band_);
        options.sensitivity = sensitivity_;
        options.beats = kind_ != "onset";
        options.tails = tails_;
        auto found = spotIn(media_, rateFrom(rate_), options, progressOn(streams), std::move(seen));
        if (!found)
            return found.error();
        std::vector<Candidate>& candidates = found.value();
        if (kind_ == "beat")
            std::erase_if(candidates, [](const Candidate& c) { return c.kind != StrikeKind::beat; });
        if (candidates.empty())
            streams.err << "Nothing was found; a higher --sensitivity may find more\n";
        return result_.write(format_ == "json" ? asJson(candidates) : asCsv(candidates), media_, streams);
    }

private:
    std::string media_;
    std::string from_ = "both";
    std::string kind_ = "all";
    std::string band_ = "all";
    double sensitivity_ = 0.5;
    bool tails_ = false;
    std::string rate_;
    std::string format_ = "csv";
    ResultOptions result_;
};

class TempoCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("MEDIA", media_, "A clip or a sound, or a score (.mid)")->required();
    }

    Status run(const BatchStreams& streams) override
    {
        const auto tempo = tempoIn(media_, progressOn(streams));
        if (!tempo)
            return tempo.error();
        Json json{{"bpm", nullptr}, {"first_beat_seconds", nullptr}, {"confidence", 0.0}, {"beats", Json::array()}};
        if (const auto& told = tempo.value())
            fill(json, *told);
        else
            streams.err << (isScore(media_) ? "It tells no tempo\n" : "No steady beat was found\n");
        streams.out << json.dump(2) << '\n';
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the tempo could not be written"};
        return Done{};
    }

private:
    static void fill(Json& json, const Tempo& tempo)
    {
        const BeatGrid& grid = tempo.grid;
        const std::int64_t last = std::max<std::int64_t>(tempo.beats - 1, 0);
        json["bpm"] = rounded(meanBpm(tempo), 3);
        json["first_beat_seconds"] = rounded(grid.firstBeat, 4);
        json["confidence"] = rounded(tempo.confidence, 3);
        for (std::int64_t i = 0; i < tempo.beats; ++i)
            json["beats"].push_back(rounded(grid.at(i), 4));
        json["half_bpm"] = rounded(json["bpm"].get<double>() / 2, 3);
        json["double_bpm"] = rounded(json["bpm"].get<double>() * 2, 3);
        json["beats_per_bar"] = grid.barBeats;
        json["first_bar_seconds"] = rounded(grid.at(grid.barStart), 4);
        json["changes"] = Json::array();
        const auto change = [&](double seconds) {
            json["changes"].push_back({{"seconds", rounded(seconds, 4)}, {"bpm", rounded(grid.bpmAt(seconds), 3)}});
        };
        if (!grid.pins.empty())
            change(grid.firstBeat);
        for (const BeatPin& pin : grid.pins)
            if (pin.beat > 0 && pin.beat < last)
                change(pin.seconds);
    }

    std::string media_;
};

} // namespace

std::unique_ptr<Command> makeSpotCommand()
{
    return std::make_unique<SpotCommand>();
}

std::unique_ptr<Command> makeTempoCommand()
{
    return std::make_unique<TempoCommand>();
}

} // namespace ember
