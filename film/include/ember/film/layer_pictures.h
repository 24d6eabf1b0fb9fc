// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/render/frame.h"

namespace ember {

/// The picture of a layer: the first one of its file.
Result<ImagePtr> layerPicture(const Layer& layer);

/// The pictures of all layers of a project; an error names the first that cannot be read. `primaries`: as deep as they
/// are stored and in the light of these, for a film that is rendered so; else as a screen shows them.
Result<LayerPictures> layerPictures(const Project& project, std::optional<Primaries> primaries = std::nullopt);

} // namespace ember
