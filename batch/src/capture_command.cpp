// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>
#include <ostream>

#include "command.h"
#include "ember/exchange/motion_table.h"
#include "ember/film/analysis_parts.h"
#include "ember/film/capture_clip.h"
#include "ember/project/file.h"
#include "ember/project/motion_library.h"

namespace ember {

namespace {

class CaptureCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("CLIP", clip_, "The clip whose camera moved")->required();
        app.add_option("--range", range_, "Frames A-B, both included; motion counts from the first (all)")
            ->check(frameRangeSpelling());
        app.add_option("--keep-faster-than", seconds_, "Leave out what takes longer than this many seconds: pans")
            ->check(CLI::PositiveNumber);
        result_.declare(app, "motion (.csv or .json)");
    }

    Status run(const BatchStreams& streams) override
    {
        if (Status may = result_.mayWrite(clip_); !may)
            return may;
        auto clip = ClipReader::open(clip_);
        if (!clip)
            return clip.error();
        const auto range = frameRange(range_, clip.value()->info().length);
        if (!range)
            return range.error();
        const AnalysisJob job{clip_, result_.output, clip.value()->info().rate, range.value()};
        if (const auto part = partFrom(result_.part)) {
            const auto said = capturePart(job, *part, result_.force, progressOn(streams));
            if (!said)
                return said.error();
            streams.err << said->said() << '\n';
            return Done{};
        }
        auto motion = result_.join ? joinCaptured(job)
                                   : captureClip(*clip.value(), range->first, range->last, progressOn(streams));
        if (!motion)
            return motion.error();
        if (const auto bridged = motion->bridged(); bridged > 0)
            streams.err << bridged << " of " << motion->frames.size()
                        << " frames could not be measured; they are bridged and have confidence 0\n";
        const CapturedMotion kept = seconds_ > 0 ? fasterThan(motion.value(), seconds_) : motion.value();
        const std::filesystem::path path(result_.output);
        return result_.write(path.extension() == ".json" ? motionToText({path.stem().string(), "", rounded(kept)})
                                                         : motionToCsv(kept, range->first),
                             clip_, streams);
    }

private:
    std::string clip_;
    std::string range_;
    double seconds_ = 0;
    ResultOptions result_;
};

} // namespace

std::unique_ptr<Command> makeCaptureCommand()
{
    return std::make_unique<CaptureCommand>();
}

} // namespace ember
