// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"
#include "ember/live/hammer_pattern.h"
#include "ember/project/file.h"
#include "osc_sending.h"

namespace ember {

namespace {

constexpr std::uintmax_t largestPattern = 16 << 20;

class SendCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PATTERN", path_, "What is sent and when, .json (docs/osc.md)")->required();
        app.add_option("--osc", osc_, "Where to: HOST:PORT, or PORT of this machine")
            ->required()
            ->check(addressSpelling());
    }

    Status run(const BatchStreams& streams) override
    {
        const auto text = readFile(path_, largestPattern, "a pattern");
        if (!text)
            return text.error();
        const auto pattern = patternFromJson(text.value(), path_);
        if (!pattern)
            return pattern.error();
        return sendInTime(pattern.value(), *oscAddressFrom(osc_), streams);
    }

private:
    std::string path_;
    std::string osc_;
};

} // namespace

std::unique_ptr<Command> makeSendCommand()
{
    return std::make_unique<SendCommand>();
}

} // namespace ember
