// SPDX-License-Identifier: GPL-3.0-or-later
#include "drag_edit.h"

#include "messages.h"

namespace ember::app {

DragEdit::DragEdit(OpenDocument& document, Messages& messages) : document_(document), messages_(messages)
{
    const auto stop = [this] {
        if (!active())
            return;
        end();
        emit broken();
    };
    connect(&document_, &OpenDocument::wentBack, this, stop);
    connect(&document_, &OpenDocument::replaced, this, stop);
}

void DragEdit::begin()
{
    gesture_ = document_.newGesture();
}

void DragEdit::apply(const OpenDocument::Edit& edit, const QString& result)
{
    if (active())
        document_.edit(edit, result, gesture_);
}

void DragEdit::cancel(const OpenDocument::Edit& back)
{
    if (!active())
        return;
    const auto gesture = gesture_;
    end();
    const QString text = tr("Cancelled: nothing was changed");
    const bool gone = document_.abandon(gesture);
    // Where something else came in between, what the drag did before that is in an earlier step.
    if (const bool undone = back && document_.edit(back, text); gone && !undone)
        emit messages_.told(text);
}

} // namespace ember::app
