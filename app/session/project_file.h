// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include <QObject>
#include <QString>

#include "ember/core/error.h"
#include "ember/files/whole_file.h"
#include "ember/media/clip.h"
#include "ember/project/document.h"
#include "ember/project/journal.h"

namespace ember::app {

class Busy;
class Film;
class Messages;
class OpenDocument;
class Playhead;
class Selection;

/// The project's file: opening, saving, closing, and finding a clip that is elsewhere now.
class ProjectFile : public QObject {
    Q_OBJECT
public:
    ProjectFile(OpenDocument& document, Selection& selection, Playhead& playhead, Film& film, Messages& messages,
                Busy& busy);

    /// Empty while there is none.
    const QString& path() const { return path_; }
    QString title() const;
    /// A clip or a project, by its name, on another thread: see Busy. opened() or a message follows. `alone`: a picture
    /// that looks like one of a numbered series is opened by itself.
    void open(const QString& path, bool alone = false);
    /// Unsaved work that was left behind: opened as it was, still unsaved.
    void openRecovered(const LeftBehind& left);
    /// The clip of this project is now at another place.
    void relinkClip(const QString& path);
    bool save(const QString& path);
    /// The file is not as it was when it was read or saved here last.
    bool changedOutside() const;
    /// Whether something may be written to `path`, which a chooser has asked about: not onto the project or anything
    /// it is made of.
    Status mayWrite(const QString& path) const;
    void close();

signals:
    void pathChanged();
    /// Another project takes the place of this one now: what is half done in this one is dropped.
    void aboutToReplace();
    /// Another project is there, or a clip that was missing.
    void opened();

private:
    struct Opened;
    void start(const std::shared_ptr<Opened>& opened);
    void finish(Opened& opened);
    void replace(Document document, std::unique_ptr<ClipReader> clip, const QString& clipTrouble);

    OpenDocument& document_;
    Selection& selection_;
    Playhead& playhead_;
    Film& film_;
    Messages& messages_;
    Busy& busy_;
    QString path_;
    FileStamp stamp_; ///< of the file at path_, as it was read or written last
};

} // namespace ember::app
