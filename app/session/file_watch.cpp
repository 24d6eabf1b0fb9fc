// SPDX-License-Identifier: GPL-3.0-or-later
#include "file_watch.h"

#include <chrono>

#include <QFileInfo>
#include <QSet>

namespace ember::app {

namespace {

constexpr std::chrono::milliseconds betweenLooks{700}; ///< a file that is the same in two of them is done
constexpr int looksAfterwards = 30; ///< the next of numbered pictures may take long, and the system does not tell of it

} // namespace

FileWatch::FileWatch(QObject* parent) : QObject(parent)
{
    timer_.setSingleShot(true);
    timer_.setInterval(betweenLooks);
    connect(&timer_, &QTimer::timeout, this, &FileWatch::check);
    connect(&system_, &QFileSystemWatcher::fileChanged, this, &FileWatch::look);
    connect(&system_, &QFileSystemWatcher::directoryChanged, this, &FileWatch::look);
}

ClipMark FileWatch::markOf(const File& file)
{
    ClipOptions options;
    options.neverSequence = file.alone;
    return markOfClip(file.path, options);
}

void FileWatch::watch(const std::vector<File>& files)
{
    std::map<File, Watched> next;
    for (const File& file : files)
        if (const auto known = files_.find(file); known != files_.end()) {
            next.insert(*known);
        } else {
            const ClipMark mark = markOf(file);
            next.emplace(file, Watched{mark, mark});
        }
    files_ = std::move(next);
    tellSystem();
}

void FileWatch::tellSystem()
{
    QSet<QString> wanted;
    for (const auto& [file, watched] : files_) {
        const QString path = QString::fromStdString(file.path);
        if (QFileInfo::exists(path))
            wanted.insert(path);
        if (const QString folder = QFileInfo(path).path(); QFileInfo::exists(folder))
            wanted.insert(folder);
    }
    const QStringList held = system_.files() + system_.directories();
    const QSet<QString> now(held.begin(), held.end());
    if (const QSet<QString> gone = now - wanted; !gone.isEmpty())
        system_.removePaths(gone.values());
    if (const QSet<QString> fresh = wanted - now; !fresh.isEmpty())
        system_.addPaths(fresh.values());
}

void FileWatch::look()
{
    looks_ = looksAfterwards;
    if (!timer_.isActive() && !files_.empty())
        timer_.start();
}

void FileWatch::check()
{
    QStringList done;
    bool moves = false;
    for (auto& [file, watched] : files_) {
        const ClipMark now = markOf(file);
        if (now.files == 0 ||
            now == watched.told) { // one that is gone comes back under its name, or is missed elsewhere
            watched.last = now;
        } else if (now == watched.last) {
            watched.told = now;
            done << QString::fromStdString(file.path);
        } else {
            watched.last = now;
            moves = true;
        }
    }
    tellSystem();
    looks_ = moves || !done.isEmpty() ? looksAfterwards : looks_ - 1;
    if (looks_ > 0)
        timer_.start();
    if (!done.isEmpty())
        emit rewritten(done);
}

} // namespace ember::app
