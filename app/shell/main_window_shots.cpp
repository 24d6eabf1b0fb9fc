// SPDX-License-Identifier: GPL-3.0-or-later
// What the window asks about shots.
#include <QFileInfo>
#include <QMenuBar>

#include "conform_sheet.h"
#include "ember/film/conform.h"
#include "ember/film/film_reader.h"
#include "ember/film/find_strikes.h"
#include "ember/project/shot_edits.h"
#include "main_window.h"
#include "progress_dialog.h"
#include "text.h"

namespace ember::app {

void MainWindow::buildShotMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("S&hot"));
    const auto clip = [&](const QString& id, const QString& text, const QKeySequence& key,
                          const std::function<void()>& act) { needClip_.push_back(add(menu, id, text, key, act)); };
    clip("shot.add-a-clip-or-still", tr("&Add a clip or still"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_O),
         [this] { addClipAsked(); });
    clip("shot.add-a-gap", tr("Add a &gap"), {}, [this] { session_->shots.addGap(); });
    clip("shot.replace-its-clip", tr("&Replace its clip"), {}, [this] { replaceClipAsked(); });
    menu->addSeparator();
    clip("shot.split-here", tr("&Split here"), QKeySequence(Qt::CTRL | Qt::Key_Slash),
         [this] { session_->shots.splitHere(); });
    clip("shot.split-at-the-film-s-cuts", tr("Split at the film's &cuts"), {}, [this] { splitAtCuts(); });
    clip("shot.begin-it-here", tr("&Begin it here"), QKeySequence(Qt::ALT | Qt::Key_Comma),
         [this] { session_->shots.trimHere(true); });
    clip("shot.end-it-here", tr("&End it here"), QKeySequence(Qt::ALT | Qt::Key_Period),
         [this] { session_->shots.trimHere(false); });
    clip("shot.move-it-earlier", tr("Move it ea&rlier"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_Left),
         [this] { session_->shots.move(-1); });
    clip("shot.move-it-later", tr("Move it &later"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_Right),
         [this] { session_->shots.move(1); });
    clip("shot.delete-it", tr("&Delete it"), QKeySequence(Qt::SHIFT | Qt::Key_Delete),
         [this] { session_->shots.remove(); });
    menu->addSeparator();
    clip("shot.throw-the-nearest-cut", tr("&Throw the nearest cut"), QKeySequence(Qt::Key_5),
         [this] { session_->shots.strikeOnCut(); });
    const auto goes = [&](const QString& id, const QString& text, ShotCommands::GoesWith what) {
        needSelection_.push_back(add(menu, id, text, {}, [this, what] { session_->shots.setGoesWith(what); }));
    };
    goes("shot.strikes-go-with-their-shot", tr("Strikes go with their s&hot"), ShotCommands::GoesWith::shot);
    goes("shot.pin-strikes-to-the-film", tr("&Pin strikes to the film"), ShotCommands::GoesWith::film);
    goes("shot.strikes-go-with-the-nearest-cut", tr("Strikes go with the &nearest cut"), ShotCommands::GoesWith::cut);
    menu->addSeparator();
    clip("shot.conform-to-a-new-edit", tr("Con&form to a new edit"), {}, [this] { conformAsked(); });
}

void MainWindow::addClipAsked()
{
    const QString path = dialogs_.openFile(this, tr("Add a clip or still"), filter::clips());
    if (!path.isEmpty())
        session_->shots.addClip(path);
}

void MainWindow::replaceClipAsked()
{
    const QString path = dialogs_.openFile(this, tr("Replace the clip of the shot here"), filter::clips());
    if (!path.isEmpty())
        session_->shots.replaceClip(path);
}

/// What long work finds, done under a sheet that shows how far it is; nothing where it was stopped or went wrong, which
/// is told.
template <typename Found, typename Work>
std::optional<Found> MainWindow::worked(const QString& title, const QString& doing, Work work)
{
    auto found = std::make_shared<Result<Found>>(Error{ErrorCode::cancelled, "", ""});
    ProgressDialog sheet(
        title, doing, [found, work = std::move(work)](const Progress& tell) { *found = work(tell); }, this);
    if (!dialogs_.run(sheet))
        return std::nullopt;
    if (!found->ok()) {
        emit session_->messages.trouble(said(found->error()));
        return std::nullopt;
    }
    return std::move(*found).value();
}

void MainWindow::splitAtCuts()
{
    const auto here = session_->shots.shotHere();
    if (!here)
        return;
    Project alone = session_->document.project();
    alone.shots = {alone.shots[here->index]};
    const auto found = worked<std::vector<ShotChange>>(
        tr("Split at the film's cuts"), tr("Looking for cuts in shot %1").arg(here->index + 1),
        [alone](const Progress& tell) {
            auto film = openFilm(alone);
            return film ? findCuts(*film.value(), alone.rate, alone.length(), tell)
                        : Result<std::vector<ShotChange>>(film.error());
        });
    if (!found)
        return;
    std::vector<std::int64_t> cuts;
    int soft = 0;
    for (const ShotChange& change : *found)
        if (change.kind == ChangeKind::cut)
            cuts.push_back(here->first + change.frame.index);
        else
            ++soft;
    const QString left = soft > 0 ? tr(", %1 dissolves and fades left whole").arg(soft) : QString();
    if (cuts.empty())
        say(tr("No cut was found") + left);
    else
        session_->document.edit(withShotsSplit(session_->document.project(), cuts),
                                tr("Split at %1 cuts").arg(cuts.size()) + left);
}

void MainWindow::conformAsked()
{
    const QString path = dialogs_.openFile(this, tr("The new edit of the film"), filter::clips());
    if (path.isEmpty())
        return;
    const QString name = QFileInfo(path).fileName();
    auto found = worked<Conformed>(tr("Conform to a new edit"), tr("Holding %1 against the film").arg(name),
                                   [project = session_->document.project(), path](const Progress& tell) {
                                       return conform(project, path.toStdString(), tell);
                                   });
    if (!found)
        return;
    ConformSheet decide(session_->document.project(), std::move(*found), name, this);
    if (dialogs_.run(decide))
        session_->document.edit(decide.project(), tr("Conformed to %1").arg(name));
}

} // namespace ember::app
