// SPDX-License-Identifier: GPL-3.0-or-later
// What the bench of motions does: read, keep, import, export, put to use.
#include <QFileInfo>
#include <QProgressBar>
#include <QPushButton>

#include "capture_job.h"
#include "capture_sheets.h"
#include "ember/exchange/motion_table.h"
#include "ember/project/bake.h"
#include "ember/project/file.h"
#include "motion_bench.h"
#include "value_control.h"

namespace ember::app {

namespace {
constexpr std::uintmax_t largestTable = 64u << 20;
} // namespace

void MotionBench::readFromClip()
{
    if (job_)
        return;
    const QString clip = dialogs_.openFile(this, tr("Read the camera of a clip"), filter::clips());
    if (!clip.isEmpty())
        askRange(clip);
}

void MotionBench::askRange(const QString& clip)
{
    ClipRangeSheet sheet(QFileInfo(clip).fileName(), this);
    if (!dialogs_.run(sheet))
        return;
    job_ = std::make_unique<CaptureJob>(clip, sheet.first(), sheet.last());
    bar_->setValue(0);
    bar_->show();
    cancel_->show();
    allow(read_, tr("A clip is being read"));
    say(tr("Reading the camera of %1").arg(QFileInfo(clip).fileName()));
    const auto over = [this] {
        job_.reset();
        bar_->hide();
        cancel_->hide();
        allow(read_, {});
        read_->setToolTip(tr("Measures how the camera of any clip moved and keeps it here"));
    };
    connect(job_.get(), &CaptureJob::progressed, this,
            [this](double share) { bar_->setValue(static_cast<int>(1000 * share)); });
    connect(
        job_.get(), &CaptureJob::failed, this,
        [this, over](const QString& text) {
            over();
            say(text.isEmpty() ? tr("Stopped; nothing was kept") : text);
        },
        Qt::QueuedConnection);
    connect(
        job_.get(), &CaptureJob::read, this,
        [this, over, clip](const std::shared_ptr<const CapturedMotion>& motion) {
            over();
            took(clip, *motion);
        },
        Qt::QueuedConnection);
    job_->start();
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
            return say(QString::fromStdString(sentence(loaded.error())));
        kept = std::move(loaded).value();
    } else {
        const auto text = readFile(path.toStdString(), largestTable, "a motion");
        if (!text)
            return say(QString::fromStdString(sentence(text.error())));
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
        return say(QString::fromStdString(sentence(may.error())));
    const CapturedMotion motion = changed() ? shaped() : kept->motion;
    const auto status = path.endsWith(QLatin1String(".csv"), Qt::CaseInsensitive)
                            ? writeFileSafely(path.toStdString(), motionToCsv(motion, 0))
                            : saveMotion({kept->name, kept->about, rounded(motion)}, path.toStdString());
    say(status ? tr("Written to %1").arg(QFileInfo(path).fileName())
               : QString::fromStdString(sentence(status.error())));
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
        return say(QString::fromStdString(sentence(strand.error())));
    strand.value().name = kept->name;
    Project next = document_.project();
    if (usersOf(next, strike->recipe) > 1)
        next = withOwnRecipe(std::move(next), id).project;
    next = withStrand(std::move(next), next.strike(id)->recipe, std::move(strand).value());
    const QString told = tr("%1 cut out for the strike").arg(QString::fromStdString(kept->name));
    document_.edit(std::move(next), told);
    say(told);
}

} // namespace ember::app
