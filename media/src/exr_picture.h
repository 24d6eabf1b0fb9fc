// SPDX-License-Identifier: GPL-3.0-or-later
// OpenEXR pictures, by the library of that name.
#pragma once

#include <array>
#include <memory>
#include <string>
#include <string_view>

#include "ember/media/clip.h"

namespace ember {

/// Whether a file begins as one does.
bool isExr(const std::string& path);

/// One picture: of several parts the first that has colour. What lies outside its display window is left out, what its
/// data window does not hold is nothing (0).
Result<std::unique_ptr<ClipReader>> openExr(const std::string& path, const ClipOptions& options);

struct ExrCoding {
    bool halfFloats = true;
    bool alpha = false;
    FrameRate rate;
    std::string compression = "zip"; ///< one of exrCompressions
    Metadata metadata = {};          ///< as text attributes; keys that are the format's own are left out
    std::string timecode = {};       ///< of the picture; empty: none
};

/// What compressions are called here, in the order of the library's numbers.
extern const std::array<std::string_view, 10> exrCompressions;

/// The bytes of a file of a picture of floats, with its chromaticities.
Result<std::string> exrOf(const Image& image, const ExrCoding& coding, const std::string& path);

} // namespace ember
