// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/sound.h"
#include "ember/core/time.h"
#include "ember/image/image.h"
#include "ember/media/colour_tags.h"
#include "ember/media/sound_track.h"

namespace ember {

enum class FilmFormat {
    mp4,          ///< H.264 and AAC
    mkv,          ///< FFV1 (RGB, lossless, 8 or 16 bits, with alpha) and FLAC
    webm,         ///< VP9 (with alpha) and Opus
    mov,          ///< ProRes 422, or 4444 with alpha, and PCM
    gif,          ///< 256 colours, no sound, for a quick look
    pngSequence,  ///< one PNG a frame (8 or 16 bits, with alpha), no sound; so are those that follow
    tiffSequence, ///< 8 or 16 bits, with alpha
    dpxSequence,  ///< SMPTE ST 268-1: 8, 10 or 16 bits
    exrSequence,  ///< OpenEXR: half or whole floats of light, with alpha
};

/// By the name: .mp4, .mkv, .webm, .mov, .gif, .png, .tif, .tiff, .dpx and .exr (numbered), or a folder (a name that
/// ends in "/" or is one) for numbered PNG.
std::optional<FilmFormat> filmFormatOf(const std::string& path);
/// "…, and numbered pictures in .png, … or a folder": for messages.
extern const char* const filmFormatWords;
bool isSequence(FilmFormat format);

/// How the pictures of a film are coded.
enum class Coder {
    usual, ///< what the format's line above says; HEVC of 10 bits for PQ and HLG in MP4, VP9 of 10 in WebM
    h264,  ///< 8 bits, as are the others without a number
    h264Ten,
    hevc,
    hevcTen,
    hevcTwelve,
    av1Ten,
    vp9,
    vp9Ten,
    prores422, ///< 10 bits
    proresHq,
    prores4444, ///< with alpha
    dnxhrHqx,   ///< 10 bits
    ffv1,       ///< RGB, 8 or 16 bits
    exrZip,     ///< OpenEXR, 16 rows at a time; lossless, as are the next four
    exrZips,    ///< each row by itself
    exrPiz,     ///< wavelets, for grain
    exrRle,
    exrNone,
    exrDwaa,  ///< lossy
    asItCame, ///< the clip's own: codec, pixel format and tags; of OpenEXR its compression
};
struct CoderWords {
    Coder coder;
    std::string_view word;  ///< for scripts
    std::string_view label; ///< for people
};
/// All of them, in the order above.
extern const std::array<CoderWords, 21> coderWords;
/// Those a format holds, the usual one first; only that one for GIF and pictures but OpenEXR.
std::vector<Coder> codersIn(FilmFormat format);
/// What `usual` is for a film in this space; other coders are themselves.
Coder coderFor(FilmFormat format, Coder wanted, ColourSpace space);

/// The depth in which pictures of a clip go into a film: no more than is stored, and than the coder holds; of pictures
/// `wanted`, where the format has it.
Depth depthFor(FilmFormat format, Coder coder, Depth stored, std::optional<Depth> wanted);
/// Whether there is a choice of depth.
bool holdsDepth(FilmFormat format, Coder coder);

/// How much is spent on a film: how large it is and how long its coding takes.
enum class FilmQuality { draft, good, best };
inline constexpr std::array<std::string_view, 3> filmQualityWords{"draft", "good", "best"};

/// One sound of a film: coded from what addSound() gets, or taken from a file packet by packet.
struct FilmTrack {
    SoundTrack about = {};   ///< rate (see soundRateFor) and channels of what is coded; layout, language and title
    std::string copyOf = {}; ///< the file; empty: it is coded
    int copyTrack = 0;       ///< the number of its sound (see ClipInfo::sounds)
    double copyFrom = 0;     ///< second of the file that is the film's first
    double copySeconds = 0;  ///< how long the film is
};

struct FilmSettings {
    FilmFormat format = FilmFormat::mp4;
    int width = 0;
    int height = 0;
    FrameRate rate;
    bool alpha = false;
    Coder coder = Coder::usual;
    Depth depth = Depth::eight;   ///< of the pictures that are added
    ColourTags tags = {};         ///< of the pictures that are added, and how their luma and chroma are made
    bool halfFloats = true;       ///< of OpenEXR
    std::string timecode = {};    ///< of the first picture ("01:00:00:00"), kept by films but GIF and WebM, and by
                                  ///< OpenEXR; empty: none
    std::string storedCodec = {}; ///< of the clip, for `asItCame`: see ClipInfo
    std::string storedPixels = {};
    std::string storedCompression = {};
    FilmQuality quality = FilmQuality::good;
    bool keepPictures = false;          ///< of a sequence that is not finished, so that it can be gone on with
    std::vector<FilmTrack> sounds = {}; ///< none in formats that hold none
    Metadata metadata = {};             ///< of the file as a whole; of OpenEXR of every picture
    std::vector<Chapter> chapters = {}; ///< in order; kept by films but WebM and GIF
    bool overwrite = false;
    int threads = 0;              ///< for the encoder; 0: as many as the machine has
    std::int64_t firstNumber = 0; ///< number of the first picture of a sequence
};

/// Writes a film. Everything goes to a hidden file beside the target, which takes the final name only in finish();
/// until then, and after any failure or when the writer is dropped, nothing stands under that name that did not before.
/// A sequence's pictures take their names one by one, each complete, and are removed again when it is dropped.
class FilmWriter {
public:
    static Result<std::unique_ptr<FilmWriter>> create(const std::string& path, const FilmSettings& settings);
    virtual ~FilmWriter() = default;

    /// Pictures of exactly the settings' size and depth, in order. One that is just what its clip stores, in the pixel
    /// format, matrix and range of this film, is coded from that without a change.
    virtual Status addFrame(const Image& image) = 0;
    /// Leaves out the number of a sequence's next picture, because it is there already.
    virtual void skipFrame() {}
    /// What follows of one of the sounds; may be ahead of or behind the pictures.
    virtual Status addSound(const SoundBuffer& sound, std::size_t track = 0) = 0;
    virtual Status finish() = 0;
};

/// Size the format can hold: films with the usual colour sampling needs even numbers, so an odd last row or column is
/// left off.
void fitToFormat(FilmFormat format, int& width, int& height);

/// The sample rate nearest to `rate` that the format's coder knows; a FilmTrack's must be one of those.
int soundRateFor(FilmFormat format, int rate);
/// Whether packets of this codec ("aac") can be taken over into the format.
bool holdsSound(FilmFormat format, const std::string& codec);
/// The most channels the formats can hold.
inline constexpr int mostSoundChannels = 8;

/// One picture as the bytes of a PNG, 8 or 16 bits (not floats), with alpha where it has any.
Result<std::string> pngOf(const Image& image);
/// Writes them.
Status savePicture(const Image& image, const std::string& path, bool overwrite);

/// The file of picture `number` of a sequence at `path` (a pattern name_%04d.png, a plain name.png or a folder).
std::string sequenceFile(const std::string& path, std::int64_t number);

} // namespace ember
