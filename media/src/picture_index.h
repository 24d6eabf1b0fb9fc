// SPDX-License-Identifier: GPL-3.0-or-later
// When the pictures of a file are shown. To know that a file is read from end to end, which for a long one takes a
// while: it is done once, and kept for all readers of this process and, of large files, in the cache folder for the
// next.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>
#include <string>
#include <vector>

#include "ember/core/error.h"

namespace ember {

struct PictureIndex {
    /// One stored picture: when it is shown and when it is decoded, in ticks of the stream's clock.
    struct Entry {
        std::int64_t shown;
        std::int64_t decoded;
        bool key;
    };
    std::vector<Entry> entries; ///< by time of showing, no two at once
    std::int64_t packets = 0;   ///< how many there were
    bool cutOff = false;        ///< what follows the last of them is damaged
};

using SharedIndex = std::shared_ptr<const PictureIndex>;

/// The index of a stream of this file as the file is now; `read` is called where it is not known.
Result<SharedIndex> pictureIndex(const std::string& path, int stream,
                                 const std::function<Result<PictureIndex>()>& read);

/// How an index is kept in a file, and back; nothing where it is none, or of another file or stream. `mark` stands for
/// the file's content and the stream.
std::string packedIndex(const PictureIndex& index, const std::string& mark);
std::unique_ptr<PictureIndex> unpackedIndex(const std::string& bytes, const std::string& mark);

} // namespace ember
