// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <memory>
#include <optional>
#include <string>

#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/core/shot.h"
#include "ember/media/clip.h"

namespace ember {

/// How much smaller than its clip a proxy is, in each direction.
enum class ProxySize { half = 2, quarter = 4 };

/// Proxies: small copies of clips to play from, ProRes 422 (4444 with alpha), picture by picture the clip's. They are
/// kept in one folder and found by the clip's path and by what tells one content of its files from another: one of a
/// clip that was changed is not used, and removed. Several programs may use a folder.
class ProxyShelf {
public:
    /// Where nothing can be kept, the folder is empty.
    explicit ProxyShelf(std::string folder) : folder_(std::move(folder)) {}

    /// Why a clip has none; empty where it can have one.
    Phrase refusal(const ClipInfo& clip) const;
    /// The size of the shot's, where its clip has one.
    std::optional<ProxySize> of(const Shot& shot) const;
    /// Makes one, in place of one of another size. `rate`: of the film, for pictures that have none of their own.
    Status make(const Shot& shot, FrameRate rate, ProxySize size, const Progress& progress) const;
    void remove(const Shot& shot) const;

    /// The clip with the proxy's pictures, if it has one; all else is told as the clip itself has it. `clip`: opened as
    /// the shot wants it.
    Result<std::unique_ptr<ClipReader>> inPlaceOf(std::unique_ptr<ClipReader> clip, const Shot& shot,
                                                  bool asStored) const;

private:
    struct Place;
    std::optional<Place> placeOf(const Shot& shot) const;

    std::string folder_;
};

} // namespace ember
