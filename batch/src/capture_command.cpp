// SPDX-License-Identifier: GPL-3.0-or-later
#include <filesystem>
#include <ostream>

#include "command.h"
#include "ember/exchange/motion_table.h"
#include "ember/files/output_guard.h"
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
        app.add_option("-o,--output", output_, "The motion to write, .csv or .json (CSV on stdout)");
        app.add_option("--range", range_, "Frames A-B, both included; motion counts from the first (all)")
            ->check(frameRangeSpelling());
        app.add_option("--keep-faster-than", seconds_, "Leave out what takes longer than this many seconds: pans")
            ->check(CLI::PositiveNumber);
        app.add_flag("--force", force_, "Replace the motion if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        OutputGuard guard;
        for (const std::string& file : filesOfClip(clip_))
            guard.protect(file, "the clip that is read");
        if (!output_.empty())
            if (Status may = guard.mayWrite(output_, force_, forceReplaces); !may)
                return may;
        auto clip = ClipReader::open(clip_);
        if (!clip)
            return clip.error();
        const auto range = frameRange(range_, clip.value()->info().length);
        if (!range)
            return range.error();
        auto motion = captureClip(*clip.value(), range->first, range->last, progressOn(streams));
        if (!motion)
            return motion.error();
        if (const auto bridged = motion->bridged(); bridged > 0)
            streams.err << bridged << " of " << motion->frames.size()
                        << " frames could not be measured; they are bridged and have confidence 0\n";
        const CapturedMotion kept = seconds_ > 0 ? fasterThan(motion.value(), seconds_) : motion.value();
        if (const std::filesystem::path path(output_); path.extension() == ".json")
            return saveMotion({path.stem().string(), "", rounded(kept)}, output_);
        const std::string text = motionToCsv(kept, range->first);
        if (!output_.empty())
            return writeFileSafely(output_, text);
        streams.out << text;
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the motion could not all be written"};
        return Done{};
    }

private:
    std::string clip_;
    std::string output_;
    std::string range_;
    double seconds_ = 0;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makeCaptureCommand()
{
    return std::make_unique<CaptureCommand>();
}

} // namespace ember
