// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <memory>
#include <string>
#include <vector>

#include "ember/core/project.h"

namespace ember {

/// A project being worked on, with everything it was before. Undo is unlimited.
class Document {
public:
    /// Identity of one gesture (a drag, a run of typing); 0 is an edit that stands alone.
    using Gesture = std::uint64_t;

    Document();
    explicit Document(Project project);

    const Project& project() const { return *steps_[at_].project; }
    std::shared_ptr<const Project> snapshot() const { return steps_[at_].project; }

    /// A gesture of its own for each call.
    Gesture newGesture() { return ++lastGesture_; }

    /// The project becomes `next`, as one undo step named by `result` ("Peak moved to frame 121"). Edits of one gesture
    /// share a step. An edit that changes nothing makes no step, and a gesture that ends where it began leaves none.
    /// Returns whether the project is another than before.
    bool edit(Project next, const std::string& result, Gesture gesture = 0);

    /// Takes a gesture back as if it had never been: nothing of it can be done again. False where something else was
    /// done since, and then nothing happens.
    bool abandon(Gesture gesture);

    bool canUndo() const { return at_ > 0; }
    /// How many steps undo can take back.
    std::size_t undoSteps() const { return at_; }
    bool canRedo() const { return at_ + 1 < steps_.size(); }
    void undo();
    void redo();
    /// What the step that undo (redo) would take back (do again) did.
    const std::string& undoText() const { return steps_[at_].text; }
    const std::string& redoText() const { return steps_[at_ + 1].text; }

    bool modified() const { return saved_ != steps_[at_].project; }
    void markSaved() { saved_ = steps_[at_].project; }
    /// Nothing of it is in a file.
    void markUnsaved() { saved_.reset(); }

private:
    struct Step {
        std::shared_ptr<const Project> project;
        std::string text; ///< what led here
        Gesture gesture = 0;
    };
    std::vector<Step> steps_;
    std::size_t at_ = 0;
    std::shared_ptr<const Project> saved_;
    Gesture lastGesture_ = 0;
};

} // namespace ember
