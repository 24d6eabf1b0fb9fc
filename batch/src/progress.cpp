// SPDX-License-Identifier: GPL-3.0-or-later
#include <ostream>

#include "command.h"

namespace ember {

Progress progressOn(const BatchStreams& streams)
{
    return [&streams, told = -1](double done) mutable {
        if (const int percent = static_cast<int>(100 * done); streams.liveProgress && percent != told) {
            told = percent;
            streams.err << '\r' << percent << " %" << (percent == 100 ? "\n" : "") << std::flush;
        }
        return streams.stop == nullptr || !streams.stop->load();
    };
}

} // namespace ember
