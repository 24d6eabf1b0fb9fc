// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <memory>

#include <QObject>
#include <QString>

#include "ember/core/motion.h"
#include "ember/core/survey.h"
#include "ember/project/document.h"

namespace ember::app {

class Messages;

/// What an edit changed, so that whoever listens does no more than it must.
struct Change {
    bool film = true;   ///< shots, size, rate: other pictures, or elsewhere
    bool sound = true;  ///< what is heard, or when
    bool files = true;  ///< some file of the film is another
    bool layers = true; ///< layers and their pictures
    bool motion = true; ///< what moves: strikes, recipes, and all that changes how they are felt
    bool finish = true; ///< edges, cover, blur, light, letterbox

    static Change between(const Project& before, const Project& after);
};

/// The project that is worked on, its history, and what is known of its motion. Everything that changes the project
/// comes through here.
class OpenDocument : public QObject {
    Q_OBJECT
public:
    using Gesture = Document::Gesture;
    /// A project, changed. Called at once with the project as it is now.
    using Edit = std::function<Project(Project)>;

    explicit OpenDocument(Messages& messages);

    const Document& history() const { return document_; }
    const Project& project() const { return document_.project(); }
    std::shared_ptr<const Project> snapshot() const { return document_.snapshot(); }
    std::int64_t length() const { return project().length(); }
    /// The name of a frame by the film's clock, and the frame of a name; nothing for what is none.
    QString timecode(std::int64_t frame) const;
    std::optional<double> frameOf(const QString& name) const;

    const Motion& motion() const { return *motion_; }
    /// For work that may outlast the next edit.
    std::shared_ptr<const Motion> sharedMotion() const { return motion_; }
    /// Of every frame of the film.
    const Survey& survey() const { return survey_; }
    const Cover& cover() const { return survey_.cover(); }

    Gesture newGesture() { return document_.newGesture(); }
    /// See Document::edit. Tells `result` in the status line. Returns whether anything changed.
    bool edit(const Edit& edit, const QString& result, Gesture gesture = 0);
    bool edit(Project next, const QString& result, Gesture gesture = 0);
    /// See Document::abandon.
    bool abandon(Gesture gesture);
    void undo();
    void redo();

    bool modified() const { return document_.modified(); }
    void markSaved();

    /// Another project takes the place of this one; showAgain() is to follow when everything else is in its place.
    void replace(Document document);
    /// Tells that all of it is to be shown anew: another project is there, or files of it are other ones.
    void showAgain();

signals:
    /// In this order after each edit, forth or back. First: the project is another now, and what belongs to it
    /// follows (selection, film).
    void edited(const Project& before, const Change& change);
    /// Then: all that is shown of it is to be shown anew.
    void changed(const Change& change);
    /// At last: all show it.
    void settled(const Project& before);
    /// Nothing of the project before is left.
    void replaced();
    /// By undo or redo: what had changed is selected, so that it is seen.
    void wentBack(const Project& before);
    /// Written to its file, or not any more as it is there.
    void savedChanged();

private:
    void tell(const Project& before);

    Messages& messages_;
    Document document_;
    std::shared_ptr<const Motion> motion_;
    Survey survey_;
};

} // namespace ember::app
