// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <string_view>
#include <vector>

#include "ember/core/time.h"
#include "ember/image/image.h"

namespace ember {

enum class ChangeKind {
    cut,      ///< from one frame to the next
    dissolve, ///< the one shows through the other for some frames
    fade,     ///< a dissolve from or to a plain picture
};
/// "cut", "dissolve", "fade".
std::string_view changeName(ChangeKind kind);

/// Where one shot ends and the next begins.
struct ShotChange {
    ChangeKind kind = ChangeKind::cut;
    Frame frame;             ///< the first of the new shot; the middle of a dissolve
    std::int64_t length = 0; ///< frames in which both are seen: 0 of a cut
    double confidence = 0;   ///< 0 to 1
    Frame first;             ///< of those frames; of a cut `frame`
    Frame last;              ///< likewise

    bool operator==(const ShotChange&) const = default;
};

/// Finds changes of shot in pictures that come one after the other; memory does not grow with their number.
///
/// At a cut hardly any part of the picture has edges where any of the last pictures had them, and none of the next few
/// has them again: what a flash or a burst washes out for some frames comes back. A dissolve's pictures are mixtures of
/// one before and one after it, with ever less of the first (least squares at a quarter, a half and three quarters).
class CutWatcher {
public:
    CutWatcher();
    ~CutWatcher();
    CutWatcher(CutWatcher&&) noexcept;
    CutWatcher& operator=(CutWatcher&&) noexcept;

    /// The next picture and the film's frame that first shows it.
    void watch(const Image& picture, Frame frame);
    /// The changes, by their frames; nothing can be watched afterwards.
    std::vector<ShotChange> finish();

private:
    struct Work;
    std::unique_ptr<Work> work_;
};

} // namespace ember
