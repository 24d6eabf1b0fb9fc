// SPDX-License-Identifier: GPL-3.0-or-later
#include "journal_keeper.h"

#include <mutex>
#include <utility>

#include <QPointer>
#include <QStandardPaths>

#include "background.h"
#include "text.h"

namespace ember::app {

namespace {
constexpr int usualDelay = 400;
} // namespace

/// Shared with the thread that writes: one at a time, and never after the end.
struct JournalKeeper::Work {
    std::mutex mutex;
    std::optional<Journal> journal;
    std::optional<LeftBehind> replaced;
    std::uint64_t wanted = 0; ///< the newest state that is to be kept; older ones are passed over
};

QString JournalKeeper::folder()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/journal");
}

JournalKeeper::JournalKeeper(OpenDocument& document, ProjectFile& file, Messages& messages, QObject* parent)
    : QObject(parent), document_(document), file_(file), messages_(messages), work_(std::make_shared<Work>())
{
    timer_.setSingleShot(true);
    timer_.setInterval(usualDelay);
    connect(&timer_, &QTimer::timeout, this, &JournalKeeper::keep);
    connect(&document_, &OpenDocument::changed, this, &JournalKeeper::changed);
    connect(&document_, &OpenDocument::savedChanged, this, &JournalKeeper::changed);
    connect(&file_, &ProjectFile::pathChanged, this, &JournalKeeper::changed);
}

JournalKeeper::~JournalKeeper()
{
    const std::lock_guard lock(work_->mutex);
    if (work_->journal)
        work_->journal->forget();
    work_->journal.reset();
    work_->wanted = 0;
}

void JournalKeeper::replace(const LeftBehind& left)
{
    const std::lock_guard lock(work_->mutex);
    work_->replaced = left;
}

void JournalKeeper::changed()
{
    if (document_.modified()) {
        if (!timer_.isActive()) // not put off by further changes
            timer_.start();
        return;
    }
    timer_.stop();
    const std::lock_guard lock(work_->mutex);
    ++work_->wanted;
    if (work_->journal)
        work_->journal->forget();
}

void JournalKeeper::keep()
{
    std::uint64_t number = 0;
    {
        const std::lock_guard lock(work_->mutex);
        number = ++work_->wanted;
    }
    inBackground([work = work_, number, self = QPointer<JournalKeeper>(this), project = document_.snapshot(),
                  path = file_.path().toStdString(), title = file_.title().toStdString(), at = folder().toStdString()] {
        QString trouble;
        {
            const std::lock_guard lock(work->mutex);
            if (work->wanted != number)
                return;
            if (!work->journal) {
                auto begun = Journal::begin(at);
                if (begun.ok())
                    work->journal = std::move(begun.value());
                else
                    trouble = said(begun.error());
            }
            if (work->journal) {
                if (const auto status = work->journal->keep(*project, path, title); !status)
                    trouble = said(status.error());
                else if (work->replaced)
                    discard(*std::exchange(work->replaced, std::nullopt));
            }
        }
        if (!trouble.isEmpty())
            onInterface(self, [trouble](JournalKeeper& keeper) { keeper.tell(trouble); });
    });
}

void JournalKeeper::tell(const QString& trouble)
{
    if (!std::exchange(told_, true))
        emit messages_.trouble(tr("Unsaved work is not being kept for the case of a crash: %1").arg(trouble));
}

} // namespace ember::app
