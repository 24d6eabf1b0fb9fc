// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/film_writer.h"

#include <algorithm>
#include <cctype>
#include <cerrno>
#include <cstring>
#include <filesystem>
#include <unistd.h>

#include "ember/core/text.h"
#include "writers.h"

namespace ember {

namespace fs = std::filesystem;

std::optional<FilmFormat> filmFormatOf(const std::string& path)
{
    std::error_code ignored;
    if (path.ends_with('/') || fs::is_directory(path, ignored))
        return FilmFormat::pngSequence;
    const std::string extension = fileEnding(path);
    constexpr std::array<std::pair<std::string_view, FilmFormat>, 7> known{{{".mp4", FilmFormat::mp4},
                                                                            {".mkv", FilmFormat::mkv},
                                                                            {".webm", FilmFormat::webm},
                                                                            {".mov", FilmFormat::mov},
                                                                            {".gif", FilmFormat::gif},
                                                                            {".png", FilmFormat::pngSequence},
                                                                            {".exr", FilmFormat::exrSequence}}};
    for (const auto& [ending, format] : known)
        if (extension == ending)
            return format;
    return std::nullopt;
}

const char* const filmFormatWords =
    "films end in .mp4, .mkv, .webm, .mov or .gif, numbered pictures in .png, .exr or a folder";

bool isSequence(FilmFormat format)
{
    return format == FilmFormat::pngSequence || format == FilmFormat::exrSequence;
}

bool holdsDepth(FilmFormat format)
{
    return isSequence(format) || format == FilmFormat::mkv || format == FilmFormat::mov;
}

void fitToFormat(FilmFormat format, int& width, int& height)
{
    const bool halvedColour = format == FilmFormat::mp4 || format == FilmFormat::webm;
    if (halvedColour || format == FilmFormat::mov)
        width = std::max(2, width - width % 2);
    if (halvedColour)
        height = std::max(2, height - height % 2);
}

int soundRateFor(FilmFormat format, int rate)
{
    const AVCodec* encoder = soundEncoder(format);
    if (encoder == nullptr || encoder->supported_samplerates == nullptr)
        return rate;
    int best = encoder->supported_samplerates[0];
    for (const int* known = encoder->supported_samplerates; *known != 0; ++known)
        if (std::abs(*known - rate) < std::abs(best - rate))
            best = *known;
    return best;
}

const AVCodec* soundEncoder(FilmFormat format)
{
    switch (format) {
    case FilmFormat::mp4: return avcodec_find_encoder(AV_CODEC_ID_AAC);
    case FilmFormat::mkv: return avcodec_find_encoder(AV_CODEC_ID_FLAC);
    case FilmFormat::webm: return avcodec_find_encoder_by_name("libopus");
    case FilmFormat::mov: return avcodec_find_encoder(AV_CODEC_ID_PCM_S24LE);
    case FilmFormat::gif:
    case FilmFormat::pngSequence:
    case FilmFormat::exrSequence: break;
    }
    return nullptr;
}

namespace {

/// What the coders can take.
int mostSide(FilmFormat format)
{
    return format == FilmFormat::mp4 || format == FilmFormat::webm ? 16384 : 32768;
}

} // namespace

Result<std::unique_ptr<FilmWriter>> FilmWriter::create(const std::string& path, const FilmSettings& settings)
{
    av::quiet();
    if (settings.width < 1 || settings.height < 1 || settings.width > 32768 || settings.height > 32768)
        return Error{ErrorCode::badValue, path,
                     Phrase("a film cannot be {} x {} pixels", settings.width, settings.height)};
    const int most = mostSide(settings.format);
    if (std::max(settings.width, settings.height) > most)
        return Error{ErrorCode::unsupported, path,
                     Phrase("this kind of film holds at most {} pixels a side, and it would be {} x {}", most,
                            settings.width, settings.height)};
    const fs::path folder = fs::path(path).parent_path();
    std::error_code ignored;
    if (!folder.empty() && !fs::is_directory(folder, ignored) && !path.ends_with('/'))
        return Error{ErrorCode::notFound, folder.string(), "the film was to be written into this folder"};
    return isSequence(settings.format) ? createPictureWriter(path, settings) : createStreamWriter(path, settings);
}

} // namespace ember
