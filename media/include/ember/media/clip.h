// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <memory>
#include <optional>
#include <set>
#include <string>
#include <vector>

#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/core/time.h"
#include "ember/image/image.h"
#include "ember/media/colour_tags.h"
#include "ember/media/sound_track.h"

namespace ember {

enum class ClipKind { video, still, sequence };

/// What a clip is, as a viewer sees it: turned upright, with square pixels.
struct ClipInfo {
    ClipKind kind = ClipKind::video;
    std::string path;
    int width = 0;
    int height = 0;
    FrameRate rate;            ///< the rate a project made for this clip gets
    bool variableRate = false; ///< frames are not evenly spaced; `rate` is the nearest usual one
    std::int64_t pictures = 1; ///< pictures stored
    std::int64_t length = 1;   ///< frames at `rate` that show it all
    double originSeconds = 0;  ///< stream time of the first picture; the sound is laid against it
    bool hasSound = false;
    std::vector<SoundTrack> sounds; ///< the one it names first, then the others
    Metadata metadata;              ///< what it says of itself, without what is its container's and its coder's
    std::vector<Chapter> chapters;  ///< in order
    std::string timecode;           ///< of its first frame, as it is stored ("01:00:00:00"); empty where it has none
    std::string codec;              ///< "h264", "png", …
    bool alpha = false;
    std::string pixelFormat;    ///< of a film as FFmpeg calls it ("yuv420p10le"); empty for OpenEXR
    std::string compression;    ///< of OpenEXR: "zip", "piz", …; else empty
    Depth depth = Depth::eight; ///< that holds what is stored
    bool halfFloats = false;    ///< of depth single: IEEE 754 binary16 holds it
    ColourSpace colour;         ///< that what is stored is read in
    ColourTags tags;            ///< of that
    ColourSpace toldColour;     ///< both as the file says, before any choice
    ColourTags toldTags;
    std::vector<Phrase> notes;   ///< things worth knowing, as sentences
    std::vector<ClipInfo> shots; ///< of a film of shots each one's clip; a gap's has no path
};

/// What is known of a clip that is read in this space, or as it says.
ClipInfo readIn(ClipInfo info, std::optional<ColourSpace> colour);

struct ClipOptions {
    FrameRate sequenceRate;            ///< for numbered pictures and stills, which have no rate of their own
    bool neverSequence = false;        ///< a numbered picture is opened alone, though it has neighbours
    std::optional<ColourSpace> colour; ///< that it is read in, whatever it says
    bool asStored = false;  ///< pictures as deep and in the colour space they are stored in, with what is stored
    Progress progress = {}; ///< of reading it through, which a large file needs once
};

/// What tells one content of a clip's files from another without reading them.
struct ClipMark {
    std::int64_t files = 0; ///< more than one: numbered pictures; 0: there is none
    std::uintmax_t bytes = 0;
    std::filesystem::file_time_type written; ///< the last of them

    bool operator==(const ClipMark&) const = default;
};

/// The files that a clip of this path would be opened from; numbered pictures are many.
std::vector<std::string> filesOfClip(const std::string& path, const ClipOptions& options = {});
/// Of the files that a clip of this path would be opened from; any other file has a mark too.
ClipMark markOfClip(const std::string& path, const ClipOptions& options = {});

/// Pictures that could not be decoded or are not whole.
struct Damage {
    std::string path;       ///< the clip they are of
    std::int64_t first = 0; ///< the number of the first
    std::int64_t count = 0;
};

/// Reads pictures of a clip by number, always exactly the one asked for. Not for several threads at once; open one
/// reader for each.
class ClipReader {
public:
    /// `path`: a video, a picture, one picture of a numbered series (opens the series), or a series written as
    /// name_%04d.png. Any file name is taken literally first.
    static Result<std::unique_ptr<ClipReader>> open(const std::string& path, const ClipOptions& options = {});
    virtual ~ClipReader() = default;

    const ClipInfo& info() const { return info_; }

    /// The stored picture that is on show when frame `frame` of a film of this rate begins: the last whose presentation
    /// time is not later, allowing one tick of the file's clock (at most a quarter of a frame) for its rounding. Held
    /// at both ends.
    virtual std::int64_t pictureAt(Frame frame, FrameRate rate) const = 0;

    /// Picture number `index` (0 to pictures - 1), upright, square pixels, as an SDR screen shows it (8 bits, sRGB; see
    /// ScreenPictures) or as it is stored, where that was asked for. Where one is damaged the nearest earlier one that
    /// can be read stands in, and damage() tells; an error when there is none.
    virtual Result<ImagePtr> picture(std::int64_t index) = 0;

    /// What was found damaged in the pictures that have been read so far.
    const Damage& damage() const { return damage_; }

    Result<ImagePtr> frame(Frame frame, FrameRate rate) { return picture(pictureAt(frame, rate)); }

protected:
    /// This picture could not be decoded, or not whole.
    void foundDamaged(std::int64_t picture);

    ClipInfo info_;

private:
    Damage damage_;
    std::set<std::int64_t> damaged_;
};

} // namespace ember
