// SPDX-License-Identifier: GPL-3.0-or-later
// The picture for assistive programs: which frame is shown, and how it is moved.
#include "ember/core/trace.h"
#include "picture_view.h"
#include "text.h"

namespace ember::app {

std::vector<PaintedPart> PictureView::paintedParts()
{
    if (session_.document.length() == 0)
        return {};
    const auto frame = session_.playhead.frame();
    QStringList moved;
    for (const Axis axis : allAxes)
        if (const double value =
                traceAt(session_.document.motion(), axis, static_cast<FrameTime>(frame), TraceOf::place);
            value != 0)
            moved << ours(axisName(axis)) + QLatin1Char(' ') + axisValueText(axis, value);
    PaintedPart part;
    part.name = tr("frame %1").arg(frame);
    part.value = moved.isEmpty() ? tr("at rest") : moved.join(QStringLiteral(", "));
    part.place = rect();
    part.role = QAccessible::Graphic;
    return {part};
}

} // namespace ember::app
