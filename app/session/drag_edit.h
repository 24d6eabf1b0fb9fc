// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include "open_document.h"

namespace ember::app {

/// One drag that changes the document: however far it goes it is one step of undo, and none when it is cancelled.
/// Whatever is done while it lasts is done to the document as it is then, so that what arrives meanwhile is kept.
class DragEdit : public QObject {
    Q_OBJECT
public:
    DragEdit(OpenDocument& document, Messages& messages);

    /// Between begin() and end(). Undo, redo and another project end it too: what was held is not as it was any more.
    bool active() const { return gesture_ != 0; }
    void begin();
    /// For whoever edits by another way.
    OpenDocument::Gesture gesture() const { return gesture_; }
    /// `edit` sets what the hand wants now, absolute and not by how much it moved.
    void apply(const OpenDocument::Edit& edit, const QString& result);
    void end() { gesture_ = 0; }
    /// All is as it was before begin(). Where something else was done since, `back` undoes it in the document as it is.
    void cancel(const OpenDocument::Edit& back = {});

signals:
    /// It was ended by something else than end().
    void broken();

private:
    OpenDocument& document_;
    Messages& messages_;
    OpenDocument::Gesture gesture_ = 0;
};

} // namespace ember::app
