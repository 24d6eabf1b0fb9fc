// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QObject>
#include <QString>

#include "ember/core/project.h"
#include "ember/project/document.h"

namespace ember::app {

class Film;
class Messages;
class OpenDocument;
class Playhead;
class ProjectFile;
class Selection;

/// What menus and keys do with shots; the one that is worked on is the one under the playhead.
class ShotCommands : public QObject {
    Q_OBJECT
public:
    ShotCommands(OpenDocument& document, Selection& selection, Playhead& playhead, Film& film, ProjectFile& file,
                 Messages& messages);

    std::optional<ShotPlace> shotHere() const;
    /// The playhead to the first or the last frame of a shot.
    void goTo(ShotId id, bool last = false);
    /// A clip or still behind the shot here. Looked at on another thread; an edit or a message follows. Where there is
    /// no film yet it is opened.
    void addClip(const QString& path);
    /// A clip in place of the one of the shot here, the same way.
    void replaceClip(const QString& path);
    void addGap();
    void splitHere();
    void remove();
    /// In the order of shots, earlier where negative.
    void move(int by);
    /// The shot begins, or ends, on the frame under the playhead.
    void trimHere(bool in);

    /// Throws the cut nearest to the playhead.
    void strikeOnCut();
    /// What the selected strikes go with when shots are trimmed or moved.
    enum class GoesWith { shot, film, cut };
    void setGoesWith(GoesWith what, Document::Gesture gesture = 0);
    /// A strike that waits with the shot here is put on the frame under the playhead, or deleted.
    void placeWaiting(std::size_t index);
    void deleteWaiting(std::size_t index);

private:
    std::optional<Strike> takeWaiting(Project& next, std::size_t index) const;

    OpenDocument& document_;
    Selection& selection_;
    Playhead& playhead_;
    Film& film_;
    ProjectFile& file_;
    Messages& messages_;
};

} // namespace ember::app
