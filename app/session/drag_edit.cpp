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
    if (document_.abandon(gesture))
        emit messages_.told(tr("Cancelled: it is as it was"));
    else if (back)
        document_.edit(back, tr("Cancelled: it is as it was"));
}

} // namespace ember::app
