// SPDX-License-Identifier: GPL-3.0-or-later
// What the bench of motions does: read, keep, import, export, put to use.
#include <QFileInfo>
#include <QProgressBar>
#include <QPushButton>

#include "capture_sheets.h"
#include "ember/exchange/motion_table.h"
#include "ember/film/capture_clip.h"
#include "ember/project/bake.h"
#include "ember/project/file.h"
#include "motion_bench.h"
#include "text.h"
#include "value_control.h"

namespace ember::app {

namespace {
constexpr std::uintmax_t largestTable = 64u << 20;

/// The camera's motion in frames [first, last] of a clip; `last` -1 is its end.
Result<CapturedMotion> captured(const std::string& path, std::int64_t first, std::int64_t last,
                                const Progress& progress)
{
    auto reader = ClipReader::open(path);
    if (!reader)
        return reader.error();
    const std::int64_t end = reader.value()->info().length - 1;
    if (last > end)
        return Error{ErrorCode::badValue, path,
                     "its last frame is " + std::to_string(end) + ", so " + std::to_string(last) + " cannot be read"};
    return captureClip(*reader.value(), first, last < 0 ? end : last, progress);
}
} // namespace

void MotionBench::readFromClip()
{
    if (reading_.working())
        return;
    const QString clip = dialogs_.openFile(this, tr("Track the camera of a clip"), filter::clips());
    if (!clip.isEmpty())
        askRange(clip);
}

void MotionBench::askRange(const QString& clip)
{
    ClipRangeSheet sheet(QFileInfo(clip).fileName(), this);
    if (!dialogs_.run(sheet))
        return;
    bar_->setValue(0);
    bar_->show();
    cancel_->show();
    allow(read_, tr("A clip is being read"));
    say(tr("Reading the camera of %1").arg(QFileInfo(clip).fileName()));
    const auto work = [path = clip.toStdString(), first = sheet.first(),
                       last = sheet.last()](const Progress& progress) { return captured(path, first, last, progress); };
    reading_.begin(work, [this, clip](const Result<CapturedMotion>& motion) {
        bar_->hide();
        cancel_->hide();
        allow(read_, {});
        read_->setToolTip(tr("Measures how the camera of any clip moved and keeps it here"));
        if (motion)
            took(clip, motion.value());
        else
            say(motion.error().code == ErrorCode::cancelled ? tr("Stopped; nothing was kept") : said(motion.error()));
    });
}

void MotionBench::took(const QString& clip, const CapturedMotion& motion)
{
    const QFileInfo file(clip);
    QString wrong;
    const std::string name = motions_.keep({file.completeBaseName().toStdString(),
                                            tr("Read from %1").arg(file.fileName()).toStdString(), withoutMean(motion)},
                                           wrong);
    fill(name);
    const std::size_t bridged = motion.bridged();
    say(!wrong.isEmpty() ? wrong
        : bridged > 0    ? tr("Read and kept. %1 of %2 frames could not be measured; they are bridged and hatched.")
                            .arg(bridged)
                            .arg(motion.frames.size())
                      : tr("Read and kept: all %1 frames were measured.").arg(motion.frames.size()));
}

void MotionBench::keepShaped()
{
    QString wrong;
    KeptMotion kept = *shown();
    kept.motion = shaped();
    const std::string name = motions_.keep(std::move(kept), wrong);
    if (!wrong.isEmpty())
        return say(wrong);
    fill(name);
    say(tr("Kept as %1").arg(QString::fromStdString(name)));
}

void MotionBench::importFile()
{
    const QString path =
        dialogs_.openFile(this, tr("Import a motion"), tr("Motions (*.json *.csv *.txt *.tsv);;All files (*)"));
    if (path.isEmpty())
        return;
    const QFileInfo file(path);
    KeptMotion kept;
    if (file.suffix().compare(QLatin1String("json"), Qt::CaseInsensitive) == 0) {
        auto loaded = loadMotion(path.toStdString());
        if (!loaded)
            return say(said(loaded.error()));
        kept = std::move(loaded).value();
    } else {
        const auto text = readFile(path.toStdString(), largestTable, "a motion");
        if (!text)
            return say(said(text.error()));
        MotionTableSheet sheet(file.fileName(), text.value(), document_.project(), this);
        if (!dialogs_.run(sheet) || !sheet.motion())
            return;
        kept = {file.completeBaseName().toStdString(), tr("Imported from %1").arg(file.fileName()).toStdString(),
                *sheet.motion()};
    }
    QString wrong;
    const std::string name = motions_.keep(std::move(kept), wrong);
    if (!wrong.isEmpty())
        return say(wrong);
    fill(name);
    say(tr("Imported as %1").arg(QString::fromStdString(name)));
}

void MotionBench::exportShown()
{
    const KeptMotion* kept = shown();
    const QString path = dialogs_.saveFile(this, tr("Export the motion as"),
                                           QString::fromStdString(kept->name) + QStringLiteral(".json"),
                                           tr("Motions (*.json);;Tables (*.csv)"));
    if (path.isEmpty())
        return;
    if (const Status may = file_.mayWrite(path); !may)
        return say(said(may.error()));
    const CapturedMotion motion = changed() ? shaped() : kept->motion;
    const auto status = path.endsWith(QLatin1String(".csv"), Qt::CaseInsensitive)
                            ? writeFileSafely(path.toStdString(), motionToCsv(motion, 0))
                            : saveMotion({kept->name, kept->about, rounded(motion)}, path.toStdString());
    say(status ? tr("Written to %1").arg(QFileInfo(path).fileName()) : said(status.error()));
}

void MotionBench::useAsDrift()
{
    const MotionLoop loop = shapedLoop();
    const QString told = tr("Drift: %1").arg(QString::fromStdString(loop.kept().name));
    document_.edit(withDriftMotion(document_.project(), loop), told);
    say(tr("%1. Set it under Film, or undo with Ctrl+Z.").arg(told));
}

void MotionBench::useAsStrand()
{
    const Strike* strike = selection_.strike();
    if (strike == nullptr)
        return;
    const MotionLoop loop = shapedLoop();
    Strand strand{loop.kept().name, Captured{}, {}, {}};
    const RecipeId recipe = strike->recipe;
    Project next = withStrand(document_.project(), recipe, std::move(strand));
    const Recipe* made = next.recipe(recipe);
    if (made == nullptr)
        return;
    next = withStrandMotion(std::move(next), recipe, made->strands.size() - 1, loop);
    const QString told = tr("%1 added as a strand").arg(QString::fromStdString(loop.kept().name));
    document_.edit(std::move(next), told);
    say(told);
}

void MotionBench::cutOut()
{
    const Strike* strike = selection_.strike();
    const KeptMotion* kept = shown();
    if (strike == nullptr || kept == nullptr)
        return;
    const StrikeId id = strike->id;
    // It begins at rest: where the stretch begins.
    auto strand = strandCutOut(trimmed(shaped(), 0, last_ - first_), document_.project(), {});
    if (!strand)
        return say(said(strand.error()));
    strand.value().name = kept->name;
    Project next = document_.project();
    if (usersOf(next, strike->recipe) > 1)
        next = withOwnRecipe(std::move(next), id).project;
    const RecipeId recipe = next.strike(id)->recipe;
    next = withStrand(std::move(next), recipe, std::move(strand).value());
    const QString told = tr("%1 cut out for the strike").arg(QString::fromStdString(kept->name));
    document_.edit(std::move(next), told);
    say(told);
}

} // namespace ember::app
