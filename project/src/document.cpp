// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/document.h"

namespace ember {

Document::Document() : Document(Project{}) {}

Document::Document(Project project)
{
    steps_.push_back({std::make_shared<const Project>(std::move(project)), {}, 0});
    saved_ = steps_.front().project;
}

bool Document::edit(Project next, const std::string& result, Gesture gesture)
{
    if (next == project())
        return false;
    steps_.resize(at_ + 1);
    const bool continues = gesture != 0 && at_ > 0 && steps_[at_].gesture == gesture && saved_ != steps_[at_].project;
    if (continues && next == *steps_[at_ - 1].project) {
        steps_.pop_back();
        --at_;
        return true;
    }
    auto kept = std::make_shared<const Project>(std::move(next));
    if (continues) {
        steps_[at_].project = std::move(kept);
        steps_[at_].text = result;
        return true;
    }
    steps_.push_back({std::move(kept), result, gesture});
    ++at_;
    return true;
}

bool Document::abandon(Gesture gesture)
{
    if (gesture == 0 || at_ == 0 || steps_[at_].gesture != gesture || at_ + 1 != steps_.size())
        return false;
    steps_.pop_back();
    --at_;
    return true;
}

void Document::undo()
{
    if (canUndo())
        --at_;
}

void Document::redo()
{
    if (canRedo())
        ++at_;
}

} // namespace ember
