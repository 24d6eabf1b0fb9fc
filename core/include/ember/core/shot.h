// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "ember/core/field.h"
#include "ember/core/strike.h"
#include "ember/core/time.h"

namespace ember {

/// A key of a shot's own move.
struct MoveKey {
    Frame frame;
    double x = 0;             ///< pixels
    double y = 0;             ///< pixels
    double zoom = 1;          ///< ratio, 0.25 to 4
    double roll = 0;          ///< degrees
    Ease ease = Ease::smooth; ///< on the way to the next key

    bool operator==(const MoveKey&) const = default;
};

namespace movefield {
extern const FieldSpec x;
extern const FieldSpec y;
extern const FieldSpec zoom;
extern const FieldSpec roll;
extern const FieldSpec ease;
} // namespace movefield

/// The move of keys at an instant: level before the first and after the last.
MoveKey moveAt(const std::vector<MoveKey>& keys, FrameTime time);

/// Identities the project hands out; 0 is nobody.
using ShotId = std::int64_t;

/// The pictures of a clip as they were when the project took it in, so that a change of the file is noticed. 0 and
/// nothing where it is not known: the project was written by an earlier version.
struct ClipFormat {
    int width = 0;
    int height = 0;
    std::optional<FrameRate> rate = {};

    bool operator==(const ClipFormat&) const = default;
};

/// A framing at one of the clip's frames: the picture is reframed from key to key.
struct FramingKey {
    Frame frame;
    double x = 0;             ///< pixels
    double y = 0;             ///< pixels
    double size = 1;          ///< ratio
    Ease ease = Ease::smooth; ///< on the way to the next key

    bool operator==(const FramingKey&) const = default;
};

/// How a clip's picture lies in the frame of the film, before anything moves.
struct Framing {
    enum class How {
        fill,  ///< it fills the frame; what is then over is left out
        fit,   ///< all of it is seen, black around it
        place, ///< where and as large as the values below say
    };
    How how = How::fill;
    double x = 0; ///< pixels from the frame's middle to the picture's
    double y = 0;
    double size = 1; ///< ratio of the size that just fills the frame, 0.05 to 20
    /// In order, of a picture that is placed: where there are any they count instead of the values.
    std::vector<FramingKey> keys = {};

    bool operator==(const Framing&) const = default;
};

/// What of a clip's picture a frame shows, in pixels of the picture; may lie outside it.
struct FramedPart {
    double left = 0;
    double top = 0;
    double width = 0;
    double height = 0;
};
/// The framing at an instant of the clip, with the keys' values in place of its own: level before the first and after
/// the last.
Framing framingAt(const Framing& framing, FrameTime clipFrame);
FramedPart framedPart(const Framing& framing, int pictureWidth, int pictureHeight, int frameWidth, int frameHeight);

/// The colour space a clip is read in: as its file says, or another one where that is wrong or silent.
enum class ClipColour {
    asTagged,
    bt709,
    bt2020,
    displayP3,
    pq,  ///< BT.2100 PQ with primaries of BT.2020
    hlg, ///< BT.2100 HLG with these
    linearBt709,
    linearBt2020,
    acescg,
};

/// A part of a clip, a still or a gap. The clip's path is as the project knows it; files are resolved elsewhere.
struct Shot {
    std::string clip;               ///< empty: a gap, black and silent
    std::int64_t length = 1;        ///< frames of the film
    bool still = false;             ///< a single picture, though its name may look like one of a numbered series
    std::vector<MoveKey> move = {}; ///< in order, on frames of the clip; shakes are added to it
    double in = 0;                  ///< the clip's frame that is shown first, at the project's rate
    double speed = 1;               ///< frames of the clip that go by in one of the film
    std::int64_t available = 0;     ///< frames the clip has, at the project's rate; 0: there is no end
    ClipFormat format = {};
    Framing framing = {};
    ClipColour colour = ClipColour::asTagged;
    std::string space = {}; ///< of the film's config that its clip is in; empty: the one its colour stands for
    ShotId id = 0;
    /// Strikes on frames of the clip that were trimmed away; their frames are the clip's. They come back with these.
    std::vector<Strike> trimmed = {};

    bool gap() const { return clip.empty(); }
    /// The clip's frame that is on show `since` frames after the shot's first.
    double clipFrame(double since) const { return in + since * speed; }
    /// The longest it can be from its in on; a still and a gap know no end.
    std::int64_t longest() const;
    bool operator==(const Shot&) const = default;
};

namespace shotfield {
extern const FieldSpec speed;
extern const FieldSpec framing; ///< a Framing::How
extern const FieldSpec framingX;
extern const FieldSpec framingY;
extern const FieldSpec framingSize;
extern const FieldSpec framingEase;
extern const FieldSpec colour; ///< a ClipColour
} // namespace shotfield

/// Where a shot stands: frames [first, end) of the film.
struct ShotPlace {
    std::size_t index = 0;
    std::int64_t first = 0;
    std::int64_t end = 0;
};

} // namespace ember
