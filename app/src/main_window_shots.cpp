// SPDX-License-Identifier: GPL-3.0-or-later
// What the window asks about shots.
#include <QFileInfo>
#include <QMenuBar>

#include "conform_sheet.h"
#include "ember/film/conform.h"
#include "ember/film/film_reader.h"
#include "ember/film/find_strikes.h"
#include "main_window.h"
#include "work_sheet.h"

namespace ember::app {

namespace {

QString clipFilter()
{
    return MainWindow::tr("Clips and pictures (*.mp4 *.mov *.mkv *.webm *.avi *.png *.jpg *.exr);;All files (*)");
}

} // namespace

void MainWindow::buildShotMenu()
{
    QMenu* menu = menuBar()->addMenu(tr("S&hot"));
    const auto clip = [&](const QString& text, const QKeySequence& key, const std::function<void()>& act) {
        needClip_.push_back(add(menu, text, key, act));
    };
    clip(tr("&Add a clip or still"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_O), [this] { addClipAsked(); });
    clip(tr("Add a &gap"), {}, [this] { session_->addGap(); });
    clip(tr("&Replace its clip"), {}, [this] { replaceClipAsked(); });
    menu->addSeparator();
    clip(tr("&Split here"), QKeySequence(Qt::CTRL | Qt::Key_Slash), [this] { session_->splitHere(); });
    clip(tr("Split at the film's &cuts"), {}, [this] { splitAtCuts(); });
    clip(tr("&Begin it here"), QKeySequence(Qt::ALT | Qt::Key_Comma), [this] { session_->trimHere(true); });
    clip(tr("&End it here"), QKeySequence(Qt::ALT | Qt::Key_Period), [this] { session_->trimHere(false); });
    clip(tr("Move it ea&rlier"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_Left), [this] { session_->moveShot(-1); });
    clip(tr("Move it &later"), QKeySequence(Qt::CTRL | Qt::ALT | Qt::Key_Right), [this] { session_->moveShot(1); });
    clip(tr("&Delete it"), QKeySequence(Qt::SHIFT | Qt::Key_Delete), [this] { session_->removeShot(); });
    menu->addSeparator();
    clip(tr("&Throw the nearest cut"), QKeySequence(Qt::Key_5), [this] { session_->strikeOnCut(); });
    const auto goes = [&](const QString& text, Session::GoesWith what) {
        needSelection_.push_back(add(menu, text, {}, [this, what] { session_->setGoesWith(what); }));
    };
    goes(tr("Strikes go with their s&hot"), Session::GoesWith::shot);
    goes(tr("&Pin strikes to the film"), Session::GoesWith::film);
    goes(tr("Strikes go with the &nearest cut"), Session::GoesWith::cut);
    menu->addSeparator();
    clip(tr("Con&form to a new edit"), {}, [this] { conformAsked(); });
}

void MainWindow::addClipAsked()
{
    const QString path = dialogs_.openFile(this, tr("Add a clip or still"), clipFilter());
    if (!path.isEmpty())
        session_->addClip(path);
}

void MainWindow::replaceClipAsked()
{
    const QString path = dialogs_.openFile(this, tr("Replace the clip of the shot here"), clipFilter());
    if (!path.isEmpty())
        session_->replaceClip(path);
}

/// What long work finds, done under a sheet that shows how far it is; nothing where it was stopped or went wrong, which
/// is told.
template <typename Found, typename Work>
std::optional<Found> MainWindow::worked(const QString& title, const QString& doing, Work work)
{
    auto found = std::make_shared<Result<Found>>(Error{ErrorCode::cancelled, "", ""});
    WorkSheet sheet(
        title, doing, [found, work = std::move(work)](const WorkSheet::Tell& tell) { *found = work(tell); }, this);
    if (!dialogs_.run(sheet))
        return std::nullopt;
    if (!found->ok()) {
        emit session_->trouble(QString::fromStdString(sentence(found->error())));
        return std::nullopt;
    }
    return std::move(*found).value();
}

void MainWindow::splitAtCuts()
{
    const auto here = session_->shotHere();
    if (!here)
        return;
    Project alone = session_->project();
    alone.shots = {alone.shots[here->index]};
    const auto found = worked<std::vector<ShotChange>>(
        tr("Split at the film's cuts"), tr("Looking for cuts in shot %1").arg(here->index + 1),
        [alone](const WorkSheet::Tell& tell) {
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
        session_->edit(withShotsSplit(session_->project(), cuts), tr("Split at %1 cuts").arg(cuts.size()) + left);
}

void MainWindow::conformAsked()
{
    const QString path = dialogs_.openFile(this, tr("The new edit of the film"), clipFilter());
    if (path.isEmpty())
        return;
    const QString name = QFileInfo(path).fileName();
    auto found = worked<Conformed>(tr("Conform to a new edit"), tr("Holding %1 against the film").arg(name),
                                   [project = session_->project(), path](const WorkSheet::Tell& tell) {
                                       return conform(project, path.toStdString(), tell);
                                   });
    if (!found)
        return;
    ConformSheet decide(session_->project(), std::move(*found), name, this);
    if (dialogs_.run(decide))
        session_->edit(decide.project(), tr("Conformed to %1").arg(name));
}

} // namespace ember::app
