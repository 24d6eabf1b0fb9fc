// SPDX-License-Identifier: GPL-3.0-or-later
#include <cstdio>
#include <ostream>

#include "ember/json/json.h"

#include "command.h"
#include "ember/project/motion_library.h"

namespace ember {

namespace {

std::string rateText(FrameRate rate)
{
    return std::to_string(rate.num()) + "/" + std::to_string(rate.den());
}

class MotionsCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_flag("--json", json_, "As JSON: for each motion its name, where it is from, its size and reach");
    }

    Status run(const BatchStreams& streams) override
    {
        const OwnMotions own = openMotions(userMotionsFolder());
        if (!own.trouble.empty())
            streams.err << "vast-ember-batch: " << own.trouble.said() << '\n';
        const auto shipped = shippedMotions().size();
        Json list = Json::array();
        std::size_t number = 0;
        for (const KeptMotion& kept : allMotions(own)) {
            const char* from = number++ < shipped ? "shipped" : "user";
            const CapturedMotion& motion = kept.motion;
            const MotionLoop loop(kept);
            if (json_)
                list.push_back({{"name", kept.name},
                                {"from", from},
                                {"about", kept.about},
                                {"frames", motion.frames.size()},
                                {"rate", rateText(motion.rate)},
                                {"width", motion.width},
                                {"height", motion.height},
                                {"bridged", motion.bridged()},
                                {"loop_seconds", loop.seconds()},
                                {"largest",
                                 {{"x_px", loop.largest()[Axis::x]},
                                  {"y_px", loop.largest()[Axis::y]},
                                  {"roll_deg", loop.largest()[Axis::roll]},
                                  {"zoom", loop.largest()[Axis::zoom]}}}});
            else
                streams.out << kept.name << '\t' << from << '\t' << motion.frames.size() << '\t'
                            << rateText(motion.rate) << '\t' << motion.width << 'x' << motion.height << '\t'
                            << kept.about << '\n';
        }
        if (json_)
            streams.out << Json{{"motions", list}}.dump(2, ' ', false, Json::error_handler_t::replace) << '\n';
        if (!streams.out.flush())
            return Error{ErrorCode::unwritable, "The output", "the motions could not all be written"};
        return Done{};
    }

private:
    bool json_ = false;
};

} // namespace

std::unique_ptr<Command> makeMotionsCommand()
{
    return std::make_unique<MotionsCommand>();
}

} // namespace ember
