// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include "ember/core/cover.h"
#include "ember/core/motion.h"
#include "ember/core/project.h"
#include "ember/film/layer_pictures.h"
#include "ember/image/image.h"

namespace ember {

/// What a project does to pictures that come from elsewhere: those another program decodes, or a script's. Its clips
/// are not opened; a picture stands for the film's frame before anything shook it, in any size, and comes back in the
/// same. All threads may ask at once.
class StruckFrames {
public:
    /// Layers whose pictures cannot be read are left out, and told.
    explicit StruckFrames(Project project);

    const Project& project() const { return project_; }
    const Motion& motion() const { return motion_; }
    /// What is worth telling, sentences.
    const std::vector<Phrase>& notes() const { return notes_; }

    /// The frame as a render has it: of the same depth and colour. At rest, cover off, it is `picture` itself.
    ImagePtr frame(const ImagePtr& picture, Frame frame) const;

private:
    Project project_;
    Motion motion_;
    Cover cover_;
    LayerPictures layers_;
    std::vector<Phrase> notes_;
};

} // namespace ember
