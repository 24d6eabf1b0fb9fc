// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/media/film_writer.h"

#include <algorithm>
#include <cctype>
#include <cerrno>
#include <cmath>
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
    constexpr std::array<std::pair<std::string_view, FilmFormat>, 10> known{{{".mp4", FilmFormat::mp4},
                                                                             {".mkv", FilmFormat::mkv},
                                                                             {".webm", FilmFormat::webm},
                                                                             {".mov", FilmFormat::mov},
                                                                             {".gif", FilmFormat::gif},
                                                                             {".png", FilmFormat::pngSequence},
                                                                             {".tif", FilmFormat::tiffSequence},
                                                                             {".tiff", FilmFormat::tiffSequence},
                                                                             {".dpx", FilmFormat::dpxSequence},
                                                                             {".exr", FilmFormat::exrSequence}}};
    for (const auto& [ending, format] : known)
        if (extension == ending)
            return format;
    return std::nullopt;
}

const char* const filmFormatWords =
    "films end in .mp4, .mkv, .webm, .mov or .gif, numbered pictures in .png, .tif, .dpx, .exr or a folder";

bool isSequence(FilmFormat format)
{
    switch (format) {
    case FilmFormat::mp4:
    case FilmFormat::mkv:
    case FilmFormat::webm:
    case FilmFormat::mov:
    case FilmFormat::gif: return false;
    case FilmFormat::pngSequence:
    case FilmFormat::tiffSequence:
    case FilmFormat::dpxSequence:
    case FilmFormat::exrSequence: break;
    }
    return true;
}

const std::array<CoderWords, 21> coderWords{
    {{Coder::usual, "usual", "usual for this kind"},     {Coder::h264, "h264", "H.264, 8 bits"},
     {Coder::h264Ten, "h264-10", "H.264, 10 bits"},      {Coder::hevc, "hevc", "HEVC, 8 bits"},
     {Coder::hevcTen, "hevc-10", "HEVC, 10 bits"},       {Coder::hevcTwelve, "hevc-12", "HEVC, 12 bits"},
     {Coder::av1Ten, "av1-10", "AV1, 10 bits"},          {Coder::vp9, "vp9", "VP9, 8 bits"},
     {Coder::vp9Ten, "vp9-10", "VP9, 10 bits"},          {Coder::prores422, "prores", "ProRes 422"},
     {Coder::proresHq, "prores-hq", "ProRes 422 HQ"},    {Coder::prores4444, "prores-4444", "ProRes 4444, with alpha"},
     {Coder::dnxhrHqx, "dnxhr-hqx", "DNxHR HQX"},        {Coder::ffv1, "ffv1", "FFV1, lossless RGB"},
     {Coder::exrZip, "zip", "ZIP, 16 rows at a time"},   {Coder::exrZips, "zips", "ZIPS, row by row"},
     {Coder::exrPiz, "piz", "PIZ, for grain"},           {Coder::exrRle, "rle", "RLE"},
     {Coder::exrNone, "uncompressed", "not compressed"}, {Coder::exrDwaa, "dwaa", "DWAA, lossy"},
     {Coder::asItCame, "as-it-came", "as the clip came"}}};

std::vector<Coder> codersIn(FilmFormat format)
{
    using enum Coder;
    switch (format) {
    case FilmFormat::mp4: return {usual, h264, h264Ten, hevc, hevcTen, hevcTwelve, av1Ten, asItCame};
    case FilmFormat::mkv:
        return {usual,  ffv1, h264,   h264Ten,   hevc,     hevcTen,    hevcTwelve,
                av1Ten, vp9,  vp9Ten, prores422, proresHq, prores4444, asItCame};
    case FilmFormat::webm: return {usual, vp9, vp9Ten, av1Ten, asItCame};
    case FilmFormat::mov:
        return {usual, prores422, proresHq, prores4444, dnxhrHqx, h264, h264Ten, hevc, hevcTen, hevcTwelve, asItCame};
    case FilmFormat::exrSequence: return {usual, exrZip, exrZips, exrPiz, exrRle, exrNone, exrDwaa, asItCame};
    case FilmFormat::gif:
    case FilmFormat::pngSequence:
    case FilmFormat::tiffSequence:
    case FilmFormat::dpxSequence: break;
    }
    return {usual};
}

Coder coderFor(FilmFormat format, Coder wanted, ColourSpace space)
{
    if (wanted != Coder::usual)
        return wanted;
    switch (format) {
    case FilmFormat::mp4: return space.hdr() ? Coder::hevcTen : Coder::h264;
    case FilmFormat::webm: return space.hdr() ? Coder::vp9Ten : Coder::vp9;
    case FilmFormat::mov: return Coder::prores422;
    case FilmFormat::mkv: return Coder::ffv1;
    case FilmFormat::exrSequence: return Coder::exrZip;
    case FilmFormat::gif:
    case FilmFormat::pngSequence:
    case FilmFormat::tiffSequence:
    case FilmFormat::dpxSequence: break;
    }
    return Coder::usual;
}

bool holdsDepth(FilmFormat format, Coder coder)
{
    const bool lossless = format == FilmFormat::mkv && (coder == Coder::usual || coder == Coder::ffv1);
    const bool rich = format == FilmFormat::mov && (coder == Coder::usual || coder == Coder::prores422);
    return isSequence(format) || lossless || rich;
}

Depth depthFor(FilmFormat format, Coder coder, Depth stored, std::optional<Depth> wanted)
{
    const Depth most = std::min(stored, Depth::sixteen);
    if (format == FilmFormat::gif)
        return Depth::eight;
    if (format == FilmFormat::exrSequence)
        return Depth::single;
    if (holdsDepth(format, coder))
        return std::min(wanted.value_or(most), Depth::sixteen);
    switch (coder) {
    case Coder::h264:
    case Coder::hevc:
    case Coder::vp9: return Depth::eight;
    default: return most; // no more than there is: 8 bits go into 10 by themselves
    }
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

bool holdsSound(FilmFormat format, const std::string& codec)
{
    const AVCodecDescriptor* described = avcodec_descriptor_get_by_name(codec.c_str());
    const AVOutputFormat* container =
        soundEncoder(format) != nullptr ? av_guess_format(containerName(format), nullptr, nullptr) : nullptr;
    return container != nullptr && described != nullptr && described->type == AVMEDIA_TYPE_AUDIO &&
           avformat_query_codec(container, described->id, FF_COMPLIANCE_NORMAL) == 1;
}

const char* containerName(FilmFormat format)
{
    switch (format) {
    case FilmFormat::mp4: return "mp4";
    case FilmFormat::webm: return "webm";
    case FilmFormat::mov: return "mov";
    case FilmFormat::gif: return "gif";
    default: return "matroska";
    }
}

int keyPictureEvery(FrameRate rate)
{
    return static_cast<int>(std::lround(std::max(12.0, rate.perSecond())));
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
    case FilmFormat::tiffSequence:
    case FilmFormat::dpxSequence:
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
