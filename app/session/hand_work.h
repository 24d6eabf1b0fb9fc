// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QObject>
#include <QString>

#include "ember/project/curve_edits.h"
#include "ember/project/document.h"

namespace ember::app {

class Messages;
class OpenDocument;
class Playhead;
class Selection;
class Shaping;

/// Work by hand: while it is on, the picture of the frame on show is put where it should be, and that becomes keys of
/// the selected strike. The keys are those of the first strand of its recipe that is drawn without an envelope; the
/// recipe gets one with the first key.
class HandWork : public QObject {
    Q_OBJECT
public:
    HandWork(OpenDocument& document, Selection& selection, Playhead& playhead, Shaping& shaping, Messages& messages);

    bool on() const { return on_; }
    /// Begins on the selected strike, or on a new one where none is selected. Keys are for this strike alone where its
    /// recipe has others.
    void setOn(bool on);
    void toggle() { setOn(!on_); }

    /// The strand the keys are in; null where the strike has none yet. Until the next edit.
    const Strand* strand() const;
    /// What its keys hold on the frame on show, in pixels, degrees and as a difference of zoom.
    AxisValues moves() const { return movesAt(playheadKey()); }
    AxisValues movesAt(double keyFrame) const;
    /// How far the picture goes for one pixel or degree of a key: strength and what stands over it. 0 where nothing of
    /// it is felt.
    double gain(Axis axis) const;

    /// Sets keys on the frame on show, on the axes that are set; `result` is told.
    void setMoves(const HandPose& pose, const QString& result, Document::Gesture gesture);
    /// The same on another frame of the keys.
    void setMovesAt(double keyFrame, const HandPose& pose, const QString& result, Document::Gesture gesture);
    /// Moves the picture of the frame on show by so much.
    void nudge(Axis axis, double by);
    /// Deletes the keys on the frame on show.
    void removeHere();

    /// A frame with keys of x or y.
    struct Dot {
        double keyFrame = 0;
        double filmFrame = 0;
    };
    std::vector<Dot> dots() const;
    /// From where to where the path of the keys goes, in frames of the film.
    HandSpan path() const;

    double filmFrame(double keyFrame) const;
    double keyFrameOf(double filmFrame) const;
    /// The frame on show as keys count it.
    double playheadKey() const;

signals:
    void changed();

private:
    bool begin();
    void look();

    OpenDocument& document_;
    Selection& selection_;
    Playhead& playhead_;
    Shaping& shaping_;
    Messages& messages_;
    bool on_ = false;
};

} // namespace ember::app
