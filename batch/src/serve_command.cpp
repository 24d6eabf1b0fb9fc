// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <ostream>
#include <thread>

#include "command.h"
#include "ember/core/shown_text.h"
#include "ember/files/part_files.h"
#include "ember/film/film_inputs.h"
#include "ember/live/live_bench.h"
#include "ember/live/osc_door.h"
#include "ember/project/board_edits.h"
#include "ember/project/file.h"

namespace ember {

namespace {

using Clock = std::chrono::steady_clock;
constexpr std::size_t longestEvents = 4000; ///< characters of a row

class ServeCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("--osc", osc_, "Where OSC messages come in: PORT of this machine, or HOST:PORT; port 0 is any")
            ->required()
            ->check(addressSpelling(true));
        app.add_option("--for", seconds_, "Ends after so many seconds; else when it is interrupted")
            ->check(CLI::Range(0.01, 1e7));
        app.add_option("--log", log_, "Writes a row for each tick, as CSV")->required();
        app.add_flag("--force", force_, "Replace the log if it exists");
        app.add_option("--rate", rate_, "Ticks a second (60)")->check(CLI::Range(1.0, 1000.0));
        app.add_option("--pose", pose_, "Sends the pose of each tick as OSC to HOST:PORT")->check(addressSpelling());
        app.add_flag("--open", open_, "Listen on an address that other machines can reach");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto project = loadProject(path_);
        if (!project)
            return project.error();
        const OscAddress address = *oscAddressFrom(osc_, true);
        if (!onlyThisMachine(address) && !open_)
            return Error{ErrorCode::badValue, osc_, "other machines can reach this address; say --open if they may"};
        if (const Status may = guardOf(project.value(), path_).mayWrite(log_, force_, forceReplaces); !may)
            return may;
        auto listener = OscListener::open(address);
        if (!listener)
            return listener.error();
        std::unique_ptr<OscSender> poses;
        if (!pose_.empty()) {
            auto sender = OscSender::open(*oscAddressFrom(pose_));
            if (!sender)
                return sender.error();
            poses = std::move(sender).value();
        }
        removeLeftParts(log_);
        const std::string part = partName(log_);
        std::ofstream log(part, std::ios::binary | std::ios::trunc);
        if (!log)
            return Error{ErrorCode::unwritable, log_, "it cannot be created there"};
        log << "seconds,x,y,zoom,roll,pan,tilt,intensity,event\n";
        streams.out << "listening on " << address.host << ':' << listener.value()->port() << std::endl;
        serve(project.value(), *listener.value(), poses.get(), log, streams.stop);
        log.close();
        std::error_code wrong;
        if (log)
            std::filesystem::rename(part, log_, wrong);
        if (!log || wrong) {
            std::filesystem::remove(part, wrong);
            return Error{ErrorCode::unwritable, log_, "the rows could not all be written"};
        }
        const OscCounts counts = listener.value()->counts();
        streams.out << counts.taken << " messages taken, " << counts.malformed << " malformed, " << counts.unknown
                    << " unknown, " << counts.oversized << " oversized, " << counts.flooded << " too many\n";
        return Done{};
    }

private:
    void serve(const Project& project, OscListener& listener, OscSender* poses, std::ofstream& log,
               const std::atomic<bool>* stop) const
    {
        const Board board = boardOf(project);
        LiveBench bench(project);
        std::uint64_t presses = 0;
        const auto start = Clock::now();
        const auto framesAt = [&](Clock::time_point at) {
            return project.rate.frames(std::max(0.0, std::chrono::duration<double>(at - start).count()));
        };
        const auto ticks = seconds_ > 0 ? static_cast<std::int64_t>(std::ceil(seconds_ * rate_)) : INT64_MAX;
        for (std::int64_t tick = 0; tick < ticks && !(stop != nullptr && *stop) && log; ++tick) {
            std::this_thread::sleep_until(start +
                                          std::chrono::duration_cast<Clock::duration>(
                                              std::chrono::duration<double>(static_cast<double>(tick) / rate_)));
            std::string events;
            for (const OscArrival& arrival : listener.take()) {
                const std::string event = take(arrival.message, project, board, bench, framesAt(arrival.at), presses);
                events += (events.empty() ? "" : "; ") + event;
            }
            const double seconds = std::chrono::duration<double>(Clock::now() - start).count();
            const MotionSample sample = bench.at(project.rate.frames(seconds));
            writeRow(log, seconds, sample, events);
            if (poses != nullptr)
                poses->send(writeOscPose(sample));
            if (tick % static_cast<std::int64_t>(std::ceil(rate_)) == 0)
                log.flush();
        }
    }

    static std::string take(const OscMessage& message, const Project& project, const Board& board, LiveBench& bench,
                            FrameTime now, std::uint64_t& presses)
    {
        std::string text = oscText(message);
        if (const auto* settle = std::get_if<OscSettle>(&message)) {
            bench.settle(settle->frames, now);
        } else if (const auto* intensity = std::get_if<OscIntensity>(&message)) {
            bench.setIntensity(intensity->ratio);
        } else {
            const auto& wish = std::get<OscStrike>(message);
            auto strike = strikeOf(wish, project, board, 0);
            if (!strike)
                return text + ": ignored, " + strike.error().detail.said();
            if (!wish.seed)
                strike->seed = pressSeed(1, presses);
            ++presses;
            const Outcome outcome = bench.strike(std::move(strike).value(), now);
            text += ": " + std::string(fateName(outcome.fate));
            if (!outcome.why.empty())
                text += ", " + outcome.why.said();
        }
        return text;
    }

    static void writeRow(std::ostream& log, double seconds, const MotionSample& sample, const std::string& events)
    {
        const Pose& p = sample.pose;
        std::array<char, 256> row{};
        std::snprintf(row.data(), row.size(), "%.4f,%.4f,%.4f,%.6f,%.5f,%.5f,%.5f,%.4f,", seconds, p.x, p.y, p.zoom,
                      p.roll, p.pan, p.tilt, sample.intensity);
        log << row.data();
        if (!events.empty()) {
            log << '"';
            for (const char c : shownText(events, longestEvents))
                log << (c == '"' ? "\"\"" : std::string(1, c));
            log << '"';
        }
        log << '\n';
    }

    std::string path_;
    std::string osc_;
    std::string log_;
    std::string pose_;
    double seconds_ = 0;
    double rate_ = 60;
    bool open_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeServeCommand()
{
    return std::make_unique<ServeCommand>();
}

} // namespace ember
