// SPDX-License-Identifier: GPL-3.0-or-later
// What may be opened: containers and coders that hold pictures and sound of their own. Lists of other files, scripts,
// descriptions of streams and anything that reaches elsewhere are not among them.
#pragma once

#include <string>
#include <string_view>

namespace ember::av {

/// The names of the demuxers, for libavformat's own white list.
extern const char* const allowedDemuxers;

/// Whether a coding, by its name, may be decoded.
bool allowedCodec(std::string_view name);

/// What a file that cannot be opened is, by its first bytes: "an HLS playlist, a list of other files"; empty when it is
/// nothing that is known.
std::string whatItIs(std::string_view head);

} // namespace ember::av
